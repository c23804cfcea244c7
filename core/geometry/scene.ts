import type { Bank, RoomObject } from './objects'
import type { Building, Surface, SurfaceId, Vec } from './surfaces'

const { abs, floor, max, min, sqrt } = Math

/** Where light can land in the room. */
export type FaceId = SurfaceId | 'beds' | 'bed sides' | 'benches' | 'barrels' | 'tank' | 'inner wall' | 'pond' | 'shade strip'

const FACE_OF: Record<RoomObject['kind'], FaceId> = { 'bed': 'beds', 'bench': 'benches', 'barrels': 'barrels', 'tank': 'tank', 'inner wall': 'inner wall', 'pond': 'pond' }

/** The face that an object belongs to. */
export function faceOfObject(kind: RoomObject['kind']): FaceId {
  return FACE_OF[kind]
}

/** A flat rectangle that shades the glass from outside or stands under it: corner, two sides. */
export interface Screen { corner: Vec, u: Vec, v: Vec }

/** One plane of the convex room, with the glazing let into it. */
interface RoomPlane {
  nx: number
  ny: number
  nz: number
  /** n · p on the plane. */
  d: number
  /** Its faces by their place in the scene's list; `pane` is −1 where nothing is let in. */
  face: number
  pane: number
  /** The pane's polygon as half-planes. */
  edges: Float64Array
  /** One over the part of the aim along the normal. */
  inverse: number
}

/** An object as the rays meet it. Beds take light on the top as one face and on their sides as another. Its planes are named by which of them rays of the aim meet first. */
interface Target { box: Box, bank: Bank | null, top: number, sides: number, isBed: boolean, inX: number, outX: number, inY: number, outY: number, inZ: number, outZ: number }

interface Box { x0: number, x1: number, y0: number, y1: number, z0: number, z1: number }

/** A direction and one over each of its parts. */
interface Aim { x: number, y: number, z: number, ix: number, iy: number, iz: number, inLevel: number }

/** Rays in the room. Positions are inside or on the skin; directions are unit vectors. Built once a building; calls allocate nothing. */
export interface Scene {
  /** What light can land on. */
  faces: readonly FaceId[]
  /** The direction of the rays to come. */
  aim: (dx: number, dy: number, dz: number) => void
  /** Face that a ray of that direction lands on, by its place in `faces`. */
  land: (x: number, y: number, z: number) => number
  /** Whether the way from a point of the glass along a direction outwards is free of eaves and house walls. */
  open: (x: number, y: number, z: number, dx: number, dy: number, dz: number) => boolean
}

/** Shade strip and outside screens of a design, from its building. */
export interface SceneExtras { strip: Screen | null, outside: Screen[] }

