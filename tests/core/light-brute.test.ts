import { barrelsOf, pond, tank, wall } from '../bodies'
import { aBed } from '../../core/beds/registry'
import { bedAt, benchAt, DEMOS, FORMS, type Design, type PartId } from '../../core/design'
import {
  cornerAdded,
  designFaults,
  patchDesign,
  withCorner,
  withForm,
  withFront,
  withOpeningsCarried,
} from '../../core/editing'
import { bedOfFace } from '../../core/geometry/faces'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeLightTable } from '../../core/optics/light-table'
import { DECLINATIONS, HOUR_ANGLES, tablePlace } from '../../core/optics/landing'
import { skyVector, sunPosition } from '../../core/sun'
import { doorOn, windowOn, withMore, withoutOpenings } from '../openings'
import { designOfForm, lightError } from '../proof/light-error'
import { madeSkin } from '../skin'

// Each form, plain, is among the proofs.
test.each(FORMS.map(f => [f]))('%s: the house that the proof casts rays through is sound', form => {
  expect(designFaults(designOfForm(form))).toEqual([])
})

test('with a tank, a pond, an inner wall and a bench in the room it agrees as well', () => {
  const base = designOfForm('gable')
  const design: Design = {
    ...base,
    shape: { ...base.shape, beds: [bedAt(0.1, 0.7, 0.4)], benches: [benchAt(3.6, 0.8, 0.8)] },
    store: {
      ...base.store,
      bodies: [
        tank({ lengthM: 3, atM: 1 }),
        pond({ lengthM: 2, atM: 2.4, widthM: 0.6 }),
        wall({ thicknessM: 0.3, heightM: 0.9, atM: 3.1 }),
      ],
    },
  }
  expect(designFaults(design)).toEqual([])
  expect(lightError(design)).toBeLessThan(0.02)
})

/** A house with parts made otherwise. */
const withParts = (d: Design, made: Partial<{ [K in PartId]: Partial<Design['skin']['parts'][K]> }>): Design =>
  patchDesign(
    d,
    (Object.keys(made) as PartId[]).map(id => [`skin.parts.${id}`, { ...d.skin.parts[id], ...made[id] }]),
  )
