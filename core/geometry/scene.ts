import { MOST_BEDS } from '../design/fields/shape'
import type { Bank, RoomObject } from './objects'
import { isLeaf } from './parts'
import type { Building, Surface, SurfaceId, Vec } from './surfaces'
import { halfPlanes, isWithin, planeOf } from './vec'

const { abs, exp, floor, max, min, sqrt } = Math

/** Where light can land in the room. */
export type FaceId = SurfaceId | BedFace | BedSide | LeafFace | BedMeter | 'benches' | 'shade strip' | BodyFace

/** The top of a bed, where its plants stand, and its sides, by its place in the document. */
export type BedFace = `bed ${number}`
export type BedSide = `side of bed ${number}`
export const bedFace = (index: number): BedFace => `bed ${index}`
export const bedSide = (index: number): BedSide => `side of bed ${index}`
/** Which bed a face is the top of; −1 where it is of none. */
export const bedOfFace = (face: string): number => Number(/^bed (\d+)$/.exec(face)?.[1] ?? -1)

/** The leaves on a bed, and a meter that lies level on top of them. */
export type LeafFace = `leaves of bed ${number}`
export type BedMeter = `light on bed ${number}`
export const leafFace = (index: number): LeafFace => `leaves of bed ${index}`
export const bedMeter = (index: number): BedMeter => `light on bed ${index}`

/** The face of a body, by its place in the document. */
export type BodyFace = `body ${number}`
export const bodyFace = (index: number): BodyFace => `body ${index}`
/** Which body a face is of; −1 where it is of none. */
export const bodyOfFace = (face: string): number => Number(/^body (\d+)$/.exec(face)?.[1] ?? -1)

/** The face that an object belongs to. */
export function faceOfObject(o: Pick<RoomObject, 'kind' | 'index'>): FaceId {
  return o.kind === 'bed' ? bedFace(o.index) : o.kind === 'bench' ? 'benches' : bodyFace(o.index)
}

/** A flat rectangle that shades the glass from outside or stands under it: corner, two sides. */
export interface Screen {
  corner: Vec
  u: Vec
  v: Vec
}

/** A box along the axes of the room, m. */
interface Box {
  x0: number
  x1: number
  y0: number
  y1: number
  z0: number
  z1: number
}

/** Leaves on a bed as light meets them: a box of them, thinned out evenly, in one or several states of growth. */
export interface Canopy extends Box {
  bed: number
  /** By state: how light dies out on its way through, 1/m; 0 where no leaf stands. */
  perM: readonly number[]
}

/** All leaves in a room, in as many states. Each state has places of its own in what rays are counted into. */
export interface Leaves {
  states: number
  canopies: readonly Canopy[]
}
export const NO_LEAVES: Leaves = { states: 1, canopies: [] }

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

/** Another face in the same plane: its polygon as half-planes. */
interface Inset {
  face: number
  edges: Float64Array
}

