import type { Design } from '../design/types'
import { openingKind } from '../openings/registry'
import { laidLeaves, leafPolygons } from './leaves'
import { edgesOf } from './footprint'
import { inPieces, roomObjects, type RoomObject } from './objects'
import { outwardOf } from './part-planes'
import { makeOutline } from './section'
import { along, partOn, planeOf, type Vec } from './vec'

/** What stands before an opening in the way of its air. */
export interface BlockedOpening {
  /** Its place in the document. */
  index: number
  /** What hides most of it, and the share of its leaves that is behind that, 0–1. */
  thing: Pick<RoomObject, 'kind' | 'index'>
  share: number
  /** Of its free area, the share that air gets to, 0–1: past everything that stands before it. */
  free: number
}

/** One steps in so far before anything may stand in a door's way, m, and past what reaches so far into its width, m. */
const STEP_IN_M = 0.5
const SQUEEZE_M = 0.1

/** Doors, by their places in the document, each with what stands in the way of who comes in. */
export function blockedDoors(design: Pick<Design, 'shape' | 'skin' | 'store'>): { index: number; thing: RoomObject }[] {
  const { openings } = design.skin
  const doors = laidLeaves(design, makeOutline(design.shape)).filter(({ index }) => {
    const o = openings[index]!
    return openingKind(o).traffic(o) !== null
  })
  if (doors.length === 0) return []
  // Benches are stepped round, and gaps between vessels are not looked at.
  const things = inPieces(roomObjects(design)).filter(t => t.kind !== 'bench' && t.z1 >= 0.05)
  return doors.flatMap(({ index, planes, rect }) => {
    const { origin, across } = planes[0]!
    const out = outwardOf(planes[0]!)
    const at = (u: number, inward: number): Vec => along([origin[0], origin[1], 0], u, across, -inward, out)
    const [u0, u1] = [rect.u0 + SQUEEZE_M, rect.u1 - SQUEEZE_M]
    const step = [at(u0, 0), at(u1, 0), at(u1, STEP_IN_M), at(u0, STEP_IN_M)]
    const thing = things.find(({ pieces }) => {
      const edges = edgesOf(pieces[0]!)
      let within: readonly Vec[] = step
      for (let i = 0; i < edges.length; i += 3)
        within = partOn(within, p => edges[i]! * p[0] + edges[i + 1]! * p[1] - edges[i + 2]!)
      return within.length > 2 && planeOf(within).areaM2 > 1e-6
    })
    return thing ? [{ index, thing }] : []
  })
}

/** What stands nearer to a wall than this stands in its openings' way, m. */
const NEAR_M = 0.25

/** Openings that let air through and nobody walks through, not at the ridge: each leaf by its corners, m. */
function breathingLeaves({ shape, skin }: Pick<Design, 'shape' | 'skin'>) {
  return laidLeaves({ shape, skin }, makeOutline(shape)).flatMap(laid => {
    const o = skin.openings[laid.index]!
    const kind = openingKind(o)
    if (kind.ridge || kind.traffic(o) !== null || kind.opener(o).how === 'shut') return []
    const corners = leafPolygons(laid).flat()
    const reach = (axis: 0 | 1 | 2): [number, number] => [
      Math.min(...corners.map(p => p[axis])),
      Math.max(...corners.map(p => p[axis])),
    ]
    return [{ index: laid.index, part: laid.part, x: reach(0), y: reach(1), z: reach(2) }]
  })
}

/** In walls beside which snow banks: how high their foot is above the ground outside, m. */
export function lowOpenings(design: Pick<Design, 'shape' | 'skin'>): { index: number; footM: number }[] {
  const feet = new Map<number, number>()
  for (const { index, part, z } of breathingLeaves(design))
    if (['kneeWall', 'front', 'backWall', 'eastEnd', 'westEnd'].includes(part))
      feet.set(index, Math.min(feet.get(index) ?? Infinity, Math.max(0, z[0] - design.shape.sunkM)))
  return [...feet].map(([index, footM]) => ({ index, footM }))
}

const shared = ([a0, a1]: readonly [number, number], b0: number, b1: number) =>
  Math.max(0, Math.min(a1, b1) - Math.max(a0, b0))

/**
 * Openings in upright walls that breathe behind a bed or a body: of each, what hides most of it, and what is left of
 * its free area. Where there is a gap between wall and thing, so much of what is hidden breathes through it. Doors are
 * left to those who walk through them; what stands under a bench is not looked at.
 */
export function blockedOpenings(design: Pick<Design, 'shape' | 'skin' | 'store'>): BlockedOpening[] {
  const { shape } = design
  if (shape.form === 'dome') return []
  const things = inPieces(roomObjects(design)).filter(o => o.kind !== 'bench')
  const { widthM, lengthM } = shape
  const gapOf: Record<string, (t: RoomObject) => number> = {
    eastEnd: t => lengthM - t.y1,
    westEnd: t => t.y0,
    backWall: t => widthM - t.x1,
    kneeWall: t => t.x0,
    front: t => t.x0,
  }
  const found = new Map<
    number,
    { area: number; by: Map<string, { thing: RoomObject; hidden: number }>; lost: number }
  >()
  for (const { index, part, x, y, z } of breathingLeaves(design)) {
    const away = gapOf[part]
    if (!away) continue
    const end = part === 'eastEnd' || part === 'westEnd'
    const across = end ? x : y
    const area = Math.max(1e-9, (across[1] - across[0]) * (z[1] - z[0]))
    const its = found.get(index) ?? { area: 0, by: new Map<string, { thing: RoomObject; hidden: number }>(), lost: 0 }
    found.set(index, its)
    its.area += area
    let lost = 0
    for (const t of things) {
      const gap = away(t)
      if (gap >= NEAR_M) continue
      const hidden = (end ? shared(across, t.x0, t.x1) : shared(across, t.y0, t.y1)) * shared(z, t.z0, t.z1)
      if (hidden <= 0) continue
      const key = `${t.kind} ${t.index}`
      its.by.set(key, { thing: t, hidden: (its.by.get(key)?.hidden ?? 0) + hidden })
      lost += hidden * (1 - Math.max(0, gap) / NEAR_M)
    }
    its.lost += Math.min(area, lost)
  }
  return [...found].flatMap(([index, { area, by, lost }]): BlockedOpening[] => {
    const worst = [...by.values()].sort((a, b) => b.hidden - a.hidden)[0]
    if (!worst) return []
    const { hidden } = worst
    const { kind, index: at } = worst.thing
    return [{ index, thing: { kind, index: at }, share: hidden / area, free: 1 - lost / area }]
  })
}
