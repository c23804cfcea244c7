/** Days of the calendar as numbers: so many since 1970-01-01, whatever the clock does. */
const DAY_MS = 86_400_000

/** @param iso such as 2027-04-05 */
export const dayNumber = (iso: string): number => {
  const [year, month, day] = iso.split('-').map(Number) as [number, number, number]
  return Date.UTC(year, month - 1, day) / DAY_MS
}
export const isoDay = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10)
/** 0 for Monday to 6 for Sunday; 1970-01-01 was a Thursday. */
export const weekday = (day: number): number => (((day + 3) % 7) + 7) % 7
/** Month, 0–11, and day of the month. */
export const monthDay = (day: number): { month: number; day: number } => {
  const at = new Date(day * DAY_MS)
  return { month: at.getUTCMonth(), day: at.getUTCDate() }
}
