import type { Value } from '../design/field'
import { kindsOf } from '../design/kinds'
import { BED_ALONG } from './bed'
import { KEYHOLE } from './keyhole'
import type { BedKind } from './kind'
import { RIM } from './rim'

/** Every kind of bed: a new one is a module beside these, and a line here. */
const KINDS = { 'bed': BED_ALONG, 'keyhole bed': KEYHOLE, 'rim bed': RIM }

const registry = kindsOf<BedKind>()(KINDS, 'Bed #')

export const BED = registry.field
export type Bed = Value<typeof BED>
export type BedKindId = keyof typeof KINDS
export const BED_KINDS = registry.all
export const bedKind = registry.of
export const aBed = registry.fresh
