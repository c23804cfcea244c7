import fc from 'fast-check'
import { makeSiteYear, monthlyNormals, monthlyRadiation, type SiteYear } from '../../core/climate'
import { wantedRadiation } from '../../core/climate/generator'
import { DEMOS, type Design, type NormalsClimate, type Spell } from '../../core/design'
import { ensembleYear, inSeed, quantile, seedsFrom, summarise } from '../../core/study/ensemble'
import { engine } from '../shared/years'

const demo = DEMOS[0]!
const climate = demo.site.climate as NormalsClimate
const year = (patch: Partial<NormalsClimate> = {}, seed = 7, spell: Spell | null = null): SiteYear =>
  makeSiteYear({ ...demo.site, seed, climate: { ...climate, ...patch }, spell })
const byDay = (hours: Float32Array, pick: (...v: number[]) => number) =>
  Array.from({ length: 365 }, (_, d) => pick(...hours.subarray(d * 24, d * 24 + 24)))

test.each(DEMOS.map(d => [d.name, d] as const))(
  '%s: monthly means of lows, highs and light meet the normals for any seed',
  (_, design) => {
    const normals = design.site.climate as NormalsClimate
    for (const seed of [1, 2, 77]) {
      const y = makeSiteYear({ ...design.site, seed, climate: normals })
      const got = monthlyNormals(y.dryBulbC)
      const light = monthlyRadiation(y)
      const wanted = wantedRadiation(normals, design.site.latitudeDeg)
      for (let m = 0; m < 12; m++) {
        expect(Math.abs(got.lowC[m]! - normals.lowC[m]!)).toBeLessThan(0.1)
        expect(Math.abs(got.highC[m]! - normals.highC[m]!)).toBeLessThan(0.1)
        expect(Math.abs(light[m]! / wanted[m]! - 1)).toBeLessThan(0.03)
      }
    }
  },
)

test('design extremes are reached and not passed, the means still kept', () => {
  const y = year({ designLowC: -24, designHighC: 36 })
  expect(Math.min(...y.dryBulbC)).toBeCloseTo(-24, 1)
  expect(Math.max(...y.dryBulbC)).toBeCloseTo(36, 1)
  const got = monthlyNormals(y.dryBulbC)
  got.lowC.forEach((l, m) => expect(Math.abs(l - climate.lowC[m]!)).toBeLessThan(0.15))
})

test('given radiation, sunshine, humidity and wind are met', () => {
  const globalJm2 = [4, 7, 11, 15, 18, 20, 20, 17, 13, 8, 4.5, 3.2].map(v => v * 1e6)
  monthlyRadiation(year({ globalJm2 })).forEach((v, m) => expect(Math.abs(v / globalJm2[m]! - 1)).toBeLessThan(0.03))
  const sunny = year({ sunshineH: Array.from({ length: 12 }, () => 8) })
  const dull = year({ sunshineH: Array.from({ length: 12 }, () => 2) })
  expect(monthlyRadiation(sunny)[2]!).toBeGreaterThan(1.4 * monthlyRadiation(dull)[2]!)
  expect(sunny.notes.join(' ')).toMatch(/Ångström/)
  const windy = year({ windMs: Array.from({ length: 12 }, (_, m) => 3 + m / 4) })
  const mean = windy.windMs.subarray(0, 744).reduce((s, v) => s + v, 0) / 744
  expect(mean).toBeCloseTo(3, 1)
  const damp = year({ humidity: Array.from({ length: 12 }, () => 0.9) })
  const dry = year({ humidity: Array.from({ length: 12 }, () => 0.4) })
  expect(damp.dewPointC[4000]!).toBeGreaterThan(dry.dewPointC[4000]! + 5)
})

test('snow lies on as many days as the normals say, on cold ones', () => {
  const snowDays = [31, 20, 8, 0, 0, 0, 0, 0, 0, 0, 5, 25]
  const y = year({ snowDays })
  const lies = byDay(y.snowM, Math.max).map(v => v > 0)
  expect(lies.slice(0, 31).filter(Boolean)).toHaveLength(31)
  expect(lies.slice(31, 59).filter(Boolean)).toHaveLength(20)
  expect(lies.slice(150, 240).some(Boolean)).toBe(false)
})

test('dull spells come in realistic lengths: most are short, a week comes now and then', () => {
  const lengths: number[] = []
  for (const seed of seedsFrom(1, 12)) {
    let run = 0
    for (const c of byDay(year({}, seed).cloud, Math.max)) {
      if (c > 0.6) run++
      else if (run > 0) {
        lengths.push(run)
        run = 0
      }
    }
  }
  const mean = lengths.reduce((s, v) => s + v, 0) / lengths.length
  expect(mean).toBeGreaterThan(1.5)
  expect(mean).toBeLessThan(4)
  expect(lengths.filter(l => l >= 7).length / 12).toBeGreaterThan(0.3)
  expect(lengths.filter(l => l >= 7).length / lengths.length).toBeLessThan(0.15)
})

