import { woodHeatJkg } from '../../core/catalog'
import { makeBuilding } from '../../core/geometry/surfaces'
import { DEMOS, type Design, type Source } from '../../core/design'
import { airPanelWm2 } from '../../core/sources/air-panel'
import { designFaults, patchDesign, withoutBody } from '../../core/editing'
import { aSource } from '../../core/sources/registry'
import { hoursThere } from '../../core/people/presence'
import { burning } from '../../core/sources/stove'
import { waterPanelWm2 } from '../../core/sources/water-panel'
import { heated, unheated, withSources } from '../added'
import { tank, wall } from '../bodies'
import { hourly as engine } from '../shared/years'

const demo: Design = unheated(DEMOS[0]!)
const run = (d: Design) => engine.run(d).answers
const bare: Design = { ...demo, skin: { ...demo.skin, cover: { ...demo.skin.cover, id: 'none' } } }
const fired = { fuel: 'electricity', pricePerKWh: 0.28 }
const base = run(demo)

test.each<[string, Source]>([
  ['lamps', aSource('lamps', { powerW: 500 })],
  ['people', aSource('people', { count: 4 })],
  ['solar air panel', aSource('solar air panel', { areaM2: 4 })],
  ['solar water panel', aSource('solar water panel', { areaM2: 4 })],
  ['compost', aSource('compost', { massKg: 3000 })],
  ['dump load', aSource('spare power', { tiltDeg: 60 })],
  ['bed loop', aSource('bed loop', { capacityW: 800, setPointC: 16, ...fired })],
  ['stove', aSource('stove', { powerW: 3000 })],
])('%s: its heat stands in the ledger, the books close, and the worst night is no colder', (name, source) => {
  const a = run(withSources(demo, source))
  expect(a.ledger.gains[name]!).toBeGreaterThan(20)
  expect(a.ledger.closure).toBeLessThan(0.001)
  expect(a.coldestNight.insideC).toBeGreaterThan(base.coldestNight.insideC - 0.05)
})

test('lamps: what they draw is what the ledger has, and they add to the light on the beds only in their months', () => {
  const a = run(withSources(demo, aSource('lamps', { powerW: 500, fromH: 5, untilH: 9, months: [12, 1] })))
  expect(a.ledger.gains.lamps!).toBeCloseTo(0.5 * 4 * 62, 3)
  expect(a.months[0]!.dli).toBeGreaterThan(base.months[0]!.dli)
  expect(a.months[5]!.dli).toBeCloseTo(base.months[5]!.dli, 3)
  const bed = makeBuilding(demo).bedAreaM2
  expect(a.months[0]!.dli - base.months[0]!.dli).toBeCloseTo((500 * 4 * 3600 * 2.5e-6 * 0.85) / bed, 2)
})

test('a bed loop keeps the soil at its set-point and costs its fuel', () => {
  const a = run(withSources(demo, aSource('bed loop', { capacityW: 3000, setPointC: 18, ...fired })))
  expect(a.soilMinC).toBeGreaterThan(15)
  expect(a.topUp.kWh).toBeCloseTo(a.ledger.gains['bed loop']!, 3)
  expect(a.topUp.cost).toBeGreaterThan(0)
})

test('radiant heat aimed at faces holds the same air and gives more to the water', () => {
  const air = run(heated(bare, { capacityW: 15000, setPointC: 10 }))
  const radiant = run(heated(bare, { capacityW: 15000, setPointC: 10, into: 'radiant' }))
  expect(air.coldestNight.insideC).toBeCloseTo(10, 2)
  expect(radiant.coldestNight.insideC).toBeCloseTo(10, 2)
  expect(radiant.months[0]!.waterC!).toBeGreaterThan(air.months[0]!.waterC!)
  expect(radiant.ledger.closure).toBeLessThan(0.001)
})

