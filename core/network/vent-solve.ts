import { openerTarget, ventFactors, ventFlow, type VentFactors } from '../air/vents'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import {
  AIR_HEAT,
  DENSITY,
  FULL,
  LAG,
  LEAST,
  LEFT_A,
  LEFT_B,
  OPENING,
  OPENING_NOW,
  OUT,
  START,
  TRIED,
  VENT,
  VENT_NOW,
  VENT_SLOPE,
  WIND,
} from './room'

const { abs, exp, max, min } = Math

/** The midday airing shrinks from its full opening to none over this fall of the air below the vents' start, K. */
const AIRING_FADES_K = 3
/**
 * The balance may stay open by what so many kelvins of the closed room weigh; the air is then found within 0.005 K,
 * however steep the fans.
 */
const NEAR_K = 1e-4

/**
 * Solves the air of a step with vents and fans in it: what is left of the room is `a · air = b`, and the outside air
 * let in rises with warmth.
 * The balance rises with temperature, so its root lies between outside and the closed room: secants from the flow of
 * the step before, kept in that bracket.
 */
export function makeVentSolver({ v }: Memory) {
  let m!: NetworkModel
  let vents!: VentFactors
  let hasVents = false
  let lastDt = -1

  function lay(model: NetworkModel): void {
    m = model
    vents = ventFactors(m.vents)
    hasVents = m.vents.lowM2 + m.vents.highM2 > 0
    lastDt = -1
  }

  /** Opener at a temperature: it follows the warming line up and, `hysteresisK` cooler, the cooling line down. */
  function opening(t: number): number {
    const { startC, hysteresisK } = m.opener
    const up = openerTarget(t, v[START]!, v[FULL]!)
    const down = hysteresisK > 0 ? openerTarget(t + hysteresisK, v[START]!, v[FULL]!) : up
    const wanted = min(max(v[OPENING]!, up), down)
    // Midday airing ends by itself: nobody lets a cold room stand open.
    const least = v[LEAST]!
    const aired = least > 0 ? least * max(0, min(1, (t - startC) / AIRING_FADES_K + 1)) : 0
    return max(aired, v[OPENING]! * (1 - v[LAG]!) + v[LAG]! * wanted)
  }

  /** How many of the fans' stages run, each easing in over a kelvin. */
  function fansOn(t: number): number {
    const { stages, startC, stepK } = m.fans
    let on = 0
    for (let k = 0; k < stages; k++) on += max(0, min(1, t - startC - k * stepK))
    return on
  }

  /**
   * Lets air through at the temperature in `TRIED`: the opening is left in `OPENING_NOW`, the heat that the air takes
   * along in `VENT_NOW`, W/K.
   */
  function exchange(): void {
    const t = v[TRIED]!
    let flow = m.fans.stages > 0 ? (fansOn(t) * m.fans.flowM3h) / 3600 : 0
    if (hasVents) {
      const open = opening(t)
      v[OPENING_NOW] = open
      flow += ventFlow(vents, open, t, v[OUT]!, v[WIND]!)
    }
    v[VENT_NOW] = flow * v[DENSITY]! * AIR_HEAT
  }

  /**
   * Air of the step, °C, into `TRIED`, from the balance in `LEFT_A` and `LEFT_B`; the flow's W/K is left in `VENT`, the
   * opening in `OPENING`. What goes in and out stands in the state vector: numbers handed over by a call would be
   * boxed, twenty to a step.
   */
  function solve(dt: number): void {
    const a = v[LEFT_A]!
    const b = v[LEFT_B]!
    const { lagS, hysteresisK } = m.opener
    if (dt !== lastDt) {
      v[LAG] = lagS > 0 ? 1 - exp(-dt / lagS) : 1
      lastDt = dt
    }
    const closed = b / a
    const closing = v[OPENING]! * (1 - v[LAG]!)
    const idle = closed <= v[START]! - hysteresisK && closing < 0.001 && v[LEAST] === 0
    if ((!hasVents || idle) && (m.fans.stages === 0 || closed <= m.fans.startC)) {
      v[OPENING] = 0
      v[VENT] = 0
      v[TRIED] = closed
      return
    }
    v[OPENING_NOW] = 0
    const outside = v[OUT]!
    let lo = min(closed, outside)
    let hi = max(closed, outside)
    let t = (b + v[VENT]! * outside) / (a + v[VENT]!)
    let before = t
    let fBefore = 0
    let g = 0
    for (let k = 0; k < 40; k++) {
      v[TRIED] = t
      exchange()
      g = v[VENT_NOW]!
      const f = a * t - b + g * (t - outside)
      if (f > 0) hi = t
      else lo = t
      if (abs(f) < NEAR_K * a || hi - lo < NEAR_K) break
      // The first slope is the last one found: vents answer warmth much the same from step to step.
      const slope = k === 0 ? a + v[VENT_SLOPE]! : (f - fBefore) / (t - before)
      v[VENT_SLOPE] = max(g, slope - a)
      let next = t - f / slope
      if (!(next > lo && next < hi) || k % 4 === 3) next = (lo + hi) / 2
      before = t
      fBefore = f
      t = next
    }
    v[OPENING] = v[OPENING_NOW]!
    v[VENT] = g
    v[TRIED] = (b + g * outside) / (a + g)
  }
  return { lay, solve }
}
