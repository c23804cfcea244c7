import Papa from 'papaparse'
import { MONTH_NAMES } from '../core/climate/types'
import { normalsFaults } from '../core/design'
import { parseNumber } from '../core/units'

export type NormalsTable = { ok: true; lowC: number[]; highC: number[] } | { ok: false; message: string }

/**
 * Reads twelve monthly lows and highs pasted from a spreadsheet: twelve rows (low, high) or twelve columns (a row of
 * lows, a row of highs), tabs, semicolons, commas or blanks between, decimal points or commas, with or without month
 * names. The colder series is taken as the lows.
 * @param unit of the numbers
 */
export function parseNormalsTable(text: string, unit: 'C' | 'F'): NormalsTable {
  const no = (message: string): NormalsTable => ({ ok: false, message })
  const lines = text
    .replace(/\r/g, '')
    .split('\n')
    .map(l => l.trimEnd())
    .filter(l => l.trim() !== '')
  if (lines.length === 0) return no('Nothing was pasted: give twelve monthly lows and highs.')
  const delimiter = chooseDelimiter(lines)
  const rows =
    delimiter === ' '
      ? lines.map(l => l.trim().split(/\s+/))
      : Papa.parse<string[]>(lines.join('\n'), { delimiter, skipEmptyLines: true }).data.map(r => r.map(c => c.trim()))
  const numbers: number[][] = []
  for (let r = 0; r < rows.length; r++) {
    const row: number[] = []
    for (let c = 0; c < rows[r]!.length; c++) {
      const cell = rows[r]![c]!.replace(/\s*[°º]\s*[CF]?$/i, '')
      if (isWord(cell)) continue
      const value = parseNumber(cell)
      if (!value.ok) return no(`Row ${r + 1}, column ${c + 1}: ${value.message}.`)
      row.push(value.value)
    }
    if (row.length > 0) numbers.push(row)
  }
  const tall = numbers.length >= 12 && numbers.every(r => r.length <= 3)
  let series: number[][]
  if (tall) {
    if (numbers.length !== 12) return no(`There are ${numbers.length} rows of numbers; twelve months are needed.`)
    const width = numbers[0]!.length
    const odd = numbers.findIndex(r => r.length !== width)
    if (odd >= 0)
      return no(
        `Row ${odd + 1} has ${numbers[odd]!.length} numbers, the first has ${width}; each month needs a low ` +
          `and a high.`,
      )
    series = Array.from({ length: width }, (_, c) => numbers.map(r => r[c]!))
  } else {
    series = numbers
    const odd = series.findIndex(r => r.length !== 12)
    if (odd >= 0)
      return no(
        `Found ${series[odd]!.length} numbers in row ${odd + 1}; give twelve rows (low and high) or two ` +
          `rows of twelve months.`,
      )
  }
  // A leading count of months (1 to 12) is a label, not a temperature.
  series = series.filter(s => !s.every((v, i) => v === i + 1))
  if (series.length !== 2)
    return no(`Found ${series.length} series of twelve; two are needed, the mean daily lows and the mean daily highs.`)
  const mean = (s: number[]) => s.reduce((a, b) => a + b, 0) / 12
  const [low, high] = mean(series[0]!) <= mean(series[1]!) ? [series[0]!, series[1]!] : [series[1]!, series[0]!]
  const celsius = (s: number[]) => s.map(v => Math.round((unit === 'F' ? (v - 32) / 1.8 : v) * 100) / 100)
  const result = { lowC: celsius(low), highC: celsius(high) }
  const fault = normalsFaults(result.lowC, result.highC)[0]
  if (fault) {
    const month = MONTH_NAMES[Number(/\[(\d+)\]/.exec(fault.at)?.[1] ?? 0)]
    return no(`${month}’s ${fault.at.startsWith('.low') ? 'low' : 'high'} ${fault.message}; allowed: ${fault.allowed}.`)
  }
  return { ok: true, ...result }
}

/** Headings, month names and units are passed over. */
function isWord(cell: string): boolean {
  return cell === '' || /^[\p{L}°º(]/u.test(cell)
}

function chooseDelimiter(lines: readonly string[]): string {
  const all = lines.join('\n')
  if (all.includes('\t')) return '\t'
  if (all.includes(';')) return ';'
  // Commas part cells when a blank follows or a decimal point is about; between digits alone they are decimal commas.
  const commas = lines.some(
    l =>
      /,\s/.test(l) ||
      (l.includes(',') && (l.includes('.') || (l.match(/,/g) ?? []).length >= 3 || /[\p{L}]\s*,/u.test(l))),
  )
  if (commas && !lines.some(l => /\d,\d+\s+[-−]?\d/.test(l))) return ','
  if (lines.some(l => /\S\s+\S/.test(l.trim()))) return ' '
  return ','
}
