import { DAYS, HOURS, type SiteYear } from '../climate'
import type { NetworkModel } from './model'
import { AIR } from './room'
import { mustBePossible, RunStopped, takeDay, warmUp, type RunOptions } from './run'
import { ownStepper } from './own-loop'
import type { Stepper } from './stepper'

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
 * Air of each hour in a year that is asked for its coldest night alone, °C: the unheated year of a heated house, or a
 * house that is being drawn about. The days that cannot hold that night go the quicker the further off it is, which
 * moves it by less than 0.02 K, or 0.05 K where fans blow through the ground or through rock: those are switched by the
 * hour on such days too. What follows the last day that can is left out (Infinity). Should the coldest night fall on
 * another day after all, every day is run step by step; so it is where that is asked.
 */
export function runToColdest(
  model: NetworkModel,
  site: SiteYear,
  options: Pick<RunOptions, 'stepsPerHour' | 'heated' | 'stop'> & { inFull?: boolean },
): Float32Array {
  const { stepsPerHour, heated, stop } = options
  const dt = 3600 / stepsPerHour
  const longest = model.exchangers.length > 0 ? 1 : 24
  const everyDay = new Uint8Array(DAYS).fill(1)
  const close = options.inFull ? everyDay : coldDays(site.dryBulbC)
  const airC = run(close)
  return close[Math.floor(coldestOf(airC) / 24)] ? airC : run(everyDay)

  function run(days: Uint8Array): Float32Array {
    const air = new Float32Array(HOURS).fill(Infinity)
    const stepper = ownStepper(model, site)
    stepper.heat(heated)
    warmUp(stepper, model, stop)
    for (let day = 0; day <= days.lastIndexOf(1); day++) {
      if (stop?.()) throw new RunStopped()
      const first = day * 24
      if (days[day]) for (let h = first; h < first + 24; h++) air[h] = meanOfHour(stepper, h)
      else air.fill(takeDay(stepper, model, day, days.indexOf(1, day) - day, longest), first, first + 24)
    }
    return air
  }

  function meanOfHour(stepper: Stepper, hour: number): number {
    let sum = 0
    stepper.prepareHour(hour, dt)
    for (let s = 0; s < stepsPerHour; s++) {
      stepper.step(dt)
      sum += stepper.state[AIR]!
    }
    stepper.endHour()
    mustBePossible(hour, sum / stepsPerHour)
    return sum / stepsPerHour
  }
}

function coldestOf(airC: Float32Array): number {
  let coldest = 0
  for (let h = 0; h < HOURS; h++) if (airC[h]! < airC[coldest]!) coldest = h
  return coldest
}
