import './browser-globals'
import fc from 'fast-check'
import { createPinia, setActivePinia } from 'pinia'
import { DEMOS, startingDesign, type Design } from '../../core/design'
import { emptyBook, packBook, type Book } from '../../core/season/book'
import { emptyLog } from '../../core/season/log'
import { readBackup, writeBackup } from '../../formats/backup-json'
import { freshId } from '../../app/keeping/journal'
import type { Cells, Medium, Place } from '../../app/keeping/medium'
import { isHeld } from '../../app/keeping/states'
import { useDesign } from '../../app/stores/design'
import { useKept } from '../../app/stores/kept'
import { useKeeping } from '../../app/stores/keeping'
import { useLadder } from '../../app/stores/ladder'
import { useNotices } from '../../app/stores/notices'
import { useSeason } from '../../app/stores/season'

/**
 * Nothing that is written is lost: random edits, notes, studies, deletes, restores and reloads in two tabs, over a
 * store that is late, full, damaged, missing a file, of a newer version, and cut off at any of its answers. Every piece
 * of writing carries a mark of its own; at the end each must be found again, in a design that can be read, among what
 * cannot be read, or in the file that holds everything. TIERRA_MODEL_RUNS says how many runs; 300 by itself.
 */
const RUNS = Number(process.env.TIERRA_MODEL_RUNS ?? 300)

jest.mock('../../app/workers/year-pool', () => ({
  startYearWorkers: () => [
    {
      run: () => Promise.resolve({ answers: { coldestNight: { insideC: 1 }, freeRunning: {} } }),
      coldest: () => Promise.resolve({ hour: 0, insideC: 1, outsideC: -10 }),
      demoBook: () => Promise.resolve(mockDemoBook()),
    },
  ],
}))
const mockDemoBook = (): Book => {
  const { written } = emptyBook()
  return { written: { ...written, notes: [{ on: '2027-01-01', text: 'invented', picture: '' }] }, log: null }
}
jest.mock('../../app/keeping/medium', () => ({
  ...jest.requireActual<object>('../../app/keeping/medium'),
  openBrowserMedium: () => mockWorld.open(),
}))

/** The disk of a browser, with all that may go wrong with it. */
class World {
  cells = new Map<string, unknown>()
  full = false
  lost = new Set<string>()
  /** Waiting for a store that is late. */
  late: (() => void)[] | null = null
  /** The page that is being started or worked with: it opens the store. */
  page: Page | null = null
  private last: Promise<unknown> = Promise.resolve()

  async open(): Promise<Medium> {
    const { page } = this
    if (this.late) await new Promise<void>(resolve => this.late!.push(resolve))
    await page!.breathe()
    return this.medium(page!)
  }
  release(): void {
    for (const go of this.late ?? []) go()
    this.late = null
  }
  private medium(page: Page): Medium {
    const read = (place: Place, key: string): unknown => {
      if (this.lost.has(`${place}|${key}`)) throw new Error('Failed to read large IndexedDB value')
      return structuredClone(this.cells.get(`${place}|${key}`))
    }
    return {
      lasting: true,
      keys: async place => {
        await page.breathe()
        return [...this.cells.keys()].filter(k => k.startsWith(`${place}|`)).map(k => k.slice(place.length + 1))
      },
      get: async (place, key) => {
        await page.breathe()
        return read(place, key)
      },
      change: <T>(work: (cells: Cells) => Promise<T>): Promise<T> => {
        // One transaction after the other, in all tabs; a page that dies within one leaves nothing of it.
        const mine = this.last.then(async () => {
          if (page.dead) return page.never<T>()
          const draft = new Map<string, unknown>()
          const result = await work({
            get: (place, key) => {
              const at = `${place}|${key}`
              return Promise.resolve().then(() => (draft.has(at) ? draft.get(at) : read(place, key)))
            },
            put: (place, key, value) => {
              if (this.full) return Promise.reject(new Error('QuotaExceededError'))
              draft.set(`${place}|${key}`, structuredClone(value))
              return Promise.resolve()
            },
            drop: (place, key) => {
              draft.set(`${place}|${key}`, undefined)
              return Promise.resolve()
            },
          })
          const isCut = page.spend()
          if (isCut === 'before') return page.never<T>()
          for (const [at, value] of draft) {
            this.lost.delete(at)
            if (value === undefined) this.cells.delete(at)
            else this.cells.set(at, value)
          }
          return isCut === 'after' ? page.never<T>() : result
        })
        // The disk goes on where a page has died.
        this.last = Promise.race([mine.catch(() => undefined), page.death])
        return mine
      },
    }
  }
}
let mockWorld: World

