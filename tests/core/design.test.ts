import fc from 'fast-check'
import { COLOURS, FUELS, GLAZINGS, LEAKAGE_CLASSES, MATERIALS, NIGHT_COVERS, VESSELS } from '../../core/catalog'
import { DEMOS, startingDesign, fieldsAlong } from '../../core/design'
import { faultLine } from '../../core/design/validate'
import { designFaults, patchDesign } from '../../core/editing'
import { designCautions } from '../../core/advice/cautions'
import { layersResistance } from '../../core/materials/assembly'
import { angleSchools } from '../../core/sums/glazing-angle'
import { aired } from '../openings'

const demo = DEMOS[0]!
const faultsOf = (path: string, value: unknown) => designFaults(patchDesign(demo, [[path, value]]))

test('the demos and the starting design are sound', () => {
  for (const d of [...DEMOS, startingDesign('x', 'New')]) expect(designFaults(d)).toEqual([])
})

test.each([
  ['shape.lengthM', -2, 'shape.lengthM'],
  ['shape.lengthM', Number.NaN, 'shape.lengthM'],
  ['shape.lengthM', '9', 'shape.lengthM'],
  ['site.latitudeDeg', 91, 'site.latitudeDeg'],
  ['site.timeZone', 'Middle/Earth', 'site.timeZone'],
  ['skin.glazing', 'sugar', 'skin.glazing'],
  ['skin.wall', [], 'skin.wall'],
  ['skin.wall.0.material', 'gold', 'skin.wall[0].material'],
  ['site.climate.lowC.3', 40, 'site.climate.highC[3]'],
  ['site.climate.lowC', [1, 2], 'site.climate.lowC'],
  ['site.climate', null, 'site.climate'],
  ['shape.ridgeHeightM', 0.9, 'shape.ridgeHeightM'],
  ['shape.ridgeAtM', 4.6, 'shape.ridgeAtM'],
  ['shape.backWallM', 5, 'shape.backWallM'],
  ['shape.beds.1.atM', 0.5, 'shape.beds[1].atM'],
  ['shape.beds.1.atM', 4, 'shape.beds[1].atM'],
  ['skin.openings.0.fullC', 15, 'skin.openings[0].fullC'],
  ['store.bodies.0.count', 2.5, 'store.bodies[0].count'],
  ['store.bodies.0.count', 390, 'store.bodies[0].count'],
  ['aim.lowestAirC', 29.5, null],
  ['topUp.sources.0.on', 'yes', 'topUp.sources[0].on'],
  ['schemaVersion', 7, 'schemaVersion'],
  ['name', '', 'name'],
] as const)('%s = %p is refused at %s', (path, value, at) => {
  const faults = faultsOf(path, value)
  if (at === null) {
    expect(faults).toEqual([])
    return
  }
  expect(faults.map(f => f.path)).toContain(at)
  for (const f of faults) {
    expect(f.message).not.toBe('')
    expect(f.allowed).not.toBe('')
    expect(faultLine(f)).toContain('allowed:')
  }
})

test('a field that nobody knows is named', () => {
  const fault = designFaults({ ...demo, shape: { ...demo.shape, turrets: 3 } })[0]!
  expect(fault.path).toBe('shape')
  expect(fault.message).toContain('turrets')
})

test('anything at all can be checked: sentences come back, nothing throws, and no fault slips through', () => {
  fc.assert(
    fc.property(fc.anything(), thing => {
      const faults = designFaults(thing)
      expect(faults.length).toBeGreaterThan(0)
    }),
    { numRuns: 500 },
  )
  const leaves: string[] = []
  const walk = (node: unknown, path: string) => {
    if (typeof node === 'object' && node !== null)
      Object.entries(node).forEach(([k, v]) => walk(v, path ? `${path}.${k}` : k))
    // What may be null (a spell, a part's own glazing) takes null for an answer.
    else if (fieldsAlong(path, demo)?.at(-1)?.kind !== 'or null') leaves.push(path)
  }
  walk(demo, '')
  fc.assert(
    fc.property(
      fc.constantFrom(...leaves),
      fc.oneof(fc.constant(undefined), fc.constant(null), fc.object(), fc.constant(Infinity), fc.constant([])),
      (path, value) => {
        const faults = faultsOf(path, value)
        expect(faults.length).toBeGreaterThan(0)
        expect(faults[0]!.path.replace(/\[(\d+)\]/g, '.$1').split('.')[0]).toBe(path.split('.')[0])
      },
    ),
    { numRuns: 400 },
  )
})

