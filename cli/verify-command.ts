import { proofRows } from '../tests/proof/cases'
import { limitRows } from '../tests/proof/limits'
import { longRows } from '../tests/proof/long'
import { sanityRows } from '../tests/proof/sanity'
import { FoundWrong } from './bad-input'
import { numberOption, readOptions } from './options'

/**
 * `verify [--long] [--limits [--seed 1]] [--sanity]`: every proof of the core, computed now, with those that take
 * minutes; or limits, symmetries and pairs over all demos, with values drawn from a seed; or houses beside what such
 * houses do.
 */
export function verifyCommand(args: string[]): unknown {
  const { options } = readOptions(args, ['seed'], [], ['sanity', 'long', 'limits'])
  if (options.sanity) return sanityRows()
  const rows = options.limits
    ? limitRows({ seed: numberOption('seed', options.seed ?? '1', 0, 1e6, true) })
    : [...proofRows(), ...(options.long ? longRows() : [])]
  if (rows.some(r => !r.ok)) throw new FoundWrong(rows)
  return rows
}
