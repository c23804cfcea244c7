import type { Design } from '../../core/design'
import { createYearClient } from '../../app/workers/year-client'
import { DEMOS } from '../../core/design'
import type { YearView } from '../../core/view'

/** Workers whose runs end when the test says so. */
const runs: { design: Design; end: (view: YearView) => void; fail: (error: Error) => void }[] = []
const mockWorker = () => ({
  run: (design: Design) => new Promise<YearView>((end, fail) => runs.push({ design, end, fail })),
})
jest.mock('../../app/workers/year-pool', () => ({
  startYearWorkers: (size: number) => Array.from({ length: size }, mockWorker),
}))

const design = (name: string): Design => ({ ...DEMOS[0]!, name })
const view = (name: string) => ({ name }) as unknown as YearView
const rest = () => new Promise(resolve => setTimeout(resolve, 0))

beforeEach(() => {
  runs.length = 0
})

test('the newest request wins: what waits is dropped, what comes late is not shown', async () => {
  const shown: [string, boolean][] = []
  const client = createYearClient(
    2,
    (v, d, newest) => shown.push([d.name, newest]),
    () => {},
  )
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
  const client = createYearClient(
    1,
    (_, d) => shown.push(d.name),
    e => errors.push(e.message),
  )
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
  const client = createYearClient(
    1,
    () => {},
    () => {},
  )
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

test('a study leaves a worker for the score, tells results by their index, and ends when told', async () => {
  const shown: string[] = []
  const client = createYearClient(
    3,
    (_, d) => shown.push(d.name),
    () => {},
  )
  const stop = new AbortController()
  const got: [string, number][] = []
  const work = client.many(
    ['p', 'q', 'r', 's', 't'].map(design),
    (worker, d) => worker.run(d),
    (v, i) => got.push([(v as unknown as { name: string }).name, i]),
    stop.signal,
  )
  expect(runs.map(r => r.design.name)).toEqual(['p', 'q'])
  client.request(design('score'))
  expect(runs.map(r => r.design.name)).toEqual(['p', 'q', 'score'])
  runs[1]!.end(view('q'))
  await rest()
  expect(runs.map(r => r.design.name)).toEqual(['p', 'q', 'score', 'r'])
  runs[2]!.end(view('score'))
  runs[0]!.end(view('p'))
  await rest()
  stop.abort()
  for (const r of runs.slice(3)) r.end(view(r.design.name))
  await work
  // What came after the end is not told, and nothing more was begun.
  expect(got).toEqual([
    ['q', 1],
    ['p', 0],
  ])
  expect(runs.map(r => r.design.name)).toEqual(['p', 'q', 'score', 'r', 's'])
  expect(shown).toEqual(['score'])
})

test('a study whose run fails is refused, and its workers go on', async () => {
  const shown: string[] = []
  const client = createYearClient(
    2,
    (_, d) => shown.push(d.name),
    () => {},
  )
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
