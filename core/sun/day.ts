import { altitudeFrom, coordinatesBetween, hourAngleAt, sunCoordinates, wrap180 } from './position'

const DAY = 86400000
/** Altitude of the sun's centre at rise and set: refraction 34′ and semidiameter 16′. */
const RISE_ALTITUDE_DEG = -0.8333

export interface SunDay {
  solarNoonUtc: number
  /** null where the sun does not rise that day. */
  sunriseUtc: number | null
  sunsetUtc: number | null
  dayLengthH: number
}

/** Equation of time, minutes: apparent less mean solar time. Meeus 1998, ch. 28. */
export function equationOfTimeMin(utcMs: number): number {
  const sun = sunCoordinates(utcMs)
  return 4 * wrap180(sun.meanLongitudeDeg - sun.rightAscensionDeg)
}

function altitudeAt(utcMs: number, latitudeDeg: number, longitudeDeg: number): number {
  return altitudeFrom(sunCoordinates(utcMs), latitudeDeg, longitudeDeg)
}

/**
 * Solar noon, sunrise, sunset and day length of the solar day that holds an instant, for that longitude.
 * Where the sun stays up or down all day, rise and set are null and the length is 24 or 0 h. Within about 5 s up to 65°
 * latitude.
 */
export function sunDay(utcMs: number, latitudeDeg: number, longitudeDeg: number): SunDay {
  const ahead = (longitudeDeg / 360) * DAY
  let noon = Math.floor((utcMs + ahead) / DAY) * DAY + DAY / 2 - ahead
  for (let i = 0; i < 3; i++) {
    const sun = sunCoordinates(noon)
    noon -= (wrap180(sun.siderealDeg + longitudeDeg - sun.rightAscensionDeg) / 360) * DAY
  }
  const rise = crossing(noon, -1, latitudeDeg, longitudeDeg)
  const set = crossing(noon, 1, latitudeDeg, longitudeDeg)
  if (rise === null || set === null) {
    return {
      solarNoonUtc: noon,
      sunriseUtc: null,
      sunsetUtc: null,
      dayLengthH: altitudeAt(noon, latitudeDeg, longitudeDeg) > RISE_ALTITUDE_DEG ? 24 : 0,
    }
  }
  return { solarNoonUtc: noon, sunriseUtc: rise, sunsetUtc: set, dayLengthH: (set - rise) / 3600000 }
}

function crossing(noon: number, side: 1 | -1, latitudeDeg: number, longitudeDeg: number): number | null {
  const half = (side * DAY) / 2
  const atNoon = sunCoordinates(noon)
  const atMidnight = sunCoordinates(noon + half)
  const at = (t: number) => coordinatesBetween(atNoon, atMidnight, side / 2, (t - noon) / half)
  const f = (t: number) => altitudeFrom(at(t), latitudeDeg, longitudeDeg) - RISE_ALTITUDE_DEG
  if (f(noon) <= 0 || f(noon + half) >= 0) return null
  // The hour angle at which a sun of this declination stands at that altitude, with the declination of the moment
  // found.
  let t = noon + half / 2
  for (let i = 0; i < 5; i++) {
    const sun = at(t)
    const angle = hourAngleAt(sun, RISE_ALTITUDE_DEG, latitudeDeg)
    if (angle === null) break
    const step = (wrap180(side * angle - wrap180(sun.siderealDeg + longitudeDeg - sun.rightAscensionDeg)) / 360) * DAY
    t += step
    if (Math.abs(step) < 20) return t
  }
  // Where the sun all but grazes the horizon.
  let above = noon
  let below = noon + half
  for (let i = 0; i < 40 && Math.abs(below - above) > 50; i++) {
    const mid = (above + below) / 2
    if (f(mid) > 0) above = mid
    else below = mid
  }
  return (above + below) / 2
}

/** Altitude of the sun at solar noon for a declination, degrees. */
export function noonAltitudeDeg(declinationDeg: number, latitudeDeg: number): number {
  return 90 - Math.abs(latitudeDeg - declinationDeg)
}
