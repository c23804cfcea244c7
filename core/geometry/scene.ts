import type { RoomObject } from './objects'
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
  face: FaceId
  /** Where part of the plane is glazing: its face and its polygon's half-planes. */
  pane: FaceId | null
  edges: Float64Array
}

/** Rays in the room. Positions are inside or on the skin; directions are unit vectors. Built once a building; calls allocate nothing. */
export interface Scene {
  /** Face that the ray lands on. */
  land: (x: number, y: number, z: number, dx: number, dy: number, dz: number) => FaceId
  /** Whether the way from a point of the glass along a direction outwards is free of eaves and house walls. */
  open: (x: number, y: number, z: number, dx: number, dy: number, dz: number) => boolean
}

/** Shade strip and outside screens of a design, from its building. */
export interface SceneExtras { strip: Screen | null, outside: Screen[] }

/** The scene of a building. Skins are convex, so a ray ends on the nearest plane before it, unless an object stands before that. */
export function makeScene(building: Building, extras: SceneExtras): Scene {
  const planes = roomPlanes(building.surfaces)
  const { objects } = building
  const { strip, outside } = extras

  function land(x: number, y: number, z: number, dx: number, dy: number, dz: number): FaceId {
    let near = Infinity
    let hit = planes[0]!
    for (let i = 0; i < planes.length; i++) {
      const p = planes[i]!
      const along = p.nx * dx + p.ny * dy + p.nz * dz
      if (along < 1e-9) continue
      const t = (p.d - p.nx * x - p.ny * y - p.nz * z) / along
      // A ray that starts on a plane leaves it; what runs along it belongs to the neighbour.
      if (t > 1e-6 && t < near) {
        near = t
        hit = p
      }
    }
    let face: FaceId | null = null
    for (let i = 0; i < objects.length; i++) {
      const o = objects[i]!
      const t = o.bank ? bankDistance(o, x, y, z, dx, dy, dz, near) : boxDistance(o, x, y, z, dx, dy, dz, near)
      if (t < near) {
        near = t
        // Plants see what falls on the top of a bed; its sides only warm.
        face = o.kind === 'bed' && !(dz < 0 && z + dz * t > o.z1 - 1e-6) ? 'bed sides' : FACE_OF[o.kind]
      }
    }
    if (strip) {
      const t = screenDistance(strip, x, y, z, dx, dy, dz)
      if (t < near) return 'shade strip'
    }
    if (face) return face
    if (hit.pane && insidePane(hit, x + dx * near, y + dy * near, z + dz * near)) return hit.pane
    return hit.face
  }

  function open(x: number, y: number, z: number, dx: number, dy: number, dz: number): boolean {
    for (let i = 0; i < outside.length; i++) if (screenDistance(outside[i]!, x, y, z, dx, dy, dz) < Infinity) return false
    return true
  }
  return { land, open }
}

function roomPlanes(surfaces: readonly Surface[]): RoomPlane[] {
  const planes: RoomPlane[] = []
  for (const s of surfaces) {
    const [nx, ny, nz] = s.normal
    const p = s.polygon[0]!
    const d = nx * p[0] + ny * p[1] + nz * p[2]
    const same = planes.find(q => abs(q.nx - nx) + abs(q.ny - ny) + abs(q.nz - nz) < 1e-9 && abs(q.d - d) < 1e-9)
    if (same) {
      same.pane = s.id
      same.edges = halfPlanes(s)
    }
    else planes.push({ nx, ny, nz, d, face: s.id, pane: null, edges: new Float64Array(0) })
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

/** Distance to a box, 0 from inside it, or Infinity (also beyond `limit`). */
function boxDistance(o: RoomObject, x: number, y: number, z: number, dx: number, dy: number, dz: number, limit: number): number {
  const ix = 1 / dx
  const iy = 1 / dy
  const iz = 1 / dz
  const ax = (o.x0 - x) * ix
  const bx = (o.x1 - x) * ix
  const ay = (o.y0 - y) * iy
  const by = (o.y1 - y) * iy
  const az = (o.z0 - z) * iz
  const bz = (o.z1 - z) * iz
  const enter = max(min(ax, bx), min(ay, by), min(az, bz))
  const leave = min(max(ax, bx), max(ay, by), max(az, bz))
  // What stands against the glass is lit where the glass is.
  if (enter <= 1e-6 && leave > 1e-6) return 0
  return enter > 1e-6 && enter <= leave && enter < limit ? enter : Infinity
}

/** Distance to the first barrel of a bank, or Infinity: the cells of the bank are walked in the order in which the ray crosses them. */
function bankDistance(o: RoomObject, x: number, y: number, z: number, dx: number, dy: number, dz: number, limit: number): number {
  const { radiusM, rows, perRow, pitchM, count } = o.bank!
  let near = Infinity
  // Each row is a line of barrels: the ray meets those near where it crosses the row's middle.
  const inLevel = dx * dx + dy * dy
  const rowDepth = (o.x1 - o.x0) / rows
  for (let row = 0; row < rows; row++) {
    const cx = o.x0 + (row + 0.5) * rowDepth
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
      from = max(0, floor((min(ya, yb) - radiusM - o.y0) / pitchM))
      to = min(standing - 1, floor((max(ya, yb) + radiusM - o.y0) / pitchM))
    }
    for (let k = from; k <= to; k++) {
      const t = cylinderDistance(cx, o.y0 + (k + 0.5) * pitchM, radiusM, o.z0, o.z1, x, y, z, dx, dy, dz, inLevel)
      if (t < near) near = t
    }
  }
  return near < limit ? near : Infinity
}

function cylinderDistance(cx: number, cy: number, r: number, z0: number, z1: number, x: number, y: number, z: number, dx: number, dy: number, dz: number, inLevel: number): number {
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
  }
  else if (px * px + py * py > r * r) return Infinity
  if (abs(dz) > 1e-12) {
    const a = (z0 - z) / dz
    const b = (z1 - z) / dz
    enter = max(enter, min(a, b))
    leave = min(leave, max(a, b))
  }
  else if (z < z0 || z > z1) return Infinity
  return enter > 1e-6 && enter <= leave ? enter : Infinity
}

/** Distance to a flat rectangle, or Infinity. */
function screenDistance({ corner, u, v }: Screen, x: number, y: number, z: number, dx: number, dy: number, dz: number): number {
  const nx = u[1] * v[2] - u[2] * v[1]
  const ny = u[2] * v[0] - u[0] * v[2]
  const nz = u[0] * v[1] - u[1] * v[0]
  const along = nx * dx + ny * dy + nz * dz
  if (abs(along) < 1e-12) return Infinity
  const t = (nx * (corner[0] - x) + ny * (corner[1] - y) + nz * (corner[2] - z)) / along
  if (t < 1e-6) return Infinity
  const px = x + dx * t - corner[0]
  const py = y + dy * t - corner[1]
  const pz = z + dz * t - corner[2]
  const a = (px * u[0] + py * u[1] + pz * u[2]) / (u[0] * u[0] + u[1] * u[1] + u[2] * u[2])
  const b = (px * v[0] + py * v[1] + pz * v[2]) / (v[0] * v[0] + v[1] * v[1] + v[2] * v[2])
  return a >= 0 && a <= 1 && b >= 0 && b <= 1 ? t : Infinity
}
