import { DAYS } from '../climate'
import type { CropRow } from '../crops/calendar'
import { weekStart } from '../crops/weeks'
import { dayNumber } from '../plan/calendar'
import type { BookCrop } from './book'
import { nominalDay } from './log'

/** When a crop could be harvested in the open: first and last day, 0–364. */
export interface OutdoorSeason {
  firstDay: number
  lastDay: number
}

/** The longest harvest of a crop's calendar in the open; null where it does not ripen there. */
export function outdoorSeason({ open }: Pick<CropRow, 'open'>): OutdoorSeason | null {
  const days = open.map(({ harvest: { from, until } }) => ({
    firstDay: weekStart(from),
    lastDay: (weekStart(until) + 6) % DAYS,
  }))
  const lasts = (s: OutdoorSeason) => (s.lastDay - s.firstDay + DAYS) % DAYS
  return days.length > 0 ? days.reduce((a, b) => (lasts(b) > lasts(a) ? b : a)) : null
}

/** What a row of the crops' log has come to. */
export interface CropAnswer {
  /** Weeks before the first harvest in the open, and after the last one there; null while it has not been harvested. */
  earlyWeeks: number | null
  lateWeeks: number | null
  /** It does not ripen in the open here. */
  neverOutdoors: boolean
  worth: number
}

/** Days from one day of the usual year to another, going whichever way is shorter. */
const apart = (from: number, to: number) => ((to - from + DAYS + 182) % DAYS) - 182

export function cropAnswer(row: BookCrop, outdoors: OutdoorSeason | null): CropAnswer {
  const day = (iso: string | null) => (iso === null ? null : nominalDay(dayNumber(iso)))
  const [first, last] = [day(row.firstOn), day(row.lastOn)]
  const weeks = (days: number) => Math.max(0, Math.round((days / 7) * 10) / 10)
  return {
    earlyWeeks: outdoors && first !== null ? weeks(apart(first, outdoors.firstDay)) : null,
    lateWeeks: outdoors && last !== null ? weeks(apart(outdoors.lastDay, last)) : null,
    neverOutdoors: outdoors === null,
    worth: row.kg * row.perKg,
  }
}
