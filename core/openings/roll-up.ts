import { choice, group, length, startOf, type Value } from '../design/field'
import { openerFields, part } from './common'
import { rimSavedM2, SHARP, type OpeningKind } from './kind'

/** The foot of a film, rolled up along the side. */
const fields = group(
  {
    kind: choice([{ id: 'roll-up side', name: 'Roll-up side' }], {}),
    part,
    lengthM: length(0.5, 100, { start: 6, label: 'Length' }),
    heightM: length(0.1, 3, { start: 0.8, label: 'Rolled up by' }),
    sillM: length(0, 4, { start: 0, label: 'Its foot above that of the part' }),
    ...openerFields('hand', 24),
  },
  { label: 'Roll-up side' },
)
type RollUp = Value<typeof fields>

export const ROLL_UP: OpeningKind<RollUp> & { fields: typeof fields } = {
  kind: 'roll-up side',
  name: 'Roll-up side',
  fields,
  on: ['kneeWall', 'front', 'sunnySlope', 'poleSlope', 'lowerPoleSlope', 'backWall'],
  onDome: false,
  fresh: (on, host) => ({
    ...(startOf(fields) as RollUp),
    kind: 'roll-up side',
    part: on,
    lengthM: Math.max(0.5, Math.floor(host.wideM * 9) / 10),
    heightM: Math.min(0.8, Math.floor(host.longM * 50) / 100),
  }),
  freeM2: o => o.lengthM * o.heightM,
  height: (o, host) => ({ atM: Math.min(host.highM, host.lowM + o.sillM + o.heightM / 2), tallM: o.heightM }),
  discharge: SHARP,
  ridge: false,
  panes: () => null,
  opener: o => o,
  plugSavesM2: rimSavedM2,
  traffic: () => null,
  cost: o => [{ amount: o.lengthM, unit: 'm', price: 'part.roll-up' }],
  line: (o, show) => `${show(o.lengthM, 'length')} long, rolls up by ${show(o.heightM, 'length')}`,
}
