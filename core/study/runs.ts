import type { AimLine } from '../aim/aim-line'
import { DAYS, HOURS, MONTH_OF_DAY } from '../climate/types'
import { GAIN_NAMES, LOSS_NAMES, type YearSeries } from '../network/series'

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

/** Heat that comes in or goes out by one way, W of each hour. */
export interface WeekFlow {
  name: string
  way: 'in' | 'out'
  watts: Float32Array
}

/** Flows of some hours on end, over the turn of the year too: the largest first, those without heat left out. */
export function flowsOf(
  series: Pick<YearSeries, 'gains' | 'losses' | 'bodies'>,
  first: number,
  hours: number,
): WeekFlow[] {
  const cut = (of: ArrayLike<number>, sign = 1) =>
    Float32Array.from({ length: hours }, (_, k) => sign * of[(first + k) % HOURS]!)
  const moved = (watts: Float32Array) => watts.reduce((sum, w) => sum + Math.abs(w), 0)
  const given = Float32Array.from({ length: hours }, (_, k) =>
    series.bodies.reduce((sum, b) => sum + b.givesW[(first + k) % HOURS]!, 0),
  )
  const all: WeekFlow[] = [
    ...series.gains.map((of, i): WeekFlow => ({ name: GAIN_NAMES[i]!, way: 'in', watts: cut(of) })),
    ...series.losses.map((of, i): WeekFlow => ({ name: LOSS_NAMES[i]!, way: 'out', watts: cut(of, -1) })),
    { name: 'what stands inside gives', way: 'in', watts: given },
  ]
  return all.filter(f => moved(f.watts) > 0).sort((a, b) => moved(b.watts) - moved(a.watts))
}

/** A year's hours from the coldest to the warmest. */
export const duration = (series: Float32Array): Float32Array => Float32Array.from(series).sort()
