import { aimLine, leavesBearC } from '../aim/aim-line'
import { DAYS, HOURS, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import { designFaults, patchDesign, type Patch } from '../editing'
import { dayNumber, monthDay } from '../plan/calendar'
import { inMetric, type Show } from '../units'
import type { YearEngine } from '../year'
import { compare, predict, type Predicted } from './compare'
import { nominalDay, type DailyReading, type HourlyLog } from './log'
import { layDays, outsideDays, type LaidYear, type OutsideDay } from './measured'
import { NIGHT_ACTS, type NightAct } from './night-acts'

/** A sky as people say it, and its clearness as a deviate. */
export const FORECAST_SKIES = { clear: 1, fair: 0, dull: -1.2 } as const

/** A day of a forecast and the night that follows it. */
export interface Forecast {
  /** ISO 8601. */
  date: string
  /** Lowest air outside in the night after it, and highest of the day, °C. */
  lowC: number
  highC: number
  sky: keyof typeof FORECAST_SKIES
  /** Mean of day and night, m/s. */
  windMs: number
  snow: boolean
}

/** Something to do in a night, and what it is worth. */
export interface ToDo {
  id: string
  what: string
  /** As people say it: from so late, until so early. */
  when: string
  /** Of leaves or water, whichever stands nearer to its bound, and of the air, at their coldest, K. */
  gainK: number
  airK: number
  caution: string
}

/** A night as it is expected if nothing is done by hand, and what can be done. */
export interface Night {
  date: string
  outsideMinC: number
  insideMinC: number
  /** Nine times of ten it lies between these, °C. */
  low: number
  high: number
  leafMinC: number
  soilMinC: number
  /** What lives there against what it bears, the nearest to it first. */
  lives: NightLife[]
  /** With all that can be done: the air, and the leaves. */
  doneMinC: number
  doneLeafC: number
  /** Cloud and snow in words. */
  sky: Forecast['sky']
  snow: boolean
  do: ToDo[]
}

/** Something that lives in the house in a night: its coldest hour and what it bears, °C. */
export interface NightLife {
  of: 'leaf' | 'soil' | 'water'
  name: string
  atC: number
  boundC: number
  marginK: number
}

export interface Tonight {
  nights: Night[]
  /** How far the house was off on nights that were read, predicted less read; null where too few were. */
  biasK: number | null
  /** Nights that this was learnt from. */
  learntFrom: number
  words: string
}

/** Days before the first night that the house is run through, in which it comes to where it stands. */
const LEAD_DAYS = 21
/** A forecast is so far off on the first night, and so much further on each that follows, K. */
const FORECAST_K = 1
const FORECAST_DRIFT_K = 0.5
/** A house that nobody has read is said so well, K; one that was read never better than this. */
const UNREAD_K = 1.5
const LEAST_K = 0.4
const NINE_OF_TEN = 1.645
/** So many nights are needed to learn from, and the last so many count. */
const ENOUGH_NIGHTS = 4
const LAST_NIGHTS = 14
/** Less than this is not worth a walk, K. */
const WORTH_K = 0.1

/** The days of a forecast as the year takes them: what falls at night comes on the morning after. */
export function forecastDays(forecast: readonly Forecast[], lastLowC: number | null): OutsideDay[] {
  const days = forecast.map((f, i): OutsideDay => {
    const before = forecast[i - 1]
    return {
      day: dayNumber(f.date),
      lowC: Math.min(f.highC - 0.2, before ? before.lowC : (lastLowC ?? f.lowC)),
      highC: f.highC,
      hours: null,
      sunWm2: null,
      clear: FORECAST_SKIES[f.sky],
      windMs: f.windMs,
    }
  })
  const last = forecast.at(-1)!
  const end = days.at(-1)!
  return [...days, { ...end, day: end.day + 1, lowC: last.lowC, highC: Math.max(last.highC, last.lowC + 1) }]
}

/** Half hours of the clock. */
const clock = (h: number): string => {
  const half = Math.round((((h % 24) + 24) % 24) * 2) / 2
  return `${String(Math.floor(half) % 24).padStart(2, '0')}:${half % 1 === 0 ? '00' : '30'}`
}

/** The first of some hours at which something is so; −1. */
const firstHour = (from: number, until: number, is: (n: number) => boolean): number => {
  for (let n = from; n < until; n++) if (is(n)) return n
  return -1
}

/** So much snow lies after a fall, m. */
const FALLS_M = 0.08
/** Global sun under which the light is gone, W/m². */
const DARK_WM2 = 30

/**
 * The nights that a forecast tells of: what they come to inside if nothing is done by hand, how sure that is, and what
 * can be done, each with what it is worth by a run of its own.
 * @param site the site's own year
 * @param forecast one night or more, of days that follow each other
 * @param readings up to now, where there are any: the house then begins where they stand
 * @param offsetH how far the clock on the wall runs ahead of the standard one, h
 * @param show writes degrees in the reader's units
 */
export function tonight(
  engine: YearEngine,
  design: Design,
  site: SiteYear,
  forecast: readonly Forecast[],
  readings: { log: HourlyLog | null; daily: readonly DailyReading[] },
  offsetH = 0,
  show: Show = inMetric,
): Tonight {
  const first = dayNumber(forecast[0]!.date)
  const known = outsideDays(readings.log, readings.daily).filter(d => d.day < first && d.day >= first - 120)
  const near = known.filter(d => d.day >= first - LEAD_DAYS)
  const lastLow = near.at(-1)?.day === first - 1 ? near.at(-1)!.lowC : null
  const ahead = forecastDays(forecast, lastLow)
  const learnt = learn(engine, design, site, known, readings, show)
  const start: OutsideDay[] = near.length > 0 ? near : usualLead(site, first)
  const laid = layDays(design, site, [...start, ...ahead], readings)
  for (const f of forecast) {
    if (!f.snow) continue
    const h = ((laid.fromDay + dayNumber(f.date) - laid.day) % DAYS) * 24
    const { snowM } = laid.weather
    for (let k = 12; k < 36; k++) snowM[(h + k) % HOURS] = Math.max(FALLS_M, snowM[(h + k) % HOURS]!)
  }
  const acts = NIGHT_ACTS.filter(a => a.has(design))
  const coldestC = Math.min(...forecast.map(f => f.lowC))
  const withDone = (done: readonly NightAct[]) =>
    patchDesign(
      design,
      acts.flatMap((a): readonly Patch[] => (done.includes(a) ? a.done(design, coldestC) : a.left(design))),
    )
  const idle = predict(engine, withDone([]), laid)
  const each = acts.map(a => runSound(engine, withDone([a]), laid))
  const all = runSound(engine, withDone(acts), laid)
  const { lowC: wanted } = aimLine(design.aim)
  const nights = forecast.map((f, i): Night => {
    const from = (dayNumber(f.date) - laid.day) * 24 + 12
    const low = (p: Float32Array) => Math.min(...p.subarray(from, from + 24))
    const off = learnt.biasK ?? 0
    const insideMinC = low(idle.airC) - off
    const spread = NINE_OF_TEN * Math.hypot(learnt.spreadK, 0.7 * (FORECAST_K + i * FORECAST_DRIFT_K))
    const global = (n: number) => laid.weather.globalWm2[(laid.fromDay * 24 + n) % HOURS]!
    const month = monthDay(dayNumber(f.date)).month
    const fails = firstHour(from, from + 24, n => idle.airC[n]! - off < (wanted[month] ?? 0))
    const duskH = firstHour(from, from + 24, n => global(n) < DARK_WM2)
    const dawnH = firstHour(Math.max(duskH, from + 6), from + 24, n => global(n) >= DARK_WM2)
    const times = {
      duskH: duskH < 0 ? 24 : 12 + duskH - from,
      dawnH: dawnH < 0 ? 8 : (12 + dawnH - from) % 24,
      failsH: fails < 0 ? null : 12 + fails - from,
    }
    const lives = nightLives(design, month, {
      leaf: low(idle.leafC) - off,
      soil: low(idle.soilC),
      water: low(idle.waterC),
    })
    const felt = FELT[nightly(lives)]
    return {
      date: f.date,
      outsideMinC: f.lowC,
      insideMinC,
      low: insideMinC - spread,
      high: insideMinC + spread,
      leafMinC: low(idle.leafC) - off,
      soilMinC: low(idle.soilC),
      lives,
      doneMinC: all ? low(all.airC) - off : insideMinC,
      doneLeafC: low((all ?? idle).leafC) - off,
      sky: f.sky,
      snow: f.snow,
      do: acts
        .flatMap((a, k): ToDo[] => {
          const run = each[k]
          if (!run) return []
          const gainK = low(felt(run)) - low(felt(idle))
          const airK = low(run.airC) - low(idle.airC)
          if (gainK < WORTH_K || (a.onlyInNeed && insideMinC - spread >= (wanted[month] ?? 0))) return []
          const { fromH, untilH } = a.when(design, times)
          const until = untilH === null ? '' : `, off at ${clock(untilH + offsetH)}`
          return [
            {
              id: a.id,
              what: a.words(design, show),
              when: `by ${clock(fromH + offsetH)}${until}`,
              gainK,
              airK,
              caution: a.caution ?? '',
            },
          ]
        })
        .sort((a, b) => b.gainK - a.gainK)
        .concat(
          upkeep(
            design,
            low(idle.airC) - off,
            low(idle.soilC),
            f,
            forecast[i + 1] ?? null,
            clock(times.duskH + offsetH),
          ),
        ),
    }
  })
  return { nights, biasK: learnt.biasK, learntFrom: learnt.count, words: learnt.words }
}

/** Where what lives there feels a night: soil goes by weeks. */
const FELT = { leaf: (p: Predicted) => p.leafC, water: (p: Predicted) => p.waterC }
/** What of it a night decides on, leaves or water, whichever stands nearer to its bound. */
export const nightly = (lives: readonly NightLife[]): keyof typeof FELT =>
  lives.find(l => l.of !== 'soil')?.of === 'water' ? 'water' : 'leaf'

/** What lives in a house in a month against its coldest hour there, the most endangered first. */
function nightLives(
  { aim, store }: Design,
  month: number,
  coldest: Readonly<Record<NightLife['of'], number>>,
): NightLife[] {
  const life = (of: NightLife['of'], name: string, boundC: number | null): NightLife[] =>
    boundC === null || Number.isNaN(coldest[of])
      ? []
      : [{ of, name, boundC, atC: coldest[of], marginK: coldest[of] - boundC }]
  const fish = store.bodies.flatMap(b => ('lifeLowestC' in b && b.lifeLowestC !== null ? [b.lifeLowestC] : []))
  return [
    ...life('leaf', 'leaves', leavesBearC(aim, month)),
    ...life('soil', 'soil', aimLine(aim).soilC[month]!),
    ...life('water', 'water with fish', fish.length > 0 ? Math.max(...fish) : null),
  ].sort((a, b) => a.marginK - b.marginK)
}

/** A run of a house that may not be sound with an act done; null then. */
const runSound = (engine: YearEngine, design: Design, laid: LaidYear): Predicted | null =>
  designFaults(design).length > 0 ? null : predict(engine, design, laid)

/** A night at which water in a line may freeze, and air so damp that it is let out at noon. */
const DRIP_C = 1
const AIR_AT_NOON_C = 2

/** What is seen to besides: without degrees of its own. */
function upkeep(
  design: Design,
  insideMinC: number,
  soilMinC: number,
  f: Forecast,
  next: Forecast | null,
  dusk: string,
): ToDo[] {
  const plain = (id: string, what: string, when: string): ToDo => {
    return { id, what, when, gainK: 0, airK: 0, caution: '' }
  }
  const out: ToDo[] = []
  if (design.skin.cover.id !== 'none' && design.skin.cover.moved === 'motor')
    out.push(plain('cover-drawn', 'Look that the motor has drawn the night cover', `at ${dusk}`))
  if (insideMinC < DRIP_C || soilMinC < DRIP_C) out.push(plain('drip', 'Drain the drip line', 'before dark'))
  if (next && next.highC > AIR_AT_NOON_C && next.sky !== 'dull')
    out.push(plain('air', 'Open for an hour to let the damp out, then shut', 'the next day at 12:00'))
  if (f.snow) out.push(plain('snow', 'Push the snow off the glazing, from the ground', 'in the morning'))
  return out
}

/** Where nobody has read anything the days before are those of the site's own year. */
function usualLead(site: SiteYear, first: number): OutsideDay[] {
  return Array.from({ length: LEAD_DAYS }, (_, k) => {
    const day = first - LEAD_DAYS + k
    const d = nominalDay(day)
    const hours = site.dryBulbC.slice(d * 24, d * 24 + 24)
    return { day, lowC: Math.min(...hours), highC: Math.max(...hours), hours, sunWm2: null, clear: null, windMs: null }
  })
}

/** How far off the house was on the nights before, which is taken off what is said of the next. */
function learn(
  engine: YearEngine,
  design: Design,
  site: SiteYear,
  known: readonly OutsideDay[],
  readings: { log: HourlyLog | null; daily: readonly DailyReading[] },
  show: Show,
): { biasK: number | null; spreadK: number; count: number; words: string } {
  const few = (count: number) => ({
    biasK: null,
    spreadK: UNREAD_K,
    count,
    words:
      count === 0
        ? 'There are no readings yet: the house is taken as it is drawn.'
        : `Only ${count} nights were read: the house is taken as it is drawn.`,
  })
  if (known.length < ENOUGH_NIGHTS) return few(known.length)
  const laid = layDays(design, site, known, readings)
  const { days } = compare(laid, predict(engine, design, laid))
  const off = days
    .map(d => d.saidMinC - d.readMinC)
    .filter(v => !Number.isNaN(v))
    .slice(-LAST_NIGHTS)
  if (off.length < ENOUGH_NIGHTS) return few(off.length)
  const biasK = off.reduce((a, b) => a + b, 0) / off.length
  const spreadK = Math.max(LEAST_K, Math.sqrt(off.reduce((a, b) => a + (b - biasK) ** 2, 0) / off.length))
  const way = biasK > 0 ? 'colder' : 'warmer'
  const by = show(Math.abs(biasK), 'temperatureDifference')
  const words =
    Math.abs(biasK) < 0.3
      ? `On the last ${off.length} nights it did what the design said.`
      : `On the last ${off.length} nights it was ${by} ${way} than the design said: that is taken off.`
  return { biasK, spreadK, count: off.length, words }
}
