import { migrateDesign, type Design } from '../../core/design'

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
}

/** As it is written: a climate that the store holds already is left out, since an hourly one is long. */
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

export interface Journal {
  /** Notes what is unsaved of a design, at once. `held` is the design as the store holds it. */
  note: (unsaved: Unsaved, held: Design | null) => void
  /** The store holds the design now. */
  done: (id: string) => void
  /**
   * What this tab, or one that is no more, has left unsaved; it is taken off the journal. `climateOf` finds a climate
   * that was left out.
   */
  left: (climateOf: (id: string) => Promise<Design['site']['climate'] | undefined>) => Promise<Unsaved[]>
}

/**
 * The journal of this tab, in the browser's synchronous store. Where that is blocked or full it keeps nothing, and says
 * nothing: the store's own state is told.
 */
export async function openJournal(now: () => number = Date.now): Promise<Journal> {
  let tab: string
  try {
    tab = await tabName()
  } catch {
    return { note: () => {}, done: () => {}, left: () => Promise.resolve([]) }
  }
  const key = (id: string) => `${PREFIX}|${tab}|${id}`
  return {
    note({ design, pinned, base, at }, held) {
      const short = held !== null && held.site.climate === design.site.climate
      const written: Written = {
        design: short ? { ...design, site: { ...design.site, climate: undefined } } : design,
        pinned,
        base,
        at,
      }
      try {
        localStorage.setItem(key(design.id), JSON.stringify(written))
      } catch {
        /* full: the store itself is on its way */
      }
    },
    done(id) {
      try {
        localStorage.removeItem(key(id))
      } catch {
        /* blocked */
      }
    },
    async left(climateOf) {
      const open = await openTabs()
      const out: Unsaved[] = []
      for (const name of Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!).filter(k =>
        k.startsWith(`${PREFIX}|`),
      )) {
        const [, writer] = name.split('|')
        const written = readWritten(localStorage.getItem(name))
        if (writer !== tab && (open ? open.has(writer!) : written !== null && now() - written.at < LEFT_BEHIND_MS))
          continue
        localStorage.removeItem(name)
        if (!written) continue
        const { site } = written.design
        const climate = 'climate' in site ? site.climate : await climateOf(written.design.id)
        if (climate)
          out.push({ ...written, design: migrateDesign({ ...written.design, site: { ...site, climate } }) as Design })
      }
      return out
    },
  }
}

function readWritten(text: string | null): Written | null {
  try {
    const written = JSON.parse(text ?? 'null') as Written | null
    return typeof written?.design?.id === 'string' && typeof written.base === 'number' ? written : null
  } catch {
    return null
  }
}

/** An id that no other design has; also where a page is not served securely. */
export function freshId(): string {
  return `${randomName()}${randomName()}`
}
