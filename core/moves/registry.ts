import type { Design } from '../design/types'
import { designFaults, keepsWays, patchDesign, type Patch } from '../editing'
import { accessOf, type Access } from '../geometry/access'
import { AIR_MOVES } from './air'
import { COVER_MOVES } from './cover'
import { GLAZING_MOVES } from './glazing'
import { HEAT_MOVES } from './heat'
import { inMetric, type Show } from '../units'
import type { Move } from './move'
import { SHAPE_MOVES } from './shape'
import { STORE_MOVES } from './store'
import { TIGHTNESS_MOVES } from './tightness'
import { WALL_MOVES } from './walls'

export { MOVE_GROUPS, type Before, type Move, type MoveGroup } from './move'

/** Every move, by what it changes. */
export const MOVES: readonly Move[] = [
  ...COVER_MOVES,
  ...TIGHTNESS_MOVES,
  ...STORE_MOVES,
  ...HEAT_MOVES,
  ...AIR_MOVES,
  ...WALL_MOVES,
  ...GLAZING_MOVES,
  ...SHAPE_MOVES,
]

/** What a person can still do when the forecast turns cold, or could have done before. */
const QUICK: readonly Move['group'][] = ['cover', 'tightness', 'store', 'heat', 'air']
export const QUICK_MOVES: readonly Move[] = MOVES.filter(m => QUICK.includes(m.group) && m.before === undefined)

/** What a move does to a design, in words and the reader's units. */
export const moveWords = ({ words }: Move, design: Design, show: Show = inMetric): string =>
  typeof words === 'string' ? words : words(design, show)

/** A move laid on a design: its words there, and what it changes. */
export interface Laid {
  move: Move
  words: string
  patches: readonly Patch[]
  design: Design
}

/** What decides where one gets to in a house. */
const MOVES_THINGS = /^(shape$|shape\.(beds|benches|lengthM|widthM|form|pathM)|store\.bodies|skin\.openings)/

/** Those of some moves that a design can take, each laid on it by itself. */
export function laidOn(design: Design, moves: readonly Move[] = MOVES, show: Show = inMetric): Laid[] {
  const before = new Set(designFaults(design).map(f => f.path + f.message))
  let ways: Access | null = null
  return moves.flatMap((move): Laid[] => {
    const patches = move.of(design)
    if (!patches) return []
    const laid = patchDesign(design, patches)
    if (designFaults(laid).some(f => !before.has(f.path + f.message))) return []
    if (patches.some(([path]) => MOVES_THINGS.test(path)) && !keepsWays((ways ??= accessOf(design)), accessOf(laid)))
      return []
    return [{ move, words: moveWords(move, design, show), patches, design: laid }]
  })
}
