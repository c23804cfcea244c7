import fc from 'fast-check'
import { CROPS, entry } from '../../core/catalog'
import { type CropChoice, type CropMonth } from '../../core/aim/aim-line'
import { DAYS } from '../../core/climate'
import { cropRow, grownMonths, isKept, isWithin, spansOf, weeksTo, type CropRow } from '../../core/crops/calendar'
import { grow, metIn, paceOf, POT_WEEKS, type Standing } from '../../core/crops/grow'
import { areaByCrop, bedYears } from '../../core/crops/in-beds'
import { movedTold, moversOf } from '../../core/crops/movers'
import { aimSentence, heldBackTold, openTold, plannedTold, rowTold, spanTold, wonAgainst } from '../../core/crops/told'
import { cropYear, weekOf, WEEKS, weekStart, type CropWeeks, type CropYear } from '../../core/crops/weeks'
import { DEMOS } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { makeBuilding } from '../../core/geometry/surfaces'
import { cropTasks, houseYear } from '../../core/season/season-tasks'
import { formatQuantity, inMetric } from '../../core/units'
import { createYearEngine } from '../../core/year'

const ash = DEMOS[0]!
const needs = (id: string): Standing => entry(CROPS, id)
const all = (does: CropMonth): CropMonth[] => new Array<CropMonth>(12).fill(does)
const only = (...months: number[]): CropMonth[] => all('').map((_, m) => (months.includes(m) ? 'grow' : ''))
const pick = (id: string, months: CropMonth[] = all('grow')): CropChoice => ({ id, needs: null, months })

/** Weeks in which all is the same but what is said, in some of them. */
const FAIR = { leafLowC: 15, nightC: 16, dayC: 24, soilC: 18, dli: 20 }
type Week = typeof FAIR
function weeks(of: (w: number) => Partial<Week>): CropWeeks {
  const at = Array.from({ length: WEEKS }, (_, w) => ({ ...FAIR, ...of(w) }))
  const series = (key: keyof Week) => Float32Array.from(at, v => v[key])
  return {
    leafLowC: series('leafLowC'),
    nightC: series('nightC'),
    dayC: series('dayC'),
    soilC: series('soilC'),
    dli: series('dli'),
  }
}
const fair = weeks(() => ({}))
/** A year with a winter from week 44 to week `until`. */
const wintry = (until: number, cold: Partial<Week> = { leafLowC: -2, nightC: 1, soilC: 4, dli: 3 }) =>
  weeks(w => (w >= 44 || w < until ? cold : {}))
const years = (...inside: CropWeeks[]): CropYear[] => inside.map(y => ({ inside: y, open: y }))

describe('a week', () => {
  test('days fall into 52 weeks, in order; the last has a day more', () => {
    expect([0, 6, 7, 357, 363, 364].map(weekOf)).toEqual([0, 0, 1, 51, 51, 51])
    for (let w = 0; w < WEEKS; w++) expect(weekOf(weekStart(w))).toBe(w)
  })

  test('a crop grows as what it has least of lets it: nights, soil, light, days that are not too hot', () => {
    const tomato = needs('tomato')
    expect(metIn(tomato, fair, 0)).toEqual({ night: 1, soil: 1, light: 1, heat: 1 })
    const half = weeks(() => ({ nightC: tomato.growsC - 2.5, soilC: tomato.soilC * 0.75, dayC: tomato.highestC + 4 }))
    const met = metIn(tomato, half, 0)
    expect(met.night).toBeCloseTo(0.5, 6)
    expect(met.soil).toBeCloseTo(0.75, 6)
    expect(met.heat).toBeCloseTo(0.6, 6)
    expect(paceOf(tomato, half).pace[0]).toBeCloseTo(0.5, 6)
    expect(
      paceOf(
        tomato,
        weeks(() => ({ nightC: tomato.growsC - 5 })),
      ).pace[0],
    ).toBe(0)
    expect(
      paceOf(
        tomato,
        weeks(() => ({ dli: 0 })),
      ).pace[0],
    ).toBe(0)
  })
})

