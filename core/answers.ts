import { entry, FUELS, LEAKAGE_CLASSES } from './catalog'
import { leakageAreaM2, leakageFlow } from './air/leakage'
import { dayName, HOURS, isoAt, MONTH_DAYS, MONTH_OF_DAY, type SiteYear } from './climate'
import type { Design } from './design/types'
import type { Building } from './geometry/surfaces'
import { elementLosses, type ElementLoss } from './network/chains'
import { LOSS_NAMES, type YearSeries } from './network/series'
import type { SolarGains } from './optics/gains'
import { CORE_VERSION } from './version'

/** An hour that stands out. */
export interface Extreme {
  /** ISO 8601 with offset, local standard time. */
  at: string
  /** Hour of the nominal year. */
  hour: number
  insideC: number
  outsideC: number
}

export interface MonthAnswer {
  insideMinC: number
  insideMeanC: number
  insideMaxC: number
  outsideMinC: number
  outsideMaxC: number
  soilC: number
  /** null where there is no water. */
  waterC: number | null
  /** Photosynthetic light at the beds, mol/m²·d. */
  dli: number
  topUpKWh: number
}

/** One part of the heat that left on the coldest night, 0–1 of all that left. */
export interface LossShare { name: string, share: number, watts: number }

/** The answers to a year, as the command line and the route print them. */
export interface Answers {
  version: string
  seed: number
  coldestNight: Extreme & { /** Dull days in a row before it. */ dullDaysBefore: number, day: string }
  hottestAfternoon: Extreme
  hoursBelow0: number
  hoursBelowAim: number
  hoursAboveLimit: number
  /** Hours above 90 % relative humidity. */
  hoursDamp: number
  topUp: { kWh: number, peakW: number, cost: number, currency: string }
  freeRunning: { coldestNight: Extreme }
  months: MonthAnswer[]
  ledger: { gains: Record<string, number>, losses: Record<string, number>, storedKWh: number, closure: number }
  worstNightLosses: LossShare[]
  ua: { byElement: ElementLoss[], infiltrationWK: number }
  notes: string[]
  runMs: number
}

const KWH = 3.6e6
/** Photons of useful light in sunlight, mol per joule: 0.45 of the energy at 4.57 µmol/J. McCree 1972; Thimijan & Heins 1983. */
export const MOL_PER_JOULE = 0.45 * 4.57e-6

function extreme(site: SiteYear, inside: Float32Array, sign: 1 | -1): Extreme {
  let best = 0
  for (let h = 1; h < HOURS; h++) if (sign * inside[h]! > sign * inside[best]!) best = h
  return { at: isoAt(best + 0.5, site.standardOffsetH), hour: best, insideC: inside[best]!, outsideC: site.dryBulbC[best]! }
}

/** Coldest inside hour of a year, by the lowest step of each hour. */
export function coldestHour(site: SiteYear, series: YearSeries): Extreme {
  return extreme(site, series.airMinC, -1)
}

/** Days in a row before a day with less than 45 % of the light that its season's clearest days bring. */
function dullDaysBefore(site: SiteYear, day: number): number {
  const light = (d: number) => {
    let sum = 0
    for (let k = 0; k < 24; k++) sum += site.globalWm2[d * 24 + k]!
    return sum
  }
  let brightest = 0
  for (let d = -20; d <= 20; d++) brightest = Math.max(brightest, light((day + d + 365) % 365))
  let count = 0
  while (count < 14 && light((day - 1 - count + 365) % 365) < 0.45 * brightest) count++
  return count
}

