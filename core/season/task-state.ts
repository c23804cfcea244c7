import { dayNumber, isoDay } from '../plan/calendar'
import type { Written } from './book'
import type { DatedTask } from './season-tasks'

/** A task as a book has it: put off, and done. */
export interface TaskState extends DatedTask {
  /** When it was last done for this time round; null while it is due. */
  done: string | null
  /** Near enough to be done for this time round. */
  mayTick: boolean
}

/** Whoever does it early, by up to so many days, has done it for this time round. */
const EARLY_DAYS = 183
/** Tasks are shown as due so many days ahead. */
const SOON_DAYS = 14

/** Tasks with what a book says of them, on the days that they were put off to, in order. */
export function taskStates(
  tasks: readonly DatedTask[],
  { done, moved }: Pick<Written, 'done' | 'moved'>,
  today: string,
): TaskState[] {
  return tasks
    .map((t): TaskState => {
      const since = t.everyDays ? dayNumber(today) - t.everyDays : dayNumber(t.from) - EARLY_DAYS
      const its = done.filter(d => !d.night && d.task === t.id && dayNumber(d.on) >= since).map(d => d.on)
      const from = moved.find(m => m.task === t.id)?.to ?? t.from
      const lasts = dayNumber(t.until) - dayNumber(t.from)
      const mayTick = t.everyDays !== null || dayNumber(today) >= since
      return { ...t, from, until: isoDay(dayNumber(from) + lasts), done: its.sort().at(-1) ?? null, mayTick }
    })
    .sort((a, b) => a.from.localeCompare(b.from))
}

/** Whether a task is due, or soon will be. */
export const isSoon = ({ from }: Pick<DatedTask, 'from'>, today: string): boolean =>
  dayNumber(from) <= dayNumber(today) + SOON_DAYS

/** Done today, or not done after all. */
export const ticked = (written: Written, task: TaskState, today: string): Written => ({
  ...written,
  done:
    task.done === null
      ? [...written.done, { on: today, task: task.id, night: false }]
      : written.done.filter(d => d.night || d.task !== task.id || d.on !== task.done),
})

/** Put off to a day. */
export const putOff = (written: Written, id: string, to: string): Written => ({
  ...written,
  moved: [...written.moved.filter(m => m.task !== id), { task: id, to }],
})
