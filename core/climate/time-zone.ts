import tzLookup from '@photostructure/tz-lookup'
import { NOMINAL_YEAR } from './types'

/** IANA time zone of a place, from an offline map. Latitude −90 to 90°, longitude −180 to 180°. */
export function timeZoneOf(latitudeDeg: number, longitudeDeg: number): string {
  return tzLookup(latitudeDeg, longitudeDeg)
}

/** Whether the name is a time zone that this machine knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  }
  catch { return false }
}

/** Offset of a zone from UTC at an instant, h. Throws RangeError for an unknown zone. */
function offsetH(zone: string, utcMs: number): number {
  const parts = new Intl.DateTimeFormat('en-US', {
    timeZone: zone, hourCycle: 'h23', year: 'numeric', month: 'numeric', day: 'numeric', hour: 'numeric', minute: 'numeric', second: 'numeric',
  }).formatToParts(utcMs)
  const get = (type: string) => Number(parts.find(p => p.type === type)!.value)
  const local = Date.UTC(get('year'), get('month') - 1, get('day'), get('hour'), get('minute'), get('second'))
  return Math.round((local - utcMs) / 60000) / 60
}

const standard = new Map<string, number>()

/** Offset of a zone's standard (winter) time from UTC, h: the smaller of January's and July's. */
export function standardOffsetH(zone: string): number {
  const known = standard.get(zone)
  if (known !== undefined) return known
  const offset = Math.min(offsetH(zone, Date.UTC(NOMINAL_YEAR, 0, 15)), offsetH(zone, Date.UTC(NOMINAL_YEAR, 6, 15)))
  standard.set(zone, offset)
  return offset
}

/** Offset of a zone's own clock (summer time included) from UTC at noon of a day of the nominal year, h. */
export function offsetOnDay(zone: string, day: number): number {
  return offsetH(zone, Date.UTC(NOMINAL_YEAR, 0, 1, 12) + day * 86400000)
}
