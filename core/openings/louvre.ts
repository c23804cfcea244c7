import { entry, GAPS } from '../catalog'
import { choice, group, length, startOf, type Value } from '../design/field'
import { openerFields, part, scaledRow, sillOn, WALLS } from './common'
import { flapsCost, sizeWords, type OpeningKind } from './kind'
import { rowFields } from './leaf'

/** Blades in a wall, which hold back a good part of the air even when they stand open. */
const fields = group(
  {
    kind: choice([{ id: 'louvre', name: 'Louvre' }], {}),
    part,
    ...rowFields(0.7, 0.7),
    sillM: length(0, 12, { start: 0.15, label: 'Sill above the foot of the part' }),
    ...openerFields('motor'),
  },
  { label: 'Louvre' },
)
type Louvre = Value<typeof fields>

/** Of the ideal flow through its opening. Manufacturers' tests of weather louvres, class 3 to 4 of EN 13030. */
const DISCHARGE = 0.3
const openM2 = (o: Louvre) => o.count * o.widthM * o.heightM

export const LOUVRE: OpeningKind<Louvre> & { fields: typeof fields } = {
  kind: 'louvre',
  name: 'Louvre',
  fields,
  on: WALLS,
  onDome: false,
  fresh: (on, host) => {
    const size = Math.max(0.1, Math.min(0.7, Math.floor(host.longM * 50) / 100, Math.floor(host.wideM * 50) / 100))
    return {
      ...(startOf(fields) as Louvre),
      kind: 'louvre',
      part: on,
      widthM: size,
      heightM: size,
      sillM: sillOn(host, size),
    }
  },
  row: o => ({ ...o, spread: o.evenly === 'spread' }),
  // Blades of sheet steel let heat through as boards do.
  leaf: () => ({ made: 'timber', glazing: null, glazedShare: 0, covered: false, shuts: null }),
  freeM2: openM2,
  scaled: scaledRow,
  discharge: DISCHARGE,
  ridge: false,
  opener: o => o,
  // Blades never close tight: it is the plug behind them that does, by the piece.
  plugSavesM2: o => o.count * (entry(GAPS, 'louvre').areaM2 - entry(GAPS, 'louvre-plugged').areaM2),
  traffic: () => null,
  cost: flapsCost,
  line: (o, show) => `${sizeWords(o, show)}, ${show(o.sillM, 'length')} up`,
}
