import { filmFactor, FOUR_SIGMA, LEAST_FILM } from '../air/films'
import { leakageFlow } from '../air/leakage'
import { humidityRatio, saturationPressurePa, type SiteYear } from '../climate'
import { makeHourly } from './hourly'
import { layModel, makeMemory, sizeOf, type Size } from './memory'
import type { NetworkModel } from './model'
import { makeMoisture } from './moisture'
import {
  A11, A12, A22, AIR, AIR_HEAT, AIR_W, B1, B2, CONDENSED, DENSITY, DOOR, EMISSIVITY, FOG, FOG_G, FUSION, HEAT, LATENT, LEAK, LEFT_A, LEFT_B, LIGHT, LOBBY, LOBBY_A, LOBBY_B, LOBBY_DOOR, MOIST_OUT, MOISTURE, OUT, ROW, ROW_A,
  ROW_B, ROW_DRAWN, ROW_STAR, ROW_TIE, STAR, STAR_SKY, STAR_SKY_T, SUM_AIR,
  SUM_CONDENSED, SUM_DAMP, SUM_HEAT, SUM_LEAK, SUM_LOBBY, SUM_MOIST, SUM_STAR, SUM_VENT, SUPPLY, TIE, TIE_T, TRIED, VENT, WIND,
} from './room'
import { makeVentSolver } from './vent-solve'

const { abs, cbrt, max, min, sqrt } = Math

/** A row cover lets this share of longwave through; the rest of what the beds exchange goes to the space under it. */
const ROW_COVER_OPEN = 0.45
/** Air and leaves under a row cover, J/m²K. */
const ROW_CAPACITY = 4000
const LOBBY_CAPACITY = 30000
/** Cube roots of 0–64 in steps of 1/32, for the films: the loop takes millions. */
const ROOT_STEPS = 32
const ROOTS = Float64Array.from({ length: 64 * ROOT_STEPS + 2 }, (_, i) => cbrt(i / ROOT_STEPS))
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

/** A stepper of its own for a model: as long as it is held, it keeps its state. */
export function makeStepper(model: NetworkModel, site: SiteYear): Stepper {
  return makeLoop(sizeOf(model)).lay(model, site)
}

/** Room for any usual house: what is larger gets a loop of its size. */
const USUAL: Size = { chains: 64, cells: 1024, links: 1024, suns: 128, stores: 4, storeCells: 256 }

let own: Loop | null = null

/**
 * The thread's own stepper, laid out for a model: whoever had it before has lost it. A run goes through without a pause, so one is enough; and a loop that is made
 * once is compiled with its arrays as constants, which makes it two to three times as fast (docs/decisions/0002).
 */
export function ownStepper(model: NetworkModel, site: SiteYear): Stepper {
  const size = sizeOf(model)
  if (!own || !fits(size, own.size)) own = makeLoop(largest(size, own?.size ?? USUAL))
  return own.lay(model, site)
}

const fits = (a: Size, b: Size) => Object.keys(a).every(k => a[k as keyof Size] <= b[k as keyof Size])
const largest = (a: Size, b: Size) => Object.fromEntries(Object.keys(a).map(k => [k, max(a[k as keyof Size], b[k as keyof Size])])) as unknown as Size

interface Loop { size: Size, lay: (model: NetworkModel, site: SiteYear) => Stepper }

/**
 * One step of the network, backward Euler. Within an hour the ties and the conductances between cells hold still, so each chain is eliminated from the
 * outside in once an hour; a step carries the right-hand side inwards, solves star and air with films of the half hour before, then goes back out. The spaces
 * under a row cover and in the lobby are eliminated beforehand. Vents, fans and heater are solved for the air temperature of the same step. Heat passes sideways in
 * the ground, and to pipes and rock, by the hour. First order in the step, stable for any.
 */
