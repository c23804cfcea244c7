import { AIR_SPECIFIC_HEAT } from './physics/constants'
import { aimLine, type AimLine } from './aim/aim-line'
import { aimFare, type AimFare } from './aim/fares'
import { bedAnswers, type BedAnswer } from './bed-answers'
import { bodyAnswers, type BodyAnswer } from './body-answers'
import { DAMP, dampAnswers, type DampAnswer } from './damp-answers'
import { lifeAnswers, type LifeAnswer } from './life-answers'
import { openingAnswers, type OpeningAnswer } from './opening-answers'
import { airStoreAnswers, type AirStoreAnswer } from './air-store-answers'
import { fuelsBought, sourceAnswers, type SourceAnswer } from './source-answers'
import { molInside, molOutside, MOL_PER_JOULE } from './light-of-days'
import { partAnswers, type PartAnswer } from './part-answers'
import { blowersW, runningCost, type RunningCost } from './running-cost'
import { leakageAreaM2, leakageFlow } from './air/leakage'
import { entry, SHELTERS } from './catalog'
import {
  dayLengthH,
  dayName,
  DAYS,
  dullDaysBefore,
  HOURS,
  isoAt,
  MONTH_DAYS,
  MONTH_OF_DAY,
  MONTH_START,
  nightsIn,
  type SiteYear,
} from './climate'
import type { Design } from './design/types'
import { fanAnswers, type FanAnswer } from './fan-answers'
import type { Building } from './geometry/surfaces'
import { elementLosses, type ElementLoss } from './network/chains'
import { STEP_M } from './network/airs'
import { ach50Of } from './air/ach50'
import { GAIN_NAMES, kWhOf, LOSS_NAMES, type LossName, type YearSeries } from './network/series'
import type { SolarGains } from './optics/gains'
import { DIM_DLI, growingDays } from './study/growing-days'
import { CORE_VERSION } from './version'

/** An hour that stands out: its air is the mean of the hour, as everywhere that an hour is shown. */
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
  /** Means of the days' lowest and highest air. */
  insideMeanLowC: number
  insideMeanHighC: number
  insideMeanC: number
  insideMaxC: number
  /** Coldest leaf of the month: see `leaf`. */
  leafMinC: number
  outsideMinC: number
  outsideMaxC: number
  soilC: number
  /** null where there is no water. */
  waterC: number | null
  /** Photosynthetic light at the beds, mol/m²·d. */
  dli: number
  topUpKWh: number
}

/** The year outside in a few figures. */
export interface OutsideYear {
  coldestC: number
  /** Deepest snow lying, m. */
  snowMostM: number
  hottestC: number
  /** Degree-hours below the aim's lowest air, K·h. */
  degreeHours: number
  /** Last frost of the spring half of the year and first of the autumn half, in words; null where there is none. */
  lastFrost: string | null
  firstFrost: string | null
}

/** One part of the heat that left on the coldest night, 0–1 of all that left. */
export interface LossShare {
  name: string
  share: number
  watts: number
}

