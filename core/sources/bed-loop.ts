import { MONTH_OF_DAY } from '../climate/types'
import { choice, group, power, temperature, type Value } from '../design/field'
import { entry, FUELS } from '../catalog'
import { fuelFields, fumes, loopFields, on, PLAIN, upTo, withFumes } from './common'
import type { SourceKind } from './kind'

/** Pipes of warm water in the soil of the beds. */
const fields = group(
  {
    kind: choice([{ id: 'bed loop', name: 'Warm-water loop in the beds' }], {}),
    on,
    capacityW: power(0, 100000, { start: 2000, usual: [0, 20000], step: 250, label: 'Greatest output' }),
    setPointC: temperature(-60, 60, { start: 14, usual: [0, 30], step: 0.5, label: 'Keeps the beds at' }),
    ...loopFields,
    ...fuelFields('electricity'),
  },
  { label: 'Warm-water loop in the beds' },
)
type BedLoop = Value<typeof fields>

export const BED_LOOP: SourceKind<BedLoop> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'bed loop',
  name: 'Bed loop',
  fields,
  gain: 'bed loop',
  work: s => {
    const water = fumes(s)
    const all = withFumes(s)
    return (hour, room) => {
      if (!room.beds || !s.months.includes(MONTH_OF_DAY[(hour / 24) | 0]! + 1)) return 0
      const watts = Math.min(s.capacityW, upTo(room.beds, s.setPointC, room.spanS))
      room.beds.take(watts)
      room.toDamp(watts * water)
      return watts * all
    }
  },
  beds: s => s.inBeds,
  fired: s => s,
  cost: () => ({ amount: 1, unit: 'pieces', price: 'device.loop' }),
  line: (s, show) =>
    `${entry(FUELS, s.fuel).name.toLowerCase()}, ${show(s.capacityW, 'power')}, keeps the beds at ` +
    show(s.setPointC, 'temperature'),
}
