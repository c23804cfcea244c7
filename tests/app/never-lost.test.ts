import 'fake-indexeddb/auto'
import { DEMOS, startingDesign, type Design } from '../../core/design'
import { emptyBook, packBook, unpackBook, type Book } from '../../core/season/book'
import { emptyLog } from '../../core/season/log'
import { digest } from '../../core/study/kept'
import { readBackup, writeBackup } from '../../formats/backup-json'
import { openJournal } from '../../app/keeping/journal'
import { openLibrary } from '../../app/keeping/library'
import { fillStore, tab, wipe } from './tab'

/** Each way in which work was lost once, by its steps. What is not thought of here is looked for by the model. */
jest.mock('../../app/workers/year-pool', () => ({
  startYearWorkers: () => [
    {
      run: () => Promise.resolve({ answers: { coldestNight: { insideC: 1 }, freeRunning: {} } }),
      coldest: () => Promise.resolve({ hour: 0, insideC: 1, outsideC: -10 }),
      demoBook: () => Promise.resolve(mockDemoBook()),
    },
  ],
}))
let mockGate: Promise<void> = Promise.resolve()
jest.mock('../../app/keeping/medium', () => {
  const actual = jest.requireActual<typeof import('../../app/keeping/medium')>('../../app/keeping/medium')
  return { ...actual, openBrowserMedium: () => mockGate.then(actual.openBrowserMedium) }
})
const mockDemoBook = (): Book => withNote(emptyBook(), 'invented')
const note = (text: string, on = '2027-01-02', picture = '') => ({ on, text, picture })
const withNote = (book: Book, text: string): Book => ({
  ...book,
  written: { ...book.written, notes: [...book.written.notes, note(text)] },
})
type Tab = ReturnType<typeof tab>
const write = (t: Tab, text: string) => t.season.edit(w => ({ ...w, notes: [...w.notes, note(text)] }))
const notesOf = (t: Tab) => t.season.book.written.notes.map(n => n.text)
const rest = (ms = 20) => new Promise(resolve => setTimeout(resolve, ms))
/** Waits until something holds, however busy the machine is. */
async function until(holds: () => unknown): Promise<void> {
  for (let i = 0; i < 500 && !holds(); i++) await rest(10)
  expect(holds()).toBeTruthy()
}
/** Book and studies of the design on the bench are there. */
const ready = (t: Tab) => until(() => t.season.whose === t.bench.current.id && t.kept.ready)
/** Waits until a design of the list says something. */
const listed = (t: Tab, is: (design: Design) => boolean) => until(() => t.keeping.list.some(k => is(k.design)))
const house = (name: string, id = name): Design => ({ ...startingDesign(id, name) })
async function opened(id: string | null = null): Promise<Tab> {
  const t = tab()
  await t.keeping.start(id)
  t.season.look()
  t.kept.look()
  await t.keeping.flush()
  if (t.season.damaged.length === 0) await until(() => t.season.whose !== '' || t.season.damaged.length > 0)
  await until(() => t.kept.ready)
  return t
}
async function own(name = 'Mine'): Promise<Tab> {
  const t = await opened()
  await t.keeping.add(house(name))
  await ready(t)
  return t
}
/** Puts something into the store behind everybody's back. */
async function behind(place: 'designs' | 'beside', key: string, change: (value: never) => unknown): Promise<void> {
  const library = await openLibrary()
  const value = await library.medium.get(place, key)
  await library.medium.change(cells => cells.put(place, key, change(value as never)))
}
const notice = (t: Tab, label: string) => t.notices.all.filter(n => n.action?.label === label)

beforeEach(async () => {
  localStorage.clear()
  await wipe()
})

