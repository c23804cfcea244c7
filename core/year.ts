import { coldestHour, makeAnswers, type Answers, type Extreme } from './answers'
import { kindOf } from './bodies/registry'
import { makeSiteYear, type SiteYear, type WeatherYear } from './climate'
import { unpackHourly } from './climate/hourly'
import { withSharedBranches } from './design/branches'
import type { Design } from './design/types'
import { roomOf } from './geometry/objects'
import { makeBuilding, type Building } from './geometry/surfaces'
import { runToColdest } from './network/coldest'
import { makeModel } from './network/lay-model'
import { runModel } from './network/run'
import { isHeated } from './sources/registry'
import type { YearSeries } from './network/series'
import { inOtherSun, makeSolarGains, type SolarGains } from './optics/gains'
import { makeLightTable, type LightTable } from './optics/light-table'

/** A year worked through: the answers, and what the drawing and the charts need. */
export interface YearResult {
  answers: Answers
  site: SiteYear
  series: YearSeries
  gains: SolarGains
}

export interface YearOptions {
  /** 1–60, 4 unless said. */
  stepsPerHour?: number
  /** A weather year in place of the design's own. */
  weather?: WeatherYear
  /**
   * false leaves out the unheated twin of a heated year: `freeRunning` is then null. `in full` works it out step by
   * step, to the digit of an unheated year of its own.
   */
  unheated?: boolean | 'in full'
  /** Asked once a day of the run: true ends it with `RunStopped`. */
  stop?: () => boolean
}

/** Houses whose light is remembered: what is run in an order of its own is best run by `byLight`. */
const KEPT = 2
/** Unless said. */
const STEPS_PER_HOUR = 4

/** Milliseconds spent in each stage of the last run; a stage that was remembered takes none. */
export type StageTimes = Record<'site' | 'building' | 'light' | 'sun' | 'network' | 'answers', number>

/**
 * Remembers the last results of a stage, and makes one anew when what it hangs on (branches of the document, earlier
 * stages) is as in none of them.
 * @param kept how many: with two, a design that others are held against is not forgotten for each of them
 */
function remember<A extends readonly unknown[], T>(
  make: (...args: A) => T,
  kept = 1,
): (hangsOn: readonly unknown[], ...args: A) => T {
  const known: { hangsOn: readonly unknown[]; result: T }[] = []
  return (hangsOn, ...args) => {
    const i = known.findIndex(k => hangsOn.every((b, n) => Object.is(b, k.hangsOn[n])))
    const found = i < 0 ? { hangsOn, result: make(...args) } : known.splice(i, 1)[0]!
    known.unshift(found)
    known.length = Math.min(known.length, kept)
    return found.result
  }
}

/**
 * A year engine holds the stages' last results, so that a change of mass reruns only what hangs on mass. It is the one
 * way through:
 * design → site year → building → light table → solar gains → network → answers.
 * The design must be sound (`designFaults` empty); otherwise stages may throw RangeError.
 * @param now a clock in milliseconds, for `runMs` alone
 */
