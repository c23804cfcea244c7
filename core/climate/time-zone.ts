import { NOMINAL_YEAR } from './types'

/** Whether the name is a time zone that this machine knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}

/** Clocks of the zones that were asked for: a new one takes milliseconds. */
const clocks = new Map<string, Intl.DateTimeFormat>()

/** Offset of a zone from UTC at an instant, h. Throws RangeError for an unknown zone. */
export function offsetH(zone: string, utcMs: number): number {
  let clock = clocks.get(zone)
  if (!clock) {
    clock = new Intl.DateTimeFormat('en-US', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    })
    clocks.set(zone, clock)
  }
  const parts = clock.formatToParts(utcMs)
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
