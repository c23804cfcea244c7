import { DAYS } from '../climate/types'

/** Mean air of a day from which cool crops grow on, °C: the base of the growing season in common use. */
export const GROWING_C = 5

/**
 * Days of a year on which crops grow: the day's mean air is at {@link GROWING_C} or above, and no hour of it freezes
 * what stands there.
 * @param airC of each hour, °C
 * @param frostC what must not freeze, of each hour, °C: leaves inside, the air outside
 */
export function growingDays(airC: Float32Array, frostC: Float32Array): number {
  let days = 0
  for (let d = 0; d < DAYS; d++) {
    let sum = 0
    let low = Infinity
    for (let h = d * 24; h < d * 24 + 24; h++) {
      sum += airC[h]!
      low = Math.min(low, frostC[h]!)
    }
    if (sum / 24 >= GROWING_C && low >= 0) days++
  }
  return days
}
