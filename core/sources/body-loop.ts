import { MONTH_OF_DAY } from '../climate/types'
import { choice, difference, group, plain, electricPower, share, temperature, type Value } from '../design/field'
import { WATER_SPECIFIC_HEAT } from '../physics/constants'
import { body, loopFields, on, PLAIN, upTo } from './common'
import type { SourceKind } from './kind'

/**
 * Water pumped from a body through the beds and back: pipes in their soil, or beds of gravel that are flooded from a
 * tank.
 */
const fields = group(
  {
    kind: choice([{ id: 'body loop', name: 'Loop from a body to the beds' }], {}),
    on,
    body,
    flowLMin: plain(0.1, 1000, { start: 10, unit: 'L/min', label: 'Flow' }),
    givesShare: share(0.05, 1, {
      start: 0.6,
      step: 0.05,
      label: 'Share given up',
      hint: 'About 0.6 for pipes in soil, 0.95 for gravel that is flooded.',
      about: 'of the difference between body and beds',
    }),
    startK: difference(0.5, 20, { start: 3, label: 'Runs from', about: 'while the body is so much warmer' }),
    leastC: temperature(0, 60, { start: 6, step: 0.5, label: 'Leaves the body at' }),
    setPointC: temperature(0, 60, { start: 16, step: 0.5, label: 'Brings the beds to' }),
    powerW: electricPower(0, 5000, { start: 30, label: 'Pump' }),
    ...loopFields,
  },
  { label: 'Loop from a body to the beds' },
)
type BodyLoop = Value<typeof fields>

/** Of what would bring body and beds level within a block of time, the share that is moved at most. */
const HALF_WAY = 0.5

/** Takes heat from the body and gives it to the soil; what the pump draws stays in the water. */
export const BODY_LOOP: SourceKind<BodyLoop> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'body loop',
  name: 'Loop from a body',
  fields,
  gain: 'pumps',
  work: s => {
    const flow = (s.flowLMin / 60) * WATER_SPECIFIC_HEAT * s.givesShare
    return (hour, { body: from, beds, spanS, moves, draws }) => {
      if (!from || !beds || !s.months.includes(MONTH_OF_DAY[(hour / 24) | 0]! + 1)) return 0
      const warmer = from.atC - beds.atC
      if (warmer < s.startK || from.atC <= s.leastC) return 0
      const level = (warmer / (1 / from.capacity + 1 / beds.capacity)) * (HALF_WAY / spanS)
      const spare = ((from.atC - s.leastC) * from.capacity) / spanS
      const watts = Math.min(flow * warmer, level, spare, upTo(beds, s.setPointC, spanS))
      if (watts <= 0) return 0
      from.take(s.powerW - watts)
      beds.take(watts)
      moves(watts)
      draws(s.powerW)
      return s.powerW
    }
  },
  body: s => s.body,
  beds: s => s.inBeds,
  cost: () => ({ amount: 1, unit: 'pieces', price: 'device.loop' }),
  line: (s, show) => `${s.flowLMin} L/min, brings the beds to ${show(s.setPointC, 'temperature')}`,
}
