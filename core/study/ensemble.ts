import type { Answers } from '../answers'
import type { Design } from '../design/types'
import { createYearEngine } from '../year'

/** One winter of an ensemble. */
export interface EnsembleYear {
  seed: number
  coldestInsideC: number
  coldestOutsideC: number
  hoursBelow0: number
  hoursBelowAim: number
  topUpKWh: number
}

/** The same normals with other days: what a claim about one year is worth. */
export interface Ensemble {
  years: EnsembleYear[]
  /** Years with frost inside, and with any hour below the aim. */
  withFrost: number
  belowAim: number
  /** Lowest, middle and highest of the years' coldest nights, °C. */
  coldestC: { least: number; median: number; most: number }
  topUpKWh: { least: number; median: number; most: number }
}

/** Seeds of an ensemble: `first` and those after it. */
export function seedsFrom(first: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => (first + i) % 4294967296)
}

/** A year of an ensemble from its answers. */
export function ensembleYear(answers: Answers): EnsembleYear {
  const { seed, coldestNight, hoursBelow0, hoursBelowAim, topUp } = answers
  return {
    seed,
    coldestInsideC: coldestNight.insideC,
    coldestOutsideC: coldestNight.outsideC,
    hoursBelow0,
    hoursBelowAim,
    topUpKWh: topUp.kWh,
  }
}

/** Sums an ensemble up. At least one year. */
export function summarise(years: readonly EnsembleYear[]): Ensemble {
  const spread = (values: number[]) => {
    const sorted = [...values].sort((a, b) => a - b)
    return {
      least: sorted[0]!,
      median: (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2,
      most: sorted[sorted.length - 1]!,
    }
  }
  return {
    years: [...years],
    withFrost: years.filter(y => y.hoursBelow0 > 0).length,
    belowAim: years.filter(y => y.hoursBelowAim > 0).length,
    coldestC: spread(years.map(y => y.coldestInsideC)),
    topUpKWh: spread(years.map(y => y.topUpKWh)),
  }
}

/**
 * Runs a design through years that share its normals and differ in their seeds. A design with an hourly year has only
 * the one: all its runs are alike.
 * @param count 1–1000
 * @param stop asked before each year; true ends the ensemble with the years so far
 */
export function runEnsemble(design: Design, count: number, stop?: () => boolean): Ensemble {
  if (!(count >= 1 && count <= 1000)) throw new RangeError(`An ensemble has 1 to 1000 years, not ${count}.`)
  const engine = createYearEngine()
  const years: EnsembleYear[] = []
  for (const seed of seedsFrom(design.site.seed, count)) {
    if (years.length > 0 && stop?.()) break
    years.push(ensembleYear(engine.run({ ...design, site: { ...design.site, seed } }).answers))
  }
  return summarise(years)
}
