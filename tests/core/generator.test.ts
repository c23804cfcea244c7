import fc from 'fast-check'
import { HOURS, makeSiteYear, monthlyRadiation } from '../../core/climate'

test('any climate that can be typed gives a whole and sensible year, at any latitude', () => {
  const month = fc.tuple(fc.double({ min: -45, max: 28, noNaN: true }), fc.double({ min: 0.6, max: 22, noNaN: true }))
  fc.assert(
    fc.property(
      fc.array(month, { minLength: 12, maxLength: 12 }),
      fc.double({ min: -89, max: 89, noNaN: true }),
      fc.integer({ min: 0, max: 4294967295 }),
      (months, latitudeDeg, seed) => {
        const lowC = months.map(([low]) => low)
        const highC = months.map(([low, range]) => low + range)
        const year = makeSiteYear({
          latitudeDeg,
          longitudeDeg: 20,
          elevationM: 300,
          timeZone: 'Etc/GMT-1',
          seed,
          climate: { kind: 'normals', lowC, highC },
          spell: null,
          horizon: [],
        })
        for (const series of [
          year.dryBulbC,
          year.dewPointC,
          year.globalWm2,
          year.beamWm2,
          year.diffuseWm2,
          year.skyInfraredWm2,
          year.windMs,
          year.cloud,
        ]) {
          expect(series).toHaveLength(HOURS)
          expect(series.every(v => Math.abs(v) < 1500)).toBe(true)
        }
        expect(year.dewPointC.every((v, h) => v <= year.dryBulbC[h]! + 1e-3)).toBe(true)
        expect(year.windMs.every(v => v >= 0 && v < 40)).toBe(true)
        expect(year.cloud.every(v => v >= 0 && v <= 1)).toBe(true)
        expect(Math.min(...year.globalWm2)).toBeGreaterThanOrEqual(0)
        expect(Math.min(...year.diffuseWm2)).toBeGreaterThanOrEqual(-1e-3)
        expect(Math.max(...year.globalWm2)).toBeLessThan(1200)
        expect(Math.min(...year.skyInfraredWm2)).toBeGreaterThan(40)
        expect(Math.min(...year.dryBulbC)).toBeGreaterThan(Math.min(...lowC) - 45)
        expect(Math.max(...year.dryBulbC)).toBeLessThan(Math.max(...highC) + 45)
      },
    ),
    { numRuns: 15 },
  )
})

test('a wider daily range means a brighter month, by Hargreaves and Samani', () => {
  const light = (range: number) => {
    const lowC = Array.from({ length: 12 }, () => 5)
    const year = makeSiteYear({
      latitudeDeg: 45,
      longitudeDeg: 15,
      elevationM: 100,
      timeZone: 'Europe/Vienna',
      seed: 3,
      climate: { kind: 'normals', lowC, highC: lowC.map(l => l + range) },
      spell: null,
      horizon: [],
    })
    return monthlyRadiation(year)[5]!
  }
  expect(light(12) / light(6)).toBeCloseTo(Math.SQRT2, 1)
})
