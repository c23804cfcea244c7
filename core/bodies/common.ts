import { length } from '../design/field'

/** So many bodies may stand in a house. */
export const MOST_BODIES = 30

/** Fields that many kinds share. */
export const atM = length(0, 20, { label: 'from the sunny wall' })
export const COMMON = {
  offsetM: length(-50, 50, {
    label: 'off the middle',
    hint: 'Its middle to the east (+) or west (−) of the middle of the house, as far as there is room.',
  }),
}