/** The answers to a year, as the command line and the route print them. */
export interface Answers {
  version: string
  seed: number
  coldestNight: Extreme & {
    /** Dull days in a row before it. */
    dullDaysBefore: number
    day: string
    /** Where the coldest hour is the cover's doing: how cold it had been until it was opened, °C, and when, o'clock. */
    untilOpened: { insideC: number; clock: string } | null
  }
  /**
   * The topmost leaves of the coldest bed, dry (as one would be, where none stands): their coldest hour, °C, and hours
   * in which they froze.
   */
  leaf: { coldestC: number; hour: number; frostHours: number }
  hottestAfternoon: Extreme
  /**
   * Air under the ridge in the coldest hour and in the hottest, °C; and in paths that are dug lower, in the coldest;
   * null where none is.
   */
  airs: { ridgeColdestC: number; ridgeHottestC: number; pathColdestC: number | null }
  hoursBelow0: number
  hoursBelowAim: number
  hoursAboveLimit: number
  /** Hours above 90 % relative humidity. */
  hoursDamp: number
  /** Heat that is paid for, of all sources; how much of each fuel as sold. */
  topUp: {
    kWh: number
    peakW: number
    /** Nights, from noon to noon, in which any was brought. */
    nights: number
    cost: number
    currency: string
    fuels: { fuel: string; amount: number; unit: string }[]
  }
  /** Ground and rock that a fan blows air through, each by itself. */
  airStores: AirStoreAnswer[]
  /** What adds heat and light, each by itself. */
  sources: SourceAnswer[]
  /** What moves air, each by itself. */
  fans: FanAnswer[]
  /** All fans, of air stores too; lamps; pumps. */
  electricity: { fansKWh: number; lampsKWh: number; pumpsKWh: number; blowersKWh: number }
  /** What the year buys: fuel, electricity, heat of the house, water; by line and month. */
  running: RunningCost
  /** Days on which crops grow, at the beds and outdoors: see `study/growing-days`. */
  growingDays: { inside: number; outside: number }
  hoursVented: number
  /** Misting: hours in which it ran, and water that it took, kg; null where there is none. */
  misting: { hours: number; waterKg: number } | null
  hoursCovered: number
  /** A cover outside that is frozen down where it would be open: hours over all panes, and days on which it was. */
  coverStuck: { hours: number; days: number }
  /** Hours in which some water holds ice, and the most of all water that froze, 0–1; null where there is no water. */
  ice: { hours: number; most: number } | null
  /** What stands in the room and keeps heat, each by itself. */
  bodies: BodyAnswer[]
  /** Where plants grow, bed by bed. */
  beds: BedAnswer[]
  /** The skin, piece by piece. */
  parts: PartAnswer[]
  /** What is let into it, each by itself. */
  openings: OpeningAnswer[]
  soilMinC: number
  /** Days with less than ten hours of daylight, and days under 5 mol/m² at the beds. */
  shortDays: number
  dimDays: number
  condensedKg: number
  /** Damp by month, and the faces that water stands on. */
  damp: DampAnswer
  outside: OutsideYear
  /** The same year without what is paid for; null where it was left out of a heated house's run. */
  freeRunning: { coldestNight: Extreme } | null
  months: MonthAnswer[]
  /** What was asked, and how the year keeps to it. */
  aim: AimLine & Pick<AimFare, 'tightest' | 'coldestNight' | 'worstMonth'>
  ledger: { gains: Record<string, number>; losses: Record<string, number>; storedKWh: number; closure: number }
  /** The same by month, kWh; what a month neither lost nor gained it stored. */
  ledgerMonths: { gains: Record<string, number>; losses: Record<string, number> }[]
  worstNightLosses: LossShare[]
  /** What left by each way while the sun was up and while it was down, kWh in the year. */
  lossesByDay: { name: LossName; dayKWh: number; nightKWh: number }[]
  ua: { byElement: ElementLoss[]; infiltrationWK: number }
  /** What lives in it against its bounds. */
  lives: LifeAnswer[]
  /** Heat that the house behind a lean-to gave it, and took from it, kWh; at its price. Null for all others. */
  house: { gaveKWh: number; tookKWh: number; cost: number } | null
  notes: string[]
  runMs: number
}

const KWH = 3.6e6
const hourAt = (site: SiteYear, airC: Float32Array, hour: number): Extreme => ({
  at: isoAt(hour + 0.5, site.standardOffsetH),
  hour,
  insideC: airC[hour]!,
  outsideC: site.dryBulbC[hour]!,
})

/** Coldest inside hour of a year, the first of those that are alike. */
export function coldestHour(site: SiteYear, airC: Float32Array): Extreme {
  let coldest = 0
  for (let h = 1; h < HOURS; h++) if (airC[h]! < airC[coldest]!) coldest = h
  return hourAt(site, airC, coldest)
}

function hottestHour(site: SiteYear, airC: Float32Array): Extreme {
  let hottest = 0
  for (let h = 1; h < HOURS; h++) if (airC[h]! > airC[hottest]!) hottest = h
  return hourAt(site, airC, hottest)
}

function leafYear({ leafC }: YearSeries): Answers['leaf'] {
  const leaf = { coldestC: Infinity, hour: 0, frostHours: 0 }
  for (let h = 0; h < HOURS; h++) {
    const t = leafC[h]!
    if (t < 0) leaf.frostHours++
    if (t < leaf.coldestC) Object.assign(leaf, { coldestC: t, hour: h })
  }
  return leaf
}

/** A cover that was opened so many hours before the coldest one may have made it; the night before is so long, h. */
const OPENED_H = 3
const NIGHT_H = 12
/** So much colder than the night before the cover was opened, K: then it was the opening. */
const BY_OPENING_K = 0.2

