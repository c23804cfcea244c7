import type { CropNeeds } from '../catalog'
import { WEEKS, type CropWeeks } from './weeks'

/** Weeks that plants stand in pots, in the warm, before they are planted out. */
export const POT_WEEKS = 4
/** From so many weeks to a first harvest on a crop is a tree or bush: neither sown nor planted each year. */
const PERENNIAL_WEEKS = 40
/** Nights so far under what it grows from, or days so far above what it bears, and a crop stands still, K. */
const NIGHT_STOPS_K = 5
const HEAT_STOPS_K = 10
/** It is planted out or sown where it usually grows at this pace or more. */
export const START_PACE = 0.5
/** Under this pace it stands still: what does not keep is over then, and does not outlast so many such weeks young. */
export const STILL_PACE = 0.2
const YOUNG_WEEKS = 4

export const isPerennial = (needs: Pick<CropNeeds, 'weeks'>): boolean => needs.weeks >= PERENNIAL_WEEKS

/** What can hold a crop back. */
export const HOLDS = ['night', 'soil', 'light', 'heat'] as const
export type Hold = (typeof HOLDS)[number]

const share = (v: number): number => Math.max(0, Math.min(1, v))

/**
 * How far each of what a crop needs is met in a week, 0–1: nights as warm as it grows in, soil between freezing and
 * what its roots work from, light, and days that are not too hot. The two stops are rules of thumb: most crops halt
 * some 5 K under the night that is good to them, and some 10 K over the day.
 */
export function metIn(needs: CropNeeds, weeks: CropWeeks, w: number): Record<Hold, number> {
  const { growsC, soilC, highestC, dli } = needs
  return {
    night: share(1 - (growsC - weeks.nightC[w]!) / NIGHT_STOPS_K),
    soil: soilC > 0 ? share(weeks.soilC[w]! / soilC) : 1,
    light: dli > 0 ? share(weeks.dli[w]! / dli) : 1,
    heat: share(1 - (weeks.dayC[w]! - highestC) / HEAT_STOPS_K),
  }
}

/** A year as one crop has it, week by week. */
export interface CropPace {
  /** How fast it grows, as a share of its pace in fair conditions. */
  pace: Float32Array
  /** 1 where an hour of the week kills it. */
  dies: Uint8Array
}

/** How fast a crop grows: as what it has least of lets it (Blackman 1905, limiting factors). */
export const paceOf = (needs: CropNeeds, weeks: CropWeeks): CropPace => ({
  pace: Float32Array.from({ length: WEEKS }, (_, w) => Math.min(...Object.values(metIn(needs, weeks, w)))),
  dies: Uint8Array.from(weeks.leafLowC, c => +(c < needs.survivesC)),
})

/** What a crop asks of a year, and whether its harvest keeps on the plant while it stands still. */
export type Standing = CropNeeds & { stands: boolean }

/** What comes of a sowing: weeks from it on. */
export interface Grown {
  /** Its first harvest and the end of it; null where it is not ripe within a year. */
  firstAfter: number | null
  endAfter: number
  /** An hour killed it. */
  died: boolean
}

/** Weeks from a sowing until it stands in the bed. */
export const plantedAfter = ({ inPots }: Pick<CropNeeds, 'inPots'>): number => (inPots ? POT_WEEKS : 0)

/**
 * A crop sown in a week of a year, which comes round again: what is planted out has stood its weeks in pots in the
 * warm. From its first harvest on it gives for its weeks of growth; what does not keep is over when it stands still.
 */
export function grow(needs: Standing, { pace, dies }: CropPace, sown: number): Grown {
  const out = plantedAfter(needs)
  let grown = 0
  let firstAfter: number | null = null
  let still = 0
  let k = 0
  for (; k < (firstAfter === null ? WEEKS : 2 * WEEKS); k++) {
    const w = (sown + k) % WEEKS
    if (k >= out && dies[w] === 1) return { firstAfter, endAfter: k, died: true }
    still = k >= out && pace[w]! < STILL_PACE ? still + 1 : 0
    if (!needs.stands && still > (firstAfter === null ? YOUNG_WEEKS : 0)) break
    grown += k < out ? 1 : pace[w]!
    if (firstAfter === null && grown >= needs.weeks - 1e-6) firstAfter = k + 1
    if (grown >= needs.weeks + needs.givesWeeks - 1e-6) return { firstAfter, endAfter: k + 1, died: false }
  }
  return { firstAfter, endAfter: k, died: false }
}
