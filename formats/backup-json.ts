import type { Design, Fault } from '../core/design'
import type { Book, PackedBook } from '../core/season/book'
import type { KeptStudies } from '../core/study/kept'
import { asciiText } from './ascii'
import { readDesignFile, writeDesign } from './design-json'

/** Everything that a browser keeps, in one file: the designs with their studies and season books. */
const MARK = 'tierraBackup'
const VERSION = 1
/** Largest backup that is read, characters. */
export const LARGEST_BACKUP = 200_000_000

/** One design with all that is kept beside it. */
export interface BackedUp {
  design: Design
  studies: KeptStudies | null
  book: PackedBook | null
}

/** A backup as it was read: what was sound, and what of it was not and why. */
export type ReadBackup =
  | {
      ok: true
      madeAt: string
      designs: { design: Design; studies: KeptStudies | null; book: Book | null }[]
      refused: { name: string; faults: Fault[] }[]
    }
  | { ok: false; message: string }

/** Whether a text says of itself that it is a backup; the rest of it may be damaged. */
export const looksLikeBackup = (text: string): boolean => text.slice(0, 200).includes(`"${MARK}"`)

/** A backup as text. */
export function writeBackup(designs: readonly BackedUp[], madeAt: Date): string {
  const each = designs.map(d => writeDesign(d.design, d.studies, d.book).trimEnd())
  return `{"${MARK}": ${VERSION}, "madeAt": "${madeAt.toISOString()}", "designs": [\n${each.join(',\n')}\n]}\n`
}

/** Reads a backup. Never throws: a damaged design of it is told, and the sound ones come back all the same. */
export function readBackup(text: string): ReadBackup {
  const no = (message: string): ReadBackup => ({ ok: false, message })
  if (text.length > LARGEST_BACKUP)
    return no(`The backup is ${(text.length / 1e6).toFixed(0)} MB; up to ${LARGEST_BACKUP / 1e6} MB are read.`)
  let file: { [MARK]?: unknown; madeAt?: unknown; designs?: unknown }
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
  }
  file.designs.forEach((entry: unknown, i: number) => {
    const read = readDesignFile(entry)
    if (read.ok) out.designs.push({ design: read.design, studies: read.studies, book: read.book ?? null })
    else {
      const name = (entry as { name?: unknown } | null)?.name
      out.refused.push({ name: typeof name === 'string' ? name : `Design ${i + 1}`, faults: read.faults })
    }
  })
  return out
}

/** File name of a backup: its day. */
export const backupFileName = (madeAt: Date): string =>
  asciiText(`tierra-backup-${madeAt.toISOString().slice(0, 10)}.json`)
