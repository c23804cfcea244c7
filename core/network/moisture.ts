import { humidityRatio, tabledSaturationPa } from '../climate'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import {
  AIR, AIR_HEAT, CONDENSED, FOG, FOG_G, LATENT, LEAF_DRAW, LEAF_SUN, LEAK, MOIST_OUT, MOISTURE, PIPE_DRAW, PIPE_DRAW_T, PRESSURE, SOIL_DRAW, SUPPLY, VAPOUR, VENT, WET,
} from './room'

const { log, max, min } = Math

/** A pane holds this much before it runs, kg/m². */
const WET_GLASS = 0.08

/** Temperature at which air of a humidity ratio is saturated, °C; inverse of the Magnus form, over ice below 0 °C. */
export function dewPointOfRatio(ratio: number, pressurePa: number): number {
  const vapour = max(1, ratio * pressurePa / (0.62198 + ratio))
  const x = log(vapour / 610.94)
  if (x >= 0) return 243.04 * x / (17.625 - x)
  const y = log(vapour / 611.21)
  return 273.86 * y / (22.587 - y)
}

/** Rise of the saturated humidity ratio with temperature, as a share of itself, 1/K. From the Magnus form over water. */
function steepness(temperatureC: number): number {
  return 17.625 * 243.04 / ((temperatureC + 243.04) * (temperatureC + 243.04))
}

/**
 * Water in the air: transpiration, evaporation from soil and open water, condensation on every face colder than the dew point and drying of wet glass, and the
 * exchange with outside, solved implicitly. Heat and mass pass alike (Lewis number 0.9).
 *
 * Latent heat goes to or from the faces (that of fog to the air) in the next step, with its slope: a face that warms gets less. What it got less is still owed
 * to it, so that nothing is lost and the exchange is stable however hot and damp the room.
 */
export function makeMoisture(memory: Memory) {
  const { v, T, face, area, glazed, bed, openWater, hc, latent, slope } = memory
  const saturated = memory.doubles(memory.size.chains)
  const passing = memory.doubles(memory.size.chains)
  let m!: NetworkModel
  let glassHolds = 0
  let bedArea = 1

  function lay(model: NetworkModel): void {
    m = model
    let glassArea = 0
    for (let c = 0; c < m.count; c++) if (glazed[c]) glassArea += area[c]!
    glassHolds = WET_GLASS * glassArea
    bedArea = max(1e-9, m.bedAreaM2)
  }

  function step(dt: number): void {
    const { count, airMassKg } = m
    const pressure = v[PRESSURE]!
    const exchange = (v[LEAK]! + v[VENT]! + v[SUPPLY]!) / AIR_HEAT
    const before = v[MOISTURE]!
    const dew = dewPointOfRatio(before, pressure)
    let k = airMassKg / dt + exchange + v[PIPE_DRAW]!
    let sum = airMassKg / dt * before + exchange * v[MOIST_OUT]! + v[VAPOUR]! + v[LEAF_SUN]! + v[PIPE_DRAW_T]!
    const full = humidityRatio(tabledSaturationPa(v[AIR]!), pressure)
    k += v[LEAF_DRAW]!
    sum += v[LEAF_DRAW]! * full
    const wet = v[WET]! > 0
    const fromSoil = v[SOIL_DRAW]! / bedArea
    const t = T
    const faces = face
    const areas = area
    const beds = bed
    const glass = glazed
    const open = openWater
    const films = hc
    const slopes = slope
    const owed = latent
    const pass = passing
    const atFace = saturated
    for (let c = 0; c < count; c++) {
      pass[c] = 0
      slopes[c] = 0
      const faceC = t[faces[c]!]!
      if (faceC >= dew && open[c] === 0 && beds[c] === 0 && !(wet && glass[c] === 1)) continue
      const at = humidityRatio(tabledSaturationPa(faceC), pressure)
      atFace[c] = at
      const film = beds[c] === 1 && before < at ? fromSoil * areas[c]! : 0.9 / AIR_HEAT * films[c]!
      pass[c] = film
      k += film
      sum += film * at
    }
    let next = sum / k
    let fog = 0
    const rise = LATENT * full * steepness(v[AIR]!)
    v[FOG_G] = rise * v[LEAF_DRAW]!
    if (next > full) {
      fog = (next - full) * k
      v[FOG_G] = v[FOG_G]! + rise * k
      next = full
    }
    // Fog gives its heat to the air; what leaves draw by the air's thirst comes from the air as well.
    v[FOG] = v[FOG]! + LATENT * (fog - v[LEAF_DRAW]! * (full - next))
    let condensed = 0
    let onGlass = 0
    // What the sun draws from leaves takes its heat from the beds, where that sun is taken in.
    const leaves = LATENT * v[LEAF_SUN]! / bedArea
    for (let c = 0; c < count; c++) {
      const film = pass[c]!
      if (film === 0) continue
      const flow = film * (next - atFace[c]!)
      owed[c]! += LATENT * flow
      slopes[c] = LATENT * film * atFace[c]! * steepness(t[faces[c]!]!)
      if (flow > 0) condensed += flow
      if (glass[c] === 1) onGlass += flow
      if (beds[c] === 1) owed[c]! -= leaves * areas[c]!
    }
    v[MOISTURE] = next
    v[CONDENSED] = condensed + fog
    v[WET] = min(glassHolds, max(0, v[WET]! + onGlass * dt))
  }
  return { lay, step }
}
