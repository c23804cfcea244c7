import { MONTH_DAYS, MONTH_NAMES } from '../core/climate/types'
import type { NormalsClimate } from '../core/design'
import { climateFaults } from '../core/design/fields/climate'
import { parseNumber } from '../core/units'
import { parseNormalsTable } from './normals-table'

/** Figures of a climate that were found in a table, and what they are in words. */
export type ClimateTable = { ok: true; climate: NormalsClimate; took: string[] } | { ok: false; message: string }

type Figure = Exclude<keyof NormalsClimate, 'kind' | 'at' | 'illustrative'>
/** Twelve values of a row or a column as they were read (NaN: none), the year's if it stands behind them. */
interface Series {
  label: string
  values: number[]
  ofYear: number | null
}

const celsius = (label: string, reader: 'C' | 'F') => {
  const unit = /°\s*([CF])\b|\b(C)elsius\b|\b(F)ahrenheit\b/i.exec(label)
  const letter = (unit?.[1] ?? unit?.[2] ?? unit?.[3] ?? reader).toUpperCase()
  return (v: number) => Math.round((letter === 'F' ? (v - 32) / 1.8 : v) * 100) / 100
}
/** Monthly totals as daily means, where they are too large to be of a day. */
const byDay = (values: readonly number[], mostOfDay: number): number[] =>
  Math.max(...values) > mostOfDay ? values.map((v, m) => v / MONTH_DAYS[m]!) : [...values]

/** What a label may say, the more special first; and how its numbers become a climate's. */
const KINDS: readonly {
  figure: Figure
  words: string
  label: RegExp
  of: (series: Series, reader: 'C' | 'F') => number[] | number | null
}[] = [
  {
    figure: 'designLowC',
    words: 'the record low',
    label: /(record|absolute|extreme).*(low|min)|lowest (ever|recorded)/i,
    of: ({ label, values }, reader) => Math.min(...values.map(celsius(label, reader))),
  },
  {
    figure: 'designHighC',
    words: 'the record high',
    label: /(record|absolute|extreme).*(high|max)|highest (ever|recorded)/i,
    of: ({ label, values }, reader) => Math.max(...values.map(celsius(label, reader))),
  },
  {
    figure: 'meanYearlyLowC',
    words: 'the mean of each year’s lowest',
    label: /^mean (annual |yearly |monthly )?min(imum)?\b/i,
    of: ({ label, values, ofYear }, reader) => {
      const c = celsius(label, reader)
      return ofYear === null ? Math.min(...values.map(c)) : c(ofYear)
    },
  },
  // Means of each month's highest, and of days and nights together: of no use here.
  { figure: 'highC', words: '', label: /^mean (annual |yearly |monthly )?max(imum)?\b/i, of: () => null },
  { figure: 'lowC', words: '', label: /daily mean|mean temp|average temp/i, of: () => null },
  { figure: 'snowDays', words: '', label: /snowfall|snowy days/i, of: () => null },
  {
    figure: 'snowDays',
    words: 'days with snow lying',
    label: /snow.*(lying|cover|ground|depth)|days.*snow/i,
    of: ({ values }) => values.map((v, m) => Math.min(MONTH_DAYS[m]!, Math.round(v))),
  },
  { figure: 'highC', words: '', label: /precip|rain|snow/i, of: () => null },
  {
    figure: 'humidity',
    words: 'humidity',
    label: /humidity/i,
    of: ({ values }) => values.map(v => (Math.max(...values) > 1.5 ? v / 100 : v)),
  },
  {
    figure: 'sunshineH',
    words: 'sunshine',
    label: /sun(shine| hours)?\b/i,
    of: ({ label, values }) => (/percent|%|possible/i.test(label) ? null : byDay(values, 24).map(round2)),
  },
  {
    figure: 'globalJm2',
    words: 'sun on level ground',
    label: /radiation|irradiation|insolation|kwh\/m/i,
    of: ({ label, values }) => {
      if (/w\/m/i.test(label) && !/kwh/i.test(label)) return values.map(v => v * 86_400)
      const each = /mj/i.test(label) ? 1e6 : 3.6e6
      return byDay(values, each === 1e6 ? 45 : 12).map(v => v * each)
    },
  },
  {
    figure: 'windMs',
    words: 'wind',
    label: /wind/i,
    of: ({ label, values }) => {
      const each = /km\/?h|kph/i.test(label)
        ? 1 / 3.6
        : /mph|mi\/h/i.test(label)
          ? 0.44704
          : /kn/i.test(label)
            ? 0.5144
            : 1
      return values.map(v => round2(v * each))
    },
  },
  {
    figure: 'highC',
    words: 'daily highs',
    label: /high|max/i,
    of: ({ label, values }, reader) => values.map(celsius(label, reader)),
  },
  {
    figure: 'lowC',
    words: 'daily lows',
    label: /low|min/i,
    of: ({ label, values }, reader) => values.map(celsius(label, reader)),
  },
]
const round2 = (v: number) => Math.round(v * 100) / 100
const kindOf = (label: string) => KINDS.find(k => k.label.test(label.replace(/^average\s+/i, '')))

