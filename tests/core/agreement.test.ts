import { disagreement, watchedEngine } from '../../core/agreement'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { yearView } from '../../core/view'
import { createYearEngine, inLight, onSite } from '../../core/year'
import { makeSiteYear } from '../../core/climate'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeLightTable } from '../../core/optics/light-table'

const demo = DEMOS[0]!
const engine = createYearEngine()
const year = engine.run(demo, { unheated: false })
const changed = (how: (a: typeof year.answers) => void): typeof year => {
  const answers = structuredClone(year.answers)
  how(answers)
  return { ...year, answers }
}

describe('a year whose figures contradict each other is not shown', () => {
  test('a sound one is', () => {
    expect(disagreement(yearView(demo, year))).toBeNull()
    expect(watchedEngine(engine).view(demo).answers.coldestNight.insideC).toBe(year.answers.coldestNight.insideC)
  })

  test.each([
    [
      'the hottest hour told as the coldest',
      (a: typeof year.answers) => Object.assign(a.coldestNight, { insideC: a.hottestAfternoon.insideC }),
      /the coldest night is not the coldest of its hours/,
    ],
    [
      'the coldest told as the hottest',
      (a: typeof year.answers) => Object.assign(a.hottestAfternoon, { insideC: a.coldestNight.insideC }),
      /the hottest afternoon is not/,
    ],
    [
      'another hour',
      (a: typeof year.answers) => Object.assign(a.coldestNight, { hour: 5000 }),
      /the hour of the coldest/,
    ],
    [
      'a month that is colder',
      (a: typeof year.answers) => Object.assign(a.months[0]!, { insideMinC: -40 }),
      /the months have another coldest night/,
    ],
  ] as const)('%s', (_, how, why) => {
    const wrong = changed(how)
    expect(disagreement(yearView(demo, wrong))).toMatch(why)
    const watched = watchedEngine({ run: () => wrong, coldest: engine.coldest })
    expect(() => watched.view(demo)).toThrow(why)
  })

  test('hours that are no numbers, and a night that was told otherwise ahead of its year', () => {
    const airC = year.series.airC.slice()
    airC[100] = NaN
    expect(disagreement(yearView(demo, { ...year, series: { ...year.series, airC } }))).toMatch(/no air/)
    const ahead = { ...year.answers.coldestNight, insideC: year.answers.hottestAfternoon.insideC }
    const watched = watchedEngine({ run: engine.run, coldest: () => ahead })
    watched.coldest(demo, { heated: true })
    expect(() => watched.view(structuredClone(demo))).toThrow(/another coldest night was told ahead/)
    // Of another design nothing was told.
    const other = patchDesign(demo, [['store.bodies.0.count', 3]])
    expect(() => watched.view(other)).not.toThrow()
  })
})

/** A value that notes which places of it are read. */
function noted<T extends object>(value: T, path: string, reads: Set<string>): T {
  return new Proxy(value, {
    get(target, key, receiver) {
      const its: unknown = Reflect.get(target, key, receiver)
      if (typeof key === 'symbol' || typeof its === 'function' || !Object.hasOwn(target, key)) return its
      const at = path ? `${path}.${key}` : key
      reads.add(at)
      return typeof its === 'object' && its !== null ? noted(its, at, reads) : its
    },
  })
}
const readsOf = (design: Design, work: (noting: Design) => unknown): Set<string> => {
  const reads = new Set<string>()
  work(noted(design, '', reads))
  // A branch that is only walked through is read where its leaves are.
  return new Set([...reads].filter(at => ![...reads].some(other => other.startsWith(`${at}.`))))
}

describe('what a stage is remembered by is all that it reads of the document', () => {
  test.each(DEMOS.map(d => [d.id, d] as const))('light of %s', (_, design) => {
    const building = makeBuilding(design)
    const declared = readsOf(design, d => inLight(d))
    const read = readsOf(design, d => makeLightTable(d, building))
    expect(read.size).toBeGreaterThan(5)
    const covered = (at: string) =>
      declared.has(at) || [...declared].some(d => at.startsWith(`${d}.`) || d.startsWith(`${at}.`))
    expect([...read].filter(at => !covered(at))).toEqual([])
  })

  test.each(DEMOS.map(d => [d.id, d] as const))('the year outside of %s', (_, design) => {
    const declared = readsOf(design, d => onSite(d.site))
    const read = readsOf(design, d => makeSiteYear(d.site as never))
    expect(read.size).toBeGreaterThan(5)
    const covered = (at: string) =>
      [...declared].some(d => at === d || at.startsWith(`${d}.`) || d.startsWith(`${at}.`))
    expect([...read].filter(at => !covered(at))).toEqual([])
  })

  test('a read that is not declared is found', () => {
    const read = readsOf(demo, d => [d.skin.glazing, d.skin.cover.fit])
    const declared = readsOf(demo, d => d.skin.glazing)
    expect([...read].filter(at => !declared.has(at))).toEqual(['skin.cover.fit'])
  })
})
