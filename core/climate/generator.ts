import { skyInfraredWm2, standardPressurePa } from './atmosphere'
import { clearestWm2, cloudOfDay, dewOfDayC, LEAST_RANGE, RANGE_PER_CLEAR, SUN_PER_CLEAR } from './day-sky'
import { fillTemperatures, radiationWeight } from './diurnal'
import { monthlyMeans, monthlyNormals, smoothDaily } from './monthly'
import {
  clearnessFromRange,
  clearnessFromSunshine,
  dayLengthH,
  extraterrestrialDayJm2,
  extraterrestrialWm2,
  splitGlobal,
} from './radiation'
import { normalDeviates, seededRandom } from './random'
import type { SunYear } from './sun-year'
import { DAYS, HOURS, MONTH_DAYS, MONTH_OF_DAY, MONTH_START, type Normals, type WeatherYear } from './types'

const { abs, exp, max, min, sin, sqrt } = Math

/**
 * Day-to-day memory of weather: a spell lasts about four days (Richardson 1981 finds 0.5–0.75 for temperature, 0.2–0.4
 * for radiation).
 */
const TEMPERATURE_MEMORY = 0.72
/** Cloudiness has a quick part and a slow one, so that dull spells of a week come round. */
const QUICK_MEMORY = 0.35
const SLOW_MEMORY = 0.88
const QUICK_SHARE = 0.75
const USUAL_WIND = 2.5

/** The days of a made year. */
export interface GeneratedDays {
  low: Float64Array
  high: Float64Array
  /** Standard deviates: positive is clear. */
  clear: Float64Array
  wind: Float64Array
}

/**
 * A year of weather from monthly normals, the same for the same seed.
 * Daily clearness and temperature anomalies are autocorrelated; clear days swing more and clear nights are colder.
 * Monthly means of the hourly year's daily lows and highs meet the normals within 0.1 K, its radiation the normal or
 * its estimate within 3 %; design extremes are reached, each at the end of a spell, and not passed. What is estimated
 * is said in `notes`.
 * @param normals twelve lows and highs, °C, low below high; the rest optional
 * @param sun the sun's hours at the site
 * @param elevationM −430 to 9000 m
 * Sources: Richardson 1981 for the structure; Hargreaves & Samani 1982; Ångström 1924, Prescott 1940; Erbs et al. 1982;
 * Berdahl & Martin 1984.
 */
export function generateWeather(normals: Normals, sun: SunYear, elevationM: number, seed: number): WeatherYear {
  const days = generateDays(normals, seed)
  const year = emptyWeather()
  meetNormals(year.dryBulbC, days, normals, sun, seed)
  fillSky(year, days, normals, sun, standardPressurePa(elevationM))
  fillSnow(year, normals)
  year.notes.push(
    normals.globalJm2
      ? 'Radiation meets the monthly means given.'
      : normals.sunshineH
        ? 'Radiation is estimated from sunshine hours (Ångström–Prescott).'
        : 'Radiation is estimated from the daily range of temperature (Hargreaves–Samani).',
  )
  if (!normals.humidity) year.notes.push('Humidity is estimated from the daily low.')
  if (!normals.windMs) year.notes.push(`Wind is a typical breeze of ${USUAL_WIND} m/s.`)
  return year
}

function generateDays(normals: Normals, seed: number): GeneratedDays {
  const normal = normalDeviates(seededRandom(seed))
  const meanLow = smoothDaily(normals.lowC)
  const meanHigh = smoothDaily(normals.highC)
  const yearMean = average(normals.lowC.map((l, m) => (l + normals.highC[m]!) / 2))
  const seasonal = max(...normals.highC) - min(...normals.lowC)
  const blank = () => new Float64Array(DAYS)
  const days: GeneratedDays = { low: blank(), high: blank(), clear: blank(), wind: blank() }
  let quick = normal()
  let slow = normal()
  let a = normal()
  let w = normal()
  const next = (x: number, memory: number) => memory * x + sqrt(1 - memory ** 2) * normal()
  for (let d = -20; d < DAYS; d++) {
    quick = next(quick, QUICK_MEMORY)
    slow = next(slow, SLOW_MEMORY)
    a = next(a, TEMPERATURE_MEMORY)
    w = next(w, 0.4)
    if (d < 0) continue
    const c = QUICK_SHARE * quick + sqrt(1 - QUICK_SHARE ** 2) * slow
    const middle = (meanLow[d]! + meanHigh[d]!) / 2
    // Winters vary more than summers, and continental climates more than coasts.
    const coldness = max(0, min(1, (yearMean + 0.25 * seasonal - middle) / (0.6 * seasonal + 1)))
    const spread = 1.4 + 0.055 * seasonal * (0.6 + 0.9 * coldness)
    const anomaly = spread * a - 0.5 * spread * coldness * max(0, c) * 0.6
    const range = (meanHigh[d]! - meanLow[d]!) * max(LEAST_RANGE, 1 + RANGE_PER_CLEAR * c)
    days.clear[d] = c
    days.low[d] = middle + anomaly - range / 2
    days.high[d] = max(middle + anomaly + range / 2, days.low[d]! + 0.5)
    days.wind[d] = exp(0.45 * w)
  }
  return days
}

