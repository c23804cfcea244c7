import type { Design, Layer } from '../design/types'
import { inPieces, pathStrip, roomObjects } from './objects'
import { makeOutline } from './section'

/** A strip of floor across the width, m from the sunny wall, and what it is made of from below upwards. */
export interface FloorStrip {
  x0: number
  x1: number
  layers: readonly Layer[]
}

/**
 * The floor from the sunny wall to the back in the middle of the house, strip by strip: under beds, on the path, and
 * the rest.
 */
export function floorStrips(design: Pick<Design, 'shape' | 'store'>): FloorStrip[] {
  const { widthM } = makeOutline(design.shape)
  const { path, beds, rest } = design.store.floor
  const way = path ? pathStrip(design) : null
  const middle = design.shape.lengthM / 2
  const onBeds = inPieces(roomObjects(design).filter(o => o.kind === 'bed')).filter(o => o.y0 < middle && o.y1 > middle)
  const own = [
    ...onBeds.map(b => ({ x0: b.x0, x1: Math.min(widthM, b.x1), layers: beds })),
    ...(way && path ? [{ ...way, layers: path }] : []),
  ].sort((a, b) => a.x0 - b.x0)
  const out: FloorStrip[] = []
  let from = 0
  for (const strip of [...own, { x0: widthM, x1: widthM, layers: rest }]) {
    if (strip.x0 > from) out.push({ x0: from, x1: strip.x0, layers: rest })
    if (strip.x1 > strip.x0) out.push(strip)
    from = Math.max(from, strip.x1)
  }
  return out
}
