import { choice, flag, group, length, share, startOf, type Value } from '../design/field'
import { openerFields, part } from './common'
import { SHARP, sizeWords, type OpeningKind } from './kind'
import { edgeSavedM2, leafGlazing, rowFields, shuts } from './leaf'

/** Panes let into a part: one, or a row of them. */
const fields = group(
  {
    kind: choice([{ id: 'window', name: 'Window' }], {}),
    part,
    ...rowFields(1, 0.6, 'together'),
    sillM: length(0, 10, { start: 1, label: 'Sill above the foot of the part' }),
    glazing: leafGlazing,
    covered: flag({ start: false, label: 'Night cover drawn over it' }),
    shuts,
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
    const highest = Math.max(0, Math.floor((host.longM - heightM - 0.15) * 100) / 100)
    return {
      ...(startOf(fields) as Window),
      kind: 'window',
      part: on,
      widthM: Math.min(1.2, Math.floor(host.wideM * 50) / 100),
      heightM,
      // In an end one looks out; elsewhere it lets light in from high up.
      sillM: on === 'eastEnd' || on === 'westEnd' ? Math.min(1.1, highest) : highest,
    }
  },
  row: o => ({ ...o, spread: o.evenly === 'spread' }),
  leaf: o => ({ made: 'glazed', glazing: o.glazing, glazedShare: 0, covered: o.covered, shuts: o.shuts }),
  freeM2: o => o.widthM * o.heightM * o.count * o.opensShare,
  scaled: () => null,
  discharge: SHARP,
  ridge: false,
  opener: o => o,
  plugSavesM2: (o, edgeM) => edgeSavedM2(o.shuts, edgeM),
  traffic: () => null,
  cost: o => [{ amount: o.widthM * o.heightM * o.count, unit: 'm²', price: 'part.window' }],
  line: (o, show) => `${sizeWords(o, show)}, sill ${show(o.sillM, 'length')} up`,
}
