import { HOURS, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import type { YearEngine } from '../year'
import { dateIn, type LaidYear } from './measured'

/** What a house does on the days of a stretch, by hour, °C and 0–1. */
export interface Predicted {
  airC: Float32Array
  leafC: Float32Array
  soilC: Float32Array
  waterC: Float32Array
  rh: Float32Array
}

/** The house as it is drawn, on the very days that were laid into its year. */
export function predict(
  engine: YearEngine,
  design: Design,
  laid: LaidYear,
  sunShare: Float32Array | null = null,
): Predicted {
  const series = engine.span(design, laid.weather, { fromDay: laid.fromDay, hours: laid.days * 24 }, sunShare)
  const of = (a: Float32Array) => {
    const out = new Float32Array(laid.days * 24)
    for (let n = 0; n < out.length; n++) out[n] = a[(laid.fromDay * 24 + n) % HOURS]!
    return out
  }
  return {
    airC: of(series.airC),
    leafC: of(series.leafC),
    soilC: of(series.soilC),
    waterC: of(series.waterC),
    rh: of(series.relativeHumidity),
  }
}

/** Skies, and from which clearness on a day counts as one. */
export const SKIES = ['dull', 'fair', 'clear'] as const
export type Sky = (typeof SKIES)[number]
const FAIR_FROM = -0.5
const CLEAR_FROM = 0.5
export const skyOf = (clear: number): Sky => (clear >= CLEAR_FROM ? 'clear' : clear >= FAIR_FROM ? 'fair' : 'dull')

/** Days at the beginning in which the house comes to where the readings are: its mass began elsewhere. */
export const SETTLES_DAYS = 4
/** Stretches no longer than this settle a fourth of their days only. */
const settles = (days: number) => Math.min(SETTLES_DAYS, Math.floor(days / 4))

/** Hours of a stretch that may be held against readings: their day and the one before are known, and it settled. */
export function countable(laid: LaidYear): Uint8Array {
  const out = new Uint8Array(laid.days * 24)
  for (let i = settles(laid.days); i < laid.days; i++)
    if (laid.known[i] === 1 && (i === 0 || laid.known[i - 1] === 1)) out.fill(1, i * 24, i * 24 + 24)
  return out
}

/** A measure of how far the prediction is off: its mean, predicted less read, and its root mean square, K. */
export interface Off {
  biasK: number
  rmseK: number
  count: number
}

const offOf = (off: readonly number[]): Off => ({
  biasK: off.length > 0 ? off.reduce((a, b) => a + b, 0) / off.length : NaN,
  rmseK: off.length > 0 ? Math.sqrt(off.reduce((a, b) => a + b * b, 0) / off.length) : NaN,
  count: off.length,
})

/** A day of a comparison, °C; NaN where it was not read. */
export interface ComparedDay {
  date: string
  sky: Sky
  outsideMinC: number
  readMinC: number
  readMaxC: number
  saidMinC: number
  saidMaxC: number
}

/** How the house did against what its design says of the very same days. */
export interface Comparison {
  all: Off
  nights: Off
  /** By hour of the day, by the sky of the day, and of soil and water. */
  byHour: Off[]
  bySky: Record<Sky, Off>
  soil: Off
  water: Off
  days: ComparedDay[]
  /** Whether the days' sun was measured: of all of them, some or none. */
  sun: 'measured' | 'partly' | 'estimated'
}

/** Holds what was read against what is predicted. */
export function compare(
  laid: LaidYear,
  said: Predicted,
  weather: Pick<SiteYear, 'dryBulbC'> = laid.weather,
): Comparison {
  const counts = countable(laid)
  const all: number[] = []
  const nights: number[] = []
  const byHour: number[][] = Array.from({ length: 24 }, () => [])
  const bySky: Record<Sky, number[]> = { dull: [], fair: [], clear: [] }
  const soil: number[] = []
  const water: number[] = []
  const days: ComparedDay[] = []
  for (let i = 0; i < laid.days; i++) {
    const sky = skyOf(laid.clear[i]!)
    const hours = (a: Float32Array) => a.subarray(i * 24, i * 24 + 24)
    const read = hours(laid.insideC)
    const isRead = read.filter(v => !Number.isNaN(v)).length >= 18
    const start = ((laid.fromDay + i) * 24) % HOURS
    const day: ComparedDay = {
      date: dateIn(laid, i),
      sky,
      outsideMinC: Math.min(...weather.dryBulbC.subarray(start, start + 24)),
      readMinC: isRead ? Math.min(...read.filter(v => !Number.isNaN(v))) : laid.insideMinC[i]!,
      readMaxC: isRead ? Math.max(...read.filter(v => !Number.isNaN(v))) : laid.insideMaxC[i]!,
      saidMinC: Math.min(...hours(said.airC)),
      saidMaxC: Math.max(...hours(said.airC)),
    }
    if (laid.known[i] === 1) days.push(day)
    if (counts[i * 24] === 0) continue
    if (!Number.isNaN(day.readMinC)) nights.push(day.saidMinC - day.readMinC)
    if (!isRead)
      for (const off of [day.saidMinC - day.readMinC, day.saidMaxC - day.readMaxC]) {
        if (Number.isNaN(off)) continue
        all.push(off)
        bySky[sky].push(off)
      }
    for (let k = 0; k < 24; k++) {
      const n = i * 24 + k
      const off = said.airC[n]! - laid.insideC[n]!
      if (!Number.isNaN(off)) {
        all.push(off)
        byHour[k]!.push(off)
        bySky[sky].push(off)
      }
      const inSoil = said.soilC[n]! - laid.soilC[n]!
      if (!Number.isNaN(inSoil)) soil.push(inSoil)
      const inWater = said.waterC[n]! - laid.waterC[n]!
      if (!Number.isNaN(inWater)) water.push(inWater)
    }
  }
  const measured = laid.sunKnown.reduce((a, b) => a + b, 0)
  return {
    all: offOf(all),
    nights: offOf(nights),
    byHour: byHour.map(offOf),
    bySky: { dull: offOf(bySky.dull), fair: offOf(bySky.fair), clear: offOf(bySky.clear) },
    soil: offOf(soil),
    water: offOf(water),
    days,
    sun: measured === 0 ? 'estimated' : measured === laid.days ? 'measured' : 'partly',
  }
}
