import fc from 'fast-check'
import { openingFlows } from '../../core/air/opening-flows'
import { DEMOS } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeAirways } from '../../core/network/airways'
import { stackFlow } from '../../core/sums'
import { hourly as engine } from '../shared/years'

const orifices = (list: [conduct: number, heightM: number, wind?: number][]) => ({
  conduct: Float64Array.from(list, o => o[0]),
  heightM: Float64Array.from(list, o => o[1]),
  wind: Float64Array.from(list, o => o[2] ?? 0),
  opening: Int32Array.from(list, (_, i) => i),
})

test('two openings without wind: the sum by hand, low in and high out', () => {
  const [low, high] = openingFlows(
    orifices([
      [0.6 * 1, 0.5],
      [0.6 * 2, 2.5],
    ]),
    [1, 1],
    30,
    20,
    0,
  )
  const byHand = stackFlow(1, 2, 2, 30, 20).result * 3600
  expect(low!.inM3h / byHand).toBeCloseTo(1, 3)
  expect(high!.outM3h / byHand).toBeCloseTo(1, 3)
  expect([low!.outM3h, high!.inM3h]).toEqual([0, 0])
})

test('as much leaves as comes in, whatever stands open; more open never lets less through', () => {
  const part = fc.integer({ min: 1, max: 100 }).map(v => v / 50)
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          part,
          part,
          part.map(w => w - 1),
        ),
        { minLength: 2, maxLength: 6 },
      ),
      fc.integer({ min: 0, max: 30 }),
      fc.integer({ min: 0, max: 12 }),
      (list, kelvin, wind) => {
        const all = orifices(list.map(([c, z, w]) => [c, z, w]))
        const through = (share: number[]) => {
          const flows = openingFlows(all, share, 15 + kelvin, 15, wind)
          const enters = flows.reduce((s, f) => s + f.inM3h, 0)
          const leaves = flows.reduce((s, f) => s + f.outM3h, 0)
          expect(Math.abs(enters - leaves)).toBeLessThan(0.02 * Math.max(enters, leaves, 1))
          return enters
        }
        const ajar = through(list.map(() => 0.3))
        expect(through(list.map(() => 1))).toBeGreaterThanOrEqual(ajar * 0.98)
      },
    ),
  )
})

test('wind comes in on its side and leaves on the other; shut, nothing passes', () => {
  const two = orifices([
    [1, 1, 0.6],
    [1, 1, -0.3],
  ])
  const [windward, lee] = openingFlows(two, [1, 1], 20, 20, 5)
  expect(windward!.inM3h).toBeGreaterThan(1000)
  expect(lee!.outM3h).toBeGreaterThan(1000)
  expect(openingFlows(two, [0, 0], 30, 20, 5)).toEqual([
    { inM3h: 0, outM3h: 0 },
    { inM3h: 0, outM3h: 0 },
  ])
})

test('on a hot afternoon of each demo that opens, air comes in and goes out by its openings', () => {
  for (const demo of DEMOS) {
    const { answers, series, site } = engine.run(demo)
    const h = answers.hottestAfternoon.hour
    const airways = makeAirways(demo, makeBuilding(demo), site.dryBulbC)
    const share = series.openings.map(o => o[h]!)
    const flows = openingFlows(airways, share, series.airC[h]!, site.dryBulbC[h]!, site.windMs[h]!)
    expect(flows).toHaveLength(demo.skin.openings.length)
    if (share.some(s => s > 0.1)) expect(flows.reduce((s, f) => s + f.inM3h, 0)).toBeGreaterThan(100)
  }
})
