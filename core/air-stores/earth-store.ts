import { choice, count, group, length, type Value } from '../design/field'
import { airPath, CORRUGATION_M, roundPipe } from './air-path'
import { fan, intake, on, startK, throughGround } from './common'
import type { AirStoreKind } from './kind'

/** Air drawn from the room through pipes in the ground and back. */
const fields = group(
  {
    kind: choice([{ id: 'earth store', name: 'Earth store' }], {}),
    on,
    pipes: count(1, 200, { start: 10, label: 'Pipes' }),
    pipeLengthM: length(1, 100, { start: 8, label: 'Pipe length' }),
    pipeDiameterM: length(0.04, 0.6, { start: 0.1, label: 'Pipe diameter' }),
    depthM: length(0.2, 2.5, { start: 0.9, label: 'Depth' }),
    startK,
    intake,
    fan: fan(700, 120, 90),
  },
  { label: 'Earth store' },
)
type EarthStore = Value<typeof fields>

export const EARTH_STORE: AirStoreKind<EarthStore> & { fields: typeof fields } = {
  kind: 'earth store',
  name: 'Earth store',
  plural: false,
  fields,
  lies: 'floor',
  depthM: s => s.depthM,
  footM2: () => 0,
  work: (s, { soilConductivity }) => {
    const path = airPath({
      ...roundPipe(s.pipeDiameterM),
      pipes: s.pipes,
      lengthM: s.pipeLengthM,
      roughnessM: CORRUGATION_M,
      fan: s.fan,
      soilConductivity,
    })
    return throughGround(s, path)
  },
  line: (s, show) =>
    `${s.pipes} pipes of ${show(s.pipeLengthM, 'length')}, ${show(s.pipeDiameterM, 'thickness')} wide, ` +
    `${show(s.depthM, 'length')} deep`,
}
