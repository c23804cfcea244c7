import type { Surface, Vec } from '../geometry/surfaces'
import { halfPlanes, isWithin, planeOf } from '../geometry/vec'

const { abs, hypot, min, sqrt } = Math

/**
 * Points spread evenly over a pane: even steps one way, the golden ratio's turns the other (Hammersley & Handscomb
 * 1964, Roberts 2018). x, y, z by turns.
 * @param shift 0–1, moves the steps along, so that sets of points fall between each other
 */
export function pointsOn(surface: Surface, count: number, shift = 0.5): Float64Array {
  const { cuts, areaM2 } = surface
  if (cuts.length === 0) return pointsOver(surface.polygon, count, shift)
  // So many that as many as asked lie beside what is cut out.
  const whole = areaM2 + cuts.reduce((sum, cut) => sum + planeOf(cut).areaM2, 0)
  const all = pointsOver(surface.polygon, Math.ceil((count * whole) / areaM2), shift)
  const holes = cuts.map(cut => halfPlanes(cut, surface.normal))
  const out: number[] = []
  for (let k = 0; k < all.length; k += 3)
    if (!holes.some(hole => isWithin(hole, all[k]!, all[k + 1]!, all[k + 2]!)))
      out.push(all[k]!, all[k + 1]!, all[k + 2]!)
  return out.length > 0 ? Float64Array.from(out) : all
}

function pointsOver(polygon: readonly Vec[], count: number, shift: number): Float64Array {
  const c = polygon
  const areas: number[] = []
  for (let i = 1; i < c.length - 1; i++) areas.push(triangleArea(c[0]!, c[i]!, c[i + 1]!))
  const total = areas.reduce((a, b) => a + b, 0)
  // Opposite sides of a parallelogram are one vector: even steps run up its slope.
  const square = c.length === 4 && [0, 1, 2].every(a => abs(c[0]![a]! - c[1]![a]! + c[2]![a]! - c[3]![a]!) < 1e-9)
  const out = new Float64Array(count * 3)
  for (let k = 0; k < count; k++) {
    const even = (k + shift) / count
    const turn = (0.5 + k * 0.6180339887498949) % 1
    let pick = even * total
    let t = 0
    while (t < areas.length - 1 && pick > areas[t]!) pick -= areas[t++]!
    const root = sqrt(min(1, pick / areas[t]!))
    const [p, q, r] = square ? [c[0]!, c[1]!, c[3]!] : [c[0]!, c[t + 1]!, c[t + 2]!]
    const along = square ? even : root * (1 - turn)
    const across = square ? turn : root * turn
    for (let a = 0; a < 3; a++) out[k * 3 + a] = p[a]! + (q[a]! - p[a]!) * along + (r[a]! - p[a]!) * across
  }
  return out
}

function triangleArea(p: Vec, q: Vec, r: Vec): number {
  const [ax, ay, az] = [q[0] - p[0], q[1] - p[1], q[2] - p[2]]
  const [bx, by, bz] = [r[0] - p[0], r[1] - p[1], r[2] - p[2]]
  return hypot(ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx) / 2
}
