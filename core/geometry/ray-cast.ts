import type { Bank } from '../bodies/kind'
import { bedMeter, bedSide, faceOfObject, leafFace, type FaceId } from './faces'
import { edgesOf, isRectangle } from './footprint'
import { inPieces } from './objects'
import { isLeaf } from './parts'
import { makeFoliageCaster, NO_LEAVES, type Foliage, type Leaves } from './ray-foliage'
import {
  bankDistance,
  boardDistance,
  boxOfBank,
  isOpen,
  makeBoard,
  throughPrism,
  type Board,
  type Box,
  type Screen,
} from './ray-shapes'
import type { Building, Surface } from './surfaces'
import { halfPlanes, isWithin, planeOf } from './vec'

const { abs, max, min } = Math

/** One plane of the convex room, with what is let into it. */
interface RoomPlane {
  nx: number
  ny: number
  nz: number
  /** n · p on the plane. */
  d: number
  /** Its face, by its place in the scene's list. */
  face: number
  insets: Inset[]
}

/** Another face in the same plane: its polygon as half-planes, and how far it goes across and along the house. */
interface Inset {
  face: number
  edges: Float64Array
  x0: number
  x1: number
  y0: number
  y1: number
}

/** An object as the rays meet it. Beds take light on the top as one face and on their sides as another. */
interface Target {
  box: Box
  bank: Bank | null
  /** Half-planes of its foot where that is no rectangle. */
  edges: Float64Array | null
  top: number
  sides: number
  isBed: boolean
}

/** Where light may end. Positions are inside or on the skin; directions are unit vectors. */
export interface Scene {
  /** What light can land on. */
  faces: readonly FaceId[]
  /**
   * Sends a ray of one direction from each point (x, y, z by turns) and adds a weight to the face where it lands. Where
   * eaves or the wall of a house stand on the way to the light, none is sent: with `light` 1 the light lies ahead of
   * the rays, with −1 behind them; with 0 nothing outside is asked.
   * @param out one number a face, in the order of `faces`; with leaves in several states, one state after the other
   * @param level light on a level area beneath the pane that the rays start on, as a share of theirs: leaves that a
   * pane cuts off are metered by it
   */
  cast: (
    points: Float64Array,
    dx: number,
    dy: number,
    dz: number,
    light: 1 | 0 | -1,
    weight: number,
    out: Float64Array,
    level?: number,
  ) => void
}

/** Shade strip and outside screens of a design, from its building. */
export interface SceneExtras {
  strip: Screen | null
  outside: Screen[]
}

/**
 * The scene of a building. Skins are convex, so a ray ends on the nearest plane before it, unless an object stands
 * before that.
 */
export function makeScene(building: Building, extras: SceneExtras, leaves: Leaves = NO_LEAVES): Scene {
  const faces: FaceId[] = []
  const placeOf = (id: FaceId) => {
    if (!faces.includes(id)) faces.push(id)
    return faces.indexOf(id)
  }
  const planes = roomPlanes(building, placeOf)
  const targets = inPieces(building.objects).map(
    (o): Target => ({
      box: o.bank ? boxOfBank(o, o.bank) : o,
      bank: o.bank,
      edges: isRectangle(o.pieces[0]!) ? null : edgesOf(o.pieces[0]!),
      top: placeOf(faceOfObject(o)),
      sides: placeOf(o.kind === 'bed' ? bedSide(o.index) : faceOfObject(o)),
      isBed: o.kind === 'bed',
    }),
  )
  const canopies = leaves.canopies.map(
    (c): Foliage => ({ ...c, face: placeOf(leafFace(c.bed)), meter: placeOf(bedMeter(c.bed)) }),
  )
  const strip = extras.strip && makeBoard(extras.strip)
  const solid: Solid = {
    planes,
    targets,
    strip,
    stripFace: strip ? placeOf('shade strip') : -1,
    outside: extras.outside.map(makeBoard),
    canopies,
    states: leaves.states,
    faces: faces.length,
  }
  const most = max(planes.length, targets.length, canopies.length)
  const caster = most <= USUAL_ROOM ? usualCaster : makeCaster(most)
  return {
    faces,
    cast: (points, dx, dy, dz, light, weight, out, level = 0) =>
      caster(solid, points, dx, dy, dz, light, weight, out, level),
  }
}

