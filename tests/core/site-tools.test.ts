import { CLIMATE_TYPES, climateMonths } from '../../core/catalog'
import { coldSpells, looksTurned, makeSiteYear, simulatedForecast, sunLost, withObstacle } from '../../core/climate'
import { DEMOS, type Design } from '../../core/design'
import { designFaults } from '../../core/editing'
import { compassReading, trueNorthDay } from '../../core/sun'
import { findPlaces } from '../../server/places'
import { engine } from '../shared/years'

const demo = DEMOS[0]!
const site = engine.site(demo)

test(
  'true north: solar noon by longitude and equation of time, summer time included; shadows lie alike ' +
    'on both sides',
  () => {
    // At 15° E on a clock one hour ahead, noon is off by the equation of time alone: early November, 16.4 minutes
    // ahead.
    const day = trueNorthDay(Date.UTC(2027, 10, 3, 11), 47, 15, 1)
    expect(day.noonClockH).toBeCloseTo(12 - day.equationOfTimeMin / 60, 3)
    expect(day.equationOfTimeMin).toBeCloseTo(16.4, 0)
    expect(trueNorthDay(Date.UTC(2027, 6, 3, 11), 47, 15, 2).noonClockH).toBeCloseTo(13.07, 1)
    expect(day.noonPointsToDeg).toBe(0)
    expect(trueNorthDay(Date.UTC(2027, 10, 3, 16), -46, -70, -3).noonPointsToDeg).toBe(180)
    const first = day.shadows[0]!
    const last = day.shadows[12]!
    expect(first.lengthM / last.lengthM).toBeCloseTo(1, 1)
    expect(first.pointsToDeg + last.pointsToDeg).toBeCloseTo(360, 0)
    expect(day.noonShadowM).toBeCloseTo(Math.min(...day.shadows.map(s => s.lengthM)), 2)
    expect(trueNorthDay(Date.UTC(2027, 11, 21, 11), 75, 15, 1).noonShadowM).toBeNull()
    expect(compassReading(180, 4)).toBe(176)
    expect(compassReading(0, 10)).toBe(350)
  },
)

test(
  'an obstacle stands as high as distance and height say, sits in the horizon, and takes sun where ' + 'the sun is low',
  () => {
    const tree = { kind: 'solid' as const, distanceM: 20, heightM: 8, fromDeg: 150, toDeg: 210 }
    expect(withObstacle([], tree)[1]!.altitudeDeg).toBeCloseTo(21.8, 1)
    expect(() => withObstacle([], { ...tree, distanceM: 0 })).toThrow(RangeError)
    const points = withObstacle([], tree)
    expect(points).toHaveLength(4)
    const lost = sunLost(site, points)
    expect(lost.months[11]!.lostShare).toBeGreaterThan(0.3)
    expect(lost.months[5]!.lostH).toBe(0)
    expect(lost.winterLostH).toBeGreaterThan(100)
    const bare = sunLost(site, withObstacle([], { ...tree, kind: 'deciduous' }))
    expect(bare.winterLostShare).toBeLessThan(lost.winterLostShare * 0.6)
    expect(sunLost(site, []).winterLostH).toBe(0)
    // A second obstacle in the same place takes the first one's.
    expect(withObstacle(points, { ...tree, heightM: 4 })).toHaveLength(4)
    // A ridge all round stays as it was beside it.
    const ridge = [0, 90, 180, 270].map(azimuthDeg => ({ azimuthDeg, altitudeDeg: 5, kind: 'solid' as const }))
    expect(withObstacle(ridge, tree).filter(p => p.altitudeDeg === 5).length).toBeGreaterThanOrEqual(5)
    // What has no width or no height hides nothing; a hair's breadth hides next to nothing; a whole turn hides all
    // round.
    expect(withObstacle(ridge, { ...tree, toDeg: 150 })).toEqual(ridge)
    expect(withObstacle(ridge, { ...tree, heightM: 0 })).toEqual(ridge)
    expect(sunLost(site, withObstacle([], { ...tree, fromDeg: 180, toDeg: 180.01 })).winterLostH).toBeLessThan(5)
    expect(sunLost(site, withObstacle([], { ...tree, fromDeg: 0, toDeg: 360 })).winterLostH).toBeGreaterThan(
      lost.winterLostH,
    )
    // Spanning north.
    expect(
      withObstacle([], { ...tree, fromDeg: 350, toDeg: 10 }).every(p => p.azimuthDeg >= 349 || p.azimuthDeg <= 11),
    ).toBe(true)
  },
)

