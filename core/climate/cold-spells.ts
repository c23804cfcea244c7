import { DAYS } from './types'

/** A run of days far colder than the season. */
export interface ColdSpell {
  startDay: number
  days: number
  lowestC: number
  /** Mean of its days less the season's, K. */
  belowK: number
}

const LEAST_DAYS = 3
const BELOW_K = 3

/**
 * Cold spells of a year: three days or more whose mean lies 3 K below that of the five weeks about them, in its colder
 * half. Coldest first. Hourly °C, 8760 long.
 */
export function coldSpells(dryBulbC: Float32Array): ColdSpell[] {
  const mean = new Float64Array(DAYS)
  const low = new Float64Array(DAYS).fill(Infinity)
  for (let h = 0; h < DAYS * 24; h++) {
    const d = Math.floor(h / 24)
    mean[d]! += dryBulbC[h]! / 24
    low[d] = Math.min(low[d]!, dryBulbC[h]!)
  }
  const season = mean.map((_, d) => {
    let sum = 0
    for (let k = -17; k <= 17; k++) sum += mean[(d + k + DAYS) % DAYS]!
    return sum / 35
  })
  const middle = [...season].sort((a, b) => a - b)[Math.floor(DAYS / 2)]!
  const cold = (d: number) => season[d % DAYS]! < middle && mean[d % DAYS]! < season[d % DAYS]! - BELOW_K
  const out: ColdSpell[] = []
  for (let d = 0; d < DAYS; d++) {
    if (!cold(d) || cold(d + DAYS - 1)) continue
    let days = 0
    let lowestC = Infinity
    let below = 0
    while (days < 60 && cold(d + days)) {
      lowestC = Math.min(lowestC, low[(d + days) % DAYS]!)
      below += season[(d + days) % DAYS]! - mean[(d + days) % DAYS]!
      days++
    }
    if (days >= LEAST_DAYS) out.push({ startDay: d, days, lowestC, belowK: below / days })
  }
  return out.sort((a, b) => a.lowestC - b.lowestC)
}
