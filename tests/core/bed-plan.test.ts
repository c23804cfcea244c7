import fc from 'fast-check'
import { aBed, BED_KINDS } from '../../core/beds/registry'
import { bedAt, DEMOS, migrateDesign, type Bed, type Design } from '../../core/design'
import {
  alongOf,
  bedInTwo,
  bedsJoined,
  designFaults,
  freeBed,
  patchDesign,
  placed,
  resized,
  spread,
  things,
  withForm,
  withWidth,
} from '../../core/editing'
import { accessOf } from '../../core/geometry/access'
import { bedSide, bedFace } from '../../core/geometry/faces'
import {
  footprintM2,
  footprintOf,
  isOn,
  edgesOf,
  outlineOf,
  rectangleOf,
  sharedPiece,
} from '../../core/geometry/footprint'
import { bedSidesM2, inSection, roomObjects, sidesM2, standsOnM2 } from '../../core/geometry/objects'
import { makeBuilding } from '../../core/geometry/surfaces'
import { groundSlice } from '../../core/network/chains'
import { builtInForm, inForm } from '../../core/study/in-form'
import { unheated } from '../added'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const dome = DEMOS.find(d => d.shape.form === 'dome')!
const withBeds = (beds: Bed[], house: Design = plain): Design => ({
  ...house,
  shape: { ...house.shape, beds, benches: [] },
  store: { ...house.store, bodies: [] },
})
const bedsOf = (d: Design) => roomObjects(d).filter(o => o.kind === 'bed')
const areas = (d: Design) => bedsOf(d).map(standsOnM2)
const L = plain.shape.lengthM

describe('pieces of floor', () => {
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  const rectangle = fc
    .tuple(number(0, 5), number(0.1, 3), number(0, 5), number(0.1, 3))
    .map(([x, w, y, l]) => rectangleOf(x, x + w, y, y + l))

  test('what two rectangles share is as large as their overlap, whichever is cut', () => {
    fc.assert(
      fc.property(rectangle, rectangle, (a, b) => {
        const over = (k: 0 | 1) => Math.max(0, Math.min(a[2]![k], b[2]![k]) - Math.max(a[0]![k], b[0]![k]))
        expect(footprintM2(sharedPiece(a, b))).toBeCloseTo(over(0) * over(1), 9)
        expect(footprintM2(sharedPiece(b, a))).toBeCloseTo(over(0) * over(1), 9)
      }),
    )
  })

  test('the outline of a rectangle in pieces is that of the whole', () => {
    fc.assert(
      fc.property(rectangle, number(0.1, 0.9), (whole, at) => {
        const [[x0, y0], , [x1, y1]] = whole as [[number, number], unknown, [number, number]]
        const cut = y0 + at * (y1 - y0)
        const long = outlineOf([rectangleOf(x0, x1, y0, cut), rectangleOf(x0, x1, cut, y1)]).reduce(
          (sum, [a, b]) => sum + Math.hypot(b[0] - a[0], b[1] - a[1]),
          0,
        )
        expect(long).toBeCloseTo(2 * (x1 - x0 + y1 - y0), 6)
      }),
    )
  })
})

