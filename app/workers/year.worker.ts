import { expose } from 'comlink'
import type { Design } from '../../core/design'
import { yearView, type YearView } from '../../core/view'
import { createYearEngine } from '../../core/year'

const engine = createYearEngine(() => performance.now())

/** One worker of the pool: it keeps its own stages, so that the next run of a like design is quicker. */
const api = {
  run(design: Design): YearView {
    return yearView(design, engine.run(design))
  },
}

export type YearWorker = typeof api

expose(api)
