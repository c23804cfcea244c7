import { defineStore } from 'pinia'
import { ref, shallowRef, toRaw, watch } from 'vue'
import { DEMOS, documentFaults, type Design } from '../../core/design'
import { memoryLibrary, openLibrary, type KeptDesign, type Library } from '../keeping/library'
import { useDesign } from './design'
import { useNotices } from './notices'
import { useYear } from './year'

const AUTOSAVE_MS = 400

/** Keeps designs in the browser: autosave, the list, and what happens when the store fails or two tabs meet. */
export const useKeeping = defineStore('keeping', () => {
  const bench = useDesign()
  const year = useYear()
  const notices = useNotices()
  const list = shallowRef<KeptDesign[]>([])
  const state = ref<'opening' | 'kept' | 'keeping' | 'memory' | 'conflict'>('opening')
  /** The other tab's version while two stand against each other. */
  const theirs = shallowRef<KeptDesign | null>(null)
  let library: Library = memoryLibrary()
  let revision = 0
  let saved: Design | null = null
  let savedPin: Design | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let busy: Promise<void> = Promise.resolve()
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('tierra-designs')

  /** Opens the store, then the wanted design or the first demo. */
  async function start(wantedId: string | null): Promise<void> {
    try {
      library = await openLibrary()
    }
    catch { goWithoutStore() }
    await refresh()
    const kept = (wantedId ? await library.get(wantedId) : undefined) ?? list.value.find(k => k.id === DEMOS[0]!.id) ?? list.value[0]
    if (kept && documentFaults(kept.design).length === 0) take(kept)
    else await add(DEMOS[0]!)
    state.value = library.lasting ? 'kept' : 'memory'
    watch([() => bench.current, () => year.pinned], schedule)
    channel?.addEventListener('message', (event: MessageEvent<{ id: string, revision: number }>) => void heard(event.data))
    window.addEventListener('pagehide', () => void flush())
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden') void flush()
    })
  }

  function goWithoutStore(): void {
    library = memoryLibrary(Date.now, list.value)
    state.value = 'memory'
    notices.tell('error', 'This browser does not let Tierra keep designs (its store is blocked or full). Work goes on in memory; export your design before you close the page.')
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

  function schedule(): void {
    if (state.value === 'conflict' || state.value === 'opening') return
    if (bench.current === saved && year.pinned === savedPin) return
    if (state.value === 'kept') state.value = 'keeping'
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), AUTOSAVE_MS)
  }

  /** Saves what is on the bench now. */
  function flush(): Promise<void> {
    clearTimeout(timer)
    busy = busy.then(saveNow)
    return busy
  }

  async function saveNow(): Promise<void> {
    const design = bench.current
    const pinned = year.pinned
    if (state.value === 'conflict' || (design === saved && pinned === savedPin)) return
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
      state.value = library.lasting ? 'kept' : 'memory'
    }
    catch {
      goWithoutStore()
      await library.save(toRaw(design), toRaw(pinned), (await library.get(design.id))?.revision ?? 0).then((d) => { if (d.ok) revision = d.revision })
      saved = design
      savedPin = pinned
    }
  }

  /** Another tab saved a design: when it is this one, nothing is overwritten until a person has chosen. */
  async function heard(message: { id: string, revision: number }): Promise<void> {
    await refresh()
    if (message.id !== bench.current.id || message.revision <= revision || state.value === 'conflict') return
    theirs.value = (await library.get(message.id)) ?? null
    if (!theirs.value) return
    clearTimeout(timer)
    state.value = 'conflict'
  }

  /** Settles a conflict by the other tab's version. */
  function takeTheirs(): void {
    if (!theirs.value) return
    state.value = 'kept'
    take(theirs.value)
  }

  /** Settles a conflict by keeping this tab's version as a design of its own. */
  async function keepMineAsCopy(): Promise<void> {
    const mine = bench.current
    // What stands here goes into the copy; nothing more is to be saved under the old name.
    saved = mine
    savedPin = year.pinned
    state.value = library.lasting ? 'kept' : 'memory'
    await add({ ...mine, id: freshId(), name: copyName(mine.name) })
  }

  async function refresh(): Promise<void> {
    list.value = (await library.list()).sort((a, b) => b.updatedAt - a.updatedAt)
  }

  /** Adds a design to the list and puts it on the bench. */
  async function add(design: Design): Promise<void> {
    await flush()
    let unique = design
    if (await library.get(design.id)) unique = { ...design, id: freshId(), name: list.value.some(k => k.design.name === design.name) ? copyName(design.name) : design.name }
    try {
      const done = await library.save(toRaw(unique), null, 0)
      take({ id: unique.id, design: unique, pinned: null, revision: done.ok ? done.revision : 0, updatedAt: Date.now() })
    }
    catch {
      goWithoutStore()
      const done = await library.save(toRaw(unique), null, 0)
      take({ id: unique.id, design: unique, pinned: null, revision: done.ok ? done.revision : 0, updatedAt: Date.now() })
    }
    await refresh()
  }

  async function openDesign(id: string): Promise<boolean> {
    await flush()
    const kept = await library.get(id)
    if (!kept) return false
    take(kept)
    await refresh()
    return true
  }

  async function rename(id: string, name: string): Promise<void> {
    if (id === bench.current.id) {
      bench.edit([['name', name]], 'rename')
      await flush()
    }
    else {
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

  /** Takes a design off the list; the notice brings it back. */
  async function remove(id: string): Promise<void> {
    await flush()
    const kept = await library.get(id)
    if (!kept) return
    await library.remove(id)
    await refresh()
    if (bench.current.id === id) {
      if (list.value[0]) take(list.value[0])
      else await add(DEMOS[0]!)
    }
    notices.tell('info', `“${kept.design.name}” is deleted.`, {
      seconds: 15,
      action: {
        label: 'Undo',
        run: () => void library.restore(kept).then(refresh),
      },
    })
  }

  function copyName(name: string): string {
    const plain = name.replace(/ \(\d+\)$/, '').slice(0, 110)
    for (let n = 2; ; n++) if (!list.value.some(k => k.design.name === `${plain} (${n})`)) return `${plain} (${n})`
  }

  return { list, state, theirs, start, flush, refresh, add, openDesign, rename, duplicate, remove, takeTheirs, keepMineAsCopy }
})

/** An id that no other design has. */
export function freshId(): string {
  return crypto.randomUUID()
}
