import { sunDay, sunPosition } from '../sun'
import { middleOfMonth } from './calendar'
import { yearStartUtc } from './sun-year'
import { DAYS, MONTH_OF_DAY, type SiteYear } from './types'

/** A day that stands for a season in the drawing: its date and the sun at its solar noon. */
export interface DesignDay {
  /** Day of year, 0-based. */
  day: number
  noonAltitudeDeg: number
  noonAzimuthDeg: number
  /** Solar noon on the standard clock, h. */
  noonClockH: number
}

/** The sun at solar noon of a day of year. */
export function noonOfDay(
  site: Pick<SiteYear, 'latitudeDeg' | 'longitudeDeg' | 'standardOffsetH'>,
  day: number,
): DesignDay {
  const midnight = yearStartUtc(site.standardOffsetH) + day * 86400000
  const noon = sunDay(midnight + 43200000, site.latitudeDeg, site.longitudeDeg).solarNoonUtc
  const p = sunPosition(noon, site.latitudeDeg, site.longitudeDeg)
  return { day, noonAltitudeDeg: p.altitudeDeg, noonAzimuthDeg: p.azimuthDeg, noonClockH: (noon - midnight) / 3600000 }
}

/**
 * The cold design day (middle of the coldest month, when heat is needed most) and the hot one (middle of the warmest),
 * by mean air temperature.
 */
export function designDays(site: SiteYear): { cold: DesignDay; hot: DesignDay } {
  const sums = new Array<number>(12).fill(0)
  const counts = new Array<number>(12).fill(0)
  site.dryBulbC.forEach((t, h) => {
    const m = MONTH_OF_DAY[Math.floor(h / 24)]!
    sums[m]! += t
    counts[m]!++
  })
  const means = sums.map((s, m) => s / counts[m]!)
  return {
    cold: noonOfDay(site, middleOfMonth(means.indexOf(Math.min(...means)))),
    hot: noonOfDay(site, middleOfMonth(means.indexOf(Math.max(...means)))),
  }
}

/** A day is dull with less than this share of the light that its season's clearest days bring. */
const DULL_SHARE = 0.45
const MOST_DULL_DAYS = 14

/** How many dull days in a row come before a day of the year, 0-based; 14 at most. */
export function dullDaysBefore({ globalWm2 }: Pick<SiteYear, 'globalWm2'>, day: number): number {
  const light = (d: number) => {
    const from = ((d + 2 * DAYS) % DAYS) * 24
    let sum = 0
    for (let h = from; h < from + 24; h++) sum += globalWm2[h]!
    return sum
  }
  let brightest = 0
  for (let d = -20; d <= 20; d++) brightest = Math.max(brightest, light(day + d))
  let count = 0
  while (count < MOST_DULL_DAYS && light(day - 1 - count) < DULL_SHARE * brightest) count++
  return count
}
