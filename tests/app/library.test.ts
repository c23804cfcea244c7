import 'fake-indexeddb/auto'
import { openDB } from 'idb'
import { DEMOS, type Design } from '../../core/design'
import { asNew, memoryLibrary, openLibrary, type Library } from '../../app/keeping/library'
import { bringIn } from '../../app/keeping/recover'
import { emptyBook, packBook } from '../../core/season/book'

const now = () => 1000
const indexed = () => openLibrary(now)
const memory = () => Promise.resolve(memoryLibrary(null, asNew(1000), now))
const ids = async (library: Library) => (await library.list()).kept.map(k => k.id).sort()
const nameOf = async (library: Library, id: string) => {
  const read = await library.get(id)
  return read?.ok ? read.kept.design.name : undefined
}

describe.each([
  ['indexed', indexed],
  ['memory', memory],
] as [string, () => Promise<Library>][])('%s library', (_, open) => {
  test('holds the demos from the start, keeps, lists, takes away whole and brings back whole', async () => {
    const library = await open()
    expect(await ids(library)).toEqual(DEMOS.map(d => d.id).sort())
    const mine = { ...DEMOS[0]!, id: 'mine', name: 'Mine' }
    expect(await library.save(mine, DEMOS[1]!, 0)).toEqual({ ok: true, revision: 1 })
    await library.alter('mine', 'book', () => ({ value: { a: 1 }, result: null }))
    const read = await library.get('mine')
    expect(read?.ok && read.kept).toMatchObject({
      design: { name: 'Mine' },
      pinned: { id: 'ribera-alta' },
      revision: 1,
      updatedAt: 1000,
    })
    const holding = (await library.remove('mine'))!
    expect([await library.get('mine'), await library.beside('mine', 'book')]).toEqual([undefined, undefined])
    expect(await library.restore(holding)).toBe(true)
    expect(await library.beside('mine', 'book')).toEqual({ a: 1 })
    // One of its id is there: nothing changes.
    expect(await library.restore(holding)).toBe(false)
    expect(await library.put(mine, null, {})).toBe(false)
    await library.remove('mine')
  })

  test('a save on an old revision, or on what was deleted, changes nothing and says why', async () => {
    const library = await open()
    const mine = { ...DEMOS[0]!, id: 'two-tabs' }
    await library.save(mine, null, 0)
    expect(await library.save({ ...mine, name: 'first tab' }, null, 1)).toEqual({ ok: true, revision: 2 })
    expect(await library.save({ ...mine, name: 'second tab' }, null, 1)).toMatchObject({
      ok: false,
      reason: 'changed',
      theirs: { design: { name: 'first tab' }, revision: 2 },
    })
    expect(await nameOf(library, 'two-tabs')).toBe('first tab')
    await library.remove('two-tabs')
    expect(await library.save(mine, null, 2)).toMatchObject({ ok: false, reason: 'deleted' })
    expect(await library.get('two-tabs')).toBeUndefined()
  })

  test('what stands beside a design is changed from what lies there; one that fails leaves it as it was', async () => {
    const library = await open()
    const count = (raw: unknown) => ({ value: ((raw as number | undefined) ?? 0) + 1, result: null })
    await Promise.all([1, 2, 3, 4, 5].map(() => library.alter('hollow-ash', 'studies', count)))
    expect(await library.beside('hollow-ash', 'studies')).toBe(5)
    const failing = library.medium.change(async cells => {
      await cells.put('beside', 'studies hollow-ash', { value: 99, revision: 9 })
      throw new Error('cut off')
    })
    await expect(failing).rejects.toThrow('cut off')
    expect(await library.beside('hollow-ash', 'studies')).toBe(5)
    const kept = await library.alter('hollow-ash', 'studies', () => ({ result: 'nothing' }))
    expect([kept, await library.beside('hollow-ash', 'studies')]).toEqual(['nothing', 5])
    await library.alter('hollow-ash', 'studies', () => ({
      value: 6,
      putAside: { what: 'studies', why: ['strange'] },
      result: null,
    }))
    expect((await library.unreadable())[0]).toMatchObject({
      place: 'aside',
      what: 'studies',
      name: 'Hollow Ash Seed Library',
      raw: 5,
      of: 'hollow-ash',
    })
  })

  test('what a design lacks is filled in, and nothing that is there is written over', async () => {
    const library = await open()
    await library.alter('saritas', 'book', () => ({ value: null, result: null }))
    await library.alter('saritas', 'studies', () => ({ value: { stages: { a: 'now' } }, result: null }))
    await library.fill('saritas', { book: { b: 1 }, studies: { stages: { a: 'later' }, choices: [1] } })
    await library.fill('saritas', { book: { b: 2 } })
    expect(await library.beside('saritas', 'book')).toEqual({ b: 1 })
    expect(await library.beside('saritas', 'studies')).toEqual({ stages: { a: 'now' }, choices: [1] })
    for (const kind of ['book', 'studies'] as const)
      await library.alter('saritas', kind, () => ({ value: null, result: null }))
  })

  test('what cannot be read is listed apart, is not written over, and goes on a word alone', async () => {
    const library = await open()
    const broken = { id: 'broken', design: { schemaVersion: 1, name: 'Broken' }, revision: 3 }
    const newer = { id: 'newer', design: { ...DEMOS[0], id: 'newer', schemaVersion: 99 }, revision: 1 }
    const wrong = { value: { ...packBook(emptyBook()), version: 7 }, revision: 1 }
    await library.medium.change(async cells => {
      await cells.put('designs', 'broken', broken)
      await cells.put('designs', 'newer', newer)
      await cells.put('beside', 'book fjellro', wrong)
    })
    const apart = (await library.unreadable()).filter(u => u.place !== 'aside')
    expect(apart.map(u => [u.key, u.what, u.name])).toEqual([
      ['broken', 'a design', 'Broken'],
      ['newer', 'a design', DEMOS[0]!.name],
      ['book fjellro', 'a season book', 'Fjellro Orchard'],
    ])
    expect(apart[1]!.why[0]).toMatch(/newer Tierra/)
    expect(apart[0]!.raw).toEqual(broken)
    expect((await library.list()).kept.map(k => k.id)).not.toContain('newer')
    expect(await library.save({ ...DEMOS[0]!, id: 'newer' }, null, 1)).toMatchObject({
      ok: false,
      reason: 'unreadable',
    })
    expect((await library.unreadable()).find(u => u.key === 'newer')!.raw).toEqual(newer)
    for (const u of await library.unreadable()) await library.discard(u)
    expect(await library.unreadable()).toEqual([])
  })
})

