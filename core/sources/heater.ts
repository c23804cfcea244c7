import { choice, group, power, temperature, type Value } from '../design/field'
import { entry, FUELS } from '../catalog'
import { body, fuelFields, on, PLAIN, upTo, withFumes, fumes } from './common'
import type { SourceKind } from './kind'

/** Keeps something at a temperature by itself. */
const fields = group(
  {
    kind: choice([{ id: 'heater', name: 'Heater' }], {}),
    on,
    into: choice(
      [
        { id: 'air', name: 'warms the air' },
        { id: 'radiant', name: 'shines on faces and water' },
        { id: 'at body', name: 'shines on one body' },
        { id: 'body', name: 'warms a body' },
      ],
      { start: 'air', label: 'What it does' },
    ),
    setPointC: temperature(-10, 60, {
      start: 3,
      usual: [-10, 30],
      step: 0.5,
      label: 'Keeps it at',
      about: 'the air, or the body that it warms',
    }),
    capacityW: power(0, 100000, { start: 3000, usual: [0, 20000], step: 250, label: 'Greatest output' }),
    body,
    ...fuelFields('electricity'),
  },
  { label: 'Heater' },
)
type Heater = Value<typeof fields>

/** Share of a radiant heater's heat that shines on faces. ASHRAE HVAC Systems and Equipment, infrared heaters. */
const RADIANT = 0.7
/** What shines on a body comes on over so many kelvins below its set point. */
const EASES_K = 1
/** Air is kept no warmer than this, °C. */
export const WARMEST_AIR_C = 30

export const HEATER: SourceKind<Heater> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'heater',
  name: 'Heater',
  fields,
  gain: 'heater',
  thermostat: s =>
    s.into === 'body' || s.into === 'at body'
      ? null
      : { capacityW: s.capacityW, setPointC: s.setPointC, radiantShare: s.into === 'radiant' ? RADIANT : 0 },
  work: s => {
    if (s.into !== 'body' && s.into !== 'at body') return null
    const water = fumes(s)
    const all = withFumes(s)
    if (s.into === 'at body')
      return (_hour, room) => {
        if (!room.body) return 0
        const watts = s.capacityW * Math.min(1, Math.max(0, (s.setPointC - room.airC) / EASES_K))
        room.body.take(RADIANT * watts)
        room.toAir((1 - RADIANT) * watts)
        room.toDamp(watts * water)
        return watts * all
      }
    return (_hour, room) => {
      if (!room.body) return 0
      const watts = Math.min(s.capacityW, upTo(room.body, s.setPointC, room.spanS))
      room.body.take(watts)
      room.toDamp(watts * water)
      return watts * all
    }
  },
  body: s => s.body,
  fired: s => s,
  idle: s => (s.into === 'body' || s.into === 'at body' ? [] : ['body']),
  cost: s => ({ amount: s.capacityW / 1000, unit: 'pieces', price: 'device.heater' }),
  line: (s, show) =>
    `${entry(FUELS, s.fuel).name.toLowerCase()}, ${show(s.capacityW, 'power')}, keeps ` +
    `${s.into === 'body' ? 'its body' : 'the air'} at ${show(s.setPointC, 'temperature')}`,
}
