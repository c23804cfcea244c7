import { barrelsOf } from '../bodies'
import { insideFilm } from '../../core/air/films'
import { leakageFlow } from '../../core/air/leakage'
import { openerTarget } from '../../core/air/vents'
import { bedAt, DEMOS, type Design } from '../../core/design'
import { RunStopped } from '../../core/network/run'
import { createYearEngine, type YearResult } from '../../core/year'
import { withoutOpenings } from '../openings'
import { madeSkin } from '../skin'
import { heated, unheated } from '../added'
import { engine } from '../shared/years'

const demo: Design = unheated(DEMOS[0]!)
const run = (design: Design): YearResult => engine.run(design)
const coldest = (design: Design) => run(design).answers.coldestNight.insideC
const base = coldest(demo)
const range = (series: Float32Array) => [Math.min(...series), Math.max(...series)] as const
const skin = (patch: Partial<Design['skin']>): Design => ({ ...demo, skin: { ...demo.skin, ...patch } })
const barrels = (patch: Parameters<typeof barrelsOf>[1]): Design => ({
  ...demo,
  store: { ...demo.store, bodies: patch?.count === 0 ? [] : [barrelsOf(demo, patch)] },
})

test('the score goes the way physics demands', () => {
  expect(coldest(skin({ cover: { ...demo.skin.cover, id: 'none' } }))).toBeLessThan(base - 2)
  expect(coldest(barrels({ count: 0 }))).toBeLessThan(base)
  expect(coldest(skin({ wall: [{ material: 'plywood', thicknessM: 0.015 }] }))).toBeLessThan(base - 0.5)
  expect(coldest(skin({ glazing: 'film-1' }))).toBeLessThan(base)
  expect(coldest({ ...demo, breathe: { ...demo.breathe, leakage: 'old' } })).toBeLessThan(base - 1)
  expect(coldest({ ...demo, shape: { ...demo.shape, turnDeg: 85 } })).toBeLessThan(base)
  expect(coldest(skin({ edge: { ...demo.skin.edge, thicknessM: 0 } }))).toBeLessThanOrEqual(base)
})

test('sanity: a bare film house stays a little above a clear cold night, a well-kept one far above', () => {
  const tunnel: Design = {
    ...demo,
    shape: { ...demo.shape, form: 'gable', ridgeAtM: 2.3, backWallM: 0.2, kneeWallM: 0.2, ridgeHeightM: 2.6, beds: [] },
    skin: {
      ...madeSkin(demo.skin, { pole: 'glazed', endsGlazedShare: 0.9 }),
      glazing: 'film-1',
      wall: [{ material: 'plywood', thicknessM: 0.01 }],
      cover: { ...demo.skin.cover, id: 'none' },
      edge: { ...demo.skin.edge, thicknessM: 0 },
    },
    store: {
      ...demo.store,
      bodies: [],
      linings: [],
      floor: { path: null, beds: [], rest: [{ material: 'soil', thicknessM: 0 }] },
    },
    breathe: { ...demo.breathe, leakage: 'usual' },
  }
  const { series, site } = run(tunnel)
  const lifts: number[] = []
  for (let d = 0; d < 59; d++) {
    const h =
      d * 24 +
      site.dryBulbC.subarray(d * 24, d * 24 + 12).indexOf(Math.min(...site.dryBulbC.subarray(d * 24, d * 24 + 12)))
    if (site.cloud[h]! < 0.5) lifts.push(series.airC[h]! - site.dryBulbC[h]!)
  }
  lifts.sort((a, b) => a - b)
  const typical = lifts[Math.floor(lifts.length / 2)]!
  expect(typical).toBeGreaterThan(0.5)
  expect(typical).toBeLessThan(4)
  const kept = run(demo).answers.coldestNight
  expect(kept.insideC - kept.outsideC).toBeGreaterThan(12)
  expect(kept.insideC - kept.outsideC).toBeLessThan(22)
  const uncovered = run(skin({ cover: { ...demo.skin.cover, id: 'none' } })).answers
  const glass = uncovered.worstNightLosses.find(l => l.name === 'glazing')!.share
  expect(glass).toBeGreaterThan(0.5)
  expect(glass).toBeLessThan(0.8)
})

test('sanity: closed on a still sunny day the air climbs far above outside; with vents it does not', () => {
  const closed = withoutOpenings(demo)
  const rise = (d: Design) => {
    const { series, site } = run(d)
    let most = 0
    for (let h = 0; h < 8760; h++)
      if (site.globalWm2[h]! > 500) most = Math.max(most, series.airC[h]! - site.dryBulbC[h]!)
    return most
  }
  expect(rise(closed)).toBeGreaterThan(20)
  expect(rise(closed)).toBeLessThan(45)
  expect(run(demo).answers.hoursAboveLimit).toBeLessThan(run(closed).answers.hoursAboveLimit / 20)
})

test('sanity: water by the rule, 140 L to each m² of glazing, swings a few degrees on a winter day', () => {
  const { series } = run(barrels({ count: 30 }))
  const swings: number[] = []
  for (let d = 0; d < 59; d++) {
    const day = series.waterC.subarray(d * 24, d * 24 + 24)
    swings.push(Math.max(...day) - Math.min(...day))
  }
  swings.sort((a, b) => a - b)
  expect(swings[58]!).toBeLessThan(8)
  expect(swings[29]!).toBeGreaterThan(1)
  expect(swings[29]!).toBeLessThan(4)
})

