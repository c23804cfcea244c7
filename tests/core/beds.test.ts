import { leafByMonth, leavesM } from '../../core/aim/leaf'
import { MOL_PER_JOULE } from '../../core/light-of-days'
import { MONTH_DAYS, MONTH_OF_DAY } from '../../core/climate'
import {
  bedAt,
  benchAt,
  DEMOS,
  migrateDesign,
  type Bed,
  type BedAlong,
  type Bench,
  type CropMonth,
  type Design,
  type Layer,
} from '../../core/design'
import { designFaults, patchDesign, withoutBed } from '../../core/editing'
import { floorStrips } from '../../core/geometry/floor'
import { freeStrips, pathStrip } from '../../core/geometry/objects'
import { makeBuilding } from '../../core/geometry/surfaces'
import { darkLeafC } from '../../core/network/transpiration'
import { groundSlice, makeFabric } from '../../core/network/chains'
import { takeoff } from '../../core/takeoff/takeoff'
import { unheated } from '../added'
import { plain } from '../plain'
import { straight } from '../straight'
import { hourly as engine } from '../shared/years'

const demo = unheated(plain)
const run = (d: Design) => engine.run(d).answers
const withBeds = (beds: Bed[]): Design => ({ ...demo, shape: { ...demo.shape, beds } })
const changed = (own: Partial<BedAlong>) => withBeds(straight(demo).map(b => ({ ...b, ...own })))
const withFloor = (floor: Partial<Design['store']['floor']>): Design => ({
  ...demo,
  store: { ...demo.store, floor: { ...demo.store.floor, ...floor } },
})
const slab: Layer = { material: 'concrete', thicknessM: 0.12 }
const foam: Layer = { material: 'xps', thicknessM: 0.1 }

