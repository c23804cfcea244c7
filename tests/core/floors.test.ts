import psychrolib from 'psychrolib'
import { DEMOS, type Design } from '../../core/design'
import { designFaults } from '../../core/editing'
import { briefOf } from '../../core/study/brief'
import { floorChoices } from '../../core/study/floors'
import { mistCooling, mistWater, soilWarming, wetBulbC } from '../../core/sums'
import { hourly as engine } from '../shared/years'

const [ash] = DEMOS as [Design]

describe('floors side by side', () => {
  test('each is a sound design of every demo, and differs in its floor alone', () => {
    for (const demo of DEMOS) {
      const all = floorChoices(demo)
      expect(all.map(f => f.id)).toEqual(expect.arrayContaining(['earth', 'slab', 'slab-foam']))
      for (const f of all) {
        expect(designFaults(f.design)).toEqual([])
        expect({ ...f.design, store: { ...f.design.store, floor: demo.store.floor } }).toEqual(demo)
      }
    }
  })

  test('foam under a slab cuts the earth off: without heat its house is colder by night, and costs more', () => {
    const of = (id: string) => {
      const { design } = floorChoices(ash).find(f => f.id === id)!
      return briefOf(design, engine.run(design, { unheated: false }).answers)
    }
    const [slab, foam] = [of('slab'), of('slab-foam')]
    expect(foam.cost).toBeGreaterThan(slab.cost)
    expect(foam.coldestC).toBeLessThan(slab.coldestC - 0.3)
    expect(foam.soilC).toBeLessThan(slab.soilC)
  })
})

describe('misting', () => {
  test('the wet bulb is within 1 K of an independent library’s', () => {
    psychrolib.SetUnitSystem(psychrolib.SI)
    for (let t = 0; t <= 40; t += 5)
      for (const rh of [0.15, 0.3, 0.5, 0.7, 0.9])
        expect(Math.abs(wetBulbC(t, rh) - psychrolib.GetTWetBulbFromRelHum(t, rh, 101325))).toBeLessThan(1)
  })

  test('dry air is cooled far, damp air hardly; the water is the heat over that of vapour', () => {
    expect(mistCooling(35, 0.15).result).toBeGreaterThan(10)
    expect(mistCooling(35, 0.95).result).toBeLessThan(1.5)
    expect(mistWater(5000, 6).result).toBeCloseTo((5000 * 1200 * 6) / 2.47e6, 9)
    expect(() => mistCooling(80, 0.5)).toThrow(RangeError)
  })
})

test('soil of beds warms by its heat over the loop’s output; warm soil takes no time', () => {
  expect(soilWarming(4, 5, 18, 2000).result).toBeCloseTo((4 * 2.4e6 * 13) / 2000 / 86400, 9)
  expect(soilWarming(4, 20, 18, 2000).result).toBe(0)
  expect(() => soilWarming(4, 5, 18, 0)).toThrow(/output/)
})
