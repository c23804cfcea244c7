import type { PartId } from './design/types'
import type { Building, SurfaceId } from './geometry/surfaces'
import type { ElementLoss } from './network/chains'
import { kWhOf, type YearSeries } from './network/series'
import type { SolarGains } from './optics/gains'

/** The year of one piece of skin: its own figures. */
export interface PartAnswer {
  id: SurfaceId
  /** The part that it is of. */
  part: PartId
  glazed: boolean
  areaM2: number
  /** U-values with standard films, by day and with its cover drawn, W/m²K; null where it lies against the ground. */
  uDay: number | null
  uNight: number | null
  /** Heat that left through it: mean of the twelve hours up to the coldest, W, and in the year, kWh. */
  coldNightW: number
  lostKWh: number
  /** Sunlight let in by glazing, and taken in by its inner face (a pane: within itself), kWh a year. */
  letInKWh: number
  takenInKWh: number
}

/** The year of each piece of the skin, round the section and then the ends. */
export function partAnswers(
  building: Building,
  rows: readonly ElementLoss[],
  light: SolarGains,
  series: YearSeries,
  coldestHour: number,
): PartAnswer[] {
  const from = Math.max(0, coldestHour - 11)
  return series.skin.map(({ id, lostW }): PartAnswer => {
    const own = building.surfaces.filter(s => s.id === id)
    const { part, kind } = own[0]!
    const row = rows.find(r => r.id === id)
    const pane = light.panes.find(p => p.id === id)
    const glazed = kind === 'glazed'
    let night = 0
    for (let h = from; h <= coldestHour; h++) night += lostW[h]! / (coldestHour - from + 1)
    return {
      id,
      part: part!,
      glazed,
      areaM2: own.reduce((sum, s) => sum + s.areaM2, 0),
      uDay: row?.uDay ?? null,
      uNight: row?.uNight ?? null,
      coldNightW: night,
      lostKWh: kWhOf(lostW),
      letInKWh: kWhOf(pane?.throughW),
      takenInKWh: glazed ? kWhOf(pane?.watts) : kWhOf(light.faces.find(f => f.id === id)?.watts),
    }
  })
}
