import type { BackedUp } from '../../formats/backup-json'
import { readStudies, type KeptStudies } from '../../core/study/kept'
import { defineStore } from 'pinia'
import { ref, shallowRef, toRaw, watch } from 'vue'
import { DEMOS, type Design } from '../../core/design'
import type { PackedBook } from '../../core/season/book'
import { documentFaults } from '../../core/editing'
import { freshId, openJournal, type Journal } from '../keeping/journal'
import { isSound, memoryLibrary, openLibrary, type KeptDesign, type Library } from '../keeping/library'
import { useDesign } from './design'
import { useNotices } from './notices'
import { useYear } from './year'

/** Where a design's studies and its season book are kept beside it. */
const studiesKey = (id: string) => `studies ${id}`
const bookKey = (id: string) => `book ${id}`

/** In memory, the store is tried again this often. */
const RETRY_MS = 5000

/**
 * Keeps designs in the browser: each edit at once, the list, and what happens when the store fails or two tabs meet.
 */
export const useKeeping = defineStore('keeping', () => {
  const bench = useDesign()
  const year = useYear()
  const notices = useNotices()
  const list = shallowRef<KeptDesign[]>([])
  const state = ref<'opening' | 'kept' | 'keeping' | 'memory' | 'conflict'>('opening')
  /** The other tab's version while two stand against each other. */
  const theirs = shallowRef<KeptDesign | null>(null)
  let library: Library = memoryLibrary()
  let journal: Journal | null = null
  let revision = 0
  let saved: Design | null = null
  let savedPin: Design | null = null
  let retry: ReturnType<typeof setTimeout> | undefined
  let busy: Promise<void> = Promise.resolve()
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('tierra-designs')

  const isSaved = () => bench.current === saved && year.pinned === savedPin
  const settled = () => (library.lasting ? 'kept' : 'memory')

  let started: Promise<void> | null = null
  /** The first look at the list, which the bench does not wait for. */
  let listed: Promise<void> = Promise.resolve()
  /** Opens the store, then the wanted design or the first demo; once, however often it is asked. */
  const start = (wantedId: string | null): Promise<void> => (started ??= begin(wantedId))

  async function begin(wantedId: string | null): Promise<void> {
    journal = await openJournal()
    try {
      library = await openLibrary()
    } catch {
      goWithoutStore()
    }
    await recover()
    const wanted = wantedId ? await library.get(wantedId) : undefined
    if (wantedId && !wanted)
      notices.tell('warning', 'The design in the address is not kept in this browser; another is opened.')
    // What is wanted goes onto the bench before the list is read.
    let kept = wanted ?? (await library.get(DEMOS[0]!.id))
    if (!kept || !isSound(kept)) {
      await refresh()
      kept = list.value[0]
    }
    if (kept) take(kept)
    else await add(DEMOS[0]!)
    year.request(bench.current)
    state.value = settled()
    listed = refresh()
    // At once, so that what is left within the same moment is on record.
    watch([() => bench.current, () => year.pinned], changed, { flush: 'sync' })
    channel?.addEventListener(
      'message',
      (event: MessageEvent<{ id: string; revision: number }>) => void heard(event.data),
    )
    window.addEventListener('pagehide', () => void flush())
    window.addEventListener('beforeunload', (event: BeforeUnloadEvent) => {
      if (state.value !== 'kept') event.preventDefault()
    })
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden') void flush()
    })
  }

  /** Brings what a page left unsaved into the store: over the version it was built on, or beside a later one. */
  async function recover(): Promise<void> {
    const left = await journal!.left(async id => (await library.get(id))?.design.site.climate)
    for (const { design, pinned, base } of left) {
      if (documentFaults(design).length > 0) continue
      const kept = await library.get(design.id)
      if (kept && JSON.stringify(kept.design) === JSON.stringify(design)) continue
      if ((kept?.revision ?? 0) === base) await library.save(design, pinned, base)
      else {
        list.value = await library.list()
        await library.save({ ...design, id: freshId(), name: copyName(design.name) }, pinned, 0)
        notices.tell(
          'info',
          `What was not saved of “${design.name}” stands beside it as a design of its own: another tab had ` +
            `changed it since.`,
        )
      }
    }
  }

  function goWithoutStore(): void {
    library = memoryLibrary(Date.now, list.value)
    state.value = 'memory'
    notices.tell(
      'error',
      'This browser does not let Tierra keep designs (its store is blocked or full). Work goes on in ' +
        'memory and the store is tried again; export your design before you close the page.',
    )
    clearTimeout(retry)
    retry = setTimeout(() => void tryStore(), RETRY_MS)
  }

  /** Tries the store again; when it has room, everything in memory goes there. */
  async function tryStore(): Promise<void> {
    clearTimeout(retry)
    if (library.lasting) return
    try {
      const store = await openLibrary()
      for (const k of library.changed()) {
        const there = await store.get(k.id)
        if (there && there.revision > k.base)
          await store.save({ ...k.kept.design, id: freshId(), name: copyName(k.kept.design.name) }, k.kept.pinned, 0)
        else await store.save(k.kept.design, k.kept.pinned, there?.revision ?? 0)
      }
      library = store
      const kept = await store.get(bench.current.id)
      revision = kept?.revision ?? 0
      journal?.done(bench.current.id)
      if (state.value === 'memory') state.value = 'kept'
      notices.forget(/does not let Tierra keep designs/)
      notices.tell('info', 'The browser keeps designs again; everything is saved.')
      await refresh()
    } catch {
      retry = setTimeout(() => void tryStore(), RETRY_MS)
    }
  }

  function take(kept: KeptDesign): void {
    revision = kept.revision
    saved = kept.design
    savedPin = kept.pinned
    theirs.value = null
    bench.open(kept.design)
    year.day = null
    void year.pin(kept.pinned)
  }

  /** Something on the bench is another: noted at once, saved as soon as the store is free. */
  function changed(): void {
    if (state.value === 'opening') return
    if (isSaved()) {
      if (state.value === 'keeping') state.value = 'kept'
      journal?.done(bench.current.id)
      return
    }
    journal?.note({ design: toRaw(bench.current), pinned: toRaw(year.pinned), base: revision, at: Date.now() }, saved)
    if (state.value === 'conflict') return
    if (state.value === 'kept') state.value = 'keeping'
    void flush()
  }

  let waiting = false
  /** Saves what is on the bench; while one save is on its way, the next takes the newest. */
  function flush(): Promise<void> {
    if (!waiting) {
      waiting = true
      busy = busy.then(() => {
        waiting = false
        return saveNow()
      })
    }
    return busy
  }

  async function saveNow(): Promise<void> {
    const design = bench.current
    const pinned = year.pinned
    if (state.value === 'conflict' || isSaved()) return
    try {
      const done = await library.save(toRaw(design), toRaw(pinned), revision)
      if (!done.ok) {
        theirs.value = done.theirs ?? null
        state.value = 'conflict'
        return
      }
      revision = done.revision
      saved = design
      savedPin = pinned
      channel?.postMessage({ id: design.id, revision })
      if (!isSaved()) return
      if (library.lasting) journal?.done(design.id)
      state.value = settled()
    } catch {
      goWithoutStore()
      const done = await library.save(toRaw(design), toRaw(pinned), (await library.get(design.id))?.revision ?? 0)
      if (done.ok) revision = done.revision
      saved = design
      savedPin = pinned
    }
  }

  /** Another tab saved a design: when it is this one, nothing is overwritten until a person has chosen. */
  async function heard(message: { id: string; revision: number }): Promise<void> {
    await refresh()
    if (message.id !== bench.current.id || message.revision <= revision || state.value === 'conflict') return
    theirs.value = (await library.get(message.id)) ?? null
    if (!theirs.value) return
    state.value = 'conflict'
  }

  /** Settles a conflict by the other tab's version. */
  function takeTheirs(): void {
    if (!theirs.value) return
    journal?.done(bench.current.id)
    state.value = 'kept'
    take(theirs.value)
  }

  /** Settles a conflict by keeping this tab's version as a design of its own. */
  async function keepMineAsCopy(): Promise<void> {
    const mine = bench.current
    // What stands here goes into the copy; nothing more is to be saved under the old name.
    saved = mine
    savedPin = year.pinned
    state.value = settled()
    await add({ ...mine, id: freshId(), name: copyName(mine.name) })
    journal?.done(mine.id)
  }

  async function refresh(): Promise<void> {
    list.value = (await library.list()).sort((a, b) => b.updatedAt - a.updatedAt)
  }

  /** Adds a design to the list and puts it on the bench. */
  async function add(design: Design): Promise<void> {
    await Promise.all([flush(), listed])
    let unique = design
    if (await library.get(design.id))
      unique = {
        ...design,
        id: freshId(),
        name: list.value.some(k => k.design.name === design.name) ? copyName(design.name) : design.name,
      }
    const save = () => library.save(toRaw(unique), null, 0)
    const done = await save().catch(() => {
      goWithoutStore()
      return save()
    })
    take({ id: unique.id, design: unique, pinned: null, revision: done.ok ? done.revision : 0, updatedAt: Date.now() })
    await refresh()
  }

  async function openDesign(id: string): Promise<boolean> {
    await flush()
    const kept = await library.get(id)
    if (!kept || !isSound(kept)) return false
    take(kept)
    await refresh()
    return true
  }

  async function rename(id: string, name: string): Promise<void> {
    if (id === bench.current.id) {
      bench.edit([['name', name]], 'rename')
      await flush()
    } else {
      const kept = await library.get(id)
      if (kept) await library.save({ ...kept.design, name }, kept.pinned, kept.revision)
    }
    await refresh()
  }

  async function duplicate(id: string): Promise<void> {
    await flush()
    const kept = await library.get(id)
    if (kept) await add({ ...kept.design, id: freshId(), name: copyName(kept.design.name) })
  }

  /** What was worked out about a design, as it is kept beside it; and keeps it. */
  const studiesOf = async (id: string): Promise<KeptStudies | null> =>
    readStudies(await library.getSetting(studiesKey(id)).catch(() => null))
  const keepStudies = (id: string, studies: KeptStudies): Promise<void> =>
    library.setSetting(studiesKey(id), JSON.parse(JSON.stringify(studies))).catch(() => {})

  /** A design's season book as it is kept beside it: raw, as files hold it. */
  const bookOf = (id: string): Promise<unknown> => library.getSetting(bookKey(id)).catch(() => null)
  const keepBook = (id: string, book: PackedBook): Promise<void> =>
    library.setSetting(bookKey(id), JSON.parse(JSON.stringify(book)))

  /** Everything that is kept: each design with its studies and its season book. */
  async function everything(): Promise<BackedUp[]> {
    await Promise.all([flush(), listed])
    const kept = await library.list()
    return Promise.all(
      kept.map(async ({ id, design }) => ({
        design,
        studies: await studiesOf(id),
        book: ((await bookOf(id)) ?? null) as PackedBook | null,
      })),
    )
  }

  /**
   * Puts a design of a backup back: where one of its name is there and says the same, that stays; one that says
   * something else stays too, and the backup's goes beside it. The bench stays where it is.
   * @returns the id under which it is kept; null where it was there already
   */
  async function putBack(design: Design): Promise<string | null> {
    await Promise.all([flush(), listed])
    const there = await library.get(design.id)
    if (there && JSON.stringify(there.design) === JSON.stringify(design)) return null
    const mine = there ? { ...design, id: freshId(), name: copyName(design.name) } : design
    await library.save(mine, null, 0)
    await refresh()
    return mine.id
  }

  /** Keeps the design on the bench, or one made of it, under a name of its own; the bench stays where it is. */
  async function setAside(design: Design = bench.current): Promise<void> {
    await Promise.all([flush(), listed])
    await library.save({ ...toRaw(design), id: freshId(), name: copyName(design.name) }, null, 0)
    await refresh()
  }

  /** Takes a design off the list with all that is kept beside it; the notice brings it back. */
  async function remove(id: string): Promise<void> {
    await Promise.all([flush(), listed])
    const kept = await library.get(id)
    if (!kept) return
    const beside: [key: string, value: unknown][] = []
    for (const key of [studiesKey(id), bookKey(id)]) {
      const value = await library.getSetting(key)
      if (value !== undefined) beside.push([key, value])
    }
    await library.remove(id)
    for (const [key] of beside) await library.removeSetting(key)
    await refresh()
    const back = async () => {
      await library.restore(kept)
      for (const [key, value] of beside) await library.setSetting(key, value)
      await refresh()
    }
    if (bench.current.id === id) {
      if (list.value[0]) take(list.value[0])
      else await add(DEMOS[0]!)
    }
    notices.tell('info', `“${kept.design.name}” is deleted.`, {
      seconds: 15,
      action: { label: 'Undo', run: () => void back() },
    })
  }

  function copyName(name: string): string {
    const plain = name.replace(/ \(\d+\)$/, '').slice(0, 110)
    for (let n = 2; ; n++) if (!list.value.some(k => k.design.name === `${plain} (${n})`)) return `${plain} (${n})`
  }

  return {
    list,
    state,
    theirs,
    start,
    flush,
    refresh,
    add,
    openDesign,
    rename,
    duplicate,
    setAside,
    everything,
    putBack,
    studiesOf,
    keepStudies,
    bookOf,
    keepBook,
    remove,
    takeTheirs,
    keepMineAsCopy,
    tryStore,
  }
})