function makeLoop(size: Size): Loop {
  const memory = makeMemory(size)
  const { v, T, source, capacity, between, store, pivot, factor, offset, face, area, head, hc, latent, slope, held, iceKg, sums, firstSum, lostJ, gainedJ } = memory
  const { chains } = size
  /** Own part of each cell of a chain on the way in, W. */
  const sides = memory.doubles(size.cells)
  const hr = memory.doubles(chains)
  const headRow = memory.doubles(chains)
  const headPivot = memory.doubles(chains)
  const warmFilm = memory.doubles(chains)
  const coldFilm = memory.doubles(chains)
  const longwaveThrough = memory.doubles(chains)
  const underRow = memory.bytes(chains)
  const waters = memory.ints(chains)
  const hourly = makeHourly(memory)
  const moisture = makeMoisture(memory)
  const vents = makeVentSolver(memory)
  let m!: NetworkModel
  let chainCells = 0
  /** First cell of the second lane: chains are gone through in two lanes at once, the first at least as long. */
  let lane = 0
  let waterCount = 0
  let hasRow = false
  let hasLobby = false
  let radiant = 0
  let lastDt = 0
  /** How long the films have held, s. */
  let filmAge = FILMS_HOLD

  function lay(model: NetworkModel, site: SiteYear): Stepper {
    m = model
    layModel(memory, m)
    chainCells = m.offset[m.count]!
    lane = m.offset.find(i => i >= chainCells / 2)!
    waterCount = 0
    for (let c = 0; c < m.count; c++) {
      warmFilm[c] = filmFactor(true, m.facingUp[c]!)
      coldFilm[c] = filmFactor(false, m.facingUp[c]!)
      if (m.waterKg[c]! > 0) waters[waterCount++] = c
    }
    longwaveThrough.set(m.longwaveThrough)
    underRow.set(m.underRow)
    hasRow = m.rowCover.on && m.bedAreaM2 > 0
    hasLobby = m.lobby.areaM2 > 0
    radiant = m.sources.heaterRadiant
    lastDt = 0
    filmAge = FILMS_HOLD
    const warm = max(2, site.dryBulbC[0]!)
    for (let i = 0; i < m.cellCount; i++) T[i] = Number.isNaN(m.start[i]!) ? warm : m.start[i]!
    v[AIR] = v[STAR] = v[ROW] = v[LOBBY] = warm
    v[MOISTURE] = humidityRatio(saturationPressurePa(warm) * 0.7, site.pressurePa[0]!)
    hourly.lay(m, site)
    moisture.lay(m)
    vents.lay(m)
    return {
      state: v, cells: T.subarray(0, m.cellCount), iceKg: iceKg.subarray(0, m.count), lostJ, gainedJ, storeC: hourly.storeC.subarray(0, m.exchangers.length),
      prepareHour, step, endHour: hourly.end, clearTally, heatContentJ,
    }
  }

  /** Carries right-hand sides inwards. A face passes nothing on to the chain after it. */
  function inwards(): void {
    const t = T
    const stores = store
    const sources = source
    const factors = factor
    const own = sides
    const middle = lane
    const second = chainCells - middle
    let a = 0
    let b = 0
    for (let i = 0, j = middle; i < second; i++, j++) {
      const first = stores[i]! * t[i]! + sources[i]! + a
      own[i] = first
      a = factors[i]! * first
      const other = stores[j]! * t[j]! + sources[j]! + b
      own[j] = other
      b = factors[j]! * other
    }
    for (let i = second; i < middle; i++) {
      const first = stores[i]! * t[i]! + sources[i]! + a
      own[i] = first
      a = factors[i]! * first
    }
  }

  /** Faces stand in `sides` as they are; what lies behind them follows. */
  function outwards(): void {
    const t = T
    const pivots = pivot
    const factors = factor
    const own = sides
    const end = chainCells
    const middle = lane
    const second = end - middle
    let a = 0
    let b = 0
    for (let k = 1; k <= second; k++) {
      const i = middle - k
      const j = end - k
      a = own[i]! * pivots[i]! + factors[i]! * a
      t[i] = a
      b = own[j]! * pivots[j]! + factors[j]! * b
      t[j] = b
    }
    for (let i = middle - second - 1; i >= 0; i--) {
      a = own[i]! * pivots[i]! + factors[i]! * a
      t[i] = a
    }
  }

  /** Films at the faces, by where air and faces stand: `insideFilm` and `radiativeFilm`, written out, with cube roots straight between tabled ones (within 0.3 %). */
  function takeFilms(): void {
    const { count } = m
    const air = v[AIR]!
    const star = v[STAR]!
    const row = v[ROW]!
    const light = v[LIGHT]!
    const t = T
    const faces = face
    const under = underRow
    const areas = area
    const through = longwaveThrough
    const warm = warmFilm
    const cold = coldFilm
    const convective = hc
    const radiative = hr
    for (let c = 0; c < count; c++) {
      const faceC = t[faces[c]!]!
      const difference = faceC - (under[c] === 1 ? row : air)
      const at = abs(difference) * ROOT_STEPS
      const k = min(at | 0, 64 * ROOT_STEPS)
      const root = at < 3 ? cbrt(abs(difference)) : ROOTS[k]! + (ROOTS[k + 1]! - ROOTS[k]!) * (at - k)
      const film = (difference > 0 ? warm[c]! : cold[c]!) * root
      const kelvin = (faceC + star) / 2 + 273.15
      convective[c] = (film > LEAST_FILM ? film : LEAST_FILM) * areas[c]!
      radiative[c] = FOUR_SIGMA * EMISSIVITY * kelvin * kelvin * kelvin * areas[c]! * (1 - through[c]! * light)
    }
    if (v[ROW_DRAWN] === 0) return
    for (let c = 0; c < count; c++) {
      if (underRow[c] === 0) continue
      hc[c]! += (1 - ROW_COVER_OPEN) * hr[c]!
      hr[c]! *= ROW_COVER_OPEN
    }
  }

  /** Right-hand sides inwards, and the two equations that are left. */
  function gather(dt: number): void {
    const { count } = m
    if (filmAge >= FILMS_HOLD) {
      takeFilms()
      filmAge = 0
    }
    filmAge += dt
    inwards()
    const row = v[ROW]!
    let a11 = m.airCapacity / dt
    let b1 = a11 * v[AIR]!
    let a12 = 0
    let a22 = v[STAR_SKY]!
    let b2 = v[STAR_SKY_T]!
    let rowA = 0
    let rowB = 0
    let rowStar = 0
    const t = T
    const side = sides
    const faces = face
    const under = underRow
    const heads = head
    const slopes = slope
    const owed = latent
    const films = hc
    const rays = hr
    const rows = headRow
    const pivots = headPivot
    for (let c = 0; c < count; c++) {
      const i1 = faces[c]!
      const convective = films[c]!
      const radiative = rays[c]!
      const p = 1 / (heads[c]! + slopes[c]! + convective + radiative)
      const own = (side[i1]! + slopes[c]! * t[i1]! + owed[c]!) * p
      rows[c] = own
      pivots[c] = p
      a22 += radiative - radiative * radiative * p
      b2 += radiative * own
      if (under[c] === 1) {
        rowA += convective - convective * convective * p
        rowB += convective * own
        rowStar += convective * radiative * p
      }
      else {
        a11 += convective - convective * convective * p
        b1 += convective * own
        a12 += convective * radiative * p
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
    v[LEFT_A] = a
    v[LEFT_B] = b
    vents.solve(dt)
    let next = v[TRIED]!
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
    const air = v[AIR]!
    const star = v[STAR]!
    const row = v[ROW]!
    const { count } = m
    const t = T
    const side = sides
    const faces = face
    const under = underRow
    const slopes = slope
    const owed = latent
    const films = hc
    const rays = hr
    const rows = headRow
    const pivots = headPivot
    for (let c = 0; c < count; c++) {
      const i1 = faces[c]!
      const faceC = rows[c]! + (films[c]! * (under[c] === 1 ? row : air) + rays[c]! * star) * pivots[c]!
      // Latent heat that the face's warming kept from it stays owed.
      owed[c] = slopes[c]! * (faceC - t[i1]!)
      side[i1] = faceC
    }
    outwards()
  }

  /** Water freezes and melts by enthalpy: a plateau at 0 °C, heat for heat. Part-frozen water is held still by the solver and takes its heat here. */
  function freeze(dt: number): void {
    for (let w = 0; w < waterCount; w++) {
      const c = waters[w]!
      const i = offset[c]!
      if (T[i]! >= 0 && iceKg[c] === 0) continue
      let heat = capacity[i]! * T[i]! - iceKg[c]! * FUSION
      if (held[c] === 1) heat += (between[i]! * (T[i + 1]! - T[i]!) + source[i]!) * dt
      const whole = m.waterKg[c]! * FUSION
      iceKg[c] = heat >= 0 ? 0 : heat > -whole ? -heat / FUSION : m.waterKg[c]!
      T[i] = heat >= 0 ? heat / capacity[i]! : heat > -whole ? 0 : (heat + whole) / capacity[i]!
    }
  }

  function step(dt: number, heaterW: number, setPointC: number): void {
    const { count } = m
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
    const t = T
    const firsts = offset
    const sum = firstSum
    for (let c = 0; c < count; c++) sum[c]! += t[firsts[c]!]! * dt
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
    for (let i = m.deepFrom; i < m.cellCount; i++) sum += capacity[i]! * T[i]!
    for (let c = 0; c < m.count; c++) sum -= iceKg[c]! * FUSION
    return sum
  }

  /** Latent heat on its way to faces and air, J: what one usual step delivers. */
  function owedJ(): number {
    let w = v[FOG]!
    for (let c = 0; c < m.count; c++) w += latent[c]!
    return w * lastDt
  }

  function clearTally(): void {
    lostJ.fill(0)
    gainedJ.fill(0)
  }
  return { size, lay }
}
