import type { AnyField, Spare } from './field'
import { DESIGN, SCHEMA_VERSION, type Design } from './types'

type Tree = { [key: string]: unknown }
const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v)

/** Where a field stands before anybody has chosen; undefined where it must be given. */
function startOf(field: AnyField): unknown {
  if (field.kind !== 'group') return 'start' in field ? field.start : undefined
  const all = Object.entries(field.fields).map(([name, f]) => [name, startOf(f)] as const)
  const known = all.filter(([, start]) => start !== undefined)
  return known.length > 0 ? Object.fromEntries(known) : undefined
}

/** Parts of a design as they stand before anybody has chosen: nothing dug, nothing added. */
const PLAIN = startOf(DESIGN) as Tree

/** `given` with what it lacks taken from `plain`; nothing that is there is changed. */
function filled(given: Tree, plain: Tree): Tree {
  const out: Tree = { ...given }
  for (const [key, value] of Object.entries(plain)) {
    if (!Object.hasOwn(given, key)) out[key] = structuredClone(value)
    else if (isTree(value) && isTree(given[key])) out[key] = filled(given[key], value)
  }
  return out
}

/** A whole design from one that leaves out what stands at its start. */
export function completeDesign(spare: Spare<typeof DESIGN>): Design {
  return filled(spare as unknown as Tree, PLAIN) as unknown as Design
}

/**
 * A document brought forward to this version's schema: fields that came later stand at their start. What is not an
 * older design comes back as it was, for `designFaults` to judge. Never throws.
 */
export function migrateDesign(document: unknown): unknown {
  if (!isTree(document) || (document.schemaVersion !== 1 && document.schemaVersion !== 2)) return document
  return { ...filled(document, PLAIN), schemaVersion: SCHEMA_VERSION }
}
