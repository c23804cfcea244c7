import { humidityRatio, MONTH_OF_DAY, saturatedSlope, tabledSaturationPa } from '../climate'
import { ROCK_NODES } from '../air-stores/packed-bed'
import type { Exchanger } from './exchangers'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import {
  AIR,
  AIR_SPECIFIC_HEAT,
  FAN_W,
  LATENT,
  MOISTURE,
  MOIST_OUT,
  OUT,
  PIPE_DRAW,
  PIPE_DRAW_T,
  PATH,
  PRESSURE,
  RIDGE,
  RIDGE_DRAW_G,
  SUPPLY_G,
  SUPPLY_C,
  TIE_G,
  TIE_W,
} from './room'

const { abs, exp, max, min } = Math

/**
 * Band of the fans' thermostats, K: a fan runs the whole hour at its set point, none of it so far beyond, and between
 * for a share of it, as a thermostat that switches on and off in the hour would have it.
 */
const BAND_K = 3
/** Share of the hour that a thermostat runs, which is so far on its working side of the set point, K. */
const runsFor = (byK: number) => max(0, min(1, 1 + byK / BAND_K))
/** No fan runs less than this share of an hour. */
const LEAST_RUN = 0.01
/**
 * What heat that comes a block late may move the cells it goes to, as a share of the difference that drives it: more
 * would swing.
 */
const LATE_SHARE = 0.6
/** Water that pipes and rock hold before it drains away, kg for each m³/s of flow. */
const HOLDS = 60

/**
 * Fans that blow air through the ground or through rock. For an hour each running store is a tie of the air to its own
 * temperature; what it got is worked out at the hour's end from the mean air, and reaches its soil in the next hour.
 * Moisture condenses where the soil is colder than the dew point and dries again while there is any.
 */
