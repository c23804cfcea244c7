import { dayName, MONTH_NAMES } from '../climate'
import { listed } from '../text/listed'
import type { Show } from '../units'
import {
  ALLOWED,
  isKept,
  spansOf,
  weeksTo,
  type CropRow,
  type CropState,
  type Sowings,
  type Sowing,
  type Span,
} from './calendar'
import type { Hold } from './grow'
import { WEEKS, weekStart } from './weeks'

/** The day on which a week begins: `20 April`. */
export const weekName = (week: number): string => dayName(weekStart(week))
const lastDayName = (week: number): string => dayName(Math.min(364, weekStart(week) + (week === WEEKS - 1 ? 7 : 6)))
export const isAllYear = ({ from, until }: Span): boolean => weeksTo(from, until) === WEEKS - 1

/** From the first day of a stretch of weeks to its last. */
export const spanTold = (span: Span): string =>
  isAllYear(span) ? 'all year' : `${weekName(span.from)} to ${lastDayName(span.until)}`

/** What holds a crop back, as its bounds say it. */
export const HOLD_WORDS: Record<Hold, { name: string; bound: (row: CropRow, show: Show) => string }> = {
  night: { name: 'cold nights', bound: ({ needs }, show) => `grows from ${show(needs.growsC, 'temperature')} on` },
  soil: { name: 'cold soil', bound: ({ needs }, show) => `wants ${show(needs.soilC, 'temperature')}` },
  light: { name: 'too little light', bound: ({ needs }) => `wants ${needs.dli} mol/m² a day` },
  heat: { name: 'hot days', bound: ({ needs }, show) => `bears ${show(needs.highestC, 'temperature')}` },
}

/** What a state of a crop is called. */
export const STATE_WORDS: Record<CropState, string> = {
  grows: 'grows',
  slow: 'alive, but slow',
  still: 'alive, and stands still',
  dies: 'dies in more than one year in five',
}

/** The stretches of a year in which a crop is in one state, in the order of the year. */
export const stateSpans = (row: CropRow, state: CropState): Span[] => spansOf(w => row.weeks[w]!.state === state)

/** What holds a crop back, and when. */
export function heldBackTold(row: CropRow, show: Show): string[] {
  const deadly = spansOf(w => row.weeks[w]!.dies > ALLOWED + 1e-9)
  const worst = Math.max(...row.weeks.map(w => w.dies))
  const kills = `its leaves bear ${show(row.needs.survivesC, 'temperature')}`
  return [
    ...(deadly.length > 0
      ? [`killed by cold ${listed(deadly.map(spanTold))}, in up to ${share(worst)} of years (${kills})`]
      : worst > 0
        ? [`killed by cold in ${share(worst)} of years (${kills})`]
        : []),
    ...(['night', 'soil', 'light', 'heat'] as const).flatMap(hold => {
      const spans = spansOf(w => row.weeks[w]!.holds.includes(hold))
      const { name, bound } = HOLD_WORDS[hold]
      return spans.length > 0 ? [`${name} ${listed(spans.map(spanTold), 3)} (${bound(row, show)})`] : []
    }),
  ]
}

const share = (v: number): string => `${Math.round(v * 100)} %`

/** One stretch of sowings, in the order in which the work is done. */
function sowingsTold({ sow, plant, harvest, first }: Sowings, show: Show): string {
  const cold = `one year in five brings its leaves ${show(first.coldC, 'temperature')} or less`
  if (isAllYear(sow))
    return `Can be sown all year, and harvested ${isAllYear(harvest) ? 'all year' : spanTold(harvest)}`
  return plant
    ? `Sow in pots ${spanTold(sow)}, plant out from ${weekName(plant.from)} (${cold}), harvest ${spanTold(harvest)}`
    : `Sow ${spanTold(sow)} (${cold}), harvest ${spanTold(harvest)}`
}

