import fc from 'fast-check'
import { bundlePressurePa } from '../../core/air-stores/air-path'
import { bundleOf, LAYOUTS } from '../../core/air-stores/earth-store'
import { airStoreKind, anAirStore } from '../../core/air-stores/registry'
import { airStoreCautions } from '../../core/advice/air-stores'
import { controlSheet } from '../../core/advice/control-sheet'
import { DUCT_FANS } from '../../core/catalog'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { inPieces, roomObjects } from '../../core/geometry/objects'
import { deepestM, layChannels, layPipes, layRockBed } from '../../core/geometry/pipes'
import { withAirStores } from '../added'
import { hourly as engine } from '../shared/years'

const [ash] = DEMOS as [Design]
const store = (chosen: Parameters<typeof anAirStore<'earth store'>>[1] = {}) => anAirStore('earth store', chosen)
const flow = (s: ReturnType<typeof store>) => airStoreKind(s).work(s, { lengthM: 9, soilConductivity: 1.5 }).flowM3s
const layouts = Object.keys(LAYOUTS) as (keyof typeof LAYOUTS)[]

describe('flow', () => {
  test('every bend, a narrow manifold and a narrow riser each cost flow; wide ones next to none', () => {
    const plain = flow(store())
    expect(flow(store({ layout: 'U' }))).toBeLessThan(plain)
    expect(flow(store({ layout: 'W' }))).toBeLessThan(flow(store({ layout: 'U' })))
    expect(flow(store({ manifoldM: 0.12 }))).toBeLessThan(0.9 * plain)
    expect(flow(store({ riserM: 0.12 }))).toBeLessThan(0.9 * plain)
    expect(flow(store({ manifoldM: 2, riserM: 2 }))).toBeCloseTo(plain, 4)
    expect(flow(store({ layout: 'two layers' }))).toBe(plain)
  })

  test('a manifold’s pressure is its velocity heads by hand', () => {
    const s = store({ manifoldM: 0.2 })
    const open = { ...bundleOf(s, 1.5), narrow: [] }
    const q = 0.1
    const speed = q / ((Math.PI * 0.2 ** 2) / 4)
    const byHand = (1.5 * 1.2 * speed ** 2) / 2
    expect(bundlePressurePa(bundleOf(s, 1.5), q) - bundlePressurePa(open, q)).toBeCloseTo(byHand, 6)
  })

  test('every fan of the list drives a usual store, none more than it blows free', () => {
    for (const { freeFlowM3h, shutOffPa, powerW } of DUCT_FANS) {
      const m3h = flow(store({ fan: { freeFlowM3h, shutOffPa, powerW } })) * 3600
      expect(m3h).toBeGreaterThan(0.2 * freeFlowM3h)
      expect(m3h).toBeLessThan(freeFlowM3h)
    }
  })
})

describe('pipes as they lie', () => {
  test('each run lies in the house at its depth, as many as there are, as far apart as there is room', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...layouts),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 10, max: 100 }),
        (layout, pipes, pipeLengthM, apart) => {
          const s = store({ layout, pipes, pipeLengthM, spacingM: apart / 100 })
          const { runs, returns, fits } = layPipes(ash, s)
          const { runs: turns, layers } = LAYOUTS[layout]
          expect(runs).toHaveLength(pipes * turns)
          expect(returns).toHaveLength(pipes * (turns - 1))
          for (const r of runs) {
            expect(r.x).toBeGreaterThan(0)
            expect(r.x).toBeLessThan(ash.shape.widthM)
            expect(r.y0).toBeGreaterThanOrEqual(0)
            expect(r.y1).toBeLessThanOrEqual(ash.shape.lengthM)
            expect(r.z).toBeGreaterThanOrEqual(-s.depthM)
          }
          expect(new Set(runs.map(r => r.z)).size).toBe(Math.min(layers, pipes))
          const beside = runs.filter(r => r.z === runs[0]!.z).map(r => r.x)
          if (fits && beside.length > 1) expect(beside[1]! - beside[0]!).toBeCloseTo(s.spacingM, 9)
        },
      ),
    )
  })
})

test('a rock bed lies in the house with the area and the depth that it has', () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 300 }), fc.integer({ min: 2, max: 20 }), (tenths, depth) => {
      const bed = anAirStore('rock bed', { areaM2: tenths / 10, depthM: depth / 10 })
      const r = layRockBed(ash, bed)
      expect((r.x1 - r.x0) * (r.y1 - r.y0)).toBeCloseTo(bed.areaM2, 6)
      expect(r.z1 - r.z0).toBeCloseTo(bed.depthM, 9)
      expect(Math.min(r.x0, r.y0)).toBeGreaterThanOrEqual(0)
      expect(r.x1).toBeLessThanOrEqual(ash.shape.widthM)
      expect(r.y1).toBeLessThanOrEqual(ash.shape.lengthM)
      expect(deepestM(withAirStores(ash, bed))).toBeGreaterThan(bed.depthM)
    }),
  )
  expect(deepestM(withAirStores(ash))).toBe(0)
})

