import fc from 'fast-check'
import { CLIMATE_TYPES, climateMonths } from '../../core/catalog'
import {
  makeSiteYear,
  makeSunYear,
  MONTH_START,
  monthlyNormals,
  monthlyRadiation,
  standardOffsetH,
  sunShape,
  type Normals,
} from '../../core/climate'
import { wantedRadiation } from '../../core/climate/generator'
import { unpackHourly } from '../../core/climate/hourly'
import { yearToYear } from '../../core/climate/year-to-year'
import { DEMOS, type Design, type HourlyClimate, type NormalsClimate } from '../../core/design'
import { designFaults, patchDesign } from '../../core/editing'
import { inYear, measuredYears, withoutYear, withYears } from '../../core/editing/measured-years'
import { quantileRange } from '../../core/study/ensemble'
import { winterSpread } from '../../core/study/winter'
import { wintersOf } from '../../core/study/winters-ahead'
import { wintersTold } from '../../core/study/winters-told'
import { inMetric } from '../../core/units'

const mean = (v: readonly number[]) => v.reduce((a, b) => a + b, 0) / v.length
const spread = (v: readonly number[]) => Math.sqrt(mean(v.map(x => (x - mean(v)) ** 2)))
const monthOf = (hours: Float32Array, m: number) =>
  mean([...hours.subarray(MONTH_START[m]! * 24, MONTH_START[m + 1]! * 24)])
const demo = DEMOS[0]!
const normals = demo.site.climate as NormalsClimate
const yearOf = (design: Design, seed: number, months: 'usual' | 'varied', climate: Normals) =>
  makeSiteYear({ ...design.site, seed, months, climate: { kind: 'normals', ...climate } })

/** How far a made year's months are from its normals: lows and highs, K, and light, share. */
function missed(climate: Normals, latitudeDeg: number, seed: number): { K: number; share: number } {
  const year = yearOf({ ...demo, site: { ...demo.site, latitudeDeg } }, seed, 'usual', climate)
  const got = monthlyNormals(year.dryBulbC)
  const light = monthlyRadiation(year)
  const { longitudeDeg, timeZone } = demo.site
  const { ceilingWm2 } = sunShape(
    makeSunYear(latitudeDeg, longitudeDeg, standardOffsetH(timeZone)),
    year.pressurePa[0]!,
  )
  const shares = wantedRadiation(climate, latitudeDeg).map((v, m) => {
    const clear = monthOf(Float32Array.from(ceilingWm2), m) * 86400
    // No month is brighter than one clear sky after the other.
    return v < 2e5 ? 0 : light[m]! / Math.min(v, 0.93 * clear) - 1
  })
  return {
    K: Math.max(
      ...got.lowC.map((v, m) => Math.abs(v - climate.lowC[m]!)),
      ...got.highC.map((v, m) => Math.abs(v - climate.highC[m]!)),
    ),
    share: Math.max(...shares.map(Math.abs)),
  }
}

