import fc from 'fast-check'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { makeBuilding } from '../../core/geometry/surfaces'
import { dayNumber } from '../../core/plan/calendar'
import { bookFaults, emptyBook, packBook, unpackBook } from '../../core/season/book'
import { leavesBearC } from '../../core/aim/aim-line'
import { cropRow } from '../../core/crops/calendar'
import { cropYear } from '../../core/crops/weeks'
import { cropAnswer, outdoorSeason } from '../../core/season/crops'
import { demoBook } from '../../core/season/demo-book'
import { dailyOf, emptyLog, gaps, merged, nominalDay, soundLog, within } from '../../core/season/log'
import { layDays, outsideDays } from '../../core/season/measured'
import { readDays, readMonths } from '../../core/season/months'
import { curvePath, rise } from '../../core/season/pictures'
import { houseYear, seasonTasks } from '../../core/season/season-tasks'
import { forecastDays, tonight, type Forecast } from '../../core/season/tonight'
import { fullness, RUNS_OFF, tanksInsideL, waterYear } from '../../core/season/water'
import { aSource } from '../../core/sources/registry'
import { formatQuantity } from '../../core/units'
import { readingsOf } from '../season-log'
import { engine } from '../shared/years'

const [ash, ribera, , , growers] = DEMOS as [Design, Design, Design, Design, Design]
const year = engine.run(ash)
const start = dayNumber('2026-11-01')
const sum = (v: ArrayLike<number>) => Array.from(v).reduce((a, b) => a + b, 0)

/** A log whose air inside is a wave that never rests. */
function lively(days: number) {
  const log = emptyLog(start * 24, days * 24)
  for (let i = 0; i < log.hours; i++) log.values.insideC[i] = 10 + 5 * Math.sin((i / 24) * 2 * Math.PI) + i * 1e-3
  return log
}

describe('a log of hours', () => {
  test('days of the nominal year: 29 February stands for the day before it', () => {
    expect(nominalDay(dayNumber('2027-01-01'))).toBe(0)
    expect(nominalDay(dayNumber('2028-02-29'))).toBe(58)
    expect(nominalDay(dayNumber('2028-03-01'))).toBe(59)
    expect(nominalDay(dayNumber('2027-12-31'))).toBe(364)
  })

  test('two that overlap become one: nothing is lost, the newer counts, and how far they part is told', () => {
    const hour = fc.integer({ min: 0, max: 200 })
    fc.assert(
      fc.property(hour, hour, fc.integer({ min: 1, max: 100 }), fc.integer({ min: 1, max: 100 }), (a, b, n, m) => {
        const [one, other] = [emptyLog(a, n), emptyLog(b, m)]
        one.values.insideC.fill(1)
        other.values.insideC.fill(5)
        const all = merged(one, other)
        if ('fault' in all) throw new Error(all.fault)
        const { log, fresh, both, apart } = all
        const overlap = Math.max(0, Math.min(a + n, b + m) - Math.max(a, b))
        expect([both, apart, fresh]).toEqual([overlap, overlap, m - overlap])
        for (let h = Math.min(a, b); h < Math.max(a + n, b + m); h++) {
          const want = h >= b && h < b + m ? 5 : h >= a && h < a + n ? 1 : NaN
          expect(log.values.insideC[h - log.startH]).toEqual(want)
        }
      }),
    )
  })

  test('a sensor that stands still, a spike and what can’t be are left out, and said; water may rest', () => {
    const log = lively(6)
    log.values.insideC.fill(7.5, 30, 50)
    log.values.insideC[80] = 60
    log.values.insideC[100] = 999
    log.values.waterC.fill(12)
    const { log: sound, left } = soundLog(log)
    expect(left).toContainEqual({ what: 'stuck', of: 'insideC', fromH: log.startH + 30, hours: 20 })
    expect(left).toContainEqual({ what: 'spike', of: 'insideC', fromH: log.startH + 80, hours: 1 })
    expect(left).toContainEqual({ what: 'range', of: 'insideC', fromH: log.startH + 100, hours: 1 })
    expect(left).toHaveLength(3)
    expect([30, 49, 80, 100].every(i => Number.isNaN(sound.values.insideC[i]!))).toBe(true)
    expect(sound.values.insideC[51]).toBe(log.values.insideC[51])
    expect(sound.values.waterC.every(v => v === 12)).toBe(true)
  })

  test('gaps are told; a day counts by most of its hours', () => {
    const log = lively(5)
    log.values.insideC.fill(NaN, 0, 26)
    log.values.insideC.fill(NaN, 60, 70)
    expect(gaps(log.values.insideC)).toEqual([{ at: 60, hours: 10 }])
    expect(within(log, log.startH + 24, log.startH + 48).hours).toBe(24)
    expect(dailyOf(log, 'insideC').map(d => d.day - start)).toEqual([1, 3, 4])
  })
})

