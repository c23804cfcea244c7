import { skyInfraredWm2, standardPressurePa, vapourAtDewPointPa } from './atmosphere'
import { cloudOfDay, dewOfDayC, splitDay, SUN_PER_CLEAR, sunShape } from './day-sky'
import { fillTemperatures } from './diurnal'
import { extremesOf, type LayExtremes } from './extremes'
import { keepWithin, makeDays, type MadeDays } from './made-days'
import { monthlyMeans, monthlyNormals, shiftMonths, smoothDaily } from './monthly'
import { clearnessFromRange, clearnessFromSunshine, dayLengthH, extraterrestrialDayJm2 } from './radiation'
import type { SunYear } from './sun-year'
import {
  DAYS,
  HOURS,
  MONTH_DAYS,
  MONTH_NAMES,
  MONTH_OF_DAY,
  MONTH_START,
  type Normals,
  type WeatherYear,
} from './types'
import { variedMonths } from './year-to-year'

const { abs, max, min, sin } = Math

const USUAL_WIND = 2.5

/** Months as the normals have them, or as they came in one winter. */
export type Months = 'usual' | 'varied'

/**
 * A year of weather from monthly normals, the same for the same seed.
 * Daily clearness and temperature anomalies are autocorrelated; clear days swing more, and are cold in winter.
 * Monthly means of the hourly year's daily lows and highs meet the normals within 0.1 K, its radiation the normal or
 * its estimate within 3 %, its humidity the normal within 0.01; with months as they came, each strays from its normal
 * as {@link variedMonths} says, and these are met. Design extremes are reached, each at the end of a spell, and not
 * passed. What is estimated is said in `notes`.
 * @param normals twelve lows and highs, °C, low below high; the rest optional
 * @param sun the sun's hours at the site
 * @param elevationM −430 to 9000 m
 * Sources: Richardson 1981 for the structure; Hargreaves & Samani 1982; Ångström 1924, Prescott 1940; Erbs et al. 1982;
 * Berdahl & Martin 1984.
 */
export function generateWeather(
  usual: Normals,
  sun: SunYear,
  elevationM: number,
  seed: number,
  months: Months = 'usual',
): WeatherYear {
  const varied =
    months === 'varied' ? variedMonths(usual, sun.latitudeDeg, wantedRadiation(usual, sun.latitudeDeg), seed) : null
  const normals = varied?.normals ?? usual
  const days = makeDays(normals, seed)
  const year = emptyWeather()
  meetNormals(year.dryBulbC, days, normals, sun, extremesOf(days, normals, seed, varied?.coldest ?? null))
  fillSky(year, days, normals, sun, standardPressurePa(elevationM))
  fillSnow(year, normals)
  const { ceilingWm2 } = sunShape(sun, year.pressurePa[0]!)
  const reached = usual.globalJm2 && withinReach(usual.globalJm2, ceilingWm2)
  const cut = reached ? MONTH_NAMES.filter((_, m) => reached[m]! < usual.globalJm2![m]!) : []
  if (cut.length > 0)
    year.notes.push(`More sun is given than clear skies bring: ${cut.join(', ')} have that of clear skies.`)
  year.notes.push(
    usual.globalJm2
      ? 'Radiation meets the monthly means given.'
      : usual.sunshineH
        ? 'Radiation is estimated from sunshine hours (Ångström–Prescott).'
        : 'Radiation is estimated from the daily range of temperature (Hargreaves–Samani).',
  )
  if (!usual.humidity) year.notes.push('Humidity is estimated from the daily low.')
  if (!usual.windMs) year.notes.push(`Wind is a typical breeze of ${USUAL_WIND} m/s.`)
  if (varied) year.notes.push('Its months stray from the normals as those of one winter do.')
  return year
}

/** No mean of a month is further from its normal than this once it is met, K. */
const MET_K = 0.03

/**
 * Shifts the days, by turns, until the hourly year has the monthly means and the extremes asked of it. A day's hours
 * reach a little beyond its own low and high, where the next night begins before midnight: by how much is read off the
 * hours, and a few readings do.
 */
