import fc from 'fast-check'
import { entry, FUELS, PRICE_ITEMS } from '../../core/catalog'
import { mainHeater } from '../../core/sources/registry'
import { DEMOS, type Design } from '../../core/design'
import { designFaults, patchDesign } from '../../core/editing'
import { laidOn, MOVES } from '../../core/moves/registry'
import type { Answers } from '../../core/answers'
import { briefOf } from '../../core/study/brief'
import { findCheapest, promising, withMoves, type Wanted } from '../../core/study/find'
import { lifetimeCost, ranked, ranksByHeat, RANKS, rungOf, type Rank, type Rung } from '../../core/study/ladder'
import { byLight, readVary, stepped, sweepDesigns, sweepPoint } from '../../core/study/sweep'
import { doubted, UNKNOWNS } from '../../core/study/unknowns'
import { housePrice, takeoff } from '../../core/takeoff/takeoff'
import { pricesOf, withPrice } from '../../core/takeoff/price-book'
import { createYearEngine } from '../../core/year'
import { plain } from '../plain'
import { heated, unheated } from '../added'

const bare: Design = { ...unheated(plain), skin: { ...plain.skin, cover: { ...plain.skin.cover, id: 'none' } } }
const engine = createYearEngine()
const brief = (d: Design) => briefOf(d, engine.run(d, { unheated: false }).answers)
const named = (...ids: string[]) => MOVES.filter(m => ids.includes(m.id))