/** An object as the rays meet it. Beds take light on the top as one face and on their sides as another. */
interface Target {
  box: Box
  bank: Bank | null
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
  const targets = building.objects.map(
    (o): Target => ({
      box: o.bank ? boxOfBank(o, o.bank) : o,
      bank: o.bank,
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
  const caster =
    planes.length <= USUAL_ROOM && targets.length <= USUAL_ROOM
      ? usualCaster
      : makeCaster(max(planes.length, targets.length))
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

/** Leaves with their places among the faces. */
interface Foliage extends Canopy {
  face: number
  meter: number
}

/** Planes, and objects, that the usual caster has room for. */
const USUAL_ROOM = 64
const usualCaster = makeCaster(USUAL_ROOM)

/** Made once, so that the compiler takes its arrays for constants: rays are cast by the ten thousand. */
function makeCaster(room: number) {
  /** Of each plane ahead: offset and normal, over the part of the direction along the normal; and which it is. */
  const ahead = new Float64Array(room * 4)
  const planeOf = new Int32Array(room)
  /** Of each object: where its box is entered and left along each axis, as the ray counts. */
  const boxes = new Float64Array(room * 6)
  const { aim, cross, count } = makeFoliageCaster()

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
      if (light !== 0 && outside.length > 0 && !open(outside, x, y, z, light * dx, light * dy, light * dz)) continue
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
        const t = o.bank ? bankDistance(o.box, o.bank, x, y, z, dx, dy, dz, near) : max(0, enter)
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
        for (let i = 0; i < p.insets.length; i++) {
          const inset = p.insets[i]!
          if (isWithin(inset.edges, x + dx * near, y + dy * near, z + dz * near)) face = inset.face
        }
      }
      if (canopies.length === 0) out[face]! += weight
      else {
        const found = cross(canopies.length, atX, atY, atZ, near, dz < 0, level)
        if (found === 0 && solid.states === 1) out[face]! += weight
        else count(solid, found, face, weight, out)
      }
    }
  }
}

/** Leaves on the way of a ray: each takes its share of what comes to it, and the rest goes on. */
function makeFoliageCaster() {
  /** Of each canopy, where its box is entered and left along each axis, as the rays of a direction count. */
  const ends = new Float64Array(MOST_BEDS * 6)
  /**
   * Canopies that a ray crosses, in their order along it: which, where it enters, how far it goes through, and what of
   * its light a meter on top of them sees.
   */
  const crossed = new Int32Array(MOST_BEDS)
  const enters = new Float64Array(MOST_BEDS)
  const lengths = new Float64Array(MOST_BEDS)
  const metered = new Float64Array(MOST_BEDS)

  /** All rays that follow have this direction, one over each of its parts. */
  function aim(canopies: readonly Foliage[], ix: number, iy: number, iz: number): void {
    for (let i = 0; i < canopies.length; i++) {
      const c = canopies[i]!
      ends[i * 6] = (ix < 0 ? c.x1 : c.x0) * ix
      ends[i * 6 + 1] = (ix < 0 ? c.x0 : c.x1) * ix
      ends[i * 6 + 2] = (iy < 0 ? c.y1 : c.y0) * iy
      ends[i * 6 + 3] = (iy < 0 ? c.y0 : c.y1) * iy
      ends[i * 6 + 4] = (iz < 0 ? c.z1 : c.z0) * iz
      ends[i * 6 + 5] = (iz < 0 ? c.z0 : c.z1) * iz
    }
  }

  /** How many canopies a ray crosses that starts at a place, over the direction's parts, and ends at a distance. */
  function cross(
    count: number,
    atX: number,
    atY: number,
    atZ: number,
    near: number,
    down: boolean,
    level: number,
  ): number {
    const bounds = ends
    let found = 0
    for (let i = 0; i < count; i++) {
      const enterX = bounds[i * 6]! - atX
      const leaveX = bounds[i * 6 + 1]! - atX
      if (leaveX <= 0 || enterX >= near) continue
      const enterZ = bounds[i * 6 + 4]! - atZ
      const leaveZ = bounds[i * 6 + 5]! - atZ
      if (leaveZ <= 0 || enterZ >= near || enterX >= leaveZ || enterZ >= leaveX) continue
      const enterY = bounds[i * 6 + 2]! - atY
      const enter = max(0, enterX, enterZ, enterY)
      const leave = min(near, leaveX, leaveZ, bounds[i * 6 + 3]! - atY)
      if (leave <= enter) continue
      let k = found++
      for (; k > 0 && enters[k - 1]! > enter; k--) {
        enters[k] = enters[k - 1]!
        crossed[k] = crossed[k - 1]!
        lengths[k] = lengths[k - 1]!
        metered[k] = metered[k - 1]!
      }
      enters[k] = enter
      crossed[k] = i
      lengths[k] = leave - enter
      // Through its top, or through a pane that cuts it off beneath that.
      metered[k] = !down ? 0 : enter === enterZ ? 1 : max(enterX, enterY, enterZ) < -1e-6 ? level : 0
    }
    return found
  }

  /** Counts a ray that ends on a face. */
  function count(solid: Solid, found: number, face: number, weight: number, out: Float64Array): void {
    const { canopies, states, faces } = solid
    for (let s = 0; s < states; s++) {
      const at = s * faces
      let left = weight
      for (let k = 0; k < found; k++) {
        const c = canopies[crossed[k]!]!
        out[at + c.meter]! += left * metered[k]!
        const perM = c.perM[s]!
        if (perM === 0) continue
        const passes = exp(-perM * lengths[k]!)
        out[at + c.face]! += left * (1 - passes)
        left *= passes
      }
      out[at + face]! += left
    }
  }
  return { aim, cross, count }
}

function awayFromZero(v: number): number {
  return abs(v) < 1e-12 ? 1e-12 : v
}

/** Whether the way from a point along a direction is free of screens. */
function open(screens: readonly Board[], x: number, y: number, z: number, dx: number, dy: number, dz: number): boolean {
  for (let i = 0; i < screens.length; i++) if (boardDistance(screens[i]!, x, y, z, dx, dy, dz) < Infinity) return false
  return true
}

/** Share of some points (x, y, z by turns) from which the way along a direction is free of screens. */
export function freeOf(screens: readonly Screen[], points: Float64Array, dx: number, dy: number, dz: number): number {
  const boards = screens.map(makeBoard)
  let free = 0
  for (let k = 0; k < points.length; k += 3)
    if (open(boards, points[k]!, points[k + 1]!, points[k + 2]!, dx, dy, dz)) free++
  return (free * 3) / points.length
}

/** The whole of a plane first, then the glazed middle of an end, then the leaves of openings. */
const depth = (s: Surface) => (isLeaf(s) ? 2 : s.letIn ? 1 : 0)

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
    if (same) same.insets.push({ face: placeOf(s.id), edges: halfPlanes(s.polygon, s.normal) })
    else planes.push({ nx, ny, nz, d, face: placeOf(s.id), insets: [] })
  }
  return planes
}

