import { HOURS } from '../../climate/types'
import type { Complaint } from '../field'

/** The place that a climate is of. */
export interface ClimatePlace {
  place: string
  latitudeDeg: number
  longitudeDeg: number
}

/**
 * A year of measured weather in the document, 8760 values each, from 1 January 00:00 local standard time. Units as in
 * `WeatherYear`.
 */
export interface MeasuredYear {
  source: string
  notes: string[]
  dryBulbC: number[]
  dewPointC: number[]
  pressurePa: number[]
  globalWm2: number[]
  beamWm2: number[]
  diffuseWm2: number[]
  skyInfraredWm2: number[]
  windMs: number[]
  cloud: number[]
  /** Depth of snow lying, m; left out where the source has none. */
  snowM?: number[]
}

/** The measured year that the house is worked out in, and other measured years of the same place. */
export interface HourlyClimate extends MeasuredYear {
  kind: 'hourly'
  /** Left out, it is of the site. */
  at?: ClimatePlace
  others?: MeasuredYear[]
}

/** So many years may stand beside the one that a design is worked out in: with it, as many as a normal is made of. */
export const MOST_OTHER_YEARS = 29

/** Monthly normals, January first. What is left out is estimated, and said to be. */
export interface NormalsClimate {
  kind: 'normals'
  /** Left out, they are of the site. */
  at?: ClimatePlace
  /** The kind of climate that stands in for the place's own figures; left out once they are its own. */
  illustrative?: string
  /** Mean daily lowest and highest air temperature, °C. */
  lowC: number[]
  highC: number[]
  /** Mean daily hours of bright sunshine. */
  sunshineH?: number[]
  /** Mean daily global horizontal radiation, J/m². Goes before sunshine hours. */
  globalJm2?: number[]
  /** Mean relative humidity, 0–1. */
  humidity?: number[]
  /** Mean wind at 10 m, m/s. */
  windMs?: number[]
  /** Days with snow lying. */
  snowDays?: number[]
  /** Coldest night and hottest afternoon that the made year must reach, °C. */
  designLowC?: number
  /** Mean of each winter's coldest hour, °C, where the lowest of this one year is left open. */
  meanYearlyLowC?: number
  designHighC?: number
  /** Mean of the coldest month that anybody remembers, °C: how far winters stray there. */
  coldestMonthC?: number
}

const HOURLY: Record<string, readonly [number, number]> = {
  dryBulbC: [-90, 70],
  dewPointC: [-100, 40],
  pressurePa: [30000, 110000],
  globalWm2: [0, 1600],
  beamWm2: [0, 1500],
  diffuseWm2: [0, 1200],
  skyInfraredWm2: [40, 700],
  windMs: [0, 80],
  cloud: [0, 1],
  snowM: [0, 20],
}

/** No air warms or cools faster than this from hour to hour, K. */
const FASTEST_K = 40
/** Nor further than this within a day, K: the most that was ever measured is 57. */
const MOST_A_DAY_K = 70
/** How far the air goes within the day that ends with an hour, K. */
function swingOf(air: readonly number[], hour: number): number {
  let [low, high] = [Infinity, -Infinity]
  for (let h = hour - 23; h <= hour; h++) {
    low = Math.min(low, air[h]!)
    high = Math.max(high, air[h]!)
  }
  return high - low
}

/** A value as a fault names it. */
const shown = (v: unknown) => (typeof v === 'number' ? String(v) : (JSON.stringify(v)?.slice(0, 40) ?? 'missing'))

function isPlace(at: unknown): boolean {
  if (typeof at !== 'object' || at === null) return false
  const { place, latitudeDeg, longitudeDeg } = at as Record<string, unknown>
  return (
    typeof place === 'string' &&
    place.length <= 120 &&
    typeof latitudeDeg === 'number' &&
    Math.abs(latitudeDeg) <= 90 &&
    typeof longitudeDeg === 'number' &&
    Math.abs(longitudeDeg) <= 180
  )
}