describe('ladder', () => {
  const design = bare
  const { answers } = engine.run(design, { unheated: false })
  const now = briefOf(design, answers)
  const laid = laidOn(design, named('cover', 'glazing-glass-3', 'tighter-still', 'more-barrels', 'skirt'))
  const rungs = laid.map(l => rungOf(design, now, l, brief(l.design)))

  test('each rung is a plain rerun of its patch', () => {
    expect(rungs.length).toBeGreaterThan(3)
    for (const r of rungs) {
      // A fresh engine, from the document as it would be read from a file.
      const patched = JSON.parse(JSON.stringify(patchDesign(design, r.patch))) as Design
      const again = createYearEngine().run(patched).answers
      expect(r.coldestC).toBe(again.coldestNight.insideC)
      expect(r.heatKWh).toBe(again.topUp.kWh)
      expect(r.gainK).toBeCloseTo(again.coldestNight.insideC - answers.coldestNight.insideC, 9)
      expect(r.cost).toBeCloseTo(housePrice(patched) - housePrice(design), 6)
      expect(r.hottestC).toBe(again.hottestAfternoon.insideC)
    }
  })

  test('a night cover stands above a third pane, by degrees and by what money buys', () => {
    for (const by of ['money', 'degrees'] as const) {
      const order = ranked(rungs, by, false).map(r => r.id)
      expect(order.indexOf('cover')).toBeLessThan(order.indexOf('glazing-glass-3'))
    }
    const cover = rungs.find(r => r.id === 'cover')!
    // Glazing's share in each house's own worst night, from a year of each.
    const glazing = (a: Answers) =>
      `${Math.round(100 * a.worstNightLosses.find(l => l.name === 'glazing')!.share)}\u00a0%`
    const covered = engine.run(laid.find(l => l.move.id === 'cover')!.design, { unheated: false }).answers
    expect(glazing(covered)).not.toBe(glazing(answers))
    expect(cover.why).toContain(
      `Glazing lets out ${glazing(answers)} of the worst night’s heat, with this ${glazing(covered)}`,
    )
    expect(rungs.find(r => r.id === 'skirt')!.why).toMatch(/once the ground is filled/)
  })

  test('in a cold place a sheet over the beds ranks by the leaf that it keeps, a heater by what it burns', () => {
    const cold = DEMOS.find(d => d.id === 'saritas')!
    const its = engine.run(cold, { unheated: false }).answers
    const before = briefOf(cold, its)
    const both = laidOn(cold, named('row-cover', 'heater')).map(l => rungOf(cold, before, l, brief(l.design)))
    const [sheet, heater] = ['row-cover', 'heater'].map(id => both.find(r => r.id === id)!) as [Rung, Rung]
    expect(before.life).toMatchObject({ of: 'leaf', atC: its.leaf.coldestC, boundC: cold.aim.lowestAirC })
    expect(sheet.lifeK).toBeGreaterThan(0.5)
    expect(sheet.gainK).toBeLessThan(0.2 * sheet.lifeK)
    expect(heater.aYear).toBeGreaterThan(100)
    const order = (by: Rank) => ranked(both, by, false).map(r => r.id)
    expect(order('degrees')).toEqual(['heater', 'row-cover'])
    expect(order('money')).toEqual(['row-cover', 'heater'])
    // By hand: what it is bought for, and ten years of what it buys.
    expect(lifetimeCost(heater)).toBeCloseTo(heater.cost + 10 * heater.aYear, 9)
    // Over years in which nothing is bought yet a heater is the cheaper buy; the longer, the less.
    const worth = (r: Rung, years: number) => r.lifeK / lifetimeCost(r, years)
    expect(worth(heater, 30)).toBeLessThan(worth(heater, 1))
    for (const years of [0, 30]) {
      const best = worth(heater, years) > worth(sheet, years) ? 'heater' : 'row-cover'
      expect(ranked(both, 'money', false, years)[0]!.id).toBe(best)
    }
  })

  test('what is saved by letting what lives there miss its bound by more is no best buy', () => {
    const house = DEMOS.find(d => d.id === 'fjellro')!
    const its = engine.run(house, { unheated: false }).answers
    const before = briefOf(house, its)
    const both = laidOn(house, named('lower-set-point', 'skirt')).map(l => rungOf(house, before, l, brief(l.design)))
    const lower = both.find(r => r.id === 'lower-set-point')!
    expect(before.life).toMatchObject({ of: 'soil' })
    expect(lower.lifeMarginK).toBeCloseTo(before.life.marginK + lower.lifeK, 9)
    expect([lower.lifeK < 0, lower.lifeMarginK < 0, lower.aYear < 0]).toEqual([true, true, true])
    expect(ranked(both, 'money', true).at(-1)!.id).toBe('lower-set-point')
    expect(ranked(both, 'heat', true)[0]!.id).toBe('lower-set-point')
  })

  test('every rank puts the best first, and keeps every rung but what does nothing', () => {
    for (const by of Object.keys(RANKS) as Rank[]) expect(ranked(rungs, by, false)).toHaveLength(rungs.length)
    // A heater that is set lower than the house ever gets.
    const never = heated(design, { capacityW: 2000, setPointC: -20 })
    const rung = rungOf(design, now, { ...laid[0]!, design: never }, brief(never))
    expect(rung.felt).toBe(false)
    expect(ranked([...rungs, rung], 'money', false)).toHaveLength(rungs.length)
    const degrees = ranked(rungs, 'degrees', false).map(r => r.gainK)
    expect(degrees).toEqual([...degrees].sort((a, b) => b - a))
    const light = ranked(rungs, 'light', false).map(r => r.lightShare)
    expect(light).toEqual([...light].sort((a, b) => b - a))
  })

  test('a heated house is ranked by heat, and what saves fuel pays back in money over money a year', () => {
    // Without a main what plants drink costs nothing.
    const dry = patchDesign(bare, [['aim.practical.water', false]])
    const warm = heated(dry, { setPointC: 8, capacityW: 20000 })
    expect([ranksByHeat(warm), ranksByHeat(bare)]).toEqual([true, false])
    const its = engine.run(warm, { unheated: false }).answers
    const [cover] = laidOn(warm, named('cover'))
    const rung = rungOf(warm, briefOf(warm, its), cover!, brief(cover!.design))
    expect(rung.savedKWh).toBeGreaterThan(0.2 * its.topUp.kWh)
    const { fuel, pricePerKWh } = mainHeater(warm.topUp.sources)
    const usefulKWh = pricePerKWh / entry(FUELS, fuel).efficiency
    // What its motor draws is little.
    const motor = rung.aYear + rung.savedKWh * usefulKWh
    expect(motor).toBeGreaterThan(0)
    expect(motor).toBeLessThan(1.5)
    expect(rung.paybackYears!).toBeCloseTo(rung.cost / -rung.aYear, 9)
  })

  test('weeks in which crops grow pay as much as the reader says that one is worth', () => {
    // Far north, under panes that nobody washes, white walls bring the light that ends the season.
    const north = patchDesign(unheated(DEMOS[2]!), [
      ['skin.condition.dirt', 0.35],
      ['aim.practical.water', false],
    ])
    const now = brief(north)
    const rung = (cropWeek: number) => {
      const house = { ...north, aim: { ...north.aim, cropWeek } }
      const [white] = laidOn(house, named('white-walls'))
      return rungOf(house, now, white!, brief(white!.design))
    }
    const none = rung(0)
    expect([none.paybackYears, none.weeksWon > 1]).toEqual([null, true])
    expect(rung(50).paybackYears!).toBeCloseTo(none.cost / (50 * none.weeksWon), 9)
    expect(none.why).toMatch(/weeks longer/)
  })
})

