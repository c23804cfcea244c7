import { WATER_DENSITY } from '../physics/constants'
import { choice, group, length, type Value } from '../design/field'
import { atM, COMMON, LIFE, NO_LIFE, openShare } from './common'
import { filledChain, WITH_WATER } from './contents'
import { BED_OF_WATER, boxAlong, FLAT_M, tooLong, type BodyKind, type Box } from './kind'

/** Open water let into the floor. */
const fields = group(
  {
    kind: choice([{ id: 'pond', name: 'Pond' }], {}),
    lengthM: length(0.2, 100, { label: 'long' }),
    widthM: length(0.2, 5, { label: 'wide' }),
    depthM: length(0.1, 3, { label: 'deep' }),
    atM,
    offsetM: COMMON.offsetM,
    openShare,
    ...LIFE,
  },
  { label: 'Pond' },
)
type Pond = Value<typeof fields>

const WATER_ABSORPTANCE = 0.9
const surface = (box: Box) => (box.x1 - box.x0) * (box.y1 - box.y0)
const waterM3 = (body: Pond, box: Box) => surface(box) * body.depthM

/** Its surface takes sun and evaporates; sides and bed warm the soil. */
export const POND: BodyKind<Pond> & { fields: typeof fields } = {
  kind: 'pond',
  name: 'Pond',
  plural: false,
  fields,
  look: 'water',
  levels: () => 1,
  deepM: body => body.depthM,
  colour: () => null,
  fresh: room => ({
    kind: 'pond',
    lengthM: Math.min(2, room.lengthM),
    widthM: 1,
    depthM: 0.6,
    atM: Math.max(0, Math.min(1.4, room.widthM - 1)),
    offsetM: 0,
    openShare: 1,
    ...NO_LIFE,
  }),
  box: (body, room) => boxAlong(room, [body.atM, body.atM + body.widthM], [0, FLAT_M], body.lengthM, body.offsetM),
  unfit: (body, room) => tooLong(room, body.atM, body.atM + body.widthM, body.lengthM),
  idle: () => [],
  width: { field: 'widthM', least: 0.2 },
  height: null,
  length: { field: 'lengthM', least: 0.2 },
  heightField: 'atM',
  absorptance: () => WATER_ABSORPTANCE,
  chains: (body, box) => [filledChain(WITH_WATER, surface(box), waterM3(body, box), 1, body.openShare)],
  underfoot: (body, box) => {
    const sides = 2 * body.depthM * (box.x1 - box.x0 + box.y1 - box.y0)
    return { conductance: (surface(box) + sides) * BED_OF_WATER, depthM: body.depthM }
  },
  waterM3,
  filled: { field: 'depthM', eachM3: (_body, box) => surface(box) },
  weightKg: (body, box) => waterM3(body, box) * WATER_DENSITY,
  cost: (body, box) => ({ amount: waterM3(body, box), unit: 'm³', price: 'part.pond' }),
  line: (body, box, show) =>
    `${show(box.y1 - box.y0, 'length')} × ${show(body.widthM, 'length')}, ${show(body.depthM, 'length')} deep, ` +
    `${show(waterM3(body, box), 'volume')}`,
  cautions: () => ['drowning'],
}
