import fc from 'fast-check'
import { byHand } from '../../core/advice/by-hand'
import { controlSheet } from '../../core/advice/control-sheet'
import { DEMOS, type Design } from '../../core/design'
import { designFaults, patchDesign, type Patch } from '../../core/editing'
import { makeSiteYear } from '../../core/climate'
import { coverDrawn } from '../../core/network/schedule'
import {
  comings,
  hoursFor,
  hoursThere,
  openDays,
  presenceYear,
  schoolTerms,
  weekThere,
  yearDay,
  type People,
  type Presence,
} from '../../core/people/presence'
import { aSource } from '../../core/sources/registry'
import { absences, waterWhile } from '../../core/study/absences'
import { hourly as engine } from '../shared/years'

const demo = DEMOS[0]!
const people: People = demo.breathe.people
const visit = (v: Partial<People['visits'][number]>): People['visits'][number] => ({ ...people.visits[0]!, ...v })
const span = (name: string, there: 'away' | 'term', from: string, until: string) => ({ name, there, from, until })
const isThere = (of: People, day: number, k: number) => hoursThere(of)[24 * day + k] === 1
const on = (design: Design, ...patches: Patch[]) => patchDesign(design, patches)

describe('the calendar of the house', () => {
  test('unless it is said, somebody is there by day on every day', () => {
    expect(presenceYear(people)).toEqual({ hours: 3650, days: 365, away: null })
    expect([7, 8, 17, 18].map(k => isThere(people, 100, k))).toEqual([false, true, true, false])
  })

  test('mornings by one, evenings by another, past midnight, on the days of the week of each', () => {
    const two = {
      ...people,
      visits: [
        visit({ who: 'Ana', days: 'weekdays', fromH: 6.5, untilH: 8 }),
        visit({ who: 'Ib', days: 'sundays', fromH: 22, untilH: 1 }),
      ],
    }
    // 1 January counts as a Monday. Half of an hour is as good as all of it.
    expect([5, 6, 7, 8].map(k => isThere(two, 0, k))).toEqual([false, true, true, false])
    expect([5, 6].map(d => isThere(two, d, 7))).toEqual([false, false])
    expect([21, 22, 23, 0, 1].map(k => isThere(two, 6, k))).toEqual([false, true, true, true, false])
    expect(isThere(two, 5, 22)).toBe(false)
  })

  test('a visit of a few minutes is a visit', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 23.7, noNaN: true }), fromH => {
        const short = { ...people, visits: [visit({ fromH, untilH: fromH + 0.25 })] }
        expect(presenceYear(short).days).toBe(365)
        expect(presenceYear(short).hours).toBeLessThanOrEqual(2 * 365)
      }),
    )
  })

  test('people come in terms alone, and in none of the holidays; over New Year too', () => {
    const school = {
      visits: [visit({ days: 'weekdays', fromH: 8, untilH: 15 })],
      spans: [
        span('First term', 'term', '09-01', '12-22'),
        span('Second term', 'term', '01-08', '06-20'),
        span('Autumn', 'away', '10-26', '10-30'),
      ],
    }
    const { days, away } = presenceYear(school)
    expect(days).toBeLessThan((5 / 7) * (112 + 164))
    expect(days).toBeGreaterThan((5 / 7) * (112 + 164) - 8)
    // The last lesson is on a day of a week, the first one too.
    expect(away!.days).toBeGreaterThanOrEqual(72)
    expect(away!.days).toBeLessThanOrEqual(76)
    const holiday = { ...people, spans: [span('New Year', 'away', '12-24', '01-06')] }
    expect(presenceYear(holiday)).toMatchObject({ days: 365 - 14, away: { days: 14, from: yearDay('12-24') } })
  })

  test('terms of a school leave summer alone on either side of the equator', () => {
    for (const [latitude, summer] of [
      [51, '08-01'],
      [-34, '01-10'],
    ] as const) {
      const spans = schoolTerms(latitude)
      const people = { visits: [visit({ days: 'weekdays' })], spans }
      for (const { from, until } of spans) expect(yearDay(from)!).toBeLessThan(yearDay(until)!)
      const open = openDays(people)
      expect(open[yearDay(summer)!]).toBe(0)
      const { away } = presenceYear(people)
      const inIt = (yearDay(summer)! - away!.from + 365) % 365
      expect(inIt).toBeLessThan(away!.days)
      expect(away!.days).toBeGreaterThan(42)
      // Some forty weeks of five days.
      expect(presenceYear(people).days).toBeGreaterThan(160)
      expect(presenceYear(people).days).toBeLessThan(205)
    }
  })

  test('comings and goings of a day are all of them, in hours in which people are there', () => {
    const half = { ...people, visits: [visit({ days: 'weekends', fromH: 9, untilH: 12 })] }
    const shares = comings(half)
    const sum = (d: number) => shares.subarray(24 * d, 24 * d + 24).reduce((a, b) => a + b, 0)
    expect([0, 4, 5, 6].map(sum)).toEqual([0, 0, expect.closeTo(1, 12), expect.closeTo(1, 12)])
    expect(shares.every((w, h) => w === 0 || hoursThere(half)[h] === 1)).toBe(true)
  })

  test('a thing keeps to the house, or to hours of its own', () => {
    const own: Presence = { days: 'every day', fromH: 22, untilH: 5 }
    expect([21, 22, 4, 5].map(k => hoursFor(own, people)[k])).toEqual([0, 1, 1, 0])
    expect(hoursFor({ ...own, days: 'house' }, people)).toEqual(hoursThere(people))
  })

  test('days that there are not are refused, with what is meant', () => {
    for (const day of ['02-29', '13-01', '4 April', '00-10', '04-31']) expect(yearDay(day)).toBeNull()
    const wrong = on(demo, ['breathe.people.spans', [span('Leap', 'away', '02-29', '03-01')]])
    const [fault] = designFaults(wrong)
    expect(fault!.path).toMatch(/spans/)
    expect(`${fault!.message} ${fault!.allowed}`).toMatch(/02-29.*month and day/)
  })
})

