import { missTold } from '../../core/aim/fares'
import { CROPS } from '../../core/catalog'
import { MONTH_OF_DAY } from '../../core/climate'
import { DEMOS, type CropChoice, type Design } from '../../core/design'
import { bedsJoined, bedInTwo, patchDesign, withoutBed, type Patch } from '../../core/editing'
import { aSource } from '../../core/sources/registry'
import { doubted } from '../../core/study/unknowns'
import { inMetric } from '../../core/units'
import { yearView } from '../../core/view'
import { heated, unheated, withSources } from '../added'
import { pond, tank } from '../bodies'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const [garden, , leaning, , growers] = DEMOS as [Design, Design, Design, Design, Design]
const on = (design: Design, ...patches: Patch[]) => patchDesign(design, patches)
const answersOf = (design: Design) => engine.run(design).answers

describe('what lives in it, against its bounds', () => {
  const fish = on(unheated(plain), ['store.bodies', [tank({ lifeLowestC: 14, lifeHighestC: 28 }), pond({ atM: 2.4 })]])

  test('a tank with fish has two, each with its hours; a pond of nothing has none', () => {
    const { lives, bodies } = answersOf(fish)
    const water = lives.filter(l => l.of === 'water')
    expect(water.map(l => [l.index, l.side, l.boundC])).toEqual([
      [0, 'lowest', 14],
      [0, 'highest', 28],
    ])
    expect(water[0]!.atC).toBeCloseTo(bodies[0]!.coldestC, 3)
    expect(water[0]!.marginK).toBeCloseTo(bodies[0]!.coldestC - 14, 3)
    expect(water[1]!.marginK).toBeCloseTo(28 - bodies[0]!.warmestC, 3)
    expect(water[0]!.hours).toBeGreaterThan(500)
    expect(water[0]!.days).toBeGreaterThanOrEqual(water[0]!.hours / 24)
  })

  test('soil is that of the bed that fares worst, against what is asked of every month', () => {
    const { lives, beds } = answersOf(on(unheated(plain), ['aim.lowestSoilC', 6], ['aim.crops', []]))
    const soil = lives.filter(l => l.of === 'soil')
    expect(soil).toHaveLength(1)
    expect(soil[0]!.atC).toBeCloseTo(Math.min(...beds.map(b => b.soilMinC)), 3)
    expect(soil[0]!.boundC).toBe(6)
    // Leaves are held against what is asked of the air; nothing else is asked here.
    const bare = answersOf(on(unheated(plain), ['aim.crops', []]))
    expect(bare.lives).toHaveLength(1)
    expect(bare.lives[0]).toMatchObject({ of: 'leaf', atC: bare.leaf.coldestC, boundC: plain.aim.lowestAirC })
  })

  test('crops ask of the soil while they grow, and of the leaf in the months that they stand', () => {
    const kale = { id: 'kale', needs: null, months: Array.from({ length: 12 }, (_, m) => (m === 5 ? 'grow' : '')) }
    const { lives } = answersOf(on(unheated(plain), ['aim.crops', [kale]]))
    expect(lives.map(l => l.of)).toEqual(['leaf', 'soil'])
    for (const l of lives) expect(Math.floor(l.hour / 24)).toBeGreaterThanOrEqual(151)
    for (const l of lives) expect(Math.floor(l.hour / 24)).toBeLessThan(181)
  })
})

