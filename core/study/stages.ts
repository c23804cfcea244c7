import type { Design } from '../design/types'
import { MOVES, type Before } from '../moves/registry'
import { designFaults } from '../editing'
import { housePrice } from '../takeoff/takeoff'
import { withMoves } from './find'

/** What is to be built when, by moves' ids: the first stage is built before the ground is filled and glass goes on. */
export const STAGE_NAMES = ['now', 'next year', 'some day'] as const
export type StageName = (typeof STAGE_NAMES)[number]

/** A stage of a plan: what is added in it, and the house as it then stands. */
export interface Stage {
  name: StageName
  moves: string[]
  design: Design
  /** What the stage costs by itself. */
  cost: number
  /** Moves of it that can't wait so long, and what is closed by then. */
  tooLate: { id: string; before: Before }[]
}

/** A plan that can't be built, by the stage at which it fails. */
export class StageFailed extends Error {
  constructor(readonly stage: StageName) {
    super(`What is planned for “${stage}” can’t be built on what is there by then. Move something to another stage.`)
    this.name = 'StageFailed'
  }
}

/**
 * A plan in stages: the house after each. What belongs in the ground or the frame must stand in the first.
 * @param when by a move's id; what is left out is not built
 * @throws StageFailed where moves get in each other's way
 */
export function planStages(design: Design, when: Readonly<Record<string, StageName>>): Stage[] {
  const stages: Stage[] = []
  let at = design
  let paid = housePrice(design)
  for (const name of STAGE_NAMES) {
    const moves = MOVES.filter(m => when[m.id] === name)
    const next = withMoves(at, moves)
    if (!next || (moves.length > 0 && designFaults(next).length > designFaults(at).length)) throw new StageFailed(name)
    const cost = housePrice(next)
    const tooLate = name === 'now' ? [] : moves.flatMap(m => (m.before ? [{ id: m.id, before: m.before }] : []))
    stages.push({ name, moves: moves.map(m => m.id), design: next, cost: cost - paid, tooLate })
    at = next
    paid = cost
  }
  return stages
}
