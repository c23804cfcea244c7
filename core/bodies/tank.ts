import { COLOURS, entry } from '../catalog'
import { choice, entryOf, group, length, type Value } from '../design/field'
import { atM, COMMON, LIFE, NO_LIFE, openShare } from './common'
import { contentsFields, contentsOf, filledChain, filledWith, idleContents, waterOf, WITH_WATER } from './contents'
import { BED_OF_WATER, boxAlong, tooLong, type BodyKind, type Box } from './kind'

/** A box of water on the floor. */
const fields = group(
  {
    kind: choice([{ id: 'tank', name: 'Tank' }], {}),
    lengthM: length(0.2, 100, { label: 'long' }),
    widthM: length(0.2, 5, { label: 'wide' }),
    heightM: length(0.2, 3, { label: 'high' }),
    atM,
    offsetM: COMMON.offsetM,
    colour: entryOf(COLOURS, { label: 'Colour' }),
    openShare,
    ...LIFE,
    ...contentsFields,
  },
  { label: 'Tank' },
)
type Tank = Value<typeof fields>

/** Of its outside, the share that is water. */
const FULL = 0.95
const foot = (box: Box) => (box.x1 - box.x0) * (box.y1 - box.y0)
const volumeM3 = (body: Tank, box: Box) => FULL * foot(box) * body.heightM

/** Water in an upright box: its sides and its top take sun and give heat; its foot warms the soil. */
export const TANK: BodyKind<Tank> & { fields: typeof fields } = {
  kind: 'tank',
  name: 'Tank',
  plural: false,
  fields,
  look: 'water',
  levels: () => 1,
  deepM: () => 0,
  colour: body => body.colour,
  fresh: room => ({
    kind: 'tank',
    lengthM: Math.min(2, room.lengthM),
    widthM: 0.8,
    heightM: 1,
    atM: Math.max(0, Math.min(1.4, room.widthM - 0.8)),
    offsetM: 0,
    colour: 'black',
    openShare: 1,
    ...NO_LIFE,
    ...WITH_WATER,
  }),
  box: (body, room) =>
    boxAlong(room, [body.atM, body.atM + body.widthM], [0, body.heightM], body.lengthM, body.offsetM),
  unfit: (body, room) => tooLong(room, body.atM, body.atM + body.widthM, body.lengthM),
  idle: idleContents,
  width: { field: 'widthM', least: 0.2 },
  height: { field: 'heightM', least: 0.2 },
  length: { field: 'lengthM', least: 0.2 },
  heightField: 'heightM',
  absorptance: body => entry(COLOURS, body.colour).solarAbsorptance,
  chains: (body, box) => {
    const [l, w, h] = [box.y1 - box.y0, body.widthM, body.heightM]
    const face = 2 * h * (l + w) + l * w
    return [filledChain(body, face, volumeM3(body, box), 0, (body.openShare * l * w) / face)]
  },
  underfoot: (_body, box) => ({ conductance: foot(box) * BED_OF_WATER, depthM: 0 }),
  waterM3: (body, box) => waterOf(body, volumeM3(body, box)),
  filled: { field: 'heightM', eachM3: (_body, box) => FULL * foot(box) },
  weightKg: (body, box) => volumeM3(body, box) * contentsOf(body).density,
  cost: (body, box) => ({ amount: volumeM3(body, box), unit: 'm³', price: 'part.tank' }),
  line: (body, box, show) =>
    `${show(box.y1 - box.y0, 'length')} × ${show(body.widthM, 'length')} × ${show(body.heightM, 'length')}, ` +
    `${show(volumeM3(body, box), 'volume')}${filledWith(body)}`,
  cautions: body => (contentsOf(body).conductivity > 0 ? [] : ['drowning']),
}
