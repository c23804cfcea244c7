import { aimLine } from '../aim/aim-line'
import type { Design, Source } from '../design/types'
import { keptAirC, mainHeater } from '../sources/registry'

/** A heater that never falls short, W. */
const AMPLE_W = 100000

/** Where nothing else is asked, heat is compared at this air, °C: cool crops go on growing. */
const COOL_C = 8

/**
 * Air that variants are compared at, °C: the heaters' warmest set point where there are any, else the warmest low that
 * the aim asks for, and 8 °C at least.
 */
export function heldC(design: Pick<Design, 'aim' | 'topUp'>): number {
  const kept = keptAirC(design.topUp.sources)
  if (kept !== null) return kept
  const lows = aimLine(design.aim).lowC.filter(c => c !== null)
  return Math.min(30, Math.max(COOL_C, ...lows))
}

/** The design with heat enough to hold an air: one heater in place of all that warm the air. */
export function heldDesign(design: Design, setPointC = heldC(design)): Design {
  const { sources } = design.topUp
  const main = mainHeater(sources)
  const into = main.into === 'body' ? 'air' : main.into
  const ample: Source = { ...main, on: true, into, capacityW: AMPLE_W, setPointC }
  const others = sources.filter(s => s.kind !== 'stove' && (s.kind !== 'heater' || s.into === 'body'))
  return { ...design, topUp: { ...design.topUp, sources: [ample, ...others] } }
}
