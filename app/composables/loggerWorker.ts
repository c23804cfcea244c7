import { wrap, type Remote } from 'comlink'
import type { LoggerWorker } from '~/workers/logger.worker'

let worker: Remote<LoggerWorker> | null = null

/** The worker that reads loggers' files: started when one is first dropped. */
export function loggerWorker(): Remote<LoggerWorker> {
  worker ??= wrap<LoggerWorker>(new Worker(new URL('../workers/logger.worker.ts', import.meta.url), { type: 'module' }))
  return worker
}
