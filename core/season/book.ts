import { CROPS } from '../catalog'
import {
  choice,
  count,
  entryOf,
  flag,
  group,
  list,
  number,
  orNull,
  plain,
  share,
  temperature,
  text,
  type Value,
} from '../design/field'
import { isDate } from '../design/fields/build'
import { validatorOf } from '../design/validate'
import { filled } from '../design/complete'
import type { Fault } from '../design/types'
import { ownLog, wholeLog, type Intake } from './intake'
import { emptyLog, LONGEST_H, READING_IDS, READINGS, type DailyReading, type HourlyLog, type ReadingId } from './log'

/** A day of the calendar, such as 2027-01-09. */
const date = (label: string) =>
  text(10, {
    label,
    check: v => (isDate(v) ? null : [`“${v}” is not a day`, 'a day of the calendar such as 2027-01-09']),
  })
const note = (label: string, longest = 400) => text(longest, { least: 0, start: '', label })
const readC = (label: string) => orNull(temperature(-70, 80, { step: 0.1, none: 'not read', label }), { start: null })

/** Lists of a book hold no more than this: a few years of days. */
const MOST = 2000

/** What somebody keeps of a season, beside the readings of loggers. */
export const BOOK = group(
  {
    days: list(
      group({
        date: date('Day'),
        insideMinC: readC('Lowest inside'),
        insideMaxC: readC('Highest inside'),
        outsideMinC: readC('Lowest outside'),
        outsideMaxC: readC('Highest outside'),
        soilC: readC('Soil of the beds'),
        waterC: readC('Water inside'),
        rh: orNull(share(0, 1, { none: 'not read', label: 'Humidity inside' }), { start: null }),
      }),
      0,
      MOST,
      { start: [], label: 'Read by the day' },
    ),
    changes: list(group({ on: date('Day'), what: note('What was changed') }), 0, 200, {
      start: [],
      label: 'Changes to the house',
    }),
    notes: list(group({ on: date('Day'), text: note('Note', 600), picture: note('Picture', 200_000) }), 0, 400, {
      start: [],
      label: 'Notes',
    }),
    done: list(group({ on: date('Day'), task: text(80, { label: 'Task' }), night: flag({ start: false }) }), 0, MOST, {
      start: [],
      label: 'Done',
      about: 'tasks of the season, and what was done for a night',
    }),
    moved: list(group({ task: text(80, { label: 'Task' }), to: date('Put off to') }), 0, 200, {
      start: [],
      label: 'Tasks that were moved',
    }),
    crops: list(
      group({
        id: text(40, { label: 'Row' }),
        crop: entryOf(CROPS, { label: 'Crop' }),
        bed: orNull(count(0, 39, { label: 'Bed' }), { start: null }),
        sownOn: orNull(date('Sown'), { start: null }),
        plantedOn: orNull(date('Planted'), { start: null }),
        firstOn: orNull(date('First harvest'), { start: null }),
        lastOn: orNull(date('Last harvest'), { start: null }),
        kg: plain(0, 100_000, { start: 0, unit: 'kg', label: 'Harvested so far' }),
        perKg: plain(0, 10_000, { start: 0, label: 'Worth, each kg' }),
        note: note('Pests and notes'),
      }),
      0,
      300,
      { start: [], label: 'Crops' },
    ),
    water: group(
      {
        rainMm: list(plain(0, 2000, { unit: 'mm' }), 0, 12, {
          start: [],
          label: 'Rain by month',
          about: 'January first; none while nobody has said it',
        }),
        tankL: plain(0, 100_000, { start: 1000, unit: 'L', label: 'Rain tank holds' }),
        startShare: share(0, 1, { start: 0.5, label: 'Full on 1 January' }),
        dripLh: plain(1, 10_000, { start: 60, unit: 'L/h', label: 'All drip lines together give' }),
      },
      { label: 'Water' },
    ),
    alarm: group(
      {
        on: flag({ start: false, label: 'Alarm' }),
        lowC: temperature(-30, 30, { start: 2, step: 0.5, label: 'Colder inside than' }),
        highC: temperature(10, 60, { start: 38, step: 0.5, label: 'Warmer inside than' }),
        sound: flag({ start: true, label: 'With a sound' }),
        log: list(group({ at: text(40, { label: 'When' }), what: note('What') }), 0, 500, { start: [] }),
      },
      { label: 'Alarm' },
    ),
    forecast: list(
      group({
        date: date('Day'),
        lowC: temperature(-70, 40, { label: 'Low of the night' }),
        highC: temperature(-60, 55, { label: 'High of the day' }),
        sky: choice(
          [
            { id: 'clear', name: 'clear' },
            { id: 'fair', name: 'fair' },
            { id: 'dull', name: 'dull' },
          ],
          { start: 'fair', label: 'Sky' },
        ),
        windMs: number('speed', 0, 60, { start: 2.5, label: 'Wind' }),
        snow: flag({ start: false, label: 'Snow' }),
      }),
      0,
      10,
      { start: [], label: 'Forecast', about: 'as it was typed; none: of the simulated service' },
    ),
  },
  { label: 'Season book' },
)
export type Written = Value<typeof BOOK>
export type BookCrop = Written['crops'][number]
export type BookForecast = Written['forecast'][number]