test('the heater holds its set point within its strength, and what it gives is in the ledger', () => {
  const bare: Design = { ...demo, skin: { ...demo.skin, cover: { ...demo.skin.cover, id: 'none' } } }
  const held = (capacityW: number) => heated(bare, { capacityW, setPointC: 5 })
  const strong = run(held(20000)).answers
  expect(strong.coldestNight.insideC).toBeCloseTo(5, 3)
  expect(strong.hoursBelow0).toBe(0)
  expect(strong.topUp.kWh).toBeCloseTo(strong.ledger.gains.heater!, 6)
  expect(strong.months.reduce((s, m) => s + m.topUpKWh, 0)).toBeCloseTo(strong.topUp.kWh, 3)
  expect(strong.topUp.cost).toBeCloseTo(strong.topUp.kWh * 0.28, 3)
  expect(strong.freeRunning!.coldestNight.insideC).toBeLessThan(5)
  const weak = run(held(300)).answers
  expect(weak.coldestNight.insideC).toBeLessThan(5)
  expect(weak.coldestNight.insideC).toBeGreaterThan(weak.freeRunning!.coldestNight.insideC)
  expect(weak.topUp.peakW).toBeCloseTo(300, 3)
  expect(strong.ledger.closure).toBeLessThan(0.001)
})

test('ledger, months and hours agree with each other', () => {
  const { answers, series } = run(demo)
  const gains = Object.values(answers.ledger.gains).reduce((s, v) => s + v, 0)
  const losses = Object.values(answers.ledger.losses).reduce((s, v) => s + v, 0)
  expect(Math.abs(gains - losses - answers.ledger.storedKWh) / gains).toBeLessThan(0.001)
  expect(Math.min(...answers.months.map(m => m.insideMinC))).toBeCloseTo(answers.coldestNight.insideC, 5)
  expect(answers.hoursBelowAim).toBe(series.airC.filter(t => t < demo.aim.lowestAirC).length)
  expect(answers.worstNightLosses.reduce((s, l) => s + l.share, 0)).toBeCloseTo(1, 9)
  expect(answers.ledgerMonths).toHaveLength(12)
  for (const name of ['glazing', 'vents'])
    expect(answers.ledgerMonths.reduce((s, m) => s + m.losses[name]!, 0)).toBeCloseTo(answers.ledger.losses[name]!, 3)
  expect(answers.ledgerMonths.reduce((s, m) => s + m.gains.sun!, 0)).toBeCloseTo(answers.ledger.gains.sun!, 2)
  expect(answers.outside.coldestC).toBeCloseTo(Math.min(...answers.months.map(m => m.outsideMinC)), 5)
  expect(answers.outside.lastFrost).toMatch(/ (March|April|May|June)$/)
  expect(answers.outside.firstFrost).toMatch(/ (September|October|November)$/)
  expect(answers.shortDays).toBeGreaterThan(80)
  // Soil and floor are never as cold as the air gets; the sun lifts their face above the hottest of it, not by much.
  const [air, soil, floor, damp] = [series.airC, series.soilC, series.floorC, series.relativeHumidity].map(range)
  for (const [low, high] of [soil!, floor!]) {
    expect(low).toBeGreaterThan(air![0])
    expect(high).toBeGreaterThan(15)
    expect(high).toBeLessThan(air![1] + 15)
  }
  expect(damp![0]).toBeGreaterThan(0.02)
  expect(damp![1]).toBeLessThanOrEqual(1.0001)
})

test('a mass change reruns only the network; another place reruns all', () => {
  const e = createYearEngine(() => performance.now())
  e.run(demo)
  const first = e.run(demo)
  const cover = e.run(skin({ cover: { ...demo.skin.cover, afterSunriseH: 1 } }))
  expect(cover.site).toBe(first.site)
  expect(cover.gains).toBe(first.gains)
  const moved = e.run({ ...demo, site: { ...demo.site, latitudeDeg: 48 } })
  expect(moved.site).not.toBe(first.site)
  expect(moved.gains).not.toBe(first.gains)
})

test('a run can be stopped', () => {
  expect(() => createYearEngine().run(demo, { stop: () => true })).toThrow(RunStopped)
})

test('no water, no beds, no floor to speak of: the year still stands', () => {
  const bare: Design = { ...barrels({ count: 0 }), shape: { ...demo.shape, beds: [bedAt(0, demo.shape.widthM, 0)] } }
  const { answers } = run(bare)
  expect(answers.months[0]!.waterC).toBeNull()
  expect(answers.ledger.closure).toBeLessThan(0.001)
  const [january] = answers.months
  expect(january!.soilC).toBeGreaterThan(january!.insideMinC)
  expect(january!.soilC).toBeLessThan(january!.insideMeanC + 3)
})

test('air: openers, vents and films by hand', () => {
  expect(openerTarget(24.5, 20, 29)).toBeCloseTo(0.5, 9)
  expect(openerTarget(10, 20, 29)).toBe(0)
  expect(leakageFlow(0.02, 0, 3, 0.0002)).toBeGreaterThan(0)
  // Warm floor: air rises from it; cool floor: it lies still.
  expect(insideFilm(10, 1)).toBeGreaterThan(1.9 * insideFilm(-10, 1))
  expect(insideFilm(0, 0)).toBe(0.6)
})
