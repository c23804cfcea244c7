import { choice, group, type Value } from '../design/field'
import { body, HOT_C, on, panelFields, PLAIN, upTo } from './common'
import type { SourceKind } from './kind'

/** A collector with a loop of liquid to a coil in a body. */
const fields = group(
  { kind: choice([{ id: 'solar water panel', name: 'Solar water panel' }], {}), on, ...panelFields(60), body },
  { label: 'Solar water panel' },
)
type WaterPanel = Value<typeof fields>

/**
 * Useful heat of a solar water panel, W/m². Flat plate by its usual efficiency line, 0.75 and 4 W/m²K, less a tenth for
 * the coil and its antifreeze.
 */
export function waterPanelWm2(sunWm2: number, waterC: number, outsideC: number): number {
  return 0.9 * Math.max(0, 0.75 * sunWm2 - 4 * (waterC - outsideC))
}

export const WATER_PANEL: SourceKind<WaterPanel> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'solar water panel',
  name: 'Solar water panel',
  fields,
  gain: 'solar water panel',
  work: (s, place) => {
    const sun = place.sunOn(s.tiltDeg)
    return (hour, room) => {
      if (!room.body) return 0
      const gives = s.areaM2 * waterPanelWm2(sun[hour]!, room.body.atC, room.outsideC)
      const watts = Math.min(gives, upTo(room.body, HOT_C, room.spanS))
      room.body.take(watts)
      return watts
    }
  },
  body: s => s.body,
  cost: s => ({ amount: s.areaM2, unit: 'm²', price: 'device.water-panel' }),
  line: (s, show) => `${show(s.areaM2, 'area')} at ${show(s.tiltDeg, 'angle')}`,
}
