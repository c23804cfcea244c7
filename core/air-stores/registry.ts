import type { Value } from '../design/field'
import { kindsOf } from '../design/kinds'
import { BED_CHANNELS } from './bed-channels'
import { EARTH_STORE } from './earth-store'
import { EARTH_TUBE } from './earth-tube'
import type { AirStoreKind } from './kind'
import { ROCK_BED } from './rock-bed'

/** Every kind of air store: a new one is a module beside these, and a line here. */
const KINDS = {
  'earth store': EARTH_STORE,
  'bed channels': BED_CHANNELS,
  'rock bed': ROCK_BED,
  'earth tube': EARTH_TUBE,
}
export const AIR_STORES = kindsOf<AirStoreKind>()(KINDS, 'Air store #')

export const AIR_STORE = AIR_STORES.field
export type AirStore = Value<typeof AIR_STORE>
export type AirStoreKindId = keyof typeof KINDS
export const AIR_STORE_KINDS = AIR_STORES.all
export const airStoreKind = AIR_STORES.of
export const airStoreName = AIR_STORES.name
export const anAirStore = AIR_STORES.fresh
