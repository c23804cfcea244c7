import { alike, guessColumns, isDegrees, isReading, unitOfHeading, type LoggerColumn } from './columns'
import { guessDecimalComma, numberOf } from './readings'
import { isClock, partsOf, stampReader } from './stamps'
import type { LoggerTable } from './table'

/** How a file is to be read. */
export interface LoggerReading {
  columns: LoggerColumn[]
  /** Of the degrees of each column. */
  units: ('C' | 'F')[]
  /** Of its clock where a stamp has no offset of its own: an IANA name (summer time counts), or hours ahead of UTC. */
  zone: string | number
  /** Of dates such as 3/4/2027: which comes first. */
  dayFirst: boolean
  decimalComma: boolean
}

/** How a file is likely meant, and what of that a person should look at, in sentences. */
export interface Guessed {
  how: Omit<LoggerReading, 'zone'>
  doubts: string[]
}

export function guessReading(table: LoggerTable): Guessed {
  const doubts: string[] = []
  const { heading, sample } = table
  const columns = guessColumns(heading)
  const cells = (i: number) => sample.map(r => r[i] ?? '')
  placeTime(table, columns)
  if (!columns.some(isReading)) {
    const numeric = (i: number) => sample.filter(r => Number.isFinite(numberOf(r[i] ?? '', true))).length
    const found = heading.findIndex((_, i) => columns[i] === 'skip' && numeric(i) > sample.length / 2)
    if (found >= 0) {
      columns[found] = 'insideC'
      doubts.push(`Nothing says what “${heading[found]}” is: air inside is taken.`)
    }
  }
  const dayFirst = guessDayFirst(table, columns)
  if (dayFirst === null) {
    const seen = cells(columns.indexOf('time'))[0]?.trim() ?? ''
    doubts.push(`“${seen}” may begin with the day or with the month: the day is taken. Look at the first rows.`)
  }
  for (const i of alike(heading, columns))
    doubts.push(
      `“${heading[i]}” is named like a column that is taken already: it is left out unless you say what it is.`,
    )
  const values = columns.flatMap((c, i) => (isReading(c) ? cells(i) : []))
  const decimalComma = guessDecimalComma(values)
  const units = guessUnits(table, columns, decimalComma, doubts)
  return { how: { columns, units, dayFirst: dayFirst ?? true, decimalComma }, doubts }
}

/** Finds the time where no heading names it, and the clock beside a day. */
function placeTime({ heading, sample }: LoggerTable, columns: LoggerColumn[]): void {
  const some = sample.slice(0, 50)
  const mostly = (i: number, is: (cell: string) => boolean) =>
    some.filter(r => is(r[i] ?? '')).length > Math.max(0, some.length * 0.6)
  const isStamp = (c: string) => partsOf(c, true) !== null || partsOf(c, false) !== null
  const isFree = (i: number) => columns[i] === 'skip' || columns[i] === 'time' || columns[i] === 'clock'
  let at = columns.indexOf('time')
  if (at < 0 || !mostly(at, isStamp)) {
    const found = heading.findIndex((_, i) => isFree(i) && mostly(i, isStamp))
    if (found >= 0) {
      // What is called time and holds an hour alone is the clock.
      if (at >= 0) columns[at] = mostly(at, isClock) ? 'clock' : 'skip'
      columns[found] = 'time'
      at = found
    }
  }
  if (at < 0) return
  const isDay = (c: string) => (partsOf(c, true) ?? partsOf(c, false))?.dayOnly === true
  const named = columns.indexOf('clock')
  if (!mostly(at, isDay)) {
    if (named >= 0) columns[named] = 'skip'
    return
  }
  const clock = heading.findIndex((_, i) => i !== at && isFree(i) && mostly(i, isClock))
  if (named >= 0 && named !== clock) columns[named] = 'skip'
  if (clock >= 0) columns[clock] = 'clock'
}

/** Which comes first in dates such as 3/4/2027: as only one can be, or keeps to one direction; null for open. */
export function guessDayFirst({ sample }: LoggerTable, columns: readonly LoggerColumn[]): boolean | null {
  const at = columns.indexOf('time')
  const dates = sample.flatMap(r => {
    const m = /^(\d{1,2})[-/. ]+(\d{1,2})[-/. ]+\d{2,4}/.exec((r[at] ?? '').trim())
    return m ? [{ cell: r[at]!, a: +m[1]!, b: +m[2]!, dots: /^\d+\./.test(r[at]!.trim()) }] : []
  })
  if (at < 0 || dates.length === 0) return true
  if (dates.some(d => d.a > 12)) return true
  if (dates.some(d => d.b > 12)) return false
  // Dots are written where the day comes first.
  if (dates[0]!.dots) return true
  const turns = (dayFirst: boolean) => {
    const ms = dates.map(d => partsOf(d.cell, dayFirst)?.ms ?? NaN)
    const steps = ms.slice(1).map((v, i) => Math.sign(v - ms[i]!))
    const span = Math.max(...ms) - Math.min(...ms)
    return { up: steps.filter(s => s > 0).length, down: steps.filter(s => s < 0).length, span }
  }
  const [day, month] = [turns(true), turns(false)]
  const against = (t: { up: number; down: number }) => Math.min(t.up, t.down)
  if (against(day) !== against(month)) return against(day) < against(month)
  if (dates.some(d => d.a !== d.b) && new Set(dates.map(d => `${d.a}/${d.b}`)).size > 3 && day.span !== month.span)
    return day.span < month.span
  return dates.every(d => d.a === d.b) ? true : null
}

/** Degrees of each column: as its heading says, else Fahrenheit where most of a column would be a fever. */
function guessUnits(
  { heading, sample }: LoggerTable,
  columns: readonly LoggerColumn[],
  decimalComma: boolean,
  doubts: string[],
): ('C' | 'F')[] {
  const said = heading.map(unitOfHeading)
  const ofFile = said.find((u, i) => u !== null && isDegrees(columns[i]!)) ?? null
  const cellUnit = (i: number): 'C' | 'F' | null => {
    const cell = sample.find(r => /°\s?[CF]\s*"?$/i.test(r[i] ?? ''))?.[i]
    return cell ? (/f\s*"?$/i.test(cell) ? 'F' : 'C') : null
  }
  let isOpen = false
  const units = columns.map((column, i): 'C' | 'F' => {
    if (!isDegrees(column)) return 'C'
    const known = said[i] ?? cellUnit(i) ?? ofFile
    if (known) return known
    const some = sample
      .map(r => numberOf(r[i] ?? '', decimalComma))
      .filter(Number.isFinite)
      .sort((a, b) => a - b)
    const middle = some[some.length >> 1] ?? 0
    // Under a roof a median of 30 to 45 may be either.
    if (middle > 28 && middle <= 45) isOpen = true
    return middle > 45 ? 'F' : 'C'
  })
  if (isOpen) doubts.push('Nothing says whether the degrees are °C or °F: °C is taken. Look at the first rows.')
  return units
}

/** Whether the newest row comes first. */
export function isNewestFirst({ sample }: LoggerTable, how: LoggerReading): boolean {
  const read = stampReader(how.dayFirst)
  const [at, clock] = [how.columns.indexOf('time'), how.columns.indexOf('clock')]
  const ms = sample.flatMap(r => read(r[at] ?? '', clock < 0 ? null : (r[clock] ?? ''))?.ms ?? [])
  let balance = 0
  for (let i = 1; i < ms.length; i++) balance += Math.sign(ms[i]! - ms[i - 1]!)
  return balance < 0
}