/** Locks of a browser: held by a page until it is gone, or until what was asked for is done. */
class Locks {
  private holders = new Map<string, Promise<unknown>>()
  constructor(private world: World) {}
  query = () => Promise.resolve({ held: [...this.holders.keys()].map(name => ({ name })) })
  async request(name: string, ...given: unknown[]): Promise<unknown> {
    const work = given.pop() as (lock: object | null) => unknown
    const [options] = given as [{ ifAvailable?: boolean }?]
    const page = this.world.page!
    if (this.holders.has(name) && options?.ifAvailable) return work(null)
    while (this.holders.has(name)) await this.holders.get(name)
    const done = Promise.race([Promise.resolve(work({})), page.death]).finally(() => this.holders.delete(name))
    this.holders.set(
      name,
      done.catch(() => undefined),
    )
    return done
  }
}

/** One load of the page in one tab. */
class Page {
  dead = false
  private die!: () => void
  readonly death = new Promise<void>(resolve => (this.die = resolve))
  /** So many more answers of the disk it lives to see. */
  life = Infinity
  pinia = createPinia()
  stores!: ReturnType<Page['open']>
  private open() {
    setActivePinia(this.pinia)
    return {
      bench: useDesign(),
      keeping: useKeeping(),
      season: useSeason(),
      kept: useKept(),
      ladder: useLadder(),
      notices: useNotices(),
    }
  }
  constructor(readonly world: World) {
    this.stores = this.open()
  }
  kill(): void {
    this.dead = true
    this.die()
    ;(this.pinia as unknown as { _e: { stop: () => void } })._e.stop()
  }
  never<T>(): Promise<T> {
    return new Promise<T>(() => {})
  }
  /** Spends one answer of the disk; whether the page dies at it, before or after the disk has done its part. */
  spend(): 'before' | 'after' | null {
    if (this.dead) return 'before'
    if (this.life === Infinity || this.life-- > 0) return null
    this.kill()
    return this.life % 2 === 0 ? 'before' : 'after'
  }
  async breathe(): Promise<void> {
    await Promise.resolve()
    if (this.spend() !== null) await this.never()
  }
  /** Does something as a person would; undefined where the page died in the middle of it. */
  async do<T>(work: (stores: Page['stores']) => Promise<T>): Promise<{ result: T } | undefined> {
    if (this.dead) return undefined
    this.world.page = this
    setActivePinia(this.pinia)
    return Promise.race([work(this.stores).then(result => ({ result })), this.death.then(() => undefined)])
  }
}

const markOf = (design: Design): string => /\bm\d+\b/.exec(design.site.place)?.[0] ?? ''
const marksIn = (value: unknown): Set<string> =>
  new Set((typeof value === 'string' ? value : JSON.stringify(value ?? null)).match(/\bm\d+\b/g) ?? [])

interface Op {
  kind: string
  tab: 0 | 1
  n: number
}

