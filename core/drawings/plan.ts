import type { Design, PartId } from '../design/types'
import { middleOf, outlineOf, type Footprint } from '../geometry/footprint'
import { laidLeaves, type LaidLeaf } from '../geometry/leaves'
import { lobbyOf } from '../geometry/lobby'
import { freeStrips } from '../geometry/objects'
import { partName } from '../geometry/parts'
import { outwardOf, rectPolygon } from '../geometry/part-planes'
import { ringIn, wallFeet } from '../geometry/wall-line'
import { openingKind, openingName } from '../openings/registry'
import { tableBlock, withBlocks } from './blocks'
import {
  chain,
  dimension,
  extentOf,
  fromAbove,
  isNorthern,
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
import { objectName } from './object-names'

/** What reaches less across than this lies in a wall, mm. */
const IN_WALL_MM = 300
/** Pieces of the arc on which a door swings. */
const ARC = 10
/** No more places of things than so many are measured in one chain. */
const MOST_PLACES = 14

/** The walls from above: their inner and their outer faces. */
export function walls(drawn: Drawn): Item[] {
  const at = fromAbove(drawn)
  const feet = wallFeet(drawn.design, drawn.building)
  return [0, 1].map((share): Item => {
    const ring: Footprint = ringIn(feet, share)
    return { kind: 'path', layer: 'skin', closed: true, points: ring.map(([x, y]) => at(x, y)) }
  })
}

/** An arrow to true north beside the house. */
export function north(drawn: Pick<Drawn, 'building' | 'scale' | 'design'>, [x, y]: At): Item[] {
  const { building, scale } = drawn
  // True north lies so far to the left of what is on the right of the plan: the east end, or the west end in the south.
  const rightDeg = building.eastAzimuthDeg + (isNorthern(drawn) ? 0 : 180)
  const turn = (rightDeg * Math.PI) / 180
  const [ux, uy] = [Math.cos(turn), Math.sin(turn)]
  const r = 6 * scale
  const tip: At = [x + ux * r, y + uy * r]
  const wing = (by: number): At => [tip[0] - r * 0.5 * Math.cos(turn + by), tip[1] - r * 0.5 * Math.sin(turn + by)]
  return [
    line('words', [x - ux * r, y - uy * r], tip),
    line('words', tip, wing(0.4)),
    line('words', tip, wing(-0.4)),
    words([tip[0] + ux * 3 * scale, tip[1] + uy * 3 * scale - scale], 'N'),
  ]
}

/** What places are measured from: the corner of the sunny wall and the west end, of a dome its middle. */
const datumOf = ({ design: { shape } }: Pick<Drawn, 'design'>): [x: number, y: number] =>
  shape.form === 'dome' ? [shape.widthM / 2, shape.lengthM / 2] : [0, 0]

/** A mark where that is. */
function datum(drawn: Drawn): Item[] {
  const [x, y] = fromAbove(drawn)(...datumOf(drawn))
  const r = 2 * drawn.scale
  const ring = Array.from({ length: 16 }, (_, k): At => {
    const turn = (2 * Math.PI * k) / 16
    return [x + r * Math.cos(turn), y + r * Math.sin(turn)]
  })
  return [
    { kind: 'path', layer: 'dimensions', closed: true, points: ring },
    { ...words([x, y], 'datum'), of: [x, y] },
  ]
}

/** A leaf as it lies, from above. */
const leafAbove = (leaf: LaidLeaf, at: ReturnType<typeof fromAbove>) =>
  extentOf(
    leaf.planes.map((plane): Item => {
      const corners = rectPolygon(plane, {
        ...leaf.rect,
        v0: Math.max(leaf.rect.v0, plane.from),
        v1: Math.min(leaf.rect.v1, plane.to),
      })
      return { kind: 'path', layer: 'openings', points: corners.map(p => at(p[0], p[1])) }
    }),
  )

/** How a door's leaves swing: outwards, each hung on its own side. */
function swing(design: Design, { index, planes, rect }: LaidLeaf, at: ReturnType<typeof fromAbove>): Item[] {
  const o = design.skin.openings[index]!
  const [plane] = planes
  if (o.kind !== 'door' || !plane) return []
  const [x, y] = outwardOf(plane)
  const long = Math.hypot(x, y) || 1
  const { origin, across } = plane
  const off = (u: number, by: number): At =>
    at(origin[0] + u * across[0] + (by * x) / long, origin[1] + u * across[1] + (by * y) / long)
  const wide = (rect.u1 - rect.u0) / o.leaves
  return Array.from({ length: o.leaves }, (_, k): Item[] => {
    const [hinge, way] = k === 0 ? [rect.u0, 1] : [rect.u1, -1]
    const arc = Array.from({ length: ARC + 1 }, (_, i): At => {
      const turn = (i / ARC) * (Math.PI / 2)
      return off(hinge + way * wide * Math.cos(turn), wide * Math.sin(turn))
    })
    return [{ kind: 'path', layer: 'openings', points: arc }, line('openings', off(hinge, 0), arc.at(-1)!)]
  }).flat()
}

/** What is let into the skin, each with its name once; what lies over the room is dashed. */
function openings(drawn: Drawn): Item[] {
  const { design, building } = drawn
  const at = fromAbove(drawn)
  const named = new Set<number>()
  return laidLeaves(design, building.outline).flatMap((leaf): Item[] => {
    const { x0, x1, y0, y1 } = leafAbove(leaf, at)
    const isOver = Math.min(x1 - x0, y1 - y0) > IN_WALL_MM
    const items: Item[] = [
      rectangle('openings', x0 - 30, y0 - 30, x1 + 30, y1 + 30, isOver),
      ...swing(design, leaf, at),
    ]
    if (!named.has(leaf.index)) {
      named.add(leaf.index)
      const middle: At = [(x0 + x1) / 2, (y0 + y1) / 2]
      const name = openingName(design.skin.openings, leaf.index).toLowerCase()
      items.push({ ...words([middle[0], middle[1] + drawn.scale], isOver ? `${name}, above` : name), of: middle })
    }
    return items
  })
}

/** Beds, benches, bodies and a lobby. */
function things(drawn: Drawn): Item[] {
  const { design, building } = drawn
  const at = fromAbove(drawn)
  const named = new Set<string>()
  const items = building.objects.flatMap((o): Item[] => {
    const name = objectName(design, o)
    const sides = outlineOf(o.pieces).map(
      (side): Item => ({ kind: 'path', layer: 'inside', points: side.map(([x, y]) => at(x, y)) }),
    )
    if (named.has(name)) return sides
    named.add(name)
    const [x, y] = at(...middleOf(o.pieces))
    return [...sides, { ...words([x, y - drawn.scale], name), of: [x, y] }]
  })
  const lobby = lobbyOf(design)
  if (!lobby) return items
  const ring = lobby.corners.map(([x, y]) => at(x, y))
  const middle: At = [(ring[0]![0] + ring[2]![0]) / 2, (ring[0]![1] + ring[2]![1]) / 2]
  return [
    ...items,
    { kind: 'path', layer: 'skin', closed: true, points: ring },
    { ...words(middle, 'lobby'), of: middle },
  ]
}

/** Ways through with their widths. */
function paths(drawn: Drawn): Item[] {
  const at = fromAbove(drawn)
  const { design, building, show } = drawn
  if (design.shape.form === 'dome') return []
  // Where the fewest things lie along the house, so that the width stands on the path.
  const y = building.lengthM * 0.56
  return freeStrips(design).flatMap(({ x0, x1 }) =>
    dimension(drawn, at(x0, y), at(x1, y), 0, `path ${sizeText(show, x1 - x0)}`),
  )
}

/** Which side of the plan an opening's places are measured on; none of what lies over the room. */
const SIDE_OF: Partial<Record<PartId, 'sunny' | 'pole' | 'east' | 'west'>> = {
  kneeWall: 'sunny',
  front: 'sunny',
  sunnySlope: 'sunny',
  backWall: 'pole',
  eastEnd: 'east',
  westEnd: 'west',
}

/** Chains of dimensions round the house: openings side by side, things across and along it, and the inner faces. */
function sizes(drawn: Drawn): Item[] {
  const { design, building } = drawn
  const at = fromAbove(drawn)
  const feet = wallFeet(design, building)
  const outer = extentOf([{ kind: 'path', layer: 'skin', points: ringIn(feet, 1).map(([x, y]) => at(x, y)) }])
  const { lengthM: L, widthM: W } = { lengthM: building.lengthM, widthM: building.outline.widthM }
  const [a, b] = [at(0, 0), at(W, L)]
  const [left, right] = [Math.min(a[0], b[0]), Math.max(a[0], b[0])]
  const down = (list: number[]) => [...new Set(list)].sort((p, q) => q - p)
  const up = (list: number[]) => [...new Set(list)].sort((p, q) => p - q)
  const leaves = laidLeaves(design, building.outline)
  const placesOn = (side: string, k: 0 | 1) =>
    leaves.flatMap((leaf): number[] => {
      if (SIDE_OF[leaf.part] !== side) return []
      const e = leafAbove(leaf, at)
      if (Math.min(e.x1 - e.x0, e.y1 - e.y0) > IN_WALL_MM) return []
      const [from, to] = k === 0 ? [e.x0, e.x1] : [e.y0, e.y1]
      // Of several alike their middles, of one both sides.
      return leaves.filter(l => l.index === leaf.index).length > 1 ? [(from + to) / 2] : [from, to]
    })
  const isRound = design.shape.form === 'dome'
  const [sunny, pole] = isRound ? [[], []] : [placesOn('sunny', 0), placesOn('pole', 0)]
  const ends = isRound ? { east: [], west: [] } : { east: placesOn('east', 1), west: placesOn('west', 1) }
  const [atRight, atLeft] = isNorthern(drawn) ? [ends.east, ends.west] : [ends.west, ends.east]
  const whole = { x: [left, right], y: [a[1], b[1]] }
  const edges = (k: 'x' | 'y') =>
    up(building.objects.flatMap(o => (k === 'x' ? [o.x0, o.x1] : [o.y0, o.y1])).map(v => Number(v.toFixed(3))))
  const across = edges('x').map(x => at(x, 0)[1])
  const along = edges('y').map(y => at(0, y)[0])
  const bottom = (list: number[], row: number) =>
    chain(
      drawn,
      down(list).map((x): At => [x, outer.y0]),
      row,
    )
  const top = (list: number[], row: number) =>
    chain(
      drawn,
      up(list).map((x): At => [x, outer.y1]),
      row,
    )
  const onRight = (list: number[], row: number) =>
    chain(
      drawn,
      down(list).map((y): At => [outer.x1, y]),
      row,
    )
  const onLeft = (list: number[], row: number) =>
    chain(
      drawn,
      up(list).map((y): At => [outer.x0, y]),
      row,
    )
  const things = (places: number[]) => !isRound && places.length > 0 && places.length <= MOST_PLACES
  return [
    ...(sunny.length > 0 ? bottom([...sunny, ...whole.x], 1) : []),
    ...bottom(whole.x, sunny.length > 0 ? 1.9 : 1),
    ...(pole.length > 0 ? top([...pole, ...whole.x], things(along) ? 1.9 : 1) : []),
    ...(things(along) ? top([...along, ...whole.x], 1) : []),
    ...(atRight.length > 0 ? onRight([...atRight, ...whole.y], 1) : []),
    ...onRight(whole.y, atRight.length > 0 ? 1.9 : 1),
    ...(atLeft.length > 0 ? onLeft([...atLeft, ...whole.y], things(across) ? 1.9 : 1) : []),
    ...(things(across) ? onLeft([...across, ...whole.y], 1) : []),
  ]
}

/** Every thing by its place from the datum, and every opening by its size and sill. */
function schedules(drawn: Drawn): [things: string[][], openings: string[][]] {
  const { design, building, show } = drawn
  const size = (m: number) => sizeText(show, m)
  const [fromX, fromY] = datumOf(drawn)
  const span = (a: number, b: number, from: number) => `${size(a - from)} to ${size(b - from)}`
  const isRound = design.shape.form === 'dome'
  const seen = new Set<string>()
  const things = building.objects.flatMap(o => {
    const name = objectName(design, o)
    const row = [name, span(o.x0, o.x1, fromX), span(o.y0, o.y1, fromY), size(o.z1)]
    const key = row.join()
    if (seen.has(key)) return []
    seen.add(key)
    return [row]
  })
  const { openings } = design.skin
  const leaves = laidLeaves(design, building.outline)
  const lets = openings.flatMap((o, index) => {
    const its = leaves.filter(l => l.index === index)
    const [first] = its
    if (!first) return []
    const { u0, u1, v0, v1 } = first.rect
    const name = openingName(openings, index).toLowerCase()
    const kind = openingKind(o)
    return [
      [
        its.length > 1 ? `${its.length} × ${name}` : name,
        partName(o.part, design.shape.form),
        `${size(u1 - u0)} × ${size(v1 - v0)}`,
        kind.traffic(o) ? 'floor' : size(v0),
      ],
    ]
  })
  return [
    [
      isRound
        ? ['thing', 'from the middle to the pole', 'and to the east', 'top']
        : ['thing', 'from the sunny wall', 'from the west end', 'top'],
      ...things,
    ],
    [['opening', 'in the', 'wide × high', 'sill'], ...lets],
  ]
}

/** The plan, from above, with where everything stands. */
export function drawPlan(drawn: Drawn): Drawing {
  const { design, building, scale } = drawn
  const items = [
    ...walls(drawn),
    ...things(drawn),
    ...openings(drawn),
    ...paths(drawn),
    ...datum(drawn),
    ...sizes(drawn),
  ]
  if (design.shape.form === 'lean-to')
    items.push(words([mm(building.lengthM) / 2, mm(building.outline.widthM) + 3 * scale], 'house'))
  const { x1, y0 } = extentOf(items)
  items.push(...north(drawn, [x1 + 12 * scale, y0 + 10 * scale]))
  const tables = schedules(drawn).filter(rows => rows.length > 1)
  return {
    title: 'Plan',
    items: withBlocks(drawn, items, tables.map(tableBlock)),
    ...(design.shape.form === 'dome' ? { measured: 'from inner faces; datum: the middle of the floor.' } : {}),
  }
}
