import { aimLine } from '../aim/aim-line'
import { fittedCover } from '../catalog'
import { DAYS, MONTH_OF_DAY, MONTH_START } from '../climate'
import { ALLOWED, grownMonths, type CropRow } from '../crops/calendar'
import { POT_WEEKS } from '../crops/grow'
import { weekStart } from '../crops/weeks'
import type { Design } from '../design/types'
import { winterDays } from '../openings/winter'
import { dayNumber, isoDay } from '../plan/calendar'
import { inMetric, type Show } from '../units'
import { nominalDay } from './log'
import type { YearResult } from '../year'

/** The year of a site and of its house, day by day as it usually is: means over a fortnight. */
export interface HouseYear {
  design: Design
  /** Outside: lowest, mean. Inside: lowest and highest. °C. */
  outLowC: Float32Array
  outMeanC: Float32Array
  inLowC: Float32Array
  inHighC: Float32Array
  /** Lowest of each day as it came, unsmoothed: frost comes on one night. */
  coldestInC: Float32Array
  coldestOutC: Float32Array
  /** Hours from sunrise to sunset. */
  dayLengthH: Float32Array
  snow: Uint8Array
  damp: Float32Array
  heatedKWh: Float32Array
}

/** When in the year something is due: its first day and its last, 0–364, which may span the new year. */
export interface Due {
  from: number
  until: number
  /** Every so many days between them; once unless said. */
  everyDays?: number
  /** What the date hangs on, in words. */
  why: string
}

/** Something that a season asks for. */
export interface SeasonTask {
  id: string
  name: string
  group: 'autumn' | 'winter' | 'spring' | 'summer' | 'crops'
  caution?: string
  due: (year: HouseYear) => Due | null
}

/** Days on either side that a usual day is the mean of. */
const ABOUT_DAYS = 7

/** The days of a year as they usually are. */
export function houseYear(design: Design, { site, series }: Pick<YearResult, 'site' | 'series'>): HouseYear {
  const daily = (of: Float32Array, take: (day: Float32Array) => number) =>
    Float32Array.from({ length: DAYS }, (_, d) => take(of.subarray(d * 24, d * 24 + 24)))
  const low = (day: Float32Array) => day.reduce((a, b) => Math.min(a, b), Infinity)
  const high = (day: Float32Array) => day.reduce((a, b) => Math.max(a, b), -Infinity)
  const sum = (day: Float32Array) => day.reduce((a, b) => a + b, 0)
  const coldestInC = daily(series.airC, low)
  const coldestOutC = daily(site.dryBulbC, low)
  return {
    design,
    outLowC: about(coldestOutC),
    outMeanC: about(daily(site.dryBulbC, day => sum(day) / 24)),
    inLowC: about(coldestInC),
    inHighC: about(daily(series.airC, high)),
    coldestInC,
    coldestOutC,
    dayLengthH: daily(site.sunAltitudeDeg, day => day.filter(a => a > 0).length),
    snow: Uint8Array.from({ length: DAYS }, (_, d) => Number(site.snowM[d * 24 + 12]! > 0)),
    damp: daily(series.relativeHumidity, day => day.filter(v => v > DAMP).length),
    heatedKWh: daily(series.heaterW, day => sum(day) / 1000),
  }
}

/** Above this mould grows and blight spreads. */
const DAMP = 0.9

function about(of: Float32Array): Float32Array {
  return of.map((_, d) => {
    let sum = 0
    for (let k = -ABOUT_DAYS; k <= ABOUT_DAYS; k++) sum += of[(d + k + DAYS) % DAYS]!
    return sum / (2 * ABOUT_DAYS + 1)
  })
}

const wrap = (d: number) => ((d % DAYS) + DAYS) % DAYS

/** The middle of the warm half of a year, from which autumn is looked for, and of the cold half. */
function hottest({ outMeanC }: HouseYear): number {
  const half = outMeanC.map((_, d) => {
    let sum = 0
    for (let k = -90; k <= 90; k++) sum += outMeanC[wrap(d + k)]!
    return sum
  })
  return half.indexOf(Math.max(...half))
}

