import type { Design } from '../design/types'
import { designFaults, patchDesign } from '../editing'
import { AIR_MOVES } from './air'
import { COLD_MOVES } from './cold'
import type { Move } from './move'

export type { Move, MoveGroup } from './move'

/** Every move, by what it changes. */
export const MOVES: readonly Move[] = [...COLD_MOVES, ...AIR_MOVES]

/** A move laid on a design. */
export interface Laid {
  move: Move
  design: Design
}

/** Those of some moves that a design can take, each laid on it by itself. */
export function laidOn(design: Design, moves: readonly Move[] = MOVES): Laid[] {
  return moves.flatMap((move): Laid[] => {
    const patches = move.of(design)
    if (!patches) return []
    const laid = patchDesign(design, patches)
    return designFaults(laid).length === 0 ? [{ move, design: laid }] : []
  })
}
