import fc from 'fast-check'
import type { AnyField } from '../core/design/field'

/** Any value that a field of the table allows; what only a function of its own can tell stands at `given`. */
export function valuesOf(field: AnyField, given: (path: string) => unknown, path = ''): fc.Arbitrary<unknown> {
  switch (field.kind) {
    case 'number':
      return field.whole
        ? fc.integer({ min: Math.ceil(field.low), max: Math.floor(field.high) })
        : fc.double({ min: field.low, max: field.high, noNaN: true }).map(v => (Object.is(v, -0) ? 0 : v))
    case 'choice':
      return fc.constantFrom(...field.choices.map(c => c.id))
    case 'flag':
      return fc.boolean()
    case 'text':
      return fc
        .tuple(
          fc
            .string({ minLength: Math.max(1, field.least), maxLength: Math.min(12, field.longest) })
            .map(t => t.replaceAll(/^\s|\s$/g, '-')),
          fc.integer({ min: 0, max: 40_000 }).map(day => new Date(day * 86_400_000).toISOString().slice(0, 10)),
          fc.integer({ min: 0, max: 364 }).map(day => new Date((day + 365) * 86_400_000).toISOString().slice(5, 10)),
        )
        .map(texts => texts.find(t => field.check(t) === null) ?? given(path))
    case 'list':
      return fc.array(valuesOf(field.of, given, `${path}[]`), {
        minLength: field.least,
        maxLength: Math.min(field.most, field.least + 3),
      })
    case 'or null':
      return fc.oneof(fc.constant(null), valuesOf(field.of, given, path))
    case 'optional':
      return fc.oneof(fc.constant(undefined), valuesOf(field.of, given, path))
    case 'one of':
      return fc.oneof(...Object.values(field.kinds).map(kind => valuesOf(kind, given, path)))
    case 'checked':
      return fc.constant(given(path))
    case 'group':
      return fc
        .record(
          Object.fromEntries(
            Object.entries(field.fields).map(([name, f]) => [
              name,
              valuesOf(f, given, path ? `${path}.${name}` : name),
            ]),
          ),
        )
        .map(record => Object.fromEntries(Object.entries(record).filter(([, v]) => v !== undefined)))
  }
}
