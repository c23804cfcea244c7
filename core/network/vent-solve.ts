import { balancedFlow } from '../air/flow-network'
import { openerTarget, stackPerMetre } from '../air/vents'
import { MONTH_OF_DAY } from '../climate'
import type { Opener } from '../openings/kind'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import {
  AIR,
  AIR_SPECIFIC_HEAT,
  DAY_MEAN,
  DENSITY,
  DOOR_G,
  LEAK_AREA,
  LEAK_G,
  LEFT_A,
  LEFT_B,
  OPENING,
  OUT,
  RIDGE,
  RIDGE_OUT_G,
  START,
  TRIED,
  VENT_G,
  VENT_NOW_G,
  VENT_SLOPE,
  WIND,
} from './room'
import { within } from '../openings/winter'

const { abs, exp, max, min, sqrt } = Math

/** The midday airing opens so far, and shrinks to none over this fall of the air below the vents' start, K. */
const AIRED = 0.3
const AIRING_FADES_K = 3
/**
 * The balance may stay open by what so many kelvins of the airy room weigh: so near the air is found, however steep.
 */
const NEAR_K = 1.5e-3
/** A house that stands open is so much warmer at night than it is outside, K: what one reckons with on leaving. */
const OPEN_OVER_K = 2
/** Moved by the air of the step itself, not by a hand or the calendar. */
const BY_ITSELF = -1
/** Of a house's leaks, at most this share is round its openings. ASHRAE Fundamentals ch. 16, by component. */
const ROUND_OPENINGS = 0.35
/** Where nothing opens, devices that stop once the vents open never do, °C. */
const NEVER_C = 100

/**
 * Solves the air of a step with vents and fans in it: what is left of the room is `a · air = b`, and the outside air
 * let in rises with warmth.
 * The balance rises with temperature, so its root lies between outside and the closed room: secants from the flow of
 * the step before, kept in that bracket.
 */
