import { GLAZINGS } from '../catalog'
import { choice, count, entryOf, flag, group, length, orNull, share, startOf, type Value } from '../design/field'
import { offsetM, openerFields, part } from './common'
import { rimSavedM2, SHARP, type OpeningKind } from './kind'

/** Panes let into a solid part: one, or a row of them. */
const fields = group(
  {
    kind: choice([{ id: 'window', name: 'Window' }], {}),
    part,
    widthM: length(0.1, 20, { start: 1, label: 'Width' }),
    heightM: length(0.1, 6, { start: 0.6, label: 'Height' }),
    count: count(1, 24, { start: 1, label: 'How many in a row' }),
    sillM: length(0, 10, { start: 1, label: 'Sill above the foot of the part' }),
    offsetM,
    glazing: orNull(entryOf(GLAZINGS, { label: 'Glazing' }), {
      start: null,
      label: 'Glazing',
      about: 'null: the house’s',
    }),
    covered: flag({ start: false, label: 'Night cover drawn over it' }),
    opensShare: share(0, 1, { start: 0.5, step: 0.1, label: 'Share that opens' }),
    ...openerFields('shut'),
  },
  { label: 'Window' },
)
type Window = Value<typeof fields>

export const WINDOW: OpeningKind<Window> & { fields: typeof fields } = {
  kind: 'window',
  name: 'Window',
  fields,
  on: ['kneeWall', 'front', 'poleSlope', 'lowerPoleSlope', 'backWall', 'eastEnd', 'westEnd'],
  onDome: false,
  fresh: (on, host) => {
    const heightM = Math.min(0.6, Math.floor(host.longM * 50) / 100)
    return {
      ...(startOf(fields) as Window),
      kind: 'window',
      part: on,
      widthM: Math.min(1.2, Math.floor(host.wideM * 50) / 100),
      heightM,
      sillM: Math.max(0, Math.floor((host.longM - heightM - 0.15) * 100) / 100),
    }
  },
  freeM2: o => o.widthM * o.heightM * o.count * o.opensShare,
  height: (o, host) => {
    const up = (o.sillM + o.heightM / 2) / Math.max(host.longM, 1e-6)
    const rise = (host.highM - host.lowM) / Math.max(host.longM, 1e-6)
    return { atM: host.lowM + Math.min(1, up) * (host.highM - host.lowM), tallM: o.heightM * rise }
  },
  discharge: SHARP,
  ridge: false,
  panes: o => o,
  opener: o => o,
  plugSavesM2: rimSavedM2,
  traffic: () => null,
  cost: o => [{ amount: o.widthM * o.heightM * o.count, unit: 'm²', price: 'part.window' }],
  line: (o, show) =>
    `${o.count > 1 ? `${o.count} × ` : ''}${show(o.widthM, 'length')} × ${show(o.heightM, 'length')}, ` +
    `sill ${show(o.sillM, 'length')} up`,
}
