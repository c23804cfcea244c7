import Papa from 'papaparse'
import type { ControlLine } from '../core/advice/control-sheet'
import { siSymbol } from '../core/units'

/** A control sheet as CSV: device, setting, value and its unit, in SI (°C, K, h). */
export function writeControlCsv(lines: readonly ControlLine[]): string {
  const rows = lines.map(l => [l.device, l.setting, l.value, l.quantity ? siSymbol(l.quantity) : ''])
  return `${Papa.unparse({ fields: ['device', 'setting', 'value', 'unit'], data: rows }, { newline: '\n' })}\n`
}
