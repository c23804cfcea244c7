import { DAYS, HOURS, MONTH_DAYS, MONTH_START } from '../climate/types'
import { choice, group, hours, list, text, type Value } from '../design/field'
import { clockShares } from './clock'

const WHOLE_WEEK = [
  { id: 'every day', name: 'every day' },
  { id: 'weekdays', name: 'Monday to Friday' },
  { id: 'weekends', name: 'Saturday and Sunday' },
] as const
/** In the order of a week. */
const WEEK = [
  { id: 'mondays', name: 'Mondays' },
  { id: 'tuesdays', name: 'Tuesdays' },
  { id: 'wednesdays', name: 'Wednesdays' },
  { id: 'thursdays', name: 'Thursdays' },
  { id: 'fridays', name: 'Fridays' },
  { id: 'saturdays', name: 'Saturdays' },
  { id: 'sundays', name: 'Sundays' },
] as const
const HOUSE_DAYS = [{ id: 'house', name: 'as the calendar of the house says' }, ...WHOLE_WEEK, ...WEEK] as const
/** Days as the calendar calls them. */
export const presenceName = (days: (typeof HOUSE_DAYS)[number]['id']): string =>
  HOUSE_DAYS.find(d => d.id === days)!.name
type VisitDays = Exclude<(typeof HOUSE_DAYS)[number]['id'], 'house'>

/** Whether a day of the year, 0–364, is one of those; 1 January counts as a Monday. */
export function isDay(days: VisitDays, day: number): boolean {
  const weekday = day % 7
  if (days === 'every day') return true
  if (days === 'weekdays' || days === 'weekends') return weekday >= 5 === (days === 'weekends')
  return WEEK[weekday]!.id === days
}

/** Day of the year, 0–364, of a month and day such as 12-20; null for what is none, 02-29 among them. */
export function yearDay(text: string): number | null {
  const [month, date] = (/^(\d{1,2})-(\d{1,2})$/.exec(text) ?? []).slice(1).map(Number)
  if (!month || !date || month > 12 || date > MONTH_DAYS[month - 1]!) return null
  return MONTH_START[month - 1]! + date - 1
}
const dayOfYear = (start: string, label: string) =>
  text(5, {
    start,
    label,
    about: 'month and day, as in 12-20',
    check: v =>
      yearDay(v) === null ? [`“${v}” is not a day of the year`, 'month and day, as in 12-20 for 20 December'] : null,
  })

/** Somebody's hours on some days of the week. */
export const VISIT = group(
  {
    who: text(60, { least: 0, start: '', label: 'Who' }),
    days: choice([...WHOLE_WEEK, ...WEEK], {
      start: 'every day',
      label: 'Comes',
      about: '1 January counts as a Monday',
    }),
    fromH: hours(0, 24, { start: 8, step: 0.5, label: 'From, o’clock' }),
    untilH: hours(0, 24, { start: 18, step: 0.5, label: 'Until, o’clock' }),
  },
  { label: 'Visit #' },
)
export const MOST_VISITS = 14
/** Days of the year in which it is otherwise. */
export const SPAN = group(
  {
    name: text(60, { least: 0, start: '', label: 'Called' }),
    there: choice(
      [
        { id: 'away', name: 'nobody comes' },
        { id: 'term', name: 'people come, and not outside such spans' },
      ],
      { start: 'away', label: 'In it' },
    ),
    from: dayOfYear('12-24', 'From the day'),
    until: dayOfYear('01-01', 'To the day'),
  },
  { label: 'Span #' },
)

/** When people are in the house: what is done by hand keeps to it, unless it says otherwise of itself. */
export const PEOPLE = group(
  {
    visits: list(VISIT, 0, MOST_VISITS, {
      start: [{ who: '', days: 'every day', fromH: 8, untilH: 18 }],
      label: 'Who is there, and when',
    }),
    spans: list(SPAN, 0, 40, {
      start: [],
      label: 'Terms and holidays',
      about: 'where there are terms, people come in these alone; in holidays nobody comes',
    }),
  },
  { label: 'People', about: 'who moves by hand what is not moved otherwise, and goes in and out' },
)
export type People = Value<typeof PEOPLE>

/** A school's year with the long holiday in summer, to begin from: each school has days of its own. */
const TERMS: Record<'north' | 'south', readonly [name: string, from: string, until: string][]> = {
  north: [
    ['Spring term', '01-08', '03-28'],
    ['Summer term', '04-14', '07-10'],
    ['Autumn term', '09-01', '12-19'],
  ],
  south: [
    ['First term', '02-01', '04-05'],
    ['Second term', '04-22', '06-28'],
    ['Third term', '07-15', '09-20'],
    ['Fourth term', '10-07', '12-13'],
  ],
}
/** Terms of a school at a latitude, degrees: south of the equator its year turns. */
export const schoolTerms = (latitudeDeg: number): People['spans'] =>
  TERMS[latitudeDeg >= 0 ? 'north' : 'south'].map(([name, from, until]) => ({ name, there: 'term', from, until }))