/** The scene of a building. Skins are convex, so a ray ends on the nearest plane before it, unless an object stands before that. */
export function makeScene(building: Building, extras: SceneExtras): Scene {
  const faces: FaceId[] = []
  const placeOf = (id: FaceId) => {
    if (!faces.includes(id)) faces.push(id)
    return faces.indexOf(id)
  }
  const planes = roomPlanes(building.surfaces, placeOf)
  const targets = building.objects.map((o): Target => ({
    box: o.bank ? boxOfBank(o, o.bank) : o, bank: o.bank, top: placeOf(FACE_OF[o.kind]), sides: placeOf(o.kind === 'bed' ? 'bed sides' : FACE_OF[o.kind]), isBed: o.kind === 'bed',
    inX: 0, outX: 0, inY: 0, outY: 0, inZ: 0, outZ: 0,
  }))
  const strip = extras.strip && makeBoard(extras.strip)
  const stripFace = strip ? placeOf('shade strip') : -1
  const outside = extras.outside.map(makeBoard)
  const ray: Aim = { x: 0, y: 0, z: 0, ix: 0, iy: 0, iz: 0, inLevel: 0 }
  /** Planes that rays of the aim can end on. */
  const ahead: RoomPlane[] = []

  function aim(dx: number, dy: number, dz: number): void {
    ray.x = dx
    ray.y = dy
    ray.z = dz
    ray.ix = 1 / dx
    ray.iy = 1 / dy
    ray.iz = 1 / dz
    ray.inLevel = dx * dx + dy * dy
    ahead.length = 0
    for (let i = 0; i < planes.length; i++) {
      const p = planes[i]!
      const along = p.nx * dx + p.ny * dy + p.nz * dz
      if (along < 1e-9) continue
      p.inverse = 1 / along
      ahead.push(p)
    }
    for (let i = 0; i < targets.length; i++) {
      const o = targets[i]!
      const { box } = o
      o.inX = dx < 0 ? box.x1 : box.x0
      o.outX = dx < 0 ? box.x0 : box.x1
      o.inY = dy < 0 ? box.y1 : box.y0
      o.outY = dy < 0 ? box.y0 : box.y1
      o.inZ = dz < 0 ? box.z1 : box.z0
      o.outZ = dz < 0 ? box.z0 : box.z1
    }
  }

  function land(x: number, y: number, z: number): number {
    let near = Infinity
    let hit = planes[0]!
    for (let i = 0; i < ahead.length; i++) {
      const p = ahead[i]!
      const t = (p.d - p.nx * x - p.ny * y - p.nz * z) * p.inverse
      // A ray that starts on a plane leaves it; what runs along it belongs to the neighbour.
      if (t > 1e-6 && t < near) {
        near = t
        hit = p
      }
    }
    let face = -1
    for (let i = 0; i < targets.length; i++) {
      const o = targets[i]!
      let t = boxDistance(o, ray, x, y, z, near)
      if (o.bank && t < near) t = bankDistance(o.box, o.bank, ray, x, y, z, near)
      if (t < near) {
        near = t
        // Plants see what falls on the top of a bed; its sides only warm.
        face = o.isBed && ray.z < 0 && z + ray.z * t > o.box.z1 - 1e-6 ? o.top : o.sides
      }
    }
    if (strip && boardDistance(strip, x, y, z, ray.x, ray.y, ray.z) < near) return stripFace
    if (face >= 0) return face
    if (hit.pane >= 0 && insidePane(hit, x + ray.x * near, y + ray.y * near, z + ray.z * near)) return hit.pane
    return hit.face
  }

  function open(x: number, y: number, z: number, dx: number, dy: number, dz: number): boolean {
    for (let i = 0; i < outside.length; i++) if (boardDistance(outside[i]!, x, y, z, dx, dy, dz) < Infinity) return false
    return true
  }
  return { faces, aim, land, open }
}

function roomPlanes(surfaces: readonly Surface[], placeOf: (id: FaceId) => number): RoomPlane[] {
  const planes: RoomPlane[] = []
  for (const s of surfaces) {
    const [nx, ny, nz] = s.normal
    const p = s.polygon[0]!
    const d = nx * p[0] + ny * p[1] + nz * p[2]
    const same = planes.find(q => abs(q.nx - nx) + abs(q.ny - ny) + abs(q.nz - nz) < 1e-9 && abs(q.d - d) < 1e-9)
    if (same) {
      same.pane = placeOf(s.id)
      same.edges = halfPlanes(s)
    }
    else planes.push({ nx, ny, nz, d, face: placeOf(s.id), pane: -1, edges: new Float64Array(0), inverse: 0 })
  }
  return planes
}

/** Corners of a surface, shrunk about their middle by its inset. */
export function paneCorners(s: Surface): Vec[] {
  const middle = centroid(s.polygon)
  return s.polygon.map((p): Vec => [middle[0] + (p[0] - middle[0]) * s.inset, middle[1] + (p[1] - middle[1]) * s.inset, middle[2] + (p[2] - middle[2]) * s.inset])
}

function centroid(polygon: readonly Vec[]): Vec {
  const n = polygon.length
  return [polygon.reduce((a, p) => a + p[0], 0) / n, polygon.reduce((a, p) => a + p[1], 0) / n, polygon.reduce((a, p) => a + p[2], 0) / n]
}

/** Four numbers an edge: inward normal in the plane, and its offset. */
function halfPlanes(s: Surface): Float64Array {
  const corners = paneCorners(s)
  const out = new Float64Array(corners.length * 4)
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!
    const e: Vec = [q[0] - p[0], q[1] - p[1], q[2] - p[2]]
    const n = s.normal
    const inward: Vec = [n[1] * e[2] - n[2] * e[1], n[2] * e[0] - n[0] * e[2], n[0] * e[1] - n[1] * e[0]]
    out.set([...inward, inward[0] * p[0] + inward[1] * p[1] + inward[2] * p[2]], i * 4)
  })
  return out
}

function insidePane(p: RoomPlane, x: number, y: number, z: number): boolean {
  for (let i = 0; i < p.edges.length; i += 4) if (p.edges[i]! * x + p.edges[i + 1]! * y + p.edges[i + 2]! * z < p.edges[i + 3]!) return false
  return true
}

