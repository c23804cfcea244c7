import { migrateDesign, type Design, type Fault } from '../core/design'
import { designFaults } from '../core/editing'
import { readStudies, type KeptStudies } from '../core/study/kept'
import { asciiText } from './ascii'

/** Largest design file that is read, characters; an hourly year of weather takes about 700 000. */
export const LARGEST_DESIGN = 2_000_000

/** With it what was worked out about it, where its file has that. */
export type ReadDesign = { ok: true; design: Design; studies: KeptStudies | null } | { ok: false; faults: Fault[] }

/** Reads a design from text. Never throws: what is wrong comes back as faults with their paths. */
export function readDesign(text: string): ReadDesign {
  if (text.length > LARGEST_DESIGN)
    return refuse('', `The file is ${(text.length / 1e6).toFixed(1)} MB`, 'designs up to 2 MB')
  let document: unknown
  let studies: KeptStudies | null = null
  try {
    const { studies: beside, ...rest } = withStudies(JSON.parse(text.replace(/^\uFEFF/, '')))
    studies = readStudies(beside)
    document = migrateDesign(rest.design)
  } catch (error) {
    return refuse('', `The file is not JSON: ${(error as Error).message}`, 'a design exported as JSON')
  }
  const faults = designFaults(document)
  return faults.length > 0 ? { ok: false, faults } : { ok: true, design: document as Design, studies }
}

function refuse(path: string, message: string, allowed: string): ReadDesign {
  return { ok: false, faults: [{ path, message, allowed }] }
}

/** A file's design, and the studies that stand in it beside the design's own branches. */
function withStudies(file: unknown): { design: unknown; studies: unknown } {
  if (typeof file !== 'object' || file === null || Array.isArray(file)) return { design: file, studies: null }
  const { studies = null, ...design } = file as Record<string, unknown>
  return { design, studies }
}

/** A design as text, and its studies with it: two-space JSON, long series of numbers on one line. */
export function writeDesign(design: Design, studies: KeptStudies | null = null): string {
  const series = /\[\s+(-?[\d.e+-]+(?:,\s+-?[\d.e+-]+)*)\s+\]/g
  const text = JSON.stringify(studies ? { ...design, studies } : design, null, 2)
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
