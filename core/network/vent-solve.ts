import { openerTarget, ventFlow } from '../air/vents'
import type { NetworkModel } from './model'
import { AIR_HEAT, DENSITY, FULL, LEAST, OPENING, OUT, START, VENT, WIND } from './room'

const { abs, exp, max, min } = Math

/** The midday airing shrinks from its full opening to none over this fall of the air below the vents' start, K. */
const AIRING_FADES_K = 3

/**
 * Solves the air of a step with vents and fans in it: what is left of the room is `a · air = b`, and the outside air let in rises with warmth.
 * The balance rises with temperature, so its root lies between outside and the closed room: false position, kept in its bracket (Illinois).
 */
export function makeVentSolver(m: NetworkModel, v: Float64Array) {
  const hasVents = m.vents.lowM2 + m.vents.highM2 > 0
  const { startC, lagS, hysteresisK } = m.opener
  const { stages, flowM3h, startC: fanStart, stepK } = m.fans
  const fanFlow = flowM3h / 3600
  let lastDt = -1
  let lag = 0

  /** Opener at a temperature: it follows the warming line up and, `hysteresisK` cooler, the cooling line down. */
  function opening(t: number, closing: number): number {
    const up = openerTarget(t, v[START]!, v[FULL]!)
    const down = hysteresisK > 0 ? openerTarget(t + hysteresisK, v[START]!, v[FULL]!) : up
    const wanted = min(max(v[OPENING]!, up), down)
    // Midday airing ends by itself: nobody lets a cold room stand open.
    const aired = v[LEAST]! * max(0, min(1, (t - startC) / AIRING_FADES_K + 1))
    return max(aired, closing + lag * wanted)
  }

  function fansOn(t: number): number {
    let on = 0
    for (let k = 0; k < stages; k++) on += max(0, min(1, t - fanStart - k * stepK))
    return on
  }

  function flow(t: number, closing: number): number {
    const natural = hasVents ? ventFlow(m.vents, opening(t, closing), t, v[OUT]!, v[WIND]!) : 0
    return stages > 0 ? natural + fansOn(t) * fanFlow : natural
  }

  /** Air of the step, °C; the flow's W/K is left in `VENT`, the opening in `OPENING`. */
  function solve(dt: number, a: number, b: number): number {
    if (dt !== lastDt) {
      lag = lagS > 0 ? 1 - exp(-dt / lagS) : 1
      lastDt = dt
    }
    const closed = b / a
    const closing = v[OPENING]! * (1 - lag)
    const idle = closed <= v[START]! - hysteresisK && closing < 0.001 && v[LEAST] === 0
    if ((!hasVents || idle) && (stages === 0 || closed <= fanStart)) {
      v[OPENING] = 0
      v[VENT] = 0
      return closed
    }
    const outside = v[OUT]!
    const perFlow = v[DENSITY]! * AIR_HEAT
    let lo = min(closed, outside)
    let hi = max(closed, outside)
    let fLo = a * lo - b + flow(lo, closing) * perFlow * (lo - outside)
    let fHi = a * hi - b + flow(hi, closing) * perFlow * (hi - outside)
    let t = hi
    for (let k = 0; k < 40 && hi - lo > 1e-3; k++) {
      t = fHi - fLo > 1e-12 ? lo - fLo * (hi - lo) / (fHi - fLo) : (lo + hi) / 2
      const f = a * t - b + flow(t, closing) * perFlow * (t - outside)
      if (abs(f) < 1e-3 * a) break
      if (f > 0) {
        hi = t
        fHi = f
        fLo /= 2
      }
      else {
        lo = t
        fLo = f
        fHi /= 2
      }
    }
    const g = flow(t, closing) * perFlow
    v[OPENING] = hasVents ? opening(t, closing) : 0
    v[VENT] = g
    return (b + g * outside) / (a + g)
  }
  return { solve, fansOn }
}
