import { dayNumber, isoDay } from '../plan/calendar'
import type { Book, Written } from './book'
import { soundLog, within, type HourlyLog, type Unsound } from './log'

/** A stretch of a book, ISO 8601, its last day in it; null for as far as the book goes. */
export interface Stretch {
  from: string | null
  until: string | null
}

/** A stretch to choose, with its name. */
export interface NamedStretch {
  id: string
  name: string
  stretch: Stretch
}

const TWO_MONTHS = 60
const MONTH = 30
/** No more than a year can be laid into a year. */
const YEAR = 365

/** The last day of a book that anything was read on, ISO 8601; null where nothing was. */
export function lastRead({ log, written }: Book): string | null {
  const days = written.days.map(d => d.date)
  if (log) days.push(isoDay(Math.floor((log.startH + log.hours) / 24) - 1))
  return days.sort().at(-1) ?? null
}

/** The winter that was over last on a day: December to February in the north, June to August in the south. */
function winterBefore(end: string, southern: boolean): Stretch {
  const year = Number(end.slice(0, 4))
  const of = (y: number): Stretch =>
    southern ? { from: `${y}-06-01`, until: `${y}-08-31` } : { from: `${y - 1}-12-01`, until: `${y}-02-28` }
  return of(of(year).until! <= end ? year : year - 1)
}

/** Stretches of a book to hold against the design: recent ones, the last winter, and those about each change. */
export function stretchesOf(book: Book, southern: boolean): NamedStretch[] {
  const end = lastRead(book)
  if (end === null) return []
  const back = (days: number): Stretch => ({ from: isoDay(dayNumber(end) - days + 1), until: end })
  const changes = book.written.changes.filter(c => c.on < end).sort((a, b) => b.on.localeCompare(a.on))
  return [
    { id: 'last', name: 'the last two months', stretch: back(TWO_MONTHS) },
    { id: 'month', name: 'the last month', stretch: back(MONTH) },
    {
      id: 'winter',
      name: `the last winter, ${southern ? 'June to August' : 'December to February'}`,
      stretch: winterBefore(end, southern),
    },
    { id: 'all', name: 'the last year', stretch: back(YEAR) },
    ...changes.flatMap((c, i) => [
      { id: `after ${i}`, name: `since ${c.on}: ${c.what}`, stretch: { from: c.on, until: end } },
      {
        id: `before ${i}`,
        name: `two months before ${c.on}`,
        stretch: { from: isoDay(dayNumber(c.on) - TWO_MONTHS), until: isoDay(dayNumber(c.on) - 1) },
      },
    ]),
  ]
}

/** A book's readings within a stretch, without what can't be true, and what that was. */
export function readingsWithin(
  { log, written }: Book,
  { from, until }: Stretch,
): { log: HourlyLog | null; daily: Written['days']; left: Unsound[] } {
  const [a, b] = [from === null ? -Infinity : dayNumber(from), until === null ? Infinity : dayNumber(until) + 1]
  const daily = written.days.filter(d => dayNumber(d.date) >= a && dayNumber(d.date) < b)
  if (!log) return { log: null, daily, left: [] }
  const [fromH, untilH] = [Math.max(log.startH, a * 24), Math.min(log.startH + log.hours, b * 24)]
  if (untilH <= fromH) return { log: null, daily, left: [] }
  const { log: sound, left } = soundLog(within(log, fromH, untilH))
  return { log: sound, daily, left }
}
