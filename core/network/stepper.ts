import { humidityRatio, saturationPressurePa, type SiteYear } from '../climate'
import { makeBalance } from './balance'
import { makeFaces } from './faces'
import { makeHourly } from './hourly'
import { makeLanes } from './lanes'
import { layModel, makeMemory, type Size } from './memory'
import type { NetworkModel } from './model'
import { makeMoisture } from './moisture'
import { makeRoomFilms } from './room-films'
import {
  A11,
  A13,
  A23,
  AIR,
  AIR_SPECIFIC_HEAT,
  CONDENSED,
  FOG_GUESSED,
  FOG_W,
  FUMES,
  GUESSED,
  LATENT,
  LEAK_G,
  MOISTURE,
  MOIST_OUT,
  MOVED,
  OUT,
  OWED,
  PATH,
  RIDGE,
  RIDGE_OUT_USED,
  ROW,
  STAR,
  SUM_AIR,
  SUM_CONDENSED,
  SUM_DAMP,
  SUM_LEAK,
  SUM_MOIST,
  SUM_STAR,
  SUM_VENT,
  SUPPLY_G,
  TRY,
  VENT_G,
} from './room'
import { makeSideAirs } from './side-airs'
import { makeAirSolver } from './solve-air'
import { makeVentSolver } from './vent-solve'
import { makeWaterIce } from './water-ice'

const { abs, max } = Math

/** When more is carried over to the air than would move it so far, K, the step is solved again. */
const MUCH_OWED_K = 0.1
/** And when air or wet faces have moved further than this, K, until tries lie nearer to each other than that. */
const FAR_K = 10
const NEAR_K = 1
const MOST_TURNS = 8
/** Places of the state that a try of a step leaves changed, and the next try must find as they were. */
const ROOM = Int32Array.of(AIR, FUMES, OWED, MOISTURE, ROW, RIDGE, PATH)
const ROOM_SIZE = ROOM.length
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
  /** Whether sources that are paid for work; on by default. */
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

