import fc from 'fast-check'
import DxfParser from 'dxf-parser'
import { DEMOS, type Design } from '../../core/design'
import { documentFaults } from '../../core/editing'
import { drawView } from '../../core/drawings/views'
import { words } from '../../core/drawings/drawing'
import { controlIn, oneLine, withoutControls } from '../../core/text/control'
import { asciiText } from '../../formats/ascii'
import { writeDrawingDxf } from '../../formats/drawing-dxf'
import { writeDrawingSvg } from '../../formats/drawing-svg'
import { writeEpw } from '../../formats/epw-write'
import { writeTakeoffCsv } from '../../formats/takeoff-csv'
import { writeTasksIcs } from '../../formats/tasks-ics'
import { createYearEngine } from '../../core/year'
import { takeoff } from '../../core/takeoff/takeoff'

const demo = DEMOS[0]!
const named = (name: string): Design => ({ ...demo, name })

test.each([
  ['a line of another file', 'House\r\n  0\r\nLINE'],
  ['a bell', 'House\u0007'],
  ['an escape', 'House\u001b[2J'],
  ['a line separator', 'House\u2028'],
  ['text turned about', 'House\u202egnp.exe'],
  ['half a sign', 'House\ud800'],
])('%s in a name is refused, and says which sign it is', (_, name) => {
  expect(documentFaults(named(name))[0]).toMatchObject({
    path: 'name',
    message: expect.stringMatching(/holds a character that nobody sees \(U\+[0-9A-F]{4}\)/),
  })
})

test('what people write is no such sign: accents, other scripts, emoji; notes may have lines, names may not', () => {
  for (const name of ['Gärtnerei Müller', 'Серра', '温室 2', 'Tomato 🍅 house', 'O’Brien “east”'])
    expect(documentFaults(named(name))).toEqual([])
  expect(controlIn('a\nb\tc', { lines: true })).toBeNull()
  expect(controlIn('a\nb', { lines: false })).toBe('U+000A')
})

test('any text becomes one line that holds none; what holds none is handed on as it is', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), text => {
      expect(controlIn(oneLine(text), { lines: false })).toBeNull()
      expect(controlIn(withoutControls(text), { lines: true })).toBeNull()
      expect(asciiText(text)).toMatch(/^[\x20-\x7e]*$/)
    }),
  )
  const plain = { a: [1, 2], b: [{ c: 'x\ny' }] }
  expect(withoutControls(plain)).toBe(plain)
  expect(withoutControls({ a: ['x\u0000y'], n: [1] })).toEqual({ a: ['x y'], n: [1] })
})

test('a name that got in all the same steers no file: DXF, SVG and calendars stay what they are', () => {
  const steering = named('Mill\n  0\nLINE\n  8\n<script>&\u0000\u2028"')
  const plan = drawView(steering, { view: 'section', scale: 50 })!
  const word = words([0, 0], steering.name)
  const drawing = { ...plan, items: [...plan.items, word] }
  const lines = (d: typeof plan) => new DxfParser().parseSync(writeDrawingDxf(d, 50))!.entities
  const before = lines(plan)
  const after = lines(drawing)
  expect(after.length).toBe(before.length + 1)
  expect(after.filter(e => e.type === 'LINE').length).toBe(before.filter(e => e.type === 'LINE').length)
  const ics = writeTasksIcs([], steering)
  expect(ics.split(/\r\n/).filter(l => l === 'LINE' || l === '  0')).toEqual([])
  const svg = writeDrawingSvg({
    wideMm: 100,
    highMm: 100,
    lines: [],
    words: [{ at: [1, 1], text: steering.name, heightMm: 3, align: 'left' }],
    title: steering.name,
  } as never)
  expect(controlIn(svg, { lines: true })).toBeNull()
  expect(svg).toContain('&lt;script&gt;&amp;')
  const place = { ...demo.site, place: steering.name }
  const epw = writeEpw(place, createYearEngine().site(demo))
  expect(epw.split('\n')).toHaveLength(8 + 8760 + 1)
  expect(epw.split('\n')[0]!.split(',')).toHaveLength(10)
  const note = { line: takeoff(demo).lines[0]!.id, supplier: steering.name, note: '', price: null }
  const csv = writeTakeoffCsv(takeoff(demo), { build: { ...demo.build, notes: [note as never] } })
  expect(csv.trim().split('\n')).toHaveLength(takeoff(demo).lines.length + 2)
})
