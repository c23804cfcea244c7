import { inForm } from '../../core/study/in-form'
import type { Form } from '../../core/design'
import { barrelsOf } from '../bodies'
import 'fake-indexeddb/auto'
import { nextTick } from 'vue'
import { DEMOS, type Design } from '../../core/design'
import { withGlazingAngle } from '../../core/editing'
import type { YearView } from '../../core/view'
import { tab, wipe } from './tab'

/** Years that end at once, with a coldest night that tells which design they are of. */
const mockRequests: Design[] = []
const mockColdest: Design[] = []
jest.mock('../../app/workers/year-pool', () => ({
  startYearWorkers: () => [
    {
      run: (design: Design) => {
        mockRequests.push(design)
        return Promise.resolve({
          answers: { coldestNight: { insideC: barrelsOf(design).count }, freeRunning: {} },
        } as unknown as YearView)
      },
      coldest: (design: Design) => {
        mockColdest.push(design)
        return Promise.resolve({ hour: 0, insideC: (((design.site.seed * 7) % 20) + 1) / 10, outsideC: -10 })
      },
    },
  ],
}))

const demo = DEMOS[0]!
const rest = () => new Promise(resolve => setTimeout(resolve, 20))
beforeEach(async () => {
  localStorage.clear()
  await wipe()
})

describe('the design on the bench', () => {
  test('an edit marks its step as decided, once, and undo takes both back', () => {
    const { bench } = tab()
    bench.open({ ...demo, decided: [] })
    expect(bench.edit([['store.bodies.0.count', 20]])).toBeNull()
    expect(bench.edit([['store.bodies.0.raisedM', 0.2]])).toBeNull()
    expect(bench.current.decided).toEqual(['store'])
    bench.undo()
    bench.undo()
    expect(bench.current.decided).toEqual([])
    expect(bench.canUndo).toBe(false)
    bench.redo()
    expect(barrelsOf(bench.current).count).toBe(20)
  })

  test('an edit that would break the design is refused with its reason, and nothing changes', () => {
    const { bench } = tab()
    bench.open(demo)
    const refused = bench.edit([['shape.beds.0.atM', 4]])
    expect(refused).toMatch(/^Bed 1, from the sunny wall: runs through the back wall/)
    expect(bench.refusal).toBe(refused)
    expect(bench.current).toBe(demo)
    expect(bench.canUndo).toBe(false)
    expect(bench.setShape(withGlazingAngle(demo.shape, 45), 'angle')).toBeNull()
    expect(bench.refusal).toBe('')
  })

  test('a drag is one step of undo', () => {
    const { bench } = tab()
    bench.open(demo)
    for (const angle of [38, 40, 43, 47]) bench.setShape(withGlazingAngle(demo.shape, angle), 'drag ridge 1')
    bench.undo()
    expect(bench.current).toBe(demo)
  })
})

