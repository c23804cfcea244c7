import type { Answers } from '../answers'
import type { Design } from '../design/types'
import type { Patch } from '../editing'
import type { Before, Laid, MoveGroup } from '../moves/registry'
import type { LossName } from '../network/series'
import { isHeated } from '../sources/registry'
import type { Brief } from './brief'

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
/** Gains under this are not felt, K. */
const LITTLE_K = 0.15
const weeks = (n: number) => (Math.abs(n - 1) < 0.07 ? 'a week' : `${n.toFixed(1)} weeks`)
const percent = (share: number) => `${Math.round(share * 100)}\u00a0%`

/** Why a rung ranks where it does: what its kind of loss is of the worst night, and what it costs besides money. */
function whyOf(now: Brief, answers: Answers, group: MoveGroup, rung: Omit<Rung, 'why'>): string {
  const said: string[] = []
  const kind = WAYS[group]
  if (kind) {
    const share = answers.worstNightLosses
      .filter(l => (kind.ways as readonly string[]).includes(l.name))
      .reduce((sum, l) => sum + l.share, 0)
    const little = rung.gainK >= 0 && rung.gainK < LITTLE_K && rung.savedKWh < 0.02 * now.heatKWh + 1
    said.push(`${kind.words} ${percent(share)} of the worst night’s heat${little ? ': more stops paying' : ''}`)
  }
  if (group === 'store') {
    const share = answers.bodies.reduce((sum, b) => sum + Math.max(0, b.night.share), 0)
    said.push(
      share > 0
        ? `What stands inside gave back ${percent(share)} of the worst night’s heat`
        : 'Nothing inside gives heat back on the worst night yet',
    )
  }
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
  return all === '' ? '' : `${all.charAt(0).toUpperCase()}${all.slice(1)}.`
}

/**
 * A rung from its year.
 * @param now of the design as it is, and its answers
 * @param changed of the design with the move laid on it
 */
export function rungOf(design: Design, now: Brief, answers: Answers, laid: Laid, changed: Brief): Rung {
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
  return { ...rung, why: whyOf(now, answers, move.group, rung) }
}

/** What rungs can be ranked by. */
export const RANKS = {
  money: 'what money buys',
  degrees: 'degrees on the coldest night',
  heat: 'heat saved',
  payback: 'years to pay back',
  light: 'winter light',
} as const
export type Rank = keyof typeof RANKS

/** Nothing costs less than this: somebody has to do it. Money. */
const AN_ERRAND = 20

/**
 * Rungs in order, the best first. By money: degrees on the coldest night for it, or heat saved where a house is heated;
 * what helps comes before what harms.
 */
export function ranked(rungs: readonly Rung[], by: Rank, heated: boolean): Rung[] {
  const helps = (r: Rung) => (heated ? r.savedKWh : r.gainK)
  const key: Record<Rank, (r: Rung) => number> = {
    money: r => (helps(r) > 0 ? helps(r) / Math.max(AN_ERRAND, r.cost) : helps(r)),
    degrees: r => r.gainK,
    heat: r => r.savedKWh,
    payback: r => (r.paybackYears === null ? -Infinity : -r.paybackYears),
    light: r => r.lightShare,
  }
  const of = key[by]
  return [...rungs].sort((a, b) => of(b) - of(a) || b.gainK - a.gainK || (a.id < b.id ? -1 : 1))
}

/** Whether a ladder ranks by heat: the house buys some. */
export const ranksByHeat = ({ topUp }: Pick<Design, 'topUp'>): boolean => isHeated(topUp.sources)
