import fc from 'fast-check'
import { DEMOS } from '../../core/design'
import type { AnyField } from '../../core/design/field'
import { DESIGN } from '../../core/design/types'
import { TERMS, termsIn } from '../../core/words/glossary'
import { ALL_WHYS, whyOf } from '../../core/words/whys'

/** Every field that somebody can set, by a path that leads to it. */
function paths(field: AnyField, at: string): string[] {
  if (field.kind === 'or null' || field.kind === 'optional') return paths(field.of, at)
  if (field.kind === 'list' && (field.of.kind === 'group' || field.of.kind === 'one of'))
    return paths(field.of, `${at}.0`)
  if (field.kind === 'one of') return Object.values(field.kinds).flatMap(group => paths(group, at))
  if (field.kind === 'group')
    return Object.entries(field.fields).flatMap(([name, inner]) => paths(inner, at === '' ? name : `${at}.${name}`))
  return [at]
}
/** What no screen sets by hand. */
const NOT_SET = /^(schemaVersion|id|name|decided|madeToFit.*|site\.notes.*)$|\.kind$|crops\.0\.id$/

test('every field of the document that somebody sets says why it matters', () => {
  const without = [...new Set(paths(DESIGN, ''))].filter(p => !NOT_SET.test(p) && whyOf(p) === null)
  expect(without).toEqual([])
})

test('a why knows what the field belongs to', () => {
  const [ash] = DEMOS
  expect(whyOf('store.bodies.0.atM', ash!)).toMatch(/works twice/)
  expect(whyOf('shape.beds.0.atM', ash!)).toMatch(/sun reaches furthest/)
  expect(whyOf('topUp.sources.0.setPointC', ash!)).toMatch(/keep what lives/)
  expect(whyOf('shape.kneeWallM')).toMatch(/snow and splash/)
})

const UNITS =
  /\b(\d+(\.\d+)?\s?(m|cm|mm|km|kg|°C|°F|ft|in|lb|gal|L|W\/m²K|Pa))\b|\bmetres?\b|\bfeet\b|\binches\b|\btonnes?\b/
test('whys and words name no unit, so that they are true for metric readers and US ones alike', () => {
  for (const [name, why] of ALL_WHYS) expect(`${name}: ${UNITS.exec(why)?.[0] ?? ''}`).toBe(`${name}: `)
  for (const t of TERMS) expect(`${t.term}: ${UNITS.exec(t.text)?.[0] ?? ''}`).toBe(`${t.term}: `)
})

test('each word stands once, is a sentence or more, and nothing is a word for two terms', () => {
  const leads = TERMS.flatMap(t => [t.term, ...(t.also ?? [])].map(w => w.toLowerCase()))
  expect(leads.filter((w, i) => leads.indexOf(w) !== i)).toEqual([])
  expect(new Set(TERMS.map(t => t.id)).size).toBe(TERMS.length)
  for (const t of [...TERMS.map(x => x.text), ...ALL_WHYS.map(w => w[1])]) expect(t).toMatch(/^[A-Z].*[.!?]$/s)
})

test('terms are found in texts as whole words, the longest first, in any case', () => {
  expect(termsIn('A ridge vent over the knee wall').map(t => t.id)).toEqual(['ridge-vent', 'knee-wall'])
  expect(termsIn('Light at the beds, DLI').map(t => t.id)).toEqual(['dli'])
  expect(termsIn('R20 or R 20').map(t => t.id)).toEqual(['r-value'])
  expect(termsIn('recover the cartridge')).toEqual([])
  fc.assert(
    fc.property(fc.constantFrom(...TERMS), fc.lorem(), ({ term, id }, words) => {
      expect(termsIn(`${words} ${term} ${words}`).map(t => t.id)).toContain(id)
    }),
  )
})