test('memory over a store that can be read begins from what it holds, and says what differs', async () => {
  const store = await indexed()
  const mine = { ...DEMOS[0]!, id: 'under', name: 'Under' }
  await store.save(mine, null, 0)
  const library = memoryLibrary(store.medium, new Map(), now)
  expect(await nameOf(library, 'under')).toBe('Under')
  expect(await library.save({ ...mine, name: 'Over' }, null, 1)).toEqual({ ok: true, revision: 2 })
  expect([await nameOf(library, 'under'), await nameOf(store, 'under')]).toEqual(['Over', 'Under'])
  await store.remove('under')
})

test('a file that the disk has lost hides nothing but its own design', async () => {
  const store = await indexed()
  const lost = DEMOS[2]!.id
  const get = IDBObjectStore.prototype.get
  const spy = jest.spyOn(IDBObjectStore.prototype, 'get').mockImplementation(function (this: IDBObjectStore, key) {
    if (key === lost) throw new DOMException('Failed to read large IndexedDB value', 'DataError')
    return get.call(this, key)
  })
  const { kept, unreadable } = await store.list()
  expect(kept.length).toBe(DEMOS.length - 1)
  expect(unreadable).toMatchObject([{ key: lost, raw: undefined }])
  expect(unreadable[0]!.why[0]).toMatch(/lost a file of it/)
  spy.mockRestore()
})

test('deleted demos stay deleted; books and studies of the first version of the store are found', async () => {
  const library = await indexed()
  await library.remove(DEMOS[1]!.id)
  expect(await ids(await indexed())).toEqual(
    DEMOS.filter(d => d !== DEMOS[1])
      .map(d => d.id)
      .sort(),
  )
  // Each open connection lets go when the store is deleted.
  await new Promise(resolve => (indexedDB.deleteDatabase('tierra').onsuccess = resolve))
  const first = await openDB('tierra', 1, {
    upgrade(db) {
      db.createObjectStore('designs', { keyPath: 'id' })
      db.createObjectStore('settings')
    },
  })
  await first.put('settings', { old: 'book' }, 'book mine')
  await first.put('settings', true, 'demos-placed')
  first.close()
  const now2 = await indexed()
  expect(await now2.beside('mine', 'book')).toEqual({ old: 'book' })
  expect(await now2.medium.keys('settings')).toEqual(['demos-placed'])
})

test.each([
  ['what the bench of that page saved since, it went on from the edit', true, 'over'],
  ['what the same page put in out of a backup since says nothing of the edit', false, 'beside'],
] as const)('an edit that a page left: %s', async (_, fromBench, how) => {
  let clock = 1000
  const library = memoryLibrary(null, asNew(1000), () => ++clock, 'a page')
  const edited = { ...DEMOS[0]!, id: 'twice', name: 'Edited' }
  await library.put({ ...edited, name: 'Later' }, null, {}, fromBench)
  const entry = { design: edited, pinned: null, base: 7, at: 900, page: 'a page' }
  const beside = { namesOf: () => Promise.resolve(), asCopy: (d: Design) => ({ ...d, id: 'copy' }) }
  expect(await bringIn(library, entry, beside as never)).toBe(how)
  expect(await nameOf(library, 'twice')).toBe('Later')
  expect(await nameOf(library, 'copy')).toBe(fromBench ? undefined : 'Edited')
})
