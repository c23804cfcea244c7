import { RANGE_PER_CLEAR, seasonsOf } from './made-days'
import { monthMeans, monthlyMeans } from './monthly'
import { extraterrestrialDayJm2 } from './radiation'
import { normalDeviates, seededRandom } from './random'
import { SUN_PER_CLEAR } from './day-sky'
import { DAYS, MONTH_DAYS, type Normals } from './types'

const { abs, exp, log, max, min, sqrt } = Math

/**
 * How far a winter month's mean strays from its normal from year to year, standard deviation, K: rows by how far the
 * warmest month's mean lies over the coldest's (0, 10, … 50 K: from the sea to the middle of continents), columns by
 * latitude (0, 25, 45 and 60°).
 * Source: maps of the spread of seasons' means, Hansen, Sato & Ruedy 2012 (0.5 in the tropics, 1 to 2 over coasts of
 * middle latitudes, 2 to 3.5 inside of northern continents); months by themselves stray by about a quarter more.
 */
export const WINTER_MONTHS_STRAY_K: readonly (readonly [number, number, number, number])[] = [
  [0.5, 0.8, 1.0, 1.3],
  [0.7, 1.2, 1.5, 2.0],
  [1.0, 1.6, 2.0, 2.5],
  [1.2, 2.0, 2.7, 3.0],
  [1.4, 2.4, 3.2, 3.4],
  [1.5, 2.6, 3.4, 3.6],
]
/** The same of a summer month, at any latitude (the same maps: 0.5 to 1.3 by season). */
export const SUMMER_MONTHS_STRAY_K: readonly number[] = [0.4, 0.8, 1.0, 1.3, 1.5, 1.6]
const ROW_K = 10
const COLUMNS_DEG = [0, 25, 45, 60]

/**
 * How far a month's sun strays, as a share of it, by the share of the sky's sun that it usually has: dull months stray
 * most (Gueymard & Wilcox 2011: months by 10 to 20 % in cloudy winters, by under 5 in deserts).
 */
const sunStrays = (clearness: number) => max(0.04, min(0.18, 0.24 - 0.3 * clearness))

/** A month keeps so much of the one before (monthly means of stations: 0.2 to 0.4). */
const MONTHS_MEMORY = 0.3
/** Sunny months are warm in summer, cold in winter. */
const SUNNY_SUMMER = 0.4
const SUNNY_WINTER = -0.25
/** No month strays further than so many deviations. */
const FURTHEST = 2.6
/** Snow lies by a month's mean: odds that a day has it, for each kelvin colder. */
const SNOW_ODDS_K = 0.35
/** The coldest of some thirty Januaries lies so many deviations below their mean (Tippett 1925). */
const REMEMBERED = 2.04

/** A value between rows and columns of a table. */
function between(table: readonly (readonly number[])[], row: number, columns: readonly number[], at: number): number {
  const r = max(0, min(table.length - 1.001, row))
  const x = max(columns[0]!, min(columns.at(-1)! - 1e-9, at))
  const c = columns.findIndex((v, i) => x >= v && x < (columns[i + 1] ?? Infinity))
  const t = (x - columns[c]!) / (columns[c + 1]! - columns[c]!)
  const of = (line: readonly number[]) => line[c]! * (1 - t) + line[c + 1]! * t
  const i = r | 0
  return of(table[i]!) * (1 - (r - i)) + of(table[i + 1]!) * (r - i)
}

/** How far months of a climate stray from winter to winter: temperature, K, and sun as a share, by month. */
export interface YearToYear {
  strayK: number[]
  sunShare: number[]
}

/**
 * How far a climate's months stray from year to year: by its continentality and latitude, or by the coldest month that
 * somebody remembers.
 * @param globalJm2 usual radiation of each month, J/m² a day
 */
export function yearToYear(normals: Normals, latitudeDeg: number, globalJm2: readonly number[]): YearToYear {
  const { seasonsK, wintryAt } = seasonsOf(normals)
  const means = monthMeans(normals)
  const row = seasonsK / ROW_K
  const winter = between(WINTER_MONTHS_STRAY_K, row, COLUMNS_DEG, abs(latitudeDeg))
  const i = min(SUMMER_MONTHS_STRAY_K.length - 2, row | 0)
  const summer =
    SUMMER_MONTHS_STRAY_K[i]! + min(1, row - i) * (SUMMER_MONTHS_STRAY_K[i + 1]! - SUMMER_MONTHS_STRAY_K[i]!)
  const known = normals.coldestMonthC
  const scale = known === undefined ? 1 : (min(...means) - known) / REMEMBERED / winter
  const above = monthlyMeans(Float64Array.from({ length: DAYS }, (_, d) => extraterrestrialDayJm2(d, latitudeDeg)))
  return {
    strayK: means.map(c => scale * (summer + (winter - summer) * wintryAt(c))),
    sunShare: globalJm2.map((v, m) => (above[m]! > 0 ? sunStrays(v / above[m]!) : 0)),
  }
}

/** Months of one winter, and how far its coldest month strayed, in standard deviations. */
export interface VariedMonths {
  normals: Normals
  coldest: number
  /** By month: K warmer than usual, and sun as a share of the usual. */
  warmerK: number[]
  sun: number[]
}

/**
 * The months of one winter as it came: each strays from its normal, with some memory of the one before, sunny ones cold
 * in winter and warm in summer, and wider from low to high.
 * @param globalJm2 usual radiation of each month, J/m² a day
 */
export function variedMonths(
  normals: Normals,
  latitudeDeg: number,
  globalJm2: readonly number[],
  seed: number,
): VariedMonths {
  const normal = normalDeviates(seededRandom((seed ^ 0x3a57) >>> 0))
  const { strayK, sunShare } = yearToYear(normals, latitudeDeg, globalJm2)
  const { wintryAt } = seasonsOf(normals)
  const means = monthMeans(normals)
  const within = (v: number) => max(-FURTHEST, min(FURTHEST, v))
  let of = normal()
  const air = means.map(() => within((of = MONTHS_MEMORY * of + sqrt(1 - MONTHS_MEMORY ** 2) * normal())))
  const sky = means.map((c, m) => {
    const withAir = SUNNY_SUMMER + (SUNNY_WINTER - SUNNY_SUMMER) * wintryAt(c)
    return within(withAir * air[m]! + sqrt(1 - withAir ** 2) * normal())
  })
  const warmerK = air.map((v, m) => v * strayK[m]!)
  const sun = sky.map((v, m) => 1 + v * sunShare[m]!)
  const wider = sun.map(
    (v, m) => ((normals.highC[m]! - normals.lowC[m]!) * (v - 1) * RANGE_PER_CLEAR) / SUN_PER_CLEAR / 2,
  )
  const snowDays = normals.snowDays?.map((days, m) => snowier(days / MONTH_DAYS[m]!, warmerK[m]!) * MONTH_DAYS[m]!)
  return {
    normals: {
      ...normals,
      lowC: normals.lowC.map((v, m) => v + warmerK[m]! - wider[m]!),
      highC: normals.highC.map((v, m) => v + warmerK[m]! + wider[m]!),
      globalJm2: globalJm2.map((v, m) => v * sun[m]!),
      ...(snowDays ? { snowDays } : {}),
    },
    coldest: air[means.indexOf(min(...means))]!,
    warmerK,
    sun,
  }
}

/** Share of a month's days with snow, by how much warmer than usual it is: none stays none, and all stays all. */
function snowier(share: number, warmerK: number): number {
  if (share <= 0 || share >= 1) return share
  return 1 / (1 + exp(-(log(share / (1 - share)) - SNOW_ODDS_K * warmerK)))
}
