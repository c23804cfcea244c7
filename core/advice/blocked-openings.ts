import type { Design } from '../design/types'
import { roomObjects, type RoomObject } from '../geometry/objects'
import { hostOf } from '../geometry/parts'
import { makeOutline } from '../geometry/section'
import { openingKind } from '../openings/registry'

/** An opening behind something that stands in the way of its air. */
export interface BlockedOpening {
  /** Its place in the document. */
  index: number
  /** What stands there. */
  thing: Pick<RoomObject, 'kind' | 'index'>
  /** Of its height, the share that is behind it, 0–1. */
  share: number
}

/** What stands nearer to a wall than this stands in its openings' way, m. */
const NEAR_M = 0.25
/** Less than this of an opening's height is not worth a word. */
const LEAST_SHARE = 0.2

/** Openings that let air through and nobody walks through, not at the ridge: foot over the floor, and height, m. */
function breathingOpenings({ shape, skin }: Pick<Design, 'shape' | 'skin'>) {
  const outline = makeOutline(shape)
  return skin.openings.flatMap((o, index) => {
    const kind = openingKind(o)
    const host = hostOf(shape, outline, o.part)
    if (!host || kind.ridge || kind.traffic(o) !== null || kind.opener(o).how === 'shut') return []
    const { atM, tallM } = kind.height(o, host)
    return [{ index, part: o.part, z0: atM - tallM / 2, tallM }]
  })
}

/** In walls beside which snow banks: how high their foot is above the ground outside, m. */
export function lowOpenings(design: Pick<Design, 'shape' | 'skin'>): { index: number; footM: number }[] {
  return breathingOpenings(design)
    .filter(o => ['kneeWall', 'front', 'backWall', 'eastEnd', 'westEnd'].includes(o.part))
    .map(o => ({ index: o.index, footM: Math.max(0, o.z0 - design.shape.sunkM) }))
}

/**
 * Openings in upright walls that breathe behind a bed or a body: of each, what hides most of its height. Doors are left
 * to those who walk through them; what stands under a bench, and how things are placed along a wall, is not looked at.
 */
export function blockedOpenings(design: Pick<Design, 'shape' | 'skin' | 'store'>): BlockedOpening[] {
  const { shape } = design
  if (shape.form === 'dome') return []
  const things = roomObjects(design).filter(o => o.kind !== 'bench')
  const { widthM, lengthM } = shape
  return breathingOpenings(design).flatMap(({ index, part, z0, tallM }): BlockedOpening[] => {
    const gap: Record<string, (t: RoomObject) => number> = {
      eastEnd: t => lengthM - t.y1,
      westEnd: t => t.y0,
      backWall: t => widthM - t.x1,
      kneeWall: t => t.x0,
      front: t => t.x0,
    }
    const away = gap[part]
    if (!away) return []
    const hidden = (t: RoomObject) =>
      away(t) < NEAR_M ? Math.max(0, Math.min(t.z1, z0 + tallM) - Math.max(t.z0, z0)) / Math.max(1e-6, tallM) : 0
    const worst = things.reduce<RoomObject | null>((a, t) => (hidden(t) > (a ? hidden(a) : 0) ? t : a), null)
    const share = worst ? hidden(worst) : 0
    return worst && share >= LEAST_SHARE ? [{ index, thing: { kind: worst.kind, index: worst.index }, share }] : []
  })
}