describe('1 · the season book', () => {
  test('what its own reader would refuse is not kept: the page says why, and all that was there stays', async () => {
    const t = await own()
    expect(await write(t, 'first')).toBeNull()
    const log = emptyLog(480_000, 24)
    log.values.insideC.fill(120)
    const intake = { id: 'x', name: 'f.csv', at: '', how: null, told: [], log, days: [], source: null }
    expect(await t.season.takeIn(intake)).toMatchObject({ fault: expect.stringMatching(/120 is not a reading/) })
    expect(await write(t, 'second')).toBeNull()
    const later = await opened(t.bench.current.id)
    expect(notesOf(later)).toEqual(['first', 'second'])
    expect(later.season.damaged).toEqual([])
  })

  test('one that cannot be read is not written over; it is put aside as it is, on a word', async () => {
    const t = await own()
    await write(t, 'a year of notes')
    const { id } = t.bench.current
    await behind('beside', `book ${id}`, ({ value, revision }: { value: object; revision: number }) => ({
      value: { ...value, version: 9 },
      revision,
    }))
    expect(await write(t, 'too late')).toMatch(/cannot be read: nothing is written over it/)
    const later = await opened(id)
    expect(later.season.damaged[0]).toMatch(/newer Tierra/)
    expect(await write(later, 'neither')).toMatch(/cannot be read/)
    await later.season.beginAnew()
    expect(await write(later, 'new')).toBeNull()
    await later.keeping.lookForUnreadable()
    expect(JSON.stringify(later.keeping.unreadable)).toContain('a year of notes')
    expect(notesOf(await opened(id))).toEqual(['new'])
  })

  test('logs that lie further apart than a book holds are refused with what to look at', async () => {
    const t = await own()
    const of = (startH: number, id: string) => {
      const log = emptyLog(startH, 24)
      log.values.insideC.fill(5)
      return { id, name: `${id}.csv`, at: '', how: null, told: [], log, days: [], source: null }
    }
    expect(await t.season.takeIn(of(499_656, 'now'))).toMatchObject({ fresh: 24 })
    expect(await t.season.takeIn(of(262_968, 'reset'))).toMatchObject({
      fault: expect.stringMatching(/are of 2000.*of 2027.*logger’s clock/),
    })
    expect((await opened(t.bench.current.id)).season.book.log!.hours).toBe(24)
  })
})

