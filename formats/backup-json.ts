import type { Design, Fault } from '../core/design'
import { asciiText } from './ascii'
import { readDesignFile, writeDesign, type Belongings, type ReadDesign } from './design-json'

/** Everything that a browser keeps, in one file: the designs with their studies and season books. */
const MARK = 'tierraBackup'
const VERSION = 1
/** Largest backup that is read, characters. */
export const LARGEST_BACKUP = 200_000_000

/** One design with all that is kept beside it, as it lies there. */
export interface BackedUp extends Belongings {
  design: Design
}
/** Something that is kept and could not be read: what it is, as it lies there. */
export interface Strange {
  what: string
  name: string
  why: string[]
  raw: unknown
}

/** A backup as it was read: what was sound, and what of it was not and why. */
export type ReadBackup =
  | {
      ok: true
      madeAt: string
      designs: Extract<ReadDesign, { ok: true }>[]
      /** Designs that can't be read, as they stand there. */
      refused: { name: string; faults: Fault[]; raw: unknown }[]
      /** What could not be read already when the backup was made. */
      strange: Strange[]
    }
  | { ok: false; message: string }

/** Whether a text says of itself that it is a backup; the rest of it may be damaged. */
export const looksLikeBackup = (text: string): boolean => text.slice(0, 200).includes(`"${MARK}"`)

/** A backup as text. */
export function writeBackup(designs: readonly BackedUp[], strange: readonly Strange[], madeAt: Date): string {
  const each = designs.map(({ design, ...its }) => writeDesign(design, its).trimEnd())
  const apart = strange.map(({ what, name, why, raw }) => JSON.stringify({ what, name, why, raw }))
  const head = `{"${MARK}": ${VERSION}, "madeAt": "${madeAt.toISOString()}", "designs": [\n${each.join(',\n')}\n]`
  return `${head}, "unreadable": [\n${apart.join(',\n')}\n]}\n`
}

/** Reads a backup. Never throws: a damaged design of it is told, and the sound ones come back all the same. */
export function readBackup(text: string): ReadBackup {
  const no = (message: string): ReadBackup => ({ ok: false, message })
  if (text.length > LARGEST_BACKUP)
    return no(`The backup is ${(text.length / 1e6).toFixed(0)} MB; up to ${LARGEST_BACKUP / 1e6} MB are read.`)
  let file: { [MARK]?: unknown; madeAt?: unknown; designs?: unknown; unreadable?: unknown }
  try {
    file = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    return no(`The backup is torn: ${(error as Error).message}. Try an older one.`)
  }
  if (typeof file !== 'object' || file === null || file[MARK] === undefined || !Array.isArray(file.designs))
    return no('This is no backup: it holds no list of designs.')
  if (file[MARK] !== VERSION) return no(`The backup is of version ${String(file[MARK])}; this Tierra reads ${VERSION}.`)
  const out: Extract<ReadBackup, { ok: true }> = {
    ok: true,
    madeAt: typeof file.madeAt === 'string' ? file.madeAt : '',
    designs: [],
    refused: [],
    strange: Array.isArray(file.unreadable) ? file.unreadable.map(strangeOf) : [],
  }
  file.designs.forEach((entry: unknown, i: number) => {
    const read = readDesignFile(entry)
    if (read.ok) out.designs.push(read)
    else {
      const name = (entry as { name?: unknown } | null)?.name
      out.refused.push({ name: typeof name === 'string' ? name : `Design ${i + 1}`, faults: read.faults, raw: entry })
    }
  })
  return out
}

function strangeOf(entry: unknown): Strange {
  const { what, name, why, raw } = (typeof entry === 'object' && entry !== null ? entry : {}) as Partial<Strange>
  const words = (v: unknown, otherwise: string) => (typeof v === 'string' ? v.slice(0, 200) : otherwise)
  const lines = Array.isArray(why) ? why.filter(w => typeof w === 'string').slice(0, 5) : []
  return { what: words(what, 'something put aside'), name: words(name, ''), why: lines, raw: raw ?? entry }
}

/** File name of a backup: its day. */
export const backupFileName = (madeAt: Date): string =>
  asciiText(`tierra-backup-${madeAt.toISOString().slice(0, 10)}.json`)
