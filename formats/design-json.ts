import { migrateDesign, type Design, type Fault } from '../core/design'
import { designFaults } from '../core/editing'
import { unpackBook, type Book, type PackedBook } from '../core/season/book'
import { readStudies, type KeptStudies } from '../core/study/kept'
import { asciiText } from './ascii'

/** Largest design file that is read, characters; an hourly year of weather takes about 700 000. */
export const LARGEST_DESIGN = 2_000_000
/** With a season book of some years and its pictures beside it. */
export const LARGEST_FILE = 30_000_000

/** With it what was worked out about it and its season book, where its file has them. */
export type ReadDesign =
  | { ok: true; design: Design; studies: KeptStudies | null; book?: Book }
  | { ok: false; faults: Fault[] }

/** Reads a design from text. Never throws: what is wrong comes back as faults with their paths. */
export function readDesign(text: string): ReadDesign {
  if (text.length > LARGEST_FILE)
    return refuse('', `The file is ${(text.length / 1e6).toFixed(1)} MB`, 'designs up to 30 MB with their season book')
  try {
    return readDesignFile(JSON.parse(text.replace(/^\uFEFF/, '')))
  } catch (error) {
    return refuse('', `The file is not JSON: ${(error as Error).message}`, 'a design exported as JSON')
  }
}

/** What a design's file holds, as it was parsed. Never throws. */
export function readDesignFile(file: unknown): ReadDesign {
  const { studies: beside, book: packed, design: found } = withStudies(file)
  const document = migrateDesign(found)
  const faults = designFaults(document)
  if (faults.length > 0) return { ok: false, faults }
  const book = packed === null ? null : unpackBook(packed)
  if (book && !book.ok) return { ok: false, faults: book.faults }
  return { ok: true, design: document as Design, studies: readStudies(beside), ...(book ? { book: book.book } : {}) }
}

function refuse(path: string, message: string, allowed: string): ReadDesign {
  return { ok: false, faults: [{ path, message, allowed }] }
}

/** A file's design, and the studies and the season book that stand in it beside the design's own branches. */
function withStudies(file: unknown): { design: unknown; studies: unknown; book: unknown } {
  if (typeof file !== 'object' || file === null || Array.isArray(file))
    return { design: file, studies: null, book: null }
  const { studies = null, book = null, ...design } = file as Record<string, unknown>
  return { design, studies, book }
}

/** A design as text, with its studies and its season book: two-space JSON, long series of numbers on one line. */
export function writeDesign(
  design: Design,
  studies: KeptStudies | null = null,
  book: PackedBook | null = null,
): string {
  const series = /\[\s+((?:-?[\d.e+-]+|null)(?:,\s+(?:-?[\d.e+-]+|null))*)\s+\]/g
  const beside = { ...(studies ? { studies } : {}), ...(book ? { book } : {}) }
  const text = JSON.stringify({ ...design, ...beside }, null, 2)
  return `${text.replace(series, (_, numbers: string) => `[${numbers.replace(/\s+/g, ' ')}]`)}\n`
}

/** File name for a design: its name in plain letters. */
export function designFileName(name: string, ending = 'json'): string {
  const plain = asciiText(name)
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
  return `${plain || 'design'}.${ending}`
}