const bare = (d: Design): Design => ({ ...d, store: { ...d.store, bodies: [] } })
const solidEnds = (d: Design): Design => ({ ...d, skin: madeSkin(d.skin, { endsGlazedShare: 0 }) })
const plain = designOfForm('saltbox')
const dome = DEMOS.find(d => d.shape.form === 'dome')!
const saltbox: Design = { ...plain, shape: withFront(plain.shape, true) }
const own = designOfForm('own')
/** Two glazings in one slope: the lower half of it is a part of its own, in the same plane. */
function oneSlopeOfTwo(): Design {
  const whole: Design = { ...plain, shape: withForm(plain.shape, 'own') }
  return withParts(patchDesign(whole, cornerAdded(whole, 'sunnySlope')!), { front: { glazing: 'glass-4' } })
}
const broken = patchDesign(own, cornerAdded(own, 'poleSlope')!)
const pole = broken.shape.corners.findIndex(c => c.part === 'poleSlope')
const sixParts: Design = {
  ...broken,
  shape: withCorner(broken.shape, pole, broken.shape.corners[pole]!.atM, broken.shape.corners[pole]!.heightM + 0.15),
}
export const HOUSES: Record<string, Design> = {
  'knee wall, upright glass and a part-solid roof': withParts(saltbox, { sunnySlope: { solidTopM: 0.9 } }),
  'a row of windows at the top of the back wall': withMore(
    saltbox,
    windowOn('backWall', { count: 5, widthM: 0.9, heightM: 0.4, sillM: 1.8 }),
  ),
  'two glazings in one slope': oneSlopeOfTwo(),
  'twenty bodies': {
    ...saltbox,
    store: {
      ...saltbox.store,
      bodies: Array.from({ length: 20 }, (_, i) =>
        tank({ lengthM: 0.4, widthM: 0.3, heightM: 0.5, atM: 1.4 + 0.3 * (i % 2), offsetM: (i >> 1) * 0.56 - 2.52 }),
      ),
    },
    shape: { ...saltbox.shape, beds: [saltbox.shape.beds[0]!] },
  },
  'a film hoop with roll-up sides': DEMOS.find(d => d.shape.form === 'hoop')!,
  'windows and a glazed door in both ends': withMore(
    withoutOpenings(solidEnds(saltbox)),
    windowOn('eastEnd', { offsetM: 1, sillM: 1, widthM: 0.8, heightM: 0.7 }),
    windowOn('westEnd', { offsetM: -0.4, sillM: 0.6, widthM: 1.2, heightM: 1.1 }),
    doorOn('eastEnd', { offsetM: -0.4, glazedShare: 1 }),
  ),
  'six parts, five corners free': sixParts,
  'glazed on both sides, with a solid stretch under either ridge': withParts(designOfForm('gable'), {
    sunnySlope: { solidTopM: 0.6 },
    poleSlope: { kind: 'glazed', solidTopM: 1 },
  }),
  'a dome that is solid far round and up to its top': withOpeningsCarried(
    patchDesign(designOfForm('dome'), [['shape.dome', { poleSideDeg: 120, poleSideRings: 3 }]]),
  ),
  'a dome with a glazed door that stands out of it': withMore(
    withoutOpenings(DEMOS.find(d => d.shape.form === 'dome')!),
    doorOn('kneeWall', { heightM: 1.9, glazedShare: 0.6 }),
  ),
  'a door in a dormer under the slope': withMore(bare(saltbox), doorOn('backWall', { heightM: 2.5, offsetM: 1 })),
  'a glazed back wall and a solid front': withParts(bare(saltbox), {
    backWall: { kind: 'glazed' },
    front: { kind: 'solid' },
  }),
  'a skylight in the pole slope': withMore(saltbox, windowOn('poleSlope', { count: 2, sillM: 0.3, offsetM: 1 })),
  'keyhole beds in a row, and a bench over one': {
    ...bare(saltbox),
    shape: {
      ...saltbox.shape,
      beds: [
        aBed('keyhole bed', { atM: 0.1, widthM: 1.5, lengthM: 2.6, offsetM: -1.7, heightM: 0.5, notchDeepM: 0.9 }),
        aBed('keyhole bed', { atM: 0.1, widthM: 1.5, lengthM: 2.6, offsetM: 1.7, heightM: 0.3, notchM: 0.8 }),
        aBed('keyhole bed', { atM: 2.4, widthM: 1.2, lengthM: 3, offsetM: -1, heightM: 0.4, from: 'sunny' }),
        bedAt(2.6, 0.9, 0.4, { lengthM: 2, offsetM: 2 }),
      ],
      benches: [benchAt(2.6, 0.6, 0.9, { lengthM: 1.8, offsetM: 2 })],
    },
  },
  'a dome with rim beds and a door that stands out of it': withMore(
    withoutOpenings({
      ...bare(dome),
      shape: {
        ...dome.shape,
        beds: [
          aBed('rim bed', { aroundDeg: 10, spanDeg: 130, widthM: 1.1, heightM: 0.5 }),
          aBed('rim bed', { aroundDeg: -110, spanDeg: 65, widthM: 0.8, heightM: 0.3 }),
          bedAt(2.6, 1, 0.4, { lengthM: 2 }),
        ],
        benches: [],
      },
    }),
    doorOn('kneeWall', { heightM: 1.9, glazedShare: 0.6 }),
  ),
  'benches over barrels': {
    ...saltbox,
    shape: {
      ...saltbox.shape,
      beds: [saltbox.shape.beds[0]!],
      benches: [benchAt(3.4, 1.1, 1.3), benchAt(2, 0.6, 0.8, { lengthM: 3, offsetM: -1.5 })],
    },
    store: { ...saltbox.store, bodies: [barrelsOf(saltbox, { count: 10, stack: 1, raisedM: 0.1, atM: 3.7 })] },
  },
  'two doors and six windows': withMore(
    withoutOpenings(solidEnds(saltbox)),
    doorOn('eastEnd', { offsetM: -0.4, glazedShare: 0.5 }),
    doorOn('westEnd', { offsetM: -0.4, glazedShare: 1 }),
    windowOn('backWall', { count: 4, widthM: 0.8, heightM: 0.6, sillM: 1.4 }),
    windowOn('eastEnd', { offsetM: 1.2, sillM: 0.9, widthM: 0.7, heightM: 0.8 }),
    windowOn('westEnd', { offsetM: 1.2, sillM: 0.9, widthM: 0.7, heightM: 0.8 }),
  ),
  'glazed knee wall and one end all glass': withParts(solidEnds(saltbox), {
    kneeWall: { kind: 'glazed' },
    westEnd: { kind: 'glazed' },
  }),
}

