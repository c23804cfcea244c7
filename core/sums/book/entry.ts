import type { Answers } from '../../answers'
import type { Design, StepId } from '../../design/types'
import type { Building } from '../../geometry/surfaces'
import type { Quantity } from '../../units'
import type { YearResult } from '../../year'
import type { Sum, SumLine } from '../sum'

/** What a sum rests on: it is so by proof; houses were measured; few were. */
export type Evidence = 'proof' | 'measured' | 'thin'

/** What sums are made from: a design, its building and its year. */
export interface SumContext extends YearResult {
  design: Design
  building: Building
}

/** What the year says where a rule stands. */
export interface YearSays {
  text: string
  value: number
  quantity: Quantity
}

/** A sum by hand that a design can be put through. A new one is an entry in its step's list. */
export interface BookEntry {
  id: string
  step: StepId
  title: string
  evidence: Evidence
  /**
   * As a spreadsheet has it, with the values of the lines in B1, B2 and so on in SI units (temperatures °C, flows m³/h,
   * times h): it gives the last line. How many lines there are is given where that varies.
   */
  formula: (lines: number) => string
  /** Its last line is its result. null where it has no meaning for the design. */
  of: (context: SumContext) => Sum<unknown> | null
  year: (context: SumContext) => YearSays[]
}

/** A sum of the book with a design's own numbers. */
export interface BookedSum extends Pick<BookEntry, 'id' | 'step' | 'title' | 'evidence'> {
  lines: SumLine[]
  rule: string
  formula: string
  year: YearSays[]
}

export const coldestNight = ({ answers }: { answers: Answers }): YearSays => ({
  text: 'coldest night',
  value: answers.coldestNight.insideC,
  quantity: 'temperature',
})

/** Panes of a building, m². */
export const glazedM2 = ({ surfaces }: Building): number =>
  surfaces.filter(s => s.kind === 'glazed').reduce((sum, s) => sum + s.areaM2, 0)
