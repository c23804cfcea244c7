import { insideFilm, outsideFilm, radiativeFilm } from '../air/films'
import { leakageFlow } from '../air/leakage'
import { openerTarget, ventFlow } from '../air/vents'
import { humidityRatio, saturationPressurePa, type SiteYear } from '../climate'
import { DEEP_GROUND, OUTSIDE, type NetworkModel } from './model'
import { LOSS_NAMES } from './series'

const { abs, exp, max, min, sqrt } = Math

/** Latent heat of water near room temperature and of ice, J/kg. */
export const LATENT = 2.47e6
export const FUSION = 334000
const AIR_HEAT = 1006
const SIGMA = 5.670374e-8
const EMISSIVITY = 0.9
/** Time that a wax-piston opener needs to follow the air, s. */
const OPENER_LAG_S = 720
/** Mass transfer of moist soil and leaves in the dark, and what full light adds, kg/m²s per unit of humidity ratio. */
const EVAPORATION_DARK = 0.0012
const EVAPORATION_LIGHT = 0.005

/** Capacity over time that no flow moves, W/K. */
const HELD = 1e15

/** Places in the state vector. Scalars of the loop live in one typed array: nothing is boxed, nothing allocated. */
export const AIR = 0
export const STAR = 1
export const MOISTURE = 2
export const OPENING = 3
export const ICE_KG = 4
/** Heat given in this step, W. */
export const HEAT = 5
const LEAK = 6
const VENT = 7
const OUT = 8
const WIND = 9
const PRESSURE = 10
const DENSITY = 11
const MOIST_OUT = 12
const EVAPORATION = 13
const LIGHT = 14
const STAR_SKY = 15
const STAR_SKY_T = 16
const A11 = 17
const A12 = 18
const A22 = 19
const B1 = 20
const B2 = 21
const SIZE = 22

export interface Stepper {
  state: Float64Array
  /** Cell temperatures, °C. */
  cells: Float64Array
  /** Heat that has left by each way since it was last cleared, J. */
  lostJ: Float64Array
  prepareHour: (hour: number, dt: number) => void
  step: (dt: number, heaterW: number, setPointC: number) => void
  tally: (dt: number) => void
  /** Heat in all cells, air, moisture and ice, J, from 0 °C. */
  heatContentJ: () => number
}

/**
 * One step of the network, backward Euler. Within an hour the ties and the conductances between cells hold still, so each chain is eliminated from the
 * outside in once an hour; a step carries the right-hand side inwards, solves star and air with films of the step before, then goes back out.
 * The vents and the heater are solved for the air temperature of the same step. First order in the step, stable for any.
 */
