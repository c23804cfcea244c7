import { BODY_KINDS } from '../../core/bodies/registry'
import { bedAt, type Body, type Design } from '../../core/design'
import { designFaults, freeBody, patchDesign, type Patch } from '../../core/editing'
import { inPlaceOfBed, offersFor } from '../../core/editing/offers'
import { roomOf } from '../../core/geometry/objects'
import { inMetric } from '../../core/units'
import { tank } from '../bodies'
import { plain } from '../plain'

const show = inMetric
const on = (design: Design, ...patches: Patch[]) => patchDesign(design, patches)
/** A low tank under the slope with a bed on either side. */
const house = on(
  plain,
  ['shape.beds', [bedAt(0.15, 1, 0.6), bedAt(2.6, 0.9, 0.6)]],
  ['shape.benches', []],
  ['store.bodies', [tank({ atM: 1.4, widthM: 0.8, heightM: 1 })]],
)

describe('what is offered in place of what does not fit', () => {
  test('the nearest height under the roof, to a centimetre', () => {
    const asked: Patch = ['store.bodies.0.heightM', 2.9]
    expect(designFaults(on(house, asked))).not.toEqual([])
    const [near] = offersFor(house, [asked], show)
    expect(near!.words).toMatch(/^Take [12]\.\d\d\sm$/)
    const high = (near!.design.store.bodies[0] as { heightM: number }).heightM
    expect(designFaults(near!.design)).toEqual([])
    expect(designFaults(on(house, ['store.bodies.0.heightM', high + 0.021]))).not.toEqual([])
  })

  test('what moves or shrinks to make room is named', () => {
    const offers = offersFor(house, [['store.bodies.0.widthM', 1.3]], show)
    expect(offers.map(o => o.words)).toEqual([expect.stringMatching(/^Take 1\.2\d\sm$/), 'Make room: tank changes'])
    for (const o of offers) expect(designFaults(o.design)).toEqual([])
    expect((offers[1]!.design.store.bodies[0] as { widthM: number }).widthM).toBe(1.3)
  })

  test('an opening is as wide as fits', () => {
    const index = plain.skin.openings.findIndex(o => o.kind === 'door')
    const [near] = offersFor(plain, [[`skin.openings.${index}.widthM`, 5.5]], show)
    expect(designFaults(near!.design)).toEqual([])
    expect((near!.design.skin.openings[index] as { widthM: number }).widthM).toBeGreaterThan(0.9)
  })

  test('nothing is offered for what is wrong for another reason', () => {
    expect(offersFor(house, [['aim.lowestAirC', 99]], show)).toEqual([])
    expect(offersFor(house, [['skin.glazing', 'none such']], show)).toEqual([])
  })
})

test('where no floor is free, a pond takes a piece of a bed, and says how much of which', () => {
  const pond = BODY_KINDS.find(k => k.kind === 'pond')!
  const { widthM, lengthM } = plain.shape
  const full = on(
    plain,
    ['shape.beds', [bedAt(0.05, 0.75, 0.3), bedAt(1.4, widthM - 2, 0.3, { lengthM: lengthM - 0.6, offsetM: -0.3 })]],
    ['shape.benches', []],
    ['store.bodies', []],
  )
  expect(freeBody(full, pond, undefined, true)).toBeNull()
  const fresh = pond.fresh(roomOf(full.shape))
  const inHouse = (d: Design, offsetM: number) => freeBody(d, pond, { ...fresh, offsetM } as Body, true)
  const offer = inPlaceOfBed(full, 'body', inHouse, [1, 2, 2.8], show)!
  expect(offer.words).toMatch(/^Take [12]\.\d\d\sm of bed [12] for it$/)
  expect(designFaults(offer.design)).toEqual([])
  expect(offer.design.store.bodies.map(b => b.kind)).toEqual(['pond'])
  expect(inPlaceOfBed(full, 'body', () => null, [1], show)).toBeNull()
})
