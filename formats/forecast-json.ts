import { FORECAST_SKIES, type Forecast } from '../core/season/tonight'
import { isDate } from '../core/design/fields/build'
import type { Fault } from '../core/design'
import { dayNumber } from '../core/plan/calendar'

const isTree = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)
const SKIES = Object.keys(FORECAST_SKIES).join(', ')
/** A forecast further on than this is a guess. */
const MOST_DAYS = 10

/**
 * Reads a forecast: `{"days":[{"date":…,"lowC":…,"highC":…,"sky":"clear|fair|dull","windMs":…,"snow":false}]}`, of days
 * that follow each other. `lowC` is the low of the night after the day.
 */
export function readForecast(text: string): { ok: true; days: Forecast[] } | { ok: false; faults: Fault[] } {
  let given: unknown
  try {
    given = JSON.parse(text)
  } catch (error) {
    const message = `is not JSON: ${(error as Error).message}`
    return { ok: false, faults: [{ path: '', message, allowed: 'a forecast as JSON' }] }
  }
  if (!isTree(given) || !Array.isArray(given.days) || given.days.length === 0)
    return { ok: false, faults: [{ path: 'days', message: 'is missing or empty', allowed: `1 to ${MOST_DAYS} days` }] }
  const faults: Fault[] = []
  const days = given.days.slice(0, MOST_DAYS).map((d: unknown, i): Forecast => {
    const at = `days[${i}]`
    const day = isTree(d) ? d : {}
    const number = (key: string, low: number, high: number, usual?: number): number => {
      const v = day[key] ?? usual
      if (typeof v === 'number' && v >= low && v <= high) return v
      const message = v === undefined ? 'is missing' : `is ${JSON.stringify(v)}`
      faults.push({ path: `${at}.${key}`, message, allowed: `${low} to ${high}` })
      return 0
    }
    const date = typeof day.date === 'string' && isDate(day.date) ? day.date : null
    if (date === null) faults.push({ path: `${at}.date`, message: 'is no day', allowed: 'a day such as 2027-01-09' })
    const sky = day.sky ?? 'fair'
    if (typeof sky !== 'string' || !(sky in FORECAST_SKIES))
      faults.push({ path: `${at}.sky`, message: `is ${JSON.stringify(sky)}`, allowed: SKIES })
    const lowC = number('lowC', -70, 40)
    const highC = number('highC', -60, 55)
    const windMs = number('windMs', 0, 60, 2.5)
    return { date: date ?? '2027-01-01', lowC, highC, sky: sky as Forecast['sky'], windMs, snow: day.snow === true }
  })
  days.forEach((d, i) => {
    if (i > 0 && faults.length === 0 && dayNumber(d.date) !== dayNumber(days[i - 1]!.date) + 1)
      faults.push({ path: `days[${i}].date`, message: 'does not follow the day before', allowed: 'days in a row' })
  })
  return faults.length > 0 ? { ok: false, faults } : { ok: true, days }
}
