import { metres } from '../bodies/kind'
import { angle, choice, group, length, type Value } from '../design/field'
import type { Footprint, PlanPoint } from '../geometry/footprint'
import { DOME_RINGS, DOME_SIDES } from '../geometry/round'
import { RAD } from '../physics/constants'
import { ALONGSIDE, PLANTED, plantedOf } from './common'
import type { BedKind, BedRoom } from './kind'

/** A bed along the rim of a round house, from one place round it to another. */
const fields = group(
  {
    kind: choice([{ id: 'rim bed', name: 'Rim bed' }], {}),
    aroundDeg: angle(-180, 180, {
      start: 0,
      step: 5,
      label: 'Its middle, round from the sunny side',
      hint: 'To the east (+) or west (−).',
    }),
    spanDeg: angle(10, 340, { start: 90, step: 5, label: 'It goes round by' }),
    widthM: length(0.2, 10, { start: 0.8, label: 'wide' }),
    heightM: ALONGSIDE.heightM,
    ...PLANTED,
  },
  { label: 'Bed #' },
)
type Rim = Value<typeof fields>

/** Angle between corners of a round house. */
const SIDE_DEG = 360 / DOME_SIDES
/** Half a side, as what of the radius its middle has. */
const APOTHEM = Math.cos(Math.PI / DOME_SIDES)

/** How much of the radius is clear under the lowest glazing at a height, 0–1. */
function clearShare({ kneeWallM, ridgeHeightM }: BedRoom, heightM: number): number {
  const rise = ridgeHeightM - kneeWallM
  const up = Math.max(0, heightM - kneeWallM) / Math.max(0.01, rise * Math.sin(Math.PI / 2 / DOME_RINGS))
  return Math.max(0.05, 1 - (1 - Math.cos(Math.PI / 2 / DOME_RINGS)) * up)
}

/** Mean radius of the floor at the middle of a side, m. */
const middleM = ({ lengthM, widthM }: BedRoom) => (APOTHEM * (lengthM + widthM)) / 4

/** Along a side of the floor at an angle from the sunny side towards the east, as far out as a share of the way. */
function onSide({ lengthM, widthM }: BedRoom, deg: number, share: number): PlanPoint {
  // Corners stand at half a side's angle and on from there: the angle is kept in the round, then drawn out.
  const within = ((((deg + SIDE_DEG / 2) % SIDE_DEG) + SIDE_DEG) % SIDE_DEG) - SIDE_DEG / 2
  const r = (share * APOTHEM) / Math.cos(within * RAD)
  return [(widthM / 2) * (1 - r * Math.cos(deg * RAD)), (lengthM / 2) * (1 + r * Math.sin(deg * RAD))]
}

export const RIM: BedKind<Rim> & { fields: typeof fields } = {
  kind: 'rim bed',
  name: 'Rim bed',
  fields,
  fresh: room => ({ aroundDeg: 0, spanDeg: 90, widthM: Math.min(0.8, Math.max(0.2, room.widthM / 5)), heightM: 0.4 }),
  pieces: ({ aroundDeg, spanDeg, widthM, heightM }, room) => {
    const outer = clearShare(room, heightM)
    const inner = Math.max(0.02, outer - widthM / middleM(room))
    const [from, to] = [aroundDeg - spanDeg / 2, aroundDeg + spanDeg / 2]
    const marks = [from]
    const first = Math.ceil((from + SIDE_DEG / 2 + 1e-6) / SIDE_DEG)
    for (let k = first; k * SIDE_DEG - SIDE_DEG / 2 < to - 1e-6; k++) marks.push(k * SIDE_DEG - SIDE_DEG / 2)
    marks.push(to)
    return marks.slice(1).map((b, i): Footprint => {
      const a = marks[i]!
      return [onSide(room, a, inner), onSide(room, b, inner), onSide(room, b, outer), onSide(room, a, outer)]
    })
  },
  unfit: ({ widthM, heightM }, room) => {
    if (!room.dome) return { field: 'kind', message: 'goes round the rim of a dome', allowed: 'a bed along the house' }
    const most = (clearShare(room, heightM) - 0.1) * middleM(room)
    return widthM > most + 1e-9
      ? { field: 'widthM', message: 'goes past the middle of the dome', allowed: `at most ${metres(most)}` }
      : null
  },
  width: { field: 'widthM', least: 0.2 },
  length: { field: 'spanDeg', least: 10 },
  place: 'aroundDeg',
  stretched: () => ({}),
  moved: () => ({}),
  notRound: bed => {
    const { widthM, heightM } = bed
    return { ...plantedOf(bed), kind: 'bed', atM: 0.1, widthM, heightM, lengthM: null, offsetM: 0 }
  },
}