describe('a year of normals keeps them', () => {
  test.each(CLIMATE_TYPES.map(c => [c.name, c] as const))('%s', (_, type) => {
    for (const seed of [1, 2]) {
      const off = missed(climateMonths(type, 48), 48, seed)
      expect(off.K).toBeLessThan(0.1)
      expect(off.share).toBeLessThan(0.03)
    }
  })

  test('and any that a place may have', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true })
    const climates = fc.record({
      latitudeDeg: fc.double({ min: -65, max: 65, noNaN: true }),
      seed: fc.nat(),
      share,
      warmth: share,
      range: fc.double({ min: 4, max: 17, noNaN: true }),
      wider: share,
    })
    fc.assert(
      fc.property(climates, ({ latitudeDeg, seed, share: s, warmth, range, wider }) => {
        const sign = latitudeDeg < 0 ? 1 : -1
        const half = 0.5 + (22 * s * Math.abs(latitudeDeg)) / 65
        const middle = 26 - 34 * warmth - half * 0.3
        const wave = Array.from({ length: 12 }, (_, m) => sign * Math.cos(((m - 0.5) * Math.PI) / 6))
        const ranges = wave.map(w => range * (1 + 0.3 * (wider - 0.3) * w))
        const lowC = wave.map((w, m) => middle + half * w - ranges[m]! / 2)
        const off = missed({ lowC, highC: lowC.map((low, m) => low + ranges[m]!) }, latitudeDeg, seed)
        expect(off.K).toBeLessThan(0.1)
        expect(off.share).toBeLessThan(0.03)
      }),
      { numRuns: 60 },
    )
  })

  test('typed humidity is the mean of its month, damp or dry', () => {
    const humidity = [0.9, 0.86, 0.8, 0.72, 0.66, 0.6, 0.4, 0.45, 0.6, 0.75, 0.86, 0.93]
    const year = yearOf(demo, 3, 'usual', { ...normals, humidity })
    const vapour = (c: number) => Math.exp((17.625 * c) / (c + 243.04))
    const got = year.dryBulbC.map((t, h) => vapour(year.dewPointC[h]!) / vapour(t))
    humidity.forEach((v, m) => expect(Math.abs(monthOf(got, m) - v)).toBeLessThan(0.01))
  })

  test('no day is wider than its month knows: not even one on which an extreme falls', () => {
    for (const design of DEMOS)
      for (let seed = 0; seed < 6; seed++) {
        const climate = design.site.climate as NormalsClimate
        const hot = { ...climate, designHighC: Math.max(...climate.highC) + 9 }
        const year = yearOf(design, seed, 'usual', hot)
        for (let d = 0; d < 365; d++) {
          const hours = year.dryBulbC.subarray(d * 24, d * 24 + 24)
          const m = MONTH_START.findIndex((s, i) => d >= s && d < MONTH_START[i + 1]!)
          const usual = climate.highC[m]! - climate.lowC[m]!
          expect(Math.max(...hours) - Math.min(...hours)).toBeLessThan(usual + 13)
        }
      }
  })
})

describe('winters of a climate', () => {
  test.each(DEMOS.map(d => [d.name, d] as const))('%s: months stray as such a climate’s do', (_, design) => {
    const climate = design.site.climate as NormalsClimate
    const wanted = wantedRadiation(climate, design.site.latitudeDeg)
    const { strayK, sunShare } = yearToYear(climate, design.site.latitudeDeg, wanted)
    const years = Array.from({ length: 40 }, (_, seed) => yearOf(design, seed + 1, 'varied', climate))
    const middles = climate.lowC.map((low, m) => (low + climate.highC[m]!) / 2)
    for (const m of [middles.indexOf(Math.min(...middles)), middles.indexOf(Math.max(...middles))]) {
      // A month's mean by the hour lies off that of its lows and highs by always the same.
      const means = years.map(y => monthOf(y.dryBulbC, m))
      expect(spread(means) / strayK[m]!).toBeGreaterThan(0.65)
      expect(spread(means) / strayK[m]!).toBeLessThan(1.35)
      expect(Math.abs(mean(years.map(y => monthlyNormals(y.dryBulbC).lowC[m]!)) - climate.lowC[m]!)).toBeLessThan(
        strayK[m]! / 2,
      )
      const sun = years.map(y => monthlyRadiation(y)[m]! / wanted[m]!)
      expect(spread(sun) / sunShare[m]!).toBeGreaterThan(0.6)
      expect(spread(sun) / sunShare[m]!).toBeLessThan(1.4)
    }
    // Winters stray further than summers, where there are seasons.
    if (Math.max(...middles) - Math.min(...middles) > 10)
      expect(Math.max(...strayK)).toBeGreaterThan(1.3 * Math.min(...strayK))
  })

  test('the same seed gives the same winter, another another', () => {
    const [a, b, c] = [7, 7, 8].map(seed => yearOf(demo, seed, 'varied', normals).dryBulbC) as [
      Float32Array,
      Float32Array,
      Float32Array,
    ]
    expect(a).toEqual(b)
    expect(a).not.toEqual(c)
  })

  test('the coldest month that somebody remembers says how far they stray', () => {
    const coldest = Math.min(...normals.lowC.map((low, m) => (low + normals.highC[m]!) / 2))
    const stray = (coldestMonthC: number) =>
      Math.max(...yearToYear({ ...normals, coldestMonthC }, 47, wantedRadiation(normals, 47)).strayK)
    expect(stray(coldest - 6)).toBeCloseTo(2 * stray(coldest - 3), 6)
    // Thirty winters hold one that lies two deviations off.
    expect(stray(coldest - 6.12)).toBeCloseTo(3, 1)
    const faults = (v: number) => designFaults(patchDesign(demo, [['site.climate', { ...normals, coldestMonthC: v }]]))
    expect(faults(coldest - 4)).toEqual([])
    expect(faults(coldest + 1)[0]).toMatchObject({ path: 'site.climate.coldestMonthC' })
    expect(faults(coldest - 30)[0]!.allowed).toMatch(/0.5 to 15 K below/)
  })

  test('a low that was given for one year scatters in other winters, with the month it falls in', () => {
    const designLowC = Math.min(...normals.lowC) - 10
    const lows = Array.from({ length: 40 }, (_, seed) =>
      Math.min(...yearOf(demo, seed, 'varied', { ...normals, designLowC }).dryBulbC),
    )
    expect(Math.abs(mean(lows) - designLowC)).toBeLessThan(1.2)
    expect(spread(lows)).toBeGreaterThan(1.5)
    expect(Math.min(...yearOf(demo, 3, 'usual', { ...normals, designLowC }).dryBulbC)).toBeCloseTo(designLowC, 1)
  })
})

