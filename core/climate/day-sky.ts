import { clearestShare, dewPointC } from './atmosphere'
import { clearOfRange } from './made-days'
import { radiationWeight, sunSine } from './diurnal'
import { extraterrestrialWm2, splitGlobal } from './radiation'
import type { SunYear } from './sun-year'
import { DAYS, HOURS, type WeatherYear } from './types'

const { max, min } = Math

/**
 * What a day's clearness, a standard deviate, does to its sun, as a share of the month's.
 */
export const SUN_PER_CLEAR = 0.42

/** No sky is stranger than so many deviates. */
const STRANGEST = 2.2

/** Cloud cover of a day, 0–1. */
export const cloudOfDay = (clear: number): number => max(0, min(1, 0.5 - 0.36 * clear))

/** Clearness of a day from its range and the usual one of its month, K: the sky that such a range tells of. */
export const clearFromRange = (rangeK: number, usualK: number): number =>
  max(-STRANGEST, min(STRANGEST, clearOfRange(rangeK / max(0.5, usualK))))

/**
 * Dew point of a day, °C, from its low and high, °C, its clearness, and the usual relative humidity, 0–1 (null where
 * nobody knows it: then from the low, as clear nights are dry).
 */
export const dewOfDayC = (lowC: number, highC: number, clear: number, humidity: number | null): number =>
  humidity === null
    ? lowC - 0.5 - 1.6 * max(0, clear)
    : dewPointC((lowC + highC) / 2, max(0.15, min(0.99, humidity - 0.05 * clear)))

/** By hour: the most that the horizontal can have, W/m², and the hour's share of its day's sum, 0–1. */
interface SunShape {
  pressurePa: number
  ceilingWm2: Float64Array
  share: Float64Array
}

/** Every made winter of a place is laid out by the same shape. */
const shapes = new WeakMap<SunYear, SunShape>()

/** How the sun of a place's days is spread over their hours, under air of a pressure, Pa. */
export function sunShape(sun: SunYear, pressurePa: number): SunShape {
  const known = shapes.get(sun)
  if (known?.pressurePa === pressurePa) return known
  const ceilingWm2 = new Float64Array(HOURS)
  const share = new Float64Array(HOURS)
  for (let d = 0; d < DAYS; d++) {
    const ext = extraterrestrialWm2(d)
    let sum = 0
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      ceilingWm2[h] = ext * max(0, sunSine(sun, h)) * sun.upShare[h]! * clearestShare(sun.altitudeDeg[h]!, pressurePa)
      sum += share[h] = radiationWeight(sun, d, k)
    }
    if (sum > 0) for (let k = 0; k < 24; k++) share[d * 24 + k]! /= sum
  }
  const shape = { pressurePa, ceilingWm2, share }
  shapes.set(sun, shape)
  return shape
}

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
  const { ceilingWm2, share } = sunShape(sun, pressurePa)
  for (let h = day * 24; h < day * 24 + 24; h++) year.globalWm2[h] = min((dayJm2 / 3600) * share[h]!, ceilingWm2[h]!)
  splitDay(year, sun, day)
}

/** Splits the sun that a day's hours have on the horizontal into beam and diffuse. */
export function splitDay(
  year: Pick<WeatherYear, 'globalWm2' | 'beamWm2' | 'diffuseWm2'>,
  sun: SunYear,
  day: number,
): void {
  const ext = extraterrestrialWm2(day)
  for (let h = day * 24; h < day * 24 + 24; h++) {
    const split = splitGlobal(year.globalWm2[h]!, sun.altitudeDeg[h]!, ext)
    year.beamWm2[h] = split.beam
    year.diffuseWm2[h] = split.diffuse
  }
}
