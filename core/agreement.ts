import type { Extreme } from './answers'
import { withSharedBranches } from './design/branches'
import type { Design } from './design/types'
import { yearView, type YearView } from './view'
import type { YearEngine } from './year'

/** Score and months are of the same numbers, but for the digits that they are kept to, K. */
const ROUNDING_K = 0.01

/**
 * What of a year's view contradicts itself, in words; null where score, months and hours agree. A figure that does not
 * is never shown: a browser that works wrongly is no reason to tell a builder a wrong night.
 */
export function disagreement({ answers, hours }: YearView): string | null {
  const { airC } = hours
  let [least, most] = [Infinity, -Infinity]
  for (const c of airC) {
    if (Number.isNaN(c)) return 'an hour has no air'
    if (c < least) least = c
    if (c > most) most = c
  }
  const near = (a: number, b: number) => Math.abs(a - b) <= ROUNDING_K
  const { coldestNight, hottestAfternoon, months } = answers
  if (!near(coldestNight.insideC, least)) return 'the coldest night is not the coldest of its hours'
  if (!near(hottestAfternoon.insideC, most)) return 'the hottest afternoon is not the hottest of its hours'
  if (!near(airC[coldestNight.hour]!, least)) return 'the hour of the coldest night is another'
  if (!near(airC[hottestAfternoon.hour]!, most)) return 'the hour of the hottest afternoon is another'
  if (!near(Math.min(...months.map(m => m.insideMinC)), least)) return 'the months have another coldest night'
  if (!near(Math.max(...months.map(m => m.insideMaxC)), most)) return 'the months have another hottest afternoon'
  return null
}

/** The coldest hour by itself is within 0.05 K of the one that its year has; with room for digits, K. */
const AHEAD_K = 0.1

/**
 * An engine whose answers are looked at before anybody sees them. Both throw, with what is wrong, rather than give a
 * figure that contradicts itself or what was told of the same design before.
 */
export function watchedEngine(engine: Pick<YearEngine, 'run' | 'coldest'>): {
  view: (design: Design) => YearView
  coldest: (design: Design, as: { heated: boolean }) => Extreme
} {
  let ahead: { design: Design; insideC: number } | null = null
  const refuse = (why: string) => new Error(`its figures contradict each other: ${why}. Nothing of it is shown`)
  return {
    view(design) {
      const view = yearView(design, engine.run(design, { unheated: false }))
      const wrong = disagreement(view)
      if (wrong !== null) throw refuse(wrong)
      const isSame = ahead !== null && withSharedBranches(design, ahead.design) === ahead.design
      if (isSame && Math.abs(ahead!.insideC - view.answers.coldestNight.insideC) > AHEAD_K)
        throw refuse('another coldest night was told ahead of the year')
      return view
    },
    coldest(design, as) {
      const found = engine.coldest(design, as)
      if (!Number.isFinite(found.insideC)) throw refuse('the coldest hour has no air')
      if (as.heated) ahead = { design, insideC: found.insideC }
      return found
    },
  }
}
