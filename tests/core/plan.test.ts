import ical from 'node-ical'
import { DEMOS, type Design } from '../../core/design'
import { isDate } from '../../core/design/fields/build'
import { designFaults, patchDesign } from '../../core/editing'
import { dayNumber, isoDay, monthDay, weekday } from '../../core/plan/calendar'
import { isWorkday, schedule, suitableDays } from '../../core/plan/schedule'
import { makeBuilding } from '../../core/geometry/surfaces'
import { dayStrip } from '../../core/plan/strip'
import { permitSheet } from '../../core/plan/permit'
import { inMetric } from '../../core/units'
import { writePlanIcs } from '../../formats/plan-ics'
import { writeTasksIcs } from '../../formats/tasks-ics'
import { engine } from '../shared/years'

const [ash, ribera] = DEMOS as [Design, Design]
const airOf = (d: Design) => engine.site(d).dryBulbC
const plan = (d: Design, start = '2027-02-01') => schedule(d, start, airOf(d))
const at = (p: ReturnType<typeof plan>, id: string) => p.find(t => t.id === id)!

describe('days of the calendar', () => {
  test('numbers and days turn into each other, over leap days, whatever the clock does', () => {
    expect(isoDay(dayNumber('2028-02-28') + 1)).toBe('2028-02-29')
    expect(isoDay(dayNumber('2027-12-31') + 1)).toBe('2028-01-01')
    expect(dayNumber('2027-04-05') - dayNumber('2027-03-22')).toBe(14)
    expect(weekday(dayNumber('2027-04-05'))).toBe(0)
    expect(weekday(dayNumber('1969-12-28'))).toBe(6)
    expect(monthDay(dayNumber('2027-04-05'))).toEqual({ month: 3, day: 5 })
    expect(['2027-02-29', '2028-02-29', '2027-4-5', 'soon'].map(isDate)).toEqual([false, true, false, false])
  })
})

describe('the strip of days', () => {
  test('a day lies as far along as it is late; months begin where they do, short where there is no room', () => {
    const wide = dayStrip('2027-03-22', '2027-05-20', 100, 740)
    // Two days before and four after: 65 days on 640 px.
    expect(wide.perDay).toBeCloseTo(640 / 65, 9)
    expect(wide.x(dayNumber('2027-03-22'))).toBeCloseTo(100 + 2 * wide.perDay, 9)
    expect(wide.months.map(m => m.on)).toEqual(['2027-04-01', '2027-05-01'])
    expect(wide.months.map(m => m.short)).toEqual([false, false])
    const narrow = dayStrip('2027-01-10', '2028-03-20', 100, 340)
    expect(narrow.months).toHaveLength(14)
    expect(narrow.months.every(m => m.short && m.x >= 100 && m.x <= 340)).toBe(true)
    // Even where there is no room at all the days go forward.
    expect(dayStrip('2027-01-10', '2027-01-10', 100, 0).perDay).toBeGreaterThan(0)
  })
})

