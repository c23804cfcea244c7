import { readFileSync } from 'node:fs'
import { CLAIMS, GROUNDS } from '../../core/trust'

test('what the score says of trust stands in the methods’ page word for word, on each kind of ground', () => {
  const page = readFileSync('docs/physics.md', 'utf8')
  for (const { claim, bias, logger } of CLAIMS) {
    expect(page).toContain(`| ${claim} |`)
    expect(page).toContain(bias)
    expect(page).toContain(logger)
  }
  expect(new Set(CLAIMS.map(c => c.rests))).toEqual(new Set(Object.keys(GROUNDS)))
})
