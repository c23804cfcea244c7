import { createEvents, type EventAttributes } from 'ics'
import type { Design } from '../core/design/types'
import { oneLine } from '../core/text/control'
import { dayNumber } from '../core/plan/calendar'
import type { DatedTask } from '../core/season/season-tasks'
import { dayAfter, dayParts } from './plan-ics'

/** The season's tasks as a calendar: each an event of its days, those that come again with their rule. */
export function writeTasksIcs(tasks: readonly DatedTask[], { id, name }: Pick<Design, 'id' | 'name'>): string {
  const { error, value } = createEvents(
    tasks.map((t): EventAttributes => {
      const again = t.everyDays
      const times = again ? Math.floor((dayNumber(t.until) - dayNumber(t.from)) / again) + 1 : 1
      return {
        uid: `${t.id}-${t.from}-${id}@tierra`,
        title: t.name,
        description: [t.why, t.caution].filter(Boolean).join('\n'),
        start: dayParts(t.from),
        end: dayParts(dayAfter(again ? t.from : t.until)),
        ...(again ? { recurrenceRule: `FREQ=DAILY;INTERVAL=${again};COUNT=${times}` } : {}),
        calName: oneLine(name),
        productId: 'tierra/season',
        categories: [t.group],
      }
    }),
  )
  if (error || !value) throw error ?? new Error('The calendar could not be written.')
  return value
}
