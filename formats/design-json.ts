import { migrateDesign, type Design, type Fault } from '../core/design'
import { designFaults } from '../core/editing'
import { asciiText } from './ascii'

/** Largest design file that is read, characters; an hourly year of weather takes about 700 000. */
export const LARGEST_DESIGN = 2_000_000

export type ReadDesign = { ok: true; design: Design } | { ok: false; faults: Fault[] }

/** Reads a design from text. Never throws: what is wrong comes back as faults with their paths. */
export function readDesign(text: string): ReadDesign {
  if (text.length > LARGEST_DESIGN)
    return refuse('', `The file is ${(text.length / 1e6).toFixed(1)} MB`, 'designs up to 2 MB')
  let document: unknown
  try {
    document = migrateDesign(JSON.parse(text.replace(/^\uFEFF/, '')))
  } catch (error) {
    return refuse('', `The file is not JSON: ${(error as Error).message}`, 'a design exported as JSON')
  }
  const faults = designFaults(document)
  return faults.length > 0 ? { ok: false, faults } : { ok: true, design: document as Design }
}

function refuse(path: string, message: string, allowed: string): ReadDesign {
  return { ok: false, faults: [{ path, message, allowed }] }
}

/** A design as text: two-space JSON, long series of numbers on one line. */
export function writeDesign(design: Design): string {
  const series = /\[\s+(-?[\d.e+-]+(?:,\s+-?[\d.e+-]+)*)\s+\]/g
  const text = JSON.stringify(design, null, 2)
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
