import type { Bank } from '../bodies/kind'
import type { Vec } from './vec'

const { abs, floor, max, min, sqrt } = Math

/** A flat rectangle that shades the glass from outside or stands under it: corner, two sides. */
export interface Screen {
  corner: Vec
  u: Vec
  v: Vec
}

/** A box along the axes of the room, m. */
export interface Box {
  x0: number
  x1: number
  y0: number
  y1: number
  z0: number
  z1: number
}

/** The box that a bank's barrels fill. */
export function boxOfBank(o: Box, { radiusM, perRow, pitchM, count }: Bank): Box {
  const y0 = o.y0 + pitchM / 2 - radiusM
  return { x0: o.x0, x1: o.x1, y0, y1: y0 + (min(perRow, count) - 1) * pitchM + 2 * radiusM, z0: o.z0, z1: o.z1 }
}

/**
 * Distance to the first barrel of a bank, or Infinity: of each row, the barrels that stand where the ray crosses it.
 */
export function bankDistance(
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
export interface Board {
  corner: Vec
  normal: Vec
  across: Vec
  along: Vec
}

export function makeBoard({ corner, u, v }: Screen): Board {
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
export function boardDistance(
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

/** Whether the way from a point along a direction is free of screens. */
export function isOpen(
  screens: readonly Board[],
  x: number,
  y: number,
  z: number,
  dx: number,
  dy: number,
  dz: number,
): boolean {
  for (let i = 0; i < screens.length; i++) if (boardDistance(screens[i]!, x, y, z, dx, dy, dz) < Infinity) return false
  return true
}

/** Share of some points (x, y, z by turns) from which the way along a direction is free of screens. */
export function freeOf(screens: readonly Screen[], points: Float64Array, dx: number, dy: number, dz: number): number {
  const boards = screens.map(makeBoard)
  let free = 0
  for (let k = 0; k < points.length; k += 3)
    if (isOpen(boards, points[k]!, points[k + 1]!, points[k + 2]!, dx, dy, dz)) free++
  return (free * 3) / points.length
}

/**
 * Where a ray is within an upright prism, by the half-planes of its foot: narrows `span`, from where it enters to where
 * it leaves, over its length. It misses where it leaves before it enters.
 */
export function throughPrism(
  edges: Float64Array,
  x: number,
  y: number,
  dx: number,
  dy: number,
  span: Float64Array,
): void {
  for (let i = 0; i < edges.length; i += 3) {
    const along = edges[i]! * dx + edges[i + 1]! * dy
    const off = edges[i + 2]! - edges[i]! * x - edges[i + 1]! * y
    if (abs(along) < 1e-12) {
      if (off > 1e-9) span[1] = -Infinity
    } else if (along > 0) span[0] = max(span[0]!, off / along)
    else span[1] = min(span[1]!, off / along)
  }
}