describe('a sowing', () => {
  test('in fair weeks it is ripe after its weeks and gives for its weeks; at half the pace after twice as many', () => {
    const spinach = needs('spinach')
    expect(grow(spinach, paceOf(spinach, fair), 40)).toEqual({ firstAfter: 8, endAfter: 14, died: false })
    const dim = weeks(() => ({ dli: spinach.dli / 2 }))
    expect(grow(spinach, paceOf(spinach, dim), 40)).toEqual({ firstAfter: 16, endAfter: 28, died: false })
    // What is raised in pots has its first weeks in the warm, whatever the house is like.
    const lettuce = needs('winter-lettuce')
    const dark = weeks(() => ({ dli: lettuce.dli / 2 }))
    expect(grow(lettuce, paceOf(lettuce, dark), 0).firstAfter).toBe(POT_WEEKS + 2 * (lettuce.weeks - POT_WEEKS))
  })

  test('a night that it does not bear ends it, but not while it stands in its pot', () => {
    const tomato = needs('tomato')
    const frost = (at: number) =>
      paceOf(
        tomato,
        weeks(w => (w === at ? { leafLowC: 2.9 } : {})),
      )
    expect(grow(tomato, frost(12), 4)).toEqual({ firstAfter: null, endAfter: 8, died: true })
    expect(grow(tomato, frost(6), 4)).toMatchObject({ firstAfter: 15, died: false })
    expect(grow(tomato, frost(4 + 20), 4)).toEqual({ firstAfter: 15, endAfter: 20, died: true })
  })

  test('leaves keep through the dark; fruit is over when it stands still, and does not outlast it young', () => {
    const [kale, pea] = [needs('kale'), needs('pea')]
    const winter = weeks(w => (w >= 20 && w < 35 ? { dli: 0.5 } : {}))
    expect(grow(kale, paceOf(kale, winter), 8)).toMatchObject({ firstAfter: 10, died: false })
    expect(grow(kale, paceOf(kale, winter), 8).endAfter).toBeGreaterThan(35 - 8)
    expect(grow(pea, paceOf(pea, winter), 8).endAfter).toBe(20 - 8)
    expect(grow(pea, paceOf(pea, winter), 15).firstAfter).toBeNull()
    expect(grow(kale, paceOf(kale, winter), 15).firstAfter).toBeGreaterThan(20)
  })

  test('faster weeks never ripen it later', () => {
    const pace = fc.array(fc.double({ min: 0.25, max: 1, noNaN: true }), { minLength: WEEKS, maxLength: WEEKS })
    fc.assert(
      fc.property(pace, pace, fc.integer({ min: 0, max: 51 }), fc.constantFrom(...CROPS), (a, b, sown, crop) => {
        const dies = new Uint8Array(WEEKS)
        const slow = Float32Array.from(a, (v, i) => Math.min(v, b[i]!))
        const fast = Float32Array.from(a, (v, i) => Math.max(v, b[i]!))
        const [s, f] = [slow, fast].map(p => grow(crop, { pace: p, dies }, sown).firstAfter ?? Infinity)
        expect(f).toBeLessThanOrEqual(s!)
      }),
    )
  })
})

