export { AIR_SPECIFIC_HEAT, FUSION, LATENT } from '../physics/constants'

/**
 * Scalars of the loop. They live in one typed array, so that nothing is boxed and nothing allocated; here each has its
 * place in it, by group, with its unit, who writes it and who reads it. Those whose names end in `_G` are conductances
 * of the air, W/K.
 */
let places = 0
const place = () => places++

// --- The room as it stands. The step writes them and begins from them; the run reads them.
/** Air round the beds, °C, and the star that all faces shine to, °C. */
export const AIR = place()
export const STAR = place()
/** Water in the air, kg/kg. */
export const MOISTURE = place()
/** Air and leaves under the row cover, °C. */
export const ROW = place()
/** Air above, up to the ridge, and in paths that are dug lower, °C; the beds' own where there is none. */
export const RIDGE = place()
export const PATH = place()
/** Water standing on the glass, kg. Written by `moisture.tally`, read by `moisture` and `cover-hour`. */
export const WET = place()
/** Heat still owed to the air by its moisture, W. */
export const OWED = place()
/** How far all openings stand open, 0–1, by their areas. Written by the vents. */
export const OPENING = place()

// --- Weather of the hour. Written by `weather-hour`, read by all.
/** Outside air, °C, its mean over the day, °C, wind, m/s, pressure, Pa, density, kg/m³, humidity ratio, kg/kg. */
export const OUT = place()
export const DAY_MEAN = place()
export const WIND = place()
export const PRESSURE = place()
export const DENSITY = place()
export const MOIST_OUT = place()
/** Temperature of the sky, °C, sunlight on the level, W/m², and snow lying, m. */
export const SKY = place()
export const GLOBAL = place()
export const SNOW_M = place()

// --- What acts on the room in the hour. Written by the hourly work, read by the step.
/** Sun kept inside and in the panes, W, for the ledger. */
export const SUN_IN = place()
/** Sunlight on the beds, past covers and wet glass, W/m². Written by `hourly`. */
export const BED_LIGHT = place()
/** Heat put straight into the air, and that shines on all faces, W. Written by `added-work`. */
export const AIR_W = place()
export const STAR_W = place()
/** Water brought into the air, kg/s. Written by `added-work`. */
export const VAPOUR = place()
/** Water that is to be misted, kg/s. Written and read by `moisture`. */
export const MIST = place()
/** Fans of air stores, W. Written by `store-air`. */
export const FAN_W = place()
/** Fans that stir the air, W. Written by `stir-hour`. */
export const STIR_W = place()
/** Fixed ties of the air: conductance, W/K, and conductance times temperature, W. Stores, earth tubes, the house. */
export const TIE_G = place()
export const TIE_W = place()
/** Earth tubes' air, and its temperature, °C. Written by `store-air`. */
export const SUPPLY_G = place()
export const SUPPLY_C = place()
/**
 * Pipes that condense or dry: kg/s per unit of humidity ratio, and the same times their saturation, less what earth
 * tubes drain from the air that they bring, kg/s.
 */
export const PIPE_DRAW = place()
export const PIPE_DRAW_T = place()
/** Air through doors to the outside, and to the house. Written by `hourly.doors`. */
export const DOOR_G = place()
export const HOUSE_DOOR_G = place()
/** Longwave straight from the star to the sky: conductance, W/K, and conductance times temperature, W. */
export const STAR_SKY_G = place()
export const STAR_SKY_W = place()
/** Air drawn from under the ridge by stores. Written by `store-air`. */
export const RIDGE_DRAW_G = place()
/** Air that fans stir, m³/s. Written by `stir-hour`. */
export const STIR_FLOW = place()
/** What the air above, and that in dug paths, exchange with the beds'; held with the films. Written by `takeFilms`. */
export const RIDGE_TIE = place()
export const PATH_TIE = place()
/** Row cover drawn, 0 or 1, and its tie to the room, W/K. Written by `hourly.rowCover`. */
export const ROW_DRAWN = place()
export const ROW_TIE = place()
/** The lowest air of the room, and outside, since somebody left last, °C. */
export const ROW_LOW = place()
export const ROW_OUT_LOW = place()
/** Leaks of the house in this season, m² at 4 Pa. Written by `vents.hour`. */
export const LEAK_AREA = place()
/** The coolest air at which an opening starts to open, °C. Written by `vents.hour`, read by sources. */
export const START = place()

