import { choice, group, length, startOf, type Value } from '../design/field'
import { ANYWHERE, areaM2, openerFields, part } from './common'
import { rimSavedM2, SHARP, flapsCost, type OpeningKind } from './kind'

/** Flaps in a wall or in the glazing, known by their free area. */
const fields = group(
  {
    kind: choice([{ id: 'vent', name: 'Vent' }], {}),
    part,
    areaM2: areaM2(1),
    atM: length(0, 12, { start: 0.3, label: 'Middle above the floor' }),
    tallM: length(0.05, 3, { start: 0.3, label: 'Height of each' }),
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
  fresh: (on, host) => ({
    ...(startOf(fields) as Vent),
    kind: 'vent',
    part: on,
    areaM2: Math.round(host.wideM * 2) / 10,
    atM: Math.round(((host.lowM + host.highM) / 2) * 100) / 100,
  }),
  freeM2: o => o.areaM2,
  height: (o, host) => ({ atM: Math.min(o.atM, host.highM), tallM: o.tallM }),
  discharge: SHARP,
  ridge: false,
  panes: () => null,
  opener: o => o,
  plugSavesM2: rimSavedM2,
  traffic: () => null,
  cost: flapsCost,
  line: (o, show) => `${show(o.areaM2, 'area')} free, ${show(o.atM, 'length')} above the floor`,
}
