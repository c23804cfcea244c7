import { AIR_SPECIFIC_HEAT } from '../physics/constants'
import { choice, group, number, type Value } from '../design/field'
import { on, panelFields, PLAIN } from './common'
import type { SourceKind } from './kind'

/** A collector that warms room air. */
const fields = group(
  {
    kind: choice([{ id: 'solar air panel', name: 'Solar air panel' }], {}),
    on,
    ...panelFields(60),
    flowM3h: number('airflow', 10, 20000, { start: 200, label: 'Flow' }),
  },
  { label: 'Solar air panel' },
)
type AirPanel = Value<typeof fields>

/** Air of a room, kg/m³. */
const AIR_DENSITY = 1.2
/** The panel's fan bounds what it brings: its air comes back so much warmer at most, K. */
const MOST_RISE_K = 40

/**
 * Useful heat of a solar air panel, W/m²: it takes 70 % of the sun and loses 5 W/m²K from its mean temperature to the
 * air outside; nothing when it would cool.
 */
export function airPanelWm2(sunWm2: number, insideC: number, outsideC: number): number {
  return Math.max(0, 0.7 * sunWm2 - 5 * (insideC - outsideC))
}

export const AIR_PANEL: SourceKind<AirPanel> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'solar air panel',
  name: 'Solar air panel',
  fields,
  gain: 'solar air panel',
  work: (s, place) => {
    const sun = place.sunOn(s.tiltDeg)
    const most = (s.flowM3h / 3600) * AIR_DENSITY * AIR_SPECIFIC_HEAT * MOST_RISE_K
    return (hour, room) => {
      if (room.airC >= room.ventsAtC) return 0
      const watts = Math.min(s.areaM2 * airPanelWm2(sun[hour]!, room.airC, room.outsideC), most)
      room.toAir(watts)
      return watts
    }
  },
  line: (s, show) => `${show(s.areaM2, 'area')} at ${show(s.tiltDeg, 'angle')}`,
}