describe('days laid into the year', () => {
  test('the air is as it was read to the hour; clear days get more sun; the rest of the year stays', () => {
    const log = readingsOf(ash, { seed: 900, from: '2026-12-10', days: 40 })
    const laid = layDays(ash, engine.site(ash), outsideDays(log, []), { log, daily: [] })
    expect(laid.fromDay).toBe(nominalDay(dayNumber('2026-12-10')))
    for (const n of [0, 30, 500, 959])
      expect(laid.weather.dryBulbC[(laid.fromDay * 24 + n) % 8760]).toBeCloseTo(log.values.outsideC[n]!, 4)
    const summer = 200 * 24
    expect(laid.weather.dryBulbC.subarray(summer, summer + 24)).toEqual(
      year.site.dryBulbC.subarray(summer, summer + 24),
    )
    const order = [...laid.clear.keys()].sort((a, b) => laid.clear[a]! - laid.clear[b]!)
    const sunOf = (i: number) => {
      const h = ((laid.fromDay + i) % 365) * 24
      return sum(laid.weather.globalWm2.subarray(h, h + 24))
    }
    const dull = order.slice(0, 10).map(sunOf)
    const clear = order.slice(-10).map(sunOf)
    expect(sum(clear)).toBeGreaterThan(1.8 * sum(dull))
    // As a whole about what the climate has.
    const all = sum(Array.from({ length: 40 }, (_, i) => sunOf(i)))
    const usual = sum(
      Array.from({ length: 40 }, (_, i) =>
        sum(year.site.globalWm2.subarray(((laid.fromDay + i) % 365) * 24, ((laid.fromDay + i) % 365) * 24 + 24)),
      ),
    )
    expect(all / usual).toBeGreaterThan(0.75)
    expect(all / usual).toBeLessThan(1.3)
  })

  test('a day of gaps too long is not known; a short one is crossed straight; measured sun is taken as it is', () => {
    const log = readingsOf(ash, { seed: 900, from: '2026-11-01', days: 10 })
    log.values.outsideC.fill(NaN, 5 * 24, 5 * 24 + 10)
    log.values.outsideC.fill(NaN, 7 * 24 + 3, 7 * 24 + 6)
    log.values.sunWm2.fill(0, 8 * 24, 9 * 24)
    log.values.sunWm2[8 * 24 + 12] = 300
    const laid = layDays(ash, engine.site(ash), outsideDays(log, []), { log, daily: [] })
    expect([...laid.known]).toEqual([1, 1, 1, 1, 1, 0, 1, 1, 1, 1])
    const h = laid.fromDay * 24 + 7 * 24
    const at = (k: number) => laid.weather.dryBulbC[h + k]!
    expect(at(4)).toBeCloseTo(at(2) + ((at(6) - at(2)) * 2) / 4, 4)
    expect(laid.sunKnown[8]).toBe(1)
    expect(laid.weather.globalWm2[(laid.fromDay + 8) * 24 + 12]).toBe(300)
  })
})

const forecast: Forecast[] = [
  { date: '2027-01-09', lowC: -16, highC: -2, sky: 'clear', windMs: 1.5, snow: false },
  { date: '2027-01-10', lowC: -8, highC: 1, sky: 'dull', windMs: 3, snow: true },
]

