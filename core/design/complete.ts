import { aBed } from '../beds/registry'
import { startOf, type AnyField, type Spare } from './field'
import { BENCH } from './fields/shape'
import { DESIGN, type Bed, type Bench, type Design } from './types'

export type Tree = { [key: string]: unknown }
export const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v)

/**
 * A value of a field with what it lacks, wherever in it, taken from where its fields start; nothing that is there is
 * changed. The same value where nothing is lacking.
 */
export function filled(field: AnyField, value: unknown): unknown {
  if (field.kind === 'or null' || field.kind === 'optional') return value === null ? value : filled(field.of, value)
  if (field.kind === 'list') {
    if (!Array.isArray(value)) return value
    const out = value.map(v => filled(field.of, v))
    return out.some((v, i) => v !== value[i]) ? out : value
  }
  if (field.kind === 'one of') {
    const kind = isTree(value) ? field.kinds[value.kind as string] : undefined
    return kind ? filled(kind, value) : value
  }
  if (field.kind !== 'group' || !isTree(value)) return value
  const out: Tree = { ...value }
  for (const [name, inner] of Object.entries(field.fields)) {
    if (Object.hasOwn(value, name)) out[name] = filled(inner, value[name])
    else if (startOf(inner) !== undefined) out[name] = filled(inner, structuredClone(startOf(inner)))
  }
  return Object.keys(out).some(name => out[name] !== value[name]) ? out : value
}

/** A whole design from one that leaves out what stands at its start. */
export const completeDesign = (spare: Spare<typeof DESIGN>): Design => filled(DESIGN, spare) as Design

/** A bed of a place and size, m, otherwise as it stands before anybody has chosen. */
export const bedAt = (atM: number, widthM: number, heightM: number, chosen: Partial<BedAlong> = {}): BedAlong =>
  aBed('bed', { atM, widthM, heightM, ...chosen })
/** A bed along the house. */
export type BedAlong = Extract<Bed, { kind: 'bed' }>

/** A bench of a place and size, m, that stands all year unless more is chosen. */
export const benchAt = (atM: number, widthM: number, heightM: number, chosen: Partial<Bench> = {}): Bench => ({
  ...(startOf(BENCH) as Bench),
  atM,
  widthM,
  heightM,
  ...chosen,
})