/** Whether the cover was opened shortly before an hour, and the air was warmer until then. */
function untilOpened(series: YearSeries, hour: number): Answers['coldestNight']['untilOpened'] {
  for (let h = hour; h > Math.max(0, hour - OPENED_H); h--) {
    if (series.coverDrawn[h - 1]! - series.coverDrawn[h]! < 0.25) continue
    const opened = h
    let before = Infinity
    for (let k = Math.max(0, opened - NIGHT_H); k < opened; k++) before = Math.min(before, series.airC[k]!)
    if (before - series.airC[hour]! < BY_OPENING_K) return null
    // Of what had been drawn, which need not be over all panes.
    const minutes = Math.round((series.coverDrawn[h]! / series.coverDrawn[h - 1]!) * 60)
    return {
      insideC: before,
      clock: `${String(h % 24).padStart(2, '0')}:${String(Math.min(59, minutes)).padStart(2, '0')}`,
    }
  }
  return null
}

/** Hours and days on which a cover is frozen down where it would be open. */
function stuckOf({ coverStuck }: YearSeries): Answers['coverStuck'] {
  let [hours, days] = [0, 0]
  for (let d = 0; d < DAYS; d++) {
    const its = total(coverStuck.subarray(d * 24, d * 24 + 24))
    hours += its
    if (its > 0.5) days++
  }
  return { hours: Math.round(hours), days }
}

/**
 * Works the year's answers out of its run. `freeC` is the air of each hour of the unheated run, °C (the same one where
 * no heater is on), or null where there was none.
 */
