import { needsOf, type CropChoice } from '../aim/aim-line'
import { CROPS, type CropNeeds } from '../catalog'
import { MONTH_OF_DAY } from '../climate/types'
import { quantile } from '../study/ensemble'
import {
  grow,
  HOLDS,
  isPerennial,
  metIn,
  paceOf,
  plantedAfter,
  START_PACE,
  STILL_PACE,
  type CropPace,
  type Grown,
  type Hold,
  type Standing,
} from './grow'
import { WEEKS, weekStart, type CropWeeks, type CropYear } from './weeks'

/** What fails in more of the years than this is not counted on: one year in five. */
export const ALLOWED = 0.2
/** So many bad weeks between good ones are no gap. */
const SHORT_GAP = 2
/** Less than this is wanting of a full pace, and is not told. */
const NEARLY = 0.99

/** What a week usually lets a crop do. */
export type CropState = 'grows' | 'slow' | 'still' | 'dies'

/** A week of a crop, over all years. */
export interface CropWeek {
  state: CropState
  /** How fast it usually grows, 0–1 of its pace in fair conditions. */
  pace: number
  /** Share of the years in which an hour of the week kills it. */
  dies: number
  /** What holds it back in a usual year, the most first. */
  holds: Hold[]
}

/** A stretch of weeks, both counted in; it may go over the turn of the year. */
export interface Span {
  from: number
  until: number
}

/** What comes of a crop that is sown in a week, over all years. */
export interface Sowing {
  sown: number
  planted: number
  /** Share of the years in which it is ripe within a year, and is not killed before. */
  ripens: number
  /** First harvest and the last week of it in a usual one of those years; weeks from its sowing on. */
  firstAfter: number
  endAfter: number
  /** In one year in five its leaves are colder than this while it stands, °C. */
  coldC: number
}

/** Weeks in which a crop can be sown one after the other, and what comes of it. */
export interface Sowings {
  sow: Span
  /** null where it is sown where it grows. */
  plant: Span | null
  harvest: Span
  /** Of the first of them. */
  first: Sowing
}

export interface CropRow {
  id: string
  name: string
  needs: CropNeeds
  perennial: boolean
  weeks: CropWeek[]
  /** By month, what was asked of it, and whether the house gives that. */
  months: { asked: CropChoice['months'][number]; state: CropState; holds: Hold[]; dies: number }[]
  /** Of every week; null where it can't be sown in four years of five. */
  sowings: (Sowing | null)[]
  inside: Sowings[]
  open: Sowings[]
  /** How many of the weeks it can be harvested in, under cover and in the open. */
  harvestWeeks: { inside: number; open: number }
  /** How the year goes as it is asked for: a sowing for each stretch of months in which it is to grow. */
  planned: Sowing[]
}

const wrap = (w: number): number => ((w % WEEKS) + WEEKS) % WEEKS
const monthOfWeek = (w: number): number => MONTH_OF_DAY[weekStart(w) + 3]!

/** A crop of the calendar: its needs, and whether its harvest stands through the cold. One's own ones do not. */
const standing = (choice: Pick<CropChoice, 'id' | 'needs'>): Standing => ({
  ...needsOf({ ...choice, months: [] }),
  stands: CROPS.find(c => c.id === choice.id)?.stands ?? false,
})

/** A crop in all years of one place. */
interface InYears {
  needs: Standing
  weeks: readonly CropWeeks[]
  paces: readonly CropPace[]
}
const inYears = (needs: Standing, weeks: readonly CropWeeks[]): InYears => ({
  needs,
  weeks,
  paces: weeks.map(y => paceOf(needs, y)),
})
const usually = (of: readonly number[]): number => quantile(of, 0.5)