describe('2 · backups and restores', () => {
  const back = async (t: Tab, text: string) => {
    const read = readBackup(text)
    if (!read.ok) throw new Error(read.message)
    const how: string[] = []
    const matched = new Set<string>()
    for (const { design, rawStudies, book, pinned, leftOut } of read.designs) {
      const parts = { pinned, studies: rawStudies ?? undefined, book: book ? packBook(book) : undefined }
      how.push(await t.keeping.putBack(design, parts, matched))
      for (const { what, raw } of leftOut) await t.keeping.putAside({ what, name: design.name, why: [], raw })
    }
    for (const its of read.strange) await t.keeping.putAside(its)
    return how
  }
  const backup = async (t: Tab) => {
    const { designs, unreadable } = await t.keeping.everything()
    return writeBackup(designs, unreadable, new Date(0))
  }
  const choice = { at: '2027-01-01T00:00:00Z', words: 'Draw it', why: 'Cold.', gainK: 1, cost: 2 }

  async function full(): Promise<Tab> {
    const t = await opened()
    await write(t, 'of the demo')
    // Two that say the same are two.
    await t.keeping.add(house('Twin', 'twin-1'))
    await t.keeping.duplicate('twin-1')
    await t.keeping.add(house('Mine'))
    await ready(t)
    await write(t, 'of mine')
    t.ladder.choices = [choice]
    await t.year.pin(DEMOS[2]!)
    await t.keeping.flush()
    await behind('designs', 'fjellro', (record: { design: object }) => ({
      ...record,
      soundIn: 99,
      design: { ...record.design, schemaVersion: 99, name: 'From tomorrow' },
    }))
    return t
  }

  test('into a new browser: equal in depth, for designs, pins, books, studies and what cannot be read', async () => {
    const before = await backup(await full())
    await wipe()
    localStorage.clear()
    const there = await opened()
    await back(there, before)
    const inDepth = (text: string) => {
      const { designs, unreadable } = JSON.parse(text) as { designs: { id: string }[]; unreadable: { raw: unknown }[] }
      return {
        designs: designs.sort((a, b) => a.id.localeCompare(b.id)),
        raw: unreadable.map(u => (u.raw as { design?: unknown }).design ?? u.raw),
      }
    }
    const [was, is] = [inDepth(before), inDepth(await backup(there))]
    // A new browser has the demo that could not be read there as it came.
    expect(is.designs.filter(d => d.id !== 'fjellro')).toEqual(was.designs)
    expect(JSON.stringify(is.raw)).toContain('From tomorrow')
    expect(JSON.stringify(was.designs)).toMatch(/of the demo[\s\S]*of mine|of mine[\s\S]*of the demo/)
    expect(JSON.stringify(is.designs)).toContain('Draw it')
  })

  test('three times over: nothing is there twice; over an edited design, one copy', async () => {
    const t = await full()
    const text = await backup(t)
    await back(t, text)
    const count = t.keeping.list.length
    expect(await back(t, text)).toEqual(Array.from({ length: count }, () => 'there'))
    t.bench.edit([['site.place', 'elsewhere']])
    await t.keeping.flush()
    for (let i = 0; i < 3; i++) await back(t, text)
    expect(t.keeping.list.length).toBe(count + 1)
  })

  test('cut off after a design, it is made whole by the next', async () => {
    const text = await backup(await full())
    await wipe()
    localStorage.clear()
    const t = await opened()
    // The design alone, as one that was cut off would have left it.
    await t.keeping.add(readDesignOf(text, 'Mine'))
    await back(t, text)
    const mine = t.keeping.list.find(k => k.design.name === 'Mine')!
    const book = unpackBook(await t.keeping.bookOf(mine.id))
    expect(book.ok && book.book.written.notes.map(n => n.text)).toEqual(['of mine'])
    expect(t.keeping.list.filter(k => k.design.name.startsWith('Mine'))).toHaveLength(1)
  })

  test('a store that fills up in the middle of it is told, and takes it all in once it has room', async () => {
    const text = await backup(await full())
    await wipe()
    localStorage.clear()
    const t = await opened()
    const room = fillStore()
    await back(t, text)
    expect(t.keeping.state).toBe('memory')
    expect(t.notices.all.map(n => n.text).join()).toMatch(/blocked or full/)
    room()
    await t.keeping.tryStore()
    expect(t.keeping.state).toBe('kept')
    expect(JSON.stringify((await (await opened()).keeping.everything()).designs)).toContain('of mine')
  })

  const readDesignOf = (text: string, name: string): Design => {
    const read = readBackup(text)
    if (!read.ok) throw new Error(read.message)
    return read.designs.find(d => d.design.name === name)!.design
  }
})

test('3 · a store that answers late: what it keeps is not written over', async () => {
  const first = await own()
  first.bench.edit([['site.place', 'kept here']])
  await first.keeping.flush()
  const { id } = first.bench.current
  let release = () => {}
  mockGate = new Promise<void>(resolve => (release = resolve))
  const plain = globalThis.setTimeout
  const timer = jest
    .spyOn(globalThis, 'setTimeout')
    .mockImplementation(((work: () => void, ms = 0) => plain(work, ms === 4000 ? 5 : ms)) as typeof setTimeout)
  const second = tab()
  await second.keeping.start(id)
  expect(second.keeping.state).toBe('memory')
  expect(second.notices.all.map(n => n.text).join()).toMatch(/does not answer yet/)
  second.bench.edit([['site.place', 'on a demo in memory']])
  await second.keeping.flush()
  timer.mockRestore()
  release()
  await until(() => second.keeping.lasting)
  await second.keeping.flush()
  expect(second.keeping.state).toBe('kept')
  const after = tab()
  await after.keeping.start(id)
  await after.keeping.refresh()
  expect(after.bench.current.site.place).toBe('kept here')
  expect(after.keeping.list.map(k => k.design.site.place)).toContain('on a demo in memory')
})

test('4 · notes written while the store is full are there once it has room', async () => {
  const t = await own()
  await write(t, 'before')
  const room = fillStore()
  expect(await write(t, 'while full')).toBeNull()
  expect([t.keeping.state, t.keeping.isSafe]).toEqual(['memory', false])
  room()
  await t.keeping.tryStore()
  expect(notesOf(await opened(t.bench.current.id))).toEqual(['before', 'while full'])
})

