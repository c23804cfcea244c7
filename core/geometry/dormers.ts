import type { Design, PartId } from '../design/types'
import { openingKind } from '../openings/registry'
import { domeFacets } from './dome'
import { laidLeaves } from './leaves'
import { outwardOf } from './part-planes'
import { stretches, type Stretch } from './parts'
import type { Outline } from './section'
import { along, dot, minus, partOn, planeOf, type Vec } from './vec'

/** What stands out of the skin over a door that is higher than its part: its cheeks and its roof. */
export interface Dormer {
  /** Its door, by its place in the document. */
  index: number
  part: PartId
  /** Flat pieces of the skin over its part that are not there. */
  taken: Vec[][]
  /** Its cheeks and its roof in flat pieces; outside is where their corners turn about. */
  sides: Vec[][]
  /** How far it reaches back over the floor, m; Infinity where the roof behind it is lower than it. */
  depthM: number
}

const EPS = 1e-6

/** A stretch of the section drawn out along the ridge. */
export const drawnOut = ({ a, b }: Stretch, lengthM: number): Vec[] => [
  [a.x, 0, a.z],
  [b.x, 0, b.z],
  [b.x, lengthM, b.z],
  [a.x, lengthM, a.z],
]

/** Walls and roof in flat pieces, without the ends. */
const skinPieces = (house: Pick<Design, 'shape' | 'skin'>, outline: Outline): Vec[][] =>
  house.shape.form === 'dome'
    ? domeFacets(house, outline).map(f => f.polygon)
    : stretches(house, outline).map(s => drawnOut(s, house.shape.lengthM))

/**
 * The dormers of a house's doors. A door that rises over its part stands upright in its plane, and what is of the skin
 * behind it, as wide and as high as the door, is cut out and closed by cheeks and a level roof.
 */
export function dormersOf(house: Pick<Design, 'shape' | 'skin'>, outline: Outline): Dormer[] {
  // An end has nothing over it to stand out of; what leans takes a door as it takes a flap.
  const standing = laidLeaves(house, outline).filter(({ index, part, planes, rect }) => {
    const o = house.skin.openings[index]!
    const plane = planes.at(-1)!
    const isHigher = rect.v1 > plane.to + EPS && plane.up[2] > 1 - EPS
    return isHigher && part !== 'eastEnd' && part !== 'westEnd' && openingKind(o).traffic(o) !== null
  })
  if (standing.length === 0) return []
  const skin = skinPieces(house, outline).map(polygon => ({ polygon, normal: planeOf(polygon).normal }))
  return standing.map(({ index, part, planes, rect }): Dormer => {
    const plane = planes.at(-1)!
    const level = plane.origin[2] + rect.v1 - plane.from
    const out = outwardOf(plane)
    const { across } = plane
    const over = (p: Vec) => minus(p, plane.origin)
    const u = (p: Vec) => dot(over(p), across)
    const depth = (p: Vec) => -dot(over(p), out)
    const taken: Vec[][] = []
    const sides: Vec[][] = []
    /** Between an edge of the hole and the door's plane. */
    const close = (a: Vec, b: Vec, outward: Vec) => {
      const onDoor = (p: Vec): Vec => along(p, depth(p), out, 0, out)
      const ring = [a, b, ...(depth(b) > EPS ? [onDoor(b)] : []), ...(depth(a) > EPS ? [onDoor(a)] : [])]
      if (ring.length < 3) return
      const { normal, areaM2 } = planeOf(ring)
      if (areaM2 > EPS) sides.push(dot(normal, outward) > 0 ? ring : ring.reverse())
    }
    for (const { polygon, normal } of skin) {
      // The wall that the door stands in is cut by itself; the far side of the house is none of its business.
      const towards = dot(normal, out)
      if (towards <= EPS || towards > 1 - EPS) continue
      const bounds = [
        (p: Vec) => u(p) - rect.u0,
        (p: Vec) => rect.u1 - u(p),
        (p: Vec) => level - p[2],
        (p: Vec) => depth(p) + EPS,
      ]
      const hole = bounds.reduce((left, side) => partOn(left, side), polygon)
      if (hole.length < 3 || planeOf(hole).areaM2 < EPS) continue
      taken.push(hole)
      hole.forEach((a, i) => {
        const b = hole[(i + 1) % hole.length]!
        const lies = (is: (p: Vec) => number) => Math.abs(is(a)) < EPS && Math.abs(is(b)) < EPS
        if (lies(bounds[0]!)) close(a, b, [-across[0], -across[1], -across[2]])
        if (lies(bounds[1]!)) close(a, b, across)
        if (lies(bounds[2]!)) close(a, b, [0, 0, 1])
      })
    }
    const corners = taken.flat()
    const isClosed = corners.some(p => Math.abs(p[2] - level) < EPS)
    return { index, part, taken, sides, depthM: isClosed ? Math.max(...corners.map(depth)) : Infinity }
  })
}