describe('find', () => {
  /** Years by hand, so that every set can be looked at: each move lifts by its own, two of them less together. */
  const moves = named('cover', 'more-barrels', 'skirt', 'thicker-walls', 'earth-store')
  const lifts: Record<string, number> = {
    'cover': 3,
    'more-barrels': 1,
    'skirt': 0.4,
    'thicker-walls': 0.5,
    'earth-store': 2,
  }
  const base = brief(bare)
  const made = new Map<string, { ids: string[]; year: typeof base }>()
  for (let bits = 0; bits < 1 << moves.length; bits++) {
    const chosen = moves.filter((_, i) => bits & (1 << i))
    const design = withMoves(bare, chosen)
    if (!design) continue
    const ids = chosen.map(m => m.id)
    const together = ids.includes('cover') && ids.includes('earth-store') ? -0.7 : 0
    const coldestC = ids.reduce((sum, id) => sum + lifts[id]!, together)
    const winterDli = ids.includes('more-barrels') ? 4 : 5
    // Its fan is what a year buys.
    const aYear = ids.includes('earth-store') ? 80 : 10
    // What lives there gains otherwise than the air.
    const life = { ...base.life, marginK: ids.reduce((sum, id) => sum + (id === 'cover' ? 0.2 : lifts[id]! / 2), -1) }
    const cost = housePrice(design)
    made.set(JSON.stringify(design), { ids, year: { ...base, coldestC, life, winterDli, aYear, cost } })
  }
  const yearOf = (d: Design) => made.get(JSON.stringify(d))!.year
  const evaluate = (designs: readonly Design[]) => Promise.resolve(designs.map(yearOf))
  const every = [...made.values()].map(({ ids, year }) => ({ ids, year, cost: year.cost - housePrice(bare) }))
  const ask = (wanted: Partial<Wanted>) =>
    findCheapest(bare, moves, { coldestC: 3.2, budget: null, winterDli: 0, ...wanted }, evaluate)

  test('it is what a search of every set finds, for any wish', async () => {
    expect(made.size).toBe(32)
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 0, max: 80 }),
        fc.option(fc.integer({ min: 0, max: 6000 })),
        fc.constantFrom(0, 4.5),
        fc.constantFrom(null, 50),
        async (tenths, budget, winterDli, aYear) => {
          const wanted = { coldestC: tenths / 10, budget, winterDli, aYear }
          const found = await ask(wanted)
          const kept = every.filter(s => s.year.winterDli >= winterDli && s.year.aYear <= (aYear ?? Infinity))
          const allowed = kept.filter(s => budget === null || s.cost <= budget)
          for (const s of found.front) expect(s.aYear).toBeLessThanOrEqual(aYear ?? Infinity)
          const fits = allowed.filter(s => s.year.coldestC >= wanted.coldestC)
          expect(found.feasible).toBe(fits.length > 0)
          if (fits.length > 0) expect(found.cost).toBeCloseTo(Math.min(...fits.map(s => s.cost)), 6)
          else expect(found.coldestC).toBeCloseTo(Math.max(...allowed.map(s => s.year.coldestC)), 9)
        },
      ),
      { numRuns: 20 },
    )
  })

  test('asked of what lives there, it is found by its margin, and its front rises by that', async () => {
    const found = await ask({ lifeK: 0.4 })
    const fits = every.filter(s => s.year.life.marginK >= 0.4)
    expect(fits.length).toBeGreaterThan(0)
    expect(found.cost).toBeCloseTo(Math.min(...fits.map(s => s.cost)), 6)
    for (const [i, s] of found.front.entries())
      if (i > 0) expect(s.lifeMarginK).toBeGreaterThan(found.front[i - 1]!.lifeMarginK)
    const never = await ask({ lifeK: 50 })
    expect(never.feasible).toBe(false)
    expect(never.lifeMarginK).toBeCloseTo(Math.max(...every.map(s => s.year.life.marginK)), 9)
  })

  test('its front rises with money, and nothing that is as cheap is warmer', async () => {
    const { front, runs } = await ask({})
    expect(runs).toBe(32)
    for (const [i, s] of front.entries()) {
      if (i > 0) expect(s.coldestC).toBeGreaterThan(front[i - 1]!.coldestC)
      const rivals = every.filter(e => e.cost <= s.cost + 1e-9)
      expect(Math.max(...rivals.map(e => e.year.coldestC))).toBeCloseTo(s.coldestC, 9)
    }
  })

  test('the answer, run for real, meets the aim; the promising moves are those that lift', async () => {
    const some = laidOn(bare, named('cover', 'cover-motor', 'tighter-still', 'to-the-sun', 'white-walls'))
    const rungs = some.map(({ move, design }) => {
      const its = brief(design)
      return {
        id: move.id,
        gainK: its.coldestC - base.coldestC,
        lifeK: its.life.marginK - base.life.marginK,
        cost: its.cost - base.cost,
        aYear: its.aYear - base.aYear,
      }
    })
    const chosen = promising(rungs, {})
    expect(chosen.map(m => m.id)).toContain('cover')
    for (const m of chosen) expect(rungs.find(r => r.id === m.id)!.gainK).toBeGreaterThan(0)
    const real = (designs: readonly Design[]) => Promise.resolve(designs.map(brief))
    const wanted = { coldestC: base.coldestC + 2, budget: null, winterDli: 0 }
    const found = await findCheapest(bare, chosen, wanted, real)
    expect(found.feasible).toBe(true)
    const again = createYearEngine().run(withMoves(bare, named(...found.moves))!).answers
    expect(again.coldestNight.insideC).toBe(found.coldestC)
    expect(again.coldestNight.insideC).toBeGreaterThanOrEqual(wanted.coldestC)
  })
})

