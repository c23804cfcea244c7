import fc from 'fast-check'
import { benchAt, FORMS, type Design } from '../../core/design'
import { designFaults } from '../../core/editing'
import { clearHeightAt, makeOutline } from '../../core/geometry/section'
import { makeBuilding } from '../../core/geometry/surfaces'
import { horizonOf } from '../proof/horizon-cases'
import { pastHorizon, skyPastHorizon } from '../../core/climate'
import { designOfForm } from '../proof/light-error'
import { withoutOpenings } from '../openings'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const demo = plain

const shapes = fc.record({
  form: fc.constantFrom(...FORMS),
  widthM: fc.double({ min: 1.5, max: 10, noNaN: true }),
  kneeWallM: fc.double({ min: 0, max: 2, noNaN: true }),
  ridgeHeightM: fc.double({ min: 1.2, max: 7, noNaN: true }),
  ridgeAtM: fc.double({ min: 0.5, max: 9, noNaN: true }),
  backWallM: fc.double({ min: 0.2, max: 6, noNaN: true }),
  breakAtM: fc.double({ min: 0.1, max: 4, noNaN: true }),
  breakHeightM: fc.double({ min: 0.3, max: 6, noNaN: true }),
  lengthM: fc.double({ min: 1.5, max: 30, noNaN: true }),
  turnDeg: fc.double({ min: -90, max: 90, noNaN: true }),
  sunkM: fc.constantFrom(0, 0.3, 1),
})

test(
  'every sound form closes: outward areas add up to nothing, walls lie in the planes of their ' +
    'corners, volume is positive',
  () => {
    let sound = 0
    fc.assert(
      fc.property(shapes, shape => {
        const design = {
          ...withoutOpenings(demo),
          shape: { ...demo.shape, ...shape, beds: [], house: { ...demo.shape.house, heightM: 12 } },
          store: { ...demo.store, bodies: [] },
        }
        if (designFaults(design).length > 0) return
        sound++
        const b = makeBuilding(design)
        const total = b.surfaces.reduce((s, x) => s + x.areaM2, 0)
        for (let k = 0; k < 3; k++)
          expect(Math.abs(b.surfaces.reduce((s, x) => s + x.areaM2 * x.normal[k]!, 0)) / total).toBeLessThan(1e-6)
        expect(b.volumeM3).toBeGreaterThan(0)
        if (shape.form !== 'dome') expect(b.volumeM3).toBeCloseTo(b.outline.areaM2 * shape.lengthM, 4)
        for (const s of b.surfaces) {
          const along = (p: readonly number[]) => p[0]! * s.normal[0] + p[1]! * s.normal[1] + p[2]! * s.normal[2]
          const d = s.polygon.map(along)
          expect(Math.max(...d) - Math.min(...d)).toBeLessThan(1e-9)
          // Nothing of the room lies outside any of its planes: it is convex.
          const furthest = Math.max(...b.surfaces.flatMap(o => o.polygon.map(along)))
          expect(furthest).toBeLessThan(Math.max(...d) + 1e-6)
        }
        const heights = Array.from({ length: 11 }, (_, i) => clearHeightAt(b.outline, (b.outline.widthM * i) / 10))
        expect(Math.max(...heights)).toBeLessThanOrEqual(b.outline.ridgeHeightM + 1e-9)
      }),
      { numRuns: 400 },
    )
    expect(sound).toBeGreaterThan(60)
  },
)

