import { parentPort } from 'node:worker_threads'
import type { Design } from '../core/design'
import { briefOf } from '../core/study/brief'
import { ensembleYear } from '../core/study/ensemble'
import { createYearEngine } from '../core/year'
import type { YearJobs } from './study-pool'

const engine = createYearEngine()
parentPort!.on('message', ({ kind, design }: { kind: keyof YearJobs; design: Design }) => {
  const { answers } = engine.run(design, { unheated: false })
  parentPort!.postMessage(kind === 'brief' ? briefOf(design, answers) : ensembleYear(answers))
})