test('bed channels lie under the beds, all of them, side by side', () => {
  const beds = inPieces(roomObjects(ash).filter(o => o.kind === 'bed')).map(o => [o.x0, o.x1] as const)
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 3, max: 60 }), (count, centimetres) => {
      const lay = layChannels(ash, anAirStore('bed channels', { count, widthM: centimetres / 100 }))
      expect(lay).toHaveLength(count)
      lay.forEach((c, k) => {
        expect(c.widthM).toBeLessThanOrEqual(centimetres / 100)
        expect(beds.some(([x0, x1]) => c.x0 >= x0 - 1e-9 && c.x0 + c.widthM <= x1 + 1e-9)).toBe(true)
        if (k > 0) expect(c.x0).toBeGreaterThanOrEqual(lay[k - 1]!.x0 + lay[k - 1]!.widthM - 1e-9)
      })
    }),
  )
})

describe('a year', () => {
  test('two layers warm two depths; heat is in the books; months add up to the year', () => {
    for (const layout of ['one layer', 'two layers'] as const) {
      const { answers } = engine.run(withAirStores(ash, store({ layout })))
      expect(answers.ledger.closure).toBeLessThan(1e-5)
      const [own] = answers.airStores
      const sum = (of: (m: (typeof own & object)['months'][number]) => number) =>
        own!.months.reduce((a, m) => a + of(m), 0)
      expect(sum(m => m.tookKWh)).toBeCloseTo(own!.tookKWh, 6)
      expect(sum(m => m.fanKWh)).toBeCloseTo(own!.fanKWh, 6)
      expect(own!.fanKWh / answers.electricity.fansKWh).toBeCloseTo(1, 5)
      expect(own!.coefficient).toBeCloseTo((own!.tookKWh + own!.gaveKWh) / own!.fanKWh, 9)
      expect(own!.broughtBack).toBeCloseTo(own!.gaveKWh / own!.fanKWh, 9)
      // Taking, the air comes back colder than it went in; giving, warmer.
      expect(own!.taking!.outC).toBeLessThan(own!.taking!.inC)
      expect(own!.giving!.outC).toBeGreaterThan(own!.giving!.inC)
      // The soil is warmest after the summer.
      const stands = own!.months.map(m => m.storeC!)
      expect([6, 7, 8, 9]).toContain(stands.indexOf(Math.max(...stands)))
      // Water that condenses or dries off again carries no more heat than was taken or given: 2.45 MJ a kilogram.
      for (const m of own!.months) expect(Math.abs(m.condensedKg) * (2.45 / 3.6)).toBeLessThan(m.tookKWh + m.gaveKWh)
    }
  })

  test('its thermostats are obeyed: one that may not give gives little, one that takes late takes less', () => {
    const of = (chosen: Parameters<typeof store>[0]) =>
      engine.run(withAirStores(ash, store(chosen))).answers.airStores[0]!
    const plain = of({})
    // What is left is water that dries from its pipes again.
    expect(of({ giveBelowC: -20 }).gaveKWh).toBeLessThan(0.3 * plain.gaveKWh)
    expect(of({ takeAboveC: 28 }).tookKWh).toBeLessThan(plain.tookKWh)
    const sheet = controlSheet(withAirStores(ash, store({ takeAboveC: 22 })))
    expect(sheet.find(l => l.setting === 'By day takes heat above')!.value).toBe(22)
  })
})

test('air that comes back lies between the air that went in and the soil, at any height of the site', () => {
  for (const elevationM of [0, 3500]) {
    const high = patchDesign(withAirStores(ash, store()), [['site.elevationM', elevationM]])
    const [own] = engine.run(high).answers.airStores
    expect(own!.taking!.outC).toBeGreaterThan(own!.coldestC! - 0.5)
    expect(own!.giving!.outC).toBeLessThan(own!.warmestC! + 0.5)
  }
})

describe('what is told', () => {
  const boarded = patchDesign(ash, [['skin.edge', { ...ash.skin.edge, depthM: 1, thicknessM: 0.1 }]])
  const said = (chosen: Parameters<typeof store>[0], design = boarded) =>
    airStoreCautions(withAirStores(design, store(chosen))).join('\n')

  test.each([
    [{ pipeLengthM: 1, pipes: 4 }, /too short or too few/],
    [{ manifoldM: 0.08 }, /chokes the pipes/],
    [{ layout: 'W' as const, pipeLengthM: 3 }, /bends choke/],
    [{ perforated: false, drained: false }, /water stands/],
    [{ perforated: false, fallShare: 0 }, /water stands/],
    [{ pipes: 60, spacingM: 0.5 }, /across/],
    [{ pipeLengthM: 60, pipes: 1, pipeDiameterM: 0.05 }, /hardly gets through/],
  ])('%j', (chosen, words) => {
    expect(said(chosen)).toMatch(words)
  })

  test('a sound one is told nothing of; one without a board down to its pipes is', () => {
    const sound = { pipes: 10, pipeLengthM: 8, spacingM: 0.4 }
    expect(said(sound)).toBe('')
    expect(said(sound, patchDesign(ash, [['skin.edge.depthM', 0.3]]))).toMatch(/no board/)
    expect(airStoreCautions(withAirStores(ash, store({ on: false })))).toEqual([])
  })
})
