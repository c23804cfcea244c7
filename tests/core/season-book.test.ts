import { DEMOS, type Design } from '../../core/design'
import { dayNumber, isoDay } from '../../core/plan/calendar'
import { bookFaults, emptyBook, type Book } from '../../core/season/book'
import { withReading } from '../../core/season/by-hand'
import { yearPage } from '../../core/season/diary'
import { emptyLog } from '../../core/season/log'
import type { DatedTask } from '../../core/season/season-tasks'
import { liveReading, simulatedNights } from '../../core/season/simulated'
import { lastRead, readingsWithin, stretchesOf } from '../../core/season/stretches'
import { isSoon, putOff, taskStates, ticked } from '../../core/season/task-state'
import { LATENT } from '../../core/physics/constants'
import { engine } from '../shared/years'

const [ash] = DEMOS as [Design]
const year = engine.run(ash)
const empty = emptyBook().written
const sum = (v: ArrayLike<number>) => Array.from(v).reduce((a, b) => a + b, 0)

/** A book whose logger read so many days up to a day, °C by the day. */
function bookUntil(end: string, days: number, more: Partial<Book['written']> = {}): Book {
  const log = emptyLog((dayNumber(end) - days + 1) * 24, days * 24)
  log.values.insideC.forEach((_, i) => (log.values.insideC[i] = 10 + Math.sin(i) + Math.floor(i / 24) / 10))
  log.values.outsideC.forEach((_, i) => (log.values.outsideC[i] = 2 + Math.sin(i)))
  return { log, written: { ...empty, ...more } }
}

describe('stretches to hold against the design', () => {
  const book = bookUntil('2027-03-20', 100, { changes: [{ on: '2027-02-10', what: 'baffle' }] })
  const of = (id: string, southern = false) => stretchesOf(book, southern).find(s => s.id === id)!

  test('recent ones end on the last day that was read, and before and after a change have no day in common', () => {
    expect(lastRead(book)).toBe('2027-03-20')
    expect(of('last').stretch).toEqual({ from: '2027-01-20', until: '2027-03-20' })
    expect(of('after 0')).toMatchObject({ name: 'since 2027-02-10: baffle', stretch: { from: '2027-02-10' } })
    expect(of('before 0').stretch.until).toBe('2027-02-09')
  })

  test('the last winter is that of the hemisphere, and is over', () => {
    expect(of('winter')).toMatchObject({
      name: expect.stringMatching(/December to February/),
      stretch: { from: '2026-12-01', until: '2027-02-28' },
    })
    expect(of('winter', true)).toMatchObject({
      name: expect.stringMatching(/June to August/),
      stretch: { from: '2026-06-01', until: '2026-08-31' },
    })
  })

  test('what was written by hand counts for the last day; an empty book has no stretch', () => {
    const days = withReading(empty, '2027-04-02', 'insideMinC', 3)
    expect('written' in days && lastRead({ log: null, written: days.written })).toBe('2027-04-02')
    expect(stretchesOf(emptyBook(), false)).toEqual([])
  })

  test('readings within one: its days and no other, without what can’t be true', () => {
    const stuck = bookUntil('2027-03-20', 100)
    stuck.log!.values.insideC.fill(7, 95 * 24, 97 * 24)
    const { log, left } = readingsWithin(stuck, { from: '2027-03-11', until: '2027-03-20' })
    expect(log!.hours).toBe(10 * 24)
    expect(left).toEqual([expect.objectContaining({ what: 'stuck', hours: 48 })])
    expect(readingsWithin(stuck, { from: '2027-04-01', until: '2027-04-05' }).log).toBeNull()
    expect(readingsWithin(stuck, { from: null, until: null }).log!.hours).toBe(100 * 24)
  })
})

describe('what a book says of tasks', () => {
  const task = (id: string, from: string, until: string, everyDays: number | null = null): DatedTask => {
    return { id, name: id, group: 'autumn', from, until, everyDays, why: '', caution: '' }
  }
  const wash = task('wash', '2027-10-20', '2027-10-27')
  const mould = task('mould', '2027-09-20', '2027-12-20', 7)
  const states = (written = empty, today = '2027-10-15') => taskStates([wash, mould], written, today)

  test('put off, it lasts as long, and takes its place among the others', () => {
    const [first, second] = states(putOff(putOff(empty, 'mould', '2027-11-30'), 'mould', '2027-11-01'))
    expect([first!.id, second!.id]).toEqual(['wash', 'mould'])
    expect(second).toMatchObject({ from: '2027-11-01', until: '2028-01-31' })
  })

  test('ticked it is done for this time round, and not after all when it is ticked again', () => {
    const done = ticked(empty, states()[1]!, '2027-10-15')
    expect(states(done)[1]).toMatchObject({ id: 'wash', done: '2027-10-15' })
    expect(ticked(done, states(done)[1]!, '2027-10-15').done).toEqual([])
    // Half a year ahead of it is too early to say so.
    expect(states(empty, '2027-04-20')[1]!.mayTick).toBe(true)
    expect(states(empty, '2027-04-01')[1]!.mayTick).toBe(false)
    expect(states(empty, '2027-04-01')[0]!.mayTick).toBe(true)
    // Done in the year before is not done now.
    const old = { ...empty, done: [{ on: '2026-10-20', task: 'wash', night: false }] }
    expect(states(old)[1]!.done).toBeNull()
  })

  test('what comes again is due again; a night’s ticks are none of it', () => {
    const done = { ...empty, done: [{ on: '2027-10-10', task: 'mould', night: false }] }
    expect(states(done, '2027-10-15')[0]!.done).toBe('2027-10-10')
    expect(states(done, '2027-10-18')[0]!.done).toBeNull()
    const night = { ...empty, done: [{ on: '2027-10-14', task: 'mould', night: true }] }
    expect(states(night)[0]!.done).toBeNull()
  })

  test('what begins within a fortnight is soon, and so is what is overdue', () => {
    expect(isSoon(wash, '2027-10-06')).toBe(true)
    expect(isSoon(wash, '2027-10-05')).toBe(false)
    expect(isSoon(wash, '2027-12-01')).toBe(true)
  })
})