describe('what keeps to it', () => {
  const away = span('Holidays', 'away', '12-20', '01-10')
  const spans: Patch = ['breathe.people.spans', [away]]

  test('a cover by hand stays as it was left over the holidays, and follows the last one to leave', () => {
    const cover = { ...demo.skin.cover, id: 'quilt', moved: 'hand', rule: 'clock', fromH: 17, untilH: 8 } as const
    const site = makeSiteYear({ ...demo.site, climate: demo.site.climate as never })
    const drawn = coverDrawn(site, { ...cover, days: 'house', onlyBelowC: 40 }, { ...people, spans: [away] })
    expect(drawn.subarray(2 * 24, 9 * 24).every(w => w === 0)).toBe(true)
    expect(drawn[20 * 24 + 22]).toBe(1)
  })

  test('a door that nobody goes through lets no warmth out', () => {
    const busy = on(
      demo,
      ...demo.skin.openings.flatMap((o, i): Patch[] =>
        o.kind === 'door'
          ? [
              [`skin.openings.${i}.openingsPerDay`, 200],
              [`skin.openings.${i}.openS`, 60],
            ]
          : [],
      ),
    )
    const everDay = engine.run(busy).series.airC
    const noDay = engine.run(on(busy, ['breathe.people.visits', []])).series.airC
    const winter = (air: Float32Array) => air.subarray(0, 60 * 24).reduce((a, b) => a + b, 0) / (60 * 24)
    expect(winter(noDay)).toBeGreaterThan(winter(everDay) + 0.2)
  })

  test('people’s warmth comes when the house says that they are there', () => {
    const many = aSource('people', { count: 40, days: 'house' })
    const kWh = (d: Design) => engine.run(d).answers.sources[0]!.kWh
    const with_ = on(demo, ['topUp.sources', [many]])
    const all = kWh(with_)
    expect(kWh(on(with_, spans)) / all).toBeCloseTo((365 - 22) / 365, 2)
    expect(kWh(on(with_, ['breathe.people.visits', []]))).toBe(0)
  })

  test('the control sheet says who comes, and what has hours of its own', () => {
    const lines = controlSheet(on(demo, spans)).map(l => `${l.device} | ${l.setting} | ${l.value}`)
    expect(lines).toContain('People | Visit 1 | every day, 8:00 to 18:00')
    expect(lines).toContain('People | Holidays | 12-20 to 01-10, nobody comes')
  })
})

