import type { Design } from '../design/types'
import { foundationOf } from '../takeoff/foundations'
import { baysOf } from '../frame/spacing'
import { FOUNDATION_CHOICES } from '../design/fields/build'
import {
  dimension,
  fromAbove,
  line,
  mm,
  rectangle,
  words,
  type At,
  type Drawing,
  type Drawn,
  type Item,
} from './drawing'

/** Foundations that stand on points; the others run round the house. */
const ON_POINTS = ['blocks', 'piles', 'posts']

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

/** The foundation from above: the lines on which walls stand, its width, its points, and a diagonal to check by. */
export function drawFoundation(drawn: Drawn): Drawing {
  const { design, building, show } = drawn
  const { build, shape } = design
  const floor = building.surfaces.find(s => s.kind === 'floor')!
  const at = fromAbove(drawn)
  const corners = floor.polygon.map(([x, y]) => at(x, y))
  const items: Item[] = [{ kind: 'path', layer: 'skin', closed: true, points: corners }]
  const half = mm(build.foundation.widthM) / 2
  const kind = build.foundation.kind
  const around = corners.map((p, i): [At, At] => [p, corners[(i + 1) % corners.length]!])
  if (ON_POINTS.includes(kind)) {
    const spots = around.flatMap(([a, b]): At[] => {
      const count = baysOf(Math.hypot(b[0] - a[0], b[1] - a[1]) / 1000, build.foundation.apartM)
      return Array.from(
        { length: count },
        (_, k): At => [a[0] + ((b[0] - a[0]) * k) / count, a[1] + ((b[1] - a[1]) * k) / count],
      )
    })
    const r = half / 2
    items.push(...spots.map(([x, y]) => rectangle('foundation', x - r, y - r, x + r, y + r)))
  } else if (kind !== 'undecided')
    items.push(
      { kind: 'path', layer: 'foundation', closed: true, points: grown(corners, half) },
      { kind: 'path', layer: 'foundation', closed: true, points: grown(corners, -half) },
    )
  if (shape.form !== 'dome') {
    const [L, W] = [mm(shape.lengthM), mm(shape.widthM)]
    items.push(
      line('dimensions', [0, 0], [L, W], true),
      words([L / 2, W * 0.72], `both diagonals ${show(Math.hypot(L, W) / 1000, 'length')}: then it is square`),
      ...dimension(drawn, [L, 0], [0, 0], 1.6),
      ...dimension(drawn, [L, W], [L, 0], 1.6),
    )
  } else {
    const [a, b] = [corners[0]!, corners[1]!]
    items.push(
      ...dimension(drawn, b, a, 1.6),
      words([mm(shape.lengthM) / 2, mm(shape.widthM) / 2], `${corners.length} sides alike`),
    )
  }
  const name = FOUNDATION_CHOICES.find(c => c.id === kind)!.name
  const { depthM, widthM } = build.foundation
  const size = foundationOf(design) ? `, ${show(widthM, 'length')} wide, ${show(depthM, 'length')} down` : ''
  items.push(words([mm(shape.lengthM) / 2, mm(shape.widthM) * 0.28], `${name}${size}`))
  return { title: 'Foundation plan', items }
}

/** A ring of corners moved outwards, or with a negative way inwards; its sides stay parallel. */
export function grown(corners: readonly At[], by: number): At[] {
  const n = corners.length
  const twice = corners.reduce((sum, p, i) => {
    const q = corners[(i + 1) % n]!
    return sum + p[0] * q[1] - q[0] * p[1]
  }, 0)
  const way = twice > 0 ? by : -by
  const normal = (i: number): At => {
    const [p, q] = [corners[(i + n) % n]!, corners[(i + 1 + n) % n]!]
    const long = Math.hypot(q[0] - p[0], q[1] - p[1])
    return [(q[1] - p[1]) / long, -(q[0] - p[0]) / long]
  }
  return corners.map((p, i): At => {
    const [u, v] = [normal(i - 1), normal(i)]
    const k = way / (1 + u[0] * v[0] + u[1] * v[1])
    return [p[0] + (u[0] + v[0]) * k, p[1] + (u[1] + v[1]) * k]
  })
}
