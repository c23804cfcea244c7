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
 * Factor of the cube root in natural convection at an inner surface, W/m²K^(4/3).
 * @param warmer the surface is warmer than the air
 * @param facingUp cosine between the surface's room-facing normal and straight up: 1 for a floor, 0 for a wall, −1 for a ceiling
 * Source: Walton 1983 (TARP), stable and unstable branches.
 */
export function filmFactor(warmer: boolean, facingUp: number): number {
  const size = abs(facingUp)
  const unstable = size < 0.05 || (warmer ? facingUp > 0 : facingUp < 0)
  return unstable ? 9.482 / (7.238 - size) : 1.81 / (1.382 + size)
}

/** Natural convection, W/m²K, by its {@link filmFactor} and the difference of surface and air, K; never below 0.6 (rooms are not quite still). */
export function filmOf(factor: number, differenceK: number): number {
  const h = factor * quickRoot(abs(differenceK))
  return h > 0.6 ? h : 0.6
}

/** The same in one: surface minus air, K, and the cosine of {@link filmFactor}. */
export function insideFilm(surfaceLessAirK: number, facingUp: number): number {
  return filmOf(filmFactor(surfaceLessAirK > 0, facingUp), surfaceLessAirK)
}

/** Wind film outside, W/m²K: 2.8 + 3.0 v. Watmuff, Charters & Proctor 1977, 0–7 m/s. */
export function outsideFilm(windMs: number): number {
  return 2.8 + 3 * windMs
}

/** Films that a nominal U-value holds, m²K/W. EN 673 and ISO 6946, walls. */
export const STANDARD_INSIDE = 0.13
export const STANDARD_OUTSIDE = 0.04
