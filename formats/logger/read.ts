import Papa from 'papaparse'
import { emptyLog, LONGEST_H, unreadDay, type DailyReading, type HourlyLog } from '../../core/season/log'
import { isOfDay, isReading, LOGGER_COLUMNS, readingOf, type ReadColumn } from './columns'
import { guessReading, isNewestFirst, type LoggerReading } from './guess'
import { numberOf, rangeOf, readingIn } from './readings'
import { instantsOf, stampReader, type Stamp } from './stamps'
import { loggerTable, type LoggerTable } from './table'

/** What a file told, in sentences: what was left out and why. */
export interface LoggerRead {
  log: HourlyLog | null
  daily: DailyReading[]
  rows: number
  told: string[]
  /** The first rows as they are understood: their time on the clock of the file, and what was read, SI. */
  first: { at: string; values: { column: ReadColumn; value: number | null }[] }[]
}
export type ReadLogger = { ok: true; read: LoggerRead } | { ok: false; message: string }

const HOUR_MS = 3_600_000
const SHOWN = 5
/** A file is read in pieces of about so many characters, and progress is told after each. */
const PIECE = 1_000_000

/** Rows of a piece; without quotes, as loggers mostly write them, a line is a row: a million are there in a second. */
const rowsOf = (text: string, delimiter: string): Iterable<string[]> =>
  text.includes('"') ? Papa.parse<string[]>(text, { delimiter }).data : plainRows(text, delimiter)
function* plainRows(text: string, delimiter: string): Generator<string[]> {
  for (const line of text.split('\n')) yield (line.endsWith('\r') ? line.slice(0, -1) : line).split(delimiter)
}

