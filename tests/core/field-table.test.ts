import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { anAirStore } from '../../core/air-stores/registry'
import { DEMOS, type Design, fieldAt, fieldRule, numberAt, pathInWords, rangeOf, valueAt } from '../../core/design'
import { fieldFaults } from '../../core/design/validate'
import type { AnyField } from '../../core/design/field'
import { formatPage } from '../../cli/format-page'
import { DESIGN } from '../../core/design/types'
import { patchDesign } from '../../core/editing'
import { aFan } from '../../core/fans/registry'
import { withAirStores, withFans } from '../added'

const FIRST = ['bed', 'drums', 'vent', 'heater', 'earth store', 'extract fan'] as const
/** The third demo, with something in each list. */
const house: Design = withFans(withAirStores(DEMOS[2]!, anAirStore('earth store')), aFan('extract fan'))

/** Every field of the table with its path; members of lists stand at their first. */
function all(field: AnyField = DESIGN, path = ''): { path: string; field: AnyField }[] {
  const own = path === '' ? [] : [{ path, field }]
  const within = field.kind === 'optional' || field.kind === 'or null' ? field.of : field
  // Of several kinds, the one that the house below begins with.
  const inner = within.kind === 'one of' ? FIRST.map(kind => within.kinds[kind]).find(f => f)! : within
  if (inner.kind === 'group')
    return [...own, ...Object.entries(inner.fields).flatMap(([k, f]) => all(f, path ? `${path}.${k}` : k))]
  return inner.kind === 'list' ? [...own, ...all(inner.of, `${path}.0`)] : own
}

test('numbers start within their limits, sliders lie within them, and choices start at one of their own', () => {
  for (const { path, field } of all()) {
    if (field.kind === 'number') {
      expect([path, field.low <= field.high]).toEqual([path, true])
      if (field.start !== undefined)
        expect([path, field.start >= field.low && field.start <= field.high]).toEqual([path, true])
      expect([path, field.usual[0] >= field.low && field.usual[1] <= field.high]).toEqual([path, true])
      expect([path, field.quantity !== null || field.unit !== '']).toEqual([path, true])
    }
    if (field.kind === 'choice' && field.start !== undefined)
      expect([path, field.choices.some(c => c.id === field.start)]).toEqual([path, true])
  }
})

test('a field is found by its path, written either way; nothing is found where nothing is', () => {
  expect(fieldAt('shape.beds[3].widthM')).toBe(fieldAt('shape.beds.0.widthM'))
  expect(rangeOf('store.bodies.0.stack')).toEqual([1, 3])
  // Which kind a body is of, the design says.
  expect(fieldAt('store.bodies.0.heightM', DEMOS[0]!)).toBeNull()
  expect(rangeOf('store.bodies.0.heightM', DEMOS[3]!)).toEqual([0.2, 3])
  expect(fieldRule('skin.wall[0].framing')).toEqual({ low: 0, high: 0.4, whole: false })
  expect(fieldRule('aim.practical.power')).toEqual({ choices: [true, false] })
  expect(fieldRule('shape.form')).toEqual({ choices: expect.arrayContaining(['shed', 'dome']) })
  for (const path of [
    '',
    'shape.nothing',
    'shape.beds.first',
    'shape.beds.0.widthM.more',
    'toString',
    'shape.__proto__',
  ])
    expect([path, fieldAt(path)]).toEqual([path, null])
  expect(() => numberAt('shape.form')).toThrow(/no number shape\.form/)
  expect(valueAt(DEMOS[0]!, 'shape.beds[0].widthM')).toBe(DEMOS[0]!.shape.beds[0]!.widthM)
  expect(valueAt(DEMOS[0]!, 'shape.beds[9].widthM')).toBeUndefined()
})

test('a value outside its field’s limits, or of another kind, is named by its path, whichever field it is', () => {
  const single = all().filter(f => ['number', 'choice', 'flag', 'text'].includes(f.field.kind))
  const there = single.filter(f => f.path !== 'schemaVersion' && valueAt(house, f.path) !== undefined)
  expect(there.length).toBeGreaterThan(150)
  const bad = fc.constantFrom<unknown>(1e12, -1e12, NaN, null, [], {}, true, 'no such thing', '1')
  fc.assert(
    fc.property(fc.constantFrom(...there), bad, ({ path, field }, value) => {
      fc.pre(!(field.kind === 'flag' && value === true))
      fc.pre(!(field.kind === 'text' && typeof value === 'string'))
      const faults = fieldFaults(patchDesign(house, [[path, value]]))
      const dotted = (p: string) => p.replace(/\[(\d+)\]/g, '.$1')
      expect(faults.map(f => dotted(f.path))).toEqual([path])
      expect(faults[0]!.message).toMatch(/^(is|has) |is not known$/)
      expect(faults[0]!.allowed.length).toBeGreaterThan(3)
    }),
    { numRuns: 600 },
  )
})

test('every field has a name for the reader, and says it in a sentence', () => {
  for (const { path, field } of all()) {
    if (field.kind === 'optional' || field.kind === 'one of' || path === 'site.climate') continue
    const words = pathInWords(path.replace(/\.(\d+)/g, '[$1]'), DEMOS[2]!)
    // The last word said is the field's own, not its group's.
    const own = field.label.replace('#', '1').toLowerCase()
    expect([path, own === '' || words.toLowerCase().endsWith(own)]).toEqual([path, true])
    expect([path, words]).not.toEqual([path, 'The design'])
    expect(words).not.toMatch(/#|undefined/)
  }
})

test('the page of the format is as the table has it', () => {
  const page = readFileSync('docs/design-format.md', 'utf8')
  // Made by `npm run format-page`.
  expect(page).toBe(formatPage())
  expect(page).toMatch(/\| `store\.bodies\[\]\.count` \| whole, 1 to 2000 \|/)
})