/** Runs the operations; gives back what was lost, and the trail. */
async function run(ops: readonly Op[]): Promise<{ lost: string[]; trail: string[] }> {
  const world = (mockWorld = new World())
  localStorage.clear()
  Object.defineProperty(globalThis, 'navigator', { value: { locks: new Locks(world) }, configurable: true })
  const trail: string[] = []
  /** Marks that must be found. */
  const must = new Set<string>()
  let count = 0
  const fresh = () => `m${++count}`
  const pages: Page[] = []
  const backups: { text: string; marks: Set<string> }[] = []
  /** Written while the store was full or late: they go if the page does, which it says. */
  const inMemory = new Map<Page, Set<string>>()

  const sessions = [new Map<string, string>(), new Map<string, string>(), new Map<string, string>()]
  /** Each tab has a memory of its own, which outlives its pages. */
  function sitAt(tab: number): void {
    const own = sessions[tab]!
    const storage = { getItem: (k: string) => own.get(k) ?? null, setItem: (k: string, v: string) => own.set(k, v) }
    Object.defineProperty(globalThis, 'sessionStorage', { value: storage, configurable: true, writable: true })
  }
  async function start(tab: 0 | 1): Promise<void> {
    sitAt(tab)
    const page = new Page(world)
    pages[tab] = page
    inMemory.set(page, new Set())
    const done = await page.do(async s => {
      await s.keeping.start(null)
      s.season.look()
      s.kept.look()
      return await s.keeping.flush()
    })
    if (!done && !page.dead) throw new Error('never')
  }
  const alive = async (tab: 0 | 1): Promise<Page> => {
    if (!pages[tab] || pages[tab].dead) await start(tab)
    return pages[tab]!
  }
  const isStored = (mark: string) => [...world.cells.values()].some(value => marksIn(value).has(mark))
  /** The mark is safe, unless the page says that it is in memory alone. */
  const wrote = (page: Page, mark: string) => {
    if (!page.stores.keeping.lasting) {
      // What the store has of old stands there by what was done to it there, whatever a memory gets of it.
      if (must.has(mark) || isStored(mark)) return
      inMemory.get(page)!.add(mark)
    }
    must.add(mark)
  }
  const inRecord = (id: string): Set<string> =>
    new Set(
      [...world.cells]
        .filter(([at]) => [`designs|${id}`, `beside|book ${id}`, `beside|studies ${id}`].includes(at))
        .flatMap(([, value]) => [...marksIn(value)]),
    )
  const journalMarks = (which: (key: string) => boolean = () => true): Set<string> =>
    new Set(
      Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!)
        .filter(k => k.startsWith('tierra-unsaved') && which(k))
        .flatMap(k => [...marksIn(localStorage.getItem(k))]),
    )
  /** What a tab has written down of a design and not saved yet. */
  const unsavedOf = (page: Page, id: string): Set<string> => {
    const own = [...sessions[pages.indexOf(page)]!.values()]
    return journalMarks(k => k.endsWith(`|${id}`) && own.some(tab => k.includes(`|${tab}|`)))
  }

  const OPS: Record<string, (page: Page, n: number) => Promise<unknown>> = {
    async edit(page) {
      const mark = fresh()
      const before = markOf(page.stores.bench.current)
      page.stores.bench.edit([['site.place', `at ${mark}`]], mark)
      must.delete(before)
      // The journal has it at once, whatever becomes of the page.
      must.add(mark)
      await page.do(s => s.keeping.flush())
    },
    async undo(page) {
      const before = markOf(page.stores.bench.current)
      page.stores.bench.undo()
      const now = markOf(page.stores.bench.current)
      if (now === before) return
      must.delete(before)
      // Where another tab has gone on, going back to what it went on from is nothing new.
      if (now !== '' && !isHeld(page.stores.keeping.state)) must.add(now)
      await page.do(s => s.keeping.flush())
    },
    async note(page) {
      const mark = fresh()
      const done = await page.do(s =>
        s.season.edit(w => ({ ...w, notes: [...w.notes, { on: '2027-01-02', text: mark, picture: '' }] })),
      )
      if (done?.result === null) wrote(page, mark)
    },
    async log(page) {
      const mark = fresh()
      const log = emptyLog(480_000, 24)
      log.values.insideC.fill(count % 30)
      const file = { id: mark, name: mark, at: '', how: null, told: [], log, days: [], source: null }
      const done = await page.do(s => s.season.takeIn(file))
      if (done && !('fault' in done.result)) wrote(page, mark)
    },
    async file(page) {
      const [mark, noted] = [fresh(), fresh()]
      const design = startingDesign(`file-${mark}`, 'From a file')
      const { written } = emptyBook()
      const note = { on: '2027-01-02', text: noted, picture: '' }
      const book = packBook({ written: { ...written, notes: [note] }, log: null })
      const marked = { ...design, site: { ...design.site, place: `at ${mark}` } }
      if (!(await page.do(s => s.keeping.add(marked, { book })))) return
      wrote(page, mark)
      wrote(page, noted)
    },
    async study(page) {
      const mark = fresh()
      const choice = { at: '2027-01-01', words: mark, why: '', gainK: 0, cost: 0 }
      const done = await page.do(async s => {
        const ready = s.kept.ready
        s.ladder.choices = [...s.ladder.choices, choice]
        await s.keeping.flush()
        return ready
      })
      // While saving waits for a person's choice, the page says so.
      if (done?.result && !isHeld(page.stores.keeping.state)) wrote(page, mark)
    },
    async another(page, n) {
      await page.do(s => s.keeping.openDesign(s.keeping.list[n % Math.max(1, s.keeping.list.length)]?.id ?? ''))
    },
    async begin(page) {
      const mark = fresh()
      const design = startingDesign(freshId(), 'New greenhouse')
      const marked = { ...design, site: { ...design.site, place: `at ${mark}` } }
      const done = await page.do(s => s.keeping.add(marked))
      if (done) wrote(page, mark)
    },
    duplicate: page => page.do(s => s.keeping.duplicate(s.bench.current.id)),
    async remove(page, n) {
      const { list } = page.stores.keeping
      const id = list[n % Math.max(1, list.length)]?.id ?? page.stores.bench.current.id
      const here = page.stores.bench.current
      const recorded = inRecord(id)
      const gone = new Set(recorded)
      // What a memory holds of it goes as well.
      if (!page.stores.keeping.lasting) for (const m of [...inMemory.get(page)!, ...unsavedOf(page, id)]) gone.add(m)
      const { state: stands } = page.stores.keeping
      if (here.id === id && (!isHeld(stands) || stands === 'deleted')) gone.add(markOf(here))
      const done = await page.do(s => s.keeping.remove(id))
      // What another page has not saved yet was not deleted.
      const noted = journalMarks()
      for (const mark of gone) if (!noted.has(mark)) must.delete(mark)
      const notice = page.stores.notices.all.filter(x => x.action?.label === 'Undo').at(-1)
      if (!done || !notice || n % 3 !== 0) return
      const state = page.stores.keeping.state
      await page.do(async () => {
        notice.action!.run()
        await settle()
        await page.stores.keeping.flush()
      })
      if (!page.dead && state === 'kept' && page.stores.keeping.state === 'kept')
        for (const mark of recorded) must.add(mark)
    },
    async theirs(page) {
      const mine = markOf(page.stores.bench.current)
      const { theirs } = page.stores.keeping
      if (!theirs) return
      await page.do(s => s.keeping.takeTheirs())
      if (mine !== markOf(theirs.design)) must.delete(mine)
    },
    async mine(page) {
      if (page.stores.keeping.state === 'deleted') await page.do(s => s.keeping.keepDeleted())
      else if (isHeld(page.stores.keeping.state)) await page.do(s => s.keeping.keepMineAsCopy())
    },
    async letGo(page) {
      if (page.stores.keeping.state !== 'deleted') return
      must.delete(markOf(page.stores.bench.current))
      await page.do(s => s.keeping.letDeletedGo())
    },
    async backUp(page) {
      const done = await page.do(s => s.keeping.everything())
      if (!done) return
      const text = writeBackup(done.result.designs, done.result.unreadable, new Date(0))
      backups.push({ text, marks: marksIn(JSON.parse(text)) })
    },
    async restore(page, n) {
      const backup = backups[n % Math.max(1, backups.length)]
      if (!backup) return
      const read = readBackup(backup.text)
      if (!read.ok) throw new Error(read.message)
      const matched = new Set<string>()
      const done = await page.do(async s => {
        for (const { design, rawStudies, book, pinned, leftOut } of read.designs) {
          const parts = { pinned, studies: rawStudies ?? undefined, book: book ? packBook(book) : undefined }
          await s.keeping.putBack(design, parts, matched)
          for (const { what, raw } of leftOut) await s.keeping.putAside({ what, name: '', why: [], raw })
        }
        for (const { name, raw } of read.refused) await s.keeping.putAside({ what: 'a design', name, why: [], raw })
        for (const its of read.strange) await s.keeping.putAside(its)
      })
      if (done) for (const mark of backup.marks) wrote(page, mark)
    },
    async reload(page) {
      await page.do(s => s.keeping.flush())
      page.kill()
      forget(page)
      await start(pages.indexOf(page) as 0 | 1)
    },
    kill(page, n) {
      page.life = n % 7
      return Promise.resolve()
    },
    fill() {
      world.full = true
      return Promise.resolve()
    },
    async room(page) {
      world.full = false
      world.release()
      await settle()
      await page.do(s => s.keeping.tryStore())
      if (!page.dead && page.stores.keeping.lasting) inMemory.get(page)!.clear()
    },
    late() {
      world.late ??= []
      return Promise.resolve()
    },
    newer(_, n) {
      // A newer version of Tierra has written over a design.
      const at = [...world.cells.keys()].filter(k => k.startsWith('designs|'))
      const key = at[n % Math.max(1, at.length)]
      if (!key) return Promise.resolve()
      const record = world.cells.get(key) as { design: object; revision: number }
      world.cells.set(key, {
        ...record,
        design: { ...record.design, schemaVersion: 99 },
        revision: record.revision + 1,
        soundIn: 99,
      })
      return Promise.resolve()
    },
    spoil(_, n) {
      // A season book of a form that is not known.
      const at = [...world.cells.keys()].filter(k => k.startsWith('beside|book '))
      const key = at[n % Math.max(1, at.length)]
      if (!key) return Promise.resolve()
      const record = world.cells.get(key) as { value: object; revision: number }
      world.cells.set(key, { value: { ...record.value, version: 7 }, revision: record.revision + 1 })
      return Promise.resolve()
    },
    lose(_, n) {
      const at = [...world.cells.keys()].filter(k => k.startsWith('designs|'))
      const key = at[n % Math.max(1, at.length)]
      if (!key) return Promise.resolve()
      for (const mark of marksIn(world.cells.get(key))) must.delete(mark)
      world.lost.add(key)
      return Promise.resolve()
    },
    anew: page => page.do(s => s.season.beginAnew()),
  }
  /** A page that has gone takes what it said was in memory only. */
  function forget(page: Page): void {
    for (const mark of inMemory.get(page) ?? []) if (!isStored(mark)) must.delete(mark)
    inMemory.get(page)?.clear()
  }

  for (const op of ops) {
    const page = await alive(op.tab)
    if (page.dead) continue
    trail.push(`${op.tab} ${op.kind} ${op.n} on ${page.stores.bench.current.name} (${page.stores.keeping.state})`)
    await OPS[op.kind]!(page, op.n)
    await settle()
    for (const p of pages) if (p?.dead) forget(p)
  }
  world.full = false
  world.release()
  await settle()
  for (const p of pages) {
    if (!p) continue
    forget(p)
    p.kill()
  }
  sitAt(2)
  const last = new Page(world)
  await last.do(s => s.keeping.start(null))
  const found = await last.do(s => s.keeping.everything())
  const { designs, unreadable } = found!.result
  const backup = writeBackup(designs, unreadable, new Date(0))
  const there = marksIn(JSON.parse(backup))
  // The bench is never left opening, and what it holds is kept.
  if (last.stores.keeping.state !== 'kept') trail.push(`ended ${last.stores.keeping.state}`)
  const lost = [...must].filter(m => m !== '' && !there.has(m))
  const ended = last.stores.keeping.state === 'kept' ? [] : [last.stores.keeping.state]
  last.kill()
  return { lost: [...lost, ...ended], trail }
}

