import { normalDeviates, seededRandom } from './random'
import { DAYS, type SiteYear } from './types'

/** A day of a forecast. */
export interface ForecastDay {
  /** Day of year, 0-based. */
  day: number
  lowC: number
  highC: number
  /** 0–1. */
  cloud: number
  windMs: number
}

/**
 * A forecast made from a site's own year: its days with an error that grows by the day, from half a degree tomorrow to
 * three a week on, as forecasts' errors do. A stand-in for a weather service, the same for the same seed.
 * @param startDay day of year, 0-based
 * @param days 1–10
 */
export function simulatedForecast(
  year: Pick<SiteYear, 'dryBulbC' | 'cloud' | 'windMs'>,
  startDay: number,
  days: number,
  seed: number,
): ForecastDay[] {
  const normal = normalDeviates(seededRandom(seed + startDay * 7919))
  let drift = 0
  return Array.from({ length: days }, (_, i) => {
    const day = (startDay + i) % DAYS
    const of = (a: Float32Array) => a.subarray(day * 24, day * 24 + 24)
    drift = 0.8 * drift + (0.5 + 0.4 * i) * normal() * 0.7
    const t = of(year.dryBulbC)
    const mean = (a: Float32Array) => a.reduce((s, v) => s + v, 0) / 24
    return {
      day,
      lowC: Math.min(...t) + drift,
      highC: Math.max(...t) + drift,
      cloud: Math.max(0, Math.min(1, mean(of(year.cloud)) + 0.05 * (i + 1) * normal())),
      windMs: Math.max(0, mean(of(year.windMs)) * (1 + 0.04 * (i + 1) * normal())),
    }
  })
}
