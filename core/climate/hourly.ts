import type { MeasuredYear } from '../design/types'
import { HOURS, type WeatherYear } from './types'

/** The document's hourly year as arrays for the core. The document is checked, so every series is full. */
export function unpackHourly(climate: MeasuredYear): WeatherYear {
  const { dryBulbC, dewPointC, pressurePa, globalWm2, beamWm2, diffuseWm2, skyInfraredWm2, windMs, cloud } = climate
  const f = (a: number[]) => Float32Array.from(a)
  return {
    dryBulbC: f(dryBulbC),
    dewPointC: f(dewPointC),
    pressurePa: f(pressurePa),
    globalWm2: f(globalWm2),
    beamWm2: f(beamWm2),
    diffuseWm2: f(diffuseWm2),
    skyInfraredWm2: f(skyInfraredWm2),
    windMs: f(windMs),
    cloud: f(cloud),
    snowM: climate.snowM ? f(climate.snowM) : new Float32Array(HOURS),
    notes: [...climate.notes],
  }
}
