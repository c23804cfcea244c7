import type { Design } from '../../core/design'
import { makeOutline } from '../../core/geometry/section'

/** Small outlines of sections: pixels to their edge, and most pixels to the metre. */
const EDGE_PX = 6
const MOST_PX = 11

/** Sections as small outlines, all to the one scale at which the largest fits; as the `d` of a path, by its design. */
export function outlinesOf(designs: readonly Design[], widePx: number, highPx: number): Map<Design, string> {
  const all = designs.map(design => ({ design, outline: makeOutline(design.shape) }))
  const ppm = Math.min(
    MOST_PX,
    ...all.flatMap(({ outline }) => [
      (widePx - 2 * EDGE_PX) / outline.widthM,
      (highPx - 2 * EDGE_PX) / outline.ridgeHeightM,
    ]),
  )
  const at = (p: { x: number; z: number }) =>
    `${(EDGE_PX + p.x * ppm).toFixed(1)} ${(highPx - EDGE_PX - p.z * ppm).toFixed(1)}`
  return new Map(all.map(({ design, outline }) => [design, `M${outline.corners.map(at).join('L')}Z`]))
}
