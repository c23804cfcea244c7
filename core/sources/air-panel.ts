import { AIR_SPECIFIC_HEAT } from '../physics/constants'
import { choice, group, number, electricPower, type Value } from '../design/field'
import { on, panelFields, PLAIN } from './common'
import type { SourceKind } from './kind'

/** A collector that warms room air. */
const fields = group(
  {
    kind: choice([{ id: 'solar air panel', name: 'Solar air panel' }], {}),
    on,
    ...panelFields(60),
    flowM3h: number('airflow', 10, 20000, { start: 200, label: 'Flow' }),
    powerW: electricPower(0, 2000, { start: 20, label: 'Fan' }),
  },
  { label: 'Solar air panel' },
)
type AirPanel = Value<typeof fields>

/** Of the sun, what a panel takes in; what it loses, and what passes from its sheet to its air, W/m²K. */
const TAKES = 0.75
const LOSES = 5
const PASSES = 20

/**
 * Useful heat of a solar air panel, W/m²: its absorber heats the air that is blown through it, the more of the sun the
 * more air there is; nothing when it would cool.
 * @param flowWK what the air carries for each kelvin and square metre of panel, W/m²K, above 0
 * Source: Duffie & Beckman ch. 6, heat removal factor.
 */
export function airPanelWm2(sunWm2: number, insideC: number, outsideC: number, flowWK: number): number {
  const efficiency = PASSES / (PASSES + LOSES)
  const removal = (flowWK / LOSES) * (1 - Math.exp((-LOSES * efficiency) / flowWK))
  return Math.max(0, removal * (TAKES * sunWm2 - LOSES * (insideC - outsideC)))
}

export const AIR_PANEL: SourceKind<AirPanel> & { fields: typeof fields } = {
  ...PLAIN,
  kind: 'solar air panel',
  name: 'Solar air panel',
  fields,
  gain: 'solar air panel',
  work: (s, place) => {
    const sun = place.sunOn(s.tiltDeg)
    return (hour, room) => {
      if (room.airC >= room.ventsAtC || s.areaM2 <= 0) return 0
      const flowWK = (s.flowM3h / 3600) * room.density * AIR_SPECIFIC_HEAT
      const watts = s.areaM2 * airPanelWm2(sun[hour]!, room.airC, room.outsideC, flowWK / s.areaM2)
      // Its fan stands still unless the panel gives more than the fan draws.
      if (watts <= s.powerW) return 0
      room.draws(s.powerW)
      room.toAir(watts + s.powerW)
      return watts + s.powerW
    }
  },
  cost: s => ({ amount: s.areaM2, unit: 'm²', price: 'device.air-panel' }),
  line: (s, show) => `${show(s.areaM2, 'area')} at ${show(s.tiltDeg, 'angle')}`,
}
