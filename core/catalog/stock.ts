/** What lumber, sheets and pipe are sold in. Lengths and widths in m. Usual trade sizes; a shop may differ. */
export interface Stock {
  /** Lengths of lumber. */
  lumberM: readonly number[]
  /** Widths of glazing sheets, and lengths that they come in. */
  sheetWidthM: number
  sheetLengthsM: readonly number[]
  /** Widths of film on a roll. */
  filmWidthsM: readonly number[]
  /** Insulation boards, and boards for walls and roofs, m². */
  insulationBoardM2: number
  boardM2: number
  /** A length of pipe, and a roll of what is sold by the roll: cloth, tape, vapour layer, m². */
  pipeM: number
  rollM2: number
}

const FOOT = 0.3048
const INCH = 0.0254
const feet = (...lengths: number[]) => lengths.map(l => l * FOOT)

export const STOCKS = {
  metric: {
    lumberM: [3, 3.6, 4.2, 4.8, 5.4, 6],
    sheetWidthM: 1.05,
    sheetLengthsM: [2, 2.5, 3, 3.5, 4, 5, 6, 7],
    filmWidthsM: [4, 6, 8, 10, 12],
    insulationBoardM2: 1.25 * 0.6,
    boardM2: 2.5 * 1.25,
    pipeM: 6,
    rollM2: 75,
  },
  us: {
    lumberM: feet(8, 10, 12, 14, 16, 18, 20),
    sheetWidthM: 48 * INCH,
    sheetLengthsM: feet(8, 10, 12, 16, 20, 24),
    filmWidthsM: feet(12, 16, 20, 24, 32, 40),
    insulationBoardM2: 32 * FOOT ** 2,
    boardM2: 32 * FOOT ** 2,
    pipeM: 10 * FOOT,
    rollM2: 1000 * FOOT ** 2,
  },
} as const satisfies Record<string, Stock>
export type StockId = keyof typeof STOCKS
