import { expose } from 'comlink'
import { guessReading, type Guessed, type LoggerReading } from '../../formats/logger/guess'
import { readLogger, type ReadLogger } from '../../formats/logger/read'
import { loggerTable, textOfBytes, type LoggerTable } from '../../formats/logger/table'

let table: LoggerTable | null = null

/** What a file begins with, and how it is likely meant. */
export interface LoggerHead extends Guessed {
  heading: string[]
  firstRow: string[]
}

/** Reads loggers' files away from the page: they may be long. It holds the last file. */
const api = {
  open(bytes: ArrayBuffer): { ok: true; head: LoggerHead } | { ok: false; message: string } {
    const cut = loggerTable(textOfBytes(new Uint8Array(bytes)))
    if (!cut.ok) return cut
    table = cut.table
    return { ok: true, head: { heading: table.heading, firstRow: table.sample[0] ?? [], ...guessReading(table) } }
  },
  read(how: LoggerReading, standardOffsetH: number, tell?: (share: number) => void): ReadLogger {
    return table ? readLogger(table, how, standardOffsetH, tell) : { ok: false, message: 'No file is open.' }
  },
  /** The open file, packed into letters; null where it is longer than that. */
  async packed(longest: number): Promise<string | null> {
    if (!table || typeof CompressionStream === 'undefined') return null
    const stream = new Blob([table.text]).stream().pipeThrough(new CompressionStream('gzip'))
    const bytes = new Uint8Array(await new Response(stream).arrayBuffer())
    if (bytes.length * 1.4 > longest) return null
    let letters = ''
    for (let at = 0; at < bytes.length; at += 8192) letters += String.fromCharCode(...bytes.subarray(at, at + 8192))
    return btoa(letters)
  },
  /** Opens a file that was packed. */
  async openPacked(letters: string): Promise<{ ok: true; head: LoggerHead } | { ok: false; message: string }> {
    try {
      const bytes = Uint8Array.from(atob(letters), c => c.charCodeAt(0))
      const stream = new Blob([bytes]).stream().pipeThrough(new DecompressionStream('gzip'))
      return api.open(await new Response(stream).arrayBuffer())
    } catch {
      return { ok: false, message: 'The file that was kept cannot be unpacked any more: drop it here again.' }
    }
  },
}

export type LoggerWorker = typeof api

expose(api)
