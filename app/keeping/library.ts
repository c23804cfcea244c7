import { DEMOS, type Design } from '../../core/design'
import { memoryMedium, openBrowserMedium, remembering, type Cells, type Medium, type Place } from './medium'
import {
  BESIDE,
  besideKey,
  nameOf,
  readRecord,
  toKeep,
  type Beside,
  type BesideRecord,
  type Holding,
  type KeptDesign,
  type ReadRecord,
  type Unreadable,
} from './records'

/** Why a save changed nothing: what lies there was saved by somebody else, was taken away, or can't be read. */
export type Refusal = 'changed' | 'deleted' | 'unreadable'
export type Saved = { ok: true; revision: number } | { ok: false; reason: Refusal; theirs: KeptDesign | undefined }

/** Something put aside because it could not be read: its bytes are as they were. */
export interface Aside {
  what: string
  name: string
  of: string | null
  why: string[]
  raw: unknown
}

/** Puts something aside within a transaction. @param at the time, ms */
export const putAsideIn = (cells: Cells, aside: Aside, at: number): Promise<void> =>
  cells.put('aside', freshKey(), { ...aside, at })

/** Nothing is written beside a design that is not there: it would lie in the way of its return. */
export class DesignGone extends Error {
  constructor() {
    super('The design was deleted in another tab')
  }
}

/** What a change of something beside a design comes to. */
export type Altered<T> = { value?: unknown; putAside?: Omit<Aside, 'raw' | 'of' | 'name'>; result: T }

/** Designs with all that belongs to each, over the browser's store or a memory. */
export interface Library {
  readonly medium: Medium
  readonly lasting: boolean
  /** Sound designs, and those that can't be read. */
  list: () => Promise<{ kept: KeptDesign[]; unreadable: Unreadable[] }>
  /** All that can't be read: designs, what stands beside them, and what was put aside. */
  unreadable: () => Promise<Unreadable[]>
  /** One design; undefined where it is not there. Rejects where the store does not answer. */
  get: (id: string) => Promise<ReadRecord | undefined>
  /**
   * Saves a sound design on top of `baseRevision`; says why and changes nothing when someone else saved, or took it
   * away, since. 0 stands for a design not kept yet.
   * @param fromBench it is what stands on this page's bench: only then does it tell what became of the page's edits
   */
  save: (design: Design, pinned: Design | null, baseRevision: number, fromBench?: boolean) => Promise<Saved>
  /** What stands beside a design, as it lies there; undefined for nothing. */
  beside: (id: string, kind: Beside) => Promise<unknown>
  /**
   * Changes what stands beside a design in one transaction, from what lies there at that moment: nobody's write is
   * written over. Without a `value` nothing is written. Rejects with DesignGone where there is no such design.
   */
  alter: <T>(id: string, kind: Beside, make: (raw: unknown) => Altered<T>) => Promise<T>
  /** Puts a whole design in, in one transaction; false, and nothing changes, where one of its id is there. */
  put: (
    design: Design,
    pinned: Design | null,
    beside: Partial<Record<Beside, unknown>>,
    fromBench?: boolean,
  ) => Promise<boolean>
  /** Lays what a design lacks beside it, studies one by one: what is there already stays. */
  fill: (id: string, beside: { book?: unknown; studies?: unknown }) => Promise<void>
  /** Takes a design away with all that belongs to it. */
  remove: (id: string) => Promise<Holding | undefined>
  /** Puts back what was taken away; false where one of its id has come since. */
  restore: (holding: Holding) => Promise<boolean>
  /** Puts something aside that could not be read, such as from a backup. */
  putAside: (aside: Aside) => Promise<void>
  /** Takes away something that can't be read, on a person's word. */
  discard: (its: Unreadable) => Promise<void>
}

/** Opens the browser's store, with the demos in it when it is new. */
export async function openLibrary(now: () => number = Date.now, by?: string): Promise<Library> {
  const medium = remembering(await openBrowserMedium())
  const placed = await medium.get('settings', 'demos-placed').catch(() => true)
  if (!placed)
    await medium.change(async cells => {
      for (const demo of DEMOS)
        if (!(await cells.get('designs', demo.id))) await cells.put('designs', demo.id, toKeep(demo, null, 1, now()))
      await cells.put('settings', 'demos-placed', true)
    })
  return libraryOn(medium, now, by)
}

