import {
  clearFromRange,
  cloudOfDay,
  DAYS,
  dewOfDayC,
  extraterrestrialDayJm2,
  extraterrestrialWm2,
  fillDaySun,
  HOURS,
  makeSunYear,
  MONTH_OF_DAY,
  monthlyNormals,
  monthlyRadiation,
  skyInfraredWm2,
  splitGlobal,
  SUN_PER_CLEAR,
  type SiteYear,
  type SunYear,
  type WeatherYear,
} from '../climate'
import { fillTemperatures } from '../climate/diurnal'
import type { Design } from '../design/types'
import { dayNumber, isoDay } from '../plan/calendar'
import { nominalDay, type DailyReading, type HourlyLog } from './log'

const { max, min } = Math

/** A day outside as it was, or as it is forecast. */
export interface OutsideDay {
  /** From 1 January 1970. */
  day: number
  lowC: number
  highC: number
  /** 24 hours of air where they were read, °C. */
  hours: Float32Array | null
  /** 24 hours of sun on the level, W/m²; null where nobody measured it. */
  sunWm2: Float32Array | null
  /** Clearness as a deviate, where somebody says it; null: by the day's range. */
  clear: number | null
  /** Mean wind, m/s; null: as usual in that month. */
  windMs: number | null
}

/** A stretch of real days laid into a site's nominal year. */
export interface LaidYear {
  weather: WeatherYear
  /** First day of the stretch, from 1 January 1970, and of the nominal year; how many days. */
  day: number
  fromDay: number
  days: number
  /** By day of the stretch: its air outside is known; its clearness, and whether its sun was measured. */
  known: Uint8Array
  clear: Float32Array
  sunKnown: Uint8Array
  /** By hour of the stretch, °C or 0–1; NaN where nobody read it. */
  insideC: Float32Array
  soilC: Float32Array
  waterC: Float32Array
  rh: Float32Array
  /** By day: lowest and highest inside as somebody read them; NaN. */
  insideMinC: Float32Array
  insideMaxC: Float32Array
}

/** A day is known by its hours when so many of them are; shorter gaps are crossed straight. */
const ENOUGH_H = 18

/** Days outside out of readings: by the hour where there are enough, else by lowest and highest. */
export function outsideDays(log: HourlyLog | null, daily: readonly DailyReading[]): OutsideDay[] {
  const out = new Map<number, OutsideDay>()
  for (const { date, outsideMinC: low, outsideMaxC: high } of daily)
    if (low !== null && high !== null) {
      const day = dayNumber(date)
      out.set(day, { day, lowC: low, highC: high, hours: null, sunWm2: null, clear: null, windMs: null })
    }
  for (let i = 0; log && i + 24 <= log.hours; i += 24) {
    const hours = log.values.outsideC.slice(i, i + 24)
    if (hours.filter(v => !Number.isNaN(v)).length < ENOUGH_H) continue
    crossGaps(hours)
    const sun = log.values.sunWm2.slice(i, i + 24)
    const day = (log.startH + i) / 24
    out.set(day, {
      day,
      lowC: min(...hours),
      highC: max(...hours),
      hours,
      sunWm2: sun.some(Number.isNaN) ? null : sun,
      clear: null,
      windMs: null,
    })
  }
  return [...out.values()].sort((a, b) => a.day - b.day)
}

/** Straight lines over what is missing; beyond the ends as the nearest. */
function crossGaps(values: Float32Array): void {
  let last = -1
  for (let i = 0; i <= values.length; i++) {
    if (i < values.length && Number.isNaN(values[i]!)) continue
    const [a, b] = [values[last], values[i]]
    for (let k = last + 1; k < i; k++)
      values[k] = a === undefined ? b! : b === undefined ? a : a + ((b - a) * (k - last)) / (i - last)
    last = i
  }
}

/** How much of what a day was off its season the next one keeps: where nobody read a day, the weather goes back so. */
const KEEPS = 0.72

/**
 * Lays days into a site's own year: the weather outside is theirs, and what nobody measured of it is estimated, the sun
 * and the sky from the day's range of air against the usual one, the wind and the damp from what is usual. Of more days
 * than a year has the last count.
 * @param base the site's own year, for what is usual and for all other days
 * @param days at least one
 */