describe('beds, each with its own', () => {
  const months: CropMonth[] = ['grow', 'grow', 'hold', '', '', '', '', '', '', 'hold', 'grow', 'grow']
  const aim = { crops: [{ id: 'spinach', needs: null, months }] }

  test('leaf stands by the months of its crop; without one it stands all year', () => {
    expect(leafByMonth(aim, bedAt(0, 1, 0.3, { leafArea: 2 }))).toEqual(Array(12).fill(2))
    const leaf = leafByMonth(aim, bedAt(0, 1, 0.3, { leafArea: 2, crop: 'spinach' }))
    expect(leaf).toEqual([2, 2, 1.4, 0, 0, 0, 0, 0, 0, 1.4, 2, 2])
    // A crop that is no longer chosen under Aim.
    expect(leafByMonth({ crops: [] }, bedAt(0, 1, 0.3, { crop: 'spinach' }))).toEqual(Array(12).fill(1))
    // What comes after it has the months in which nothing is asked of the first, and none of the others.
    const [first] = aim.crops
    const turned = first!.months.map(m => (m === '' ? 'grow' : '')) as CropMonth[]
    const crops = [first!, { id: 'tomato', needs: null, months: turned }]
    const two = leafByMonth({ crops }, bedAt(0, 1, 0.3, { leafArea: 2, crop: 'spinach', thenCrop: 'tomato' }))
    expect(two).toEqual(first!.months.map((m, i) => (m === '' ? 2 : leaf[i])))
    // Without a first there is no second: planted all year, as it was.
    expect(leafByMonth({ crops }, bedAt(0, 1, 0.3, { thenCrop: 'tomato' }))).toEqual(Array(12).fill(1))
    const high = leavesM(bedAt(0, 1, 0.3, { crop: 'spinach', thenCrop: 'tomato' }))
    expect(high).toBe(leavesM(bedAt(0, 1, 0.3, { crop: 'tomato' })))
    expect(high).toBeGreaterThan(leavesM(bedAt(0, 1, 0.3, { crop: 'spinach' })))
  })

  test('in months without leaves a bed gives off less, and in the others as much', () => {
    const crops = [{ id: 'spinach', needs: null, months }]
    const cropped = run({ ...changed({ crop: 'spinach', leafArea: 3 }), aim: { ...demo.aim, crops } })
    const always = run({ ...changed({ leafArea: 3 }), aim: { ...demo.aim, crops } })
    const damp = (a: typeof always, m: number) => a.ledgerMonths[m]!.losses['damp air']!
    expect(damp(cropped, 6)).toBeLessThan(0.8 * damp(always, 6))
    expect(damp(cropped, 0) / damp(always, 0)).toBeCloseTo(1, 1)
  })

  test('what two beds give off is what each gives off: one planted of two lies between none and both', () => {
    const [a, b] = demo.shape.beds as [Bed, Bed]
    const with_ = (x: number, y: number) =>
      run(
        withBeds([
          { ...a, leafArea: x },
          { ...b, leafArea: y },
        ]),
      ).ledger.losses['damp air']!
    const [none, first, both] = [with_(0, 0), with_(3, 0), with_(3, 3)]
    expect(first).toBeGreaterThan(none + 0.2 * (both - none))
    expect(first).toBeLessThan(none + 0.8 * (both - none))
  })

  test('mulch and film hold water in the soil', () => {
    const [bare, mulch, film] = (['bare', 'mulch', 'film'] as const).map(soilCover =>
      run(changed({ soilCover, leafArea: 0 })),
    ) as [ReturnType<typeof run>, ReturnType<typeof run>, ReturnType<typeof run>]
    expect(mulch.hoursDamp).toBeLessThan(bare.hoursDamp)
    expect(film.ledger.losses['damp air']!).toBeLessThan(mulch.ledger.losses['damp air']!)
    for (const a of [bare, mulch, film]) expect(a.ledger.closure).toBeLessThan(1e-5)
  })

  test('each is as deep as it is itself: soil in the columns of a high one and of a low one', () => {
    const house = withBeds([bedAt(0.15, 1.1, 0.8), bedAt(2.2, 0.95, 0.1)])
    const { chains } = makeFabric(house, makeBuilding(house))
    const joules = (bed: number) => {
      const own = chains.filter(c => c.bedIndex === bed)
      const above = own.reduce((sum, c) => sum + c.capacity.slice(4).reduce((s, x) => s + x, 0), 0)
      return above / own.reduce((sum, c) => sum + c.areaM2, 0)
    }
    expect(joules(0) / joules(1)).toBeCloseTo(8, 6)
    for (const c of chains.filter(x => x.bed)) expect(c.rootCell).toBeLessThan(c.capacity.length - 1)
    expect(run(house).ledger.closure).toBeLessThan(1e-5)
  })

  test('two that touch keep their own columns', () => {
    const house = withBeds([bedAt(0.5, 0.9, 0.5), bedAt(1.4, 0.9, 0.2)])
    expect(designFaults(house)).toEqual([])
    const { floor, tops } = groundSlice(house, makeBuilding(house))
    expect(new Set(tops.map(t => t.bed))).toEqual(new Set([-1, 0, 1]))
    expect(floor[tops.filter(t => t.bed === 0).at(-1)!.column]!.x1).toBeCloseTo(1.4, 9)
  })
})