/** Whatever is on its way in the page arrives. */
const settle = () => new Promise<void>(resolve => setImmediate(() => setImmediate(resolve)))

beforeAll(() => {
  // A store that is late counts as late at once; nothing is tried again by itself.
  const plain = globalThis.setTimeout
  globalThis.setTimeout = ((work: () => void, ms = 0) =>
    ms >= 5000 || ms === 300 ? plain(() => {}, 1) : plain(work, ms >= 4000 ? 0 : ms)) as typeof plain
})

const KINDS: [string, number][] = [
  ['edit', 8],
  ['note', 5],
  ['log', 2],
  ['study', 3],
  ['undo', 2],
  ['another', 3],
  ['begin', 1],
  ['file', 1],
  ['duplicate', 1],
  ['remove', 2],
  ['theirs', 1],
  ['mine', 2],
  ['letGo', 1],
  ['backUp', 1],
  ['restore', 1],
  ['reload', 2],
  ['kill', 3],
  ['fill', 1],
  ['room', 2],
  ['late', 1],
  ['newer', 1],
  ['spoil', 1],
  ['lose', 1],
  ['anew', 1],
]
const op: fc.Arbitrary<Op> = fc.record({
  kind: fc.oneof(...KINDS.map(([kind, weight]) => ({ weight, arbitrary: fc.constant(kind) }))),
  tab: fc.constantFrom(0 as const, 1 as const),
  n: fc.nat({ max: 30 }),
})