test(
  'a scripted spell: dull days without sun, then clear ones that fall to the low; the rest of the ' +
    'year is untouched',
  () => {
    const spell: Spell = { startDay: 10, dullDays: 8, clearDays: 4, lowC: -25 }
    const y = year({}, 7, spell)
    const plain = year()
    const lows = byDay(y.dryBulbC, Math.min)
    const light = byDay(y.globalWm2, (...v) => v.reduce((s, x) => s + x, 0))
    expect(lows[21]!).toBeCloseTo(-25, 0)
    expect(lows[20]!).toBeGreaterThan(lows[21]! + 1)
    for (let d = 10; d < 18; d++) expect(light[d]!).toBeLessThan(0.35 * light[20]!)
    expect(y.dryBulbC.subarray(30 * 24, 200 * 24)).toEqual(plain.dryBulbC.subarray(30 * 24, 200 * 24))
    expect(y.notes.join(' ')).toMatch(/spell/)
    // Over the turn of the year too.
    const turn = year({}, 7, { ...spell, startDay: 360 })
    expect(Math.min(...turn.dryBulbC.subarray(0, 8 * 24))).toBeCloseTo(-25, 0)
  },
)

test('an ensemble tells how often: years differ, their shares and quantiles agree', () => {
  const years = seedsFrom(1, 5).map(seed => ensembleYear(engine.run(inSeed(demo, seed)).answers))
  const e = summarise(years)
  const coldest = years.map(y => y.insideC).sort((a, b) => a - b)
  expect(years.map(y => y.seed)).toEqual([1, 2, 3, 4, 5])
  expect(new Set(coldest).size).toBe(5)
  expect(e.medianC).toBe(coldest[2])
  expect(e.p10C).toBeCloseTo(coldest[0]! + 0.4 * (coldest[1]! - coldest[0]!), 9)
  expect(e.p90C).toBeGreaterThan(e.medianC)
  expect(e.chanceOfFrost).toBe(years.filter(y => y.hoursBelow0 > 0).length / 5)
  expect(e.chanceBelowAim).toBeGreaterThanOrEqual(e.chanceOfFrost)
  expect(summarise(years.slice(0, 1)).medianC).toBe(years[0]!.insideC)
})

test('quantiles: the ends, the middle, and a straight line between', () => {
  expect([0, 0.25, 0.5, 1].map(q => quantile([4, 1, 3], q))).toEqual([1, 2, 3, 4])
  fc.assert(
    fc.property(fc.array(fc.integer(), { minLength: 1, maxLength: 30 }), fc.integer({ min: 0, max: 100 }), (v, q) => {
      const at = quantile(v, q / 100)
      expect(at).toBeGreaterThanOrEqual(Math.min(...v))
      expect(at).toBeLessThanOrEqual(Math.max(...v))
    }),
  )
})

describe('extremes come as they do', () => {
  const places: [string, Design][] = DEMOS.map(d => [d.name, d])
  const made = (design: Design, seed: number, patch: Partial<NormalsClimate> = {}) =>
    makeSiteYear({ ...design.site, seed, climate: { ...(design.site.climate as NormalsClimate), ...patch } })
  const lowOf = (design: Design) => Math.min(...(design.site.climate as NormalsClimate).lowC) - 12

  test.each(places)('%s: the design low ends a snap in the coldest quarter', (_, design) => {
    const designLowC = lowOf(design)
    for (let seed = 1; seed <= 20; seed++) {
      const y = made(design, seed, { designLowC })
      const low = byDay(y.dryBulbC, Math.min)
      const mean = byDay(y.dryBulbC, (...v) => v.reduce((a, b) => a + b, 0) / 24)
      const day = low.indexOf(Math.min(...low))
      expect(low[day]!).toBeCloseTo(designLowC, 1)
      // Half a year off lies summer: the coldest quarter is the one about the coldest month.
      const normals = design.site.climate as NormalsClimate
      const middles = normals.lowC.map((l, m) => l + normals.highC[m]!)
      const coldest = middles.indexOf(Math.min(...middles)) * 30.4 + 15
      const off = Math.abs(((day - coldest + 547.5) % 365) - 182.5)
      expect(off).toBeLessThan(62)
      // The days before are cold already, and it is not one night: three of them lie well below the season.
      const season = (middles[Math.floor(day / 30.42) % 12] ?? 0) / 2
      for (const k of [1, 2]) expect(mean[(day - k + 365) % 365]!).toBeLessThan(season - 3)
    }
  })

  test('a mean yearly low is met by the mean of many winters, which scatter as stations do', () => {
    for (const design of [DEMOS[0]!, DEMOS[1]!, DEMOS[4]!]) {
      const meanYearlyLowC = lowOf(design)
      const lows = Array.from({ length: 60 }, (_, i) =>
        Math.min(...made(design, 100 + i, { designLowC: undefined, meanYearlyLowC }).dryBulbC),
      )
      const mean = lows.reduce((a, b) => a + b, 0) / lows.length
      const spread = Math.sqrt(lows.reduce((s, l) => s + (l - mean) ** 2, 0) / lows.length)
      expect(Math.abs(mean - meanYearlyLowC)).toBeLessThan(0.7)
      expect(spread).toBeGreaterThan(1.2)
      expect(spread).toBeLessThan(4)
      // The lowest of one year goes before it.
      expect(Math.min(...made(design, 1, { designLowC: meanYearlyLowC - 3, meanYearlyLowC }).dryBulbC)).toBeCloseTo(
        meanYearlyLowC - 3,
        1,
      )
    }
  })
})