export function layDays(
  design: Design,
  base: SiteYear,
  days: readonly OutsideDay[],
  readings: { log: HourlyLog | null; daily: readonly DailyReading[] } = { log: null, daily: [] },
): LaidYear {
  const last = days.at(-1)!.day
  const first = max(days[0]!.day, last - DAYS + 1)
  const count = last - first + 1
  const { latitudeDeg, longitudeDeg, climate } = design.site
  const sun = makeSunYear(latitudeDeg, longitudeDeg, base.standardOffsetH)
  const weather = copyOf(base)
  const own = monthlyNormals(base.dryBulbC)
  const usualK = own.lowC.map((l, m) => own.highC[m]! - l)
  const sunOfMonth = monthlyRadiation(base)
  const humidity = climate.kind === 'normals' ? (climate.humidity ?? null) : null
  const wind = usualWind(base)
  const low = new Float64Array(DAYS)
  const high = new Float64Array(DAYS)
  for (let d = 0; d < DAYS; d++) {
    const hours = base.dryBulbC.subarray(d * 24, d * 24 + 24)
    low[d] = min(...hours)
    high[d] = max(...hours)
  }
  const byDay = new Map(days.map(d => [d.day, d]))
  const laid: LaidYear = {
    weather,
    day: first,
    fromDay: nominalDay(first),
    days: count,
    known: new Uint8Array(count),
    clear: new Float32Array(count),
    sunKnown: new Uint8Array(count),
    insideC: new Float32Array(count * 24).fill(NaN),
    soilC: new Float32Array(count * 24).fill(NaN),
    waterC: new Float32Array(count * 24).fill(NaN),
    rh: new Float32Array(count * 24).fill(NaN),
    insideMinC: new Float32Array(count).fill(NaN),
    insideMaxC: new Float32Array(count).fill(NaN),
  }
  // Lows and highs first: a day's hours hang on its neighbours.
  let off = 0
  for (let i = 0; i < count; i++) {
    const d = (laid.fromDay + i) % DAYS
    const known = byDay.get(first + i)
    const season = (own.lowC[MONTH_OF_DAY[d]!]! + own.highC[MONTH_OF_DAY[d]!]!) / 2
    if (known) {
      off = (known.lowC + known.highC) / 2 - season
      low[d] = known.lowC
      high[d] = max(known.highC, known.lowC + 0.1)
      laid.known[i] = 1
    } else {
      off *= KEEPS
      low[d] = own.lowC[MONTH_OF_DAY[d]!]! + off
      high[d] = own.highC[MONTH_OF_DAY[d]!]! + off
    }
  }
  for (let i = 0; i < count; i++) {
    const d = (laid.fromDay + i) % DAYS
    const known = byDay.get(first + i)
    const month = MONTH_OF_DAY[d]!
    if (known?.hours) weather.dryBulbC.set(known.hours, d * 24)
    else fillTemperatures(weather.dryBulbC, low, high, sun, d, d + 1)
    const clear = known?.clear ?? clearFromRange(high[d]! - low[d]!, usualK[month]!)
    laid.clear[i] = clear
    if (known?.sunWm2) {
      laySun(weather, sun, d, known.sunWm2)
      laid.sunKnown[i] = 1
    } else {
      const above = extraterrestrialDayJm2(d, latitudeDeg)
      fillDaySun(
        weather,
        sun,
        d,
        max(0.08 * above, min(0.76 * above, sunOfMonth[month]! * (1 + SUN_PER_CLEAR * clear))),
        weather.pressurePa[d * 24]!,
      )
    }
    const dew = dewOfDayC(low[d]!, high[d]!, clear, humidity ? humidity[month]! : null)
    const cloud = cloudOfDay(clear)
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      weather.cloud[h] = cloud
      weather.windMs[h] = known?.windMs ?? wind[month * 24 + k]!
      weather.dewPointC[h] = min(dew, weather.dryBulbC[h]! - 0.2)
      const [air, damp] = [weather.dryBulbC[h]!, weather.dewPointC[h]!]
      weather.skyInfraredWm2[h] = skyInfraredWm2(air, damp, cloud, k + 0.5, weather.pressurePa[h]!)
    }
  }
  takeReadings(laid, readings)
  return laid
}

function copyOf(base: SiteYear): WeatherYear {
  const of = (a: Float32Array) => a.slice()
  return {
    dryBulbC: of(base.dryBulbC),
    dewPointC: of(base.dewPointC),
    pressurePa: of(base.pressurePa),
    globalWm2: of(base.globalWm2),
    beamWm2: of(base.beamWm2),
    diffuseWm2: of(base.diffuseWm2),
    skyInfraredWm2: of(base.skyInfraredWm2),
    windMs: of(base.windMs),
    cloud: of(base.cloud),
    snowM: of(base.snowM),
    notes: [...base.notes],
  }
}

/** Wind of each hour of the day by month, m/s: by its squares, as pressure and leaks go. */
function usualWind({ windMs }: SiteYear): Float64Array {
  const sum = new Float64Array(12 * 24)
  const count = new Float64Array(12 * 24)
  for (let h = 0; h < HOURS; h++) {
    const at = MONTH_OF_DAY[(h / 24) | 0]! * 24 + (h % 24)
    sum[at]! += windMs[h]! ** 2
    count[at]!++
  }
  return sum.map((s, i) => Math.sqrt(s / count[i]!))
}

function laySun(weather: WeatherYear, sun: SunYear, d: number, hours: Float32Array): void {
  const ext = extraterrestrialWm2(d)
  for (let k = 0; k < 24; k++) {
    const h = d * 24 + k
    const split = splitGlobal(hours[k]!, sun.altitudeDeg[h]!, ext)
    weather.globalWm2[h] = hours[k]!
    weather.beamWm2[h] = split.beam
    weather.diffuseWm2[h] = split.diffuse
  }
}

function takeReadings(laid: LaidYear, { log, daily }: { log: HourlyLog | null; daily: readonly DailyReading[] }): void {
  if (log)
    for (let n = 0; n < laid.days * 24; n++) {
      const i = laid.day * 24 + n - log.startH
      if (i < 0 || i >= log.hours) continue
      for (const id of ['insideC', 'soilC', 'waterC', 'rh'] as const) laid[id][n] = log.values[id][i]!
    }
  for (const r of daily) {
    const i = dayNumber(r.date) - laid.day
    if (i < 0 || i >= laid.days) continue
    laid.insideMinC[i] = r.insideMinC ?? NaN
    laid.insideMaxC[i] = r.insideMaxC ?? NaN
    // Read off once a day: at its middle.
    for (const id of ['soilC', 'waterC', 'rh'] as const)
      if (r[id] !== null && Number.isNaN(laid[id][i * 24 + 12]!)) laid[id][i * 24 + 12] = r[id]
  }
}

/** The date of a day of a stretch. */
export const dateIn = ({ day }: LaidYear, i: number): string => isoDay(day + i)
