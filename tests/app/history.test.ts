import fc from 'fast-check'
import { dragKind, pushHistory, redoHistory, startHistory, undoHistory } from '../../app/keeping/history'

test('edits of one kind close together are one step; another kind or a pause begins anew', () => {
  let h = startHistory(0)
  h = pushHistory(h, 1, 'drag', 1000)
  h = pushHistory(h, 2, 'drag', 1100)
  h = pushHistory(h, 3, 'drag', 1200)
  expect(undoHistory(h).present).toBe(0)
  h = pushHistory(h, 4, 'type', 1250)
  expect(undoHistory(h).present).toBe(3)
  h = pushHistory(h, 5, 'type', 9000)
  expect(undoHistory(h).present).toBe(4)
})

test('a drag is one step, however long the hand rests; the next drag of the same thing is another', () => {
  const [first, second] = [dragKind('bed-1', 100), dragKind('bed-1', 90_000)]
  let h = pushHistory(startHistory(0), 1, first, 1000)
  h = pushHistory(h, 2, first, 61_000)
  expect(undoHistory(h).present).toBe(0)
  h = pushHistory(h, 3, second, 90_100)
  expect(undoHistory(h).present).toBe(2)
})

test('an edit after an undo never joins what came before, and clears the future', () => {
  let h = pushHistory(startHistory('a'), 'b', 'x', 0)
  h = undoHistory(h)
  h = pushHistory(h, 'c', 'x', 10)
  expect(h.future).toEqual([])
  expect(undoHistory(h).present).toBe('a')
})

test('undo then redo always comes back to where one was', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer(), fc.constantFrom('a', 'b'), fc.integer({ min: 0, max: 3000 }))),
      fc.integer({ min: 0, max: 20 }),
      (edits, steps) => {
        let h = startHistory(-1)
        let at = 0
        for (const [value, kind, wait] of edits) h = pushHistory(h, value, kind, (at += wait))
        const end = h.present
        const depth = Math.min(steps, h.past.length)
        for (let i = 0; i < depth; i++) h = undoHistory(h)
        for (let i = 0; i < depth; i++) h = redoHistory(h)
        expect(h.present).toBe(end)
      },
    ),
  )
})