test('fumes of a heater without a flue leave their water in the room', () => {
  const burning = (fuel: string) => run(heated(bare, { capacityW: 15000, setPointC: 10, fuel }))
  const open = burning('gas-unvented')
  const flued = burning('gas')
  expect(open.hoursDamp).toBeGreaterThanOrEqual(flued.hoursDamp)
  expect(open.condensedKg).toBeGreaterThan(flued.condensedKg + 5)
  expect(open.topUp.fuels[0]!.unit).toBe('m³')
})

test('panels: nothing at night, their efficiency line by day', () => {
  expect(airPanelWm2(0, 10, -5, 30)).toBe(0)
  // Much air takes all but what the absorber keeps: its efficiency factor times what it takes in less what it loses.
  expect(airPanelWm2(800, 15, 5, 1e6)).toBeCloseTo(0.8 * (0.75 * 800 - 50), 1)
  // Little air is heated to the brim: it carries off no more than its own flow would at standstill.
  expect(airPanelWm2(800, 15, 5, 1)).toBeLessThan((1 * (0.75 * 800 - 50)) / 5)
  expect(waterPanelWm2(800, 40, 0)).toBeCloseTo(0.9 * (600 - 160), 9)
  expect(waterPanelWm2(100, 50, -10)).toBe(0)
})

describe('heaters in order', () => {
  const two = (first: number, second: number, capacityW = 400) =>
    run(
      withSources(
        bare,
        aSource('heater', { capacityW, setPointC: first }),
        aSource('heater', { capacityW: 20000, setPointC: second, fuel: 'gas', pricePerKWh: 0.1 }),
      ),
    )

  test('the second helps only where the first falls short, and the air stands at its own set point then', () => {
    const a = two(8, 5)
    const [main, help] = a.sources as [(typeof a.sources)[number], (typeof a.sources)[number]]
    expect(main.peakW).toBeCloseTo(400, 3)
    expect(help.kWh).toBeGreaterThan(5)
    expect(help.hours).toBeLessThan(main.hours)
    expect(a.coldestNight.insideC).toBeCloseTo(5, 2)
    expect(a.ledger.gains.heater!).toBeCloseTo(main.kWh + help.kWh, 3)
    expect(a.topUp.kWh).toBeCloseTo(main.kWh + help.kWh, 3)
    expect(a.topUp.fuels.map(f => f.fuel)).toEqual(['electricity', 'gas'])
    expect(a.topUp.cost).toBeCloseTo(main.kWh * 0.28 + (help.kWh / 0.85) * 0.1, 6)
    expect(a.ledger.closure).toBeLessThan(1e-5)
  })

  test('of one set point, the one that comes first in the list works first; a strong first leaves nothing', () => {
    const a = two(6, 6)
    expect(a.sources[0]!.peakW).toBeCloseTo(400, 3)
    expect(a.sources[1]!.hours).toBeLessThan(a.sources[0]!.hours)
    expect(two(8, 5, 30000).sources[1]!.kWh).toBe(0)
  })

  test('it does not matter which stands first where their set points differ', () => {
    const a = two(8, 5)
    const swapped = run(
      withSources(
        bare,
        aSource('heater', { capacityW: 20000, setPointC: 5, fuel: 'gas', pricePerKWh: 0.1 }),
        aSource('heater', { capacityW: 400, setPointC: 8 }),
      ),
    )
    expect(swapped.coldestNight.insideC).toBeCloseTo(a.coldestNight.insideC, 9)
    expect(swapped.sources[0]!.kWh).toBeCloseTo(a.sources[1]!.kWh, 6)
  })
})

