import { choice, group, length, temperature, thickness, type Value } from '../design/field'
import { airPath, roundPipe } from './air-path'
import { fan, on } from './common'
import { NO_WORK, type AirStoreKind } from './kind'

/** Outside air drawn in through a pipe in the ground beside the house. */
const fields = group(
  {
    kind: choice([{ id: 'earth tube', name: 'Earth tube' }], {}),
    on,
    lengthM: length(1, 100, { start: 20, label: 'long' }),
    diameterM: thickness(0.04, 0.6, { start: 0.2, label: 'Diameter' }),
    depthM: length(0.2, 2.5, { start: 1.6, label: 'Depth' }),
    belowC: temperature(-60, 60, { start: 4, label: 'Runs below' }),
    aboveC: temperature(-60, 60, { start: 28, label: 'Runs above' }),
    fan: fan(250, 100, 40),
  },
  { label: 'Earth tube' },
)
type EarthTube = Value<typeof fields>

/** Roughness of a smooth pipe, m. */
const ROUGHNESS_M = 0.0005

export const EARTH_TUBE: AirStoreKind<EarthTube> & { fields: typeof fields } = {
  kind: 'earth tube',
  name: 'Earth tube',
  plural: false,
  fields,
  lies: 'beside',
  depthM: s => s.depthM,
  depthsM: s => [s.depthM],
  footM2: () => 0,
  work: (s, { soilConductivity }) => {
    const { flowM3s, pressurePa, effectiveness } = airPath({
      ...roundPipe(s.diameterM),
      pipes: 1,
      lengthM: s.lengthM,
      roughnessM: ROUGHNESS_M,
      fan: s.fan,
      soilConductivity,
    })
    return {
      ...NO_WORK,
      as: 'tube',
      flowM3s,
      pressurePa,
      effectiveness,
      fanW: s.fan.powerW,
      belowC: s.belowC,
      aboveC: s.aboveC,
    }
  },
  line: (s, show) =>
    `${show(s.lengthM, 'length')} long, ${show(s.diameterM, 'thickness')} wide, ${show(s.depthM, 'length')} deep`,
}
