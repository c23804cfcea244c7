import { anAirStore } from '../../core/air-stores/registry'
import { DEMOS, type Design } from '../../core/design'
import { designFaults } from '../../core/editing'
import { briefOf } from '../../core/study/brief'
import { amountOf, amountVariants, heldVariants, ventM2, ventVariants } from '../../core/study/variants'
import { unheated, withAirStores } from '../added'
import { barrelsOf, tank, wall } from '../bodies'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const [ash] = DEMOS as [Design]
const figures = (d: Design) => briefOf(d, engine.run(d, { unheated: false }).answers)

describe('what the next one adds', () => {
  test('each amount is a sound design with so much of it, in order; none of it is without it', () => {
    for (const demo of DEMOS)
      demo.store.bodies.forEach((body, i) => {
        const all = amountVariants(demo, i)
        expect(all.length).toBeGreaterThan(2)
        expect(all.map(v => v.at)).toEqual([...all.map(v => v.at)].sort((a, b) => a - b))
        for (const v of all) expect(designFaults(v.design)).toEqual([])
        expect(all[0]!.at).toBe(0)
        expect(all[0]!.design.store.bodies).toHaveLength(demo.store.bodies.length - 1)
        for (const v of all.slice(1)) expect(amountOf(v.design, i)).toBeCloseTo(v.at, 9)
        // The house as it is, is among them.
        expect(all.some(v => Math.abs(v.at - amountOf(demo, i)) < 0.02 * v.at)).toBe(true)
        expect(body.kind).toBe(demo.store.bodies[i]!.kind)
      })
    expect(amountVariants(plain, 99)).toEqual([])
  })

  test('more water holds off more cold, each litre less than the one before', () => {
    const house: Design = { ...ash, store: { ...ash.store, bodies: [ash.store.bodies[0]!], linings: [] } }
    const some = amountVariants(house, 0).map(v => ({ at: v.at, coldestC: figures(v.design).coldestC }))
    const slopes = some.slice(1).map((p, i) => (p.coldestC - some[i]!.coldestC) / (p.at - some[i]!.at))
    for (const s of slopes) expect(s).toBeGreaterThan(-0.05)
    expect(slopes[0]!).toBeGreaterThan(slopes.at(-1)!)
  })
})

test('vents by shares: the hottest afternoon never rises with more of them, doors stay', () => {
  const all = ventVariants(ash)
  // Larger ones do not fit their parts.
  expect(all.length).toBeGreaterThan(3)
  expect(all.find(v => v.label === '100 %')!.at).toBeCloseTo(ventM2(ash), 9)
  const hot = [all[0]!, all[3]!, all.at(-1)!].map(v => figures(v.design).hottestC)
  expect(hot[1]!).toBeLessThan(hot[0]!)
  expect(hot[2]!).toBeLessThan(hot[1]! + 0.05)
  for (const v of all)
    expect(v.design.skin.openings.filter(o => o.kind === 'door')).toEqual(
      ash.skin.openings.filter(o => o.kind === 'door'),
    )
})

test('heat for each lowest air: warmer costs more heat, more at once and no fewer nights', () => {
  const all = heldVariants(ash)
    .filter(v => v.at % 4 === 0)
    .map(v => figures(v.design))
  for (let i = 1; i < all.length; i++) {
    expect(all[i]!.heatKWh).toBeGreaterThan(all[i - 1]!.heatKWh)
    expect(all[i]!.peakW).toBeGreaterThanOrEqual(all[i - 1]!.peakW)
    expect(all[i]!.heatNights).toBeGreaterThanOrEqual(all[i - 1]!.heatNights)
  }
  expect(all.at(-1)!.heatNights).toBeLessThanOrEqual(365)
})

describe('a body on the coldest night', () => {
  const base = unheated(plain)
  const house: Design = {
    ...base,
    store: {
      ...base.store,
      bodies: [
        barrelsOf(base, { atM: base.shape.widthM - 0.7, count: 5 }),
        tank({ lengthM: 1.5, widthM: 0.6 }),
        wall({ atM: 2.2, lengthM: 1 }),
      ],
    },
  }
  const { answers, series } = engine.run(house)

  test('what it gives in the year is next to nothing beside what went through it', () => {
    series.bodies.forEach(({ givesW }) => {
      const net = givesW.reduce((s, w) => s + w, 0)
      const through = givesW.reduce((s, w) => s + Math.abs(w), 0)
      expect(through).toBeGreaterThan(1000)
      expect(Math.abs(net) / through).toBeLessThan(0.02)
    })
  })

  test('a well-stirred barrel gives its mass times its fall', () => {
    const h = answers.coldestNight.hour
    const { middleC } = series.bodies[0]!
    const { night, waterM3 } = answers.bodies[0]!
    const fall = middleC[h - 12]! - middleC[h]!
    // Its shell beside its water: a per cent or two.
    expect(night.gaveKWh / ((waterM3 * 1000 * 4184 * fall) / 3.6e6)).toBeCloseTo(1, 1)
    expect(night.watts * 12).toBeCloseTo(night.gaveKWh * 1000, 6)
    const electric = night.equal.find(e => e.fuel === 'electricity')!
    expect(electric.amount).toBeCloseTo(night.gaveKWh, 9)
  })

  test('shares of all bodies stay below the whole; sun by month adds up; weight stands on its foot', () => {
    const shares = answers.bodies.reduce((s, b) => s + b.night.share, 0)
    expect(shares).toBeGreaterThan(0.01)
    expect(shares).toBeLessThan(1)
    for (const b of answers.bodies) {
      expect(b.sunByMonthKWh.reduce((s, k) => s + k, 0)).toBeCloseTo(b.sunKWh, 3)
      expect(b.weightKg).toBeGreaterThan(100)
      expect(b.loadKgM2).toBeGreaterThan(100)
    }
    // Five barrels of 200 L.
    expect(answers.bodies[0]!.weightKg).toBe(1000)
  })
})

test('an air store’s hours are those of its fan', () => {
  const { answers, series } = engine.run(withAirStores(ash, anAirStore('earth store')))
  const hours = series.airStores[0]!.runs.reduce((s, r) => s + r, 0)
  expect(answers.airStores[0]!.hours).toBeCloseTo(hours, 6)
})
