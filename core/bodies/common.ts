import { length } from '../design/field'

/** Fields that many kinds share. */
export const atM = length(0, 20, { label: 'from the sunny wall' })
export const COMMON = {
  offsetM: length(-50, 50, {
    label: 'off the middle',
    about: 'its middle east (+) or west (−) of the middle of the house',
  }),
}