describe('winters that were measured', () => {
  const measured = (seed: number): HourlyClimate => {
    const y = yearOf(demo, seed, 'usual', normals)
    const list = (a: Float32Array) => Array.from(a, v => Math.round(v * 100) / 100)
    return {
      kind: 'hourly',
      source: `winter ${seed}.epw`,
      notes: [],
      dryBulbC: list(y.dryBulbC),
      dewPointC: list(y.dewPointC),
      pressurePa: list(y.pressurePa),
      globalWm2: list(y.globalWm2),
      beamWm2: list(y.beamWm2),
      diffuseWm2: list(y.diffuseWm2),
      skyInfraredWm2: list(y.skyInfraredWm2),
      windMs: list(y.windMs),
      cloud: list(y.cloud),
    }
  }
  const [one, two, three] = [measured(1), measured(2), measured(3)] as [HourlyClimate, HourlyClimate, HourlyClimate]
  const withClimate = (climate: HourlyClimate, vary = false): Design =>
    patchDesign(demo, [
      ['site.climate', climate],
      ['site.varyMeasured', vary],
    ])

  test('one is one, and no spread; others beside it are the winters that there are', () => {
    expect(wintersOf(withClimate(one), 20)).toHaveLength(1)
    const all = withYears(
      one,
      [two, three].map(c => measuredYears(c)[0]!),
    )!
    expect(designFaults(withClimate(all))).toEqual([])
    const winters = wintersOf(withClimate(all), 20)
    expect(winters.map(w => w.name)).toEqual(['winter 1.epw', 'winter 2.epw', 'winter 3.epw'])
    expect((winters[2]!.design.site.climate as HourlyClimate).dryBulbC).toBe(three.dryBulbC)
    expect(winters[0]!.design.site.months).toBe('usual')
    expect(wintersOf(withClimate(all), 2)).toHaveLength(2)
    // The same file again takes its own place; another may be the one that counts, or go.
    expect(measuredYears(withYears(all, [measuredYears(two)[0]!])!)).toHaveLength(3)
    expect(measuredYears(inYear(all, 2)).map(y => y.source)).toEqual(['winter 3.epw', 'winter 1.epw', 'winter 2.epw'])
    expect(measuredYears(withoutYear(all, 0)!)[0]!.source).toBe('winter 2.epw')
    expect(withoutYear(one, 0)).toBeNull()
    const many = Array.from({ length: 30 }, (_, i) => ({ ...measuredYears(two)[0]!, source: `${i}` }))
    expect(withYears(one, many)).toBeNull()
  })

  test('others are made from it where somebody wants them: its months stray, its hours are its own', () => {
    const winters = wintersOf(withClimate(one, true), 24)
    expect(winters).toHaveLength(24)
    const years = winters.map(w =>
      makeSiteYear({
        ...w.design.site,
        climate: { kind: 'hourly', weather: unpackHourly(w.design.site.climate as HourlyClimate) },
      }),
    )
    const january = years.map(y => monthOf(y.dryBulbC, 0))
    expect(spread(january)).toBeGreaterThan(1)
    expect(spread(january)).toBeLessThan(3.5)
    expect(january[0]!).toBeCloseTo(monthOf(Float32Array.from(one.dryBulbC), 0), 3)
    for (const y of years) {
      expect(y.dewPointC.every((dew, h) => dew <= y.dryBulbC[h]! + 0.02)).toBe(true)
      // It is no lighter at night, and beam and diffuse are the whole.
      expect(y.globalWm2.every((g, h) => g === 0 || y.sunAltitudeDeg[h]! > 0)).toBe(true)
      const apart = y.globalWm2.map((g, h) =>
        Math.abs(g - y.diffuseWm2[h]! - y.beamWm2[h]! * Math.max(0, Math.sin((y.sunAltitudeDeg[h]! * Math.PI) / 180))),
      )
      expect(Math.max(...apart.filter((_, h) => y.sunAltitudeDeg[h]! > 5))).toBeLessThan(2)
    }
  })

  test('a year that is not whole is named with its place', () => {
    const broken = { ...one, others: [{ ...measuredYears(two)[0]!, windMs: [1, 2] }] }
    expect(designFaults(withClimate(broken))[0]).toMatchObject({ path: 'site.climate.others[0].windMs' })
  })
})

