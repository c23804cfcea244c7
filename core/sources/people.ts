import { LATENT } from '../physics/constants'
import { choice, count, group, hours, type Value } from '../design/field'
import { clock, clockShares } from '../people/clock'
import { isDay, ownDays } from '../people/presence'
import { on, PLAIN } from './common'
import type { SourceKind } from './kind'

const fields = group(
  {
    kind: choice([{ id: 'people', name: 'People' }], {}),
    on,
    count: count(0, 200, { whole: false, start: 2, label: 'How many' }),
    days: ownDays,
    fromH: hours(0, 24, { start: 9, step: 0.5, label: 'There from, o’clock' }),
    untilH: hours(0, 24, { start: 16, step: 0.5, label: 'There until, o’clock' }),
  },
  { label: 'People' },
)
type People = Value<typeof fields>

/** A person at light work: dry heat W, and water kg/s. ASHRAE Fundamentals ch. 18. */
const PERSON_W = 90
const PERSON_WATER = 50e-3 / 3600

export const PEOPLE: SourceKind<People> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'people',
  name: 'People',
  plural: true,
  fields,
  gain: 'people',
  idle: ({ days }) => (days === 'house' ? ['fromH', 'untilH'] : []),
  work: (s, { there: inHouse }) => {
    const shares = clockShares(s.fromH, s.untilH)
    return (hour, room) => {
      const share = s.days === 'house' ? inHouse[hour]! : isDay(s.days, (hour / 24) | 0) ? shares[hour % 24]! : 0
      const there = s.count * share
      room.toAir(there * PERSON_W)
      room.toDamp(there * PERSON_WATER)
      return there * (PERSON_W + LATENT * PERSON_WATER)
    }
  },
  line: s =>
    `${s.count}, ${s.days === 'house' ? 'by the calendar of the house' : `${clock(s.fromH)} to ${clock(s.untilH)}`}`,
}
