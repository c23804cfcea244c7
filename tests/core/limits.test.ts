import { pond, tank, wall } from '../bodies'
import { extremeHours, extremes, mutation, runTrials } from '../../cli/fuzz'
import { seededRandom } from '../../core/climate/random'
import { DEMOS, type Design } from '../../core/design'
import { designFaults, patchDesign, type Patch } from '../../core/editing'
import { doored } from '../openings'
import { aSource } from '../../core/sources/registry'
import { heated } from '../added'
import { engine as byQuarters, hourly as engine } from '../shared/years'

const EVERY_MONTH = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]

const demo = DEMOS[0]!
const year = (design: Design, ...patches: Patch[]) => engine.run(patchDesign(design, patches)).answers
const broken = (answers: object) =>
  JSON.stringify(answers, (_, v) =>
    typeof v === 'number' && !Number.isFinite(v) ? 'BROKEN' : (v as unknown),
  ).includes('BROKEN')

test('random sound documents: no number that is none, no open ledger, no crash, no air that no house has', () => {
  let sound = 0
  for (let i = 0; i < 15; i++) {
    const { design, patches } = mutation(5, i)
    if (designFaults(design).length > 0) continue
    sound++
    const { answers } = engine.run(design, { unheated: false })
    const { coldestNight: coldest, hottestAfternoon: hottest, ledger } = answers
    const told = [
      broken(answers),
      ledger.closure < 0.001,
      coldest.insideC > coldest.outsideC - 30,
      hottest.insideC < 150,
    ]
    expect([patches, ...told]).toEqual([patches, false, true, true, true])
  }
  expect(sound).toBeGreaterThan(8)
})

test('the extremes are trials of every field that has a rule; some of them, run', () => {
  const all = extremes()
  expect(all.length).toBeGreaterThan(1500)
  for (const path of [
    'shape.lengthM',
    'store.bodies.0.raisedM',
    'topUp.sources.1.powerW',
    'breathe.ach50',
    'skin.cover.rule',
  ])
    expect(all.some(t => t.patches.some(p => p[0] === path))).toBe(true)
  const report = runTrials(
    all.filter((_, i) => i % 1499 === 0),
    () => 0,
    1,
  )
  expect([report.nan, report.open, report.threw]).toEqual([[], [], []])
})

test('a house of film through hours that swing as far as is allowed: wet leaves hold their ground', () => {
  const swings = extremes().filter(
    t => t.demo === 'marschwinkel' && (t.patches[0]![1] as { source?: string } | null)?.source === 'extremes',
  )
  expect(swings).toHaveLength(7)
  const report = runTrials(
    swings.filter((_, i) => i === 4),
    () => 0,
  )
  expect([report.tried, report.refused, report.nan, report.open, report.threw]).toEqual([1, 0, [], [], []])
})

test.each(DEMOS.map(d => [d.id, d] as const))(
  '%s: a January of 54.8 °C, hours at the edges, the least of bodies, lamps past all need: sound years, closed books',
  (_, d) => {
    const climate = d.site.climate as { highC: number[] }
    const random = seededRandom(3)
    const cases: Patch[][] = [
      [['site.climate', { ...climate, highC: climate.highC.map((v, m) => (m === 0 ? 54.8 : v)) }]],
      [['site.climate', extremeHours(() => -90, random)]],
      [['site.climate', extremeHours(h => (h % 2 ? -10 : 30), random)]],
    ]
    const things: Patch[][] = [
      [['store.bodies', [pond({ lengthM: 0.2, widthM: 0.2, depthM: 0.1, atM: 1.35 })]]],
      [['store.bodies', [tank({ lengthM: 0.2, widthM: 0.2, heightM: 0.2, atM: 1.35 })]]],
      [['store.bodies', [wall({ thicknessM: 0.02, heightM: 0.2, atM: 1.35 })]]],
      [['topUp.sources', [aSource('lamps', { powerW: 92000, fromH: 0, untilH: 24, months: EVERY_MONTH })]]],
    ]
    // Things are the same in any house.
    for (const patches of d === demo ? [...cases, ...things] : cases) {
      // By steps of a quarter of an hour, as people get them: longer ones do not bear a heat of 60 K an hour.
      const { answers } = byQuarters.run(patchDesign(d, patches), { unheated: false })
      expect(broken(answers)).toBe(false)
      expect(answers.ledger.closure).toBeLessThan(1e-4)
    }
  },
)

test('ground that rises by next to nothing: sound years, and no jump where the first wall is sunk', () => {
  const coldest = [0, 0.03, 0.039, 0.041, 0.05].map(riseM => year(demo, ['shape.riseM', riseM]).coldestNight.insideC)
  expect(coldest.every(Number.isFinite)).toBe(true)
  expect(Math.max(...coldest) - Math.min(...coldest)).toBeLessThan(0.1)
})

test('hours that no weather has are refused with their place', () => {
  const jump = extremeHours(h => (h === 100 ? 60 : 0), seededRandom(1))
  expect(designFaults(patchDesign(demo, [['site.climate', jump]]))).toEqual([
    expect.objectContaining({
      path: 'site.climate.dryBulbC[100]',
      allowed: expect.stringMatching(/at most 40 K from hour to hour/),
    }),
  ])
})

test(
  'unflued gas: its water reaches the air, its heat and vapour close the books, its fuel is the ' + 'heating value',
  () => {
    const burning = (fuel: string) => year(heated(demo, { fuel, setPointC: 12 }))
    const flued = burning('gas')
    const open = burning('gas-unvented')
    expect(open.ledger.closure).toBeLessThan(1e-5)
    expect(open.hoursDamp).toBeGreaterThanOrEqual(flued.hoursDamp)
    expect(open.condensedKg).toBeGreaterThan(flued.condensedKg + 5)
    // Sensible 0.87 of the heating value and vapour 0.107 of it: 1.6 kg a cubic metre of 10.3 kWh.
    expect(open.ledger.gains.heater! / (open.topUp.fuels[0]!.amount * 10.3)).toBeCloseTo(
      0.87 + (1.6 * 2.47) / 3.6 / 10.3,
      2,
    )
  },
)

test('a lobby never makes a night colder, whatever its floor; none and next to none are the same', () => {
  const busy = doored(demo, { widthM: 1, openingsPerDay: 60, openS: 40 })
  for (const house of [demo, busy]) {
    const none = year(house, ['breathe.lobby.areaM2', 0]).coldestNight.insideC
    for (const areaM2 of [1e-6, 0.5, 2, 10, 40])
      expect(year(house, ['breathe.lobby.areaM2', areaM2]).coldestNight.insideC).toBeGreaterThanOrEqual(none - 1e-4)
    if (house === busy)
      expect(year(house, ['breathe.lobby.areaM2', 2]).coldestNight.insideC).toBeGreaterThan(none + 0.5)
  }
  expect(year(demo, ['breathe.lobby.areaM2', 1e-6]).coldestNight.insideC).toBeCloseTo(
    year(demo, ['breathe.lobby.areaM2', 0]).coldestNight.insideC,
    4,
  )
})

test('beds level with the floor have the light of beds a hand high', () => {
  const light = (heightM: number) => {
    const { months } = year(demo, ['shape.beds.0.heightM', heightM], ['shape.beds.1.heightM', heightM])
    return months.reduce((s, m) => s + m.dli, 0)
  }
  expect(light(0) / light(0.01)).toBeCloseTo(1, 1)
})