describe('days read off by hand', () => {
  const put = (written: typeof empty, ...given: [string, Parameters<typeof withReading>[2], number | null]) => {
    const next = withReading(written, ...given)
    if ('fault' in next) throw new Error(next.fault)
    return next.written
  }

  test('each reading has its place, days are in order, and one can be taken away again', () => {
    const two = put(put(empty, '2027-01-10', 'insideMaxC', 18), '2027-01-09', 'insideMinC', 2)
    expect(two.days.map(d => d.date)).toEqual(['2027-01-09', '2027-01-10'])
    const both = put(two, '2027-01-09', 'insideMaxC', 14)
    expect(both.days[0]).toMatchObject({ insideMinC: 2, insideMaxC: 14, outsideMinC: null })
    expect(put(both, '2027-01-09', 'insideMinC', null).days[0]!.insideMinC).toBeNull()
    expect(bookFaults(both)).toEqual([])
  })

  test('a low above its high is told, inside and outside, and nothing is changed', () => {
    const one = put(empty, '2027-01-09', 'insideMaxC', 5)
    expect(withReading(one, '2027-01-09', 'insideMinC', 6)).toEqual({ fault: expect.stringMatching(/inside.*Allowed/) })
    const out = put(empty, '2027-01-09', 'outsideMinC', 5)
    expect(withReading(out, '2027-01-09', 'outsideMaxC', 4)).toEqual({ fault: expect.stringMatching(/outside/) })
    expect(put(one, '2027-01-09', 'insideMinC', 5).days).toHaveLength(1)
  })
})

test('the year’s page: each month once, the newest first, with all that belongs to it', () => {
  const row = { id: 'a', crop: 'kale', bed: null, sownOn: null, plantedOn: null, lastOn: null, perKg: 0, note: '' }
  const page = yearPage(
    bookUntil('2027-02-10', 20, {
      notes: [{ on: '2027-01-30', text: 'frost', picture: '' }],
      changes: [{ on: '2026-11-02', what: 'baffle' }],
      crops: [{ ...row, firstOn: '2026-12-24', kg: 2 }],
      done: [
        { on: '2027-02-01', task: 'wash', night: false },
        { on: '2027-02-02', task: '2027-02-02 cover', night: true },
      ],
    }),
  )
  expect(page.map(m => m.month)).toEqual(['2027-02', '2027-01', '2026-12', '2026-11'])
  expect(page[0]).toMatchObject({ nights: 1, done: [{ task: 'wash' }], read: { days: 10 } })
  expect(page[1]!.notes).toHaveLength(1)
  expect(page[2]).toMatchObject({ read: null, harvest: [{ crop: 'kale' }] })
  expect(page[3]!.changes).toHaveLength(1)
})

describe('what is simulated', () => {
  test('nights are days in a row, the same for the same seed, their lows those of the mornings after', () => {
    const nights = simulatedNights(year.site, '2027-12-29', 4, 7)
    expect(nights.map(n => n.date)).toEqual([0, 1, 2, 3].map(i => isoDay(dayNumber('2027-12-29') + i)))
    expect(simulatedNights(year.site, '2027-12-29', 4, 7)).toEqual(nights)
    expect(simulatedNights(year.site, '2027-12-29', 4, 8)).not.toEqual(nights)
    const morning = Math.min(...year.site.dryBulbC.subarray(363 * 24, 364 * 24))
    expect(Math.abs(nights[0]!.lowC - morning)).toBeLessThan(4)
    for (const n of nights) expect(n.highC).toBeGreaterThan(n.lowC)
  })

  test('the live reading is the year’s own at the site’s clock, between the hours, over the turn of the year', () => {
    const hours = { airC: year.series.airC, outsideC: year.site.dryBulbC, soilC: year.series.soilC }
    const at = liveReading(hours, new Date('2027-02-10T11:30:00Z'), 1)
    const h = 40 * 24 + 12
    expect(at.insideC).toBeCloseTo((hours.airC[h]! + hours.airC[h + 1]!) / 2, 4)
    expect(at.perHourK).toBeCloseTo(hours.airC[h + 1]! - hours.airC[h]!, 4)
    const last = liveReading(hours, new Date('2027-12-31T22:00:00Z'), 1)
    expect(last.insideC).toBeCloseTo(hours.airC[8759]!, 4)
    // Where clocks run ahead it is later there.
    expect(liveReading(hours, new Date('2027-02-10T06:30:00Z'), 6).insideC).toBeCloseTo(at.insideC, 6)
  })
})

test('what beds give off is what leaves with the air and what condenses, and no more', () => {
  // Damp air takes all of it but for what runs down; glass that dries gives some back.
  const { series } = year
  const drunkKg = sum(series.drunkKg)
  const index = year.answers.ledger.losses['damp air']!
  const carriedKg = (index * 3.6e6) / LATENT
  const condensedKg = sum(series.condensedKg)
  expect(drunkKg).toBeGreaterThan(0.8 * carriedKg)
  expect(drunkKg).toBeLessThan(1.1 * (carriedKg + condensedKg))
  expect(series.drunkKg.every(kg => kg >= 0)).toBe(true)
})
