import fc from 'fast-check'
import { DEMOS, migrateDesign, SCHEMA_VERSION, valueAt, type Design } from '../../core/design'
import { fieldFaults } from '../../core/design/validate'
import { filled } from '../../core/design/complete'
import { DESIGN } from '../../core/design/types'
import { designFaults, documentFaults, patchDesign } from '../../core/editing'
import { readDesign, writeDesign } from '../../formats/design-json'
import { valuesOf } from '../field-values'

const [demo] = DEMOS as [Design]
const designs = valuesOf(DESIGN, path => valueAt(demo, path)).map(d => ({
  ...(d as Design),
  schemaVersion: SCHEMA_VERSION,
}))

test('whatever the table of fields allows, the validator made of it takes', () => {
  fc.assert(
    fc.property(designs, d => {
      expect(fieldFaults(d)).toEqual([])
    }),
    { numRuns: 200 },
  )
})

test('whatever it allows is read back from its file as it was written, or told by sentences why not', () => {
  fc.assert(
    fc.property(designs, d => {
      const back = readDesign(writeDesign(d))
      const faults = documentFaults(d)
      if (faults.length === 0) {
        expect(back).toEqual({ ok: true, design: d, studies: null })
      } else {
        expect(back.ok).toBe(false)
        for (const f of faults) {
          expect(f.message).toMatch(/\S/)
          expect(f.allowed).toMatch(/\S/)
        }
      }
    }),
    { numRuns: 150 },
  )
})

test('a whole document is not touched by filling in and bringing forward', () => {
  fc.assert(
    fc.property(designs, d => {
      expect(filled(DESIGN, d)).toBe(d)
      expect(migrateDesign(d)).toBe(d)
    }),
    { numRuns: 150 },
  )
})

test('one list of a demo made anew: the fields are sound, and what does not go together is told', () => {
  const lists = [
    'topUp.sources',
    'store.airStores',
    'store.bodies',
    'skin.openings',
    'shape.beds',
    'aim.crops',
  ] as const
  let sound = 0
  fc.assert(
    fc.property(fc.constantFrom(...DEMOS), fc.constantFrom(...lists), designs, (d, list, other) => {
      const mixed = patchDesign(d, [[list, valueAt(other, list)]])
      expect(fieldFaults(mixed)).toEqual([])
      const faults = designFaults(mixed)
      if (faults.length === 0) sound++
      for (const f of faults) expect(f.allowed).toMatch(/\S/)
    }),
    { numRuns: 200 },
  )
  expect(sound).toBeGreaterThan(40)
})