/** A crop's year, week by week and with its chances, under cover and in the open. At least one year. */
export function cropRow(choice: CropChoice, years: readonly CropYear[]): CropRow {
  const needs = standing(choice)
  const perennial = isPerennial(needs)
  const inside = inYears(
    needs,
    years.map(y => y.inside),
  )
  const weeks = Array.from({ length: WEEKS }, (_, w) => weekOf(inside, w))
  const sowings = perennial ? [] : sowingsIn(inside)
  const open = perennial
    ? []
    : sowingsIn(
        inYears(
          needs,
          years.map(y => y.open),
        ),
      )
  const runs = { inside: runsOf(sowings), open: runsOf(open) }
  return {
    id: choice.id,
    name: needs.name,
    needs,
    perennial,
    weeks,
    months: choice.months.map((asked, m) => ({ asked, ...monthOf(weeks, m) })),
    sowings,
    ...runs,
    harvestWeeks: { inside: harvestedIn(runs.inside), open: harvestedIn(runs.open) },
    planned: perennial ? [] : planned(choice, sowings, inside),
  }
}

function weekOf({ needs, weeks, paces }: InYears, w: number): CropWeek {
  const met = weeks.map(y => metIn(needs, y, w))
  const usual = Object.fromEntries(HOLDS.map(h => [h, usually(met.map(m => m[h]))])) as Record<Hold, number>
  const holds = HOLDS.filter(h => usual[h] < NEARLY).sort((a, b) => usual[a] - usual[b])
  const dies = paces.filter(y => y.dies[w] === 1).length / paces.length
  const pace = usually(paces.map(y => y.pace[w]!))
  const alive = holds.length === 0 ? 'grows' : pace < STILL_PACE ? 'still' : 'slow'
  return { pace, dies, holds, state: dies > ALLOWED + 1e-9 ? 'dies' : alive }
}

/** A month is as the worst of its weeks. */
function monthOf(weeks: readonly CropWeek[], month: number): Omit<CropRow['months'][number], 'asked'> {
  const its = weeks.filter((_, w) => monthOfWeek(w) === month)
  const rank = (w: CropWeek) => (w.state === 'dies' ? 1 + w.dies : -w.pace)
  const worst = its.reduce((a, b) => (rank(b) > rank(a) ? b : a))
  return { state: worst.state, holds: worst.holds, dies: Math.max(...its.map(w => w.dies)) }
}

/**
 * What comes of a sowing in each week in which it usually starts well, and ripens in four years of five. A week or two
 * of bad starts between good ones are none.
 */
function sowingsIn(its: InYears): (Sowing | null)[] {
  const { needs, weeks, paces } = its
  const startsWell = (w: number) =>
    usually(weeks.map(y => y.soilC[w]!)) >= needs.soilC && usually(paces.map(y => y.pace[w]!)) >= START_PACE
  const bad = spansOf(w => !startsWell(w)).filter(s => weeksTo(s.from, s.until) >= SHORT_GAP)
  return Array.from({ length: WEEKS }, (_, sown) => {
    const planted = wrap(sown + plantedAfter(needs))
    if (bad.some(s => isWithin(planted, s))) return null
    const found = sowing(its, sown)
    return found && found.ripens >= 1 - ALLOWED - 1e-9 ? found : null
  })
}

/** The warmest of the coldest fifth of some years: in so many of them it is as cold, or colder. */
const coldestFifth = (of: readonly number[]): number =>
  [...of].sort((a, b) => a - b)[Math.max(0, Math.ceil(ALLOWED * of.length) - 1)]!

/** What comes of a sowing in one week; null where it never ripens. */
function sowing({ needs, weeks, paces }: InYears, sown: number): Sowing | null {
  const grown = paces.map(y => grow(needs, y, sown))
  const ripe = grown.filter((g): g is Grown & { firstAfter: number } => g.firstAfter !== null)
  if (ripe.length === 0) return null
  const out = plantedAfter(needs)
  const endAfter = Math.round(usually(ripe.map(g => g.endAfter)))
  const stood = Array.from({ length: Math.max(1, endAfter - out) }, (_, k) => wrap(sown + out + k))
  return {
    sown,
    planted: wrap(sown + out),
    ripens: ripe.length / paces.length,
    firstAfter: Math.round(usually(ripe.map(g => g.firstAfter))),
    endAfter,
    coldC: coldestFifth(weeks.map(y => Math.min(...stood.map(w => y.leafLowC[w]!)))),
  }
}

