import { Worker } from 'node:worker_threads'
import { FoundWrong } from './bad-input'
import { extremes, joinReports, mutation, runTrials, type FuzzReport } from './fuzz'
import { numberOption, readOptions } from './options'

/** A share of the trials: of all, those whose number leaves `part` over when divided by `parts`. */
export interface FuzzShare {
  seed: number
  mutations: number
  extremes: boolean
  part: number
  parts: number
}

const LANES = 2

/** The trials of a share, run. */
export function runShare({ seed, mutations, extremes: ends, part, parts }: FuzzShare): FuzzReport {
  function* trials() {
    for (let i = part; i < mutations; i += parts) yield mutation(seed, i)
    if (ends) yield* extremes().filter((_, i) => i % parts === part)
  }
  return runTrials(trials(), () => performance.now())
}

/**
 * `fuzz [--n 5000] [--seed 1] [--no-extremes]`: sound documents anywhere in their ranges, run for numbers that are none
 * and ledgers that stay open.
 */
export async function fuzzCommand(args: string[]): Promise<unknown> {
  const { options } = readOptions(args, ['n', 'seed', 'extremes'], [])
  const mutations = options.n === undefined ? 5000 : numberOption('n', options.n, 0, 1e6, true)
  const seed = options.seed === undefined ? 1 : numberOption('seed', options.seed, 0, 4294967295, true)
  const shares = Array.from(
    { length: LANES },
    (_, part): FuzzShare => ({ seed, mutations, extremes: options.extremes !== 'no', part, parts: LANES }),
  )
  const reports = await Promise.all(
    shares.map(
      share =>
        new Promise<FuzzReport>((resolve, reject) => {
          const worker = new Worker(new URL('./fuzz-worker.mjs', import.meta.url), { workerData: share })
          worker.once('message', resolve)
          worker.once('error', reject)
        }),
    ),
  )
  const report = { seed, ...reports.reduce(joinReports) }
  if (report.nan.length + report.open.length + report.threw.length > 0) throw new FoundWrong(report)
  return report
}
