import fc from 'fast-check'
import { type Design } from '../../core/design'
import {
  designFaults,
  documentFaults,
  patchDesign,
  withBackWall,
  withForm,
  withGlazingAngle,
  withKneeWallLifted,
  withRidge,
  withSunnyWallMoved,
  withWidth,
} from '../../core/editing'
import { turnWords } from '../../core/geometry/compass'
import { sectionLight } from '../../core/geometry/lit'
import { layDrums } from '../../core/bodies/drums'
import { kindOf } from '../../core/bodies/registry'
import { roomOf } from '../../core/geometry/objects'
import { barrelsOf } from '../bodies'
import { makeOutline, polygonArea, sunnyAzimuthDeg } from '../../core/geometry/section'
import { shadingOf } from '../../core/geometry/shading'
import { makeBuilding } from '../../core/geometry/surfaces'
import { plain } from '../plain'
import { straight } from '../straight'

const demo = plain
const withShape = (shape: Partial<Design['shape']>): Design => ({ ...demo, shape: { ...demo.shape, ...shape } })

const shapes = fc.record({
  form: fc.constantFrom('shed', 'gable', 'saltbox' as const),
  widthM: fc.double({ min: 1.2, max: 20, noNaN: true }),
  kneeWallM: fc.double({ min: 0, max: 3, noNaN: true }),
  ridgeHeightM: fc.double({ min: 1, max: 12, noNaN: true }),
  ridgeAtM: fc.double({ min: 0.3, max: 20, noNaN: true }),
  backWallM: fc.double({ min: 0.2, max: 12, noNaN: true }),
}) as fc.Arbitrary<Pick<Design['shape'], 'form' | 'widthM' | 'kneeWallM' | 'ridgeHeightM' | 'ridgeAtM' | 'backWallM'>>

test(
  'any sound shape closes: outward normals weighted by area add up to nothing, and the volume is the ' +
    'section times the length',
  () => {
    fc.assert(
      fc.property(shapes, fc.double({ min: -90, max: 90, noNaN: true }), (shape, turnDeg) => {
        const design = withShape({ ...shape, turnDeg, beds: [] })
        fc.pre(designFaults({ ...design, store: { ...design.store, bodies: [] } }).length === 0)
        const b = makeBuilding(design)
        let e = 0
        let n = 0
        let u = 0
        for (const s of b.surfaces) {
          const tilt = ((s.kind === 'floor' ? 180 : s.tiltDeg) * Math.PI) / 180
          const az = (s.azimuthDeg * Math.PI) / 180
          e += s.areaM2 * Math.sin(tilt) * Math.sin(az)
          n += s.areaM2 * Math.sin(tilt) * Math.cos(az)
          u += s.areaM2 * Math.cos(tilt)
        }
        const total = b.surfaces.reduce((sum, s) => sum + s.areaM2, 0)
        expect(Math.hypot(e, n, u) / total).toBeLessThan(1e-5)
        expect(b.volumeM3).toBeCloseTo(polygonArea(b.outline.corners) * b.lengthM, 6)
      }),
    )
  },
)

test('forms tie what they say: a shed’s ridge stands on its back wall, a gable’s in the middle', () => {
  expect(makeOutline({ ...demo.shape, form: 'shed' })).toMatchObject({ ridgeAtM: 4.6, backWallM: 3.3, poleSlopeM: 0 })
  expect(makeOutline({ ...demo.shape, form: 'gable' })).toMatchObject({ ridgeAtM: 2.3, backWallM: 0.75 })
  expect(makeOutline(demo.shape).glazingAngleDeg).toBeCloseTo((Math.atan2(2.55, 3.45) * 180) / Math.PI, 9)
})

