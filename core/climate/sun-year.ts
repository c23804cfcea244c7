import { coordinatesBetween, positionFrom, sunCoordinates, sunDay } from '../sun'
import { DAYS, HOURS, NOMINAL_YEAR } from './types'

/** The sun's hours at a place over the nominal year, in local standard time. */
export interface SunYear {
  latitudeDeg: number
  /** At the middle of the sunlit part of each hour, degrees; negative at night. */
  altitudeDeg: Float32Array
  azimuthDeg: Float32Array
  /** Share of each hour with the sun above the horizon, 0–1. */
  upShare: Float32Array
  /** Solar noon on the standard clock, h, and sunrise (6 before noon where the sun does not rise), by day. */
  noonH: Float32Array
  riseH: Float32Array
}

/** UTC milliseconds at the start of the nominal year in a zone `standardOffsetH` ahead of UTC. */
export function yearStartUtc(standardOffsetH: number): number {
  return Date.UTC(NOMINAL_YEAR, 0, 1) - standardOffsetH * 3600000
}

let lately: { of: string; sun: SunYear } | null = null

/**
 * Sun positions for every hour of the nominal year. Latitude −90 to 90°, longitude −180 to 180°. That of the place
 * asked for last is kept: winters of one place share it, and nobody writes into it.
 */
export function makeSunYear(latitudeDeg: number, longitudeDeg: number, standardOffsetH: number): SunYear {
  const of = `${latitudeDeg} ${longitudeDeg} ${standardOffsetH}`
  if (lately?.of !== of) lately = { of, sun: workedOut(latitudeDeg, longitudeDeg, standardOffsetH) }
  return lately.sun
}

function workedOut(latitudeDeg: number, longitudeDeg: number, standardOffsetH: number): SunYear {
  const start = yearStartUtc(standardOffsetH)
  const year: SunYear = {
    latitudeDeg,
    altitudeDeg: new Float32Array(HOURS),
    azimuthDeg: new Float32Array(HOURS),
    upShare: new Float32Array(HOURS),
    noonH: new Float32Array(DAYS),
    riseH: new Float32Array(DAYS),
  }
  let tomorrow = sunCoordinates(start)
  for (let d = 0; d < DAYS; d++) {
    const midnight = start + d * 86400000
    const day = sunDay(midnight + 43200000, latitudeDeg, longitudeDeg)
    const today = tomorrow
    tomorrow = sunCoordinates(midnight + 86400000)
    // On a standard clock far from the sun, noon may fall outside the civil day: keep it within.
    year.noonH[d] = wrap24((day.solarNoonUtc - midnight) / 3600000)
    year.riseH[d] = day.sunriseUtc === null ? year.noonH[d]! - 6 : year.noonH[d]! - day.dayLengthH / 2
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      const a0 = midnight + k * 3600000
      const a1 = a0 + 3600000
      let t = (a0 + a1) / 2
      let share = 1
      if (day.sunriseUtc !== null && day.sunsetUtc !== null) {
        const up = overlap(a0, a1, day.sunriseUtc, day.sunsetUtc)
        share = up.length / 3600000
        if (share > 0 && share < 1) t = up.middle
      }
      const p = positionFrom(
        coordinatesBetween(today, tomorrow, 1, (t - midnight) / 86400000),
        latitudeDeg,
        longitudeDeg,
      )
      year.altitudeDeg[h] = p.altitudeDeg
      year.azimuthDeg[h] = p.azimuthDeg
      year.upShare[h] = p.altitudeDeg > 0 ? share : 0
    }
  }
  return year
}

function wrap24(h: number): number {
  return ((h % 24) + 24) % 24
}

/**
 * The part of an hour between rise and set, trying the neighbouring days too (the civil hour may belong to yesterday's
 * sun).
 */
function overlap(a0: number, a1: number, rise: number, set: number): { length: number; middle: number } {
  let best = { length: 0, middle: (a0 + a1) / 2 }
  for (const shift of [-86400000, 0, 86400000]) {
    const from = Math.max(a0, rise + shift)
    const to = Math.min(a1, set + shift)
    if (to - from > best.length) best = { length: to - from, middle: (from + to) / 2 }
  }
  return best
}
