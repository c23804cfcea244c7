import { boxAlong, metres, tooLong } from '../bodies/kind'
import { choice, count, group, length, type Value } from '../design/field'
import { rectangleOf } from '../geometry/footprint'
import { ALONGSIDE, cm, movedAlong, PLANTED, stretchedAlong } from './common'
import type { BedKind } from './kind'

/** What is left of a bed beside and behind the way in is no narrower, m. */
const LEAST_ARM_M = 0.2
/** A way in is no shallower, m. */
const LEAST_DEEP_M = 0.2

const SIDES = [
  { id: 'pole', name: 'from the back' },
  { id: 'sunny', name: 'from the sunny side' },
] as const

/** A bed with ways into it, evenly along it: one stands in each and reaches all round. */
const fields = group(
  {
    kind: choice([{ id: 'keyhole bed', name: 'Keyhole bed' }], {}),
    ...ALONGSIDE,
    lengthM: length(0.6, 100, { start: 2.4, label: 'long' }),
    notches: count(1, 20, { start: 1, label: 'Ways in' }),
    notchM: length(0.3, 3, { start: 0.5, step: 0.05, label: 'Each way in, wide' }),
    notchDeepM: length(LEAST_DEEP_M, 9, { start: 0.7, step: 0.05, label: 'Each way in, deep' }),
    from: choice(SIDES, { start: 'pole', label: 'One steps in' }),
    ...PLANTED,
  },
  { label: 'Bed #' },
)
type Keyhole = Value<typeof fields>

export const KEYHOLE: BedKind<Keyhole> & { fields: typeof fields } = {
  kind: 'keyhole bed',
  name: 'Keyhole bed',
  fields,
  fresh: room => {
    const widthM = Math.max(0.6, Math.min(1.4, cm(room.widthM / 3)))
    return {
      atM: 0.15,
      widthM,
      lengthM: Math.max(1, Math.min(2.4, cm(room.lengthM / 2))),
      heightM: 0.4,
      notchDeepM: cm(widthM / 2),
    }
  },
  pieces: ({ atM, widthM, lengthM, offsetM, notches, notchM, notchDeepM, from }, room) => {
    const { x0, x1, y0, y1 } = boxAlong(room, [atM, atM + widthM], [0, 0], lengthM, offsetM)
    const pitch = (y1 - y0) / notches
    const [wide, deep] = [Math.min(notchM, pitch - 0.02), Math.min(notchDeepM, x1 - x0 - 0.02)]
    const [b0, b1] = from === 'pole' ? [x0, x1 - deep] : [x0 + deep, x1]
    const starts = Array.from({ length: notches }, (_, k) => y0 + (k + 0.5) * pitch - wide / 2)
    // Between the ways in it is as wide as it is; behind each there is what that leaves.
    const arms = [y0, ...starts.map(y => y + wide)].map((y, k) => rectangleOf(x0, x1, y, starts[k] ?? y1))
    return [...arms, ...starts.map(y => rectangleOf(b0, b1, y, y + wide))]
  },
  unfit: ({ atM, widthM, lengthM, notches, notchM, notchDeepM }, room) => {
    const long = tooLong(room, atM, atM + widthM, lengthM)
    if (long) return long
    const [wide, deep] = [lengthM / notches - 2 * LEAST_ARM_M, widthM - LEAST_ARM_M]
    if (notchM > wide + 1e-9)
      return wide < 0.3
        ? { field: 'notches', message: 'leave no bed between them', allowed: 'fewer ways in, or a longer bed' }
        : { field: 'notchM', message: 'leaves no bed beside the way in', allowed: `at most ${metres(wide)}` }
    if (notchDeepM > deep + 1e-9)
      return { field: 'notchDeepM', message: 'leaves no bed behind the way in', allowed: `at most ${metres(deep)}` }
    return null
  },
  width: { field: 'widthM', least: LEAST_DEEP_M + LEAST_ARM_M },
  length: { field: 'lengthM', least: 0.7 },
  place: 'atM',
  stretched: (bed, factor) => {
    const along = stretchedAlong(bed, factor)
    // The shallowest way in and the bed behind it are the narrowest that it can be.
    const widthM = Math.max(LEAST_DEEP_M + LEAST_ARM_M, along.widthM)
    const notchDeepM = cm(Math.min(widthM - LEAST_ARM_M, Math.max(LEAST_DEEP_M, bed.notchDeepM * factor)))
    return { ...along, widthM, notchDeepM }
  },
  moved: movedAlong,
  notRound: null,
}
