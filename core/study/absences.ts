import { DAYS, MONTH_DAYS, MONTH_OF_DAY, MONTH_START } from '../climate/types'
import { dayName } from '../climate/calendar'
import type { Design } from '../design/types'
import { patchDesign } from '../editing/edit'
import { hoursThere, MOST_VISITS, type People } from '../people/presence'
import { WATER_LINE, type RunningCost } from '../running-cost'

/** A house to which people come otherwise than its calendar says. */
export interface Absence {
  id: string
  words: string
  design: Design
}

const FORTNIGHT = 14
/** Month and day, as a calendar of people has it. */
const monthDay = (day: number): string => {
  const d = ((day % DAYS) + DAYS) % DAYS
  const month = MONTH_OF_DAY[d]!
  const two = (n: number) => String(n).padStart(2, '0')
  return `${two(month + 1)}-${two(d - MONTH_START[month]! + 1)}`
}

const WEEKEND = new Set(['weekends', 'saturdays', 'sundays'])
const offAtWeekends = (people: People): People => ({
  ...people,
  visits: people.visits
    .filter(v => !WEEKEND.has(v.days))
    .map(v => (v.days === 'every day' ? { ...v, days: 'weekdays' as const } : v)),
})
const awayFrom = (people: People, day: number, days: number): People => ({
  ...people,
  spans: [...people.spans, { name: '', there: 'away' as const, from: monthDay(day), until: monthDay(day + days - 1) }],
})
const everyMorning = (people: People): People | null =>
  people.visits.length < MOST_VISITS
    ? { spans: [], visits: [...people.visits, { who: '', days: 'every day', fromH: 8, untilH: 9 }] }
    : null

/**
 * What if nobody came at weekends, for the fortnight round the coldest night, or at all; or if somebody came every
 * morning. Those that change nobody's hours are left out.
 * @param coldestDay of the house as it stands, 0–364
 */
export function absences(design: Design, coldestDay: number): Absence[] {
  const { people } = design.breathe
  const from = coldestDay - FORTNIGHT / 2
  const at = (d: number) => dayName(((d % DAYS) + DAYS) % DAYS)
  const others: [id: string, words: string, people: People | null][] = [
    ['weekends', 'nobody at weekends', offAtWeekends(people)],
    ['fortnight', `nobody from ${at(from)} to ${at(from + FORTNIGHT - 1)}`, awayFrom(people, from, FORTNIGHT)],
    ['never', 'nobody all year', { ...people, visits: [] }],
    ['mornings', 'somebody every morning too, 8 to 9', everyMorning(people)],
  ]
  const now = hoursThere(people)
  return others.flatMap(([id, words, its]) => {
    if (!its) return []
    const then = hoursThere(its)
    return then.every((v, h) => v === now[h])
      ? []
      : [{ id, words, design: patchDesign(design, [['breathe.people', its]]) }]
  })
}

/**
 * Water that beds drink and misting gives while nobody is there, m³; null where none is bought.
 * @param from first day, 0–364
 */
export function waterWhile({ lines }: RunningCost, from: number, days: number): number | null {
  const water = lines.find(l => l.name === WATER_LINE)
  if (!water || water.cost <= 0) return null
  let m3 = 0
  for (let k = 0; k < days; k++) {
    const month = MONTH_OF_DAY[(from + k) % DAYS]!
    m3 += (water.amount * water.months[month]!) / water.cost / MONTH_DAYS[month]!
  }
  return m3
}
