import { yearStartUtc } from './sun-year'
import { DAYS, MONTH_DAYS, MONTH_NAMES, MONTH_OF_DAY, MONTH_START } from './types'

/** ISO 8601 instant with offset, for a (fractional) hour of the nominal year in local standard time. */
export function isoAt(hour: number, standardOffsetH: number): string {
  const local = new Date(yearStartUtc(0) + Math.round(hour * 60) * 60000).toISOString().slice(0, 19)
  const minutes = Math.round(Math.abs(standardOffsetH) * 60)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${local}${standardOffsetH < 0 ? '-' : '+'}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`
}

/** Day of the month and month name of a day of year (0-based): `23 January`. */
export function dayName(day: number): string {
  const m = MONTH_OF_DAY[day]!
  return `${day - MONTH_START[m]! + 1} ${MONTH_NAMES[m]}`
}

/** Which night an hour is of, from noon to noon: the number of the day that it ends in. */
export const nightOf = (hour: number): number => Math.floor((hour + 12) / 24) % DAYS

/** How many nights some hours are of. */
export const nightsIn = (hours: readonly number[]): number => new Set(hours.map(nightOf)).size

/** Day of year (0-based) in the middle of a month (0–11). */
export function middleOfMonth(month: number): number {
  return MONTH_START[month]! + Math.floor(MONTH_DAYS[month]! / 2)
}
