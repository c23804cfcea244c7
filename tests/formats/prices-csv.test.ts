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
  ['id,price\npart.frame,30\npart.dig,cheap', /Line 3.*no price/],
])('“%s” is refused with its line', (text, words) => {
  const read = readPricesCsv(text)
  expect(read.ok ? '' : read.message).toMatch(words)
})

describe('prices as spreadsheets save them again', () => {
  const read = (...cells: string[]) => {
    const ids = PRICE_ITEMS.slice(0, cells.length).map(p => p.id)
    const rows = cells.map((c, i) => `${ids[i]};x;x;m;${c.includes(';') ? `"${c}"` : c};own`)
    return readPricesCsv(`id;group;what;unit;price_EUR;known\n${rows.join('\n')}`)
  }
  const prices = (...cells: string[]) => {
    const found = read(...cells)
    return found.ok ? found.prices.map(p => p.each) : found.message
  }

  test('the other prices show whether commas are decimal; what could be two numbers is asked about', () => {
    expect(prices('1234', '12.50')).toEqual([1234, 12.5])
    expect(prices('12,5', '1,234')).toEqual([12.5, 1.234])
    expect(prices('12.50', '1,234')).toEqual([12.5, 1234])
    expect(prices('1,234.50', '1,234')).toEqual([1234.5, 1234])
    expect(prices('1.234,50', '7,00')).toEqual([1234.5, 7])
    expect(prices('1 234', '7')).toEqual([1234, 7])
    expect(prices('1,234', '7')).toMatch(/Line 2: “1,234” could be two numbers. Allowed: 1234 or 1.234/)
  })

  test.each(['0x10', '1e3', 'Infinity', '-3', '', '12 EUR', '1,2,3'])('%s is no price', cell => {
    expect(prices(cell)).toMatch(/Line 2: .* is no price. Allowed: a number from 0 to/)
  })

  test('a short row is told, not thrown', () => {
    const { id } = PRICE_ITEMS[0]!
    expect(readPricesCsv(`id,group,what,unit,price_EUR,known\n${id},x`)).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Line 2: “” is no price/),
    })
  })
})
