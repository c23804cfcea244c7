import { choice, group, length, startOf, type Value } from '../design/field'
import { ANYWHERE, openerFields, part, scaledRow, sillOn } from './common'
import { flapsCost, SHARP, sizeWords, type OpeningKind } from './kind'
import { edgeSavedM2, flapFields, flapFreeM2, rowFields, rowFor } from './leaf'

/** Flaps in a wall or in the glazing. */
const fields = group(
  {
    kind: choice([{ id: 'vent', name: 'Vent' }], {}),
    part,
    ...rowFields(1, 0.3),
    sillM: length(0, 12, { start: 0.15, label: 'Sill above the foot of the part' }),
    ...flapFields,
    ...openerFields('wax'),
  },
  { label: 'Vent' },
)
type Vent = Value<typeof fields>

export const VENT: OpeningKind<Vent> & { fields: typeof fields } = {
  kind: 'vent',
  name: 'Vent',
  fields,
  on: ANYWHERE,
  onDome: true,
  fresh: (on, host) => {
    const heightM = Math.min(0.3, Math.max(0.05, Math.floor(host.longM * 50) / 100))
    return {
      ...(startOf(fields) as Vent),
      kind: 'vent',
      part: on,
      ...rowFor(0.2 * host.wideM, host.wideM, heightM),
      heightM,
      sillM: sillOn(host, heightM),
    }
  },
  row: o => ({ ...o, spread: o.evenly === 'spread' }),
  leaf: o => ({ made: o.leaf, glazing: o.glazing, glazedShare: 0, covered: true, shuts: o.shuts }),
  freeM2: flapFreeM2,
  scaled: scaledRow,
  discharge: SHARP,
  ridge: false,
  opener: o => o,
  plugSavesM2: (o, edgeM) => edgeSavedM2(o.shuts, edgeM),
  traffic: () => null,
  cost: flapsCost,
  line: (o, show) => `${sizeWords(o, show)}, ${show(flapFreeM2(o), 'area')} free`,
}
