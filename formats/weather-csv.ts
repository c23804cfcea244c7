import { SOLAR_CONSTANT } from '../core/physics/constants'
import Papa from 'papaparse'
import { DAYS, dewPointC, HOURS, MONTH_DAYS, MONTH_START, skyInfraredWm2, standardPressurePa } from '../core/climate'
import { splitGlobal } from '../core/climate/radiation'
import { makeSunYear } from '../core/climate/sun-year'
import type { HourlyClimate } from '../core/design'
import { crossGaps } from './gaps'
import { unsoundHours } from './sound-hours'

/**
 * What a column of hourly weather may hold, with its range and the words for it. Time may be one column (date and time)
 * or left out for rows in order.
 */
export const CSV_QUANTITIES = {
  time: { name: 'date and time', min: 0, max: 0 },
  dryBulbC: { name: 'air temperature, °C', min: -70, max: 70 },
  dewPointC: { name: 'dew point, °C', min: -80, max: 50 },
  humidity: { name: 'relative humidity, %', min: 0, max: 105 },
  globalWm2: { name: 'global horizontal radiation, W/m²', min: 0, max: 1600 },
  beamWm2: { name: 'beam radiation facing the sun, W/m²', min: 0, max: 1500 },
  diffuseWm2: { name: 'diffuse horizontal radiation, W/m²', min: 0, max: 1200 },
  pressurePa: { name: 'pressure, Pa', min: 30000, max: 110000 },
  windMs: { name: 'wind speed, m/s', min: 0, max: 80 },
  cloud: { name: 'cloud cover, 0–1', min: 0, max: 1 },
  snowM: { name: 'snow depth, m', min: 0, max: 20 },
} as const
export type CsvQuantity = keyof typeof CSV_QUANTITIES

/** Which column (0-based) holds what. Air temperature and global radiation must be there. */
export type CsvMapping = Partial<Record<CsvQuantity, number>>

export interface CsvSite {
  latitudeDeg: number
  longitudeDeg: number
  standardOffsetH: number
  elevationM: number
}

export interface CsvTable {
  heading: string[]
  rows: string[][]
  /** Line of the file of the first row. */
  firstLine: number
}

export type ReadCsvTable = { ok: true; table: CsvTable } | { ok: false; message: string }
export type ReadWeatherCsv = { ok: true; climate: HourlyClimate } | { ok: false; message: string }

/** Longest run of missing hours that a straight line may cross. */
const LONGEST_GAP_H = 6
const LARGEST = 20_000_000

/**
 * Cuts a table of hourly weather into heading and rows: comma, semicolon or tab, decimal commas where the separator is
 * not one.
 */
export function readCsvTable(text: string): ReadCsvTable {
  if (text.length > LARGEST)
    return { ok: false, message: `The file is ${Math.round(text.length / 1e6)} MB; tables up to 20 MB are read.` }
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [';', '\t', ',', '|'],
  })
  const rows = parsed.data.map(r => r.map(c => c.trim()))
  const first = rows.findIndex(r => r.length > 1)
  if (first < 0) return { ok: false, message: 'There is no table in this file: no line has two columns or more.' }
  // A heading has no number beyond its first field.
  const named = !rows[first]!.slice(1).some(c => Number.isFinite(numberOf(c)))
  return {
    ok: true,
    table: {
      heading: named ? rows[first]! : rows[first]!.map((_, i) => `column ${i + 1}`),
      rows: rows.slice(first + (named ? 1 : 0)),
      firstLine: first + (named ? 2 : 1),
    },
  }
}

const GUESSES: [CsvQuantity, RegExp][] = [
  ['time', /time|date|stamp|hour|datum|zeit|fecha/i],
  ['dewPointC', /dew/i],
  ['humidity', /humid|\brh\b/i],
  ['beamWm2', /\bdni\b|beam|direct/i],
  ['diffuseWm2', /\bdhi\b|diffuse/i],
  ['globalWm2', /\bghi\b|global|solar|radiation/i],
  ['pressurePa', /press/i],
  ['windMs', /wind(?!.*dir)/i],
  ['cloud', /cloud/i],
  ['snowM', /snow/i],
  ['dryBulbC', /temp|dry|\bt\b|air/i],
]

