import type { Answers } from '../answers'
import type { Design } from '../design/types'
import { endangered, type Endangered } from '../life-answers'
import { withoutBody } from '../editing/bodies'
import { patchDesign, type Patch } from '../editing/edit'
import type { LossName } from '../network/series'
import { winterDli } from './figures'
import { takeoff } from '../takeoff/takeoff'

/** A year in the few figures that designs are held against each other by. */
export interface Brief {
  coldestC: number
  /** The topmost leaf's coldest hour, °C. */
  leafC: number
  /** What lives there that stands nearest to its bound. */
  life: Endangered
  hottestC: number
  /** Under the ridge in the coldest hour and in the hottest, and in a dug path in the coldest, °C; null for none. */
  ridgeColdestC: number
  ridgeHottestC: number
  pathColdestC: number | null
  /** Coldest soil of a bed, °C. */
  soilC: number
  /** Soil of the beds in its coldest month, °C. */
  soilMonthC: number
  hoursDamp: number
  growingDays: number
  condensedKg: number
  /** Heat that is bought, kWh. */
  heatKWh: number
  /** The most of that heat at once, W, and nights on which any was needed. */
  peakW: number
  heatNights: number
  /** Mean light of the six winter months at the beds, mol/m²·d. */
  winterDli: number
  /** All electricity, kWh. */
  electricKWh: number
  cost: number
  /** Bought in a year, all of it, in its currency. */
  aYear: number
  /** Work on it, in its currency; 0 where an hour has no price. */
  hands: number
  /** Of the heat that left on the worst night, by its way, 0–1. */
  nightShares: Partial<Record<LossName, number>>
  /** Of that heat, what the things inside gave back, 0–1. */
  storeShare: number
}

export function briefOf(design: Design, answers: Answers): Brief {
  const { electricity } = answers
  const { total, hands } = takeoff(design)
  return {
    coldestC: answers.coldestNight.insideC,
    leafC: answers.leaf.coldestC,
    life: endangered(design, answers),
    hottestC: answers.hottestAfternoon.insideC,
    ...answers.airs,
    soilC: answers.soilMinC,
    soilMonthC: Math.min(...answers.months.map(m => m.soilC)),
    hoursDamp: answers.hoursDamp,
    growingDays: answers.growingDays.inside,
    condensedKg: answers.condensedKg,
    heatKWh: answers.topUp.kWh,
    peakW: answers.topUp.peakW,
    heatNights: answers.topUp.nights,
    winterDli: winterDli(design, answers),
    electricKWh: Object.values(electricity).reduce((sum, kWh) => sum + kWh, 0),
    cost: total,
    aYear: answers.running.cost,
    hands: hands.cost,
    nightShares: Object.fromEntries(answers.worstNightLosses.map(l => [l.name, l.share])),
    storeShare: answers.bodies.reduce((sum, b) => sum + Math.max(0, b.night.share), 0),
  }
}

/** Lists of the document whose things can be left out one by one. */
export const LISTS = [
  'store.bodies',
  'store.airStores',
  'store.linings',
  'skin.openings',
  'breathe.fans',
  'topUp.sources',
] as const
export type ListPath = (typeof LISTS)[number]

/** A design without one thing of a list. */
export function withoutThing(design: Design, path: ListPath, index: number): Design {
  if (path === 'store.bodies') return patchDesign(design, withoutBody(design, index) as Patch[])
  const [branch, name] = path.split('.') as [keyof Design, string]
  const list = (design[branch] as unknown as Record<string, unknown[]>)[name]!
  return patchDesign(design, [[path, list.filter((_, k) => k !== index)]])
}
