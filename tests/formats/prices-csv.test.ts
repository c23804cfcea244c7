import { PRICE_ITEMS } from '../../core/catalog'
import { DEMOS } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { pricesOf, withPrice } from '../../core/takeoff/price-book'
import { readPricesCsv, writePricesCsv } from '../../formats/prices-csv'

const owned = patchDesign(DEMOS[0]!, withPrice(DEMOS[0]!, 'cover.quilt', 31.5))
const isOwn = (id: string) => owned.topUp.prices.some(p => p.id === id)
const csv = writePricesCsv(pricesOf(owned), isOwn, 'EUR')

test('every item is written, and one’s own alone come back', () => {
  expect(csv.trim().split(/\r?\n/)).toHaveLength(PRICE_ITEMS.length + 1)
  expect(readPricesCsv(csv)).toEqual({ ok: true, prices: [{ id: 'cover.quilt', each: 31.5 }] })
})

test('a table with nothing but ids and prices is taken whole, decimal commas too', () => {
  expect(readPricesCsv('id;price\npart.frame;40,5\nfuel.gas;0.12\n')).toEqual({
    ok: true,
    prices: [
      { id: 'part.frame', each: 40.5 },
      { id: 'fuel.gas', each: 0.12 },
    ],
  })
})

test.each([
  ['', /no columns/],
  ['what,price\na,1', /no columns/],
  ['id,price\npart.gold,3', /Line 2.*part.gold/],
  ['id,price\npart.frame,-3', /Line 2.*no price/],
  ['id,price\npart.frame,30\npart.bed,cheap', /Line 3.*no price/],
])('“%s” is refused with its line', (text, words) => {
  const read = readPricesCsv(text)
  expect(read.ok ? '' : read.message).toMatch(words)
})
