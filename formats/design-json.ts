import type { Design, Fault } from '../core/design'
import { broughtForward, designFaults, documentFaults } from '../core/editing'
import { unpackBook, type Book } from '../core/season/book'
import { readStudies, type KeptStudies } from '../core/study/kept'
import { asciiText } from './ascii'

/** Largest design file that is read, characters; an hourly year of weather takes about 700 000. */
export const LARGEST_DESIGN = 2_000_000
/** With a season book of some years and its pictures beside it. */
export const LARGEST_FILE = 30_000_000

/** A part of a file that can't be read, beside a design that can: as it stands there, and why. */
export interface LeftOut {
  what: 'a season book' | 'a pinned design'
  raw: unknown
  faults: Fault[]
}
/**
 * With it what was worked out about it, as its file has that and as far as this version knows it, its season book and
 * its pinned design.
 */
export type ReadDesign =
  | {
      ok: true
      design: Design
      studies: KeptStudies | null
      rawStudies: unknown
      book?: Book
      pinned?: Design
      leftOut: LeftOut[]
    }
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

/**
 * What a design's file holds, as it was parsed. A season book or a pin that can't be read is told and keeps its design
 * from nothing. Never throws.
 */
export function readDesignFile(file: unknown): ReadDesign {
  const { studies, book: packed, pinned: pin, design: found } = withParts(file)
  const document = broughtForward(found)
  const faults = designFaults(document)
  if (faults.length > 0) return { ok: false, faults }
  const leftOut: LeftOut[] = []
  const book = packed === null ? null : unpackBook(packed)
  if (book && !book.ok) leftOut.push({ what: 'a season book', raw: packed, faults: book.faults })
  const pinned = broughtForward(pin)
  const pinFaults = pin === null ? [] : documentFaults(pinned)
  if (pinFaults.length > 0) leftOut.push({ what: 'a pinned design', raw: pin, faults: pinFaults })
  return {
    ok: true,
    design: document as Design,
    studies: readStudies(studies),
    rawStudies: studies,
    ...(book?.ok ? { book: book.book } : {}),
    ...(pin !== null && pinFaults.length === 0 ? { pinned: pinned as Design } : {}),
    leftOut,
  }
}

function refuse(path: string, message: string, allowed: string): ReadDesign {
  return { ok: false, faults: [{ path, message, allowed }] }
}

/** A file's design, and what belongs to it, which stands in it beside the design's own branches. */
function withParts(file: unknown): { design: unknown; studies: unknown; book: unknown; pinned: unknown } {
  if (typeof file !== 'object' || file === null || Array.isArray(file))
    return { design: file, studies: null, book: null, pinned: null }
  const { studies = null, book = null, pinned = null, ...design } = file as Record<string, unknown>
  return { design, studies, book, pinned }
}

/** What belongs to a design in its file: studies and a season book as they are kept, and the pinned design. */
export interface Belongings {
  studies?: unknown
  book?: unknown
  pinned?: Design | null
}

/** A design as text, with what belongs to it: two-space JSON, long series of numbers on one line. */
export function writeDesign(design: Design, { studies, book, pinned }: Belongings = {}): string {
  const series = /\[\s+((?:-?[\d.e+-]+|null)(?:,\s+(?:-?[\d.e+-]+|null))*)\s+\]/g
  const beside = { ...(studies ? { studies } : {}), ...(book ? { book } : {}), ...(pinned ? { pinned } : {}) }
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
