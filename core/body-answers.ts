import { bodyName, kindOf } from './bodies/registry'
import { FUELS } from './catalog'
import { HOURS, MONTH_DAYS, MONTH_START } from './climate/types'
import type { Design } from './design/types'
import { bodyFace } from './geometry/faces'
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
  /** Sunlight that it takes in, kWh a year, and by month. */
  sunKWh: number
  sunByMonthKWh: number[]
  /** What stands on the floor, kg, and for each square metre of that, kg. */
  weightKg: number
  loadKgM2: number
  /**
   * The twelve hours up to the coldest: heat that it gave off, kWh; as a share of all that left the house in them; the
   * heater that would have done the same, W; and what that would have used, by fuel as sold. 0 where it took heat in.
   */
  night: { gaveKWh: number; share: number; watts: number; equal: { fuel: string; amount: number; unit: string }[] }
}

/** Hours of the coldest night that are looked at, up to its coldest. */
export const NIGHT_H = 12

/** The year of each body that stands in the room, in the order of the document. */
export function bodyAnswers(
  { store }: Pick<Design, 'store'>,
  building: Building,
  light: SolarGains,
  series: YearSeries,
  coldestHour: number,
  nightLossW: number,
): BodyAnswer[] {
  return store.bodies.map((body, index) => {
    const { middleC, iceShare, givesW } = series.bodies[index]!
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
    const sun = light.faces.find(f => f.id === bodyFace(index))?.watts
    const weightKg = kindOf(body).weightKg(body, box)
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
      sunKWh: kWhOf(sun),
      sunByMonthKWh: MONTH_DAYS.map((days, m) =>
        kWhOf(sun?.subarray(MONTH_START[m]! * 24, (MONTH_START[m]! + days) * 24)),
      ),
      weightKg,
      loadKgM2: weightKg / Math.max(1e-6, (box.x1 - box.x0) * (box.y1 - box.y0)),
      night: nightOf(givesW, coldestHour, nightLossW),
    }
  })
}

/** What a body did in the night up to the coldest hour. @param nightLossW mean of all that left the house in it, W */
function nightOf(givesW: Float32Array, coldestHour: number, nightLossW: number): BodyAnswer['night'] {
  let sum = 0
  const from = Math.max(0, coldestHour - NIGHT_H + 1)
  for (let h = from; h <= coldestHour; h++) sum += givesW[h]!
  const hours = coldestHour - from + 1
  const watts = Math.max(0, sum / hours)
  const gaveKWh = (watts * hours) / 1000
  return {
    gaveKWh,
    share: nightLossW > 0 ? watts / nightLossW : 0,
    watts,
    equal: FUELS.map(f => ({ fuel: f.id, amount: gaveKWh / f.efficiency / f.perUnitKWh, unit: f.unit })),
  }
}
