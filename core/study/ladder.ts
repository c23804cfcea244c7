import type { Design } from '../design/types'
import type { Patch } from '../editing'
import type { Before, Laid, MoveGroup } from '../moves/registry'
import type { LossName } from '../network/series'
import { isHeated } from '../sources/registry'
import type { Brief } from './brief'
import { capital } from '../text/capital'

/** A single change to a design, with what its year says of it. */
export interface Rung {
  id: string
  group: MoveGroup
  words: string
  /** It must be in before that is closed; null: at any time. */
  before: Before | null
  patch: readonly Patch[]
  /** The changed house as it is run, and what the change lifts the coldest night by, K. */
  coldestC: number
  gainK: number
  /** By so much more what lives there is kept: that which stands nearest to its bound, before and after, K. */
  lifeK: number
  /** By how much that is kept then, K; negative where it is missed. */
  lifeMarginK: number
  /** Heat that it buys, and saves of what this house buys, kWh a year. */
  heatKWh: number
  savedKWh: number
  /** Winter light at the beds, mol/m²·d, and over this house's. */
  winterDli: number
  lightShare: number
  hottestC: number
  hoursDamp: number
  /** Weeks in which crops grow, more than in this house. */
  weeksWon: number
  /** More than this house costs, and more that is bought in a year, in its currency; below 0 it costs less. */
  cost: number
  aYear: number
  /** Until what is not bought and weeks that are won have paid for it; null where nothing does. */
  paybackYears: number | null
  /** Whether it does anything that one would notice in this house. */
  felt: boolean
  /** Why it stands where it does, from the numbers. */
  why: string
}

/** Ways that heat leaves by, for a group of moves. */
const WAYS: Partial<Record<MoveGroup, { ways: readonly LossName[]; words: string }>> = {
  cover: { ways: ['glazing'], words: 'Glazing lets out' },
  glazing: { ways: ['glazing'], words: 'Glazing lets out' },
  walls: { ways: ['roof', 'back wall', 'knee wall', 'end walls'], words: 'Walls and solid roof let out' },
  edge: { ways: ['ground'], words: 'The ground takes' },
  tightness: { ways: ['air leaks', 'vents', 'damp air'], words: 'Leaks and the damp they carry take' },
}
/** So much colder or warmer, of air or of what lives there, counts, K. */
const COLDER_K = 0.1
/** Gains under this are not felt, K. */
const LITTLE_K = 0.15
const weeks = (n: number) => (Math.abs(n - 1) < 0.07 ? 'a week' : `${n.toFixed(1)} weeks`)
const percent = (share: number) => `${Math.round(share * 100)}\u00a0%`

const partOf = ({ nightShares }: Brief, ways: readonly LossName[]) =>
  ways.reduce((sum, way) => sum + (nightShares[way] ?? 0), 0)
/** A share of the worst night's heat in this house, and in the changed one where that reads otherwise. */
const withIt = (now: number, changed: number) =>
  percent(now) === percent(changed) ? '' : `, with this ${percent(changed)}`

/**
 * Why a rung ranks where it does: what its kind of loss is of the worst night in the house as it is and in the changed
 * one, and what it costs besides money.
 */
function whyOf(now: Brief, changed: Brief, group: MoveGroup, rung: Omit<Rung, 'why' | 'felt'>): string {
  const said: string[] = []
  const kind = WAYS[group]
  if (kind) {
    const share = partOf(now, kind.ways)
    const little =
      rung.gainK >= 0 && Math.max(rung.gainK, rung.lifeK) < LITTLE_K && rung.savedKWh < 0.02 * now.heatKWh + 1
    said.push(
      `${kind.words} ${percent(share)} of the worst night’s heat${withIt(share, partOf(changed, kind.ways))}` +
        (little ? ': more stops paying' : ''),
    )
  }
  if (group === 'store') {
    said.push(
      now.storeShare > 0
        ? `What stands inside gave back ${percent(now.storeShare)} of the worst night’s heat` +
            withIt(now.storeShare, changed.storeShare)
        : `Nothing inside gives heat back on the worst night yet${withIt(0, changed.storeShare)}`,
    )
  }
  if (rung.lifeK > COLDER_K && rung.gainK < -COLDER_K) said.push('what lives there keeps what the air around it loses')
  if (group === 'shape' && Math.abs(rung.gainK) < LITTLE_K) said.push('It moves sun and skin by little')
  if (rung.lightShare < 0.985) said.push(`it takes ${percent(1 - rung.lightShare)} of the winter light`)
  if (rung.lightShare > 1.015) said.push(`it brings ${percent(rung.lightShare - 1)} more winter light`)
  if (rung.hottestC > now.hottestC + 0.5) said.push('hot afternoons grow hotter')
  if (rung.hottestC < now.hottestC - 0.5) said.push('hot afternoons grow cooler')
  if (rung.hoursDamp > now.hoursDamp * 1.15 + 50) said.push('the air grows damper')
  if (rung.hoursDamp < now.hoursDamp * 0.85 - 50) said.push('the air grows drier')
  if (Math.abs(rung.weeksWon) >= 0.5)
    said.push(`crops grow ${weeks(Math.abs(rung.weeksWon))} ${rung.weeksWon > 0 ? 'longer' : 'shorter'}`)
  if (rung.before === 'backfill') said.push('it can’t be added once the ground is filled')
  if (rung.before === 'glazing') said.push('it can’t be added once the glazing is on')
  const all = said.join('; ')
  return all === '' ? '' : `${capital(all)}.`
}

