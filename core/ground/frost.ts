import { fusionOf } from '../catalog'
import { DAYS } from '../climate/types'

/** Conductivity of frozen moist soil, W/m·K, and heat that its water gives off as it freezes, J/m³. */
const FROZEN_K = 1.8
const FREEZING_J = fusionOf('soil')

/** Sun warms bare ground over the air as it thaws: a degree-day of thaw counts for so many of frost. Lunardini 1978. */
const THAW = 2

/**
 * How deep frost goes into bare ground on each day of the year, m: Stefan's sum over days of frost, on the safe side of
 * snow and grass. Ground of 27 % water by volume.
 */
export function frostByDay(dryBulbC: Float32Array): Float32Array {
  const deep = new Float32Array(DAYS)
  let degreeDays = 0
  // Twice round, so that the frost of an old year is there in the new.
  for (let d = 0; d < 2 * DAYS; d++) {
    const from = (d % DAYS) * 24
    const mean = dryBulbC.subarray(from, from + 24).reduce((a, b) => a + b, 0) / 24
    degreeDays = Math.max(0, degreeDays - mean * (mean > 0 ? THAW : 1))
    deep[d % DAYS] = Math.sqrt((2 * FROZEN_K * degreeDays * 86400) / FREEZING_J)
  }
  return deep
}

/** How deep it goes in the year, m. */
export const frostDepthM = (dryBulbC: Float32Array): number => Math.max(...frostByDay(dryBulbC))
