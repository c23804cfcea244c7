import fc from 'fast-check'
import { crossGaps } from '../../formats/gaps'

test('gaps are crossed by straight lines, ends take the nearest value, nothing that is there is changed', () => {
  const at = (v: number[]) => {
    const a = Float64Array.from(v)
    return { ...crossGaps(a), values: [...a] }
  }
  expect(at([1, NaN, NaN, 4])).toEqual({ count: 2, longest: 2, at: 1, values: [1, 2, 3, 4] })
  expect(at([NaN, 5, NaN])).toEqual({ count: 2, longest: 1, at: 0, values: [5, 5, 5] })
  expect(at([1, 2])).toEqual({ count: 0, longest: 0, at: 0, values: [1, 2] })
})

test('whatever is missing, what comes back lies between its neighbours', () => {
  fc.assert(
    fc.property(
      fc.array(fc.option(fc.double({ min: -50, max: 50, noNaN: true }), { nil: NaN }), { minLength: 1, maxLength: 60 }),
      v => {
        const known = v.filter(x => !Number.isNaN(x))
        const a = Float64Array.from(v)
        const { count, longest } = crossGaps(a)
        expect(count).toBe(v.length - known.length)
        expect(longest).toBeLessThanOrEqual(count)
        v.forEach((x, i) => {
          if (!Number.isNaN(x)) expect(a[i]).toBe(x)
        })
        if (known.length > 0)
          for (const x of a) expect(x >= Math.min(...known) - 1e-9 && x <= Math.max(...known) + 1e-9).toBe(true)
      },
    ),
  )
})