describe('a floor by zone', () => {
  test('the path is the widest way through, and is cut out of the ground only where it is made otherwise', () => {
    const strips = freeStrips(demo)
    const path = pathStrip(demo)!
    expect(Math.max(...strips.map(s => s.x1 - s.x0))).toBeCloseTo(path.x1 - path.x0, 9)
    const sliceOf = (d: Design) => groundSlice(d, makeBuilding(d))
    const { floor, tops } = sliceOf(withFloor({ path: [slab] }))
    const paved = tops.filter(t => t.path).map(t => floor[t.column]!)
    expect(paved[0]!.x0).toBeCloseTo(path.x0, 9)
    expect(paved.at(-1)!.x1).toBeCloseTo(path.x1, 9)
    expect(tops.filter(t => t.path && t.bed >= 0)).toEqual([])
    expect(sliceOf(demo).tops.some(t => t.path)).toBe(false)
  })

  test('foam under a slab keeps the floor from the ground, and the slab swings more', () => {
    const onGround = engine.run(withFloor({ rest: [slab], beds: [] }))
    const onFoam = engine.run(withFloor({ rest: [foam, slab], beds: [foam] }))
    const swing = (s: Float32Array) => {
      let sum = 0
      for (let d = 0; d < 365; d++) {
        const day = s.subarray(d * 24, d * 24 + 24)
        sum += Math.max(...day) - Math.min(...day)
      }
      return sum / 365
    }
    expect(swing(onFoam.series.floorC)).toBeGreaterThan(swing(onGround.series.floorC) * 1.1)
    const lost = (r: typeof onFoam) => Math.abs(r.answers.ledger.losses.ground!)
    expect(lost(onFoam)).toBeLessThan(lost(onGround))
    expect(onFoam.answers.ledger.closure).toBeLessThan(1e-5)
  })

  test('a path of its own changes the year a little; the same as the rest changes nothing that can be seen', () => {
    const rest = demo.store.floor.rest
    const same = run(withFloor({ path: rest })).coldestNight.insideC
    expect(same).toBeCloseTo(run(demo).coldestNight.insideC, 1)
    const paved = run(withFloor({ path: [{ material: 'concrete', thicknessM: 0.25 }] })).coldestNight.insideC
    expect(paved).not.toBeCloseTo(same, 3)
  })

  test('bare earth is a floor; each zone has its price', () => {
    const bare = withFloor({ rest: [] })
    expect(designFaults(bare)).toEqual([])
    expect(run(bare).ledger.closure).toBeLessThan(1e-5)
    const lines = takeoff(withFloor({ rest: [slab], path: [slab, slab], beds: [foam] })).lines
    const all = (where: string) => lines.filter(l => l.part === 'floor' && l.item.endsWith(`, ${where}`))
    const building = makeBuilding(demo)
    const m2 = (where: string, thickM: number) => all(where)[0]!.amount / thickM
    expect(all('path')).toHaveLength(2)
    const { thicknessM } = slab
    expect(m2('floor', thicknessM) + m2('path', thicknessM) + m2('under the beds', foam.thicknessM)).toBeCloseTo(
      building.floorAreaM2,
      6,
    )
    expect(takeoff(bare).lines.some(l => l.part === 'floor')).toBe(false)
  })

  test('a floor of one material is brought forward as it was, one of no thickness as bare earth', () => {
    const old = (thicknessM: number) => {
      return {
        ...demo,
        shape: { ...demo.shape, beds: straight(demo).map(({ atM, widthM, heightM }) => ({ atM, widthM, heightM })) },
        breathe: { ...demo.breathe, leafArea: 2 },
        store: { ...demo.store, floor: { material: 'gravel', thicknessM } },
      }
    }
    const now = migrateDesign(old(0.08)) as Design
    expect(designFaults(now)).toEqual([])
    expect(now.store.floor).toEqual({ path: null, beds: [], rest: [{ material: 'gravel', thicknessM: 0.08 }] })
    expect(now.shape.beds.map(b => b.leafArea)).toEqual(demo.shape.beds.map(() => 2))
    expect(now.breathe).not.toHaveProperty('leafArea')
    expect((migrateDesign(old(0)) as Design).store.floor.rest).toEqual([])
  })
})

test('every demo is a document of this version as it stands', () => {
  for (const d of DEMOS) expect(migrateDesign(d)).toBe(d)
})

test('strips of floor go from wall to wall without a gap, each with its own layers', () => {
  const house = withFloor({ path: [slab], beds: [foam], rest: [] })
  const strips = floorStrips(house)
  expect(strips[0]!.x0).toBe(0)
  expect(strips.at(-1)!.x1).toBeCloseTo(house.shape.widthM, 9)
  strips.slice(1).forEach((s, i) => expect(s.x0).toBeCloseTo(strips[i]!.x1, 9))
  expect(strips.filter(s => s.layers[0] === foam)).toHaveLength(2)
  const path = strips.filter(s => s.layers[0] === slab)
  expect(path.map(s => [s.x0, s.x1])).toEqual([[pathStrip(house)!.x0, pathStrip(house)!.x1]])
})

describe('each bed by itself', () => {
  const two: Design = {
    ...DEMOS[0]!,
    shape: { ...DEMOS[0]!.shape, beds: [bedAt(0.3, 0.9, 0.4), bedAt(2.4, 0.9, 0.4)], benches: [] },
    store: { ...DEMOS[0]!.store, bodies: [] },
  }
  test('the light on all is the mean of each by their areas, and so is the soil’s warmth', () => {
    const { answers, series } = engine.run(two)
    expect(answers.beds.map(b => b.name)).toEqual(['Bed 1', 'Bed 2'])
    const [a, b] = answers.beds as [(typeof answers.beds)[number], (typeof answers.beds)[number]]
    for (const m of [0, 5]) {
      let mol = 0
      for (let h = 0; h < 8760; h++)
        if (MONTH_OF_DAY[Math.floor(h / 24)] === m) mol += series.bedLightWm2[h]! * MOL_PER_JOULE * 3600
      expect((a.dli[m]! + b.dli[m]!) / 2).toBeCloseTo(mol / MONTH_DAYS[m]!, 4)
      expect((a.soilC[m]! + b.soilC[m]!) / 2).toBeCloseTo(answers.months[m]!.soilC, 3)
    }
    // They are not lit alike, nor are they as warm.
    expect(Math.abs(a.dli[3]! - b.dli[3]!)).toBeGreaterThan(1)
    expect(Math.abs(a.soilC[3]! - b.soilC[3]!)).toBeGreaterThan(0.05)
    expect(Math.min(...series.bedsC[0]!)).toBeCloseTo(a.soilMinC, 3)
  })
})