describe('sweep', () => {
  test('ranges are read as they are written, ends in', () => {
    expect(readVary('shape.turnDeg=-40:40:20', plain)).toEqual({ path: 'shape.turnDeg', values: [-40, -20, 0, 20, 40] })
    expect(readVary('skin.cover.id=none,quilt', plain).values).toEqual(['none', 'quilt'])
    expect(readVary('breathe.airing.on=true,false', plain).values).toEqual([true, false])
    expect(stepped(0, 0.3, 0.1)).toEqual([0, 0.1, 0.2, 0.3])
  })

  test.each([
    ['shape.turnDeg', /no path=from:to:step/],
    ['shape.spin=1:2:1', /no shape.spin/],
    ['shape.turnDeg=1:2:0', /step is above 0/],
    ['shape.turnDeg=2:1:1', /not below/],
    ['skin.cover.id=1:3:1', /no number/],
    ['shape.turnDeg=east', /no number/],
    ['shape.turnDeg=0:1:0.000001', /more than/],
  ])('%s is refused in words', (text, words) => {
    expect(() => readVary(text, plain)).toThrow(words)
  })

  test('run by light: each once, those of one turn after each other, whichever is varied quickest', () => {
    const [turns, counts] = [
      { path: 'shape.turnDeg', values: [0, 15, 30] },
      { path: 'aim.lowestAirC', values: [1, 2, 3, 4] },
    ]
    const run = (varied: (typeof turns)[]) =>
      byLight(sweepDesigns(plain, varied).map(s => ({ ...s, design: s.design! })))
    const quickest = run([counts!, turns!])
    expect(quickest).toHaveLength(12)
    expect(quickest.map(s => s.values['shape.turnDeg'])).toEqual([0, 0, 0, 0, 15, 15, 15, 15, 30, 30, 30, 30])
    expect(new Set(quickest.map(s => JSON.stringify(s.values))).size).toBe(12)
    expect(run([turns!, counts!]).map(s => s.values['shape.turnDeg'])).toEqual(
      quickest.map(s => s.values['shape.turnDeg']),
    )
    // What does not touch the light is run as it comes.
    expect(run([counts!]).map(s => s.values['aim.lowestAirC'])).toEqual([1, 2, 3, 4])
  })

  test('every combination, what can’t be built told; a point is its year as it is run', () => {
    const swept = sweepDesigns(plain, [
      { path: 'shape.turnDeg', values: [0, 30] },
      { path: 'shape.kneeWallM', values: [0.9, 3.5] },
    ])
    expect(swept.map(s => Object.values(s.values))).toEqual([
      [0, 0.9],
      [0, 3.5],
      [30, 0.9],
      [30, 3.5],
    ])
    expect(swept.map(s => s.fault?.path ?? null)).toEqual([null, 'shape.kneeWallM', null, 'shape.kneeWallM'])
    const turned = swept[2]!.design!
    const point = sweepPoint(swept[2]!.values, brief(turned))
    const again = createYearEngine().run(turned).answers
    expect(point.coldestC).toBe(again.coldestNight.insideC)
    expect(point.heatKWh).toBe(again.topUp.kWh)
  })
})

