import { merged, type DailyReading, type HourlyLog } from './log'

/** A file of readings that was taken in: it can be looked at, read again, and taken out. */
export interface Intake {
  id: string
  /** Name of its file. */
  name: string
  /** When it was taken in, ISO 8601. */
  at: string
  /** How it was read, as its reader knows it. */
  how: unknown
  /** What its reader told, in sentences. */
  told: string[]
  log: HourlyLog | null
  /** Lows and highs by the day, where it is a table of days. */
  days: DailyReading[]
  /** What stood on those days before it came. */
  replaced: DailyReading[]
  /** The file itself, packed; null where it is too long to be kept. */
  source: string | null
}

/** Readings of a book that are of no file that it knows. */
export const ownLog = (book: {
  log: HourlyLog | null
  intakes?: Intake[]
  own?: HourlyLog | null
}): HourlyLog | null => (book.intakes ? (book.own ?? null) : book.log)

/** All readings of a book: where two have an hour, what was taken in later counts. */
export function wholeLog(own: HourlyLog | null, intakes: readonly Intake[]): HourlyLog | null | { fault: string } {
  let log = own
  for (const { log: next } of intakes) {
    if (!next) continue
    if (!log) log = next
    else {
      const both = merged(log, next)
      if ('fault' in both) return both
      log = both.log
    }
  }
  return log
}