function meetNormals(
  hours: Float32Array,
  days: MadeDays,
  normals: Normals,
  sun: SunYear,
  layExtremes: LayExtremes,
): void {
  const { low, high } = days
  const beyond = { low: new Array<number>(12).fill(0), high: new Array<number>(12).fill(0) }
  const off = (daily: Float64Array, more: readonly number[], wanted: readonly number[]) =>
    monthlyMeans(daily).map((v, m) => wanted[m]! - v - more[m]!)
  for (let reading = 0; reading < 4; reading++) {
    for (let turn = 0; turn < 12; turn++) {
      const offLow = off(low, beyond.low, normals.lowC)
      const offHigh = off(high, beyond.high, normals.highC)
      if (turn + reading > 0 && max(...offLow.map(abs), ...offHigh.map(abs)) < MET_K) break
      shiftMonths(low, offLow)
      shiftMonths(high, offHigh)
      layExtremes(days)
      keepWithin(days)
    }
    fillTemperatures(hours, low, high, sun)
    const got = monthlyNormals(hours)
    const missed = max(...[...got.lowC, ...got.highC].map((v, i) => abs(v - [...normals.lowC, ...normals.highC][i]!)))
    if (missed < 2 * MET_K) return
    const [meanLow, meanHigh] = [monthlyMeans(low), monthlyMeans(high)]
    beyond.low = got.lowC.map((v, m) => v - meanLow[m]!)
    beyond.high = got.highC.map((v, m) => v - meanHigh[m]!)
  }
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

function fillSky(year: WeatherYear, days: MadeDays, normals: Normals, sun: SunYear, pressurePa: number): void {
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
      year.dewPointC[h] = min(dew, t - DEW_BELOW_K)
      year.cloud[h] = cloud
      year.windMs[h] =
        (breeze ? breeze[d]! : USUAL_WIND) * wind[d]! * (0.75 + 0.5 * max(0, sin((Math.PI * (k - 8)) / 12)))
    }
  }
  if (normals.humidity) meetHumidity(year, normals.humidity)
  for (let h = 0; h < HOURS; h++)
    year.skyInfraredWm2[h] = skyInfraredWm2(
      year.dryBulbC[h]!,
      year.dewPointC[h]!,
      year.cloud[h]!,
      (h % 24) + 0.5,
      pressurePa,
    )
  if (normals.windMs) scaleMonths(year.windMs, normals.windMs)
  for (let h = 0; h < HOURS; h++) year.windMs[h] = max(0.2, year.windMs[h]!)
  fillRadiation(year, clear, wanted, sun, pressurePa)
}

/** The air outside is never damper than this much below its own temperature, K. */
const DEW_BELOW_K = 0.2

/** Shifts each month's dew points until its mean relative humidity is the one that was given. */
function meetHumidity(year: WeatherYear, wanted: readonly number[]): void {
  const { dryBulbC, dewPointC } = year
  const full = dryBulbC.map(vapourAtDewPointPa)
  const drawn = dewPointC.slice()
  for (let m = 0; m < 12; m++) {
    const [from, to] = [MONTH_START[m]! * 24, MONTH_START[m + 1]! * 24]
    let byK = 0
    for (let turn = 0; turn < 8; turn++) {
      let sum = 0
      for (let h = from; h < to; h++) {
        dewPointC[h] = min(drawn[h]! + byK, dryBulbC[h]! - DEW_BELOW_K)
        sum += vapourAtDewPointPa(dewPointC[h]!) / full[h]!
      }
      const off = wanted[m]! - sum / (to - from)
      if (abs(off) < 0.003) break
      // A kelvin of dew point is about a fifteenth of the vapour.
      byK += max(-6, min(6, (15 * off) / wanted[m]!))
    }
  }
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
  const { ceilingWm2, share } = sunShape(sun, pressurePa)
  const reached = withinReach(wanted, ceilingWm2)
  const dayWm2 = new Float64Array(DAYS)
  for (let d = 0; d < DAYS; d++) {
    const above = extraterrestrialDayJm2(d, sun.latitudeDeg)
    // Clearness is bounded and leans to the clear side in dry climates, to the dull side in wet ones.
    const month = reached[MONTH_OF_DAY[d]!]!
    const drawn = max(0.08 * above, min(0.76 * above, month * (1 + SUN_PER_CLEAR * clear[d]!)))
    dayWm2[d] = above > 0 ? drawn / 3600 : 0
  }
  const factor = new Float64Array(12).fill(1)
  for (let turn = 0; turn < 24; turn++) {
    const got = new Float64Array(12)
    for (let d = 0; d < DAYS; d++) {
      const m = MONTH_OF_DAY[d]!
      let sum = 0
      for (let h = d * 24; h < d * 24 + 24; h++)
        sum += year.globalWm2[h] = min(dayWm2[d]! * factor[m]! * share[h]!, ceilingWm2[h]!)
      got[m]! += (sum * 3600) / MONTH_DAYS[m]!
    }
    let off = 0
    for (let m = 0; m < 12; m++) {
      if (got[m]! <= 0) continue
      const lacks = reached[m]! / got[m]!
      // What is at its brightest takes no more of it: the others must take twice as much.
      factor[m]! *= lacks > 1 ? lacks * lacks : lacks
      off = max(off, abs(lacks - 1))
    }
    if (off < 0.005) break
  }
  for (let d = 0; d < DAYS; d++) splitDay(year, sun, d)
}

/** No month is brighter than this share of one clear sky after the other. */
const CLEAREST_MONTH = 0.93

/** Mean daily radiation of months, J/m², as far as the sun there reaches under clear skies. */
function withinReach(wanted: readonly number[], ceilingWm2: Float64Array): number[] {
  const most = new Float64Array(12)
  ceilingWm2.forEach((v, h) => {
    const m = MONTH_OF_DAY[(h / 24) | 0]!
    most[m]! += (v * 3600) / MONTH_DAYS[m]!
  })
  return wanted.map((v, m) => min(v, CLEAREST_MONTH * most[m]!))
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
