import { proofRows } from '../tests/proof/cases'
import { longRows } from '../tests/proof/long'
import { sanityRows } from '../tests/proof/sanity'
import { FoundWrong } from './bad-input'
import { readOptions } from './options'

/**
 * `verify [--sanity yes] [--long yes]`: every proof of the core, computed now, with those that take minutes; or houses
 * beside what such houses do.
 */
export function verifyCommand(args: string[]): unknown {
  const { options } = readOptions(args, ['sanity', 'long'], [])
  if (options.sanity === 'yes') return sanityRows()
  const rows = [...proofRows(), ...(options.long === 'yes' ? longRows() : [])]
  if (rows.some(r => !r.ok)) throw new FoundWrong(rows)
  return rows
}
