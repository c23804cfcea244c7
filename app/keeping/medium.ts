import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** Where things are kept: designs, what stands beside each, what was put aside because it can't be read, settings. */
export const PLACES = ['designs', 'beside', 'aside', 'settings'] as const
export type Place = (typeof PLACES)[number]

/** What a transaction may do. It awaits nothing else, or the browser ends it. */
export interface Cells {
  get: (place: Place, key: string) => Promise<unknown>
  put: (place: Place, key: string, value: unknown) => Promise<void>
  drop: (place: Place, key: string) => Promise<void>
}

/** Keeps values by place and key. It knows nothing of designs. */
export interface Medium {
  /** false when nothing outlives this page. */
  readonly lasting: boolean
  keys: (place: Place) => Promise<string[]>
  /** A value; undefined where there is none. Rejects where it is there and its file on the disk is not. */
  get: (place: Place, key: string) => Promise<unknown>
  /** One transaction: all that the work does is done, or nothing of it. */
  change: <T>(work: (cells: Cells) => Promise<T>) => Promise<T>
}

interface Schema extends DBSchema {
  designs: { key: string; value: { id: string } }
  beside: { key: string; value: unknown }
  aside: { key: string; value: unknown }
  settings: { key: string; value: unknown }
}

const NAME = 'tierra'
const VERSION = 2

/** The browser's store. Rejects where it is blocked; a store that is slow is waited for. */
export async function openBrowserMedium(): Promise<Medium> {
  const db = await openDB<Schema>(NAME, VERSION, {
    async upgrade(database, from, _to, tx) {
      if (from < 1) {
        database.createObjectStore('designs', { keyPath: 'id' })
        database.createObjectStore('settings')
      }
      if (from < 2) {
        const beside = database.createObjectStore('beside')
        database.createObjectStore('aside')
        // Version 1 had season books and studies among the settings.
        const settings = tx.objectStore('settings')
        for (const key of await settings.getAllKeys())
          if (/^(book|studies) /.test(key)) {
            await beside.put({ value: await settings.get(key), revision: 1 }, key)
            await settings.delete(key)
          }
      }
    },
    // Another tab wants to change or clear the store: let go, and let the next save say what happened.
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
  })
  return browserMedium(db)
}

function browserMedium(db: IDBPDatabase<Schema>): Medium {
  return {
    lasting: true,
    keys: place => db.getAllKeys(place),
    get: (place, key) => db.get(place, key),
    async change(work) {
      // Strict: “kept” is shown only for what has reached the disk.
      const tx = db.transaction([...PLACES], 'readwrite', { durability: 'strict' })
      try {
        const result = await work({
          get: (place, key) => tx.objectStore(place).get(key),
          async put(place, key, value) {
            if (place === 'designs') await tx.objectStore('designs').put(value as { id: string })
            else await tx.objectStore(place).put(value, key)
          },
          drop: (place, key) => tx.objectStore(place).delete(key),
        })
        await tx.done
        return result
      } catch (error) {
        // Nothing of a change that failed is left; its own end is not waited for.
        tx.done.catch(() => {})
        try {
          tx.abort()
        } catch {
          /* it has ended already */
        }
        throw error
      }
    },
  }
}

/** One value of a memory that is not what lies below it. */
export interface Difference {
  place: Place
  key: string
  /** undefined: it was taken away. */
  value: unknown
  /** What lay below when it was first changed; undefined: nothing, or nobody could tell. */
  below: unknown
  /** The store has it by now. */
  laid?: boolean
}

export interface MemoryMedium extends Medium {
  /** All that differs from what lies below, to be laid on the store once it has room. */
  differences: () => Difference[]
}

/**
 * A memory over a store that cannot be written: what is not in it is read from the store as long as that can be read,
 * else from what was known of it.
 * @param below the store; null where it never answered
 * @param known what was read of the store so far, by place and key
 */
export function memoryMedium(below: Medium | null, known: ReadonlyMap<string, unknown> = new Map()): MemoryMedium {
  const cell = (place: Place, key: string) => `${place}|${key}`
  const mine = new Map<string, Difference>()
  const under = async (place: Place, key: string): Promise<unknown> => {
    const remembered = known.get(cell(place, key))
    return below ? await below.get(place, key).catch(() => remembered) : remembered
  }
  const get = async (place: Place, key: string): Promise<unknown> => {
    const its = mine.get(cell(place, key))
    return its ? its.value : under(place, key)
  }
  let last: Promise<unknown> = Promise.resolve()
  return {
    lasting: false,
    async keys(place) {
      const start = `${place}|`
      const remembered = [...known.keys()].filter(k => k.startsWith(start)).map(k => k.slice(start.length))
      const all = new Set(below ? await below.keys(place).catch(() => remembered) : remembered)
      for (const d of mine.values())
        if (d.place === place) {
          if (d.value === undefined) all.delete(d.key)
          else all.add(d.key)
        }
      return [...all]
    },
    get,
    change(work) {
      const done = last.then(async () => {
        const draft = new Map<string, Difference>()
        const set = async (place: Place, key: string, value: unknown) => {
          const at = cell(place, key)
          const below = mine.has(at) ? mine.get(at)!.below : await under(place, key)
          draft.set(at, { place, key, value, below })
        }
        const result = await work({
          get: (place, key) => {
            const its = draft.get(cell(place, key))
            return its ? Promise.resolve(its.value) : get(place, key)
          },
          put: (place, key, value) => set(place, key, structuredClone(value)),
          drop: (place, key) => set(place, key, undefined),
        })
        for (const [at, difference] of draft) mine.set(at, difference)
        return result
      })
      last = done.catch(() => undefined)
      return done
    },
    differences: () => [...mine.values()],
  }
}

/** A medium that remembers what it read and wrote, for when it can't be read any more. */
export function remembering(medium: Medium): Medium & { known: ReadonlyMap<string, unknown> } {
  const known = new Map<string, unknown>()
  const learn = (place: Place, key: string, value: unknown) => {
    if (value === undefined) known.delete(`${place}|${key}`)
    else known.set(`${place}|${key}`, value)
  }
  return {
    lasting: medium.lasting,
    known,
    keys: medium.keys,
    async get(place, key) {
      const value = await medium.get(place, key)
      learn(place, key, value)
      return value
    },
    async change(work) {
      const written: [Place, string, unknown][] = []
      const result = await medium.change(cells =>
        work({
          async get(place, key) {
            const value = await cells.get(place, key)
            learn(place, key, value)
            return value
          },
          put(place, key, value) {
            written.push([place, key, value])
            return cells.put(place, key, value)
          },
          drop(place, key) {
            written.push([place, key, undefined])
            return cells.drop(place, key)
          },
        }),
      )
      for (const each of written) learn(...each)
      return result
    },
  }
}
