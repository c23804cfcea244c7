import { bodyName, kindOf } from './bodies/registry'
import { HOURS } from './climate/types'
import type { Design } from './design/types'
import { bodyFace } from './geometry/scene'
import type { Building } from './geometry/surfaces'
import { kWhOf, type YearSeries } from './network/series'
import type { SolarGains } from './optics/gains'

/** A body's year: its own figures. */
export interface BodyAnswer {
  /** Its place in the document, its kind, and as the reader calls it. */
  index: number
  kind: string
  name: string
  waterM3: number
  coldestC: number
  warmestC: number
  /** Mean of each day's warmest hour less its coldest, K. */
  dailySwingK: number
  /** Hours with ice in it, and the most of its water that froze, 0–1. */
  iceHours: number
  iceMost: number
  /** Sunlight that it takes in, kWh a year. */
  sunKWh: number
}

/** The year of each body that stands in the room, in the order of the document. */
export function bodyAnswers(
  { store }: Pick<Design, 'store'>,
  building: Building,
  light: SolarGains,
  series: YearSeries,
): BodyAnswer[] {
  return store.bodies.map((body, index) => {
    const { middleC, iceShare } = series.bodies[index]!
    const box = building.objects.find(o => o.kind === 'body' && o.index === index)!
    let coldestC = Infinity
    let warmestC = -Infinity
    let swing = 0
    let iceHours = 0
    let iceMost = 0
    for (let day = 0; day < HOURS / 24; day++) {
      let low = Infinity
      let high = -Infinity
      for (let h = day * 24; h < day * 24 + 24; h++) {
        const t = middleC[h]!
        if (t < low) low = t
        if (t > high) high = t
        const ice = iceShare[h]!
        if (ice > 0) iceHours++
        if (ice > iceMost) iceMost = ice
      }
      coldestC = Math.min(coldestC, low)
      warmestC = Math.max(warmestC, high)
      swing += high - low
    }
    return {
      index,
      kind: body.kind,
      name: bodyName(store.bodies, index),
      waterM3: kindOf(body).waterM3(body, box),
      coldestC,
      warmestC,
      dailySwingK: swing / (HOURS / 24),
      iceHours,
      iceMost,
      sunKWh: kWhOf(light.faces.find(f => f.id === bodyFace(index))?.watts),
    }
  })
}
