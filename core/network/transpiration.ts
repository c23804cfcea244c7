import { AIR_SPECIFIC_HEAT, VAPOUR_TO_AIR } from '../physics/constants'
import { radiativeFilm } from '../air/films'

const { max, min } = Math

/** Still air of a greenhouse round a leaf, s/m. */
const BOUNDARY = 150
/** Least stomatal resistance, s/m. Stanghellini 1987, tomato. */
const STOMATA = 82
/** How dry air shuts stomata, by day and by night, 1/Pa², and how far. Stanghellini 1987; Vanthoor 2011. */
const SHUTS_BY_DAY = 4.3e-6
const SHUTS_BY_NIGHT = 5.2e-6
const SHUTS_TO = 5.8
/**
 * How stomata shut in leaves colder and warmer than suits them, by day and by night, 1/K², and what suits them, °C.
 * Stanghellini 1987. Jarvis 1976 too has them all but shut near 0 °C. In great heat the two part, and few measured:
 * there they are held as they stand at {@link HOT_C}.
 */
const CHILL = { day: { perK2: 0.023, bestC: 24.5 }, night: { perK2: 0.005, bestC: 33.6 } }
const HOT_C = 30
/** Light on leaves from which on it is day to them, W/m². */
const LIT = 5

const chilled = ({ perK2, bestC }: { perK2: number; bestC: number }, leafC: number) =>
  1 + perK2 * (min(leafC, HOT_C) - bestC) ** 2

/**
 * Stomatal resistance, s/m: wide open in full light, damp air and warmth, all but shut in the dark and near frost.
 * @param sunWm2 light that leaves take in over the area of both their sides, 0 or more
 * @param deficitPa vapour pressure in the leaf less that of the air
 * @param leafC temperature of the leaf, °C
 */
export function stomatalResistance(sunWm2: number, deficitPa: number, leafC: number): number {
  const byDay = min(1, sunWm2 / LIT)
  const shuts = SHUTS_BY_NIGHT + (SHUTS_BY_DAY - SHUTS_BY_NIGHT) * byDay
  const dry = min(SHUTS_TO, 1 + shuts * max(0, deficitPa) ** 2)
  const cold = byDay * chilled(CHILL.day, leafC) + (1 - byDay) * chilled(CHILL.night, leafC)
  return ((STOMATA * (sunWm2 + 4.3)) / (sunWm2 + 0.54)) * dry * cold
}

/** Convection over one side of a leaf, W/m²K, in air of a density, kg/m³. */
export const leafConvects = (density: number): number => (density * AIR_SPECIFIC_HEAT) / BOUNDARY

/**
 * Vapour that leaves give off, kg/m²s of bed per unit of humidity ratio between themselves and the air, through their
 * stomata and the still air round them on both sides. Penman & Monteith's resistances.
 * @param leafArea over bed area, 0–6
 * @param sunWm2 light that they take in, over bed area
 */
export function leafDraws(leafArea: number, density: number, sunWm2: number, deficitPa: number, leafC: number): number {
  if (leafArea <= 0) return 0
  return (2 * leafArea * density) / (BOUNDARY + stomatalResistance(sunWm2 / (2 * leafArea), deficitPa, leafC))
}

/** Vapour pressure of air with a humidity ratio, Pa. */
export const vapourPressure = (ratio: number, pressurePa: number): number =>
  (ratio * pressurePa) / (VAPOUR_TO_AIR + ratio)

/** Of a leaf's longwave. */
export const LEAF_EMISSIVITY = 0.95
/** The density of air that {@link topLeafC} reckons with: of 10 °C at sea level. */
const USUAL_DENSITY = 1.25

/**
 * Temperature of a dry leaf in the dark on top of others, °C: what the air gives both its sides is what the upper one
 * shines to the room and the lower one to the leaves beneath.
 * @param radiantC mean radiant temperature of the room, °C
 * @param beneathC of the leaves beneath it
 */
export function topLeafC(airC: number, radiantC: number, beneathC: number): number {
  const shines = radiativeFilm((airC + radiantC) / 2, LEAF_EMISSIVITY)
  const convects = 2 * leafConvects(USUAL_DENSITY)
  return (convects * airC + shines * (radiantC + beneathC)) / (convects + 2 * shines)
}

/** The same of a leaf by itself, which sees the room with both its sides. */
export const darkLeafC = (airC: number, radiantC: number): number => topLeafC(airC, radiantC, radiantC)
