import { GRAVITY, ZERO_C_K } from '../physics/constants'

const { abs, max, min, sqrt } = Math

const DISCHARGE = 0.6
/** Wind pressure difference between a low and a high opening, as a share of the wind's dynamic pressure. */
const WIND_PRESSURE = 0.2

export interface VentOpening {
  lowM2: number
  highM2: number
  riseM: number
}

/** A house's openings for {@link ventFlow}: `flow` m², and what stack (m²/s²) and wind weigh under the root. */
export interface VentFactors {
  flow: number
  stack: number
  wind: number
}

/**
 * Low and high openings in series; where one is missing the other breathes by itself at a third.
 * Source: orifice flow, stack and wind added in quadrature; ASHRAE Fundamentals ch. 16, EN 16798-7 for one-sided
 * openings.
 */
export function ventFactors({ lowM2, highM2, riseM }: VentOpening): VentFactors {
  const stack = 2 * GRAVITY * riseM
  if (lowM2 > 0 && highM2 > 0)
    return { flow: DISCHARGE / sqrt(1 / (lowM2 * lowM2) + 1 / (highM2 * highM2)), stack, wind: WIND_PRESSURE }
  return { flow: (DISCHARGE / 3) * (lowM2 + highM2), stack: (stack / max(riseM, 0.3)) * 0.5, wind: 0.05 }
}

/**
 * Air through open vents, m³/s.
 * @param opening share open, 0–1
 * @param insideC @param outsideC °C
 * @param windMs 0 or more
 */
export function ventFlow(
  vents: VentFactors,
  opening: number,
  insideC: number,
  outsideC: number,
  windMs: number,
): number {
  if (opening <= 0) return 0
  return (
    opening *
    vents.flow *
    sqrt((vents.stack * abs(insideC - outsideC)) / (max(insideC, outsideC) + ZERO_C_K) + vents.wind * windMs * windMs)
  )
}

/**
 * How far a wax-piston opener pushes at a temperature once it has had time: 0 below start, 1 from full, straight
 * between.
 */
export function openerTarget(airC: number, startC: number, fullC: number): number {
  return max(0, min(1, (airC - startC) / (fullC - startC)))
}
