import { wrap, type Remote } from 'comlink'
import type { YearWorker } from './year.worker'

/** Starts the workers of the pool. */
export function startYearWorkers(size: number, onError: (error: Error) => void): Remote<YearWorker>[] {
  return Array.from({ length: size }, () => {
    const worker = new Worker(new URL('./year.worker.ts', import.meta.url), { type: 'module' })
    worker.onerror = event => onError(new Error(event.message || 'The calculation could not be started.'))
    return wrap<YearWorker>(worker)
  })
}
