import { HOURS } from '../climate/types'
import { choice, count, group, number, electricPower, temperature, type Value } from '../design/field'
import { on, PLAIN, upTo } from './common'
import type { SourceKind } from './kind'

/** A heap with a loop of water to the beds; without beds it warms the air. */
const fields = group(
  {
    kind: choice([{ id: 'compost', name: 'Compost heap' }], {}),
    on,
    massKg: number('mass', 0, 200000, { start: 2000, label: 'Mass' }),
    startDay: count(0, 364, { start: 305, label: 'Set up on day', about: 'day of the year, 0 for 1 January' }),
    loopWK: number('conductance', 0, 2000, {
      start: 20,
      label: 'Loop passes',
      about: 'from the heap to the beds, for each kelvin between them',
    }),
    setPointC: temperature(0, 40, { start: 18, step: 0.5, label: 'Brings the beds to' }),
    powerW: electricPower(0, 2000, { start: 20, label: 'Pump' }),
  },
  { label: 'Compost heap' },
)
type Compost = Value<typeof fields>

/** Fresh compost gives about this much, W a tonne, fading over months. Measured heaps give 50–250. */
const W_PER_TONNE = 110
const FADES_DAYS = 70
/** A working heap stands about so much warmer than the air outside while it is fresh, K. Measured heaps: 30–50. */
const WARMER_K = 40

/**
 * The loop gives what it passes between heap and beds, no more than the heap makes, and no more than brings the beds to
 * their set point. What the pump draws stays in the water.
 */
export const COMPOST: SourceKind<Compost> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'compost',
  name: 'Compost heap',
  fields,
  gain: 'compost',
  work: s => {
    const fresh = Float32Array.from({ length: HOURS }, (_, h) => {
      const age = h / 24 - s.startDay
      return Math.exp(-(age < 0 ? age + 365 : age) / FADES_DAYS)
    })
    return (hour, room) => {
      const makes = (s.massKg / 1000) * W_PER_TONNE * fresh[hour]!
      const to = room.beds?.atC ?? room.airC
      const passes = s.loopWK * (room.outsideC + WARMER_K * fresh[hour]! - to)
      const wanted = room.beds ? upTo(room.beds, s.setPointC, room.spanS) : to < s.setPointC ? Infinity : 0
      const watts = Math.min(makes, passes, wanted)
      if (watts <= 0) return 0
      room.draws(s.powerW)
      const all = watts + s.powerW
      if (room.beds) room.beds.take(all)
      else room.toAir(all)
      return all
    }
  },
  cost: () => ({ amount: 1, unit: 'pieces', price: 'device.compost' }),
  line: (s, show) => `${show(s.massKg, 'mass')}, a loop to the beds`,
}
