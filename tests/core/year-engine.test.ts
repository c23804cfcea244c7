import { DEMOS, type HourlyClimate } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { createYearEngine } from '../../core/year'
import { withHours } from '../hours'

const demo = DEMOS[0]!

test(
  'a weather file read again under its name with another sky, beam or diffuse light gives another ' +
    'year, as a new engine does',
  () => {
    const engine = createYearEngine()
    const before = engine.run(withHours(demo)).answers
    for (const change of [
      { skyInfraredWm2: (v: number) => v * 0.8 },
      { beamWm2: (v: number) => v * 0.4 },
      { diffuseWm2: (v: number) => v * 0.4 },
      { dewPointC: (v: number) => v - 6 },
    ]) {
      const design = withHours(demo, change)
      const again = engine.run(structuredClone(design)).answers
      const anew = createYearEngine().run(design).answers
      expect({ ...again, runMs: 0 }).toEqual({ ...anew, runMs: 0 })
      expect(JSON.stringify(again.months)).not.toBe(JSON.stringify(before.months))
    }
  },
)

test(
  'stages whose branches are as they were are remembered, also for a copy of the document; the others ' + 'are not',
  () => {
    let clock = 0
    const engine = createYearEngine(() => clock++)
    const first = engine.run(demo)
    const copy = engine.run(structuredClone(demo))
    expect(copy.site).toBe(first.site)
    expect(copy.gains).toBe(first.gains)
    const mass = engine.run(
      patchDesign(demo, [
        ['store.linings.0.thicknessM', 0.3],
        ['skin.cover.onlyBelowC', 5],
      ]),
    )
    expect(mass.gains).toBe(first.gains)
    // What a body is filled with is nothing to the light; where it stands and its colour are.
    const drums = demo.store.bodies.findIndex(b => b.kind === 'drums')
    const filled = engine.run(patchDesign(demo, [[`store.bodies.${drums}.contents`, 'sand']]))
    expect(filled.gains).toBe(first.gains)
    expect(filled.answers.coldestNight.insideC).not.toBe(first.answers.coldestNight.insideC)
    expect(engine.run(patchDesign(demo, [[`store.bodies.${drums}.colour`, 'white']])).gains).not.toBe(first.gains)
    engine.run(demo)
    const turned = engine.run(patchDesign(demo, [['shape.turnDeg', 30]]))
    expect(turned.site).toBe(first.site)
    expect(turned.gains).not.toBe(first.gains)
    const seed = engine.run(patchDesign(demo, [['site.seed', 8]]))
    expect(seed.site).not.toBe(first.site)
  },
)

test('a year whose arithmetic breaks is a failed year with the day and hour, never figures', () => {
  const broken = withHours(demo)
  ;(broken.site.climate as HourlyClimate).dryBulbC[5000] = NaN
  expect(() => createYearEngine().run(broken)).toThrow(
    /The year broke off on .* at \d+:00, where the air inside came to no number/,
  )
})
