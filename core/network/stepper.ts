import { leakageFlow } from '../air/leakage'
import { humidityRatio, saturationPressurePa, tabledSaturationPa, type SiteYear } from '../climate'
import { makeHourly } from './hourly'
import { layModel, makeMemory, sizeOf, type Size } from './memory'
import type { NetworkModel } from './model'
import { makeMoisture } from './moisture'
import { hasRowAir, IN_PATH, IN_RIDGE, IN_ROW, makeRoomFilms } from './room-films'
import {
  A11,
  A12,
  A13,
  A21,
  A22,
  A23,
  A31,
  A32,
  A33,
  AIR,
  AIR_SPECIFIC_HEAT,
  AIR_W,
  B1,
  B2,
  B3,
  CONDENSED,
  MIST_DAMP,
  DENSITY,
  DOOR_G,
  FOG_GUESSED,
  FOG_W,
  FULL_RATIO,
  FULL_SLOPE,
  FUSION,
  GUESSED,
  FUMES,
  HOLDS,
  LATENT,
  LEAK_AREA,
  LEAK_G,
  LEFT_A,
  LEFT_B,
  MOISTURE,
  MOIST_OUT,
  MOVED,
  ON_FACES,
  ON_GLASS,
  OUT,
  OWED,
  PATH,
  PATH_TIE,
  PRESSURE,
  RIDGE,
  RIDGE_OUT_G,
  RIDGE_OUT_USED,
  RIDGE_TIE,
  ROW,
  ROW_TIE,
  STAR,
  STAR_SKY_G,
  STAR_SKY_W,
  STAR_W,
  SUM_AIR,
  SUM_CONDENSED,
  SUM_DAMP,
  SUM_LEAK,
  SUM_MOIST,
  SUM_STAR,
  SUM_VENT,
  SUPPLY_G,
  TIE_G,
  TIE_W,
  TRIED,
  TRY,
  VENT_G,
  WIND,
} from './room'
import { makeVentSolver } from './vent-solve'

const { abs, max, min, sqrt } = Math

/** Air and leaves under a row cover, J/m²K. */
const ROW_CAPACITY = 4000
/** When the air is owed more than would move it so far, K, the step is solved again. */
const MUCH_OWED_K = 0.1
/** And when air or wet faces have moved further than this, K, until tries lie nearer to each other than that. */
const FAR_K = 10
const NEAR_K = 1
const MOST_TURNS = 8
/** Places of the state that a try of a step leaves changed, and the next try must find as they were. */
const ROOM = Int32Array.of(AIR, FUMES, OWED, MOISTURE, ROW, RIDGE, PATH)
const ROOM_SIZE = ROOM.length
/**
 * Airs beside that round the beds, each tied to it alone: which scalar holds each, and its place among their sums.
 * Their balances: A · air of its own = B + star · STAR + tie · AIR + damp · MOISTURE; what faces of it evaporate, by
 * that air, is `rises`.
 */
const SIDE_AIRS = Int32Array.of(ROW, RIDGE, PATH)
const SIDE_A = 0
const SIDE_B = 3
const SIDE_STAR = 6
const SIDE_TIE = 9
const SIDE_DAMP = 12
const SIDE_RISES = 15
const SIDE_PLACES = 18
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
  /** What each source has brought, J. */
  broughtJ: Float64Array
  /** Heat that each has carried from one thing in the house to another, J. */
  movedJ: Float64Array
  /** Electricity of each one's pump or fan, J. */
  drawnJ: Float64Array
  /** Share of light that each cover and the wet glass let through. */
  light: Float64Array
  /** Share of the block that each cover is drawn. */
  covered: Float64Array
  /** Share of each that is frozen down where it would be open. */
  stuck: Float64Array
  /** Electricity that each fan has drawn, J. */
  fanJ: Float64Array
  /** By chain of the skin: what of that left through it, J. */
  leftJ: Float64Array
  /** How long each opening has stood open in the hour, s: by half, half as long. */
  stoodOpen: Float64Array
  /** Temperature of pipes' soil or rock, °C, by exchanger. */
  storeC: Float64Array
  /** Heat that each has taken from the air, J. */
  storeTookJ: Float64Array
  /** Water that has condensed in each, kg. */
  storeKg: Float64Array
  /** Share of the hour that each one's fan runs. */
  storeRuns: Float64Array
  /** Whether sources that are paid for work; they do until it is said. */
  heat: (heated: boolean) => void
  prepareHour: (hour: number, dt: number, span?: number) => void
  step: (dt: number) => void
  /** By chain: what condenses on its face at the end of the last step, W; negative dries off it. */
  wets: (out: Float64Array) => void
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
const USUAL: Size = {
  chains: 64,
  cells: 1024,
  links: 1024,
  suns: 128,
  stores: 4,
  storeCells: 256,
  covers: 4,
  openings: 12,
  orifices: 32,
  sources: 8,
  fans: 4,
}

