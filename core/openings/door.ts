import { choice, count, group, length, plain, share, startOf, type Value } from '../design/field'
import { openerFields, part, WALLS } from './common'
import { SHARP, type OpeningKind } from './kind'
import { edgeSavedM2, leafGlazing, made, shuts, offsetM } from './leaf'

/** What people go through; it may also stand open to breathe. */
const fields = group(
  {
    kind: choice([{ id: 'door', name: 'Door' }], {}),
    part,
    leaves: count(1, 2, { start: 1, label: 'Leaves', about: 'side by side, within its width' }),
    widthM: length(0, 6, { start: 0.9, label: 'Width' }),
    heightM: length(0.5, 4, { start: 2, label: 'Height' }),
    offsetM,
    leaf: made('panel'),
    glazedShare: share(0, 1, { start: 0, step: 0.05, label: 'Glazed share' }),
    glazing: leafGlazing,
    shuts,
    openingsPerDay: count(0, 500, { whole: false, start: 4, label: 'Openings a day' }),
    openS: plain(0, 600, { start: 12, unit: 's', label: 'Open each time' }),
    ...openerFields('shut'),
  },
  { label: 'Door' },
)
type Door = Value<typeof fields>

export const DOOR: OpeningKind<Door> & { fields: typeof fields } = {
  kind: 'door',
  name: 'Door',
  fields,
  on: WALLS,
  onDome: true,
  fresh: (on, host) => ({
    ...(startOf(fields) as Door),
    kind: 'door',
    part: on,
    widthM: Math.min(0.9, Math.floor(host.wideM * 50) / 100),
    // Under a slope it stands out in a dormer; an end has to be as high.
    heightM:
      on === 'eastEnd' || on === 'westEnd'
        ? Math.max(0.5, Math.min(2, Math.floor((host.highM - host.lowM) * 95) / 100))
        : 2,
  }),
  row: o => ({ ...o, count: 1, sillM: 0, spread: false }),
  leaf: o => ({ made: o.leaf, glazing: o.glazing, glazedShare: o.glazedShare, covered: false, shuts: o.shuts }),
  freeM2: o => o.widthM * o.heightM,
  scaled: () => null,
  discharge: SHARP,
  ridge: false,
  opener: o => o,
  plugSavesM2: (o, edgeM) => edgeSavedM2(o.shuts, edgeM + (o.leaves - 1) * o.heightM),
  traffic: o => ({ areaM2: o.widthM * o.heightM, secondsPerDay: o.openingsPerDay * o.openS }),
  cost: o => [{ amount: o.widthM * o.heightM, unit: 'm²', price: 'part.door' }],
  line: (o, show) =>
    `${show(o.widthM, 'length')} × ${show(o.heightM, 'length')}${o.glazedShare > 0 ? ', glazed' : ''}, ` +
    `${o.openingsPerDay} times a day`,
}
