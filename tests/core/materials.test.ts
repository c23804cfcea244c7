import fc from 'fast-check'
import { entry, GLAZINGS, MATERIALS, NIGHT_COVERS } from '../../core/catalog'
import { DEMOS, type Design, type Layer } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { edgeConductances, GROUND_DEPTH_M, makeGroundColumn } from '../../core/ground/column'
import { cutWall, layersResistance } from '../../core/materials/assembly'
import { elementLosses, glazingConductance, groundConductance, makeChains } from '../../core/network/chains'

const demo = DEMOS[0]!
const layer = fc.record({ material: fc.constantFrom(...MATERIALS.map(m => m.id)), thicknessM: fc.double({ min: 0.002, max: 0.6, noNaN: true }) }) as fc.Arbitrary<Layer>

test('a wall cut into cells keeps its resistance and its heat', () => {
  fc.assert(fc.property(fc.array(layer, { minLength: 1, maxLength: 6 }), (layers) => {
    const cells = cutWall(layers)
    expect(cells.between).toHaveLength(cells.capacity.length - 1)
    const resistance = cells.between.reduce((s, g) => s + 1 / g, 0)
    expect(resistance / layersResistance(layers)).toBeCloseTo(1, 1)
    const heat = layers.reduce((s, l) => s + l.thicknessM * entry(MATERIALS, l.material).density * entry(MATERIALS, l.material).specificHeat, 0)
    expect(cells.capacity.reduce((s, c) => s + c, 0) / heat).toBeCloseTo(1, 9)
  }))
})

test('nominal U-values: layers with standard films, glazing as the catalogue has it, a cover in series with its leak', () => {
  const rows = Object.fromEntries(elementLosses(demo, makeBuilding(demo)).map(r => [r.name, r]))
  expect(rows['knee wall']!.uDay).toBeCloseTo(1 / (0.17 + layersResistance(demo.skin.wall)), 9)
  const glazing = entry(GLAZINGS, demo.skin.glazing)
  expect(rows['sunny slope']!.uDay).toBe(glazing.uValue)
  const cover = entry(NIGHT_COVERS, demo.skin.cover.id)
  const perfect = 1 / (1 / glazing.uValue + cover.resistance)
  expect(rows['sunny slope']!.uNight).toBeGreaterThan(perfect)
  expect(rows['sunny slope']!.uNight).toBeLessThan(glazing.uValue * 0.5)
  expect(rows['sunny slope']!.uaDay).toBeCloseTo(glazing.uValue * rows['sunny slope']!.areaM2, 6)
  expect(glazingConductance(2, { resistance: 1, edgeLeak: 1 })).toBeCloseTo(glazingConductance(2, null), 9)
})

test('the ground column reaches its depth; an edge board holds heat down to its foot and not below', () => {
  const column = makeGroundColumn(entry(MATERIALS, 'clay-soil'))
  expect(column.thicknessM.reduce((s, d) => s + d, 0)).toBeCloseTo(GROUND_DEPTH_M, 9)
  const bare = edgeConductances(column, 27, 4.6, { resistance: 0, depthM: 0 })
  const boarded = edgeConductances(column, 27, 4.6, { resistance: 1.5, depthM: 0.8 })
  column.depthM.forEach((depth, i) => {
    if (depth < 0.5) expect(boarded[i]!).toBeLessThan(bare[i]! * 0.5)
    if (depth > 1.2) expect(boarded[i]!).toBe(bare[i])
  })
})

test('the ground’s steady conductance by hand: one cell chain after another', () => {
  const design: Design = { ...demo, shape: { ...demo.shape, beds: [] }, store: { ...demo.store, floor: { material: 'gravel', thicknessM: 0 } } }
  const { chains, column } = makeChains(design, makeBuilding(design))
  const floor = chains.find(c => c.kind === 'ground')!
  // Without its sides the column is three metres of soil in series.
  const alone = groundConductance({ ...floor, lateral: floor.lateral.map(() => 0) })
  expect(alone).toBeCloseTo(floor.areaM2 * column.conductivity / GROUND_DEPTH_M, 1)
  expect(groundConductance(floor)).toBeGreaterThan(alone * 1.3)
})

test('chains: one to each surface and store, with the areas of the building', () => {
  const building = makeBuilding(demo)
  const { chains } = makeChains(demo, building)
  const skin = chains.filter(c => c.kind === 'wall' || c.kind === 'glazing').reduce((s, c) => s + c.areaM2, 0)
  expect(skin).toBeCloseTo(building.surfaces.filter(s => s.kind !== 'floor').reduce((s, x) => s + x.areaM2, 0), 9)
  expect(chains.filter(c => c.kind === 'ground').reduce((s, c) => s + c.areaM2, 0)).toBeCloseTo(building.floorAreaM2, 9)
  const water = chains.find(c => c.kind === 'water')!
  expect(water.capacity[0]).toBeCloseTo(14 * 200 * 4184, 6)
  expect(chains.find(c => c.face === 'back wall')!.capacity.reduce((s, c) => s + c, 0)).toBeGreaterThan(0.2 * 2000 * 1000 * 20)
})
