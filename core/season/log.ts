import { MONTH_START } from '../climate/types'
import { monthDay } from '../plan/calendar'

/** What a book may hold of an hour, with the range in which it can be true. */
export const READINGS = {
  insideC: { name: 'air inside', low: -60, high: 80, quantity: 'temperature' },
  outsideC: { name: 'air outside', low: -70, high: 60, quantity: 'temperature' },
  soilC: { name: 'soil of the beds', low: -40, high: 60, quantity: 'temperature' },
  waterC: { name: 'water inside', low: -30, high: 95, quantity: 'temperature' },
  rh: { name: 'humidity inside', low: 0, high: 1.05, quantity: 'share' },
  sunWm2: { name: 'sun on level ground outside', low: 0, high: 1600, quantity: 'irradiance' },
} as const
export type ReadingId = keyof typeof READINGS
export const READING_IDS = Object.keys(READINGS) as ReadingId[]

/**
 * Readings hour by hour: each the mean of its hour, NaN where there is none. Hours are counted from 1 January 1970 by
 * the site's standard clock, which has no summer time.
 */
export interface HourlyLog {
  startH: number
  hours: number
  values: Record<ReadingId, Float32Array>
}

/** Lowest and highest of a day as somebody read them off, °C; null for what was not read. */
export interface DailyReading {
  /** ISO 8601. */
  date: string
  insideMinC: number | null
  insideMaxC: number | null
  outsideMinC: number | null
  outsideMaxC: number | null
  soilC: number | null
  waterC: number | null
  rh: number | null
}

/** A day of which nothing was read. */
export const unreadDay = (date: string): DailyReading => ({
  date,
  insideMinC: null,
  insideMaxC: null,
  outsideMinC: null,
  outsideMaxC: null,
  soilC: null,
  waterC: null,
  rh: null,
})

export const emptyLog = (startH: number, hours: number): HourlyLog => ({
  startH,
  hours,
  values: Object.fromEntries(READING_IDS.map(id => [id, new Float32Array(hours).fill(NaN)])) as HourlyLog['values'],
})

/** Day of the nominal year that a day is, 0–364; 29 February counts as the day before it. */
export function nominalDay(day: number): number {
  const { month, day: date } = monthDay(day)
  return MONTH_START[month]! + (month === 1 ? Math.min(date, 28) : date) - 1
}

/** A log between two hours, with nothing where it has none. */
export function within(log: HourlyLog, fromH: number, untilH: number): HourlyLog {
  const out = emptyLog(fromH, Math.max(0, untilH - fromH))
  for (const id of READING_IDS)
    for (let i = 0; i < out.hours; i++) {
      const v = log.values[id][fromH + i - log.startH]
      if (v !== undefined) out.values[id][i] = v
    }
  return out
}

/** So many hours a log may hold: four years. */
export const LONGEST_H = 4 * 8784

/** Two readings of one hour further apart than this are of two minds, K or % or W/m². */
const APART: Record<ReadingId, number> = { insideC: 1, outsideC: 1, soilC: 1, waterC: 1, rh: 0.1, sunWm2: 100 }

/** One log of two, and how many hours are new, how many both had, and at how many of those they were of two minds. */
export interface Merged {
  log: HourlyLog
  fresh: number
  both: number
  apart: number
}

/**
 * One log of two: where both have an hour the newer one's reading counts. Two that together span more than a log may
 * hold are refused: a logger's clock that was reset is the usual reason.
 */
