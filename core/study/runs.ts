import type { AimLine } from '../aim/aim-line'
import { DAYS, HOURS, MONTH_OF_DAY } from '../climate/types'

/** Hours in a row beyond a limit. */
export interface Run {
  /** First hour of the year, and how many. */
  from: number
  hours: number
  /** The furthest beyond, °C. */
  worstC: number
}

/**
 * The longest run of hours in which air was colder than what was asked, or hotter than what may be; null where there is
 * none. A run may go over the turn of the year.
 */
export function longestRun(airC: Float32Array, line: AimLine, which: 'cold' | 'hot'): Run | null {
  const limits = which === 'cold' ? line.lowC : line.highC
  const beyond = (h: number) => {
    const limit = limits[MONTH_OF_DAY[Math.floor(h / 24)]!]!
    return limit !== null && (which === 'cold' ? airC[h]! < limit : airC[h]! > limit)
  }
  let best: Run | null = null
  let now: Run | null = null
  for (let k = 0; k < 2 * HOURS; k++) {
    const h = k % HOURS
    if (!beyond(h)) {
      now = null
      continue
    }
    now ??= { from: h, hours: 0, worstC: airC[h]! }
    if (now.hours === HOURS) break
    now.hours++
    now.worstC = which === 'cold' ? Math.min(now.worstC, airC[h]!) : Math.max(now.worstC, airC[h]!)
    if (!best || now.hours > best.hours) best = { ...now }
  }
  return best
}

/** First day, 0–364, of the week whose mean outside is the coldest or the hottest. */
export function extremeWeek(outsideC: Float32Array, which: 'cold' | 'hot'): number {
  let best = 0
  let most = which === 'cold' ? Infinity : -Infinity
  for (let d = 0; d <= DAYS - 7; d++) {
    let sum = 0
    for (let h = d * 24; h < (d + 7) * 24; h++) sum += outsideC[h]!
    if (which === 'cold' ? sum < most : sum > most) {
      most = sum
      best = d
    }
  }
  return best
}

/** A year's hours from the coldest to the warmest. */
export const duration = (series: Float32Array): Float32Array => Float32Array.from(series).sort()
