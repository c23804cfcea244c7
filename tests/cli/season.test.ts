import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import ical from 'node-ical'
import { DEMOS, type Design } from '../../core/design'
import { isoDay } from '../../core/plan/calendar'
import { readingsOf } from '../season-log'
import { tierra } from '../shared/tierra'

const [ash] = DEMOS as [Design]
const folder = mkdtempSync(join(tmpdir(), 'tierra-season-'))
const at = (name: string) => join(folder, name)
const design = at('ash.json')
writeFileSync(design, JSON.stringify(ash))
/** As a logger would write it. */
function csv(days: number, sensor = (v: number) => v): string {
  const log = readingsOf(ash, { seed: 79, from: '2026-11-20', days })
  const rows = Array.from(log.values.insideC, (v, i) => {
    const h = log.startH + i
    const stamp = `${isoDay(Math.floor(h / 24))}T${String(h % 24).padStart(2, '0')}:00:00+01:00`
    return `${stamp},${sensor(v)},${log.values.outsideC[i]}`
  })
  return `time,inside_C,outside_C\n${rows.join('\n')}\n`
}

test('fit: what the readings say, with ranges, before and after; hours of a stuck sensor are left out', async () => {
  writeFileSync(at('log.csv'), csv(21))
  let hour = 0
  writeFileSync(
    at('stuck.csv'),
    csv(21, v => (hour++ > 250 && hour < 290 ? 7.7 : v)),
  )
  const { code, err, json } = await tierra('fit', design, at('stuck.csv'))
  expect(code).toBe(0)
  expect(err).toMatch(/insideC stuck for \d+ hours: left out/)
  const told = json()
  expect(told.hours).toBe((21 - 4) * 24 - 38)
  expect(told.rmseAfterK).toBeLessThan(told.rmseBeforeK)
  const leaks = told.found.find((f: { path: string }) => f.path === 'breathe.ach50')
  for (const name of ['what', 'path', 'was', 'now', 'low', 'high', 'sure']) expect(leaks).toHaveProperty(name)
  expect(leaks.low).toBeLessThan(18)
  expect(leaks.high).toBeGreaterThan(18)
  expect(told.explains).toMatch(/air leaks/)
}, 300_000)

test('tonight: each night with its range and what to do, with readings or without; wrong files are told', async () => {
  const days = [{ date: '2027-01-04', lowC: -14, highC: -3, sky: 'clear', windMs: 2, snow: false }]
  writeFileSync(at('f.json'), JSON.stringify({ days }))
  const { nights } = (await tierra('tonight', design, '--forecast', at('f.json'))).json()
  expect(nights).toHaveLength(1)
  for (const name of ['date', 'insideMinC', 'low', 'high', 'leafMinC', 'do']) expect(nights[0]).toHaveProperty(name)
  expect(nights[0].do[0]).toEqual(expect.objectContaining({ what: expect.any(String), when: expect.any(String) }))
  const read = (await tierra('tonight', design, '--forecast', at('f.json'), '--log', at('log.csv'))).json()
  expect(read.learntFrom).toBeGreaterThan(4)
  expect(read.nights[0].insideMinC).not.toBe(nights[0].insideMinC)
  writeFileSync(at('bad.json'), '{"days":[{"date":"soon","lowC":1,"highC":2}]}')
  const bad = await tierra('tonight', design, '--forecast', at('bad.json'))
  expect([bad.code, bad.err]).toEqual([2, expect.stringMatching(/days\[0\]\.date: is no day; allowed/)])
  expect((await tierra('tonight', design)).code).toBe(2)
}, 200_000)

test('tasks: with dates, from a day on, and as a calendar that another reads', async () => {
  const told = (await tierra('tasks', design, '--from', '2026-09-01', '--ics', at('tasks.ics'))).json() as {
    id: string
    from: string
  }[]
  expect(told.length).toBeGreaterThan(6)
  const events = Object.values(ical.sync.parseICS(readFileSync(at('tasks.ics'), 'utf8'))).filter(
    e => e?.type === 'VEVENT',
  )
  expect(events).toHaveLength(told.length)
  expect(await tierra('tasks', design, '--from', 'soon')).toMatchObject({
    code: 2,
    err: expect.stringMatching(/not a day/),
  })
})

test('fit: a log without outside, or of no table, is refused in a sentence', async () => {
  writeFileSync(at('inside.csv'), 'time,inside_C\n2027-01-04T10:00Z,5\n')
  expect(await tierra('fit', design, at('inside.csv'))).toMatchObject({
    code: 2,
    err: expect.stringMatching(/outside/),
  })
  writeFileSync(at('none.csv'), 'hello\n')
  expect(await tierra('fit', design, at('none.csv'))).toMatchObject({ code: 2, err: expect.stringMatching(/no table/) })
})
