import { barrelsOf } from '../bodies'
import fc from 'fast-check'
import { entry, GLAZINGS } from '../../core/catalog'
import { DEMOS, type Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { clearStack } from '../../core/optics/fresnel'
import { HOUR_ANGLES } from '../../core/optics/landing'
import { makeLightTable } from '../../core/optics/light-table'
import { atCosine, glazingAt, makeGlazingLight } from '../../core/optics/glazing-light'
import { addLobe, hazeOf, LEAVING, leavingDirections } from '../../core/optics/lobe'
import { skyOnPlane, skyShape } from '../../core/optics/sky'
import { planeNormal, skyVector } from '../../core/sun'
import { plain } from '../plain'
import { engine } from '../shared/years'

const demo = DEMOS[0]!

test('any clear stack keeps its light: the three shares add up to one, more sheets let less through', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1.2, max: 1.8, noNaN: true }),
      fc.double({ min: 0, max: 0.3, noNaN: true }),
      fc.integer({ min: 1, max: 4 }),
      fc.double({ min: 0.02, max: 1, noNaN: true }),
      (n, kl, sheets, c) => {
        const a = clearStack(n, kl, sheets, c)
        expect(a.transmittance + a.reflectance + a.absorptance).toBeCloseTo(1, 9)
        expect(clearStack(n, kl, sheets + 1, c).transmittance).toBeLessThan(a.transmittance)
      },
    ),
  )
})

test('every glazing of the catalogue is lossy, bounded, and dims towards the glance', () => {
  for (const g of GLAZINGS) {
    for (let c = 0; c <= 1; c += 0.05) {
      const l = glazingAt(g, c)
      for (const share of [l.transmittance, l.reflectance, l.absorptance]) {
        expect(share).toBeGreaterThanOrEqual(-1e-9)
        expect(share).toBeLessThanOrEqual(1)
      }
      if (c > 0.05) expect(l.transmittance).toBeGreaterThanOrEqual(glazingAt(g, c - 0.05).transmittance - 1e-9)
    }
    const table = makeGlazingLight(g)
    expect(atCosine(table.transmittance, 0.777)).toBeCloseTo(glazingAt(g, 0.777).transmittance, 3)
    expect(table.diffuse.transmittance).toBeLessThan(glazingAt(g, 1).transmittance)
  }
})

test('film keeps its light within 40° of square; webs take some of it, the more the closer they stand', () => {
  const at40 = (id: string) => {
    const sheet = entry(GLAZINGS, id)
    return glazingAt(sheet, Math.cos((40 * Math.PI) / 180)).transmittance / glazingAt(sheet, 1).transmittance
  }
  expect(at40('film-1')).toBeGreaterThan(0.98)
  expect(at40('film-2')).toBeGreaterThan(0.98)
  expect(at40('twinwall-10')).toBeLessThan(0.96)
  expect(at40('twinwall-10')).toBeGreaterThan(0.9)
  expect(at40('acrylic-16')).toBeGreaterThan(at40('twinwall-10'))
})

test('a lobe is as long as its weight, whatever the sheet, and narrows as the haze lessens', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 0.95, noNaN: true }),
      fc.double({ min: 0, max: 0.99, noNaN: true }),
      fc.double({ min: 0.05, max: 1.52, noNaN: true }),
      (haze, forward, fromSquare) => {
        const directions = leavingDirections([0.6, 0, 0.8])
        const weights = new Float64Array(LEAVING)
        const [s, c] = [Math.sin(fromSquare), Math.cos(fromSquare)]
        const of = (meanCosine: number) =>
          addLobe(directions, -0.6 * c + 0.8 * s, 0, -0.8 * c - 0.6 * s, meanCosine, 2, weights)
        const core = of(hazeOf({ haze, forward })!.meanCosine)
        expect(core + weights.reduce((a, b) => a + b, 0)).toBeCloseTo(2, 9)
        expect(Math.min(core, ...weights)).toBeGreaterThan(-1e-12)
      },
    ),
  )
  const meanOf = (haze: number) => hazeOf({ haze })!.meanCosine
  expect(meanOf(0.2)).toBeGreaterThan(meanOf(0.8))
  expect(meanOf(1e-6)).toBeCloseTo(0.9, 4)
  expect(hazeOf({ haze: 0 })).toBeNull()
})

test('hazy twin-wall never lights a bed in winter more than as many clear panes do, nor do five walls', () => {
  const dli = (glazing: string) => engine.run({ ...plain, skin: { ...plain.skin, glazing } }).answers.months[11]!.dli
  const [two, twin, five] = ['glass-2', 'twinwall-10', 'multiwall-25'].map(dli)
  expect(twin!).toBeLessThan(1.06 * two!)
  expect(five!).toBeLessThan(0.95 * twin!)
})

test('under a dull sky a wall gets half of the level’s diffuse light, on the level all of it', () => {
  const sun = skyVector(30, 180)
  const dull = skyShape(100, 0, 30, 1361)
  const wall = skyOnPlane(dull, planeNormal(90, 180), sun, 0)
  expect(wall.withBeam + wall.spread).toBeGreaterThan(0.35)
  expect(wall.withBeam + wall.spread).toBeLessThan(0.65)
  const level = skyOnPlane(dull, planeNormal(0, 180), sun, sun.u)
  expect(level.withBeam + level.spread).toBeCloseTo(1, 6)
})

test('under a clear sky the sunny wall gets more diffuse light than the shaded one', () => {
  const sun = skyVector(25, 180)
  const clear = skyShape(70, 750, 25, 1361)
  const to = (azimuth: number) => {
    const normal = planeNormal(90, azimuth)
    const part = skyOnPlane(clear, normal, sun, Math.max(0, normal.n * sun.n + normal.e * sun.e))
    return part.withBeam + part.spread
  }
  expect(to(180)).toBeGreaterThan(1.5 * to(0))
})

test('dark barrels in the beam take in more than white ones, and raising a bed shades what is behind it', () => {
  const share = (design: Design, face: string) => {
    const { faces, panes: landings } = makeLightTable(design, makeBuilding(design))
    const i = faces.findIndex(f => f.id === face)
    // Noon of a winter day: the lowest declination but one, hour angle 0.
    return landings.find(l => l.surface.id === 'sunny slope')!.beam[
      (1 * HOUR_ANGLES + HOUR_ANGLES / 2) * faces.length + i
    ]!
  }
  const colour = (id: string): Design => ({
    ...demo,
    store: { ...demo.store, bodies: [barrelsOf(demo, { colour: id })] },
  })
  expect(share(colour('black'), 'body 0')).toBeGreaterThan(1.8 * share(colour('white'), 'body 0'))
  const high: Design = {
    ...demo,
    shape: { ...demo.shape, beds: [demo.shape.beds[0]!, { ...demo.shape.beds[1]!, heightM: 1.4 }] },
  }
  expect(share(high, 'body 0')).toBeLessThan(share(demo, 'body 0'))
})
