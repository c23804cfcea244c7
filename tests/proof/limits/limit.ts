import type { Design } from '../../../core/design'
import { designFaults } from '../../../core/editing'
import { createYearEngine } from '../../../core/year'
import { proof, type ProofRow } from '../row'

/** What a limit looks at in a year. */
export const FIGURES = {
  coldest: 'coldest night, K',
  hottest: 'hottest afternoon, K',
  heat: 'heat bought, kWh',
  light: 'December’s and June’s light, mol/m²·d',
  soil: 'coldest soil, K',
} as const
export type Figure = keyof typeof FIGURES

/** Houses that a limit compares, with how far their figures may lie apart. */
export interface Limit {
  name: string
  figure: Figure
  /** By demo or seed: the house, and the same with what ought to change nothing, or not the wrong way. */
  pair: (house: Design, random: () => number) => readonly [before: Design, after: Design] | null
  /**
   * `same`: both figures are one. `rises` and `falls`: the second is not on the other side of the first.
   */
  then: 'same' | 'rises' | 'falls'
  tolerance: number
}

type Figures = Readonly<Record<Figure, number>>

/** Years of houses by one step an hour: what is compared shares what that leaves out. */
export function makeYears(): (house: Design) => Figures {
  const engine = createYearEngine()
  const known = new Map<string, Figures>()
  return house => {
    const key = JSON.stringify(house)
    const before = known.get(key)
    if (before) return before
    const { coldestNight, hottestAfternoon, topUp, months, soilMinC } = engine.run(house, { unheated: false }).answers
    const figures = {
      coldest: coldestNight.insideC,
      hottest: hottestAfternoon.insideC,
      heat: topUp.kWh,
      light: months[11]!.dli + months[5]!.dli,
      soil: soilMinC,
    }
    known.set(key, figures)
    return figures
  }
}

/** A limit of a house as a row; null where there is no such house. */
export function limitRow(
  { name, figure, pair, then, tolerance }: Limit,
  house: Design,
  random: () => number,
  years: ReturnType<typeof makeYears>,
): ProofRow | null {
  const houses = pair(house, random)
  if (!houses || houses.some(h => designFaults(h).length > 0)) return null
  const [a, b] = houses.map(h => years(h)[figure])
  const source = then === 'same' ? 'nothing is to change' : `it ${then}, whatever the house`
  const off = b! - a!
  const wrong = then === 'same' ? off : then === 'rises' ? Math.min(0, off) : Math.max(0, off)
  return proof(`${house.name}: ${name}, ${FIGURES[figure]}`, 0, wrong, tolerance, source)
}
