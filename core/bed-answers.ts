import { isUnderRow } from './beds/under-cover'
import { HOURS, MONTH_DAYS, MONTH_OF_DAY } from './climate/types'
import type { Design } from './design/types'
import { bedName } from './design/words'
import { bedFace, bedMeter } from './geometry/faces'
import { standsOnM2 } from './geometry/objects'
import type { Building } from './geometry/surfaces'
import type { YearSeries } from './network/series'
import type { SolarGains } from './optics/gains'
import { BED_ABSORPTANCE } from './optics/light-table'

/** A bed's year: its own figures. */
export interface BedAnswer {
  /** Its place in the document, and as the reader calls it. */
  index: number
  name: string
  /** At root depth, °C: the coldest hour, and each month's mean. */
  soilMinC: number
  soilC: number[]
  /** Sunlight on it by month, mol/m² a day. */
  dli: number[]
  /**
   * Under its row cover, where there is one: its space as a share of the house's air, and air and soil in the room's
   * coldest hour, °C.
   */
  underCover: { spaceShare: number; airC: number; soilC: number } | null
}

/** A row cover's hoops hold it so far above the soil, m. */
export const ROW_SPACE_M = 0.5

/** The year of each bed, in the order of the document. */
export function bedAnswers(
  { shape: { beds }, breathe: { rowCover } }: Pick<Design, 'shape' | 'breathe'>,
  building: Building,
  light: SolarGains,
  series: YearSeries,
  coldestHour: number,
  molPerJoule: number,
): BedAnswer[] {
  return beds.map((_, index) => {
    const box = building.objects.find(o => o.kind === 'bed' && o.index === index)!
    const areaM2 = standsOnM2(box)
    const meter = light.faces.findIndex(f => f.id === bedMeter(index))
    const face = meter < 0 ? light.faces.findIndex(f => f.id === bedFace(index)) : meter
    const takes = meter < 0 ? BED_ABSORPTANCE : 1
    const roots = series.bedsC[index]!
    const soilC = new Array<number>(12).fill(0)
    const dli = new Array<number>(12).fill(0)
    let soilMinC = Infinity
    for (let h = 0; h < HOURS; h++) {
      const month = MONTH_OF_DAY[Math.floor(h / 24)]!
      const days = MONTH_DAYS[month]!
      soilC[month]! += roots[h]! / (24 * days)
      if (roots[h]! < soilMinC) soilMinC = roots[h]!
      if (face < 0) continue
      let watts = 0
      for (let k = 0; k < light.byCover.length; k++)
        watts += light.byCover[k]!.faces[face]![h]! * series.coverLight[k]![h]!
      dli[month]! += (watts * 3600 * molPerJoule) / (takes * areaM2 * days)
    }
    const underCover = isUnderRow(rowCover, index)
      ? {
          spaceShare: (areaM2 * ROW_SPACE_M) / building.volumeM3,
          airC: series.rowC[coldestHour]!,
          soilC: roots[coldestHour]!,
        }
      : null
    return { index, name: bedName(beds, index), soilMinC, soilC, dli, underCover }
  })
}
