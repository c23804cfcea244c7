import type { Value } from '../design/field'
import { kindsOf } from '../design/kinds'
import { CRATES } from './crates'
import { DRUMS } from './drums'
import { HEAP } from './heap'
import type { BodyKind } from './kind'
import { POND } from './pond'
import { TANK } from './tank'
import { WALL } from './wall'

/** Every kind of body: a new one is a module beside these, and a line here. */
const KINDS = { drums: DRUMS, tank: TANK, pond: POND, wall: WALL, crates: CRATES, heap: HEAP }

const registry = kindsOf<BodyKind>()(KINDS, 'Body #')

export const BODY = registry.field
export type Body = Value<typeof BODY>
export type BodyKindId = keyof typeof KINDS
export const BODY_KINDS = registry.all
export const kindOf = registry.of
export const bodyName = registry.name
