import type { Answers } from '../answers'
import type { Design } from '../design/types'
import { isHeated } from '../sources/registry'
import { nightsIn } from '../climate'
import { makeBuilding } from '../geometry/surfaces'
import { housePrice } from '../takeoff/takeoff'
import { heldDesign } from './held'
import type { createYearEngine } from '../year'

/** What a study shows of each variant's year. */
export interface Figures {
  /** Coldest night with no heat, °C. */
  coldestC: number
  /** Heat that would hold the air at {@link heldC} all year, kWh. */
  heatKWh: number
  /** Light at the beds, mol/m² a day, mean of the winter half of the year. */
  winterDli: number
  /** Hottest hour of the heated year, °C, and its hours above 90 % relative humidity. */
  hottestC: number
  hoursDamp: number
  /** Most of that heat at once, W, and nights on which any was needed. */
  peakW: number
  heatNights: number
  glazedM2: number
  cost: number
  /** Bought in a year to hold that air, in the design's currency. */
  aYear: number
}

/** Mean light of the six winter months at the beds, mol/m²·d. */
export function winterDli({ site }: Pick<Design, 'site'>, { months }: Pick<Answers, 'months'>): number {
  const winter = site.latitudeDeg >= 0 ? [9, 10, 11, 0, 1, 2] : [3, 4, 5, 6, 7, 8]
  return winter.reduce((sum, m) => sum + months[m]!.dli / 6, 0)
}

/** What a house costs to build, by its list, and to run for a year, in its own currency. */
export const costOf = (
  design: Design,
  { running }: Pick<Answers, 'running'>,
): { build: number; running: number; currency: string } => ({
  build: housePrice(design),
  running: running.cost,
  currency: design.topUp.currency,
})

/** The figures of a design: one heated year, whose unheated twin gives the coldest night. The design must be sound. */
export function figuresOf(design: Design, engine: ReturnType<typeof createYearEngine>): Figures {
  const { answers, series } = engine.run(heldDesign(design), {
    unheated: isHeated(design.topUp.sources) ? true : 'in full',
  })
  return {
    coldestC: answers.freeRunning!.coldestNight.insideC,
    heatKWh: answers.topUp.kWh,
    winterDli: winterDli(design, answers),
    hottestC: answers.hottestAfternoon.insideC,
    hoursDamp: answers.hoursDamp,
    peakW: answers.topUp.peakW,
    heatNights: nightsWith(series.heaterW),
    glazedM2: makeBuilding(design)
      .surfaces.filter(s => s.kind === 'glazed')
      .reduce((s, x) => s + x.areaM2, 0),
    cost: housePrice(design),
    aYear: answers.running.cost,
  }
}

/** Nights, from noon to noon, in which anything flowed. */
const nightsWith = (watts: Float32Array): number => nightsIn([...watts.keys()].filter(h => watts[h]! > 0))
