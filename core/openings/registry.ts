import { oneOf, type Value } from '../design/field'
import { DOOR } from './door'
import type { Let, OpeningKind } from './kind'
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

type Fields = { [K in keyof typeof KINDS]: (typeof KINDS)[K]['fields'] }
const fields = Object.fromEntries(Object.entries(KINDS).map(([kind, k]) => [kind, k.fields])) as unknown as Fields

/** An opening of the document, whichever kind it is. */
export const OPENING = oneOf(fields, { label: 'Opening #' })
export type Opening = Value<typeof OPENING>
export type OpeningKindId = keyof typeof KINDS
export const OPENING_KINDS = Object.values(KINDS) as unknown as readonly OpeningKind[]

/** All that an opening's kind says of it. */
export function openingKind(opening: Let): OpeningKind {
  return KINDS[opening.kind as OpeningKindId] as unknown as OpeningKind
}

/** What the reader calls an opening: by its kind, numbered where there are several of it. */
export function openingName(openings: readonly Let[], index: number): string {
  const { kind } = openings[index]!
  const { name } = openingKind(openings[index]!)
  if (openings.filter(o => o.kind === kind).length < 2) return name
  return `${name} ${openings.slice(0, index + 1).filter(o => o.kind === kind).length}`
}
