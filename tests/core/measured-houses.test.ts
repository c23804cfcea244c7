import { readFileSync } from 'node:fs'
import { measuredPage, measuredPicture } from '../../cli/measured-page'
import { MEASURED_HOUSES, placeOf, predicted } from '../../core/measured-houses'
import figures from '../../core/measured-houses.json'
import { measuredFigures } from '../proof/measured-houses'

test('what is shown of measured houses is what the year says of them now', () => {
  const now = measuredFigures()
  expect(Object.keys(now).sort()).toEqual(Object.keys(figures).sort())
  for (const { id } of MEASURED_HOUSES) expect(Math.abs(now[id] - figures[id])).toBeLessThan(0.011)
})

test('its page and its picture are made from it; what lies outside of what was measured is called so', () => {
  expect(readFileSync('docs/measured-houses.md', 'utf8')).toBe(measuredPage())
  expect(readFileSync('docs/measured-houses.svg', 'utf8')).toBe(measuredPicture())
  for (const m of MEASURED_HOUSES) {
    const got = predicted(m.id)
    expect(placeOf(m) === 'within').toBe(got >= m.low && got <= m.high)
    expect(placeOf({ ...m, low: got + 1, high: got + 2 })).toBe('below')
    expect(placeOf({ ...m, low: got - 2, high: got - 1 })).toBe('above')
  }
  // Most are met, or the year would not be worth its name; none is tuned to.
  expect(MEASURED_HOUSES.filter(m => placeOf(m) === 'within').length).toBeGreaterThanOrEqual(7)
})
