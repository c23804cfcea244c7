import { DAYS } from '../climate/types'

/** Mean air of a day from which cool crops grow on, °C: the base of the growing season in common use. */
export const GROWING_C = 5

/** Under this a day is dim for most leaf crops: they stand, and hardly grow, mol/m². */
export const DIM_DLI = 5

/**
 * Days of a year on which crops grow: the day's mean air is at {@link GROWING_C} or above, its light at
 * {@link DIM_DLI} or above, and no hour of it freezes what stands there.
 * @param airC of each hour, °C
 * @param frostC what must not freeze, of each hour, °C: leaves inside, the air outside
 * @param lightMol photosynthetic light of each day, mol/m²
 */
export function growingDays(airC: Float32Array, frostC: Float32Array, lightMol: ArrayLike<number>): number {
  let days = 0
  for (let d = 0; d < DAYS; d++) {
    let sum = 0
    let low = Infinity
    for (let h = d * 24; h < d * 24 + 24; h++) {
      sum += airC[h]!
      low = Math.min(low, frostC[h]!)
    }
    if (sum / 24 >= GROWING_C && low >= 0 && lightMol[d]! >= DIM_DLI) days++
  }
  return days
}