describe('tonight', () => {
  const none = { log: null, daily: [] }

  test('the low of a night falls on the morning after its day', () => {
    const days = forecastDays(forecast, -5)
    expect(days.map(d => d.lowC)).toEqual([-5, -16, -8])
    expect(days.map(d => d.day)).toEqual([0, 1, 2].map(i => dayNumber('2027-01-09') + i))
  })

  test('a colder clear night is colder inside; the range widens night by night; nobody has read the house', () => {
    const { nights, biasK, words } = tonight(engine, ash, year.site, forecast, none)
    const [first, second] = nights
    expect(first!.insideMinC).toBeGreaterThan(first!.outsideMinC + 8)
    expect(first!.low).toBeLessThan(first!.insideMinC)
    expect(second!.high - second!.low).toBeGreaterThan(first!.high - first!.low)
    expect(biasK).toBeNull()
    expect(words).toMatch(/no readings yet/)
    const warmer = tonight(
      engine,
      ash,
      year.site,
      forecast.map(f => ({ ...f, lowC: f.lowC + 8 })),
      none,
    )
    expect(warmer.nights[0]!.insideMinC).toBeGreaterThan(first!.insideMinC + 1)
    expect(second!.do.some(d => d.id === 'snow')).toBe(true)
    expect(first!.do.some(d => d.id === 'snow')).toBe(false)
  })

  test('a cover by hand is left open until somebody draws it, and is worth what the house is colder without it', () => {
    const byHand = patchDesign(ash, [['skin.cover.moved', 'hand']])
    const [idle] = tonight(engine, byHand, year.site, forecast, none).nights
    const cover = idle!.do.find(d => d.id === 'cover')!
    expect(cover.when).toMatch(/^by 1[56]:[03]0, off at (09|10):[03]0$/)
    expect(cover.gainK).toBeGreaterThan(1)
    const [bare] = tonight(engine, patchDesign(ash, [['skin.cover.id', 'none']]), year.site, forecast, none).nights
    expect(bare!.insideMinC).toBeCloseTo(idle!.insideMinC, 6)
    expect(idle!.doneMinC).toBeGreaterThan(idle!.insideMinC + cover.airK - 0.2)
    // One hour on by the clock on the wall.
    const summer = tonight(engine, byHand, year.site, forecast, none, 1).nights[0]!.do.find(d => d.id === 'cover')!
    expect(Number(summer.when.slice(3, 5))).toBe(Number(cover.when.slice(3, 5)) + 1)
  })

  test('a row cover is felt at the leaves; a stove warms the air and has its caution', () => {
    const stove = aSource('stove', { belowC: -5, litAtH: 20, burnsH: 9, powerW: 4000, pricePerKWh: 0.08 })
    const heated = patchDesign(ash, [['topUp.sources', [stove]]])
    const [night] = tonight(engine, heated, year.site, forecast, none).nights
    const row = night!.do.find(d => d.id === 'row-cover')!
    // Leaves are warmer for it; the air of the room is not.
    expect(row.gainK).toBeGreaterThan(Math.max(0.3, row.airK))
    const lit = night!.do.find(d => d.id === 'stove')!
    expect(lit.gainK).toBeGreaterThan(1)
    expect(lit.caution).toMatch(/carbon monoxide/)
    expect(night!.doneLeafC).toBeGreaterThan(night!.leafMinC + lit.gainK - 0.2)
    // What does most for the leaves stands first, and they are held against what they bear.
    const worth = night!.do.filter(d => d.gainK > 0).map(d => d.gainK)
    expect(worth).toEqual([...worth].sort((a, b) => b - a))
    const leaf = night!.lives.find(l => l.of === 'leaf')!
    expect(leaf.marginK).toBeCloseTo(night!.leafMinC - leavesBearC(heated.aim, 0)!, 9)
  })

  test('readings of a leakier house are learnt from: what was too warm is taken off, in the reader’s units', () => {
    const log = readingsOf(ash, { seed: 901, from: '2026-12-01', days: 39 })
    const said = tonight(engine, ash, year.site, forecast, { log, daily: [] })
    expect(said.learntFrom).toBe(14)
    expect(said.biasK).toBeGreaterThan(0.8)
    expect(said.words).toMatch(/colder than the design said/)
    const us = tonight(engine, ash, year.site, forecast, { log, daily: [] }, 0, (v, q) => formatQuantity(v, q, 'us'))
    expect(us.words).toMatch(/°F/)
  })
})

