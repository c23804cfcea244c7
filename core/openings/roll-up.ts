import { choice, group, length, startOf, type Value } from '../design/field'
import { openerFields, part } from './common'
import { SHARP, type OpeningKind } from './kind'
import { edgeSavedM2, shuts, offsetM } from './leaf'

/** The foot of a film, rolled up along the side. */
const fields = group(
  {
    kind: choice([{ id: 'roll-up side', name: 'Roll-up side' }], {}),
    part,
    lengthM: length(0.5, 100, { start: 6, label: 'Length' }),
    heightM: length(0.1, 3, { start: 0.8, label: 'Rolled up by' }),
    sillM: length(0, 4, { start: 0, label: 'Its foot above that of the part' }),
    offsetM,
    shuts,
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
  row: o => ({ ...o, count: 1, widthM: o.lengthM, spread: false }),
  // It is the part's own film.
  leaf: () => null,
  freeM2: o => o.lengthM * o.heightM,
  scaled: (o, share) => ({ ...o, lengthM: Math.round(o.lengthM * share * 1000) / 1000 }),
  discharge: SHARP,
  ridge: false,
  opener: o => o,
  plugSavesM2: (o, edgeM) => edgeSavedM2(o.shuts, edgeM),
  traffic: () => null,
  cost: o => [{ amount: o.lengthM, unit: 'm', price: 'part.roll-up' }],
  line: (o, show) => `${show(o.lengthM, 'length')} long, rolls up by ${show(o.heightM, 'length')}`,
}
