import { AIR_SPECIFIC_HEAT, STEFAN_BOLTZMANN, ZERO_C_K } from '../physics/constants'

const { abs, cbrt, max } = Math

/** Four times the Stefan–Boltzmann constant, W/m²K⁴. */
export const FOUR_SIGMA = 4 * STEFAN_BOLTZMANN

/**
 * Radiative film between a surface and its surroundings near a mean temperature, W/m²K, for emissivity 0–1. Linearised
 * Stefan–Boltzmann.
 */
export function radiativeFilm(meanC: number, emissivity: number): number {
  const kelvin = meanC + ZERO_C_K
  return FOUR_SIGMA * emissivity * kelvin * kelvin * kelvin
}

/**
 * Factor of the cube root in natural convection at an inner surface, W/m²K^(4/3).
 * @param warmer the surface is warmer than the air
 * @param facingUp cosine between the surface's room-facing normal and straight up: 1 for a floor, 0 for a wall, −1 for
 * a ceiling
 * Source: Walton 1983 (TARP), stable and unstable branches.
 */
export function filmFactor(warmer: boolean, facingUp: number): number {
  const size = abs(facingUp)
  const unstable = size < 0.05 || (warmer ? facingUp > 0 : facingUp < 0)
  return unstable ? 9.482 / (7.238 - size) : 1.81 / (1.382 + size)
}

/** Rooms are never quite still, W/m²K. */
export const LEAST_FILM = 0.6

/**
 * Film that moving air leaves at the least, W/m²K: forced convection at walls by air changes an hour (3–100), never
 * less than in a quiet room. Fisher & Pedersen, ASHRAE Transactions 103 (1997).
 */
export const movedFilm = (airChangesH: number): number => max(LEAST_FILM, 0.19 * airChangesH ** 0.8 - 0.199)

/**
 * Natural convection at an inner surface, W/m²K: surface minus air, K, and the cosine of {@link filmFactor}. The time
 * loop has it written out; this is what its results are proved against.
 */
export function insideFilm(surfaceLessAirK: number, facingUp: number): number {
  return max(LEAST_FILM, filmFactor(surfaceLessAirK > 0, facingUp) * cbrt(abs(surfaceLessAirK)))
}

/** Wind film outside, W/m²K: 2.8 + 3.0 v. Watmuff, Charters & Proctor 1977, 0–7 m/s. */
export function outsideFilm(windMs: number): number {
  return 2.8 + 3 * windMs
}

/** Air that carries a watt for each kelvin, kg/s. */
export const AIR_PER_HEAT = 1 / AIR_SPECIFIC_HEAT
/**
 * Water vapour passes the more easily through a film of air than heat by the Lewis number of moist air, its thermal
 * diffusivity over the vapour's: 0.86, within 2 % from −10 to 50 °C. Chilton & Colburn 1934; Incropera & DeWitt.
 */
const LEWIS_NUMBER = 0.86
/** Vapour for heat in a film. */
export const VAPOUR_PER_HEAT = LEWIS_NUMBER ** (-2 / 3)
