import { SOURCE } from '../../sources/registry'
import { PRICE_ITEMS } from '../../catalog'
import { entryOf, group, list, money, number, text } from '../field'

/** So many sources a house may have. */
const MOST_SOURCES = 20

/** A price that a person knows, in place of the book's rough one. */
const PRICE = group({ id: entryOf(PRICE_ITEMS, { label: 'What' }), each: money(0, 1e10, { label: 'Price of one' }) })

/** So many other currencies a design may have been in. */
const MOST_BOOKS = 10
const BOOK = group({
  currency: text(3, { label: 'Currency' }),
  ratio: number('ratio', 1e-6, 1e6, { label: 'For one of the rough price book' }),
  prices: list(PRICE, 0, PRICE_ITEMS.length, { start: [], label: 'Prices' }),
})

/** Added heat and light, and what all of the house is paid in. */
export const TOP_UP = group(
  {
    currency: text(3, { start: 'EUR', label: 'Currency', about: 'that all prices of the design are in' }),
    ratio: number('ratio', 1e-6, 1e6, {
      start: 1,
      label: 'For one of the rough price book',
      about: 'so much of the currency; rough prices are in round numbers, about euros',
    }),
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
    books: list(BOOK, 0, MOST_BOOKS, {
      start: [],
      label: 'Books in other currencies',
      about: 'as they were left: each currency has a book of its own',
    }),
  },
  { label: 'Top-up' },
)