export function merged(old: HourlyLog, newer: HourlyLog): Merged | { fault: string } {
  const [fromH, untilH] = [
    Math.min(old.startH, newer.startH),
    Math.max(old.startH + old.hours, newer.startH + newer.hours),
  ]
  if (untilH - fromH > LONGEST_H) {
    const year = (h: number) => new Date(h * 3_600_000).getUTCFullYear()
    return {
      fault:
        `The readings are of ${year(newer.startH)}, those that are there of ${year(old.startH)}: a book holds ` +
        'four years. Look at the logger’s clock.',
    }
  }
  const log = within(old, fromH, untilH)
  let [fresh, both, apart] = [0, 0, 0]
  const at = newer.startH - fromH
  for (let i = 0; i < newer.hours; i++) {
    let [isNew, isBoth, isApart] = [false, false, false]
    for (const id of READING_IDS) {
      const v = newer.values[id][i]!
      if (Number.isNaN(v)) continue
      const before = log.values[id][at + i]!
      if (Number.isNaN(before)) isNew = true
      else {
        isBoth = true
        if (Math.abs(before - v) > APART[id]) isApart = true
      }
      log.values[id][at + i] = v
    }
    if (isBoth) both++
    else if (isNew) fresh++
    if (isApart) apart++
  }
  return { log, fresh, both, apart }
}

/** Hours in a row in which a sensor of air that is alive moves by more than a hundredth of a degree. */
const STUCK_H = 12
/** A reading that leaves its neighbours on both sides by more than this, in one hour and back, K. */
const SPIKE_K = 12

/** What a log says that can't be. */
export interface Unsound {
  what: 'stuck' | 'spike' | 'range'
  of: ReadingId
  /** First hour of it, as the log counts, and how many. */
  fromH: number
  hours: number
}

/** A log without what can't be true, and what that was. Soil and water may rest; air does not. */
export function soundLog(log: HourlyLog): { log: HourlyLog; left: Unsound[] } {
  const out = within(log, log.startH, log.startH + log.hours)
  const left: Unsound[] = []
  const note = (what: Unsound['what'], of: ReadingId, from: number, until: number) => {
    out.values[of].fill(NaN, from, until)
    const last = left.at(-1)
    if (last?.what === what && last.of === of && last.fromH + last.hours === log.startH + from)
      last.hours += until - from
    else left.push({ what, of, fromH: log.startH + from, hours: until - from })
  }
  for (const id of READING_IDS) {
    const v = out.values[id]
    const { low, high } = READINGS[id]
    for (let i = 0; i < log.hours; i++) if (v[i]! < low || v[i]! > high) note('range', id, i, i + 1)
    if (id !== 'insideC' && id !== 'outsideC') continue
    for (let i = 1; i + 1 < log.hours; i++) {
      const [up, down] = [v[i]! - v[i - 1]!, v[i]! - v[i + 1]!]
      if (Math.min(Math.abs(up), Math.abs(down)) > SPIKE_K && up * down > 0) note('spike', id, i, i + 1)
    }
    let from = 0
    for (let i = 1; i <= log.hours; i++) {
      if (i < log.hours && Math.abs(v[i]! - v[from]!) < 0.011) continue
      if (i - from >= STUCK_H) note('stuck', id, from, i)
      from = i
    }
  }
  return { log: out, left }
}

/** Hours in a row without a reading, of those that have any before and after, longer than so many. */
export function gaps(values: Float32Array, longerThan = 1): { at: number; hours: number }[] {
  const out: { at: number; hours: number }[] = []
  let last = -1
  values.forEach((v, i) => {
    if (Number.isNaN(v)) return
    if (last >= 0 && i - last - 1 > longerThan) out.push({ at: last + 1, hours: i - last - 1 })
    last = i
  })
  return out
}

/** Lowest and highest of each day that has at least so many hours of a reading. */
export function dailyOf(log: HourlyLog, id: ReadingId, least = 18): { day: number; low: number; high: number }[] {
  const out: { day: number; low: number; high: number }[] = []
  for (let i = 0; i + 24 <= log.hours; i += 24) {
    const hours = [...log.values[id].subarray(i, i + 24)].filter(v => !Number.isNaN(v))
    if (hours.length >= least)
      out.push({ day: Math.floor((log.startH + i) / 24), low: Math.min(...hours), high: Math.max(...hours) })
  }
  return out
}
