import { DEMOS, type Design } from '../../core/design'
import { anAirStore } from '../../core/air-stores/registry'
import { patchDesign } from '../../core/editing'
import { costOf } from '../../core/study/figures'
import { pricesOf, withPrice } from '../../core/takeoff/price-book'
import { aSource } from '../../core/sources/registry'
import { heated, unheated, withSources } from '../added'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const demo = (id: string) => DEMOS.find(d => d.id === id)!
const run = (d: Design) => engine.run(d, { unheated: false })
const lineOf = (d: Design, name: string) => run(d).answers.running.lines.find(l => l.name === name)
const sum = (values: Iterable<number>) => [...values].reduce((a, b) => a + b, 0)

test('every line has its months, and all of them are what a year costs', () => {
  for (const design of DEMOS) {
    const { answers } = run(design)
    const { lines, months, cost } = answers.running
    for (const l of lines) expect(sum(l.months)).toBeCloseTo(l.cost, 6)
    expect(sum(lines.map(l => l.cost))).toBeCloseTo(cost, 6)
    expect(sum(months)).toBeCloseTo(cost, 6)
    expect(costOf(design, answers).running).toBe(cost)
    expect(new Set(lines.map(l => l.name)).size).toBe(lines.length)
  }
})

test('electricity is what each thing draws at its price, heat what its fuel costs', () => {
  const stored = { ...plain.store, airStores: [anAirStore('earth store')] }
  const house = withSources(
    { ...plain, store: stored },
    aSource('heater', { capacityW: 4000, setPointC: 10, fuel: 'electricity', pricePerKWh: 0.4 }),
    aSource('stove'),
    aSource('lamps', { powerW: 400 }),
  )
  const { answers, series } = run(house)
  const { running, electricity, sources } = answers
  const each = pricesOf(house)('fuel.electricity')
  const cost = (name: string) => running.lines.find(l => l.name === name)?.cost ?? 0
  expect(electricity.fansKWh).toBeGreaterThan(10)
  expect(cost('Fans')).toBeCloseTo(each * electricity.fansKWh, 3)
  expect(cost('Lamps')).toBeCloseTo(each * electricity.lampsKWh, 3)
  expect(cost('Heat: electricity')).toBeCloseTo(sources[0]!.bought!.cost, 6)
  const heat = running.lines.filter(l => l.name.startsWith('Heat: '))
  expect(heat).toHaveLength(2)
  expect(sum(heat.map(l => l.cost))).toBeCloseTo(answers.topUp.cost, 6)
  // Lamps of winter cost nothing in summer.
  expect(running.lines.find(l => l.name === 'Lamps')!.months[6]).toBe(0)
  // By hand: water that leaves give off, at the price of a cubic metre.
  expect(cost('Water')).toBeCloseTo((sum(series.drunkKg) / 1000) * pricesOf(house)('fuel.water'), 6)
})

test('heat of the house is paid for, water only where it is on the site, and each at the price that one gives', () => {
  const leaning = patchDesign(unheated(DEMOS.find(d => d.shape.form === 'lean-to')!), [
    ['shape.house.pricePerKWh', 0.2],
  ])
  expect(lineOf(leaning, 'Heat of the house')!.cost).toBeCloseTo(run(leaning).answers.house!.cost, 6)
  const still = unheated(plain)
  const water = lineOf(still, 'Water')!
  expect(water.cost).toBeGreaterThan(1)
  expect(lineOf(patchDesign(still, [['aim.practical.water', false]]), 'Water')).toBeUndefined()
  expect(lineOf(patchDesign(still, withPrice(still, 'fuel.water', 5)), 'Water')!.cost).toBeCloseTo(2 * water.cost, 6)
})

test('a blower draws all year, a cover’s motor twice a day in the season; by hand it draws nothing', () => {
  const film = demo('marschwinkel')
  const blower = lineOf(film, 'Blower of film')!
  expect(blower.amount).toBeCloseTo(30 * 8.76, 1)
  const drawn = patchDesign(unheated(plain), [['skin.cover.moved', 'motor']])
  const motor = lineOf(drawn, 'Motor of the cover')!
  // No more than 5 Wh to draw it and to open it, each day.
  expect(motor.amount).toBeGreaterThan(0.3)
  expect(motor.amount).toBeLessThan(0.01 * 365)
  expect(lineOf(patchDesign(drawn, [['skin.cover.moved', 'hand']]), 'Motor of the cover')).toBeUndefined()
  expect(lineOf(heated(drawn, { capacityW: 0, setPointC: -20 }), 'Heat: electricity')).toBeUndefined()
})
