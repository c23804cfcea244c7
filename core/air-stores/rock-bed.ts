import { area, choice, group, length, thickness, type Value } from '../design/field'
import { controlled, controls, fan, intake, on, startK } from './common'
import { NO_WORK, type AirStoreKind } from './kind'
import { packedBed } from './packed-bed'

/** Clean rock in an insulated pit under the floor, air through it. */
const fields = group(
  {
    kind: choice([{ id: 'rock bed', name: 'Rock bed' }], {}),
    on,
    areaM2: area(0.5, 200, { start: 6, label: 'Area' }),
    depthM: length(0.2, 3, { start: 0.6, label: 'Depth' }),
    rockM: length(0.01, 0.2, { start: 0.05, label: 'Rock size' }),
    insulationM: thickness(0, 0.4, { start: 0.1, label: 'Insulation around it' }),
    startK,
    intake,
    ...controls,
    fan: fan(600, 120, 90),
  },
  { label: 'Rock bed' },
)
type RockBed = Value<typeof fields>

/** Foam round the pit, W/m·K, and the films on both its sides, m²K/W. */
const FOAM = 0.035
const FILMS = 0.2

export const ROCK_BED: AirStoreKind<RockBed> & { fields: typeof fields } = {
  kind: 'rock bed',
  name: 'Rock bed',
  plural: false,
  fields,
  lies: 'floor',
  depthM: s => s.depthM,
  depthsM: s => [s.depthM],
  footM2: s => s.areaM2,
  work: s => {
    const { flowM3s, pressurePa, nodeEffectiveness, nodeCapacity } = packedBed(s)
    const around = 2 * s.areaM2 + 4 * Math.sqrt(s.areaM2) * s.depthM
    return {
      ...NO_WORK,
      as: 'rock',
      flowM3s,
      pressurePa,
      effectiveness: nodeEffectiveness,
      nodeCapacity,
      toGround: around / (s.insulationM / FOAM + FILMS),
      fanW: s.fan.powerW,
      ...controlled(s),
    }
  },
  line: (s, show) =>
    `${show(s.areaM2, 'area')}, ${show(s.depthM, 'length')} of ${show(s.rockM, 'thickness')} rock, ` +
    `${show(s.insulationM, 'thickness')} insulation`,
}
