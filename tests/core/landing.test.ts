import { barrelsOf } from '../bodies'
import fc from 'fast-check'
import { FORMS, type Design } from '../../core/design'
import { designFaults, withGlazingAngle } from '../../core/editing'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import type { FaceId } from '../../core/geometry/faces'
import { makeScene } from '../../core/geometry/ray-cast'
import { landingsByDirection } from '../../core/optics/landing'
import { pointsOn } from '../../core/optics/landing-points'
import { leavingDirections } from '../../core/optics/lobe'
import { madeSkin } from '../skin'
import { plain } from '../plain'
import { engine } from '../shared/years'

const demo = plain

test(
  'whatever the shape, landing shares are shares: none negative, together one, or less where a house ' + 'wall shades',
  () => {
    const shapes = fc.record({
      form: fc.constantFrom(...FORMS),
      widthM: fc.double({ min: 2, max: 9, noNaN: true }),
      kneeWallM: fc.double({ min: 0, max: 1.5, noNaN: true }),
      ridgeHeightM: fc.double({ min: 2, max: 6, noNaN: true }),
      ridgeAtM: fc.double({ min: 1, max: 6, noNaN: true }),
      backWallM: fc.double({ min: 0.5, max: 4, noNaN: true }),
      lengthM: fc.double({ min: 2, max: 30, noNaN: true }),
    })
    fc.assert(
      fc.property(
        shapes,
        fc.constantFrom('solid', 'glazed' as const),
        fc.double({ min: 0, max: 0.9, noNaN: true }),
        fc.integer({ min: 0, max: 12 }),
        fc.constantFrom('glass-2', 'twinwall-10', 'fibreglass'),
        (shape, pole, endsGlazedShare, count, glazing) => {
          const design = {
            ...demo,
            shape: { ...demo.shape, ...shape, beds: [] },
            skin: { ...madeSkin(demo.skin, { pole, endsGlazedShare }), glazing },
            store: { ...demo.store, bodies: [barrelsOf(demo, { count, stack: 1 })] },
          } as Design
          fc.pre(designFaults(design).length === 0)
          const { faces, panes: landings } = makeLightTable(design, makeBuilding(design))
          let least = 0
          let off = 0
          for (const l of landings) {
            for (const table of [l.sky, l.ground]) {
              for (let i = 0; i < table.length; i += faces.length) {
                const row = table.subarray(i, i + faces.length)
                least = Math.min(least, ...row)
                const sum = row.reduce((s, v) => s + v, 0)
                off = Math.max(off, shape.form === 'lean-to' ? sum - 1 : Math.abs(sum - 1))
              }
            }
          }
          expect(least).toBe(0)
          expect(off).toBeLessThan(1e-4)
        },
      ),
      { numRuns: 20 },
    )
  },
)

test('light is kept from the sky to the faces: what comes through is what is taken in or leaves', () => {
  const { site, gains } = engine.run(demo)
  const building = makeBuilding(demo)
  const again = makeSolarGains(site, building, makeLightTable(demo, building))
  let through = 0
  let taken = 0
  for (let h = 0; h < 8760; h++) {
    through += again.transmittedW[h]!
    taken += again.faces.reduce((s, f) => (f.meter ? s : s + f.watts[h]!), 0)
  }
  expect(taken / through).toBeCloseTo(1, 4)
  expect(again.bedLightWm2).toEqual(gains.bedLightWm2)
  const lost = again.faces
    .filter(f => /sunny|glazing/.test(f.id))
    .reduce((s, f) => s + f.watts.reduce((a, b) => a + b, 0), 0)
  expect(lost / through).toBeGreaterThan(0.05)
  expect(lost / through).toBeLessThan(0.4)
})

test('less light reaches the beds through more sheets, and none makes more than comes in', () => {
  const dli = (glazing: string) => engine.run({ ...demo, skin: { ...demo.skin, glazing } }).answers.months[0]!.dli
  const [one, two, three] = ['glass-1', 'glass-2', 'glass-3'].map(dli)
  expect(two!).toBeLessThan(one! * 0.95)
  expect(three!).toBeLessThan(two! * 0.97)
  const { site } = engine.run(demo)
  const outside = (site.globalWm2.subarray(0, 744).reduce((s, v) => s + v, 0) * 3600 * 0.45 * 4.57e-6) / 31
  expect(one!).toBeLessThan(outside * 1.6)
})

test(
  'light that leaves a pane in all directions lands by the view factors of a long room: crossed strings, to floor, ' +
    'back wall and roof',
  () => {
    const long: Design = {
      ...demo,
      shape: { ...demo.shape, lengthM: 100, beds: [], benches: [], shadeStripM: 0 },
      store: { ...demo.store, bodies: [] },
      skin: madeSkin(demo.skin, { endsGlazedShare: 0 }),
    }
    for (const angle of [30, 40, 50, 57.5, 60]) {
      const design = { ...long, shape: withGlazingAngle(long.shape, angle) }
      const building = makeBuilding(design)
      const pane = building.surfaces.find(s => s.kind === 'glazed')!
      const directions = leavingDirections(pane.normal)
      const scene = makeScene(building, { strip: null, outside: [] })
      const sets = [0.125, 0.375, 0.625, 0.875].map(shift => pointsOn(pane, 128, shift))
      const landed = landingsByDirection(scene, pane, directions, sets, 1)
      // As many leave within a direction’s share of the half sphere as its cosine to the pane says.
      const cosines = landed.map((_, k) => -[0, 1, 2].reduce((s, a) => s + directions[3 * k + a]! * pane.normal[a]!, 0))
      const all = cosines.reduce((a, b) => a + b, 0)
      const o = building.outline
      type P = { x: number; z: number }
      const away = (a: P, b: P) => Math.hypot(a.x - b.x, a.z - b.z)
      const [foot, ridge] = [
        { x: 0, z: o.kneeWallM },
        { x: o.ridgeAtM, z: o.ridgeHeightM },
      ]
      /**
       * Hottel's crossed strings from the pane to a strip from `a` (next to the foot's side) to `b` (next to the
       * ridge's).
       */
      const strings = (a: P, b: P) =>
        (away(foot, b) + away(ridge, a) - away(foot, a) - away(ridge, b)) / (2 * away(foot, ridge))
      const floor = strings({ x: 0, z: 0 }, { x: o.widthM, z: 0 })
      const wall = strings({ x: o.widthM, z: 0 }, { x: o.widthM, z: o.backWallM })
      const roof = strings({ x: o.widthM, z: o.backWallM }, ridge)
      const got = (id: FaceId) => landed.reduce((s, l, k) => s + (l[scene.faces.indexOf(id)]! * cosines[k]!) / all, 0)
      expect(Math.abs(got('floor') - floor)).toBeLessThan(0.02)
      expect(Math.abs(got('back wall') - wall)).toBeLessThan(0.02)
      expect(Math.abs(got('pole slope') - roof)).toBeLessThan(0.02)
    }
  },
)
