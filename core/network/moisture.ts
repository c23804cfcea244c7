import { mistShare } from '../air/misting'
import { AIR_PER_HEAT, VAPOUR_PER_HEAT } from '../air/films'
import { humidityRatio, saturatedSlope, saturationPressurePa, tabledSaturationPa } from '../climate'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import {
  A31,
  A32,
  A33,
  AIR,
  B3,
  CONDENSED,
  MIST,
  MIST_DAMP,
  MISTED,
  EXCHANGE,
  FOG_W,
  FULL_RATIO,
  FULL_SLOPE,
  FUMES,
  HOLDS,
  LATENT,
  LEAK_G,
  MOISTURE,
  MOIST_OUT,
  ON_FACES,
  ON_GLASS,
  PIPE_DRAW,
  PIPE_DRAW_T,
  PRESSURE,
  STAR,
  SUPPLY_G,
  TRY,
  VAPOUR,
  VENT_G,
  WET,
} from './room'
import { vapourPressure } from './transpiration'

const { abs, log, max, min } = Math

const NOTHING = 0
const GLASS = 1
const SOIL = 2
const WATER = 3
const LEAF = 4

/** What stands between moist soil and the air over it, s/m: the soil's own crust, and still air. */
const SOIL_CRUST = 500
const SOIL_AIR = 500
/** The air under full leaf is stiller by this, and full is so much leaf area. Shuttleworth & Wallace 1985, eq. 36. */
const STILLER = 2.5
const FULL_LEAF = 4
/** Of the air that these are reckoned with, kg/m³. */
const USUAL_DENSITY = 1.2
/** What bare moist soil gives off, kg/m²s per unit of humidity ratio. */
const SOIL_EVAPORATION = USUAL_DENSITY / (SOIL_CRUST + SOIL_AIR)
/** What soil gives off under leaves, as a share of what it does without. Shuttleworth & Wallace 1985. */
export const soilUnderLeaves = (leafArea: number): number =>
  (SOIL_CRUST + SOIL_AIR) / (SOIL_CRUST + SOIL_AIR * (1 + ((STILLER - 1) * min(leafArea, FULL_LEAF)) / FULL_LEAF))
/**
 * Still open water under moving room air, kg/m²s per unit of humidity ratio: 0.089 W/m²Pa, halved for water that nobody
 * stirs. ASHRAE HVAC Applications, natatoriums; Carrier 1918.
 */
const WATER_EVAPORATION = 0.003
/** A pane holds this much before it runs, kg/m². */
const WET_GLASS = 0.08
/**
 * Leaves so hot that their vapour would rise this many times faster with their warmth than what they give the air have
 * shut or died: from about 50 °C on.
 */
const SEARED = 6
/** Saturation is looked for no further: below there is none, and above it rises no more, °C. */
const COLDEST_C = -100
const BOILS_C = 95
/** The driest air that is reckoned with, kg/kg. */
const DRIEST = 1e-8
/** So near to as damp as it may be, mist dries the slower, kg/kg. */
const MIST_SLOWS = 0.002

/** Temperature at which air of a humidity ratio is saturated, °C; inverse of the Magnus form, over ice below 0 °C. */
export function dewPointOfRatio(ratio: number, pressurePa: number): number {
  const vapour = max(1, vapourPressure(ratio, pressurePa))
  const x = log(vapour / 610.94)
  if (x >= 0) return (243.04 * x) / (17.625 - x)
  const y = log(vapour / 611.21)
  return (273.86 * y) / (22.587 - y)
}

/**
 * Water in the air: transpiration, evaporation from soil and open water, condensation on every face colder than the dew
 * point and drying of wet glass, fog, and the exchange with outside. Vapour follows heat through the films.
 *
 * Its balance is solved together with air and star: what a face takes up or gives off hangs on its own temperature and
 * on the air's moisture of the same step, and so does the latent heat, so that the exchange is stable however hot and
 * damp the room. All terms are times the latent heat, W.
 */
