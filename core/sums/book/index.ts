import type { Sum, SumLine } from '../sum'
import { siSymbol } from '../../units'
import { BREATHE_SUMS } from './breathe'
import type { BookedSum, BookEntry, SumContext } from './entry'
import { SHAPE_SUMS } from './shape'
import { SKIN_SUMS } from './skin'
import { STORE_SUMS } from './store'
import { TOP_UP_SUMS } from './top-up'

export type { BookedSum, BookEntry, Evidence, SumContext, YearSays } from './entry'

/** Every sum by hand, in the order of the steps. */
export const SUM_BOOK: readonly BookEntry[] = [
  ...SHAPE_SUMS,
  ...SKIN_SUMS,
  ...STORE_SUMS,
  ...BREATHE_SUMS,
  ...TOP_UP_SUMS,
]

/** All sums that have a meaning for a design, with its own numbers. */
export function bookedSums(context: SumContext): BookedSum[] {
  return SUM_BOOK.flatMap((e): BookedSum[] => {
    const sum: Sum<unknown> | null = e.of(context)
    if (!sum) return []
    const { id, step, title, evidence } = e
    const { lines, rule } = sum
    return [{ id, step, title, evidence, lines, rule, formula: e.formula(lines.length), year: e.year(context) }]
  })
}

/** The unit that a line's value is in: SI, temperatures in °C, flows in m³/h, times in h. */
export const lineUnit = ({ quantity, unit }: Pick<SumLine, 'quantity' | 'unit'>): string =>
  quantity ? siSymbol(quantity) : unit
