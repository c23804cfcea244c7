import { HOURS } from './climate/types'
import type { Design, PartId } from './design/types'
import type { YearSeries } from './network/series'
import { openingKind, openingName } from './openings/registry'

/** An opening's year: its own figures. */
export interface OpeningAnswer {
  /** Its place in the document, its kind, and as the reader calls it. */
  index: number
  kind: string
  name: string
  part: PartId
  /** Free area when it stands wide open, m². */
  freeM2: number
  /** Hours in which it stood open at all, and as if wide open. */
  hoursOpen: number
  hoursWide: number
}

/** Less than this share is shut. */
const AJAR = 0.02

/** The year of each opening, in the order of the document. */
export function openingAnswers({ skin }: Pick<Design, 'skin'>, series: YearSeries): OpeningAnswer[] {
  return skin.openings.map((o, index) => {
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
      freeM2: openingKind(o).freeM2(o),
      hoursOpen,
      hoursWide,
    }
  })
}
