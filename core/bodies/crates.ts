import { COLOURS, entry, vesselOf, VESSELS } from '../catalog'
import { choice, count, entryOf, group, length, type Value } from '../design/field'
import { atM, COMMON } from './common'
import { contentsFields, contentsOf, filledChain, filledWith, idleContents, waterOf, WITH_WATER } from './contents'
import { boxAlong, tooLong, type BodyKind, type Box } from './kind'

/** Crates of small vessels, as they stand under a bench: air gets at them from all sides. */
const fields = group(
  {
    kind: choice([{ id: 'crates', name: 'Crates of bottles' }], {}),
    vessel: entryOf(VESSELS, { label: 'Vessel' }),
    count: count(1, 5000, { usual: [1, 400], step: 1, label: 'How many' }),
    colour: entryOf(COLOURS, { label: 'Colour' }),
    ...contentsFields,
    atM,
    widthM: length(0.2, 3, { label: 'wide' }),
    heightM: length(0.2, 2, { label: 'high' }),
    lengthM: length(0.2, 100, { label: 'long' }),
    offsetM: COMMON.offsetM,
  },
  { label: 'Crates of bottles' },
)
type Crates = Value<typeof fields>

/** Of a vessel's side, the share that air and the room see: they stand close. */
const SEEN = 0.6
/** Vessels fill this share of the room that a stack of crates takes, at most. */
const CLOSEST = 0.75
const volumeM3 = (body: Crates) => body.count * entry(VESSELS, body.vessel).volumeM3

/** Small vessels close together, each well stirred; clear of the soil. */
export const CRATES: BodyKind<Crates> & { fields: typeof fields } = {
  kind: 'crates',
  name: 'Crates of bottles',
  plural: true,
  fields,
  look: 'crates',
  levels: () => 1,
  deepM: () => 0,
  colour: body => body.colour,
  fresh: room => ({
    kind: 'crates',
    vessel: 'bottle-2',
    count: 120,
    colour: 'black',
    atM: Math.max(0, Math.min(0.2, room.widthM - 0.5)),
    widthM: 0.5,
    heightM: 0.35,
    lengthM: Math.min(2.5, room.lengthM),
    offsetM: 0,
    ...WITH_WATER,
  }),
  box: (body, room) =>
    boxAlong(room, [body.atM, body.atM + body.widthM], [0, body.heightM], body.lengthM, body.offsetM),
  unfit: (body, room) => {
    const long = tooLong(room, body.atM, body.atM + body.widthM, body.lengthM)
    if (long) return long
    const { volumeM3 } = entry(VESSELS, body.vessel)
    const most = Math.floor((CLOSEST * body.widthM * body.heightM * body.lengthM) / volumeM3)
    return body.count <= most
      ? null
      : { field: 'count', message: 'do not go into crates of that size', allowed: `at most ${most} of these` }
  },
  idle: idleContents,
  width: { field: 'widthM', least: 0.2 },
  height: { field: 'heightM', least: 0.2 },
  length: { field: 'lengthM', least: 0.2 },
  heightField: 'heightM',
  absorptance: body => entry(COLOURS, body.colour).solarAbsorptance,
  chains: (body: Crates) => {
    const { diameterM, heightM } = entry(VESSELS, body.vessel)
    return [filledChain(body, SEEN * body.count * Math.PI * diameterM * heightM, volumeM3(body), 0)]
  },
  underfoot: () => null,
  waterM3: body => waterOf(body, volumeM3(body)),
  filled: { field: 'count', eachM3: body => entry(VESSELS, body.vessel).volumeM3 },
  weightKg: body => volumeM3(body) * contentsOf(body).density,
  cost: body => ({ amount: body.count, unit: 'pieces', price: `vessel.${body.vessel}` }),
  line: (body, _box: Box, show) => {
    const v = entry(VESSELS, body.vessel)
    const each = vesselOf(v, show)
    return `${body.count} × ${each}, holding ${show(volumeM3(body), 'volume')}${filledWith(body)}`
  },
  cautions: () => [],
}
