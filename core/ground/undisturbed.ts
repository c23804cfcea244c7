import { groundTemperatureC, type GroundClimate } from '../climate'

/**
 * Temperatures of undisturbed ground on 1 January at some depths, °C. Depths in m below the surface, diffusivity in
 * m²/s.
 */
export function undisturbedTemperatures(
  depthsM: readonly number[],
  diffusivity: number,
  ground: GroundClimate,
): Float64Array {
  return Float64Array.from(depthsM, d => groundTemperatureC(ground, d, 0, diffusivity))
}
