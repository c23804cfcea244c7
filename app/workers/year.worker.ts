import { expose } from 'comlink'
import { watchedEngine } from '../../core/agreement'
import type { Extreme } from '../../core/answers'
import type { Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { heatDay, type HeatDay } from '../../core/heat-view'
import { sunHours, type SunHours } from '../../core/optics/sun-hours'
import { briefOf, type Brief } from '../../core/study/brief'
import { figuresOf, type Figures } from '../../core/study/figures'
import { flowsOf, type WeekFlow } from '../../core/study/runs'
import { spellAnswer, usualStart, withSpellDays, type AskedSpell, type SpellAnswer } from '../../core/study/spell'
import type { YearView } from '../../core/view'
import { createYearEngine } from '../../core/year'
import { writeEpw } from '../../formats/epw-write'
import { writeHourlyCsv } from '../../formats/hourly-csv'
import type { SeasonWork } from './season-work'

const engine = createYearEngine(() => performance.now())
const watched = watchedEngine(engine)

/** What the season book asks for, loaded when it first does. */
let seasonWork: SeasonWork | null = null
const season = async (): Promise<SeasonWork> => (seasonWork ??= (await import('./season-work')).seasonWork(engine))
type Asked<K extends keyof SeasonWork> = Parameters<SeasonWork[K]>

/** One worker of the pool: it keeps its own stages, so that the next run of a like design is quicker. */
const api = {
  /** The year on the bench; the unheated twin of a heated house is left to `coldest`. */
  run(design: Design): YearView {
    return watched.view(design)
  },
  /** The coldest hour alone, as the house is run or without what is paid for. */
  coldest(design: Design, as: { heated: boolean }): Extreme {
    return watched.coldest(design, as)
  },
  brief(design: Design): Brief {
    return briefOf(design, engine.run(design, { unheated: false }).answers)
  },
  figures(design: Design): Figures {
    return figuresOf(design, engine)
  },
  /** A design in a spell of its own; without a first day it ends in the middle of the coldest month. */
  spell(design: Design, asked: AskedSpell): SpellAnswer {
    const days = asked.dullDays + asked.clearDays
    const startDay = asked.startDay ?? usualStart(engine.site(design).dryBulbC, days)
    const spell = { ...asked, startDay }
    return spellAnswer(design, engine.run(withSpellDays(design, spell), { unheated: false }), spell)
  },
  /** The year as files: its hours as CSV, and its weather as EPW. */
  file(design: Design, kind: 'csv' | 'epw'): string {
    const result = engine.run(design, { unheated: false })
    return kind === 'csv' ? writeHourlyCsv(result) : writeEpw(design.site, result.site)
  },
  /** Flows of some hours on end. */
  flows(design: Design, first: number, hours: number): WeekFlow[] {
    return flowsOf(engine.run(design, { unheated: false }).series, first, hours)
  },
  heat(design: Design, day: number): HeatDay {
    return heatDay(design, engine.site(design), day)
  },
  demoBook: async (...given: Asked<'demoBook'>) => (await season()).demoBook(...given),
  compareSeason: async (...given: Asked<'compareSeason'>) => (await season()).compareSeason(...given),
  fitSeason: async (...given: Asked<'fitSeason'>) => (await season()).fitSeason(...given),
  tonight: async (...given: Asked<'tonight'>) => (await season()).tonight(...given),
  seasonYear: async (...given: Asked<'seasonYear'>) => (await season()).seasonYear(...given),
  sunHours(design: Design): SunHours[] {
    return sunHours(design, makeBuilding(design), engine.site(design))
  },
}

export type YearWorker = typeof api

expose(api)
