import type { Design, Opening } from '../../core/design'
import { designFaults } from '../../core/editing'
import { winterDays, type WinterHabit } from '../../core/openings/winter'
import { OPENING_KINDS } from '../../core/openings/registry'
import { type YearResult } from '../../core/year'
import { unheated } from '../added'
import { aired, windowOn, withMore, withoutOpenings } from '../openings'
import { plain } from '../plain'
import { madeSkin } from '../skin'
import { hourly as engine } from '../shared/years'

const house: Design = unheated({ ...plain, skin: madeSkin(plain.skin, { endsGlazedShare: 0 }) })
const run = (design: Design): YearResult => {
  expect(designFaults(design)).toEqual([])
  const result = engine.run(design)
  expect(result.answers.ledger.closure).toBeLessThan(0.001)
  return result
}
const habit = (own: Partial<WinterHabit>): WinterHabit => ({
  winter: 'plugged',
  winterBy: 'dates',
  winterFromMonth: 11,
  winterUntilMonth: 3,
  winterBelowC: 4,
  ...own,
})
const sum = (days: Uint8Array) => days.reduce((a, b) => a + b, 0)

test('winter goes by dates, over the new year too, or by the mean of the week before', () => {
  const mild = new Float32Array(8760).fill(10)
  expect(sum(winterDays(habit({}), mild))).toBe(30 + 31 + 31 + 28 + 31)
  expect(sum(winterDays(habit({ winterFromMonth: 6, winterUntilMonth: 8 }), mild))).toBe(30 + 31 + 31)
  expect(sum(winterDays(habit({ winter: 'as ever' }), mild))).toBe(0)
  const cold = habit({ winterBy: 'cold', winterBelowC: 4 })
  expect(sum(winterDays(cold, mild))).toBe(0)
  // Ten days of frost: a week must have gone by at four degrees on average, before and after.
  const snap = mild.map((t, h) => (h >= 100 * 24 && h < 110 * 24 ? -5 : t))
  const days = winterDays(cold, snap)
  // (7 − n) · 10 − n · 5 < 28 from three days of frost on; until three of the last seven are frost no longer.
  expect(days.indexOf(1)).toBe(103)
  expect(days.lastIndexOf(1)).toBe(114)
})

test('unhooked: shut in winter and no less leaky; plugged: tighter by its rim, in winter alone', () => {
  const cold = { winterBy: 'cold' as const, winterBelowC: 6 }
  const [ever, shut, plugged] = (['as ever', 'shut', 'plugged'] as const).map(winter =>
    run(aired(house, { winter, ...cold })),
  ) as [YearResult, YearResult, YearResult]
  const leaks = (r: YearResult, month: number) => r.answers.ledgerMonths[month]!.losses['air leaks']!
  expect(plugged.answers.coldestNight.insideC).toBeGreaterThan(shut.answers.coldestNight.insideC)
  expect(leaks(plugged, 0)).toBeLessThan(0.97 * leaks(shut, 0))
  expect(leaks(plugged, 6) / leaks(shut, 6)).toBeCloseTo(1, 2)
  // By no more than what is said to be round openings.
  expect(leaks(plugged, 0)).toBeGreaterThan(0.6 * leaks(shut, 0))
  const days = winterDays(habit(cold), ever.site.dryBulbC)
  for (let h = 0; h < 8760; h++) if (days[Math.floor(h / 24)] === 1) expect(plugged.series.ventOpening[h]!).toBe(0)
})

test('insulated: a board of foam keeps light out and warmth in, in winter alone', () => {
  const pane = (winter: WinterHabit['winter'], more: Partial<Extract<Opening, { kind: 'window' }>> = {}) =>
    withMore(withoutOpenings(house), windowOn('backWall', { widthM: 4, heightM: 0.8, sillM: 0.6, winter, ...more }))
  const bare = run(pane('as ever'))
  const boarded = run(pane('insulated'))
  const lost = (r: YearResult, from: number, until: number) => {
    const { lostW } = r.series.skin.find(s => s.id === 'opening 0')!
    let all = 0
    for (let h = from; h < until; h++) all += lostW[h]!
    return all
  }
  expect(boarded.answers.coldestNight.insideC).toBeGreaterThan(bare.answers.coldestNight.insideC)
  // Of what a pane of this make loses, 50 mm of foam leave well under half.
  expect(lost(boarded, 0, 59 * 24)).toBeLessThan(0.5 * lost(bare, 0, 59 * 24))
  const [summer, autumn] = [151 * 24, 243 * 24]
  expect(lost(boarded, summer, autumn) / lost(bare, summer, autumn)).toBeCloseTo(1, 1)
  const sun = (r: YearResult, month: number) => r.answers.ledgerMonths[month]!.gains.sun!
  expect(sun(boarded, 0)).toBeLessThan(sun(bare, 0))
  expect(sun(boarded, 6) / sun(bare, 6)).toBeCloseTo(1, 3)
  // Two with the same habit share their boards.
  const two = withMore(pane('insulated'), windowOn('eastEnd', { sillM: 0.6, winter: 'insulated' }))
  expect(run(two).answers.ledger.closure).toBeLessThan(0.001)
})

test('insulated: a leaf that is no pane has its foam before it as well, in winter alone', () => {
  const flaps = (made: 'timber' | 'sheet', winter: WinterHabit['winter']) => {
    const vents = aired(house, { winter, winterBy: 'dates' }).skin.openings.filter(o => o.kind !== 'door')
    return withMore(withoutOpenings(house), ...vents.map(o => ({ ...o, leaf: made }) as Opening))
  }
  for (const made of ['timber', 'sheet'] as const) {
    const [bare, boarded] = (['shut', 'insulated'] as const).map(w => run(flaps(made, w))) as [YearResult, YearResult]
    expect(boarded.answers.coldestNight.insideC).toBeGreaterThan(bare.answers.coldestNight.insideC)
    if (made === 'sheet') continue
    // In the small hours: by day the sun on its outer face goes the same way.
    const lost = (r: YearResult, fromDay: number, days: number) =>
      r.series.skin
        .filter(s => s.id.startsWith('leaf of opening'))
        .flatMap(s => Array.from(s.lostW.slice(fromDay * 24, (fromDay + days) * 24)))
        .reduce((sum, w, h) => sum + (h % 24 < 5 ? w : 0), 0)
    // 20 mm of boards, 0.15 m²K/W, and 1.9 more of foam; films of 0.17 beside them.
    expect(lost(boarded, 0, 59) / lost(bare, 0, 59)).toBeLessThan(0.35)
    expect(lost(boarded, 181, 60) / lost(bare, 181, 60)).toBeCloseTo(1, 1)
  }
})

test('a plug saves more round a longer rim, whatever the opening is', () => {
  const host = { longM: 2, wideM: 6, lowM: 0, highM: 2, heightAt: (up: number) => up }
  for (const kind of OPENING_KINDS) {
    const o = kind.fresh(kind.on[0]!, host)
    const { count, widthM, heightM } = kind.row(o, host)
    const edgeM = count * 2 * (widthM + heightM)
    const twice = { ...o, ...('count' in o ? { count: 2 * count } : { leaves: 2 }) }
    expect(kind.plugSavesM2(o, edgeM)).toBeGreaterThan(0)
    expect(kind.plugSavesM2(twice, 2 * edgeM)).toBeGreaterThan(kind.plugSavesM2(o, edgeM))
    // Of what stands open, well under a hundredth.
    expect(kind.plugSavesM2(o, edgeM) / (count * widthM * heightM)).toBeLessThan(0.03)
  }
})
