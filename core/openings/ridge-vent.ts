import { choice, group, startOf, type Value } from '../design/field'
import { openerFields, part, scaledRow } from './common'
import { flapsCost, SHARP, sizeWords, type OpeningKind } from './kind'
import { edgeSavedM2, flapFields, flapFreeM2, rowFields, rowFor } from './leaf'

/** Flaps along the top of a slope. */
const fields = group(
  {
    kind: choice([{ id: 'ridge vent', name: 'Ridge vent' }], {}),
    part,
    ...rowFields(1, 0.4),
    ...flapFields,
    ...openerFields('wax'),
  },
  { label: 'Ridge vent' },
)
type RidgeVent = Value<typeof fields>

/** What lies between its upper edge and the ridge, m. */
export const UNDER_RIDGE_M = 0.1

export const RIDGE_VENT: OpeningKind<RidgeVent> & { fields: typeof fields } = {
  kind: 'ridge vent',
  name: 'Ridge vent',
  fields,
  on: ['sunnySlope', 'poleSlope'],
  onDome: true,
  fresh: (on, host) => {
    const heightM = Math.min(0.4, Math.max(0.05, Math.floor(host.longM * 30) / 100))
    return {
      ...(startOf(fields) as RidgeVent),
      kind: 'ridge vent',
      part: on,
      ...rowFor(0.2 * host.wideM, host.wideM, heightM),
      heightM,
    }
  },
  row: (o, host) => ({
    ...o,
    sillM: Math.max(0, host.longM - UNDER_RIDGE_M - o.heightM),
    spread: o.evenly === 'spread',
  }),
  leaf: o => ({ made: o.leaf, glazing: o.glazing, glazedShare: 0, covered: true, shuts: o.shuts }),
  freeM2: flapFreeM2,
  scaled: scaledRow,
  discharge: SHARP,
  ridge: true,
  opener: o => o,
  plugSavesM2: (o, edgeM) => edgeSavedM2(o.shuts, edgeM),
  traffic: () => null,
  cost: flapsCost,
  line: (o, show) => `${sizeWords(o, show)}, ${show(flapFreeM2(o), 'area')} free, at the ridge`,
}
