import { DEMOS, type Design } from '../../core/design'
import { designFaults, patchDesign } from '../../core/editing'
import { laidOn, MOVES } from '../../core/moves/registry'
import { briefOf, LISTS, withoutThing } from '../../core/study/brief'
import { aSource } from '../../core/sources/registry'
import { withSources } from '../added'
import { hourly as engine } from '../shared/years'

const [ash, , fjellro] = DEMOS as [Design, Design, Design]
const brief = (d: Design) => briefOf(d, engine.run(d, { unheated: false }).answers)

describe('damp of a year', () => {
  const { answers, series } = engine.run(ash)

  test('months add up to the year, faces to all that condensed', () => {
    expect(answers.damp.hours.reduce((a, b) => a + b, 0)).toBe(answers.hoursDamp)
    const faces = answers.damp.faces.reduce((sum, f) => sum + f.total, 0)
    expect(faces / answers.condensedKg).toBeGreaterThan(0.98)
    expect(faces / answers.condensedKg).toBeLessThan(1.001)
    for (const f of answers.damp.faces) expect(f.kg.reduce((a, b) => a + b, 0)).toBeCloseTo(f.total, 6)
    expect(series.condensedOn.skin).toHaveLength(series.skin.length)
  })

  test('the wettest face is glass, and it is wet in the cold half of the year', () => {
    const [wettest] = answers.damp.faces
    expect(wettest!.name).toMatch(/slope|front|glazing/)
    const winter = [9, 10, 11, 0, 1, 2].reduce((sum, m) => sum + wettest!.kg[m]!, 0)
    expect(winter).toBeGreaterThan(0.6 * wettest!.total)
  })

  test('film over the soil dries the air; more glass that is warm collects less', () => {
    const film = laidOn(
      ash,
      MOVES.filter(m => m.id === 'drier-soil'),
    )
    expect(film).toHaveLength(1)
    expect(brief(film[0]!.design).condensedKg).toBeLessThan(answers.condensedKg)
  })
})

describe('with and without', () => {
  test('each thing of each list can be left out of each demo, and the rest stays sound', () => {
    for (const demo of DEMOS)
      for (const path of LISTS) {
        const [branch, name] = path.split('.') as ['store', 'bodies']
        const list = demo[branch][name] as unknown[]
        list.forEach((_, i) => {
          const without = withoutThing(demo, path, i)
          expect((without[branch][name] as unknown[]).length).toBe(list.length - 1)
          expect(designFaults(without)).toEqual([])
        })
      }
  })

  test('without its heater the house is colder and buys no heat; without its barrels it is colder', () => {
    const heated = withSources(ash, aSource('heater', { setPointC: 6 }))
    const [now, without] = [brief(heated), brief(withoutThing(heated, 'topUp.sources', 0))]
    expect(now.heatKWh).toBeGreaterThan(0)
    expect(without.heatKWh).toBe(0)
    expect(without.coldestC).toBeLessThan(now.coldestC)
    const i = ash.store.bodies.findIndex(b => b.kind === 'drums')
    const bare = brief(withoutThing(ash, 'store.bodies', i))
    expect(bare.coldestC).toBeLessThan(brief(ash).coldestC)
    expect(bare.cost).toBeLessThan(brief(ash).cost)
  })

  test('what was to warm a body that is taken out warms another, and sources keep their bodies', () => {
    const aimed = patchDesign(fjellro, [['topUp.sources', [aSource('spare power', { body: 1 })]]])
    const without = withoutThing(aimed, 'store.bodies', 0)
    expect(without.topUp.sources[0]).toMatchObject({ body: 0 })
  })
})
