import { humidityRatio, tabledSaturationPa } from '../climate'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import {
  A11,
  A12,
  A13,
  A21,
  A22,
  A23,
  A31,
  A32,
  A33,
  AIR,
  B1,
  B2,
  B3,
  FOG_GUESSED,
  FULL_RATIO,
  FULL_SLOPE,
  FUMES,
  GUESSED,
  HEATED_STAR_W,
  HOLDS,
  LATENT,
  LEFT_A,
  LEFT_B,
  OUT,
  PRESSURE,
  STAR,
  THROUGH_STAR,
  TRIED,
  VENT_G,
} from './room'
import type { VentSolver } from './vent-solve'

const { max, min } = Math

/** The air of a step: vents, heaters and fog. */
export function makeAirSolver(memory: Memory, vents: VentSolver) {
  const { v, broughtJ, gainedJ } = memory
  const { sources } = memory.size
  let m!: NetworkModel
  let heated = true
  /** Heaters that keep the air, in their order, and what each gives in this step, W. */
  let heaters = 0
  const heaterW = memory.doubles(sources)
  const heaterC = memory.doubles(sources)
  const radiant = memory.doubles(sources)
  const water = memory.doubles(sources)
  const given = memory.doubles(sources)

  function lay(model: NetworkModel): void {
    m = model
    const { thermostats } = m.added
    heaters = thermostats.source.length
    heaterW.set(thermostats.capacityW)
    heaterC.set(thermostats.setPointC)
    radiant.set(thermostats.radiantShare)
    water.set(thermostats.water)
    heated = true
  }

  /**
   * Heaters, one after the other, the highest set point first: each as much as the air lacks of it. What is left of the
   * room is `LEFT_A · air = LEFT_B + heaters − vents`; the air that they make is left in `AIR`, °C, what of their
   * heat goes to the star in `HEATED_STAR_W`, W, and their fumes' water in `FUMES`, kg/s.
   */
  function heatUp(): void {
    let next = v[TRIED]!
    let toStar = 0
    let vapour = 0
    if (heaters > 0) {
      const throughStar = v[THROUGH_STAR]!
      const all = v[LEFT_A]! + v[VENT_G]!
      let own = v[LEFT_B]! + v[VENT_G]! * v[OUT]!
      for (let k = 0; k < heaters; k++) {
        given[k] = 0
        if (!heated || next >= heaterC[k]!) continue
        const reach = 1 - radiant[k]! + radiant[k]! * throughStar
        const watts = max(0, min(heaterW[k]!, (all * heaterC[k]! - own) / reach))
        given[k] = watts
        own += watts * reach
        next = own / all
        toStar += radiant[k]! * watts
        vapour += water[k]! * watts
      }
    }
    v[AIR] = next
    v[HEATED_STAR_W] = toStar
    v[FUMES] = vapour
  }

  /**
   * Air of the step. With moisture m and the star s put aside, in that order, one equation is left:
   *
   * a11 · air − a12 · s + a13 · m = b1          m = (b3 − a31 · air − a32 · s) / a33     while the air is not full, or
   * −a21 · air + a22 · s + a23 · m = b2          m = full + slope · air, and b3 − a31 · air − a32 · s − a33 · m warms
   * the air as fog
   *
   * which leaves a · air = b + heaters − vents. Heaters come in one after the other, the highest set point first.
   */
  function solveAir(dt: number, foggy: boolean): void {
    const a12 = v[A12]!
    const a21 = v[A21]!
    const a13 = v[A13]!
    const a23 = v[A23]!
    const a31 = v[A31]!
    const a32 = v[A32]!
    const a33 = v[A33]!
    const b3 = v[B3]!
    const full = v[FULL_RATIO]!
    const fullSlope = v[FULL_SLOPE]!
    const m11 = foggy ? v[A11]! + a31 + (a13 + a33) * fullSlope : v[A11]! - (a13 * a31) / a33
    const m12 = foggy ? a12 - a32 : a12 + (a13 * a32) / a33
    const c1 = foggy ? v[B1]! + b3 - (a13 + a33) * full : v[B1]! - (a13 * b3) / a33
    const m22 = foggy ? v[A22]! : v[A22]! - (a23 * a32) / a33
    const m21 = foggy ? a21 - a23 * fullSlope : a21 + (a23 * a31) / a33
    const c2 = foggy ? v[B2]! - a23 * full : v[B2]! - (a23 * b3) / a33
    const throughStar = m12 / m22
    const a = m11 - throughStar * m21
    const b = c1 + throughStar * c2
    v[THROUGH_STAR] = throughStar
    v[LEFT_A] = a
    v[LEFT_B] = b
    vents.solve(dt)
    heatUp()
    const next = v[AIR]!
    v[STAR] = (c2 + m21 * next + v[HEATED_STAR_W]!) / m22
    v[GUESSED] = foggy ? full + fullSlope * next : (b3 - a31 * next - a32 * v[STAR]!) / a33
  }

  /** As far as the air holds its moisture, else with fog. */
  function solveEither(dt: number): void {
    v[FOG_GUESSED] = 0
    solveAir(dt, false)
    v[HOLDS] = humidityRatio(tabledSaturationPa(v[AIR]!), v[PRESSURE]!)
    if (v[GUESSED]! <= v[HOLDS]!) return
    vents.putBack()
    solveAir(dt, true)
    v[HOLDS] = humidityRatio(tabledSaturationPa(v[AIR]!), v[PRESSURE]!)
    v[FOG_GUESSED] = v[B3]! - v[A31]! * v[AIR]! - v[A32]! * v[STAR]! - v[A33]! * v[GUESSED]!
  }

  /** What the heaters gave in the step, J, fumes and all. */
  function tally(dt: number): void {
    for (let k = 0; k < heaters; k++) {
      const i = m.added.thermostats.source[k]!
      const joules = given[k]! * (1 + LATENT * water[k]!) * dt
      broughtJ[i]! += joules
      gainedJ[m.added.gain[i]!]! += joules
    }
  }

  return {
    lay,
    solveEither,
    tally,
    /** Whether sources that are paid for work. */
    heat: (on: boolean) => {
      heated = on
    },
  }
}