export interface Loop {
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
 */
export function makeLoop(size: Size): Loop {
  const memory = makeMemory(size)
  const { v, T, capacity, offset, sums, firstSum, iceKg } = memory
  const lanes = makeLanes(memory)
  const vents = makeVentSolver(memory)
  const hourly = makeHourly(memory, vents)
  const { storeAir, soilIce } = hourly
  const moisture = makeMoisture(memory)
  const roomFilms = makeRoomFilms(memory)
  const sideAirs = makeSideAirs(memory)
  const balance = makeBalance(memory, moisture, roomFilms, sideAirs)
  const airSolver = makeAirSolver(memory, vents)
  const faces = makeFaces(memory, roomFilms)
  const waterIce = makeWaterIce(memory, hourly.release)
  const kept = memory.doubles(ROOM_SIZE)
  let m!: NetworkModel
  /** Parts of films that go to the air under a row cover or in a path. */
  let otherCount = 0
  /** Of the air round the beds, J/K. */
  let mainCapacity = 0
  let heated = true
  let lastDt = 0
  /** How long the films have held, s. */
  let filmAge = FILMS_HOLD

  function lay(model: NetworkModel, site: SiteYear): Stepper {
    m = model
    layModel(memory, m)
    lanes.lay(m)
    waterIce.lay(m)
    otherCount = 0
    roomFilms.lay(m)
    mainCapacity = sideAirs.lay(m)
    balance.lay(m, mainCapacity)
    faces.lay(m)
    airSolver.lay(m)
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
    return laid()
  }

  /** What is seen of the loop for the model that it is laid out for. */
  function laid(): Stepper {
    const { lostJ, gainedJ, broughtJ, movedJ, drawnJ, light, covered, stuck, fanJ, leftJ, stoodOpen } = memory
    const stores = m.exchangers.length
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
      storeC: storeAir.storeC.subarray(0, stores),
      storeTookJ: storeAir.takenJ.subarray(0, stores),
      storeKg: storeAir.condensedKg.subarray(0, stores),
      storeRuns: storeAir.running.subarray(0, stores),
      heat: on => {
        heated = on
        airSolver.heat(on)
      },
      prepareHour,
      step,
      wets: moisture.wets,
      endHour: hourly.end,
      clearTally,
      heatContentJ,
    }
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
   * Air, star, moisture and faces of the step. What exchange and fog came to, less what was assumed of them, is carried
   * over to the air; when that is much, the step is solved again with them. When wet faces or the air move far, it is
   * solved again along chords of the saturation's curve until they stand.
   */
  function solve(dt: number): void {
    keepRoom()
    v[TRY] = v[AIR]!
    for (let turn = 0; turn < MOST_TURNS; turn++) {
      balance.gather(dt, turn > 0, otherCount)
      balance.tieAir()
      airSolver.solveEither(dt)
      settle()
      for (let k = 0; k < 3 && abs(v[OWED]!) > MUCH_OWED_K * v[A11]!; k++) {
        moisture.adopt()
        putBack()
        airSolver.solveEither(dt)
        settle()
      }
      sideAirs.followAll()
      faces.reach(otherCount)
      if (v[MOVED]! < (turn === 0 ? FAR_K : NEAR_K) || turn === MOST_TURNS - 1) return
      v[TRY] = v[AIR]!
      putBack()
      lanes.inwards()
    }
  }

  /** Moisture as it comes to be, and what is carried over to the air for it. */
  function settle(): void {
    moisture.settle()
    v[OWED] = (v[GUESSED]! - v[MOISTURE]!) * (v[A13]! + v[A23]!) + v[FOG_W]! - v[FOG_GUESSED]!
  }

  function step(dt: number): void {
    // What is owed is heat: over a step of another length it is another power.
    if (dt !== lastDt) v[OWED]! *= lastDt / dt
    lastDt = dt
    if (filmAge >= FILMS_HOLD) {
      otherCount = roomFilms.take()
      filmAge = 0
    }
    filmAge += dt
    moisture.mist()
    lanes.inwards()
    solve(dt)
    lanes.outwards()
    soilIce.freezeChains()
    moisture.tally(dt)
    waterIce.freeze(dt)
    vents.tally(dt)
    airSolver.tally(dt)
    addUp(dt)
  }

  /** Sums over the steps of a block, for its ledger. */
  function addUp(dt: number): void {
    const difference = v[AIR]! - v[OUT]!
    sums[SUM_AIR]! += v[AIR]! * dt
    sums[SUM_STAR]! += v[STAR]! * dt
    sums[SUM_VENT]! += ((v[VENT_G]! + v[SUPPLY_G]!) * difference + v[RIDGE_OUT_USED]! * (v[RIDGE]! - v[AIR]!)) * dt
    sums[SUM_LEAK]! += v[LEAK_G]! * difference * dt
    sums[SUM_DAMP]! +=
      (LATENT / AIR_SPECIFIC_HEAT) * (v[LEAK_G]! + v[VENT_G]! + v[SUPPLY_G]!) * (v[MOISTURE]! - v[MOIST_OUT]!) * dt
    sums[SUM_CONDENSED]! += v[CONDENSED]! * dt
    sums[SUM_MOIST]! += v[MOISTURE]! * dt
    const { count } = m
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
    const damp = m.airMassKg * LATENT * v[MOISTURE]!
    let sum = mainCapacity * v[AIR]! + damp + hourly.inTransitJ() + v[OWED]! * lastDt + sideAirs.heatJ()
    const chainCells = offset[m.count]!
    for (let i = 0; i < chainCells; i++) sum += capacity[i]! * T[i]!
    for (let i = m.deepFrom; i < m.cellCount; i++) sum += capacity[i]! * T[i]!
    return sum - waterIce.iceJ() - soilIce.iceJ(0, chainCells) - soilIce.iceJ(m.deepFrom, m.cellCount)
  }

  function clearTally(): void {
    const { lostJ, gainedJ, broughtJ, movedJ, drawnJ, fanJ, leftJ, stoodOpen } = memory
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
