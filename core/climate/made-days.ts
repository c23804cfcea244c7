import { monthlyMeans, monthMeans, shiftMonths, smoothDaily } from './monthly'
import { normalDeviates, seededRandom } from './random'
import { DAYS, type Normals } from './types'

const { exp, max, min, sqrt } = Math

/** The days of a made year. */
export interface MadeDays {
  low: Float64Array
  high: Float64Array
  /** Standard deviates: positive is clear. */
  clear: Float64Array
  wind: Float64Array
  /** What the season has: mean of the day, °C, and how wintry it is, 0–1. */
  meanC: Float64Array
  wintry: Float64Array
  /** The widest day, and the furthest fall from a day's high to the next low, that its month knows, K. */
  mostRangeK: Float64Array
  mostFallK: Float64Array
}

/**
 * Day-to-day memory of the air, by how far the warmest month's mean lies over the coldest's, K: longer near the sea
 * (Richardson 1981 finds 0.5–0.75; the Januaries of the two records have 0.77 and 0.64).
 */
const airMemory = (seasonsK: number) => max(0.68, min(0.8, 0.92 - 0.01 * seasonsK))
/** Cloudiness has a quick part and a slow one, so that dull spells of a week come round. */
const QUICK_MEMORY = 0.35
const SLOW_MEMORY = 0.88
const QUICK_SHARE = 0.75

/**
 * Clear days are cold in winter and warm in summer: the part of a day's departure that goes with its sky. Of the daily
 * records of two stations that the proofs read: −0.27 and −0.27 in winter, 0.31 and 0.05 in summer.
 */
const SKY_IN_SUMMER = 0.25
const SKY_IN_WINTER = -0.3

/** How a day's range goes with its sky; the rest is other air (Bristow & Campbell 1984 find the sun from the range). */
const RANGE_WITH_SKY = 0.7
/** A day's range scatters about its month's by this share of it, in summer and in winter, but by no more than that. */
const RANGE_SUMMER = 0.28
const RANGE_WINTER = 0.4
const RANGE_MOST_SD_K = 4
/** No range is less than this share of the usual one; none is wider, no fall further, than so many deviations more. */
const LEAST_RANGE = 0.2
const WIDEST = 2.7
const FURTHEST_FALL = 3.5

/** A day's range scatters by this share of it in the middle of the seasons. */
const RANGE_USUAL = (RANGE_SUMMER + RANGE_WINTER) / 2
/** The likeliest sky of a day, in deviates, by how many times the usual one its range is. */
export const clearOfRange = (times: number): number => (RANGE_WITH_SKY * (times - 1)) / RANGE_USUAL
/** What a clear sky, one deviate, adds to a range, as a share of it. */
export const RANGE_PER_CLEAR = RANGE_WITH_SKY * RANGE_USUAL

/**
 * How far days' means stray from their month's, K, by how much the warmest month's mean lies over the coldest's, K, and
 * how wintry the season is, 0–1: coasts stray by 2 in summer and 3 in winter, the inside of continents by 3 and 6.
 */
const strayK = (seasonsK: number, wintry: number) => {
  const summer = 1.4 + 0.045 * seasonsK
  return summer + (1.2 + 0.13 * min(45, seasonsK) - summer) * wintry
}

/**
 * Days of a year whose months have the means given: autocorrelated, the sky with the air as records have it.
 * Source of the structure: Richardson 1981.
 */
export function makeDays(normals: Normals, seed: number): MadeDays {
  const normal = normalDeviates(seededRandom(seed))
  const meanLow = smoothDaily(normals.lowC)
  const meanHigh = smoothDaily(normals.highC)
  const { seasonsK, wintryAt } = seasonsOf(normals)
  const blank = () => new Float64Array(DAYS)
  const days: MadeDays = {
    low: blank(),
    high: blank(),
    clear: blank(),
    wind: blank(),
    meanC: meanLow.map((l, d) => (l + meanHigh[d]!) / 2),
    wintry: blank(),
    mostRangeK: blank(),
    mostFallK: blank(),
  }
  let [quick, slow, air, other, w] = [normal(), normal(), normal(), normal(), normal()]
  const memory = airMemory(seasonsK)
  const next = (x: number, kept: number) => kept * x + sqrt(1 - kept ** 2) * normal()
  for (let d = -20; d < DAYS; d++) {
    quick = next(quick, QUICK_MEMORY)
    slow = next(slow, SLOW_MEMORY)
    air = next(air, memory)
    other = next(other, 0.2)
    w = next(w, 0.4)
    if (d < 0) continue
    const clear = QUICK_SHARE * quick + sqrt(1 - QUICK_SHARE ** 2) * slow
    const middle = days.meanC[d]!
    const wintry = wintryAt(middle)
    const withSky = SKY_IN_SUMMER + (SKY_IN_WINTER - SKY_IN_SUMMER) * wintry
    const anomaly = strayK(seasonsK, wintry) * (withSky * clear + sqrt(1 - withSky ** 2) * air)
    const usual = max(0.5, meanHigh[d]! - meanLow[d]!)
    const sd = min((RANGE_SUMMER + (RANGE_WINTER - RANGE_SUMMER) * wintry) * usual, RANGE_MOST_SD_K)
    const drawn = usual + sd * (RANGE_WITH_SKY * clear + sqrt(1 - RANGE_WITH_SKY ** 2) * other)
    const range = max(LEAST_RANGE * usual, min(usual + WIDEST * sd, drawn))
    days.clear[d] = clear
    days.wintry[d] = wintry
    days.mostRangeK[d] = usual + WIDEST * sd
    days.mostFallK[d] = usual + FURTHEST_FALL * sd
    days.low[d] = middle + anomaly - range / 2
    days.high[d] = max(middle + anomaly + range / 2, days.low[d]! + 0.5)
    days.wind[d] = exp(0.45 * w)
  }
  for (const [daily, means] of [
    [days.low, normals.lowC],
    [days.high, normals.highC],
  ] as const)
    shiftMonths(
      daily,
      monthlyMeans(daily).map((v, m) => means[m]! - v),
    )
  return days
}

/** How far a climate's warmest month's mean lies over its coldest's, K, and how wintry a mean is there, 0–1. */
export function seasonsOf(normals: Pick<Normals, 'lowC' | 'highC'>): {
  seasonsK: number
  wintryAt: (meanC: number) => number
} {
  const means = monthMeans(normals)
  const [coldest, warmest] = [min(...means), max(...means)]
  const seasonsK = warmest - coldest
  return { seasonsK, wintryAt: c => max(0, min(1, (warmest - c) / max(1, seasonsK))) }
}

/** Brings days within what their months know: the high of a cold day gives way, and the low of a warm one. */
export function keepWithin({ low, high, wintry, mostRangeK, mostFallK }: MadeDays): void {
  for (let d = 0; d < DAYS; d++) {
    const before = (d + DAYS - 1) % DAYS
    for (const [at, most] of [
      [d, mostRangeK[d]!],
      [before, mostFallK[d]!],
    ] as const) {
      const over = high[at]! - low[d]! - most
      if (over <= 0) continue
      if (wintry[d]! > 0.5) high[at] = high[at]! - over
      else low[d] = low[d]! + over
    }
    if (high[d]! < low[d]! + 0.5) high[d] = low[d]! + 0.5
  }
}