describe('loops in some of the beds', () => {
  const loop = aSource('bed loop', { capacityW: 3000, setPointC: 18 })
  const house = unheated(plain)
  const soils = (d: Design) => answersOf(d).beds.map(b => b.soilMinC)

  test('warm those and no others, in the months in which they run', () => {
    const [none, all, second] = [house, withSources(house, loop), withSources(house, { ...loop, inBeds: [1] })].map(
      soils,
    ) as [number[], number[], number[]]
    expect(all[0]! - none[0]!).toBeGreaterThan(4)
    expect(second[1]! - none[1]!).toBeGreaterThan(4)
    expect(second[0]! - none[0]!).toBeLessThan(0.3 * (all[0]! - none[0]!))
    const summer = answersOf(withSources(house, { ...loop, months: [6, 7, 8] }))
    expect(summer.sources[0]!.kWh).toBeLessThan(0.1 * answersOf(withSources(house, loop)).sources[0]!.kWh)
  })

  test('a loop in a bed that is not there does nothing', () => {
    expect(answersOf(withSources(house, { ...loop, inBeds: [7] })).sources[0]!.kWh).toBe(0)
  })

  test('it keeps to its beds when one is taken out or becomes a part of another; alone in it, it rests', () => {
    const loops = (d: Design, patches: Patch[] | null) =>
      patchDesign(d, patches!).topUp.sources.map(s => ('inBeds' in s ? [s.on, s.inBeds] : []))
    const two = withSources(house, { ...loop, inBeds: [1] })
    expect(loops(two, withoutBed(two, 0))).toEqual([[true, [0]]])
    expect(loops(two, withoutBed(two, 1))).toEqual([[false, []]])
    const cut = patchDesign(two, bedInTwo(two, 0, 24, 0)!)
    const third = withSources(cut, { ...loop, inBeds: [2] })
    expect(loops(third, bedsJoined(third, 0))).toEqual([[true, [0]]])
    expect(loops(withSources(house, loop), withoutBed(withSources(house, loop), 0))).toEqual([[true, []]])
  })
})

test('film that nothing blows up keeps less, and its blower draws power all year', () => {
  const blown = on(unheated(growers), ['breathe.rowCover.on', false])
  const limp = on(blown, ['skin.condition.blowerW', 0])
  const [a, b] = [answersOf(blown), answersOf(limp)]
  expect(a.electricity.blowersKWh).toBeCloseTo(30 * 8.76, 1)
  expect(b.electricity.blowersKWh).toBe(0)
  // Between one sheet and two: panes lose about a quarter more.
  const panes = (x: typeof a) => Math.max(...x.ua.byElement.filter(e => e.areaM2 > 50).map(e => e.uNight))
  expect(panes(b) / panes(a)).toBeGreaterThan(1.1)
  expect(panes(b) / panes(a)).toBeLessThan(1.4)
  expect(b.coldestNight.insideC).toBeLessThan(a.coldestNight.insideC - 0.02)
  expect(answersOf(unheated(garden)).electricity.blowersKWh).toBe(0)
  // Held warm, it is the film that counts: the same house burns a tenth to a third more.
  const warm = (d: Design) => answersOf(heated(d, { setPointC: 8, capacityW: 60000 })).topUp.kWh
  const more = warm(limp) / warm(blown)
  expect(more).toBeGreaterThan(1.06)
  expect(more).toBeLessThan(1.35)
})

test('what a night without the blower costs, by hand and by two years; and how far one may doubt it', () => {
  const house = on(heated(growers, { setPointC: 8, capacityW: 60000 }), ['breathe.rowCover.on', false])
  const result = engine.run(house)
  const { sums } = yearView(house, result)
  const its = sums.find(s => s.id === 'blower-night')!
  const [areaM2 = 0, apart = 0, limp = 0, warmerK = 0, hours = 0, joules = 0] = its.lines.map(l => l.value)
  expect(joules).toBeCloseTo(areaM2 * (limp - apart) * warmerK * hours * 3600, 3)
  expect([apart > 3.5, limp / apart > 1.1, limp < 5.2]).toEqual([true, true, true])
  expect(its.year[0]!.value / 3.6e6).toBeCloseTo(30 * 8.76, 1)
  // By two years: what the heater brings more in that night, the film having lain so all winter.
  const bare = engine.run(on(house, ['skin.condition.blowerW', 0]))
  const coldest = result.site.dryBulbC.indexOf(Math.min(...result.site.dryBulbC))
  const night = (r: typeof result) =>
    r.series.heaterW.subarray(coldest - 11, coldest + 1).reduce((a, b) => a + b * 3600, 0)
  expect((night(bare) - night(result)) / joules).toBeGreaterThan(0.5)
  expect((night(bare) - night(result)) / joules).toBeLessThan(1.6)
  expect(doubted(house).filter(d => d.unknown.id === 'blower')).toHaveLength(2)
  expect(doubted(unheated(garden)).some(d => d.unknown.id === 'blower')).toBe(false)
  expect(yearView(garden, engine.run(garden)).sums.some(s => s.id === 'blower-night')).toBe(false)
})

