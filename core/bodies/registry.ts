import { oneOf, type Value } from '../design/field'
import { CRATES } from './crates'
import { DRUMS } from './drums'
import type { BodyKind, Placed } from './kind'
import { POND } from './pond'
import { TANK } from './tank'
import { WALL } from './wall'

/** Every kind of body: a new one is a module beside these, and a line here. */
const KINDS = { drums: DRUMS, tank: TANK, pond: POND, wall: WALL, crates: CRATES }

type Fields = { [K in keyof typeof KINDS]: (typeof KINDS)[K]['fields'] }
const fields = Object.fromEntries(Object.entries(KINDS).map(([kind, k]) => [kind, k.fields])) as unknown as Fields

/** A body of the document, whichever kind it is. */
export const BODY = oneOf(fields, { label: 'Body #' })
export type Body = Value<typeof BODY>
export type BodyKindId = keyof typeof KINDS
export const BODY_KINDS = Object.values(KINDS) as unknown as readonly BodyKind[]

/** All that a body's kind says of it. */
export function kindOf(body: Placed): BodyKind {
  return KINDS[body.kind as BodyKindId] as unknown as BodyKind
}
