import { anAirStore } from '../../core/air-stores/registry'
import { aSource } from '../../core/sources/registry'
import { tank, wall } from '../bodies'
import fc from 'fast-check'
import { DEMOS, FORMS, pathInWords, type Design } from '../../core/design'
import { designFaults, documentFaults, madeToStand, patchDesign, type Patch } from '../../core/editing'
import { misfits } from '../../core/geometry/fit'
import { roomObjects } from '../../core/geometry/objects'
import { inForm } from '../../core/study/in-form'

const demo = DEMOS[0]!
const wrong = (design: Design, ...patches: Patch[]) =>
  designFaults(patchDesign(design, patches))
    .map(f => `${f.path}: ${f.message}`)
    .join('\n')

test(
  'houses in which something stands through the roof, in something else or off the floor are told ' +
    'what stands in what',
  () => {
    const gable = patchDesign(demo, [['shape.form', 'gable']])
    expect(wrong(gable)).toMatch(
      /store\.bodies\[0\]\.stack: stand 2\.\d\d m high, through the roof or the glass: \d\.\d\d m is clear there/,
    )
    const frame = patchDesign(demo, [
      ['shape.form', 'a-frame'],
      ['store.bodies', []],
    ])
    expect(wrong(frame)).toMatch(/shape\.beds\[0\]\.heightM: stands 0\.60 m high, through the roof or the glass/)
    expect(wrong(demo, ['store.bodies', [tank({ atM: 2.4 })]])).toMatch(/store\.bodies\[0\]\.atM: stands in bed 2/)
    expect(wrong(demo, ['store.bodies', [wall({ atM: 0.5 })]])).toMatch(/store\.bodies\[0\]\.atM: stands in bed 1/)
    const two = [tank({ atM: 3.4 }), tank({ atM: 3.6, offsetM: 1.5 })]
    expect(wrong(demo, ['store.bodies', two])).toMatch(/store\.bodies\[1\]\.atM: stands in the tank 1/)
    expect(wrong(demo, ['store.bodies', [two[0], tank({ atM: 3.6, offsetM: 2.5 })]])).toBe('')
    expect(wrong(demo, ['store.bodies.0.atM', 0.05])).toMatch(/store\.bodies\[0\]\.atM: stand in bed 1/)
    expect(wrong(demo, ['store.bodies.0.count', 2000])).toMatch(/store\.bodies\[0\]\.count: do not fit on the floor/)
    expect(wrong(demo, ['store.bodies.0.atM', 4.3])).toMatch(/store\.bodies\[0\]\.atM: do not fit on the floor/)
    expect(wrong(DEMOS[3]!, ['store.bodies.0.lengthM', 6])).toMatch(
      /store\.bodies\[0\]\.lengthM: is longer than the dome is wide there/,
    )
    expect(wrong(demo, ['store.airStores', [anAirStore('rock bed', { areaM2: 100 })]])).toMatch(/larger than the floor/)
    expect(wrong(demo, ['store.bodies', [tank({ lengthM: 1e-6 })]])).toMatch(/bodies\[0\]\.lengthM: is out of range/)
    expect(wrong(demo, ['topUp.sources', [aSource('lamps', { powerW: 92000 })]])).toMatch(
      /more light than any plant bears/,
    )
  },
)

test('a house kept from earlier is still a document, and its own misfits are no reason to lose it', () => {
  const old = patchDesign(demo, [['store.bodies.0.atM', 0.05]])
  expect(documentFaults(old)).toEqual([])
  expect(designFaults(old).length).toBeGreaterThan(0)
})

test(
  'whatever stands wherever: what is said to fit lies under the roof and in nothing else, and mending ' +
    'changes no more than it must',
  () => {
    const forms = [demo, DEMOS[1]!, DEMOS[3]!].flatMap(d => FORMS.flatMap(f => inForm(d, f) ?? []))
    expect(forms.length).toBeGreaterThan(18)
    fc.assert(
      fc.property(
        fc.constantFrom(...forms),
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.double({ min: 0.2, max: 1.5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (start, atM, heightM, bodyAtM) => {
          const k = start.shape.beds.findIndex(b => 'atM' in b)
          const design = patchDesign(start, [
            [`shape.beds.${k}.atM`, Math.min(atM, start.shape.widthM - start.shape.beds[k]!.widthM)],
            [`shape.beds.${k}.heightM`, heightM],
            ['store.bodies.0.atM', bodyAtM],
          ])
          fc.pre(documentFaults(design).length === 0)
          const mended = madeToStand(design)
          if (misfits(design).length === 0) expect(mended).toBe(design)
          if (!mended) return
          expect(misfits(mended)).toEqual([])
          const things = roomObjects(mended)
          expect(things).toHaveLength(roomObjects(design).length)
          for (const o of things) expect(o.z1).toBeLessThanOrEqual(mended.shape.ridgeHeightM + 0.011)
        },
      ),
      { numRuns: 120 },
    )
  },
)

test('places of the document are told in plain words', () => {
  expect(
    [
      'shape.beds[1].atM',
      'site.climate.lowC[3]',
      'skin.wall[2].own.density',
      'store.bodies[0].heightM',
      'topUp.sources[0].fuel',
      'nowhere.at.all',
      '',
    ].map(p => pathInWords(p, DEMOS[3]!)),
  ).toEqual([
    'Bed 2, from the sunny wall',
    'April low',
    'Walls, layer 3, own material, density',
    'Tank, high',
    'Heater, fuel',
    'The design',
    'The design',
  ])
})