describe('keeping', () => {
  test('opens the demo, saves an edit by itself, and finds it again', async () => {
    const first = tab()
    await first.keeping.start(null)
    expect(first.bench.current.id).toBe('hollow-ash')
    expect(first.keeping.state).toBe('kept')
    first.bench.edit([['store.bodies.0.count', 22]])
    await nextTick()
    expect(first.keeping.state).toBe('keeping')
    await first.keeping.flush()
    expect(first.keeping.state).toBe('kept')
    const later = tab()
    await later.keeping.start('hollow-ash')
    expect(barrelsOf(later.bench.current).count).toBe(22)
    expect(later.bench.canUndo).toBe(false)
  })

  test('two tabs: the later save is held, and each way out keeps both designs', async () => {
    const one = tab()
    const two = tab()
    await one.keeping.start('hollow-ash')
    await two.keeping.start('hollow-ash')
    one.bench.edit([['name', 'from the first tab']])
    await one.keeping.flush()
    two.bench.edit([['name', 'from the second tab']])
    await two.keeping.flush()
    expect(two.keeping.state).toBe('conflict')
    expect(two.keeping.theirs?.design.name).toBe('from the first tab')
    // While it stands, nothing more is written.
    two.bench.edit([['store.bodies.0.count', 3]])
    await two.keeping.flush()
    expect((await reopened('hollow-ash')).name).toBe('from the first tab')
    await two.keeping.keepMineAsCopy()
    expect(two.keeping.state).toBe('kept')
    expect(two.bench.current.id).not.toBe('hollow-ash')
    expect(barrelsOf(await reopened(two.bench.current.id)).count).toBe(3)
    expect((await reopened('hollow-ash')).name).toBe('from the first tab')
  })

  test('two tabs: taking theirs puts it on the bench and goes on from it', async () => {
    const one = tab()
    const two = tab()
    await one.keeping.start('ribera-alta')
    await two.keeping.start('ribera-alta')
    one.bench.edit([['store.bodies.0.count', 17]])
    await one.keeping.flush()
    two.bench.edit([['store.bodies.0.count', 5]])
    await two.keeping.flush()
    await two.keeping.takeTheirs()
    expect(barrelsOf(two.bench.current).count).toBe(17)
    two.bench.edit([['store.bodies.0.count', 18]])
    await two.keeping.flush()
    expect(two.keeping.state).toBe('kept')
    expect(barrelsOf(await reopened('ribera-alta')).count).toBe(18)
  })

  test('left at once after an edit, nothing is lost: the next page brings it into the store', async () => {
    const first = tab()
    await first.keeping.start('hollow-ash')
    first.bench.edit([['store.bodies.0.count', 23]])
    // The page is gone before the store has answered.
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('gone', 'AbortError')
    })
    await first.keeping.flush()
    put.mockRestore()
    const later = tab()
    await later.keeping.start('hollow-ash')
    expect(barrelsOf(later.bench.current).count).toBe(23)
    expect(barrelsOf(await reopened('hollow-ash')).count).toBe(23)
    expect(
      Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)).filter(k =>
        k!.startsWith('tierra-unsaved'),
      ),
    ).toEqual([])
  })

  test('left in a conflict: what stood here is found beside the other tab’s version', async () => {
    const one = tab()
    const two = tab()
    await one.keeping.start('hollow-ash')
    await two.keeping.start('hollow-ash')
    one.bench.edit([['store.bodies.0.count', 17]])
    await one.keeping.flush()
    two.bench.edit([['store.bodies.0.count', 5]])
    await two.keeping.flush()
    expect(two.keeping.state).toBe('conflict')
    two.bench.edit([['store.bodies.0.count', 6]])
    const later = tab()
    await later.keeping.start('hollow-ash')
    await later.keeping.refresh()
    expect(barrelsOf(later.bench.current).count).toBe(17)
    const copy = later.keeping.list.find(k => k.design.name === 'Hollow Ash Seed Library (2)')!
    expect(barrelsOf(copy.design).count).toBe(6)
  })

  test('an edit taken back leaves nothing to keep', async () => {
    const { keeping, bench } = tab()
    await keeping.start('hollow-ash')
    bench.edit([['store.bodies.0.count', 20]])
    bench.undo()
    expect(keeping.state).toBe('kept')
    await keeping.flush()
    expect(keeping.state).toBe('kept')
    expect(barrelsOf(await reopened('hollow-ash')).count).toBe(14)
  })

  test('a store that was full and has room again takes everything in, and says so', async () => {
    const { keeping, bench, notices } = tab()
    await keeping.start('hollow-ash')
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    bench.edit([['store.bodies.0.count', 19]])
    await keeping.flush()
    expect(keeping.state).toBe('memory')
    await keeping.duplicate('hollow-ash')
    bench.edit([['store.bodies.0.count', 18]])
    await keeping.flush()
    await keeping.tryStore()
    expect(keeping.state).toBe('memory')
    put.mockRestore()
    await keeping.tryStore()
    expect(keeping.state).toBe('kept')
    expect(notices.all.map(n => n.text).join()).toMatch(/keeps designs again/)
    expect(barrelsOf(await reopened('hollow-ash')).count).toBe(19)
    expect(barrelsOf(await reopened(bench.current.id)).count).toBe(18)
    bench.edit([['store.bodies.0.count', 21]])
    await keeping.flush()
    expect(barrelsOf(await reopened(bench.current.id)).count).toBe(21)
  })

  const takeForm = (bench: ReturnType<typeof tab>['bench'], form: Form) => {
    const { trail, untouched } = bench.formTrail()
    bench.takeForm(inForm(bench.current, form, trail, untouched))
  }
  test('another form and back: what it had, also after a change in between', () => {
    const { bench } = tab()
    bench.open(demo)
    takeForm(bench, 'a-frame')
    expect(bench.current.shape.form).toBe('a-frame')
    takeForm(bench, 'dome')
    takeForm(bench, 'saltbox')
    expect(bench.current.shape).toEqual(demo.shape)
    expect(bench.current.store).toEqual(demo.store)
    takeForm(bench, 'dome')
    expect(bench.edit([['shape.ridgeHeightM', 3.5]])).toBeNull()
    takeForm(bench, 'saltbox')
    expect(bench.current.shape).toMatchObject({
      ridgeHeightM: 3.5,
      lengthM: demo.shape.lengthM,
      kneeWallM: demo.shape.kneeWallM,
      ridgeAtM: demo.shape.ridgeAtM,
    })
  })

  test('duplicate, rename, delete and undo', async () => {
    const { keeping, bench, notices } = tab()
    await keeping.start(null)
    await keeping.duplicate('hollow-ash')
    expect(bench.current.name).toBe('Hollow Ash Seed Library (2)')
    await keeping.duplicate('hollow-ash')
    expect(bench.current.name).toBe('Hollow Ash Seed Library (3)')
    await keeping.rename('ribera-alta', 'School on the bank')
    expect((await reopened('ribera-alta')).name).toBe('School on the bank')
    const id = bench.current.id
    await keeping.alter(id, 'book', () => ({ value: { of: 'its season' }, result: null }))
    await keeping.remove(id)
    // What stood beside it goes and comes with it.
    expect(await keeping.bookOf(id)).toBeUndefined()
    expect(bench.current.id).not.toBe(id)
    expect(keeping.list.some(k => k.id === id)).toBe(false)
    const notice = notices.all.find(n => n.action?.label === 'Undo')!
    notice.action!.run()
    for (let i = 0; i < 100 && !keeping.list.some(k => k.id === id); i++) await rest()
    expect(keeping.list.some(k => k.id === id)).toBe(true)
    expect(await keeping.bookOf(id)).toEqual({ of: 'its season' })
    expect(await keeping.openDesign(id)).toBe(true)
    expect(await keeping.openDesign('never')).toBe(false)
  })

  test('when the last design is deleted a demo stands in', async () => {
    const { keeping, bench } = tab()
    await keeping.start(null)
    await keeping.refresh()
    for (const k of [...keeping.list]) await keeping.remove(k.id)
    expect(bench.current.id).toBe('hollow-ash')
    expect(keeping.list).toHaveLength(1)
  })

  test('a store that cannot be opened: memory, said so, and the work goes on', async () => {
    const open = jest.spyOn(IDBFactory.prototype, 'open').mockImplementation(() => {
      throw new DOMException('blocked', 'SecurityError')
    })
    const { keeping, bench, notices } = tab()
    await keeping.start(null)
    open.mockRestore()
    expect(keeping.state).toBe('memory')
    expect(notices.all.map(n => n.text).join()).toMatch(/does not let Tierra keep designs/)
    bench.edit([['store.bodies.0.count', 9]])
    await keeping.flush()
    await keeping.duplicate(bench.current.id)
    expect(barrelsOf(bench.current).count).toBe(9)
  })
})

