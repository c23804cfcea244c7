import { ZERO_C_K } from '../physics/constants'
import { splitDay, sunShape } from './day-sky'
import { monthlyMeans, monthlyNormals, smoothDaily } from './monthly'
import type { SunYear } from './sun-year'
import { DAYS, MONTH_OF_DAY, type WeatherYear } from './types'
import { variedMonths } from './year-to-year'

/**
 * Another winter of the place of a measured year: its hours, with months that stray from it as the months of such a
 * climate do. Air and dew point are shifted alike, so that the air stays as damp as it was; the sun of a day is dimmed
 * or brightened, up to the clearest sky, and the sky's longwave goes with the air.
 */
export function variedMeasured(weather: WeatherYear, sun: SunYear, seed: number): WeatherYear {
  const globalJm2 = monthlyMeans(
    Float64Array.from({ length: DAYS }, (_, d) => sumOf(weather.globalWm2.subarray(d * 24, d * 24 + 24)) * 3600),
  )
  const varied = variedMonths(monthlyNormals(weather.dryBulbC), sun.latitudeDeg, globalJm2, seed)
  const warmerK = smoothDaily(varied.warmerK)
  const { ceilingWm2 } = sunShape(sun, weather.pressurePa[0]!)
  const byHour = (of: (h: number, d: number) => number) =>
    Float32Array.from(weather.dryBulbC, (_, h) => of(h, (h / 24) | 0))
  const year: WeatherYear = {
    ...weather,
    dryBulbC: byHour((h, d) => weather.dryBulbC[h]! + warmerK[d]!),
    dewPointC: byHour((h, d) => weather.dewPointC[h]! + warmerK[d]!),
    skyInfraredWm2: byHour(
      (h, d) => weather.skyInfraredWm2[h]! * (1 + warmerK[d]! / (weather.dryBulbC[h]! + ZERO_C_K)) ** 4,
    ),
    globalWm2: byHour((h, d) => {
      const now = weather.globalWm2[h]!
      const then = now * varied.sun[MONTH_OF_DAY[d]!]!
      return then > now ? Math.max(now, Math.min(then, ceilingWm2[h]!)) : then
    }),
    beamWm2: weather.beamWm2.slice(),
    diffuseWm2: weather.diffuseWm2.slice(),
    notes: [...weather.notes, 'Its months stray from the measured ones as those of one winter do.'],
  }
  for (let d = 0; d < DAYS; d++) splitDay(year, sun, d)
  return year
}

const sumOf = (values: Float32Array) => values.reduce((sum, v) => sum + v, 0)
