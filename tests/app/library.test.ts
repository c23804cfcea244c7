import 'fake-indexeddb/auto'
import { DEMOS } from '../../core/design'
import { memoryLibrary, openLibrary, type Library } from '../../app/keeping/library'

const indexed = () => openLibrary(() => 1000)
const memory = () => Promise.resolve(memoryLibrary(() => 1000))

describe.each([
  ['indexed', indexed],
  ['memory', memory],
] as [string, () => Promise<Library>][])('%s library', (_, open) => {
  test('holds the demos from the start, keeps, lists and restores', async () => {
    const library = await open()
    expect((await library.list()).map(k => k.id).sort()).toEqual(DEMOS.map(d => d.id).sort())
    const mine = { ...DEMOS[0]!, id: 'mine', name: 'Mine' }
    const saved = await library.save(mine, DEMOS[1]!, 0)
    expect(saved).toEqual({ ok: true, revision: 1 })
    const kept = (await library.get('mine'))!
    expect(kept).toMatchObject({
      design: { name: 'Mine' },
      pinned: { id: 'ribera-alta' },
      revision: 1,
      updatedAt: 1000,
    })
    await library.remove('mine')
    expect(await library.get('mine')).toBeUndefined()
    await library.restore(kept)
    expect((await library.get('mine'))!.revision).toBe(1)
    await library.remove('mine')
  })

  test('a save on an old revision is a conflict and changes nothing', async () => {
    const library = await open()
    const mine = { ...DEMOS[0]!, id: 'two-tabs' }
    await library.save(mine, null, 0)
    expect(await library.save({ ...mine, name: 'first tab' }, null, 1)).toEqual({ ok: true, revision: 2 })
    const second = await library.save({ ...mine, name: 'second tab' }, null, 1)
    expect(second).toMatchObject({
      ok: false,
      reason: 'conflict',
      theirs: { design: { name: 'first tab' }, revision: 2 },
    })
    expect((await library.get('two-tabs'))!.design.name).toBe('first tab')
    await library.remove('two-tabs')
  })

  test('settings', async () => {
    const library = await open()
    await library.setSetting('last', { a: 1 })
    expect(await library.getSetting('last')).toEqual({ a: 1 })
    expect(await library.getSetting('never')).toBeUndefined()
    await library.removeSetting('last')
    expect(await library.getSetting('last')).toBeUndefined()
  })
})

test('memory takes over with what is at hand', async () => {
  const kept = { id: 'mine', design: { ...DEMOS[0]!, id: 'mine' }, pinned: null, revision: 6, updatedAt: 5 }
  const library = memoryLibrary(() => 1, [kept])
  expect((await library.list()).map(k => k.id)).toEqual(['mine'])
  expect(await library.save(kept.design, null, 6)).toEqual({ ok: true, revision: 7 })
})

test('deleted demos stay deleted when the store is opened again; a damaged entry is left out of the list', async () => {
  const library = await indexed()
  await library.remove(DEMOS[1]!.id)
  const damaged = { id: 'broken', design: { schemaVersion: 1 } as never, pinned: null, revision: 1, updatedAt: 0 }
  await library.restore(damaged)
  const again = await indexed()
  expect((await again.list()).map(k => k.id).sort()).toEqual(
    DEMOS.filter(d => d !== DEMOS[1])
      .map(d => d.id)
      .sort(),
  )
  expect(await again.get('broken')).toBeDefined()
})