describe('each kind, as it lies', () => {
  test('a bed with a length of its own lies where it is put, and no further than the ends', () => {
    const [bed] = bedsOf(withBeds([bedAt(0.3, 0.8, 0.4, { lengthM: 3, offsetM: 99 })]))
    expect([bed!.y0, bed!.y1]).toEqual([L - 3, L])
    expect(areas(withBeds([bedAt(0.3, 0.8, 0.4)]))[0]).toBeCloseTo(0.8 * L, 9)
  })

  test('a keyhole bed is its rectangle less its ways in; its sides go round them', () => {
    const size = { atM: 0.3, widthM: 1.4, lengthM: 6, heightM: 0.5, notches: 3, notchM: 0.5, notchDeepM: 0.8 }
    for (const from of ['pole', 'sunny'] as const) {
      const house = withBeds([aBed('keyhole bed', { ...size, from })])
      expect(designFaults(house)).toEqual([])
      expect(areas(house)[0]).toBeCloseTo(1.4 * 6 - 3 * 0.5 * 0.8, 9)
      expect(sidesM2(bedsOf(house)[0]!)).toBeCloseTo(0.5 * (2 * (1.4 + 6) + 3 * 2 * 0.8), 9)
    }
    const unsound = (more: object) =>
      designFaults(withBeds([aBed('keyhole bed', { ...size, ...more })])).map(f => `${f.path} ${f.message}`)
    expect(unsound({ notchDeepM: 1.3 })).toEqual(['shape.beds[0].notchDeepM leaves no bed behind the way in'])
    expect(unsound({ notchM: 1.7 })).toEqual(['shape.beds[0].notchM leaves no bed beside the way in'])
    expect(unsound({ notches: 12 })).toEqual(['shape.beds[0].notches leave no bed between them'])
    expect(unsound({ lengthM: 50 })).toEqual(['shape.beds[0].lengthM is longer than the greenhouse'])
  })

  test('a rim bed is its part of the ring between two polygons, on the floor and clear of the skin', () => {
    const { shape } = dome
    const rim = (more: object) =>
      withBeds([aBed('rim bed', { spanDeg: 120, widthM: 0.8, heightM: 0.4, ...more })], dome)
    const floorM2 = makeBuilding(dome).floorAreaM2
    const middle = (Math.cos(Math.PI / 12) * shape.widthM) / 2
    const ring = floorM2 * (1 - (1 - 0.8 / middle) ** 2)
    fc.assert(
      fc.property(fc.integer({ min: -36, max: 36 }), around => {
        const house = rim({ aroundDeg: around * 5 })
        expect(designFaults(house)).toEqual([])
        // Whole sides, and parts of sides: what it lacks at one end it has at the other.
        expect(areas(house)[0]! / ((ring * 120) / 360)).toBeCloseTo(1, 1)
        const floor = edgesOf(footprintOf(makeBuilding(house).surfaces.find(s => s.kind === 'floor')!.polygon))
        for (const piece of bedsOf(house)[0]!.pieces) {
          expect(footprintM2(piece)).toBeGreaterThan(0)
          for (const [x, y] of piece) expect(isOn(floor, x, y, 1e-9)).toBe(true)
        }
      }),
      { numRuns: 40 },
    )
    expect(areas(rim({ spanDeg: 330 }))[0]!).toBeLessThan(floorM2)
    // A high one stands back from where the glazing leans in.
    const reach = (heightM: number) => bedsOf(rim({ aroundDeg: 0, heightM }))[0]!.x0
    expect(reach(1.3)).toBeGreaterThan(reach(0.4) + 0.05)
    expect(designFaults(rim({ heightM: 1.3 }))).toEqual([])
    expect(designFaults(withBeds([aBed('rim bed', { heightM: 0.4 })])).map(f => f.message)).toContain(
      'goes round the rim of a dome',
    )
    expect(designFaults(rim({ widthM: 5 })).map(f => f.message)).toContain('goes past the middle of the dome')
  })

  test('sides of a rim bed against the riser wall are not free, those of its ends and inside are', () => {
    const house = withBeds([aBed('rim bed', { spanDeg: 60, widthM: 0.8, heightM: 0.4 })], dome)
    const building = makeBuilding(house)
    const [bed] = building.objects.filter(o => o.kind === 'bed')
    const inner = bed!.pieces.reduce((sum, p) => sum + Math.hypot(p[1]![0] - p[0]![0], p[1]![1] - p[0]![1]), 0)
    expect(bedSidesM2(building, bed!)).toBeCloseTo(0.4 * (inner + 2 * 0.8), 1)
  })

  test('two that overlap are told, in a round house and in a long one', () => {
    const long = withBeds([
      bedAt(0.2, 1, 0.4, { lengthM: 4, offsetM: -2 }),
      bedAt(0.5, 1, 0.4, { lengthM: 4, offsetM: 2 }),
    ])
    expect(designFaults(long)).toEqual([])
    const meet = patchDesign(long, [['shape.beds.1.offsetM', 1]])
    expect(designFaults(meet)).toEqual([
      expect.objectContaining({ path: 'shape.beds[1].atM', message: 'stands in bed 1' }),
    ])
    const round = withBeds(
      [aBed('rim bed', { heightM: 0.4, spanDeg: 90 }), aBed('rim bed', { heightM: 0.4, aroundDeg: 60, spanDeg: 40 })],
      dome,
    )
    expect(designFaults(round)).toEqual([
      expect.objectContaining({ path: 'shape.beds[1].aroundDeg', message: 'stands in bed 1' }),
    ])
    expect(designFaults(patchDesign(round, [['shape.beds.1.aroundDeg', 70]]))).toEqual([])
  })
})