describe('a crop’s year', () => {
  test('stretches of weeks: none is lost, none is told twice, the turn of the year cuts none', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: WEEKS, maxLength: WEEKS }), is => {
        const spans = spansOf(w => is[w]!)
        for (let w = 0; w < WEEKS; w++) expect(spans.filter(s => isWithin(w, s)).length).toBe(is[w] ? 1 : 0)
        const off = is.filter((v, w) => v && !is[(w + WEEKS - 1) % WEEKS]).length
        expect(spans.length).toBe(is.every(Boolean) ? 1 : off)
      }),
    )
    expect(spanTold({ from: 50, until: 1 })).toBe('17 December to 14 January')
    expect(spanTold({ from: 0, until: 51 })).toBe('all year')
  })

  test('it is planted out when four years of five are over their frosts, and the fifth’s night is told', () => {
    // Frosts last until week 10 in most years, until week 16 in some.
    const late = (n: number) => years(...Array.from({ length: 10 }, (_, i) => wintry(i < n ? 16 : 10)))
    const first = (n: number) => cropRow(pick('tomato'), late(n)).inside[0]!
    expect(first(0).plant!.from).toBe(10)
    expect(first(2).plant!.from).toBe(10)
    expect(first(2).first.ripens).toBeCloseTo(0.8, 9)
    expect(first(3).plant!.from).toBe(16)
    expect(first(0).first.coldC).toBe(15)
    expect(first(2).first.coldC).toBe(-2)
    const told = rowTold(cropRow(pick('tomato'), late(2)), inMetric)
    expect(told).toMatch(/plant out from 12 March \(one year in five brings its leaves −2\.0\s°C or less\)/)
    expect(told).toMatch(/harvest 28 May to/)
  })

  test('what a week lets it do, and what holds it back, with its bounds', () => {
    const row = cropRow(pick('tomato'), years(...Array.from({ length: 5 }, () => wintry(10))))
    expect(row.weeks[0]).toMatchObject({ state: 'dies', dies: 1 })
    expect(row.weeks[20]).toMatchObject({ state: 'grows', pace: 1, holds: [] })
    const mild = cropRow(pick('tomato'), years(wintry(10, { leafLowC: 5, nightC: 8, dli: 8 })))
    expect(mild.weeks[0]).toMatchObject({ state: 'slow', dies: 0 })
    expect(mild.weeks[0]!.holds).toEqual(['night', 'light'])
    expect(cropRow(pick('tomato'), years(wintry(10, { leafLowC: 5, nightC: 6 }))).weeks[0]!.state).toBe('still')
    const back = heldBackTold(mild, inMetric).join('; ')
    expect(back).toMatch(/cold nights 5 November to 11 March \(grows from 11\.0\s°C on\); too little light .*13 mol/)
    expect(heldBackTold(row, (v, q) => formatQuantity(v, q, 'us')).join()).toMatch(/killed by cold .*°F/)
  })

  test('asked months: to grow slowly is to grow, to stand still is to hold, to die is neither', () => {
    const months: CropMonth[] = ['hold', 'grow', ...all('grow').slice(2)]
    const of = (cold: Partial<Week>) => cropRow(pick('tomato', months), years(wintry(9, cold)))
    const kept = (row: CropRow) => row.months.map(isKept).slice(0, 2)
    expect(kept(of({ leafLowC: 5, nightC: 8 }))).toEqual([true, true])
    expect(kept(of({ leafLowC: 5, nightC: 5 }))).toEqual([true, false])
    expect(kept(of({ leafLowC: 0 }))).toEqual([false, false])
    expect(aimSentence([of({ leafLowC: 5, nightC: 5 })])).toMatch(/^Tomato in .*February.* would mean heat\.$/)
    expect(aimSentence([of({ leafLowC: 15, dli: 1 })])).toMatch(/would mean lamps/)
    expect(aimSentence([of({})])).toBe('Tomato does not ask more than this house gives.')
    expect(aimSentence([])).toMatch(/No crops/)
  })

  test('a tree is neither sown nor planted; what never ripens says so; all year is all year', () => {
    const lemon = cropRow(pick('lemon'), years(wintry(10)))
    expect(lemon.inside).toEqual([])
    expect(lemon.planned).toEqual([])
    expect(rowTold(lemon, inMetric)).toMatch(/^Lives here all year; it grows 12 March to/)
    expect(rowTold(cropRow(pick('tomato'), years(weeks(() => ({ dli: 1 })))), inMetric)).toMatch(/does not ripen here/)
    expect(rowTold(cropRow(pick('spinach'), years(fair)), inMetric)).toMatch(/^Can be sown all year/)
  })

  test('the other hemisphere is the same year half a year on', () => {
    const turned = (y: CropWeeks): CropWeeks =>
      Object.fromEntries(
        Object.entries(y).map(([k, v]: [string, Float32Array]) => [k, v.map((_, w) => v[(w + 26) % WEEKS]!)]),
      ) as unknown as CropWeeks
    for (const id of ['tomato', 'spinach', 'pea', 'carrot']) {
      const north = cropRow(pick(id), years(wintry(10), wintry(12)))
      const south = cropRow(pick(id), years(turned(wintry(10)), turned(wintry(12))))
      expect(south.harvestWeeks).toEqual(north.harvestWeeks)
      const on = (w: number) => (w + 26) % WEEKS
      expect(new Set(south.inside.map(s => on(s.sow.from)))).toEqual(new Set(north.inside.map(s => s.sow.from)))
    }
  })

  test('against the open: weeks won at both ends, or the weeks of harvest where there are several', () => {
    const row = cropRow(pick('tomato'), [{ inside: wintry(8), open: wintry(14) }])
    const won = wonAgainst(row.inside, row.open)!
    expect(won.early).toBe(weeksTo(row.inside[0]!.harvest.from, row.open[0]!.harvest.from))
    expect(won.early).toBe(6)
    expect(openTold(row)).toMatch(/6 weeks earlier/)
    expect(openTold(cropRow(pick('tomato'), [{ inside: fair, open: weeks(() => ({ nightC: 3 })) }]))).toMatch(
      /does not ripen/,
    )
  })

  test('what is planned: a sowing for each stretch of months that it is to grow in', () => {
    expect(grownMonths({ months: only(2, 3, 8) })).toEqual([
      { from: 2, months: 2 },
      { from: 8, months: 1 },
    ])
    expect(grownMonths({ months: only(11, 0) })).toEqual([{ from: 11, months: 2 }])
    expect(grownMonths({ months: all('grow') })).toEqual([{ from: 0, months: 12 }])
    const row = cropRow(pick('tomato', only(0, 1, 2, 3, 4, 5)), years(wintry(10)))
    expect(row.planned.map(s => s.planted)).toEqual([10])
    expect(plannedTold(row.planned[0]!)).toMatch(/^sow 12 February, plant out 12 March, harvest 28 May to/)
    // Asked for in months in which it never starts well: the best there is, with its chance.
    const bold = cropRow(
      pick('tomato', only(6)),
      years(...Array.from({ length: 4 }, (_, i) => wintry(i === 0 ? 8 : 40))),
    )
    expect(bold.planned[0]!.ripens).toBeLessThan(0.8)
    expect(cropRow(pick('tomato', only(0)), years(wintry(10))).planned).toEqual([])
  })
})

