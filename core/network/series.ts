import { HOURS } from '../climate'
import type { SurfaceId } from '../geometry/surfaces'
import { SOURCE_GAINS } from '../sources/registry'

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
export const GAIN_NAMES: readonly string[] = ['sun', ...new Set(SOURCE_GAINS), 'fans']

/** Places of the ways in those orders. */
export const LOSS = Object.fromEntries(LOSS_NAMES.map((n, i) => [n, i])) as Record<LossName, number>
export const GAIN: Readonly<Record<string, number>> = Object.fromEntries(GAIN_NAMES.map((n, i) => [n, i]))

/**
 * The year's run, hour by hour in local standard time; every array 8760 long. Temperatures are hourly means unless
 * noted.
 */
export interface YearSeries {
  /** Round the beds. */
  airC: Float32Array
  /** Lowest and highest of the hour's steps. */
  airLowC: Float32Array
  airHighC: Float32Array
  radiantC: Float32Array
  /** Air above, up to the ridge, and in paths that are dug lower; the beds' own where there is none. */
  ridgeC: Float32Array
  pathC: Float32Array
  /** The coldest of the leaves on top of those that stand on beds; where none stands, as one would be in the room. */
  leafC: Float32Array
  /** Under the row cover; the room's air where there is none. */
  rowC: Float32Array
  /** At root depth: of all beds by their areas (of the top ground where there are none), and of each. */
  soilC: Float32Array
  bedsC: Float32Array[]
  /** Of all water that stands in the room, by its mass; NaN where there is none. */
  waterC: Float32Array
  /** Frozen share of it, 0–1. */
  iceShare: Float32Array
  /** By body, in the order of the document: its middle, its frozen share, and what it gives off, W, or takes in. */
  bodies: { middleC: Float32Array; iceShare: Float32Array; givesW: Float32Array }[]
  /** Water that condenses by month, kg: on each piece of skin, each body, and all else (floor, soil, leaves). */
  condensedOn: { skin: Float64Array[]; bodies: Float64Array[]; else: Float64Array }
  /** Heat leaving through each piece of skin, W; negative is a gain. */
  skin: { id: SurfaceId; lostW: Float32Array }[]
  /**
   * By air store, in the order of the document: the soil round its pipes or its rock, °C, what it takes from the air,
   * W, the share of the hour that its fan runs, and what condenses in it, kg; NaN and 0 while it is not in use.
   */
  airStores: { storeC: Float32Array; takesW: Float32Array; runs: Float32Array; condensedKg: Float32Array }[]
  floorC: Float32Array
  backWallC: Float32Array
  glazingC: Float32Array
  relativeHumidity: Float32Array
  /** How far the openings stand open, 0–1: all by their areas, and each in the order of the document. */
  ventOpening: Float32Array
  openings: Float32Array[]
  /** Heat for which fuel is burnt or power drawn, of all sources together. */
  heaterW: Float32Array
  /** What each source has brought, in the order of the document: heat, light and its fumes' water, W. */
  sources: Float32Array[]
  /** What each has carried from one thing in the house to another, W. */
  sourcesMoved: Float32Array[]
  /** Electricity of their pumps and fans, W. */
  pumpsW: Float32Array
  coverDrawn: Float32Array
  /** Share of the panes over which a cover is frozen down where it would be open. */
  coverStuck: Float32Array
  /** Electricity of all fans, of air stores too; and of each in the order of the document, W. */
  fanW: Float32Array
  fans: Float32Array[]
  /** Condensing on all surfaces, kg/h. */
  condensedKg: Float32Array
  /** Water misted into the air, kg/h. */
  mistKg: Float32Array
  /** Water that leaves and soil of the beds give off, kg/h, as they stood at the end of the hour. */
  drunkKg: Float32Array
  /** Sunlight on the beds (on the floor where there are none), past covers and wet glass, W/m². */
  bedLightWm2: Float32Array
  /** Share of light that each cover and the wet glass let through, 0–1. */
  coverLight: Float32Array[]
  /** Mean heat flow out of the house by way, W, in the order of `LOSS_NAMES`; negative is a gain. */
  losses: Float32Array[]
  /** Mean heat brought in, W, in the order of `GAIN_NAMES`. Sun is what is kept inside and in the panes. */
  gains: Float32Array[]
  /** Heat in all cells at the end of the year less that at its start, J. */
  storedJ: number
}

/** Energy of a year of hourly watts, kWh; none where there is no series. */
export function kWhOf(watts: Float32Array | undefined): number {
  let sum = 0
  if (watts) for (let h = 0; h < watts.length; h++) sum += watts[h]!
  return sum / 1000
}

/** How many of each there are, and the pieces of the skin. */
export interface Counted {
  bodies: number
  beds: number
  covers: number
  skin: readonly SurfaceId[]
  openings: number
  sources: number
  airStores: number
  fans: number
}

export function emptySeries({ bodies, beds, covers, skin, openings, sources, airStores, fans }: Counted): YearSeries {
  const s = () => new Float32Array(HOURS)
  return {
    airC: s(),
    airLowC: s(),
    airHighC: s(),
    radiantC: s(),
    ridgeC: s(),
    pathC: s(),
    leafC: s(),
    rowC: s(),
    soilC: s(),
    bedsC: Array.from({ length: beds }, s),
    waterC: s(),
    iceShare: s(),
    bodies: Array.from({ length: bodies }, () => ({ middleC: s(), iceShare: s(), givesW: s() })),
    condensedOn: {
      skin: skin.map(() => new Float64Array(12)),
      bodies: Array.from({ length: bodies }, () => new Float64Array(12)),
      else: new Float64Array(12),
    },
    skin: skin.map(id => ({ id, lostW: s() })),
    airStores: Array.from({ length: airStores }, () => ({
      storeC: s().fill(NaN),
      takesW: s(),
      runs: s(),
      condensedKg: s(),
    })),
    floorC: s(),
    backWallC: s(),
    glazingC: s(),
    relativeHumidity: s(),
    ventOpening: s(),
    openings: Array.from({ length: openings }, s),
    heaterW: s(),
    sources: Array.from({ length: sources }, s),
    sourcesMoved: Array.from({ length: sources }, s),
    pumpsW: s(),
    coverDrawn: s(),
    coverStuck: s(),
    fanW: s(),
    fans: Array.from({ length: fans }, s),
    condensedKg: s(),
    mistKg: s(),
    drunkKg: s(),
    bedLightWm2: s(),
    coverLight: Array.from({ length: covers }, s),
    losses: LOSS_NAMES.map(s),
    gains: GAIN_NAMES.map(s),
    storedJ: 0,
  }
}
