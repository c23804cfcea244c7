/** Hours of the nominal year: a common year without 29 February. */
export const HOURS = 8760
export const DAYS = 365
export const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const
export const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const

/** First day of year (0-based) of each month, with 365 at the end. */
export const MONTH_START: readonly number[] = MONTH_DAYS.reduce<number[]>(
  (starts, d) => [...starts, starts[starts.length - 1]! + d],
  [0],
)

/** Month (0–11) of each day of the nominal year. */
export const MONTH_OF_DAY: Uint8Array = Uint8Array.from({ length: DAYS }, (_, day) =>
  MONTH_START.findIndex((s, m) => day >= s && day < MONTH_START[m + 1]!),
)

/** The calendar year whose dates the nominal year carries. It is a common year. */
export const NOMINAL_YEAR = 2027

/**
 * Monthly normals, January first: mean daily lowest and highest air temperature, °C; the rest as in the document's
 * `NormalsClimate`.
 */
export interface Normals {
  lowC: readonly number[]
  highC: readonly number[]
  sunshineH?: readonly number[]
  globalJm2?: readonly number[]
  humidity?: readonly number[]
  windMs?: readonly number[]
  snowDays?: readonly number[]
  designLowC?: number
  meanYearlyLowC?: number
  designHighC?: number
  coldestMonthC?: number
}

/**
 * One year of weather, hour by hour in local standard time. Element `h` stands for the hour that begins `h` hours after
 * 1 January 00:00.
 * Every array is 8760 long.
 */
export interface WeatherYear {
  /** Dry-bulb air temperature, °C. */
  dryBulbC: Float32Array
  dewPointC: Float32Array
  /** Station pressure, Pa. */
  pressurePa: Float32Array
  /** Global horizontal radiation, W/m². */
  globalWm2: Float32Array
  /** Beam radiation on a plane facing the sun, W/m². */
  beamWm2: Float32Array
  /** Diffuse horizontal radiation, W/m². */
  diffuseWm2: Float32Array
  /** Longwave radiation from the sky on a horizontal plane, W/m². */
  skyInfraredWm2: Float32Array
  windMs: Float32Array
  /** Cloud cover, 0–1. */
  cloud: Float32Array
  /** Depth of snow lying, m. */
  snowM: Float32Array
  /** What was estimated and how, in sentences for the reader. */
  notes: string[]
}

/** The weather of a site with the sun's place in each hour: what the rest of the core works from. */
export interface SiteYear extends WeatherYear {
  latitudeDeg: number
  longitudeDeg: number
  /** Hours that local standard time runs ahead of UTC. */
  standardOffsetH: number
  /** True solar altitude at the middle of the hour (of its sunlit part at rise and set), degrees. */
  sunAltitudeDeg: Float32Array
  /** Clockwise from true north, degrees. */
  sunAzimuthDeg: Float32Array
  /** Radiation above the atmosphere on a plane facing the sun, W/m². */
  extraterrestrialWm2: Float32Array
  /** Temperature of the sky that radiates as much as it does, °C, and humidity ratio outside, kg/kg. */
  skyC: Float32Array
  humidityRatio: Float32Array
  /** Undisturbed ground, fitted to the air: see `groundTemperatureC`. */
  ground: GroundClimate
  /** What stands round the site; null for an open horizon. */
  horizon: Horizon | null
}

/** The yearly wave of the ground's surface temperature. */
export interface GroundClimate {
  meanC: number
  /** Half the yearly swing at the surface, K. */
  amplitudeK: number
  /** Day of year of the coldest surface. */
  coldestDay: number
}

/** The horizon degree by degree, clockwise from north: how high it stands, and how much of that is leaves. */
export interface Horizon {
  altitudeDeg: Float32Array
  deciduous: Uint8Array
  /** Trees are in leaf on these days. */
  inLeaf: Uint8Array
}
