import fc from 'fast-check'
import { DEMOS, migrateDesign, fieldAt, numberAt, valueAt, type Design } from '../../core/design'
import { designFaults, patchDesign } from '../../core/editing'
import { readEpw } from '../../formats/epw'
import { readDesign } from '../../formats/design-json'
import { createYearEngine } from '../../core/year'
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

test('a design with anything anywhere: faults or soundness, never a crash; 10 000 cases', () => {
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
        for (const f of designFaults(migrateDesign(design))) {
          expect(f.message.length).toBeGreaterThan(3)
          expect(f.allowed.length).toBeGreaterThan(0)
          expect(f.message).not.toMatch(/undefined|\[object|must be|cannot be null/)
        }
      },
    ),
    { numRuns: 10000 },
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

test('sound designs anywhere in their ranges: no NaN in any answer, the books close', () => {
  const engine = createYearEngine()
  const numbers = leaves.filter(
    p =>
      fieldAt(p, DEMOS[1]!)?.kind === 'number' &&
      !p.startsWith('site.') &&
      typeof p.split('.').reduce<unknown>((n, k) => (n as Record<string, unknown>)[k], DEMOS[1]) === 'number',
  )
  const wild = fc.array(fc.tuple(fc.constantFrom(...numbers), fc.double({ min: 0, max: 1, noNaN: true })), {
    minLength: 1,
    maxLength: 12,
  })
  let sound = 0
  fc.assert(
    fc.property(fc.nat(DEMOS.length - 1), wild, (demo, changes) => {
      let design: Design = DEMOS[demo]!
      for (const [path, share] of changes) {
        if (typeof valueAt(design, path) !== 'number') continue
        const { low, high, whole } = numberAt(path, design)
        const value = low + (high - low) * share
        const next = patchDesign(design, [[path, whole ? Math.round(value) : value]])
        // One wild change at a time: what would break the design is left out.
        if (designFaults(next).length === 0) design = next
      }
      sound++
      const { answers } = engine.run(design, { stepsPerHour: 1 })
      const bad = JSON.stringify(answers, (_, v) =>
        typeof v === 'number' && !Number.isFinite(v) ? 'BROKEN' : (v as unknown),
      ).includes('BROKEN')
      expect(bad).toBe(false)
      expect(answers.ledger.closure).toBeLessThan(0.001)
      expect(answers.coldestNight.insideC).toBeGreaterThan(answers.coldestNight.outsideC - 30)
      expect(answers.hottestAfternoon.insideC).toBeLessThan(150)
    }),
    { numRuns: 40 },
  )
  expect(sound).toBe(40)
})