describe('5 · the journal', () => {
  test('lets go of nothing that is not safe yet: a store that is full at the next start loses no edit', async () => {
    const t = await own()
    const { id } = t.bench.current
    const room = fillStore()
    t.bench.edit([['site.place', 'unsaved']])
    await t.keeping.flush()
    const next = tab()
    await next.keeping.start(id)
    expect([next.bench.current.site.place, next.keeping.state]).toEqual(['unsaved', 'memory'])
    room()
    const later = tab()
    await later.keeping.start(id)
    expect([later.bench.current.site.place, later.keeping.state]).toEqual(['unsaved', 'kept'])
  })

  test('one that has no room for an edit holds no older state in its place', async () => {
    const journal = await openJournal()
    const design = startingDesign('full', 'Full')
    const noted = (place: string) =>
      journal.note(
        { design: { ...design, site: { ...design.site, place } }, pinned: null, base: 1, at: Date.now() },
        null,
      )
    const places = async () =>
      (await journal.left(() => Promise.resolve(undefined))).map(l => l.ok && l.unsaved.design.site.place)
    noted('first')
    expect(await places()).toEqual(['first'])
    const set = jest.spyOn(localStorage, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    noted('second')
    set.mockRestore()
    expect(await places()).toEqual([])
  })

  test('a damaged entry is in the way of none, and is listed as it is', async () => {
    const t = await own()
    const { id } = t.bench.current
    const room = fillStore()
    t.bench.edit([['site.place', 'unsaved']])
    await t.keeping.flush()
    room()
    localStorage.setItem('tierra-unsaved|a|b|torn', '{"design":{"id":"torn","name":"Torn"')
    localStorage.setItem(
      'tierra-unsaved|a|b|odd',
      '{"design":{"id":"odd","name":"Odd","schemaVersion":4,"site":{}},"base":1}',
    )
    const later = tab()
    await later.keeping.start(id)
    expect([later.bench.current.site.place, later.keeping.state]).toEqual(['unsaved', 'kept'])
    await later.keeping.refresh()
    const apart = later.keeping.unreadable.filter(u => u.place === 'journal')
    expect(apart.map(u => u.name).sort()).toEqual(['Odd', 'without a name'])
    await later.keeping.discard(apart[0]!)
    expect(later.keeping.unreadable.filter(u => u.place === 'journal')).toHaveLength(1)
  })
})

test('6 · one file that the disk has lost: the rest is listed, opened, added to and backed up', async () => {
  const first = await own()
  await first.keeping.flush()
  const get = IDBObjectStore.prototype.get
  const lost = jest.spyOn(IDBObjectStore.prototype, 'get').mockImplementation(function (this: IDBObjectStore, key) {
    if (key === 'ribera-alta') throw new DOMException('Failed to read large IndexedDB value', 'DataError')
    return get.call(this, key)
  })
  const t = await opened()
  await t.keeping.refresh()
  expect(t.keeping.list.length).toBe(DEMOS.length)
  expect(t.keeping.unreadable.map(u => u.key)).toEqual(['ribera-alta'])
  await t.keeping.add(house('Another'))
  expect([t.bench.current.name, t.keeping.state]).toEqual(['Another', 'kept'])
  expect((await t.keeping.everything()).designs.length).toBe(DEMOS.length + 1)
  lost.mockRestore()
})

test('7 · a conflict belongs to its design: the next one is saved, and what stood there is kept', async () => {
  const one = await opened('hollow-ash')
  const two = await opened('hollow-ash')
  one.bench.edit([['site.place', 'one']])
  await one.keeping.flush()
  two.bench.edit([['site.place', 'two']])
  await two.keeping.flush()
  expect(two.keeping.state).toBe('conflict')
  expect(await two.keeping.openDesign('fjellro')).toBe(true)
  expect(two.keeping.state).toBe('kept')
  two.bench.edit([['site.place', 'three']])
  await two.keeping.flush()
  const places = (await opened()).keeping
  await places.refresh()
  expect(places.list.map(k => k.design.site.place)).toEqual(expect.arrayContaining(['one', 'two', 'three']))
})

describe('8 · undo', () => {
  test('of deletes: each of two of one name, and of four, has its own; books come back', async () => {
    const t = await opened()
    const same = { ...house('Twin'), name: 'Twin' }
    for (const id of ['a', 'b', 'c', 'd']) {
      await t.keeping.add({ ...same, id })
      await ready(t)
      await write(t, `note of ${id}`)
    }
    await t.keeping.rename('b', 'Twin')
    for (const id of ['a', 'b', 'c', 'd']) await t.keeping.remove(id)
    expect(notice(t, 'Undo')).toHaveLength(4)
    for (const n of notice(t, 'Undo')) n.action!.run()
    for (const id of ['a', 'b', 'c', 'd']) await listed(t, d => d.id === id)
    for (const id of ['a', 'b', 'c', 'd']) expect(JSON.stringify(await t.keeping.bookOf(id))).toContain(`note of ${id}`)
  })

  test('“Bring it back” keeps what was written since', async () => {
    const t = await own()
    await write(t, 'old')
    await t.season.replace(emptyBook(), 'An empty season book is begun.')
    const other = await opened(t.bench.current.id)
    await write(other, 'since, in another tab')
    notice(t, 'Bring it back').at(-1)!.action!.run()
    await until(() => notesOf(t).includes('old'))
    expect(notesOf(await opened(t.bench.current.id)).sort()).toEqual(['old', 'since, in another tab'])
  })

  test('a demo’s book that another tab has begun is not wiped by a log that is taken in', async () => {
    const one = await opened('hollow-ash')
    const two = await opened('hollow-ash')
    await write(one, 'real now')
    const log = emptyLog(480_000, 24)
    log.values.insideC.fill(5)
    await two.season.takeIn({ id: 'x', name: 'f', at: '', how: null, told: [], log, days: [], source: null })
    const book = (await opened('hollow-ash')).season.book
    expect([book.written.notes.map(n => n.text), book.log?.hours]).toEqual([['invented', 'real now'], 24])
  })
})

describe('9 · what this version does not know', () => {
  test('studies of a newer form stay as they are when the design is opened, and beside what is added', async () => {
    const t = await own()
    const { id } = t.bench.current
    const strange = { ladder: { steps: 3 }, choices: { all: ['theirs'] }, tomorrow: [1] }
    await t.keeping.alter(id, 'studies', () => ({ value: strange, result: null }))
    const later = await opened(id)
    await rest(250)
    expect(await later.keeping.besideOf(id, 'studies')).toEqual(strange)
    later.ladder.choices = [{ at: '2027-01-01', words: 'mine', why: '', gainK: 0, cost: 0 }]
    await later.keeping.flush()
    await later.keeping.lookForUnreadable()
    expect(await later.keeping.besideOf(id, 'studies')).toMatchObject({ ladder: { steps: 3 }, tomorrow: [1] })
    expect(later.keeping.unreadable.find(u => u.what === 'studies')!.raw).toEqual(strange)
  })

  test('two tabs choose: both choices are kept', async () => {
    const one = await own()
    const two = await opened(one.bench.current.id)
    const of = (words: string) => ({ at: '2027-01-01', words, why: '', gainK: 0, cost: 0 })
    one.ladder.choices = [of('one')]
    await one.keeping.flush()
    two.ladder.choices = [of('two')]
    await two.keeping.flush()
    const kept = (await one.keeping.studiesOf(one.bench.current.id))!
    expect(kept.choices!.map(c => c.words)).toEqual(['one', 'two'])
    expect(digest(one.bench.current)).toBe(digest(two.bench.current))
  })

  test('a design of a newer version is listed apart, told when its address is opened, and left as it is', async () => {
    const t = await own()
    const { id } = t.bench.current
    await behind('designs', id, (record: { design: object }) => ({
      ...record,
      design: { ...record.design, schemaVersion: 99 },
    }))
    const later = await opened(id)
    expect(later.bench.current.id).not.toBe(id)
    expect(later.notices.all.map(n => n.text).join()).toMatch(/in the address cannot be read/)
    await later.keeping.refresh()
    expect(later.keeping.unreadable.map(u => [u.key, u.why[0]])).toEqual([[id, expect.stringMatching(/newer/)]])
    expect(await later.keeping.openDesign(id)).toBe(false)
    expect(JSON.stringify(await later.keeping.everything())).toContain('"schemaVersion":99')
  })
})

describe('10 · deleted in one tab, edited in the other', () => {
  async function deleted(): Promise<{ one: Tab; two: Tab; id: string }> {
    const one = await own()
    const { id } = one.bench.current
    await write(one, 'its season')
    const two = await opened(id)
    await one.keeping.remove(id)
    two.bench.edit([['site.place', 'edited']])
    await two.keeping.flush()
    expect(two.keeping.state).toBe('deleted')
    return { one, two, id }
  }
  test('kept: it is there again, with its book', async () => {
    const { two, id } = await deleted()
    two.ladder.choices = [{ at: '2027-01-01', words: 'chosen meanwhile', why: '', gainK: 0, cost: 0 }]
    await two.keeping.keepDeleted()
    expect(two.keeping.state).toBe('kept')
    await rest()
    await two.keeping.flush()
    const later = await opened(id)
    expect([later.bench.current.site.place, notesOf(later)]).toEqual(['edited', ['its season']])
    expect(later.ladder.choices.map(c => c.words)).toEqual(['chosen meanwhile'])
  })
  test('a note that is written there is refused, and lies in the way of nothing', async () => {
    const one = await own()
    const { id } = one.bench.current
    await write(one, 'its season')
    const two = await opened(id)
    await one.keeping.remove(id)
    expect(await write(two, 'too late')).toMatch(/deleted in another tab/)
    expect(two.keeping.state).toBe('deleted')
    notice(one, 'Undo').at(-1)!.action!.run()
    await listed(one, d => d.id === id)
    expect(notesOf(await opened(id))).toEqual(['its season'])
  })
  test('let go: another design is opened', async () => {
    const { two, id } = await deleted()
    await two.keeping.letDeletedGo()
    expect([two.keeping.state, two.bench.current.id === id]).toEqual(['kept', false])
    expect(await two.keeping.openDesign(id)).toBe(false)
  })
  test('undone in the first tab after the second kept it: both are there', async () => {
    const { one, two, id } = await deleted()
    await two.keeping.keepDeleted()
    notice(one, 'Undo').at(-1)!.action!.run()
    await listed(one, d => d.name === 'Mine (2)')
    expect(
      one.keeping.list
        .filter(k => k.design.name.startsWith('Mine'))
        .map(k => k.design.site.place)
        .sort(),
    ).toEqual([house('x').site.place, 'edited'].sort())
    expect(one.keeping.list.some(k => k.id === id)).toBe(true)
  })
})

describe('15 · on the bench', () => {
  test('the last design is opened; undo and redo outlive a reload; a new one has a name of its own', async () => {
    const t = await own('New greenhouse')
    const { id } = t.bench.current
    await t.keeping.add(house('New greenhouse', 'second'))
    expect(t.bench.current.name).toBe('New greenhouse (2)')
    await t.keeping.openDesign(id)
    for (const place of ['a', 'b', 'c']) {
      t.bench.edit([['site.place', place]], place)
      await t.keeping.flush()
    }
    t.bench.undo()
    await t.keeping.flush()
    await rest(400)
    const later = await opened()
    expect([later.bench.current.id, later.bench.current.site.place]).toEqual([id, 'b'])
    later.bench.redo()
    expect(later.bench.current.site.place).toBe('c')
    for (let i = 0; i < 3; i++) later.bench.undo()
    expect([later.bench.current.site.place, later.bench.canUndo]).toEqual([house('x').site.place, false])
  })

  test('an edit that changes nothing makes no undo, and decides nothing', async () => {
    const t = await own()
    const before = t.bench.current
    expect(t.bench.edit([['site.place', before.site.place]])).toBeNull()
    expect(t.bench.edit([['shape', structuredClone(before.shape)]])).toBeNull()
    expect([t.bench.canUndo, t.bench.current === before]).toEqual([false, true])
  })
})
