import type { Design, PartId } from '../design/types'
import type { Host } from '../openings/kind'
import { domeFacets } from './dome'
import { RISING } from './parts'
import { edgeLength, type Outline } from './section'
import { along, cross, minus, type Vec } from './vec'

/**
 * A flat piece of a part with directions of its own: what is let into it is told by how far across from its middle and
 * how far up the part it lies.
 */
export interface PartPlane {
  /** Middle of its lower edge; across it to the east (on an end to the pole), and up it: of length one. */
  origin: Vec
  across: Vec
  up: Vec
  /** From so far to so far up the part, m. */
  from: number
  to: number
  /** Half of its width at its lower and its upper edge, m: a facet of a dome narrows. */
  halfM: readonly [number, number]
  /** Of a dome, which of its facets. */
  facet?: { side: number; ring: number }
  /** Whether corners given up and then across turn about its outer side. */
  outward: boolean
}

/** A rectangle on a part: across it from its middle, and up it from its foot, m. */
export interface PartRect {
  u0: number
  u1: number
  v0: number
  v1: number
}

type House = Pick<Design, 'shape' | 'skin'>
const unit = (a: Vec, b: Vec): Vec => {
  const d = minus(b, a)
  const long = Math.hypot(...d)
  return [d[0] / long, d[1] / long, d[2] / long]
}

/**
 * The flat pieces of a part, lowest first; those of a dome side by side round it, of its lowest ring or, for what sits
 * at its top, of its highest.
 */
export function partPlanes(house: House, outline: Outline, part: PartId, atTop = false): PartPlane[] {
  const { lengthM: L } = house.shape
  if (outline.form === 'dome') return domePlanes(house, outline, part, atTop)
  if (part === 'eastEnd' || part === 'westEnd') {
    const half = outline.widthM / 2
    return [
      {
        origin: [half, part === 'eastEnd' ? L : 0, 0],
        across: [1, 0, 0],
        up: [0, 0, 1],
        from: 0,
        to: outline.ridgeHeightM,
        halfM: [half, half],
        outward: part === 'eastEnd',
      },
    ]
  }
  const rises = RISING.includes(part)
  const edges = outline.edges.filter(e => e.part === part)
  let up = 0
  return (rises ? edges : [...edges].reverse()).map((e): PartPlane => {
    const [low, high] = rises ? [e.a, e.b] : [e.b, e.a]
    const long = edgeLength(e)
    const from = up
    up += long
    return {
      origin: [low.x, L / 2, low.z],
      across: [0, 1, 0],
      up: [(high.x - low.x) / long, 0, (high.z - low.z) / long],
      from,
      to: up,
      halfM: [L / 2, L / 2],
      outward: rises,
    }
  })
}

/** Facets that a part's openings may be on: each leaf lies on one of them. They go round from the east. */
function domePlanes(house: House, outline: Outline, part: PartId, atTop: boolean): PartPlane[] {
  const facets = domeFacets(house, outline).filter(f => f.part === part)
  const rings = facets.map(f => f.ring)
  const ring = atTop ? Math.max(...rings) : Math.min(...rings)
  return facets
    .filter(f => f.ring === ring)
    .map(({ polygon, side, ring: row }): PartPlane => {
      const [a, b, c, d = c] = polygon as [Vec, Vec, Vec, Vec?]
      const middle = (p: Vec, q: Vec): Vec => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2, (p[2] + q[2]) / 2]
      const [foot, top] = [middle(a!, b!), middle(c!, d!)]
      const half = (p: Vec, q: Vec) => Math.hypot(...minus(q, p)) / 2
      return {
        origin: foot,
        across: unit(a!, b!),
        up: unit(foot, top),
        from: 0,
        to: Math.hypot(...minus(top, foot)),
        halfM: [half(a!, b!), half(c!, d!)],
        facet: { side, ring: row },
        outward: false,
      }
    })
}

/** Out of the house from a plane, of length one. */
export function outwardOf({ across, up, outward }: PartPlane): Vec {
  const [x, y, z] = cross(up, across)
  return outward ? [x, y, z] : [-x, -y, -z]
}

/** Corners of a rectangle on a plane, up it first and then across, as the plane's own corners turn. */
export function rectPolygon(plane: PartPlane, { u0, u1, v0, v1 }: PartRect): Vec[] {
  const at = (u: number, v: number) => along(plane.origin, u, plane.across, v - plane.from, plane.up)
  const [first, last] = plane.outward ? [v0, v1] : [v1, v0]
  return [at(u0, first), at(u0, last), at(u1, last), at(u1, first)]
}

/** Half of a plane's width so far up the part, m. */
export const halfAt = ({ halfM: [low, high], from, to }: PartPlane, v: number): number =>
  low + (high - low) * Math.min(1, Math.max(0, (v - from) / Math.max(1e-9, to - from)))

/** The part that an opening is on, as openings see it. */
export function hostOf(house: House, outline: Outline, part: PartId, atTop = false): Host {
  const planes = partPlanes(house, outline, part, atTop)
  const dome = outline.form === 'dome'
  const [first] = planes
  const last = dome ? first : planes.at(-1)
  if (!first || !last) return { longM: 0, wideM: 0, lowM: 0, highM: 0, heightAt: () => 0 }
  const heightAt = (up: number) => {
    const plane = (dome ? first : planes.find(p => up <= p.to + 1e-9)) ?? last
    return plane.origin[2] + (Math.min(Math.max(up, 0), last.to) - plane.from) * plane.up[2]
  }
  const ends = [heightAt(0), ...planes.map(p => p.origin[2] + (p.to - p.from) * p.up[2])]
  return {
    longM: last.to,
    // A dome's facets side by side.
    wideM: dome ? planes.reduce((sum, p) => sum + 2 * p.halfM[0], 0) : 2 * first.halfM[0],
    lowM: Math.min(...ends),
    highM: Math.max(...ends),
    heightAt,
  }
}
