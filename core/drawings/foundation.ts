import { FOUNDATION_CHOICES } from '../design/fields/build'
import type { Design } from '../design/types'
import type { Footprint } from '../geometry/footprint'
import { builtLines, placesAlong, ringIn, wallFeet } from '../geometry/wall-line'
import { ANCHORED_M, foundationOf } from '../takeoff/foundations'
import { linesBlock, withBlocks } from './blocks'
import {
  chain,
  dimension,
  extentOf,
  fromAbove,
  line,
  mm,
  rectangle,
  sizeText,
  words,
  type At,
  type Drawing,
  type Drawn,
  type Item,
} from './drawing'

/** Foundations that stand on points; the others run round the house. */
const ON_POINTS = ['blocks', 'piles', 'posts']
/** A cross is so large, mm on paper. */
const CROSS_MM = 1.2

/** A footing as the section cuts it: under a foot of the house, from the ground down; and the board at its edge. */
export function footing({ build, skin }: Design, footX: number, groundY: number, outwards: 1 | -1): Item[] {
  const { kind, depthM, widthM } = build.foundation
  const items: Item[] = []
  if (kind !== 'undecided') {
    const half = mm(widthM) / 2
    items.push(
      rectangle('foundation', footX - half, groundY - mm(depthM), footX + half, groundY, ON_POINTS.includes(kind)),
    )
  }
  if (skin.edge.thicknessM > 0 && skin.edge.depthM > 0) {
    const beyond = kind === 'undecided' ? 0 : mm(widthM) / 2
    const x = footX + outwards * beyond
    items.push(
      rectangle('foundation', x, groundY - mm(skin.edge.depthM), x + outwards * mm(skin.edge.thicknessM), groundY),
    )
  }
  return items
}

const ringPath = (ring: readonly At[]): Item => ({ kind: 'path', layer: 'skin', closed: true, points: ring })

/** A cross where something is set. */
function cross([x, y]: At, scale: number): Item[] {
  const r = CROSS_MM * scale
  return [line('foundation', [x - r, y - r], [x + r, y + r]), line('foundation', [x - r, y + r], [x + r, y - r])]
}

/** What is set out from what: the wall's line, the trench, the beam, points or anchors, and what passes through. */
function notes(drawn: Drawn, longM: number, spots: number, anchors: number): string[] {
  const { design, show } = drawn
  const { kind, depthM, widthM, drain, apartM } = design.build.foundation
  const name = FOUNDATION_CHOICES.find(c => c.id === kind)!.name
  const tubes = design.store.airStores.flatMap(s => (s.on && s.kind === 'earth tube' ? [s] : []))
  return [
    name,
    ...(foundationOf(design) ? [`${show(widthM, 'length')} wide, ${show(depthM, 'length')} down`] : []),
    `under the middle of the walls: ${show(longM, 'length')} of it`,
    ...(ON_POINTS.includes(kind)
      ? [`${spots} places, no more than ${show(apartM, 'length')} apart`]
      : foundationOf(design)
        ? [
            `${anchors} anchors of the sill (×), no more than ${show(ANCHORED_M, 'length')} apart;`,
            '   the engineer says what holds',
          ]
        : []),
    ...(drain === null ? [] : [`drain round it, ${show(drain, 'length')} deep, falling to its outlet`]),
    ...tubes.map(
      t =>
        `sleeve for the earth tube, ${show(t.diameterM, 'thickness')}, its middle ` +
        `${show(t.depthM, 'length')} under the ground`,
    ),
    'leave sleeves for water and power before it is poured',
  ]
}

/** The foundation from above: the walls' line, its width, its points and anchors, and diagonals to check by. */
export function drawFoundation(drawn: Drawn): Drawing {
  const { design, building, show, scale } = drawn
  const { foundation } = design.build
  const feet = wallFeet(design, building)
  const at = fromAbove(drawn)
  const shown = (ring: Footprint) => ring.map(([x, y]) => at(x, y))
  const lines = builtLines(feet)
  const inner = shown(ringIn(feet, 0))
  const items: Item[] = [ringPath(inner), ringPath(shown(ringIn(feet, 1)))]
  const isOnPoints = ON_POINTS.includes(foundation.kind)
  const spots = placesAlong(lines, foundation.apartM)
  const anchors = placesAlong(lines, ANCHORED_M)
  const halfM = foundation.widthM / 2
  if (isOnPoints) {
    const r = mm(halfM) / 2
    for (const p of spots) {
      const [x, y] = at(...p)
      items.push(rectangle('foundation', x - r, y - r, x + r, y + r), ...cross([x, y], scale))
    }
  } else if (foundation.kind !== 'undecided') {
    for (const beyond of [halfM, -halfM]) {
      const edge = shown(ringIn(feet, 0.5, beyond))
      // None along a house, which stands already.
      edge.forEach((p, i) => {
        if (!feet[i]!.isHouse) items.push(line('foundation', p, edge[(i + 1) % edge.length]!, true))
      })
    }
    for (const p of anchors) items.push(...cross(at(...p), scale))
  }
  const middle = shown(ringIn(feet, 0.5))
  items.push({ kind: 'path', layer: 'dimensions', closed: true, points: middle, dashed: true })
  const { x0, x1, y0, y1 } = extentOf([ringPath(middle)])
  const outer = extentOf(items)
  if (design.shape.form !== 'dome') {
    const diagonal = Math.hypot(x1 - x0, y1 - y0) / 1000
    items.push(
      line('dimensions', [x0, y0], [x1, y1], true),
      words([(x0 + x1) / 2, y0 + (y1 - y0) * 0.72], `both diagonals ${sizeText(show, diagonal)}: then it is square`),
    )
    // Places along two sides, then the whole of the walls' line, then the walls' inner faces.
    const set = isOnPoints ? spots : anchors
    const places = set.map(p => at(...p))
    const along = foundation.kind === 'undecided' ? [] : places.filter(p => Math.abs(p[1] - y0) < 1).map(p => p[0])
    const up = foundation.kind === 'undecided' ? [] : places.filter(p => Math.abs(p[0] - x1) < 1).map(p => p[1])
    const down = (list: number[]) => [...list].sort((a, b) => b - a)
    const [xs, ys] = [extentOf([ringPath(inner)]), outer]
    if (along.length > 1)
      items.push(
        ...chain(
          drawn,
          down(along).map((x): At => [x, ys.y0]),
        ),
      )
    if (up.length > 1)
      items.push(
        ...chain(
          drawn,
          down(up).map((y): At => [ys.x1, y]),
        ),
      )
    items.push(
      ...dimension(drawn, [x1, ys.y0], [x0, ys.y0], 1.9),
      ...dimension(drawn, [xs.x1, ys.y0], [xs.x0, ys.y0], 2.8),
      ...dimension(drawn, [ys.x1, y1], [ys.x1, y0], 1.9),
      ...dimension(drawn, [ys.x1, xs.y1], [ys.x1, xs.y0], 2.8),
    )
  } else {
    const [a, b] = [middle[0]!, middle[1]!]
    items.push(
      ...dimension(drawn, b, a, 1.6),
      ...dimension(drawn, [x1, outer.y0], [x0, outer.y0], 1.6),
      words([(x0 + x1) / 2, (y0 + y1) / 2], `${middle.length} sides alike`),
    )
  }
  const longM = lines.reduce((sum, l) => sum + l.longM, 0)
  return {
    title: 'Foundation plan',
    items: withBlocks(drawn, items, [linesBlock(notes(drawn, longM, spots.length, anchors.length))]),
    measured: 'inner row: middle of the walls, outer row: inner faces.',
  }
}
