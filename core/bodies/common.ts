import { length, orNull, share, temperature } from '../design/field'

/** So many bodies may stand in a house. */
export const MOST_BODIES = 30

/** Of a surface of water, what neither a lid nor plants that float on it cover. */
export const openShare = share(0, 1, {
  start: 1,
  step: 0.1,
  label: 'Open to the air',
  hint: 'A lid, or plants that float on it, keep it from evaporating.',
})

/** What the fish or plants in open water bear. */
const life = (label: string) =>
  orNull(temperature(-2, 40, { none: 'nothing lives in it', label }), {
    start: null,
    about: 'of fish or plants in the water; null: nothing that minds',
  })
export const LIFE = {
  lifeLowestC: life('What lives in it bears no colder than'),
  lifeHighestC: life('And no warmer than'),
}

export const NO_LIFE = { lifeLowestC: null, lifeHighestC: null }

/** Fields that many kinds share. */
export const atM = length(0, 20, { label: 'from the sunny wall' })
export const COMMON = {
  offsetM: length(-50, 50, {
    label: 'off the middle',
    hint: 'Its middle to the east (+) or west (−) of the middle of the house, as far as there is room.',
  }),
}
