import { blockedOpenings, lowOpenings } from '../../core/advice/blocked-openings'
import { designCautions } from '../../core/advice/cautions'
import { bedAt, DEMOS, type Design, type Opening } from '../../core/design'
import { startOf } from '../../core/design/field'
import { VENT } from '../../core/openings/vent'

const plain = DEMOS[0]!
const VENT_STARTS = { ...(startOf(VENT.fields) as Extract<Opening, { kind: 'vent' }>), kind: 'vent' as const }
const low = (patch: object): Design => ({
  ...plain,
  shape: { ...plain.shape, beds: [bedAt(0.1, 1, 0.4)] },
  store: { ...plain.store, bodies: [] },
  skin: { ...plain.skin, openings: [{ ...VENT_STARTS, part: 'kneeWall', atM: 0.3, tallM: 0.4, ...patch }] },
})

test('a low vent behind a bed is told by the share of its height that the bed hides', () => {
  // The vent reaches from 0.1 to 0.5 m, the bed to 0.4 m.
  expect(blockedOpenings(low({}))).toEqual([
    { index: 0, thing: { kind: 'bed', index: 0 }, share: expect.closeTo(0.75) },
  ])
  expect(designCautions(low({}), null).map(c => c.text)).toContainEqual(
    expect.stringMatching(/bed 1 stands before 75 %/),
  )
})

test('above the bed, away from it, shut, or a door: nothing is in the way', () => {
  expect(blockedOpenings(low({ atM: 0.65 }))).toEqual([])
  expect(blockedOpenings(low({ how: 'shut' }))).toEqual([])
  const away = low({})
  expect(
    blockedOpenings({ ...away, shape: { ...away.shape, beds: away.shape.beds.map(b => ({ ...b, atM: 0.6 })) } }),
  ).toEqual([])
})

test('a foot near the ground outside is low; a sunk floor brings it lower', () => {
  const footOf = (d: Design) => lowOpenings(d)[0]!.footM
  expect(footOf(low({}))).toBeCloseTo(0.1)
  const sunk = low({ atM: 0.9 })
  expect(footOf({ ...sunk, shape: { ...sunk.shape, sunkM: 0.5 } })).toBeCloseTo(footOf(sunk) - 0.5)
})