describe('the year and its pin', () => {
  test('a pin is worked out apart and kept with the design', async () => {
    const { keeping, bench, year } = tab()
    await keeping.start(null)
    await year.pin(bench.current)
    expect(year.pinnedAnswers?.coldestNight.insideC).toBe(14)
    bench.edit([['store.bodies.0.count', 30]])
    year.request(bench.current)
    await rest()
    expect(year.view?.answers.coldestNight.insideC).toBe(30)
    expect(year.running).toBe(false)
    await keeping.flush()
    const later = tab()
    await later.keeping.start('hollow-ash')
    await rest()
    expect(barrelsOf(later.year.pinned!).count).toBe(14)
    expect(later.year.pinnedAnswers?.coldestNight.insideC).toBe(14)
    await later.year.pin(null)
    expect(later.year.pinnedAnswers).toBeNull()
  })
})

test('winters: twenty of the same climate at rest; the old range stays until the new one is there', async () => {
  const { bench, year, winters } = tab()
  mockColdest.length = 0
  bench.open({ ...demo, site: { ...demo.site, seed: 1 } })
  winters.look(5)
  year.request(bench.current)
  await rest()
  await rest()
  // The first of all is the score's own, ahead of its year.
  expect(mockColdest.map(d => d.site.seed)).toEqual([1, ...Array.from({ length: 20 }, (_, i) => i + 1)])
  expect(new Set(mockColdest.map(d => d.store)).size).toBe(1)
  // Seeds 1 to 20 give each of 0.1 to 2.0 once.
  expect(winters.spread!.leastC).toBeCloseTo(0.29, 9)
  expect(winters.spread!.mostC).toBeCloseTo(1.81, 9)
  expect(winters.spread!.meantC).toBeCloseTo(1.05, 9)
  expect([winters.spread!.withFrost, winters.stale]).toEqual([0, false])
  bench.edit([['aim.winter', 'one in twenty']])
  expect(winters.spread!.meantC).toBeCloseTo(0.195, 9)
  bench.edit([['store.bodies.0.count', 9]])
  year.request(bench.current)
  await nextTick()
  await nextTick()
  await nextTick()
  expect([winters.spread === null, winters.stale]).toEqual([false, true])
  await rest()
  await rest()
  expect(winters.stale).toBe(false)
  expect(barrelsOf(mockColdest.at(-1)!).count).toBe(9)
})

test('settings: units and theme are shown, kept and found again', async () => {
  const { settings } = tab()
  settings.units = 'us'
  settings.theme = 'night'
  await nextTick()
  expect(settings.show(0, 'temperature')).toBe('32.0\u00a0°F')
  expect(document.documentElement.dataset.theme).toBe('night')
  expect(tab().settings.units).toBe('us')
  localStorage.setItem('tierra-settings', '{"units":"furlongs"')
  expect(tab().settings.units).toBe('metric')
})

test('notices: the same text stands once, errors stay', () => {
  const { notices } = tab()
  notices.tell('error', 'a')
  notices.tell('error', 'a')
  const id = notices.tell('error', 'b')
  expect(notices.all.map(n => n.text)).toEqual(['a', 'b'])
  notices.close(id)
  expect(notices.all.map(n => n.text)).toEqual(['a'])
})

/** A design as another tab would find it. */
async function reopened(id: string): Promise<Design> {
  const other = tab()
  await other.keeping.start(id)
  return other.bench.current
}
