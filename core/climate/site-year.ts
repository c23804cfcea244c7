import { STEFAN_BOLTZMANN, ZERO_C_K } from '../physics/constants'
import type { HorizonPoint, Spell } from '../design/types'
import { humidityRatio, vapourAtDewPointPa } from './atmosphere'
import { fitGroundClimate } from './ground-climate'
import { makeHorizon } from './horizon'
import { variedMeasured } from './measured-winters'
import { withSpell } from './spell'
import { generateWeather, type Months } from './generator'
import { extraterrestrialWm2 } from './radiation'
import { makeSunYear } from './sun-year'
import { standardOffsetH } from './time-zone'
import { monthlyMeans } from './monthly'
import { DAYS, HOURS, type Normals, type SiteYear, type WeatherYear } from './types'

/** What the site year is made from: a place and either normals with a seed or a ready weather year. */
export interface SiteInput {
  latitudeDeg: number
  longitudeDeg: number
  elevationM: number
  /** IANA name. */
  timeZone: string
  seed: number
  /** Those of the normals unless said. */
  months?: Months
  climate: ({ kind: 'normals' } & Normals) | { kind: 'hourly'; weather: WeatherYear }
  spell: Spell | null
  horizon: readonly HorizonPoint[]
}

/**
 * The site's year: weather and sun, hour by hour in local standard time. Throws RangeError for an unknown time zone.
 */
export function makeSiteYear(site: SiteInput): SiteYear {
  const offset = standardOffsetH(site.timeZone)
  const sun = makeSunYear(site.latitudeDeg, site.longitudeDeg, offset)
  const plain =
    site.climate.kind === 'hourly'
      ? site.months === 'varied'
        ? variedMeasured(site.climate.weather, sun, site.seed)
        : site.climate.weather
      : generateWeather(site.climate, sun, site.elevationM, site.seed, site.months)
  const weather = site.spell ? withSpell(plain, site.spell, sun) : plain
  const extraterrestrial = new Float32Array(HOURS)
  for (let d = 0; d < DAYS; d++) extraterrestrial.fill(extraterrestrialWm2(d), d * 24, d * 24 + 24)
  const { skyC, humidity } = derivedHours(weather)
  return {
    ...weather,
    latitudeDeg: site.latitudeDeg,
    longitudeDeg: site.longitudeDeg,
    standardOffsetH: offset,
    sunAltitudeDeg: sun.altitudeDeg,
    sunAzimuthDeg: sun.azimuthDeg,
    extraterrestrialWm2: extraterrestrial,
    skyC,
    humidityRatio: humidity,
    ground: fitGroundClimate(weather.dryBulbC),
    horizon: makeHorizon(site.horizon, weather.dryBulbC),
  }
}

/** What the network asks of every hour: the sky's temperature and the moisture outside. */
export function derivedHours(weather: Pick<WeatherYear, 'skyInfraredWm2' | 'dewPointC' | 'pressurePa'>): {
  skyC: Float32Array
  humidity: Float32Array
} {
  const skyC = new Float32Array(HOURS)
  const humidity = new Float32Array(HOURS)
  for (let h = 0; h < HOURS; h++) {
    skyC[h] = Math.sqrt(Math.sqrt(weather.skyInfraredWm2[h]! / STEFAN_BOLTZMANN)) - ZERO_C_K
    humidity[h] = humidityRatio(vapourAtDewPointPa(weather.dewPointC[h]!), weather.pressurePa[h]!)
  }
  return { skyC, humidity }
}

/** Mean daily global horizontal radiation by month, J/m². */
export function monthlyRadiation(year: Pick<SiteYear, 'globalWm2'>): number[] {
  return monthlyMeans(
    Float64Array.from(
      { length: DAYS },
      (_, d) => year.globalWm2.subarray(d * 24, d * 24 + 24).reduce((s, w) => s + w, 0) * 3600,
    ),
  )
}