/** Weeks on end for which something is so, in the order of the year; one may go over its turn. */
export function spansOf(is: (week: number) => boolean): Span[] {
  const spans: Span[] = []
  const off = Array.from({ length: WEEKS }, (_, w) => w).find(w => !is(w))
  if (off === undefined) return [{ from: 0, until: WEEKS - 1 }]
  for (let k = 1; k <= WEEKS; k++) {
    const w = wrap(off + k)
    if (!is(w)) continue
    if (is(wrap(w - 1))) spans.at(-1)!.until = w
    else spans.push({ from: w, until: w })
  }
  return spans.sort((a, b) => a.from - b.from)
}

/** Weeks from one to another, going forward. */
export const weeksTo = (from: number, to: number): number => wrap(to - from)
export const isWithin = (w: number, { from, until }: Span): boolean => weeksTo(from, w) <= weeksTo(from, until)

function runsOf(sowings: readonly (Sowing | null)[]): Sowings[] {
  return spansOf(w => !!sowings[w]).map(sow => {
    const its = Array.from({ length: weeksTo(sow.from, sow.until) + 1 }, (_, k) => sowings[wrap(sow.from + k)]!)
    const first = its[0]!
    // From the first of all to the last of all, as they come after the first sowing.
    const starts = its.map((s, k) => k + s.firstAfter)
    const ends = its.map((s, k) => k + s.endAfter - 1)
    const [from, until] = [Math.min(...starts), Math.max(...ends)]
    const all = until - from >= WEEKS - 1
    return {
      sow,
      plant: first.planted === first.sown ? null : { from: first.planted, until: its.at(-1)!.planted },
      harvest: all ? { from: 0, until: WEEKS - 1 } : { from: wrap(sow.from + from), until: wrap(sow.from + until) },
      first,
    }
  })
}

const harvestedIn = (runs: readonly Sowings[]): number =>
  Array.from({ length: WEEKS }, (_, w) => w).filter(w => runs.some(r => isWithin(w, r.harvest))).length

/** Months on end in which a crop is asked to grow: the first of each stretch, and how many. */
export function grownMonths({ months }: Pick<CropChoice, 'months'>): { from: number; months: number }[] {
  const grows = (m: number) => months[(m + 12) % 12] === 'grow'
  const starts = [...Array(12).keys()].filter(m => grows(m) && !grows(m - 1))
  if (starts.length === 0) return grows(0) ? [{ from: 0, months: 12 }] : []
  return starts.map(from => {
    let n = 1
    while (grows(from + n)) n++
    return { from, months: n }
  })
}

/**
 * A sowing for each stretch of months in which a crop is asked to grow: the first of which it is planted within those
 * months and ripens in four years of five; else the one that ripens in most years.
 */
function planned(choice: CropChoice, sowings: readonly (Sowing | null)[], its: InYears): Sowing[] {
  return grownMonths(choice).flatMap(({ from, months }) => {
    const first = Array.from({ length: WEEKS }, (_, w) => w).find(w => monthOfWeek(w) === from)!
    const within = Array.from({ length: WEEKS }, (_, k) => wrap(first + k))
      .filter(w => (monthOfWeek(w) - from + 12) % 12 < months)
      .map(w => wrap(w - plantedAfter(its.needs)))
    const sure = within.find(w => sowings[w])
    if (sure !== undefined) return [sowings[sure]!]
    const may = within.map(w => sowing(its, w)).filter(s => s !== null)
    return may.length > 0 ? [may.reduce((a, b) => (b.ripens > a.ripens ? b : a))] : []
  })
}

/** Whether the house gives a month what was asked of it: to grow, if slowly, or to live. */
export const isKept = ({ asked, state }: CropRow['months'][number]): boolean =>
  asked === '' || (asked === 'hold' ? state !== 'dies' : state === 'grows' || state === 'slow')
