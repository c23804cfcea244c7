import fc from 'fast-check'
import { entry, GLAZINGS, MATERIALS, NIGHT_COVERS } from '../../core/catalog'
import { DEMOS, type Layer } from '../../core/design'
import { framedBy } from '../../core/frame/timber'
import { makeBuilding } from '../../core/geometry/surfaces'
import { cutWall, layersResistance } from '../../core/materials/assembly'
import { elementLosses, makeFabric } from '../../core/network/chains'
import { gapConvection, glazingConductance, tiltedResistance } from '../../core/optics/glazing-heat'

const demo = DEMOS[0]!
const layer = fc.record({
  material: fc.constantFrom(...MATERIALS.map(m => m.id)),
  thicknessM: fc.double({ min: 0.002, max: 0.6, noNaN: true }),
}) as fc.Arbitrary<Layer>

test('a wall cut into cells keeps its resistance and its heat', () => {
  fc.assert(
    fc.property(fc.array(layer, { minLength: 1, maxLength: 6 }), layers => {
      const cells = cutWall(layers)
      expect(cells.between).toHaveLength(cells.capacity.length - 1)
      const resistance = cells.between.reduce((s, g) => s + 1 / g, 0)
      expect(resistance / layersResistance(layers)).toBeCloseTo(1, 1)
      const heat = layers.reduce(
        (s, l) => s + l.thicknessM * entry(MATERIALS, l.material).density * entry(MATERIALS, l.material).specificHeat,
        0,
      )
      expect(cells.capacity.reduce((s, c) => s + c, 0) / heat).toBeCloseTo(1, 9)
    }),
  )
})

test(
  'nominal U-values: layers with standard films, glazing as the catalogue has it, a cover in series ' + 'with its leak',
  () => {
    const rows = Object.fromEntries(elementLosses(demo, makeBuilding(demo)).map(r => [r.name, r]))
    const framed = framedBy(demo, makeBuilding(demo).outline)('kneeWall', demo.skin.wall)
    expect(rows['knee wall']!.uDay).toBeCloseTo(1 / (0.17 + layersResistance(framed)), 9)
    const glazing = entry(GLAZINGS, demo.skin.glazing)
    expect(rows['sunny slope']!.uDay).toBeGreaterThanOrEqual(glazing.uValue - 1e-9)
    expect(rows['east end glazing']!.uDay).toBeCloseTo(glazing.uValue, 9)
    const cover = entry(NIGHT_COVERS, demo.skin.cover.id)
    const perfect = 1 / (1 / glazing.uValue + cover.resistance)
    expect(rows['sunny slope']!.uNight).toBeGreaterThan(perfect)
    expect(rows['sunny slope']!.uNight).toBeLessThan(glazing.uValue * 0.5)
    expect(rows['sunny slope']!.uaDay).toBeCloseTo(rows['sunny slope']!.uDay * rows['sunny slope']!.areaM2, 6)
    expect(glazingConductance(0.4, { resistance: 1, edgeLeak: 1 })).toBeCloseTo(2.5, 9)
  },
)

test('chains: one to each part of the skin and each store, with the areas of the building', () => {
  const building = makeBuilding(demo)
  const { chains } = makeFabric(demo, building)
  const skin = chains.filter(c => c.kind === 'wall' || c.kind === 'glazing').reduce((s, c) => s + c.areaM2, 0)
  expect(skin).toBeCloseTo(
    building.surfaces.filter(s => s.kind !== 'floor').reduce((s, x) => s + x.areaM2, 0),
    9,
  )
  expect(chains.filter(c => c.kind === 'ground').reduce((s, c) => s + c.areaM2, 0)).toBeCloseTo(building.floorAreaM2, 9)
  const water = chains.find(c => c.waterKg > 0)!
  expect(water.capacity[0]).toBeCloseTo(14 * 200 * 4184, 6)
  expect(chains.find(c => c.face === 'back wall')!.capacity.reduce((s, c) => s + c, 0)).toBeGreaterThan(
    0.2 * 2000 * 1000 * 20,
  )
})

test('glazing by tilt: gaps pass more the flatter they lie, single sheets and narrow cells do not', () => {
  const at = (id: string, tilt: number) => tiltedResistance(entry(GLAZINGS, id), tilt)
  expect(at('glass-2', 0)).toBeLessThan(0.97 * at('glass-2', 90))
  expect(at('glass-2', 45)).toBeGreaterThanOrEqual(at('glass-2', 0))
  expect(at('glass-1', 0)).toBe(at('glass-1', 90))
  // EN 673: about 1.9 W/m²K of convection in 16 mm upright, more lying; radiation is the same.
  expect(gapConvection(0.016, 90)).toBeGreaterThan(1.5)
  expect(gapConvection(0.016, 90)).toBeLessThan(2.2)
  expect(gapConvection(0.004, 90)).toBeCloseTo(0.0253 / 0.004, 6)
})
