import { RAD, SOLAR_CONSTANT } from '../physics/constants'

const { cos, max, min, sin, sqrt, tan } = Math

/** Radiation above the atmosphere on a plane facing the sun, W/m², for a day of year (0-based). Spencer 1971. */
export function extraterrestrialWm2(day: number): number {
  const g = (2 * Math.PI * day) / 365
  return (
    SOLAR_CONSTANT * (1.00011 + 0.034221 * cos(g) + 0.00128 * sin(g) + 0.000719 * cos(2 * g) + 0.000077 * sin(2 * g))
  )
}

/**
 * Declination for a day of year (0-based), degrees, within 0.04°. Spencer 1971. For day-long sums; positions come from
 * `sunPosition`.
 */
export function declinationOfDayDeg(day: number): number {
  const g = (2 * Math.PI * day) / 365
  return (
    (0.006918 -
      0.399912 * cos(g) +
      0.070257 * sin(g) -
      0.006758 * cos(2 * g) +
      0.000907 * sin(2 * g) -
      0.002697 * cos(3 * g) +
      0.00148 * sin(3 * g)) /
    RAD
  )
}

/** A day's radiation above the atmosphere on a horizontal plane, J/m². FAO-56 eq. 21. */
export function extraterrestrialDayJm2(day: number, latitudeDeg: number): number {
  const phi = latitudeDeg * RAD
  const dec = declinationOfDayDeg(day) * RAD
  const ws = Math.acos(max(-1, min(1, -tan(phi) * tan(dec))))
  return (86400 / Math.PI) * extraterrestrialWm2(day) * (ws * sin(phi) * sin(dec) + cos(phi) * cos(dec) * sin(ws))
}

/**
 * Share of the extraterrestrial radiation that reaches the ground, 0.1–0.78, from the daily range in K. Hargreaves &
 * Samani 1982, inland coefficient.
 */
export function clearnessFromRange(rangeK: number): number {
  return max(0.1, min(0.78, 0.165 * sqrt(max(0, rangeK))))
}

/** Length of a day by geometry alone, h, for a day of year (0-based). FAO-56 eq. 34. */
export function dayLengthH(day: number, latitudeDeg: number): number {
  return (24 / Math.PI) * Math.acos(max(-1, min(1, -tan(latitudeDeg * RAD) * tan(declinationOfDayDeg(day) * RAD))))
}

/**
 * Share of the extraterrestrial radiation that reaches the ground, 0.25–0.75, from bright sunshine in a day of a
 * length, h. Ångström 1924, Prescott 1940, FAO-56 coefficients.
 */
export function clearnessFromSunshine(sunshineH: number, dayLength: number): number {
  return 0.25 + 0.5 * (dayLength > 0.1 ? min(1, sunshineH / dayLength) : 0)
}

/** Diffuse share of global radiation from the hourly clearness index (0–1). Erbs, Klein & Duffie 1982. */
export function erbsDiffuseShare(clearness: number): number {
  const k = clearness
  if (k <= 0.22) return 1 - 0.09 * k
  if (k <= 0.8) return 0.9511 + k * (-0.1604 + k * (4.388 + k * (-16.638 + k * 12.336)))
  return 0.165
}

/** Splits a global hour into beam (facing the sun) and diffuse (level), W/m². Below 1.5° of altitude all is diffuse. */
export function splitGlobal(
  globalWm2: number,
  sunAltitudeDeg: number,
  extraterrestrial: number,
): { beam: number; diffuse: number } {
  const s = sin(sunAltitudeDeg * RAD)
  if (globalWm2 <= 0 || s <= 0.026) return { beam: 0, diffuse: max(0, globalWm2) }
  const share = erbsDiffuseShare(min(1, globalWm2 / (extraterrestrial * s)))
  // Erbs can leave more beam than the air lets through when the sun is low; a clear-air ceiling holds it.
  const ceiling = extraterrestrial * 0.9 ** (1 / max(s, 0.05) ** 0.85)
  const beam = min((globalWm2 * (1 - share)) / s, ceiling)
  return { beam, diffuse: globalWm2 - beam * s }
}
