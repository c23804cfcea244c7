import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import Papa from 'papaparse'
import { makeSiteYear, monthlyRadiation, MONTH_OF_DAY, MONTH_START } from '../../core/climate'
import { quantile } from '../../core/study/ensemble'
import { proof, type ProofRow } from './row'

/** Daily records of two stations over four years: of a package that is there for its data alone. */
const RECORDS = 'node_modules/vega-datasets/data/weather.csv'
const SOURCE = 'daily records of two stations, 2012–15 (vega-datasets)'

interface Day {
  month: number
  year: number
  lowC: number
  highC: number
  /** Brighter than its month is by the middle: by the word of the record, or by its sun. */
  bright: number
}
/** Days of one place one after the other, with the normals that they are held against. */
interface Days {
  days: Day[]
  lowC: number[]
  highC: number[]
  /** Share of bright days by month. */
  bright: number[]
}

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length
const spread = (values: readonly number[]) => {
  const middle = mean(values)
  return Math.sqrt(values.reduce((sum, v) => sum + (v - middle) ** 2, 0) / (values.length - 1))
}
const middleOf = (values: readonly number[]) => quantile(values, 0.5)

/** The two stations in the order of the file: near a mild sea, and on the coast of a continent. */
function stations(): Days[] {
  const rows = Papa.parse<Record<string, string>>(readFileSync(join(process.cwd(), RECORDS), 'utf8').trim(), {
    header: true,
  }).data
  return [...new Set(rows.map(r => r.location))].map(place => {
    const days = rows
      .filter(r => r.location === place)
      .map(
        (r): Day => ({
          month: Number(r.date!.slice(5, 7)) - 1,
          year: Number(r.date!.slice(0, 4)),
          lowC: Number(r.temp_min),
          highC: Number(r.temp_max),
          bright: r.weather === 'sun' ? 1 : 0,
        }),
      )
    const by = (of: (d: Day) => number) =>
      Array.from({ length: 12 }, (_, m) => mean(days.filter(d => d.month === m).map(of)))
    return { days, lowC: by(d => d.lowC), highC: by(d => d.highC), bright: by(d => d.bright) }
  })
}

/** What a year's coldest night was like, and its day and the days before. */
interface Snap {
  lowC: number
  fallK: number
  /** How far the day's high lay below its month's, for each kelvin that the low did. */
  highShare: number
  days: number
  /** Bright days of the three before, over what its month has. */
  brightBefore: number
}

/** How far a day's mean lies below its month's to be of a snap, K. */
const SNAP_K = 3

function snapOf({ days, lowC, highC, bright }: Days, from: number, to: number): Snap {
  let at = from
  for (let i = from; i < to; i++) if (days[i]!.lowC < days[at]!.lowC) at = i
  const d = days[at]!
  const below = (i: number) => {
    const day = days[i]
    return day !== undefined && (lowC[day.month]! + highC[day.month]!) / 2 - (day.lowC + day.highC) / 2 > SNAP_K
  }
  let [first, last] = [at, at]
  while (below(first - 1)) first--
  while (below(last + 1)) last++
  const before = [1, 2, 3].flatMap(k => (days[at - k] ? [days[at - k]!] : []))
  return {
    lowC: d.lowC,
    fallK: (days[at - 1] ?? d).highC - d.lowC,
    highShare: (d.highC - highC[d.month]!) / (d.lowC - lowC[d.month]!),
    days: last - first + 1,
    brightBefore: mean(before.map(b => b.bright)) - bright[d.month]!,
  }
}

const YEARS = [2012, 2013, 2014, 2015]
const WINTERS = 60

