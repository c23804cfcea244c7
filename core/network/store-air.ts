import { humidityRatio, saturationPressurePa } from '../climate'
import type { Exchanger } from './exchangers'
import type { NetworkModel } from './model'
import { AIR, AIR_HEAT, FAN_W, LATENT, MOISTURE, OUT, PIPE_DRAW, PIPE_DRAW_T, PRESSURE, SUPPLY, TIE, TIE_T } from './room'

const { abs, exp, max, min } = Math

/** Band of the fans' thermostats, K. */
const HOLD_K = 3
/** Water that pipes and rock hold before it drains away, kg for each m³/s of flow. */
const HOLDS = 60

/**
 * Fans that blow air through the ground or through rock. For an hour each running store is a tie of the air to its own temperature; what it got is worked out
 * at the hour's end from the mean air, and reaches its soil in the next hour. Moisture condenses where the soil is colder than the dew point and dries again while there is any.
 */
export function makeStoreAir(m: NetworkModel, v: Float64Array, T: Float64Array, pending: Float64Array) {
  const { exchangers } = m
  const n = exchangers.length
  const storeC = new Float64Array(n)
  const tieG = new Float64Array(n)
  const tieTarget = new Float64Array(n)
  const draw = new Float64Array(n)
  const saturated = new Float64Array(n)
  const waterKg = new Float64Array(n)
  const charging = new Uint8Array(n)
  const running = new Uint8Array(n)
  const rock = exchangers.map((e) => {
    let mean = 0
    for (let k = 0; k < e.cells.length; k++) mean += T[e.cells[k]!]! * e.weights[k]!
    return new Float64Array(e.nodes).fill(mean)
  })
  let supplyFlow = 0
  let supplyC = 0

  function soilC(e: Exchanger): number {
    let t = 0
    for (let k = 0; k < e.cells.length; k++) t += T[e.cells[k]!]! * e.weights[k]!
    return t
  }

  /** Share that one node takes in an hour: no more than brings it level with the air. */
  function nodeShare(e: Exchanger, span: number): number {
    const flow = e.massFlow * AIR_HEAT
    const rate = flow * e.effectiveness * span / e.nodeCapacity
    return min(e.effectiveness, (1 - exp(-rate)) * e.nodeCapacity / (flow * span))
  }

  /** Sets the ties of the hour; returns the temperature of the earth tube's supply. */
  function prepare(span: number): number {
    v[TIE] = 0
    v[TIE_T] = 0
    v[FAN_W] = 0
    v[SUPPLY] = 0
    v[PIPE_DRAW] = 0
    v[PIPE_DRAW_T] = 0
    supplyFlow = 0
    const air = v[AIR]!
    for (let x = 0; x < n; x++) {
      const e = exchangers[x]!
      tieG[x] = 0
      draw[x] = 0
      const flow = e.massFlow * AIR_HEAT
      if (e.kind === 'tube') {
        storeC[x] = soilC(e)
        if (air >= e.belowC && air <= e.aboveC) continue
        supplyFlow = flow
        supplyC = v[OUT]! + (storeC[x]! - v[OUT]!) * e.effectiveness
        v[SUPPLY] = flow
        v[FAN_W]! += e.fanW
        continue
      }
      const nodes = rock[x]!
      let target = 0
      let g = flow * e.effectiveness
      if (e.kind === 'rock') {
        const share = nodeShare(e, span)
        charging[x] = air > mean(nodes) ? 1 : 0
        let left = 1
        // The last node passed weighs most in what comes out.
        for (let k = 0; k < nodes.length; k++) {
          const node = charging[x] ? nodes[nodes.length - 1 - k]! : nodes[k]!
          target += share * left * node
          left *= 1 - share
        }
        target /= 1 - left
        g = flow * (1 - left)
        storeC[x] = mean(nodes)
      }
      else {
        target = soilC(e)
        storeC[x] = target
      }
      const difference = air - storeC[x]!
      // Once running, a thermostat holds on a little longer: fans do not hunt.
      const slack = running[x] ? HOLD_K : 0
      running[x] = abs(difference) > e.startK - slack / 2 && (difference > 0 ? air > e.chargeAboveC - slack : air < e.giveBelowC + slack) ? 1 : 0
      if (!running[x]) continue
      tieG[x] = g
      v[TIE]! += g
      v[TIE_T]! += g * target
      v[FAN_W]! += e.fanW
      saturated[x] = humidityRatio(saturationPressurePa(target), v[PRESSURE]!)
      if (v[MOISTURE]! > saturated[x]! || waterKg[x]! > 0) {
        draw[x] = e.massFlow * (g / flow)
        v[PIPE_DRAW]! += draw[x]!
        v[PIPE_DRAW_T]! += draw[x]! * saturated[x]!
      }
      tieTarget[x] = target
    }
    return supplyC
  }
  function mean(nodes: Float64Array): number {
    let sum = 0
    for (let k = 0; k < nodes.length; k++) sum += nodes[k]!
    return sum / max(1, nodes.length)
  }

  /** Passes the hour's heat on. Returns the heat that the earth tube fetched from the ground outside, J. */
  function end(airC: number, moisture: number, span: number): number {
    let fetched = 0
    for (let x = 0; x < n; x++) {
      const e = exchangers[x]!
      if (e.kind === 'tube') {
        if (supplyFlow === 0) continue
        fetched = supplyFlow * (supplyC - v[OUT]!) * span
        give(e, -fetched)
        continue
      }
      const dry = tieG[x]! * (airC - tieTarget[x]!) * span
      let water = draw[x]! * (moisture - saturated[x]!) * span
      if (draw[x] === 0) water = 0
      waterKg[x] = min(HOLDS * e.flowM3s, max(0, waterKg[x]! + water))
      const heat = dry + LATENT * water
      if (e.kind === 'pipes') {
        if (heat !== 0) give(e, heat)
        continue
      }
      const nodes = rock[x]!
      if (tieG[x]! > 0) {
        const flow = e.massFlow * AIR_HEAT
        const share = nodeShare(e, span)
        let t = airC
        for (let k = 0; k < nodes.length; k++) {
          const i = charging[x] ? k : nodes.length - 1 - k
          const taken = share * (t - nodes[i]!)
          t -= taken
          nodes[i] = nodes[i]! + (flow * taken * span + LATENT * water / nodes.length) / e.nodeCapacity
        }
      }
      const toGround = e.toGround * (mean(nodes) - soilC(e)) * span
      for (let k = 0; k < nodes.length; k++) nodes[k] = nodes[k]! - toGround / nodes.length / e.nodeCapacity
      give(e, toGround)
    }
    return fetched
  }

  function give(e: Exchanger, joules: number): void {
    for (let k = 0; k < e.cells.length; k++) pending[e.cells[k]!]! += joules * e.weights[k]!
  }

  function heatJ(): number {
    let sum = 0
    for (let x = 0; x < n; x++) for (let k = 0; k < rock[x]!.length; k++) sum += rock[x]![k]! * exchangers[x]!.nodeCapacity
    return sum
  }
  return { prepare, end, heatJ, storeC }
}