describe('tasks of a season', () => {
  const of = (design: Design) => houseYear(design, engine.run(design))
  const tasks = seasonTasks(of(ash), '2026-09-01', [])
  const on = (id: string) => tasks.find(t => t.id === id)?.from

  test('they go by the climate: openers before the frost and back after it, covers before the openers', () => {
    expect(on('openers-off')! > '2026-10-10' && on('openers-off')! < '2026-11-30').toBe(true)
    expect(on('openers-on')! > '2027-03-10' && on('openers-on')! < '2027-05-20').toBe(true)
    expect(on('covers-on')! < on('openers-off')!).toBe(true)
    expect([...tasks].map(t => t.from)).toEqual([...tasks.map(t => t.from)].sort())
    for (const t of tasks) expect(t.until >= t.from).toBe(true)
  })

  test('they follow the design: no cover, none to refit; a colder house drains its lines for its own frost', () => {
    const bare = seasonTasks(of(patchDesign(ash, [['skin.cover.id', 'none']])), '2026-09-01', [])
    expect(bare.some(t => t.id === 'covers-on')).toBe(false)
    const cold = seasonTasks(
      of(
        patchDesign(ash, [
          ['skin.cover.id', 'none'],
          ['breathe.leakage', 'measured'],
          ['breathe.ach50', 60],
        ]),
      ),
      '2026-09-01',
      [],
    )
    expect(cold.find(t => t.id === 'drip-off')!.why).toMatch(/inside/)
    expect(tasks.find(t => t.id === 'drip-off')!.why).toMatch(/outside alone/)
  })

  test('in the south autumn comes in March and the dark in June', () => {
    const south = seasonTasks(of(ribera), '2027-01-01', [])
    const wash = south.find(t => t.id === 'wash')!
    expect(ribera.site.latitudeDeg).toBeLessThan(0)
    expect(wash.from > '2027-03-01' && wash.from < '2027-06-30').toBe(true)
  })

  test('what has begun and is not over is due now', () => {
    const leafy = patchDesign(ash, [['shape.beds', ash.shape.beds.map(b => ({ ...b, leafArea: 4 }))]])
    const mid = seasonTasks(of(leafy), '2026-11-20', []).find(t => t.id === 'mould')
    expect(mid!.from <= '2026-11-20').toBe(true)
    expect(mid!.until >= '2026-11-20').toBe(true)
  })
})