describe('unknowns', () => {
  test('each end is a sound design of its own, on every demo', () => {
    for (const demo of DEMOS) {
      const all = doubted(demo)
      expect(all.length).toBeGreaterThan(6)
      for (const { design } of all) expect(designFaults(design)).toEqual([])
    }
    expect(new Set(UNKNOWNS.map(u => u.id)).size).toBe(UNKNOWNS.length)
  })

  test('tighter is warmer than leakier, a cover that fits than one that hangs free', () => {
    const at = (id: string) => doubted(unheated(plain)).filter(d => d.unknown.id === id)
    for (const id of ['leakage', 'cover-fit']) {
      const [good, bad] = at(id).map(d => brief(d.design).coldestC)
      expect(good!).toBeGreaterThan(bad!)
    }
  })
})

describe('prices', () => {
  test('every thing of the catalogues has a price, each id once; one’s own goes before the rough one', () => {
    expect(new Set(PRICE_ITEMS.map(p => p.id)).size).toBe(PRICE_ITEMS.length)
    const price = pricesOf(plain)
    for (const { id, rough } of PRICE_ITEMS) expect(price(id)).toBe(rough)
    expect(() => price('part.gold')).toThrow(RangeError)
    const owned = patchDesign(plain, withPrice(plain, 'vessel.barrel-200', 99))
    expect(designFaults(owned)).toEqual([])
    expect(pricesOf(owned)('vessel.barrel-200')).toBe(99)
    expect(patchDesign(owned, withPrice(owned, 'vessel.barrel-200', null)).topUp.prices).toEqual([])
    const barrels = (d: Design) => takeoff(d).lines.find(l => l.part === 'barrels')!
    expect(barrels(owned).cost).toBeCloseTo(barrels(owned).buy * 99, 6)
  })

  test('a price of what is in no book is refused', () => {
    const wrong = patchDesign(plain, [['topUp.prices', [{ id: 'part.gold', each: 1 }]]])
    expect(designFaults(wrong)[0]!.path).toBe('topUp.prices[0].id')
  })

  test('an hour of work costs nothing until it has a price, and then by the house’s size', () => {
    expect(takeoff(plain).hands.cost).toBe(0)
    const paid = patchDesign(plain, withPrice(plain, 'work.hour', 30))
    const { hours, cost } = takeoff(paid).hands
    expect(cost).toBeCloseTo(hours * 30, 6)
    expect(hours).toBeGreaterThan(100)
    // It is apart: the list costs what it did.
    expect(housePrice(paid)).toBe(housePrice(plain))
    const longer = patchDesign(paid, [['shape.lengthM', paid.shape.lengthM + 2]])
    expect(takeoff(longer).hands.hours).toBeGreaterThan(hours)
  })

  test('devices and habits are paid for: each of these moves costs something', () => {
    for (const id of ['stove', 'heater', 'earth-store', 'row-cover', 'misting', 'tighter-still', 'more-vents', 'lobby'])
      for (const { design } of laidOn(bare, named(id)))
        expect([id, housePrice(design) > housePrice(bare)]).toEqual([id, true])
  })
})
