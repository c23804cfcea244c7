import type { Remote } from 'comlink'
import type { Design } from '../../core/design'
import type { YearView } from '../../core/view'
import { startYearWorkers } from './year-pool'
import type { YearWorker } from './year.worker'

interface Job { sequence: number, design: Design }

export interface YearClient {
  /** Asks for a year. The newest request wins: those still waiting are dropped, and a result older than one already shown is not handed on. */
  request: (design: Design) => void
  /** One year by itself, apart from the newest-wins line (for the pin). */
  once: (design: Design) => Promise<YearView>
}

/**
 * The pool of workers behind one small client.
 * @param onResult called with each result that is newer than the last, and whether it is the newest asked for
 * @param onError called when a run fails
 */
export function createYearClient(size: number, onResult: (view: YearView, design: Design, newest: boolean) => void, onError: (error: Error) => void): YearClient {
  const idle = startYearWorkers(size, onError)
  const waitingOnce: ((worker: Remote<YearWorker>) => void)[] = []
  let pending: Job | null = null
  let asked = 0
  let shown = 0

  function free(worker: Remote<YearWorker>): void {
    // The newest design goes before a single year: the score must follow the hand.
    idle.unshift(worker)
    startPending()
    const next = idle.length > 0 ? waitingOnce.shift() : undefined
    if (next) next(idle.shift()!)
  }

  function startPending(): void {
    if (!pending || idle.length === 0) return
    const job = pending
    pending = null
    const worker = idle.shift()!
    worker.run(job.design)
      .then((view) => {
        if (job.sequence <= shown) return
        shown = job.sequence
        onResult(view, job.design, job.sequence === asked)
      })
      .catch((error: unknown) => onError(error instanceof Error ? error : new Error(String(error))))
      .finally(() => free(worker))
  }

  return {
    request(design) {
      pending = { sequence: ++asked, design }
      startPending()
    },
    async once(design) {
      const worker = idle.shift() ?? await new Promise<Remote<YearWorker>>(resolve => waitingOnce.push(resolve))
      try {
        return await worker.run(design)
      }
      finally { free(worker) }
    },
  }
}
