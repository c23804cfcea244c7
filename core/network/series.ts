import { HOURS } from '../climate'

/** What leaves the house, and how. Order of `YearSeries.losses`. */
export const LOSS_NAMES = ['glazing', 'roof', 'back wall', 'knee wall', 'end walls', 'ground', 'air leaks', 'vents', 'damp air'] as const
export type LossName = typeof LOSS_NAMES[number]

/** The year's run, hour by hour in local standard time; every array 8760 long. Temperatures are hourly means unless said. */
export interface YearSeries {
  airC: Float32Array
  /** Lowest and highest step of each hour. */
  airMinC: Float32Array
  airMaxC: Float32Array
  radiantC: Float32Array
  /** Middle of the bed (of the top ground where there are no beds). */
  soilC: Float32Array
  /** NaN where there is no water. */
  waterC: Float32Array
  /** Frozen share of the water, 0–1. */
  iceShare: Float32Array
  floorC: Float32Array
  backWallC: Float32Array
  glazingC: Float32Array
  relativeHumidity: Float32Array
  ventOpening: Float32Array
  heaterW: Float32Array
  coverDrawn: Float32Array
  /** Mean heat flow out of the house by way, W, in the order of `LOSS_NAMES`; negative is a gain. */
  losses: Float32Array[]
  /** Sunlight kept inside and in the panes, W. */
  sunW: Float32Array
  /** Heat in all cells at the end of the year less that at its start, J. */
  storedJ: number
}

export function emptySeries(): YearSeries {
  const s = () => new Float32Array(HOURS)
  return {
    airC: s(), airMinC: s(), airMaxC: s(), radiantC: s(), soilC: s(), waterC: s(), iceShare: s(), floorC: s(), backWallC: s(), glazingC: s(), relativeHumidity: s(),
    ventOpening: s(), heaterW: s(), coverDrawn: s(), losses: LOSS_NAMES.map(s), sunW: s(), storedJ: 0,
  }
}