describe('a stove that someone lights', () => {
  const outsideC = (low: (day: number) => number) => ({
    outsideC: Float32Array.from({ length: 8760 }, (_, h) => (h % 24 === 5 ? low(Math.floor(h / 24)) : 10)),
    there: hoursThere(bare.breathe.people),
  })
  const stove = aSource('stove', { belowC: 0, litAtH: 20, burnsH: 9 })

  test('it burns from its hour on, past midnight, on nights that get so cold and on no others', () => {
    const lit = burning(
      stove,
      outsideC(day => (day === 11 ? -3 : 4)),
    )
    const from = 10 * 24 + 20
    lit.forEach((share, h) => expect(share).toBe(h >= from && h < from + 9 ? 1 : 0))
    expect(
      burning(
        { ...stove, belowC: -3 },
        outsideC(() => -3),
      ).every(s => s === 0),
    ).toBe(true)
  })

  test('it rests in the holidays, unless somebody comes for it every such night', () => {
    const span = { name: 'Holidays', there: 'away', from: '12-20', until: '01-06' } as const
    const away = { ...outsideC(() => -3), there: hoursThere({ ...bare.breathe.people, spans: [span] }) }
    const days = (lit: Float32Array) => lit.filter((w, h) => h % 24 === 20 && w > 0).length
    expect(days(burning(stove, away))).toBe(365 - 18)
    expect(days(burning({ ...stove, lit: 'always' }, away))).toBe(365)
  })

  test('a part of an hour counts as such, and the last night of the year burns on into its first morning', () => {
    const all = outsideC(() => -3)
    const half = burning({ ...stove, litAtH: 20.5, burnsH: 1 }, all)
    expect([half[20], half[21], half[22]]).toEqual([0.5, 0.5, 0])
    expect(burning(stove, all)[0]).toBe(1)
    expect(Math.max(...burning({ ...stove, burnsH: 24 }, all))).toBe(1)
  })

  test('it gives its strength for its hours, costs its wood, and rests in the unheated year', () => {
    const a = run(withSources(bare, aSource('stove', { belowC: -5, powerW: 3000, burnsH: 8 })))
    const [it] = a.sources
    expect(it!.peakW).toBeCloseTo(3000, 3)
    expect(it!.kWh).toBeCloseTo(3 * it!.hours, 3)
    expect(it!.hours % 8).toBe(0)
    expect(a.ledger.gains.stove).toBeCloseTo(it!.kWh, 6)
    expect(it!.bought!.amount).toBeCloseTo(it!.kWh / 0.7 / (woodHeatJkg(0.2) / 3.6e6), 6)
    expect(a.freeRunning!.coldestNight.insideC).toBeCloseTo(run(bare).coldestNight.insideC, 1)
    expect(a.coldestNight.insideC).toBeGreaterThan(a.freeRunning!.coldestNight.insideC + 0.3)
  })
})

describe('heat to a named body', () => {
  const house: Design = {
    ...bare,
    store: { ...bare.store, bodies: [...bare.store.bodies, tank({ lengthM: 1, widthM: 0.6, heightM: 0.8, atM: 1.4 })] },
  }
  const into = (body: number | null) =>
    run(withSources(house, aSource('heater', { into: 'body', body, setPointC: 25, capacityW: 2000 })))

  test('it warms that one, up to its set point, and the others hardly', () => {
    const none = run(house)
    const tanked = into(1)
    expect(tanked.bodies[1]!.coldestC).toBeGreaterThan(23.5)
    expect(tanked.bodies[1]!.coldestC).toBeLessThan(25.1)
    expect(tanked.bodies[0]!.coldestC - none.bodies[0]!.coldestC).toBeLessThan(4)
    expect(tanked.ledger.closure).toBeLessThan(1e-5)
    expect(into(null).bodies[0]!.coldestC).toBeGreaterThan(tanked.bodies[0]!.coldestC + 5)
  })

  test('stone is warmed as well as water: a wall of mass is kept near its set point', () => {
    const walled: Design = {
      ...bare,
      store: { ...bare.store, bodies: [wall({ thicknessM: 0.3, heightM: 0.8, atM: 1.4, lengthM: 3 })] },
    }
    const warm = aSource('heater', { into: 'body', body: 0, setPointC: 20, capacityW: 4000 })
    const a = run(withSources(walled, warm))
    expect(a.sources[0]!.kWh).toBeGreaterThan(100)
    expect(a.bodies[0]!.coldestC).toBeGreaterThan(15)
    expect(a.bodies[0]!.coldestC).toBeGreaterThan(run(walled).bodies[0]!.coldestC + 8)
    expect(a.ledger.closure).toBeLessThan(1e-5)
    // Where nothing holds water, what is aimed at the first that does brings nothing.
    expect(run(withSources(walled, { ...warm, body: null })).sources[0]!.kWh).toBe(0)
  })

  test('a body that is not there is a fault; taking one out sends its heat to the first', () => {
    const aimed = withSources(house, aSource('heater', { into: 'body', body: 2 }), aSource('spare power', { body: 1 }))
    expect(designFaults(aimed)).toEqual([expect.objectContaining({ path: 'topUp.sources[0].body' })])
    const sound = withSources(house, aSource('heater', { into: 'body', body: 0 }), aSource('spare power', { body: 1 }))
    expect(designFaults(sound)).toEqual([])
    const without = patchDesign(sound, withoutBody(sound, 0))
    expect(without.topUp.sources.map(s => 'body' in s && s.body)).toEqual([null, 0])
    expect(designFaults(without)).toEqual([])
  })

  test('air is not kept as warm as a body may be', () => {
    expect(designFaults(heated(house, { setPointC: 40 }))[0]!.path).toBe('topUp.sources[0].setPointC')
    expect(designFaults(heated(house, { setPointC: 40, into: 'body' }))).toEqual([])
  })
})

