import { anAirStore } from '../core/air-stores/registry'
import { aFan } from '../core/fans/registry'
import { aSource } from '../core/sources/registry'
import { Worker } from 'node:worker_threads'
import { benchAt, DEMOS, type Design } from '../core/design'
import { housePrice } from '../core/takeoff/takeoff'
import { createYearEngine } from '../core/year'
import { numberOption, readOptions } from './options'

/**
 * A design of the sweep: the demo with another turn and another number of barrels, so that no stage but the site is
 * remembered.
 */
export function sweepDesign(index: number): Design {
  const demo = DEMOS[0]!
  return {
    ...demo,
    shape: { ...demo.shape, turnDeg: ((index * 7) % 60) - 30 },
    store: {
      ...demo.store,
      bodies: demo.store.bodies.map(b => (b.kind === 'drums' ? { ...b, count: 4 + (index % 20) } : b)),
    },
  }
}

/**
 * A house with every store, fan, cover and source of the core in use, heated: its answers take a second, unheated year.
 */
export function everythingOn(index: number): Design {
  const demo = sweepDesign(index)
  const { store, breathe, topUp, skin, shape } = demo
  return {
    ...demo,
    shape: { ...shape, sunkM: 0.5, overhangM: 0.2, benches: [benchAt(3.4, 0.6, 0.8)] },
    skin: { ...skin, cover: { ...skin.cover, rule: 'cold' }, edge: { ...skin.edge, skirtM: 0.6 } },
    store: {
      ...store,
      airStores: [
        anAirStore('earth store'),
        anAirStore('bed channels'),
        anAirStore('rock bed'),
        anAirStore('earth tube'),
      ],
    },
    breathe: {
      ...breathe,
      fans: [aFan('extract fan', { stages: 2 })],
      airing: { ...breathe.airing, on: true },
      lobby: { areaM2: 2 },
      rowCover: { ...breathe.rowCover, on: true },
    },
    topUp: {
      ...topUp,
      sources: [
        aSource('heater', { setPointC: 8 }),
        aSource('bed loop', { capacityW: 500 }),
        aSource('lamps', { powerW: 300 }),
        aSource('people', { count: 1 }),
        aSource('solar air panel', { areaM2: 3 }),
        aSource('solar water panel'),
        aSource('compost', { massKg: 1000 }),
        aSource('spare power', { peakW: 500 }),
      ],
    },
  }
}

/**
 * `bench [--runs n]`: milliseconds of a year, by stage, and of a house’s price, and runs a second with one and two
 * workers.
 */
export async function benchCommand(args: string[]): Promise<unknown> {
  const { options } = readOptions(args, ['runs'], [])
  const runs = options.runs === undefined ? 300 : numberOption('runs', options.runs, 2, 1000, true)
  const clock = () => performance.now()
  const years = Math.min(YEARS, runs)
  const demo = timed(clock, sweepDesign, years)
  const full = timed(clock, everythingOn, years)
  const sweep = { runs, perSecond1: await sweepPerSecond(1, runs), perSecond2: await sweepPerSecond(2, runs) }
  return {
    yearMs: full.year,
    priceMs: priced(clock, years),
    withUnheatedTwinMs: full.withTwin,
    stagesMs: full.stages,
    networkOnlyMs: full.networkOnly,
    demo: { yearMs: demo.year, stagesMs: demo.stages, networkOnlyMs: demo.networkOnly },
    memoryMB: full.memoryMB,
    sweep,
  }
}

/** Milliseconds that the price of a house takes: each demo’s in turn, each time of another house. */
function priced(clock: () => number, years: number) {
  const times: number[] = []
  for (let k = 0; k < WARM + years; k++)
    for (const demo of DEMOS) {
      const house = { ...demo, shape: { ...demo.shape, lengthM: demo.shape.lengthM * (1 + k / 500) } }
      const from = clock()
      housePrice(house)
      if (k >= WARM) times.push(clock() - from)
    }
  return { median: median(times), min: Math.min(...times), max: Math.max(...times) }
}

/** Years of a kind that are timed, where the sweep is no shorter, and those before them that warm the compiler up. */
const YEARS = 20
const WARM = 4
/** As many warm up each worker of a sweep. */
const SWEEP_WARM = 12

/**
 * Times years of a kind, each with nothing remembered; the same with the unheated twin of a heated year; and again
 * with only the cover changed.
 */
function timed(clock: () => number, make: (index: number) => Design, years: number) {
  const times: number[] = []
  const again: number[] = []
  const twins: number[] = []
  let stages: Record<string, number> = {}
  let memoryMB = 0
  const warm = Math.min(WARM, years)
  for (let i = 0; i < warm + years; i++) {
    const before = process.memoryUsage()
    const engine = createYearEngine(clock)
    const design = make(i)
    const first = engine.run(design, { unheated: false }).answers.runMs
    const parts = { ...engine.stages }
    const after = process.memoryUsage()
    const second = engine.run(
      { ...design, skin: { ...design.skin, cover: { ...design.skin.cover, onlyBelowC: 9 } } },
      { unheated: false },
    ).answers.runMs
    const both = createYearEngine(clock).run(design).answers.runMs
    if (i < warm) continue
    times.push(first)
    again.push(second)
    twins.push(both)
    stages = parts
    memoryMB = Math.max(
      memoryMB,
      (after.arrayBuffers - before.arrayBuffers + Math.max(0, after.heapUsed - before.heapUsed)) / 1e6,
    )
  }
  return {
    year: { median: median(times), min: Math.min(...times) },
    networkOnly: median(again),
    withTwin: { median: median(twins), min: Math.min(...twins) },
    stages,
    memoryMB,
  }
}

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)]!
}

/** Runs a second of a sweep shared among workers; starting and warming them is left out. */
async function sweepPerSecond(workers: number, runs: number): Promise<number> {
  const pool = Array.from({ length: workers }, () => new Worker(new URL('./bench-worker.mjs', import.meta.url)))
  const answer = (w: Worker, message: unknown) =>
    new Promise<void>((resolve, reject) => {
      w.once('message', () => resolve())
      w.once('error', reject)
      w.postMessage(message)
    })
  await Promise.all(
    pool.map(w =>
      answer(
        w,
        Array.from({ length: Math.min(SWEEP_WARM, runs) }, (_, i) => i),
      ),
    ),
  )
  const start = performance.now()
  await Promise.all(
    pool.map((w, k) =>
      answer(
        w,
        Array.from({ length: runs }, (_, i) => i).filter(i => i % workers === k),
      ),
    ),
  )
  const seconds = (performance.now() - start) / 1000
  await Promise.all(pool.map(w => w.terminate()))
  return runs / seconds
}
