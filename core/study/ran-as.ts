import type { Design } from '../design/types'
import { firedBy, isHeated } from '../sources/registry'
import type { Show } from '../units'
import { heldC, heldDesign } from './held'

/**
 * How a study runs the houses that it sets side by side: each as it stands; without what is paid for; or held at an
 * air, °C, by heat that never falls short.
 */
export type RunAs = 'stands' | 'unheated' | number

/** A house as a study runs it. */
export function ranAs(design: Design, as: RunAs): Design {
  if (as === 'stands') return design
  if (as !== 'unheated') return heldDesign(design, as)
  const sources = design.topUp.sources.map(s => (firedBy(s) ? { ...s, on: false } : s))
  return { ...design, topUp: { ...design.topUp, sources } }
}

/** Airs that one might hold, °C, beside that of the aim. */
const HELD_C = [2, 5, 8, 12, 16]

/** What a study may run: as it stands first, unheated where heat is paid for, held at the aim before others. */
export function runChoices(design: Pick<Design, 'aim' | 'topUp'>): RunAs[] {
  const aimC = heldC(design)
  return [
    'stands',
    ...(isHeated(design.topUp.sources) ? (['unheated'] as const) : []),
    aimC,
    ...HELD_C.filter(c => c !== aimC),
  ]
}

/** “as it stands”, “unheated”, “held at 8.0 °C”. */
export const ranAsTold = (as: RunAs, show: Show): string =>
  as === 'stands' ? 'as it stands' : as === 'unheated' ? 'unheated' : `held at ${show(as, 'temperature')}`
