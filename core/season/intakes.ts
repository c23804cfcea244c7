import type { Book } from './book'
import { ownLog, wholeLog, type Intake } from './intake'
import { merged, type DailyReading } from './log'

function withIntakes(book: Book, written: Book['written'], intakes: Intake[]): Book | { fault: string } {
  const own = ownLog(book)
  const log = wholeLog(own, intakes)
  return log !== null && 'fault' in log ? log : { written, log, own, intakes }
}

/** A book without a file that was taken in: its days are as they were before it, unless they were changed since. */
export function withoutIntake(book: Book, id: string): Book | { fault: string } {
  const its = book.intakes?.find(i => i.id === id)
  if (!its) return { fault: 'That file is not in the book any more.' }
  const said = (day: DailyReading | undefined) => JSON.stringify(day ?? null)
  const days = book.written.days.flatMap(day => {
    const read = its.days.find(d => d.date === day.date)
    if (!read || said(sorted(read)) !== said(sorted(day))) return [day]
    return its.replaced.filter(d => d.date === day.date)
  })
  return withIntakes(
    book,
    { ...book.written, days },
    book.intakes!.filter(i => i.id !== id),
  )
}
const sorted = (day: DailyReading): DailyReading =>
  Object.fromEntries(Object.entries(day).sort(([a], [b]) => (a < b ? -1 : 1))) as unknown as DailyReading

/**
 * A book with a file of readings taken in; one of its id goes first.
 * @returns with how many hours or days are new, how many were there, and at how many of those the two differ
 */
export function withIntake(
  given: Book,
  intake: Omit<Intake, 'replaced'>,
): { book: Book; fresh: number; both: number; apart: number } | { fault: string } {
  const book = given.intakes?.some(i => i.id === intake.id) ? withoutIntake(given, intake.id) : given
  if ('fault' in book) return book
  const dates = new Set(intake.days.map(d => d.date))
  const replaced = book.written.days.filter(d => dates.has(d.date))
  const days = [...book.written.days.filter(d => !dates.has(d.date)), ...intake.days].sort((a, b) =>
    a.date.localeCompare(b.date),
  )
  const next = withIntakes(book, { ...book.written, days }, [...(book.intakes ?? []), { ...intake, replaced }])
  if ('fault' in next) return next
  const hours = intake.log ? [...intake.log.values.insideC].filter(v => !Number.isNaN(v)).length : 0
  const counts =
    intake.log && book.log
      ? merged(book.log, intake.log)
      : { fresh: hours || intake.days.length - replaced.length, both: replaced.length, apart: 0 }
  if ('fault' in counts) return counts
  return { book: next, fresh: counts.fresh, both: counts.both, apart: counts.apart }
}
