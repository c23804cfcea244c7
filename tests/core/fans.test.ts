import { migrateDesign, type Design } from '../../core/design'
import { designFaults } from '../../core/editing'
import { aFan, FAN_KINDS, FANS, type AnyFan } from '../../core/fans/registry'
import { type YearResult } from '../../core/year'
import { unheated, withFans } from '../added'
import { withoutOpenings } from '../openings'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

/** A house with no opening at all, built so tight, and its fans. */
const shut = (ach50: number, ...fans: AnyFan[]): Design => {
  const design = withFans(withoutOpenings(unheated(plain)), ...fans)
  return { ...design, breathe: { ...design.breathe, leakage: 'measured', ach50 } }
}
const run = (design: Design): YearResult => {
  const result = engine.run(design)
  expect(result.answers.ledger.closure).toBeLessThan(0.001)
  return result
}
const hottest = (design: Design) => run(design).answers.hottestAfternoon.insideC

const big = { flowM3h: 20000, startC: 25 }
const sealed = hottest(shut(0.5))

test('a fan needs an inlet: in a sealed house a strong one moves hardly any air', () => {
  const alone = hottest(shut(0.5, aFan('extract fan', { ...big, louvreM2: 0 })))
  const louvred = hottest(shut(0.5, aFan('extract fan', { ...big, louvreM2: 2 })))
  expect(sealed - alone).toBeLessThan(0.25 * (sealed - louvred))
  expect(sealed - louvred).toBeGreaterThan(10)
  // In a leaky house the leaks are an inlet.
  expect(hottest(shut(40, aFan('extract fan', { ...big, louvreM2: 0 })))).toBeLessThan(alone - 5)
})

test('flow through a shut house by hand: the fan’s curve meets the louvre', () => {
  const [flowM3h, shutOffPa, louvreM2] = [4000, 40, 0.3]
  // Air that the fan moves, W/K, from a heat balance: what it takes out of the hottest hour over the difference.
  const { series, site } = run(shut(0.3, aFan('extract fan', { flowM3h, shutOffPa, louvreM2, startC: -60 })))
  const vents = series.losses[8]!
  let h = 0
  for (let k = 0; k < 8760; k++) if (series.airC[k]! - site.dryBulbC[k]! > series.airC[h]! - site.dryBulbC[h]!) h = k
  const density = site.pressurePa[h]! / (287.042 * (site.dryBulbC[h]! + 273.15))
  const flow = vents[h]! / (series.airC[h]! - site.dryBulbC[h]!) / 1006 / density
  // Q = Q₀ √(1 − Δp/Δp₀) and Q = 0.6 A √(2 Δp/ρ): both squares are straight lines in Δp.
  const stated = site.pressurePa[0]! / (287.042 * 293.15)
  const free = flowM3h / 3600
  const pa = 1 / (1 / shutOffPa + (0.6 * louvreM2 * Math.sqrt(2 / stated)) ** 2 / free ** 2)
  const byHand = free * Math.sqrt(1 - pa / shutOffPa)
  expect(flow / byHand).toBeGreaterThan(0.97)
  expect(flow / byHand).toBeLessThan(1.05)
})

test('in or out, as much air is moved; a second stage moves more', () => {
  const out = hottest(shut(2, aFan('extract fan', big)))
  expect(Math.abs(out - hottest(shut(2, aFan('supply fan', big))))).toBeLessThan(0.5)
  expect(hottest(shut(2, aFan('extract fan', { ...big, stages: 2, louvreM2: 1 })))).toBeLessThan(
    hottest(shut(2, aFan('extract fan', { ...big, louvreM2: 1 }))),
  )
})

test('what fans draw is counted: by hours and power, and as heat where it stays inside', () => {
  const extract = run(shut(2, aFan('extract fan', { powerW: 300 }))).answers
  const [own] = extract.fans
  expect(own!.hours).toBeGreaterThan(10)
  expect(own!.kWh).toBeLessThanOrEqual(own!.hours * 0.3)
  expect(own!.kWh).toBeGreaterThan(own!.hours * 0.05)
  expect(extract.electricity.fansKWh).toBeCloseTo(own!.kWh, 6)
  const stirred = run(shut(2, aFan('circulating fan', { powerW: 50, runs: 'always' }))).answers
  expect(stirred.fans[0]!.kWh).toBeCloseTo(50 * 8.76, 3)
  expect(stirred.ledger.gains.fans).toBeCloseTo(50 * 8.76, 3)
  const [day, night] = (['day', 'night'] as const).map(
    runs => run(shut(2, aFan('circulating fan', { runs }))).answers.fans[0]!.hours,
  ) as [number, number]
  expect(day + night).toBe(8760)
  expect(Math.abs(day - night)).toBeLessThan(1200)
})

test('each kind says what it is, and a wrong field is told with what is allowed', () => {
  for (const { kind } of FAN_KINDS) {
    const design = shut(2, FANS.fresh(kind as AnyFan['kind']))
    expect(designFaults(design)).toEqual([])
    const { fans } = run(design).answers
    expect(fans.map(f => f.kind)).toEqual([kind])
    const wrong = { ...design, breathe: { ...design.breathe, fans: [{ ...design.breathe.fans[0]!, flowM3h: -1 }] } }
    const [fault] = designFaults(wrong)
    expect(fault!.path).toBe('breathe.fans[0].flowM3h')
    expect(fault!.allowed).toMatch(/50000|50 000/)
  }
})

test('extract fans of documents that knew one lot of them come along; unused ones do not', () => {
  const was = (stages: number) => {
    const fans = { stages, flowM3h: 1800, powerW: 90, startC: 28, stepK: 2 }
    return (migrateDesign({ ...plain, breathe: { ...plain.breathe, fans } }) as Design).breathe.fans
  }
  expect(was(0)).toEqual([])
  expect(was(2)).toEqual([aFan('extract fan', { stages: 2, flowM3h: 1800, powerW: 90, startC: 28, stepK: 2 })])
})
