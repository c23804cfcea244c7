import { HOURS, MONTH_OF_DAY } from '../climate/types'
import { choice, group, hours, months, number, electricPower, type Value } from '../design/field'
import { clock, clockShares } from '../people/clock'
import { on, PLAIN } from './common'
import type { SourceKind } from './kind'

/** Light over the beds: what of its power is not light warms the air at once. */
const fields = group(
  {
    kind: choice([{ id: 'lamps', name: 'Lamps' }], {}),
    on,
    powerW: electricPower(0, 200000, { start: 200, usual: [0, 5000], step: 50, label: 'Power' }),
    fromH: hours(0, 24, { start: 5, step: 0.5, label: 'Lit from, o’clock' }),
    untilH: hours(0, 24, { start: 8, step: 0.5, label: 'Lit until, o’clock' }),
    molPerMJ: number('lampLight', 0, 5, {
      start: 2.5,
      label: 'Light for the power',
      about: 'useful light per MJ drawn',
    }),
    months: months([11, 12, 1, 2], { label: 'Lit in' }),
  },
  { label: 'Lamps' },
)
type Lamps = Value<typeof fields>

/** Energy in a mole of lamp light, MJ. */
const MJ_PER_MOL = 0.21
/** Of a lamp's power, what can be light at most. */
const MOST_LIGHT = 0.75

export const LAMPS: SourceKind<Lamps> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'lamps',
  name: 'Lamps',
  plural: true,
  fields,
  gain: 'lamps',
  work: s => {
    const shares = clockShares(s.fromH, s.untilH)
    const lit = Float32Array.from({ length: HOURS }, (_, h) =>
      s.months.includes(MONTH_OF_DAY[(h / 24) | 0]! + 1) ? s.powerW * shares[h % 24]! : 0,
    )
    const light = Math.min(MOST_LIGHT, s.molPerMJ * MJ_PER_MOL)
    return (hour, room) => {
      const watts = lit[hour]!
      const shone = room.beds ? light * watts : 0
      room.toLeaves(shone)
      room.toAir(watts - shone)
      return watts
    }
  },
  molPerMJ: s => s.molPerMJ,
  cost: s => ({ amount: s.powerW / 100, unit: 'pieces', price: 'device.lamp' }),
  line: (s, show) =>
    `${show(s.powerW, 'electricPower')}, ${clock(s.fromH)} to ${clock(s.untilH)} in ${s.months.length} months`,
}