export function makeStoreAir(memory: Memory) {
  const { v, T, pending, capacity } = memory
  const { stores, storeCells } = memory.size
  const storeC = memory.doubles(stores)
  const tieG = memory.doubles(stores)
  const tieTarget = memory.doubles(stores)
  const offset = memory.doubles(stores)
  /** Of pipes, kg/s per unit of humidity ratio; of an earth tube, what its air leaves in it, kg/s. */
  const draw = memory.doubles(stores)
  const saturated = memory.doubles(stores)
  const waterKg = memory.doubles(stores)
  /** Water that has condensed in each since this was last cleared, kg; what dried again is taken off. */
  const condensedKg = memory.doubles(stores)
  /** What each has taken from the air since this was last cleared, J; an earth tube takes from its soil. */
  const takenJ = memory.doubles(stores)
  const charging = memory.bytes(stores)
  /** Share of the hour that each runs. It follows its thermostat half of the way each hour: fans do not hunt. */
  const running = memory.doubles(stores)
  /** Cells of ground of all stores in a line with their weights, and where each store's begin. */
  const cell = memory.ints(storeCells)
  const weight = memory.doubles(storeCells)
  const from = memory.ints(stores + 1)
  /** Of each store: heat that its cells take for a kelvin, as they are weighted, J/K. */
  const soilJK = memory.doubles(stores)
  const rock = memory.doubles(stores * ROCK_NODES)
  /** Share that one node of rock takes in a block. */
  const nodeShare = memory.doubles(stores)
  let exchangers: readonly Exchanger[] = []
  let lastSpan = 0

  function lay(m: NetworkModel): void {
    exchangers = m.exchangers
    lastSpan = 0
    running.fill(0)
    exchangers.forEach((e, x) => {
      from[x + 1] = from[x]! + e.cells.length
      cell.set(e.cells, from[x])
      weight.set(e.weights, from[x])
      let perJoule = 0
      for (let k = from[x]!; k < from[x + 1]!; k++) perJoule += (weight[k]! * weight[k]!) / capacity[cell[k]!]!
      soilJK[x] = 1 / perJoule
      rock.fill(soilC(x), x * ROCK_NODES, (x + 1) * ROCK_NODES)
    })
  }

  function soilC(x: number): number {
    let t = 0
    for (let k = from[x]!; k < from[x + 1]!; k++) t += T[cell[k]!]! * weight[k]!
    return t
  }

  /** Share of a conductance, W/K, that may work on cells of a heat capacity, J/K, for a block. */
  const bearable = (g: number, joulesK: number, span: number) => min(1, (LATE_SHARE * joulesK) / (g * span))

  /** A node takes no more than brings it level with the air. */
  function shareNodes(span: number): void {
    lastSpan = span
    for (let x = 0; x < exchangers.length; x++) {
      const e = exchangers[x]!
      const flow = e.massFlow * AIR_SPECIFIC_HEAT
      if (e.as === 'rock')
        nodeShare[x] = min(
          e.effectiveness,
          ((1 - exp((-flow * e.effectiveness * span) / e.nodeCapacity)) * e.nodeCapacity) / (flow * span),
        )
    }
  }

  /** Sets the ties of the hour. */
  function prepare(h: number, span: number): void {
    const month = MONTH_OF_DAY[(h / 24) | 0]!
    v[TIE_G] = 0
    v[TIE_W] = 0
    v[FAN_W] = 0
    v[SUPPLY_G] = 0
    v[SUPPLY_C] = 0
    v[PIPE_DRAW] = 0
    v[PIPE_DRAW_T] = 0
    v[RIDGE_DRAW_G] = 0
    if (span !== lastSpan) shareNodes(span)
    const bedAir = v[AIR]!
    for (let x = 0; x < exchangers.length; x++) {
      const e = exchangers[x]!
      tieG[x] = 0
      draw[x] = 0
      const flow = e.massFlow * AIR_SPECIFIC_HEAT
      // So much warmer than round the beds is the air that it draws in, for the hour.
      offset[x] = e.intake === 'ridge' ? v[RIDGE]! - bedAir : e.intake === 'floor' ? v[PATH]! - bedAir : 0
      const air = bedAir + offset[x]!
      if (e.as === 'tube') {
        storeC[x] = soilC(x)
        const brings =
          v[OUT]! + (storeC[x]! - v[OUT]!) * e.effectiveness * bearable(flow * e.effectiveness, soilJK[x]!, span)
        // It runs to warm or to cool, and only where what it brings does that.
        const runs = follow(x, brings > air ? runsFor(e.belowC - air) : brings < air ? runsFor(air - e.aboveC) : 0)
        if (runs === 0) continue
        tieG[x] = runs * flow
        tieTarget[x] = brings
        v[SUPPLY_C] = (v[SUPPLY_G]! * v[SUPPLY_C]! + tieG[x]! * brings) / (v[SUPPLY_G]! + tieG[x]!)
        v[SUPPLY_G]! += tieG[x]!
        v[FAN_W]! += runs * e.fanW
        // What the air that it brings can't hold stays in the tube, and runs to its drain.
        const holds = humidityRatio(tabledSaturationPa(brings), v[PRESSURE]!)
        draw[x] = (tieG[x]! / AIR_SPECIFIC_HEAT) * max(0, v[MOIST_OUT]! - holds)
        v[PIPE_DRAW_T]! -= draw[x]!
        continue
      }
      let target = 0
      let g = flow * e.effectiveness
      if (e.as === 'rock') {
        const share = nodeShare[x]!
        const mean = meanOf(x)
        charging[x] = air > mean ? 1 : 0
        let left = 1
        // The last node passed weighs most in what comes out.
        for (let k = 0; k < ROCK_NODES; k++) {
          const node = rock[x * ROCK_NODES + (charging[x] ? ROCK_NODES - 1 - k : k)]!
          target += share * left * node
          left *= 1 - share
        }
        target /= 1 - left
        g = flow * (1 - left)
        storeC[x] = mean
      } else {
        target = soilC(x)
        storeC[x] = target
      }
      saturated[x] = humidityRatio(tabledSaturationPa(target), v[PRESSURE]!)
      const damp = v[MOISTURE]! > saturated[x]! || waterKg[x]! > 0
      if (e.as === 'pipes')
        g *= bearable(
          g * (1 + (damp ? (LATENT * saturatedSlope(target, saturated[x]!)) / AIR_SPECIFIC_HEAT : 0)),
          soilJK[x]!,
          span,
        )
      const difference = air - storeC[x]!
      const asked = difference > 0 ? air - e.chargeAboveC[month]! : e.giveBelowC[month]! - air
      const runs = follow(x, min(runsFor(asked), runsFor(abs(difference) - e.startK)))
      if (runs === 0) continue
      g *= runs
      tieG[x] = g
      v[TIE_G]! += g
      v[TIE_W]! += g * (target - offset[x]!)
      if (e.intake === 'ridge') v[RIDGE_DRAW_G]! += runs * flow
      v[FAN_W]! += runs * e.fanW
      if (damp) {
        draw[x] = e.massFlow * (g / flow)
        v[PIPE_DRAW]! += draw[x]!
        v[PIPE_DRAW_T]! += draw[x]! * saturated[x]!
      }
      tieTarget[x] = target - offset[x]!
    }
  }

  /** How long a fan runs in the hour whose thermostat asks for a share of it. */
  function follow(x: number, asks: number): number {
    const runs = (running[x]! + asks) / 2
    running[x] = runs < LEAST_RUN ? 0 : runs
    return running[x]!
  }

  function meanOf(x: number): number {
    let sum = 0
    for (let k = x * ROCK_NODES; k < (x + 1) * ROCK_NODES; k++) sum += rock[k]!
    return sum / ROCK_NODES
  }

  /** Passes the hour's heat on. Returns the heat that earth tubes fetched from the ground outside, J. */
  function end(airC: number, moisture: number, span: number): number {
    let fetched = 0
    for (let x = 0; x < exchangers.length; x++) {
      const e = exchangers[x]!
      if (e.as === 'tube') {
        const water = draw[x]! * span
        condensedKg[x]! += water
        const heat = tieG[x]! * (tieTarget[x]! - v[OUT]!) * span - LATENT * water
        takenJ[x]! -= heat
        fetched += heat
        give(x, -heat)
        continue
      }
      const dry = tieG[x]! * (airC - tieTarget[x]!) * span
      let water = draw[x]! * (moisture - saturated[x]!) * span
      if (draw[x] === 0) water = 0
      waterKg[x] = min(HOLDS * e.flowM3s, max(0, waterKg[x]! + water))
      condensedKg[x]! += water
      const heat = dry + LATENT * water
      takenJ[x]! += heat
      if (e.as === 'pipes') {
        if (heat !== 0) give(x, heat)
        continue
      }
      if (tieG[x]! > 0) {
        const flow = e.massFlow * AIR_SPECIFIC_HEAT
        const share = nodeShare[x]!
        let t = airC + offset[x]!
        for (let k = 0; k < ROCK_NODES; k++) {
          const i = x * ROCK_NODES + (charging[x] ? k : ROCK_NODES - 1 - k)
          const taken = share * (t - rock[i]!)
          t -= taken
          rock[i]! += (running[x]! * flow * taken * span + (LATENT * water) / ROCK_NODES) / e.nodeCapacity
        }
      }
      const toGround =
        e.toGround *
        bearable(e.toGround, 1 / (1 / soilJK[x]! + 1 / (ROCK_NODES * e.nodeCapacity)), span) *
        (meanOf(x) - soilC(x)) *
        span
      const each = toGround / ROCK_NODES / e.nodeCapacity
      for (let k = x * ROCK_NODES; k < (x + 1) * ROCK_NODES; k++) rock[k]! -= each
      give(x, toGround)
    }
    return fetched
  }

  function give(x: number, joules: number): void {
    for (let k = from[x]!; k < from[x + 1]!; k++) pending[cell[k]!]! += joules * weight[k]!
  }

  function heatJ(): number {
    let sum = 0
    for (let x = 0; x < exchangers.length; x++)
      if (exchangers[x]!.as === 'rock') sum += meanOf(x) * ROCK_NODES * exchangers[x]!.nodeCapacity
    return sum
  }
  return { lay, prepare, end, heatJ, storeC, takenJ, running, condensedKg }
}
