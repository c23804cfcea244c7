const { abs, max, min, sqrt } = Math

const DISCHARGE = 0.6
/** Wind pressure difference between a low and a high opening, as a share of the wind's dynamic pressure. */
const WIND_PRESSURE = 0.2

export interface VentOpening { lowM2: number, highM2: number, riseM: number }

/**
 * Air through open vents, m³/s. Low and high openings in series; where one is missing the other breathes by itself at a third.
 * @param opening share open, 0–1
 * @param insideC @param outsideC °C
 * @param windMs 0 or more
 * Source: orifice flow, stack and wind added in quadrature; ASHRAE Fundamentals ch. 16, EN 16798-7 for one-sided openings.
 */
export function ventFlow(vent: VentOpening, opening: number, insideC: number, outsideC: number, windMs: number): number {
  if (opening <= 0) return 0
  const { lowM2, highM2, riseM } = vent
  const stack = 2 * 9.81 * riseM * abs(insideC - outsideC) / (max(insideC, outsideC) + 273.15)
  if (lowM2 > 0 && highM2 > 0) {
    const area = opening / sqrt(1 / (lowM2 * lowM2) + 1 / (highM2 * highM2))
    return DISCHARGE * area * sqrt(stack + WIND_PRESSURE * windMs * windMs)
  }
  const alone = opening * (lowM2 + highM2)
  return DISCHARGE / 3 * alone * sqrt(stack / max(riseM, 0.3) * 0.5 + 0.05 * windMs * windMs)
}

/** How far a wax-piston opener pushes at a temperature once it has had time: 0 below start, 1 from full, straight between. */
export function openerTarget(airC: number, startC: number, fullC: number): number {
  return max(0, min(1, (airC - startC) / (fullC - startC)))
}