/** First day from one on, going round, on which something is so; null where it never is. */
function firstFrom(start: number, is: (d: number) => boolean): number | null {
  for (let k = 0; k < DAYS; k++) if (is(wrap(start + k))) return wrap(start + k)
  return null
}
/** Last day before the next summer on which it is so. */
function lastFrom(start: number, is: (d: number) => boolean): number | null {
  for (let k = DAYS - 1; k >= 0; k--) if (is(wrap(start + k))) return wrap(start + k)
  return null
}

/** A task is given so many days, and is due so many before what it is for. */
const ROOM_DAYS = 7
const before = (day: number | null, ahead: number, why: string): Due | null =>
  day === null ? null : { from: wrap(day - ahead), until: wrap(day - ahead + ROOM_DAYS), why }
const after = (day: number | null, why: string): Due | null =>
  day === null ? null : { from: wrap(day + 1), until: wrap(day + 1 + ROOM_DAYS), why }

/** Frost at this usual low, °C: wax stiffens, water in lines and louvres freezes soon. */
const FROSTY_C = 0
const coldStart = (y: HouseYear) => firstFrom(hottest(y), d => y.outLowC[d]! < FROSTY_C)
const coldEnd = (y: HouseYear) => lastFrom(hottest(y), d => y.outLowC[d]! < FROSTY_C)
const hasCover = ({ design: { skin } }: HouseYear) => fittedCover(skin.cover).resistance > 0
/** A cover is worth its drawing from this usual night on, °C. */
const COVER_C = 6
/** Days shorter than this are the dark ones, in which plants stand still, h. */
const DARK_H = 10

