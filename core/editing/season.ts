/** Fields of a device that name a time of the year as the northern half of the earth has it. */
const MONTHS = ['fromMonth', 'untilMonth', 'winterFromMonth', 'winterUntilMonth'] as const
const HALF_YEAR_DAYS = 182

const across = (month: number) => ((month + 5) % 12) + 1

/**
 * A new thing with its times of the year turned to those of its hemisphere: what is lit or shut in winter is so in the
 * winter of the place.
 */
export function inSeason<T extends object>(thing: T, latitudeDeg: number): T {
  if (latitudeDeg >= 0) return thing
  const out: Record<string, unknown> = { ...(thing as Record<string, unknown>) }
  for (const name of MONTHS) if (typeof out[name] === 'number') out[name] = across(out[name] as number)
  if (Array.isArray(out.months)) out.months = (out.months as number[]).map(across)
  if (typeof out.startDay === 'number') out.startDay = (out.startDay + HALF_YEAR_DAYS) % 365
  return out as T
}
