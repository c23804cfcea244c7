import { anAirStore } from '../../core/air-stores/registry'
import { designCautions } from '../../core/advice/cautions'
import { DEMOS, type Design, type Source } from '../../core/design'
import { broughtForward, designFaults } from '../../core/editing'
import { heatDay, heatFlows } from '../../core/heat-view'
import { makeLightTable } from '../../core/optics/light-table'
import { makeBuilding } from '../../core/geometry/surfaces'
import { aSource, sourceKind } from '../../core/sources/registry'
import { heated, unheated, withAllAirStores, withSources } from '../added'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const demo = unheated(plain)
const bare: Design = { ...demo, skin: { ...demo.skin, cover: { ...demo.skin.cover, id: 'none' } } }

describe('what each brings adds up to what the house was brought', () => {
  const sources: Source[] = [
    aSource('heater', { setPointC: 6, capacityW: 800 }),
    aSource('heater', { setPointC: 4, capacityW: 5000, fuel: 'gas-unvented', pricePerKWh: 0.1, into: 'radiant' }),
    aSource('stove', { belowC: -8 }),
    aSource('lamps'),
    aSource('lamps', { powerW: 50, months: [6] }),
    aSource('people'),
    aSource('solar water panel', { on: false }),
    aSource('spare power'),
  ]
  const { answers, series } = engine.run(withSources(bare, ...sources))

  test('by lines of the ledger, each line the sum of its sources; one that is off brings nothing', () => {
    const byGain = new Map<string, number>()
    sources.forEach((s, i) => {
      const kWh = series.sources[i]!.reduce((sum, w) => sum + w, 0) / 1000
      byGain.set(sourceKind(s).gain, (byGain.get(sourceKind(s).gain) ?? 0) + kWh)
    })
    for (const [gain, kWh] of byGain) expect(answers.ledger.gains[gain] ?? 0).toBeCloseTo(kWh, 2)
    expect(answers.sources[6]).toMatchObject({ kWh: 0, hours: 0, peakW: 0 })
    expect(answers.ledger.closure).toBeLessThan(1e-5)
  })

  test('by fuel and money: what is bought is the sum of what each burnt; months add up to the year', () => {
    const paid = answers.sources.filter(s => s.bought)
    expect(paid.map(s => s.name)).toEqual(['Heater 1', 'Heater 2', 'Stove'])
    expect(answers.topUp.kWh).toBeCloseTo(
      paid.reduce((sum, s) => sum + s.kWh, 0),
      2,
    )
    expect(answers.topUp.cost).toBeCloseTo(
      paid.reduce((sum, s) => sum + s.bought!.cost, 0),
      6,
    )
    expect(answers.topUp.fuels.map(f => f.fuel).sort()).toEqual(['electricity', 'gas-unvented', 'wood'])
    expect(answers.months.reduce((sum, m) => sum + m.topUpKWh, 0)).toBeCloseTo(answers.topUp.kWh, 2)
    expect(answers.topUp.peakW).toBeGreaterThan(Math.max(...paid.map(s => s.peakW)) - 1e-6)
    expect(answers.topUp.peakW).toBeLessThanOrEqual(paid.reduce((sum, s) => sum + s.peakW, 0) + 1e-6)
  })

  test('light of both sets of lamps is on the beds, in the months of each', () => {
    const dark = engine.run(withSources(bare, ...sources.filter(s => s.kind !== 'lamps'))).answers
    const more = answers.months.map((m, i) => m.dli - dark.months[i]!.dli)
    expect(more[0]!).toBeGreaterThan(0.05)
    expect(more[5]!).toBeGreaterThan(0.005)
    expect(more[5]!).toBeLessThan(more[0]!)
    expect(more[3]!).toBeCloseTo(0, 2)
  })

  test('the heat view balances with them all: what comes in less what leaves is what is kept', () => {
    const day = heatDay(withSources(bare, ...sources), engine.site(bare), 12)
    for (const hour of [3, 12, 21]) {
      const flows = heatFlows(day, hour)
      const sum = (kind: string) => flows.filter(f => f.kind === kind).reduce((s, f) => s + f.watts, 0)
      expect(sum('in') - sum('out')).toBeCloseTo(sum('kept'), 3)
      expect(flows.some(f => f.name === 'stove')).toBe(true)
    }
  })
})