/** What a season asks for: a new task is an entry here. */
export const SEASON_TASKS: readonly SeasonTask[] = [
  {
    id: 'covers-on',
    name: 'Refit night covers: cables, edges, limit switches',
    group: 'autumn',
    due: y =>
      hasCover(y)
        ? before(
            firstFrom(hottest(y), d => y.outLowC[d]! < COVER_C),
            14,
            'a fortnight before nights get cold',
          )
        : null,
  },
  {
    id: 'wash',
    name: 'Wash the glazing, outside and in',
    group: 'autumn',
    caution: 'From the ground or a footed ladder; never step on glazing.',
    due: y =>
      before(
        firstFrom(hottest(y), d => y.dayLengthH[d]! < DARK_H + 1),
        14,
        'before the short days, when each ray counts',
      ),
  },
  {
    id: 'anchors',
    name: 'Check anchors, straps and the door’s hinges',
    group: 'autumn',
    due: y =>
      before(
        firstFrom(hottest(y), d => y.outMeanC[d]! < 8),
        0,
        'before the winter’s winds',
      ),
  },
  {
    id: 'heater',
    name: 'Try the heater and its alarm; flue swept',
    group: 'autumn',
    caution: 'A carbon monoxide alarm stands where anything burns; flues and gas are for licensed people.',
    due: y =>
      y.design.topUp.sources.some(s => s.on && ['heater', 'stove'].includes(s.kind))
        ? before(
            firstFrom(hottest(y), d => y.heatedKWh[d]! > 0.1) ?? coldStart(y),
            21,
            'three weeks before it is first needed',
          )
        : null,
  },
  {
    id: 'openers-off',
    name: 'Unhook or wind down wax openers',
    group: 'autumn',
    due: y => (wax(y).length > 0 ? before(coldStart(y), 3, 'before nights that usually freeze') : null),
  },
  {
    id: 'plug',
    name: 'Plug fans and louvres, and openings that winter shuts',
    group: 'autumn',
    due: y => {
      const starts = plugged(y)
      if (starts !== null) return before(starts, 3, 'as the design has its openings in winter')
      return y.design.breathe.fans.length > 0 ? before(coldStart(y), 3, 'before nights that usually freeze') : null
    },
  },
  {
    id: 'drip-off',
    name: 'Drain the drip lines and the outside tap',
    group: 'autumn',
    due: y => {
      const inside = firstFrom(hottest(y), d => y.coldestInC[d]! < 1)
      if (inside !== null) return before(inside, 7, 'a week before it first comes near freezing inside')
      return before(
        firstFrom(hottest(y), d => y.coldestOutC[d]! < 0),
        7,
        'outside alone: inside it never freezes in the design’s year',
      )
    },
  },
  {
    id: 'snow',
    name: 'Push snow off the glazing after each fall',
    group: 'winter',
    caution: 'From the ground, with a soft rake; not under an icy roof.',
    due: y => {
      const from = firstFrom(hottest(y), d => y.snow[d] === 1)
      const until = lastFrom(hottest(y), d => y.snow[d] === 1)
      return from === null || until === null ? null : { from, until, everyDays: 7, why: 'while snow usually lies' }
    },
  },
  {
    id: 'mould',
    name: 'Look for mould, take off dead leaves, air at noon',
    group: 'winter',
    due: y => {
      const usual = about(y.damp)
      const from = firstFrom(hottest(y), d => usual[d]! > 6)
      const until = lastFrom(hottest(y), d => usual[d]! > 6)
      return from === null || until === null
        ? null
        : { from, until, everyDays: 7, why: 'in weeks with a quarter of the hours above 90 % humidity' }
    },
  },
  {
    id: 'level',
    name: 'Top up tanks and barrels; look for leaks',
    group: 'winter',
    due: y =>
      y.design.store.bodies.length > 0
        ? before(
            firstFrom(hottest(y), d => y.outMeanC[d]! < 8),
            7,
            'before the mass is needed',
          )
        : null,
  },
  {
    id: 'openers-on',
    name: 'Hook wax openers up again, oil their joints',
    group: 'spring',
    due: y => (wax(y).length > 0 ? after(coldEnd(y), 'after the last nights that usually freeze') : null),
  },
  {
    id: 'unplug',
    name: 'Take out plugs and boards; try each fan',
    group: 'spring',
    due: y =>
      plugged(y) !== null || y.design.breathe.fans.length > 0
        ? after(coldEnd(y), 'after the last nights that usually freeze')
        : null,
  },
  {
    id: 'drip-on',
    name: 'Fill and try the drip lines',
    group: 'spring',
    due: y => after(lastFrom(hottest(y), d => y.coldestInC[d]! < 1) ?? coldEnd(y), 'after the last frost'),
  },
  {
    id: 'shade-on',
    name: 'Shade on: cloth, wash or the cover by day',
    group: 'summer',
    due: y => {
      const { highC } = aimLine(y.design.aim)
      const start = wrap(hottest(y) - DAYS / 2 + 0.5)
      return before(
        firstFrom(Math.floor(start), d => y.inHighC[d]! > (highC[MONTH_OF_DAY[d]!] ?? 35)),
        3,
        'before days that are usually too hot inside',
      )
    },
  },
  {
    id: 'shade-off',
    name: 'Shade off',
    group: 'autumn',
    due: y => {
      const { highC } = aimLine(y.design.aim)
      const start = Math.floor(wrap(hottest(y) - DAYS / 2 + 0.5))
      return after(
        lastFrom(start, d => y.inHighC[d]! > (highC[MONTH_OF_DAY[d]!] ?? 35)),
        'after the last days that are usually too hot',
      )
    },
  },
]

const wax = ({ design }: HouseYear) => design.skin.openings.filter(o => 'how' in o && o.how === 'wax')

/** First day of the winter of the first opening that has one. */
function plugged(y: HouseYear): number | null {
  const days = y.design.skin.openings.flatMap(o => ('winter' in o ? [winterDays(o, hourly(y.outMeanC))] : []))
  const any = days.filter(d => d.some(v => v === 1))
  if (any.length === 0) return null
  return firstFrom(hottest(y), d => any.some(one => one[d] === 1))
}
/** A day's mean for each of its hours. */
const hourly = (daily: Float32Array) => Float32Array.from({ length: DAYS * 24 }, (_, h) => daily[(h / 24) | 0]!)

/** A bed gives so long before it is fed again; pests are looked for so often, days. */
const FEED_DAYS = 21
const PESTS_DAYS = 7
/** Pests breed in air that is usually this warm by day, °C. */
const PESTS_C = 18
const WEEK_DAYS = 7