describe('a loop from a body to the beds', () => {
  const tanked: Design = {
    ...demo,
    store: { ...demo.store, bodies: [tank({ lengthM: 2, widthM: 0.8, heightM: 1, atM: 1.4 })] },
  }
  const loop = aSource('body loop', { flowLMin: 20, startK: 2, leastC: 5, setPointC: 18, powerW: 25 })

  test('takes from the water what it gives to the soil: the pump alone is a gain, and the books close', () => {
    const still = engine.run(tanked)
    const { answers, series } = engine.run(withSources(tanked, loop))
    const [own] = answers.sources
    expect(answers.ledger.closure).toBeLessThan(0.001)
    expect(own!.movedKWh).toBeGreaterThan(20)
    expect(answers.ledger.gains.pumps!).toBeCloseTo((25 * own!.hours) / 1000, 3)
    expect(answers.electricity.pumpsKWh).toBe(answers.ledger.gains.pumps)
    // While it runs, the water stands cooler and the soil warmer than without it.
    let [water, soil] = [0, 0]
    series.sourcesMoved[0]!.forEach((w, h) => {
      water += w * (series.waterC[h]! - still.series.waterC[h]!)
      soil += w * (series.soilC[h]! - still.series.soilC[h]!)
    })
    expect(water).toBeLessThan(0)
    expect(soil).toBeGreaterThan(0)
    for (let h = 1; h < 8760; h++) {
      if (series.sourcesMoved[0]![h]! === 0) continue
      // As it stood when the hour began.
      expect(series.bodies[0]!.middleC[h - 1]!).toBeGreaterThan(5)
      // The most that a flow carries: its capacity rate times the difference.
      const most = (20 / 60) * 4186 * 0.6 * (series.bodies[0]!.middleC[h - 1]! - series.soilC[h - 1]! + 8)
      expect(series.sourcesMoved[0]![h]!).toBeLessThanOrEqual(most)
    }
  })

  test('without a body or a bed it rests; a strong pump does not swing', () => {
    expect(run(withSources({ ...tanked, store: { ...tanked.store, bodies: [] } }, loop)).sources[0]!.hours).toBe(0)
    const bedless: Design = { ...tanked, shape: { ...tanked.shape, beds: [] } }
    expect(run(withSources(bedless, loop)).sources[0]!.hours).toBe(0)
    const strong = engine.run(withSources(tanked, { ...loop, flowLMin: 1000, givesShare: 1 }))
    expect(strong.answers.ledger.closure).toBeLessThan(0.001)
    for (let h = 1; h < 8760; h++)
      expect(Math.abs(strong.series.soilC[h]! - strong.series.soilC[h - 1]!)).toBeLessThan(4)
  })
})
