import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { AIR_STORES } from '../../core/air-stores/registry'
import { BED_KINDS } from '../../core/beds/registry'
import { BODY_KINDS } from '../../core/bodies/registry'
import { leafNames } from '../../core/design/look'
import { isBedNumbers, isMonths, startOf, type AnyField, type GroupField } from '../../core/design/field'
import { DESIGN } from '../../core/design/types'
import { FANS } from '../../core/fans/registry'
import { OPENING_KINDS, type Opening } from '../../core/openings/registry'
import { usedFields } from '../../core/openings/used'
import { SOURCE_KINDS } from '../../core/sources/registry'

const within = (field: AnyField): AnyField =>
  field.kind === 'optional' || field.kind === 'or null' ? within(field.of) : field
/** What the panels draw a field with: see DesignField. */
const isDrawn = (field: AnyField): boolean =>
  ['number', 'text', 'choice', 'flag'].includes(field.kind) || isMonths(field) || isBedNumbers(field)

const fieldIn = (group: GroupField, name: string): AnyField =>
  within(name.split('.').reduce<AnyField>((g, key) => (within(g) as GroupField).fields[key]!, group))
const kinds = [
  ...BODY_KINDS,
  ...BED_KINDS,
  ...OPENING_KINDS,
  ...SOURCE_KINDS,
  ...FANS.all,
  ...AIR_STORES.all,
] as readonly { kind: string; fields: GroupField }[]

test.each(kinds.map(k => [k.kind, k.fields] as const))('%s: the panels can draw every field of it', (_, fields) => {
  const names = leafNames(fields).filter(name => name !== 'kind')
  expect(names.length).toBeGreaterThan(2)
  expect(names.filter(name => !isDrawn(fieldIn(fields, name)))).toEqual([])
})

/** A thing with each of its choices set in turn: what does nothing as it is set may do something otherwise. */
function* settings(kind: string, fields: GroupField): Generator<Record<string, unknown>> {
  const fresh = { ...(startOf(fields) as Record<string, unknown>), kind }
  yield fresh
  for (const [name, given] of Object.entries(fields.fields)) {
    const field = within(given)
    if (field.kind === 'choice' && name !== 'kind') for (const c of field.choices) yield { ...fresh, [name]: c.id }
    if (field.kind === 'number') yield { ...fresh, [name]: field.high }
  }
}

test.each(OPENING_KINDS.map(k => [k.kind, k.fields] as const))(
  '%s: each of its fields is on the panel',
  (kind, fields) => {
    const shown = new Set<string>()
    for (const first of settings(kind, fields))
      for (const winter of ['as ever', 'shut'])
        for (const winterBy of ['dates', 'cold'])
          for (const days of ['house', 'every day'])
            for (const name of usedFields({ ...first, winter, winterBy, days } as unknown as Opening)) shown.add(name)
    expect(leafNames(fields).filter(name => name !== 'kind' && !shown.has(name))).toEqual([])
  },
)

test.each(SOURCE_KINDS.map(k => [k.kind, k] as const))(
  '%s: each of its fields does something as it may be set',
  (_, k) => {
    const idle = [...settings(k.kind, k.fields)].map(s => k.idle(s as never))
    expect(leafNames(k.fields).filter(name => idle.every(names => names.includes(name)))).toEqual([])
  },
)

/** Leaves of a field that are of no kind, by their paths. */
function plainPaths(field: AnyField, at: string): string[] {
  const inner = within(field)
  if (inner.kind === 'list' && within(inner.of).kind === 'group') return plainPaths(inner.of, `${at}.0`)
  if (inner.kind === 'one of' || (inner.kind === 'list' && inner.of.kind === 'one of')) return []
  if (inner.kind === 'group')
    return Object.entries(inner.fields).flatMap(([name, f]) => plainPaths(f, at === '' ? name : `${at}.${name}`))
  return [at]
}
const sources = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap(e =>
    e.isDirectory()
      ? sources(join(dir, e.name))
      : /\.(vue|ts)$/.test(e.name)
        ? [readFileSync(join(dir, e.name), 'utf8')]
        : [],
  )

test('every other field of the document is named by a screen', () => {
  const said = new Set(sources('app').flatMap(text => text.match(/\w+/g) ?? []))
  const paths = plainPaths(DESIGN, '').filter(path => !path.startsWith('madeToFit'))
  expect(paths.length).toBeGreaterThan(150)
  expect(paths.filter(path => !said.has(path.split('.').at(-1)!))).toEqual([])
})