test.each(FORMS.map(f => [f]))(
  '%s: a year runs, closes, and its coldest night is sane; dug in it is no colder',
  form => {
    const design = designOfForm(form)
    const { answers } = engine.run(design)
    expect(answers.ledger.closure).toBeLessThan(0.001)
    expect(answers.coldestNight.insideC).toBeGreaterThan(answers.coldestNight.outsideC)
    expect(answers.coldestNight.insideC - answers.coldestNight.outsideC).toBeLessThan(26)
    const north = design.site.latitudeDeg > 0
    const [winter, summer] = north ? [11, 5] : [5, 11]
    expect(answers.months[winter]!.dli).toBeLessThan(0.6 * answers.months[summer]!.dli)
    for (const m of answers.months) {
      // In the open a summer's day brings some 60 mol/m².
      expect(m.dli).toBeGreaterThan(0.5)
      expect(m.dli).toBeLessThan(60)
      expect(m.soilC).toBeGreaterThan(m.insideMinC - 1)
      expect(m.soilC).toBeLessThan(m.insideMaxC + 3)
    }
    if (form === 'a-frame') return
    const sunk = engine.run({ ...design, shape: { ...design.shape, sunkM: 0.7 } }).answers
    expect(sunk.coldestNight.insideC).toBeGreaterThan(answers.coldestNight.insideC - 0.05)
  },
)

test('faults of the new forms name their place', () => {
  const paths = (shape: Partial<Design['shape']>) =>
    designFaults({ ...demo, shape: { ...demo.shape, beds: [], ...shape } }).map(f => f.path)
  expect(paths({ form: 'gambrel', breakAtM: 3 })).toContain('shape.breakAtM')
  expect(paths({ form: 'gambrel', breakAtM: 1, breakHeightM: 1.2 })).toContain('shape.breakHeightM')
  expect(paths({ sunkM: 2 })).toContain('shape.sunkM')
  expect(paths({ form: 'lean-to', house: { ...demo.shape.house, heightM: 2 } })).toContain('shape.house.heightM')
  expect(paths({ shadeStripM: 5 })).toContain('shape.shadeStripM')
  expect(paths({ benches: [benchAt(4, 2, 0.8)] })).toContain('shape.benches[0].atM')
  expect(makeOutline({ ...demo.shape, form: 'a-frame' }).kneeWallM).toBe(0)
})

test('a lean-to gets warmth from its house', () => {
  const base = designOfForm('lean-to')
  const at = (airC: number) =>
    engine.run({ ...base, shape: { ...base.shape, house: { ...base.shape.house, airC } } }).answers
  expect(at(22).coldestNight.insideC).toBeGreaterThan(at(2).coldestNight.insideC)
  expect(at(22).ledger.losses.house!).toBeLessThan(at(2).ledger.losses.house!)
})

test('the horizon cuts the sun: a hill by its height, bare trees let light through, leafy ones little', () => {
  const hill = horizonOf([
    { azimuthDeg: 90, altitudeDeg: 0, kind: 'solid' },
    { azimuthDeg: 180, altitudeDeg: 20, kind: 'solid' },
    { azimuthDeg: 270, altitudeDeg: 0, kind: 'solid' },
  ])!
  expect(pastHorizon(hill, 180, 19, 0)).toBe(0)
  expect(pastHorizon(hill, 180, 21, 0)).toBe(1)
  expect(pastHorizon(hill, 135, 9, 0)).toBe(0)
  expect(pastHorizon(hill, 135, 11, 0)).toBe(1)
  const trees = horizonOf([
    { azimuthDeg: 100, altitudeDeg: 30, kind: 'deciduous' },
    { azimuthDeg: 260, altitudeDeg: 30, kind: 'deciduous' },
  ])!
  expect(pastHorizon(trees, 180, 10, 10)).toBeGreaterThan(pastHorizon(trees, 180, 10, 200))
  expect(horizonOf([])).toBeNull()
  const south = { e: 0, n: -1, u: 0 }
  expect(skyPastHorizon(hill, south, 0)).toBeLessThan(1)
  expect(skyPastHorizon(hill, { e: 0, n: 1, u: 0 }, 0)).toBeGreaterThan(skyPastHorizon(hill, south, 0))
  const open = engine.run(demo).answers
  const shaded = engine.run({
    ...demo,
    site: {
      ...demo.site,
      horizon: [
        { azimuthDeg: 90, altitudeDeg: 15, kind: 'solid' },
        { azimuthDeg: 270, altitudeDeg: 15, kind: 'solid' },
      ],
    },
  }).answers
  expect(shaded.months[11]!.dli).toBeLessThan(open.months[11]!.dli * 0.85)
})