/** What a browser that has never kept anything would hold, by place and key. */
export const asNew = (now: number): Map<string, unknown> =>
  new Map(DEMOS.map(demo => [`designs|${demo.id}`, toKeep(demo, null, 1, now)]))

/** A library in memory over a store that can't be written, or over none. */
export const memoryLibrary = (
  below: Medium | null = null,
  known: ReadonlyMap<string, unknown> = asNew(Date.now()),
  now: () => number = Date.now,
  by?: string,
): Library => libraryOn(memoryMedium(below, known), now, by)

const freshKey = () => Array.from(crypto.getRandomValues(new Uint8Array(12)), b => b.toString(16)).join('')
const isBeside = (v: unknown): v is BesideRecord => typeof v === 'object' && v !== null && 'revision' in v

export function libraryOn(medium: Medium, now: () => number, by?: string): Library {
  async function besideIn(cells: Pick<Cells, 'get'>, id: string): Promise<Holding['beside']> {
    const out: Holding['beside'] = {}
    for (const kind of BESIDE) {
      const its = await cells.get('beside', besideKey(kind, id))
      if (isBeside(its)) out[kind] = its
    }
    return out
  }
  const setBeside = async (cells: Cells, id: string, kind: Beside, value: unknown): Promise<void> => {
    const before = await cells.get('beside', besideKey(kind, id))
    const revision = (isBeside(before) ? before.revision : 0) + 1
    await cells.put('beside', besideKey(kind, id), { value, revision })
  }
  /** A value, or that the disk has lost it. */
  const look = (place: Place, key: string): Promise<{ raw: unknown; lost: string | null }> =>
    medium.get(place, key).then(
      raw => ({ raw, lost: null }),
      (error: unknown) => ({ raw: undefined, lost: error instanceof Error ? error.message : String(error) }),
    )
  const LOST = 'The disk has lost a file of it'

  async function list(): ReturnType<Library['list']> {
    const out = { kept: [] as KeptDesign[], unreadable: [] as Unreadable[] }
    // Each by itself: one that is lost must not hide the others.
    for (const key of await medium.keys('designs')) {
      const { raw, lost } = await look('designs', key)
      if (raw === undefined && lost === null) continue
      const read: ReadRecord = lost === null ? readRecord(raw) : { ok: false, why: [`${LOST}: ${lost}`] }
      if (read.ok) out.kept.push(read.kept)
      else
        out.unreadable.push({
          place: 'designs',
          key,
          what: 'a design',
          name: nameOf((raw as { design?: unknown } | undefined)?.design),
          why: read.why,
          raw,
          of: key,
        })
    }
    return out
  }

  return {
    medium,
    lasting: medium.lasting,
    list,
    async unreadable() {
      const { kept, unreadable } = await list()
      const names = new Map(kept.map(k => [k.id, k.design.name]))
      const strange = new Map(unreadable.map(u => [u.key, u.name]))
      const { bookTrouble } = await import('./book-trouble')
      for (const key of await medium.keys('beside')) {
        const [kind, id] = [key.slice(0, key.indexOf(' ')), key.slice(key.indexOf(' ') + 1)]
        if (kind === 'history') continue
        const { raw, lost } = await look('beside', key)
        const value = (raw as BesideRecord | undefined)?.value ?? null
        if (value === null && lost === null) continue
        const isAlone = !names.has(id)
        const why =
          lost !== null
            ? [`${LOST}: ${lost}`]
            : isAlone
              ? ['The design that it belongs to cannot be read.']
              : kind === 'book'
                ? bookTrouble(value)
                : []
        const what = kind === 'book' ? 'a season book' : 'studies'
        const name = names.get(id) ?? strange.get(id) ?? ''
        if (why.length > 0) unreadable.push({ place: 'beside', key, what, name, why, raw: value, of: id })
      }
      for (const key of await medium.keys('aside')) {
        const { raw, lost } = await look('aside', key)
        const its = raw as Aside | undefined
        unreadable.push({
          place: 'aside',
          key,
          what: its?.what ?? 'something put aside',
          name: its?.name ?? '',
          why: lost === null ? (its?.why ?? []) : [`${LOST}: ${lost}`],
          raw: its?.raw,
          of: its?.of ?? null,
        })
      }
      return unreadable
    },
    async get(id) {
      const { raw, lost } = await look('designs', id)
      if (lost !== null) return { ok: false, why: [`${LOST}: ${lost}`] }
      return raw === undefined ? undefined : readRecord(raw)
    },
    async save(design, pinned, baseRevision, fromBench = false) {
      const saving = medium.change<Saved>(async cells => {
        const raw = await cells.get('designs', design.id)
        const read = raw === undefined ? undefined : readRecord(raw)
        const there = read?.ok ? read.kept : undefined
        const revision = (raw as { revision?: number } | undefined)?.revision ?? 0
        if (raw !== undefined && !there) return { ok: false, reason: 'unreadable', theirs: undefined }
        if (revision !== baseRevision)
          return { ok: false, reason: raw === undefined ? 'deleted' : 'changed', theirs: there }
        const pin = (raw as { pinned?: unknown } | undefined)?.pinned ?? null
        if (pin !== null && there?.pinned === null)
          await putAsideIn(
            cells,
            {
              what: 'a pinned design',
              name: design.name,
              of: design.id,
              why: ['It could not be read when the design was saved.'],
              raw: pin,
            },
            now(),
          )
        await cells.put('designs', design.id, toKeep(design, pinned, revision + 1, now(), fromBench ? by : undefined))
        return { ok: true, revision: revision + 1 }
      })
      return saving.catch(async (error: unknown): Promise<Saved> => {
        // One file that the disk has lost is no reason to work without the store.
        if ((await look('designs', design.id)).lost === null) throw error
        return { ok: false, reason: 'unreadable', theirs: undefined }
      })
    },
    async beside(id, kind) {
      const its = await medium.get('beside', besideKey(kind, id))
      return isBeside(its) ? its.value : undefined
    },
    alter: (id, kind, make) =>
      medium.change(async cells => {
        const its = await cells.get('beside', besideKey(kind, id))
        const raw = isBeside(its) ? its.value : undefined
        const { value, putAside, result } = make(raw)
        if (value === undefined) return result
        const record = (await cells.get('designs', id)) as { design?: unknown } | undefined
        if (record === undefined) throw new DesignGone()
        if (putAside) {
          await putAsideIn(cells, { ...putAside, of: id, name: nameOf(record?.design), raw }, now())
        }
        await setBeside(cells, id, kind, value)
        return result
      }),
    put: (design, pinned, beside, fromBench = false) =>
      medium.change(async cells => {
        if ((await cells.get('designs', design.id)) !== undefined) return false
        // No count that one of this id, deleted meanwhile, can have had: another tab may still build on it.
        await cells.put('designs', design.id, toKeep(design, pinned, now(), now(), fromBench ? by : undefined))
        for (const [kind, value] of Object.entries(beside))
          if (value !== undefined) await setBeside(cells, design.id, kind as Beside, value)
        return true
      }),
    fill: (id, { book, studies }) =>
      medium.change(async cells => {
        const there = await besideIn(cells, id)
        // A book that was taken back to none is none.
        if (book && (there.book?.value ?? null) === null) await setBeside(cells, id, 'book', book)
        if (studies) await setBeside(cells, id, 'studies', { ...studies, ...(there.studies?.value as object) })
      }),
    remove: id =>
      medium.change(async cells => {
        const record = await cells.get('designs', id)
        const beside = await besideIn(cells, id)
        if (record === undefined) return undefined
        await cells.drop('designs', id)
        for (const kind of BESIDE) await cells.drop('beside', besideKey(kind, id))
        return { id, record, beside }
      }),
    restore: ({ id, record, beside }) =>
      medium.change(async cells => {
        if ((await cells.get('designs', id)) !== undefined) return false
        await cells.put('designs', id, record)
        for (const [kind, its] of Object.entries(beside)) await cells.put('beside', besideKey(kind as Beside, id), its)
        return true
      }),
    putAside: aside => medium.change(cells => putAsideIn(cells, aside, now())),
    discard: ({ place, key }) =>
      medium.change(async cells => {
        if (place !== 'journal') await cells.drop(place, key)
      }),
  }
}
