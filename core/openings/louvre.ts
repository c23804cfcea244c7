import { entry, GAPS } from '../catalog'
import { choice, group, length, startOf, type Value } from '../design/field'
import { areaM2, openerFields, part, WALLS } from './common'
import { flapsCost, type OpeningKind } from './kind'

/** Blades in a wall, which hold back a good part of the air even when they stand open. */
const fields = group(
  {
    kind: choice([{ id: 'louvre', name: 'Louvre' }], {}),
    part,
    areaM2: areaM2(0.5),
    atM: length(0, 12, { start: 0.5, label: 'Middle above the floor' }),
    tallM: length(0.1, 3, { start: 0.5, label: 'Height of each' }),
    ...openerFields('motor'),
  },
  { label: 'Louvre' },
)
type Louvre = Value<typeof fields>

/** Of the ideal flow through its free area. Manufacturers' tests of weather louvres, class 3 to 4 of EN 13030. */
const DISCHARGE = 0.3

export const LOUVRE: OpeningKind<Louvre> & { fields: typeof fields } = {
  kind: 'louvre',
  name: 'Louvre',
  fields,
  on: WALLS,
  onDome: false,
  fresh: (on, host) => ({
    ...(startOf(fields) as Louvre),
    kind: 'louvre',
    part: on,
    atM: Math.round(((host.lowM + host.highM) / 2) * 100) / 100,
  }),
  freeM2: o => o.areaM2,
  height: (o, host) => ({ atM: Math.min(o.atM, host.highM), tallM: o.tallM }),
  discharge: DISCHARGE,
  ridge: false,
  panes: () => null,
  opener: o => o,
  // Blades never close tight: it is the plug behind them that does, by the piece.
  plugSavesM2: (freeM2, tallM) =>
    Math.max(1, freeM2 / tallM ** 2) * (entry(GAPS, 'louvre').areaM2 - entry(GAPS, 'louvre-plugged').areaM2),
  traffic: () => null,
  cost: flapsCost,
  line: (o, show) => `${show(o.areaM2, 'area')} free, ${show(o.atM, 'length')} above the floor`,
}
