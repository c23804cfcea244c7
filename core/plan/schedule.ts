import { dayName, DAYS, MONTH_DAYS, MONTH_START } from '../climate'
import { WEEKDAY_CHOICES } from '../design/fields/build'
import type { Design } from '../design/types'
import { makeBuilding } from '../geometry/surfaces'
import { frostByDay } from '../ground/frost'
import type { BuildStage } from '../takeoff/lines'
import { dayNumber, isoDay, monthDay, weekday } from './calendar'
import { TASKS, type Weather } from './tasks'

/** A task on its days. */
export interface Planned {
  id: string
  name: string
  stage: BuildStage
  /** First and last day, ISO 8601; a hold is on the day on which it has to be so. */
  from: string
  to: string
  /** Days of work; 0 for a hold. */
  days: number
  hours: number
  hold: string | null
  /** What it waited for, or what the weather of its days is not; empty where all is well. */
  note: string
  caution: string
}

/** How many work, and how long in a day, by who builds. */
const PACE = {
  self: { people: 1, hours: 6 },
  friends: { people: 3, hours: 6 },
  firm: { people: 3, hours: 8 },
  unknown: { people: 1, hours: 6 },
} as const

/** Days on either side of one that its usual weather is taken from. */
const ABOUT_DAYS = 5
/** Frost that has gone so deep stops a spade, m. */
const FROZEN_M = 0.15
const WORDS: Record<Weather, string> = {
  thawed: 'ground that has thawed',
  pour: 'days that stay above 5 °C and nights without frost',
  mild: 'days above 5 °C, when tapes stick and sheets do not crack',
}

/** Which days of the year usually suit a weather, 1 each of 365. */
export function suitableDays(dryBulbC: Float32Array, weather: Weather): Uint8Array {
  const mean = new Float32Array(DAYS)
  const low = new Float32Array(DAYS)
  for (let d = 0; d < DAYS; d++) {
    const hours = dryBulbC.subarray(d * 24, d * 24 + 24)
    mean[d] = hours.reduce((a, b) => a + b, 0) / 24
    low[d] = hours.reduce((a, b) => Math.min(a, b), Infinity)
  }
  const about = (of: Float32Array, d: number) => {
    let sum = 0
    for (let k = -ABOUT_DAYS; k <= ABOUT_DAYS; k++) sum += of[(d + k + DAYS) % DAYS]!
    return sum / (2 * ABOUT_DAYS + 1)
  }
  const frozen = frostByDay(dryBulbC)
  const suits: Record<Weather, (d: number) => boolean> = {
    thawed: d => frozen[d]! < FROZEN_M,
    pour: d => about(mean, d) >= 5 && about(low, d) > 0,
    mild: d => about(mean, d) >= 5,
  }
  return Uint8Array.from({ length: DAYS }, (_, d) => (suits[weather](d) ? 1 : 0))
}

/** Day of the nominal year of 365; 29 February counts as the day before it. */
function dayOfYear(date: number): number {
  const { month, day } = monthDay(date)
  return MONTH_START[month]! + Math.min(day, MONTH_DAYS[month]!) - 1
}

/** Whether work is done on a day: no weekday off, and no other day off. */
export const isWorkday = ({ build }: Pick<Design, 'build'>, date: number): boolean =>
  !build.plan.daysOff.includes(WEEKDAY_CHOICES[weekday(date)]!.id) && !build.plan.holidays.includes(isoDay(date))

/**
 * The work in its order on days of the calendar, one task after the other: none on a day off, each when this site's
 * own year usually has the weather for it, none before the day that it was moved to.
 * @param startOn ISO 8601
 * @param dryBulbC of the site's year, by the hour
 */
export function schedule(design: Design, startOn: string, dryBulbC: Float32Array): Planned[] {
  const site = { design, building: makeBuilding(design) }
  const { people, hours: perDay } = PACE[design.aim.practical.builder]
  const days = new Map<Weather, Uint8Array>()
  const suits = (weather: Weather, date: number) => {
    if (!days.has(weather)) days.set(weather, suitableDays(dryBulbC, weather))
    return days.get(weather)![dayOfYear(date)] === 1
  }
  const workday = (from: number): number => {
    let at = from
    while (!isWorkday(design, at)) at++
    return at
  }
  let free = dayNumber(startOn)
  return TASKS.filter(t => t.has(site)).map((t): Planned => {
    const moved = design.build.plan.moved.find(m => m.task === t.id)
    const asked = moved ? dayNumber(moved.on) : free
    let first = workday(Math.max(asked, free))
    const hours = t.hours(site)
    const count = t.hold ? 0 : Math.max(1, Math.ceil(hours / (people * perDay) - 1e-9))
    const notes: string[] = []
    if (moved && asked < free) notes.push('moved as early as what comes before it lets it')
    if (t.weather) {
      const before = first
      while (!suits(t.weather, first) && first - before < DAYS) first = workday(first + 1)
      const waited = first - before
      if (waited >= DAYS) {
        first = before
        notes.push(`there are usually no ${WORDS[t.weather]} here`)
      } else if (waited > 0) notes.push(`waits for ${WORDS[t.weather]}, usual from ${dayName(dayOfYear(first))}`)
    }
    let last = first
    let over = t.weather ? !suits(t.weather, first) : false
    for (let done = 1; done < count; done++) {
      last = workday(last + 1)
      over ||= t.weather !== undefined && !suits(t.weather, last)
    }
    if (over && notes.length === 0) notes.push(`runs out of ${WORDS[t.weather!]}`)
    // A hold takes no day: the work goes on on the same one.
    free = t.hold ? first : last + 1 + (t.restDays ?? 0)
    if (t.restDays) notes.push(`then rests ${t.restDays} days`)
    return {
      id: t.id,
      name: t.name,
      stage: t.stage,
      from: isoDay(first),
      to: isoDay(last),
      days: count,
      hours,
      hold: t.hold ?? null,
      note: notes.join('; '),
      caution: t.caution ?? '',
    }
  })
}