export function createYearEngine(now: () => number = () => 0) {
  const siteStage = remember(
    (site: Design['site'], weather?: WeatherYear): SiteYear =>
      makeSiteYear({
        ...site,
        climate: weather
          ? { kind: 'hourly', weather }
          : site.climate.kind === 'hourly'
            ? { kind: 'hourly', weather: unpackHourly(site.climate) }
            : site.climate,
      }),
  )
  const lightStage = remember(
    (design: Design, building: Building): LightTable => makeLightTable(design, building),
    KEPT,
  )
  const sunStage = remember(
    (site: SiteYear, building: Building, table: LightTable): SolarGains => makeSolarGains(site, building, table),
    KEPT,
  )
  let lastDesign: Design | null = null
  /**
   * Documents come through as copies: what is as it was in the last one is taken from there, and then compares by
   * reference.
   */
  const taken = (design: Design): Design => (lastDesign = withSharedBranches(design, lastDesign))
  const stages: StageTimes = { site: 0, building: 0, light: 0, sun: 0, network: 0, answers: 0 }

  function siteYearOf({ site }: Design, weather?: WeatherYear): SiteYear {
    return siteStage(onSite(site, weather), site, weather)
  }

  /** A watch that notes how long each stage took since the last. */
  function lapFrom(start: number) {
    let mark = start
    return (stage: keyof StageTimes) => {
      const t = now()
      stages[stage] = t - mark
      mark = t
    }
  }

  /** All that comes before the network. */
  function stagesOf(design: Design, weather?: WeatherYear) {
    const lap = lapFrom(now())
    const siteYear = siteYearOf(design, weather)
    lap('site')
    const building = makeBuilding(design)
    lap('building')
    const lit = inLight(design)
    const table = lightStage([lit], design, building)
    lap('light')
    const gains = sunStage([siteYear, lit], siteYear, building, table)
    lap('sun')
    return { siteYear, building, gains }
  }

  function run(given: Design, options: YearOptions = {}): YearResult {
    const start = now()
    const design = taken(given)
    const { siteYear, building, gains } = stagesOf(design, options.weather)
    const lap = lapFrom(now())
    const stepsPerHour = options.stepsPerHour ?? STEPS_PER_HOUR
    const heated = isHeated(design.topUp.sources)
    const model = makeModel(design, siteYear, building, gains)
    const series = runModel(model, siteYear, { stepsPerHour, heated, stop: options.stop })
    const inFull = options.unheated === 'in full'
    const twin = () => runToColdest(model, siteYear, { stepsPerHour, heated: false, stop: options.stop, inFull })
    const free = !heated ? series.airC : options.unheated === false ? null : twin()
    lap('network')
    const answers = makeAnswers(design, siteYear, building, gains, series, free, 0)
    lap('answers')
    answers.runMs = now() - start
    return { answers, site: siteYear, series, gains }
  }
  /**
   * The coldest hour alone, of the year as it is run or of its unheated twin: a third of a year's work, and within
   * 0.05 K of what the year says.
   */
  function coldest(given: Design, as: { heated: boolean }): Extreme {
    const design = taken(given)
    const { siteYear, building, gains } = stagesOf(design)
    const heated = as.heated && isHeated(design.topUp.sources)
    const airC = runToColdest(makeModel(design, siteYear, building, gains), siteYear, {
      stepsPerHour: STEPS_PER_HOUR,
      heated,
    })
    return coldestHour(siteYear, airC)
  }
  /** A stretch of the year alone, in a weather year that holds it; where it is said, in a share of its sun by hour. */
  function span(
    given: Design,
    weather: WeatherYear,
    stretch: { fromDay: number; hours: number },
    sunShare: Float32Array | null = null,
  ): YearSeries {
    const design = taken(given)
    const { siteYear, building, gains } = stagesOf(design, weather)
    const heated = isHeated(design.topUp.sources)
    const model = makeModel(design, siteYear, building, sunShare ? inOtherSun(gains, sunShare) : gains)
    return runModel(model, siteYear, { stepsPerHour: STEPS_PER_HOUR, heated, span: stretch })
  }
  /** The site's year alone, remembered as in a run. */
  const site = (design: Design): SiteYear => siteYearOf(taken(design))
  return { run, coldest, span, site, stages }
}

export type YearEngine = ReturnType<typeof createYearEngine>

/** All of a document that the site's year depends on. */
export const onSite = (site: Design['site'], weather?: WeatherYear): readonly unknown[] => [
  site.latitudeDeg,
  site.longitudeDeg,
  site.elevationM,
  site.timeZone,
  site.seed,
  site.months,
  weather ?? site.climate,
  site.spell,
  site.horizon,
]

/** All of a document that the light in the room depends on, as one word. */
export function inLight({ site, aim, shape, skin, store }: Design): string {
  return JSON.stringify([
    site.latitudeDeg,
    // What grows catches light.
    aim.crops,
    shape,
    skin.glazing,
    skin.parts,
    skin.openings,
    skin.wall,
    skin.roof,
    skin.condition,
    skin.finish,
    skin.snow,
    // Where bodies stand and what they take in: what they are filled with is nothing to the light.
    store.bodies.map(b => [kindOf(b).box(b, roomOf(shape)), kindOf(b).absorptance(b)]),
    // What stands at the face, and not how thick it is.
    store.linings.map(l => [l.part, l.material]),
    store.floor,
  ])
}
