import type { AnyField, GroupField, NumberField } from './field'
import { DESIGN, type Design } from './types'

/** Keys of a path, however it is written: `shape.beds.1.widthM` or `shape.beds[1].widthM`. */
const keysOf = (path: string): string[] => path.split(/[.[\]]+/).filter(Boolean)

/** What of a field is inside an optional or nullable one. */
const within = (field: AnyField): AnyField =>
  field.kind === 'optional' || field.kind === 'or null' ? within(field.of) : field

/**
 * The fields that a path goes through, down to the one that it leads to; null where it leads nowhere. Where a value may
 * be of several kinds, the design says of which it is; without one, the first kind that has such a field is taken.
 */
export function fieldsAlong(path: string, design: Design | null = null): AnyField[] | null {
  const out: AnyField[] = []
  let node: AnyField = DESIGN
  let value: unknown = design
  for (const key of keysOf(path)) {
    const inner = ofKind(within(node), value, key)
    if (inner.kind === 'group' && Object.hasOwn(inner.fields, key)) node = inner.fields[key]!
    else if (inner.kind === 'list' && /^\d+$/.test(key)) node = inner.of
    else return null
    value = typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[key] : undefined
    out.push(design ? ofKind(node, value, '') : node)
  }
  return out
}

/** The group that a value of several kinds is of. */
function ofKind(field: AnyField, value: unknown, key: string): AnyField {
  if (field.kind !== 'one of') return field
  const kind = typeof value === 'object' && value !== null ? (value as { kind?: string }).kind : undefined
  if (kind !== undefined && Object.hasOwn(field.kinds, kind)) return field.kinds[kind]!
  return Object.values(field.kinds).find(g => Object.hasOwn(g.fields, key)) ?? field
}

/** The field at a path of the document, as in `shape.beds[1].widthM`; null where there is none. */
export function fieldAt(path: string, design: Design | null = null): AnyField | null {
  const along = fieldsAlong(path, design)
  return along && along.length > 0 ? within(along[along.length - 1]!) : null
}

/** Names of all that can be set within a group, through the groups in it: `fan.powerW`. */
export function leafNames(group: GroupField): string[] {
  return Object.entries(group.fields).flatMap(([name, field]) =>
    field.kind === 'group' ? leafNames(field).map(inner => `${name}.${inner}`) : [name],
  )
}

/** The number at a path. Throws RangeError where the path leads to no number. */
export function numberAt(path: string, design: Design | null = null): NumberField {
  const field = fieldAt(path, design)
  if (field?.kind !== 'number') throw new RangeError(`There is no number ${path} in a design.`)
  return field
}

/** Limits of a number of the document, in its own unit. Throws RangeError where the path leads to no number. */
export function rangeOf(path: string, design: Design | null = null): readonly [low: number, high: number] {
  const { low, high } = numberAt(path, design)
  return [low, high]
}

/** What stands at a path of a document; undefined where there is nothing. */
export function valueAt(design: Design, path: string): unknown {
  return keysOf(path).reduce<unknown>(
    (node, key) => (typeof node === 'object' && node !== null ? (node as Record<string, unknown>)[key] : undefined),
    design,
  )
}

/** What a field may hold: a number within limits, or one of some values. */
export type FieldRule = { low: number; high: number; whole: boolean } | { choices: readonly unknown[] }

/** The rule of a field by its path; null where it is free text, a whole group or not there. */
export function fieldRule(path: string, design: Design | null = null): FieldRule | null {
  const field = fieldAt(path, design)
  if (field?.kind === 'number') return { low: field.low, high: field.high, whole: field.whole }
  if (field?.kind === 'choice') return { choices: field.choices.map(c => c.id) }
  if (field?.kind === 'flag') return { choices: [true, false] }
  return null
}