/** What each crop asks for: by the sowings that its calendar has for the months in which it is to grow. */
export function cropTasks(rows: readonly CropRow[], show: Show = inMetric): SeasonTask[] {
  return rows.flatMap(row => {
    const name = row.name.toLowerCase()
    // A tree is tended in the months in which it is to grow, and neither sown nor planted.
    if (row.perennial)
      return grownMonths({ months: row.months.map(m => m.asked) }).flatMap(({ from, months }, k, all) => {
        const start = MONTH_START[from]!
        return tended(name, all.length > 1 ? `${row.id}-${k + 1}` : row.id, start, wrap(start + months * 30))
      })
    return row.planned.flatMap((s, k): SeasonTask[] => {
      const id = row.planned.length > 1 ? `${row.id}-${k + 1}` : row.id
      const [sow, plant] = [weekStart(s.sown), weekStart(s.planted)]
      const chance = s.ripens >= 1 - ALLOWED ? '' : `; it ripens here in ${Math.round(s.ripens * 100)} % of years`
      const cold = `one year in five its leaves then meet ${show(s.coldC, 'temperature')} or less${chance}`
      const week = (from: number, why: string) => () => ({ from, until: wrap(from + WEEK_DAYS - 1), why })
      const sown: SeasonTask = {
        id: `sow-${id}`,
        name: s.planted === s.sown ? `Sow ${name}` : `Sow ${name} in pots, in the warm`,
        group: 'crops',
        due: week(sow, s.planted === s.sown ? cold : `${POT_WEEKS} weeks before it is planted out`),
      }
      const planted: SeasonTask = {
        id: `plant-${id}`,
        name: `Plant out ${name}`,
        group: 'crops',
        due: week(plant, cold),
      }
      const ripe = wrap(sow + WEEK_DAYS * s.firstAfter)
      return [
        sown,
        ...(s.planted === s.sown ? [] : [planted]),
        ...tended(name, id, plant, wrap(sow + WEEK_DAYS * s.endAfter)),
        {
          id: `harvest-${id}`,
          name: `First harvest of ${name}`,
          group: 'crops',
          due: week(ripe, `in a usual year, ${s.firstAfter} weeks after sowing`),
        },
      ]
    })
  })
}

/** What a crop asks for between two days of the year. */
function tended(name: string, id: string, start: number, end: number): SeasonTask[] {
  const lasts = wrap(end - start)
  const during = (from: number, is: (d: number) => boolean) =>
    firstFrom(from, d => wrap(d - start) < lasts && is(d)) ?? null
  const every = (from: number | null, everyDays: number, why: string) =>
    from === null ? null : { from, until: end, everyDays, why }
  return [
    {
      id: `feed-${id}`,
      name: `Feed ${name}`,
      group: 'crops',
      due: y =>
        every(
          during(wrap(start + FEED_DAYS), d => y.dayLengthH[d]! >= DARK_H),
          FEED_DAYS,
          'while it grows and has light',
        ),
    },
    {
      id: `pests-${id}`,
      name: `Look under the leaves of ${name} for pests`,
      group: 'crops',
      due: y =>
        every(
          during(start, d => y.inHighC[d]! > PESTS_C),
          PESTS_DAYS,
          'while it grows in warm days',
        ),
    },
  ]
}

/** A task on days of the calendar. */
export interface DatedTask {
  id: string
  name: string
  group: SeasonTask['group']
  /** ISO 8601. */
  from: string
  until: string
  everyDays: number | null
  why: string
  caution: string
}

/**
 * All that a season asks of this house, in the order in which it is due within a year from a day on.
 * @param from ISO 8601
 * @param rows the calendar of its crops
 */
export function seasonTasks(
  year: HouseYear,
  from: string,
  rows: readonly CropRow[],
  show: Show = inMetric,
): DatedTask[] {
  const first = dayNumber(from)
  return [...SEASON_TASKS, ...cropTasks(rows, show)]
    .flatMap((t): DatedTask[] => {
      const due = t.due(year)
      if (!due) return []
      const lasts = wrap(due.until - due.from)
      // What has begun and is not over is due now.
      const begins = nominalDay(first)
      const since = wrap(begins - due.from)
      const starts = since <= lasts && since > 0 ? first - since : first + wrap(due.from - begins)
      return [
        {
          id: t.id,
          name: t.name,
          group: t.group,
          from: isoDay(starts),
          until: isoDay(starts + lasts),
          everyDays: due.everyDays ?? null,
          why: due.why,
          caution: t.caution ?? '',
        },
      ]
    })
    .sort((a, b) => a.from.localeCompare(b.from))
}
