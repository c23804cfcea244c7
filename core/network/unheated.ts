import { DAYS, HOURS, type SiteYear } from '../climate'
import type { NetworkModel } from './model'
import { AIR } from './room'
import { runModel, RunStopped, takeDay, warmUp, type RunOptions } from './run'
import { ownStepper } from './stepper'

/**
 * Days whose lowest air outside comes this near to the year's lowest are gone through step by step, K, and so many days
 * before each of them.
 */
const NEAR_LOWEST_K = 9
const LEAD_DAYS = 14

/**
 * The days on which the year's coldest night may fall, 1 each of 365, with days before them in which the house comes to
 * its state.
 */
export function coldDays(dryBulbC: Float32Array): Uint8Array {
  const low = Float32Array.from({ length: DAYS }, (_, d) => Math.min(...dryBulbC.subarray(d * 24, d * 24 + 24)))
  const limit = Math.min(...low) + NEAR_LOWEST_K
  const close = new Uint8Array(DAYS)
  for (let d = 0; d < DAYS; d++) if (low[d]! <= limit) close.fill(1, Math.max(0, d - LEAD_DAYS), d + 1)
  return close
}

/**
 * Air of each hour in the unheated year of a heated house, °C. It is asked for its coldest night alone: the days that
 * cannot hold it go the quicker the further off it is, which moves that night by less than 0.02 K, and what follows the
 * last day that can is left out (Infinity). Should it fall on another day after all, the year is run in full; so it is
 * where fans blow through the ground, whose thermostats would switch at other hours, and where that is asked.
 */
export function runUnheated(
  model: NetworkModel,
  site: SiteYear,
  options: Pick<RunOptions, 'stepsPerHour' | 'stop'> & { inFull?: boolean },
): Float32Array {
  const inFull = () => runModel(model, site, { ...options, heated: false }).airC
  if (options.inFull || model.exchangers.length > 0) return inFull()
  const close = coldDays(site.dryBulbC)
  const airC = new Float32Array(HOURS).fill(Infinity)
  const stepper = ownStepper(model, site)
  const dt = 3600 / options.stepsPerHour
  stepper.heat(false)
  warmUp(stepper, model, options.stop)
  let coldest = 0
  for (let day = 0; day <= close.lastIndexOf(1); day++) {
    if (options.stop?.()) throw new RunStopped()
    if (!close[day]) airC.fill(takeDay(stepper, model, day, close.indexOf(1, day) - day), day * 24, day * 24 + 24)
    else for (let h = day * 24; h < day * 24 + 24; h++) airC[h] = meanOfHour(h)
    for (let h = day * 24; h < day * 24 + 24; h++) if (airC[h]! < airC[coldest]!) coldest = h
  }
  return close[Math.floor(coldest / 24)] ? airC : inFull()

  function meanOfHour(hour: number): number {
    let sum = 0
    stepper.prepareHour(hour, dt)
    for (let s = 0; s < options.stepsPerHour; s++) {
      stepper.step(dt)
      sum += stepper.state[AIR]!
    }
    stepper.endHour()
    return sum / options.stepsPerHour
  }
}