/** A cold snap, or a wave of heat: its days one after the other, and how far each goes towards the extreme, 0–1. */
interface Spell {
  days: number[]
  share: number[]
}

/** Days of a spell after its extreme: so far from the season's mean. */
const AFTER = [0.6, 0.3]
/** From this share on, the sky of a spell is clear: nights shine their warmth away, and days are bright. */
const CLEAR_FROM = 0.6
const CLEAR = 0.9
/** What the other end of the day goes along with an extreme. */
const DAYS_FOLLOW = 0.85
/** Days of a quarter of the year. */
const QUARTER = 91

/**
 * Where an extreme of the year comes: at the end of a spell, on the day of the coldest quarter (sign 1) or the hottest
 * (−1) that was the most extreme by itself. Spells are the longer the more continental the climate.
 */
function spellOf(values: Float64Array, season: Float64Array, swingK: number, sign: 1 | -1): Spell {
  const around = (d: number) => (d + DAYS) % DAYS
  const edge = season.map(t => sign * t).sort()[QUARTER]!
  let extreme = -1
  for (let d = 0; d < DAYS; d++)
    if (sign * season[d]! <= edge && (extreme < 0 || sign * values[d]! < sign * values[extreme]!)) extreme = d
  const before = Math.round(max(2, min(6, 2 + swingK / 12)))
  const days: number[] = []
  const share: number[] = []
  for (let k = before; k >= 0; k--) {
    days.push(around(extreme - k))
    share.push(k === 0 ? 1 : 0.9 - (0.5 * (k - 1)) / before)
  }
  AFTER.forEach((s, k) => {
    days.push(around(extreme + k + 1))
    share.push(s)
  })
  return { days, share }
}

/** Winters' coldest hours scatter round their mean by this, K, the more the more continental the climate. */
const winterSpread = (swingK: number) => 1.5 + 0.05 * swingK
/** No winter lies further from the mean than so many of those. */
const FURTHEST = 2

/** The lowest air of this one year, °C: as it is given, or by the mean yearly low and the year's own luck. */
function lowestOfYear(normals: Normals, swingK: number, seed: number): number | undefined {
  const { designLowC, meanYearlyLowC } = normals
  if (designLowC !== undefined || meanYearlyLowC === undefined) return designLowC
  const luck = normalDeviates(seededRandom((seed ^ 0x5eed) >>> 0))()
  const low = meanYearlyLowC + winterSpread(swingK) * max(-FURTHEST, min(FURTHEST, luck))
  return min(low, min(...normals.lowC) - 1)
}

/**
 * Fills the hours and shifts the days, by turns, until the hourly year has the monthly means and the extremes asked of
 * it: each at the end of a spell, under a clear sky.
 */