/** A first guess at which column holds what, from the heading's words. */
export function guessMapping(heading: readonly string[]): CsvMapping {
  const mapping: CsvMapping = {}
  heading.forEach((name, i) => {
    const found = GUESSES.find(([quantity, words]) => mapping[quantity] === undefined && words.test(name))
    if (found) mapping[found[0]] = i
  })
  return mapping
}

/**
 * A number as it is typed in tables, with a point or a comma; NaN for what is none, and for the usual words for
 * “missing”.
 */
function numberOf(cell: string): number {
  const plain = cell.replace(/^["']|["']$/g, '').trim()
  if (plain === '' || /^(nan|na|n\/a|null|none|-+|-?999+(\.0+)?)$/i.test(plain)) return NaN
  return /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain.replace(',', '.')) : NaN
}

/**
 * Hour of the nominal year that a stamp begins, −1 for 29 February, NaN for none. ISO (2027-01-31 14:00, with T or /)
 * and day.month.year.
 */
function hourOf(stamp: string): number {
  const iso = /^(\d{4})[-/](\d{1,2})[-/](\d{1,2})[T ]+(\d{1,2})(?::(\d{2}))?/.exec(stamp)
  const other = iso ? null : /^(\d{1,2})[./](\d{1,2})[./](\d{2,4})[T, ]+(\d{1,2})(?::(\d{2}))?/.exec(stamp)
  const [month, day, hour] = iso
    ? [Number(iso[2]), Number(iso[3]), Number(iso[4])]
    : other
      ? [Number(other[2]), Number(other[1]), Number(other[4])]
      : [NaN, NaN, NaN]
  if (month === 2 && day === 29) return -1
  if (!(month >= 1 && month <= 12 && day >= 1 && day <= MONTH_DAYS[month - 1]! && hour >= 0 && hour <= 24)) return NaN
  return (MONTH_START[month - 1]! + day - 1) * 24 + Math.min(23, hour)
}

/**
 * A year of weather from a table. Rows begin their hour, in local standard time; a leap day is left out; gaps up to six
 * hours are crossed by straight lines and counted in the notes, a longer one is refused with its place.
 */
export function readWeatherCsv(table: CsvTable, mapping: CsvMapping, site: CsvSite, fileName: string): ReadWeatherCsv {
  const no = (message: string): ReadWeatherCsv => ({ ok: false, message })
  for (const must of ['dryBulbC', 'globalWm2'] as const) {
    if (
      mapping[must] === undefined &&
      !(must === 'globalWm2' && mapping.beamWm2 !== undefined && mapping.diffuseWm2 !== undefined)
    )
      return no(`No column is chosen for ${CSV_QUANTITIES[must].name}.`)
  }
  const series = new Map<CsvQuantity, Float64Array>()
  for (const q of Object.keys(mapping) as CsvQuantity[])
    if (q !== 'time' && mapping[q] !== undefined) series.set(q, new Float64Array(HOURS).fill(NaN))
  const lineAt = new Int32Array(HOURS)
  let next = 0
  for (let i = 0; i < table.rows.length; i++) {
    const row = table.rows[i]!
    const line = table.firstLine + i
    let hour = next
    if (mapping.time !== undefined) {
      hour = hourOf(row[mapping.time] ?? '')
      if (Number.isNaN(hour))
        return no(
          `Line ${line}: “${row[mapping.time] ?? ''}” is not a date and time such as 2027-01-31 14:00 or ` +
            `31.1.2027 14:00.`,
        )
      if (hour < 0) continue
      if (lineAt[hour]! > 0)
        return no(`Line ${line} stands for the same hour as line ${lineAt[hour]}; one row an hour is read.`)
    } else if (hour >= HOURS)
      return no(
        `There are more than ${HOURS} rows: at line ${line} the year is over. Choose the column of dates, ` +
          `or leave out the leap day.`,
      )
    lineAt[hour] = line
    next = hour + 1
    for (const [q, values] of series) {
      const cell = row[mapping[q]!] ?? ''
      const value = numberOf(cell)
      const { min, max, name } = CSV_QUANTITIES[q]
      if (Number.isNaN(value)) {
        if (cell !== '' && !/^(nan|na|n\/a|null|none|-+|-?999+(\.0+)?)$/i.test(cell))
          return no(`Line ${line}: the ${name} “${cell}” is not a number.`)
        continue
      }
      if (value < min || value > max) return no(`Line ${line}: the ${name} is ${value}; allowed is ${min} to ${max}.`)
      values[hour] = value
    }
  }
  const notes: string[] = []
  for (const [q, values] of series) {
    const filled = crossGaps(values)
    if (filled.longest > LONGEST_GAP_H) {
      const day = Math.floor(filled.at / 24)
      const before = filled.at > 0 ? lineAt[filled.at - 1]! : 0
      return no(
        `The ${CSV_QUANTITIES[q].name} is missing for ${filled.longest} hours from day ${day + 1} of the ` +
          `year${before > 0 ? `, after line ${before}` : ''}; gaps up to ${LONGEST_GAP_H} hours are filled, ` +
          `and a full year of ${DAYS} days is needed.`,
      )
    }
    if (filled.count > 0)
      notes.push(`${filled.count} missing hours of ${CSV_QUANTITIES[q].name} were filled by straight lines.`)
  }
  const climate = complete(series, site, fileName, notes)
  const unsound = unsoundHours(climate)
  return unsound ? no(unsound) : { ok: true, climate }
}

function complete(
  series: Map<CsvQuantity, Float64Array>,
  site: CsvSite,
  source: string,
  notes: string[],
): HourlyClimate {
  const sun = makeSunYear(site.latitudeDeg, site.longitudeDeg, site.standardOffsetH)
  const has = (q: CsvQuantity) => series.has(q)
  if (!has('dewPointC'))
    notes.push(has('humidity') ? 'Dew point from relative humidity.' : 'Dew point is estimated: 3 K below the air.')
  if (!has('windMs')) notes.push('Wind is a typical breeze of 2.5 m/s.')
  if (!has('cloud')) notes.push('Cloud is taken as half cover.')
  if (!has('beamWm2') || !has('diffuseWm2')) notes.push('Beam and diffuse are split from global (Erbs).')
  notes.push('Sky radiation is estimated from dew point and cloud (Berdahl–Martin).')
  const out: HourlyClimate = {
    kind: 'hourly',
    source,
    notes,
    dryBulbC: [],
    dewPointC: [],
    pressurePa: [],
    globalWm2: [],
    beamWm2: [],
    diffuseWm2: [],
    skyInfraredWm2: [],
    windMs: [],
    cloud: [],
    ...(has('snowM') ? { snowM: Array.from(series.get('snowM')!) } : {}),
  }
  const at = (q: CsvQuantity, h: number) => series.get(q)?.[h] ?? NaN
  const put = (list: number[], v: number, digits: number) => list.push(Math.round(v * 10 ** digits) / 10 ** digits)
  for (let h = 0; h < HOURS; h++) {
    const t = at('dryBulbC', h)
    const dew = Math.min(
      t,
      has('dewPointC')
        ? at('dewPointC', h)
        : has('humidity')
          ? dewPointC(t, Math.max(1, at('humidity', h)) / 100)
          : t - 3,
    )
    const pressure = has('pressurePa') ? at('pressurePa', h) : standardPressurePa(site.elevationM)
    const cloud = has('cloud') ? at('cloud', h) : 0.5
    const up = Math.max(0, Math.sin((sun.altitudeDeg[h]! * Math.PI) / 180))
    const global = has('globalWm2') ? at('globalWm2', h) : at('beamWm2', h) * up + at('diffuseWm2', h)
    const split = splitGlobal(global, sun.altitudeDeg[h]!, SOLAR_CONSTANT)
    const beam = has('beamWm2') ? at('beamWm2', h) : split.beam
    put(out.dryBulbC, t, 2)
    put(out.dewPointC, dew, 2)
    put(out.pressurePa, pressure, 0)
    put(out.globalWm2, global, 1)
    put(out.beamWm2, beam, 1)
    put(out.diffuseWm2, has('diffuseWm2') ? at('diffuseWm2', h) : Math.max(0, global - beam * up), 1)
    put(out.skyInfraredWm2, skyInfraredWm2(t, dew, cloud, (h % 24) + 0.5, pressure), 1)
    put(out.windMs, has('windMs') ? at('windMs', h) : 2.5, 2)
    put(out.cloud, cloud, 2)
  }
  return out
}