test('the catalogue holds together: ids are single, values in range, every entry has its source', () => {
  for (const list of [
    GLAZINGS,
    MATERIALS,
    NIGHT_COVERS,
    LEAKAGE_CLASSES,
    VESSELS,
    FUELS,
    COLOURS,
  ] as readonly (readonly { id: string }[])[])
    expect(new Set(list.map(e => e.id)).size).toBe(list.length)
  for (const m of MATERIALS) {
    expect(m.conductivity).toBeGreaterThan(0.015)
    expect(m.density * m.specificHeat).toBeGreaterThan(1e4)
    expect(m.source.length).toBeGreaterThan(4)
  }
  for (const g of GLAZINGS) expect(g.uValue).toBeGreaterThan(0.4)
  for (const list of [GLAZINGS, NIGHT_COVERS, LEAKAGE_CLASSES, VESSELS, FUELS])
    for (const e of list) expect(e.source.length).toBeGreaterThan(4)
})

test('cautions stand where the work can hurt, and go when it cannot', () => {
  const texts = (d: typeof demo) =>
    designCautions(d, null)
      .map(c => `${c.step}: ${c.text}`)
      .join('\n')
  expect(texts(demo)).toMatch(/shape: Snow .*engineer/)
  // What is said of every house stands apart from the faults of this one.
  const low = patchDesign(demo, [['aim.practical.headroomM', 4]])
  const faults = (d: typeof demo) =>
    designCautions(d, null)
      .filter(c => !c.general)
      .map(c => c.text)
  expect(faults(low).filter(text => !faults(demo).includes(text))).toEqual([expect.stringMatching(/^Heads hit/)])
  expect(designCautions(demo, null).find(c => /^Snow/.test(c.text))!.general).toBe(true)
  expect(texts(demo)).toMatch(/store: What stands high weighs 2\.8\st/)
  expect(
    texts(
      patchDesign(demo, [
        ['store.bodies.0.stack', 1],
        ['store.bodies.0.raisedM', 0],
      ]),
    ),
  ).not.toMatch(/weighs/)
  expect(
    texts(
      patchDesign(demo, [
        ['topUp.sources.0.on', true],
        ['topUp.sources.0.fuel', 'wood'],
      ]),
    ),
  ).toMatch(/carbon monoxide/)
  expect(texts(patchDesign(demo, [['skin.wall', [{ material: 'xps', thicknessM: 0.1 }]]]))).toMatch(/foam burns/)
  expect(texts(aired(demo, { lowM2: 1, highM2: 1 }))).toMatch(/Little to breathe/)
})

test('the schools of the glazing angle follow from the latitude, whichever hemisphere', () => {
  const angles = Object.fromEntries(angleSchools(47.4, 21.7).map(s => [s.id, s.angleDeg]))
  expect(angles).toMatchObject({ 'equinox': 47.4, 'plus-15': 62.4, 'plus-20': 67.4 })
  expect(angles.solstice).toBeCloseTo(70.84, 2)
  expect(angles.coldest).toBeCloseTo(68.3, 6)
  expect(angleSchools(-47.4, 21.7)).toEqual(angleSchools(47.4, 21.7))
})

test('resistance of layers adds up', () => {
  expect(
    layersResistance([
      { material: 'eps', thicknessM: 0.18 },
      { material: 'softwood', thicknessM: 0.026 },
    ]),
  ).toBeCloseTo(5.2, 9)
})