/** When somebody is there to move one thing by hand. */
export interface Presence {
  days: (typeof HOUSE_DAYS)[number]['id']
  fromH: number
  untilH: number
}
export const presenceDays = choice(HOUSE_DAYS, { start: 'house', label: 'Somebody is there' })
/** Of what has hours of its own unless it is asked to keep to the house's. */
export const ownDays = choice(HOUSE_DAYS, { start: 'every day', label: 'There' })
export const presenceFrom = hours(0, 24, { start: 8, step: 0.5, label: 'From, o’clock' })
export const presenceUntil = hours(0, 24, { start: 18, step: 0.5, label: 'Until, o’clock' })

/** The days of the year on which people may come, 1 each of 365. */
export function openDays({ spans }: People): Uint8Array {
  const within = (there: People['spans'][number]['there']) => {
    const out = new Uint8Array(DAYS)
    for (const span of spans.filter(s => s.there === there)) {
      const [from, until] = [yearDay(span.from)!, yearDay(span.until)!]
      for (let d = from; ; d = (d + 1) % DAYS) {
        out[d] = 1
        if (d === until) break
      }
    }
    return out
  }
  const terms = spans.some(s => s.there === 'term') ? within('term') : new Uint8Array(DAYS).fill(1)
  const away = within('away')
  return terms.map((open, d) => open && 1 - away[d]!)
}

/** Adds the hours of a visit, 1 each of 8760: those that it has half of, and all of one shorter than that. */
function mark(out: Uint8Array, days: VisitDays, fromH: number, untilH: number, open: Uint8Array | null): void {
  const longH = fromH <= untilH ? untilH - fromH : 24 - fromH + untilH
  const least = Math.min(0.5, longH / 2)
  const shares = clockShares(fromH, untilH)
  for (let d = 0; d < DAYS; d++)
    if ((!open || open[d]) && isDay(days, d))
      for (let k = 0; k < 24; k++) if (shares[k]! > 0 && shares[k]! >= least - 1e-9) out[d * 24 + k] = 1
}

const known = new WeakMap<People, Uint8Array>()

/** Hours of the year in which somebody is in the house, 1 each of 8760. */
export function hoursThere(people: People): Uint8Array {
  const before = known.get(people)
  if (before) return before
  const out = new Uint8Array(HOURS)
  const open = openDays(people)
  for (const { days, fromH, untilH } of people.visits) mark(out, days, fromH, untilH, open)
  known.set(people, out)
  return out
}

/** Hours in which somebody is there to move a thing: the house's, or its own. */
export function hoursFor({ days, fromH, untilH }: Presence, people: People): Uint8Array {
  if (days === 'house') return hoursThere(people)
  const out = new Uint8Array(HOURS)
  mark(out, days, fromH, untilH, null)
  return out
}

/** By hour, its share of what happens on its day while people are there; 0 where nobody is. */
export function comings(people: People): Float64Array {
  const there = hoursThere(people)
  const out = new Float64Array(HOURS)
  for (let d = 0; d < DAYS; d++) {
    const hoursOfDay = there.subarray(24 * d, 24 * d + 24).reduce((sum, h) => sum + h, 0)
    for (let h = 24 * d; h < 24 * d + 24; h++) out[h] = there[h]! && 1 / hoursOfDay
  }
  return out
}

/** Hours of a week of a term, or of any where there are none, in which somebody is there: Monday first, 24 each. */
export function weekThere({ visits }: People): Uint8Array[] {
  const year = hoursThere({ visits, spans: [] })
  return Array.from({ length: 7 }, (_, d) => year.slice(d * 24, d * 24 + 24))
}

/** How much of a year people are there; the longest that nobody is, in whole days from a day 0–364. */
export interface PresenceYear {
  hours: number
  days: number
  away: { days: number; from: number } | null
}

export function presenceYear(people: People): PresenceYear {
  const there = hoursThere(people)
  const isOpen = Array.from({ length: DAYS }, (_, d) => there.subarray(24 * d, 24 * d + 24).includes(1))
  let away: PresenceYear['away'] = null
  for (let from = 0; from < DAYS; from++) {
    if (isOpen[from] || (!isOpen[(from + DAYS - 1) % DAYS] && from > 0)) continue
    let days = 0
    while (days < DAYS && !isOpen[(from + days) % DAYS]) days++
    if (days > (away?.days ?? 0)) away = { days, from }
  }
  return { hours: there.reduce((sum, h) => sum + h, 0), days: isOpen.filter(Boolean).length, away }
}