/** Less than this of a figure nobody notices: K, kWh, shares of light, hours, days, money. */
const NOTICED: readonly [of: (b: Brief) => number, least: number][] = [
  [b => b.coldestC, 0.02],
  [b => b.life.marginK, 0.02],
  [b => b.hottestC, 0.1],
  [b => b.heatKWh, 1],
  [b => b.winterDli, 0.02],
  [b => b.hoursDamp, 10],
  [b => b.growingDays, 1],
  [b => b.aYear, 1],
]
/** Whether a change does anything to the year, or saves money. */
const isFelt = (now: Brief, changed: Brief): boolean =>
  NOTICED.some(([of, least]) => Math.abs(of(changed) - of(now)) >= least) || changed.cost < now.cost - 1

/**
 * A rung from its year.
 * @param now of the design as it is
 * @param changed of the design with the move laid on it
 */
export function rungOf(design: Design, now: Brief, laid: Laid, changed: Brief): Rung {
  const { move, words, patches } = laid
  const cost = changed.cost - now.cost
  const paid = cost + changed.hands - now.hands
  const savedKWh = now.heatKWh - changed.heatKWh
  const weeksWon = (changed.growingDays - now.growingDays) / 7
  const aYear = changed.aYear - now.aYear
  const yearly = weeksWon * design.aim.cropWeek - aYear
  const rung = {
    id: move.id,
    group: move.group,
    words,
    before: move.before ?? null,
    patch: patches,
    coldestC: changed.coldestC,
    gainK: changed.coldestC - now.coldestC,
    lifeK: changed.life.marginK - now.life.marginK,
    lifeMarginK: changed.life.marginK,
    heatKWh: changed.heatKWh,
    savedKWh,
    winterDli: changed.winterDli,
    lightShare: now.winterDli > 0 ? changed.winterDli / now.winterDli : 1,
    hottestC: changed.hottestC,
    hoursDamp: changed.hoursDamp,
    weeksWon,
    cost,
    aYear,
    paybackYears: yearly > 0.01 && paid > 0 ? paid / yearly : null,
  }
  return { ...rung, felt: isFelt(now, changed), why: whyOf(now, changed, move.group, rung) }
}

/** What rungs can be ranked by. */
export const RANKS = {
  money: 'what money buys',
  life: 'what lives there',
  degrees: 'degrees on the coldest night',
  heat: 'heat saved',
  payback: 'years to pay back',
  light: 'winter light',
} as const
export type Rank = keyof typeof RANKS

/** Nothing costs less than this: somebody has to do it. Money. */
const AN_ERRAND = 20
/** What is bought for a change is counted over so many years, unless others are chosen. */
export const LIFETIME_Y = 10
export const LIFETIMES_Y = [1, 5, LIFETIME_Y, 20, 30] as const

/** What a change costs to build and to run for some years, more than the house as it is, in its currency. */
export const lifetimeCost = ({ cost, aYear }: Pick<Rung, 'cost' | 'aYear'>, years: number = LIFETIME_Y): number =>
  cost + years * aYear

/** What a change does for its money over its years: where it helps for no more than an errand, as for one. */
export const forMoney = (helps: number, cost: number) => (helps > 0 ? helps / Math.max(AN_ERRAND, cost) : helps)

/**
 * Rungs in order, the best first. By money: how much better what lives there is kept for what is paid over the years,
 * or what is saved a year for what is paid once where a house is heated; what helps comes before what harms, what is
 * saved at the cost of a life that misses its bound comes last, and what does nothing is left out.
 */
export function ranked(rungs: readonly Rung[], by: Rank, heated: boolean, years: number = LIFETIME_Y): Rung[] {
  const key: Record<Rank, (r: Rung) => number> = {
    money: r => (heated ? forMoney(-r.aYear, r.cost) : forMoney(r.lifeK, lifetimeCost(r, years))),
    life: r => r.lifeK,
    degrees: r => r.gainK,
    heat: r => r.savedKWh,
    payback: r => (r.paybackYears === null ? -Infinity : -r.paybackYears),
    light: r => r.lightShare,
  }
  const of = key[by]
  const costsLife = (r: Rung) => Number(by === 'money' && r.lifeMarginK < 0 && r.lifeK < -COLDER_K)
  return rungs
    .filter(r => r.felt)
    .sort((a, b) => costsLife(a) - costsLife(b) || of(b) - of(a) || b.gainK - a.gainK || (a.id < b.id ? -1 : 1))
}

/** Whether a ladder ranks by heat: the house buys some. */
export const ranksByHeat = ({ topUp }: Pick<Design, 'topUp'>): boolean => isHeated(topUp.sources)
