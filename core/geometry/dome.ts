import type { Design, PartId } from '../design/types'
import { domeFacetSolid } from './parts'
import { DOME_RINGS, DOME_SIDES } from './round'
import type { Outline } from './section'
import type { Vec } from './vec'

/** A flat piece of a dome: of its riser wall (ring −1), or of a ring over it. */
export interface DomeFacet {
  part: PartId
  /** Round from the one whose middle looks poleward; the rings from the riser wall up. */
  side: number
  ring: number
  /** The lower edge first, then up: outside is where its corners turn about. */
  polygon: Vec[]
}

/** A shape's facets, as long as somebody holds the shape: they are asked for with every leaf that is tried on them. */
const known = new WeakMap<Design['shape'], { poleSlope: string; facets: readonly DomeFacet[] }>()

/** The facets of a dome: its riser wall, and over it rings of twelve, solid on the pole side as the design says. */
export function domeFacets(house: Pick<Design, 'shape' | 'skin'>, outline: Outline): readonly DomeFacet[] {
  const poleSlope = house.skin.parts.poleSlope.kind
  const before = known.get(house.shape)
  if (before?.poleSlope === poleSlope) return before.facets
  const facets = facetsOf(house, outline)
  known.set(house.shape, { poleSlope, facets })
  return facets
}

function facetsOf({ shape, skin }: Pick<Design, 'shape' | 'skin'>, outline: Outline): DomeFacet[] {
  const cx = outline.widthM / 2
  const cy = shape.lengthM / 2
  const at = (side: number, ring: number): Vec => {
    const around = (2 * Math.PI * (side + 0.5)) / DOME_SIDES
    const up = ((Math.PI / 2) * ring) / DOME_RINGS
    return [
      cx + cx * Math.cos(up) * Math.cos(around),
      cy + cy * Math.cos(up) * Math.sin(around),
      outline.kneeWallM + (outline.ridgeHeightM - outline.kneeWallM) * Math.sin(up),
    ]
  }
  const out: DomeFacet[] = []
  for (let side = 0; side < DOME_SIDES; side++) {
    const low = at(side, 0)
    const next = at(side + 1, 0)
    const foot = ([x, y]: Vec): Vec => [x, y, 0]
    if (outline.kneeWallM > 0.01)
      out.push({ part: 'kneeWall', side, ring: -1, polygon: [foot(low), foot(next), next, low] })
    for (let ring = 0; ring < DOME_RINGS; ring++) {
      const polygon =
        ring === DOME_RINGS - 1
          ? [at(side, ring), at(side + 1, ring), at(side, DOME_RINGS)]
          : [at(side, ring), at(side + 1, ring), at(side + 1, ring + 1), at(side, ring + 1)]
      const fromPoleDeg = (((360 * (side + 1)) / DOME_SIDES + 180) % 360) - 180
      const solid = domeFacetSolid({ shape, skin }, fromPoleDeg, ring)
      out.push({ part: solid ? 'poleSlope' : 'sunnySlope', side, ring, polygon })
    }
  }
  return out
}

/** A dome's floor as a share of the square of its width. */
export const DOME_FLOOR = (DOME_SIDES / 8) * Math.sin((2 * Math.PI) / DOME_SIDES)

/** The floor of a dome. */
export function domeFloor({ shape }: Pick<Design, 'shape'>, outline: Outline): Vec[] {
  const [cx, cy] = [outline.widthM / 2, shape.lengthM / 2]
  return Array.from({ length: DOME_SIDES }, (_, side): Vec => {
    const around = (2 * Math.PI * (side + 0.5)) / DOME_SIDES
    return [cx + cx * Math.cos(around), cy + cy * Math.sin(around), 0]
  })
}
