import Papa from 'papaparse'
import { offsetH } from '../core/climate/time-zone'
import { emptyLog, READINGS, type DailyReading, type HourlyLog, type ReadingId } from '../core/season/log'

/** What a column of a logger's file may be; `skip` is left out. Dates with lows and highs by the day have their own. */
export const LOGGER_COLUMNS = {
  skip: 'left out',
  time: 'time',
  insideC: READINGS.insideC.name,
  outsideC: READINGS.outsideC.name,
  soilC: READINGS.soilC.name,
  waterC: READINGS.waterC.name,
  rh: READINGS.rh.name,
  sunWm2: READINGS.sunWm2.name,
  insideMinC: 'lowest inside of the day',
  insideMaxC: 'highest inside of the day',
  outsideMinC: 'lowest outside of the day',
  outsideMaxC: 'highest outside of the day',
} as const
export type LoggerColumn = keyof typeof LOGGER_COLUMNS

/** How a file is to be read. */
export interface LoggerReading {
  columns: LoggerColumn[]
  /** Of its degrees. */
  unit: 'C' | 'F'
  /** Of its clock where a stamp has no offset of its own: an IANA name (summer time counts), or hours ahead of UTC. */
  zone: string | number
  /** Of dates such as 3/4/2027: which comes first. */
  dayFirst: boolean
}

export interface LoggerTable {
  heading: string[]
  rows: string[][]
  /** Line of the file of the first row. */
  firstLine: number
}

/** What a file told, in sentences: what was left out and why. */
export interface LoggerRead {
  log: HourlyLog | null
  daily: DailyReading[]
  rows: number
  told: string[]
}
export type ReadLogger = { ok: true; read: LoggerRead } | { ok: false; message: string }

const LARGEST = 40_000_000

/** Cuts a logger's file into heading and rows; lines before the heading, as loggers write them, are left out. */
export function loggerTable(text: string): { ok: true; table: LoggerTable } | { ok: false; message: string } {
  if (text.length > LARGEST)
    return { ok: false, message: `The file is ${Math.round(text.length / 1e6)} MB; logs up to 40 MB are read.` }
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [';', '\t', ',', '|'],
  })
  const widest = data.reduce((most, r) => Math.max(most, r.length), 0)
  const first = data.findIndex(r => r.length === widest)
  if (widest < 2 || first < 0)
    return { ok: false, message: 'There is no table in this file: no line has two columns or more.' }
  const head = data[first]!.map(c => c.trim())
  const named = !head.slice(1).some(c => Number.isFinite(numberOf(c)))
  return {
    ok: true,
    table: {
      heading: named ? head : head.map((_, i) => `column ${i + 1}`),
      rows: data.slice(first + (named ? 1 : 0)),
      firstLine: first + (named ? 2 : 1),
    },
  }
}

const GUESSES: [LoggerColumn, RegExp][] = [
  ['insideMinC', /^(?!.*out).*\bin\w*[_ ]?min|\bmin\w*[_ ]?in/i],
  ['insideMaxC', /^(?!.*out).*\bin\w*[_ ]?max|\bmax\w*[_ ]?in/i],
  ['outsideMinC', /out\w*[_ ]?min|\bmin\w*[_ ]?out/i],
  ['outsideMaxC', /out\w*[_ ]?max|\bmax\w*[_ ]?out/i],
  ['time', /time|date|stamp|\bday\b/i],
  ['rh', /humid|\brh\b/i],
  ['sunWm2', /sun|solar|radiation|w\/m/i],
  ['soilC', /soil|bed|ground/i],
  ['waterC', /water|tank|barrel|drum/i],
  ['outsideC', /out(?!put)|ext|ambient/i],
  ['insideC', /in(side|door)?|green|house|temp|air|°/i],
]

/** A first guess of what the columns are, from their names; one of each. */
export function guessColumns(heading: readonly string[]): LoggerColumn[] {
  const taken = new Set<LoggerColumn>()
  return heading.map(name => {
    const found = GUESSES.find(([column, words]) => !taken.has(column) && words.test(name))
    if (!found) return 'skip'
    taken.add(found[0])
    return found[0]
  })
}

