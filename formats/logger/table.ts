import Papa from 'papaparse'
import { isClock, partsOf } from './stamps'

/** A logger's file, cut as far as it must be known: its heading, and rows from all over it. */
export interface LoggerTable {
  heading: string[]
  /** The first rows, and some from further on, in the order of the file. */
  sample: string[][]
  text: string
  delimiter: string
  /** Where the rows begin in the text, and in which line of the file. */
  from: number
  firstLine: number
}

const LARGEST = 80_000_000
const DELIMITERS = [';', '\t', ',', '|']
/** A heading stands within so many lines. */
const SEARCHED = 80
const FIRST_ROWS = 400
const FURTHER_ROWS = 200

/** Text of a file's bytes: UTF-8, UTF-16 with or without a mark, else as western machines wrote it. */
export function textOfBytes(bytes: Uint8Array): string {
  const marked =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'be' : ''
  const some = bytes.subarray(0, 400)
  const zeros = (parity: number) => some.filter((b, i) => i % 2 === parity && b === 0).length
  if (marked === 'be' || (marked === '' && zeros(0) > some.length / 5)) return new TextDecoder('utf-16be').decode(bytes)
  if (marked !== '' || zeros(1) > some.length / 5) return new TextDecoder('utf-16le').decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}

export const cellsOf = (text: string, delimiter: string): string[][] =>
  Papa.parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' }).data

const isNumber = (cell: string) => /^["'\s]*[+-]?\d+([.,]\d+)?/.test(cell)
const isStamp = (cell: string) => partsOf(cell, true) !== null || partsOf(cell, false) !== null
/** A row of readings: a stamp or a day, and at least one number that is none. */
function isRow(cells: readonly string[]): boolean {
  const at = cells.findIndex(isStamp)
  return at >= 0 && cells.some((c, i) => i !== at && isNumber(c) && !isClock(c))
}

/** Cuts a logger's file: lines before the heading, as loggers write them, are left out. */
export function loggerTable(given: string): { ok: true; table: LoggerTable } | { ok: false; message: string } {
  if (given.length > LARGEST)
    return { ok: false, message: `The file is ${Math.round(given.length / 1e6)} MB; logs up to 80 MB are read.` }
  const text = given.replace(/^\uFEFF/, '')
  const lines: { at: number; text: string }[] = []
  for (let at = 0; at < text.length && lines.length < SEARCHED; ) {
    const end = /\r\n|\n|\r/g
    end.lastIndex = at
    const found = end.exec(text)
    lines.push({ at, text: text.slice(at, found ? found.index : text.length) })
    at = found ? found.index + found[0].length : text.length
  }
  const cut = (delimiter: string) => lines.map(l => cellsOf(l.text, delimiter)[0] ?? [])
  const best = DELIMITERS.map(delimiter => {
    const rows = cut(delimiter)
    const good = rows.filter(isRow)
    return { delimiter, rows, good: good.length, wide: Math.max(0, ...rows.map(r => r.length)) }
  }).sort((a, b) => b.good - a.good || b.wide - a.wide)[0]!
  if (best.wide < 2) return { ok: false, message: 'There is no table in this file: no line has two columns or more.' }
  const { delimiter, rows } = best
  // Lines of a preamble may hold a time; rows of readings come one after the other.
  const first = rows.findIndex((r, i) => isRow(r) && (i + 1 >= rows.length || isRow(rows[i + 1]!) || best.good === 1))
  const begins = first >= 0 ? first : rows.findIndex(r => r.length >= 2) + 1
  const isHead = (r: string[]) => r.filter(c => c.trim() !== '').length >= 2
  const above = rows.slice(0, begins)
  const head = above.reduce((last, r, i) => (isHead(r) ? i : last), -1)
  const width = rows[Math.min(begins, rows.length - 1)]!.length
  const names = head >= 0 ? rows[head]!.map(c => c.trim()) : []
  const heading = Array.from({ length: Math.max(width, names.length) }, (_, i) => names[i] || `column ${i + 1}`)
  // Columns that are empty throughout, as a stray comma makes them, are none.
  const from = lines[begins]?.at ?? text.length
  const sample = sampleOf(text, from, delimiter)
  while (
    heading.length > 2 &&
    /^column \d+$/.test(heading.at(-1)!) &&
    !sample.some(r => (r[heading.length - 1] ?? '').trim())
  )
    heading.pop()
  return { ok: true, table: { heading, sample, text, delimiter, from, firstLine: begins + 1 } }
}

function sampleOf(text: string, from: number, delimiter: string): string[][] {
  let end = from
  for (let n = 0; n < FIRST_ROWS && end < text.length && end >= 0; n++) end = text.indexOf('\n', end) + 1 || text.length
  const out = cellsOf(text.slice(from, end), delimiter)
  const step = Math.floor((text.length - end) / FURTHER_ROWS)
  for (let at = end; step > 0 && at < text.length; at += Math.max(step, 1)) {
    const begin = at === end ? at : text.indexOf('\n', at) + 1
    const stop = text.indexOf('\n', begin)
    if ((begin === 0 && at !== end) || stop < 0) break
    out.push(...cellsOf(text.slice(begin, stop), delimiter))
  }
  return out
}