/** How a crop's year goes, with its chances, against the open. */
export function rowTold(row: CropRow, show: Show): string {
  if (row.perennial) {
    const grows = spansOf(w => row.weeks[w]!.state === 'grows' || row.weeks[w]!.state === 'slow')
    const dies = stateSpans(row, 'dies')
    const lives = dies.length === 0 ? 'Lives here all year' : `Dies here in more than one year in five`
    return `${lives}; it grows ${grows.length > 0 ? listed(grows.map(spanTold)) : 'in no week'}.`
  }
  if (row.inside.length === 0) return 'In four years of five it does not ripen here, whenever it is sown.'
  return `${row.inside.map(s => sowingsTold(s, show)).join('. ')}. ${openTold(row)}`
}

/** The same crop in the open, and the weeks that the house wins. */
export function openTold({ open, inside, harvestWeeks }: CropRow): string {
  if (open.length === 0) return 'In the open it does not ripen here.'
  const it = `In the open: harvest ${listed(open.map(s => spanTold(s.harvest)))}`
  const won = wonAgainst(inside, open)
  if (!won) return `${it}; ${harvestWeeks.inside} weeks of harvest here, ${harvestWeeks.open} there.`
  const here = [
    ...(won.early !== 0 ? [weeksTold(won.early, 'earlier', 'later')] : []),
    ...(won.late !== 0 ? [weeksTold(won.late, 'longer', 'shorter')] : []),
  ]
  return here.length > 0 ? `${it}; here ${listed(here)}.` : `${it}, as here.`
}

export const weeksTold = (n: number, more: string, less: string): string =>
  `${Math.abs(n)} ${Math.abs(n) === 1 ? 'week' : 'weeks'} ${n >= 0 ? more : less}`

/** Weeks by which the first harvest is earlier than in the open, and the last later, where each is one stretch. */
export function wonAgainst(
  inside: readonly Sowings[],
  open: readonly Sowings[],
): { early: number; late: number } | null {
  const [a, b] = [inside[0], open[0]]
  if (!a || !b || inside.length > 1 || open.length > 1 || isAllYear(a.harvest) || isAllYear(b.harvest)) return null
  const shift = (from: number, to: number) => ((to - from + WEEKS + WEEKS / 2) % WEEKS) - WEEKS / 2
  return { early: shift(a.harvest.from, b.harvest.from), late: shift(b.harvest.until, a.harvest.until) }
}

/** A sowing that is planned: its days, and how sure it is. */
export function plannedTold(s: Sowing): string {
  const day = (after: number) => weekName((s.sown + after) % WEEKS)
  const out = s.planted === s.sown ? '' : `plant out ${weekName(s.planted)}, `
  const last = lastDayName((s.sown + s.endAfter - 1) % WEEKS)
  return `sow ${weekName(s.sown)}, ${out}harvest ${day(s.firstAfter)} to ${last}`
}

/** What the choice means, in a sentence or two: which months the house does not give, and what would. */
export function aimSentence(rows: readonly CropRow[]): string {
  if (rows.length === 0) return 'No crops are chosen yet: the two temperatures stand for every month.'
  const failing = rows.filter(r => r.months.some(m => !isKept(m)))
  const kept = rows.filter(r => r.months.some(m => m.asked !== '') && r.months.every(isKept))
  const parts = failing.slice(0, 3).map(row => {
    const months = row.months.map((c, m) => ({ ...c, name: MONTH_NAMES[m]! })).filter(c => !isKept(c))
    const cold = months.filter(c => c.state === 'dies' || c.holds[0] === 'night' || c.holds[0] === 'soil')
    const dark = months.filter(c => c.holds[0] === 'light')
    const in2 = (of: typeof months) =>
      listed(
        of.map(c => c.name),
        2,
      )
    if (cold.length > 0) return `${row.name} in ${in2(cold)} would mean heat`
    if (dark.length > 0) return `${row.name} in ${in2(dark)} would mean lamps`
    return `${row.name} is too hot in ${in2(months)}`
  })
  if (kept.length > 0)
    parts.push(
      `${listed(kept.slice(0, 3).map(r => r.name))} ${kept.length === 1 ? 'does' : 'do'} not ask more than ` +
        `this house gives`,
    )
  return `${parts.join('; ')}.`
}