describe('the order of work', () => {
  test('tasks follow on each other; what is held for stands before what it holds', () => {
    for (const demo of DEMOS) {
      const all = plan(demo)
      all.forEach((t, i) => {
        expect(dayNumber(t.to)).toBeGreaterThanOrEqual(dayNumber(t.from))
        if (i > 0) expect(dayNumber(t.from)).toBeGreaterThanOrEqual(dayNumber(all[i - 1]!.from))
      })
      const place = (id: string) => all.findIndex(t => t.id === id)
      for (const [first, then] of [
        ['lines-marked', 'dig'],
        ['pipes-tested', 'backfill'],
        ['drains-run', 'backfill'],
        ['mass', 'glazing'],
        ['beds', 'glazing'],
        ['face-looked-at', 'glazing'],
        ['vapour-whole', 'glazing'],
      ])
        if (place(first!) >= 0 && place(then!) >= 0) expect(place(first!)).toBeLessThan(place(then!))
    }
  })

  test('no task has a day off in its first or last day, and days are as many as were worked', () => {
    const off = patchDesign(ash, [
      ['build.plan.daysOff', ['saturday', 'sunday']],
      ['build.plan.holidays', ['2027-05-06']],
    ])
    expect(designFaults(off)).toEqual([])
    for (const t of plan(off)) {
      let worked = 0
      for (let d = dayNumber(t.from); d <= dayNumber(t.to); d++) if (isWorkday(off, d)) worked++
      for (const end of [t.from, t.to]) expect(isWorkday(off, dayNumber(end))).toBe(true)
      expect(worked).toBe(t.hold ? 1 : t.days)
    }
    expect(isWorkday(off, dayNumber('2027-05-06'))).toBe(false)
  })

  test('a firm is quicker than one pair of hands: hours over people and their day', () => {
    const by = (builder: string) => plan(patchDesign(ash, [['aim.practical.builder', builder]]))
    const frame = (p: ReturnType<typeof plan>) => at(p, 'frame')
    expect(frame(by('self')).days).toBe(Math.ceil(frame(by('self')).hours / 6))
    expect(frame(by('firm')).days).toBe(Math.ceil(frame(by('firm')).hours / 24))
    expect(dayNumber(by('firm').at(-1)!.to)).toBeLessThan(dayNumber(by('self').at(-1)!.to))
  })

  test('concrete is poured on no winter’s day and rests a week; digging waits until the ground has thawed', () => {
    const all = plan(ash)
    expect(at(all, 'dig').note).toMatch(/waits for ground that has thawed/)
    const pour = suitableDays(airOf(ash), 'pour')
    expect(pour[15]).toBe(0)
    expect(pour[196]).toBe(1)
    const [poured, edge] = [at(all, 'foundation'), at(all, 'edge')]
    expect(dayNumber(edge.from) - dayNumber(poured.to)).toBeGreaterThan(7)
    expect(plan(ash, '2027-07-01').every(t => !t.note.startsWith('waits'))).toBe(true)
  })

  test('a task that is moved begins on its day or later, the rest follows, and it cannot pass what is before', () => {
    const before = plan(ash)
    const later = isoDay(dayNumber(at(before, 'glazing').from) + 14)
    const moved = plan(patchDesign(ash, [['build.plan.moved', [{ task: 'glazing', on: later }]]]))
    expect(dayNumber(at(moved, 'glazing').from)).toBeGreaterThanOrEqual(dayNumber(later))
    expect(dayNumber(at(moved, 'openings').from)).toBeGreaterThan(dayNumber(at(before, 'openings').from))
    const early = plan(patchDesign(ash, [['build.plan.moved', [{ task: 'glazing', on: '2027-01-01' }]]]))
    expect(at(early, 'glazing').from).toBe(at(before, 'glazing').from)
    expect(at(early, 'glazing').note).toMatch(/as early as what comes before/)
  })

  test('wrong dates are told where they stand', () => {
    const [fault] = designFaults(patchDesign(ash, [['build.plan.startOn', '2027-13-01']]))
    expect(fault).toMatchObject({ path: 'build.plan.startOn' })
    expect(fault!.message + fault!.allowed).toMatch(/not a day.*2027-04-05/)
  })

  test('in the south the ground thaws half a year later', () => {
    const thawed = suitableDays(airOf(ribera), 'mild')
    expect(thawed[15]).toBe(1)
  })
})

describe('ICS, read by another', () => {
  test('every task is an event of whole days, and none of its words is lost', () => {
    const all = plan(ash)
    const read = Object.values(ical.sync.parseICS(writePlanIcs(all, ash))).filter(e => e?.type === 'VEVENT')
    expect(read).toHaveLength(all.length)
    const dig = read.find(e => (e as { summary: string }).summary === 'Dig') as {
      start: Date & { dateOnly?: boolean }
      end: Date
      datetype: string
      description: string
    }
    expect(dig.datetype).toBe('date')
    const local = (d: Date) => [d.getFullYear(), d.getMonth() + 1, d.getDate()]
    expect(local(dig.start)).toEqual(at(all, 'dig').from.split('-').map(Number))
    // Its end is the day after the last.
    expect(local(dig.end)).toEqual(
      isoDay(dayNumber(at(all, 'dig').to) + 1)
        .split('-')
        .map(Number),
    )
    expect(dig.description).toMatch(/nobody works in one alone/)
  })
})