describe('tasks, beds and what can be done', () => {
  const engine = createYearEngine()
  const result = engine.run(ash)
  const year = houseYear(ash, result)
  const south = DEMOS.find(d => d.site.latitudeDeg < 0)!

  test('tasks are the planned sowings’ own days, with their chances', () => {
    const rows = [cropRow(pick('tomato', only(3, 4, 5, 6, 7)), years(wintry(10))), cropRow(pick('lemon'), years(fair))]
    const tasks = cropTasks(rows)
    const due = (id: string) => tasks.find(t => t.id === id)!.due(year)!
    const [s] = rows[0]!.planned
    expect(due('sow-tomato').from).toBe(weekStart(s!.sown))
    expect(due('plant-tomato').from).toBe(weekStart(s!.planted))
    expect(due('plant-tomato').why).toMatch(/one year in five its leaves then meet .*\s°C or less/)
    expect(due('harvest-tomato').from).toBe((weekStart(s!.sown) + 7 * s!.firstAfter) % DAYS)
    expect(due('feed-tomato').everyDays).toBe(21)
    expect(tasks.filter(t => t.id.endsWith('lemon')).map(t => t.id)).toEqual(['feed-lemon', 'pests-lemon'])
    const rare = cropRow(
      pick('tomato', only(6)),
      years(...Array.from({ length: 4 }, (_, i) => wintry(i === 0 ? 8 : 40))),
    )
    expect(
      cropTasks([rare])
        .find(t => t.id === 'plant-tomato')!
        .due(year)!.why,
    ).toMatch(/ripens here in 25 % of years/)
  })

  test('a bed has its crop, and what fits into the weeks in which it is free', () => {
    const rows = [
      cropRow(pick('tomato', only(3, 4, 5, 6, 7)), years(wintry(10, { ...FAIR, nightC: 4, leafLowC: 1 }))),
      cropRow(pick('spinach', all('grow')), years(wintry(10, { ...FAIR, nightC: 4, leafLowC: 1 }))),
      cropRow(pick('lemon'), years(fair)),
    ]
    const design = patchDesign(ash, [
      ['aim.crops', rows.map(r => pick(r.id))],
      ['shape.beds.0.crop', 'tomato'],
    ])
    const beds = bedYears(design, rows)
    const [{ sowing, then }] = beds[0]!.sowings as [(typeof beds)[0]['sowings'][0]]
    expect(then.map(f => f.row.id)).toEqual(['spinach'])
    const [follower] = then
    const free = (sowing.sown + sowing.endAfter) % WEEKS
    const room = weeksTo(free, sowing.planted)
    expect(weeksTo(free, follower!.sowing.planted)).toBeLessThan(room)
    expect(weeksTo(free, follower!.until)).toBeLessThan(room)
    expect(follower!.harvestWeeks).toBeGreaterThan(0)
    const total = areaByCrop(beds).reduce((sum, a) => sum + a.areaM2, 0)
    expect(total).toBeCloseTo(makeBuilding(design).bedAreaM2, 6)

    // Once it is said, what follows is that and nothing else, and the bed's floor counts for each of the two.
    const both = bedYears(patchDesign(design, [['shape.beds.0.thenCrop', 'spinach']]), rows)
    expect(both[0]!.second!.id).toBe('spinach')
    expect(both[0]!.sowings[0]!.then).toEqual(then)
    const areas = new Map(areaByCrop(both).map(a => [a.name, a.areaM2]))
    expect([areas.get(rows[0]!.name), areas.get(rows[1]!.name)]).toEqual([both[0]!.areaM2, both[0]!.areaM2])
    const never = bedYears(patchDesign(design, [['shape.beds.0.thenCrop', 'lemon']]), rows)
    expect(never[0]!.sowings[0]!.then).toEqual([])
  })

  test('the house’s own year by weeks holds the same hours as its answers', () => {
    const its = cropYear(ash, result)
    expect(Math.min(...its.inside.leafLowC)).toBeCloseTo(Math.min(...result.answers.months.map(m => m.leafMinC)), 5)
    const mol = (w: number) => its.inside.dli[w]! * (w === WEEKS - 1 ? 8 : 7)
    const sum = Array.from({ length: WEEKS }, (_, w) => mol(w)).reduce((a, b) => a + b, 0)
    const byMonth = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
    const answers = result.answers.months.reduce((a, m, i) => a + m.dli * byMonth[i]!, 0)
    expect(sum / answers).toBeCloseTo(1, 4)
    // Roots in the open lag behind the air, and swing less.
    const swing = (of: Float32Array) => Math.max(...of) - Math.min(...of)
    expect(swing(its.open.soilC)).toBeLessThan(swing(its.open.nightC))
  })

  test('a sheet over the beds warms leaves; a loop warms the soil; each is told by what it moves', () => {
    const movers = moversOf(ash, inMetric)
    expect(movers.map(m => m.id)).toEqual(expect.arrayContaining(['row-cover', 'heater', 'bed-loop']))
    const coldest = (of: Float32Array) => Math.min(...of)
    const run = (id: string) => cropYear(ash, engine.run(movers.find(m => m.id === id)!.design)).inside
    const plain = cropYear(ash, result).inside
    expect(coldest(run('row-cover').leafLowC)).toBeGreaterThan(coldest(plain.leafLowC) + 0.2)
    expect(coldest(run('bed-loop').soilC)).toBeGreaterThan(coldest(plain.soilC) + 0.5)
    const row = (until: number) => cropRow(pick('tomato'), years(wintry(until)))
    expect(movedTold(row(12), row(9))).toBe('first harvest 3 weeks earlier')
    expect(movedTold(row(12), row(12))).toBe('')
    const never = cropRow(pick('tomato'), years(weeks(() => ({ dli: 1 }))))
    expect(movedTold(never, row(9))).toMatch(/ripens then, planted from 5 March on/)
    expect(movedTold(row(9), never)).toMatch(/no longer ripens/)
  })

  test('in the south potatoes are laid in the other half of the year', () => {
    const its = cropYear(south, engine.run(south))
    const row = cropRow(pick('potato'), [{ inside: its.open, open: its.open }])
    expect(row.inside.length).toBeGreaterThan(0)
    for (const s of row.inside) expect(isWithin(26, s.sow)).toBe(false)
  })
})
