import { READINGS } from '../../core/season/log'
import { isDegrees, readingOf, type ReadColumn } from './columns'

const PLAIN = /^-?\d+(?:\.\d+)?$/

/** A number as a logger writes it, in its own unit. */
export function numberOf(cell: string, decimalComma: boolean): number {
  if (PLAIN.test(cell)) return Number(cell)
  let plain = cell.trim()
  if (plain.startsWith('"') || plain.startsWith("'")) plain = plain.slice(1, -1).trim()
  const unit = /\s*(°\s?[CF]|%|W\/m²)$/i.exec(plain)
  if (unit) plain = plain.slice(0, unit.index)
  plain = plain.replace('\u2212', '-')
  if (/^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/.test(plain) && !decimalComma) plain = plain.replaceAll(',', '')
  else plain = plain.replace(',', '.')
  return /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : NaN
}

/** Whether commas in a column's numbers are decimal ones: only of three digits behind each they may part thousands. */
export function guessDecimalComma(cells: readonly string[]): boolean {
  const commas = cells.filter(c => /^\s*["']?[+-]?\d+,\d+/.test(c))
  if (commas.length === 0) return true
  return (
    !commas.every(c => /^\s*["']?[+-]?\d{1,3}(,\d{3})+(\.\d+)?["']?\s*$/.test(c)) || !cells.some(c => /\.\d/.test(c))
  )
}

/**
 * What sensors write when they fail: a bus that does not answer, a value from before the first reading, a register full
 * of ones. As they stand in the file, whatever its unit.
 */
const CODES_OF_DEGREES = [-127, 85, -196.6, 185, -999, -999.9, -9999, 999, 999.9, 9999]
const CODES = [65535, 6553.5, 655.35, 32767, 3276.7, 327.67, -32768, -3276.8, -327.68, -999, -9999, 9999]
/** A dark pyranometer reads a little below nothing, and a wet hygrometer a little above all. */
const DARK_WM2 = -15
const WET = 1.1

export type Reading = { ok: true; value: number } | { ok: false; why: 'code' | 'range' }

/** What a column of readings may hold. */
interface Range {
  column: ReadColumn
  isTemperature: boolean
  low: number
  high: number
}
export const rangeOf = (column: ReadColumn): Range => {
  const { low, high } = READINGS[readingOf(column)]
  return { column, isTemperature: isDegrees(column), low, high }
}

/** A reading in SI out of a file's number: sound, a sensor's word that it fails, or what cannot be. */
export function readingIn({ column, isTemperature, low, high }: Range, raw: number, unit: 'C' | 'F'): Reading {
  if (CODES.includes(raw) || (isTemperature && CODES_OF_DEGREES.includes(raw))) return CODE
  let value = isTemperature && unit === 'F' ? (raw - 32) / 1.8 : raw
  if (column === 'rh') {
    value = raw > WET ? raw / 100 : raw
    if (value > 1 && value <= WET) value = 1
  } else if (column === 'sunWm2' && value < 0 && value >= DARK_WM2) value = 0
  return value >= low && value <= high ? { ok: true, value } : OUTSIDE
}
const CODE: Reading = { ok: false, why: 'code' }
const OUTSIDE: Reading = { ok: false, why: 'range' }
