import { SOURCE } from '../../sources/registry'
import { group, list, text } from '../field'

/** So many sources a house may have. */
const MOST_SOURCES = 20

/** Added heat and light. */
export const TOP_UP = group(
  {
    currency: text(3, { start: 'EUR', label: 'Currency', about: 'that all prices of the design are in' }),
    sources: list(SOURCE, 0, MOST_SOURCES, {
      start: [],
      label: 'Sources',
      about: 'what adds heat and light, each of a kind; heaters in the order in which they are meant to work',
    }),
  },
  { label: 'Top-up' },
)
