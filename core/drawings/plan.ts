import { bodyName } from '../bodies/registry'
import { middleOf, outlineOf } from '../geometry/footprint'
import { layPipes } from '../geometry/pipes'
import { openingName } from '../openings/registry'
import {
  dimension,
  extentOf,
  fromAbove,
  isNorthern,
  line,
  mm,
  rectangle,
  words,
  type At,
  type Drawing,
  type Drawn,
  type Item,
} from './drawing'
import { grown } from './foundation'
import { shownOpenings } from './openings'

/** The floor’s outline from above, and its walls. */
function walls(drawn: Drawn): Item[] {
  const { design, building } = drawn
  const at = fromAbove(drawn)
  const floor = building.surfaces.find(s => s.kind === 'floor')!
  const corners = floor.polygon.map(([x, y]) => at(x, y))
  const thick = mm(design.skin.wall.reduce((sum, l) => sum + l.thicknessM, 0))
  return [
    { kind: 'path', layer: 'skin', closed: true, points: corners },
    { kind: 'path', layer: 'skin', closed: true, points: grown(corners, thick) },
  ]
}

const sizes = (drawn: Drawn): Item[] => {
  const { lengthM, widthM } = drawn.design.shape
  const [L, W] = [mm(lengthM), mm(widthM)]
  return [...dimension(drawn, [L, 0], [0, 0], 1.6), ...dimension(drawn, [L, W], [L, 0], 1.6)]
}

/** An arrow to true north beside the house. */
function north(drawn: Drawn): Item[] {
  const { building, scale, design } = drawn
  // True north lies so far to the left of what is on the right of the plan: the east end, or the west end in the south.
  const rightDeg = building.eastAzimuthDeg + (isNorthern(drawn) ? 0 : 180)
  const turn = (rightDeg * Math.PI) / 180
  const [ux, uy] = [Math.cos(turn), Math.sin(turn)]
  const at: At = [mm(design.shape.lengthM) + 26 * scale, mm(design.shape.widthM) / 2]
  const r = 6 * scale
  const tip: At = [at[0] + ux * r, at[1] + uy * r]
  const wing = (by: number): At => [tip[0] - r * 0.5 * Math.cos(turn + by), tip[1] - r * 0.5 * Math.sin(turn + by)]
  return [
    line('words', [at[0] - ux * r, at[1] - uy * r], tip),
    line('words', tip, wing(0.4)),
    line('words', tip, wing(-0.4)),
    words([tip[0] + ux * 3 * scale, tip[1] + uy * 3 * scale - scale], 'N'),
  ]
}

/** What reaches less across than this lies in a wall, mm. */
const IN_WALL_MM = 300

/** The plan, from above. */
export function drawPlan(drawn: Drawn): Drawing {
  const { design, building } = drawn
  const { shape, store, skin } = design
  const at = fromAbove(drawn)
  const items = [...walls(drawn), ...sizes(drawn), ...north(drawn)]
  const named = new Set<string>()
  for (const o of building.objects) {
    const name = o.kind === 'body' ? bodyName(store.bodies, o.index).toLowerCase() : `${o.kind} ${o.index + 1}`
    for (const line of outlineOf(o.pieces))
      items.push({ kind: 'path', layer: 'inside', points: line.map(([x, y]) => at(x, y)) })
    if (named.has(name)) continue
    named.add(name)
    const [x, y] = at(...middleOf(o.pieces))
    items.push(words([x, y - drawn.scale], name))
  }
  // What is let into a wall, as it lies in it; what is over the room is dashed.
  for (const { index, polygon } of shownOpenings(design, building.outline)) {
    const { x0, x1, y0, y1 } = extentOf([{ kind: 'path', layer: 'openings', points: polygon.map(p => at(p[0], p[1])) }])
    const name = openingName(skin.openings, index).toLowerCase()
    const gap = 2 * drawn.scale
    const inEnd = x1 - x0 < IN_WALL_MM
    const over = !inEnd && y1 - y0 > IN_WALL_MM
    const atRight = x0 > mm(shape.lengthM) / 2
    items.push(
      rectangle('openings', x0 - 30, y0 - 30, x1 + 30, y1 + 30, over),
      inEnd
        ? words([atRight ? x0 - gap : x1 + gap, (y0 + y1) / 2], name, atRight ? 'right' : 'left')
        : over
          ? words([x0 + 2 * gap, (y0 + y1) / 2 - gap / 2], `${name}, above`, 'left')
          : words([(x0 + x1) / 2, y0 < mm(shape.widthM) / 2 ? y1 + gap : y0 - 2 * gap], name),
    )
  }
  if (shape.form === 'lean-to') items.push(words([mm(shape.lengthM) / 2, mm(shape.widthM) + 6 * drawn.scale], 'house'))
  return { title: 'Plan', items }
}

/** Pipes of earth stores under the floor, from above; null where there are none. */
export function drawPipes(drawn: Drawn): Drawing | null {
  const { design, show } = drawn
  const stores = design.store.airStores.filter(s => s.on && s.kind === 'earth store')
  if (stores.length === 0) return null
  const at = fromAbove(drawn)
  const items = [...walls(drawn), ...sizes(drawn)]
  for (const s of stores) {
    if (s.kind !== 'earth store') continue
    const lay = layPipes(design, s)
    for (const r of lay.runs) items.push(rectangle('pipes', ...at(r.x - r.radiusM, r.y0), ...at(r.x + r.radiusM, r.y1)))
    for (const r of [...lay.returns, ...lay.manifolds]) items.push(line('pipes', at(r.x0, r.y), at(r.x1, r.y)))
    const size = `${s.pipes} pipes, ${show(s.pipeDiameterM, 'thickness')}, ${show(s.spacingM, 'length')} apart`
    items.push(
      words(
        [mm(design.shape.lengthM) / 2, mm(design.shape.widthM) + 8 * drawn.scale],
        `${size}, ${show(s.depthM, 'length')} deep, falling to a drain`,
      ),
    )
  }
  return { title: 'Pipe plan', items }
}