describe('water', () => {
  const building = makeBuilding(ash)
  const water = (part = {}) => ({ ...emptyBook().written.water, ...part })

  test('every litre drunk is given or lacking, every litre of rain is kept, given or run over', () => {
    const rainMm = [40, 40, 50, 60, 80, 90, 100, 90, 70, 60, 50, 40]
    const its = waterYear(building, year.series, water({ rainMm, tankL: 3000 }))
    expect(sum(its.weeks.map(w => w.drunkL))).toBeCloseTo(sum(year.series.drunkKg), 3)
    expect(its.drunkL).toBeCloseTo(sum(its.weeks.map(w => w.givenL)) + its.lackingL, 6)
    // 9 m of a house 4.6 m wide: the slopes as rain sees them.
    expect(its.roofM2).toBeCloseTo(9 * 4.6, 1)
    expect(its.rainL).toBeCloseTo(sum(rainMm) * its.roofM2 * RUNS_OFF, 3)
    const given = sum(its.weeks.map(w => w.givenL))
    // The tank ends its second year as it began it, as nearly as a tank does.
    expect(Math.abs(its.rainL - its.overL - given)).toBeLessThan(3000)
    for (const w of its.weeks) expect(w.tankL).toBeLessThanOrEqual(3000)
  })

  test('beds drink more in summer; without rain all of it is lacking; drips that give more run shorter', () => {
    const dry = waterYear(building, year.series, water({ tankL: 0 }))
    expect(dry.lackingL).toBeCloseTo(dry.drunkL, 6)
    expect(dry.drunkByMonth[6]!).toBeGreaterThan(2 * dry.drunkByMonth[0]!)
    const fast = waterYear(building, year.series, water({ dripLh: 120 }))
    expect(fast.weeks[26]!.dripHours).toBeCloseTo(dry.weeks[26]!.dripHours / 2, 6)
  })

  test('a tank that stands inside can be the rain tank: 95 % of it is water, full when it rained', () => {
    const tank = {
      kind: 'tank',
      lengthM: 2,
      widthM: 0.8,
      heightM: 1,
      atM: 1,
      offsetM: 0,
      colour: 'black',
      openShare: 1,
    }
    const bodies = [{ ...tank, contents: 'water' }, ...ash.store.bodies] as typeof ash.store.bodies
    const inside = tanksInsideL({ ...ash, store: { ...ash.store, bodies } })
    expect(inside).toBeCloseTo(0.95 * 2 * 0.8 * 1000, 6)
    expect(tanksInsideL({ ...ash, store: { ...ash.store, bodies: [] } })).toBe(0)
    const of = (mm: number) => {
      const its = water({ rainMm: new Array<number>(12).fill(mm), tankL: inside, startShare: 0 })
      return fullness(waterYear(building, year.series, its), its, 364)
    }
    expect(of(300)).toBeCloseTo(1, 1)
    expect(of(0)).toBe(0)
    expect(fullness(waterYear(building, year.series, water({ tankL: 0 })), water({ tankL: 0 }), 10)).toBe(0)
  })

  test('a larger tank lacks less', () => {
    const rainMm = new Array<number>(12).fill(30)
    const of = (tankL: number) => waterYear(building, year.series, water({ rainMm, tankL })).lackingL
    expect(of(5000)).toBeLessThan(of(1000))
    expect(of(1000)).toBeLessThan(of(0))
  })
})

describe('crops against the open', () => {
  test('a tender crop has its season between the frosts, and the weeks won are counted from it', () => {
    const open = (id: string) =>
      outdoorSeason(cropRow({ id, needs: null, months: new Array(12).fill('') }, [cropYear(ash, year)]))
    const kale = open('kale')!
    expect(open('chard')!.firstDay).toBeGreaterThan(kale.firstDay)
    expect(open('pepper')).toBeNull()
    const row = {
      id: 'a',
      crop: 'kale',
      bed: null,
      sownOn: null,
      plantedOn: null,
      firstOn: null,
      lastOn: null,
      kg: 12,
      perKg: 4,
      note: '',
    }
    const iso = (day: number) => new Date(Date.UTC(2027, 0, 1 + day)).toISOString().slice(0, 10)
    const answer = cropAnswer(
      { ...row, firstOn: iso(kale.firstDay - 28), lastOn: iso((kale.lastDay + 14) % 365) },
      kale,
    )
    expect(answer).toEqual({ earlyWeeks: 4, lateWeeks: 2, neverOutdoors: false, worth: 48 })
    expect(cropAnswer(row, null)).toMatchObject({ earlyWeeks: null, neverOutdoors: true })
  })
})