export function makeMoisture(memory: Memory) {
  const { v, T, face, area, glazed, bed, openWater, isLeaf, leafDraw, soilShare, films, damp, slope, dampOwn, tried } =
    memory
  /**
   * Faces that dry when the air is dry, and of what: glass of what stands on it, beds of their soil, leaves through
   * their stomata, open water of itself.
   */
  const driesOf = memory.bytes(memory.size.chains)
  let m!: NetworkModel
  let glassArea = 1e-9
  /** What the soil of each bed gives off, kg/s per unit of humidity ratio. */
  const fromSoil = memory.doubles(memory.size.chains)

  function lay(model: NetworkModel): void {
    m = model
    glassArea = 1e-9
    for (let c = 0; c < m.count; c++) {
      if (glazed[c]) glassArea += area[c]!
      driesOf[c] = glazed[c] ? GLASS : bed[c] ? SOIL : isLeaf[c] ? LEAF : openWater[c]! > 0 ? WATER : NOTHING
    }
    for (let c = 0; c < m.count; c++) fromSoil[c] = SOIL_EVAPORATION * m.soilBare[c]! * area[c]!
  }

  /**
   * Which faces are wet in this step, and how they pass heat with water: `damp`, W per unit of humidity ratio; `slope`,
   * how that changes with the face's warmth, W/K;
   * `dampOwn`, what a face at 0 °C would get from air without moisture, W. Then the balance's own terms: A33 · moisture
   * = B3 so far.
   * @param again the step has been tried: saturation then runs straight from where it begins to where that try ended,
   * and not along its tangent
   */
  function gather(dt: number, again: boolean): void {
    const { count, airMassKg } = m
    const pressure = v[PRESSURE]!
    const before = v[MOISTURE]!
    const dew = dewPointOfRatio(before, pressure)
    const air = v[AIR]!
    const full = humidityRatio(tabledSaturationPa(air), pressure)
    const fullSlope = again ? chord(air, full, v[TRY]!) : saturatedSlope(air, full)
    v[FULL_RATIO] = full - fullSlope * air
    v[FULL_SLOPE] = fullSlope
    const exchange = AIR_PER_HEAT * (v[LEAK_G]! + v[VENT_G]! + v[SUPPLY_G]!)
    v[EXCHANGE] = exchange
    let a33 = LATENT * (airMassKg / dt + exchange + v[PIPE_DRAW]!)
    let b3 = LATENT * ((airMassKg / dt) * before + exchange * v[MOIST_OUT]! + v[PIPE_DRAW_T]! + v[VAPOUR]! + v[FUMES]!)
    const wet = v[WET]! > 0
    const onGlass = v[WET]! / (glassArea * dt)
    const t = T
    const faces = face
    const areas = area
    const dries = driesOf
    const damps = damp
    const slopes = slope
    const owns = dampOwn
    for (let c = 0; c < count; c++) {
      const faceC = t[faces[c]!]!
      const of = dries[c]!
      if (faceC >= dew && (of === NOTHING || (of === GLASS && !wet))) {
        if (damps[c] === 0) continue
        damps[c] = 0
        slopes[c] = 0
        owns[c] = 0
        continue
      }
      const at = humidityRatio(tabledSaturationPa(faceC), pressure)
      let draws = of === SOIL && before < at ? fromSoil[c]! * soilShare[c]! : VAPOUR_PER_HEAT * AIR_PER_HEAT * films[c]!
      // Water gives off by its surface, and takes by the whole of its vessel.
      if (of === WATER && before < at)
        draws = openWater[c]! * max(WATER_EVAPORATION * areas[c]!, VAPOUR_PER_HEAT * AIR_PER_HEAT * films[c]!)
      if (of === LEAF && before < at)
        draws = min(leafDraw[c]!, (SEARED * films[c]!) / (LATENT * saturatedSlope(faceC, at)))
      // Glass dries by what stands on it and no more.
      if (of === GLASS && draws * (at - before) > onGlass * areas[c]!) draws = (onGlass * areas[c]!) / (at - before)
      const passes = LATENT * draws
      const rises = passes * (again ? chord(faceC, at, tried[c]!) : saturatedSlope(faceC, at))
      const own = rises * faceC - passes * at
      damps[c] = passes
      slopes[c] = rises
      owns[c] = own
      a33 += passes
      b3 -= own
    }
    // Mist dries as it comes while the air takes it, and the slower the nearer that is to as damp as it may be.
    const dryTo = m.misting.upTo * full - before
    const mist = v[MIST]! > 0 && dryTo > 0 ? (LATENT * v[MIST]!) / max(dryTo, MIST_SLOWS) : 0
    v[MIST_DAMP] = mist
    v[A33] = a33 + mist
    v[B3] = b3 + mist * m.misting.upTo * v[FULL_RATIO]!
  }

  /** Mist by the air as the step begins, half-way from the step before: what it cools shuts its nozzles again. */
  function mist(): void {
    if (m.misting.kgPerS === 0) return
    v[MIST] = (v[MIST]! + m.misting.kgPerS * mistShare(v[AIR]!, m.misting.startC)) / 2
  }

  /** Rise of the saturated humidity ratio between two temperatures, 1/K. */
  function chord(fromC: number, at: number, toC: number): number {
    const to = max(COLDEST_C, min(toC, max(BOILS_C, fromC)))
    if (abs(to - fromC) < 1) return saturatedSlope(fromC, at)
    return (humidityRatio(saturationPressurePa(to), v[PRESSURE]!) - at) / (to - fromC)
  }

  /** Reckons with the exchange as it came to be. */
  function adopt(): void {
    const exchange = AIR_PER_HEAT * (v[LEAK_G]! + v[VENT_G]! + v[SUPPLY_G]!)
    const more = LATENT * (exchange - v[EXCHANGE]!)
    v[A33]! += more
    v[B3]! += more * v[MOIST_OUT]!
    v[EXCHANGE] = exchange
  }

  /**
   * The air's moisture of the step, by the air and star that were found and the exchange as it came to be. What the air
   * can't hold is fog: its heat is left in `FOG_W`, W.
   */
  function settle(): void {
    const more = LATENT * (AIR_PER_HEAT * (v[LEAK_G]! + v[VENT_G]! + v[SUPPLY_G]!) - v[EXCHANGE]!)
    const a33 = v[A33]! + more
    const left = v[B3]! + more * v[MOIST_OUT]! - v[A31]! * v[AIR]! - v[A32]! * v[STAR]!
    const full = v[HOLDS]!
    const free = left / a33
    const next = free > full ? full : free < DRIEST ? DRIEST : free
    v[MOISTURE] = next
    v[FOG_W] = next === free ? 0 : left - a33 * next
  }

  /** What condensed, and how wet the glass is now. */
  function tally(dt: number): void {
    const mayHold = m.misting.upTo * (v[FULL_RATIO]! + v[FULL_SLOPE]! * v[AIR]!)
    v[MISTED] = max(0, v[MIST_DAMP]! * (mayHold - v[MOISTURE]!)) / LATENT
    v[CONDENSED] = (v[ON_FACES]! + max(0, v[FOG_W]!)) / LATENT
    v[WET] = min(WET_GLASS * glassArea, max(0, v[WET]! + (v[ON_GLASS]! / LATENT) * dt))
  }

  /** What condenses on each face at the end of the step, W; what dries off it is less than nothing. */
  function wets(out: Float64Array): void {
    for (let c = 0; c < m.count; c++)
      out[c] = damp[c]! > 0 ? damp[c]! * v[MOISTURE]! + dampOwn[c]! - slope[c]! * T[face[c]!]! : 0
  }
  return { lay, mist, gather, adopt, settle, tally, wets }
}

export type Moisture = ReturnType<typeof makeMoisture>