test('cold spells are runs of days well below their season, coldest first', () => {
  const spells = coldSpells(site.dryBulbC)
  expect(spells.length).toBeGreaterThan(0)
  for (const s of spells) {
    expect(s.days).toBeGreaterThanOrEqual(3)
    expect(s.belowK).toBeGreaterThan(3)
  }
  expect([...spells].sort((a, b) => a.lowestC - b.lowestC)).toEqual(spells)
  const scripted = makeSiteYear({
    ...demo.site,
    climate: demo.site.climate as Extract<Design['site']['climate'], { kind: 'normals' }>,
    spell: { startDay: 40, dullDays: 0, clearDays: 6, lowC: -30 },
  })
  expect(coldSpells(scripted.dryBulbC)[0]!.lowestC).toBeCloseTo(-30, 0)
  expect(coldSpells(new Float32Array(8760))).toEqual([])
})

test('the simulated forecast follows the year and grows less sure', () => {
  const off = (i: number) => {
    let sum = 0
    for (let day = 0; day < 300; day += 3) {
      const f = simulatedForecast(site, day, 7, 5)[i]!
      sum += Math.abs(f.lowC - Math.min(...site.dryBulbC.subarray(f.day * 24, f.day * 24 + 24)))
    }
    return sum / 100
  }
  expect(off(0)).toBeLessThan(1)
  expect(off(6)).toBeGreaterThan(2 * off(0))
  expect(simulatedForecast(site, 360, 7, 5)[6]!.day).toBe(1)
  expect(simulatedForecast(site, 10, 3, 5)).toEqual(simulatedForecast(site, 10, 3, 5))
})

test('climate types are sound designs in both hemispheres, the polar one with a dark midwinter', () => {
  for (const type of CLIMATE_TYPES) {
    for (const latitudeDeg of [50, -50]) {
      const design: Design = {
        ...demo,
        site: { ...demo.site, latitudeDeg, climate: { kind: 'normals', ...climateMonths(type, latitudeDeg) } },
      }
      expect(designFaults(design)).toEqual([])
      const { highC } = climateMonths(type, latitudeDeg)
      expect(looksTurned(highC, latitudeDeg)).toBe(false)
      // Where there is a winter, the hottest month is one of summer; in the warm belt it may come before the rains.
      const hottest = highC.indexOf(Math.max(...highC))
      if (Math.max(...highC) - Math.min(...highC) > 8) expect(hottest >= 4 && hottest <= 8).toBe(latitudeDeg > 0)
    }
  }
  const polar = CLIMATE_TYPES.find(c => c.id === 'polar')!
  const dark: Design = {
    ...demo,
    site: {
      ...demo.site,
      latitudeDeg: 78,
      longitudeDeg: 16,
      timeZone: 'Arctic/Longyearbyen',
      climate: { kind: 'normals', ...climateMonths(polar, 78) },
    },
  }
  const { answers } = engine.run(dark)
  expect(answers.months[11]!.dli).toBe(0)
  expect(answers.ledger.closure).toBeLessThan(0.001)
  expect(answers.months[5]!.dli).toBeGreaterThan(3)
})

test('places are found by their beginnings, without accents, larger ones first', () => {
  expect(findPlaces('graz', 5)[0]).toMatchObject({ country: 'Austria' })
  expect(findPlaces('malaga', 5).length).toBeGreaterThan(0)
  expect(findPlaces('zzzz', 5)).toEqual([])
  expect(findPlaces('san', 8)).toHaveLength(8)
})