/** What is wrong with a climate, each with its place within it. */
export function climateFaults(value: unknown): Complaint[] {
  if (typeof value !== 'object' || value === null)
    return [{ at: '', message: 'is missing', allowed: 'normals or an hourly year' }]
  const climate = value as Record<string, unknown>
  if (climate.at !== undefined && !isPlace(climate.at))
    return [{ at: '.at', message: 'is not a place', allowed: 'place, latitudeDeg and longitudeDeg, or nothing at all' }]
  if (climate.kind === 'normals') {
    const { illustrative } = climate
    if (illustrative !== undefined && (typeof illustrative !== 'string' || illustrative.length > 120))
      return [{ at: '.illustrative', message: 'is no kind of climate', allowed: 'up to 120 letters, or nothing' }]
    const faults = normalsFaults(climate.lowC, climate.highC)
    return faults.length > 0 ? faults : optionalNormalsFaults(climate)
  }
  if (climate.kind !== 'hourly') return [{ at: '.kind', message: 'is not known', allowed: 'normals or hourly' }]
  const out = yearFaults(climate)
  const { others } = climate
  if (others === undefined || out.length > 0) return out
  if (
    !Array.isArray(others) ||
    others.length > MOST_OTHER_YEARS ||
    others.some(o => typeof o !== 'object' || o === null)
  )
    return [{ at: '.others', message: 'is no list of years', allowed: `up to ${MOST_OTHER_YEARS} measured years` }]
  return others.flatMap((year: Record<string, unknown>, i) =>
    yearFaults(year).map(fault => ({ ...fault, at: `.others[${i}]${fault.at}` })),
  )
}

/** Series that were found sound, and as what: nobody writes into a document, and many years are looked at each edit. */
const SOUND = new WeakMap<object, string>()
/** Series of air without a jump. */
const EVEN = new WeakSet<number[]>()

/** What is wrong with one measured year. */
function yearFaults(year: Record<string, unknown>): Complaint[] {
  const out: Complaint[] = []
  if (typeof year.source !== 'string') out.push({ at: '.source', message: 'is missing', allowed: 'text' })
  if (!Array.isArray(year.notes) || year.notes.length > 50 || year.notes.some(n => typeof n !== 'string'))
    out.push({ at: '.notes', message: 'is missing or too long', allowed: 'a list of up to 50 sentences' })
  for (const [name, [low, high]] of Object.entries(HOURLY)) {
    const series = year[name]
    if (name === 'snowM' && series === undefined) continue
    if (!Array.isArray(series) || series.length !== HOURS) {
      out.push({ at: `.${name}`, message: 'is not a full year', allowed: `${HOURS} hourly numbers` })
      continue
    }
    if (SOUND.get(series) === name) continue
    const bad = series.findIndex(v => typeof v !== 'number' || !Number.isFinite(v) || v < low || v > high)
    if (bad < 0) SOUND.set(series, name)
    else
      out.push({
        at: `.${name}[${bad}]`,
        message: `is ${shown(series[bad])}`,
        allowed: `a number from ${low} to ${high}`,
      })
  }
  if (out.length > 0 || EVEN.has(year.dryBulbC as number[])) return out
  const air = year.dryBulbC as number[]
  const jump = air.findIndex((t, h) => h > 0 && Math.abs(t - air[h - 1]!) > FASTEST_K)
  if (jump >= 0)
    out.push({
      at: `.dryBulbC[${jump}]`,
      message: `is ${air[jump]}, after ${air[jump - 1]} an hour before`,
      allowed: `a change of at most ${FASTEST_K} K from hour to hour`,
    })
  const day = jump < 0 ? air.findIndex((_, h) => h >= 23 && swingOf(air, h) > MOST_A_DAY_K) : -1
  if (day >= 0)
    out.push({
      at: `.dryBulbC[${day}]`,
      message: `ends a day in which the air changes by ${Math.round(swingOf(air, day))} K`,
      allowed: `a change of at most ${MOST_A_DAY_K} K within a day`,
    })
  if (out.length === 0) EVEN.add(air)
  return out
}

