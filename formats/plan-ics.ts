import { createEvents, type DateArray, type EventAttributes } from 'ics'
import type { Design } from '../core/design/types'
import { oneLine } from '../core/text/control'
import { dayNumber, isoDay } from '../core/plan/calendar'
import type { Planned } from '../core/plan/schedule'

export const dayParts = (iso: string): DateArray => iso.split('-').map(Number) as DateArray
/** The day after: an event of whole days ends before it. */
export const dayAfter = (iso: string) => isoDay(dayNumber(iso) + 1)

/** The order of work as a calendar: whole days, each task an event. Throws what the calendar's maker says is wrong. */
export function writePlanIcs(plan: readonly Planned[], { id, name }: Pick<Design, 'id' | 'name'>): string {
  const { error, value } = createEvents(
    plan.map(
      (t): EventAttributes => ({
        uid: `${t.id}-${id}@tierra`,
        title: t.hold ? `Hold: ${t.name}` : t.name,
        description: [t.hold ?? '', t.note, t.caution].filter(Boolean).join('\n'),
        start: dayParts(t.from),
        end: dayParts(dayAfter(t.to)),
        calName: oneLine(name),
        productId: 'tierra/plan',
        categories: [t.stage],
      }),
    ),
  )
  if (error || !value) throw error ?? new Error('The calendar could not be written.')
  return value
}
