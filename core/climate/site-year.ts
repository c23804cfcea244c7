import { fitGroundClimate } from './ground-climate'
import { generateWeather } from './generator'
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
  climate: { kind: 'normals' } & Normals | { kind: 'hourly', weather: WeatherYear }
}

/** The site's year: weather and sun, hour by hour in local standard time. Throws RangeError for an unknown time zone. */
export function makeSiteYear(site: SiteInput): SiteYear {
  const offset = standardOffsetH(site.timeZone)
  const sun = makeSunYear(site.latitudeDeg, site.longitudeDeg, offset)
  const weather = site.climate.kind === 'hourly' ? site.climate.weather : generateWeather(site.climate, sun, site.elevationM, site.seed)
  const extraterrestrial = new Float32Array(HOURS)
  for (let h = 0; h < HOURS; h++) extraterrestrial[h] = extraterrestrialWm2(Math.floor(h / 24))
  return {
    ...weather, latitudeDeg: site.latitudeDeg, longitudeDeg: site.longitudeDeg, standardOffsetH: offset,
    sunAltitudeDeg: sun.altitudeDeg, sunAzimuthDeg: sun.azimuthDeg, extraterrestrialWm2: extraterrestrial,
    ground: fitGroundClimate(weather.dryBulbC),
  }
}

/** Mean daily global radiation on the level by month, J/m². */
export function monthlyRadiation(year: Pick<SiteYear, 'globalWm2'>): number[] {
  return monthlyMeans(Float64Array.from({ length: DAYS }, (_, d) => year.globalWm2.subarray(d * 24, d * 24 + 24).reduce((s, w) => s + w, 0) * 3600))
}
