import { parentPort } from 'node:worker_threads'
import { createYearEngine } from '../core/year'
import { sweepDesign } from './bench'

const engine = createYearEngine()
parentPort!.on('message', (indices: number[]) => {
  for (const i of indices) engine.run(sweepDesign(i))
  parentPort!.postMessage('done')
})
