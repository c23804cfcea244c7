import { startOf, type Spare } from './field'
import { BED } from './fields/shape'
import { DESIGN, type Bed, type Design } from './types'

export type Tree = { [key: string]: unknown }
export const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v)

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

/** A bed of a place and size, m, otherwise as it stands before anybody has chosen. */
export const bedAt = (atM: number, widthM: number, heightM: number, chosen: Partial<Bed> = {}): Bed => ({
  ...(startOf(BED) as Bed),
  atM,
  widthM,
  heightM,
  ...chosen,
})
