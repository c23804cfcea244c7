import type { Vec } from '../geometry/surfaces'
import { dimension, extentOf, isNorthern, line, mm, type At, type Drawing, type Drawn, type Item } from './drawing'
import { shownOpenings } from './openings'

/** Sides that the house is looked at from: their ways in the room, and what is then on the right in the north. */
export const SIDES = {
  sunny: { name: 'Sunny side', towards: [-1, 0, 0], right: [0, 1, 0] },
  pole: { name: 'Pole side', towards: [1, 0, 0], right: [0, -1, 0] },
  east: { name: 'East end', towards: [0, 1, 0], right: [1, 0, 0] },
  west: { name: 'West end', towards: [0, -1, 0], right: [-1, 0, 0] },
} as const satisfies Record<string, { name: string; towards: Vec; right: Vec }>
export type Side = keyof typeof SIDES

const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
/** Turned away by more than this a piece is not seen. */
const EDGE_ON = 0.02

/** An elevation: all of the skin that faces one way. */
export function drawElevation(drawn: Drawn, side: Side): Drawing {
  const { design, building } = drawn
  const { name, towards, right } = SIDES[side]
  // Who looks from the sunny side has the east end on the right, or the west end where the sun stands in the north.
  const hand = isNorthern(drawn) ? 1 : -1
  const at = (p: Vec): At => [hand * mm(dot(p, right)), mm(p[2])]
  const faces = building.surfaces.filter(s => s.kind !== 'floor' && dot(s.normal, towards) > EDGE_ON)
  const isHouse = side === 'pole' && design.shape.form === 'lean-to'
  const items = faces
    .filter(s => !(isHouse && s.boundary === 'house'))
    .map(
      (s): Item => ({
        kind: 'path',
        layer: s.id.startsWith('opening') ? 'openings' : s.kind === 'glazed' ? 'glazing' : 'skin',
        closed: true,
        points: s.polygon.map(at),
      }),
    )
  const parts = new Set(faces.map(s => s.part))
  for (const { index, polygon } of shownOpenings(design, building.outline))
    if (parts.has(design.skin.openings[index]!.part))
      items.push({ kind: 'path', layer: 'openings', closed: true, points: polygon.map(at) })
  if (items.length === 0) return { title: `${name}: against the house`, items: [] }
  const { x0, x1, y1 } = extentOf(items)
  const ground = mm(side === 'pole' ? building.groundAt(building.outline.widthM) : building.groundAt(0))
  items.push(
    line('ground', [x0 - 900, ground], [x1 + 900, ground]),
    ...dimension(drawn, [x1, Math.min(0, ground)], [x0, Math.min(0, ground)]),
    ...dimension(drawn, [x1 + 300, y1], [x1 + 300, ground]),
  )
  return { title: `${name}, from outside`, items }
}
