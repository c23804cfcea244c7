import { linear } from '../scale'
import { dayNumber, isoDay } from './calendar'

/** Days on a strip of paper: where one lies, how wide it is, and where months begin. */
export interface Strip {
  x: (day: number) => number
  perDay: number
  /** First days of months, ISO 8601, and where they lie; short where a name of three letters would not fit. */
  months: { x: number; on: string; short: boolean }[]
}

/** Days before the first and after the last that are shown. */
const BEFORE = 2
const AFTER = 4
/** A month's name of three letters takes so much, and so much is left free at the right edge, px. */
const NAME_PX = 34
const EDGE_PX = 26
/** A strip is no narrower than this, px. */
const LEAST_PX = 100

/** A strip from one day to another, between two places across. */
export function dayStrip(from: string, to: string, leftPx: number, rightPx: number): Strip {
  const [first, last] = [dayNumber(from) - BEFORE, dayNumber(to) + AFTER]
  const right = Math.max(leftPx + LEAST_PX, rightPx)
  const x = linear([first, last], [leftPx, right])
  const perDay = x(first + 1) - x(first)
  const months: Strip['months'] = []
  for (let d = first; d <= last; d++)
    if (isoDay(d).endsWith('-01') && x(d) < right - EDGE_PX + NAME_PX / 2)
      months.push({ x: x(d), on: isoDay(d), short: 30 * perDay < NAME_PX })
  return { x, perDay, months }
}