export function makeAnswers(
  design: Design,
  site: SiteYear,
  building: Building,
  light: SolarGains,
  series: YearSeries,
  freeC: Float32Array | null,
  runMs: number,
): Answers {
  const coldest = coldestHour(site, series.airC)
  const hottest = hottestHour(site, series.airC)
  const day = Math.floor(coldest.hour / 24)
  let hoursBelow0 = 0
  let hoursDamp = 0
  const line = aimLine(design.aim)
  const { hoursBelow: hoursBelowAim, hoursAbove: hoursAboveLimit, ...aim } = aimFare(design, line, series, coldest.hour)
  let dayLow = Infinity
  let dayHigh = -Infinity
  let heatJ = 0
  let fanJ = 0
  let dimDays = 0
  let hoursVented = 0
  let hoursCovered = 0
  let iceHours = 0
  let iceMost = 0
  let soilMinC = Infinity
  let condensedKg = 0
  const growArea = building.bedAreaM2 > 0 ? building.bedAreaM2 : building.floorAreaM2
  const daysMol = molInside(design, growArea, series)
  let peakW = 0
  const months = Array.from(
    { length: 12 },
    (): MonthAnswer => ({
      insideMinC: Infinity,
      insideMeanLowC: 0,
      insideMeanHighC: 0,
      insideMeanC: 0,
      insideMaxC: -Infinity,
      leafMinC: Infinity,
      outsideMinC: Infinity,
      outsideMaxC: -Infinity,
      soilC: 0,
      waterC: 0,
      dli: 0,
      topUpKWh: 0,
    }),
  )
  const hasWater = !Number.isNaN(series.waterC[0]!)
  for (let h = 0; h < HOURS; h++) {
    const air = series.airC[h]!
    if (air < 0) hoursBelow0++
    if (series.relativeHumidity[h]! > DAMP) hoursDamp++
    heatJ += series.heaterW[h]! * 3600
    peakW = Math.max(peakW, series.heaterW[h]!)
    const index = MONTH_OF_DAY[Math.floor(h / 24)]!
    const hours = MONTH_DAYS[index]! * 24
    const month = months[index]!
    dayLow = Math.min(dayLow, air)
    dayHigh = Math.max(dayHigh, air)
    month.insideMinC = Math.min(month.insideMinC, air)
    month.insideMaxC = Math.max(month.insideMaxC, air)
    month.leafMinC = Math.min(month.leafMinC, series.leafC[h]!)
    month.outsideMinC = Math.min(month.outsideMinC, site.dryBulbC[h]!)
    month.outsideMaxC = Math.max(month.outsideMaxC, site.dryBulbC[h]!)
    month.insideMeanC += air / hours
    month.soilC += series.soilC[h]! / hours
    month.waterC = hasWater ? month.waterC! + series.waterC[h]! / hours : null
    if (h % 24 === 23) {
      month.insideMeanLowC += dayLow / MONTH_DAYS[index]!
      month.insideMeanHighC += dayHigh / MONTH_DAYS[index]!
      dayLow = Infinity
      dayHigh = -Infinity
      const mol = daysMol[Math.floor(h / 24)]!
      month.dli += mol / MONTH_DAYS[index]!
      if (mol < DIM_DLI) dimDays++
    }
    fanJ += series.fanW[h]! * 3600
    if (series.ventOpening[h]! > 0.02) hoursVented++
    hoursCovered += series.coverDrawn[h]!
    if (series.iceShare[h]! > 0) iceHours++
    iceMost = Math.max(iceMost, series.iceShare[h]!)
    soilMinC = Math.min(soilMinC, series.soilC[h]!)
    condensedKg += series.condensedKg[h]!
    month.topUpKWh += series.heaterW[h]! / 1000
  }
  const losses: Record<string, number> = {}
  const gains: Record<string, number> = {}
  const lostByMonth = series.losses.map(monthSums)
  const gainedByMonth = series.gains.map(monthSums)
  LOSS_NAMES.forEach((name, i) => {
    losses[name] = total(lostByMonth[i]!) / 1000
  })
  GAIN_NAMES.forEach((name, i) => {
    const kWh = total(gainedByMonth[i]!) / 1000
    if (kWh !== 0 || name === 'sun' || name === 'heater') gains[name] = kWh
  })
  const lost = total(Object.values(losses)) * KWH
  const gained = total(Object.values(gains)) * KWH
  const sources = sourceAnswers(design, series)
  const byElement = elementLosses(design, building)
  const shelter = entry(SHELTERS, design.site.shelter)
  const leakArea = leakageAreaM2(ach50Of(design.breathe), building.volumeM3)
  const worstNightLosses = nightLosses(series, coldest.hour)
  const nightLossW = worstNightLosses.reduce((sum, l) => sum + l.watts, 0)
  return {
    version: CORE_VERSION,
    seed: design.site.seed,
    coldestNight: {
      ...coldest,
      dullDaysBefore: dullDaysBefore(site, day),
      day: dayName(day),
      untilOpened: untilOpened(series, coldest.hour),
    },
    leaf: leafYear(series),
    hottestAfternoon: hottest,
    airs: {
      ridgeColdestC: series.ridgeC[coldest.hour]!,
      ridgeHottestC: series.ridgeC[hottest.hour]!,
      pathColdestC: design.shape.pathM <= -STEP_M ? series.pathC[coldest.hour]! : null,
    },
    hoursBelow0,
    hoursBelowAim,
    hoursAboveLimit,
    hoursDamp,
    topUp: {
      kWh: heatJ / KWH,
      peakW,
      nights: nightsIn([...series.heaterW.keys()].filter(h => series.heaterW[h]! > 0)),
      cost: sources.reduce((sum, s) => sum + (s.bought?.cost ?? 0), 0),
      currency: design.topUp.currency,
      fuels: fuelsBought(sources),
    },
    airStores: airStoreAnswers(design, building, site, series),
    sources,
    fans: fanAnswers(design, series),
    electricity: {
      fansKWh: fanJ / KWH,
      lampsKWh: gains.lamps ?? 0,
      pumpsKWh: kWhOf(series.pumpsW),
      blowersKWh: (blowersW(building) * HOURS) / 1000,
    },
    running: runningCost(design, building, series),
    growingDays: {
      inside: growingDays(series.airC, series.leafC, daysMol),
      outside: growingDays(site.dryBulbC, site.dryBulbC, molOutside(site)),
    },
    hoursVented,
    misting: design.breathe.misting.on ? misted(series) : null,
    hoursCovered: Math.round(hoursCovered),
    coverStuck: stuckOf(series),
    ice: hasWater ? { hours: iceHours, most: iceMost } : null,
    beds: bedAnswers(design, building, light, series, coldest.hour, MOL_PER_JOULE),
    bodies: bodyAnswers(design, building, light, series, coldest.hour, nightLossW),
    openings: openingAnswers(design, building, byElement, series),
    parts: partAnswers(building, byElement, light, series, coldest.hour),
    soilMinC,
    dimDays,
    condensedKg,
    damp: dampAnswers(design, series),
    shortDays: Array.from({ length: DAYS }, (_, d) => dayLengthH(d, site.latitudeDeg)).filter(l => l < 10).length,
    outside: outsideYear(site, line.lowC),
    freeRunning: freeC && { coldestNight: coldestHour(site, freeC) },
    months,
    aim: { ...line, ...aim },
    ledger: {
      gains,
      losses,
      storedKWh: series.storedJ / KWH,
      closure: Math.abs(gained - lost - series.storedJ) / Math.max(gained, 1),
    },
    ledgerMonths: monthlyLedger(gainedByMonth, lostByMonth),
    worstNightLosses,
    lossesByDay: dayAndNight(site, series, losses),
    ua: {
      byElement,
      infiltrationWK:
        leakageFlow(leakArea, coldest.insideC - coldest.outsideC, site.windMs[coldest.hour]!, shelter.leakWind) *
        1.25 *
        AIR_SPECIFIC_HEAT,
    },
    lives: lifeAnswers(design, line, series),
    house: design.shape.form === 'lean-to' ? houseAnswer(design, series) : null,
    notes: [...site.notes],
    runMs,
  }
}

