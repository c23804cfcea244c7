import { RAD } from '../physics/constants'

const { acos, asin, atan2, cos, floor, max, min, sin, tan } = Math

/** Where the sun stands, seen from a place on the earth's surface. */
export interface SunPosition {
  /** True (airless) topocentric altitude of the sun's centre, degrees. */
  altitudeDeg: number
  /** Altitude with standard refraction (1013 hPa, 15 °C) while the sun is near or above the horizon, degrees. */
  apparentAltitudeDeg: number
  /** Clockwise from true north, 0–360°. */
  azimuthDeg: number
}

export interface SunCoordinates {
  /** Apparent right ascension, degrees. */
  rightAscensionDeg: number
  /** Apparent declination, degrees. */
  declinationDeg: number
  /** Apparent sidereal time at Greenwich, degrees. */
  siderealDeg: number
  /** Mean longitude less aberration, degrees; the equation of time is built on it. */
  meanLongitudeDeg: number
}

const SIDEREAL_DAY_DEG = 360.98564736629
const sinD = (deg: number) => sin(deg * RAD)
const cosD = (deg: number) => cos(deg * RAD)
/** An angle brought into 0–360°. */
export const wrap360 = (deg: number) => {
  const turned = deg - 360 * floor(deg / 360)
  return turned >= 0 && turned < 360 ? turned : 0
}
/** An angle brought into −180–180°. */
export const wrap180 = (deg: number) => wrap360(deg + 180) - 180

/** Terrestrial less universal time, s. Espenak & Meeus 2006 polynomials, good to a second or two for 1950–2050. */
function deltaT(year: number): number {
  if (year < 1961) {
    const t = year - 1950
    return 29.07 + 0.407 * t - (t * t) / 233 + t ** 3 / 2547
  }
  if (year < 1986) {
    const t = year - 1975
    return 45.45 + 1.067 * t - (t * t) / 260 - t ** 3 / 718
  }
  if (year < 2005) {
    const t = year - 2000
    return 63.86 + 0.3345 * t - 0.060374 * t ** 2 + 0.0017275 * t ** 3 + 0.000651814 * t ** 4 + 0.00002373599 * t ** 5
  }
  const t = year - 2000
  return 62.92 + 0.32217 * t + 0.005589 * t * t
}

/**
 * The sun's apparent coordinates at an instant.
 * @param utcMs milliseconds since 1970 UTC; accurate for 1950–2050
 * Source: J. Meeus, Astronomical Algorithms (1998), ch. 22 and 25, with the planetary and lunar terms of his
 * Astronomical Formulae for Calculators (1985), ch. 18. Error below 0.002° over the range.
 */
export function sunCoordinates(utcMs: number): SunCoordinates {
  const jd = utcMs / 86400000 + 2440587.5
  const year = 1970 + utcMs / 31556952000
  const T = (jd + deltaT(year) / 86400 - 2451545) / 36525
  const L0 = 280.46646 + 36000.76983 * T + 0.0003032 * T * T
  const M = 357.52911 + 35999.05029 * T - 0.0001537 * T * T
  const centre = (1.914602 - 0.004817 * T) * sinD(M) + (0.019993 - 0.000101 * T) * sinD(2 * M) + 0.000289 * sinD(3 * M)
  const T1900 = T + 1.0
  const perturbation =
    0.00134 * cosD(153.23 + 22518.7541 * T1900) +
    0.00154 * cosD(216.57 + 45037.5082 * T1900) +
    0.002 * cosD(312.69 + 32964.3577 * T1900) +
    0.00179 * sinD(350.74 + 445267.1142 * T1900 - 0.00144 * T1900 * T1900) +
    0.00178 * sinD(231.19 + 20.2 * T1900)
  const omega = 125.04452 - 1934.136261 * T
  const moon = 218.3165 + 481267.8813 * T
  const nutLon = (-17.2 * sinD(omega) - 1.32 * sinD(2 * L0) - 0.23 * sinD(2 * moon) + 0.21 * sinD(2 * omega)) / 3600
  const nutObl = (9.2 * cosD(omega) + 0.57 * cosD(2 * L0) + 0.1 * cosD(2 * moon) - 0.09 * cosD(2 * omega)) / 3600
  const obliquity = 23.4392911 - 0.0130042 * T + nutObl
  const lambda = L0 + centre + perturbation - 0.00569 + nutLon
  const rightAscensionDeg = wrap360(atan2(cosD(obliquity) * sinD(lambda), cosD(lambda)) / RAD)
  const declinationDeg = asin(sinD(obliquity) * sinD(lambda)) / RAD
  const Tu = (jd - 2451545) / 36525
  const sidereal = 280.46061837 + 360.98564736629 * (jd - 2451545) + 0.000387933 * Tu * Tu + nutLon * cosD(obliquity)
  return {
    rightAscensionDeg,
    declinationDeg,
    siderealDeg: wrap360(sidereal),
    meanLongitudeDeg: wrap360(L0 - 0.0057183 + nutLon * cosD(obliquity)),
  }
}

