/**
 * A point or direction in the room: x from the sunny wall towards the pole, y along the ridge from the west end to the
 * east, z up from the floor, m.
 */
export type Vec = readonly [x: number, y: number, z: number]

export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const minus = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
export const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
/** A place so far from an origin along two directions. */
export const along = (origin: Vec, u: number, across: Vec, v: number, up: Vec): Vec => [
  origin[0] + u * across[0] + v * up[0],
  origin[1] + u * across[1] + v * up[1],
  origin[2] + u * across[2] + v * up[2],
]

/** Unit normal and area of a flat polygon: its vector area. */
export function planeOf(polygon: readonly Vec[]): { normal: Vec; areaM2: number } {
  let x = 0
  let y = 0
  let z = 0
  polygon.forEach((p, i) => {
    const n = cross(p, polygon[(i + 1) % polygon.length]!)
    x += n[0] / 2
    y += n[1] / 2
    z += n[2] / 2
  })
  const areaM2 = Math.hypot(x, y, z)
  return { normal: areaM2 > 0 ? [x / areaM2, y / areaM2, z / areaM2] : [0, 0, 1], areaM2 }
}

/** What of a polygon lies where a distance, which grows evenly in any direction, is not negative. */
export function partOn(polygon: readonly Vec[], side: (p: Vec) => number): Vec[] {
  const out: Vec[] = []
  polygon.forEach((a, k) => {
    const b = polygon[(k + 1) % polygon.length]!
    const [da, db] = [side(a), side(b)]
    if (da >= -1e-12) out.push(a)
    if ((da > 1e-12 && db < -1e-12) || (da < -1e-12 && db > 1e-12)) {
      const t = da / (da - db)
      out.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t])
    }
  })
  return out
}

/** What of a polygon lies within a convex one in the same plane, whose corners turn about `normal`. */
export function clipped(polygon: readonly Vec[], within: readonly Vec[], normal: Vec): Vec[] {
  if (within.length < 3) return []
  const out = within.reduce<readonly Vec[]>((left, p, i) => {
    const inward = cross(normal, minus(within[(i + 1) % within.length]!, p))
    return partOn(left, q => dot(inward, minus(q, p)))
  }, polygon)
  return out.length > 2 ? [...out] : []
}

/** A convex polygon as half-planes, four numbers an edge: inward normal in its plane, and its offset. */
export function halfPlanes(polygon: readonly Vec[], normal: Vec): Float64Array {
  const out = new Float64Array(polygon.length * 4)
  polygon.forEach((p, i) => {
    const inward = cross(normal, minus(polygon[(i + 1) % polygon.length]!, p))
    out.set([...inward, dot(inward, p)], i * 4)
  })
  return out
}

/** Whether a point of its plane lies within such a polygon. */
export function isWithin(edges: Float64Array, x: number, y: number, z: number): boolean {
  for (let i = 0; i < edges.length; i += 4)
    if (edges[i]! * x + edges[i + 1]! * y + edges[i + 2]! * z < edges[i + 3]!) return false
  return true
}
