import { AIR_STORE_KINDS } from '../../core/air-stores/registry'
import { BODY_KINDS } from '../../core/bodies/registry'
import { GLAZINGS, NIGHT_COVERS } from '../../core/catalog'
import { DEMOS } from '../../core/design'
import { FAN_KINDS } from '../../core/fans/registry'
import { OPENING_KINDS } from '../../core/openings/registry'
import { SOURCE_KINDS } from '../../core/sources/registry'
import { allLimits, limitRows } from './limits'
import { limitRow, type Limit } from './limits/limit'

// All of them by `npm run verify -- --limits`; here one in thirty of each demo.
const rows = limitRows({ every: 30 })

test.each(rows.map(r => [r.case, r] as const))('%s', (_, row) => {
  expect(Math.abs(row.got - row.expected)).toBeLessThanOrEqual(row.tolerance)
})

test('enough of them are there to be looked at, and every kind that there is has its limits', () => {
  expect(rows.length).toBeGreaterThan(25)
  const names = allLimits().map(l => l.name)
  const kinds = [SOURCE_KINDS, FAN_KINDS, AIR_STORE_KINDS, OPENING_KINDS].flatMap(list => list.map(k => k.kind))
  for (const kind of [...kinds, ...BODY_KINDS.map(k => k.name)]) expect(names).toContain(`${kind} put in`)
  for (const { id } of GLAZINGS) expect(names).toContain(`dirt on ${id}`)
  for (const { id } of NIGHT_COVERS) if (id !== 'none') expect(names).toContain(`${id} for no cover`)
})

test('a limit that is broken is found, whichever way it goes', () => {
  const [demo] = DEMOS as [(typeof DEMOS)[number]]
  const figures = (coldest: number) => ({ coldest, hottest: 0, heat: 0, light: 0, soil: 0 })
  const of = (then: Limit['then'], off: number) => {
    const limit: Limit = { name: 'x', figure: 'coldest', then, tolerance: 0.1, pair: d => [d, { ...d, name: 'other' }] }
    return limitRow(limit, demo, Math.random, d => figures(d === demo ? 0 : off))!
  }
  expect([of('same', 0.2).ok, of('same', -0.2).ok, of('same', 0.05).ok]).toEqual([false, false, true])
  expect([of('rises', 0.2).ok, of('rises', -0.2).ok, of('falls', 0.2).ok, of('falls', -9).ok]).toEqual([
    true,
    false,
    false,
    true,
  ])
})
