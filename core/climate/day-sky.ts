import { clearestShare, dewPointC } from './atmosphere'
import { radiationWeight, sunSine } from './diurnal'
import { extraterrestrialWm2, splitGlobal } from './radiation'
import type { SunYear } from './sun-year'
import type { WeatherYear } from './types'

const { max, min } = Math

/**
 * What a day's clearness, a standard deviate, does to it. Clear days swing more: the day's range goes with it, and the
 * day's sun (Richardson 1981; Bristow & Campbell 1984 find the sun from the range).
 */
export const RANGE_PER_CLEAR = 0.34
export const SUN_PER_CLEAR = 0.42

/** No range is less than this share of the usual one, and no sky stranger than so many deviates. */
export const LEAST_RANGE = 0.25
const STRANGEST = 2.2

/** Cloud cover of a day, 0–1. */
export const cloudOfDay = (clear: number): number => max(0, min(1, 0.5 - 0.36 * clear))

/** Clearness of a day from its range and the usual one of its month, K: the sky that such a range tells of. */
export const clearFromRange = (rangeK: number, usualK: number): number =>
  max(-STRANGEST, min(STRANGEST, (rangeK / max(0.5, usualK) - 1) / RANGE_PER_CLEAR))

/**
 * Dew point of a day, °C, from its low and high, °C, its clearness, and the usual relative humidity, 0–1 (null where
 * nobody knows it: then from the low, as clear nights are dry).
 */
export const dewOfDayC = (lowC: number, highC: number, clear: number, humidity: number | null): number =>
  humidity === null
    ? lowC - 0.5 - 1.6 * max(0, clear)
    : dewPointC((lowC + highC) / 2, max(0.15, min(0.99, humidity - 0.05 * clear)))

/** The most that an hour's horizontal can have of the sun, W/m². */
export const clearestWm2 = (sun: SunYear, hour: number, ext: number, pressurePa: number): number =>
  ext * max(0, sunSine(sun, hour)) * sun.upShare[hour]! * clearestShare(sun.altitudeDeg[hour]!, pressurePa)

/**
 * Lays a day's sun into a year, hour by hour: its sum on the horizontal, J/m², spread by the sun's height, and split
 * into beam and diffuse. No hour is brighter than the clearest sky.
 * @param day of the year, 0-based
 */
export function fillDaySun(
  year: Pick<WeatherYear, 'globalWm2' | 'beamWm2' | 'diffuseWm2'>,
  sun: SunYear,
  day: number,
  dayJm2: number,
  pressurePa: number,
): void {
  const ext = extraterrestrialWm2(day)
  let sum = 0
  for (let k = 0; k < 24; k++) sum += radiationWeight(sun, day, k)
  for (let k = 0; k < 24; k++) {
    const h = day * 24 + k
    const ceiling = clearestWm2(sun, h, ext, pressurePa)
    const global = sum > 0 ? min(((dayJm2 / 3600) * radiationWeight(sun, day, k)) / sum, ceiling) : 0
    const split = splitGlobal(global, sun.altitudeDeg[h]!, ext)
    year.globalWm2[h] = global
    year.beamWm2[h] = split.beam
    year.diffuseWm2[h] = split.diffuse
  }
}
