import { aimLine, needsOf, type CropChoice, type CropMonth } from '../../core/aim/aim-line'
import { aimSentence, cropCalendar } from '../../core/aim/calendar'
import { CROPS } from '../../core/catalog'
import { DEMOS, type Design } from '../../core/design'
import { designFaults } from '../../core/editing'
import { createYearEngine } from '../../core/year'
import { aSource } from '../../core/sources/registry'
import { withSources } from '../added'

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

test('the calendar says which months fail and why, and follows the house', () => {
  const crops = [
    pick('spinach', ['hold', 'hold', 'grow', 'grow', 'grow', '', '', '', 'grow', 'grow', 'hold', 'hold']),
    pick('tomato', only(0, 5, 6, 7)),
  ]
  const engine = createYearEngine()
  const rows = cropCalendar(crops, engine.run(demo).answers.months)
  expect(rows[0]!.cells.every(c => c.kept)).toBe(true)
  expect(rows[0]!.cells[2]!.tasks).toContain('sow')
  const january = rows[1]!.cells[0]!
  expect(january.kept).toBe(false)
  expect(january.reasons.join(' ')).toMatch(/nights are too cold|coldest hour|light is short/)
  expect(rows[1]!.cells[6]!.state).toBe('grows')
  expect(aimSentence(rows)).toMatch(/Tomato in January would mean (heat|lamps); Spinach does not ask more/)
  expect(aimSentence([])).toMatch(/No crops/)
  const warmAndLit = withSources(
    demo,
    aSource('heater', { capacityW: 20000, setPointC: 14 }),
    aSource('lamps', { powerW: 3000, fromH: 4, untilH: 20 }),
  )
  expect(cropCalendar(crops, engine.run(warmAndLit).answers.months)[1]!.cells[0]!.reasons.length).toBeLessThan(
    january.reasons.length,
  )
})

test('trees are harvested, not sown each spring; the catalogue is in order', () => {
  const warm = createYearEngine()
    .run(demo)
    .answers.months.map(m => ({
      ...m,
      insideMeanLowC: 15,
      insideMinC: 12,
      leafMinC: 11,
      soilC: 18,
      dli: 20,
      insideMeanHighC: 28,
    }))
  const [lemon] = cropCalendar([pick('lemon', all('grow'))], warm)
  // Frost kills leaves, whatever the thermometer says.
  const frosty = warm.map(m => ({ ...m, insideMinC: -1, leafMinC: -3 }))
  const [killed] = cropCalendar([pick('radish', all('hold'))], frosty)
  expect(killed!.cells[0]!.state).toBe('fails')
  expect(killed!.cells[0]!.reasons[0]).toMatch(/kills its leaves/)
  expect(new Set(lemon!.cells.flatMap(c => c.tasks))).toEqual(new Set(['harvest']))
  const [radish] = cropCalendar([pick('radish', only(2, 3, 4))], warm)
  expect(radish!.cells.map(c => c.tasks.join())).toEqual([
    '',
    '',
    'sow',
    'harvest',
    'harvest',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
  ])
  // Roots stand ready through the cold months; pods do not, and are not harvested a year after they were sown.
  const spring = (id: string) =>
    pick(id, ['hold', 'hold', 'grow', 'grow', 'grow', 'grow', '', '', '', '', 'hold', 'hold'])
  const [pea, carrot] = cropCalendar(
    [spring('pea'), spring('carrot')],
    warm.map((m, i) => (i < 2 || i > 9 ? { ...m, dli: 3 } : m)),
  )
  expect(pea!.cells.map(c => (c.tasks.includes('harvest') ? 'h' : '.')).join('')).toBe('.....h......')
  const autumn = (id: string) => pick(id, ['hold', 'hold', '', '', '', '', '', 'grow', 'grow', 'grow', 'hold', 'hold'])
  const standing = warm.map((m, i) => (i < 2 || i > 9 ? { ...m, dli: 3 } : m))
  expect(carrot!.cells[0]!.tasks).toEqual([])
  expect(
    cropCalendar([autumn('kale')], standing)[0]!
      .cells.map(c => (c.tasks.includes('harvest') ? 'h' : '.'))
      .join(''),
  ).toBe('hh.......hhh')
  expect(
    cropCalendar([autumn('pea')], standing)[0]!
      .cells.map(c => (c.tasks.includes('harvest') ? 'h' : '.'))
      .join(''),
  ).toBe('............')
  for (const c of CROPS) {
    expect(c.survivesC).toBeLessThan(c.growsC)
    expect(c.growsC).toBeLessThan(c.highestC - 10)
    expect(c.dli).toBeLessThan(20)
    expect(c.source.length).toBeGreaterThan(5)
  }
})