describe('the season’s calendar, read by another', () => {
  test('what comes again every so many days is one event with its rule, over before its last day', () => {
    const task = { id: 'snow', name: 'Push snow off', group: 'winter', why: 'while snow lies', caution: '' } as const
    const ics = writeTasksIcs(
      [
        { ...task, from: '2027-01-04', until: '2027-02-02', everyDays: 7 },
        { ...task, id: 'once', from: '2027-03-01', until: '2027-03-03', everyDays: null },
      ],
      ash,
    )
    const read = Object.values(ical.sync.parseICS(ics)).filter(e => e?.type === 'VEVENT') as {
      rrule?: { all: () => Date[] }
    }[]
    const days = read.map(e => e.rrule?.all().map(d => d.toISOString().slice(0, 10)))
    expect(days).toEqual([['2027-01-04', '2027-01-11', '2027-01-18', '2027-01-25', '2027-02-01'], undefined])
  })
})

describe('the sheet for the office', () => {
  const sheet = (d: Design) => permitSheet(d, makeBuilding(d), 0.95, inMetric)
  const of = (d: Design, asked: string) => sheet(d).find(l => l.asked === asked)!

  test('it says what the design knows: size, height, frost, foundation, glazing overhead', () => {
    // Walls of 22 + 100 + 15 mm: 4.6 + 2 × 0.137 by 9 + 2 × 0.137.
    expect(of(ash, 'Size outside, about').answer).toMatch(/^4\.87\sm × 9\.27\sm; floor 41\.4\sm²/)
    expect(of(ash, 'Footprint over outer walls').answer).toMatch(/^45\.2\sm²/)
    expect(of(ash, 'Height of the ridge over the ground').answer).toBe('3.60\u00a0m')
    expect(of(ash, 'Heights of the walls over the ground').answer).toBe('sunny 1.45\u00a0m, pole 2.30\u00a0m')
    expect(of(ash, 'From the west end to the boundary').answer).toBe('3.20\u00a0m')
    // A lean-to has its house behind it, and nobody has measured the rest of its plot.
    expect(
      sheet(DEMOS[2]!)
        .filter(l => /to the boundary/.test(l.asked))
        .map(l => l.answer),
    ).toEqual([null, null, null])
    expect(of(ash, 'Roof').answer).toMatch(/Twin-wall polycarbonate, 10\smm \/ Steel sheet/)
    expect(of(ash, 'Frost depth').answer).toMatch(/0\.95\sm, estimated/)
    expect(of(ash, 'Foundation').answer).toMatch(/rubble trench/)
    // Glass stands upright in its front; over heads there is none of it.
    expect(of(ash, 'Glazing overhead').answer).toBe('Twin-wall polycarbonate, 10 mm')
    expect(of(DEMOS[2]!, 'Glazing overhead').answer).toMatch(/^Double glass.*holds together/)
    expect(of(ash, 'Drains').answer).toBe('in the trench of the foundation')
    expect(of(DEMOS[2]!, 'Drains').answer).toMatch(/^round the foot/)
  })

  test('what others have to say stays open; what the office or an engineer gave stands there', () => {
    const [snow, wind] = ['Snow', 'Wind'].map(of => `${of} load, as given by the office or an engineer`) as [
      string,
      string,
    ]
    for (const asked of [snow, wind, 'Anchors against uplift', 'Sections and spans of the frame'])
      expect(of(ash, asked)).toMatchObject({ answer: null, by: expect.stringMatching(/engineer/) })
    const noted = patchDesign(ash, [['site.survey.snowNote', '2.1 kN/m² at the office']])
    expect(of(noted, snow)).toMatchObject({ answer: '2.1 kN/m² at the office', by: '' })
    expect(of(patchDesign(ash, [['build.foundation.kind', 'undecided']]), 'Foundation').answer).toBeNull()
  })
})
