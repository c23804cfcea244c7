import { angle, choice, group, electricPower, type Value } from '../design/field'
import { body, HOT_C, on, PLAIN, upTo } from './common'
import type { SourceKind } from './kind'

/** What solar cells make and nobody else uses. */
const fields = group(
  {
    kind: choice([{ id: 'spare power', name: 'Spare solar power' }], {}),
    on,
    peakW: electricPower(0, 100000, { start: 1000, usual: [0, 10000], step: 100, label: 'Peak power' }),
    tiltDeg: angle(0, 90, { start: 45, label: 'Tilt', about: 'from level' }),
    body,
  },
  { label: 'Spare solar power' },
)
type SparePower = Value<typeof fields>

/** Of a solar array's rated power, after heat and wiring. */
const ARRAY_RATIO = 0.85

/** Into the body until it is hot, then nowhere; without one it warms the air while that is not hot. */
export const SPARE_POWER: SourceKind<SparePower> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'spare power',
  name: 'Spare solar power',
  fields,
  gain: 'dump load',
  work: (s, place) => {
    const sun = place.sunOn(s.tiltDeg)
    return (hour, room) => {
      const made = ((s.peakW * sun[hour]!) / 1000) * ARRAY_RATIO
      if (!room.body) {
        if (room.airC >= room.ventsAtC) return 0
        room.toAir(made)
        return made
      }
      const watts = Math.min(made, upTo(room.body, HOT_C, room.spanS))
      room.body.take(watts)
      return watts
    }
  },
  body: s => s.body,
  line: (s, show) => `${show(s.peakW, 'electricPower')} at ${show(s.tiltDeg, 'angle')}`,
}
