import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import type { Design } from '../core/design'
import type { Brief } from '../core/study/brief'
import type { EnsembleYear } from '../core/study/ensemble'
import { byLight } from '../core/study/sweep'

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
  const jobs = byLight(designs.map((design, index) => ({ design, index })))
  let next = 0
  const lane = async () => {
    const worker = new Worker(new URL('./study-worker.mjs', import.meta.url))
    try {
      while (next < jobs.length) {
        const { design, index } = jobs[next++]!
        results[index] = await answer(worker, { kind, design })
      }
    } finally {
      await worker.terminate()
    }
  }
  await Promise.all(Array.from({ length: Math.min(workers, designs.length) }, lane))
  return results
}

/** What a worker says to a message. */
function answer<T>(worker: Worker, message: unknown): Promise<T> {
  return new Promise((resolve, reject) => {
    const end = (settle: () => void) => {
      worker.off('message', taken)
      worker.off('error', failed)
      settle()
    }
    const taken = (result: T) => end(() => resolve(result))
    const failed = (error: Error) => end(() => reject(error))
    worker.on('message', taken)
    worker.on('error', failed)
    worker.postMessage(message)
  })
}

const usualWorkers = () => Math.min(4, Math.max(1, availableParallelism()))