export function makeVentSolver(memory: Memory) {
  const { v, stoodOpen, fanJ } = memory
  const { openings, orifices, fans } = memory.size
  /**
   * Openings that are moved alike go together. By such a group: how far it stands open, as it is tried, and as the step
   * began.
   */
  const open = memory.doubles(openings)
  const tried = memory.doubles(openings)
  const kept = memory.doubles(openings)
  /** By group, of the hour: where it starts and ends to open, °C, its least, and its place where that is fixed. */
  const start = memory.doubles(openings)
  const full = memory.doubles(openings)
  const least = memory.doubles(openings)
  const fixed = memory.doubles(openings)
  const hysteresis = memory.doubles(openings)
  /** Share of the way to its place that an opener goes in a step. */
  const follows = memory.doubles(openings)
  /** Its share of all free area. */
  const weight = memory.doubles(openings)
  const groupOf = memory.ints(openings)
  /** By orifice: as in the model; of the try, m², and what drives air in, m²/s². */
  const conduct = memory.doubles(orifices)
  const heights = memory.doubles(orifices)
  const winds = memory.doubles(orifices)
  const groupAt = memory.ints(orifices)
  const isAbove = memory.bytes(orifices)
  /** By group: whether it is moved by the upper air, in which it lies. */
  const feelsRidge = memory.bytes(openings)
  const conductNow = memory.doubles(orifices)
  const push = memory.doubles(orifices)
  const flow = memory.doubles(2)
  /** By fan that blows: how many of its stages run, as it is tried, and in the step. */
  const running = memory.doubles(fans)
  const ran = memory.doubles(fans)
  let m!: NetworkModel
  let movers: Opener[] = []
  /** By group: its winter's days. */
  let winters: Uint8Array[] = []
  /** By group moved by hand: hours in which somebody is there. */
  let there: (Uint8Array | null)[] = []
  /** By group: lowest air of the evening ahead, in the hours in which somebody leaves; null where nobody looks. */
  let ahead: (Float32Array | null)[] = []
  /** How many groups, and how many orifices. */
  let count = 0
  let holes = 0
  /** Fans that blow, and the coolest air at which one starts, °C. */
  let blowing = 0
  let blowsFrom = Infinity
  let hasRidge = false
  let lastDt = -1
  /** Of the hour: the coolest air at which something opens by itself, °C; and whether something stands open anyway. */
  let opensFrom = Infinity
  let standsOpen = false

  function lay(model: NetworkModel): void {
    m = model
    const { airways } = m
    const alike = new Map<string, number>()
    movers = []
    winters = []
    there = []
    ahead = []
    airways.openers.forEach((o, i) => {
      if (airways.freeM2[i] === 0) return
      const up = airways.opening.some((opening, hole) => opening === i && m.airs.orificeAbove[hole] === 1)
      const key = JSON.stringify([o, up])
      if (!alike.has(key)) {
        alike.set(key, movers.push(o) - 1)
        feelsRidge[movers.length - 1] = Number(up)
        winters.push(airways.winter[i]!)
        there.push(airways.there[i]!)
        ahead.push(airways.eveningLowC[i]!)
      }
      groupOf[i] = alike.get(key)!
    })
    count = movers.length
    hasRidge = m.airs.planeM2 > 0
    isAbove.set(m.airs.orificeAbove)
    holes = airways.conduct.length
    conduct.set(airways.conduct)
    heights.set(airways.heightM)
    winds.set(airways.wind)
    airways.opening.forEach((opening, i) => {
      groupAt[i] = groupOf[opening]!
    })
    const all = airways.freeM2.reduce((a, b) => a + b, 0)
    airways.freeM2.forEach((area, i) => {
      if (area > 0) weight[groupOf[i]!]! += area / all
    })
    movers.forEach((o, k) => {
      hysteresis[k] = o.hysteresisK
    })
    blowing = m.fans.fan.length
    blowsFrom = m.fans.startC.reduce((a, b) => min(a, b), Infinity)
    lastDt = -1
  }

  /** Leaks of the house, m² at 4 Pa, less those round openings that are plugged. */
  function leakArea(day: number): number {
    const { winter, plugSavesM2 } = m.airways
    let saved = 0
    for (let i = 0; i < plugSavesM2.length; i++) if (winter[i]![day] === 1) saved += plugSavesM2[i]!
    return m.leakAreaM2 - min(saved, ROUND_OPENINGS * m.leakAreaM2)
  }

  /**
   * Who opens what in the hour that begins. Winter habit: on cold days the vents wait for real warmth, and at midday
   * the house is aired when the sun is out.
   */
  function hour(h: number): void {
    const day = (h / 24) | 0
    const month = MONTH_OF_DAY[day]! + 1
    v[LEAK_AREA] = leakArea(day)
    const { on, belowC, holdUntilC, fromH, untilH } = m.airing
    const waits = on && v[DAY_MEAN]! < belowC
    const aired = waits && h % 24 >= fromH && h % 24 < untilH
    const air = v[AIR]!
    opensFrom = Infinity
    standsOpen = false
    v[START] = NEVER_C
    for (let k = 0; k < count; k++) {
      const o = movers[k]!
      if (winters[k]![day] === 1) {
        fixed[k] = 0
        continue
      }
      start[k] = waits ? max(o.startC, holdUntilC) : o.startC
      // What moves by itself under the ridge feels the air there.
      if (feelsRidge[k] === 1 && o.how !== 'hand') start[k]! -= v[RIDGE]! - air
      full[k] = start[k]! + o.fullC - o.startC
      least[k] = 0
      if (o.how === 'season') fixed[k] = within(month, o.fromMonth, o.untilMonth) ? 1 : 0
      else if (o.how === 'hand') {
        if (fixed[k] === BY_ITSELF) fixed[k] = 0
        if (there[k]![h] === 1) {
          if (air > start[k]!) fixed[k] = 1
          else if (air < start[k]! - o.hysteresisK) fixed[k] = 0
          const evening = ahead[k]
          if (evening && evening[h]! + OPEN_OVER_K < m.bearsC[month - 1]!) fixed[k] = 0
        }
        v[START] = min(v[START]!, start[k]!)
      } else {
        fixed[k] = BY_ITSELF
        if (aired && air > o.startC) least[k] = AIRED
        opensFrom = min(opensFrom, start[k]! - o.hysteresisK)
        v[START] = min(v[START]!, start[k]!)
        standsOpen ||= least[k]! > 0
      }
      standsOpen ||= fixed[k]! > 0
    }
  }

  /** An opener at a temperature: it follows the warming line up and, `hysteresisK` cooler, the cooling line down. */
  function opening(k: number, t: number): number {
    const up = openerTarget(t, start[k]!, full[k]!)
    const down = hysteresis[k]! > 0 ? openerTarget(t + hysteresis[k]!, start[k]!, full[k]!) : up
    const wanted = min(max(open[k]!, up), down)
    // Midday airing ends by itself: nobody lets a cold room stand open.
    const floor = least[k]!
    const aired = floor > 0 ? floor * max(0, min(1, (t - movers[k]!.startC) / AIRING_FADES_K + 1)) : 0
    return max(aired, open[k]! * (1 - follows[k]!) + follows[k]! * wanted)
  }

  /** How many of a fan's stages run, each easing in over a kelvin. */
  function stagesOn(k: number, t: number): number {
    const { stages, startC, stepK } = m.fans
    let on = 0
    for (let s = 0; s < stages[k]!; s++) on += max(0, min(1, t - startC[k]! - s * stepK[k]!))
    return on
  }

  /**
   * Sets the fans among the orifices at a temperature, each with its louvre, and the leaks, through which they draw or
   * blow too.
   * @param still what drives air through leaks while no fan runs, m²/s²
   * @returns how many orifices there are now; without a fan that runs, those of the openings alone
   */
  function setFans(t: number, still: number): number {
    const f = m.fans
    let on = 0
    let n = holes
    for (let k = 0; k < blowing; k++) {
      const stages = stagesOn(k, t)
      running[k] = stages
      on += stages
      conductNow[n] = stages * f.conduct[k]!
      push[n++] = still + f.push[k]!
      conductNow[n] = min(1, stages) * f.louvre[k]!
      push[n++] = still
    }
    if (on === 0) return holes
    conductNow[n] = min(1, on) * v[LEAK_AREA]!
    push[n++] = still
    return n
  }

  /**
   * Lets air through at the temperature in `TRIED`: the places of the openings are left in `tried`, the heat that the
   * air takes along in `VENT_NOW_G`, W/K.
   */
  function exchange(): void {
    const t = v[TRIED]!
    const outside = v[OUT]!
    for (let k = 0; k < count; k++) tried[k] = fixed[k] === BY_ITSELF ? opening(k, t) : fixed[k]!
    const gusts = v[WIND]! * v[WIND]!
    const perMetre = stackPerMetre(t, outside)
    for (let i = 0; i < holes; i++) {
      conductNow[i] = conduct[i]! * tried[groupAt[i]!]!
      push[i] = winds[i]! * gusts - heights[i]! * perMetre
    }
    const still = -m.leakHeightM * perMetre
    const all = blowing > 0 ? setFans(t, still) : holes
    balancedFlow(all, conductNow, push, flow)
    let through = flow[0]!
    const perFlow = v[DENSITY]! * AIR_SPECIFIC_HEAT
    if (all > holes) {
      // What fans draw or blow through leaks adds to their own breath in quadrature. ASHRAE Fundamentals ch. 16.
      const forced = conductNow[all - 1]! * sqrt(abs(still - flow[1]!))
      const own = (v[LEAK_G]! - v[DOOR_G]!) / perFlow
      through += sqrt(own * own + forced * forced) - own - forced
    }
    v[VENT_NOW_G] = through * perFlow
  }

  /** Takes the places that were tried, or shuts all. */
  function take(shut: boolean): void {
    let mean = 0
    for (let k = 0; k < blowing; k++) ran[k] = shut ? 0 : running[k]!
    for (let k = 0; k < count; k++) {
      open[k] = shut ? 0 : tried[k]!
      mean += weight[k]! * open[k]!
    }
    v[OPENING] = mean
    v[RIDGE_OUT_G] = shut || !hasRidge ? 0 : outAbove()
  }

  /** What leaves by openings in the upper air, as they were tried last, W/K. */
  function outAbove(): number {
    let out = 0
    for (let i = 0; i < holes; i++)
      if (isAbove[i] === 1 && push[i]! < flow[1]!) out += conductNow[i]! * sqrt(flow[1]! - push[i]!)
    return min(v[VENT_NOW_G]!, out * v[DENSITY]! * AIR_SPECIFIC_HEAT)
  }

  /** Adds up how far each opening stood open, s, and what the fans drew, J. */
  function tally(dt: number): void {
    const { freeM2 } = m.airways
    for (let i = 0; i < freeM2.length; i++) if (freeM2[i]! > 0) stoodOpen[i]! += open[groupOf[i]!]! * dt
    const { fan, powerW } = m.fans
    for (let k = 0; k < blowing; k++) fanJ[fan[k]!]! += ran[k]! * powerW[fan[k]!]! * dt
  }

  /** Keeps where the openings stand as a step begins, and puts them back for another try. */
  function keep(): void {
    for (let k = 0; k < count; k++) kept[k] = open[k]!
  }
  function putBack(): void {
    for (let k = 0; k < count; k++) open[k] = kept[k]!
  }

  /** Whether all openings are shut, or as good as that once this step is over. */
  function areShut(): boolean {
    if (standsOpen) return false
    for (let k = 0; k < count; k++) if (fixed[k] === BY_ITSELF && open[k]! * (1 - follows[k]!) >= 0.001) return false
    return true
  }

  /**
   * Air of the step, °C, into `TRIED`, from the balance in `LEFT_A` and `LEFT_B`; the flow's W/K is left in `VENT_G`,
   * the mean opening in `OPENING`. What goes in and out stands in the state vector: numbers handed over by a call
   * would be boxed, twenty to a step.
   */
  function solve(dt: number): void {
    const a = v[LEFT_A]!
    const b = v[LEFT_B]!
    if (dt !== lastDt) {
      for (let k = 0; k < count; k++) {
        const { how, lagS } = movers[k]!
        follows[k] = how === 'wax' && lagS > 0 ? 1 - exp(-dt / lagS) : 1
      }
      lastDt = dt
    }
    const closed = b / a
    if (closed <= opensFrom && closed <= blowsFrom && areShut()) {
      take(true)
      v[VENT_G] = 0
      v[TRIED] = closed
      return
    }
    const outside = v[OUT]!
    let lo = min(closed, outside)
    let hi = max(closed, outside)
    // From where the air came to stand in the last try: vents hold it there, more or less.
    let t = min(hi, max(lo, v[TRIED]!))
    let before = t
    let fBefore = 0
    let g = 0
    for (let k = 0; k < 40; k++) {
      v[TRIED] = t
      exchange()
      g = v[VENT_NOW_G]!
      const f = a * t - b + g * (t - outside)
      if (f > 0) hi = t
      else lo = t
      if (abs(f) < NEAR_K * (a + g) || hi - lo < NEAR_K) break
      // The first slope is the last one found: vents answer warmth much the same from step to step.
      const slope = k === 0 ? a + v[VENT_SLOPE]! : (f - fBefore) / (t - before)
      v[VENT_SLOPE] = max(g, slope - a)
      let next = t - f / slope
      if (!(next > lo && next < hi) || k % 4 === 3) next = (lo + hi) / 2
      before = t
      fBefore = f
      t = next
    }
    take(false)
    v[VENT_G] = g
    v[TRIED] = (b + g * outside) / (a + g)
  }
  return { lay, hour, keep, putBack, solve, tally }
}

export type VentSolver = ReturnType<typeof makeVentSolver>
