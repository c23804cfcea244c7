import { type Design } from '../../core/design'
import { faultLine } from '../../core/design/validate'
import { broughtForward, documentFaults } from '../../core/editing'
import { nameOf } from './records'

/**
 * A design as it stood at an edit that the store does not hold yet. Written at once, it outlives a page that is left
 * before the store has answered.
 */
export interface Unsaved {
  design: Design
  pinned: Design | null
  /** The revision that it was built on. */
  base: number
  at: number
  /** The page that wrote it: one load of it in one tab. */
  page: string
}

/** As it is written: an hourly climate that the store holds already is left out, since it is long. */
interface Written extends Omit<Unsaved, 'design'> {
  design: Design | (Omit<Design, 'site'> & { site: Omit<Design['site'], 'climate'> })
}

const PREFIX = 'tierra-unsaved'
const TAB = 'tierra-tab'
/** Without locks, what another tab wrote counts as left behind after this long, ms. */
const LEFT_BEHIND_MS = 30_000

/** A short random name. */
const randomName = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(8)), b => b.toString(16).padStart(2, '0')).join('')

/** This tab's name, which stays through reloads; two tabs never have the same while the browser has locks. */
async function tabName(): Promise<string> {
  const kept = sessionStorage.getItem(TAB)
  for (const name of kept === null ? [randomName()] : [kept, randomName()]) {
    if (await hold(name)) {
      sessionStorage.setItem(TAB, name)
      return name
    }
  }
  return randomName()
}

/** Holds a name for as long as the page lives; false when another tab does. */
function hold(name: string): Promise<boolean> {
  const locks = globalThis.navigator?.locks
  if (!locks) return Promise.resolve(true)
  return new Promise(resolve => {
    void locks.request(`${TAB}-${name}`, { ifAvailable: true }, lock => {
      resolve(lock !== null)
      return lock === null ? undefined : new Promise<void>(() => {})
    })
  })
}

/** Tabs that are open, by name; null where the browser can't tell. */
async function openTabs(): Promise<Set<string> | null> {
  const locks = globalThis.navigator?.locks
  if (!locks) return null
  const held = (await locks.query()).held ?? []
  return new Set(held.flatMap(l => (l.name?.startsWith(`${TAB}-`) ? [l.name.slice(TAB.length + 1)] : [])))
}

/** What a page left behind: sound, or why it can't be read. Its bytes stay until it is let go. */
export type LeftBehind = { key: string; letGo: () => void } & (
  | { ok: true; unsaved: Unsaved }
  | { ok: false; name: string; why: string[]; raw: string }
)

export interface Journal {
  /** The name of this load of the page. */
  readonly page: string
  /** Notes what is unsaved of a design, at once. `held` is the design as the store holds it. */
  note: (unsaved: Omit<Unsaved, 'page'>, held: Design | null) => void
  /** The store holds the design now, or all that this page noted. */
  done: (id?: string) => void
  /**
   * What this tab, or one that is no more, has left unsaved. Each stays on the journal until it is let go, once it is
   * safe elsewhere. `climateOf` finds a climate that was left out.
   */
  left: (climateOf: (id: string) => Promise<Design['site']['climate'] | undefined>) => Promise<LeftBehind[]>
}

/**
 * The journal of this tab, in the browser's synchronous store. Where that is blocked or full it keeps nothing, and says
 * nothing: the store's own state is told.
 */
export async function openJournal(now: () => number = Date.now): Promise<Journal> {
  const page = randomName()
  let tab: string
  try {
    tab = await tabName()
  } catch {
    return { page, note: () => {}, done: () => {}, left: () => Promise.resolve([]) }
  }
  // Of this load of the page: what an earlier one left stays until it is let go.
  const keyOf = (id: string) => `${PREFIX}|${tab}|${page}|${id}`
  const forget = (key: string) => {
    try {
      localStorage.removeItem(key)
    } catch {
      /* blocked */
    }
  }
  return {
    page,
    note({ design, pinned, base, at }, held) {
      const { climate } = design.site
      const short = climate.kind === 'hourly' && held?.site.climate === climate
      const written: Written = {
        design: short ? { ...design, site: { ...design.site, climate: undefined } } : design,
        pinned,
        base,
        at,
        page,
      }
      try {
        localStorage.setItem(keyOf(design.id), JSON.stringify(written))
      } catch {
        // Full: an older state must not be found in its place. The store itself is on its way.
        forget(keyOf(design.id))
      }
    },
    done(id) {
      if (id !== undefined) return forget(keyOf(id))
      for (const key of keysLike(`${PREFIX}|${tab}|${page}|`)) forget(key)
    },
    async left(climateOf) {
      const open = await openTabs()
      const out: LeftBehind[] = []
      for (const key of keysLike(`${PREFIX}|`)) {
        const writer = key.split('|')[1]!
        const raw = localStorage.getItem(key) ?? ''
        const read = await readEntry(raw, climateOf)
        const isRecent = read.ok && now() - read.unsaved.at < LEFT_BEHIND_MS
        if (writer !== tab && (open ? open.has(writer) : isRecent)) continue
        out.push({ key, letGo: () => forget(key), ...read })
      }
      return out
    },
  }
}

const keysLike = (start: string): string[] =>
  Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!).filter(k => k.startsWith(start))

type ReadEntry = { ok: true; unsaved: Unsaved } | { ok: false; name: string; why: string[]; raw: string }

/** One entry of a journal. Never throws: a damaged one is told, and is in the way of none. */
async function readEntry(
  raw: string,
  climateOf: (id: string) => Promise<Design['site']['climate'] | undefined>,
): Promise<ReadEntry> {
  let written: Written | null = null
  const no = (...why: string[]): ReadEntry => ({ ok: false, name: nameOf(written?.design), why, raw })
  try {
    written = JSON.parse(raw) as Written | null
    if (typeof written?.design?.id !== 'string' || typeof written.base !== 'number') return no('It is no entry.')
    const { site } = written.design
    const climate = 'climate' in site ? site.climate : await climateOf(written.design.id)
    if (!climate) return no('Its hourly weather stood in a design that is not there any more.')
    const design = broughtForward({ ...written.design, site: { ...site, climate } }) as Design
    const faults = documentFaults(design)
    if (faults.length > 0) return no(...faults.slice(0, 5).map(faultLine))
    return { ok: true, unsaved: { ...written, design } }
  } catch (error) {
    return no(error instanceof Error ? error.message : String(error))
  }
}

/** An id that no other design has; also where a page is not served securely. */
export function freshId(): string {
  return `${randomName()}${randomName()}`
}
