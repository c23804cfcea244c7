import { DEMOS, type Design } from '../../core/design'
import { airPanelWm2, waterPanelWm2 } from '../../core/network/sources'
import { createYearEngine } from '../../core/year'

const demo: Design = { ...DEMOS[0]!, topUp: { ...DEMOS[0]!.topUp, heater: { ...DEMOS[0]!.topUp.heater, on: false } } }
const engine = createYearEngine()
const run = (d: Design) => engine.run(d).answers
const topUp = (patch: Partial<Design['topUp']>): Design => ({ ...demo, topUp: { ...demo.topUp, ...patch } })
const base = run(demo)

test.each<[keyof typeof base.ledger.gains & string, Design]>([
  ['lamps', topUp({ lamps: { ...demo.topUp.lamps, powerW: 500 } })],
  ['people', topUp({ people: { count: 4, fromH: 9, untilH: 16 } })],
  ['solar air panel', topUp({ solarAir: { ...demo.topUp.solarAir, areaM2: 4 } })],
  ['solar water panel', topUp({ solarWater: { ...demo.topUp.solarWater, areaM2: 4 } })],
  ['compost', topUp({ compost: { tonnes: 3, startDay: 305 } })],
  ['dump load', topUp({ dumpLoad: { peakW: 1000, tiltDeg: 60 } })],
  ['bed loop', topUp({ bedLoop: { capacityW: 800, setPointC: 16 } })],
])('%s: its heat stands in the ledger, the books close, and the worst night is no colder', (name, design) => {
  const a = run(design)
  expect(a.ledger.gains[name]!).toBeGreaterThan(20)
  expect(a.ledger.closure).toBeLessThan(0.001)
  expect(a.coldestNight.insideC).toBeGreaterThan(base.coldestNight.insideC - 0.05)
})

test('lamps: what they draw is what the ledger has, and they add to the light on the beds only in their months', () => {
  const a = run(topUp({ lamps: { ...demo.topUp.lamps, powerW: 500, fromH: 5, untilH: 9, months: [12, 1] } }))
  expect(a.ledger.gains.lamps!).toBeCloseTo(0.5 * 4 * 62, 3)
  expect(a.months[0]!.dli).toBeGreaterThan(base.months[0]!.dli)
  expect(a.months[5]!.dli).toBeCloseTo(base.months[5]!.dli, 6)
  const bed = demo.shape.beds.reduce((s, b) => s + b.widthM, 0) * demo.shape.lengthM
  expect(a.months[0]!.dli - base.months[0]!.dli).toBeCloseTo((500 * 4 * 3600 * 2.5e-6 * 0.85) / bed, 4)
})

test('a bed loop keeps the soil at its set-point and costs its fuel', () => {
  const a = run(topUp({ bedLoop: { capacityW: 3000, setPointC: 18 } }))
  expect(a.soilMinC).toBeGreaterThan(15)
  expect(a.topUp.kWh).toBeCloseTo(a.ledger.gains['bed loop']!, 3)
  expect(a.topUp.cost).toBeGreaterThan(0)
})

test('radiant heat aimed at faces holds the same air and gives more to the water', () => {
  const heated = (kind: 'air' | 'radiant') =>
    run({
      ...topUp({ heater: { ...demo.topUp.heater, on: true, capacityW: 15000, setPointC: 10, kind } }),
      skin: { ...demo.skin, cover: { ...demo.skin.cover, id: 'none' } },
    })
  const air = heated('air')
  const radiant = heated('radiant')
  expect(air.coldestNight.insideC).toBeCloseTo(10, 2)
  expect(radiant.coldestNight.insideC).toBeCloseTo(10, 2)
  expect(radiant.months[0]!.waterC!).toBeGreaterThan(air.months[0]!.waterC!)
  expect(radiant.ledger.closure).toBeLessThan(0.001)
})

test('fumes of a heater without a flue leave their water in the room', () => {
  const heated = (fuel: string) =>
    run({
      ...topUp({ heater: { ...demo.topUp.heater, on: true, capacityW: 15000, setPointC: 10, fuel } }),
      skin: { ...demo.skin, cover: { ...demo.skin.cover, id: 'none' } },
    })
  expect(heated('gas-unvented').hoursDamp).toBeGreaterThanOrEqual(heated('gas').hoursDamp)
  expect(heated('gas-unvented').topUp.fuelUnit).toBe('m³')
})

test('panels: nothing at night, their efficiency line by day', () => {
  expect(airPanelWm2(0, 10, -5)).toBe(0)
  expect(airPanelWm2(800, 15, 5)).toBeCloseTo(0.7 * 800 - 50, 9)
  expect(waterPanelWm2(800, 40, 0)).toBeCloseTo(0.9 * (600 - 160), 9)
  expect(waterPanelWm2(100, 50, -10)).toBe(0)
})
