import { expose } from 'comlink'
import { watchedEngine } from '../../core/agreement'
import type { Extreme } from '../../core/answers'
import type { Design } from '../../core/design'
import type { YearView } from '../../core/view'
import { createYearEngine } from '../../core/year'
import type { SeasonWork } from './season-work'
import type { StudyWork } from './study-work'

const engine = createYearEngine(() => performance.now())
const watched = watchedEngine(engine)

/** What the season book asks for, loaded when it first does. */
let seasonWork: SeasonWork | null = null
const season = async (): Promise<SeasonWork> => (seasonWork ??= (await import('./season-work')).seasonWork(engine))
type Asked<K extends keyof SeasonWork> = Parameters<SeasonWork[K]>
/** The same of studies. */
let studyWork: StudyWork | null = null
const study = async (): Promise<StudyWork> => (studyWork ??= (await import('./study-work')).studyWork(engine))
type Studied<K extends keyof StudyWork> = Parameters<StudyWork[K]>

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
  brief: async (...given: Studied<'brief'>) => (await study()).brief(...given),
  cropYear: async (...given: Studied<'cropYear'>) => (await study()).cropYear(...given),
  usualSpell: async (...given: Studied<'usualSpell'>) => (await study()).usualSpell(...given),
  spell: async (...given: Studied<'spell'>) => (await study()).spell(...given),
  file: async (...given: Studied<'file'>) => (await study()).file(...given),
  flows: async (...given: Studied<'flows'>) => (await study()).flows(...given),
  heat: async (...given: Studied<'heat'>) => (await study()).heat(...given),
  sunHours: async (...given: Studied<'sunHours'>) => (await study()).sunHours(...given),
  demoBook: async (...given: Asked<'demoBook'>) => (await season()).demoBook(...given),
  compareSeason: async (...given: Asked<'compareSeason'>) => (await season()).compareSeason(...given),
  fitSeason: async (...given: Asked<'fitSeason'>) => (await season()).fitSeason(...given),
  tonight: async (...given: Asked<'tonight'>) => (await season()).tonight(...given),
  seasonYear: async (...given: Asked<'seasonYear'>) => (await season()).seasonYear(...given),
}

export type YearWorker = typeof api

expose(api)
