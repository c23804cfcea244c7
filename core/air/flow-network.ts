const { abs, max, min, sqrt } = Math

/** Close enough: what so small a share of the flow leaves unbalanced, the last step sets right to its square. */
const NEAR = 0.01
const MOST_TURNS = 60
/** Keeps Newton's slope finite where an opening's air stands, m/s. */
const STILL = 1e-6

/**
 * Air that comes in through a room's openings when as much goes out: the pressure inside is found at which the flows
 * balance, by Newton's method kept in a bracket.
 * Source: orifice flow, ASHRAE Fundamentals ch. 16; one pressure for the room, as in multizone airflow models.
 * @param count openings
 * @param conduct of each, discharge coefficient times area, m², 0 or more
 * @param push of each, what drives air in, as velocity squared: 2 Δp / ρ of wind and stack together, m²/s²
 * @param out takes the flow, m³/s, and the pressure inside as velocity squared; what stands there is where it begins
 */
export function balancedFlow(count: number, conduct: Float64Array, push: Float64Array, out: Float64Array): void {
  let inside = out[1]!
  let low = -Infinity
  let high = Infinity
  let flow = 0
  let stride = Infinity
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    let enters = 0
    let leaves = 0
    let entering = 0
    let leaving = 0
    for (let i = 0; i < count; i++) {
      const c = conduct[i]!
      if (c <= 0) continue
      const u = push[i]! - inside
      const speed = sqrt(abs(u))
      if (u > 0) {
        enters += c * speed
        entering += c / (speed + STILL)
      } else {
        leaves += c * speed
        leaving += c / (speed + STILL)
      }
    }
    const rest = enters - leaves
    const slope = entering + leaving
    if (slope === 0) break
    // Where Newton's next step would balance them, both flows are this much.
    flow = (enters * leaving + leaves * entering) / slope
    let next = inside + (2 * rest) / slope
    if (abs(rest) <= NEAR * flow) {
      inside = next
      break
    }
    if (rest > 0) low = inside
    else high = inside
    // Beside an opening whose air stands, Newton's steps leap from side to side: what does not halve, is halved.
    if (!(next > low && next < high) || abs(next - inside) > 0.5 * stride) {
      low = max(low, lowest(count, conduct, push))
      high = min(high, -lowest(count, conduct, push, -1))
      next = (low + high) / 2
    }
    stride = abs(next - inside)
    if (high - low < 1e-12) break
    inside = next
  }
  out[0] = flow
  out[1] = inside
}

/** Least of what drives air in; with a sign of −1, the negative of the greatest. */
function lowest(count: number, conduct: Float64Array, push: Float64Array, sign = 1): number {
  let least = Infinity
  for (let i = 0; i < count; i++) if (conduct[i]! > 0) least = min(least, sign * push[i]!)
  return least
}