describe('one house, whoever reads it', () => {
  const houses: [string, Design][] = [
    ['a keyhole garden', DEMOS[0]!],
    ['a row of two', DEMOS[1]!],
    ['a dome with a rim bed', dome],
  ]
  test.each(houses)('%s: heat, light, lists and the plan have the same area of each bed', (_, design) => {
    const building = makeBuilding(design)
    const { tops } = groundSlice(design, building)
    const { gains } = engine.run(unheated(design))
    for (const [i, area] of areas(design).entries()) {
      const heat = tops.filter(t => t.bed === i).reduce((sum, t) => sum + t.areaM2, 0)
      expect(heat / area).toBeCloseTo(1, 3)
      for (const face of [bedFace(i), bedSide(i)]) expect(gains.faces.some(f => f.id === face)).toBe(true)
    }
    expect(building.bedAreaM2).toBeCloseTo(
      areas(design).reduce((a, b) => a + b, 0),
      9,
    )
    expect(tops.reduce((sum, t) => sum + t.areaM2, 0)).toBeCloseTo(building.floorAreaM2, 6)
  })

  test('two halves end to end are the whole: light, soil and the coldest night stay', () => {
    const whole = unheated(withBeds([bedAt(0.6, 1.1, 0.4, { leafArea: 2 })]))
    const halves = patchDesign(whole, bedInTwo(whole, 0, 24, 0)!)
    expect(designFaults(halves)).toEqual([])
    const [a, b] = [engine.run(whole).answers, engine.run(halves).answers]
    expect(Math.abs(a.coldestNight.insideC - b.coldestNight.insideC)).toBeLessThan(0.02)
    a.months.forEach((m, i) => expect(Math.abs(b.months[i]!.dli / m.dli - 1)).toBeLessThan(0.005))
    expect(Math.abs(b.beds[0]!.soilMinC - a.beds[0]!.soilMinC)).toBeLessThan(0.1)
    expect(b.ledger.closure).toBeLessThan(1e-5)
  })

  test('a rim bed in two is the rim bed', () => {
    const rim = (aroundDeg: number, spanDeg: number) =>
      aBed('rim bed', { aroundDeg, spanDeg, widthM: 0.8, heightM: 0.4, leafArea: 2 })
    const [a, b] = [[rim(0, 120)], [rim(-30, 60), rim(30, 60)]].map(
      beds => engine.run(unheated(withBeds(beds, dome))).answers,
    ) as [ReturnType<typeof engine.run>['answers'], ReturnType<typeof engine.run>['answers']]
    expect(Math.abs(a.coldestNight.insideC - b.coldestNight.insideC)).toBeLessThan(0.03)
    a.months.forEach((m, i) => expect(Math.abs(b.months[i]!.dli / m.dli - 1)).toBeLessThan(0.01))
  })

  test('the section cuts what lies in the middle and shows the rest beyond', () => {
    const house = withBeds([
      bedAt(0.2, 1, 0.4, { lengthM: 2, offsetM: -3 }),
      bedAt(1.6, 1, 0.4),
      aBed('keyhole bed', { atM: 2.8, widthM: 1, lengthM: 3, notchDeepM: 0.4, notchM: 0.5 }),
    ])
    const shown = inSection(bedsOf(house), L).map(b => [b.object.index, b.isCut, +b.x0.toFixed(3), +b.x1.toFixed(3)])
    expect(shown[0]).toEqual([0, false, 0.2, 1.2])
    expect(shown.slice(1)).toEqual([
      [1, true, 1.6, 2.6],
      [2, true, 2.8, 3.4],
    ])
  })

  test('a bed of an earlier version is as long as the house', () => {
    const later = ['kind', 'lengthM', 'offsetM']
    const old = Object.fromEntries(Object.entries(bedAt(0.4, 1, 0.3)).filter(([name]) => !later.includes(name)))
    const read = migrateDesign({ ...plain, shape: { ...plain.shape, beds: [old] } }) as Design
    expect(read.shape.beds).toEqual([bedAt(0.4, 1, 0.3)])
    expect(designFaults(read)).toEqual([])
  })
})