/** All that stands in the way of rays. */
interface Solid {
  planes: RoomPlane[]
  targets: Target[]
  strip: Board | null
  stripFace: number
  outside: Board[]
  canopies: Foliage[]
  states: number
  faces: number
}

/** Planes, pieces of objects and canopies that the usual caster has room for. */
const USUAL_ROOM = 64
const usualCaster = makeCaster(USUAL_ROOM)

/** Made once, so that the compiler takes its arrays for constants: rays are cast by the ten thousand. */
function makeCaster(room: number) {
  /** Of each plane ahead: offset and normal, over the part of the direction along the normal; and which it is. */
  const ahead = new Float64Array(room * 4)
  const planeOf = new Int32Array(room)
  /** Of each object: where its box is entered and left along each axis, as the ray counts. */
  const boxes = new Float64Array(room * 6)
  const span = new Float64Array(2)
  const { aim, cross, count } = makeFoliageCaster(room)

  return (
    solid: Solid,
    points: Float64Array,
    dx: number,
    dy: number,
    dz: number,
    light: 1 | 0 | -1,
    weight: number,
    out: Float64Array,
    level: number,
  ): void => {
    const { planes, targets, strip, stripFace, outside, canopies } = solid
    const slopes = ahead
    const ends = boxes
    const things = targets.length
    let facing = 0
    for (let i = 0; i < planes.length; i++) {
      const p = planes[i]!
      const along = p.nx * dx + p.ny * dy + p.nz * dz
      if (along < 1e-9) continue
      slopes[facing * 4] = p.d / along
      slopes[facing * 4 + 1] = p.nx / along
      slopes[facing * 4 + 2] = p.ny / along
      slopes[facing * 4 + 3] = p.nz / along
      planeOf[facing++] = i
    }
    const ix = 1 / awayFromZero(dx)
    const iy = 1 / awayFromZero(dy)
    const iz = 1 / awayFromZero(dz)
    for (let i = 0; i < things; i++) {
      const { box } = targets[i]!
      ends[i * 6] = (ix < 0 ? box.x1 : box.x0) * ix
      ends[i * 6 + 1] = (ix < 0 ? box.x0 : box.x1) * ix
      ends[i * 6 + 2] = (iy < 0 ? box.y1 : box.y0) * iy
      ends[i * 6 + 3] = (iy < 0 ? box.y0 : box.y1) * iy
      ends[i * 6 + 4] = (iz < 0 ? box.z1 : box.z0) * iz
      ends[i * 6 + 5] = (iz < 0 ? box.z0 : box.z1) * iz
    }
    if (canopies.length > 0) aim(canopies, ix, iy, iz)
    for (let k = 0; k < points.length; k += 3) {
      const x = points[k]!
      const y = points[k + 1]!
      const z = points[k + 2]!
      if (light !== 0 && outside.length > 0 && !isOpen(outside, x, y, z, light * dx, light * dy, light * dz)) continue
      let near = Infinity
      let plane = 0
      for (let i = 0; i < facing; i++) {
        const t = slopes[i * 4]! - slopes[i * 4 + 1]! * x - slopes[i * 4 + 2]! * y - slopes[i * 4 + 3]! * z
        // A ray that starts on a plane leaves it; what runs along it belongs to the neighbour.
        if (t > 1e-6 && t < near) {
          near = t
          plane = i
        }
      }
      let hit = -1
      const atX = x * ix
      const atY = y * iy
      const atZ = z * iz
      for (let i = 0; i < things; i++) {
        // Along the ridge first: most things are missed there.
        const enterY = ends[i * 6 + 2]! - atY
        const leaveY = ends[i * 6 + 3]! - atY
        if (leaveY <= 1e-6 || enterY >= near) continue
        const enterX = ends[i * 6]! - atX
        const leaveX = ends[i * 6 + 1]! - atX
        if (leaveX <= 1e-6 || enterX >= near || enterX > leaveY || enterY > leaveX) continue
        const enterZ = ends[i * 6 + 4]! - atZ
        const leaveZ = ends[i * 6 + 5]! - atZ
        if (leaveZ <= 1e-6 || enterZ >= near || enterZ > leaveY || enterZ > leaveX) continue
        if (enterX > leaveZ || enterY > leaveZ) continue
        const enter = max(enterX, enterY, enterZ)
        const o = targets[i]!
        // What stands against the glass is lit where the glass is.
        let t = max(0, enter)
        if (o.bank) t = bankDistance(o.box, o.bank, x, y, z, dx, dy, dz, near)
        else if (o.edges) {
          span[0] = enter
          span[1] = min(leaveX, leaveY, leaveZ)
          throughPrism(o.edges, x, y, dx, dy, span)
          t = span[0] < span[1] && span[1] > 1e-6 ? max(0, span[0]) : Infinity
        }
        if (t < near) {
          near = t
          hit = i
        }
      }
      let face: number
      if (strip && boardDistance(strip, x, y, z, dx, dy, dz) < near) face = stripFace
      else if (hit >= 0) {
        const o = targets[hit]!
        // Plants see what falls on the top of a bed; its sides only warm.
        face = o.isBed && dz < 0 && z + dz * near > o.box.z1 - 1e-6 ? o.top : o.sides
      } else {
        const p = planes[planeOf[plane]!]!
        face = p.face
        const endX = x + dx * near
        const endY = y + dy * near
        // The last that it lies in: leaves come after what they are let into.
        for (let i = p.insets.length - 1; i >= 0; i--) {
          const inset = p.insets[i]!
          if (endY < inset.y0 || endY > inset.y1 || endX < inset.x0 || endX > inset.x1) continue
          if (!isWithin(inset.edges, endX, endY, z + dz * near)) continue
          face = inset.face
          break
        }
      }
      if (canopies.length === 0) out[face]! += weight
      else {
        const found = cross(canopies, x, y, dx, dy, atX, atY, atZ, near, dz < 0, level)
        if (found === 0 && solid.states === 1) out[face]! += weight
        else count(solid, found, face, weight, out)
      }
    }
  }
}

