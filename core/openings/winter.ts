import { DAYS, MONTH_OF_DAY } from '../climate/types'
import { choice, count, temperature } from '../design/field'

const HABITS = [
  { id: 'as ever', name: 'works as in summer' },
  { id: 'shut', name: 'unhooked: stays shut' },
  { id: 'plugged', name: 'plugged: stays shut, its rim sealed' },
  { id: 'insulated', name: 'insulated: sealed behind a board of foam' },
] as const
const BY = [
  { id: 'dates', name: 'by dates' },
  { id: 'cold', name: 'by the cold' },
] as const

/** What is done to an opening for the winter, and when that is. */
export interface WinterHabit {
  winter: (typeof HABITS)[number]['id']
  winterBy: (typeof BY)[number]['id']
  winterFromMonth: number
  winterUntilMonth: number
  winterBelowC: number
}

export const month = (start: number, label: string) => count(1, 12, { start, label, about: '1 for January to 12' })

export const winterFields = {
  winter: choice(HABITS, { start: 'as ever', label: 'In winter' }),
  winterBy: choice(BY, { start: 'dates', label: 'Winter goes' }),
  winterFromMonth: month(11, 'Winter from the start of month'),
  winterUntilMonth: month(3, 'Winter to the end of month'),
  winterBelowC: temperature(-30, 25, {
    start: 4,
    step: 0.5,
    label: 'Winter while a week is below',
    about: 'mean outside of the seven days before',
  }),
}

/** Whether a month, 1–12, lies between two, which may span the new year. */
export const within = (month: number, from: number, until: number): boolean =>
  from <= until ? month >= from && month <= until : month >= from || month <= until

const WEEK = 7

/** The days of the year, 1 each of 365, on which an opening is as its winter has it. */
export function winterDays(habit: WinterHabit, dryBulbC: ArrayLike<number>): Uint8Array {
  const out = new Uint8Array(DAYS)
  if (habit.winter === 'as ever') return out
  if (habit.winterBy === 'dates')
    return out.map((_, d) => Number(within(MONTH_OF_DAY[d]! + 1, habit.winterFromMonth, habit.winterUntilMonth)))
  const meanOf = (day: number) => {
    let sum = 0
    for (let k = 0; k < 24; k++) sum += dryBulbC[day * 24 + k]!
    return sum / 24
  }
  const means = Array.from(out, (_, d) => meanOf(d))
  return out.map((_, d) => {
    let sum = 0
    for (let k = 1; k <= WEEK; k++) sum += means[(d - k + DAYS) % DAYS]!
    return Number(sum / WEEK < habit.winterBelowC)
  })
}
