import type { Design } from '../../core/design'
import type { Extreme } from '../../core/answers'
import { createYearClient, type YearListener } from '../../app/workers/year-client'
import { DEMOS } from '../../core/design'
import type { YearView } from '../../core/view'

/** Workers whose runs end when the test says so. */
const runs: { design: Design; on: number; end: (view: YearView) => void; fail: (error: Error) => void }[] = []
const coldest: { design: Design; heated: boolean; end: (coldest: Extreme) => void }[] = []
/** Workers that were started, which are numbered in that order. */
let started = 0
const mockWorker = (on = started++) => ({
  run: (design: Design) => new Promise<YearView>((end, fail) => runs.push({ design, on, end, fail })),
  coldest: (design: Design, { heated }: { heated: boolean }) =>
    new Promise<Extreme>(end => coldest.push({ design, heated, end })),
})
jest.mock('../../app/workers/year-pool', () => ({
  startYearWorkers: (size: number) => Array.from({ length: size }, () => mockWorker()),
}))

const design = (name: string): Design => ({ ...DEMOS[0]!, name })
/** The view of an unheated house, or of one whose twin is still to be worked out. */
const view = (name: string, heated = false) =>
  ({ name, answers: { freeRunning: heated ? null : {} } }) as unknown as YearView
const nameOf = (v: YearView) => (v as unknown as { name: string }).name
const nothing: YearListener = { year() {}, coldest() {}, error() {} }
/** Years and hours as they are told. */
function listening() {
  const told: [of: string, it: number | string][] = []
  const listener: YearListener = {
    ...nothing,
    year: v => told.push(['year', nameOf(v)]),
    coldest: (c, of) => told.push([of, c.insideC]),
  }
  return { told, listener }
}
const hour = (insideC: number) => ({ insideC }) as Extreme
const rest = () => new Promise(resolve => setTimeout(resolve, 0))

beforeEach(() => {
  started = runs.length = 0
  coldest.length = 0
})

test('the newest request wins: what waits is dropped, what comes late is not shown', async () => {
  const shown: [string, boolean][] = []
  const client = createYearClient(2, { ...nothing, year: (v, newest) => shown.push([nameOf(v), newest]) })
  for (const name of ['a', 'b', 'c', 'd', 'e']) client.request(design(name))
  // Two workers took the first two; c and d were overtaken by e while waiting.
  expect(runs.map(r => r.design.name)).toEqual(['a', 'b'])
  runs[1]!.end(view('b'))
  await rest()
  expect(runs.map(r => r.design.name)).toEqual(['a', 'b', 'e'])
  runs[2]!.end(view('e'))
  await rest()
  runs[0]!.end(view('a'))
  await rest()
  expect(shown).toEqual([
    ['b', false],
    ['e', true],
  ])
})

test('a failed run is told and its worker goes on', async () => {
  const errors: string[] = []
  const shown: string[] = []
  const client = createYearClient(1, {
    ...nothing,
    year: v => shown.push(nameOf(v)),
    error: e => errors.push(e.message),
  })
  client.request(design('bad'))
  client.request(design('good'))
  runs[0]!.fail(new Error('no sun'))
  await rest()
  runs[1]!.end(view('good'))
  await rest()
  expect(errors).toEqual(['no sun'])
  expect(shown).toEqual(['good'])
})

test('a single year waits its turn behind the newest design', async () => {
  const client = createYearClient(1, nothing)
  client.request(design('a'))
  const pin = client.once(worker => worker.run(design('pin')))
  client.request(design('b'))
  runs[0]!.end(view('a'))
  await rest()
  expect(runs.map(r => r.design.name)).toEqual(['a', 'b'])
  runs[1]!.end(view('b'))
  await rest()
  runs[2]!.end(view('pin'))
  expect(await pin).toEqual(view('pin'))
})

test('a single piece goes to the worker that has worked the longest, a study to the others', async () => {
  const client = createYearClient(3, nothing)
  client.request(design('a'))
  runs[0]!.end(view('a'))
  await rest()
  const single = client.once(worker => worker.run(design('single')))
  expect(runs[1]!.on).toBe(0)
  runs[1]!.end(view('single'))
  await single
  const signal = new AbortController().signal
  const study = client.many(
    ['p', 'q'].map(design),
    (worker, d) => worker.run(d),
    () => {},
    signal,
  )
  expect(runs.slice(2).map(r => r.on)).toEqual([2, 1])
  // The next single piece has the first again, whichever ended last.
  runs[3]!.end(view('q'))
  runs[2]!.end(view('p'))
  await study
  void client.once(worker => worker.run(design('next')))
  expect(runs.at(-1)!.on).toBe(0)
})