/** The rows of a text, some at a time: cut where a line ends outside of quotes. */
function* pieces(text: string, from: number): Generator<{ text: string; until: number }> {
  for (let at = from; at < text.length; ) {
    let until = text.indexOf('\n', at + PIECE) + 1 || text.length
    const isOpen = () => (text.slice(at, until).match(/"/g)?.length ?? 0) % 2 === 1
    while (until < text.length && isOpen()) until = text.indexOf('\n', until) + 1 || text.length
    // The line end of a piece's last row is none of a row of its own.
    yield { text: text.slice(at, until).replace(/\r?\n$/, ''), until }
    at = until
  }
}

/** Counts of something left out, with the first of it. */
class LeftOut {
  count = 0
  line = 0
  seen: string[] = []
  add(line: number, cell: string): void {
    if (this.count++ === 0) this.line = line
    if (this.seen.length < 4 && !this.seen.includes(cell)) this.seen.push(cell)
  }
}

/**
 * Reads a logger's file into hours of the site's standard clock, or into days. Each reading is looked at by itself,
 * then those of one hour are taken together by their mean; what is left out is told.
 * @param standardOffsetH how far the site's standard clock runs ahead of UTC
 * @param tell how far it is, 0 to 1
 */
export function readLogger(
  table: LoggerTable,
  how: LoggerReading,
  standardOffsetH: number,
  tell: (share: number) => void = () => {},
): ReadLogger {
  const { columns } = how
  const time = columns.indexOf('time')
  const clock = columns.indexOf('clock')
  if (time < 0) return { ok: false, message: 'No column is the time: say which one is.' }
  const used = columns.flatMap((column, at) =>
    isReading(column) ? [{ column, at, unit: how.units[at]!, range: rangeOf(column) }] : [],
  )
  if (used.length === 0) return { ok: false, message: 'No column holds a reading: say what at least one of them is.' }
  const twice = used.find((u, i) => used.findIndex(o => o.column === u.column) < i)
  if (twice) return { ok: false, message: `Two columns are “${LOGGER_COLUMNS[twice.column]}”: say which one counts.` }
  const byDay = used.some(u => isOfDay(u.column))
  const stamps = stampReader(how.dayFirst)
  const [lost, codes, outside] = [new LeftOut(), new LeftOut(), new LeftOut()]
  const first: LoggerRead['first'] = []
  const take = byDay ? new Days(used) : new Hours(used, how, standardOffsetH, isNewestFirst(table, how))
  const found = new Float64Array(used.length)
  let rows = 0
  let line = table.firstLine - 1
  let dayOnly = 0
  for (const piece of pieces(table.text, table.from)) {
    for (const row of rowsOf(piece.text, table.delimiter)) {
      line++
      if (row.length === 1 && row[0]!.trim() === '') continue
      const stamp = stamps(row[time] ?? '', clock < 0 ? null : (row[clock] ?? ''))
      if (!stamp) {
        lost.add(line, (row[time] ?? '').slice(0, 30))
        continue
      }
      rows++
      if (stamp.dayOnly) dayOnly++
      for (let k = 0; k < used.length; k++) {
        const { at, unit, range: its } = used[k]!
        const cell = row[at] ?? ''
        const raw = numberOf(cell, how.decimalComma)
        found[k] = NaN
        if (Number.isNaN(raw)) continue
        const read = readingIn(its, raw, unit)
        if (read.ok) found[k] = read.value
        else (read.why === 'code' ? codes : outside).add(line, cell.trim())
      }
      if (first.length < SHOWN) first.push(shown(stamp, used, found))
      take.add(stamp, found)
    }
    tell(piece.until / table.text.length)
  }
  if (rows === 0) {
    const stands = lost.seen[0] ?? ''
    return {
      ok: false,
      message: `No row has a time that can be read: line ${lost.line} begins “${stands}”. Allowed: 2027-01-31 14:00.`,
    }
  }
  const message = byDay ? null : withoutHours(dayOnly, rows, take as Hours)
  if (message) return { ok: false, message }
  const told: string[] = []
  if (lost.count > 0)
    told.push(`${lost.count} rows have no time that can be read, the first in line ${lost.line}: left out.`)
  if (codes.count > 0)
    told.push(
      `${codes.count} readings are what a sensor writes when it fails (${codes.seen.join('; ')}), the first in line ` +
        `${codes.line}: left out.`,
    )
  if (outside.count > 0)
    told.push(
      `${outside.count} readings cannot be (${outside.seen.join('; ')}), the first in line ${outside.line}: left ` +
        'out. Look at the units and at what the columns are.',
    )
  const done = take.done()
  if ('message' in done) return { ok: false, message: done.message }
  return { ok: true, read: { ...done, rows, first, told: [...told, ...done.told] } }
}

function shown(
  stamp: Stamp,
  used: readonly { column: ReadColumn }[],
  found: Float64Array,
): LoggerRead['first'][number] {
  const iso = new Date(stamp.ms).toISOString()
  return {
    at: stamp.dayOnly ? iso.slice(0, 10) : iso.slice(0, 16).replace('T', ' '),
    values: used.map(({ column }, k) => ({ column, value: Number.isNaN(found[k]!) ? null : found[k]! })),
  }
}

/** Rows that name a day and no hour are no hours of a log. */
function withoutHours(dayOnly: number, rows: number, hours: Hours): string | null {
  if (dayOnly < rows / 2 || rows < 2) return null
  return hours.count === rows
    ? 'There is one row a day: say which column is the lowest and which the highest of the day, or leave it out.'
    : 'The rows name a day and no hour: say which column is the hour and minute.'
}

interface Used {
  column: ReadColumn
}

/** Rows of one hour, taken together. */
class Hours {
  private readonly hours = new Map<number, { sums: Float64Array; counts: Float64Array }>()
  private readonly instants: (wallMs: number) => [number, number?]
  private lastUtc: number
  private firstH = Infinity
  private lastH = -Infinity
  private twice = 0
  private back = 0

  constructor(
    private readonly used: readonly Used[],
    how: LoggerReading,
    private readonly standardOffsetH: number,
    private readonly newestFirst: boolean,
  ) {
    this.instants = instantsOf(how.zone)
    this.lastUtc = newestFirst ? Infinity : -Infinity
  }
  get count(): number {
    return this.hours.size
  }

  add({ ms, offsetMin }: Stamp, found: Float64Array): void {
    const [early, late] = offsetMin === null ? this.instants(ms) : [ms - offsetMin * 60000]
    // Where clocks go back an hour comes twice: which of the two it is follows from what was read before.
    let utc = early
    if (late !== undefined) {
      const isLate = this.newestFirst ? late <= this.lastUtc : early < this.lastUtc
      if (isLate !== this.newestFirst) this.twice++
      utc = isLate ? late : early
    }
    if (this.newestFirst ? utc > this.lastUtc : utc < this.lastUtc) this.back++
    this.lastUtc = utc
    const h = Math.floor((utc + this.standardOffsetH * HOUR_MS) / HOUR_MS)
    let cell = this.hours.get(h)
    if (!cell) {
      cell = { sums: new Float64Array(this.used.length), counts: new Float64Array(this.used.length) }
      this.hours.set(h, cell)
      this.firstH = Math.min(this.firstH, h)
      this.lastH = Math.max(this.lastH, h)
    }
    for (let k = 0; k < found.length; k++) {
      if (Number.isNaN(found[k]!)) continue
      cell.sums[k]! += found[k]!
      cell.counts[k]!++
    }
  }

  done(): Pick<LoggerRead, 'log' | 'daily' | 'told'> | { message: string } {
    const startH = Math.floor(this.firstH / 24) * 24
    const length = Math.ceil((this.lastH + 1 - startH) / 24) * 24
    if (length > LONGEST_H)
      return {
        message:
          'The times lie more than four years apart: look at the order of day and month, and at whether the ' +
          'logger’s clock was reset.',
      }
    const log = emptyLog(startH, length)
    for (const [h, { sums, counts }] of this.hours)
      this.used.forEach(({ column }, k) => {
        if (counts[k]! > 0) log.values[readingOf(column)][h - startH] = sums[k]! / counts[k]!
      })
    const told: string[] = []
    if (this.back > 0) told.push(`${this.back} rows go back in time: they are put where they belong.`)
    if (this.twice > 0) told.push('Clocks went back: the hour that comes twice is read as two.')
    return { log, daily: [], told }
  }
}

/** Lows and highs by the day. */
class Days {
  private readonly days = new Map<string, DailyReading>()
  private again = 0

  constructor(private readonly used: readonly Used[]) {}

  add({ ms }: Stamp, found: Float64Array): void {
    const date = new Date(ms).toISOString().slice(0, 10)
    let day = this.days.get(date)
    if (day) this.again++
    else {
      day = unreadDay(date)
      this.days.set(date, day)
    }
    this.used.forEach(({ column }, k) => {
      if (!Number.isNaN(found[k]!) && column in day) day[column as Exclude<keyof DailyReading, 'date'>] = found[k]!
    })
  }

  done(): Pick<LoggerRead, 'log' | 'daily' | 'told'> {
    const told = this.again > 0 ? [`${this.again} rows are of a day that another row is of: the last one counts.`] : []
    return { log: null, daily: [...this.days.values()].sort((a, b) => a.date.localeCompare(b.date)), told }
  }
}

/** A whole file as its own words say it is to be read: what the command line does. */
export function readLoggerFile(text: string, zone: string | number, standardOffsetH: number): ReadLogger {
  const cut = loggerTable(text)
  if (!cut.ok) return cut
  const { how, doubts } = guessReading(cut.table)
  const read = readLogger(cut.table, { ...how, zone }, standardOffsetH)
  return read.ok ? { ok: true, read: { ...read.read, told: [...doubts, ...read.read.told] } } : read
}
