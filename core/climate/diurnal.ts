import type { SunYear } from './sun-year'
import { DAYS } from './types'

const { ceil, cos, max, min } = Math

/**
 * Fills the hours of days `from` up to `to` (not including it) between each day's low near sunrise and high about two
 * and a half hours after noon: half a sine up, then a sine quarter and a decay down to the next low. Each day's hours
 * touch its low and its high.
 * @param out hourly °C, 8760 long
 * @param low @param high daily °C, 365 long
 */
export function fillTemperatures(
  out: Float32Array,
  low: Float64Array,
  high: Float64Array,
  sun: SunYear,
  from = 0,
  to = DAYS,
): void {
  const lowAt = (d: number) => min(sun.noonH[d]! - 3, max(4, sun.riseH[d]! + 0.3))
  const highAt = (d: number) => sun.noonH[d]! + 2.5
  for (let d = from; d < to; d++) {
    const before = (d + DAYS - 1) % DAYS
    const after = (d + 1) % DAYS
    const a = lowAt(d)
    const b = highAt(d)
    const hours = out.subarray(d * 24, d * 24 + 24)
    for (let i = 0; i < 24; i++) {
      const k = i + 0.5
      if (k < a) hours[i] = fall(high[before]!, low[d]!, (k + 24 - highAt(before)) / (a + 24 - highAt(before)))
      else if (k <= b) hours[i] = low[d]! + ((high[d]! - low[d]!) * (1 - cos((Math.PI * (k - a)) / (b - a)))) / 2
      else hours[i] = fall(high[d]!, low[after]!, (k - b) / (lowAt(after) + 24 - b))
    }
    // The hourly grid clips the peaks a little: stretch the day so that its hours touch its low and its high.
    const cut = ceil(sun.noonH[d]!)
    let least = Infinity
    let most = -Infinity
    for (let i = 0; i < 24; i++) {
      if (i < cut && hours[i]! < least) least = hours[i]!
      if (hours[i]! > most) most = hours[i]!
    }
    if (most - least < 0.3) continue
    const stretch = (high[d]! - low[d]!) / (most - least)
    for (let i = 0; i < 24; i++) if (hours[i]! >= least) hours[i] = low[d]! + (hours[i]! - least) * stretch
  }
}

function fall(from: number, to: number, t: number): number {
  const x = max(0, min(1, t))
  return to + (from - to) * ((0.55 * (1 + cos(Math.PI * x))) / 2 + 0.45 * (1 - x) * (1 - x))
}

/**
 * An hour's weight in its day's radiation: more than its share of sky at midday, when the light crosses less air.
 * Collares-Pereira & Rabl 1979.
 */
export function radiationWeight(sun: SunYear, d: number, k: number): number {
  const h = d * 24 + k
  const level = max(0, sunSine(sun, h)) * sun.upShare[h]!
  if (level === 0) return 0
  const sunset = ((sun.noonH[d]! - sun.riseH[d]!) * Math.PI) / 12
  const a = 0.409 + 0.5016 * Math.sin(sunset - Math.PI / 3)
  const b = 0.6609 - 0.4767 * Math.sin(sunset - Math.PI / 3)
  return level * max(0.05, a + b * cos(((k + 0.5 - sun.noonH[d]!) * Math.PI) / 12))
}

/** Sine of the sun's altitude in an hour. */
export function sunSine(sun: Pick<SunYear, 'altitudeDeg'>, hour: number): number {
  return Math.sin((sun.altitudeDeg[hour]! * Math.PI) / 180)
}
