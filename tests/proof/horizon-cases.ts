import { makeHorizon } from '../../core/climate'
import type { HorizonPoint } from '../../core/design'

/** A horizon where it is warm from May to September. */
export function horizonOf(points: HorizonPoint[]) {
  return makeHorizon(
    points,
    Float32Array.from({ length: 8760 }, (_, h) => (h > 2900 && h < 6500 ? 16 : 0)),
  )
}
