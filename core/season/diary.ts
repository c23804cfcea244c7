import type { Book, BookCrop, Written } from './book'
import { soundLog } from './log'
import { readDays, readMonths, type ReadMonth } from './months'

/** A month of a book's page. */
export interface DiaryMonth {
  /** Such as 2027-01. */
  month: string
  read: ReadMonth | null
  done: Written['done']
  /** How many things were done against cold nights. */
  nights: number
  notes: Written['notes']
  changes: Written['changes']
  /** Rows whose first or last harvest was in it. */
  harvest: BookCrop[]
}

/** A book month by month, the newest first: what was read, done, harvested, noted and changed. */
export function yearPage({ log, written }: Book): DiaryMonth[] {
  const read = readMonths(readDays(log ? soundLog(log).log : null, written.days))
  const dates = [
    ...[...written.notes, ...written.changes, ...written.done].map(n => n.on),
    ...written.crops.flatMap(c => [c.firstOn, c.lastOn].filter(d => d !== null)),
  ]
  const months = new Set([...read.map(m => m.month), ...dates.map(d => d.slice(0, 7))])
  return [...months]
    .sort()
    .reverse()
    .map(month => {
      const its = <T extends { on: string }>(all: readonly T[]) => all.filter(n => n.on.startsWith(month))
      return {
        month,
        read: read.find(m => m.month === month) ?? null,
        done: its(written.done).filter(d => !d.night),
        nights: its(written.done).filter(d => d.night).length,
        notes: its(written.notes),
        changes: its(written.changes),
        harvest: written.crops.filter(c => [c.firstOn, c.lastOn].some(d => d?.startsWith(month))),
      }
    })
}
