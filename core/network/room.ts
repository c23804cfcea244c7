/** Latent heat of water near room temperature and of ice, J/kg. */
export const LATENT = 2.47e6
export const FUSION = 334000
export const AIR_HEAT = 1006
export const EMISSIVITY = 0.9

/** Places in the state vector. Scalars of the loop live in one typed array: nothing is boxed, nothing allocated. */
export const AIR = 0
export const STAR = 1
export const MOISTURE = 2
export const OPENING = 3
/** Heat given by the heater in this step, W. */
export const HEAT = 4
export const LEAK = 5
export const VENT = 6
export const OUT = 7
export const WIND = 8
export const PRESSURE = 9
export const DENSITY = 10
export const MOIST_OUT = 11
/** Share of light that the cover and wet glass let through. */
export const LIGHT = 12
export const STAR_SKY = 13
export const STAR_SKY_T = 14
export const A11 = 15
export const A12 = 16
export const A22 = 17
export const B1 = 18
export const B2 = 19
/** Under the row cover, and its ties. */
export const ROW = 20
export const ROW_TIE = 21
export const ROW_A = 22
export const ROW_B = 23
export const ROW_STAR = 24
/** Row cover drawn, 0 or 1. */
export const ROW_DRAWN = 25
export const LOBBY = 26
export const LOBBY_DOOR = 27
export const LOBBY_A = 28
export const LOBBY_B = 29
/** Heat put straight into the air this hour, W. */
export const AIR_W = 30
/** Fixed ties of the air this hour: conductance and conductance times temperature. */
export const TIE = 31
export const TIE_T = 32
/** Supply of the earth tube, W/K. */
export const SUPPLY = 33
/** Water brought into the air this hour, kg/s. */
export const VAPOUR = 34
/** Transpiration: part that does not hang on the air's moisture, kg/s, and the rest per unit of humidity ratio. */
export const LEAF_SUN = 35
export const LEAF_DRAW = 36
export const SOIL_DRAW = 37
/** Vent start and full opening in force, °C, and the least opening. */
export const START = 38
export const FULL = 39
export const LEAST = 40
/** Water standing on the glass, kg. */
export const WET = 41
/** Condensed in this step, kg/s. */
export const CONDENSED = 42
export const FAN_W = 43
export const SUN_IN = 44
/** Air through doors, W/K. */
export const DOOR = 45
/** Mean outside air of the day, °C. */
export const DAY_MEAN = 46
/** Pipes that condense or dry: kg/s per unit of humidity ratio, and the same times their saturation. */
export const PIPE_DRAW = 47
export const PIPE_DRAW_T = 48
/** Latent heat still owed to the air by fog and leaves, W, and how fast warming air changes it, W/K. */
export const FOG = 49
export const FOG_G = 50
/** Temperature of the earth tube's supply, °C. */
export const SUPPLY_C = 51
/** Vents: share of the way to its place that the opener goes in a step, the opening being tried, and how the heat let out last rose with the air, W/K. */
export const LAG = 52
export const OPENING_NOW = 53
export const VENT_SLOPE = 54
/** The balance that is left for the air, its temperature as it is tried, °C, and what the vents then take along, W/K. */
export const LEFT_A = 55
export const LEFT_B = 56
export const TRIED = 57
export const VENT_NOW = 58
export const STATE_SIZE = 59

/** Places in the sums over the steps of one hour, each times its seconds. */
export const SUM_AIR = 0
export const SUM_STAR = 1
export const SUM_LOBBY = 2
export const SUM_VENT = 3
export const SUM_LEAK = 4
export const SUM_DAMP = 5
export const SUM_HEAT = 6
export const SUM_CONDENSED = 7
export const SUM_MOIST = 8
export const SUM_SIZE = 9
