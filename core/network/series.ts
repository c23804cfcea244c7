import { HOURS } from '../climate'
import type { SurfaceId } from '../geometry/surfaces'

/** What leaves the house, and how. Order of `YearSeries.losses`. */
export const LOSS_NAMES = [
  'glazing',
  'roof',
  'back wall',
  'knee wall',
  'end walls',
  'ground',
  'house',
  'air leaks',
  'vents',
  'damp air',
] as const
export type LossName = (typeof LOSS_NAMES)[number]

/** What brings heat in. Order of `YearSeries.gains`. */
export const GAIN_NAMES = [
  'sun',
  'heater',
  'bed loop',
  'lamps',
  'fans',
  'people',
  'solar air panel',
  'solar water panel',
  'compost',
  'dump load',
] as const

/** Places of the ways in those orders. */
export const LOSS = Object.fromEntries(LOSS_NAMES.map((n, i) => [n, i])) as Record<LossName, number>
export const GAIN = Object.fromEntries(GAIN_NAMES.map((n, i) => [n, i])) as Record<(typeof GAIN_NAMES)[number], number>

/**
 * The year's run, hour by hour in local standard time; every array 8760 long. Temperatures are hourly means unless
 * said.
 */
export interface YearSeries {
  airC: Float32Array
  radiantC: Float32Array
  /** Under the row cover; the room's air where there is none. */
  rowC: Float32Array
  /** Middle of the bed (of the top ground where there are no beds). */
  soilC: Float32Array
  /** Of all water that stands in the room, by its mass; NaN where there is none. */
  waterC: Float32Array
  /** Frozen share of it, 0–1. */
  iceShare: Float32Array
  /** By body, in the order of the document: its middle, and its frozen share. */
  bodies: { middleC: Float32Array; iceShare: Float32Array }[]
  /** Heat leaving through each piece of skin, W; negative is a gain. */
  skin: { id: SurfaceId; lostW: Float32Array }[]
  /** Soil round the pipes, or rock; NaN where there is no such store. */
  storeC: Float32Array
  floorC: Float32Array
  backWallC: Float32Array
  glazingC: Float32Array
  relativeHumidity: Float32Array
  /** How far the openings stand open, 0–1: all by their areas, and each in the order of the document. */
  ventOpening: Float32Array
  openings: Float32Array[]
  heaterW: Float32Array
  coverDrawn: Float32Array
  fanW: Float32Array
  /** Condensing on all surfaces, kg/h. */
  condensedKg: Float32Array
  /** Mean heat flow out of the house by way, W, in the order of `LOSS_NAMES`; negative is a gain. */
  losses: Float32Array[]
  /** Mean heat brought in, W, in the order of `GAIN_NAMES`. Sun is what is kept inside and in the panes. */
  gains: Float32Array[]
  /** Heat in all cells at the end of the year less that at its start, J. */
  storedJ: number
}

export function emptySeries(bodies = 0, skin: readonly SurfaceId[] = [], openings = 0): YearSeries {
  const s = () => new Float32Array(HOURS)
  return {
    airC: s(),
    radiantC: s(),
    rowC: s(),
    soilC: s(),
    waterC: s(),
    iceShare: s(),
    bodies: Array.from({ length: bodies }, () => ({ middleC: s(), iceShare: s() })),
    skin: skin.map(id => ({ id, lostW: s() })),
    storeC: s(),
    floorC: s(),
    backWallC: s(),
    glazingC: s(),
    relativeHumidity: s(),
    ventOpening: s(),
    openings: Array.from({ length: openings }, s),
    heaterW: s(),
    coverDrawn: s(),
    fanW: s(),
    condensedKg: s(),
    losses: LOSS_NAMES.map(s),
    gains: GAIN_NAMES.map(s),
    storedJ: 0,
  }
}
