import type { AnyField, Spare } from './field'
import { DESIGN, type Design } from './types'

export type Tree = { [key: string]: unknown }
export const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v)

/** Where a field stands before anybody has chosen; undefined where it must be given. */
function startOf(field: AnyField): unknown {
  if (field.kind !== 'group') return 'start' in field ? field.start : undefined
  const all = Object.entries(field.fields).map(([name, f]) => [name, startOf(f)] as const)
  const known = all.filter(([, start]) => start !== undefined)
  return known.length > 0 ? Object.fromEntries(known) : undefined
}

/** Parts of a design as they stand before anybody has chosen: nothing dug, nothing added. */
export const PLAIN = startOf(DESIGN) as Tree

/** `given` with what it lacks taken from `plain`; nothing that is there is changed. */
export function filledFrom(given: Tree, plain: Tree): Tree {
  const out: Tree = { ...given }
  for (const [key, value] of Object.entries(plain)) {
    if (!Object.hasOwn(given, key)) out[key] = structuredClone(value)
    else if (isTree(value) && isTree(given[key])) out[key] = filledFrom(given[key], value)
  }
  return out
}

/** A whole design from one that leaves out what stands at its start. */
export function completeDesign(spare: Spare<typeof DESIGN>): Design {
  return filledFrom(spare as unknown as Tree, PLAIN) as unknown as Design
}