/** A season book: what was written into it, and what loggers read. */
export interface Book {
  written: Written
  /** All readings by the hour. */
  log: HourlyLog | null
  /** Files that were taken in, whose readings are in the log; left out where none is known. */
  intakes?: Intake[]
  /** With them: the readings that are of none of them. */
  own?: HourlyLog | null
}

export const emptyBook = (): Book => ({ written: filled(BOOK, {}) as Written, log: null })

const faultsOfWritten = validatorOf(BOOK)
/** Faults of what is written; empty where all is sound. */
export const bookFaults = (written: Written): Fault[] => faultsOfWritten(written)

/** A file that was taken in is kept as it is while it packs to so many letters. */
export const LONGEST_SOURCE = 2_000_000

/** A log of hours as files hold it: only columns that have a reading, to the hundredth; null for none. */
export interface PackedLog {
  /** Hours from 1 January 1970 by the site's standard clock. */
  startH: number
  values: Partial<Record<ReadingId, (number | null)[]>>
}
export interface PackedBook {
  /** 2 where files that were taken in are known. */
  version: 1 | 2
  written: Written
  log: PackedLog | null
  intakes?: PackedIntake[]
}
type PackedIntake = Omit<Intake, 'log'> & { log: PackedLog | null }

function packLog(log: HourlyLog | null): PackedLog | null {
  if (!log) return null
  const columns = READING_IDS.filter(id => log.values[id].some(v => !Number.isNaN(v))).map(id => [
    id,
    Array.from(log.values[id], v => (Number.isNaN(v) ? null : Math.round(v * 100) / 100)),
  ])
  return { startH: log.startH, values: Object.fromEntries(columns) as PackedLog['values'] }
}

export function packBook(book: Book): PackedBook {
  const { written, intakes } = book
  if (!intakes || intakes.length === 0) return { version: 1, written, log: packLog(book.log) }
  const packed = intakes.map(intake => ({ ...intake, log: packLog(intake.log) }))
  return { version: 2, written, log: packLog(ownLog(book)), intakes: packed }
}

const isTree = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)

type Unpacked<T> = { ok: true; value: T } | { ok: false; faults: Fault[] }
const refuse = (path: string, message: string, allowed: string): { ok: false; faults: Fault[] } => ({
  ok: false,
  faults: [{ path, message, allowed }],
})

