import type { Design } from '../design/types'
import type { Patch } from '../editing'

/** What a move changes about a house, for lists of them. */
export type MoveGroup = 'cover' | 'store' | 'tightness' | 'heat' | 'air'

/** One sensible single change to a design. A new one is an entry in its group's list, and in none other. */
export interface Move {
  id: string
  group: MoveGroup
  /** What is done, as one would say it to the builder. */
  words: string
  /** As edits of the document; null where the design has it already, or it cannot be built. */
  of: (design: Design) => readonly Patch[] | null
}
