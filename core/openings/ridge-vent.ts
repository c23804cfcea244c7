import { choice, group, startOf, type Value } from '../design/field'
import { areaM2, openerFields, part } from './common'
import { rimSavedM2, SHARP, flapsCost, type OpeningKind } from './kind'

/** Flaps along the top of a slope. */
const fields = group(
  { kind: choice([{ id: 'ridge vent', name: 'Ridge vent' }], {}), part, areaM2: areaM2(1), ...openerFields('wax') },
  { label: 'Ridge vent' },
)
type RidgeVent = Value<typeof fields>

/** Its middle lies this far under the top of its part, m; from its lower to its upper edge, m. */
export const RIDGE_VENT_UNDER_M = 0.2
const TALL_M = 0.2

export const RIDGE_VENT: OpeningKind<RidgeVent> & { fields: typeof fields } = {
  kind: 'ridge vent',
  name: 'Ridge vent',
  fields,
  on: ['sunnySlope', 'poleSlope'],
  onDome: true,
  fresh: (on, host) => ({
    ...(startOf(fields) as RidgeVent),
    kind: 'ridge vent',
    part: on,
    areaM2: Math.round(host.wideM * 2) / 10,
  }),
  freeM2: o => o.areaM2,
  height: (_, host) => ({ atM: host.highM - RIDGE_VENT_UNDER_M, tallM: TALL_M }),
  discharge: SHARP,
  ridge: true,
  panes: () => null,
  opener: o => o,
  plugSavesM2: rimSavedM2,
  traffic: () => null,
  cost: flapsCost,
  line: (o, show) => `${show(o.areaM2, 'area')} free, at the ridge`,
}