test.each(Object.keys(HOUSES))('%s: it agrees within 2 %% too', name => {
  const design = HOUSES[name]!
  expect(designFaults(design)).toEqual([])
  expect(lightError(design)).toBeLessThan(0.02)
})

/** Share of a beam at a time that each face takes in, summed over panes. */
function landed(design: Design, at: string): Map<string, number> {
  const building = makeBuilding(design)
  const { faces, panes: landings } = makeLightTable(design, building)
  const p = sunPosition(Date.parse(at), design.site.latitudeDeg, design.site.longitudeDeg)
  const s = skyVector(p.altitudeDeg, p.azimuthDeg)
  const index = new Int32Array(4)
  const weight = new Float64Array(4)
  tablePlace(design.site.latitudeDeg, s.e, s.n, s.u, index, weight)
  const slope = landings.find(l => l.surface.id === 'sunny slope')!
  const share = (i: number) =>
    [0, 1, 2, 3].reduce((sum, k) => sum + weight[k]! * slope.beam[index[k]! * faces.length + i]!, 0)
  return new Map(faces.flatMap((f, i) => (f.meter ? [] : [[f.id, share(i)] as const])))
}
const lit = (design: Design, at: string) => [...landed(design, at).values()].reduce((a, b) => a + b, 0)

test(
  'an eave shades the glass in summer and not in winter; a house behind a lean-to shades it from the ' + 'pole side',
  () => {
    const base = designOfForm('saltbox')
    const eaved: Design = { ...base, shape: { ...base.shape, turnDeg: 0, overhangM: 0.8 } }
    expect(lit(base, '2027-06-21T11:00:00Z')).toBeCloseTo(1, 3)
    expect(lit(eaved, '2027-06-21T11:00:00Z')).toBeLessThan(0.85)
    expect(lit(eaved, '2027-12-21T11:00:00Z')).toBeGreaterThan(lit(eaved, '2027-06-21T11:00:00Z') + 0.08)
    const lean = designOfForm('lean-to')
    const high: Design = { ...lean, shape: { ...lean.shape, house: { ...lean.shape.house, heightM: 9, beyondM: 20 } } }
    // Early on midsummer's day the sun stands behind the house.
    expect(lit(high, '2027-06-21T04:30:00Z')).toBeLessThan(0.2)
    expect(lit(high, '2027-06-21T11:00:00Z')).toBeGreaterThan(0.99)
  },
)

test('a strip of shade takes the summer sun from the back wall and leaves it the winter sun', () => {
  const base = designOfForm('saltbox')
  const bare: Design = { ...base, store: { ...base.store, bodies: [] } }
  const strip: Design = { ...bare, shape: { ...bare.shape, shadeStripM: 0.8 } }
  const wall = (d: Design, at: string) => landed(d, at).get('back wall')!
  expect(wall(strip, '2027-06-21T11:00:00Z')).toBeLessThan(wall(bare, '2027-06-21T11:00:00Z') * 0.95)
  expect(landed(strip, '2027-06-21T11:00:00Z').get('shade strip')!).toBeGreaterThan(0.05)
})

test('reflecting faces send light on: a foil wall keeps less and the beds get more', () => {
  const base = designOfForm('saltbox')
  const foil: Design = { ...base, skin: { ...base.skin, finish: { ...base.skin.finish, wall: 'foil' } } }
  const at = '2027-01-15T11:00:00Z'
  expect(landed(foil, at).get('back wall')!).toBeLessThan(0.5 * landed(base, at).get('back wall')!)
  const beds = (d: Design) => [...landed(d, at)].reduce((sum, [id, share]) => sum + (bedOfFace(id) >= 0 ? share : 0), 0)
  expect(beds(foil)).toBeGreaterThan(beds(base))
})

test('the table holds the sun’s whole path: places between entries weigh one together', () => {
  const index = new Int32Array(4)
  const weight = new Float64Array(4)
  for (const lat of [-90, -46, 0, 47, 90]) {
    for (let h = 0; h < 8760; h += 131) {
      const p = sunPosition(Date.UTC(2027, 0, 1) + h * 3600000, lat, 15)
      const s = skyVector(p.altitudeDeg, p.azimuthDeg)
      tablePlace(lat, s.e, s.n, s.u, index, weight)
      expect(weight.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
      for (const i of index) expect(i >= 0 && i < DECLINATIONS * HOUR_ANGLES).toBe(true)
    }
  }
})
