import { AIR_SPECIFIC_HEAT, GAS_CONSTANT_AIR, LATENT, VAPOUR_TO_AIR, ZERO_C_K } from '../physics/constants'
import { radiativeFilm } from '../air/films'
import { saturationPressurePa } from '../climate'

const { exp, max } = Math

/** Still air of a greenhouse round a leaf, s/m. */
const BOUNDARY = 150
/** Least stomatal resistance, s/m. Stanghellini 1987, tomato. */
const STOMATA = 82

/**
 * Stomatal resistance, s/m, of leaves that take in `sunWm2` (0 or more): wide open in full light, all but shut in the
 * dark. Stanghellini 1987, light term.
 */
export function stomatalResistance(sunWm2: number): number {
  return (STOMATA * (sunWm2 + 4.3)) / (sunWm2 + 0.54)
}

/** Convection over one side of a leaf, W/m²K, at the density of 10 °C and sea level; and of its longwave, 0.95. */
const LEAF_CONVECTS = (1.25 * AIR_SPECIFIC_HEAT) / BOUNDARY
const LEAF_EMISSIVITY = 0.95

/**
 * Temperature of a dry leaf in the dark, °C: what the air gives both its sides is what it shines to the room.
 * @param radiantC mean radiant temperature of what it sees, °C
 */
export function darkLeafC(airC: number, radiantC: number): number {
  const shines = radiativeFilm((airC + radiantC) / 2, LEAF_EMISSIVITY)
  return (LEAF_CONVECTS * airC + shines * radiantC) / (LEAF_CONVECTS + shines)
}

/** Transpiration of a canopy as `fixed + draw · (saturated − actual humidity ratio)`, kg/m²s of bed, for one hour. */
export interface Transpiration {
  fixed: number
  draw: number
}

/**
 * Penman and Monteith's balance with Stanghellini's stomata, over both sides of the leaves.
 * @param airC −10 to 60
 * @param sunWm2 sunlight on the beds
 * @param leafArea leaf over bed area, 0–6
 */
export function transpiration(
  airC: number,
  pressurePa: number,
  sunWm2: number,
  leafArea: number,
  out: Transpiration,
): void {
  if (leafArea <= 0) {
    out.fixed = 0
    out.draw = 0
    return
  }
  const caught = sunWm2 * (1 - exp(-0.7 * leafArea))
  const rs = stomatalResistance(caught / (2 * leafArea))
  const es = saturationPressurePa(airC)
  // Slope of the saturation curve and the psychrometric constant, both Pa/K.
  const slope = (es * 17.625 * 243.04) / (max(-200, airC) + 243.04) ** 2
  const gamma = (AIR_SPECIFIC_HEAT * pressurePa) / (VAPOUR_TO_AIR * LATENT)
  const density = pressurePa / (GAS_CONSTANT_AIR * (airC + ZERO_C_K))
  const below = slope + gamma * (1 + rs / BOUNDARY)
  // Leaves keep about half of the sun that they catch as heat to spend.
  out.fixed = (slope * 0.5 * caught) / below / LATENT
  out.draw = (((2 * leafArea * density * AIR_SPECIFIC_HEAT) / BOUNDARY / below) * (pressurePa / VAPOUR_TO_AIR)) / LATENT
}
