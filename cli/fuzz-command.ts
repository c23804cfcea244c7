import { Worker } from 'node:worker_threads'
import { FoundWrong } from './bad-input'
import { extremes, joinReports, mutation, runTrials, type FuzzReport, type Trial } from './fuzz'
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

/** What a lane says: how many of its trials are done, then what all came to. */
export type FuzzNews = { done: number; of: number } | { report: FuzzReport }

/** Trials between two words of a lane. */
const TOLD_EVERY = 100

/** The trials of a share, run. */
export function runShare(
  { seed, mutations, extremes: ends, part, parts }: FuzzShare,
  say: (done: number, of: number) => void = () => {},
): FuzzReport {
  const atEnds = ends ? extremes().filter((_, i) => i % parts === part) : []
  const mutated = Math.ceil((mutations - part) / parts)
  function* trials() {
    let done = 0
    const next = (trial: Trial) => {
      if (done % TOLD_EVERY === 0) say(done, mutated + atEnds.length)
      done++
      return trial
    }
    for (let i = part; i < mutations; i += parts) yield next(mutation(seed, i))
    for (const trial of atEnds) yield next(trial)
  }
  return runTrials(trials(), () => performance.now())
}

/**
 * `fuzz [--n 5000] [--seed 1] [--extremes no]`: sound documents anywhere in their ranges, run for numbers that are none
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
          worker.on('message', (news: FuzzNews) => {
            if ('report' in news) resolve(news.report)
            else process.stderr.write(`fuzz: lane ${share.part + 1} of ${LANES}, ${news.done} of ${news.of}\n`)
          })
          worker.once('error', reject)
        }),
    ),
  )
  const report = { seed, ...reports.reduce(joinReports) }
  if (report.nan.length + report.open.length + report.threw.length > 0) throw new FoundWrong(report)
  return report
}
