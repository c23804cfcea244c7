import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { inverse, Matrix } from 'ml-matrix'
import { DAYS, HOURS } from '../climate'
import type { Design } from '../design/types'
import { patchDesign, type Patch } from '../editing'
import { inMetric, siSymbol, type Quantity, type Show } from '../units'
import type { YearEngine } from '../year'
import { compare, countable, predict, skyOf, type Predicted } from './compare'
import { DOUBTS, toldValue, type Doubt } from './doubts'
import type { LaidYear } from './measured'

/** What readings say of one thing. */
export interface Found {
  what: string
  words: string
  path: string
  /** null for a number in a unit of its own. */
  quantity: Quantity | null
  unit: string
  was: number
  now: number
  /** Nine times of ten it lies between these. */
  low: number
  high: number
  /** false where the readings cannot tell. */
  sure: boolean
  /** What to look at. */
  hint: string
}

/** What a fit came to. */
export interface Fit {
  /** Hours of readings that counted. */
  hours: number
  rmseBeforeK: number
  rmseAfterK: number
  biasBeforeK: number
  biasAfterK: number
  found: Found[]
  explains: string
  /** All that is sure, as one edit. */
  patch: Patch[]
}

/** Readings are taken by parts of the day, each so long: hours next to each other say the same. */
const PART_H = 6
/** So many of its hours a part must have. */
const ENOUGH_H = 4
/** No model and no sensor is better than this, K; a first guess of how far the model is off, K. */
const LEAST_OFF_K = 0.35
const FIRST_OFF_K = 1
/** Readings of so many days, some clear and some not, before anything is sure. */
const LEAST_DAYS = 14
const LEAST_CLEAR_DAYS = 3
/** Sure is what the readings have narrowed to this share of what was plausible. */
const SURE_SHARE = 0.5
/** Nine of ten. */
const NINE_OF_TEN = 1.645
/** Iterations in each turn: the first with a guess of how far the model is off, the second with what that was. */
const TURNS = [3, 2] as const
/** Step of the slopes, in logarithms. */
const STEP = 0.08

/** A part of a day, or of its soil or water, as it was read. */
interface Point {
  group: 'night' | 'day' | 'soil' | 'water'
  /** Of the stretch. */
  day: number
  read: number
  /** Of the prediction. */
  said: (p: Predicted) => number
}

function meanOver(a: Float32Array, hours: readonly number[]): number {
  let sum = 0
  for (const n of hours) sum += a[n]!
  return sum / hours.length
}

/** All points that a stretch holds, in order. */
export function pointsOf(laid: LaidYear): Point[] {
  const counts = countable(laid)
  const out: Point[] = []
  for (let i = 0; i < laid.days; i++) {
    if (counts[i * 24] === 0) continue
    const hours = Array.from({ length: 24 }, (_, k) => i * 24 + k)
    const read = (of: Float32Array, some: readonly number[]) => some.filter(n => !Number.isNaN(of[n]!))
    let byHour = false
    for (let k = 0; k < 24; k += PART_H) {
      const part = read(laid.insideC, hours.slice(k, k + PART_H))
      if (part.length < ENOUGH_H) continue
      byHour = true
      const group = k === 0 || k + PART_H === 24 ? 'night' : 'day'
      out.push({ day: i, group, read: meanOver(laid.insideC, part), said: p => meanOver(p.airC, part) })
    }
    if (!byHour) {
      const [low, high] = [laid.insideMinC[i]!, laid.insideMaxC[i]!]
      const day = (p: Predicted) => p.airC.subarray(i * 24, i * 24 + 24)
      if (!Number.isNaN(low)) out.push({ day: i, group: 'night', read: low, said: p => Math.min(...day(p)) })
      if (!Number.isNaN(high)) out.push({ day: i, group: 'day', read: high, said: p => Math.max(...day(p)) })
    }
    for (const [group, of, said] of [
      ['soil', laid.soilC, 'soilC'],
      ['water', laid.waterC, 'waterC'],
    ] as const) {
      const some = read(of, hours)
      if (some.length > 0) out.push({ day: i, group, read: meanOver(of, some), said: p => meanOver(p[said], some) })
    }
  }
  return out
}