test('skin by piece and ledger by way: glazing lost is what its panes lost', () => {
  const { answers, series } = engine.run(withAllAirStores(bare))
  const lost = (ids: (id: string) => boolean) =>
    series.skin.filter(s => ids(s.id)).reduce((sum, s) => sum + s.lostW.reduce((a, w) => a + w, 0), 0) / 1000
  const panes = answers.parts.filter(p => p.glazed).map(p => p.id as string)
  expect(panes.length).toBeGreaterThan(1)
  expect(lost(id => panes.includes(id))).toBeCloseTo(answers.ledger.losses.glazing!, 1)
  expect(answers.electricity.fansKWh * 1000).toBeCloseTo(
    answers.airStores.reduce((sum, s, i) => sum + s.hours * [90, 40, 90, 40][i]!, 0),
    0,
  )
})

describe('documents of version 3, source by source', () => {
  const heater = { on: true, capacityW: 900, setPointC: 5, fuel: 'oil', pricePerKWh: 0.2, currency: 'NOK' }
  const old = (topUp: object) => ({ ...demo, schemaVersion: 3, topUp })
  const sources = (topUp: object) => (broughtForward(old(topUp)) as Design).topUp

  test('the heater keeps what was said of it; its currency is the design’s', () => {
    const { currency, sources: all } = sources({ heater: { ...heater, kind: 'radiant' } })
    expect(currency).toBe('NOK')
    expect(all).toEqual([
      aSource('heater', { capacityW: 900, setPointC: 5, fuel: 'oil', pricePerKWh: 0.2, into: 'radiant' }),
    ])
    expect(sources({ heater }).sources[0]).toMatchObject({ into: 'air' })
    expect(sources({ heater: { ...heater, on: false } }).sources[0]).toMatchObject({ on: false, capacityW: 900 })
  })

  test('what was none is left out; the loop burns the heater’s fuel; a heap’s tonnes are kilograms', () => {
    const { sources: all } = sources({
      heater,
      bedLoop: { capacityW: 700, setPointC: 12 },
      compost: { tonnes: 1.5, startDay: 280 },
      lamps: { powerW: 0, fromH: 5, untilH: 8, molPerMJ: 2.5, months: [1] },
      dumpLoad: { peakW: 400, tiltDeg: 30 },
      solarAir: { areaM2: 0, tiltDeg: 60, flowM3h: 200 },
      people: { count: 3, fromH: 9, untilH: 12 },
    })
    expect(all.map(s => s.kind)).toEqual(['heater', 'bed loop', 'people', 'compost', 'spare power'])
    expect(all[1]).toEqual(aSource('bed loop', { capacityW: 700, setPointC: 12, fuel: 'oil', pricePerKWh: 0.2 }))
    expect(all[3]).toEqual(aSource('compost', { massKg: 1500, startDay: 280 }))
    expect(all[4]).toMatchObject({ peakW: 400, tiltDeg: 30, body: null })
    expect(designFaults(broughtForward(old({ heater })))).toEqual([])
    // A document that was kept while this version was being made said it so too.
    expect(broughtForward({ ...old({ heater }), schemaVersion: 4 })).toEqual(broughtForward(old({ heater })))
  })

  test('air stores that were off are left out, and those that were on keep their pipes', () => {
    const { store, breathe } = demo
    const { airStores: _none, ...rest } = store
    const now = broughtForward({
      ...demo,
      schemaVersion: 3,
      store: { ...rest, earth: { on: true, pipes: 7, depthM: 1.1 }, rockBed: { on: false, areaM2: 9 } },
      breathe: { ...breathe, earthTube: { on: true, lengthM: 33 } },
    }) as Design
    expect(_none).toEqual([])
    expect(now.store.airStores).toEqual([
      anAirStore('earth store', { pipes: 7, depthM: 1.1 }),
      anAirStore('earth tube', { lengthM: 33 }),
    ])
    expect(designFaults(now)).toEqual([])
  })

  test('what is not a design of ours comes back as it was', () => {
    for (const thing of [null, 7, 'x', [], { schemaVersion: 9 }, {}]) expect(broughtForward(thing)).toBe(thing)
  })
})