describe('what if nobody came', () => {
  const of = (design: Design) => absences(design, 20)
  const cold = on(
    demo,
    ['skin.cover', { ...demo.skin.cover, id: 'quilt', moved: 'hand', days: 'house' }],
    ['breathe.people.visits', [visit({ fromH: 8, untilH: 17 })]],
  )

  test('weekends, a fortnight round the coldest night, all year: each changes the hours that it says', () => {
    const days = (d: Design) => presenceYear(d.breathe.people).days
    const by = Object.fromEntries(of(cold).map(a => [a.id, days(a.design)]))
    expect(by).toEqual({ weekends: 365 - 104, fortnight: 365 - 14, never: 0 })
    const [fortnight] = of(cold).filter(a => a.id === 'fortnight')
    expect(fortnight!.words).toBe('nobody from 14 January to 27 January')
    expect(isThere(fortnight!.design.breathe.people, 20, 10)).toBe(false)
    expect(isThere(fortnight!.design.breathe.people, 27, 10)).toBe(true)
    // Over the turn of the year as well.
    expect(designFaults(absences(cold, 2)[1]!.design)).toEqual([])
    // A school that has no weekends has none to lose.
    const school = on(demo, ['breathe.people.visits', [visit({ days: 'weekdays', fromH: 8, untilH: 16 })]])
    expect(of(school).map(a => a.id)).toEqual(['fortnight', 'never', 'mornings'])
  })

  test('a cover that is drawn by hand: without people the coldest night is colder', () => {
    const coldest = (d: Design) => engine.run(d).answers.coldestNight.insideC
    const never = of(cold).find(a => a.id === 'never')!
    expect(coldest(never.design)).toBeLessThan(coldest(cold) - 0.5)
  })

  test('what is done by hand waits for the people of the house, or says its own hours and can be made to', () => {
    const stove = aSource('stove', { lit: 'always' })
    const design = on(
      cold,
      ['breathe.rowCover', { ...demo.breathe.rowCover, on: true, days: 'weekdays', fromH: 9, untilH: 17 }],
      ['topUp.sources', [stove]],
    )
    const handed = byHand(design)
    expect(handed.find(h => h.name === 'Night cover')).toEqual({ name: 'Night cover', own: null, follow: null })
    expect(handed.find(h => h.name === 'Sheet over the beds')!.own).toBe('Monday to Friday, 9:00 to 17:00')
    const kept = patchDesign(
      design,
      handed.flatMap(h => (h.follow ? [h.follow] : [])),
    )
    expect(byHand(kept).every(h => h.own === null)).toBe(true)
    expect(designFaults(kept)).toEqual([])
    expect(byHand(on(demo, ['skin.cover.moved', 'motor'])).some(h => h.name === 'Night cover')).toBe(false)
  })

  test('the week of a calendar, and the water that nobody brings', () => {
    const week = weekThere(
      on(demo, ['breathe.people.visits', [visit({ days: 'weekends', fromH: 10, untilH: 12 })]]).breathe.people,
    )
    expect(week.map(d => d.reduce((a, b) => a + b, 0))).toEqual([0, 0, 0, 0, 0, 2, 2])
    const { running } = engine.run(demo).answers
    const all = waterWhile(running, 0, 365)!
    expect(all).toBeCloseTo(running.lines.find(l => l.name === 'Water')!.amount, 6)
    expect(waterWhile(running, 190, 14)!).toBeGreaterThan(waterWhile(running, 10, 14)!)
    expect(waterWhile({ lines: [], months: [], cost: 0 }, 0, 10)).toBeNull()
  })
})
