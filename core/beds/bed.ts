import { boxAlong, tooLong } from '../bodies/kind'
import { choice, group, type Value } from '../design/field'
import { rectangleOf } from '../geometry/footprint'
import { ALONGSIDE, movedAlong, PLANTED, stretchedAlong } from './common'
import type { BedKind } from './kind'

/** A bed along the house, or a part of it: rows of them leave cross-paths between them. */
const fields = group({ kind: choice([{ id: 'bed', name: 'Bed' }], {}), ...ALONGSIDE, ...PLANTED }, { label: 'Bed #' })
type Straight = Value<typeof fields>

export const BED_ALONG: BedKind<Straight> & { fields: typeof fields } = {
  kind: 'bed',
  name: 'Bed',
  fields,
  fresh: room => ({ atM: 0.15, widthM: Math.min(0.9, room.widthM - 0.3), heightM: 0.4 }),
  pieces: ({ atM, widthM, lengthM, offsetM }, room) => {
    const { x0, x1, y0, y1 } = boxAlong(room, [atM, atM + widthM], [0, 0], lengthM ?? 0, offsetM)
    return [rectangleOf(x0, x1, y0, y1)]
  },
  unfit: ({ atM, widthM, lengthM }, room) => (lengthM === null ? null : tooLong(room, atM, atM + widthM, lengthM)),
  width: { field: 'widthM', least: 0.2 },
  length: { field: 'lengthM', least: 0.2 },
  place: 'atM',
  stretched: stretchedAlong,
  moved: movedAlong,
  notRound: null,
}