test('a quantile is told no closer than its winters tell it', () => {
  const values = (n: number) => Array.from({ length: n }, (_, i) => i)
  expect(quantileRange(values(20), 0.05)[0]).toBe(-Infinity)
  expect(quantileRange(values(20), 0.95)[1]).toBe(Infinity)
  expect(quantileRange(values(60), 0.05)[0]).toBeGreaterThanOrEqual(0)
  const [low, high] = quantileRange(values(101), 0.5)
  expect(low).toBeGreaterThan(38)
  expect(high).toBeLessThan(62)
  expect(high - low).toBeGreaterThan(12)
  // Nine in ten of such ranges hold the truth.
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 99 }), fc.nat(), (percent, seed) => {
      let held = 0
      let at = seed
      for (let turn = 0; turn < 200; turn++) {
        const drawn = Array.from({ length: 40 }, () => (at = (at * 1103515245 + 12345) % 2147483648) / 2147483648)
        const [from, to] = quantileRange(drawn, percent / 100)
        if (from <= percent / 100 && percent / 100 <= to) held++
      }
      expect(held).toBeGreaterThan(160)
    }),
    { numRuns: 12 },
  )
})

test('what winters come to is told alike on the page and on paper, and no closer than they tell it', () => {
  const winters = Array.from({ length: 60 }, (_, i) => ({
    seed: i,
    insideC: i / 10 - 1,
    outsideC: -9,
    marginK: i / 10 - 3,
  }))
  const aim = { winter: 'one in twenty' as const }
  const all = winterSpread(winters, aim)!
  expect([all.withFrost, all.missed, all.isFew]).toEqual([10, 30, false])
  expect(all.meantC).toBeCloseTo(-0.705, 3)
  expect(all.meantRangeC[0]).toBeLessThan(all.meantC)
  expect(all.meantRangeC[1]).toBeGreaterThan(all.meantC)
  expect(wintersTold(all, aim, inMetric)).toMatch(
    /^Winters differ: in eight of ten of 60 winters the coldest night lies between .+\. One winter in twenty is colder/,
  )
  const few = winterSpread(winters.slice(0, 3), { winter: 'usual' })!
  expect([few.isFew, few.leastC, few.mostC]).toEqual([true, -1, -0.8])
  expect(wintersTold(few, { winter: 'usual' }, inMetric)).toMatch(/^Winters differ: in the 3 measured ones/)
  expect(winterSpread([], aim)).toBeNull()
  // Twenty do not tell one in twenty from below.
  expect(wintersTold(winterSpread(winters.slice(0, 20), aim)!, aim, inMetric)).not.toMatch(/sure between/)
})
