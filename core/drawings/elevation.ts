import { laidLeaves, openingPolygons } from '../geometry/leaves'
import type { Surface, Vec } from '../geometry/surfaces'
import { openingName } from '../openings/registry'
import { glazingCuts } from '../takeoff/sheets'
import {
  chain,
  dimension,
  extentOf,
  isNorthern,
  line,
  mm,
  sizeText,
  words,
  type At,
  type Drawing,
  type Drawn,
  type Item,
} from './drawing'
import { laidMembers, sheetJoints } from './on-part'

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
/** Chains of no more openings are drawn under an elevation. */
const MOST_CHAINS = 3

/** An elevation: all of the skin that faces one way, as it is framed, joined and let into. */
export function drawElevation(drawn: Drawn, side: Side): Drawing {
  const { design, building, show, scale } = drawn
  const { name, towards, right } = SIDES[side]
  // Who looks from the sunny side has the east end on the right, or the west end where the sun stands in the north.
  const hand = isNorthern(drawn) ? 1 : -1
  const at = (p: Vec): At => [hand * mm(dot(p, right)), mm(p[2])]
  const isHouse = side === 'pole' && design.shape.form === 'lean-to'
  const faces = building.surfaces.filter(
    s => s.kind !== 'floor' && dot(s.normal, towards) > EDGE_ON && !(isHouse && s.boundary === 'house'),
  )
  const path = (layer: 'openings' | 'glazing' | 'skin', { polygon }: Pick<Surface, 'polygon'>): Item => ({
    kind: 'path',
    layer,
    closed: true,
    points: polygon.map(at),
  })
  const items = faces.map(s =>
    path(s.id.startsWith('opening') ? 'openings' : s.kind === 'glazed' ? 'glazing' : 'skin', s),
  )
  if (items.length === 0) return { title: `${name}: against the house`, items: [] }
  const seen = new Set(faces)
  const parts = new Set(faces.map(s => s.part))
  for (const { part, line: points } of laidMembers(drawn))
    if (faces.some(s => s.part === part))
      items.push({ kind: 'path', layer: 'frame', points: points.map(at), dashed: true })
  for (const { surfaces, line: points } of sheetJoints(glazingCuts(design, building), isNorthern(drawn)))
    if (surfaces.some(s => seen.has(s))) items.push({ kind: 'path', layer: 'joints', points: points.map(at) })
  const { x0, x1, y1 } = extentOf(items)
  const ground = mm(side === 'pole' ? building.groundAt(building.outline.widthM) : building.groundAt(0))
  const low = Math.min(0, ground)
  items.push(line('ground', [x0 - 900, ground], [x1 + 900, ground]))

  const leaves = laidLeaves(design, building.outline)
  const shown = openingPolygons(design, building.outline).filter(o => parts.has(design.skin.openings[o.index]!.part))
  const heights = new Set([low, 0])
  let chains = 0
  for (const index of [...new Set(shown.map(o => o.index))]) {
    const its = shown.filter(o => o.index === index).map(o => path('openings', o))
    const { rect } = leaves.find(l => l.index === index)!
    const reach = its.map(i => extentOf([i]))
    const [first] = reach
    const of: At = [(first!.x0 + first!.x1) / 2, (first!.y0 + first!.y1) / 2]
    const size = `${sizeText(show, rect.u1 - rect.u0)} × ${sizeText(show, rect.v1 - rect.v0)}`
    const called = openingName(design.skin.openings, index).toLowerCase()
    const sill = rect.v0 < 1e-6 ? '' : `, sill ${sizeText(show, rect.v0)}`
    items.push(...its, { ...words(of, `${its.length > 1 ? `${its.length} × ` : ''}${called}, ${size}${sill}`), of })
    for (const y of [first!.y0, first!.y1]) heights.add(Math.round(y))
    // Facets of a dome stand aslant: places across them are none of this view.
    if (building.outline.form === 'dome' || ++chains > MOST_CHAINS) continue
    // Of several alike their middles, of one both sides.
    const places = its.length > 1 ? reach.map(r => (r.x0 + r.x1) / 2) : [first!.x0, first!.x1]
    const across = [...new Set([...places, x0, x1])].sort((a, b) => b - a)
    items.push(
      ...chain(
        drawn,
        across.map((x): At => [x, low]),
        0.4 + 0.9 * chains,
      ),
    )
  }
  const up = [...heights].sort((a, b) => b - a)
  const outer = x1 + 300
  items.push(
    ...dimension(drawn, [x1, low], [x0, low], 1.3 + 0.9 * Math.min(chains, MOST_CHAINS)),
    ...(up.length > 1
      ? chain(
          drawn,
          up.map((y): At => [outer, y]),
        )
      : []),
    ...dimension(drawn, [outer, y1], [outer, ground], 1.9),
    words([x0 - 700, ground - 4 * scale], 'ground'),
  )
  return {
    title: `${name}, from outside`,
    items,
    measured: 'sills up their part from its foot; dashed: members, thin: joints.',
  }
}
