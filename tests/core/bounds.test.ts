import { DEMOS, withSharedBranches, type Design } from '../../core/design'
import { designFaults, patchDesign } from '../../core/editing'
import { readDesign } from '../../formats/design-json'

const demo = DEMOS[0]!
const nested = (depth: number) => {
  let inner: unknown = 1
  for (let i = 0; i < depth; i++) inner = { inner }
  return inner
}

test('lists that are too long are one fault, whatever is in them', () => {
  for (const beds of [
    Array.from({ length: 20000 }, () => ({})),
    Array.from({ length: 8000 }, () => null),
    Array.from({ length: 25 }, () => demo.shape.beds[0]),
  ]) {
    expect(designFaults(patchDesign(demo, [['shape.beds', beds]]))).toEqual([
      { path: 'shape.beds', message: 'has too many entries', allowed: '0 to 24' },
    ])
  }
  const far = designFaults({
    ...demo,
    aim: { ...demo.aim, crops: Array.from({ length: 100000 }, () => 'x'.repeat(10)) },
  })
  expect(far).toEqual([{ path: 'aim.crops', message: 'has too many entries', allowed: '0 to 12' }])
})

test('depth, texts and numbers of fields are bounded, and what is past them gives one sentence', () => {
  expect(designFaults({ ...demo, site: nested(5000) })[0]!.message).toBe('lies too deep')
  expect(designFaults({ ...demo, name: 'x'.repeat(1e6) })).toEqual([
    { path: 'name', message: 'is too long', allowed: 'text of at most 2000 characters' },
  ])
  expect(
    designFaults({ ...demo, aim: Object.fromEntries(Array.from({ length: 5000 }, (_, i) => [`k${i}`, i])) })[0]!
      .message,
  ).toBe('has 5000 fields')
  const read = readDesign(JSON.stringify({ ...demo, shape: { ...demo.shape, beds: nested(100) } }))
  expect(read.ok).toBe(false)
})

test('what has not changed in a copy of a document is what it was, by reference; what has changed is not', () => {
  const copy = structuredClone(demo)
  expect(withSharedBranches(copy, demo)).toBe(demo)
  const other: Design = structuredClone(
    patchDesign(demo, [
      ['store.bodies.0.count', 3],
      ['shape.beds.1.widthM', 0.8],
    ]),
  )
  const shared = withSharedBranches(other, demo)
  expect(shared).toEqual(other)
  expect(shared.site).toBe(demo.site)
  expect(shared.skin).toBe(demo.skin)
  expect(shared.store.floor).toBe(demo.store.floor)
  expect(shared.shape.beds[0]).toBe(demo.shape.beds[0])
  expect(shared.shape.beds).not.toBe(demo.shape.beds)
  expect(shared.store.bodies).not.toBe(demo.store.bodies)
  // A list that has grown or shrunk, a key that has come or gone.
  expect(withSharedBranches([1, 2], [1, 2, 3])).toEqual([1, 2])
  expect(withSharedBranches({ a: undefined } as object, {})).toEqual({ a: undefined })
  expect(withSharedBranches({ a: 1 } as object, { a: 1, b: 2 })).toEqual({ a: 1 })
})
