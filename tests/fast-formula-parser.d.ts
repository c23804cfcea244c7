declare module 'fast-formula-parser' {
  interface Place {
    row: number
    col: number
    sheet?: string
  }
  /** What a spreadsheet's formula gives, its cells as they are said. */
  export default class FormulaParser {
    constructor(cells: { onCell: (at: Place) => number; onRange: (range: { from: Place; to: Place }) => number[][] })
    parse(formula: string, at: Place): unknown
  }
}