/** How far off points of each group are, K, more where one off is followed by the next. */
function offByGroup(points: readonly Point[], off: readonly number[]): Record<Point['group'], number> {
  const out = { night: FIRST_OFF_K, day: FIRST_OFF_K, soil: FIRST_OFF_K, water: FIRST_OFF_K }
  for (const group of Object.keys(out) as Point['group'][]) {
    const its = off.filter((_, i) => points[i]!.group === group)
    if (its.length < 6) continue
    const square = its.reduce((a, b) => a + b * b, 0) / its.length
    let together = 0
    for (let i = 1; i < its.length; i++) together += its[i]! * its[i - 1]!
    const follows = Math.min(0.9, Math.max(0, together / (its.length - 1) / Math.max(1e-9, square)))
    out[group] = Math.sqrt(Math.max(LEAST_OFF_K ** 2, square) * ((1 + follows) / (1 - follows)))
  }
  return out
}

const clamp = (v: number, low: number, high: number) => Math.min(high, Math.max(low, v))

/** The sun of a day is known by its range of air to so much, in logarithms; a day's measured sun to so much. */
const SUN_SPREAD = 0.4
const SUN_MEASURED_SPREAD = 0.05
/** Days whose sun is moved in one run lie so far apart: what a day's sun does has all but died down by then. */
const APART_DAYS = 6
const SUN_STEP = 0.15

/** What is sought: the doubts on a scale of logarithms, then the share of each day's sun. */
interface Sought {
  doubts: readonly Doubt[]
  start: number[]
  spread: number[]
  low: number[]
  high: number[]
}

/** The house of a stretch with some of it otherwise, at the points that were read. */
function makeHouse(
  engine: YearEngine,
  design: Design,
  laid: LaidYear,
  points: readonly Point[],
  sought: Sought,
  /** Told of each run. */
  ran: () => void,
) {
  const { doubts } = sought
  const known = new Map<string, number[]>()
  const patched = (at: readonly number[]) =>
    patchDesign(
      design,
      doubts.flatMap((d, k) => d.patch(clamp(Math.exp(at[k]!), d.low, d.high))),
    )
  function predicted(at: readonly number[]): Predicted {
    const share = new Float32Array(HOURS).fill(1)
    for (let i = 0; i < laid.days; i++) {
      const h = ((laid.fromDay + i) % DAYS) * 24
      share.fill(Math.exp(at[doubts.length + i]!), h, h + 24)
    }
    return predict(engine, patched(at), laid, share)
  }
  /** What is said at each point. */
  function said(at: readonly number[]): number[] {
    const key = at.join()
    let out = known.get(key)
    if (!out) {
      const p = predicted(at)
      ran()
      out = points.map(point => point.said(p))
      known.set(key, out)
    }
    return out
  }
  /** How it changes with each that is sought: a run for each doubt, and a few for the sun of all days. */
  function slopes(at: readonly number[]): number[][] {
    const there = said(at)
    const out = doubts.map((d, k) => {
      // Away from the end of what it may be.
      const step = at[k]! + STEP > Math.log(d.high) ? -STEP : STEP
      return said(at.map((v, j) => (j === k ? v + step : v))).map((v, i) => (v - there[i]!) / step)
    })
    const bySun = Array.from({ length: laid.days }, () => new Array<number>(points.length).fill(0))
    for (let first = 0; first < APART_DAYS; first++) {
      const isMoved = (j: number) => j >= doubts.length && (j - doubts.length) % APART_DAYS === first
      const moved = said(at.map((v, j) => (isMoved(j) ? v + SUN_STEP : v)))
      points.forEach((p, i) => {
        // Whose sun it is: the last day that was moved up to the point's own.
        const day = p.day - ((((p.day - first) % APART_DAYS) + APART_DAYS) % APART_DAYS)
        if (day >= 0) bySun[day]![i] = (moved[i]! - there[i]!) / SUN_STEP
      })
    }
    return [...out, ...bySun]
  }
  return { patched, predicted, said, slopes }
}