describe('cautions of what is added', () => {
  const words = (d: Design) => designCautions(d, null).map(c => c.text)
  const says = (d: Design, of: RegExp) => words(d).some(t => of.test(t))
  const offGrid: Design = { ...bare, aim: { ...bare.aim, practical: { ...bare.aim.practical, power: false } } }

  test('what burns asks for a flue and an alarm, whichever source it is; what is off asks nothing', () => {
    expect(says(withSources(bare, aSource('stove')), /carbon monoxide/)).toBe(true)
    expect(says(withSources(bare, aSource('bed loop', { fuel: 'gas' })), /carbon monoxide/)).toBe(true)
    expect(says(withSources(bare, aSource('stove', { on: false })), /carbon monoxide/)).toBe(false)
    expect(says(heated(bare), /carbon monoxide/)).toBe(false)
    expect(says(heated(bare), /residual-current/)).toBe(true)
  })

  test('without power on the site electric heat and lamps are told, a wood stove is not', () => {
    expect(says(heated(offGrid), /no power on the site, and the heater is electric/)).toBe(true)
    expect(says(withSources(offGrid, aSource('lamps')), /there are lamps/)).toBe(true)
    expect(says(withSources(offGrid, aSource('stove')), /no power/)).toBe(false)
  })

  test('each part is looked at: glass falls from slopes alone, sheet has its face wherever it is, foam is bare', () => {
    const all = (glazing: string): Design => ({ ...bare, skin: { ...bare.skin, glazing, openings: [] } })
    const withPart = (d: Design, part: 'sunnySlope' | 'front', glazing: string): Design => ({
      ...d,
      skin: { ...d.skin, parts: { ...d.skin.parts, [part]: { ...d.skin.parts[part], glazing } } },
    })
    const film = all('film-1')
    expect(says(film, /Glass overhead/)).toBe(false)
    expect(says(withPart(film, 'sunnySlope', 'glass-1'), /Glass overhead/)).toBe(true)
    expect(says(withPart(all('glass-1'), 'sunnySlope', 'film-1'), /Glass overhead/)).toBe(false)
    expect(says(withPart(film, 'sunnySlope', 'multiwall-16'), /outside face/)).toBe(true)
    expect(says(film, /outside face/)).toBe(false)
    const foam = { ...film, skin: { ...film.skin, wall: [{ material: 'eps', thicknessM: 0.1 }] } }
    expect(says(foam, /Bare foam/)).toBe(true)
  })

  test('a heater set above the vents’ start heats the garden; pipes in the ground are to be drained', () => {
    expect(says(heated(bare, { setPointC: 22 }), /heat the garden/)).toBe(true)
    expect(says(heated(bare, { setPointC: 8 }), /heat the garden/)).toBe(false)
    expect(says(withAllAirStores(bare), /radon/)).toBe(true)
    expect(says(bare, /radon/)).toBe(false)
  })
})

test('a pale floor takes in less sun than a dark one, by the zone that is seen', () => {
  const of = (floor: Partial<Design['store']['floor']>) => {
    const d: Design = { ...demo, store: { ...demo.store, floor: { ...demo.store.floor, ...floor } } }
    return makeLightTable(d, makeBuilding(d)).faces.find(f => f.id === 'floor')!.absorptance
  }
  const pale = [{ material: 'own', thicknessM: 0.05, own: { ...OWN, solarAbsorptance: 0.2 } }]
  const dark = [{ material: 'own', thicknessM: 0.05, own: { ...OWN, solarAbsorptance: 0.9 } }]
  expect(of({ rest: pale })).toBeCloseTo(0.2, 9)
  expect(of({ rest: dark })).toBeCloseTo(0.9, 9)
  // The top layer is seen, not what lies under it.
  expect(of({ rest: [...dark, ...pale] })).toBeCloseTo(0.2, 9)
  const mixed = of({ rest: dark, path: pale })
  expect(mixed).toBeGreaterThan(0.2)
  expect(mixed).toBeLessThan(0.9)
})
const OWN = { name: 'Paint', conductivity: 1, density: 2000, specificHeat: 900 }

test('every demo is sound, and its sources and air stores are named in its answers', () => {
  for (const d of DEMOS) {
    const { answers } = engine.run(d)
    expect(answers.sources.map(s => s.kind)).toEqual(d.topUp.sources.map(s => s.kind))
    expect(answers.airStores.map(s => s.kind)).toEqual(d.store.airStores.map(s => s.kind))
    expect(answers.ledger.closure).toBeLessThan(1e-5)
    // The score and the months read the same hours.
    expect(answers.coldestNight.insideC).toBe(Math.min(...answers.months.map(m => m.insideMinC)))
    expect(answers.hottestAfternoon.insideC).toBe(Math.max(...answers.months.map(m => m.insideMaxC)))
  }
})
