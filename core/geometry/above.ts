import type { Vec } from './surfaces'

/** Share of a plane polygon's area that lies above a height. */
export function polygonAbove(polygon: readonly Vec[], z: number): number {
  const upper: Vec[] = []
  polygon.forEach((p, i) => {
    const q = polygon[(i + 1) % polygon.length]!
    if (p[2] >= z) upper.push(p)
    if (p[2] >= z === q[2] >= z) return
    const t = (z - p[2]) / (q[2] - p[2])
    upper.push([p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t, z])
  })
  return areaOf(upper) / areaOf(polygon)
}

function areaOf(polygon: readonly Vec[]): number {
  const sum = [0, 0, 0]
  polygon.forEach((p, i) => {
    const q = polygon[(i + 1) % polygon.length]!
    sum[0]! += p[1] * q[2] - p[2] * q[1]
    sum[1]! += p[2] * q[0] - p[0] * q[2]
    sum[2]! += p[0] * q[1] - p[1] * q[0]
  })
  return Math.hypot(...sum) / 2
}