/** Lives in which something was lost once: each is lived again. */
const FOUND: [string, 0 | 1, number][][] = [
  // What was kept as a copy in memory made way on the journal for the next edit.
  [
    ['lose', 0, 20],
    ['duplicate', 0, 19],
    ['remove', 1, 1],
    ['note', 1, 0],
    ['room', 0, 1],
    ['edit', 0, 27],
    ['note', 0, 21],
    ['another', 0, 4],
    ['fill', 0, 26],
    ['edit', 0, 0],
    ['study', 1, 24],
  ],
  // What was written in memory beside a design that nobody could read once the store came back.
  [
    ['newer', 0, 10],
    ['study', 0, 26],
    ['late', 0, 24],
    ['lose', 0, 23],
    ['study', 1, 4],
    ['reload', 0, 6],
    ['another', 1, 4],
    ['study', 0, 18],
    ['note', 0, 6],
    ['room', 0, 28],
    ['spoil', 1, 19],
    ['letGo', 0, 11],
  ],
]

test(`nothing that is written is lost, in ${RUNS} lives of a browser`, async () => {
  expect(DEMOS.length).toBeGreaterThan(3)
  await fc.assert(
    fc.asyncProperty(fc.array(op, { minLength: 1, maxLength: 25 }), async ops => {
      const { lost, trail } = await run(ops)
      if (lost.length > 0) throw new Error(`lost: ${lost.join(', ')}\n${trail.join('\n')}`)
    }),
    {
      examples: FOUND.map(life => [life.map(([kind, tab, n]) => ({ kind, tab, n }))]),
      numRuns: RUNS,
      ...(process.env.TIERRA_MODEL_SEED ? { seed: Number(process.env.TIERRA_MODEL_SEED) } : {}),
    },
  )
}, 3_600_000)
