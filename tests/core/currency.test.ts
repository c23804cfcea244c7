import { DEMOS, migrateDesign, type Design } from '../../core/design'
import { designFaults, patchDesign } from '../../core/editing'
import { withCurrency } from '../../core/editing/currency'
import { MOVES } from '../../core/moves/registry'
import { pricesOf, withPrice } from '../../core/takeoff/price-book'
import { housePrice, takeoff } from '../../core/takeoff/takeoff'

const [ash, , fjellro] = DEMOS as [Design, Design, Design]
const worth = (d: Design) => [
  housePrice(d),
  ...d.topUp.sources.map(s => ('pricePerKWh' in s ? s.pricePerKWh : 0)),
  d.shape.house.pricePerKWh,
  d.aim.practical.budget,
  d.aim.cropWeek,
]

describe('a price book for each currency', () => {
  const rich = patchDesign(fjellro, [
    ['aim.practical.budget', 20000],
    ['aim.cropWeek', 12],
    ...withPrice(fjellro, 'glazing.glass-2', 111),
  ])
  const lira = withCurrency(rich, 'TRY', 40)

  test('a new one begins as the old one times the ratio; all money of the design goes along, nothing else does', () => {
    expect(designFaults(lira)).toEqual([])
    expect(lira.topUp).toMatchObject({ currency: 'TRY', ratio: 40 })
    worth(rich).forEach((v, i) => expect(worth(lira)[i]).toBeCloseTo(40 * v, 4))
    expect(pricesOf(lira)('glazing.glass-2')).toBeCloseTo(40 * 111, 9)
    expect(pricesOf(lira)('stock.lumber')).toBeCloseTo(40 * 4.5, 9)
    const { aim, topUp, shape, ...others } = lira
    expect(others).toEqual({ site: rich.site, skin: rich.skin, store: rich.store, ...rest(rich) })
    expect([aim.lowestAirC, shape.lengthM, topUp.sources.length]).toEqual([
      rich.aim.lowestAirC,
      rich.shape.lengthM,
      rich.topUp.sources.length,
    ])
  })

  test('what is typed in one book is not in the other; back again, the first is as it was left', () => {
    const typed = patchDesign(lira, withPrice(lira, 'stock.lumber', 300))
    const back = withCurrency(typed, 'EUR', NaN)
    expect(designFaults(back)).toEqual([])
    expect(back.topUp.prices).toEqual(rich.topUp.prices)
    worth(rich).forEach((v, i) => expect(worth(back)[i]).toBeCloseTo(v, 6))
    expect(pricesOf(withCurrency(back, 'TRY', NaN))('stock.lumber')).toBe(300)
    // A third begins by what is left.
    expect(
      withCurrency(back, 'USD', 1.1)
        .topUp.books.map(b => b.currency)
        .sort(),
    ).toEqual(['EUR', 'TRY'])
    expect(withCurrency(rich, 'EUR', 5)).toBe(rich)
  })

  test('a ratio that makes money too large is refused by its field', () => {
    expect(
      designFaults(withCurrency(patchDesign(rich, [['aim.practical.budget', 1e10]]), 'IDR', 17000))[0],
    ).toMatchObject({ path: 'aim.practical.budget' })
  })

  test('what a move brings in is priced in the currency of the house', () => {
    const heater = MOVES.find(m => m.id === 'heater')!
    const bare = { ...rich, topUp: { ...rich.topUp, sources: [] } }
    const [one, other] = [bare, withCurrency(bare, 'TRY', 40)].map(d => {
      const laid = patchDesign(d, heater.of(d)!)
      return laid.topUp.sources[0] as { pricePerKWh: number }
    })
    expect(other!.pricePerKWh).toBeCloseTo(40 * one!.pricePerKWh, 9)
  })
})

describe('one price', () => {
  test('what a move costs is the difference of two lists, to the cent, over all moves and demos', () => {
    let told = 0
    for (const demo of DEMOS)
      for (const move of MOVES) {
        const patch = move.of(demo)
        if (!patch) continue
        const moved = patchDesign(demo, patch)
        if (designFaults(moved).length > 0) continue
        told++
        const cost = housePrice(moved) - housePrice(demo)
        const sum = (d: Design) => takeoff(d).lines.reduce((all, l) => all + (l.buy - l.mine) * l.price, 0)
        expect(cost).toBeCloseTo(sum(moved) - sum(demo), 2)
      }
    expect(told).toBeGreaterThan(100)
  })

  test('what is mine already costs nothing, in the list and in the price alike', () => {
    const line = takeoff(ash).lines.find(l => l.cost > 300 && l.part === 'barrels')!
    const mine = patchDesign(ash, [['build.notes', [{ line: line.id, supplier: '', note: '', mine: line.buy }]]])
    expect(housePrice(ash) - housePrice(mine)).toBeCloseTo(line.cost, 6)
  })
})

const rest = ({ breathe, build, schemaVersion, id, name, decided, madeToFit }: Design) => ({
  breathe,
  build,
  schemaVersion,
  id,
  name,
  decided,
  madeToFit,
})

test('a price for what the book has no more goes for nothing, and the design is sound', () => {
  const old = JSON.parse(JSON.stringify(ash)) as { topUp: { prices: unknown[] } }
  old.topUp.prices = [
    { id: 'part.bed', each: 12 },
    { id: 'part.dig', each: 50 },
  ]
  const read = migrateDesign(old) as Design
  expect(designFaults(read)).toEqual([])
  expect(read.topUp.prices).toEqual([{ id: 'part.dig', each: 50 }])
})