/** A book out of a file; what can't be one comes back as faults, and nothing of it is taken. */
export function unpackBook(given: unknown): { ok: true; book: Book } | { ok: false; faults: Fault[] } {
  if (!isTree(given)) return refuse('book', 'is not a season book', 'one exported by Tierra')
  if (typeof given.version === 'number' && given.version > 2)
    return refuse('book.version', `is ${given.version}, from a newer Tierra`, 'version 1 or 2')
  if (given.version !== 1 && given.version !== 2)
    return refuse('book', 'is not a season book', 'one exported by Tierra')
  const written = filled(BOOK, isTree(given.written) ? given.written : {}) as Written
  const faults = faultsOfWritten(written)
  if (faults.length > 0) return { ok: false, faults: faults.map(f => ({ ...f, path: `book.${f.path}` })) }
  const own = unpackLog(given.log, 'book.log')
  if (!own.ok) return own
  if (given.version === 1 || given.intakes === undefined) return { ok: true, book: { written, log: own.value } }
  const intakes = unpackIntakes(given.intakes)
  if (!intakes.ok) return intakes
  const log = wholeLog(own.value, intakes.value)
  if (log !== null && 'fault' in log) return refuse('book.intakes', log.fault, `up to ${LONGEST_H} hours in all`)
  return { ok: true, book: { written, log, own: own.value, intakes: intakes.value } }
}

/** A book knows no more files than this, and none of them by a longer text. */
const MOST_INTAKES = 200
const isText = (v: unknown, longest: number): v is string => typeof v === 'string' && v.length <= longest

function unpackIntakes(given: unknown): Unpacked<Intake[]> {
  if (!Array.isArray(given) || given.length > MOST_INTAKES)
    return refuse('book.intakes', 'is not a list of files', `up to ${MOST_INTAKES}`)
  const value: Intake[] = []
  for (const [i, its] of given.entries()) {
    const path = `book.intakes[${i}]`
    if (!isTree(its) || !isText(its.id, 40) || !isText(its.name, 200) || !isText(its.at, 40))
      return refuse(path, 'is no file that was taken in', 'an id, a name and when it came')
    const told = Array.isArray(its.told) ? its.told.filter(t => isText(t, 600)).slice(0, 20) : []
    if (its.source !== null && !isText(its.source, LONGEST_SOURCE))
      return refuse(`${path}.source`, 'is no packed file', `up to ${LONGEST_SOURCE} letters, or null`)
    const log = unpackLog(its.log, `${path}.log`)
    if (!log.ok) return log
    const days: DailyReading[][] = []
    for (const name of ['days', 'replaced'] as const) {
      const read = filled(BOOK, { days: its[name] ?? [] }) as Written
      const faults = faultsOfWritten(read)
      if (faults.length > 0) return { ok: false, faults: faults.map(f => ({ ...f, path: `${path}.${f.path}` })) }
      days.push([...read.days])
    }
    const { id, name, at, how, source } = its as unknown as Intake
    value.push({ id, name, at, how, told, log: log.value, days: days[0]!, replaced: days[1]!, source })
  }
  return { ok: true, value }
}

function unpackLog(packed: unknown, path: string): Unpacked<HourlyLog | null> {
  if (packed === null || packed === undefined) return { ok: true, value: null }
  if (!isTree(packed) || !Number.isInteger(packed.startH) || !isTree(packed.values))
    return refuse(path, 'is not a log', 'a first hour and columns of readings')
  const columns = Object.entries(packed.values)
  const hours = columns.length > 0 && Array.isArray(columns[0]![1]) ? columns[0]![1].length : 0
  if (hours > LONGEST_H) return refuse(path, 'is longer than four years', `up to ${LONGEST_H} hours`)
  const log = emptyLog(packed.startH as number, hours)
  for (const [id, column] of columns) {
    if (!(id in READINGS)) return refuse(`${path}.${id}`, 'is no reading', READING_IDS.join(', '))
    if (!Array.isArray(column) || column.length !== hours)
      return refuse(`${path}.${id}`, 'is not as long as the others', `${hours} hours`)
    const { low, high } = READINGS[id as ReadingId]
    for (let i = 0; i < hours; i++) {
      const v: unknown = column[i]
      if (v === null) continue
      if (typeof v !== 'number' || !(v >= low && v <= high))
        return refuse(`${path}.${id}[${i}]`, `${JSON.stringify(v)} is not a reading`, `${low} to ${high}, or null`)
      log.values[id as ReadingId][i] = v
    }
  }
  return { ok: true, value: hours > 0 ? log : null }
}
