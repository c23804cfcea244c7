import fc from 'fast-check'
import { anAirStore } from '../../core/air-stores/registry'
import { bedAt, DEMOS, type Design } from '../../core/design'
import { aFan } from '../../core/fans/registry'
import { polygonAbove } from '../../core/geometry/above'
import { makeBuilding, type Vec } from '../../core/geometry/surfaces'
import { airExchange, makeAirs } from '../../core/network/airs'
import { makeFabric } from '../../core/network/chains'
import { unheated } from '../added'
import { mixedAirs } from '../proof/airs'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const range = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const house: Design = unheated(plain)
const withPath = (pathM: number, design = house): Design => ({
  ...design,
  shape: { ...design.shape, pathM, beds: [bedAt(0.2, 1, 0.4), bedAt(2.2, 1, 0.4)], benches: [] },
})

test('airs exchange quickly when the lower is warmer, slowly when it is colder, the more over a larger plane', () => {
  fc.assert(
    fc.property(range(0.5, 300), range(0, 15), (plane, k) => {
      expect(airExchange(plane, k, 1.2)).toBeGreaterThanOrEqual(airExchange(plane, -k, 1.2))
      expect(airExchange(plane, k + 1, 1.2)).toBeGreaterThan(airExchange(plane, k, 1.2))
      expect(airExchange(plane * 2, k, 1.2)).toBeGreaterThan(airExchange(plane, k, 1.2))
    }),
  )
  expect(airExchange(50, 1, 1.2)).toBeGreaterThan(5 * airExchange(50, -1, 1.2))
})

test('of any demo, faces stand where they are drawn: floors below, ridges above, walls by their height', () => {
  for (const d of DEMOS) {
    const building = makeBuilding(d)
    const { chains } = makeFabric(d, building)
    const airs = makeAirs(d, building, chains, Float64Array.of(0.1, building.outline.ridgeHeightM))
    expect(airs.aboveShare).toBeGreaterThan(0.1)
    expect(airs.aboveShare).toBeLessThan(0.6)
    expect([...airs.orificeAbove]).toEqual([0, 1])
    chains.forEach((c, i) => {
      expect(airs.above[i]).toBeGreaterThanOrEqual(0)
      expect(airs.above[i]).toBeLessThanOrEqual(1 + 1e-9)
      if (c.kind === 'ground' || c.kind === 'leaf') expect(airs.above[i]).toBe(0)
    })
  }
})

test('a polygon is parted by height: the two parts make it up', () => {
  const square: Vec[] = [
    [0, 0, 0],
    [0, 2, 0],
    [0, 2, 2],
    [0, 0, 2],
  ]
  fc.assert(fc.property(range(0, 2), z => expect(polygonAbove(square, z)).toBeCloseTo(1 - z / 2, 9)))
  expect(polygonAbove(square, 3)).toBe(0)
})

test('fully mixed, the two airs are one', () => {
  const { apart, coldestC, oneC } = mixedAirs()
  expect(apart).toBeLessThan(0.1)
  expect(Math.abs(coldestC - oneC)).toBeLessThan(0.05)
})

describe('what stands apart', () => {
  const still = engine.run(house)
  const stirred = engine.run({
    ...house,
    breathe: { ...house.breathe, fans: [aFan('circulating fan', { flowM3h: 3000, powerW: 0 })] },
  })
  const mean = (a: Float32Array, b: Float32Array) => a.reduce((s, t, h) => s + Math.abs(t - b[h]!), 0) / 8760

  test('a circulating fan brings ridge and beds together', () => {
    expect(mean(still.series.ridgeC, still.series.airC)).toBeGreaterThan(0.2)
    expect(mean(stirred.series.ridgeC, stirred.series.airC)).toBeLessThan(
      0.7 * mean(still.series.ridgeC, still.series.airC),
    )
    expect(still.answers.ledger.closure).toBeLessThan(1e-6)
    expect(stirred.answers.ledger.closure).toBeLessThan(1e-6)
  })

  test('on hot afternoons it is warmest under the ridge', () => {
    const { airC, ridgeC } = still.series
    const { hour } = still.answers.hottestAfternoon
    expect(ridgeC[hour]!).toBeGreaterThan(airC[hour]!)
  })

  test('in a path that is dug lower the air is colder by night, and the beds no colder for it', () => {
    const leaky: Design = { ...house, breathe: { ...house.breathe, leakage: 'old' } }
    const [level, dug] = [engine.run(withPath(0, leaky)), engine.run(withPath(-0.6, leaky))]
    const { hour } = dug.answers.coldestNight
    expect(dug.series.pathC[hour]!).toBeLessThan(dug.series.airC[hour]!)
    expect(dug.answers.coldestNight.insideC).toBeGreaterThan(level.answers.coldestNight.insideC - 0.02)
    expect(dug.answers.ledger.closure).toBeLessThan(1e-6)
    expect(mean(level.series.pathC, level.series.airC)).toBe(0)
  })
})

test('pipes that draw from under the ridge take more heat in the year than those that draw round the beds', () => {
  const of = (intake: 'ridge' | 'beds' | 'floor') => {
    const airStores = [anAirStore('earth store', { intake }), anAirStore('rock bed', { intake, areaM2: 4 })]
    const { series, answers } = engine.run({ ...withPath(-0.4), store: { ...house.store, airStores } })
    expect(answers.ledger.closure).toBeLessThan(1e-6)
    return series.airStores.reduce((sum, s) => sum + s.takesW.reduce((a, w) => a + Math.max(0, w), 0), 0)
  }
  const [ridge, beds] = [of('ridge'), of('beds')]
  expect(ridge).toBeGreaterThan(beds)
  expect(of('floor')).not.toBe(beds)
})
