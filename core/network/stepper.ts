import { insideFilm, radiativeFilm } from '../air/films'
import { leakageFlow } from '../air/leakage'
import { humidityRatio, saturationPressurePa, type SiteYear } from '../climate'
import { makeHourly } from './hourly'
import { CLOSED, GROUND, type NetworkModel } from './model'
import { makeMoisture } from './moisture'
import {
  A11, A12, A22, AIR, AIR_HEAT, AIR_W, B1, B2, CONDENSED, DENSITY, DOOR, EMISSIVITY, FOG, FOG_G, FUSION, HEAT, LATENT, LEAK, LIGHT, LOBBY, LOBBY_A, LOBBY_B, LOBBY_DOOR, MOIST_OUT, MOISTURE, OUT, ROW, ROW_A,
  ROW_B, ROW_DRAWN, ROW_STAR, ROW_TIE, STAR, STAR_SKY, STAR_SKY_T, STATE_SIZE, SUM_AIR,
  SUM_CONDENSED, SUM_DAMP, SUM_HEAT, SUM_LEAK, SUM_LOBBY, SUM_MOIST, SUM_SIZE, SUM_STAR, SUM_VENT, SUPPLY, TIE, TIE_T, VENT, WIND,
} from './room'
import { GAIN_NAMES, LOSS_NAMES } from './series'
import { makeVentSolver } from './vent-solve'

const { max, min, sqrt } = Math

/** A row cover lets this share of longwave through; the rest of what the beds exchange goes to the space under it. */
const ROW_COVER_OPEN = 0.45
/** Air and leaves under a row cover, J/m²K. */
const ROW_CAPACITY = 4000
const LOBBY_CAPACITY = 30000
/** Films inside are taken anew after this long, s. */
const FILMS_HOLD = 1800

export interface Stepper {
  state: Float64Array
  /** Cell temperatures, °C: chains, then the ground outside. */
  cells: Float64Array
  /** Ice in each chain's water, kg. */
  iceKg: Float64Array
  /** Heat that has left and come in by each way since `endHour` last cleared them, J. */
  lostJ: Float64Array
  gainedJ: Float64Array
  /** Temperature of pipes' soil or rock, °C, by exchanger. */
  storeC: Float64Array
  prepareHour: (hour: number, dt: number, span?: number) => void
  step: (dt: number, heaterW: number, setPointC: number) => void
  /** Closes the block that `prepareHour` opened: flows to the ground and the stores, and the tally. */
  endHour: (span?: number) => void
  clearTally: () => void
  /** Heat in all cells of the building, air, moisture and ice, J, from 0 °C. */
  heatContentJ: () => number
}

/**
 * One step of the network, backward Euler. Within an hour the ties and the conductances between cells hold still, so each chain is eliminated from the
 * outside in once an hour; a step carries the right-hand side inwards, solves star and air with films of the half hour before, then goes back out. The spaces
 * under a row cover and in the lobby are eliminated beforehand. Vents, fans and heater are solved for the air temperature of the same step. Heat passes sideways in
 * the ground, and to pipes and rock, by the hour. First order in the step, stable for any.
 */