// --- The step's balance: a11 · air − a12 · star + a13 · moisture = b1, and so on; see `solveAir`. Written by `gather`
// and `tieAir`, the third line by `moisture`.
export const A11 = place()
export const A12 = place()
export const A21 = place()
export const A13 = place()
export const A22 = place()
export const A23 = place()
export const A31 = place()
export const A32 = place()
export const A33 = place()
export const B1 = place()
export const B2 = place()
export const B3 = place()
/** Saturated humidity ratio as a line over the air's temperature: its value at 0 °C, and its rise, 1/K. */
export const FULL_RATIO = place()
export const FULL_SLOPE = place()
/** Air exchanged with outside that the moisture's line reckoned with, kg/s. */
export const EXCHANGE = place()

// --- The step's answer. Written by `solveAir` and what it calls, read by the rest of the step and by its tallies.
/** What is left for the air: LEFT_A · air = LEFT_B + heaters − vents. */
export const LEFT_A = place()
export const LEFT_B = place()
/** Of the star's heat, what comes to the air: air per star. And heaters' heat that goes to the star, W. */
export const THROUGH_STAR = place()
export const HEATED_STAR_W = place()
/** Air that the vents tried, °C, what they then take along, and how that last rose with the air, W/K. */
export const TRIED = place()
export const VENT_NOW_G = place()
export const VENT_G = place()
export const VENT_SLOPE = place()
/** Of the air let through, what leaves by openings in the upper air: of the last step, and as this one reckons. */
export const RIDGE_OUT_G = place()
export const RIDGE_OUT_USED = place()
/** Leaks and doors to the outside. */
export const LEAK_G = place()
/** Water that heaters' fumes bring into the air, kg/s. */
export const FUMES = place()
/** Humidity ratio that came of it, that at which the air is full, and fog, W: as found, and as it comes to be. */
export const GUESSED = place()
export const HOLDS = place()
export const FOG_GUESSED = place()
export const FOG_W = place()
/** Latent heat that comes to faces, W, and to glass by itself, net; what condensed in all, kg/s. */
export const ON_FACES = place()
export const ON_GLASS = place()
export const CONDENSED = place()
/** How mist passes heat to moisture, W per unit of humidity ratio; and what it came to, kg/s. Written by `moisture`. */
export const MIST_DAMP = place()
export const MISTED = place()
/** Air of the last try of the step, °C, and how far air and wet faces have moved since, K. */
export const TRY = place()
export const MOVED = place()

export const STATE_SIZE = places

/** Places in the sums over the steps of one hour, each times its seconds; written by the step, read by `hourly.end`. */
let sums = 0
const sum = () => sums++
export const SUM_AIR = sum()
export const SUM_STAR = sum()
export const SUM_VENT = sum()
export const SUM_LEAK = sum()
export const SUM_DAMP = sum()
export const SUM_CONDENSED = sum()
export const SUM_MOIST = sum()
export const SUM_SIZE = sums

/**
 * Airs beside that round the beds, each tied to it alone: which scalar holds each, and its place among their sums.
 * Their balances: A · air of its own = B + star · STAR + tie · AIR + damp · MOISTURE; what faces of it evaporate, by
 * that air, is `rises`.
 */
export const SIDE_AIRS = Int32Array.of(ROW, RIDGE, PATH)
export const SIDE_A = 0
export const SIDE_B = 3
export const SIDE_STAR = 6
export const SIDE_TIE = 9
export const SIDE_DAMP = 12
export const SIDE_RISES = 15
export const SIDE_PLACES = 18
