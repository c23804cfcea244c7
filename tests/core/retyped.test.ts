import fc from 'fast-check'
import { DESIGN } from '../../core/design/types'
import type { AnyField, NumberField } from '../../core/design/field'
import { formatQuantity, parseRetyped, type Quantity, type UnitSystem } from '../../core/units'

/** Every field of the document that holds an amount. */
function amounts(field: AnyField, path: string): [path: string, field: NumberField][] {
  switch (field.kind) {
    case 'number':
      return field.quantity === null ? [] : [[path, field]]
    case 'group':
      return Object.entries(field.fields).flatMap(([name, f]) => amounts(f as AnyField, `${path}.${name}`))
    case 'list':
      return amounts(field.of, `${path}.0`)
    case 'one of':
      return Object.entries(field.kinds).flatMap(([kind, f]) => amounts(f as AnyField, `${path}.${kind}`))
    case 'or null':
    case 'optional':
      return amounts(field.of, path)
    default:
      return []
  }
}
const FIELDS = amounts(DESIGN as AnyField, 'design')
const SYSTEMS: UnitSystem[] = ['metric', 'us', 'mixed']
/** As people of other places type what they see. */
const TYPED: ((shown: string) => string)[] = [
  s => s,
  s => s.replace(/(?<=\d)\.(?=\d)/, ','),
  s => s.replaceAll(/[\u00a0\u202f]/g, ' '),
  s => ` ${s.replace('−', '-')} `,
  s => s.replace(/\u00a0ft(?=$| \d) ?/, "' ").replace(/\u00a0in$/, '"'),
]

test(`what is typed again as it stands changes nothing: ${FIELDS.length} fields, all units`, () => {
  expect(FIELDS.length).toBeGreaterThan(150)
  for (const [path, { low, high, quantity }] of FIELDS)
    fc.assert(
      fc.property(fc.double({ min: low, max: high, noNaN: true }), fc.constantFrom(...SYSTEMS), (value, system) => {
        const shown = formatQuantity(value, quantity as Quantity, system)
        for (const typed of TYPED) {
          const text = typed(shown)
          // A comma before three figures could be two numbers, and is asked about.
          if (/\d,\d{3}(?!\d)/.test(text)) continue
          const read = parseRetyped(text, quantity as Quantity, system, value)
          if (!read.ok || !Object.is(read.value, value)) throw new Error(`${path}: ${value} shown as ${shown}, ${text}`)
        }
      }),
      { numRuns: 25 },
    )
})

test('what is typed otherwise is taken, however near it is', () => {
  // 4.2 m is shown as 13 ft 9 in, which is 4.191 m.
  expect(parseRetyped('13 ft 9 in', 'length', 'us', 4.2)).toMatchObject({ value: 4.2, unchanged: true })
  expect(parseRetyped('4.191 m', 'length', 'us', 4.2)).toEqual({ ok: true, value: 4.191 })
  expect(parseRetyped('13.75', 'length', 'us', 4.2).ok && parseRetyped('13.75', 'length', 'us', 4.2)).toMatchObject({
    value: expect.closeTo(4.191, 9),
  })
  expect(parseRetyped('13 ft 10 in', 'length', 'us', 4.2)).not.toHaveProperty('unchanged')
  expect(parseRetyped('5', 'length', 'us', null)).toMatchObject({ ok: true })
})
