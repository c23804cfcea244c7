import { pond, tank, wall } from '../bodies'
import { FORMS, type Design } from '../../core/design'
import { designFaults } from '../../core/editing'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeLightTable } from '../../core/optics/gains'
import { HOUR_ANGLES, tablePlace } from '../../core/optics/landing'
import { skyVector, sunPosition } from '../../core/sun'
import { designOfForm, lightError } from '../proof/light-error'

test.each(FORMS.map(f => [f]))(
  '%s: where the beam lands agrees with brute-force ray casting within 2 % of the transmitted beam',
  form => {
    const design = designOfForm(form)
    expect(designFaults(design)).toEqual([])
    expect(lightError(design, 4000)).toBeLessThan(0.02)
  },
)

test('with a tank, a pond, an inner wall and a bench in the room it agrees as well', () => {
  const base = designOfForm('gable')
  const design: Design = {
    ...base,
    shape: {
      ...base.shape,
      beds: [{ atM: 0.1, widthM: 0.7, heightM: 0.4 }],
      benches: [{ atM: 3.6, widthM: 0.8, heightM: 0.8 }],
    },
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
  expect(lightError(design, 4000)).toBeLessThan(0.02)
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
  return new Map(
    faces.map((f, i) => [
      f.id,
      [0, 1, 2, 3].reduce((sum, k) => sum + weight[k]! * slope.beam[index[k]! * faces.length + i]!, 0),
    ]),
  )
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
  expect(landed(foil, at).get('beds')!).toBeGreaterThan(landed(base, at).get('beds')!)
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
      for (const i of index) expect(i >= 0 && i < 7 * HOUR_ANGLES).toBe(true)
    }
  }
})