/** Degrees of a file: as its heading says, else Fahrenheit where most of a column of air would be a fever. */
export function guessUnit({ heading, rows }: LoggerTable, columns: readonly LoggerColumn[]): 'C' | 'F' {
  const names = heading.filter((_, i) => columns[i]!.endsWith('C')).join(' ')
  if (/°\s?F|\bF\b|_F\b|fahrenheit/i.test(names)) return 'F'
  if (/°\s?C|\bC\b|_C\b|celsius/i.test(names)) return 'C'
  const at = columns.findIndex(c => c === 'outsideC' || c === 'insideC' || c === 'insideMinC')
  if (at < 0) return 'C'
  const some = rows
    .slice(0, 2000)
    .map(r => numberOf(r[at] ?? ''))
    .filter(Number.isFinite)
    .sort((a, b) => a - b)
  return some.length > 0 && some[some.length >> 1]! > 45 ? 'F' : 'C'
}

function numberOf(cell: string): number {
  const plain = cell.replace(/^["'\s]+|["'\s]+$/g, '').replace(/\s*(°\s?[CF]|%|W\/m²)$/i, '')
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i.test(plain)) return NaN
  return Number(plain.replace(',', '.'))
}

/** 2027-01-31 14:00, with T or / and an offset; 31.1.2027 14:00 or 1/31/27 2:00 pm or 31-Jan-2027. */
const CLOCK = '(?:[T, ]+(\\d{1,2}):(\\d{2})(?::(\\d{2})(?:[.,]\\d+)?)?)?'
const ISO_STAMP = new RegExp(`^(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})${CLOCK}\\s*(Z|[+-]\\d{2}:?\\d{2})?$`)
const OTHER_STAMP = new RegExp(`^(\\d{1,2})[-/. ](\\d{1,2}|[A-Za-z]{3})[-/. ](\\d{2,4})${CLOCK}$`)
const MONTHS = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ')
const HALF_DAY = /\s*([ap])\.?m\.?$/i

/** A stamp: its parts on a clock, and the minutes that this runs ahead of UTC where it says so; null for none. */
function partsOf(stamp: string, dayFirst: boolean): { ms: number; offsetMin: number | null; dayOnly: boolean } | null {
  const text = stamp.trim()
  const iso = ISO_STAMP.exec(text)
  if (iso) return made([+iso[1]!, +iso[2]!, +iso[3]!], iso[4], iso[5], iso[6], iso[7], '')
  const half = HALF_DAY.exec(text)
  const plain = half ? text.slice(0, half.index) : text
  const other = OTHER_STAMP.exec(plain)
  if (!other) return null
  const [a, b] = [+other[1]!, other[2]!]
  const year = +other[3]! < 100 ? 2000 + +other[3]! : +other[3]!
  const named = MONTHS.indexOf(b.toLowerCase())
  const [month, day] = named >= 0 ? [named + 1, a] : dayFirst ? [+b, a] : [a, +b]
  return made([year, month, day], other[4], other[5], other[6], undefined, half ? half[1]!.toLowerCase() : '')
}

function made(
  [year, month, day]: [number, number, number],
  hour: string | undefined,
  minute: string | undefined,
  second: string | undefined,
  offset: string | undefined,
  half: string,
): { ms: number; offsetMin: number | null; dayOnly: boolean } | null {
  const h = half === '' ? +(hour ?? 0) : (+(hour ?? 0) % 12) + (half === 'p' ? 12 : 0)
  if (month < 1 || month > 12 || day < 1 || day > 31 || h > 24 || +(minute ?? 0) > 59) return null
  const ms = Date.UTC(year, month - 1, day, h, +(minute ?? 0), +(second ?? 0))
  const at = new Date(ms)
  if (h < 24 && at.getUTCDate() !== day) return null
  const sign = offset?.startsWith('-') ? -1 : 1
  const offsetMin =
    offset === undefined ? null : offset === 'Z' ? 0 : sign * (+offset.slice(1, 3) * 60 + +offset.slice(-2))
  return { ms, offsetMin, dayOnly: hour === undefined }
}

/** Whether dates such as 13/4/2027 stand in a column: only one reading of them can be. */
export function guessDayFirst({ rows }: LoggerTable, columns: readonly LoggerColumn[]): boolean {
  const at = columns.indexOf('time')
  if (at < 0) return true
  for (const r of rows) {
    const m = /^(\d{1,2})[-/. ](\d{1,2})[-/. ]\d{2,4}/.exec((r[at] ?? '').trim())
    if (!m) continue
    if (+m[1]! > 12) return true
    if (+m[2]! > 12) return false
  }
  return true
}

const HOUR_MS = 3_600_000

/**
 * Instants that a clock of a zone may mean by what it shows, UTC ms: one; two where an hour comes twice; where one is
 * left out, the one that it would have been.
 */
function instantsOf(zone: string): (wallMs: number) => [number, number?] {
  const byDay = new Map<number, number>()
  const ofDay = (day: number): number => {
    const known = byDay.get(day) ?? offsetH(zone, day * 24 * HOUR_MS) * HOUR_MS
    byDay.set(day, known)
    return known
  }
  return wallMs => {
    const day = Math.floor(wallMs / (24 * HOUR_MS))
    const offsets = [ofDay(day - 1), ofDay(day + 2)]
    // Days with one offset before and after have no change in them.
    if (offsets[0] === offsets[1]) return [wallMs - offsets[0]!]
    const meant = offsets.map(o => wallMs - o).filter((utc, i) => offsetH(zone, utc) * HOUR_MS === offsets[i])
    return meant.length === 2 ? [Math.min(...meant), Math.max(...meant)] : [meant[0] ?? wallMs - offsets[0]!]
  }
}

/**
 * Reads a logger's file into hours of the site's standard clock, or into days. Rows of one hour are taken together by
 * their mean; gaps, stamps that are none and an hour that comes twice are told.
 * @param standardOffsetH how far the site's standard clock runs ahead of UTC
 */
export function readLogger(table: LoggerTable, how: LoggerReading, standardOffsetH: number): ReadLogger {
  const { columns, unit } = how
  const time = columns.indexOf('time')
  if (time < 0) return { ok: false, message: 'No column is the time: say which one is.' }
  const used = columns.flatMap((c, i) => (c === 'skip' || c === 'time' ? [] : [{ column: c, at: i }]))
  if (used.length === 0) return { ok: false, message: 'No column holds a reading: say what at least one of them is.' }
  const degrees = (v: number) => (unit === 'F' ? (v - 32) / 1.8 : v)
  const value = (column: LoggerColumn, cell: string): number => {
    const v = numberOf(cell)
    return column === 'rh' ? (v > 1.05 ? v / 100 : v) : column.endsWith('C') ? degrees(v) : v
  }
  const told: string[] = []
  const byDay = used.some(u => u.column.endsWith('MinC') || u.column.endsWith('MaxC'))
  if (byDay) return readDays(table, how, time, used, value)
  const { zone } = how
  const instants =
    typeof zone === 'string' ? instantsOf(zone) : (ms: number): [number, number?] => [ms - zone * HOUR_MS]
  const hours = new Map<number, { sums: Float64Array; counts: Uint16Array }>()
  let [lost, lostLine, twice, back] = [0, 0, 0, 0]
  let lastUtc = -Infinity
  let [firstH, lastH] = [Infinity, -Infinity]
  table.rows.forEach((row, r) => {
    const parts = partsOf(row[time] ?? '', how.dayFirst)
    if (!parts) {
      if (lost++ === 0) lostLine = table.firstLine + r
      return
    }
    const [first, second] = parts.offsetMin === null ? instants(parts.ms) : [parts.ms - parts.offsetMin * 60000]
    // Where clocks go back an hour comes twice: the second time is the one after what was read before.
    const isSecond = second !== undefined && first < lastUtc
    if (isSecond) twice++
    const utc = isSecond ? second : first
    if (utc < lastUtc) back++
    lastUtc = utc
    const h = Math.floor((utc + standardOffsetH * HOUR_MS) / HOUR_MS)
    let cell = hours.get(h)
    if (!cell) {
      cell = { sums: new Float64Array(used.length), counts: new Uint16Array(used.length) }
      hours.set(h, cell)
      firstH = Math.min(firstH, h)
      lastH = Math.max(lastH, h)
    }
    for (let k = 0; k < used.length; k++) {
      const v = value(used[k]!.column, row[used[k]!.at] ?? '')
      if (Number.isNaN(v)) continue
      cell.sums[k]! += v
      cell.counts[k]!++
    }
  })
  if (hours.size === 0) {
    const stands = (table.rows[0]?.[time] ?? '').slice(0, 30)
    return {
      ok: false,
      message: `No row has a time that can be read: line ${lostLine} begins “${stands}”. Allowed: 2027-01-31 14:00.`,
    }
  }
  if (lastH - firstH > 24 * 366 * 4)
    return { ok: false, message: 'The times lie more than four years apart: look at the order of day and month.' }
  const startH = Math.floor(firstH / 24) * 24
  const log = emptyLog(startH, Math.ceil((lastH + 1 - startH) / 24) * 24)
  for (const [h, { sums, counts }] of hours)
    used.forEach((u, k) => {
      if (counts[k]! > 0) log.values[u.column as ReadingId][h - startH] = sums[k]! / counts[k]!
    })
  if (lost > 0) told.push(`${lost} rows have no time that can be read, the first in line ${lostLine}: left out.`)
  if (back > 0) told.push(`${back} rows go back in time: they are put where they belong.`)
  if (twice > 0) told.push('Clocks went back: the hour that comes twice is read as two.')
  return { ok: true, read: { log, daily: [], rows: table.rows.length - lost, told } }
}

function readDays(
  table: LoggerTable,
  how: LoggerReading,
  time: number,
  used: readonly { column: LoggerColumn; at: number }[],
  value: (column: LoggerColumn, cell: string) => number,
): ReadLogger {
  const daily: DailyReading[] = []
  let [lost, lostLine] = [0, 0]
  table.rows.forEach((row, r) => {
    const parts = partsOf(row[time] ?? '', how.dayFirst)
    if (!parts) {
      if (lost++ === 0) lostLine = table.firstLine + r
      return
    }
    const day: DailyReading = {
      date: new Date(parts.ms).toISOString().slice(0, 10),
      insideMinC: null,
      insideMaxC: null,
      outsideMinC: null,
      outsideMaxC: null,
      soilC: null,
      waterC: null,
      rh: null,
    }
    for (const { column, at } of used) {
      const v = value(column, row[at] ?? '')
      if (!Number.isNaN(v) && column in day) day[column as Exclude<keyof DailyReading, 'date'>] = v
    }
    daily.push(day)
  })
  if (daily.length === 0)
    return { ok: false, message: `No row has a day that can be read, the first of them in line ${lostLine}.` }
  const told = lost > 0 ? [`${lost} rows have no day that can be read, the first in line ${lostLine}.`] : []
  return { ok: true, read: { log: null, daily, rows: daily.length, told } }
}

/** A whole file as its own words say it is to be read: what the command line does. */
export function readLoggerFile(text: string, zone: string | number, standardOffsetH: number): ReadLogger {
  const cut = loggerTable(text)
  if (!cut.ok) return cut
  const columns = guessColumns(cut.table.heading)
  const unit = guessUnit(cut.table, columns)
  const dayFirst = guessDayFirst(cut.table, columns)
  return readLogger(cut.table, { columns, unit, zone, dayFirst }, standardOffsetH)
}
