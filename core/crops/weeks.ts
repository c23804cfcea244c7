import { isUnderRow } from '../beds/under-cover'
import { DAYS } from '../climate'
import { groundTemperatureC } from '../climate/ground-climate'
import type { Design } from '../design/types'
import { makeBuilding } from '../geometry/surfaces'
import { groundOf } from '../materials/ground'
import { molInside, molOutside } from '../light-of-days'
import type { YearResult } from '../year'

/** Weeks of the calendar of crops: the last has a day more, 29 February none. */
export const WEEKS = 52
export const weekOf = (day: number): number => Math.min(WEEKS - 1, Math.floor(day / 7))
/** First day of a week of the calendar, 0–364, in any turn of the year. */
export const weekStart = (week: number): number => 7 * (((week % WEEKS) + WEEKS) % WEEKS)

/** A year week by week, as a plant has it; every array 52 long. */
export interface CropWeeks {
  /** The coldest hour of its leaves, °C. */
  leafLowC: Float32Array
  /** Means of the daily lows and highs of the air round it, °C. */
  nightC: Float32Array
  dayC: Float32Array
  /** Mean at root depth, °C. */
  soilC: Float32Array
  /** Mean of the days' photosynthetic light, mol/m². */
  dli: Float32Array
}

/** One year of a house, and of the open ground beside it. */
export interface CropYear {
  inside: CropWeeks
  open: CropWeeks
}

/** Roots in open ground lie about so deep, m. */
const ROOTS_M = 0.1

/** A year of a house as its crops have it: under the row cover where there is one. */
export function cropYear(design: Design, { site, series }: Pick<YearResult, 'site' | 'series'>): CropYear {
  const building = makeBuilding(design)
  const { conductivity, density, specificHeat } = groundOf(design.site)
  const areaM2 = building.bedAreaM2 > 0 ? building.bedAreaM2 : building.floorAreaM2
  // The sheet's air is that of leaves where it lies over all beds.
  const { rowCover } = design.breathe
  const airC = design.shape.beds.every((_, i) => isUnderRow(rowCover, i)) ? series.rowC : series.airC
  const roots = Float32Array.from({ length: DAYS * 24 }, (_, h) =>
    groundTemperatureC(site.ground, ROOTS_M, h / 24, conductivity / (density * specificHeat)),
  )
  return {
    inside: byWeek(series.leafC, airC, series.soilC, molInside(design, areaM2, series)),
    open: byWeek(site.dryBulbC, site.dryBulbC, roots, molOutside(site)),
  }
}

function byWeek(leafC: Float32Array, airC: Float32Array, soilC: Float32Array, mol: ArrayLike<number>): CropWeeks {
  const s = () => new Float32Array(WEEKS)
  const weeks: CropWeeks = { leafLowC: s().fill(Infinity), nightC: s(), dayC: s(), soilC: s(), dli: s() }
  for (let d = 0; d < DAYS; d++) {
    const w = weekOf(d)
    const days = w === WEEKS - 1 ? 8 : 7
    let [low, high, soil] = [Infinity, -Infinity, 0]
    for (let h = d * 24; h < d * 24 + 24; h++) {
      low = Math.min(low, airC[h]!)
      high = Math.max(high, airC[h]!)
      soil += soilC[h]! / 24
      weeks.leafLowC[w] = Math.min(weeks.leafLowC[w]!, leafC[h]!)
    }
    weeks.nightC[w]! += low / days
    weeks.dayC[w]! += high / days
    weeks.soilC[w]! += soil / days
    weeks.dli[w]! += mol[d]! / days
  }
  return weeks
}
