import { DEMOS } from '../../../core/design'
import { seededRandom } from '../../../core/climate/random'
import { roomRows } from '../random-houses'
import type { ProofRow } from '../row'
import { alikeLimits } from './alike'
import { limitRow, makeYears, type Limit } from './limit'
import { nothingLimits } from './nothing'
import { pairLimits } from './pairs'

/** Every limit: what changes nothing, what is the same told otherwise, what more of something does. */
export const allLimits = (): Limit[] => [...nothingLimits(), ...alikeLimits(), ...pairLimits()]

/**
 * Limits over the demos, and random rooms by a full matrix, as rows of proofs.
 * @param seed values of fields are drawn from it
 * @param every of each demo’s limits one in so many, beginning with another in each: 1 for all
 */
export function limitRows({ seed = 1, every = 1 }: { seed?: number; every?: number } = {}): ProofRow[] {
  const limits = allLimits()
  const overDemos = DEMOS.flatMap((demo, d) => {
    const years = makeYears()
    return limits.flatMap((limit, i) => {
      if ((i + d + seed) % every !== 0) return []
      return limitRow(limit, demo, seededRandom(seed * 10007 + i * 101 + d), years) ?? []
    })
  })
  return [...overDemos, ...roomRows(Math.ceil(400 / every), seed)]
}
