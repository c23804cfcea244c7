import { pond, tank, wall } from '../bodies'
import fc from 'fast-check'
import { BED_KINDS } from '../../core/beds/registry'
import { bedAt, benchAt, FORMS, type Design } from '../../core/design'
import {
  broughtForward,
  clearances,
  designFaults,
  freeBed,
  patchDesign,
  placed,
  resized,
  things,
} from '../../core/editing'
import { inForm } from '../../core/study/in-form'
import { plain } from '../plain'

const demo = plain
const furnished: Design = {
  ...demo,
  shape: { ...demo.shape, benches: [benchAt(2.4, 0.5, 0.8)] },
  store: {
    ...demo.store,
    bodies: [
      ...demo.store.bodies,
      tank({ lengthM: 2, atM: 1.3, widthM: 0.5 }),
      pond({ lengthM: 1, atM: 1.9, widthM: 0.3 }),
      wall({ thicknessM: 0.3, atM: 3.2, heightM: 1 }),
    ],
  },
}

test('whatever is moved or drawn, wherever to, in any form: the design stays sound', () => {
  const forms = FORMS.flatMap(form => inForm(furnished, form) ?? [])
  expect(forms.length).toBeGreaterThanOrEqual(5)
  const far = fc.double({ min: -30, max: 30, noNaN: true })
  fc.assert(
    fc.property(
      fc.constantFrom(...forms),
      fc.array(
        fc.record({
          pick: fc.nat(20),
          to: far,
          size: fc.option(far),
          how: fc.constantFrom('widthM', 'heightM', 'lengthM'),
        }),
        { maxLength: 6 },
      ),
      (start, moves) => {
        let design = start
        for (const { pick, to, size, how } of moves) {
          const list = things(design)
          const id = list[pick % list.length]!.id
          const next = patchDesign(
            design,
            size === null ? placed(design, id, to) : resized(design, id, { [how]: size }),
          )
          expect(designFaults(next)).toEqual([])
          design = next
        }
      },
    ),
    { numRuns: 150 },
  )
})

test('a thing comes to stand where it is put, on the grid, and catches on walls and neighbours', () => {
  const at = (id: string, to: number) => placed(demo, id, to)[0]![1]
  expect(at('bed-1', 2.52)).toBe(2.5)
  expect(at('bed-0', 0.03)).toBe(0)
  // The near side of bed 1 against the far side of bed 0 (0.15 + 1.10).
  expect(at('bed-1', 1.29)).toBe(1.25)
  // Over its neighbour there is no place: the nearest free one is beside it.
  expect(at('bed-1', 0.6)).toBe(1.25)
  // The barrels stand at the back: it comes to stand against them, and without them against the wall.
  const barrels = things(demo).find(t => t.id === 'body-0')!
  expect(at('bed-1', 99)).toBeCloseTo(barrels.x0 - 0.95, 3)
  const bare = patchDesign(demo, [['store.bodies', []]])
  expect(placed(bare, 'bed-1', 99)[0]![1]).toBeCloseTo(4.6 - 0.95, 9)
  // Barrels go where there is room under the glass and between the beds.
  const stood = (design: Design, to: number) => placed(design, 'body-0', to)[0]![1]
  expect(stood(demo, 0.1)).toBeCloseTo(3.15, 3)
  const low = patchDesign(demo, [
    ['shape.beds', []],
    ['shape.kneeWallM', 1.2],
    ['store.bodies.0.stack', 1],
    ['store.bodies.0.raisedM', 0],
  ])
  expect(stood(low, 0.03)).toBe(0)
  expect(stood(low, 2.02)).toBe(2)
  expect(placed(demo, 'nothing', 1)).toEqual([])
})

test('widths stop at the neighbour, heights at their range', () => {
  expect(resized(demo, 'bed-0', { widthM: 9 })).toEqual([['shape.beds.0.widthM', expect.closeTo(2.2 - 0.15, 9)]])
  expect(resized(demo, 'bed-0', { heightM: -3 })).toEqual([['shape.beds.0.heightM', 0]])
  expect(resized(demo, 'body-0', { widthM: 1, heightM: 1 })).toEqual([])
  expect(resized(furnished, 'body-1', { lengthM: 99 })).toEqual([['store.bodies.1.lengthM', demo.shape.lengthM]])
})

test('ways through: free floor is measured, and said to be narrow by what must get through', () => {
  const gaps = clearances(demo)
  expect(gaps.map(g => Math.round(g.widthM * 100))).toEqual([95, 82])
  expect(gaps.every(g => !g.narrow)).toBe(true)
  const chair = { ...demo, aim: { ...demo.aim, practical: { ...demo.aim.practical, wheelchair: true } } }
  expect(clearances(chair).map(g => g.narrow)).toEqual([false, true])
  expect(freeBed(demo, BED_KINDS[0]!)).toMatchObject({ kind: 'bed', atM: 1.25, widthM: 0.9, lengthM: null })
  expect(freeBed(patchDesign(demo, [['shape.beds', [bedAt(0, 4.6, 0.1)]]]), BED_KINDS[0]!)).toBeNull()
})

test('a design of an older schema gets the new fields plain', () => {
  const without = <T extends object>(of: T, ...keys: string[]) =>
    Object.fromEntries(Object.entries(of).filter(([k]) => !keys.includes(k)))
  const old = broughtForward({
    ...demo,
    schemaVersion: 2,
    shape: without(demo.shape, 'riseM', 'pathM'),
    breathe: without(demo.breathe, 'gaps'),
  }) as Design
  expect(designFaults(old)).toEqual([])
  expect([old.shape.riseM, old.shape.pathM, old.breathe.gaps]).toEqual([0, 0, []])
})
