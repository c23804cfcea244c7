import { entry, MATERIALS } from '../catalog'
import { choice, entryOf, group, length, type Value } from '../design/field'
import { cutWall } from '../materials/assembly'
import { atM, COMMON } from './common'
import { boxAlong, tooLong, type BodyKind, type Box } from './kind'

/** Rock or rubble piled on the floor. */
const fields = group(
  {
    kind: choice([{ id: 'heap', name: 'Heap of rock' }], {}),
    material: entryOf(MATERIALS, { label: 'Material' }),
    widthM: length(0.3, 5, { label: 'wide' }),
    heightM: length(0.2, 2, { label: 'high' }),
    atM,
    lengthM: length(0.3, 100, { label: 'long' }),
    offsetM: COMMON.offsetM,
  },
  { label: 'Heap of rock' },
)
type Heap = Value<typeof fields>

const sizes = (body: Heap, box: Box) => {
  const [long, wide, high] = [box.y1 - box.y0, body.widthM, body.heightM]
  return { volumeM3: long * wide * high, footM2: long * wide, faceM2: long * wide + 2 * high * (long + wide) }
}

/** Its top and sides take sun and give heat; what its foot passes to the soil is left out. */
export const HEAP: BodyKind<Heap> & { fields: typeof fields } = {
  kind: 'heap',
  name: 'Heap of rock',
  plural: false,
  fields,
  look: 'mass',
  levels: () => 1,
  deepM: () => 0,
  colour: () => null,
  fresh: room => ({
    kind: 'heap',
    material: 'gabion',
    widthM: 0.6,
    heightM: 0.5,
    atM: Math.max(0, Math.min(1.4, room.widthM - 0.6)),
    lengthM: Math.min(2, room.lengthM),
    offsetM: 0,
  }),
  box: (body, room) =>
    boxAlong(room, [body.atM, body.atM + body.widthM], [0, body.heightM], body.lengthM, body.offsetM),
  unfit: (body, room) => tooLong(room, body.atM, body.atM + body.widthM, body.lengthM),
  idle: () => [],
  width: { field: 'widthM', least: 0.3 },
  height: { field: 'heightM', least: 0.2 },
  length: { field: 'lengthM', least: 0.3 },
  heightField: 'heightM',
  absorptance: body => entry(MATERIALS, body.material).solarAbsorptance,
  chains: (body, box) => {
    // As deep behind its faces as its volume over them.
    const { volumeM3, faceM2 } = sizes(body, box)
    const cells = cutWall([{ material: body.material, thicknessM: volumeM3 / faceM2 }])
    return [
      {
        areaM2: faceM2,
        facingUp: 0,
        capacity: cells.capacity.map(c => c * faceM2),
        between: cells.between.map(g => g * faceM2),
        waterKg: 0,
        open: 0,
      },
    ]
  },
  underfoot: () => null,
  waterM3: () => 0,
  filled: { field: 'heightM', eachM3: (body, box) => sizes(body, box).footM2 },
  weightKg: (body, box) => sizes(body, box).volumeM3 * entry(MATERIALS, body.material).density,
  cost: (body, box) => ({ amount: sizes(body, box).volumeM3, unit: 'm³', price: `material.${body.material}` }),
  line: (body, box, show) =>
    `${entry(MATERIALS, body.material).name.toLowerCase()}, ${show(box.y1 - box.y0, 'length')} × ` +
    `${show(body.widthM, 'length')} × ${show(body.heightM, 'length')}, ${show(sizes(body, box).volumeM3, 'volume')}`,
  cautions: () => [],
}
