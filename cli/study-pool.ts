import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import type { Design } from '../core/design'
import type { Brief } from '../core/study/brief'
import type { EnsembleYear } from '../core/study/ensemble'

/** What a year of a design is read for. */
export interface YearJobs {
  brief: Brief
  winter: EnsembleYear
}

/**
 * The years of some designs, worked out by a few workers. They come in the order of the designs, whoever worked them
 * out.
 * @param workers 1 or more; as many as the machine has cores, but for one where there are more than two
 */
export async function workOut<K extends keyof YearJobs>(
  kind: K,
  designs: readonly Design[],
  workers = usualWorkers(),
): Promise<YearJobs[K][]> {
  const results = new Array<YearJobs[K]>(designs.length)
  let next = 0
  const lane = async () => {
    const worker = new Worker(new URL('./study-worker.mjs', import.meta.url))
    try {
      while (next < designs.length) {
        const index = next++
        results[index] = await new Promise((resolve, reject) => {
          worker.once('message', resolve)
          worker.once('error', reject)
          worker.postMessage({ kind, design: designs[index] })
        })
      }
    } finally {
      await worker.terminate()
    }
  }
  await Promise.all(Array.from({ length: Math.min(workers, designs.length) }, lane))
  return results
}

const usualWorkers = () => Math.min(4, Math.max(1, availableParallelism()))
