import { DAYS, HOURS, simulatedForecast, type SiteYear } from '../climate'
import { dayNumber, isoDay } from '../plan/calendar'
import { nominalDay } from './log'
import type { Forecast } from './tonight'

/** Cloud under which a day is clear, and under which it is fair, 0–1. */
const CLEAR_CLOUD = 0.35
const FAIR_CLOUD = 0.65
const skyOf = (cloud: number): Forecast['sky'] => (cloud < CLEAR_CLOUD ? 'clear' : cloud < FAIR_CLOUD ? 'fair' : 'dull')

const tenth = (v: number) => Math.round(v * 10) / 10

/**
 * Nights ahead as a simulated weather service tells them: it knows the site's own invented year, and errs as forecasts
 * do.
 * @param today ISO 8601
 * @param count 1–9
 */
export function simulatedNights(site: SiteYear, today: string, count: number, seed: number): Forecast[] {
  const start = dayNumber(today)
  const days = simulatedForecast(site, nominalDay(start), count + 1, seed)
  const lies = (day: number) => site.snowM[((day + DAYS) % DAYS) * 24 + 12]!
  return days.slice(0, count).map((d, i) => {
    const lowC = tenth(days[i + 1]!.lowC)
    return {
      date: isoDay(start + i),
      lowC,
      highC: Math.max(tenth(d.highC), lowC + 1),
      sky: skyOf(d.cloud),
      windMs: tenth(d.windMs),
      snow: lies(d.day) > lies(d.day - 1),
    }
  })
}

/** What a logger reads at a moment, °C, and how fast the air inside changes, K/h. */
export interface LiveReading {
  at: Date
  insideC: number
  outsideC: number
  soilC: number
  perHourK: number
}

/**
 * What a simulated logger reads: the design's own year at this moment of it, by the site's standard clock.
 * @param hours of the year, each 8760 long
 */
export function liveReading(
  hours: { airC: Float32Array; outsideC: Float32Array; soilC: Float32Array },
  at: Date,
  standardOffsetH: number,
): LiveReading {
  const local = at.getTime() / 3_600_000 + standardOffsetH
  const whole = Math.floor(local)
  const hour = nominalDay(Math.floor(whole / 24)) * 24 + (((whole % 24) + 24) % 24)
  const next = (hour + 1) % HOURS
  const between = (of: Float32Array) => of[hour]! + (local - whole) * (of[next]! - of[hour]!)
  return {
    at,
    insideC: between(hours.airC),
    outsideC: between(hours.outsideC),
    soilC: between(hours.soilC),
    perHourK: hours.airC[next]! - hours.airC[hour]!,
  }
}
