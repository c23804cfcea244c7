import fc from 'fast-check'
import { DEMOS } from '../../core/design'
import { broughtForward, designFaults, patchDesign } from '../../core/editing'
import { readEpw } from '../../formats/epw'
import { readDesign } from '../../formats/design-json'
import { epwText } from '../formats/epw-file'

const leaves: string[] = []
const walk = (node: unknown, path: string) => {
  if (typeof node === 'object' && node !== null)
    for (const [key, value] of Object.entries(node)) walk(value, path ? `${path}.${key}` : key)
  else leaves.push(path)
}
walk(DEMOS[1], '')

const strange = fc.oneof(
  fc.constantFrom(
    NaN,
    Infinity,
    -Infinity,
    -1,
    0,
    1e308,
    -1e-308,
    null,
    undefined,
    '',
    'x',
    [],
    {},
    true,
    'a'.repeat(500),
  ),
  fc.double(),
  fc.string({ maxLength: 8 }),
  fc.integer(),
)

test('a design with anything anywhere: faults or soundness, never a crash; 2 000 cases', () => {
  fc.assert(
    fc.property(
      fc.nat(DEMOS.length - 1),
      fc.array(fc.tuple(fc.constantFrom(...leaves), strange), { minLength: 1, maxLength: 3 }),
      (demo, changes) => {
        let design = DEMOS[demo]!
        for (const [path, value] of changes) {
          try {
            design = patchDesign(design, [[path, value]])
          } catch (error) {
            expect(error).toBeInstanceOf(RangeError)
          }
        }
        for (const f of designFaults(broughtForward(design))) {
          expect(f.message.length).toBeGreaterThan(3)
          expect(f.allowed.length).toBeGreaterThan(0)
          expect(f.message).not.toMatch(/undefined|\[object|must be|cannot be null/)
        }
      },
    ),
    { numRuns: 2000 },
  )
})

test('any text as a design or as weather: an answer in words; 10 000 cases', () => {
  const head = epwText().split('\n').slice(0, 12).join('\n')
  const text = fc.oneof(
    fc.string({ maxLength: 300 }),
    fc.json(),
    fc
      .tuple(fc.nat(head.length), fc.string({ maxLength: 6 }), fc.nat(40))
      .map(([at, put, cut]) => head.slice(0, at) + put + head.slice(at + cut)),
  )
  fc.assert(
    fc.property(text, t => {
      const design = readDesign(t)
      if (!design.ok) expect(design.faults.length).toBeGreaterThan(0)
      const epw = readEpw(t, 'x.epw')
      if (!epw.ok) expect(epw.message.length).toBeGreaterThan(10)
    }),
    { numRuns: 10000 },
  )
})
