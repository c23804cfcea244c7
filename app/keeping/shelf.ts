import { shallowRef } from 'vue'
import type { BackedUp } from '../../formats/backup-json'
import type { Design } from '../../core/design'
import { freshId, type LeftBehind } from './journal'
import type { Library } from './library'
import type { Beside, KeptDesign, Unreadable } from './records'

/** What the shelf needs of who keeps: the library as it is at the moment, and ways to read and write in turn. */
interface Keeper {
  library: () => Library
  inTurn: <T>(work: () => Promise<T>) => Promise<T>
  write: <T>(work: (to: Library) => Promise<T>) => Promise<T>
}

/** The list of what is kept: designs and their names, what can't be read, and all of it for a backup. */
export function makeShelf({ library, inTurn, write }: Keeper) {
  const list = shallowRef<KeptDesign[]>([])
  /** What is kept and can't be read. */
  const unreadable = shallowRef<Unreadable[]>([])
  /** What an earlier page left unsaved and can't be read. */
  let unsafe: Extract<LeftBehind, { ok: false }>[] = []

  const show = (kept: KeptDesign[]) => (list.value = kept.sort((a, b) => b.updatedAt - a.updatedAt))
  async function refresh(): Promise<void> {
    try {
      const found = await library().list()
      show(found.kept)
      unreadable.value = [...fromJournal(), ...found.unreadable]
    } catch {
      // The store does not answer: what is known of it stays listed.
    }
  }
  /** The list of a library that is about to be used: new names differ from those in it. */
  const namesOf = async (store: Library): Promise<unknown> => show((await store.list()).kept)

  const leftBehind = (entries: typeof unsafe) => (unsafe = entries)
  const fromJournal = (): Unreadable[] =>
    unsafe.map(({ key, name, why, raw }) => ({
      place: 'journal',
      key,
      what: 'work that was not saved',
      name,
      why,
      raw,
      of: null,
    }))
  /** Looks for all that can't be read, also beside designs and put aside. */
  async function lookForUnreadable(): Promise<void> {
    const found = await inTurn(() =>
      library()
        .unreadable()
        .catch(() => []),
    )
    unreadable.value = [...fromJournal(), ...found]
  }
  /** Takes away something that can't be read, on a person's word. */
  async function discard(its: Unreadable): Promise<void> {
    if (its.place === 'journal') {
      localStorage.removeItem(its.key)
      unsafe = unsafe.filter(entry => entry.key !== its.key)
    } else await write(to => to.discard(its))
    await lookForUnreadable()
  }
  /** Puts something of a backup that can't be read where such things are listed; once. */
  async function putAside(its: { what: string; name: string; why: string[]; raw: unknown }): Promise<void> {
    await lookForUnreadable()
    const text = JSON.stringify(its.raw)
    if (unreadable.value.some(u => JSON.stringify(u.raw) === text)) return
    await write(to => to.putAside({ ...its, of: null }))
    await lookForUnreadable()
  }

  /** What stands beside a design, as it lies there; undefined for nothing. */
  const besideOf = (id: string, kind: Beside): Promise<unknown> =>
    inTurn(() =>
      library()
        .beside(id, kind)
        .catch(() => undefined),
    )
  /** Everything that is kept: each design with all that belongs to it, and what can't be read. */
  async function everything(): Promise<{ designs: BackedUp[]; unreadable: Unreadable[] }> {
    await lookForUnreadable()
    const { kept } = await inTurn(() => library().list())
    const { bookTrouble } = await import('./book-trouble')
    const designs: BackedUp[] = []
    for (const { id, design, pinned } of kept) {
      const book = await besideOf(id, 'book')
      // A book that can't be read goes with what can't be read.
      const isSound = book === undefined || book === null || bookTrouble(book).length === 0
      designs.push({ design, pinned, studies: await besideOf(id, 'studies'), book: isSound ? book : null })
    }
    return { designs, unreadable: unreadable.value }
  }

  const isNamed = (name: string): boolean => list.value.some(k => k.design.name === name)
  /** A name that no design of the list has: with the next number behind it. */
  function copyName(name: string): string {
    const plain = name.replace(/ \(\d+\)$/, '').slice(0, 110)
    for (let n = 2; ; n++) if (!isNamed(`${plain} (${n})`)) return `${plain} (${n})`
  }
  /** A design under an id and a name of its own. */
  const asCopy = (design: Design): Design => ({ ...design, id: freshId(), name: copyName(design.name) })

  return {
    list,
    unreadable,
    refresh,
    namesOf,
    leftBehind,
    lookForUnreadable,
    discard,
    putAside,
    besideOf,
    everything,
    isNamed,
    copyName,
    asCopy,
  }
}
export type Shelf = ReturnType<typeof makeShelf>
