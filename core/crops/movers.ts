import type { Design } from '../design/types'
import { patchDesign } from '../editing'
import { HEAT_MOVES } from '../moves/heat'
import { COVER_MOVES } from '../moves/cover'
import { moveWords, type Move } from '../moves/registry'
import type { Show } from '../units'
import { weeksTold, wonAgainst, weekName } from './told'
import type { CropRow } from './calendar'

/** What a grower can do for a crop, without building anew. */
const MOVES: readonly Move[] = [...COVER_MOVES, ...HEAT_MOVES].filter(m =>
  ['row-cover', 'heater', 'bed-loop'].includes(m.id),
)

/** A house in which one thing is done for its crops. */
export interface Mover {
  id: string
  words: string
  design: Design
}

/** What a design does not do for its crops yet: each by itself. */
export const moversOf = (design: Design, show: Show): Mover[] =>
  MOVES.flatMap(move => {
    const patch = move.of(design)
    return patch ? [{ id: move.id, words: moveWords(move, design, show), design: patchDesign(design, patch) }] : []
  })

/** What a change moves in a crop's year, in weeks; empty where it moves nothing. */
export function movedTold(now: CropRow, then: CropRow): string {
  const [before, after] = [now.inside[0], then.inside[0]]
  if (!before && !after) return ''
  if (!before) return `ripens then, planted from ${weekName(after!.first.planted)} on`
  if (!after) return 'no longer ripens'
  const won = wonAgainst(then.inside, now.inside)
  const more = then.harvestWeeks.inside - now.harvestWeeks.inside
  if (!won) return more === 0 ? '' : `${weeksTold(more, 'more', 'fewer')} of harvest`
  return [
    ...(won.early !== 0 ? [`first harvest ${weeksTold(won.early, 'earlier', 'later')}`] : []),
    ...(won.late !== 0 ? [`last harvest ${weeksTold(won.late, 'later', 'earlier')}`] : []),
  ].join(', ')
}