/** Works the year's answers out of its run. `free` is the unheated run (the same one where no heater is on). */
export function makeAnswers(design: Design, site: SiteYear, building: Building, gains: SolarGains, series: YearSeries, free: YearSeries, runMs: number): Answers {
  const coldest = coldestHour(site, series)
  const day = Math.floor(coldest.hour / 24)
  let hoursBelow0 = 0
  let hoursBelowAim = 0
  let hoursAboveLimit = 0
  let hoursDamp = 0
  let heatJ = 0
  let peakW = 0
  let sunJ = 0
  const months = Array.from({ length: 12 }, (): MonthAnswer => ({
    insideMinC: Infinity, insideMeanC: 0, insideMaxC: -Infinity, outsideMinC: Infinity, outsideMaxC: -Infinity, soilC: 0, waterC: 0, dli: 0, topUpKWh: 0,
  }))
  const hasWater = design.store.barrels.count > 0
  for (let h = 0; h < HOURS; h++) {
    const air = series.airC[h]!
    if (air < 0) hoursBelow0++
    if (air < design.aim.lowestAirC) hoursBelowAim++
    if (air > design.aim.highestAirC) hoursAboveLimit++
    if (series.relativeHumidity[h]! > 0.9) hoursDamp++
    heatJ += series.heaterW[h]! * 3600
    peakW = Math.max(peakW, series.heaterW[h]!)
    sunJ += series.sunW[h]! * 3600
    const index = MONTH_OF_DAY[Math.floor(h / 24)]!
    const hours = MONTH_DAYS[index]! * 24
    const month = months[index]!
    month.insideMinC = Math.min(month.insideMinC, series.airMinC[h]!)
    month.insideMaxC = Math.max(month.insideMaxC, series.airMaxC[h]!)
    month.outsideMinC = Math.min(month.outsideMinC, site.dryBulbC[h]!)
    month.outsideMaxC = Math.max(month.outsideMaxC, site.dryBulbC[h]!)
    month.insideMeanC += air / hours
    month.soilC += series.soilC[h]! / hours
    month.waterC = hasWater ? month.waterC! + series.waterC[h]! / hours : null
    month.dli += gains.bedLightWm2[h]! * 3600 * MOL_PER_JOULE / MONTH_DAYS[index]!
    month.topUpKWh += series.heaterW[h]! / 1000
  }
  const losses: Record<string, number> = {}
  let lost = 0
  LOSS_NAMES.forEach((name, i) => {
    let joules = 0
    for (let h = 0; h < HOURS; h++) joules += series.losses[i]![h]! * 3600
    losses[name] = joules / KWH
    lost += joules
  })
  const gained = sunJ + heatJ
  const heater = design.topUp.heater
  const price = heater.pricePerKWh / entry(FUELS, heater.fuel).efficiency
  const leakArea = leakageAreaM2(entry(LEAKAGE_CLASSES, design.breathe.leakage).ach50, building.volumeM3)
  return {
    version: CORE_VERSION,
    seed: design.site.seed,
    coldestNight: { ...coldest, dullDaysBefore: dullDaysBefore(site, day), day: dayName(day) },
    hottestAfternoon: extreme(site, series.airMaxC, 1),
    hoursBelow0, hoursBelowAim, hoursAboveLimit, hoursDamp,
    topUp: { kWh: heatJ / KWH, peakW, cost: heatJ / KWH * price, currency: heater.currency },
    freeRunning: { coldestNight: coldestHour(site, free) },
    months,
    ledger: { gains: { sun: sunJ / KWH, heater: heatJ / KWH }, losses, storedKWh: series.storedJ / KWH, closure: Math.abs(gained - lost - series.storedJ) / Math.max(gained, 1) },
    worstNightLosses: nightLosses(series, coldest.hour),
    ua: { byElement: elementLosses(design, building), infiltrationWK: leakageFlow(leakArea, coldest.insideC - coldest.outsideC, site.windMs[coldest.hour]!) * 1.25 * 1006 },
    notes: [...site.notes],
    runMs,
  }
}

/** What left in the twelve hours up to an hour, largest first; ways that brought heat in are left out. */
export function nightLosses(series: YearSeries, hour: number): LossShare[] {
  const from = Math.max(0, hour - 11)
  const rows = LOSS_NAMES.map((name, i) => {
    let sum = 0
    for (let h = from; h <= hour; h++) sum += series.losses[i]![h]!
    return { name, watts: sum / (hour - from + 1), share: 0 }
  }).filter(r => r.watts > 0)
  const all = rows.reduce((s, r) => s + r.watts, 0)
  return rows.map(r => ({ ...r, share: r.watts / all })).sort((a, b) => b.watts - a.watts)
}
