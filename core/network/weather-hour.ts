import { GAS_CONSTANT_AIR, ZERO_C_K } from '../physics/constants'
import type { SiteYear } from '../climate'
import type { Memory } from './memory'
import { DAY_MEAN, DENSITY, GLOBAL, MOIST_OUT, OUT, PRESSURE, SKY, SNOW_M, WIND } from './room'

/** The weather of an hour, put among the loop's scalars. */
export function makeWeatherHour(memory: Memory) {
  const { v } = memory
  const dryBulbC = memory.hours()
  const windMs = memory.hours()
  const pressurePa = memory.hours()
  const moistureOut = memory.hours()
  const skyC = memory.hours()
  const globalWm2 = memory.hours()
  const snowM = memory.hours()
  /** The day whose mean stands in `DAY_MEAN`. */
  let day = -1

  function lay(site: SiteYear): void {
    dryBulbC.set(site.dryBulbC)
    windMs.set(site.windMs)
    pressurePa.set(site.pressurePa)
    moistureOut.set(site.humidityRatio)
    skyC.set(site.skyC)
    globalWm2.set(site.globalWm2)
    snowM.set(site.snowM)
    day = -1
  }

  function begin(h: number): void {
    const pressure = pressurePa[h]!
    v[OUT] = dryBulbC[h]!
    v[WIND] = windMs[h]!
    v[PRESSURE] = pressure
    v[DENSITY] = pressure / (GAS_CONSTANT_AIR * (v[OUT]! + ZERO_C_K))
    v[MOIST_OUT] = moistureOut[h]!
    v[SKY] = skyC[h]!
    v[GLOBAL] = globalWm2[h]!
    v[SNOW_M] = snowM[h]!
    const today = (h / 24) | 0
    if (today === day) return
    day = today
    let sum = 0
    for (let k = today * 24; k < today * 24 + 24; k++) sum += dryBulbC[k]!
    v[DAY_MEAN] = sum / 24
  }

  return { lay, begin }
}
