import { MADE_TO_FIT, madeToFitLines } from '../../core/advice/made-to-fit'
import { readStudies, type KeptStudies } from '../../core/study/kept'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import { DEMOS, type Design } from '../../core/design'
import { controlIn } from '../../core/text/control'
import { freshId, openJournal, type Journal, type LeftBehind } from '../keeping/journal'
import {
  asNew,
  DesignGone,
  memoryLibrary,
  openLibrary,
  type Altered,
  type Library,
  type Refusal,
} from '../keeping/library'
import type { MemoryMedium } from '../keeping/medium'
import type { Beside, Holding, KeptDesign } from '../keeping/records'
import { isHeld, type BenchState } from '../keeping/states'
import type { Parts } from '../keeping/put-back'
import { makeShelf } from '../keeping/shelf'
import { readPast, type Past } from '../keeping/history'
import { useDesign } from './design'
import { useNotices } from './notices'
import { useSettings } from './settings'
import { useYear } from './year'

/** In memory, the store is tried again this often. */
const RETRY_MS = 5000
/** A store that has not answered for so long is worked without until it does. */
const OPEN_WITHIN_MS = 4000
/** Undo and redo are kept once the hand has rested for so long. */
const PAST_MS = 300
/** The design that was last on the bench, for the next time that Tierra is opened. */
const LAST = 'tierra-last'

/** What was asked of the design that is on the bench: how far the store has followed it. */
interface Desk {
  id: string
  revision: number
  /** The revision that the store itself has: in memory the other one counts on. */
  base: number
  saved: Design | null
  savedPin: Design | null
  /** A save of it is on its way. */
  saving: boolean
}

const remembered = (): string | null => {
  try {
    return localStorage.getItem(LAST)
  } catch {
    return null
  }
}

/**
 * Keeps designs in the browser: each edit at once, the list, and what happens when the store fails or two tabs meet.
 */