export function makeStepper(m: NetworkModel, site: SiteYear): Stepper {
  const cellCount = m.offset[m.count]!
  const v = new Float64Array(SIZE)
  const T = new Float64Array(cellCount)
  const store = new Float64Array(cellCount)
  const base = new Float64Array(cellCount)
  const pivot = new Float64Array(cellCount)
  const factor = new Float64Array(cellCount)
  const rhs = new Float64Array(cellCount)
  const head = new Float64Array(m.count)
  const headRow = new Float64Array(m.count)
  const hc = new Float64Array(m.count)
  const hr = new Float64Array(m.count)
  const outG = new Float64Array(m.count)
  const outT = new Float64Array(m.count)
  const outSun = new Float64Array(m.count)
  const film = new Float64Array(m.count)
  const filmT = new Float64Array(m.count)
  const latent = new Float64Array(m.count)
  const condensing = new Float64Array(m.count)
  const saturated = new Float64Array(m.count)
  const lostJ = new Float64Array(LOSS_NAMES.length)
  const { offset, capacity, between, lateral, groundCell, area, undisturbed, undisturbedRow } = m
  const hasVents = m.vents.lowM2 + m.vents.highM2 > 0
  let day = 0
  /** Whether the water is part frozen in this hour, so that its temperature stands. */
  let held = false
  let lastDt = 0

  for (let i = 0; i < cellCount; i++) T[i] = groundCell[i]! >= 0 ? undisturbed[groundCell[i]!]! : max(2, site.dryBulbC[0]!)
  v[AIR] = v[STAR] = max(2, site.dryBulbC[0]!)
  v[MOISTURE] = humidityRatio(saturationPressurePa(v[AIR]!) * 0.7, site.pressurePa[0]!)

  function prepareHour(h: number, dt: number): void {
    day = (h / 24) | 0
    const outside = site.dryBulbC[h]!
    const pressure = site.pressurePa[h]!
    v[OUT] = outside
    v[WIND] = site.windMs[h]!
    v[PRESSURE] = pressure
    v[DENSITY] = pressure / (287.05 * (outside + 273.15))
    v[MOIST_OUT] = humidityRatio(saturationPressurePa(site.dewPointC[h]!), pressure)
    const sky = sqrt(sqrt(site.skyInfraredWm2[h]! / SIGMA)) - 273.15
    const windFilm = outsideFilm(site.windMs[h]!)
    const skyFilm = radiativeFilm((outside + sky) / 2, EMISSIVITY)
    const covered = m.drawn[h]!
    const light = 1 - covered * (1 - m.coverLeak)
    v[LIGHT] = light
    v[EVAPORATION] = (EVAPORATION_DARK + EVAPORATION_LIGHT * min(1, m.bedLight[h]! * light / 200)) * m.bedAreaM2
    v[STAR_SKY] = 0
    v[STAR_SKY_T] = 0
    held = v[ICE_KG]! > 0 && v[ICE_KG]! < m.waterKg
    for (let c = 0; c < m.count; c++) {
      const i0 = offset[c]!
      const i1 = offset[c + 1]! - 1
      const view = m.skyView[c]!
      outSun[c] = m.outerSun[c]![h]!
      outG[c] = 0
      if (m.tie[c] === OUTSIDE) {
        const toSky = skyFilm * view
        const toAir = windFilm + skyFilm * (1 - view)
        outG[c] = area[c]! * (toSky + toAir)
        outT[c] = (toSky * sky + toAir * outside) / (toSky + toAir)
        if (m.glazed[c]) {
          between[i0] = m.openBetween[c]! + (m.coveredBetween[c]! - m.openBetween[c]!) * covered
          film[c] = area[c]! * m.longwaveThrough[c]! * skyFilm * light
          filmT[c] = view * sky + (1 - view) * outside
          v[STAR_SKY]! += film[c]!
          v[STAR_SKY_T]! += film[c]! * filmT[c]!
        }
      }
      else if (m.tie[c] === DEEP_GROUND) {
        outG[c] = m.deep[c]!
        outT[c] = undisturbed[day * undisturbedRow + undisturbedRow - 1]!
      }
      const pane = m.paneSun[c]![h]! / 2
      // The ground's ties never change: its elimination holds while the step does.
      const still = dt === lastDt && m.tie[c] === DEEP_GROUND
      for (let i = i0; i <= i1; i++) {
        let tie = lateral[i]!
        let known = tie > 0 ? tie * undisturbed[day * undisturbedRow + groundCell[i]!]! : 0
        if (i === i0) {
          tie += outG[c]!
          known += outG[c]! * outT[c]! + outSun[c]! + pane
        }
        if (i === i1) known += m.faceSun[c]![h]! * light + pane
        base[i] = known
        if (still) continue
        store[i] = held && i === m.probes.water ? HELD : capacity[i]! / dt
        let d = store[i]! + tie
        if (i > i0) d += between[i - 1]! * (1 - factor[i - 1]!)
        if (i < i1) {
          pivot[i] = d + between[i]!
          factor[i] = between[i]! / pivot[i]!
        }
        else head[c] = d
      }
    }
    lastDt = dt
  }

  /** Right-hand sides inwards, films, and the two equations that are left. */
  function gather(dt: number): void {
    const air = v[AIR]!
    const star = v[STAR]!
    const light = v[LIGHT]!
    let a11 = m.airCapacity / dt
    let b1 = a11 * air
    let a12 = 0
    let a22 = v[STAR_SKY]!
    let b2 = v[STAR_SKY_T]!
    for (let c = 0; c < m.count; c++) {
      const i1 = offset[c + 1]! - 1
      let r = 0
      for (let i = offset[c]!; i < i1; i++) {
        const own = store[i]! * T[i]! + base[i]! + r
        rhs[i] = own
        r = factor[i]! * own
      }
      r += store[i1]! * T[i1]! + base[i1]! + latent[c]!
      const convective = insideFilm(T[i1]! - air, m.facingUp[c]!) * area[c]!
      const radiative = radiativeFilm((T[i1]! + star) / 2, EMISSIVITY) * area[c]! * (1 - m.longwaveThrough[c]! * light)
      const p = 1 / (head[c]! + convective + radiative)
      hc[c] = convective
      hr[c] = radiative
      headRow[c] = r * p
      pivot[i1] = p
      a11 += convective * (1 - convective * p)
      a12 += convective * radiative * p
      a22 += radiative * (1 - radiative * p)
      b1 += convective * r * p
      b2 += radiative * r * p
    }
    v[A11] = a11
    v[A12] = a12
    v[A22] = a22
    v[B1] = b1
    v[B2] = b2
  }

  /** Air of the step, with leaks, vents and heater: star is put aside, which leaves a · air = b + heater − vents. */
  function solveAir(dt: number, heaterW: number, setPointC: number): void {
    const outside = v[OUT]!
    const wind = v[WIND]!
    const perFlow = v[DENSITY]! * AIR_HEAT
    const leak = leakageFlow(m.leakAreaM2, v[AIR]! - outside, wind) * perFlow
    const a = v[A11]! - v[A12]! * v[A12]! / v[A22]! + leak
    const b = v[B1]! + v[A12]! * v[B2]! / v[A22]! + leak * outside
    let next = b / a
    let ventG = 0
    const lag = 1 - exp(-dt / OPENER_LAG_S)
    const closing = v[OPENING]! * (1 - lag)
    if (hasVents && (closing > 0.001 || next > m.startC)) {
      // The balance rises with temperature, so the root lies between outside and the closed room: false position, kept in its bracket (Illinois).
      let lo = min(next, outside)
      let hi = max(next, outside)
      let fLo = ventBalance(lo, a, b, closing, lag, outside, wind, perFlow)
      let fHi = ventBalance(hi, a, b, closing, lag, outside, wind, perFlow)
      next = hi
      for (let k = 0; k < 30 && hi - lo > 1e-4; k++) {
        next = fHi - fLo > 1e-12 ? lo - fLo * (hi - lo) / (fHi - fLo) : (lo + hi) / 2
        const f = ventBalance(next, a, b, closing, lag, outside, wind, perFlow)
        if (abs(f) < 1e-3) break
        if (f > 0) {
          hi = next
          fHi = f
          fLo /= 2
        }
        else {
          lo = next
          fLo = f
          fHi /= 2
        }
      }
      const f = closing + lag * openerTarget(next, m.startC, m.fullC)
      v[OPENING] = f
      ventG = ventFlow(m.vents, f, next, outside, wind) * perFlow
      next = (b + ventG * outside) / (a + ventG)
    }
    else v[OPENING] = 0
    let heat = 0
    if (heaterW > 0 && next < setPointC) {
      heat = min(heaterW, (a + ventG) * setPointC - b - ventG * outside)
      next = (b + ventG * outside + heat) / (a + ventG)
    }
    v[HEAT] = heat
    v[LEAK] = leak
    v[VENT] = ventG
    v[AIR] = next
    v[STAR] = (v[B2]! + v[A12]! * next) / v[A22]!
  }

  function ventBalance(t: number, a: number, b: number, closing: number, lag: number, outside: number, wind: number, perFlow: number): number {
    return a * t - b + ventFlow(m.vents, closing + lag * openerTarget(t, m.startC, m.fullC), t, outside, wind) * perFlow * (t - outside)
  }

  function goBack(): void {
    const air = v[AIR]!
    const star = v[STAR]!
    for (let c = 0; c < m.count; c++) {
      const i1 = offset[c + 1]! - 1
      T[i1] = headRow[c]! + (hc[c]! * air + hr[c]! * star) * pivot[i1]!
      for (let i = i1 - 1; i >= offset[c]!; i--) T[i] = rhs[i]! / pivot[i]! + factor[i]! * T[i + 1]!
    }
  }

  /** Water freezes and melts by enthalpy: a plateau at 0 °C, heat for heat. Part-frozen water is held still by the solver and takes its heat here. */
  function freeze(dt: number): void {
    const i = m.probes.water
    if (i < 0 || (T[i]! >= 0 && v[ICE_KG] === 0)) return
    let heat = capacity[i]! * T[i]! - v[ICE_KG]! * FUSION
    if (held) heat += between[i]! * (T[i + 1]! - T[i]!) * dt
    const whole = m.waterKg * FUSION
    v[ICE_KG] = heat >= 0 ? 0 : heat > -whole ? -heat / FUSION : m.waterKg
    T[i] = heat >= 0 ? heat / capacity[i]! : heat > -whole ? 0 : (heat + whole) / capacity[i]!
  }

  /** Evaporation from beds, condensation on panes, exchange with outside; the latent heat goes to its cells in the next step. */
  function moisten(dt: number): void {
    const pressure = v[PRESSURE]!
    const exchange = (v[LEAK]! + v[VENT]!) / AIR_HEAT
    let k = m.airMassKg / dt + exchange
    let sum = m.airMassKg / dt * v[MOISTURE]! + exchange * v[MOIST_OUT]!
    let bedSaturated = 0
    if (m.bed >= 0) {
      bedSaturated = humidityRatio(saturationPressurePa(T[offset[m.bed + 1]! - 1]!), pressure)
      k += v[EVAPORATION]!
      sum += v[EVAPORATION]! * bedSaturated
    }
    for (let c = 0; c < m.count; c++) {
      condensing[c] = 0
      if (!m.glazed[c]) continue
      saturated[c] = humidityRatio(saturationPressurePa(T[offset[c + 1]! - 1]!), pressure)
      if (v[MOISTURE]! > saturated[c]!) {
        condensing[c] = hc[c]! / AIR_HEAT * 0.9
        k += condensing[c]!
        sum += condensing[c]! * saturated[c]!
      }
    }
    let next = sum / k
    let fog = 0
    const full = humidityRatio(saturationPressurePa(v[AIR]!), pressure)
    if (next > full) {
      fog = (next - full) * k
      next = full
    }
    for (let c = 0; c < m.count; c++) latent[c] = LATENT * condensing[c]! * (next - saturated[c]!)
    // Fog settles and gives its heat back on the beds, or on the first surface where there are none.
    latent[max(0, m.bed)]! += LATENT * fog
    if (m.bed >= 0) latent[m.bed]! -= LATENT * v[EVAPORATION]! * (bedSaturated - next)
    v[MOISTURE] = next
  }

  function step(dt: number, heaterW: number, setPointC: number): void {
    gather(dt)
    solveAir(dt, heaterW, setPointC)
    goBack()
    freeze(dt)
    moisten(dt)
  }

  function tally(dt: number): void {
    for (let c = 0; c < m.count; c++) {
      const i0 = offset[c]!
      let out = outG[c]! * (T[i0]! - outT[c]!) - outSun[c]!
      if (m.glazed[c]) out += film[c]! * (v[STAR]! - filmT[c]!)
      else if (m.tie[c] === DEEP_GROUND) {
        for (let i = i0; i < offset[c + 1]!; i++) if (lateral[i]! > 0) out += lateral[i]! * (T[i]! - undisturbed[day * undisturbedRow + groundCell[i]!]!)
      }
      lostJ[m.lossIndex[c]!]! += out * dt
    }
    const difference = (v[AIR]! - v[OUT]!) * dt
    lostJ[6]! += v[LEAK]! * difference
    lostJ[7]! += v[VENT]! * difference
    lostJ[8]! += LATENT * (v[LEAK]! + v[VENT]!) / AIR_HEAT * (v[MOISTURE]! - v[MOIST_OUT]!) * dt
  }

  function heatContentJ(): number {
    let sum = m.airCapacity * v[AIR]! + m.airMassKg * LATENT * v[MOISTURE]! - v[ICE_KG]! * FUSION
    for (let i = 0; i < cellCount; i++) sum += capacity[i]! * T[i]!
    return sum
  }

  return { state: v, cells: T, lostJ, prepareHour, step, tally, heatContentJ }
}
