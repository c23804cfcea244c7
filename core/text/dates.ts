/** Days and hours as the whole product writes them: “31 December 2026”, “31 Dec”, and the clock by 24 hours. */
const inWords = (parts: Intl.DateTimeFormatOptions) => {
  const format = new Intl.DateTimeFormat('en-GB', { ...parts, timeZone: 'UTC' })
  return (iso: string): string => format.format(new Date(`${iso}T12:00Z`)).replace(',', '')
}

/** Of a day, ISO 8601: 31 December 2026; 31 December; 31 Dec; Thu 31 Dec; Thursday. */
export const fullDate = inWords({ day: 'numeric', month: 'long', year: 'numeric' })
export const longDay = inWords({ day: 'numeric', month: 'long' })
export const shortDay = inWords({ day: 'numeric', month: 'short' })
export const weekdayDate = inWords({ weekday: 'short', day: 'numeric', month: 'short' })
export const weekdayName = inWords({ weekday: 'long' })
/** December 2026; Dec. */
export const monthYear = inWords({ month: 'long', year: 'numeric' })
export const monthShort = inWords({ month: 'short' })

const two = (n: number): string => String(n).padStart(2, '0')

/** Day of an instant on this machine's clock, ISO 8601. */
export const localDay = (at: Date): string => `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
/** Its time of day: 16:05. */
export const clock = (at: Date): string => `${two(at.getHours())}:${two(at.getMinutes())}`
/** 31 December 2026, 16:05. */
export const stamp = (at: Date): string => `${fullDate(localDay(at))}, ${clock(at)}`
