import { HOURS } from '../climate/types'
import { choice, group, hours, power, temperature, type Value } from '../design/field'
import { entry, FUELS } from '../catalog'
import { fuelFields, fumes, on, PLAIN, withFumes } from './common'
import type { Place, SourceKind } from './kind'

const LIT = [
  { id: 'there', name: 'on days when people are there' },
  { id: 'always', name: 'on every such night' },
] as const

/** Somebody lights it for a cold night, and it burns until it is out, whatever the air. */
const fields = group(
  {
    kind: choice([{ id: 'stove', name: 'Stove' }], {}),
    on,
    belowC: temperature(-40, 20, {
      start: 0,
      step: 0.5,
      label: 'Lit when the night is forecast below',
      about: 'the lowest outside air of the sixteen hours after; the forecast is taken as right',
    }),
    lit: choice(LIT, { start: 'there', label: 'Somebody lights it', about: 'there: by the calendar of the house' }),
    litAtH: hours(0, 24, { start: 20, step: 0.5, label: 'Lit at, o’clock' }),
    burnsH: hours(0.5, 24, { start: 9, step: 0.5, label: 'Burns for' }),
    powerW: power(0, 50000, { start: 4000, usual: [0, 15000], step: 250, label: 'Heat while it burns' }),
    ...fuelFields('wood'),
  },
  { label: 'Stove' },
)
type Stove = Value<typeof fields>

/** Share of a closed iron stove's heat that shines on what is around it: half to two thirds, at 250 °C outside. */
const RADIANT = 0.55
/** A forecast looks so far ahead of the lighting, h. */
const AHEAD_H = 16

/** Share of each hour of the year that the stove burns, by the air outside and the hours in which people are there. */
export function burning(
  { belowC, lit, litAtH, burnsH }: Stove,
  { outsideC, there }: Pick<Place, 'outsideC' | 'there'>,
): Float32Array {
  const out = new Float32Array(HOURS)
  for (let day = 0; day < HOURS / 24; day++) {
    if (lit === 'there' && !there.subarray(24 * day, 24 * day + 24).includes(1)) continue
    const from = day * 24 + litAtH
    let low = Infinity
    for (let h = Math.floor(from); h < from + AHEAD_H; h++) low = Math.min(low, outsideC[h % HOURS]!)
    if (low >= belowC) continue
    for (let h = Math.floor(from); h < from + burnsH; h++) {
      const share = Math.min(h + 1, from + burnsH) - Math.max(h, from)
      out[h % HOURS] = Math.min(1, out[h % HOURS]! + share)
    }
  }
  return out
}

export const STOVE: SourceKind<Stove> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'stove',
  name: 'Stove',
  fields,
  gain: 'stove',
  work: (s, place) => {
    const lit = burning(s, place)
    const water = fumes(s)
    const all = withFumes(s)
    return (hour, room) => {
      const watts = s.powerW * lit[hour]!
      room.toFaces(RADIANT * watts)
      room.toAir((1 - RADIANT) * watts)
      room.toDamp(watts * water)
      return watts * all
    }
  },
  fired: s => s,
  cost: () => ({ amount: 1, unit: 'pieces', price: 'device.stove' }),
  line: (s, show) =>
    `${entry(FUELS, s.fuel).name.toLowerCase()}, ${show(s.powerW, 'power')} for ${show(s.burnsH, 'hours')}, lit when ` +
    `a night is forecast below ${show(s.belowC, 'temperature')}`,
}
