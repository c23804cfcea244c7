import { aim } from './aim'
import { breathe } from './breathe'
import { season } from './season'
import { shape } from './shape'
import { site } from './site'
import { skin } from './skin'
import type { Step } from './step'
import { store } from './store'
import { topUp } from './top-up'
import { weighUp } from './weigh-up'
import { build } from './build'
import { year } from './year'

/** The steps of the work, in the order of the path; page, path, keys and what is loaded ahead read this. */
export const STEPS: readonly Step[] = [aim, site, shape, skin, store, breathe, topUp, year, weighUp, build, season]

export const stepOf = (id: unknown): Step | undefined => STEPS.find(s => s.id === id)
