/** Constants of nature, once, with their source. SI units. */

/** An angle of one degree, rad. */
export const RAD = Math.PI / 180
/** 0 °C in kelvin. */
export const ZERO_C_K = 273.15
/** Standard gravity, m/s². CGPM 1901. */
export const GRAVITY = 9.81
/** Stefan–Boltzmann constant, W/m²K⁴. CODATA 2018. */
export const STEFAN_BOLTZMANN = 5.670374e-8
/** Total solar irradiance at the mean distance of the sun, W/m². Kopp & Lean 2011. */
export const SOLAR_CONSTANT = 1361
/** Specific gas constant of dry air, J/kg·K. */
export const GAS_CONSTANT_AIR = 287.05
/** Specific heat of air at constant pressure, J/kg·K. */
export const AIR_SPECIFIC_HEAT = 1006
/** Mass of water vapour to that of dry air of the same pressure, molar. */
export const VAPOUR_TO_AIR = 0.62198
/** Density of water, kg/m³, near 4 °C. */
export const WATER_DENSITY = 1000
/** Specific heat of liquid water, J/kg·K, near 20 °C. */
export const WATER_SPECIFIC_HEAT = 4184
/** Heat of vaporisation of water near room temperature, J/kg. */
export const LATENT = 2.47e6
/** Heat of fusion of ice, J/kg. */
export const FUSION = 334000

/** Surface resistances of a wall, m²K/W: inside, outside, and both. ISO 6946, horizontal flow. */
export const FILM_INSIDE = 0.13
export const FILM_OUTSIDE = 0.04
export const FILMS = FILM_INSIDE + FILM_OUTSIDE
/** Surface resistance of a floor, heat flowing down, m²K/W. ISO 6946. */
export const FILM_FLOOR = 0.17
