import { SOURCE } from '../../sources/registry'
import { PRICE_ITEMS } from '../../catalog'
import { entryOf, group, list, money, text } from '../field'

/** So many sources a house may have. */
const MOST_SOURCES = 20

/** A price that a person knows, in place of the book's rough one. */
const PRICE = group({ id: entryOf(PRICE_ITEMS, { label: 'What' }), each: money(0, 1e6, { label: 'Price of one' }) })

/** Added heat and light, and what all of the house is paid in. */
export const TOP_UP = group(
  {
    currency: text(3, { start: 'EUR', label: 'Currency', about: 'that all prices of the design are in' }),
    sources: list(SOURCE, 0, MOST_SOURCES, {
      start: [],
      label: 'Sources',
      about: 'what adds heat and light, each of a kind; heaters in the order in which they are meant to work',
    }),
    prices: list(PRICE, 0, PRICE_ITEMS.length, {
      start: [],
      label: 'Prices',
      about: 'of one’s own, in place of the rough ones of the price book',
    }),
  },
  { label: 'Top-up' },
)