test('edits of the section keep what they promise', () => {
  const s = demo.shape
  expect(makeOutline(withGlazingAngle(s, 50)).glazingAngleDeg).toBeCloseTo(50, 1)
  expect(makeOutline(withKneeWallLifted(s, 1.2)).glazingAngleDeg).toBeCloseTo(makeOutline(s).glazingAngleDeg, 1)
  const out = withSunnyWallMoved(s, 0.5)
  expect(out.widthM - out.ridgeAtM).toBeCloseTo(s.widthM - s.ridgeAtM, 6)
  expect(straight({ shape: out })[1]!.atM - straight(demo)[1]!.atM).toBeCloseTo(0.5, 6)
  expect(straight({ shape: withWidth(s, 9.2) })[0]!.widthM).toBeCloseTo(2.2, 6)
  expect(withBackWall({ ...s, form: 'shed' }, 4).ridgeHeightM).toBe(4)
  expect(withRidge(s, 2).backWallM).toBe(2)
  for (const form of ['shed', 'gable', 'saltbox'] as const)
    expect(documentFaults(withShape(withForm(s, form)))).toEqual([])
})

test('the sunny side faces the equator, turned to the east in both hemispheres', () => {
  expect(sunnyAzimuthDeg(47, 10)).toBe(170)
  expect(sunnyAzimuthDeg(-46, 10)).toBe(10)
  expect(sunnyAzimuthDeg(-46, -10)).toBe(350)
  expect(turnWords(47, 8)).toBe('8° east of south')
  expect(turnWords(-47, 0)).toBe('due north')
  for (const lat of [47, -47]) {
    const b = makeBuilding({ ...demo, site: { ...demo.site, latitudeDeg: lat }, shape: { ...demo.shape, turnDeg: 0 } })
    const ends = b.surfaces.filter(s => s.id === 'east end' || s.id === 'west end')
    expect(
      ends
        .map(s => s.azimuthDeg)
        .sort((p, q) => p - q)
        .map(a => Math.round(a)),
    ).toEqual([90, 270])
    // y runs towards the east end.
    expect(ends.find(s => s.normal[1] > 0)!.azimuthDeg).toBeCloseTo(90, 6)
  }
})

test('barrels stand in as many rows as the length asks', () => {
  const lay = (count: number, stack: number) => layDrums(barrelsOf(demo, { count, stack }), roomOf(demo.shape))
  expect(lay(15, 1).rows).toBe(1)
  expect(lay(16, 1).rows).toBe(2)
  expect(lay(30, 2).rows).toBe(1)
  const box = kindOf(barrelsOf(demo)).box(barrelsOf(demo, { count: 15, stack: 1 }), roomOf(demo.shape))
  expect(box.y1 - box.y0).toBeCloseTo(9, 9)
  expect(box.bank).toEqual({ radiusM: 0.29, rows: 1, perRow: 15, pitchM: 0.6, count: 15 })
})

test('lit heights match the hand construction: the ray under the ridge and the ray over the knee wall', () => {
  const bare: Design = { ...withShape({ beds: [], ridgeAtM: 3, widthM: 4.6 }), store: { ...demo.store, bodies: [] } }
  const b = makeBuilding(bare)
  const shading = shadingOf(bare.shape, b.outline)
  const profile = 30
  const t = Math.tan((profile * Math.PI) / 180)
  const { spans } = sectionLight(b, shading, profile, 400)
  const floor = spans.filter(s => s.face === 'floor').flatMap(s => [s.a.x, s.b.x])
  // Over the knee wall of 0.75 m the ray meets the floor at 0.75 / tan 30°.
  expect(Math.min(...floor)).toBeCloseTo(0.75 / t, 1)
  const wall = spans.filter(s => s.face === 'back wall').flatMap(s => [s.a.z, s.b.z])
  // Under the ridge (3, 3.3) it would reach the back wall at 3.3 − 1.6 tan 30°, below its top of 2.3 m: so it is lit to
  // its top.
  expect(Math.max(...wall)).toBeCloseTo(Math.min(2.3, 3.3 - 1.6 * t), 1)
  expect(sectionLight(b, shading, 179).spans.filter(s => s.face === 'floor')).toEqual([])
})

test('a patch shares what it does not touch and refuses paths that are not there', () => {
  const next = patchDesign(demo, [['shape.beds.1.heightM', 0.9]])
  expect(next.shape.beds[1]!.heightM).toBe(0.9)
  expect(demo.shape.beds[1]!.heightM).toBe(0.6)
  expect(next.site).toBe(demo.site)
  expect(next.shape.beds[0]).toBe(demo.shape.beds[0])
  expect(() => patchDesign(demo, [['shape.colour', 'red']])).toThrow(RangeError)
})