let own: Loop | null = null

/**
 * The thread's own stepper, laid out for a model. It invalidates earlier ones. A run goes through without a
 * pause, so one is enough; and a loop that is made once is compiled with its arrays as constants, which makes it two to
 * three times as fast (docs/decisions/0002).
 */
export function ownStepper(model: NetworkModel, site: SiteYear): Stepper {
  const size = sizeOf(model)
  if (!own || !fits(size, own.size)) own = makeLoop(largest(size, own?.size ?? USUAL))
  return own.lay(model, site)
}

const fits = (a: Size, b: Size) => Object.keys(a).every(k => a[k as keyof Size] <= b[k as keyof Size])
const largest = (a: Size, b: Size) =>
  Object.fromEntries(Object.keys(a).map(k => [k, max(a[k as keyof Size], b[k as keyof Size])])) as unknown as Size

interface Loop {
  size: Size
  lay: (model: NetworkModel, site: SiteYear) => Stepper
}

/**
 * One step of the network, backward Euler. Within an hour the ties and the conductances between cells hold still, so
 * each chain is eliminated from the outside in once an hour; a step carries the right-hand side inwards, solves air,
 * star and moisture with films of the half hour before, then goes back out. Other airs than that round the beds (under
 * a row cover, under the ridge, in dug paths) are eliminated beforehand. Vents, fans and heaters are solved for the air
 * temperature of the same step. Heat passes sideways in the ground, and to pipes and rock, by the hour. First order in
 * the step, stable for any.
 *
 * The inner loops take arrays under names of their own before they begin: that is a few per cent faster than to reach
 * for them in each turn.
 */