describe('by hand', () => {
  const row = withBeds([bedAt(0.2, 1, 0.4, { lengthM: 2, offsetM: -2 }), bedAt(2, 1, 0.4, { lengthM: 3, offsetM: 0 })])
  test('drawn along the house, drawn out at one end, and stopped by a neighbour', () => {
    const moved = patchDesign(row, placed(row, 'bed-1', 2, 1.5))
    expect(alongOf(moved, { kind: 'bed', index: 1 })).toBeCloseTo(1.5, 9)
    const longer = patchDesign(row, resized(row, 'bed-0', { lengthM: 3 }, 'east'))
    const [before, after] = [bedsOf(row)[0]!, bedsOf(longer)[0]!]
    expect([after.y0, after.y1]).toEqual([expect.closeTo(before.y0, 6), expect.closeTo(before.y1 + 1, 6)])
    const beside = withBeds([
      bedAt(0.2, 1, 0.4, { lengthM: 3, offsetM: -3 }),
      bedAt(0.2, 1, 0.4, { lengthM: 3, offsetM: 2 }),
    ])
    const stopped = patchDesign(beside, resized(beside, 'bed-0', { lengthM: 9 }, 'east'))
    expect(bedsOf(stopped)[0]!.y1).toBeLessThanOrEqual(bedsOf(beside)[1]!.y0 + 1e-9)
    expect(designFaults(stopped)).toEqual([])
  })

  test('round the rim: moved on, and spread from one end while the other stays', () => {
    const house = withBeds(
      [
        aBed('rim bed', { heightM: 0.4, aroundDeg: -60, spanDeg: 60 }),
        aBed('rim bed', { heightM: 0.4, aroundDeg: 60, spanDeg: 60 }),
      ],
      dome,
    )
    const moved = patchDesign(house, placed(house, 'bed-0', 0, -90))
    expect(moved.shape.beds[0]).toMatchObject({ aroundDeg: -90 })
    const wider = patchDesign(house, spread(house, 'bed-0', 0, 'east'))
    expect(wider.shape.beds[0]).toMatchObject({ aroundDeg: -45, spanDeg: 90 })
    // No further than its neighbour, which begins at 30°.
    const stopped = patchDesign(house, spread(house, 'bed-0', 50, 'east'))
    expect(stopped.shape.beds[0]).toMatchObject({ aroundDeg: -30, spanDeg: 120 })
    for (const d of [moved, wider, stopped]) expect(designFaults(d)).toEqual([])
  })

  test('whatever is done to any of them, the house stays sound', () => {
    const houses = [row, DEMOS[0]!, dome]
    const far = fc.double({ min: -20, max: 20, noNaN: true })
    const act = fc.record({ pick: fc.nat(9), how: fc.constantFrom('place', 'east', 'west', 'spread'), a: far, b: far })
    fc.assert(
      fc.property(fc.constantFrom(...houses), fc.array(act, { maxLength: 5 }), (start, acts) => {
        let house = start
        for (const { pick, how, a, b } of acts) {
          const list = things(house)
          const { id } = list[pick % list.length]!
          const patches =
            how === 'place'
              ? placed(house, id, a, b)
              : how === 'spread'
                ? spread(house, id, a * 20, 'west')
                : resized(house, id, { lengthM: a }, how)
          house = patchDesign(house, patches)
          expect(designFaults(house)).toEqual([])
        }
      }),
      { numRuns: 60 },
    )
  })

  test('a way across, in two, and joined again', () => {
    const one = withBeds([bedAt(0.4, 1, 0.4)])
    const two = patchDesign(one, bedInTwo(one, 0, 24)!)
    const [a, b] = bedsOf(two)
    expect(b!.y0 - a!.y1).toBeCloseTo(0.5, 6)
    expect(areas(two)[0]! + areas(two)[1]!).toBeCloseTo(1 * (L - 0.5), 6)
    expect(areas(patchDesign(two, bedsJoined(two, 1)!))).toEqual([expect.closeTo(L, 6)])
    expect(bedInTwo(one, 0, 1)).toBeNull()
    expect(bedsJoined(one, 0)).toBeNull()
  })

  test('another of each kind finds room beside what stands there, or there is none', () => {
    for (const kind of BED_KINDS) {
      const house = kind.place === 'aroundDeg' ? withBeds([], dome) : withBeds([bedAt(2.4, 0.9, 0.4)])
      const made = freeBed(house, kind)!
      expect(made.kind).toBe(kind.kind)
      expect(designFaults(patchDesign(house, [['shape.beds', [...house.shape.beds, made]]]))).toEqual([])
    }
    expect(freeBed(withBeds([bedAt(0, plain.shape.widthM, 0.1)]), BED_KINDS[0]!)).toBeNull()
  })

  test('in another form a rim bed becomes a bed along the house, and all still stands', () => {
    expect(withForm(dome.shape, 'gable').beds.map(b => b.kind)).not.toContain('rim bed')
    for (const form of ['gable', 'own'] as const) expect(designFaults(inForm(dome, form)!)).toEqual([])
  })

  test('a dome has its beds round it, planted as those before; where the floor has no room, none can be built', () => {
    const [garden, terraces, leaning] = DEMOS as [Design, Design, Design]
    const mulched = patchDesign(garden, [['shape.beds.0.soilCover', 'mulch']])
    for (const design of [mulched, terraces]) {
      const round = builtInForm(design, 'dome')!
      expect(designFaults(round)).toEqual([])
      expect(round.shape.beds.map(b => b.kind)).toEqual(['rim bed', 'bed'])
      // Its door was in an end: it is in the riser now.
      expect(accessOf(round).hasDoor).toBe(true)
      expect(round.shape.beds[0]!.soilCover).toBe(design.shape.beds[0]!.soilCover)
    }
    expect(withForm({ ...garden.shape, beds: [] }, 'dome').beds).toEqual([])
    // Barrels and crates 6.5 m long on end in a round of 5.5 m.
    const long = leaning.store.bodies.map(b => ({ ...b, lengthM: 6.5, offsetM: 0 }))
    expect(inForm(patchDesign(leaning, [['store.bodies', long]]), 'dome')).toBeNull()
  })

  test('a keyhole bed in a narrower house keeps a way in and a bed behind it', () => {
    type Keyhole = Extract<Bed, { kind: 'keyhole bed' }>
    const wide = { atM: 0.2, widthM: 1, lengthM: 2, offsetM: 0, heightM: 0.3 }
    const narrow = withWidth(withBeds([aBed('keyhole bed', { ...wide, notchDeepM: 0.6 })]).shape, 1.2)
      .beds[0] as Keyhole
    expect(narrow.notchDeepM).toBeGreaterThanOrEqual(0.2)
    expect(narrow.widthM - narrow.notchDeepM).toBeGreaterThanOrEqual(0.2 - 1e-9)
  })
})
