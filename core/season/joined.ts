import type { Book, Written } from './book'
import { ownLog, wholeLog } from './intake'
import { merged } from './log'

/** What tells two entries of a list apart: all that they say. */
const told = (entry: unknown): string => JSON.stringify(entry)

/** One list of two: all of the first, then what only the second has. */
function union<T>(one: readonly T[], other: readonly T[]): T[] {
  const there = new Map<string, number>()
  for (const entry of one) there.set(told(entry), (there.get(told(entry)) ?? 0) + 1)
  const more = other.filter(entry => {
    const left = there.get(told(entry)) ?? 0
    there.set(told(entry), left - 1)
    return left <= 0
  })
  return [...one, ...more]
}

/**
 * One season book of two: what either has is in it. Where both say something of one day, row or setting, the first
 * counts; of readings of one hour as well. Refused where their readings span more than a book holds.
 */
export function joined(book: Book, other: Book): Book | { fault: string } {
  const [a, b] = [book.written, other.written]
  const days = new Set(a.days.map(d => d.date))
  const crops = new Set(a.crops.map(c => c.id))
  const moved = new Set(a.moved.map(m => m.task))
  const isFresh = a.water.rainMm.length === 0 && b.water.rainMm.length > 0
  const written: Written = {
    days: [...a.days, ...b.days.filter(d => !days.has(d.date))].sort((x, y) => x.date.localeCompare(y.date)),
    changes: union(a.changes, b.changes),
    notes: union(a.notes, b.notes),
    done: union(a.done, b.done),
    moved: [...a.moved, ...b.moved.filter(m => !moved.has(m.task))],
    crops: [...a.crops, ...b.crops.filter(c => !crops.has(c.id))],
    water: isFresh ? b.water : a.water,
    alarm: { ...a.alarm, log: union(a.alarm.log, b.alarm.log) },
    forecast: a.forecast.length > 0 ? a.forecast : b.forecast,
  }
  const intakes = [
    ...(other.intakes ?? []).filter(o => !book.intakes?.some(i => i.id === o.id)),
    ...(book.intakes ?? []),
  ]
  const [mine, theirs] = [ownLog(book), ownLog(other)]
  const both = mine && theirs ? merged(theirs, mine) : { log: mine ?? theirs }
  if ('fault' in both) return both
  if (intakes.length === 0) return { written, log: both.log }
  const log = wholeLog(both.log, intakes)
  return log !== null && 'fault' in log ? log : { written, log, own: both.log, intakes }
}
