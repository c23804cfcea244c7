import { DEMOS, type BedAlong, type Design } from '../../core/design'
import { designFaults } from '../../core/editing'
import { bedSidesM2 } from '../../core/geometry/objects'
import { makeBuilding } from '../../core/geometry/surfaces'
import { unheated } from '../added'
import { cutBeds, leafed } from '../cut-beds'
import { plain } from '../plain'
import { straight } from '../straight'
import { hourly as engine } from '../shared/years'

const bedOf = (change: Partial<BedAlong>): Design => ({
  ...unheated(plain),
  shape: { ...plain.shape, beds: [{ ...straight(plain)[0]!, atM: 0.6, widthM: 1.2, ...change }], benches: [] },
})

describe('a bed that is cut lengthwise', () => {
  const cases = [plain, DEMOS[2]!].flatMap(d => [1, 6].map(leaf => [d.id, leaf, d] as const))
  test.each(cases)('%s, leaf area %d: light on the canopy and growing days stay', (_, leafArea, demo) => {
    const whole = leafed(unheated(demo), leafArea)
    const cut = cutBeds(whole, 3)
    expect(designFaults(cut)).toEqual([])
    const [a, b] = [engine.run(whole).answers, engine.run(cut).answers]
    a.months.forEach((m, i) => expect(Math.abs(b.months[i]!.dli / m.dli - 1)).toBeLessThan(0.02))
    expect(Math.abs(b.growingDays.inside / a.growingDays.inside - 1)).toBeLessThan(0.02)
    // In a dome each strip has a chord of its own; a barrel that is frozen through, or nearly, makes much of little.
    const most = a.bodies.some(body => body.iceMost > 0.9) ? 0.3 : 0.06
    if (demo.shape.form !== 'dome') expect(Math.abs(b.coldestNight.insideC - a.coldestNight.insideC)).toBeLessThan(most)
  })
})

test('light on top of the leaves: a taller neighbour shades it, one of the same height does not', () => {
  const [one, two] = [{ atM: 0.6 }, { atM: 1.7 }].map(at => ({ ...straight(plain)[0]!, ...at, widthM: 1, leafArea: 4 }))
  const second = (first: object): number => {
    const beds = [{ ...one!, ...first }, two!]
    return engine.run({ ...unheated(plain), shape: { ...plain.shape, beds, benches: [] } }).answers.beds[1]!.dli[11]!
  }
  const bare = second({ leafArea: 0 })
  expect(Math.abs(second({ leavesM: two!.leavesM }) / bare - 1)).toBeLessThan(0.01)
  expect(second({ leavesM: 1.4 }) / bare).toBeLessThan(0.8)
})

test('the side of a bed without a board is soil: as a board of next to nothing, and colder than a thick one', () => {
  const coldest = (boardM: number) => engine.run(bedOf({ boardM, heightM: 0.6 })).answers.coldestNight.insideC
  const none = coldest(0)
  expect(Math.abs(coldest(0.0001) - none)).toBeLessThan(0.01)
  // What the soil holds comes back through its side at night; wood keeps it in.
  expect(coldest(0.15)).toBeLessThan(none)
})

test('sides of a bed against a wall, an end or another bed are not free', () => {
  const sides = (beds: Partial<BedAlong>[], shape: Partial<Design['shape']> = {}) => {
    const [first] = straight(plain)
    const house = { ...plain, shape: { ...plain.shape, ...shape, beds: beds.map(b => ({ ...first!, ...b })) } }
    const building = makeBuilding(house)
    return building.objects.filter(o => o.kind === 'bed').map(o => bedSidesM2(building, o))
  }
  const L = plain.shape.lengthM
  const high = { heightM: 0.3, widthM: 1 }
  // Its ends stand against those of the house.
  expect(sides([{ ...high, atM: 1 }])[0]).toBeCloseTo(2 * L * 0.3, 9)
  // Against a sunny wall of 0.2 m it stands free above that alone.
  expect(sides([{ ...high, atM: 0 }], { kneeWallM: 0.2 })[0]).toBeCloseTo(L * 0.3 + L * 0.1, 9)
  const [low, tall] = sides([
    { ...high, atM: 1 },
    { ...high, atM: 2, heightM: 0.5 },
  ])
  expect(low).toBeCloseTo(L * 0.3, 9)
  expect(tall).toBeCloseTo(L * 0.5 + L * 0.2, 9)
})
