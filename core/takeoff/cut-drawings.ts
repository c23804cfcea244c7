import { RAD } from '../physics/constants'
import type { Facet, FootCorner } from '../frame/dome'
import type { Member } from '../frame/member'
import type { Piece } from './sheets'

/** Steeper cuts are drawn no further out than this for a depth of 1: their angle stands in words. */
const DRAWN_TAN = 1.6

/** A member from the side, so long along its inner edge and so deep: its corners from the lower inner one round. */
export function memberCorners({ ends }: Pick<Member, 'ends'>, long: number, deep: number): { x: number; y: number }[] {
  const out = (i: 0 | 1) => Math.min(DRAWN_TAN, Math.tan(ends[i].sawDeg * RAD)) * deep
  // At the foot the outer edge is the shorter where it sits, at the ridge the longer where it is plumb.
  const low = ends[0].cut === 'level' ? out(0) : -out(0)
  const high = ends[1].cut === 'plumb' || ends[1].cut === 'mitre' ? out(1) : -out(1)
  return [
    { x: 0, y: 0 },
    { x: long, y: 0 },
    { x: long + high, y: deep },
    { x: low, y: deep },
  ]
}

/** The same as points of an SVG polygon: inner edge below. */
export const memberOutline = (member: Pick<Member, 'ends'>, longPx: number, deepPx: number): string =>
  memberCorners(member, longPx, deepPx)
    .map(({ x, y }) => `${x.toFixed(1)},${(deepPx - y).toFixed(1)}`)
    .join(' ')

/** Corners of a facet in its own plane, the first side along x, m. */
export function facetCorners({ sidesM, anglesDeg }: Pick<Facet, 'sidesM' | 'anglesDeg'>): { x: number; y: number }[] {
  const corners = [{ x: 0, y: 0 }]
  let heading = 0
  sidesM.forEach((side, i) => {
    const { x, y } = corners.at(-1)!
    corners.push({ x: x + side * Math.cos(heading), y: y + side * Math.sin(heading) })
    heading += (180 - anglesDeg[(i + 1) % sidesM.length]!) * RAD
  })
  return corners
}

/** A facet to scale within a square, as points of an SVG polygon, its first side below. */
export function facetOutline(facet: Pick<Facet, 'sidesM' | 'anglesDeg'>, withinPx: number): string {
  const corners = facetCorners(facet).slice(0, -1)
  const [xs, ys] = [corners.map(c => c.x), corners.map(c => c.y)]
  const size = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys))
  const scale = withinPx / size
  return corners
    .map(c => `${((c.x - Math.min(...xs)) * scale).toFixed(1)},${((Math.max(...ys) - c.y) * scale).toFixed(1)}`)
    .join(' ')
}

/** What is cut from a piece, across and along it, m: the piece itself where nothing else is said. */
export const shapesOf = ({ widthM, lengthM, shapes }: Pick<Piece, 'widthM' | 'lengthM' | 'shapes'>) =>
  shapes ?? [
    [
      { x: 0, y: 0 },
      { x: widthM, y: 0 },
      { x: widthM, y: lengthM },
      { x: 0, y: lengthM },
    ],
  ]

type Point = { x: number; y: number }
/** Points of an SVG polygon, moved to a corner and drawn so large. */
export const pointsOf = (points: readonly Point[], corner: Point, scale: number): string =>
  points.map(p => `${(corner.x + p.x * scale).toFixed(1)},${(corner.y + p.y * scale).toFixed(1)}`).join(' ')

/** Two boards that meet at a corner of the foot from above, so long and so thick, as points of an SVG polygon. */
export function cornerOutline({ angleDeg }: Pick<FootCorner, 'angleDeg'>, longPx: number, thickPx: number): string {
  const half = (angleDeg / 2) * RAD
  const [sin, cos] = [Math.sin(half), Math.cos(half)]
  const inner = cornerMitre({ angleDeg }, thickPx)
  const right = { x: longPx * sin, y: longPx * cos }
  const deep = { x: -thickPx * cos, y: thickPx * sin }
  return pointsOf(
    [
      { x: 0, y: 0 },
      right,
      { x: right.x + deep.x, y: right.y + deep.y },
      { x: 0, y: inner },
      { x: -right.x - deep.x, y: right.y + deep.y },
      { x: -right.x, y: right.y },
    ],
    { x: 0, y: 0 },
    1,
  )
}

/** How far inwards the cut of such a corner runs. */
export const cornerMitre = ({ angleDeg }: Pick<FootCorner, 'angleDeg'>, thickPx: number): number =>
  thickPx / Math.sin((angleDeg / 2) * RAD)

/** Things that are alike once, with how many there are. */
export function together<T>(all: readonly T[], word: (one: T) => string): { of: T; count: number }[] {
  const found = new Map<string, { of: T; count: number }>()
  for (const one of all) {
    const known = found.get(word(one))
    if (known) known.count++
    else found.set(word(one), { of: one, count: 1 })
  }
  return [...found.values()]
}
