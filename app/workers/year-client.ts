import type { Remote } from 'comlink'
import type { Extreme } from '../../core/answers'
import type { Design } from '../../core/design'
import type { YearView } from '../../core/view'
import { startYearWorkers } from './year-pool'
import type { YearWorker } from './year.worker'

/**
 * What is asked of a design: its year; the coldest hour alone, while it is being drawn about; or, of the first on the
 * bench and amid a study, the coldest hour and then the year.
 */
export type Asked = 'year' | 'moving' | 'first'

interface Job {
  sequence: number
  design: Design
  asked: Asked
}

/** What a client tells of the design that was asked for last. */
export interface YearListener {
  /** A year that is newer than the last, and whether it is the newest asked for. */
  year: (view: YearView, newest: boolean) => void
  /** The coldest hour of a design whose year is not told yet, or of the unheated twin of the last year told. */
  coldest: (coldest: Extreme, of: 'moving' | 'unheated') => void
  /** A run failed. */
  error: (error: Error) => void
}

export interface YearClient {
  /**
   * Asks for a year. The newest request wins: those still waiting are dropped, and a result older than one already
   * shown is not handed on.
   */
  request: (design: Design, as?: Asked) => void
  /** One piece of work by itself, apart from the newest-wins line. */
  once: <T>(work: (worker: Remote<YearWorker>) => Promise<T>) => Promise<T>
  /**
   * Many pieces of work, of which one worker at least is always left free for the score, and none is begun while the
   * score is worked out. Ends when all are done, when one fails, or when the signal says so.
   * @param each called with the results as they come, in any order, by their index
   */
  many: <J, T>(
    jobs: readonly J[],
    work: (worker: Remote<YearWorker>, job: J) => Promise<T>,
    each: (result: T, index: number) => void,
    signal: AbortSignal,
  ) => Promise<void>
}

/** The pool of workers behind one small client. */
export function createYearClient(size: number, listener: YearListener): YearClient {
  // One worker to begin with: the first score has the machine to itself, and the others come when it is there. They
  // rest in the order in which they began. The score and single pieces of work take the first of them, which is warm
  // and has the design's year; studies take the last, so that it stays free.
  const idle = startYearWorkers(1, listener.error)
  const order = [...idle]
  const waiting: ((worker: Remote<YearWorker>) => void)[] = []
  let atStudy = 0
  /** Work for the score that is under way; pieces of studies that wait for its end. */
  let scoring = 0
  const waitingForCalm: (() => void)[] = []
  let pending: Job | null = null
  let asked = 0
  let shown = 0

  function grow(): void {
    if (order.length === size) return
    const more = startYearWorkers(size - order.length, listener.error)
    order.push(...more)
    more.forEach(rest)
  }

  /** A worker has done its piece. */
  function rest(worker: Remote<YearWorker>): void {
    idle.push(worker)
    idle.sort((a, b) => order.indexOf(a) - order.indexOf(b))
    goOn()
  }

  /** Work for those that rest: the newest design goes before a single year, for the score must follow the hand. */
  function goOn(): void {
    startPending()
    const next = idle.length > 0 ? waiting.shift() : undefined
    if (next) next(idle.shift()!)
  }

  function startPending(): void {
    if (!pending || idle.length === 0) return
    const job = pending
    pending = null
    const worker = idle.shift()!
    scoring++
    work(worker, job)
      .catch((error: unknown) => listener.error(error instanceof Error ? error : new Error(String(error))))
      .finally(() => {
        scoring--
        rest(worker)
        grow()
        if (!isScoring()) for (const resume of waitingForCalm.splice(0)) resume()
      })
  }

  const isScoring = () => scoring > 0 || pending !== null

  /** Whether a result is newer than the last: then it is to be shown. */
  function newer({ sequence }: Job): boolean {
    if (sequence <= shown) return false
    shown = sequence
    return true
  }

  async function work(worker: Remote<YearWorker>, job: Job): Promise<void> {
    const { design } = job
    if (job.asked !== 'year') {
      const coldest = await worker.coldest(design, { heated: true })
      const isNew = job.asked === 'moving' ? newer(job) : job.sequence === asked
      if (isNew) listener.coldest(coldest, 'moving')
      if (job.asked === 'moving') return
    }
    const view = await worker.run(design)
    if (!newer(job)) return
    listener.year(view, job.sequence === asked)
    // The score first; then what it would be with no added heat, if nothing newer was asked for meanwhile.
    if (view.answers.freeRunning !== null || job.sequence !== asked) return
    const unheated = await worker.coldest(design, { heated: false })
    if (job.sequence === asked) listener.coldest(unheated, 'unheated')
  }

  async function workOn<T>(which: 'first' | 'last', work: (worker: Remote<YearWorker>) => Promise<T>): Promise<T> {
    if (idle.length === 0) grow()
    const worker =
      (which === 'first' ? idle.shift() : idle.pop()) ??
      (await new Promise<Remote<YearWorker>>(resolve => waiting.push(resolve)))
    try {
      return await work(worker)
    } finally {
      rest(worker)
    }
  }

  return {
    request(design, as = 'year') {
      // Amid a study the score shares the machine: its figure comes ahead of the rest.
      pending = { sequence: ++asked, design, asked: as === 'year' && atStudy > 0 ? 'first' : as }
      if (idle.length === 0) grow()
      startPending()
    },
    once: work => workOn('first', work),
    async many(jobs, work, each, signal) {
      let next = 0
      let over = false
      const lane = async () => {
        for (;;) {
          // The score has the machine to itself, but for what is under way already.
          while (isScoring()) await new Promise<void>(resolve => waitingForCalm.push(resolve))
          if (next >= jobs.length || signal.aborted || over) return
          const index = next++
          const result = await workOn('last', worker => work(worker, jobs[index]!))
          if (!signal.aborted) each(result, index)
        }
      }
      const lanes = Math.max(1, size - 1 - atStudy)
      atStudy += lanes
      try {
        await Promise.all(Array.from({ length: lanes }, lane))
      } finally {
        over = true
        atStudy -= lanes
      }
    },
  }
}