export const useKeeping = defineStore('keeping', () => {
  const bench = useDesign()
  const year = useYear()
  const notices = useNotices()
  const state = ref<BenchState>('opening')
  /** Several writes beside the design are on their way. */
  const writing = ref(0)
  const isSafe = computed(() => state.value === 'kept' && writing.value === 0)
  /** The other tab's version while two stand against each other. */
  const theirs = shallowRef<KeptDesign | null>(null)
  /** The design beside which something was laid from a file. */
  const filled = shallowRef<{ id: string } | null>(null)
  /** What is written outlives this page. */
  const lasting = ref(false)
  let library: Library = memoryLibrary()
  let opening: Promise<Library> | null = null
  let journal: Journal | null = null
  /** What an earlier page left that stands in memory, and is on the journal still. */
  let broughtIn: LeftBehind[] = []
  let desk: Desk = { id: '', revision: 0, base: 0, saved: null, savedPin: null, saving: false }
  let taking = false
  let wanted: string | null = null
  let retry: ReturnType<typeof setTimeout> | undefined
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('tierra-designs')
  const announce = (id: string, revision: number | 'deleted') => channel?.postMessage({ id, revision })

  const isSaved = () => !desk.saving && bench.current === desk.saved && year.pinned === desk.savedPin
  const settled = () => (library.lasting ? 'kept' : 'memory')

  /** Work on the store, one piece after the other: nothing is written to one that is just being left. */
  let last: Promise<unknown> = Promise.resolve()
  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = last.then(work)
    last = mine.catch(() => undefined)
    return mine
  }
  /** A write; where the store fails it goes into memory, which is said. In turn only. */
  async function written<T>(work: (to: Library) => Promise<T>): Promise<T> {
    try {
      return await work(library)
    } catch (error) {
      if (!library.lasting || error instanceof DesignGone) throw error
      goWithoutStore()
      return work(library)
    }
  }
  const write = <T>(work: (to: Library) => Promise<T>): Promise<T> => inTurn(() => written(work))
  const shelf = makeShelf({ library: () => library, inTurn, write })
  const { list, unreadable, refresh, lookForUnreadable, discard, besideOf, isNamed, copyName, asCopy } = shelf

  let started: Promise<void> | null = null
  /** The first look at the list, which the bench does not wait for. */
  let listed: Promise<void> = Promise.resolve()
  /** Opens the store, then the wanted design, or the one that was last on the bench, or the first demo. */
  const start = (wantedId: string | null): Promise<void> => (started ??= begin(wantedId))

  async function begin(wantedId: string | null): Promise<void> {
    journal = await openJournal()
    try {
      library = await openWithin(OPEN_WITHIN_MS)
      lasting.value = true
    } catch {
      goWithoutStore()
    }
    await recover()
    await inTurn(async () => {
      const first = await choose(wantedId)
      if (first) await take(first)
    })
    if (desk.id === '') await add(DEMOS[0]!)
    year.request(bench.current)
    state.value = settled()
    listed = refresh()
    // At once, so that what is left within the same moment is on record.
    watch([() => bench.current, () => year.pinned], changed, { flush: 'sync' })
    watch(() => bench.history, keepPastSoon)
    channel?.addEventListener(
      'message',
      (event: MessageEvent<{ id: string; revision: number | 'deleted' }>) => void heard(event.data),
    )
    window.addEventListener('pagehide', () => {
      void flush()
      void keepPast()
    })
    window.addEventListener('beforeunload', (event: BeforeUnloadEvent) => {
      if (!isSafe.value) event.preventDefault()
    })
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden') void flush()
    })
  }

  /** The store, if it answers in time; what comes of it later is not lost. */
  function openWithin(ms: number): Promise<Library> {
    const store = (opening ??= openLibrary(Date.now, journal?.page))
    store.catch(() => (opening = null))
    let timer: ReturnType<typeof setTimeout> | undefined
    const late = new Promise<never>((_, reject) => {
      timer = setTimeout(() => {
        reject(new Error('The store does not answer.'))
        void store.then(tryStore, () => {})
      }, ms)
    })
    return Promise.race([store, late]).finally(() => clearTimeout(timer))
  }

  /** What goes onto the bench first: what the address asks for, what was last there, a demo, whatever can be read. */
  async function choose(wantedId: string | null): Promise<KeptDesign | null> {
    const asked = wantedId ? await library.get(wantedId) : undefined
    if (asked?.ok) return asked.kept
    if (wantedId) {
      wanted = wantedId
      notices.tell('warning', notOpened(asked?.why), { seconds: 30, lines: asked?.why ?? [] })
    }
    const last = remembered()
    // A store that is late may have it once it comes.
    if (!library.lasting) wanted ??= last
    for (const id of [last, DEMOS[0]!.id]) {
      const read = id === null ? undefined : await library.get(id)
      if (read?.ok) return read.kept
    }
    await refresh()
    return list.value[0] ?? null
  }
  function notOpened(why: string[] | undefined): string {
    if (why)
      return 'The design in the address cannot be read; another is opened. It is left as it is, in the list of designs.'
    return library.lasting
      ? 'The design in the address is not kept in this browser; another is opened.'
      : 'The browser’s store does not answer yet; the design in the address is opened once it does.'
  }

  /** Brings what a page left unsaved into the store: over the version it was built on, or beside a later one. */
  async function recover(): Promise<void> {
    const locks = globalThis.navigator?.locks
    await (locks ? locks.request('tierra-recover', async () => await recoverAll()) : recoverAll())
  }
  async function recoverAll(): Promise<void> {
    const climateOf = async (id: string) => {
      const read = await library.get(id)
      return read?.ok ? read.kept.design.site.climate : undefined
    }
    const left = await journal!.left(climateOf)
    shelf.leftBehind(left.filter(entry => !entry.ok))
    if (left.some(entry => !entry.ok))
      notices.tell('warning', 'Something that was not saved when a page was left cannot be read.', {
        lines: ['It is left as it is, in the list of designs.'],
        seconds: 30,
      })
    if (left.length === 0) return
    const { bringIn, broughtInWords } = await import('../keeping/recover')
    for (const entry of left) {
      if (!entry.ok) continue
      const came = await write(to => bringIn(to, entry.unsaved, shelf))
      if (came !== 'over') notices.tell('info', broughtInWords(came, entry.unsaved.design.name))
      // In memory it is not safe yet.
      if (library.lasting) entry.letGo()
      else broughtIn.push(entry)
    }
  }
  function goWithoutStore(): void {
    const store = library.lasting ? library.medium : null
    const known = store && 'known' in store ? (store.known as ReadonlyMap<string, unknown>) : asNew(Date.now())
    library = memoryLibrary(store, known, Date.now, journal?.page)
    lasting.value = false
    if (!isHeld(state.value)) state.value = 'memory'
    notices.tell(
      'error',
      'This browser does not let Tierra keep designs (its store is blocked or full). Work goes on in ' +
        'memory and the store is tried again; export your design before you close the page.',
    )
    // Loaded while it can be: the network may be gone by the time that it is asked for.
    void layingBack()
    tryLater()
  }
  const layingBack = () => import('../keeping/lay-back')
  function tryLater(): void {
    clearTimeout(retry)
    retry = setTimeout(() => void tryStore(), RETRY_MS)
  }

  /** Tries the store again; when it has room, everything in memory goes there. */
  async function tryStore(): Promise<void> {
    clearTimeout(retry)
    if (library.lasting) return
    try {
      const store = await (opening ??= openLibrary(Date.now, journal?.page))
      await inTurn(() => goBackTo(store))
    } catch {
      opening = null
      tryLater()
    }
  }
  async function goBackTo(store: Library): Promise<void> {
    if (library.lasting) return
    await saveNow()
    await shelf.namesOf(store)
    const differences = (library.medium as MemoryMedium).differences()
    const { layBack } = await layingBack()
    const copies = await layBack(differences, store, asCopy, Date.now())
    const wasChanged = differences.some(d => d.place === 'designs' && d.key === desk.id)
    library = store
    lasting.value = true
    const id = copies.get(desk.id) ?? desk.id
    const asked = wanted && !wasChanged && isSaved() ? await library.get(wanted) : undefined
    const read = asked?.ok ? asked : await library.get(id)
    wanted = null
    if (read?.ok && isSaved() && (!wasChanged || copies.has(desk.id))) {
      // Nobody has touched what stood in for it.
      if (JSON.stringify(read.kept.design) !== JSON.stringify(bench.current) || id !== desk.id) await take(read.kept)
    }
    if (read?.ok) desk.revision = desk.base = read.kept.revision
    journal?.done()
    for (const entry of broughtIn) entry.letGo()
    broughtIn = []
    if (!isSaved()) note()
    if (!isHeld(state.value)) state.value = 'kept'
    notices.forget(/does not let Tierra keep designs|does not answer yet/)
    notices.tell('info', 'The browser keeps designs again; everything is saved.', {
      lines: [...copies.keys()].map(its => {
        const record = differences.find(d => d.key === its)?.value as { design?: Design } | undefined
        const name = record?.design?.name ?? its
        return `“${name}” had been changed in the store since: what was in memory stands beside it.`
      }),
    })
    await refresh()
    void lookForUnreadable()
    if (!isSaved()) void flush()
  }
  /** Puts a kept design on the bench, with its undo and redo. */
  async function take(kept: KeptDesign): Promise<void> {
    const past = readPast(await library.beside(kept.id, 'history').catch(() => undefined), kept.design)
    put(kept, past)
  }
  function put(kept: KeptDesign, past: Past | null): void {
    taking = true
    desk = {
      id: kept.id,
      revision: kept.revision,
      base: library.lasting ? kept.revision : desk.id === kept.id ? desk.base : 0,
      saved: kept.design,
      savedPin: kept.pinned,
      saving: false,
    }
    theirs.value = null
    bench.open(kept.design, past)
    if (kept.design.madeToFit.length > 0)
      notices.tell('warning', MADE_TO_FIT, { seconds: 30, lines: madeToFitLines(kept.design, useSettings().show) })
    year.day = null
    void year.pin(kept.pinned)
    taking = false
    if (state.value !== 'opening') state.value = settled()
    if (!library.lasting) return
    try {
      localStorage.setItem(LAST, kept.id)
    } catch {
      /* blocked: the store's own state is told */
    }
  }

  /** Something on the bench is another: noted at once, saved as soon as the store is free. */
  function changed(): void {
    if (taking || state.value === 'opening') return
    if (isSaved()) {
      if (state.value === 'keeping') state.value = settled()
      // What stands in memory alone stays on the journal.
      if (library.lasting) journal?.done(desk.id)
      else note()
      return
    }
    note()
    if (isHeld(state.value)) return
    if (state.value === 'kept') state.value = 'keeping'
    void flush()
  }
  const note = () =>
    journal?.note(
      { design: toRaw(bench.current), pinned: toRaw(year.pinned), base: desk.base, at: Date.now() },
      desk.saved,
    )

  let waiting = false
  /** Saves what is on the bench; while one save is on its way, the next takes the newest. */
  function flush(): Promise<void> {
    if (waiting) return last.then(() => undefined)
    waiting = true
    return inTurn(() => {
      waiting = false
      return saveNow()
    })
  }

  async function saveNow(): Promise<void> {
    if (isHeld(state.value) || isSaved() || desk.id === '') return
    const its = desk
    const [design, pinned] = [bench.current, year.pinned]
    its.saving = true
    let done
    try {
      done = await written(to => to.save(toRaw(design), toRaw(pinned), its.revision, true))
    } catch {
      // The memory could not be written either: what is unsaved stays on the journal.
      state.value = 'memory'
      return
    } finally {
      its.saving = false
    }
    if (its !== desk) return
    if (!done.ok) return hold(done.reason, done.theirs)
    its.revision = done.revision
    if (library.lasting) its.base = done.revision
    its.saved = design
    its.savedPin = pinned
    announce(design.id, done.revision)
    if (!isSaved()) {
      note()
      void flush()
      return
    }
    if (library.lasting) journal?.done(design.id)
    state.value = settled()
  }

  /** Saving waits until a person has chosen. */
  function hold(why: Refusal, their: KeptDesign | undefined): void {
    theirs.value = their ?? null
    state.value = why === 'changed' ? 'conflict' : why
  }

  /** Another tab saved or deleted a design: when it is this one, nothing is overwritten until a person has chosen. */
  async function heard(message: { id: string; revision: number | 'deleted' }): Promise<void> {
    await refresh()
    if (message.id !== desk.id || isHeld(state.value)) return
    if (message.revision !== 'deleted' && message.revision <= desk.revision) return
    const read = await inTurn(() => library.get(desk.id))
    if (message.id !== desk.id || isHeld(state.value)) return
    if (read === undefined) hold('deleted', undefined)
    else if (!read.ok) hold('unreadable', undefined)
    else if (read.kept.revision > desk.revision) hold('changed', read.kept)
  }

  /** Settles a conflict by the other tab's version. */
  async function takeTheirs(): Promise<void> {
    const their = theirs.value
    if (!their) return
    journal?.done(desk.id)
    state.value = settled()
    await inTurn(() => take(their))
  }

  /** Settles a conflict by keeping this tab's version as a design of its own. */
  async function keepMineAsCopy(): Promise<void> {
    const mine = bench.current
    const pinned = year.pinned
    const was = desk.id
    await settleNames()
    await write(async to => {
      const copy = asCopy(toRaw(mine))
      await to.put(copy, toRaw(pinned), {})
      const read = await to.get(copy.id)
      if (read?.ok) await take(read.kept)
    })
    // In memory alone the copy goes on the journal: what it was made from makes way there for the next edit.
    if (library.lasting) journal?.done(was)
    else note()
    await refresh()
  }

  /** Settles what was deleted elsewhere: it is kept under its own name, with what was known to stand beside it. */
  async function keepDeleted(): Promise<void> {
    if (state.value !== 'deleted') return
    await write(async to => {
      const { known } = to.medium as { known?: ReadonlyMap<string, unknown> }
      const beside = Object.fromEntries(
        (['book', 'studies'] as const).map(kind => {
          const record = known?.get(`beside|${kind} ${desk.id}`) as { value?: unknown } | undefined
          return [kind, record?.value]
        }),
      )
      const isNew = await to.put(toRaw(bench.current), toRaw(year.pinned), beside, true)
      // It has come back meanwhile: what stands here is told as changed in two tabs.
      const read = await to.get(desk.id)
      desk.revision = isNew && read?.ok ? read.kept.revision : 0
      desk.base = library.lasting ? desk.revision : desk.base
      desk.saved = isNew ? bench.current : null
      desk.savedPin = year.pinned
      state.value = isNew ? settled() : 'keeping'
    })
    if (!isSaved()) void flush()
    else if (library.lasting) journal?.done(desk.id)
    announce(desk.id, desk.revision)
    await refresh()
  }

  /** Settles what was deleted elsewhere by letting it go: another design is opened. */
  async function letDeletedGo(): Promise<void> {
    if (state.value !== 'deleted') return
    journal?.done(desk.id)
    desk = { ...desk, saved: bench.current, savedPin: year.pinned }
    state.value = settled()
    await refresh()
    await openAnother()
  }
  async function openAnother(): Promise<void> {
    const next = list.value.find(k => k.id !== desk.id)
    if (next) await inTurn(() => take(next))
    else await add(DEMOS[0]!)
  }

  /** Before another design is opened: what is unsaved of this one is saved, or stands beside the other tab's. */
  async function leave(): Promise<void> {
    await flush()
    await keepPast()
    if (!isHeld(state.value)) return
    const isChanged = bench.current !== desk.saved || year.pinned !== desk.savedPin
    if (!isChanged) return
    const { name } = bench.current
    if (state.value === 'deleted') await keepDeleted()
    else await keepMineAsCopy()
    notices.tell('info', `“${name}” had been changed elsewhere: what stood here is kept as a design of its own.`)
  }

  /** Brings the list up to date, so that a new name differs from all others. */
  async function settleNames(): Promise<void> {
    await listed
    await refresh()
  }

  /** Adds a design to the list, with what belongs to it, and puts it on the bench. */
  async function add(design: Design, parts: Parts = {}): Promise<void> {
    if (state.value !== 'opening') await leave()
    await settleNames()
    await write(async to => {
      const unique = { ...design, name: isNamed(design.name) ? copyName(design.name) : design.name }
      const { pinned = null, ...beside } = parts
      if (!(await to.put(toRaw(unique), toRaw(pinned), beside))) {
        unique.id = freshId()
        await to.put(toRaw(unique), toRaw(pinned), beside)
      }
      const read = await to.get(unique.id)
      if (read?.ok) await take(read.kept)
    })
    announce(desk.id, desk.revision)
    await refresh()
  }
  async function openDesign(id: string): Promise<boolean> {
    await leave()
    const read = await inTurn(() => library.get(id))
    if (read && !read.ok) {
      notices.tell('error', 'That design cannot be read; it is left as it is, in the list of designs.', {
        lines: read.why,
      })
    }
    if (!read?.ok) return false
    await inTurn(() => take(read.kept))
    await refresh()
    return true
  }

  async function rename(id: string, name: string): Promise<void> {
    const steering = controlIn(name, { lines: false })
    if (steering !== null)
      return void notices.tell(
        'error',
        `It was not renamed: the name holds a character that nobody sees (${steering}).`,
      )
    if (id === desk.id) {
      bench.edit([['name', name]], 'rename')
      await flush()
    } else {
      const done = await write(async to => {
        const read = await to.get(id)
        return read?.ok ? to.save({ ...read.kept.design, name }, read.kept.pinned, read.kept.revision) : null
      })
      if (done?.ok) announce(id, done.revision)
      else notices.tell('error', 'It could not be renamed: it has been changed or deleted in another tab.')
    }
    await refresh()
  }

  async function duplicate(id: string): Promise<void> {
    await flush()
    const read = await inTurn(() => library.get(id))
    if (read?.ok) await add({ ...read.kept.design, id: freshId() })
  }

  /** What was worked out about a design, as it is kept beside it. */
  const studiesOf = async (id: string): Promise<KeptStudies | null> => readStudies(await besideOf(id, 'studies'))
  /** A design's season book as it is kept beside it: raw, as files hold it. */
  const bookOf = (id: string): Promise<unknown> => besideOf(id, 'book')

  /** Changes what stands beside a design, from what lies there at that moment. */
  async function alter<T>(id: string, kind: Beside, make: (raw: unknown) => Altered<T>): Promise<T> {
    writing.value++
    try {
      return await write(to => to.alter(id, kind, make))
    } catch (error) {
      if (error instanceof DesignGone && id === desk.id) hold('deleted', undefined)
      throw error
    } finally {
      writing.value--
    }
  }

  let pastTimer: ReturnType<typeof setTimeout> | undefined
  function keepPastSoon(): void {
    clearTimeout(pastTimer)
    pastTimer = setTimeout(() => void keepPast(), PAST_MS)
  }
  /** Keeps undo and redo of the design on the bench, for after a reload. */
  async function keepPast(): Promise<void> {
    clearTimeout(pastTimer)
    const past = bench.pastToKeep()
    const { id } = desk
    if (!past || taking || state.value === 'opening' || isHeld(state.value)) return
    // Not worth a word when it fails: the design itself is what must be kept.
    await inTurn(() => library.alter(id, 'history', () => ({ value: past, result: null })).catch(() => null))
  }

  /** Everything that is kept: each design with all that belongs to it, and what can't be read. */
  async function everything(): ReturnType<typeof shelf.everything> {
    await Promise.all([flush(), listed])
    return shelf.everything()
  }

  /**
   * Puts a design of a backup back with all that belongs to it: where all of it is there already, nothing is done;
   * where its design is there and something beside it is not, that is filled in; else it goes beside, whole. The bench
   * stays where it is.
   * @param matched designs that others of the same backup were found to be: each is found once
   */
  async function putBack(
    design: Design,
    parts: Parts,
    matched = new Set<string>(),
  ): Promise<'new' | 'filled' | 'there'> {
    await Promise.all([flush(), listed])
    await refresh()
    const { putBackInto } = await import('../keeping/put-back')
    const { how, id, pinsBench } = await write(to => putBackInto(to, shelf, design, parts, desk.id, matched))
    matched.add(id)
    if (pinsBench) void year.pin(parts.pinned ?? null)
    if (how === 'filled') filled.value = { id }
    await refresh()
    return how
  }
  /** Keeps the design on the bench, or one made of it, under a name of its own; the bench stays where it is. */
  async function setAside(design: Design = bench.current): Promise<void> {
    await flush()
    await settleNames()
    await write(to => to.put(asCopy(toRaw(design)), null, {}))
    await refresh()
  }

  /** Takes a design off the list with all that belongs to it; the notice brings it back. */
  async function remove(id: string): Promise<void> {
    await Promise.all([flush(), listed])
    // What stands here against another tab's version is not what is deleted; the last of one that is gone there is.
    if (desk.id === id) {
      await keepDeleted()
      await leave()
    }
    const holding = await write(to => to.remove(id))
    if (!holding) return void refresh()
    announce(id, 'deleted')
    // What was unsaved of it was deleted with it.
    journal?.done(id)
    const { design } = holding.record as KeptDesign
    await refresh()
    if (desk.id === id) {
      desk = { ...desk, saved: bench.current, savedPin: year.pinned }
      await openAnother()
    }
    notices.tell('info', `“${design.name}” is deleted.`, {
      seconds: 30,
      action: { label: 'Undo', run: () => void bringBack(holding) },
    })
  }
  async function bringBack(holding: Holding): Promise<void> {
    await settleNames()
    await write(async to => {
      if (await to.restore(holding)) return
      // One of its id has come since: this one stands beside it.
      const { design, pinned } = holding.record as KeptDesign
      const { book, studies } = holding.beside
      await to.put(asCopy(design), pinned, { book: book?.value, studies: studies?.value })
    })
    announce(holding.id, (holding.record as KeptDesign).revision)
    await refresh()
  }

  return {
    list,
    unreadable,
    filled,
    state,
    lasting,
    isSafe,
    theirs,
    start,
    flush,
    refresh,
    lookForUnreadable,
    discard,
    add,
    openDesign,
    rename,
    duplicate,
    setAside,
    everything,
    putBack,
    putAside: shelf.putAside,
    studiesOf,
    besideOf,
    bookOf,
    alter,
    remove,
    takeTheirs,
    keepMineAsCopy,
    keepDeleted,
    letDeletedGo,
    tryStore,
  }
})