describe('the book', () => {
  test('it survives being packed and unpacked, hours and words alike', () => {
    const log = lively(3)
    log.values.insideC.fill(NaN, 5, 9)
    const book = { log, written: { ...emptyBook().written, notes: [{ on: '2027-01-09', text: 'frost', picture: '' }] } }
    const back = unpackBook(JSON.parse(JSON.stringify(packBook(book))))
    expect(back.ok).toBe(true)
    if (!back.ok) return
    expect(back.book.written).toEqual(book.written)
    expect(back.book.log!.startH).toBe(log.startH)
    back.book.log!.values.insideC.forEach((v, i) =>
      Number.isNaN(log.values.insideC[i]!) ? expect(v).toBeNaN() : expect(v).toBeCloseTo(log.values.insideC[i]!, 2),
    )
    expect(back.book.log!.values.rh.every(Number.isNaN)).toBe(true)
  })

  test('whatever else it is given, it refuses in words and never throws', () => {
    fc.assert(
      fc.property(fc.anything(), given => {
        const read = unpackBook(given)
        if (!read.ok) for (const f of read.faults) expect(f.message).toMatch(/\S/)
      }),
    )
    const log = { startH: 0, values: { insideC: [1, 2], outsideC: [1] } }
    const short = unpackBook({ version: 1, written: {}, log })
    expect(short.ok ? '' : short.faults[0]!.message).toMatch(/not as long/)
    const hot = unpackBook({ version: 1, written: {}, log: { startH: 0, values: { insideC: [1, 900] } } })
    expect(hot.ok ? '' : hot.faults[0]!.path).toBe('book.log.insideC[1]')
    const days = [{ date: '2027-02-30' }]
    const wrong = unpackBook({ version: 1, written: { days }, log: null })
    expect(wrong.ok ? '' : wrong.faults[0]!.path).toBe('book.days[0].date')
    expect(bookFaults(emptyBook().written)).toEqual([])
  })

  test('the demo’s year is of a leakier house, with gaps and a stuck sensor to be found', () => {
    const { log, written } = demoBook(ash, '2026-11-27')
    expect(bookFaults(written)).toEqual([])
    expect(log!.hours).toBe(365 * 24)
    expect((log!.startH + log!.hours) / 24).toBe(dayNumber('2026-11-27'))
    expect(soundLog(log!).left).toEqual([expect.objectContaining({ what: 'stuck', of: 'insideC', hours: 41 })])
    expect(gaps(log!.values.outsideC).map(g => g.hours)).toEqual([76, 31])
    const months = readMonths(readDays(soundLog(log!).log, written.days))
    expect(months.length).toBeGreaterThanOrEqual(12)
    expect(Math.min(...months.map(m => m.lowC))).toBeLessThan(year.answers.coldestNight.insideC)
  })
})

describe('readings in pictures', () => {
  test('what a logger read counts before what was written of the same day', () => {
    const log = lively(2)
    const daily = [
      {
        date: '2026-11-01',
        insideMinC: -9,
        insideMaxC: 1,
        outsideMinC: -3,
        outsideMaxC: 4,
        soilC: null,
        waterC: null,
        rh: null,
      },
    ]
    const [first, second] = readDays(log, daily)
    expect(first!.lowC).toBeCloseTo(Math.min(...log.values.insideC.subarray(0, 24)), 4)
    expect([first!.outLowC, first!.outHighC]).toEqual([-3, 4])
    expect(second!.outLowC).toBeNaN()
  })

  test('a curve is broken where nothing was read; a scale has lines at round degrees of the reader', () => {
    expect(
      curvePath(
        [1, 2, NaN, 3],
        i => i,
        v => v,
      ),
    ).toBe('M0.0 1.0L1.0 2.0M3.0 3.0')
    const { y, ticks } = rise([-3, 12], 0, 100)
    expect(ticks).toEqual([0, 5, 10])
    expect(y(12)).toBeGreaterThanOrEqual(0)
    expect(y(-3)).toBeLessThanOrEqual(100)
    const us = rise([0, 20], 0, 100, { to: c => c * 1.8 + 32, from: f => (f - 32) / 1.8 })
    expect(us.ticks.map(c => Math.round(c * 1.8 + 32))).toEqual([40, 50, 60])
    expect(rise([], 0, 100).ticks.every(Number.isFinite)).toBe(true)
  })
})

test('a hoop house under film has a season too', () => {
  const tasks = seasonTasks(houseYear(growers, engine.run(growers)), '2026-09-01', [])
  expect(tasks.length).toBeGreaterThan(4)
})
