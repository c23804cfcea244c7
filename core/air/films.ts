const { abs, cbrt } = Math

const SIGMA = 5.670374e-8

/** Radiative film between a surface and its surroundings near a mean temperature, W/m²K, for emissivity 0–1. Linearised Stefan–Boltzmann. */
export function radiativeFilm(meanC: number, emissivity: number): number {
  const kelvin = meanC + 273.15
  return 4 * SIGMA * emissivity * kelvin * kelvin * kelvin
}

/** Cube roots of 0–64 in steps of 1/32: the loop takes millions. */
const ROOTS = Float64Array.from({ length: 2050 }, (_, i) => cbrt(i / 32))

/** Cube root, straight between tabled points from 0.1 to 64 (within 0.3 %); exact elsewhere. */
function quickRoot(x: number): number {
  if (x < 0.1 || x >= 64) return cbrt(x)
  const s = x * 32
  const i = s | 0
  return ROOTS[i]! + (ROOTS[i + 1]! - ROOTS[i]!) * (s - i)
}

/**
 * Natural convection at an inner surface, W/m²K, never below 0.6 (rooms are not quite still).
 * @param surfaceLessAirK surface minus air, K
 * @param facingUp cosine between the surface's room-facing normal and straight up: 1 for a floor, 0 for a wall, −1 for a ceiling
 * Source: Walton 1983 (TARP), stable and unstable branches.
 */
export function insideFilm(surfaceLessAirK: number, facingUp: number): number {
  const size = abs(facingUp)
  const root = quickRoot(abs(surfaceLessAirK))
  const unstable = surfaceLessAirK * facingUp > 0
  const h = unstable || size < 0.05 ? 9.482 * root / (7.238 - size) : 1.81 * root / (1.382 + size)
  return h > 0.6 ? h : 0.6
}

/** Wind film outside, W/m²K: 2.8 + 3.0 v. Watmuff, Charters & Proctor 1977, 0–7 m/s. */
export function outsideFilm(windMs: number): number {
  return 2.8 + 3 * windMs
}

/** Films that a nominal U-value holds, m²K/W. EN 673 and ISO 6946, walls. */
export const STANDARD_INSIDE = 0.13
export const STANDARD_OUTSIDE = 0.04