const EMPTY = /^(?:[-–—−]|n\/?a|trace|tr)?$/i
/** A cell's number: the first where two units stand in one. NaN for none, null for what is no number at all. */
function cellValue(cell: string): number | null {
  const text = cell
    .replace(/\([^)]*\)/g, '')
    .replace(/[°º]\s*[CF]?$/i, '')
    .trim()
  if (EMPTY.test(text)) return NaN
  const parsed = parseNumber(text.replace(/^(-?\d{1,3}),(\d{3})(\.\d+)?$/, '$1$2$3'))
  return parsed.ok ? parsed.value : null
}

/** The cells of a line: parted by tabs, bars, semicolons or wide gaps; else its label, then number after number. */
function cellsOf(line: string): string[] {
  const text = line.trim().replace(/^\|/, '').replace(/\|$/, '')
  for (const between of [/\t/, /\s*\|\s*/, /\s*;\s*/, /\s{2,}/]) {
    const cells = text.split(between).map(c => c.trim())
    if (cells.length >= 3) return cells
  }
  const commas = text.split(/,\s*/)
  if (commas.length >= 12 && !/\d,\d+\s/.test(text)) return commas.map(c => c.trim())
  const match = /^([^\d−–-]*(?:\d[^\s]*\s*[A-Za-z°(][^\d−–-]*)?)((?:[−–-]?\d[\d.,]*(?:\s*\([^)]*\))?\s*)+)$/u.exec(text)
  if (!match) return [text]
  return [match[1]!.trim(), ...match[2]!.trim().split(/\s+(?!\()/)]
}

const MONTH = new RegExp(`^(?:${MONTH_NAMES.map(n => n.slice(0, 3)).join('|')})`, 'i')
const isYear = (cell: string) => /^(year|annual|total|avg|mean)/i.test(cell)

/** Twelve values behind a label, and a thirteenth for the year; null where it is another kind of line. */
function seriesOf(label: string, cells: readonly string[]): Series | null {
  const values = cells.map(cellValue)
  if (values.length < 12 || values.length > 14 || values.slice(0, 12).some(v => v === null || Number.isNaN(v)))
    return null
  const year = values[12]
  const ofYear = year === undefined || year === null || Number.isNaN(year) ? null : year
  return { label, values: values.slice(0, 12) as number[], ofYear }
}

/** Series with labels: along rows, or down columns whose rows are months. */
function labelledSeries(text: string): Series[] {
  // Where a browser breaks a cell before its other unit.
  const lines = text
    .replace(/\r/g, '')
    .replace(/\n[ \t]*\(/g, ' (')
    .split('\n')
    .filter(l => l.trim() !== '' && !/^[|\s:-]+$/.test(l))
    .map(cellsOf)
  const out: Series[] = []
  let waiting = ''
  for (const cells of lines) {
    const own = seriesOf(cells[0]!, cells.slice(1))
    if (own && cellValue(cells[0]!) === null) out.push(own)
    else if (waiting !== '') {
      const under = seriesOf(waiting, cells)
      if (under) out.push(under)
    }
    waiting = cells.length === 1 && kindOf(cells[0]!) ? cells[0]! : ''
  }
  if (out.length > 0) return out
  const months = lines.filter(cells => MONTH.test(cells[0]!))
  const head = lines.find(cells => cells.length > 1 && cells.slice(1).some(c => kindOf(c)))
  if (months.length !== 12 || !head) return []
  const year = lines.find(cells => isYear(cells[0]!))
  return head.flatMap((label, c): Series[] => {
    if (c === 0) return []
    const values = months.map(cells => cellValue(cells[c] ?? ''))
    if (values.some(v => v === null || Number.isNaN(v))) return []
    const ofYear = year ? cellValue(year[c] ?? '') : null
    return [{ label, values: values as number[], ofYear: Number.isNaN(ofYear) ? null : ofYear }]
  })
}

/**
 * Reads a climate from a table as it is copied from a web page or a spreadsheet, in whatever layout: months along rows
 * or down columns, with labels or without, one unit or two in a cell, a column for the year. With labels, sunshine,
 * humidity, wind, radiation, snow on the ground and records are taken as well; without, two series of twelve are the
 * lows and the highs. Never throws.
 * @param reader unit of temperatures that say none
 */
export function parseClimateTable(text: string, reader: 'C' | 'F'): ClimateTable {
  const no = (message: string): ClimateTable => ({ ok: false, message })
  const found: Partial<Record<Figure, number[] | number>> = {}
  const took: string[] = []
  for (const series of labelledSeries(text)) {
    const kind = kindOf(series.label)
    const value = kind?.of(series, reader) ?? null
    // The first of a kind counts: tables give the mean before the median.
    if (!kind || value === null || found[kind.figure] !== undefined) continue
    found[kind.figure] = value
    took.push(kind.words)
  }
  if (took.length === 0) {
    const plain = parseNormalsTable(text, reader)
    if (!plain.ok) return plain
    return { ok: true, climate: { kind: 'normals', lowC: plain.lowC, highC: plain.highC }, took: ['lows and highs'] }
  }
  const { lowC, highC } = found
  if (!Array.isArray(lowC) || !Array.isArray(highC)) {
    const lacking = [Array.isArray(lowC) ? [] : ['mean daily lows'], Array.isArray(highC) ? [] : ['mean daily highs']]
    return no(`Found ${took.join(', ')}; the ${lacking.flat().join(' and the ')} are needed too, twelve of each.`)
  }
  const climate = withinReach({ kind: 'normals', ...found, lowC, highC } as NormalsClimate)
  const [fault] = climateFaults(climate)
  if (fault) {
    const month = MONTH_NAMES[Number(/\[(\d+)\]/.exec(fault.at)?.[1] ?? -1)]
    const what = KINDS.find(k => fault.at.startsWith(`.${k.figure}`) && k.words !== '')?.words ?? 'A figure'
    return no(`${month ? `${month}, ` : ''}${what}: ${fault.message}; allowed: ${fault.allowed}.`)
  }
  return { ok: true, climate, took }
}

/** Records as far as the made year can reach them: a record of another time may lie out of it. */
function withinReach(climate: NormalsClimate): NormalsClimate {
  const [coldest, warmest] = [Math.min(...climate.lowC), Math.max(...climate.highC)]
  const out = { ...climate }
  const low = (v: number) => Math.min(coldest - 1, Math.max(coldest - 40, v))
  if (out.designLowC !== undefined) out.designLowC = low(out.designLowC)
  if (out.meanYearlyLowC !== undefined) out.meanYearlyLowC = low(out.meanYearlyLowC)
  if (out.designHighC !== undefined) out.designHighC = Math.max(warmest + 1, Math.min(warmest + 30, out.designHighC))
  // What most winters bring goes before the record: a house is not built for the worst night of a century.
  if (out.meanYearlyLowC !== undefined) delete out.designLowC
  return out
}
