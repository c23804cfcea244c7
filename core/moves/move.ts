import type { Design } from '../design/types'
import type { Patch } from '../editing'
import type { Show } from '../units'

/** What a move changes about a house, for lists of them. */
export const MOVE_GROUPS = {
  cover: 'Night cover',
  glazing: 'Glazing',
  walls: 'Walls and roof',
  edge: 'Ground edge',
  tightness: 'Tightness',
  store: 'Store',
  shape: 'Shape',
  air: 'Air',
  heat: 'Heat and light',
} as const
export type MoveGroup = keyof typeof MOVE_GROUPS

/** When it must be in at the latest: what is in the ground before that is filled, what is in the frame before glass. */
export type Before = 'backfill' | 'glazing'

/** One sensible single change to a design. A new one is an entry in its group's list, and in none other. */
export interface Move {
  id: string
  group: MoveGroup
  /** What is done, as one would say it to the builder. */
  words: string | ((design: Design, show: Show) => string)
  /** null or left out: it can be added at any time. */
  before?: Before
  /** It can be done again and again. */
  again?: boolean
  /** As edits of the document; null where the design has it already, or it cannot be built. */
  of: (design: Design) => readonly Patch[] | null
}
