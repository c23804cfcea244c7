import { CROPS, entry } from '../catalog'
import { DAYS, type SiteYear } from '../climate'
import { dayNumber } from '../plan/calendar'
import type { BookCrop } from './book'
import { nominalDay } from './log'

/** When a crop could be harvested in the open: first and last day of the usual year. */
export interface OutdoorSeason {
  firstDay: number
  lastDay: number
}

/** Days that a day outside is the mean of. */
const ABOUT = 7

/**
 * A crop in the open at a site: set out when days are usually warm enough for it and no frost comes that it does not
 * bear, harvested its weeks later until the first night that ends it.
 */
export function outdoorSeason(cropId: string, { dryBulbC }: Pick<SiteYear, 'dryBulbC'>): OutdoorSeason | null {
  const crop = entry(CROPS, cropId)
  const low = Float32Array.from({ length: DAYS }, (_, d) => Math.min(...dryBulbC.subarray(d * 24, d * 24 + 24)))
  const mean = Float32Array.from({ length: DAYS }, (_, d) => {
    let sum = 0
    for (let k = -ABOUT * 24; k < (ABOUT + 1) * 24; k++)
      sum += dryBulbC[(((d * 24 + k) % dryBulbC.length) + dryBulbC.length) % dryBulbC.length]!
    return sum / (24 * (2 * ABOUT + 1))
  })
  // From the middle of the cold half of the year on.
  let coldest = 0
  mean.forEach((c, d) => (coldest = c < mean[coldest]! ? d : coldest))
  const order = Array.from({ length: DAYS }, (_, k) => (coldest + k) % DAYS)
  const bears = (k: number) => low[order[k]!]! >= crop.survivesC
  // The longest stretch of nights that it bears, from the first day in it that it grows on.
  let best: [from: number, until: number] = [0, 0]
  for (let k = 0; k < DAYS; k++) {
    if (!bears(k)) continue
    let until = k
    while (until < DAYS && bears(until)) until++
    let from = k
    while (from < until && mean[order[from]!]! < Math.max(5, crop.growsC)) from++
    if (until - from > best[1] - best[0]) best = [from, until]
    k = until
  }
  const ripe = best[0] + Math.round(7 * crop.weeks)
  const last = best[1] - 1
  return ripe > last ? null : { firstDay: order[ripe]!, lastDay: order[last]! }
}

/** What a row of the crops' log has come to. */
export interface CropAnswer {
  /** Weeks before the first harvest in the open, and after the last one there; null while it has not been harvested. */
  earlyWeeks: number | null
  lateWeeks: number | null
  /** It does not ripen in the open here. */
  neverOutdoors: boolean
  worth: number
}

/** Days from one day of the usual year to another, going whichever way is shorter. */
const apart = (from: number, to: number) => ((to - from + DAYS + 182) % DAYS) - 182

export function cropAnswer(row: BookCrop, outdoors: OutdoorSeason | null): CropAnswer {
  const day = (iso: string | null) => (iso === null ? null : nominalDay(dayNumber(iso)))
  const [first, last] = [day(row.firstOn), day(row.lastOn)]
  const weeks = (days: number) => Math.max(0, Math.round((days / 7) * 10) / 10)
  return {
    earlyWeeks: outdoors && first !== null ? weeks(apart(first, outdoors.firstDay)) : null,
    lateWeeks: outdoors && last !== null ? weeks(apart(outdoors.lastDay, last)) : null,
    neverOutdoors: outdoors === null,
    worth: row.kg * row.perKg,
  }
}