test('what the house behind a lean-to gives is counted at its price', () => {
  const { house, ledger } = answersOf(on(unheated(leaning), ['shape.house.pricePerKWh', 0.1]))
  expect(house!.gaveKWh).toBeGreaterThan(100)
  expect(house!.tookKWh - house!.gaveKWh).toBeCloseTo(ledger.losses['house'] ?? 0, 0)
  expect(house!.cost).toBeCloseTo(0.1 * house!.gaveKWh, 6)
  expect(answersOf(unheated(garden)).house).toBeNull()
})

describe('the aim, month by month', () => {
  const asks = (id: string, months: readonly number[]): CropChoice => ({
    id,
    needs: null,
    months: Array.from({ length: 12 }, (_, m) => (months.includes(m) ? 'grow' : '')),
  })
  const growing = (...crops: CropChoice[]) => on(unheated(plain), ['aim.crops', crops])

  test('the coldest night is held against its own month; the one that misses most has a line', () => {
    const { aim, coldestNight, months } = answersOf(growing(asks('spinach', [0, 1, 11]), asks('tomato', [10])))
    const spinach = CROPS.find(c => c.id === 'spinach')!
    const tomato = CROPS.find(c => c.id === 'tomato')!
    const own = MONTH_OF_DAY[Math.floor(coldestNight.hour / 24)]!
    expect([0, 1, 11]).toContain(own)
    expect(aim.coldestNight).toEqual({ aimC: spinach.growsC, marginK: coldestNight.insideC - spinach.growsC })
    expect(aim.worstMonth).toMatchObject({ month: 10, aimC: tomato.growsC })
    expect(aim.worstMonth!.shortK).toBeCloseTo(tomato.growsC - months[10]!.insideMinC, 6)
    expect(aim.worstMonth!.hours).toBeGreaterThanOrEqual(aim.worstMonth!.nights)
    expect(aim.worstMonth!.nights).toBeLessThanOrEqual(32)
    expect(aim.worstMonth!.shortK).toBeCloseTo(-aim.tightest!.marginK, 6)
  })

  test('where nothing stands in its month nothing is asked of it; where all is kept no month misses', () => {
    const summer = answersOf(growing(asks('spinach', [6]))).aim
    expect([summer.coldestNight, summer.worstMonth]).toEqual([null, null])
    const warm = answersOf(on(unheated(plain), ['aim.crops', []], ['aim.lowestAirC', -30])).aim
    expect(warm.worstMonth).toBeNull()
    expect(warm.coldestNight!.aimC).toBe(-30)
  })

  test('who comes through its coldest hour is judged by the leaf, and told', () => {
    const { aim, months } = answersOf(growing(asks('spinach', [11]), asks('aubergine', [11])))
    expect(months[11]!.leafMinC).toBeGreaterThan(CROPS.find(c => c.id === 'spinach')!.survivesC)
    expect(aim.worstMonth).toMatchObject({ month: 11, bear: ['Spinach'], die: ['Aubergine'] })
    const miss = { month: 9, aimC: 8, shortK: 1.23, hours: 40, nights: 9, bear: ['Spinach'], die: ['Tomato', 'Pepper'] }
    const told = (more: object) => missTold({ ...miss, ...more }, inMetric).replaceAll(/\s/g, ' ')
    expect(told({})).toBe('October: 1.2 K short on 9 nights; spinach bears it, tomato and pepper do not.')
    expect(told({ bear: [], die: ['Tomato'] })).toBe('October: 1.2 K short on 9 nights; tomato does not bear it.')
    expect(told({ bear: [], die: [], nights: 1 })).toBe('October: 1.2 K short on a night.')
  })
})
