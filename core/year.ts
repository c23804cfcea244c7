import { makeAnswers, type Answers } from './answers'
import { makeSiteYear, type SiteYear, type WeatherYear } from './climate'
import { unpackHourly } from './climate/hourly'
import type { Design } from './design/types'
import { makeBuilding, type Building } from './geometry/surfaces'
import { makeModel } from './network/model'
import { runModel } from './network/run'
import { runUnheated } from './network/unheated'
import type { YearSeries } from './network/series'
import { makeLightTable, makeSolarGains, type LightTable, type SolarGains } from './optics/gains'

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
  /** false leaves out the unheated twin of a heated year: `freeRunning` is then the heated year's own. */
  unheated?: boolean
  /** Asked once a day of the run: true ends it with `RunStopped`. */
  stop?: () => boolean
}

/** Milliseconds spent in each stage of the last run; a stage that was remembered takes none. */
export type StageTimes = Record<'site' | 'building' | 'light' | 'sun' | 'network' | 'answers', number>

/** Remembers the last result of a stage and makes it anew when what it depends on has changed. */
function remember<A extends readonly unknown[], T>(make: (...args: A) => T): (key: string, ...args: A) => T {
  let lastKey: string | null = null
  let last: T
  return (key, ...args) => {
    if (key !== lastKey) {
      last = make(...args)
      lastKey = key
    }
    return last
  }
}

/**
 * A year engine holds the stages' last results, so that a change of mass reruns only what hangs on mass. It is the one way through:
 * design → site year → building → light table → solar gains → network → answers.
 * The design must be sound (`designFaults` empty); otherwise stages may throw RangeError.
 * @param now a clock in milliseconds, for `runMs` alone
 */
export function createYearEngine(now: () => number = () => 0) {
  const siteStage = remember((design: Design, weather?: WeatherYear): SiteYear => makeSiteYear({
    ...design.site,
    climate: weather ? { kind: 'hourly', weather } : design.site.climate.kind === 'hourly' ? { kind: 'hourly', weather: unpackHourly(design.site.climate) } : design.site.climate,
  }))
  const lightStage = remember((design: Design, building: Building): LightTable => makeLightTable(design, building))
  const sunStage = remember((site: SiteYear, building: Building, table: LightTable): SolarGains => makeSolarGains(site, building, table))
  const climates = new WeakMap<object, number>()
  let climateCount = 0
  const identity = (thing: object) => {
    if (!climates.has(thing)) climates.set(thing, ++climateCount)
    return climates.get(thing)
  }
  const stages: StageTimes = { site: 0, building: 0, light: 0, sun: 0, network: 0, answers: 0 }

  function siteYearOf(design: Design, weather?: WeatherYear): { key: string, year: SiteYear } {
    const { site } = design
    const climate = weather ? `w${identity(weather)}` : site.climate.kind === 'hourly' ? hourlyKey(site.climate) : JSON.stringify(site.climate)
    const key = [site.latitudeDeg, site.longitudeDeg, site.elevationM, site.timeZone, site.seed, climate, JSON.stringify([site.spell, site.horizon])].join('|')
    return { key, year: siteStage(key, design, weather) }
  }

  function run(design: Design, options: YearOptions = {}): YearResult {
    const start = now()
    let mark = start
    const lap = (stage: keyof StageTimes) => {
      const t = now()
      stages[stage] = t - mark
      mark = t
    }
    const { site, shape, skin, store } = design
    const { key: siteKey, year: siteYear } = siteYearOf(design, options.weather)
    lap('site')
    const building = makeBuilding(design)
    lap('building')
    const glowing = { ...skin, cover: null, edge: null }
    const { barrels, tank, pond, innerWall, massWall, floor } = store
    const lightKey = JSON.stringify([shape, glowing, site.latitudeDeg, { ...barrels, stratified: null }, tank, pond, innerWall, massWall.material, massWall.thicknessM > 0, floor.material])
    const table = lightStage(lightKey, design, building)
    lap('light')
    const gains = sunStage(`${siteKey}|${lightKey}`, siteYear, building, table)
    lap('sun')
    const stepsPerHour = options.stepsPerHour ?? 4
    const heated = design.topUp.heater.on && design.topUp.heater.capacityW > 0
    const model = makeModel(design, siteYear, building, gains)
    const series = runModel(model, siteYear, design.topUp.heater, { stepsPerHour, heater: heated, stop: options.stop })
    const free = heated && options.unheated !== false ? runUnheated(model, siteYear, { stepsPerHour, stop: options.stop }) : series.airMinC
    lap('network')
    const answers = makeAnswers(design, siteYear, building, gains, series, free, 0)
    lap('answers')
    answers.runMs = now() - start
    return { answers, site: siteYear, series, gains }
  }
  /** The site's year alone, remembered as in a run. */
  const site = (design: Design): SiteYear => siteYearOf(design).year
  return { run, site, stages }
}

function hourlyKey(climate: Extract<Design['site']['climate'], { kind: 'hourly' }>): string {
  // A digest of the numbers that matter most; the source's name tells most files apart already.
  let sum = 0
  for (let h = 0; h < climate.dryBulbC.length; h++) sum = (sum * 31 + climate.dryBulbC[h]! * 100 + climate.globalWm2[h]! * 7 + climate.windMs[h]!) % 2147483647
  return `${climate.source}#${sum}`
}