describe('what a bed is made of', () => {
  const of = (chosen: Partial<BedAlong>) => {
    const shape = { ...DEMOS[0]!.shape, beds: [bedAt(0.4, 1, 0.5, chosen)], benches: [] }
    const { answers, series } = engine.run({ ...unheated(DEMOS[0]!), shape })
    expect(answers.ledger.closure).toBeLessThan(0.001)
    return { answers, soil: series.bedsC[0]! }
  }
  /** Mean of each day's warmest hour less its coldest, K. */
  const swing = (hours: Float32Array) => {
    let sum = 0
    for (let d = 0; d < 365; d++) {
      const day = hours.subarray(d * 24, d * 24 + 24)
      sum += Math.max(...day) - Math.min(...day)
    }
    return sum / 365
  }
  const plainBed = of({})

  test('roots that go deeper stand in soil that swings less by the day, and lie warmer on the worst night', () => {
    const [shallow, deep] = [of({ soilDepthM: 0.1 }), of({ soilDepthM: 1.2 })]
    expect(swing(shallow.soil)).toBeGreaterThan(swing(plainBed.soil))
    expect(swing(deep.soil)).toBeLessThan(swing(plainBed.soil))
    expect(deep.answers.beds[0]!.soilMinC).toBeGreaterThan(shallow.answers.beds[0]!.soilMinC)
    // Where they are looked for moves nothing.
    expect(shallow.answers.coldestNight.insideC).toBeCloseTo(deep.answers.coldestNight.insideC, 6)
  })

  test('gravel dries off: it gives the air less water and stands warmer in summer', () => {
    const gravel = of({ fill: 'gravel', leafArea: 0 })
    const soil = of({ leafArea: 0 })
    expect(gravel.answers.hoursDamp).toBeLessThanOrEqual(soil.answers.hoursDamp)
    expect(gravel.answers.beds[0]!.soilC[6]!).toBeGreaterThan(soil.answers.beds[0]!.soilC[6]!)
  })

  test('a board lets the sides pass heat: thin steel more than thick wood', () => {
    const wood = of({ boardM: 0.1, boardMaterial: 'softwood' })
    const steel = of({ boardM: 0.002, boardMaterial: 'steel-sheet' })
    expect(swing(steel.soil)).toBeGreaterThan(swing(wood.soil))
  })
})

describe('leaves catch light before the soil does', () => {
  const grown = (leafArea: number) => {
    const shape = { ...plain.shape, beds: plain.shape.beds.map(b => ({ ...b, crop: null, leafArea })) }
    return engine.run({ ...unheated(plain), shape }).answers
  }
  const [none, some, much] = [grown(0), grown(1.5), grown(4)]

  test('the more leaf, the cooler the soil in summer; by night in winter it is hardly other', () => {
    expect(some.months[6]!.soilC).toBeLessThan(none.months[6]!.soilC - 0.5)
    expect(much.months[6]!.soilC).toBeLessThan(some.months[6]!.soilC)
    expect(Math.abs(much.coldestNight.insideC - some.coldestNight.insideC)).toBeLessThan(1.5)
    for (const a of [none, some, much]) expect(a.ledger.closure).toBeLessThan(0.001)
  })

  test('what they catch is neither lost nor made: the sun kept inside is as much', () => {
    expect(much.ledger.gains.sun! / none.ledger.gains.sun!).toBeGreaterThan(0.97)
    expect(much.ledger.gains.sun! / none.ledger.gains.sun!).toBeLessThan(1.03)
  })
})

