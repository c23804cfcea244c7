import { DAYS, HOURS, type SiteYear } from '../climate'
import type { NetworkModel } from './model'
import { runModel, type RunOptions } from './run'
import type { YearSeries } from './series'

/** Days whose lowest air outside comes this near to the year's lowest are gone through step by step, K, and so many days before each of them. */
const NEAR_LOWEST_K = 9
const LEAD_DAYS = 14

/** The days on which the year's coldest night may fall, 1 each of 365, with days before them in which the house comes to its state. */
export function coldDays(dryBulbC: Float32Array): Uint8Array {
  const low = Float32Array.from({ length: DAYS }, (_, d) => Math.min(...dryBulbC.subarray(d * 24, d * 24 + 24)))
  const limit = Math.min(...low) + NEAR_LOWEST_K
  const close = new Uint8Array(DAYS)
  for (let d = 0; d < DAYS; d++) if (low[d]! <= limit) close.fill(1, Math.max(0, d - LEAD_DAYS), d + 1)
  return close
}

/**
 * The unheated year of a heated house. It is asked for its coldest night alone, so the days that cannot hold it go in whole hours, which moves that night by less
 * than 0.01 K. Should it fall on such a day after all, the year is run in full.
 */
export function runUnheated(model: NetworkModel, site: SiteYear, options: Pick<RunOptions, 'stepsPerHour' | 'stop'>): YearSeries {
  const unheated = { on: false, capacityW: 0, setPointC: 0 }
  const closeDays = coldDays(site.dryBulbC)
  const series = runModel(model, site, unheated, { ...options, heater: false, closeDays })
  let coldest = 0
  for (let h = 1; h < HOURS; h++) if (series.airMinC[h]! < series.airMinC[coldest]!) coldest = h
  return closeDays[Math.floor(coldest / 24)] ? series : runModel(model, site, unheated, { ...options, heater: false })
}
