import { unreadDay } from './log'
import type { Written } from './book'

export type WrittenDay = Written['days'][number]
/** What is read off of a day. */
export type DayReading = Exclude<keyof WrittenDay, 'date'>

/**
 * A book with a reading of a day put in, taken away (null) or put right.
 * @returns why not, in a sentence, where it can't be
 */
export function withReading(
  written: Written,
  date: string,
  key: DayReading,
  value: number | null,
): { written: Written } | { fault: string } {
  const day = { ...(written.days.find(d => d.date === date) ?? unreadDay(date)), [key]: value }
  const crossed = (low: number | null, high: number | null) => low !== null && high !== null && low > high
  if (crossed(day.insideMinC, day.insideMaxC))
    return { fault: 'The lowest inside can’t be above the highest. Allowed: one at or under the other.' }
  if (crossed(day.outsideMinC, day.outsideMaxC))
    return { fault: 'The lowest outside can’t be above the highest. Allowed: one at or under the other.' }
  const days = [...written.days.filter(d => d.date !== date), day].sort((a, b) => a.date.localeCompare(b.date))
  return { written: { ...written, days } }
}