/** Winters as they are made from a station's own normals, at a latitude. */
function made({ lowC, highC }: Days, latitudeDeg: number): (Days & { decemberSun: number })[] {
  return Array.from({ length: WINTERS }, (_, seed) => {
    const year = makeSiteYear({
      latitudeDeg,
      longitudeDeg: 0,
      elevationM: 50,
      timeZone: 'Etc/UTC',
      seed,
      months: 'varied',
      climate: { kind: 'normals', lowC, highC },
      spell: null,
      horizon: [],
    })
    const days = Array.from(MONTH_OF_DAY, (month, d): Day => {
      const hours = year.dryBulbC.subarray(d * 24, d * 24 + 24)
      return {
        month,
        year: 0,
        lowC: Math.min(...hours),
        highC: Math.max(...hours),
        bright: year.cloud[d * 24]! < 0.5 ? 1 : 0,
      }
    })
    return { days, lowC, highC, bright: new Array<number>(12).fill(0.5), decemberSun: monthlyRadiation(year)[11]! }
  })
}

const monthMean = (days: readonly Day[], month: number) =>
  mean(days.filter(d => d.month === month).map(d => (d.lowC + d.highC) / 2))
const widest = (days: readonly Day[]) => Math.max(...days.map(d => d.highC - d.lowC))

/** A row whose band is the record's own, widened: four years tell no more. */
const within = (name: string, got: number, low: number, high: number, source = SOURCE) =>
  proof(name, (low + high) / 2, got, (high - low) / 2, source)

/** Made winters beside the records of two stations. */
export function stationRows(): ProofRow[] {
  const [sea, coast] = stations() as [Days, Days]
  return [
    ...rowsOf('near a mild sea', sea, made(sea, 47.4)),
    ...rowsOf('coast of a continent', coast, made(coast, 40.7)),
  ]
}

function rowsOf(name: string, record: Days, winters: (Days & { decemberSun: number })[]): ProofRow[] {
  const start = (year: number) => record.days.findIndex(d => d.year === year)
  const real = YEARS.map(year => snapOf(record, Math.max(1, start(year)), start(year) + 365))
  const ours = winters.map(w => snapOf(w, 1, MONTH_START[12]!))
  const of = (key: keyof Snap) => ({ real: real.map(s => s[key]), ours: ours.map(s => s[key]) })
  const [low, fall, high, long, before] = [of('lowC'), of('fallK'), of('highShare'), of('days'), of('brightBefore')]
  const januaries = YEARS.map(year =>
    monthMean(
      record.days.filter(d => d.year === year),
      0,
    ),
  )
  const ranges = YEARS.map(year => widest(record.days.filter(d => d.year === year)))
  const band = (title: string, { real: r, ours: o }: { real: number[]; ours: number[] }, more: number) =>
    within(`winters, ${name}: ${title}, middle`, middleOf(o), Math.min(...r) - more, Math.max(...r) + more)
  const lowSpread = spread(low.real)
  return [
    band('fall from the day before to the coldest night, K', fall, 1),
    band('that day’s high below its month’s, for each kelvin of the low', high, 0),
    band('days of the snap, mean 3 K below the month', long, 1),
    within(
      `winters, ${name}: mean of their coldest nights, °C`,
      mean(low.ours),
      // Four winters tell a mean within two of its standard errors.
      mean(low.real) - lowSpread,
      mean(low.real) + lowSpread,
    ),
    within(`winters, ${name}: spread of their coldest nights, K`, spread(low.ours), lowSpread / 2, lowSpread * 2),
    within(
      `winters, ${name}: spread of a January’s mean, K`,
      spread(winters.map(w => monthMean(w.days, 0))),
      spread(januaries) / 2,
      spread(januaries) * 2,
    ),
    within(
      `winters, ${name}: spread of December’s sun, share`,
      spread(winters.map(w => w.decemberSun)) / mean(winters.map(w => w.decemberSun)),
      0.1,
      0.2,
      'Gueymard & Wilcox 2011',
    ),
    band('longest range of a day in a year, K', { real: ranges, ours: winters.map(w => widest(w.days)) }, 1),
    within(
      `winters, ${name}: share with three days duller than their month before the coldest night`,
      before.ours.filter(v => v < -0.1).length / WINTERS,
      // One or two of four.
      0.1,
      0.6,
    ),
  ]
}