const OPTIONAL_NORMALS: Record<string, readonly [number, number]> = {
  sunshineH: [0, 24],
  globalJm2: [0, 4.5e7],
  humidity: [0.05, 1],
  windMs: [0, 30],
  snowDays: [0, 31],
}

function optionalNormalsFaults(climate: Record<string, unknown>): Complaint[] {
  const out: Complaint[] = []
  for (const [name, [low, high]] of Object.entries(OPTIONAL_NORMALS)) {
    const series = climate[name]
    if (series === undefined) continue
    if (!Array.isArray(series) || series.length !== 12) {
      out.push({
        at: `.${name}`,
        message: `has ${Array.isArray(series) ? series.length : 'no'} months`,
        allowed: 'twelve monthly means, January first, or nothing at all',
      })
      continue
    }
    const bad = series.findIndex(v => typeof v !== 'number' || !Number.isFinite(v) || v < low || v > high)
    if (bad >= 0)
      out.push({
        at: `.${name}[${bad}]`,
        message: `is ${shown(series[bad])}`,
        allowed: `a number from ${low} to ${high}`,
      })
  }
  for (const name of ['designLowC', 'meanYearlyLowC', 'designHighC', 'coldestMonthC']) {
    const v = climate[name]
    if (v !== undefined && (typeof v !== 'number' || !Number.isFinite(v) || v < -75 || v > 60))
      out.push({ at: `.${name}`, message: `is ${shown(v)}`, allowed: 'a temperature from −75 to 60 °C' })
  }
  if (out.length > 0) return out
  const { lowC, highC, designLowC, meanYearlyLowC, designHighC, coldestMonthC } = climate as {
    lowC: number[]
    highC: number[]
    designLowC?: number
    meanYearlyLowC?: number
    designHighC?: number
    coldestMonthC?: number
  }
  const coldest = Math.min(...lowC)
  const warmest = Math.max(...highC)
  for (const [name, low] of Object.entries({ designLowC, meanYearlyLowC }))
    if (low !== undefined && (low > coldest - 1 || low < coldest - 40))
      out.push({
        at: `.${name}`,
        message: `is ${low}`,
        allowed: `1 to 40 K below the coldest month’s low of ${coldest} °C`,
      })
  if (designHighC !== undefined && (designHighC < warmest + 1 || designHighC > warmest + 30))
    out.push({
      at: '.designHighC',
      message: `is ${designHighC}`,
      allowed: `1 to 30 K above the warmest month’s high of ${warmest} °C`,
    })
  const usual = Math.min(...lowC.map((low, m) => (low + highC[m]!) / 2))
  if (coldestMonthC !== undefined && (coldestMonthC > usual - 0.5 || coldestMonthC < usual - 15))
    out.push({
      at: '.coldestMonthC',
      message: `is ${coldestMonthC}`,
      allowed: `0.5 to 15 K below the coldest month’s usual mean of ${Math.round(usual * 10) / 10} °C`,
    })
  return out
}

/** What is wrong with monthly lows and highs: each month's place, and what is allowed. */
export function normalsFaults(lowC: unknown, highC: unknown): Complaint[] {
  const out: Complaint[] = []
  for (const [name, series] of [
    ['lowC', lowC],
    ['highC', highC],
  ] as const) {
    if (!Array.isArray(series) || series.length !== 12) {
      out.push({
        at: `.${name}`,
        message: `has ${Array.isArray(series) ? series.length : 'no'} months`,
        allowed: 'twelve monthly means, January first',
      })
      continue
    }
    series.forEach((v, m) => {
      if (typeof v !== 'number' || !Number.isFinite(v) || v < -70 || v > 55)
        out.push({ at: `.${name}[${m}]`, message: `is ${shown(v)}`, allowed: 'a temperature from −70 to 55 °C' })
    })
  }
  if (out.length > 0) return out
  for (let m = 0; m < 12; m++) {
    const low = (lowC as number[])[m]!
    const high = (highC as number[])[m]!
    if (high - low < 0.5)
      out.push({
        at: `.highC[${m}]`,
        message: `is ${high}, not above that month’s low of ${low}`,
        allowed: 'a high at least 0.5 °C above the low',
      })
  }
  return out
}
