import { HOURS } from '../climate/types'
import { choice, count, group, number, type Value } from '../design/field'
import { on, PLAIN } from './common'
import type { SourceKind } from './kind'

/** A heap with a loop to the beds; without beds it warms the air. */
const fields = group(
  {
    kind: choice([{ id: 'compost', name: 'Compost heap' }], {}),
    on,
    massKg: number('mass', 0, 200000, { start: 2000, label: 'Mass' }),
    startDay: count(0, 364, { start: 305, label: 'Set up on day', about: 'day of the year, 0 for 1 January' }),
  },
  { label: 'Compost heap' },
)
type Compost = Value<typeof fields>

/** Fresh compost gives about this much, W a tonne, fading over months. Measured heaps give 50–250. */
const W_PER_TONNE = 110
const FADES_DAYS = 70

export const COMPOST: SourceKind<Compost> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'compost',
  name: 'Compost heap',
  fields,
  gain: 'compost',
  work: s => {
    const gives = Float32Array.from({ length: HOURS }, (_, h) => {
      const age = h / 24 - s.startDay
      return (s.massKg / 1000) * W_PER_TONNE * Math.exp(-(age < 0 ? age + 365 : age) / FADES_DAYS)
    })
    return (hour, room) => {
      const watts = gives[hour]!
      if (room.beds) room.beds.take(watts)
      else room.toAir(watts)
      return watts
    }
  },
  line: (s, show) => `${show(s.massKg, 'mass')}, a loop to the beds`,
}