function meetNormals(hours: Float32Array, days: GeneratedDays, normals: Normals, sun: SunYear, seed: number): void {
  const { low, high, clear } = days
  const meanLow = smoothDaily(normals.lowC)
  const meanHigh = smoothDaily(normals.highC)
  const season = meanLow.map((l, d) => (l + meanHigh[d]!) / 2)
  const swingK = max(...normals.highC) - min(...normals.lowC)
  const coldest = lowestOfYear(normals, swingK, seed)
  const hottest = normals.designHighC
  const snap = coldest === undefined ? null : spellOf(low, season, swingK, 1)
  const wave = hottest === undefined ? null : spellOf(high, season, swingK, -1)
  for (const spell of [snap, wave])
    spell?.days.forEach((d, k) => {
      if (spell.share[k]! >= CLEAR_FROM) clear[d] = max(clear[d]!, CLEAR)
    })
  for (let turn = 0; turn < 12; turn++) {
    fillTemperatures(hours, low, high, sun)
    const got = monthlyNormals(hours)
    const offLow = got.lowC.map((g, m) => normals.lowC[m]! - g)
    const offHigh = got.highC.map((g, m) => normals.highC[m]! - g)
    if (max(...offLow.map(abs), ...offHigh.map(abs)) < 0.03 && turn > 0) return
    shift(low, offLow)
    shift(high, offHigh)
    if (snap) {
      for (let d = 0; d < DAYS; d++) low[d] = max(low[d]!, coldest! + 0.4)
      snap.days.forEach((d, k) => {
        const falls = snap.share[k]! * (coldest! - meanLow[d]!)
        low[d] = snap.share[k] === 1 ? coldest! : max(coldest! + 0.4, min(low[d]!, meanLow[d]! + falls))
        high[d] = min(high[d]!, meanHigh[d]! + DAYS_FOLLOW * falls)
      })
    }
    if (wave) {
      for (let d = 0; d < DAYS; d++) high[d] = min(high[d]!, hottest! - 0.4)
      wave.days.forEach((d, k) => {
        const rises = wave.share[k]! * (hottest! - meanHigh[d]!)
        high[d] = wave.share[k] === 1 ? hottest! : min(hottest! - 0.4, max(high[d]!, meanHigh[d]! + rises))
        low[d] = max(low[d]!, meanLow[d]! + DAYS_FOLLOW * rises * 0.7)
      })
    }
    for (let d = 0; d < DAYS; d++) if (high[d]! < low[d]! + 0.5) high[d] = low[d]! + 0.5
  }
  fillTemperatures(hours, low, high, sun)
}

/** Adds to each day what its month lacks: smoothly from month to month, and the rest to the month as a whole. */
function shift(daily: Float64Array, off: readonly number[]): void {
  const smooth = smoothDaily(off)
  for (let d = 0; d < DAYS; d++) daily[d] = daily[d]! + smooth[d]!
}

function average(values: readonly number[]): number {
  return values.reduce((s, v) => s + v, 0) / values.length
}

/** A weather year of zeros. */
export function emptyWeather(): WeatherYear {
  const blank = () => new Float32Array(HOURS)
  return {
    dryBulbC: blank(),
    dewPointC: blank(),
    pressurePa: blank(),
    globalWm2: blank(),
    beamWm2: blank(),
    diffuseWm2: blank(),
    skyInfraredWm2: blank(),
    windMs: blank(),
    cloud: blank(),
    snowM: blank(),
    notes: [],
  }
}

/** Mean daily horizontal radiation that each month should have, J/m². */
export function wantedRadiation(normals: Normals, latitudeDeg: number): number[] {
  if (normals.globalJm2) return [...normals.globalJm2]
  const clearness = normals.sunshineH
    ? normals.sunshineH.map((hours, m) =>
        clearnessFromSunshine(
          hours,
          average(Array.from({ length: MONTH_DAYS[m]! }, (_, i) => dayLengthH(MONTH_START[m]! + i, latitudeDeg))),
        ),
      )
    : normals.lowC.map((low, m) => clearnessFromRange(normals.highC[m]! - low))
  const smooth = smoothDaily(clearness)
  return monthlyMeans(
    Float64Array.from(
      { length: DAYS },
      (_, d) => max(0.05, min(0.78, smooth[d]!)) * extraterrestrialDayJm2(d, latitudeDeg),
    ),
  )
}

function fillSky(year: WeatherYear, days: GeneratedDays, normals: Normals, sun: SunYear, pressurePa: number): void {
  const { low, high, clear, wind } = days
  const wanted = wantedRadiation(normals, sun.latitudeDeg)
  const humidity = normals.humidity && smoothDaily(normals.humidity)
  const breeze = normals.windMs ? smoothDaily(normals.windMs) : null
  for (let d = 0; d < DAYS; d++) {
    const cloud = cloudOfDay(clear[d]!)
    const dew = dewOfDayC(low[d]!, high[d]!, clear[d]!, humidity ? humidity[d]! : null)
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      const t = year.dryBulbC[h]!
      year.pressurePa[h] = pressurePa
      year.dewPointC[h] = min(dew, t - 0.2)
      year.cloud[h] = cloud
      year.windMs[h] =
        (breeze ? breeze[d]! : USUAL_WIND) * wind[d]! * (0.75 + 0.5 * max(0, sin((Math.PI * (k - 8)) / 12)))
      year.skyInfraredWm2[h] = skyInfraredWm2(t, year.dewPointC[h]!, cloud, k + 0.5, pressurePa)
    }
  }
  if (normals.windMs) scaleMonths(year.windMs, normals.windMs)
  for (let h = 0; h < HOURS; h++) year.windMs[h] = max(0.2, year.windMs[h]!)
  fillRadiation(year, clear, wanted, sun, pressurePa)
}

