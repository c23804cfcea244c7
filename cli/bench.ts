import { Worker } from 'node:worker_threads'
import { DEMOS, type Design } from '../core/design'
import { createYearEngine } from '../core/year'
import { numberOption, readOptions } from './options'

/** A design of the sweep: the demo with another turn and another number of barrels, so that no stage but the site is remembered. */
export function sweepDesign(index: number): Design {
  const demo = DEMOS[0]!
  return {
    ...demo,
    shape: { ...demo.shape, turnDeg: (index * 7) % 60 - 30 },
    store: { ...demo.store, barrels: { ...demo.store.barrels, count: 4 + index % 20 } },
  }
}

/** `bench [--runs n]`: milliseconds of a year, by stage, and runs a second with one and two workers. */
export async function benchCommand(args: string[]): Promise<unknown> {
  const { options } = readOptions(args, ['runs'], [])
  const runs = options.runs === undefined ? 60 : numberOption('runs', options.runs, 2, 1000, true)
  const clock = () => performance.now()
  const times: number[] = []
  const mass: number[] = []
  let stages: Record<string, number> = {}
  for (let i = 0; i < 15; i++) {
    const fresh = createYearEngine(clock)
    const first = fresh.run(sweepDesign(i)).answers.runMs
    const parts = { ...fresh.stages }
    const demo = sweepDesign(i)
    const again = fresh.run({ ...demo, skin: { ...demo.skin, cover: { ...demo.skin.cover, onlyBelowC: 9 } } }).answers.runMs
    // The first runs warm the compiler up.
    if (i < 5) continue
    times.push(first)
    mass.push(again)
    stages = parts
  }
  const sweep = { runs, perSecond1: await sweepPerSecond(1, runs), perSecond2: await sweepPerSecond(2, runs) }
  return { yearMs: { median: median(times), min: Math.min(...times), networkOnlyMedian: median(mass) }, stagesMs: stages, sweep }
}

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)]!
}

/** Runs a second of a sweep shared among workers; starting and warming them is left out. */
async function sweepPerSecond(workers: number, runs: number): Promise<number> {
  const pool = Array.from({ length: workers }, () => new Worker(new URL('./bench-worker.mjs', import.meta.url)))
  const answer = (w: Worker, message: unknown) => new Promise<void>((resolve, reject) => {
    w.once('message', () => resolve())
    w.once('error', reject)
    w.postMessage(message)
  })
  await Promise.all(pool.map(w => answer(w, [0, 1, 2, 3])))
  const start = performance.now()
  await Promise.all(pool.map((w, k) => answer(w, Array.from({ length: runs }, (_, i) => i).filter(i => i % workers === k))))
  const seconds = (performance.now() - start) / 1000
  await Promise.all(pool.map(w => w.terminate()))
  return runs / seconds
}
