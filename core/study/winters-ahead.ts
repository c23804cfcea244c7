import { aimLine } from '../aim/aim-line'
import { MONTH_OF_DAY } from '../climate/types'
import type { Design } from '../design/types'
import { inSeed, seedsFrom } from './ensemble'
import type { Winter } from './winter'

/** So many winters are looked at, by the winter that an aim is meant for: a rare one is told by more of them. */
export const WINTERS_FOR: Record<Design['aim']['winter'], number> = {
  'usual': 20,
  'one in five': 20,
  'one in twenty': 60,
}

/** A winter of a design's climate: what it is called, the seed of its days, and the design in it. */
export interface AWinter {
  name: string
  seed: number
  design: Design
}

/**
 * Winters of a design's climate, at most `count`: made from its normals; or those that were measured, the one that it
 * is worked out in first, and, where it says so, others made from them.
 */
export function wintersOf(design: Design, count: number): AWinter[] {
  const { climate, seed, varyMeasured } = design.site
  const seeds = seedsFrom(seed, count)
  if (climate.kind === 'normals') return seeds.map(s => ({ name: String(s), seed: s, design: inSeed(design, s) }))
  const { others = [], ...own } = climate
  const measured = [own, ...others.map(year => ({ ...own, ...year, snowM: year.snowM }))].map(year => ({
    name: year.source,
    seed,
    design: { ...design, site: { ...design.site, months: 'usual' as const, climate: year } },
  }))
  const made = varyMeasured ? seeds.slice(measured.length) : []
  return [
    ...measured.slice(0, count),
    ...made.map((s, i) => {
      const from = measured[i % measured.length]!
      return { name: `${from.name}, made ${i + 1}`, seed: s, design: inSeed(from.design, s) }
    }),
  ]
}

/** A winter by its coldest hour, against what lives there in that month. */
export function winterOf(
  aim: Design['aim'],
  { name, seed }: Pick<Winter, 'name' | 'seed'>,
  { hour, insideC, outsideC }: { hour: number; insideC: number; outsideC: number },
): Winter {
  const lowC = aimLine(aim).lowC[MONTH_OF_DAY[Math.floor(hour / 24)]!]!
  return { name, seed, insideC, outsideC, marginK: lowC === null ? null : insideC - lowC }
}
