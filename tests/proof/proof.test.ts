import { proofRows } from './cases'

const rows = proofRows()

test.each(rows.map(r => [r.case, r] as const))('%s', (_, row) => {
  expect(Math.abs(row.got - row.expected)).toBeLessThanOrEqual(row.tolerance)
})
