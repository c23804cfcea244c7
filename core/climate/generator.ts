import { dewPointC, skyInfraredWm2, standardPressurePa } from './atmosphere'
import { monthlyMeans, smoothDaily } from './monthly'
import { clearnessFromRange, extraterrestrialDayJm2, extraterrestrialWm2, splitGlobal } from './radiation'
import { normalDeviates, seededRandom } from './random'
import type { SunYear } from './sun-year'
import { DAYS, HOURS, type Normals, type WeatherYear } from './types'

/** Day-to-day memory of weather: a spell lasts about four days (Richardson 1981 finds 0.5–0.75 for temperature, 0.2–0.4 for radiation). */
const TEMPERATURE_MEMORY = 0.72
const CLEARNESS_MEMORY = 0.5

/**
 * A year of weather from monthly normals, the same for the same seed.
 * Daily clearness and temperature anomalies are autocorrelated; clear days swing more and clear nights are colder; monthly means of the daily low and
 * high meet the normals exactly. Radiation is estimated from the daily range (Hargreaves & Samani), humidity from the daily low, wind is a typical
 * breeze; all three are said in `notes`.
 * @param normals twelve lows and highs, °C, low ≤ high
 * @param sun the sun's hours at the site
 * @param elevationM −400 to 9000 m
 * Sources: Richardson 1981 for the structure; Hargreaves & Samani 1982; Erbs et al. 1982; Berdahl & Martin 1984.
 */
export function generateWeather(normals: Normals, sun: SunYear, elevationM: number, seed: number): WeatherYear {
  const random = seededRandom(seed)
  const normal = normalDeviates(random)
  const meanLow = smoothDaily(normals.lowC)
  const meanHigh = smoothDaily(normals.highC)
  const yearMean = average(normals.lowC.map((l, m) => (l + normals.highC[m]!) / 2))
  const seasonal = Math.max(...normals.highC) - Math.min(...normals.lowC)

  const clear = new Float64Array(DAYS)
  const low = new Float64Array(DAYS)
  const high = new Float64Array(DAYS)
  const windDay = new Float64Array(DAYS)
  let c = normal()
  let a = normal()
  let w = normal()
  for (let d = -20; d < DAYS; d++) {
    c = CLEARNESS_MEMORY * c + Math.sqrt(1 - CLEARNESS_MEMORY ** 2) * normal()
    a = TEMPERATURE_MEMORY * a + Math.sqrt(1 - TEMPERATURE_MEMORY ** 2) * normal()
    w = 0.4 * w + Math.sqrt(1 - 0.4 ** 2) * normal()
    if (d < 0) continue
    const middle = (meanLow[d]! + meanHigh[d]!) / 2
    // Winters vary more than summers, and continental climates more than coasts.
    const coldness = Math.max(0, Math.min(1, (yearMean + 0.25 * seasonal - middle) / (0.6 * seasonal + 1)))
    const spread = 1.4 + 0.055 * seasonal * (0.6 + 0.9 * coldness)
    const anomaly = spread * a - 0.5 * spread * coldness * Math.max(0, c) * 0.6
    const range = (meanHigh[d]! - meanLow[d]!) * Math.max(0.25, 1 + 0.34 * c)
    clear[d] = c
    low[d] = middle + anomaly - range / 2
    high[d] = middle + anomaly + range / 2
    windDay[d] = Math.exp(0.45 * w)
  }
  meetMeans(low, normals.lowC)
  meetMeans(high, normals.highC)
  for (let d = 0; d < DAYS; d++) if (high[d]! < low[d]! + 0.5) high[d] = low[d]! + 0.5
  meetMeans(high, normals.highC)

  const globalDay = dailyRadiation(normals, clear, sun.latitudeDeg)
  const year = emptyWeather()
  year.notes.push(
    'Radiation is estimated from the daily range of temperature (Hargreaves–Samani).',
    'Humidity is estimated from the daily low, wind is a typical breeze of 2.5 m/s.',
  )
  const pressure = standardPressurePa(elevationM)
  fillTemperatures(year, low, high, sun)
  for (let d = 0; d < DAYS; d++) {
    const cloud = Math.max(0, Math.min(1, 0.5 - 0.36 * clear[d]!))
    const dew = low[d]! - 0.5 - 1.6 * Math.max(0, clear[d]!)
    let weight = 0
    for (let k = 0; k < 24; k++) weight += share(sun, d, k)
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      const t = year.dryBulbC[h]!
      year.pressurePa[h] = pressure
      year.dewPointC[h] = Math.min(dew, dewPointC(t, 0.98))
      year.cloud[h] = cloud
      year.windMs[h] = Math.max(0.2, 2.5 * windDay[d]! * (0.75 + 0.5 * Math.max(0, Math.sin(Math.PI * (k - 8) / 12))))
      year.skyInfraredWm2[h] = skyInfraredWm2(t, year.dewPointC[h]!, cloud, k + 0.5, pressure)
      const part = share(sun, d, k)
      if (weight <= 0 || part <= 0) continue
      const ext = extraterrestrialWm2(d)
      const level = ext * Math.sin(sun.altitudeDeg[h]! * Math.PI / 180) * sun.upShare[h]!
      const global = Math.min(globalDay[d]! / 3600 * part / weight, 0.85 * level)
      const split = splitGlobal(global, sun.altitudeDeg[h]!, ext)
      year.globalWm2[h] = global
      year.beamWm2[h] = split.beam
      year.diffuseWm2[h] = split.diffuse
    }
  }
  return year
}