function misted({ mistKg }: YearSeries): { hours: number; waterKg: number } {
  let hours = 0
  let waterKg = 0
  for (const kg of mistKg) {
    if (kg > 0.001) hours++
    waterKg += kg
  }
  return { hours, waterKg }
}

function total(values: Iterable<number>): number {
  let sum = 0
  for (const v of values) sum += v
  return sum
}

/** What goes through the wall of the house and its door, hour by hour. */
function houseAnswer({ shape }: Design, { losses }: YearSeries): NonNullable<Answers['house']> {
  let gave = 0
  let took = 0
  for (const watts of losses[LOSS_NAMES.indexOf('house')]!) {
    gave += Math.max(0, -watts)
    took += Math.max(0, watts)
  }
  return { gaveKWh: gave / 1000, tookKWh: took / 1000, cost: (gave / 1000) * shape.house.pricePerKWh }
}

/** Sums of a flow by month, Wh. */
function monthSums(watts: Float32Array): number[] {
  return MONTH_DAYS.map((days, m) => {
    const from = MONTH_START[m]! * 24
    let sum = 0
    for (let h = from; h < from + days * 24; h++) sum += watts[h]!
    return sum
  })
}

function dayAndNight(
  site: SiteYear,
  series: YearSeries,
  losses: Readonly<Record<string, number>>,
): Answers['lossesByDay'] {
  const days: number[] = []
  for (let h = 0; h < HOURS; h++) if (site.sunAltitudeDeg[h]! > 0) days.push(h)
  return LOSS_NAMES.map((name, i) => {
    const watts = series.losses[i]!
    let dayWh = 0
    for (const h of days) dayWh += watts[h]!
    return { name, dayKWh: dayWh / 1000, nightKWh: losses[name]! - dayWh / 1000 }
  })
}

/** Gains and losses by month, kWh; ways that carried nothing all year are left out. */
function monthlyLedger(gained: readonly number[][], lost: readonly number[][]): Answers['ledgerMonths'] {
  const named = (names: readonly string[], sums: readonly number[][], m: number) => {
    const out: Record<string, number> = {}
    names.forEach((name, i) => {
      if (sums[i]!.some(v => v !== 0)) out[name] = sums[i]![m]! / 1000
    })
    return out
  }
  return MONTH_DAYS.map((_, m) => ({ gains: named(GAIN_NAMES, gained, m), losses: named(LOSS_NAMES, lost, m) }))
}

/** Frost dates, extremes and degree-hours of a site's year. The year is split at its warmest day. */
function outsideYear(site: SiteYear, lowC: AimLine['lowC']): OutsideYear {
  let coldestC = Infinity
  let hottestC = -Infinity
  let degreeHours = 0
  const frost = new Uint8Array(DAYS)
  for (let h = 0; h < HOURS; h++) {
    const t = site.dryBulbC[h]!
    coldestC = Math.min(coldestC, t)
    hottestC = Math.max(hottestC, t)
    degreeHours += Math.max(0, (lowC[MONTH_OF_DAY[Math.floor(h / 24)]!] ?? t) - t)
    if (t < 0) frost[Math.floor(h / 24)] = 1
  }
  // The ground's coldest day lies about a month behind the air's: half a year on stands high summer.
  const summer = Math.round(site.ground.coldestDay + DAYS / 2) % DAYS
  let lastFrost: string | null = null
  let firstFrost: string | null = null
  for (let k = 1; k <= DAYS / 2; k++) {
    const before = (summer - k + DAYS) % DAYS
    const after = (summer + k) % DAYS
    if (lastFrost === null && frost[before]) lastFrost = dayName(before)
    if (firstFrost === null && frost[after]) firstFrost = dayName(after)
  }
  const snowMostM = site.snowM.reduce((a, b) => Math.max(a, b), 0)
  return { coldestC, hottestC, snowMostM, degreeHours, lastFrost, firstFrost }
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