function scaleMonths(hourly: Float32Array, means: readonly number[]): void {
  const sums = new Array<number>(12).fill(0)
  hourly.forEach((v, h) => {
    sums[MONTH_OF_DAY[(h / 24) | 0]!]! += v
  })
  for (let h = 0; h < HOURS; h++) {
    const m = MONTH_OF_DAY[(h / 24) | 0]!
    if (sums[m]! > 0) hourly[h] = (hourly[h]! * means[m]! * MONTH_DAYS[m]! * 24) / sums[m]!
  }
}

/**
 * Hourly radiation: each month's mean spread over its days by clearness and over their hours by the sun, the mean kept
 * though no hour passes the clearest sky.
 */
function fillRadiation(
  year: WeatherYear,
  clear: Float64Array,
  wanted: readonly number[],
  sun: SunYear,
  pressurePa: number,
): void {
  const weight = new Float64Array(HOURS)
  const ceiling = new Float64Array(HOURS)
  const day = new Float64Array(DAYS)
  for (let d = 0; d < DAYS; d++) {
    const above = extraterrestrialDayJm2(d, sun.latitudeDeg)
    const ext = extraterrestrialWm2(d)
    // Clearness is bounded and leans to the clear side in dry climates, to the dull side in wet ones.
    const month = wanted[MONTH_OF_DAY[d]!]!
    day[d] = above > 0 ? max(0.08 * above, min(0.76 * above, month * (1 + SUN_PER_CLEAR * clear[d]!))) : 0
    let sum = 0
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      weight[h] = radiationWeight(sun, d, k)
      ceiling[h] = clearestWm2(sun, h, ext, pressurePa)
      sum += weight[h]!
    }
    for (let k = 0; k < 24; k++) if (sum > 0) weight[d * 24 + k]! /= sum
  }
  const factor = new Float64Array(12).fill(1)
  for (let turn = 0; turn < 8; turn++) {
    const got = new Float64Array(12)
    for (let d = 0; d < DAYS; d++) {
      const m = MONTH_OF_DAY[d]!
      for (let k = 0; k < 24; k++) {
        const h = d * 24 + k
        year.globalWm2[h] = min(((day[d]! * factor[m]!) / 3600) * weight[h]!, ceiling[h]!)
        got[m]! += (year.globalWm2[h]! * 3600) / MONTH_DAYS[m]!
      }
    }
    let off = 0
    for (let m = 0; m < 12; m++) {
      if (got[m]! <= 0) continue
      factor[m]! *= wanted[m]! / got[m]!
      off = max(off, abs(wanted[m]! / got[m]! - 1))
    }
    if (off < 0.005) break
  }
  for (let d = 0; d < DAYS; d++) {
    const ext = extraterrestrialWm2(d)
    for (let h = d * 24; h < d * 24 + 24; h++) {
      if (year.globalWm2[h]! <= 0) continue
      const split = splitGlobal(year.globalWm2[h]!, sun.altitudeDeg[h]!, ext)
      year.beamWm2[h] = split.beam
      year.diffuseWm2[h] = split.diffuse
    }
  }
}

/** Snow lies on the coldest days of each month, as many as its normal says; it deepens while it lies. */
function fillSnow(year: WeatherYear, normals: Normals): void {
  if (!normals.snowDays) return
  const mean = Float64Array.from({ length: DAYS }, (_, d) => {
    let sum = 0
    for (let k = -72; k < 96; k++) sum += year.dryBulbC[(d * 24 + k + HOURS) % HOURS]!
    return sum / 168
  })
  const lies = new Uint8Array(DAYS)
  normals.snowDays.forEach((count, m) => {
    const order = Array.from({ length: MONTH_DAYS[m]! }, (_, i) => MONTH_START[m]! + i).sort(
      (a, b) => mean[a]! - mean[b]!,
    )
    for (const d of order.slice(0, Math.round(count))) lies[d] = 1
  })
  let depth = lies[DAYS - 1] ? 0.25 : 0
  for (let d = 0; d < DAYS; d++) {
    // A fall every third day while it lies, a little settling between.
    depth = lies[d] ? (depth === 0 ? 0.08 : d % 3 === 0 ? min(0.6, depth + 0.04) : depth * 0.98) : 0
    year.snowM.fill(depth, d * 24, d * 24 + 24)
  }
}