function awayFromZero(v: number): number {
  return abs(v) < 1e-12 ? 1e-12 : v
}

/** The whole of a plane first, then the glazing of an end, then the leaves of openings. */
const depth = (s: Surface) => (isLeaf(s) ? 2 : s.letIn ? 1 : 0)

/** What lies a hair outside of an edge is looked at all the same, m. */
const HAIR = 1e-6

function insetOf(face: number, { polygon, normal }: Pick<Surface, 'polygon' | 'normal'>): Inset {
  const [xs, ys] = [polygon.map(p => p[0]), polygon.map(p => p[1])]
  return {
    face,
    edges: halfPlanes(polygon, normal),
    x0: min(...xs) - HAIR,
    x1: max(...xs) + HAIR,
    y0: min(...ys) - HAIR,
    y1: max(...ys) + HAIR,
  }
}

/** The planes that close the room in. Into a dormer one looks as into a niche: what is in its way is its own face. */
function roomPlanes({ surfaces, taken }: Building, placeOf: (id: FaceId) => number): RoomPlane[] {
  const planes: RoomPlane[] = []
  // The whole of a plane before what is let into it.
  const inOrder = surfaces.filter(s => !s.standsOut).sort((a, b) => depth(a) - depth(b))
  for (const s of [...inOrder, ...taken.map(t => ({ ...t, normal: planeOf(t.polygon).normal }))]) {
    const [nx, ny, nz] = s.normal
    const p = s.polygon[0]!
    const d = nx * p[0] + ny * p[1] + nz * p[2]
    const same = planes.find(q => abs(q.nx - nx) + abs(q.ny - ny) + abs(q.nz - nz) < 1e-7 && abs(q.d - d) < 1e-6)
    if (same) same.insets.push(insetOf(placeOf(s.id), s))
    else planes.push({ nx, ny, nz, d, face: placeOf(s.id), insets: [] })
  }
  return planes
}
