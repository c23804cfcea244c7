import { COLOURS, entry, vesselOf, VESSELS } from '../catalog'
import { choice, count, entryOf, group, length, type Value } from '../design/field'
import { atM, COMMON } from './common'
import { contentsFields, contentsOf, filledChain, filledWith, idleContents, waterOf, WITH_WATER } from './contents'
import { boxAlong, lengthBetween, type BodyKind, type Box, type Room } from './kind'

/** Upright vessels in rows, and on each other. */
const fields = group(
  {
    kind: choice([{ id: 'drums', name: 'Barrels' }], {}),
    count: count(1, 2000, { usual: [1, 60], step: 1, label: 'How many' }),
    vessel: entryOf(VESSELS, { label: 'Vessel' }),
    colour: entryOf(COLOURS, { label: 'Colour' }),
    ...contentsFields,
    stack: count(1, 3, { step: 1, label: 'Stacked', about: 'how many stand on each other' }),
    raisedM: length(0, 1.5, { step: 0.05, label: 'Raised off the floor' }),
    atM,
    lengthM: length(0, 100, { label: 'spread over', hint: '0: as far along as the house goes.' }),
    offsetM: COMMON.offsetM,
  },
  { label: 'Barrels' },
)
export type Drums = Value<typeof fields>

/**
 * How they stand: rows across the section, one behind the other, as few as their length allows. They spread over it;
 * under a dome, which is long in its middle alone, they stand close.
 */
export function layDrums(body: Drums, room: Room) {
  const { diameterM } = entry(VESSELS, body.vessel)
  const columns = Math.ceil(body.count / body.stack)
  let rows = 0
  let perRowMost = 0
  let most = 0
  while (rows * perRowMost < columns) {
    rows++
    const least = lengthBetween(room, body.atM, body.atM + rows * diameterM)
    most = body.lengthM > 0 ? Math.min(body.lengthM, least) : least
    perRowMost = Math.max(1, Math.floor(most / diameterM + 1e-9))
  }
  const perRow = Math.ceil(columns / rows)
  return { perRowMost, columns, rows, perRow, depthM: rows * diameterM, spread: room.dome ? perRow * diameterM : most }
}

function box(body: Drums, room: Room): Box {
  const { diameterM, heightM } = entry(VESSELS, body.vessel)
  const { columns, rows, perRow, depthM, spread } = layDrums(body, room)
  const x1 = Math.min(Math.max(room.widthM, body.atM + 0.01), body.atM + depthM)
  const z = [body.raisedM, body.raisedM + body.stack * heightM] as const
  return {
    ...boxAlong(room, [body.atM, x1], z, spread, body.offsetM),
    bank: { radiusM: diameterM / 2, rows, perRow, pitchM: spread / perRow, count: columns },
  }
}

/** Outside face of the water that they show to the room, m²: sides and one top to a stack. */
function faceM2(body: Drums): number {
  const { diameterM, heightM } = entry(VESSELS, body.vessel)
  const columns = Math.ceil(body.count / body.stack)
  return body.count * Math.PI * diameterM * heightM + (columns * Math.PI * diameterM ** 2) / 4
}
const volumeM3 = (body: Drums) => body.count * entry(VESSELS, body.vessel).volumeM3

/** Upright vessels, well stirred; clear of the soil. */
export const DRUMS: BodyKind<Drums> & { fields: typeof fields } = {
  kind: 'drums',
  name: 'Barrels',
  plural: true,
  fields,
  look: 'vessels',
  levels: body => body.stack,
  deepM: () => 0,
  colour: body => body.colour,
  fresh: room => ({
    kind: 'drums',
    count: 6,
    vessel: 'barrel-200',
    colour: 'black',
    stack: 1,
    raisedM: 0.1,
    atM: Math.max(0, Math.round((room.widthM - 0.63 - (room.dome ? 0.12 * room.widthM : 0)) * 100) / 100),
    lengthM: 0,
    offsetM: 0,
    ...WITH_WATER,
  }),
  box,
  unfit: (body, room) => {
    const { diameterM } = entry(VESSELS, body.vessel)
    const { depthM, perRowMost } = layDrums(body, room)
    // Round vessels may touch the walls.
    if (body.atM + depthM <= room.widthM + 1e-6) return null
    const rows = Math.max(0, Math.floor((room.widthM - body.atM) / diameterM + 1e-9))
    return {
      field: rows > 0 ? 'count' : 'atM',
      message: 'do not fit on the floor',
      allowed:
        rows > 0
          ? `at most ${rows * perRowMost * body.stack} of these there, ${body.stack} high`
          : 'a place further in',
    }
  },
  idle: idleContents,
  width: null,
  height: null,
  length: { field: 'lengthM', least: 0.3 },
  heightField: 'stack',
  absorptance: body => entry(COLOURS, body.colour).solarAbsorptance,
  chains: body => [filledChain(body, faceM2(body), volumeM3(body), 0)],
  underfoot: () => null,
  waterM3: body => waterOf(body, volumeM3(body)),
  filled: { field: 'count', eachM3: body => entry(VESSELS, body.vessel).volumeM3 },
  weightKg: body => volumeM3(body) * contentsOf(body).density,
  cost: body => ({ amount: body.count, unit: 'pieces', price: `vessel.${body.vessel}` }),
  line: (body, _box, show) => {
    const v = entry(VESSELS, body.vessel)
    const stacked = body.stack > 1 ? `${body.stack} high, ` : ''
    return (
      `${body.count} × ${vesselOf(v, show)}, ${stacked}` +
      `holding ${show(volumeM3(body), 'volume')}${filledWith(body)}`
    )
  },
  cautions: body => (body.stack > 1 || body.raisedM > 0.05 ? ['tipping'] : []),
}