test('a study leaves a worker for the score, tells results by their index, and ends when told', async () => {
  const client = createYearClient(3, nothing)
  const stop = new AbortController()
  const got: [string, number][] = []
  const work = client.many(
    ['p', 'q', 'r', 's', 't'].map(design),
    (worker, d) => worker.run(d),
    (v, i) => got.push([nameOf(v), i]),
    stop.signal,
  )
  expect(runs.map(r => r.design.name)).toEqual(['p', 'q'])
  runs[1]!.end(view('q'))
  await rest()
  runs[0]!.end(view('p'))
  await rest()
  expect(runs.map(r => r.design.name)).toEqual(['p', 'q', 'r', 's'])
  stop.abort()
  for (const r of runs.slice(2)) r.end(view(r.design.name))
  await work
  // What came after the end is not told, and nothing more was begun.
  expect(got).toEqual([
    ['q', 1],
    ['p', 0],
  ])
  expect(runs).toHaveLength(4)
})

test('amid a study the score’s figure comes first, and nothing new is begun until its year is there', async () => {
  const { told, listener } = listening()
  const client = createYearClient(3, listener)
  const work = client.many(
    ['p', 'q', 'r', 's'].map(design),
    (worker, d) => worker.run(d),
    () => {},
    new AbortController().signal,
  )
  client.request(design('score'))
  expect(coldest.map(c => c.design.name)).toEqual(['score'])
  for (const r of runs.slice(0, 2)) r.end(view(r.design.name))
  await rest()
  coldest[0]!.end(hour(3))
  await rest()
  expect(told).toEqual([['moving', 3]])
  expect(runs.map(r => r.design.name)).toEqual(['p', 'q', 'score'])
  runs[2]!.end(view('score'))
  await rest()
  expect(told.at(-1)).toEqual(['year', 'score'])
  expect(runs.map(r => r.design.name)).toEqual(['p', 'q', 'score', 'r', 's'])
  for (const r of runs.slice(3)) r.end(view(r.design.name))
  await work
})

test('a study whose run fails is refused, and its workers go on', async () => {
  const shown: string[] = []
  const client = createYearClient(2, { ...nothing, year: v => shown.push(nameOf(v)) })
  const work = client.many(
    [design('bad'), design('never')],
    (worker, d) => worker.run(d),
    () => {},
    new AbortController().signal,
  )
  runs[0]!.fail(new Error('no sun'))
  await expect(work).rejects.toThrow('no sun')
  client.request(design('a'))
  client.request(design('b'))
  for (const r of runs.slice(1)) r.end(view(r.design.name))
  await rest()
  expect(shown).toContain('b')
})

test('of a design that is drawn about the coldest hour alone is worked out; its year once it is at rest', async () => {
  const { told, listener } = listening()
  const client = createYearClient(2, listener)
  for (const name of ['a', 'b', 'c', 'd']) client.request(design(name), 'moving')
  expect(runs).toHaveLength(0)
  expect(coldest.map(c => [c.design.name, c.heated])).toEqual([
    ['a', true],
    ['b', true],
  ])
  coldest[1]!.end(hour(2))
  await rest()
  // What comes late is not told, and c was overtaken.
  coldest[0]!.end(hour(1))
  await rest()
  expect(coldest.map(c => c.design.name)).toEqual(['a', 'b', 'd'])
  client.request(design('d'))
  coldest[2]!.end(hour(4))
  runs[0]!.end(view('d'))
  await rest()
  expect(told).toEqual([
    ['moving', 2],
    ['moving', 4],
    ['year', 'd'],
  ])
})

test('of the first design the coldest hour is told before its year; of one that was overtaken it is not', async () => {
  const { told, listener } = listening()
  const client = createYearClient(1, listener)
  client.request(design('a'), 'first')
  expect(runs).toHaveLength(0)
  coldest[0]!.end(hour(1))
  await rest()
  expect(told).toEqual([['moving', 1]])
  runs[0]!.end(view('a'))
  await rest()
  expect(told).toEqual([
    ['moving', 1],
    ['year', 'a'],
  ])
  const other = createYearClient(1, { ...nothing, coldest: c => told.push(['late', c.insideC]) })
  other.request(design('b'), 'first')
  other.request(design('c'))
  coldest[1]!.end(hour(2))
  await rest()
  expect(told).toHaveLength(2)
})

test('a heated house is told first, and then what it would be with no heat, unless it was overtaken', async () => {
  const { told, listener } = listening()
  const client = createYearClient(1, listener)
  client.request(design('a'))
  runs[0]!.end(view('a', true))
  await rest()
  expect(coldest.map(c => c.heated)).toEqual([false])
  coldest[0]!.end(hour(-3))
  await rest()
  client.request(design('b'))
  client.request(design('c'))
  runs[1]!.end(view('b', true))
  await rest()
  expect(coldest).toHaveLength(1)
  expect(told).toEqual([
    ['year', 'a'],
    ['unheated', -3],
    ['year', 'b'],
  ])
})