export function makeStepper(m: NetworkModel, site: SiteYear): Stepper {
  const v = new Float64Array(STATE_SIZE)
  const { count, offset, cellCount, capacity, area, facingUp, longwaveThrough, underRow } = m
  const T = new Float64Array(cellCount)
  const iceKg = new Float64Array(count)
  const chainCells = offset[count]!
  const rhs = new Float64Array(chainCells)
  const hc = new Float64Array(count)
  const hr = new Float64Array(count)
  const headRow = new Float64Array(count)
  /** Each chain's last cell, its face. */
  const face = Int32Array.from({ length: count }, (_, c) => offset[c + 1]! - 1)
  /** Chains whose other end the ledger asks for. */
  const tied = Int32Array.from(m.tie.keys()).filter(c => m.tie[c] !== GROUND && m.tie[c] !== CLOSED)
  const headPivot = new Float64Array(count)
  const sums = new Float64Array(SUM_SIZE)
  const firstSum = new Float64Array(count)
  const lostJ = new Float64Array(LOSS_NAMES.length)
  const gainedJ = new Float64Array(GAIN_NAMES.length)
  const hasRow = m.rowCover.on && m.bedAreaM2 > 0
  const hasLobby = m.lobby.areaM2 > 0
  const radiant = m.sources.heaterRadiant
  let lastDt = 0
  /** How long the films have held, s. */
  let filmAge = FILMS_HOLD
  const waters: number[] = []
  for (let c = 0; c < count; c++) if (m.waterKg[c]! > 0) waters.push(c)

  const warm = max(2, site.dryBulbC[0]!)
  for (let i = 0; i < cellCount; i++) T[i] = Number.isNaN(m.start[i]!) ? warm : m.start[i]!
  v[AIR] = v[STAR] = v[ROW] = v[LOBBY] = warm
  v[MOISTURE] = humidityRatio(saturationPressurePa(warm) * 0.7, site.pressurePa[0]!)

  const hourly = makeHourly({ m, site, v, T, iceKg, sums, firstSum, lostJ, gainedJ })
  const { store, base, pivot, factor, head, held } = hourly
  const moisture = makeMoisture(m, v, T, hc)
  const { latent, slope } = moisture
  const vents = makeVentSolver(m, v)

  /** Right-hand sides inwards, films, and the two equations that are left. */
  function gather(dt: number): void {
    // Locals keep the arrays at hand for the compiler.
    const t = T
    const stores = store
    const known = base
    const factors = factor
    const sides = rhs
    const faces = face
    const n = count
    // All chains in one line: a face passes nothing on to the chain behind it.
    let r = 0
    for (let i = 0; i < chainCells; i++) {
      const own = stores[i]! * t[i]! + known[i]! + r
      sides[i] = own
      r = factors[i]! * own
    }
    const air = v[AIR]!
    const star = v[STAR]!
    const row = v[ROW]!
    const light = v[LIGHT]!
    const drawn = v[ROW_DRAWN]!
    let a11 = m.airCapacity / dt
    let b1 = a11 * air
    let a12 = 0
    let a22 = v[STAR_SKY]!
    let b2 = v[STAR_SKY_T]!
    let rowA = 0
    let rowB = 0
    let rowStar = 0
    const anew = filmAge >= FILMS_HOLD
    filmAge = anew ? dt : filmAge + dt
    for (let c = 0; c < n; c++) {
      const i1 = faces[c]!
      const faceC = t[i1]!
      const r = sides[i1]! + slope[c]! * faceC + latent[c]!
      const under = underRow[c] === 1
      let convective = hc[c]!
      let radiative = hr[c]!
      if (anew) {
        convective = insideFilm(faceC - (under ? row : air), facingUp[c]!) * area[c]!
        radiative = radiativeFilm((faceC + star) / 2, EMISSIVITY) * area[c]! * (1 - longwaveThrough[c]! * light)
        if (under && drawn > 0) {
          convective += (1 - ROW_COVER_OPEN) * radiative
          radiative *= ROW_COVER_OPEN
        }
      }
      const p = 1 / (head[c]! + slope[c]! + convective + radiative)
      hc[c] = convective
      hr[c] = radiative
      headRow[c] = r * p
      headPivot[c] = p
      a22 += radiative * (1 - radiative * p)
      b2 += radiative * r * p
      if (under) {
        rowA += convective * (1 - convective * p)
        rowB += convective * r * p
        rowStar += convective * radiative * p
      }
      else {
        a11 += convective * (1 - convective * p)
        a12 += convective * radiative * p
        b1 += convective * r * p
      }
    }
    if (hasRow) {
      const own = ROW_CAPACITY * m.bedAreaM2 / dt
      const tie = v[ROW_TIE]!
      rowA += own + tie
      rowB += own * row
      v[ROW_A] = rowA
      v[ROW_B] = rowB
      v[ROW_STAR] = rowStar
      a11 += tie * (1 - tie / rowA)
      a12 += tie * rowStar / rowA
      b1 += tie * rowB / rowA
      a22 -= rowStar * rowStar / rowA
      b2 += rowStar * rowB / rowA
    }
    if (hasLobby) {
      const own = LOBBY_CAPACITY * m.lobby.areaM2 / dt
      const door = v[LOBBY_DOOR]!
      const toOut = hourly.lobbyWK()
      const aL = own + door + toOut
      const bL = own * v[LOBBY]! + toOut * v[OUT]!
      v[LOBBY_A] = aL
      v[LOBBY_B] = bL
      a11 += door * (1 - door / aL)
      b1 += door * bL / aL
    }
    v[A11] = a11
    v[A12] = a12
    v[A22] = a22
    v[B1] = b1
    v[B2] = b2
  }

  /** Air of the step: the star is put aside, which leaves a · air = b + heater − vents. */
  function solveAir(dt: number, heaterW: number, setPointC: number): void {
    const outside = v[OUT]!
    const perFlow = v[DENSITY]! * AIR_HEAT
    const supply = v[SUPPLY]!
    const natural = leakageFlow(m.leakAreaM2, v[AIR]! - outside, v[WIND]!) * perFlow
    // A fan that blows in lifts the pressure: what leaks besides adds in quadrature. ASHRAE Fundamentals ch. 16.
    const leak = supply > 0 ? sqrt(supply * supply + natural * natural) - supply : natural
    const door = hasLobby ? 0 : v[DOOR]!
    const before = v[AIR]!
    const ties = leak + door + supply + v[TIE]! + v[FOG_G]!
    const throughStar = v[A12]! / v[A22]!
    const a = v[A11]! - v[A12]! * throughStar + ties
    const b = v[B1]! + v[B2]! * throughStar + (leak + door) * outside + v[TIE_T]! + v[AIR_W]! + v[FOG]! + v[FOG_G]! * before
    let next = vents.solve(dt, a, b)
    let heat = 0
    if (heaterW > 0 && next < setPointC) {
      const reach = 1 - radiant + radiant * throughStar
      const ventG = v[VENT]!
      heat = min(heaterW, ((a + ventG) * setPointC - b - ventG * outside) / reach)
      next = (b + ventG * outside + heat * reach) / (a + ventG)
    }
    v[HEAT] = heat
    v[LEAK] = leak + door
    v[AIR] = next
    v[FOG] = v[FOG_G]! * (next - before)
    v[STAR] = (v[B2]! + v[A12]! * next + radiant * heat) / v[A22]!
    v[ROW] = hasRow ? (v[ROW_B]! + v[ROW_STAR]! * v[STAR]! + v[ROW_TIE]! * next) / v[ROW_A]! : next
    if (hasLobby) v[LOBBY] = (v[LOBBY_B]! + v[LOBBY_DOOR]! * next) / v[LOBBY_A]!
  }

  function goBack(): void {
    const t = T
    const sides = rhs
    const pivots = pivot
    const factors = factor
    const air = v[AIR]!
    const star = v[STAR]!
    const row = v[ROW]!
    for (let c = 0; c < count; c++) {
      const i1 = face[c]!
      const faceC = headRow[c]! + (hc[c]! * (underRow[c] === 1 ? row : air) + hr[c]! * star) * headPivot[c]!
      // Latent heat that the face's warming kept from it stays owed.
      latent[c] = slope[c]! * (faceC - t[i1]!)
      sides[i1] = faceC
    }
    // A face stands as it is; what lies behind it follows.
    let next = 0
    for (let i = chainCells - 1; i >= 0; i--) {
      next = sides[i]! * pivots[i]! + factors[i]! * next
      t[i] = next
    }
  }

  /** Water freezes and melts by enthalpy: a plateau at 0 °C, heat for heat. Part-frozen water is held still by the solver and takes its heat here. */
  function freeze(dt: number): void {
    for (let w = 0; w < waters.length; w++) {
      const c = waters[w]!
      const i = offset[c]!
      if (T[i]! >= 0 && iceKg[c] === 0) continue
      let heat = capacity[i]! * T[i]! - iceKg[c]! * FUSION
      if (held[c]) heat += (m.between[i]! * (T[i + 1]! - T[i]!) + base[i]!) * dt
      const whole = m.waterKg[c]! * FUSION
      iceKg[c] = heat >= 0 ? 0 : heat > -whole ? -heat / FUSION : m.waterKg[c]!
      T[i] = heat >= 0 ? heat / capacity[i]! : heat > -whole ? 0 : (heat + whole) / capacity[i]!
    }
  }

  function step(dt: number, heaterW: number, setPointC: number): void {
    lastDt = dt
    gather(dt)
    solveAir(dt, heaterW, setPointC)
    goBack()
    freeze(dt)
    moisture.step(dt)
    const difference = v[AIR]! - v[OUT]!
    sums[SUM_AIR]! += v[AIR]! * dt
    sums[SUM_STAR]! += v[STAR]! * dt
    sums[SUM_LOBBY]! += v[LOBBY]! * dt
    sums[SUM_VENT]! += (v[VENT]! + v[SUPPLY]!) * difference * dt
    sums[SUM_LEAK]! += v[LEAK]! * difference * dt
    sums[SUM_DAMP]! += LATENT * (v[LEAK]! + v[VENT]! + v[SUPPLY]!) / AIR_HEAT * (v[MOISTURE]! - v[MOIST_OUT]!) * dt
    sums[SUM_HEAT]! += v[HEAT]! * dt
    sums[SUM_CONDENSED]! += v[CONDENSED]! * dt
    sums[SUM_MOIST]! += v[MOISTURE]! * dt
    for (let k = 0; k < tied.length; k++) firstSum[tied[k]!]! += T[offset[tied[k]!]!]! * dt
  }

  function prepareHour(hour: number, dt: number, span?: number): void {
    filmAge = FILMS_HOLD
    hourly.prepare(hour, dt, span)
  }

  function heatContentJ(): number {
    let sum = m.airCapacity * v[AIR]! + m.airMassKg * LATENT * v[MOISTURE]! + hourly.inTransitJ() + owedJ()
    if (hasRow) sum += ROW_CAPACITY * m.bedAreaM2 * v[ROW]!
    if (hasLobby) sum += LOBBY_CAPACITY * m.lobby.areaM2 * v[LOBBY]!
    for (let i = 0; i < chainCells; i++) sum += capacity[i]! * T[i]!
    for (let i = m.deepFrom; i < cellCount; i++) sum += capacity[i]! * T[i]!
    for (let c = 0; c < count; c++) sum -= iceKg[c]! * FUSION
    return sum
  }

  /** Latent heat on its way to faces and air, J: what one usual step delivers. */
  function owedJ(): number {
    let w = v[FOG]!
    for (let c = 0; c < count; c++) w += latent[c]!
    return w * lastDt
  }

  function clearTally(): void {
    lostJ.fill(0)
    gainedJ.fill(0)
  }
  return { state: v, cells: T, iceKg, lostJ, gainedJ, storeC: hourly.storeC, prepareHour, step, endHour: hourly.end, clearTally, heatContentJ }
}
