import { HOURS } from './climate/types'
import type { Design, PartId } from './design/types'
import { laidLeaves } from './geometry/leaves'
import { isLeaf, openingOf, type SurfaceId } from './geometry/parts'
import type { Building } from './geometry/surfaces'
import type { ElementLoss } from './network/chains'
import type { YearSeries } from './network/series'
import { openingKind, openingName } from './openings/registry'

/** An opening's year: its own figures. */
export interface OpeningAnswer {
  /** Its place in the document, its kind, and as the reader calls it. */
  index: number
  kind: string
  name: string
  part: PartId
  /** Leaves that it has, and their clear openings, m². */
  count: number
  clearM2: number
  /** Of what shuts it, by day without its cover, W/m²K; of its part where it is a piece of that. */
  uShut: number
  /** Free area when it stands wide open, m². */
  freeM2: number
  /** Hours in which it stood open at all, and as if wide open. */
  hoursOpen: number
  hoursWide: number
}

/** Less than this share is shut. */
const AJAR = 0.02

/** The year of each opening, in the order of the document. */
export function openingAnswers(
  design: Pick<Design, 'shape' | 'skin'>,
  { outline, surfaces }: Pick<Building, 'outline' | 'surfaces'>,
  byElement: readonly ElementLoss[],
  series: YearSeries,
): OpeningAnswer[] {
  const { skin } = design
  const leaves = laidLeaves(design, outline)
  const uOf = (is: (id: SurfaceId) => boolean): number | null => {
    const its = byElement.filter(e => e.id !== 'ground' && is(e.id))
    const areaM2 = its.reduce((sum, e) => sum + e.areaM2, 0)
    return areaM2 > 0 ? its.reduce((sum, e) => sum + e.uaDay, 0) / areaM2 : null
  }
  return skin.openings.map((o, index) => {
    const own = leaves.filter(l => l.index === index)
    const ofPart = new Set(surfaces.filter(s => s.part === o.part && !isLeaf(s)).map(s => s.id))
    const share = series.openings[index]!
    let hoursOpen = 0
    let hoursWide = 0
    for (let h = 0; h < HOURS; h++) {
      if (share[h]! > AJAR) hoursOpen++
      hoursWide += share[h]!
    }
    return {
      index,
      kind: o.kind,
      name: openingName(skin.openings, index),
      part: o.part,
      count: own.length,
      clearM2: own.reduce((sum, { rect }) => sum + (rect.u1 - rect.u0) * (rect.v1 - rect.v0), 0),
      uShut: uOf(id => openingOf(id) === index) ?? uOf(id => ofPart.has(id)) ?? 0,
      freeM2: openingKind(o).freeM2(o),
      hoursOpen,
      hoursWide,
    }
  })
}
