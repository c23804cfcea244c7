import { expose } from 'comlink'
import {
  guessColumns,
  guessDayFirst,
  guessUnit,
  loggerTable,
  readLogger,
  type LoggerColumn,
  type LoggerReading,
  type LoggerTable,
  type ReadLogger,
} from '../../formats/logger-csv'

let table: LoggerTable | null = null

/** What a file begins with, and how it is likely meant. */
export interface LoggerHead {
  heading: string[]
  firstRow: string[]
  columns: LoggerColumn[]
  unit: 'C' | 'F'
  dayFirst: boolean
}

/** Reads loggers' files away from the page: they may be long. It holds the last file. */
const api = {
  open(text: string): { ok: true; head: LoggerHead } | { ok: false; message: string } {
    const cut = loggerTable(text)
    if (!cut.ok) return cut
    table = cut.table
    const columns = guessColumns(table.heading)
    return {
      ok: true,
      head: {
        heading: table.heading,
        firstRow: table.rows[0] ?? [],
        columns,
        unit: guessUnit(table, columns),
        dayFirst: guessDayFirst(table, columns),
      },
    }
  },
  read(how: LoggerReading, standardOffsetH: number): ReadLogger {
    return table ? readLogger(table, how, standardOffsetH) : { ok: false, message: 'No file is open.' }
  },
}

export type LoggerWorker = typeof api

expose(api)
