import { humidityRatio, tabledSaturationPa } from '../climate'
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
export function makeMoisture(m: NetworkModel, v: Float64Array, T: Float64Array, hc: Float64Array) {
  const { count, offset } = m
  /** Heat owed to each face, W, and its slope, W/K. */
  const latent = new Float64Array(count)
  const slope = new Float64Array(count)
  const saturated = new Float64Array(count)
  const passing = new Float64Array(count)
  let glassArea = 0
  for (let c = 0; c < count; c++) if (m.glazed[c]) glassArea += m.area[c]!
  const glassHolds = WET_GLASS * glassArea
  const bedArea = max(1e-9, m.bedAreaM2)

  function step(dt: number): void {
    const pressure = v[PRESSURE]!
    const exchange = (v[LEAK]! + v[VENT]! + v[SUPPLY]!) / AIR_HEAT
    const before = v[MOISTURE]!
    const dew = dewPointOfRatio(before, pressure)
    let k = m.airMassKg / dt + exchange + v[PIPE_DRAW]!
    let sum = m.airMassKg / dt * before + exchange * v[MOIST_OUT]! + v[VAPOUR]! + v[LEAF_SUN]! + v[PIPE_DRAW_T]!
    const full = humidityRatio(tabledSaturationPa(v[AIR]!), pressure)
    k += v[LEAF_DRAW]!
    sum += v[LEAF_DRAW]! * full
    const wet = v[WET]! > 0
    for (let c = 0; c < count; c++) {
      passing[c] = 0
      const face = T[offset[c + 1]! - 1]!
      const always = m.openWater[c] === 1 || m.bed[c] === 1
      if (!always && face >= dew && !(wet && m.glazed[c] === 1)) continue
      const at = humidityRatio(tabledSaturationPa(face), pressure)
      saturated[c] = at
      const film = m.bed[c] === 1 && before < at ? v[SOIL_DRAW]! * m.area[c]! / bedArea : 0.9 * hc[c]! / AIR_HEAT
      passing[c] = film
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
    let glass = 0
    for (let c = 0; c < count; c++) {
      slope[c] = 0
      if (passing[c] === 0) continue
      const flow = passing[c]! * (next - saturated[c]!)
      latent[c]! += LATENT * flow
      slope[c] = LATENT * passing[c]! * saturated[c]! * steepness(T[offset[c + 1]! - 1]!)
      if (flow > 0) condensed += flow
      if (m.glazed[c] === 1) glass += flow
    }
    // What the sun draws from leaves takes its heat from the beds, where that sun is taken in.
    const leaves = LATENT * v[LEAF_SUN]!
    if (leaves !== 0) for (let c = 0; c < count; c++) if (m.bed[c] === 1) latent[c]! -= leaves * m.area[c]! / bedArea
    v[MOISTURE] = next
    v[CONDENSED] = condensed + fog
    v[WET] = min(glassHolds, max(0, v[WET]! + glass * dt))
  }
  return { step, latent, slope }
}
