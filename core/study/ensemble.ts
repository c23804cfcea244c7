import type { Answers } from '../answers'
import type { Design } from '../design/types'

/** One winter of an ensemble. */
export interface EnsembleYear {
  seed: number
  /** Its coldest hour. */
  hour: number
  insideC: number
  outsideC: number
  hoursBelow0: number
  hoursBelowAim: number
}

/** The winters of one climate: what a claim about one year is worth. */
export interface Ensemble {
  years: EnsembleYear[]
  /** Shares of the years with frost inside, and with any hour below the aim, 0–1. */
  chanceOfFrost: number
  chanceBelowAim: number
  /** Of the years' coldest nights, °C: colder in one of ten, the middle, warmer in one of ten. */
  p10C: number
  medianC: number
  p90C: number
}

/** Seeds of an ensemble: `first` and those after it. */
export function seedsFrom(first: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => (first + i) % 4294967296)
}

/** A design in another winter of its climate: other days, and months that stray as they do from year to year. */
export const inSeed = (design: Design, seed: number): Design => ({
  ...design,
  site: { ...design.site, seed, months: 'varied' },
})

/** A year of an ensemble from its answers. */
export function ensembleYear(answers: Answers): EnsembleYear {
  const { seed, coldestNight, hoursBelow0, hoursBelowAim } = answers
  const { hour, insideC, outsideC } = coldestNight
  return { seed, hour, insideC, outsideC, hoursBelow0, hoursBelowAim }
}

/**
 * The value that a share of some values lie below, straight between those that are there.
 * @param values at least one
 * @param share 0–1
 */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  const at = share * (sorted.length - 1)
  const low = Math.floor(at)
  const high = Math.min(sorted.length - 1, low + 1)
  return sorted[low]! + (at - low) * (sorted[high]! - sorted[low]!)
}

/**
 * Between which of some values the one lies that a share of all there could be are below, nine times in ten: by their
 * order (binomial). Where there are too few of them for an end, that is infinite.
 * @param share 0–1, its ends left out
 */
export function quantileRange(values: readonly number[], share: number): [low: number, high: number] {
  const sorted = [...values].sort((a, b) => a - b)
  const n = sorted.length
  let range: [number, number] = [-Infinity, Infinity]
  // The chance that so many of them, or fewer, lie below it.
  let chance = 0
  let term = (1 - share) ** n
  for (let k = 0; k < n; k++) {
    chance += term
    if (chance <= 0.05) range = [sorted[k]!, Infinity]
    else if (chance >= 0.95) return [range[0], sorted[k]!]
    term *= ((n - k) / (k + 1)) * (share / (1 - share))
  }
  return range
}

/** Sums an ensemble up. At least one year. */
export function summarise(years: readonly EnsembleYear[]): Ensemble {
  const share = (of: (y: EnsembleYear) => boolean) => years.filter(of).length / years.length
  const coldest = years.map(y => y.insideC)
  return {
    years: [...years],
    chanceOfFrost: share(y => y.hoursBelow0 > 0),
    chanceBelowAim: share(y => y.hoursBelowAim > 0),
    p10C: quantile(coldest, 0.1),
    medianC: quantile(coldest, 0.5),
    p90C: quantile(coldest, 0.9),
  }
}

/** Of the years' coldest nights, the share that is colder than the winter that an aim is meant for. */
export const COLDER: Record<Design['aim']['winter'], number> = {
  'usual': 0.5,
  'one in five': 0.2,
  'one in twenty': 0.05,
}
