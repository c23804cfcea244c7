import { GLAZINGS } from '../catalog'
import { choice, count, entryOf, flag, group, length, orNull, plain, startOf, type Value } from '../design/field'
import { offsetM, openerFields, part, WALLS } from './common'
import { rimSavedM2, SHARP, type OpeningKind } from './kind'

/** What people go through; it may also stand open to breathe. */
const fields = group(
  {
    kind: choice([{ id: 'door', name: 'Door' }], {}),
    part,
    widthM: length(0, 6, { start: 0.9, label: 'Width' }),
    heightM: length(0.5, 4, { start: 2, label: 'Height' }),
    offsetM,
    glazed: flag({ start: false, label: 'Glazed' }),
    glazing: orNull(entryOf(GLAZINGS, { label: 'Glazing' }), {
      start: null,
      label: 'Glazing',
      about: 'of a glazed door; null: the house’s',
    }),
    openingsPerDay: count(0, 500, { whole: false, start: 4, label: 'Openings a day' }),
    openS: plain(0, 600, { start: 12, unit: 's', label: 'Open each time' }),
    ...openerFields('shut'),
  },
  { label: 'Door' },
)
type Door = Value<typeof fields>

/** Hours of a day in which people come and go. */
const WORKING_HOURS = 10

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
    heightM: Math.max(0.5, Math.min(2, Math.floor((host.highM - host.lowM) * 95) / 100)),
  }),
  freeM2: o => o.widthM * o.heightM,
  height: (o, host) => ({ atM: host.lowM + o.heightM / 2, tallM: o.heightM }),
  discharge: SHARP,
  ridge: false,
  panes: o => (o.glazed ? { ...o, sillM: 0, count: 1, covered: false } : null),
  opener: o => o,
  plugSavesM2: rimSavedM2,
  traffic: o => ({ areaM2: o.widthM * o.heightM, secondsPerHour: (o.openingsPerDay * o.openS) / WORKING_HOURS }),
  cost: o => [{ amount: o.widthM * o.heightM, unit: 'm²', price: 'part.door' }],
  line: (o, show) =>
    `${show(o.widthM, 'length')} × ${show(o.heightM, 'length')}${o.glazed ? ', glazed' : ''}, ` +
    `${o.openingsPerDay} times a day`,
}