/**
 * Finds what of a house the readings tell: by least squares (Levenberg 1944, Marquardt 1963) over parts of the days,
 * each unknown held to what was plausible before as loosely as it was (Tikhonov 1963). The sun of each day is sought
 * with it, since nobody measured it: what the day's warmth then says of the sun is not taken for a fault of the house.
 * How well each is known is read off the slopes at the end (Gauss), with what the model itself cannot know.
 * @param laid days with readings of the air inside and outside
 * @param progress told the share that is done, 0–1, as it goes
 */
export function fit(
  engine: YearEngine,
  design: Design,
  laid: LaidYear,
  progress?: (share: number) => void,
  show: Show = inMetric,
): Fit {
  const points = pointsOf(laid)
  if (points.length === 0) return NOTHING
  const doubts = DOUBTS.filter(d => d.now(design) !== null)
  const days = Array.from({ length: laid.days }, (_, i) => i)
  const sought: Sought = {
    doubts,
    start: [...doubts.map(d => Math.log(clamp(d.now(design)!, d.low, d.high))), ...days.map(() => 0)],
    spread: [
      ...doubts.map(d => d.spread),
      ...days.map(i => (laid.sunKnown[i] === 1 ? SUN_MEASURED_SPREAD : SUN_SPREAD)),
    ],
    low: [...doubts.map(d => Math.log(d.low)), ...days.map(() => -1.5)],
    high: [...doubts.map(d => Math.log(d.high)), ...days.map(() => 1.2)],
  }
  const iterations = TURNS.reduce((sum, n) => sum + n, 0)
  const most = (iterations + 1) * (1 + doubts.length + APART_DAYS)
  let runs = 0
  const house = makeHouse(engine, design, laid, points, sought, () => progress?.(Math.min(1, ++runs / most)))
  const first = compare(laid, predict(engine, design, laid))
  let at = [...sought.start]
  let off = offByGroup([], [])
  for (const turn of TURNS) {
    at = leastSquares(house, points, off, sought, at, turn)
    const there = house.said(at)
    off = offByGroup(
      points,
      points.map((p, i) => there[i]! - p.read),
    )
  }
  const spread = spreads(
    house.slopes(at),
    points.map(p => off[p.group]),
    sought,
  )
  const after = compare(laid, house.predicted(at))
  const enough = hasEnough(laid)
  const found = doubts.map((d, k): Found => {
    const sd = Math.hypot(spread[k]!, d.modelSpread, first.sun === 'measured' ? 0 : (d.sunSpread ?? 0))
    const value = (by: number) => toldValue(d, clamp(Math.exp(at[k]! + by), d.low, d.high))
    const ends = [value(-NINE_OF_TEN * sd), value(NINE_OF_TEN * sd)]
    const more = at[k]! - sought.start[k]!
    return {
      what: d.id,
      words: d.words,
      path: d.path,
      quantity: d.quantity,
      unit: d.quantity ? siSymbol(d.quantity) : d.unit!,
      was: toldValue(d, d.now(design)!),
      now: value(0),
      low: Math.min(...ends),
      high: Math.max(...ends),
      sure: enough === null && sd < SURE_SHARE * d.spread,
      hint: Math.abs(more) < NINE_OF_TEN * sd ? '' : more > 0 ? d.more : d.less,
    }
  })
  const sure = doubts.filter((_, k) => found[k]!.sure)
  return {
    hours: first.all.count,
    rmseBeforeK: first.all.rmseK,
    rmseAfterK: after.all.rmseK,
    biasBeforeK: first.all.biasK,
    biasAfterK: after.all.biasK,
    found,
    explains: explains(found, first.all.rmseK, after.all.rmseK, enough, show),
    patch: sure.flatMap(d => [...d.patch(rounded(clamp(Math.exp(at[doubts.indexOf(d)]!), d.low, d.high)))]),
  }
}

