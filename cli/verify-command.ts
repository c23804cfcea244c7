import { proofRows } from '../tests/proof/cases'
import { readOptions } from './options'

/** `verify`: every proof of the core, computed now. */
export function verifyCommand(args: string[]): unknown {
  readOptions(args, [], [])
  const rows = proofRows()
  if (rows.some(r => !r.ok)) process.exitCode = 1
  return rows
}
