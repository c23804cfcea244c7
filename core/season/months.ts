import { dayNumber } from '../plan/calendar'
import { dailyOf, type DailyReading, type HourlyLog } from './log'

/** A month of readings: lowest and highest, and the means of the days' lows and highs, °C; NaN where none was read. */
export interface ReadMonth {
  /** Such as 2027-01. */
  month: string
  days: number
  lowC: number
  highC: number
  meanLowC: number
  meanHighC: number
  outLowC: number
  outHighC: number
}

/** A day's lowest and highest inside and outside. */
export interface ReadDay {
  day: number
  lowC: number
  highC: number
  outLowC: number
  outHighC: number
}

/** All days that were read, by logger or by hand; what a logger read by the hour counts before what was written. */
export function readDays(log: HourlyLog | null, daily: readonly DailyReading[]): ReadDay[] {
  const out = new Map<number, ReadDay>()
  const at = (day: number) => {
    const known = out.get(day) ?? { day, lowC: NaN, highC: NaN, outLowC: NaN, outHighC: NaN }
    out.set(day, known)
    return known
  }
  for (const r of daily)
    Object.assign(at(dayNumber(r.date)), {
      lowC: r.insideMinC ?? NaN,
      highC: r.insideMaxC ?? NaN,
      outLowC: r.outsideMinC ?? NaN,
      outHighC: r.outsideMaxC ?? NaN,
    })
  if (log) {
    for (const d of dailyOf(log, 'insideC', 12)) Object.assign(at(d.day), { lowC: d.low, highC: d.high })
    for (const d of dailyOf(log, 'outsideC', 12)) Object.assign(at(d.day), { outLowC: d.low, outHighC: d.high })
  }
  return [...out.values()].sort((a, b) => a.day - b.day)
}

const least = (v: number[]) => (v.length > 0 ? Math.min(...v) : NaN)
const most = (v: number[]) => (v.length > 0 ? Math.max(...v) : NaN)
const mean = (v: number[]) => (v.length > 0 ? v.reduce((a, b) => a + b, 0) / v.length : NaN)

/** The months of some days, in order. */
export function readMonths(days: readonly ReadDay[]): ReadMonth[] {
  const byMonth = new Map<string, ReadDay[]>()
  for (const d of days) {
    const key = new Date(d.day * 86_400_000).toISOString().slice(0, 7)
    byMonth.set(key, [...(byMonth.get(key) ?? []), d])
  }
  return [...byMonth].map(([month, its]) => {
    const of = (take: (d: ReadDay) => number) => its.map(take).filter(v => !Number.isNaN(v))
    return {
      month,
      days: its.length,
      lowC: least(of(d => d.lowC)),
      highC: most(of(d => d.highC)),
      meanLowC: mean(of(d => d.lowC)),
      meanHighC: mean(of(d => d.highC)),
      outLowC: least(of(d => d.outLowC)),
      outHighC: most(of(d => d.outHighC)),
    }
  })
}