const NOTHING: Fit = {
  hours: 0,
  rmseBeforeK: NaN,
  rmseAfterK: NaN,
  biasBeforeK: NaN,
  biasAfterK: NaN,
  found: [],
  explains: 'There are no readings of inside and outside on the same days: nothing can be told.',
  patch: [],
}

/** The values at which the points, and what was plausible before, are met best. */
function leastSquares(
  house: ReturnType<typeof makeHouse>,
  points: readonly Point[],
  off: Record<Point['group'], number>,
  sought: Sought,
  from: readonly number[],
  iterations: number,
): number[] {
  const weight = points.map(p => 1 / off[p.group])
  const count = points.length
  const y = [...points.map((p, i) => p.read * weight[i]!), ...sought.start.map((v, k) => v / sought.spread[k]!)]
  return levenbergMarquardt(
    { x: y.map((_, i) => i), y },
    params => {
      const there = house.said(params)
      return i => (i < count ? there[i]! * weight[i]! : params[i - count]! / sought.spread[i - count]!)
    },
    {
      initialValues: from,
      minValues: sought.low,
      maxValues: sought.high,
      maxIterations: iterations,
      damping: 0.01,
      errorTolerance: 1e-6,
      jacobianFunction: params => {
        const slopes = house.slopes(params)
        return i => slopes.map((s, k) => (i < count ? s[i]! * weight[i]! : k === i - count ? 1 / sought.spread[k]! : 0))
      },
    },
  ).parameterValues
}

const rounded = (v: number) => Number(v.toPrecision(3))

/** How well each is known, on the scale that it was sought on: Gauss's covariance, with what was plausible. */
function spreads(slopes: readonly number[][], off: readonly number[], { spread }: Sought): number[] {
  const n = spread.length
  const normal = Matrix.zeros(n, n)
  for (let j = 0; j < n; j++)
    for (let k = 0; k <= j; k++) {
      let sum = j === k ? 1 / spread[j]! ** 2 : 0
      for (let i = 0; i < off.length; i++) sum += (slopes[j]![i]! * slopes[k]![i]!) / off[i]! ** 2
      normal.set(j, k, sum)
      normal.set(k, j, sum)
    }
  const covariance = inverse(normal)
  return spread.map((_, k) => Math.sqrt(covariance.get(k, k)))
}

/** Why the readings are too few to be sure of anything; null where they are not. */
function hasEnough(laid: LaidYear): string | null {
  const counts = countable(laid)
  const days = Array.from({ length: laid.days }, (_, i) => i).filter(i => counts[i * 24] === 1)
  if (days.length < LEAST_DAYS) return `they are of ${days.length} days; it takes ${LEAST_DAYS}`
  const clear = days.filter(i => skyOf(laid.clear[i]!) === 'clear').length
  if (clear < LEAST_CLEAR_DAYS) return `only ${clear} of their days were clear; it takes ${LEAST_CLEAR_DAYS}`
  return null
}

function explains(found: readonly Found[], before: number, after: number, few: string | null, show: Show): string {
  const k = (v: number) => show(v, 'temperatureDifference')
  const errors = `The design is off by ${k(before)}; as found, by ${k(after)}.`
  if (few !== null) return `${errors} The readings can't tell why: ${few}.`
  const told = found.filter(f => f.sure && f.hint !== '')
  const dim = found.filter(f => !f.sure).map(f => f.words)
  const cannot = dim.length > 0 ? ` They can't tell ${dim.join(', ')}.` : ''
  if (told.length === 0) return `${errors} The readings give no reason to change it.${cannot}`
  const says = told.map(f => {
    const size = (v: number) => (f.quantity ? show(v, f.quantity) : Number(v.toPrecision(2)).toString())
    const now = size(f.now) + (f.quantity ? '' : ` ${f.unit}`)
    return `${f.words} ${now} (${size(f.low)} to ${size(f.high)}), not ${size(f.was)}`
  })
  return `${errors} It reads as if: ${says.join('; ')}. ${told.map(f => f.hint).join(' ')}${cannot}`
}
