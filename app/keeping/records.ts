import { SCHEMA_VERSION, type Design } from '../../core/design'
import { faultLine } from '../../core/design/validate'
import { broughtForward, documentFaults } from '../../core/editing'
import { withoutControls } from '../../core/text/control'
import type { Place } from './medium'

/** A design as it is kept, with the count of its saves: two tabs tell by it who was first. */
export interface KeptDesign {
  id: string
  design: Design
  pinned: Design | null
  revision: number
  updatedAt: number
  /** The load of the page whose bench saved it last; none where something else wrote it, such as a restore. */
  by?: string
  /** The schema in which it was found sound: by it a design is not checked again each time that it is read. */
  soundIn?: number
}

/** What stands beside a design, each under a key of its own. */
export const BESIDE = ['book', 'studies', 'history'] as const
export type Beside = (typeof BESIDE)[number]
export const besideKey = (kind: Beside, id: string): string => `${kind} ${id}`

/** A value that stands beside a design, with the count of its writes. */
export interface BesideRecord {
  value: unknown
  revision: number
}

/** All that belongs to one design, as it lies in the store. */
export interface Holding {
  id: string
  /** Its record; undefined where the design is gone and something stands beside it still. */
  record: unknown
  beside: Partial<Record<Beside, BesideRecord>>
}

/** Something that is kept and cannot be read: listed apart, its bytes as they are, saved as a file by a press. */
export interface Unreadable {
  place: Place | 'journal'
  key: string
  /** What it is, in words: a design, the season book of one, … */
  what: string
  name: string
  why: string[]
  /** As it lies there; undefined where the disk has lost it. */
  raw: unknown
  /** The design that it belongs to. */
  of: string | null
}

const isTree = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)

/** What a design is called as far as that can be read. */
export const nameOf = (design: unknown): string =>
  isTree(design) && typeof design.name === 'string' && design.name.trim() !== '' ? design.name : 'without a name'

export type ReadRecord = { ok: true; kept: KeptDesign } | { ok: false; why: string[] }

/** A design's record out of the store, brought forward to this version. Never throws. */
export function readRecord(raw: unknown): ReadRecord {
  const no = (...why: string[]): ReadRecord => ({ ok: false, why })
  if (!isTree(raw) || typeof raw.id !== 'string') return no('It is not a record of a design.')
  if (typeof raw.revision !== 'number') return no('Its count of saves is missing.')
  try {
    // Texts of an earlier version may hold what is refused by now.
    const design = withoutControls(broughtForward(raw.design), false)
    const isKnown = raw.soundIn === SCHEMA_VERSION && isTree(design) && design.schemaVersion === SCHEMA_VERSION
    if (!isKnown || design !== raw.design) {
      const faults = documentFaults(design)
      if (faults.length > 0) return no(...faults.slice(0, 5).map(faultLine))
    }
    const pin = broughtForward(raw.pinned ?? null)
    const isSound = (raw.soundIn === SCHEMA_VERSION && pin === raw.pinned) || documentFaults(pin).length === 0
    // A pin that can't be read is in the way of nothing; the next save puts it aside.
    const pinned = pin !== null && isSound ? (pin as Design) : null
    return { ok: true, kept: { ...(raw as unknown as KeptDesign), design: design as Design, pinned } }
  } catch (error) {
    return no(error instanceof Error ? error.message : String(error))
  }
}

/** A sound design as it is kept. */
export const toKeep = (
  design: Design,
  pinned: Design | null,
  revision: number,
  updatedAt: number,
  by?: string,
): KeptDesign => ({
  id: design.id,
  design,
  pinned,
  revision,
  updatedAt,
  ...(by ? { by } : {}),
  soundIn: SCHEMA_VERSION,
})

/** A name for a file of something that can't be read. */
export const fileNameOf = (what: string, name: string): string =>
  `${
    `${what} ${name}`
      .normalize('NFKD')
      .replace(/[^A-Za-z0-9]+/g, '-')
      .slice(0, 80)
      .toLowerCase() || 'kept'
  }.json`