function makeLoop(size: Size): Loop {
  const memory = makeMemory(size)
  const {
    v,
    T,
    source,
    capacity,
    between,
    store,
    pivot,
    factor,
    offset,
    face,
    head,
    films,
    mainFilm,
    upFilm,
    damp,
    slope,
    dampOwn,
    glazed,
    tried,
    held,
    iceKg,
    sums,
    firstSum,
    lostJ,
    gainedJ,
    broughtJ,
    movedJ,
    drawnJ,
    fanJ,
    light,
    covered,
    stuck,
    leftJ,
    stoodOpen,
  } = memory
  const { chains } = size
  /** Own part of each cell of a chain on the way in, W. */
  const sides = memory.doubles(size.cells)
  const headRow = memory.doubles(chains)
  const headPivot = memory.doubles(chains)
  /** Of the side airs, their sums, and their heat capacity, J/K. */
  const side = memory.doubles(SIDE_PLACES)
  const sideCapacity = memory.doubles(3)
  const waters = memory.ints(chains)
  const vents = makeVentSolver(memory)
  const hourly = makeHourly(memory, vents)
  const { storeAir, soilIce } = hourly
  const moisture = makeMoisture(memory)
  const roomFilms = makeRoomFilms(memory)
  const { rays, others, otherFilm, otherTo } = roomFilms
  let otherCount = 0
  const kept = memory.doubles(ROOM_SIZE)
  let m!: NetworkModel
  let chainCells = 0
  /** First cell of the second lane: chains are gone through in two lanes at once, the first at least as long. */
  let lane = 0
  let waterCount = 0
  let hasRow = false
  let hasRidge = false
  let hasPath = false
  /** Of the air round the beds, J/K. */
  let mainCapacity = 0
  let heated = true
  /** Heaters that keep the air, in their order, and what each gives in this step, W. */
  let heaters = 0
  const heaterW = memory.doubles(size.sources)
  const heaterC = memory.doubles(size.sources)
  const radiant = memory.doubles(size.sources)
  const water = memory.doubles(size.sources)
  const given = memory.doubles(size.sources)
  let lastDt = 0
  /** How long the films have held, s. */
  let filmAge = FILMS_HOLD

  function lay(model: NetworkModel, site: SiteYear): Stepper {
    m = model
    layModel(memory, m)
    chainCells = m.offset[m.count]!
    lane = m.offset.find(i => i >= chainCells / 2)!
    waterCount = 0
    for (let c = 0; c < m.count; c++) if (m.waterKg[c]! > 0) waters[waterCount++] = c
    const { airs } = m
    hasRow = hasRowAir(m)
    hasRidge = airs.planeM2 > 0
    hasPath = airs.pathM2 > 0
    otherCount = 0
    roomFilms.lay(m)
    sideCapacity[IN_ROW] = ROW_CAPACITY * m.bedAreaM2
    sideCapacity[IN_RIDGE] = hasRidge ? airs.aboveShare * m.airCapacity : 0
    sideCapacity[IN_PATH] = hasPath ? airs.pathShare * m.airCapacity : 0
    mainCapacity = m.airCapacity - sideCapacity[IN_RIDGE]! - sideCapacity[IN_PATH]!
    const { thermostats } = m.added
    heaters = thermostats.source.length
    heaterW.set(thermostats.capacityW)
    heaterC.set(thermostats.setPointC)
    radiant.set(thermostats.radiantShare)
    water.set(thermostats.water)
    heated = true
    lastDt = 0
    filmAge = FILMS_HOLD
    const warm = max(2, site.dryBulbC[0]!)
    for (let i = 0; i < m.cellCount; i++) T[i] = Number.isNaN(m.start[i]!) ? warm : m.start[i]!
    v[AIR] = v[STAR] = v[ROW] = v[RIDGE] = v[PATH] = warm
    v[MOISTURE] = humidityRatio(saturationPressurePa(warm) * 0.7, site.pressurePa[0]!)
    hourly.lay(m, site)
    moisture.lay(m)
    vents.lay(m)
    return {
      state: v,
      cells: T.subarray(0, m.cellCount),
      iceKg: iceKg.subarray(0, m.count),
      lostJ,
      gainedJ,
      broughtJ: broughtJ.subarray(0, m.added.count),
      movedJ: movedJ.subarray(0, m.added.count),
      drawnJ: drawnJ.subarray(0, m.added.count),
      light: light.subarray(0, m.covers),
      covered: covered.subarray(0, m.covers),
      stuck: stuck.subarray(0, m.covers),
      fanJ: fanJ.subarray(0, m.fans.powerW.length),
      leftJ: leftJ.subarray(0, m.count),
      stoodOpen: stoodOpen.subarray(0, m.airways.openers.length),
      storeC: storeAir.storeC.subarray(0, m.exchangers.length),
      storeTookJ: storeAir.takenJ.subarray(0, m.exchangers.length),
      storeKg: storeAir.condensedKg.subarray(0, m.exchangers.length),
      storeRuns: storeAir.running.subarray(0, m.exchangers.length),
      heat: on => {
        heated = on
      },
      prepareHour,
      step,
      wets: moisture.wets,
      endHour: hourly.end,
      clearTally,
      heatContentJ,
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
    for (let i = middle - 1, j = end - 1; j >= middle; i--, j--) {
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

  /** Right-hand sides inwards, and the three equations that are left: air, star and moisture. */
  function gather(dt: number, again: boolean): void {
    const { count } = m
    moisture.gather(dt, again)
    // Mist takes its heat from the air: as a wet face that is as warm as the air.
    const mist = v[MIST_DAMP]!
    const mistRises = mist * m.misting.upTo * v[FULL_SLOPE]!
    let a11 = mainCapacity / dt + mistRises
    let b1 = (mainCapacity / dt) * v[AIR]! - mist * m.misting.upTo * v[FULL_RATIO]!
    let a12 = 0
    let a21 = 0
    let a22 = v[STAR_SKY_G]!
    let b2 = v[STAR_SKY_W]! + v[STAR_W]!
    let a13 = -mist
    let a23 = 0
    let a31 = -mistRises
    let a32 = 0
    let a33 = v[A33]!
    let b3 = v[B3]!
    const own = sides
    const faces = face
    const heads = head
    const slopes = slope
    const damps = damp
    const owns = dampOwn
    const rows = headRow
    const pivots = headPivot
    const mains = mainFilm
    const ups = upFilm
    const sums = side
    // A call of fill takes longer.
    for (let k = 0; k < SIDE_PLACES; k++) sums[k] = 0
    let ridgeA = 0
    let ridgeB = 0
    let ridgeStar = 0
    let ridgeTie = 0
    let ridgeDamp = 0
    let ridgeRises = 0
    const all = films
    const longwave = rays
    for (let c = 0; c < count; c++) {
      const radiative = longwave[c]!
      const rises = slopes[c]!
      const p = 1 / (heads[c]! + rises + all[c]! + radiative)
      const mine = (own[faces[c]!]! + owns[c]!) * p
      rows[c] = mine
      pivots[c] = p
      a22 += radiative - radiative * radiative * p
      b2 += radiative * mine
      const passes = damps[c]!
      if (passes === 0) continue
      const lets = passes * p
      a13 -= mains[c]! * lets
      a23 -= radiative * lets
      a33 -= rises * lets
      a31 -= rises * mains[c]! * p
      a32 -= rises * radiative * p
      b3 += rises * mine
      ridgeDamp += ups[c]! * lets
      ridgeRises += ups[c]! * rises * p
    }
    // In two turns: with fewer sums in each they stay in registers.
    for (let c = 0; c < count; c++) {
      const p = pivots[c]!
      const mine = rows[c]!
      const convective = mains[c]!
      const up = ups[c]!
      const gives = convective * p
      const lifts = up * p
      a11 += convective - convective * gives
      b1 += convective * mine
      a12 += longwave[c]! * gives
      ridgeA += up - up * lifts
      ridgeB += up * mine
      ridgeStar += longwave[c]! * lifts
      ridgeTie += up * gives
    }
    sums[SIDE_A + IN_RIDGE] = ridgeA
    sums[SIDE_B + IN_RIDGE] = ridgeB
    sums[SIDE_STAR + IN_RIDGE] = ridgeStar
    sums[SIDE_TIE + IN_RIDGE] = ridgeTie
    sums[SIDE_DAMP + IN_RIDGE] = ridgeDamp
    sums[SIDE_RISES + IN_RIDGE] = ridgeRises
    for (let i = 0; i < otherCount; i++) {
      const c = others[i]!
      const k = otherTo[i]!
      const aside = otherFilm[i]!
      const part = aside * pivots[c]!
      sums[SIDE_A + k]! += aside - aside * part
      sums[SIDE_B + k]! += aside * rows[c]!
      sums[SIDE_STAR + k]! += part * rays[c]!
      sums[SIDE_TIE + k]! += part * mains[c]!
      sums[SIDE_DAMP + k]! += part * damps[c]!
      sums[SIDE_RISES + k]! += part * slopes[c]!
    }
    a21 = a12
    for (let k = 0; k < SIDE_AIRS.length; k++) {
      if (!(k === IN_ROW ? hasRow : k === IN_RIDGE ? hasRidge : hasPath)) continue
      const keeps = sideCapacity[k]! / dt
      const tie = k === IN_ROW ? v[ROW_TIE]! : k === IN_RIDGE ? v[RIDGE_TIE]! : v[PATH_TIE]!
      // What the openings let out above comes from below, and nothing of it goes back.
      const oneWay = k === IN_RIDGE ? v[RIDGE_OUT_G]! : 0
      if (k === IN_RIDGE) v[RIDGE_OUT_USED] = oneWay
      // Faces between two airs tie them as well.
      const joined = sums[SIDE_TIE + k]!
      // Cold air that leaks in runs down into a path first, and rises from there.
      const sinks = k === IN_PATH && v[AIR]! > v[OUT]! ? m.airs.pathHolds * v[LEAK_G]! : 0
      const back = tie + joined + sinks
      const there = tie + joined + oneWay
      const a = sums[SIDE_A + k]! + keeps + tie + oneWay + sinks
      const b = sums[SIDE_B + k]! + keeps * v[SIDE_AIRS[k]!]! + sinks * v[OUT]!
      b1 -= sinks * v[OUT]!
      const star = sums[SIDE_STAR + k]!
      const dampened = sums[SIDE_DAMP + k]!
      const rises = sums[SIDE_RISES + k]!
      sums[SIDE_A + k] = a
      sums[SIDE_B + k] = b
      sums[SIDE_TIE + k] = there
      a11 += tie - (back * there) / a
      a12 += (back * star) / a
      b1 += (back * b) / a
      a13 -= (back * dampened) / a
      a21 += (star * there) / a
      a22 -= (star * star) / a
      b2 += (star * b) / a
      a23 -= (star * dampened) / a
      a31 -= (rises * there) / a
      a32 -= (rises * star) / a
      a33 -= (rises * dampened) / a
      b3 += (rises * b) / a
    }
    v[A21] = a21
    v[A11] = a11
    v[A12] = a12
    v[A22] = a22
    v[B1] = b1
    v[B2] = b2
    v[A13] = a13
    v[A23] = a23
    v[A31] = a31
    v[A32] = a32
    v[A33] = a33
    v[B3] = b3
  }

  /** Ties of the air to what stands outside the equations, and the heat that it is owed from the step before. */
  function tieAir(): void {
    const outside = v[OUT]!
    const perFlow = v[DENSITY]! * AIR_SPECIFIC_HEAT
    const supply = v[SUPPLY_G]!
    const natural = leakageFlow(v[LEAK_AREA]!, v[AIR]! - outside, v[WIND]!, m.leakWind) * perFlow
    // A fan that blows in lifts the pressure: what leaks besides adds in quadrature. ASHRAE Fundamentals ch. 16.
    const leak = supply > 0 ? sqrt(supply * supply + natural * natural) - supply : natural
    v[LEAK_G] = leak + v[DOOR_G]!
    v[A11]! += v[LEAK_G]! + supply + v[TIE_G]!
    v[B1]! += v[LEAK_G]! * outside + v[TIE_W]! + v[AIR_W]! + v[OWED]!
  }

  /**
   * Air of the step. With moisture m and the star s put aside, in that order, one equation is left:
   *
   * a11 · air − a12 · s + a13 · m = b1          m = (b3 − a31 · air − a32 · s) / a33     while the air is not full, or
   * −a21 · air + a22 · s + a23 · m = b2          m = full + slope · air, and b3 − a31 · air − a32 · s − a33 · m warms
   * the air as fog
   *
   * which leaves a · air = b + heaters − vents. Heaters come in one after the other, the highest set point first.
   */
  function solveAir(dt: number, foggy: boolean): void {
    const outside = v[OUT]!
    const a12 = v[A12]!
    const a21 = v[A21]!
    const a13 = v[A13]!
    const a23 = v[A23]!
    const a31 = v[A31]!
    const a32 = v[A32]!
    const a33 = v[A33]!
    const b3 = v[B3]!
    const full = v[FULL_RATIO]!
    const fullSlope = v[FULL_SLOPE]!
    const m11 = foggy ? v[A11]! + a31 + (a13 + a33) * fullSlope : v[A11]! - (a13 * a31) / a33
    const m12 = foggy ? a12 - a32 : a12 + (a13 * a32) / a33
    const c1 = foggy ? v[B1]! + b3 - (a13 + a33) * full : v[B1]! - (a13 * b3) / a33
    const m22 = foggy ? v[A22]! : v[A22]! - (a23 * a32) / a33
    const m21 = foggy ? a21 - a23 * fullSlope : a21 + (a23 * a31) / a33
    const c2 = foggy ? v[B2]! - a23 * full : v[B2]! - (a23 * b3) / a33
    const throughStar = m12 / m22
    const a = m11 - throughStar * m21
    const b = c1 + throughStar * c2
    v[LEFT_A] = a
    v[LEFT_B] = b
    vents.solve(dt)
    let next = v[TRIED]!
    let toStar = 0
    let vapour = 0
    if (heaters > 0) {
      const all = a + v[VENT_G]!
      let own = b + v[VENT_G]! * outside
      for (let k = 0; k < heaters; k++) {
        given[k] = 0
        if (!heated || next >= heaterC[k]!) continue
        const reach = 1 - radiant[k]! + radiant[k]! * throughStar
        const watts = max(0, min(heaterW[k]!, (all * heaterC[k]! - own) / reach))
        given[k] = watts
        own += watts * reach
        next = own / all
        toStar += radiant[k]! * watts
        vapour += water[k]! * watts
      }
    }
    v[FUMES] = vapour
    v[AIR] = next
    v[STAR] = (c2 + m21 * next + toStar) / m22
    v[GUESSED] = foggy ? full + fullSlope * next : (b3 - a31 * next - a32 * v[STAR]!) / a33
  }

  /** As far as the air holds its moisture, else with fog. */
  function solveEither(dt: number): void {
    v[FOG_GUESSED] = 0
    solveAir(dt, false)
    v[HOLDS] = humidityRatio(tabledSaturationPa(v[AIR]!), v[PRESSURE]!)
    if (v[GUESSED]! <= v[HOLDS]!) return
    vents.putBack()
    solveAir(dt, true)
    v[HOLDS] = humidityRatio(tabledSaturationPa(v[AIR]!), v[PRESSURE]!)
    v[FOG_GUESSED] = v[B3]! - v[A31]! * v[AIR]! - v[A32]! * v[STAR]! - v[A33]! * v[GUESSED]!
  }

  /** Keeps how the room stands as a step begins, and puts it back for another try. */
  function keepRoom(): void {
    for (let k = 0; k < ROOM_SIZE; k++) kept[k] = v[ROOM[k]!]!
    vents.keep()
  }
  function putBack(): void {
    for (let k = 0; k < ROOM_SIZE; k++) v[ROOM[k]!] = kept[k]!
    vents.putBack()
  }

  /**
   * Air, star, moisture and faces of the step. What exchange and fog came to be, less what was reckoned with, is owed
   * to the air; when that is much, the step is solved again with them. When wet faces or the air move far, it is solved
   * again along chords of the saturation's curve until they stand.
   */
  function solve(dt: number): void {
    keepRoom()
    v[TRY] = v[AIR]!
    for (let turn = 0; turn < MOST_TURNS; turn++) {
      gather(dt, turn > 0)
      tieAir()
      solveEither(dt)
      settle()
      for (let k = 0; k < 3 && abs(v[OWED]!) > MUCH_OWED_K * v[A11]!; k++) {
        moisture.adopt()
        putBack()
        solveEither(dt)
        settle()
      }
      v[ROW] = hasRow ? sideAir(IN_ROW) : v[AIR]!
      v[RIDGE] = hasRidge ? sideAir(IN_RIDGE) : v[AIR]!
      v[PATH] = hasPath ? sideAir(IN_PATH) : v[AIR]!
      reachFaces()
      if (v[MOVED]! < (turn === 0 ? FAR_K : NEAR_K) || turn === MOST_TURNS - 1) return
      v[TRY] = v[AIR]!
      putBack()
      inwards()
    }
  }

  /** Where a side air comes to stand, °C. */
  function sideAir(k: number): number {
    const warmed = side[SIDE_B + k]! + side[SIDE_STAR + k]! * v[STAR]! + side[SIDE_TIE + k]! * v[AIR]!
    return (warmed + side[SIDE_DAMP + k]! * v[MOISTURE]!) / side[SIDE_A + k]!
  }

  /** Moisture as it comes to be, and what the air is owed for it. */
  function settle(): void {
    moisture.settle()
    v[OWED] = (v[GUESSED]! - v[MOISTURE]!) * (v[A13]! + v[A23]!) + v[FOG_W]! - v[FOG_GUESSED]!
  }

  /**
   * Where the faces come to stand, °C; what condenses on them, W, on glass by itself; and how far wet ones and the air
   * have moved since the last try, K.
   */
  function reachFaces(): void {
    const air = v[AIR]!
    const star = v[STAR]!
    const ridge = v[RIDGE]!
    const mains = mainFilm
    const ups = upFilm
    const longwave = rays
    const humid = v[MOISTURE]!
    const { count } = m
    const to = tried
    const own = sides
    const faces = face
    const damps = damp
    const owns = dampOwn
    const slopes = slope
    const glass = glazed
    const rows = headRow
    const pivots = headPivot
    for (let i = 0; i < otherCount; i++) {
      const c = others[i]!
      rows[c]! += otherFilm[i]! * v[SIDE_AIRS[otherTo[i]!]!]! * pivots[c]!
    }
    for (let c = 0; c < count; c++)
      own[faces[c]!] =
        rows[c]! + (mains[c]! * air + ups[c]! * ridge + longwave[c]! * star + damps[c]! * humid) * pivots[c]!
    let moved = abs(air - v[TRY]!)
    let condensed = 0
    let onGlass = 0
    for (let c = 0; c < count; c++) {
      const faceC = own[faces[c]!]!
      const passes = damps[c]!
      if (passes > 0) {
        moved = max(moved, abs(faceC - to[c]!))
        const heat = passes * humid + owns[c]! - slopes[c]! * faceC
        if (heat > 0) condensed += heat
        if (glass[c] === 1) onGlass += heat
      }
      to[c] = faceC
    }
    v[MOVED] = moved
    v[ON_FACES] = condensed
    v[ON_GLASS] = onGlass
  }

  /**
   * Water freezes and melts by enthalpy: a plateau at 0 °C, heat for heat. Part-frozen water is held still by the
   * solver and takes its heat here; as soon as it is all ice or all water the solver has it back, so that little water
   * behind much wall does not swing.
   */
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
      if (held[c] === 1 && T[i] !== 0) hourly.release(c, dt)
    }
  }

  function step(dt: number): void {
    const { count } = m
    lastDt = dt
    if (filmAge >= FILMS_HOLD) {
      otherCount = roomFilms.take()
      filmAge = 0
    }
    filmAge += dt
    moisture.mist()
    inwards()
    solve(dt)
    outwards()
    soilIce.freezeChains()
    moisture.tally(dt)
    freeze(dt)
    vents.tally(dt)
    const difference = v[AIR]! - v[OUT]!
    sums[SUM_AIR]! += v[AIR]! * dt
    sums[SUM_STAR]! += v[STAR]! * dt
    sums[SUM_VENT]! += ((v[VENT_G]! + v[SUPPLY_G]!) * difference + v[RIDGE_OUT_USED]! * (v[RIDGE]! - v[AIR]!)) * dt
    sums[SUM_LEAK]! += v[LEAK_G]! * difference * dt
    sums[SUM_DAMP]! +=
      (LATENT / AIR_SPECIFIC_HEAT) * (v[LEAK_G]! + v[VENT_G]! + v[SUPPLY_G]!) * (v[MOISTURE]! - v[MOIST_OUT]!) * dt
    for (let k = 0; k < heaters; k++) {
      const i = m.added.thermostats.source[k]!
      const joules = given[k]! * (1 + LATENT * water[k]!) * dt
      broughtJ[i]! += joules
      gainedJ[m.added.gain[i]!]! += joules
    }
    sums[SUM_CONDENSED]! += v[CONDENSED]! * dt
    sums[SUM_MOIST]! += v[MOISTURE]! * dt
    const t = T
    const firsts = offset
    const sum = firstSum
    for (let c = 0; c < count; c++) sum[c]! += t[firsts[c]!]! * dt
  }

  function prepareHour(hour: number, dt: number, span?: number): void {
    filmAge = FILMS_HOLD
    hourly.prepare(hour, dt, heated, span)
  }

  function heatContentJ(): number {
    let sum = mainCapacity * v[AIR]! + m.airMassKg * LATENT * v[MOISTURE]! + hourly.inTransitJ() + v[OWED]! * lastDt
    if (hasRow) sum += sideCapacity[IN_ROW]! * v[ROW]!
    if (hasRidge) sum += sideCapacity[IN_RIDGE]! * v[RIDGE]!
    if (hasPath) sum += sideCapacity[IN_PATH]! * v[PATH]!
    for (let i = 0; i < chainCells; i++) sum += capacity[i]! * T[i]!
    for (let i = m.deepFrom; i < m.cellCount; i++) sum += capacity[i]! * T[i]!
    for (let c = 0; c < m.count; c++) sum -= iceKg[c]! * FUSION
    return sum - soilIce.iceJ(0, chainCells) - soilIce.iceJ(m.deepFrom, m.cellCount)
  }

  function clearTally(): void {
    lostJ.fill(0)
    gainedJ.fill(0)
    broughtJ.fill(0)
    movedJ.fill(0)
    drawnJ.fill(0)
    fanJ.fill(0)
    storeAir.takenJ.fill(0)
    storeAir.condensedKg.fill(0)
    leftJ.fill(0)
    stoodOpen.fill(0)
  }
  return { size, lay }
}
