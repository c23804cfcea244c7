import type { Spell } from '../design/types'
import { skyInfraredWm2 } from './atmosphere'
import { fillDaySun } from './day-sky'
import { fillTemperatures } from './diurnal'
import { extraterrestrialDayJm2 } from './radiation'
import type { SunYear } from './sun-year'
import { DAYS, HOURS, type WeatherYear } from './types'

const { max, min } = Math

/** Clearness of the scripted dull and clear days. */
const DULL = 0.14
const CLEAR = 0.7

/**
 * A copy of a weather year with a scripted spell in it: dull, mild-nighted days, then clear ones whose nights fall
 * evenly to the low asked for. It may run over the turn of the year.
 */
export function withSpell(weather: WeatherYear, spell: Spell, sun: SunYear): WeatherYear {
  const year: WeatherYear = {
    ...weather,
    dryBulbC: weather.dryBulbC.slice(),
    dewPointC: weather.dewPointC.slice(),
    globalWm2: weather.globalWm2.slice(),
    beamWm2: weather.beamWm2.slice(),
    diffuseWm2: weather.diffuseWm2.slice(),
    skyInfraredWm2: weather.skyInfraredWm2.slice(),
    cloud: weather.cloud.slice(),
    notes: [
      ...weather.notes,
      `A spell is laid in: ${spell.dullDays} dull days, then ${spell.clearDays} clear ones down to ${spell.lowC} °C.`,
    ],
  }
  const low = new Float64Array(DAYS).fill(Infinity)
  const high = new Float64Array(DAYS).fill(-Infinity)
  for (let h = 0; h < HOURS; h++) {
    const d = (h / 24) | 0
    low[d] = min(low[d]!, weather.dryBulbC[h]!)
    high[d] = max(high[d]!, weather.dryBulbC[h]!)
  }
  const count = spell.dullDays + spell.clearDays
  const days = Array.from({ length: count }, (_, i) => (spell.startDay + i) % DAYS)
  const start = (low[days[0]!]! + high[days[0]!]!) / 2
  days.forEach((d, i) => {
    const dull = i < spell.dullDays
    const fallen = dull ? 0 : (i - spell.dullDays + 1) / spell.clearDays
    low[d] = dull ? start - 1.5 : start - 1.5 + (spell.lowC - start + 1.5) * fallen
    high[d] = dull ? start + 1.5 : low[d]! + 9
  })
  for (const d of days) fillTemperatures(year.dryBulbC, low, high, sun, d, d + 1)
  days.forEach((d, i) => {
    const dull = i < spell.dullDays
    const cloud = dull ? 1 : 0
    fillDaySun(
      year,
      sun,
      d,
      (dull ? DULL : CLEAR) * extraterrestrialDayJm2(d, sun.latitudeDeg),
      year.pressurePa[d * 24]!,
    )
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      year.cloud[h] = cloud
      year.dewPointC[h] = min(year.dryBulbC[h]! - 0.2, low[d]! - (dull ? 0.5 : 2.5))
      year.skyInfraredWm2[h] = skyInfraredWm2(
        year.dryBulbC[h]!,
        year.dewPointC[h]!,
        cloud,
        k + 0.5,
        year.pressurePa[h]!,
      )
    }
  })
  return year
}
