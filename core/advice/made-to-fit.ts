import type { Design } from '../design'
import type { Quantity } from '../units'

/**
 * What a design of an earlier version had of openings that its parts do not hold, a line for each: as it was entered,
 * and as much as fits.
 * @param show writes a value in the reader's units
 */
export const madeToFitLines = (
  { madeToFit }: Pick<Design, 'madeToFit'>,
  show: (value: number, quantity: Quantity) => string,
): string[] =>
  madeToFit.map(({ what, wasM2, isM2 }) =>
    isM2 > 0
      ? `${what}: ${show(wasM2, 'area')} free was entered, ${show(isM2, 'area')} fits its part.`
      : `${what}: ${show(wasM2, 'area')} free was entered; its part has no room for it, and it is left out.`,
  )

/** Said over those lines. */
export const MADE_TO_FIT =
  'An earlier version took openings by their area, wherever they were. They are leaves now, as many as fit:'
