import type { Design } from '../design/types'
import type { SceneExtras } from './ray-cast'
import type { Screen } from './ray-shapes'
import type { Outline } from './section'

/** A strip inside the glass starts this far below it, so that it is not the glass. */
const STRIP_GAP_M = 0.02

/**
 * What shades a design besides its skin and its things: the strip inside the top of the glazing, the eave over it, the
 * house behind it.
 */
export function shadingOf(shape: Design['shape'], outline: Outline): SceneExtras {
  const L = shape.lengthM
  const outside: Screen[] = []
  const glass = outline.edges.filter(e => e.part === 'sunnySlope')
  const top = glass[glass.length - 1]!
  const run = Math.hypot(top.b.x - top.a.x, top.b.z - top.a.z)
  const ux = (top.b.x - top.a.x) / run
  const uz = (top.b.z - top.a.z) / run
  // An eave and a strip belong to a ridge that runs the length of the house: a dome has none.
  const ridged = shape.form !== 'dome'
  if (ridged && shape.overhangM > 0)
    outside.push({ corner: [top.b.x - shape.overhangM, 0, top.b.z + 0.01], u: [shape.overhangM, 0, 0], v: [0, L, 0] })
  if (shape.form === 'lean-to') {
    const { heightM, beyondM } = shape.house
    outside.push({ corner: [outline.widthM + 0.01, -beyondM, 0], u: [0, L + 2 * beyondM, 0], v: [0, 0, heightM] })
  }
  const length = Math.min(shape.shadeStripM, run)
  const strip: Screen | null =
    ridged && length > 0.01
      ? // Inside lies down and poleward of the glass.
        {
          corner: [top.b.x + uz * STRIP_GAP_M, 0, top.b.z - ux * STRIP_GAP_M],
          u: [-ux * length, 0, -uz * length],
          v: [0, L, 0],
        }
      : null
  return { strip, outside }
}
