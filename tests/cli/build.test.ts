import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { takeoff } from '../../core/takeoff/takeoff'
import { writeTakeoffCsv } from '../../formats/takeoff-csv'
import { tierra } from '../shared/tierra'

const [ash, ribera] = DEMOS as [Design, Design]
const folder = mkdtempSync(join(tmpdir(), 'tierra-build-'))
const at = (name: string) => join(folder, name)
const design = at('ash.json')
writeFileSync(design, JSON.stringify(ash))

test('simulate tells what the house costs by its list, and each opening by its leaves', async () => {
  const { json } = await tierra('simulate', design)
  const { cost, openings } = json() as {
    cost: { build: number; running: number; currency: string }
    openings: { name: string; count: number; clearM2: number; freeM2: number; uShut: number }[]
  }
  const { total, currency } = (await tierra('takeoff', design)).json() as { total: number; currency: string }
  expect(cost).toEqual({ build: total, running: expect.any(Number), currency })
  // Thirteen sheets of 0.59 × 0.45 m in double glass; a door of panel.
  expect(openings[0]).toMatchObject({ count: 13, clearM2: expect.closeTo(13 * 0.59 * 0.45, 6), uShut: 2.8 })
  const door = openings.find(o => o.name === 'Door')!
  expect([door.count, door.clearM2]).toEqual([1, expect.closeTo(1.8, 6)])
  expect(door.uShut).toBeLessThan(1)
})

test('takeoff: every line with what it costs, and the same as CSV', async () => {
  const { code, json } = await tierra('takeoff', design, '--csv', at('lines.csv'))
  expect(code).toBe(0)
  const told = json()
  for (const name of ['id', 'stage', 'part', 'item', 'amount', 'unit', 'waste', 'buy', 'pack', 'price', 'cost'])
    expect(told.lines[0]).toHaveProperty(name)
  expect(told.currency).toBe('EUR')
  expect(told.spoilM3).toBeGreaterThan(told.digM3)
  const { data } = Papa.parse<Record<string, string>>(readFileSync(at('lines.csv'), 'utf8').trim(), { header: true })
  expect(data).toHaveLength(told.lines.length + 1)
  expect(Number(data.at(-1)!['cost, EUR'])).toBeCloseTo(told.total, 2)
})

test('cuts: members with saw angles, lumber and sheets as they are cut', async () => {
  const told = (await tierra('cuts', design)).json() as Record<string, unknown>[]
  const rafter = told.find(c => c.member === 'rafter' && c.part === 'sunny slope')!
  expect(rafter).toMatchObject({ count: 4, section: null, cuts: ['level', 'plumb'] })
  expect((rafter.angles as number[]).map(a => a.toFixed(1))).toEqual(['58.1', '31.9'])
  expect(told.some(c => 'lumber' in c)).toBe(true)
  expect(told.some(c => c.sheet === 'twinwall-10' && 'lengthM' in c)).toBe(true)
})

test('draw: three files at one scale; what is wrong is told, and nothing written', async () => {
  const files = ['svg', 'dxf', 'pdf'].flatMap(kind => [`--${kind}`, at(`section.${kind}`)])
  expect((await tierra('draw', design, '--view', 'section', ...files)).json()).toMatchObject({ scale: 50, paper: 'A4' })
  expect(readFileSync(at('section.svg'), 'utf8')).toContain('width="297mm"')
  expect(readFileSync(at('section.pdf'), 'latin1')).toMatch(/^%PDF-/)
  const elevation = await tierra(
    'draw',
    design,
    '--view',
    'elevation',
    '--svg',
    at('e.svg'),
    '--paper',
    'A3',
    '--scale',
    '50',
  )
  expect(elevation.json()).toMatchObject({ view: 'sunny', paper: 'A3', scale: 50 })
  for (const [args, words] of [
    [['--view', 'attic', '--svg', at('x.svg')], /“attic” is not known; allowed: section, plan/],
    [['--view', 'section'], /nothing to write/],
    [['--view', 'section', '--svg', at('x.svg'), '--paper', 'A9'], /--paper: “A9”/],
    [['--view', 'section', '--svg', at('x.svg'), '--scale', '10'], /does not fit on A4/],
    [['--view', 'pipes', '--svg', at('x.svg')], /no pipes to draw/],
  ] as [string[], RegExp][]) {
    const { code, err } = await tierra('draw', design, ...args)
    expect([code, words.test(err)]).toEqual([2, true])
  }
})

test('plan: tasks on days, as a calendar too; a day that is none is told', async () => {
  const told = (await tierra('plan', design, '--start', '2027-04-05', '--ics', at('plan.ics'))).json()
  expect(told[0].from).toBe('2027-04-05')
  expect(readFileSync(at('plan.ics'), 'utf8').match(/BEGIN:VEVENT/g)).toHaveLength(told.length)
  expect((await tierra('plan', design, '--start', '2027-02-30')).err).toMatch(
    /“2027-02-30” is not a day; allowed: a day such/,
  )
  expect((await tierra('plan', design)).err).toMatch(/--start: is missing/)
})

describe('the take-off as a table', () => {
  test('what a spreadsheet would run is kept as words; supplier and note stand with their line', () => {
    const { lines } = takeoff(ash)
    const noted = patchDesign(ash, [
      ['build.notes', [{ line: lines[0]!.id, supplier: '=HYPERLINK("x")', note: 'by Friday', mine: 0 }]],
    ])
    const { data } = Papa.parse<Record<string, string>>(writeTakeoffCsv(takeoff(noted), noted).trim(), { header: true })
    expect(data[0]!.supplier).toBe('\'=HYPERLINK("x")')
    expect(data[0]!.note).toMatch(/by Friday$/)
  })

  test('pipes with all that joins them, on the house that has an earth store', () => {
    const of = (item: RegExp) => takeoff(ribera).lines.find(l => item.test(l.item))!
    // Twelve pipes as long as they lie, 11 m each: two lengths of 6 m and one coupler to each.
    expect(of(/^Pipe, /).amount).toBeCloseTo(12 * 11, 6)
    expect(of(/^Couplers/).buy).toBe(12)
    expect(of(/^Pins/).buy).toBe(132)
    expect(of(/Duct fan/).amount).toBeGreaterThan(0)
  })
})