/**
 * Coordinates between two instants no more than a day apart, by straight lines: within 0.001° of the full ones, and
 * much cheaper.
 * @param share 0 at `a`, 1 at `b`
 */
export function coordinatesBetween(a: SunCoordinates, b: SunCoordinates, days: number, share: number): SunCoordinates {
  const along = (from: number, to: number) => from + wrap180(to - from) * share
  return {
    rightAscensionDeg: along(a.rightAscensionDeg, b.rightAscensionDeg),
    declinationDeg: a.declinationDeg + (b.declinationDeg - a.declinationDeg) * share,
    // The sky turns a little more than once a day.
    siderealDeg: a.siderealDeg + SIDEREAL_DAY_DEG * days * share,
    meanLongitudeDeg: along(a.meanLongitudeDeg, b.meanLongitudeDeg),
  }
}

/**
 * Refraction added to a true altitude, degrees, for 1013 hPa and 15 °C. Sæmundsson 1986; zero once the sun is well
 * below the horizon.
 */
export function refractionDeg(trueAltitudeDeg: number): number {
  if (trueAltitudeDeg < -0.84) return 0
  return ((283 / 288.15) * (1013 / 1010) * 1.02) / (60 * tan((trueAltitudeDeg + 10.3 / (trueAltitudeDeg + 5.11)) * RAD))
}

/**
 * Position of the sun.
 * @param utcMs milliseconds since 1970 UTC, 1950–2050
 * @param latitudeDeg −90 (south) to 90 (north)
 * @param longitudeDeg −180 (west) to 180 (east)
 * Within 0.01° of a full ephemeris over the range; near the zenith the azimuth is as uncertain as 0.01°/cos(altitude).
 */
export function sunPosition(utcMs: number, latitudeDeg: number, longitudeDeg: number): SunPosition {
  return positionFrom(sunCoordinates(utcMs), latitudeDeg, longitudeDeg)
}

/** Position from coordinates already at hand: the cheap half of {@link sunPosition}. */
export function positionFrom(sun: SunCoordinates, latitudeDeg: number, longitudeDeg: number): SunPosition {
  const hourAngle = wrap180(sun.siderealDeg + longitudeDeg - sun.rightAscensionDeg)
  const sd = sinD(sun.declinationDeg),
    cd = cosD(sun.declinationDeg)
  const sl = sinD(latitudeDeg),
    cl = cosD(latitudeDeg)
  const ch = cosD(hourAngle),
    sh = sinD(hourAngle)
  const altitudeDeg = seenFromGround(sl * sd + cl * cd * ch)
  const azimuthDeg = wrap360(atan2(-cd * sh, cl * sd - sl * cd * ch) / RAD)
  return { altitudeDeg, apparentAltitudeDeg: altitudeDeg + refractionDeg(altitudeDeg), azimuthDeg }
}

/** True altitude alone, degrees. */
export function altitudeFrom(sun: SunCoordinates, latitudeDeg: number, longitudeDeg: number): number {
  const hourAngle = wrap180(sun.siderealDeg + longitudeDeg - sun.rightAscensionDeg)
  return seenFromGround(
    sinD(latitudeDeg) * sinD(sun.declinationDeg) + cosD(latitudeDeg) * cosD(sun.declinationDeg) * cosD(hourAngle),
  )
}

/** Parallax of the sun at the horizon, degrees. */
const PARALLAX_DEG = 0.00244

/** Altitude from the sine of the altitude seen from the earth's middle. */
function seenFromGround(up: number): number {
  const geocentric = asin(max(-1, min(1, up))) / RAD
  return geocentric - PARALLAX_DEG * cosD(geocentric)
}

/** Hour angle, 0–180°, at which a sun of these coordinates stands at a true altitude; null where it never does. */
export function hourAngleAt(sun: SunCoordinates, altitudeDeg: number, latitudeDeg: number): number | null {
  const sine = sinD(altitudeDeg + PARALLAX_DEG * cosD(altitudeDeg))
  const cosine = (sine - sinD(latitudeDeg) * sinD(sun.declinationDeg)) / (cosD(latitudeDeg) * cosD(sun.declinationDeg))
  return cosine > -1 && cosine < 1 ? acos(cosine) / RAD : null
}
