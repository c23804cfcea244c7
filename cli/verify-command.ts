import { proofRows } from '../tests/proof/cases'
import { sanityRows } from '../tests/proof/sanity'
import { readOptions } from './options'

/** `verify [--sanity yes]`: every proof of the core, computed now; or houses beside what such houses do. */
export function verifyCommand(args: string[]): unknown {
  const { options } = readOptions(args, ['sanity'], [])
  if (options.sanity === 'yes') return sanityRows()
  const rows = proofRows()
  if (rows.some(r => !r.ok)) process.exitCode = 1
  return rows
}
