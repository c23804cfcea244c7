import fc from 'fast-check'
import { bedAt, DEMOS, type BedAlong, type Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { bodyFace, leafFace } from '../../core/geometry/faces'
import { canopyLight, leavesCover } from '../../core/optics/canopy'
import { makeLightTable } from '../../core/optics/light-table'
import { leafDraws, stomatalResistance } from '../../core/network/transpiration'
import { unheated } from '../added'
import { barrelsOf } from '../bodies'
import { leafBalance } from '../proof/leaf'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const leafArea = fc.double({ min: 0, max: 6, noNaN: true })
const months = (asked: (m: number) => boolean) =>
  Array.from({ length: 12 }, (_, m) => (asked(m) ? ('grow' as const) : ('' as const)))

test('light in leaves: nothing is made, more leaf takes more and lets less down, none takes none', () => {
  fc.assert(
    fc.property(leafArea, leafArea, (a, b) => {
      const [less, more] = [canopyLight(Math.min(a, b)), canopyLight(Math.max(a, b))]
      for (const c of [less, more]) {
        expect(c.taken).toBeGreaterThanOrEqual(-1e-12)
        expect(c.taken + c.down).toBeLessThanOrEqual(1 + 1e-12)
        // What leaves let through scattered comes on top of what they leave open.
        expect(c.down).toBeGreaterThanOrEqual(1 - c.met - 0.02)
      }
      expect(more.taken).toBeGreaterThanOrEqual(less.taken - 1e-12)
      expect(more.down).toBeLessThanOrEqual(less.down + 1e-12)
      expect(leavesCover(Math.max(a, b))).toBeGreaterThanOrEqual(leavesCover(Math.min(a, b)))
    }),
  )
  expect(canopyLight(0)).toEqual({ met: 0, taken: 0, down: 1 })
})

test('stomata open in light and shut in dry air; without leaf nothing is drawn', () => {
  expect(stomatalResistance(500, 0, 22)).toBeLessThan(stomatalResistance(5, 0, 22))
  expect(stomatalResistance(500, 1500, 22)).toBeGreaterThan(2 * stomatalResistance(500, 0, 22))
  expect(stomatalResistance(0, 0, 22)).toBeGreaterThan(600)
  expect(leafDraws(0, 1.2, 300, 500, 22)).toBe(0)
  expect(leafDraws(3, 1.2, 300, 500, 22)).toBeGreaterThan(leafDraws(1, 1.2, 100, 500, 22))
})

test('stomata shut as leaves grow cold, by day and by night, and stand as they are in great heat', () => {
  for (const sun of [0, 2, 50, 400])
    for (const c of [-5, 0, 5, 10, 15])
      expect(stomatalResistance(sun, 200, c)).toBeGreaterThan(stomatalResistance(sun, 200, c + 5))
  // By night at 5 °C a metre of leaf gives off less than a quarter of what it does at 30 °C in the same dryness.
  expect(leafDraws(1, 1.2, 0, 200, 5)).toBeLessThan(leafDraws(1, 1.2, 0, 200, 30) / 4)
  expect(stomatalResistance(400, 200, 45)).toBe(stomatalResistance(400, 200, 30))
})

test('what leaves take from air, room and soil is what they spend on vapour', () => {
  const { in: gained, spent } = leafBalance()
  expect(spent).toBeGreaterThan(1)
  expect(Math.abs(gained - spent) / spent).toBeLessThan(0.01)
})

describe('a hedge and what stands behind it', () => {
  const hedge = (crop: Partial<BedAlong>): Design => ({
    ...unheated(plain),
    aim: { ...plain.aim, crops: [{ id: 'tomato', needs: null, months: months(m => m >= 4 && m <= 8) }] },
    shape: { ...plain.shape, beds: [bedAt(0.3, 1.2, 0.3, crop)], benches: [] },
    store: { ...plain.store, bodies: [barrelsOf(plain, { atM: plain.shape.widthM - 0.7, count: 6 })] },
  })
  const of = (d: Design) => {
    const { answers, gains } = engine.run(d)
    const month = (face: string, m: number) => {
      const watts = gains.faces.find(f => f.id === face)?.watts
      return watts ? watts.subarray(m * 730, (m + 1) * 730).reduce((a, b) => a + b, 0) : 0
    }
    return { answers, month }
  }
  const low = of(hedge({ crop: 'tomato', leafArea: 3, leavesM: 0.1 }))
  const tall = of(hedge({ crop: 'tomato', leafArea: 3 }))
  const bare = of(hedge({ crop: 'tomato', leafArea: 0 }))
  const drum = bodyFace(0)

  test('it shades the drums while it stands, and not once it has gone', () => {
    // In spring and autumn the sun comes in low enough; in January nothing stands.
    expect(tall.month(drum, 8)).toBeLessThan(0.95 * low.month(drum, 8))
    expect(tall.month(drum, 0)).toBeCloseTo(bare.month(drum, 0), 3)
    expect(tall.month(leafFace(0), 0)).toBe(0)
    expect(tall.month(leafFace(0), 6)).toBeGreaterThan(0)
  })

  test('the water behind it stays cooler in summer; the bed’s own light is measured on top of it', () => {
    expect(tall.answers.months[7]!.waterC!).toBeLessThan(low.answers.months[7]!.waterC! - 0.1)
    const [a, b] = [tall, bare].map(x => x.answers.beds[0]!.dli[6]!) as [number, number]
    expect(a / b).toBeGreaterThan(0.85)
    // Up there a little more of the sky is seen.
    expect(a / b).toBeLessThan(1.2)
    for (const x of [low, tall, bare]) expect(x.answers.ledger.closure).toBeLessThan(1e-4)
  })
})

test('a bed with next to no leaf is a bare bed', () => {
  const of = (leafArea: number) => {
    const beds = plain.shape.beds.map(b => ({ ...b, crop: null, leafArea }))
    return engine.run({ ...unheated(plain), shape: { ...plain.shape, beds } })
  }
  const [bare, hardly] = [of(0), of(1e-6)]
  expect(hardly.answers.coldestNight.insideC).toBeCloseTo(bare.answers.coldestNight.insideC, 3)
  expect(hardly.answers.hottestAfternoon.insideC).toBeCloseTo(bare.answers.hottestAfternoon.insideC, 3)
  expect(hardly.answers.months[6]!.soilC).toBeCloseTo(bare.answers.months[6]!.soilC, 3)
})

test('leaf of any size on any demo: each pane’s light is as much as comes through it', () => {
  fc.assert(
    fc.property(fc.constantFrom(...DEMOS), fc.array(leafArea, { minLength: 6, maxLength: 6 }), (demo, areas) => {
      const beds = demo.shape.beds.map((b, i) => ({ ...b, crop: null, leafArea: areas[i]! }))
      const design = { ...demo, shape: { ...demo.shape, beds } }
      const lit = (d: Design) => {
        const { faces, panes } = makeLightTable(d, makeBuilding(d))
        return panes.map(p => faces.reduce((s, f, i) => (f.meter ? s : s + p.sky[i]!), 0))
      }
      const bare = demo.shape.beds.map(b => ({ ...b, crop: null, leafArea: 0 }))
      const without = lit({ ...demo, shape: { ...demo.shape, beds: bare } })
      lit(design).forEach((sum, g) => expect(Math.abs(sum - without[g]!)).toBeLessThan(1e-5))
    }),
    { numRuns: 8 },
  )
})
