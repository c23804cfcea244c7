import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { DEMOS, migrateDesign, SCHEMA_VERSION, type Design } from '../../core/design'
import { documentFaults } from '../../core/editing'

/** A design as it is kept, with the count of its saves: two tabs tell by it who was first. */
export interface KeptDesign {
  id: string
  design: Design
  pinned: Design | null
  revision: number
  updatedAt: number
  /** The schema in which it was found sound: by it a design is not checked again each time that it is read. */
  soundIn?: number
}

interface Schema extends DBSchema {
  designs: { key: string; value: KeptDesign }
  settings: { key: string; value: unknown }
}

/** Where designs are kept. The browser's store, or memory when it is blocked or full. */
export interface Library {
  /** false when nothing outlives this page. */
  lasting: boolean
  list: () => Promise<KeptDesign[]>
  get: (id: string) => Promise<KeptDesign | undefined>
  /**
   * Saves a sound design on top of `baseRevision`; says `conflict` and changes nothing when someone else saved since. 0
   * stands for a design not kept yet.
   */
  save: (
    design: Design,
    pinned: Design | null,
    baseRevision: number,
  ) => Promise<{ ok: true; revision: number } | { ok: false; reason: 'conflict'; theirs: KeptDesign | undefined }>
  remove: (id: string) => Promise<void>
  restore: (kept: KeptDesign) => Promise<void>
  getSetting: (key: string) => Promise<unknown>
  setSetting: (key: string, value: unknown) => Promise<void>
  removeSetting: (key: string) => Promise<void>
  /**
   * Of a memory: the designs that are other than they were at its start, with the revision that they began from;
   * nothing of a lasting store.
   */
  changed: () => { id: string; kept: KeptDesign; base: number }[]
}

const NAME = 'tierra'

const OPEN_WITHIN_MS = 4000

/** Opens the browser's store. Rejects when it is blocked or does not answer. */
export async function openLibrary(now: () => number = Date.now): Promise<Library> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('The store does not answer.')), OPEN_WITHIN_MS)
  })
  return Promise.race([openIndexed(now), late]).finally(() => clearTimeout(timer))
}

async function openIndexed(now: () => number): Promise<Library> {
  const db = await openDB<Schema>(NAME, 1, {
    upgrade(database) {
      database.createObjectStore('designs', { keyPath: 'id' })
      database.createObjectStore('settings')
    },
    // Another tab wants to change or clear the store: let go, and let the next save say what happened.
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
  })
  const library = indexedLibrary(db, now)
  if (!(await library.getSetting('demos-placed'))) {
    const tx = db.transaction(['designs', 'settings'], 'readwrite')
    for (const demo of DEMOS)
      if (!(await tx.objectStore('designs').get(demo.id)))
        void tx.objectStore('designs').put(toKeep(demo, null, 1, now()))
    void tx.objectStore('settings').put(true, 'demos-placed')
    await tx.done
  }
  return library
}

/** Whether a kept design can be worked with: as it was found when it was saved in this schema, else checked now. */
export const isSound = ({ design, soundIn }: KeptDesign): boolean =>
  soundIn === SCHEMA_VERSION || documentFaults(design).length === 0

/** A sound design as it is kept. */
const toKeep = (design: Design, pinned: Design | null, revision: number, updatedAt: number): KeptDesign => ({
  id: design.id,
  design,
  pinned,
  revision,
  updatedAt,
  soundIn: SCHEMA_VERSION,
})

/** What was kept by an earlier version, in this one's schema. */
function broughtForward(kept: KeptDesign): KeptDesign {
  return { ...kept, design: migrateDesign(kept.design) as Design, pinned: migrateDesign(kept.pinned) as Design | null }
}

function indexedLibrary(db: IDBPDatabase<Schema>, now: () => number): Library {
  return {
    lasting: true,
    async list() {
      // What cannot be read any more is left in place, unlisted, rather than breaking the list.
      return (await db.getAll('designs')).map(broughtForward).filter(isSound)
    },
    async get(id) {
      const kept = await db.get('designs', id)
      return kept && broughtForward(kept)
    },
    async save(design, pinned, baseRevision) {
      // Strict: what is said to be kept has reached the disk.
      const tx = db.transaction('designs', 'readwrite', { durability: 'strict' })
      const theirs = await tx.store.get(design.id)
      if ((theirs?.revision ?? 0) !== baseRevision) {
        await tx.done
        return { ok: false, reason: 'conflict', theirs }
      }
      const revision = baseRevision + 1
      await tx.store.put(toKeep(design, pinned, revision, now()))
      await tx.done
      return { ok: true, revision }
    },
    remove: id => db.delete('designs', id),
    async restore(kept) {
      await db.put('designs', kept)
    },
    getSetting: key => db.get('settings', key),
    async setSetting(key, value) {
      await db.put('settings', value, key)
    },
    removeSetting: key => db.delete('settings', key),
    changed: () => [],
  }
}

/**
 * A library in memory: for browsers whose store is blocked or full. It begins with what is already at hand, or with the
 * demos.
 */
export function memoryLibrary(now: () => number = Date.now, atHand: readonly KeptDesign[] = []): Library {
  const start = atHand.length > 0 ? atHand : DEMOS.map(design => toKeep(design, null, 1, now()))
  const designs = new Map<string, KeptDesign>(start.map(k => [k.id, k]))
  const first = new Map(designs)
  const settings = new Map<string, unknown>()
  return {
    lasting: false,
    list: () => Promise.resolve([...designs.values()]),
    get: id => Promise.resolve(designs.get(id)),
    save(design, pinned, baseRevision) {
      const theirs = designs.get(design.id)
      if ((theirs?.revision ?? 0) !== baseRevision)
        return Promise.resolve({ ok: false as const, reason: 'conflict' as const, theirs })
      const revision = baseRevision + 1
      designs.set(design.id, toKeep(design, pinned, revision, now()))
      return Promise.resolve({ ok: true as const, revision })
    },
    remove: id => {
      designs.delete(id)
      return Promise.resolve()
    },
    restore: kept => {
      designs.set(kept.id, kept)
      return Promise.resolve()
    },
    getSetting: key => Promise.resolve(settings.get(key)),
    setSetting: (key, value) => {
      settings.set(key, value)
      return Promise.resolve()
    },
    removeSetting: key => {
      settings.delete(key)
      return Promise.resolve()
    },
    changed: () =>
      [...designs.values()]
        .filter(k => first.get(k.id) !== k)
        .map(kept => ({ id: kept.id, kept, base: first.get(kept.id)?.revision ?? 0 })),
  }
}
