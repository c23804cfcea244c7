import type { Value } from '../design/field'
import { kindsOf } from '../design/kinds'
import { DOOR } from './door'
import type { OpeningKind } from './kind'
import { LOUVRE } from './louvre'
import { RIDGE_VENT } from './ridge-vent'
import { ROLL_UP } from './roll-up'
import { VENT } from './vent'
import { WINDOW } from './window'

/** Every kind of opening: a new one is a module beside these, and a line here. */
const KINDS = {
  'vent': VENT,
  'ridge vent': RIDGE_VENT,
  'louvre': LOUVRE,
  'window': WINDOW,
  'door': DOOR,
  'roll-up side': ROLL_UP,
}

const registry = kindsOf<OpeningKind>()(KINDS, 'Opening #')

export const OPENING = registry.field
export type Opening = Value<typeof OPENING>
export type OpeningKindId = keyof typeof KINDS
export const OPENING_KINDS = registry.all
export const openingKind = registry.of
export const openingName = registry.name