/** An hour's weight in its day's radiation: more than its share of sky at midday, when the light crosses less air. Collares-Pereira & Rabl 1979. */
function share(sun: SunYear, d: number, k: number): number {
  const h = d * 24 + k
  const level = Math.max(0, Math.sin(sun.altitudeDeg[h]! * Math.PI / 180)) * sun.upShare[h]!
  const sunset = (sun.noonH[d]! - sun.riseH[d]!) * Math.PI / 12
  const a = 0.409 + 0.5016 * Math.sin(sunset - Math.PI / 3)
  const b = 0.6609 - 0.4767 * Math.sin(sunset - Math.PI / 3)
  return level * Math.max(0.05, a + b * Math.cos((k + 0.5 - sun.noonH[d]!) * Math.PI / 12))
}

/** A weather year of zeros. */
export function emptyWeather(): WeatherYear {
  const blank = () => new Float32Array(HOURS)
  return {
    dryBulbC: blank(), dewPointC: blank(), pressurePa: blank(), globalWm2: blank(), beamWm2: blank(), diffuseWm2: blank(),
    skyInfraredWm2: blank(), windMs: blank(), cloud: blank(), notes: [],
  }
}

function average(values: readonly number[]): number {
  return values.reduce((s, v) => s + v, 0) / values.length
}

function meetMeans(daily: Float64Array, means: readonly number[]): void {
  const off = monthlyMeans(daily).map((g, m) => means[m]! - g)
  const shift = smoothDaily(off)
  for (let d = 0; d < DAYS; d++) daily[d] = daily[d]! + shift[d]!
}

/** Daily global radiation on the level, J/m²: the month's estimate spread over its days by clearness, its mean kept. */
function dailyRadiation(normals: Normals, clear: Float64Array, latitudeDeg: number): Float64Array {
  const kt = smoothDaily(normals.lowC.map((l, m) => clearnessFromRange(normals.highC[m]! - l))).map(k => Math.max(0.05, Math.min(0.78, k)))
  const out = new Float64Array(DAYS)
  const wanted = new Float64Array(DAYS)
  for (let d = 0; d < DAYS; d++) {
    const ext = extraterrestrialDayJm2(d, latitudeDeg)
    wanted[d] = kt[d]! * ext
    // Clearness is bounded and leans to the clear side in dry climates, to the dull side in wet ones.
    const day = Math.max(0.08, Math.min(0.76, kt[d]! * (1 + 0.42 * clear[d]!)))
    out[d] = day * ext
  }
  const want = monthlyMeans(wanted)
  for (let i = 0; i < 8; i++) {
    const got = monthlyMeans(out)
    const factor = smoothDaily(got.map((g, m) => (g > 0 ? want[m]! / g : 1)))
    // Months that jump wildly can bend the smooth factor below nothing: no day gives negative light.
    for (let d = 0; d < DAYS; d++) out[d] = Math.min(out[d]! * Math.max(0.05, factor[d]!), 0.78 * extraterrestrialDayJm2(d, latitudeDeg))
  }
  return out
}

/** Hours between each day's low near sunrise and high about two and a half hours after noon: half a sine up, a sine quarter and a decay down. */
function fillTemperatures(year: WeatherYear, low: Float64Array, high: Float64Array, sun: SunYear): void {
  const lowAt = (d: number) => Math.min(sun.noonH[d]! - 3, Math.max(4, sun.riseH[d]! + 0.3))
  const highAt = (d: number) => sun.noonH[d]! + 2.5
  for (let h = 0; h < HOURS; h++) {
    const d = Math.floor(h / 24)
    const k = h % 24 + 0.5
    const before = (d + DAYS - 1) % DAYS
    const after = (d + 1) % DAYS
    if (k < lowAt(d)) year.dryBulbC[h] = fall(high[before]!, low[d]!, (k + 24 - highAt(before)) / (lowAt(d) + 24 - highAt(before)))
    else if (k <= highAt(d)) year.dryBulbC[h] = low[d]! + (high[d]! - low[d]!) * (1 - Math.cos(Math.PI * (k - lowAt(d)) / (highAt(d) - lowAt(d)))) / 2
    else year.dryBulbC[h] = fall(high[d]!, low[after]!, (k - highAt(d)) / (lowAt(after) + 24 - highAt(d)))
  }
  // The hourly grid clips the peaks a little: stretch each day so that its hours touch its low and its high.
  for (let d = 0; d < DAYS; d++) {
    const hours = year.dryBulbC.subarray(d * 24, d * 24 + 24)
    const cut = Math.ceil(sun.noonH[d]!)
    const min = Math.min(...hours.subarray(0, cut))
    const max = Math.max(...hours)
    if (max - min < 0.3) continue
    for (let k = 0; k < 24; k++) {
      const t = hours[k]!
      if (t >= min) hours[k] = low[d]! + (t - min) * (high[d]! - low[d]!) / (max - min)
    }
  }
}

function fall(from: number, to: number, t: number): number {
  const x = Math.max(0, Math.min(1, t))
  return to + (from - to) * (0.55 * (1 + Math.cos(Math.PI * Math.min(1, x))) / 2 + 0.45 * (1 - x) ** 2)
}
