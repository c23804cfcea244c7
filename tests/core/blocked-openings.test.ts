import { blockedOpenings, lowOpenings } from '../../core/geometry/before-openings'
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
  skin: { ...plain.skin, openings: [{ ...VENT_STARTS, part: 'kneeWall', sillM: 0.1, heightM: 0.4, ...patch }] },
})

test('a low vent behind a bed is told by the share of its height that the bed hides', () => {
  // The vent reaches from 0.1 to 0.5 m, the bed to 0.4 m.
  expect(blockedOpenings(low({}))).toEqual([
    // The bed stands a tenth of a metre off: through that gap some of it breathes still.
    { index: 0, thing: { kind: 'bed', index: 0 }, share: expect.closeTo(0.75), free: expect.closeTo(1 - 0.75 * 0.6) },
  ])
  expect(designCautions(low({}), null).map(c => c.text)).toContainEqual(
    expect.stringMatching(/bed 1 stands before 75 %/),
  )
})

test('above the bed, away from it, shut, or a door: nothing is in the way', () => {
  expect(blockedOpenings(low({ sillM: 0.45, heightM: 0.2 }))).toEqual([])
  expect(blockedOpenings(low({ how: 'shut' }))).toEqual([])
  const away = low({})
  expect(
    blockedOpenings({ ...away, shape: { ...away.shape, beds: away.shape.beds.map(b => ({ ...b, atM: 0.6 })) } }),
  ).toEqual([])
})

test('a foot near the ground outside is low; a sunk floor brings it lower', () => {
  const footOf = (d: Design) => lowOpenings(d)[0]!.footM
  expect(footOf(low({}))).toBeCloseTo(0.1)
  const sunk = low({ sillM: 0.7 })
  expect(footOf({ ...sunk, shape: { ...sunk.shape, sunkM: 0.5 } })).toBeCloseTo(footOf(sunk) - 0.5)
})
