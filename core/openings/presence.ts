import { choice, hours } from '../design/field'

const DAYS = [
  { id: 'every day', name: 'every day' },
  { id: 'weekdays', name: 'Monday to Friday' },
  { id: 'weekends', name: 'Saturday and Sunday' },
] as const

/** When somebody is there to move things by hand. */
export interface Presence {
  days: (typeof DAYS)[number]['id']
  fromH: number
  untilH: number
}

export const presenceDays = choice(DAYS, {
  start: 'every day',
  label: 'Somebody is there',
  about: '1 January counts as a Monday',
})
export const presenceFrom = hours(0, 24, { start: 8, step: 0.5, label: 'From, o’clock' })
export const presenceUntil = hours(0, 24, { start: 18, step: 0.5, label: 'Until, o’clock' })

/** Whether somebody is there in the hour of the year that begins now. */
export function isThere({ days, fromH, untilH }: Presence, hour: number): boolean {
  const weekend = Math.floor(hour / 24) % 7 >= 5
  if (days !== 'every day' && weekend !== (days === 'weekends')) return false
  const k = hour % 24
  return fromH <= untilH ? k >= fromH && k < untilH : k >= fromH || k < untilH
}
