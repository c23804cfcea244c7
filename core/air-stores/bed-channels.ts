import { choice, count, group, length, type Value } from '../design/field'
import { airPath, rectangularChannel } from './air-path'
import { controls, fan, intake, on, startK, throughGround } from './common'
import type { AirStoreKind } from './kind'

/** Air channels or gravel ducts under the beds, as long as the house. */
const fields = group(
  {
    kind: choice([{ id: 'bed channels', name: 'Bed channels' }], {}),
    on,
    count: count(1, 40, { start: 4, label: 'Channels' }),
    widthM: length(0.03, 0.6, { start: 0.15, label: 'wide' }),
    heightM: length(0.03, 0.6, { start: 0.1, label: 'high' }),
    startK,
    intake,
    ...controls,
    fan: fan(400, 80, 40),
  },
  { label: 'Bed channels' },
)
type BedChannels = Value<typeof fields>

/** Roughness of a channel of planks or gravel, m. */
const ROUGHNESS_M = 0.002

export const BED_CHANNELS: AirStoreKind<BedChannels> & { fields: typeof fields } = {
  kind: 'bed channels',
  name: 'Bed channels',
  plural: true,
  fields,
  lies: 'beds',
  depthM: () => 0,
  depthsM: () => [0],
  footM2: () => 0,
  work: (s, { lengthM, soilConductivity }) => {
    const path = airPath({
      ...rectangularChannel(s.widthM, s.heightM),
      pipes: s.count,
      lengthM,
      roughnessM: ROUGHNESS_M,
      fan: s.fan,
      soilConductivity,
    })
    return throughGround(s, path)
  },
  line: (s, show) => `${s.count} of ${show(s.widthM, 'thickness')} × ${show(s.heightM, 'thickness')}`,
}