/** The box that a bank's barrels fill. */
function boxOfBank(o: RoomObject, { radiusM, perRow, pitchM, count }: Bank): Box {
  const y0 = o.y0 + pitchM / 2 - radiusM
  return { x0: o.x0, x1: o.x1, y0, y1: y0 + (min(perRow, count) - 1) * pitchM + 2 * radiusM, z0: o.z0, z1: o.z1 }
}

/**
 * Distance to the first barrel of a bank, or Infinity: of each row, the barrels that stand where the ray crosses it.
 */
function bankDistance(
  box: Box,
  { radiusM, rows, perRow, pitchM, count }: Bank,
  x: number,
  y: number,
  z: number,
  dx: number,
  dy: number,
  dz: number,
  limit: number,
): number {
  const inLevel = dx * dx + dy * dy
  let near = Infinity
  const rowDepth = (box.x1 - box.x0) / rows
  for (let row = 0; row < rows; row++) {
    const cx = box.x0 + (row + 0.5) * rowDepth
    const standing = min(perRow, count - row * perRow)
    if (standing <= 0) break
    let from = 0
    let to = standing - 1
    if (inLevel > 1e-12) {
      // Along the ridge the ray stays within this row between two crossings; only barrels in between can be met.
      const t0 = abs(dx) > 1e-9 ? (cx - radiusM - x) / dx : -Infinity
      const t1 = abs(dx) > 1e-9 ? (cx + radiusM - x) / dx : Infinity
      const ta = max(0, min(t0, t1))
      const tb = min(limit, max(t0, t1))
      if (tb < ta) continue
      const ya = y + dy * ta
      const yb = y + dy * tb
      from = max(0, floor((min(ya, yb) - 2 * radiusM - box.y0) / pitchM))
      to = min(standing - 1, floor((max(ya, yb) - box.y0) / pitchM))
    }
    for (let k = from; k <= to; k++) {
      const t = cylinderDistance(cx, box.y0 + radiusM + k * pitchM, radiusM, box, x, y, z, dx, dy, dz, inLevel)
      if (t < near) near = t
    }
  }
  return near < limit ? near : Infinity
}

function cylinderDistance(
  cx: number,
  cy: number,
  r: number,
  { z0, z1 }: Box,
  x: number,
  y: number,
  z: number,
  dx: number,
  dy: number,
  dz: number,
  inLevel: number,
): number {
  const px = x - cx
  const py = y - cy
  let enter = 0
  let leave = Infinity
  if (inLevel > 1e-12) {
    const b = (px * dx + py * dy) / inLevel
    const c = (px * px + py * py - r * r) / inLevel
    const disc = b * b - c
    if (disc <= 0) return Infinity
    const root = sqrt(disc)
    enter = -b - root
    leave = -b + root
  } else if (px * px + py * py > r * r) return Infinity
  if (abs(dz) > 1e-12) {
    const a = (z0 - z) / dz
    const b = (z1 - z) / dz
    enter = max(enter, min(a, b))
    leave = min(leave, max(a, b))
  } else if (z < z0 || z > z1) return Infinity
  return enter > 1e-6 && enter <= leave ? enter : Infinity
}

/** A screen with its normal, and its sides over their squared lengths. */
interface Board {
  corner: Vec
  normal: Vec
  across: Vec
  along: Vec
}

function makeBoard({ corner, u, v }: Screen): Board {
  const over = (a: Vec): Vec => {
    const square = a[0] * a[0] + a[1] * a[1] + a[2] * a[2]
    return [a[0] / square, a[1] / square, a[2] / square]
  }
  return {
    corner,
    normal: [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]],
    across: over(u),
    along: over(v),
  }
}

/** Distance to a flat rectangle, or Infinity. */
function boardDistance(
  { corner, normal, across, along }: Board,
  x: number,
  y: number,
  z: number,
  dx: number,
  dy: number,
  dz: number,
): number {
  const facing = normal[0] * dx + normal[1] * dy + normal[2] * dz
  if (abs(facing) < 1e-12) return Infinity
  const t = (normal[0] * (corner[0] - x) + normal[1] * (corner[1] - y) + normal[2] * (corner[2] - z)) / facing
  if (t < 1e-6) return Infinity
  const px = x + dx * t - corner[0]
  const py = y + dy * t - corner[1]
  const pz = z + dz * t - corner[2]
  const a = px * across[0] + py * across[1] + pz * across[2]
  const b = px * along[0] + py * along[1] + pz * along[2]
  return a >= 0 && a <= 1 && b >= 0 && b <= 1 ? t : Infinity
}
