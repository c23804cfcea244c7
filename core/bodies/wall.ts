import { entry, MATERIALS } from '../catalog'
import { choice, entryOf, group, length, thickness, type Value } from '../design/field'
import { cutWall } from '../materials/assembly'
import { atM, COMMON } from './common'
import { boxAlong, tooLong, type BodyKind, type Box } from './kind'

/** A thinner one would not stand, m. */
export const LEAST_WALL_M = 0.02

/** A wall of mass that stands free in the room. */
const fields = group(
  {
    kind: choice([{ id: 'wall', name: 'Wall of mass' }], {}),
    material: entryOf(MATERIALS, { label: 'Material' }),
    thicknessM: thickness(LEAST_WALL_M, 1, { label: 'thick' }),
    heightM: length(0.2, 6, { label: 'high' }),
    atM,
    lengthM: length(0, 100, { label: 'long', hint: '0: as long as the house.' }),
    offsetM: COMMON.offsetM,
  },
  { label: 'Wall of mass' },
)
type Wall = Value<typeof fields>

const faceM2 = (body: Wall, box: Box) => (box.y1 - box.y0) * body.heightM

/** Stone, block, earth or brick, both faces in the room's air. */
export const WALL: BodyKind<Wall> & { fields: typeof fields } = {
  kind: 'wall',
  name: 'Wall of mass',
  plural: false,
  fields,
  look: 'mass',
  levels: () => 1,
  deepM: () => 0,
  colour: () => null,
  fresh: room => ({
    kind: 'wall',
    material: 'gabion',
    thicknessM: 0.3,
    heightM: 1,
    atM: Math.max(0, Math.min(2, room.widthM - 0.3)),
    lengthM: 0,
    offsetM: 0,
  }),
  box: (body, room) =>
    boxAlong(room, [body.atM, body.atM + body.thicknessM], [0, body.heightM], body.lengthM, body.offsetM),
  unfit: (body, room) => tooLong(room, body.atM, body.atM + body.thicknessM, body.lengthM),
  idle: () => [],
  width: { field: 'thicknessM', least: 0.05 },
  height: { field: 'heightM', least: 0.2 },
  length: { field: 'lengthM', least: 0.2 },
  heightField: 'heightM',
  absorptance: body => entry(MATERIALS, body.material).solarAbsorptance,
  chains: (body, box) => {
    // Both faces breathe: half the thickness behind twice the face, nothing passing its middle.
    const cells = cutWall([{ material: body.material, thicknessM: body.thicknessM / 2 }])
    const areaM2 = 2 * faceM2(body, box)
    return [
      {
        areaM2,
        facingUp: 0,
        capacity: cells.capacity.map(c => c * areaM2),
        between: cells.between.map(g => g * areaM2),
        waterKg: 0,
        open: 0,
      },
    ]
  },
  underfoot: () => null,
  waterM3: () => 0,
  filled: { field: 'heightM', eachM3: (body, box) => (box.y1 - box.y0) * body.thicknessM },
  weightKg: (body, box) => faceM2(body, box) * body.thicknessM * entry(MATERIALS, body.material).density,
  cost: (body, box) => ({
    amount: faceM2(body, box) * body.thicknessM,
    unit: 'm³',
    price: `material.${body.material}`,
  }),
  line: (body, box, show) =>
    `${entry(MATERIALS, body.material).name.toLowerCase()}, ${show(body.thicknessM, 'thickness')} thick, ` +
    `${show(body.heightM, 'length')} high, ${show(box.y1 - box.y0, 'length')} long`,
  cautions: () => [],
}
