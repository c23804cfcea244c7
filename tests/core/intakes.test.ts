import fc from 'fast-check'
import { emptyBook, packBook, unpackBook, type Book } from '../../core/season/book'
import type { Intake } from '../../core/season/intake'
import { withIntake, withoutIntake } from '../../core/season/intakes'
import { joined } from '../../core/season/joined'
import { emptyLog, unreadDay, type DailyReading, type HourlyLog } from '../../core/season/log'

const START = 496_000
function logOf(fromH: number, hours: number, value: number): HourlyLog {
  const log = emptyLog(START + fromH, hours)
  log.values.insideC.fill(value)
  return log
}
const fileOf = (id: string, log: HourlyLog | null, days: DailyReading[] = []): Omit<Intake, 'replaced'> => ({
  id,
  name: `${id}.csv`,
  at: '2027-01-09T10:00:00Z',
  how: { columns: ['time', 'insideC'] },
  told: ['read'],
  log,
  days,
  source: null,
})
const day = (date: string, insideMinC: number): DailyReading => ({ ...unreadDay(date), insideMinC })
const sound = <T extends object>(made: T | { fault: string }): T => {
  if ('fault' in made) throw new Error(made.fault as string)
  return made as T
}
const taken = (book: Book, file: Omit<Intake, 'replaced'>): Book => sound(withIntake(book, file)).book
const hour = (book: Book, h: number) => book.log!.values.insideC[START + h - book.log!.startH]

test('files that overlap: the later counts; taken out again, the earlier is as it was', () => {
  const first = taken(emptyBook(), fileOf('a', logOf(0, 48, 5)))
  const both = taken(first, fileOf('b', logOf(24, 48, 9)))
  expect([0, 24, 71].map(h => hour(both, h))).toEqual([5, 9, 9])
  expect(sound(withIntake(first, fileOf('b', logOf(24, 48, 9))))).toMatchObject({ fresh: 24, both: 24, apart: 24 })
  const back = sound(withoutIntake(both, 'b'))
  expect([back.log!.hours, hour(back, 24), back.intakes!.length]).toEqual([48, 5, 1])
  expect(sound(withoutIntake(back, 'a')).log).toBeNull()
  expect(withoutIntake(both, 'c')).toMatchObject({ fault: expect.stringMatching(/not in the book any more/) })
})

test('read again under its own id, a file stands there once, with its new readings', () => {
  const once = taken(emptyBook(), fileOf('a', logOf(0, 24, 50)))
  const again = taken(once, fileOf('a', logOf(0, 24, 10)))
  expect([again.intakes!.length, hour(again, 3)]).toEqual([1, 10])
})

test('readings that are of no file stay when one goes', () => {
  const book: Book = { ...emptyBook(), log: logOf(0, 24, 3) }
  const with2 = taken(book, fileOf('a', logOf(12, 24, 7)))
  expect([hour(with2, 0), hour(with2, 12)]).toEqual([3, 7])
  expect(hour(sound(withoutIntake(with2, 'a')), 12)).toBe(3)
})

test('a table of days: what a hand had written comes back; what was changed since stays', () => {
  const { written } = emptyBook()
  const book: Book = { written: { ...written, days: [day('2027-01-09', 1)] }, log: null }
  const with2 = taken(book, fileOf('d', null, [day('2027-01-09', 4), day('2027-01-10', 5)]))
  expect(with2.written.days.map(d => d.insideMinC)).toEqual([4, 5])
  expect(sound(withoutIntake(with2, 'd')).written.days).toEqual([day('2027-01-09', 1)])
  const changed = { ...with2, written: { ...with2.written, days: [day('2027-01-09', 4), day('2027-01-10', 8)] } }
  expect(sound(withoutIntake(changed, 'd')).written.days.map(d => d.insideMinC)).toEqual([1, 8])
})

test('through a file and back, whatever was taken in and out: the same readings, and the same way to take out', () => {
  const op = fc.record({
    id: fc.constantFrom('a', 'b', 'c'),
    out: fc.boolean(),
    from: fc.integer({ min: 0, max: 10 }),
    value: fc.integer({ min: -20, max: 40 }),
  })
  fc.assert(
    fc.property(fc.array(op, { maxLength: 8 }), ops => {
      let book: Book = { ...emptyBook(), log: logOf(0, 24, 1) }
      for (const { id, out, from, value } of ops) {
        if (!out) book = taken(book, fileOf(id, logOf(from * 24, 24, value)))
        else if (book.intakes?.some(i => i.id === id)) book = sound(withoutIntake(book, id))
      }
      const read = unpackBook(JSON.parse(JSON.stringify(packBook(book))))
      if (!read.ok) throw new Error(JSON.stringify(read.faults))
      expect(read.book.log).toEqual(book.log)
      for (const { id } of book.intakes ?? [])
        expect(sound(withoutIntake(read.book, id)).log).toEqual(sound(withoutIntake(book, id)).log)
    }),
  )
})

test('two books joined: what either has is in it, and nothing twice', () => {
  const a = taken(emptyBook(), fileOf('a', logOf(0, 24, 5)))
  const b = taken(a, fileOf('b', logOf(24, 24, 6)))
  const noted = (book: Book, text: string): Book => ({
    ...book,
    written: { ...book.written, notes: [...book.written.notes, { on: '2027-01-09', text, picture: '' }] },
  })
  const all = sound(joined(noted(noted(a, 'both'), 'one'), noted(noted(b, 'both'), 'other')))
  expect(all.written.notes.map(n => n.text)).toEqual(['both', 'one', 'other'])
  expect(all.intakes!.map(i => i.id).sort()).toEqual(['a', 'b'])
  expect([hour(all, 0), hour(all, 30)]).toEqual([5, 6])
  expect(sound(joined(all, all))).toEqual(all)
})
