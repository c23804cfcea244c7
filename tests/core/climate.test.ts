import fc from 'fast-check'
import {
  clearnessFromRange,
  dayName,
  designDays,
  erbsDiffuseShare,
  HOURS,
  isoAt,
  makeSiteYear,
  MONTH_OF_DAY,
  skyInfraredWm2,
  splitGlobal,
  standardOffsetH,
} from '../../core/climate'
import { timeZoneOf } from '../../core/climate/zone-of-place'
import { monthlyMeans, monthlyNormals, smoothDaily } from '../../core/climate/monthly'
import { DEMOS } from '../../core/design'

const [north, south] = DEMOS
const yearOf = (design: (typeof DEMOS)[number], seed = design.site.seed) => {
  const climate = design.site.climate
  if (climate.kind !== 'normals') throw new Error('demo climates are normals')
  return makeSiteYear({ ...design.site, seed, climate })
}
const daily = (hours: Float32Array, pick: (...v: number[]) => number) =>
  Float64Array.from({ length: 365 }, (_, d) => pick(...hours.subarray(d * 24, d * 24 + 24)))

test('the same seed gives the same year, another seed another one with the same means', () => {
  const a = yearOf(north!)
  expect(yearOf(north!).dryBulbC).toEqual(a.dryBulbC)
  const b = yearOf(north!, 99)
  expect(b.dryBulbC).not.toEqual(a.dryBulbC)
  const means = (y: typeof a) => monthlyMeans(daily(y.dryBulbC, (...v) => v.reduce((s, x) => s + x, 0) / 24))
  means(a).forEach((m, i) => expect(Math.abs(m - means(b)[i]!)).toBeLessThan(0.8))
})

test.each([[0], [1]])('demo %#: daily highs meet the monthly normals, nothing is out of bounds', i => {
  const demo = DEMOS[i]!
  const y = yearOf(demo)
  const highs = monthlyMeans(daily(y.dryBulbC, Math.max))
  const climate = demo.site.climate
  if (climate.kind === 'normals') highs.forEach((h, m) => expect(Math.abs(h - climate.highC[m]!)).toBeLessThan(0.35))
  const wrong = Array.from({ length: HOURS }, (_, h) => h).filter(h => {
    const [global, altitudeDeg] = [y.globalWm2[h]!, y.sunAltitudeDeg[h]!]
    const upright = Math.max(0, Math.sin((altitudeDeg * Math.PI) / 180))
    return !(
      y.dewPointC[h]! <= y.dryBulbC[h]! + 0.01 &&
      global >= 0 &&
      global < 1200 &&
      (altitudeDeg >= -1 || global === 0) &&
      Math.abs(y.beamWm2[h]! * upright + y.diffuseWm2[h]! - global) < 1
    )
  })
  expect(wrong).toEqual([])
})

test(
  'clear winter nights are colder than dull ones, weather has a memory, and the worst night is far ' +
    'below the mean low',
  () => {
    const y = yearOf(north!)
    const lows = daily(y.dryBulbC, Math.min)
    const clouds = daily(y.cloud, Math.max)
    const winter = Array.from({ length: 365 }, (_, d) => d).filter(d => MONTH_OF_DAY[d]! < 2 || MONTH_OF_DAY[d] === 11)
    const mean = (days: number[]) => days.reduce((s, d) => s + lows[d]!, 0) / days.length
    expect(mean(winter.filter(d => clouds[d]! < 0.4))).toBeLessThan(mean(winter.filter(d => clouds[d]! > 0.6)) - 1)
    const off = winter.slice(1, 58).map(d => lows[d]! - mean(winter))
    const r = off.slice(1).reduce((s, v, i) => s + v * off[i]!, 0) / off.reduce((s, v) => s + v * v, 0)
    expect(r).toBeGreaterThan(0.3)
    expect(Math.min(...lows)).toBeLessThan(-15)
  },
)

test('the southern demo is cold in June to August, and its design days are turned', () => {
  const { cold, hot } = designDays(yearOf(south!))
  expect(dayName(cold.day)).toMatch(/June|July/)
  expect(dayName(hot.day)).toMatch(/January/)
  expect(cold.noonAltitudeDeg).toBeLessThan(25)
  expect(Math.min(cold.noonAzimuthDeg, 360 - cold.noonAzimuthDeg)).toBeLessThan(0.1)
})

test('monthly lows and highs of an hourly year, by hand', () => {
  const { lowC, highC } = monthlyNormals(
    Float64Array.from({ length: HOURS }, (_, h) => MONTH_OF_DAY[Math.floor(h / 24)]! * 2 + (h % 24) / 10),
  )
  lowC.forEach((v, m) => expect(v).toBeCloseTo(2 * m, 9))
  highC.forEach((v, m) => expect(v).toBeCloseTo(2 * m + 2.3, 9))
})

test('a smooth daily series keeps its monthly means', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: -30, max: 30, noNaN: true }), { minLength: 12, maxLength: 12 }), means => {
      monthlyMeans(smoothDaily(means)).forEach((m, i) => expect(m).toBeCloseTo(means[i]!, 4))
    }),
    { numRuns: 50 },
  )
})

test('diffuse share falls from all to little as the sky clears; a split never makes light', () => {
  expect(erbsDiffuseShare(0.1)).toBeGreaterThan(0.98)
  expect(erbsDiffuseShare(0.75)).toBeLessThan(0.25)
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1100, noNaN: true }),
      fc.double({ min: -10, max: 90, noNaN: true }),
      (global, altitude) => {
        const { beam, diffuse } = splitGlobal(global, altitude, 1361)
        expect(beam).toBeGreaterThanOrEqual(0)
        expect(diffuse).toBeGreaterThanOrEqual(-1e-9)
        expect(beam * Math.max(0, Math.sin((altitude * Math.PI) / 180)) + diffuse).toBeCloseTo(global, 6)
      },
    ),
  )
  expect(clearnessFromRange(16)).toBeCloseTo(0.66, 2)
})

test('longwave of the sky by hand: clear as Berdahl and Martin have it, under cloud near Unsworth and Monteith', () => {
  const emissivity = (airC: number, dewC: number, cloud: number, hour: number) =>
    skyInfraredWm2(airC, dewC, cloud, hour, 100_000) / (5.670374e-8 * (airC + 273.15) ** 4)
  expect(emissivity(5, 0, 0, 0)).toBeCloseTo(0.711 + 0.013, 9)
  expect(emissivity(20, 10, 0, 12)).toBeCloseTo(0.711 + 0.056 + 0.0073 - 0.013, 9)
  // 1975: 0.84 of the way to 1 under a whole sky of cloud; half of that under half.
  for (const [airC, dewC] of [
    [-10, -14],
    [5, 0],
    [22, 15],
  ] as const)
    for (const cloud of [0.5, 1]) {
      const clear = emissivity(airC, dewC, 0, 0)
      expect(Math.abs(emissivity(airC, dewC, cloud, 0) - (clear + (1 - clear) * 0.84 * cloud))).toBeLessThan(0.015)
    }
})

test('time zones come from the place; standard time is winter time in both hemispheres', () => {
  expect(timeZoneOf(47.4, 14.9)).toBe('Europe/Vienna')
  expect(standardOffsetH('Europe/Vienna')).toBe(1)
  expect(standardOffsetH('Australia/Adelaide')).toBe(9.5)
  expect(standardOffsetH('America/Argentina/Buenos_Aires')).toBe(-3)
  expect(isoAt(0.5, 1)).toBe('2027-01-01T00:30:00+01:00')
  expect(isoAt(8759.5, -9.5)).toBe('2027-12-31T23:30:00-09:30')
})