/** Distance to an object's box, 0 from inside it, or Infinity (also beyond `limit`). */
function boxDistance(o: Target, ray: Aim, x: number, y: number, z: number, limit: number): number {
  let enter = (o.inX - x) * ray.ix
  let leave = (o.outX - x) * ray.ix
  const enterY = (o.inY - y) * ray.iy
  const leaveY = (o.outY - y) * ray.iy
  if (enterY > enter) enter = enterY
  if (leaveY < leave) leave = leaveY
  const enterZ = (o.inZ - z) * ray.iz
  const leaveZ = (o.outZ - z) * ray.iz
  if (enterZ > enter) enter = enterZ
  if (leaveZ < leave) leave = leaveZ
  // What stands against the glass is lit where the glass is.
  if (leave <= 1e-6 || enter > leave || enter >= limit) return Infinity
  return enter > 1e-6 ? enter : 0
}

/** The box that a bank's barrels fill. */
function boxOfBank(o: RoomObject, { radiusM, perRow, pitchM, count }: Bank): Box {
  const y0 = o.y0 + pitchM / 2 - radiusM
  return { x0: o.x0, x1: o.x1, y0, y1: y0 + (min(perRow, count) - 1) * pitchM + 2 * radiusM, z0: o.z0, z1: o.z1 }
}

/** Distance to the first barrel of a bank, or Infinity: of each row, the barrels that stand where the ray crosses it. */
function bankDistance(box: Box, { radiusM, rows, perRow, pitchM, count }: Bank, ray: Aim, x: number, y: number, z: number, limit: number): number {
  let near = Infinity
  const rowDepth = (box.x1 - box.x0) / rows
  for (let row = 0; row < rows; row++) {
    const cx = box.x0 + (row + 0.5) * rowDepth
    const standing = min(perRow, count - row * perRow)
    if (standing <= 0) break
    let from = 0
    let to = standing - 1
    if (ray.inLevel > 1e-12) {
      // Along the ridge the ray stays within this row between two crossings; only barrels in between can be met.
      const t0 = abs(ray.x) > 1e-9 ? (cx - radiusM - x) * ray.ix : -Infinity
      const t1 = abs(ray.x) > 1e-9 ? (cx + radiusM - x) * ray.ix : Infinity
      const ta = max(0, min(t0, t1))
      const tb = min(limit, max(t0, t1))
      if (tb < ta) continue
      const ya = y + ray.y * ta
      const yb = y + ray.y * tb
      from = max(0, floor((min(ya, yb) - 2 * radiusM - box.y0) / pitchM))
      to = min(standing - 1, floor((max(ya, yb) - box.y0) / pitchM))
    }
    for (let k = from; k <= to; k++) {
      const t = cylinderDistance(cx, box.y0 + radiusM + k * pitchM, radiusM, box, ray, x, y, z)
      if (t < near) near = t
    }
  }
  return near < limit ? near : Infinity
}

function cylinderDistance(cx: number, cy: number, r: number, { z0, z1 }: Box, ray: Aim, x: number, y: number, z: number): number {
  const px = x - cx
  const py = y - cy
  let enter = 0
  let leave = Infinity
  if (ray.inLevel > 1e-12) {
    const b = (px * ray.x + py * ray.y) / ray.inLevel
    const c = (px * px + py * py - r * r) / ray.inLevel
    const disc = b * b - c
    if (disc <= 0) return Infinity
    const root = sqrt(disc)
    enter = -b - root
    leave = -b + root
  }
  else if (px * px + py * py > r * r) return Infinity
  if (abs(ray.z) > 1e-12) {
    const a = (z0 - z) * ray.iz
    const b = (z1 - z) * ray.iz
    enter = max(enter, min(a, b))
    leave = min(leave, max(a, b))
  }
  else if (z < z0 || z > z1) return Infinity
  return enter > 1e-6 && enter <= leave ? enter : Infinity
}

/** A screen with its normal, and its sides over their squared lengths. */
interface Board { corner: Vec, normal: Vec, across: Vec, along: Vec }

function makeBoard({ corner, u, v }: Screen): Board {
  const over = (a: Vec): Vec => {
    const square = a[0] * a[0] + a[1] * a[1] + a[2] * a[2]
    return [a[0] / square, a[1] / square, a[2] / square]
  }
  return { corner, normal: [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]], across: over(u), along: over(v) }
}

/** Distance to a flat rectangle, or Infinity. */
function boardDistance({ corner, normal, across, along }: Board, x: number, y: number, z: number, dx: number, dy: number, dz: number): number {
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
