export { AIR_HEAT, FUSION, LATENT } from '../physics/constants'
export const EMISSIVITY = 0.9

/** Places in the state vector. Scalars of the loop live in one typed array: nothing is boxed, nothing allocated. */
export const AIR = 0
export const STAR = 1
export const MOISTURE = 2
export const OPENING = 3
/** Water that heaters' fumes bring into the air in this step, kg/s. */
export const FUMES = 4
export const LEAK = 5
export const VENT = 6
export const OUT = 7
export const WIND = 8
export const PRESSURE = 9
export const DENSITY = 10
export const MOIST_OUT = 11
export const STAR_SKY = 13
export const STAR_SKY_T = 14
export const A11 = 15
export const A12 = 16
export const A13 = 17
export const A23 = 18
export const A31 = 19
export const A32 = 20
export const A33 = 21
export const B3 = 22
export const A22 = 23
export const B1 = 24
export const B2 = 25
/** Under the row cover, and its ties. */
export const ROW = 26
export const ROW_TIE = 27
export const ROW_A = 28
export const ROW_B = 29
export const ROW_DAMP = 30
export const ROW_STAR = 31
/** Row cover drawn, 0 or 1. */
export const ROW_DRAWN = 32
/** Heat put straight into the air this hour, W. */
export const AIR_W = 33
/** Heat that shines on all faces this hour, W. */
export const STAR_W = 12
/** Fixed ties of the air this hour: conductance and conductance times temperature. */
export const TIE = 34
export const TIE_T = 35
/** Supply of the earth tube, W/K. */
export const SUPPLY = 36
/** Water brought into the air this hour, kg/s. */
export const VAPOUR = 37
/** Transpiration: part that does not hang on the air's moisture, kg/s, and the rest per unit of humidity ratio. */
export const LEAF_SUN = 38
export const LEAF_DRAW = 39
/** The coolest air at which an opening starts to open in this hour, °C. */
export const START = 41
/** Water standing on the glass, kg. */
export const WET = 44
/** Condensed in this step, kg/s. */
export const CONDENSED = 45
export const FAN_W = 46
export const SUN_IN = 47
/** Air through doors to the outside, and to the house, W/K. */
export const DOOR = 48
export const HOUSE_DOOR = 42
/** Mean outside air of the day, °C. */
export const DAY_MEAN = 49
/** Pipes that condense or dry: kg/s per unit of humidity ratio, and the same times their saturation. */
export const PIPE_DRAW = 50
export const PIPE_DRAW_T = 51
/** Heat still owed to the air by its moisture, W; fog of the step, W. */
export const OWED = 52
export const FOG_W = 53
/** Saturated humidity ratio as a line over the air's temperature: its value at 0 °C, and its rise, 1/K. */
export const FULL_RATIO = 54
export const FULL_SLOPE = 55
/**
 * Air exchanged with outside that the moisture's balance reckoned with, kg/s, and the humidity ratio that came of it.
 */
export const EXCHANGE = 56
/** Air of the last try of the step, °C, and how far air and wet faces have moved since, K. */
export const TRY = 57
export const MOVED = 58
/** Latent heat that comes to faces in this step, W, and to glass by itself, net. */
export const ON_FACES = 59
export const ON_GLASS = 60
export const FOG_GUESSED = 61
export const GUESSED = 62
/** Temperature of the earth tube's supply, °C. */
export const SUPPLY_C = 63
/** Vents: how the heat let out last rose with the air, W/K. */
export const VENT_SLOPE = 66
/**
 * The balance that is left for the air, its temperature as it is tried, °C, and what the vents then take along, W/K.
 */
export const LEFT_A = 67
export const LEFT_B = 68
export const TRIED = 69
export const VENT_NOW = 70
/** Humidity ratio at which the air of the step is full. */
export const HOLDS = 71
export const STATE_SIZE = 72

/** Places in the sums over the steps of one hour, each times its seconds. */
export const SUM_AIR = 0
export const SUM_STAR = 1
export const SUM_VENT = 2
export const SUM_LEAK = 3
export const SUM_DAMP = 4
export const SUM_CONDENSED = 5
export const SUM_MOIST = 6
export const SUM_SIZE = 7
