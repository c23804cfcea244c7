import { aimLine, needsOf, type CropChoice, type CropMonth } from '../../core/aim/aim-line'
import { CROPS } from '../../core/catalog'
import { DEMOS, type Design } from '../../core/design'
import { designFaults } from '../../core/editing'
import { createYearEngine } from '../../core/year'

const demo = DEMOS[0]!
const all = (does: CropMonth): CropMonth[] => new Array<CropMonth>(12).fill(does)
const only = (...months: number[]): CropMonth[] => all('').map((_, m) => (months.includes(m) ? 'grow' : ''))
const choose = (...crops: CropChoice[]): Design => ({ ...demo, aim: { ...demo.aim, crops } })
const pick = (id: string, months: CropMonth[]): CropChoice => ({ id, needs: null, months })

test('without crops the two temperatures stand for every month; with them the strictest crop of each', () => {
  expect(aimLine(demo.aim).lowC).toEqual(new Array(12).fill(demo.aim.lowestAirC))
  const line = aimLine(choose(pick('spinach', all('hold')), pick('tomato', only(4, 5, 6))).aim)
  expect(line.lowC[0]).toBe(-8)
  expect(line.lowC[5]).toBe(needsOf(pick('tomato', [])).growsC)
  expect(line.highC[5]).toBe(Math.min(27, 34))
  expect(line.dli[0]).toBeNull()
  expect(line.dli[5]).toBe(13)
  expect(aimLine(choose(pick('tomato', only(5))).aim).lowC[0]).toBeNull()
})

test('needs of one’s own go before the catalogue’s; a crop that says nothing of itself is refused', () => {
  const own: CropChoice = {
    id: 'spinach',
    needs: { ...CROPS.find(c => c.id === 'spinach')!, growsC: 9 },
    months: all('grow'),
  }
  expect(aimLine(choose(own).aim).lowC[3]).toBe(9)
  expect(() => needsOf({ id: 'dragon-fruit', needs: null, months: all('') })).toThrow(RangeError)
  expect(designFaults(choose(pick('dragon-fruit', all('grow'))))[0]!.path).toBe('aim.crops[0].id')
  expect(designFaults(choose(pick('spinach', all('grow')), pick('spinach', all('hold'))))[0]!.message).toMatch(/twice/)
  expect(designFaults(choose({ id: 'spinach', needs: null, months: all('grow').slice(1) }))[0]!.path).toBe(
    'aim.crops[0].months',
  )
})

test('hours below and above are counted against the month’s own aim', () => {
  const engine = createYearEngine()
  const summer = engine.run(choose(pick('tomato', only(5, 6, 7)))).answers
  const winter = engine.run(choose(pick('tomato', only(0, 1, 11)))).answers
  expect(winter.hoursBelowAim).toBeGreaterThan(300)
  expect(summer.hoursBelowAim).toBeLessThan(100)
  expect(winter.aim.tightest!.marginK).toBeLessThan(-5)
  expect(winter.aim.tightest!.aimC).toBe(11)
})

test('the catalogue is in order', () => {
  for (const c of CROPS) {
    expect(c.survivesC).toBeLessThan(c.growsC)
    expect(c.growsC).toBeLessThan(c.highestC - 10)
    expect(c.dli).toBeLessThan(20)
    expect(c.givesWeeks).toBeGreaterThan(0)
    expect(c.source.length).toBeGreaterThan(5)
  }
})
