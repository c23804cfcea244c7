import type { Value } from '../design/field'
import { kindsOf } from '../design/kinds'
import { CIRCULATING } from './circulating'
import { EXTRACT } from './extract'
import type { FanKind } from './kind'
import { SUPPLY } from './supply'

/** Every kind of fan: a new one is a module beside these, and a line here. */
const KINDS = { 'extract fan': EXTRACT, 'supply fan': SUPPLY, 'circulating fan': CIRCULATING }
export const FANS = kindsOf<FanKind>()(KINDS, 'Fan #')

export const FAN = FANS.field
export type AnyFan = Value<typeof FAN>
export type FanKindId = keyof typeof KINDS
export const FAN_KINDS = FANS.all
export const fanKind = FANS.of
export const fanName = FANS.name
export const aFan = FANS.fresh