test('a dark dry leaf stands where what the air gives it is what it shines away', () => {
  expect(darkLeafC(5, 5)).toBeCloseTo(5, 9)
  const [air, radiant] = [4, 0]
  const leaf = darkLeafC(air, radiant)
  // By the fourth powers, one side.
  const K = 273.15
  const shone = 0.95 * 5.670374e-8 * ((leaf + K) ** 4 - (radiant + K) ** 4)
  expect(((1.25 * 1006) / 150) * (air - leaf)).toBeCloseTo(shone, 0)
  // Under one film and a clear sky it is colder than the air.
  const marsch = DEMOS[4]!
  const bare = { ...marsch.breathe, rowCover: { ...marsch.breathe.rowCover, on: false } }
  const { answers, series } = engine.run({ ...marsch, breathe: bare })
  expect(answers.leaf.coldestC).toBeLessThan(answers.coldestNight.insideC)
  const coldest = [...series.airC.keys()].sort((a, b) => series.airC[a]! - series.airC[b]!).slice(0, 24)
  const mean = (of: ArrayLike<number>) => coldest.reduce((sum, h) => sum + of[h]!, 0) / coldest.length
  expect(mean(series.leafC)).toBeLessThan(mean(series.airC) - 0.02)
})

test('a bench that stands for a part of the year shades in its months alone', () => {
  const benched = (...benches: Bench[]): Design => ({ ...plain, shape: { ...plain.shape, benches } })
  const light = (d: Design) => {
    const { answers } = engine.run(unheated(d))
    expect(answers.ledger.closure).toBeLessThan(0.001)
    return answers.months.map(m => m.dli)
  }
  const wide = (chosen: Partial<Bench> = {}) => benchAt(0.6, 1.4, 1.2, chosen)
  const [none, always, spring] = [
    light(benched()),
    light(benched(wide())),
    light(benched(wide({ fromMonth: 2, untilMonth: 4 }))),
  ]
  // It stands over the beds.
  expect(always[2]!).toBeLessThan(0.9 * none[2]!)
  expect(spring[2]!).toBeCloseTo(always[2]!, 1)
  expect(spring[6]! / none[6]!).toBeCloseTo(1, 2)
  expect(spring[6]!).toBeGreaterThan(always[6]! * 1.05)
  // Over the new year, too.
  const winter = light(benched(wide({ fromMonth: 11, untilMonth: 1 })))
  expect(winter[0]!).toBeLessThan(0.9 * none[0]!)
  expect(winter[5]! / none[5]!).toBeCloseTo(1, 2)
})

test('a sheet lies over all beds or over some: those are kept, the list buys it for them, and it follows them', () => {
  const two = withBeds([bedAt(0.2, 1, 0.4), bedAt(2.4, 1, 0.4)])
  const sheet = (inBeds: number[]) =>
    patchDesign(two, [['breathe.rowCover', { ...two.breathe.rowCover, on: true, belowC: 8, inBeds }]])
  const [none, first, named, all] = [two, sheet([0]), sheet([0, 1]), sheet([])]
  const m2 = (d: Design) =>
    takeoff(d)
      .lines.filter(l => l.item === 'Sheet and hoops over the beds')
      .reduce((sum, l) => sum + l.amount, 0)
  expect(m2(none)).toBe(0)
  expect(m2(first)).toBeCloseTo(m2(all) / 2, 6)
  const [bare, one, both, plainly] = [none, first, named, all].map(run)
  // Named one by one they are all.
  expect(both!.coldestNight).toEqual(plainly!.coldestNight)
  expect(one!.beds.map(b => b.underCover !== null)).toEqual([true, false])
  // The bed under it keeps its soil better than it would alone; the other does not.
  expect(one!.beds[0]!.soilMinC).toBeGreaterThan(bare!.beds[0]!.soilMinC + 0.1)
  expect(one!.beds[1]!.soilMinC).toBeLessThan(bare!.beds[1]!.soilMinC + 0.1)
  // The leaf that is left in the open is the coldest.
  expect(one!.leaf.coldestC).toBeLessThan(plainly!.leaf.coldestC)
  expect(one!.ledger.closure).toBeLessThan(1e-6)
  // A bed taken out takes its number along.
  const after = (d: Design, gone: number) => patchDesign(d, withoutBed(d, gone)).breathe.rowCover
  expect(after(first, 0)).toMatchObject({ on: false, inBeds: [] })
  expect(after(sheet([1]), 0)).toMatchObject({ on: true, inBeds: [0] })
  expect(after(all, 0)).toMatchObject({ on: true, inBeds: [] })
})
