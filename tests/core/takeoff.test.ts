import fc from 'fast-check'
import { DEMOS, type Design } from '../../core/design'
import { designFaults, patchDesign } from '../../core/editing'
import { makeBuilding } from '../../core/geometry/surfaces'
import { planeOf } from '../../core/geometry/vec'
import { cornerMitre, cornerOutline, facetCorners, memberOutline, together } from '../../core/takeoff/cut-drawings'
import { cutList } from '../../core/takeoff/cuts'
import { frostDepthM } from '../../core/ground/frost'
import { againstFoundation, FOUNDATIONS } from '../../core/takeoff/foundations'
import { BULKING } from '../../core/takeoff/ground'
import { toBuy } from '../../core/takeoff/lines'
import { domeEdges, facets, footCorners } from '../../core/frame/dome'
import { jig, members, quarterEllipse, rakes } from '../../core/frame/members'
import { baysOf } from '../../core/frame/spacing'
import { glazedFields } from '../../core/takeoff/glazed-fields'
import { layOnSheets, lyingTriangle } from '../../core/takeoff/sheets'
import { AIR_STORE_KINDS, anAirStore, type AirStore, type AirStoreKindId } from '../../core/air-stores/registry'
import { airStoreFor } from '../../core/editing/air-stores'
import { layPipes } from '../../core/geometry/pipes'
import { STOCKS } from '../../core/catalog/stock'
import { cutFromStock, KERF_M, piecesOf } from '../../core/takeoff/stock'
import { sectionWords } from '../../core/frame/section-words'
import { inMetric } from '../../core/units'
import { writeCutsCsv } from '../../formats/cuts-csv'
import { withMine } from '../../core/start/mine'
import { takeoff } from '../../core/takeoff/takeoff'
import { engine } from '../shared/years'

const [ash, , fjellro, saritas, growers] = DEMOS as [Design, Design, Design, Design, Design]
const find = (design: Design, item: RegExp, part?: RegExp) =>
  takeoff(design).lines.filter(l => item.test(l.item) && (part?.test(l.part) ?? true))
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)

// 9 m × 4.6 m; knee wall 0.75, upright front to 1.45, ridge 3.6 over 3.45, back wall 2.3.
describe('the saltbox Hollow Ash by hand', () => {
  const all = members(ash, makeBuilding(ash))
  const of = (member: string, part: RegExp) => all.filter(m => m.member === member && part.test(m.part))

  test('frame: 9 m of sheets 1.05 m wide are seventeen bays, eighteen members', () => {
    const whole = of('rafter', /sunny/).find(m => m.ends[1].cut === 'plumb' && m.lengthM > 1)
    const [rafter] = of('rafter', /sunny/)
    expect(rafter).toBe(whole)
    // √(3.45² + (3.6 − 1.45)²) = √(11.9025 + 4.6225) = 4.065; arctan(2.15 / 3.45) = 31.93°
    expect(rafter!.lengthM).toBeCloseTo(4.0651, 3)
    // Eleven leaves at the ridge, 0.5 m up the slope: those that they interrupt go on over them.
    const cut = of('rafter', /sunny/).find(m => m.ends[1].cut === 'square')!
    expect([rafter!.count + cut.count, cut.lengthM]).toEqual([18, expect.closeTo(4.0651 - 0.6, 3)])
    expect(rafter!.ends).toEqual([
      // It sits on the upright front.
      { cut: 'level', sawDeg: expect.closeTo(58.07, 1) },
      { cut: 'plumb', sawDeg: expect.closeTo(31.93, 1) },
    ])
    const [pole] = of('rafter', /pole/)
    // √(1.15² + 1.3²) = 1.7357; arctan(1.3 / 1.15) = 48.50°, its seat 90 − 48.5
    expect(pole!.lengthM).toBeCloseTo(1.7357, 3)
    expect(pole!.ends.map(e => [e.cut, e.sawDeg])).toEqual([
      ['level', expect.closeTo(41.5, 1)],
      ['plumb', expect.closeTo(48.5, 1)],
    ])
    expect(of('stud', /back/)[0]).toMatchObject({ count: 18, lengthM: 2.3 })
    expect(sum(of('ridge board', /./).map(m => m.lengthM))).toBe(9)
    expect(sum(of('sill', /./).map(m => m.count * m.lengthM))).toBeCloseTo(2 * 9 + 2 * 4.6, 9)
  })

  test('studs of the ends stand up to the slope: 4.6 m in four sheets of two bays, and one of 0.4 m', () => {
    const whole = { ...ash, skin: { ...ash.skin, openings: [] } }
    const ends = members(whole, makeBuilding(whole)).filter(m => m.member === 'end stud')
    expect(sum(ends.map(m => m.count))).toBe(2 * 8)
    // At 0.525 m: 1.45 + 0.525 × 2.15 / 3.45 = 1.7772; at 3.15: 1.45 + 3.15 × 2.15 / 3.45 = 3.4130
    expect(Math.min(...ends.map(m => m.lengthM))).toBeCloseTo(1.7772, 3)
    expect(Math.max(...ends.map(m => m.lengthM))).toBeCloseTo(3.413, 3)
  })

  test('panes of the front: sixteen bays of 0.525 m and one of 0.6, each less 10 mm, 0.7 m high', () => {
    const [panes] = find(ash, /Panes/)
    expect(panes!.amount).toBeCloseTo((16 * 0.515 + 0.59) * 0.7, 6)
    expect(panes!.note).toMatch(/^17 of them/)
  })

  test('sheets of the slope: nine strips over 9 m of 1.05 m wide ones', () => {
    const twin = cutList(ash).glazing.find(g => g.glazing.id === 'twinwall-10')!
    const slope = twin.pieces.filter(p => p.part === 'sunny slope')
    expect(slope).toHaveLength(9)
    // The last strip: 9 − 8 × 1.05 = 0.6 m; the glazed stretch is the slope less its solid top of 0.9 m, and a drip.
    expect(Math.min(...slope.map(p => p.widthM))).toBeCloseTo(0.6, 6)
    expect(slope[0]!.lengthM).toBeCloseTo(4.0651 - 0.9 + 0.05, 3)
    expect(find(ash, /^Sheets/).every(l => /marked face to the sun/.test(l.note))).toBe(true)
  })

  test('foundation: a trench 1 m deep and 0.35 m wide under the middle of the walls, 27.75 m, 0.3 m of it beam', () => {
    // Walls 0.137 m thick: 9.137 and 4.737 m from middle to middle.
    const longM = 2 * (9.137 + 4.737)
    expect(find(ash, /Dig for the foundation/)[0]!.amount).toBeCloseTo(longM * 1 * 0.35, 6)
    expect(find(ash, /Washed stone/)[0]!.amount).toBeCloseTo(longM * 0.35 * 0.7, 6)
    const concrete = find(ash, /^Concrete$/)[0]!
    // 2.914 m³ and a tenth: 3.20, in quarters 3.25
    expect([concrete.amount, concrete.buy]).toEqual([expect.closeTo(2.914, 3), 3.25])
  })

  test('mass and ground: 14 barrels, blocks 0.2 m thick on 9 × 2.3 m, spoil a quarter more than was dug', () => {
    expect(find(ash, /Barrel/)[0]!.buy).toBe(14)
    expect(find(ash, /Concrete block/, /lining/)[0]!.amount).toBeCloseTo(9 * 2.3 * 0.2, 6)
    const { digM3, spoilM3 } = takeoff(ash)
    // Nothing but the gravel of the floor that no bed is on (0.08 m) and the trench.
    const bedsM2 = 1.1 * 8.2 - 4 * 0.5 * 0.7 + 0.95 * 8.2
    expect(digM3).toBeCloseTo((9 * 4.6 - bedsM2) * 0.08 + 27.748 * 0.35, 1)
    expect(spoilM3).toBeCloseTo(digM3 * BULKING, 6)
  })
})

describe('openings in the frame', () => {
  const of = (d: Design, member: string, part: RegExp) =>
    members(d, makeBuilding(d)).filter(m => m.member === member && part.test(m.part))

  test('a door of 0.9 m has a trimmer up to the roof on each side and a header; a vent one over and under it', () => {
    expect(of(ash, 'trimmer', /east/)).toMatchObject([{ count: 1 }, { count: 1 }])
    // 0.9 m apart under a slope of 2.15 in 3.45.
    const [low, high] = of(ash, 'trimmer', /east/).map(m => m.lengthM)
    expect(high! - low!).toBeCloseTo((0.9 * 2.15) / 3.45, 6)
    expect(of(ash, 'header', /east/)).toMatchObject([{ count: 1, lengthM: expect.closeTo(0.9, 6) }])
    // A row of thirteen in the front, with one trimmer between two where no stud is near.
    expect(of(ash, 'header', /front/)).toMatchObject([{ count: 2 * 13 }])
  })

  test('a wall of blocks has a lintel that bears 0.15 m on each side; one in a house’s own wall is not ours', () => {
    const blocks = patchDesign(ash, [['skin.wall', [{ material: 'concrete-block', thicknessM: 0.2 }]]])
    expect(of(blocks, 'lintel', /east/)).toMatchObject([{ count: 1, lengthM: expect.closeTo(1.2, 6) }])
    expect(of(blocks, 'trimmer', /east/)).toEqual([])
    expect(fjellro.skin.openings.some(o => o.part === 'backWall')).toBe(true)
    expect(of(fjellro, 'trimmer', /back|house/)).toEqual([])
  })
})

describe('corners that are not square', () => {
  test('a ring of twelve turns by 30° at each: sills and blocks meet on 15°', () => {
    expect(footCorners(makeBuilding(saritas))).toEqual([
      { angleDeg: expect.closeTo(150, 6), sawDeg: expect.closeTo(15, 6), count: 12 },
    ])
    const sill = members(saritas, makeBuilding(saritas)).find(m => m.member === 'sill')!
    expect(sill.ends.map(e => [e.cut, e.sawDeg])).toEqual(Array(2).fill(['mitre', expect.closeTo(15, 6)]))
    expect(footCorners(makeBuilding(ash))).toEqual([])
  })

  test('a ring that is longer than wide turns once round all the same', () => {
    const long = patchDesign(saritas, [['shape.lengthM', saritas.shape.lengthM * 1.4]])
    const corners = footCorners(makeBuilding(long))
    expect(corners.length).toBeGreaterThan(1)
    expect(sum(corners.map(c => c.count * (180 - c.angleDeg)))).toBeCloseTo(360, 6)
  })

  test('ends of blocks are cut to both slopes above them; framed ones are not', () => {
    const blocks = patchDesign(ash, [['skin.wall', [{ material: 'concrete-block', thicknessM: 0.2 }]]])
    const cut = rakes(blocks, makeBuilding(blocks))
    // Each end under the slopes of 31.9° and 48.5°.
    expect(cut.filter(r => r.part === 'east end').map(r => r.sawDeg)).toEqual([
      expect.closeTo(31.93, 2),
      expect.closeTo(48.5, 2),
    ])
    expect(rakes(ash, makeBuilding(ash))).toEqual([])
  })
})

describe('the lean-to Fjellro by hand: 7 m × 3.2 m, from 1 m to 3.4 m up a house', () => {
  const all = members(fjellro, makeBuilding(fjellro))

  test('rafters 3-4-5: 3.2 across, 2.4 up, 4 m long; seat below, plumb at the ledger; no sill under the house', () => {
    const rafter = all.find(m => m.member === 'rafter')!
    expect(rafter.lengthM).toBeCloseTo(4, 9)
    expect(all.find(m => m.member === 'stud')).toMatchObject({ count: 13, lengthM: 1 })
    expect(rafter.ends.map(e => e.cut)).toEqual(['level', 'plumb'])
    expect(rafter.ends.map(e => e.sawDeg)).toEqual([expect.closeTo(53.13, 2), expect.closeTo(36.87, 2)])
    expect(all.find(m => m.member === 'ledger')).toMatchObject({ count: 1, lengthM: 7 })
    expect(all.filter(m => m.member === 'sill' && m.lengthM === 7)[0]!.count).toBe(1)
  })

  test('glass: twelve bays, slope of 4 m in two panes each, and the drain round the foot', () => {
    const [panes] = find(fjellro, /Panes/)
    const bay = 7 / 12 - 0.01
    const slope = cutList(fjellro).glazing[0]!.pieces.filter(p => p.part === 'sunny slope')
    expect(slope).toHaveLength(24)
    expect(sum(slope.map(p => p.widthM * p.lengthM))).toBeCloseTo(24 * bay * 2, 6)
    expect(panes!.amount).toBeGreaterThan(24 * bay * 2)
    // 7.187 + 2 × 3.2935 m under the middle of the walls, none along the house, and a tenth, in lengths of 6 m
    expect(find(fjellro, /Drain pipe/, /drains/)[0]!).toMatchObject({ amount: expect.closeTo(13.774, 6), buy: 18 })
    // Forms 1.7 m deep, round those three sides.
    expect(find(fjellro, /Insulated forms/)[0]!.amount).toBeCloseTo(13.774 * 1.7, 6)
  })
})

describe('the hoop house by hand: 30 m × 8 m', () => {
  test('a hoop each 1.5 m: twenty bays; its length is that of the half ellipse', () => {
    const [hoop] = members(growers, makeBuilding(growers)).filter(m => m.bent)
    expect(hoop!.count).toBe(21)
    // Ramanujan's second formula for half-axes 4 and 2.9.
    const [a, b] = [4, 2.9]
    const h = ((a - b) / (a + b)) ** 2
    const round = Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)))
    expect(hoop!.lengthM).toBeCloseTo(round / 2, 4)
    expect(quarterEllipse(1, 1)).toBeCloseTo(Math.PI / 2, 6)
  })

  test('its jig’s pins lie on the curve, foot to foot', () => {
    const pins = jig(makeBuilding(growers).outline)
    expect(pins[0]).toEqual({ xM: expect.closeTo(0, 9), zM: expect.closeTo(0, 9) })
    expect(pins.at(-1)).toEqual({ xM: expect.closeTo(8, 9), zM: expect.closeTo(0, 9) })
    for (const { xM, zM } of pins) expect(((xM - 4) / 4) ** 2 + (zM / 2.9) ** 2).toBeCloseTo(1, 9)
  })

  test('film goes over in one piece, held 0.3 m beyond each edge, two sheets of it', () => {
    const [film] = find(growers, /Film/)
    expect(film!.amount).toBeCloseTo(12 * 30.6, 6)
    expect(film!.note).toBe('30.60\u00a0m of it, 2 sheets')
    // Posts no more than 1.5 m apart: 30.12 m in 21 bays, 8.12 m in six, twice round.
    expect(find(growers, /Posts/)[0]!.buy).toBe(2 * (21 + 6))
  })
})

describe('a dome’s facets', () => {
  const building = makeBuilding(saritas)
  const all = facets(building)

  test('they are as many as its skin has, and their angles add up', () => {
    expect(sum(all.map(f => f.count))).toBe(12 * 4)
    for (const f of all) expect(sum(f.anglesDeg)).toBeCloseTo(180 * (f.sidesM.length - 2), 6)
  })

  test('each is drawn as it is: its sides come back to where they began, its area is the skin’s', () => {
    for (const f of all) {
      const corners = facetCorners(f)
      expect(corners.at(-1)!.x).toBeCloseTo(0, 6)
      expect(corners.at(-1)!.y).toBeCloseTo(0, 6)
      const twice = corners.slice(0, -1).map((p, i) => p.x * corners[i + 1]!.y - corners[i + 1]!.x * p.y)
      const one = building.surfaces.find(s => s.id === f.part && s.polygon.length === f.sidesM.length)!
      if (f.part === 'riser wall') expect(sum(twice) / 2).toBeCloseTo(planeOf(one.polygon).areaM2, 6)
    }
  })

  test('they close round the dome: every side meets one of its own length', () => {
    const edges = domeEdges(building)
    // 12 round at each of four levels, 12 up in each of four rows.
    expect(edges).toHaveLength(12 * 4 + 12 * 4)
    const sides = sum(all.map(f => f.count * sum(f.sidesM)))
    const inner = edges.filter(e => !e.foot)
    expect(sides).toBeCloseTo(
      2 * sum(inner.map(e => e.lengthM)) + sum(edges.filter(e => e.foot).map(e => e.lengthM)),
      6,
    )
    const top = all.find(f => f.sidesM.length === 3)!
    // A dome's top is no flat round: its angles come short of 360°.
    expect(12 * Math.min(...top.anglesDeg)).toBeLessThan(360)
    expect(12 * Math.min(...top.anglesDeg)).toBeGreaterThan(330)
    for (const e of inner) expect(e.dihedralDeg).toBeLessThan(180)
    // Between two upright walls of twelve: they turn by 30°, each strut by half of it.
    const post = members(saritas, building).find(m => Math.abs(m.lengthM - 0.6) < 1e-6)!
    expect(post.bevelDeg).toBeCloseTo(15, 6)
  })
})

describe('lumber from stock', () => {
  const sold = STOCKS.metric.lumberM

  test('every piece is cut once, none from less than it is, and a bar is one that is sold', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.integer({ min: 40, max: 600 }).map(cm => cm / 100),
          { maxLength: 60 },
        ),
        pieces => {
          const bars = cutFromStock(pieces, sold)
          expect(sum(bars.flatMap(b => b.pieces))).toBeCloseTo(sum(pieces), 6)
          for (const b of bars) {
            expect(sold).toContain(b.lengthM)
            expect(sum(b.pieces) + (b.pieces.length - 1) * KERF_M).toBeLessThanOrEqual(b.lengthM + 1e-6)
          }
        },
      ),
    )
  })

  test('three of 1.9 m come from one of 6 m; one longer than any is joined where it is carried', () => {
    expect(cutFromStock([1.9, 1.9, 1.9], sold)).toEqual([{ lengthM: 6, pieces: [1.9, 1.9, 1.9] }])
    expect(cutFromStock([], sold)).toEqual([])
    const pieces = (lengthM: number, over: number[] | null) => piecesOf([{ count: 1, lengthM, over }], 6)
    // Nothing carries it: halves. A plate is joined on a stud, and its last piece none too short to nail.
    expect(pieces(6.1, null)).toEqual([3.05, 3.05])
    const studs = Array.from({ length: 16 }, (_, i) => 0.6 * i)
    expect(pieces(9, studs).map(p => Math.round(p * 1e6) / 1e6)).toEqual([6, 3])
    expect(pieces(6.2, [0, 2, 4, 6, 6.2])).toEqual([4, expect.closeTo(2.2, 9)])
    expect(cutFromStock(pieces(9, studs), sold).map(b => b.lengthM)).toEqual([6, 3])
  })

  test('sixteen feet and inches: a 15 foot rafter comes from a 16 foot board', () => {
    expect(cutFromStock([15 * 0.3048], STOCKS.us.lumberM)[0]!.lengthM).toBeCloseTo(16 * 0.3048, 9)
  })
})

describe('sheets from stock', () => {
  const piece = fc.record({
    part: fc.constant('slope'),
    widthM: fc.integer({ min: 5, max: 105 }).map(cm => cm / 100),
    lengthM: fc.integer({ min: 20, max: 700 }).map(cm => cm / 100),
  })

  test('pieces lie within their sheets and over no other; nothing is lost', () => {
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 30 }), pieces => {
        const sheets = layOnSheets(pieces, STOCKS.metric)
        expect(sheets.flatMap(s => s.pieces)).toHaveLength(pieces.length)
        for (const s of sheets) {
          s.pieces.forEach((p, i) => {
            expect(p.xM + p.widthM).toBeLessThanOrEqual(s.widthM + 1e-6)
            expect(p.yM + p.lengthM).toBeLessThanOrEqual(s.lengthM + 1e-6)
            for (const q of s.pieces.slice(0, i)) {
              const apartX = p.xM >= q.xM + q.widthM - 1e-6 || q.xM >= p.xM + p.widthM - 1e-6
              const apartY = p.yM >= q.yM + q.lengthM - 1e-6 || q.yM >= p.yM + p.lengthM - 1e-6
              expect(apartX || apartY).toBe(true)
            }
          })
        }
      }),
    )
  })

  test('a triangle lies with its longest side along the edge, and has its own area', () => {
    const corner = fc.record({
      u: fc.double({ min: 0, max: 2, noNaN: true }),
      v: fc.double({ min: 0, max: 2, noNaN: true }),
    })
    fc.assert(
      fc.property(corner, corner, corner, (p, q, r) => {
        const area = Math.abs((q.u - p.u) * (r.v - p.v) - (r.u - p.u) * (q.v - p.v)) / 2
        fc.pre(area > 1e-3)
        const [a, b, c] = lyingTriangle({ corners: [p, q, r] }, 10)!
        expect((b.y * c.x) / 2).toBeCloseTo(area, 9)
        expect([a.x, a.y, b.x]).toEqual([0, 0, 0])
        expect(c.y).toBeGreaterThanOrEqual(-1e-9)
        expect(c.y).toBeLessThanOrEqual(b.y + 1e-9)
        expect(lyingTriangle({ corners: [p, q, r] }, c.x - 0.01)).toBeNull()
      }),
    )
  })

  test('triangles of a dome lie two by two, none over the other, and the sheets are fewer for it', () => {
    const [glazing] = cutList(saritas).glazing
    const pairs = glazing!.sheets.flatMap(s => s.pieces).filter(p => p.shapes)
    expect(pairs).toHaveLength(6)
    const triangle = glazedFields(saritas, makeBuilding(saritas)).find(f => f.corners.length === 3)!
    for (const { shapes, widthM, lengthM } of pairs) {
      expect(shapes).toHaveLength(2)
      const [one, other] = shapes!
      for (const p of [...one!, ...other!]) {
        expect(p.x).toBeGreaterThanOrEqual(-1e-9)
        expect(p.x).toBeLessThanOrEqual(widthM + 1e-9)
        expect(p.y).toBeGreaterThanOrEqual(-1e-9)
        expect(p.y).toBeLessThanOrEqual(lengthM + 1e-9)
      }
      const twice = (of: { x: number; y: number }[]) =>
        sum(of.map((p, i) => p.x * of[(i + 1) % 3]!.y - of[(i + 1) % 3]!.x * p.y))
      for (const shape of [one!, other!]) expect(Math.abs(twice(shape)) / 2).toBeCloseTo(triangle.areaM2, 6)
      // They share a side: two corners of one are corners of the other, the third lie on its two sides.
      const shared = one!.filter(p => other!.some(q => Math.hypot(p.x - q.x, p.y - q.y) < 1e-9))
      expect(shared).toHaveLength(2)
      const [s, t] = shared as [{ x: number; y: number }, { x: number; y: number }]
      const side = (p: { x: number; y: number }) => (t.x - s.x) * (p.y - s.y) - (t.y - s.y) * (p.x - s.x)
      const [p, q] = [one!, other!].map(of => of.find(c => !shared.some(k => Math.hypot(k.x - c.x, k.y - c.y) < 1e-9))!)
      expect(side(p!) * side(q!)).toBeLessThan(0)
    }
    // One above the other they would take 12 × 1.8 m of a sheet's width.
    const strips = 12 * triangle.corners.reduce((m, c) => Math.max(m, c.v), 0) * STOCKS.metric.sheetWidthM
    expect(sum(pairs.map(p => p.lengthM)) * STOCKS.metric.sheetWidthM).toBeLessThan(0.6 * strips)
  })

  test('a sheet is bent over the whole of an arch, and pieces lie side by side over their part', () => {
    const arch = patchDesign(ash, [['shape.form', 'arch']])
    const [cuts] = cutList(arch).glazing
    const slope = cuts!.fields.filter(f => f.part === 'sunny slope')
    expect(slope).toHaveLength(1)
    expect(slope[0]!.surfaces.length).toBeGreaterThan(3)
    const over = cuts!.pieces.filter(p => p.at!.on === slope[0]).sort((p, q) => p.at!.u - q.at!.u)
    expect(over).toHaveLength(9)
    over.forEach((p, i) => expect(p.at!.u).toBeCloseTo(i * 1.05, 9))
  })

  test('what is bought covers what is glazed, on every demo', () => {
    for (const demo of DEMOS)
      for (const g of cutList(demo).glazing) {
        const least = g.glazing.sold === 'panes' ? 0.9 * g.areaM2 : g.areaM2
        expect(g.boughtM2).toBeGreaterThanOrEqual(least)
        for (const s of g.sheets) expect(STOCKS.metric.sheetLengthsM).toContain(s.lengthM)
      }
  })
})

describe('the take-off', () => {
  test('packs are whole, cost is what is bought at its price, and the sum is theirs', () => {
    expect(toBuy(10, 0.1, 2.5, false)).toBe(12.5)
    expect(toBuy(10, 0.1, null, false)).toBeCloseTo(11, 9)
    expect(toBuy(3.2, 0, null, true)).toBe(4)
    for (const demo of DEMOS) {
      const { lines, total } = takeoff(demo)
      expect(total).toBeCloseTo(sum(lines.map(l => l.cost)), 6)
      expect(new Set(lines.map(l => l.id)).size).toBe(lines.length)
      for (const l of lines) {
        expect(l.buy).toBeGreaterThanOrEqual(l.amount - 1e-9)
        expect(l.cost).toBeCloseTo(l.buy * l.price, 9)
        if (l.pack) expect(l.buy / l.pack).toBeCloseTo(Math.round(l.buy / l.pack), 6)
      }
    }
  })

  test('it follows the drawing: a metre more of house takes more of everything that runs along it', () => {
    const longer = patchDesign(ash, [['shape.lengthM', ash.shape.lengthM + 1]])
    const of = (d: Design, item: RegExp) => sum(find(d, item).map(l => l.amount))
    for (const item of [/Sheets/, /Panes/, /Lumber/, /Edge board/, /Concrete block/, /Plywood/])
      expect(of(longer, item)).toBeGreaterThan(of(ash, item))
    expect(of(longer, /Barrel/)).toBe(of(ash, /Barrel/))
  })

  test('a price of one’s own goes into every line that it is for', () => {
    const mine = patchDesign(ash, [['topUp.prices', [{ id: 'stock.lumber', each: 10 }]]])
    for (const l of find(mine, /^Lumber/)) expect(l.price).toBe(10)
  })

  test('masonry has no studs; a lining before a framed wall leaves them', () => {
    const brick = patchDesign(ash, [['skin.wall', [{ material: 'brick', thicknessM: 0.24 }]]])
    expect(designFaults(brick)).toEqual([])
    const back = (d: Design) =>
      members(d, makeBuilding(d))
        .filter(m => m.part === 'back wall')
        .map(m => m.member)
    expect(back(ash)).toEqual(['stud', 'plate'])
    expect(back(brick)).toEqual(['plate on the wall'])
  })

  test('lengths at a spacing: both ends have one', () => {
    expect([baysOf(9, 0.6), baysOf(9.1, 0.6), baysOf(0.5, 0.6)]).toEqual([15, 16, 1])
  })
})

describe('foundations', () => {
  test('a trench for the footing takes the edge board as well; piles leave it to be dug for', () => {
    const dig = (kind: string) =>
      sum(find(patchDesign(ash, [['build.foundation.kind', kind]]), /Dig for the edge/).map(l => l.amount))
    expect(dig('grade beam')).toBe(0)
    // 27.748 m round, 0.8 m deep, a trench of 0.3 m
    expect(dig('piles')).toBeCloseTo(27.748 * 0.8 * 0.3, 6)
  })

  test('each gives a take-off of its own, and says what speaks against it', () => {
    for (const f of FOUNDATIONS) {
      const house = patchDesign(ash, [['build.foundation.kind', f.id]])
      const lines = takeoff(house).lines.filter(l => l.stage === 'foundation' && l.part === 'foundation')
      expect(lines.length).toBeGreaterThan(0)
      expect(lines.every(l => l.cost > 0)).toBe(true)
    }
    const piles = FOUNDATIONS.find(f => f.id === 'piles')!
    expect(againstFoundation(piles, ash, 1.2, false).join()).toMatch(/ends above where frost goes/)
    expect(againstFoundation(piles, patchDesign(ash, [['build.foundation.depthM', 1.3]]), 1.2, false)).toEqual([])
    expect(againstFoundation(piles, ash, 0, true).join()).toMatch(/continuous footing/)
  })

  test('frost goes down with the root of its degree-days, and not at all where none is', () => {
    const year = (c: number, days: number) => Float32Array.from({ length: 8760 }, (_, h) => (h < days * 24 ? c : 10))
    expect(frostDepthM(year(5, 365))).toBe(0)
    expect(frostDepthM(year(-10, 80)) / frostDepthM(year(-10, 20))).toBeCloseTo(2, 6)
    // 600 degree-days: √(2 · 1.8 · 600 · 86 400 / 90·10⁶) = 1.44 m
    expect(frostDepthM(year(-10, 60))).toBeCloseTo(1.44, 2)
    expect(frostDepthM(engine.site(ash).dryBulbC)).toBeGreaterThan(0.4)
    expect(frostDepthM(engine.site(growers).dryBulbC)).toBeLessThan(frostDepthM(engine.site(ash).dryBulbC))
  })
})

describe('cuts as they are drawn', () => {
  test('a square member is a rectangle; a cut leans as its saw is set', () => {
    const square = { cut: 'square', sawDeg: 0 } as const
    expect(memberOutline({ ends: [square, square] }, 100, 10)).toBe('0.0,10.0 100.0,10.0 100.0,0.0 0.0,0.0')
    const plumb = { cut: 'plumb', sawDeg: 45 } as const
    expect(memberOutline({ ends: [square, plumb] }, 100, 10)).toContain('110.0,0.0')
  })

  test('two boards that meet at 150° from above: the cut is as long as their thickness over sin 75°', () => {
    const sin75 = Math.sin((75 * Math.PI) / 180)
    expect(cornerMitre({ angleDeg: 150 }, 12)).toBeCloseTo(12 / sin75, 9)
    const points = cornerOutline({ angleDeg: 90 }, 40, 12).split(' ')
    expect(points).toHaveLength(6)
    expect(points[0]).toBe('0.0,0.0')
    // A right angle leans by 45° to either side.
    expect(points[1]).toBe('28.3,28.3')
    expect(points[3]).toBe('0.0,17.0')
  })

  test('what is alike is told once', () => {
    expect(together([1, 2, 1, 1], String)).toEqual([
      { of: 1, count: 3 },
      { of: 2, count: 1 },
    ])
  })
})

describe('what is already mine', () => {
  const [line] = takeoff(ash).lines.filter(l => l.unit === 'm²' && l.price > 0)
  const having = (mine: number) =>
    takeoff(patchDesign(ash, [['build.notes', [{ line: line!.id, supplier: '', note: '', mine }]]]))

  test('costs nothing, and is said; no more of it than is needed', () => {
    const half = having(line!.buy / 2)
    const of = (t: ReturnType<typeof takeoff>) => t.lines.find(l => l.id === line!.id)!
    expect(of(half)).toMatchObject({ buy: line!.buy, mine: line!.buy / 2, cost: expect.closeTo(line!.cost / 2, 6) })
    expect(takeoff(ash).total - half.total).toBeCloseTo(line!.cost / 2, 6)
    const all = having(99_999)
    expect(of(all)).toMatchObject({ mine: line!.buy, cost: 0 })
    expect(takeoff(ash).total - all.total).toBeCloseTo(line!.cost, 6)
  })

  test('what Start was told is at hand is on the list, and no more than there is', () => {
    const barrels = takeoff(ash).lines.filter(l => l.priced?.startsWith('vessel.barrel'))
    const needed = sum(barrels.map(l => l.buy))
    const atHand = { power: true, water: true, stone: false, windowsM2: 0 }
    const mineOf = (drums: number) =>
      sum(
        takeoff(withMine(ash, { atHand: { ...atHand, drums } })).lines.map(l =>
          l.priced === barrels[0]!.priced ? l.mine : 0,
        ),
      )
    expect(mineOf(needed + 5)).toBe(needed)
    expect(mineOf(2)).toBe(2)
    expect(withMine(ash, { atHand: { ...atHand, drums: 0 } })).toBe(ash)
  })
})

describe('air stores from real parts', () => {
  const [, ribera] = DEMOS as [Design, Design]
  const withStore = (store: AirStore): Design => ({ ...ash, store: { ...ash.store, airStores: [store] } })
  const line = (d: Design, item: RegExp, part: RegExp) => find(d, item, part)[0]!

  test('pipes of Ribera Alta: as long as they lie, risers, saddles, caps and a fan that is sold', () => {
    const s = ribera.store.airStores[0] as Extract<AirStore, { kind: 'earth store' }>
    const lay = layPipes(ribera, s)
    const of = (item: RegExp) => line(ribera, item, /earth store/)
    expect(of(/^Pipe,/).amount).toBeCloseTo(sum(lay.runs.map(r => r.y1 - r.y0)), 6)
    expect(of(/^Saddles/).buy).toBe(2 * s.pipes)
    expect(of(/^Risers/).amount).toBeCloseTo(2 * (s.depthM + 1), 6)
    expect(of(/^Caps/).buy).toBe(2)
    expect(of(/^Duct fan/).note).toMatch(/m³\/h free.*(such as: \S+|none of those known)/)
    // What is dug is the pit that they lie in, and all but the pipes goes back.
    const dig = find(ribera, /^Dig for the earth store/)[0]!
    const wide = lay.manifolds[0]!.x1 - lay.manifolds[0]!.x0 + s.spacingM
    const long = lay.runs[0]!.y1 - lay.runs[0]!.y0 + s.spacingM
    expect(dig.amount).toBeCloseTo(wide * long * s.depthM, 6)
  })

  test('a rock bed of 6 m² by hand: 8.6 × 0.70 × 0.6 m, foam all round, a pit for both, cloth and feeds', () => {
    const bed = withStore(anAirStore('rock bed'))
    const of = (item: RegExp) => line(bed, item, /rock bed/)
    // The house is 9 m long and 0.2 m stay free at each wall: 8.6 × 0.6977 m.
    const [along, across, deep, ins] = [8.6, 6 / 8.6, 0.6, 0.1]
    expect(of(/Washed rock/).amount).toBeCloseTo(6 * deep, 6)
    expect(of(/^Foam/).amount).toBeCloseTo(2 * 6 + 2 * (along + across) * deep, 6)
    expect(of(/^Cloth/).amount).toBeCloseTo(6 + 2 * (along + across) * deep, 6)
    expect(of(/^Slotted/).amount).toBeCloseTo(2 * along, 6)
    expect(find(bed, /^Dig for the rock bed/)[0]!.amount).toBeCloseTo(
      (across + 2 * ins) * (along + 2 * ins) * (deep + 2 * ins + 0.15),
      6,
    )
  })

  test('what is put in fits the house that it is put into', () => {
    for (const demo of DEMOS)
      for (const { kind } of AIR_STORE_KINDS) {
        const made = airStoreFor(demo, kind as AirStoreKindId)
        const house = { ...demo, store: { ...demo.store, airStores: [made] } }
        expect([demo.name, kind, designFaults(house)]).toEqual([demo.name, kind, []])
        if (made.kind === 'earth store') expect([demo.name, layPipes(demo, made).fits]).toEqual([demo.name, true])
        // All that it takes has a price.
        for (const l of takeoff(house).lines.filter(l => l.stage === 'ground')) expect(l.price).toBeGreaterThan(0)
      }
  })
})

describe('openings and joints from real parts', () => {
  test('the door of Hollow Ash, 0.9 × 2 m: three hinges, its seal, a threshold; flashing past it on both sides', () => {
    const of = (item: RegExp) => find(ash, item, /^door$/)[0]!
    expect(of(/^Hinges/).buy).toBe(3)
    expect(of(/^Seal/).amount).toBeCloseTo(2 * (0.9 + 2), 6)
    expect(of(/^Threshold/).amount).toBeCloseTo(0.9, 6)
    expect(of(/^Flashing/).amount).toBeCloseTo(0.9 + 2 * 0.15, 6)
  })

  test('a roof vent is flashed up its sides too, leaf by leaf; a side that rolls up has none of it', () => {
    // Eleven leaves of 0.71 × 0.5 m at the ridge.
    const [roof] = find(ash, /^Flashing over and beside/)
    expect(roof!.amount).toBeCloseTo(11 * (0.71 + 0.3 + 2 * 0.5), 6)
    expect(find(growers, /Hinges|Seal|drip/, /roll-up/)).toEqual([])
    expect(find(growers, /Roll-up side/).length).toBeGreaterThan(0)
  })

  test('a lean-to is flashed to its house; film that is blown apart has a blower, limp film none', () => {
    expect(find(fjellro, /Flashing over the ledger/)[0]!.amount).toBeCloseTo(7, 9)
    expect(find(fjellro, /^Seal up both sides/)[0]!.amount).toBeCloseTo(2 * 3.4, 6)
    expect(find(ash, /Flashing over the ledger/)).toEqual([])
    const blown = patchDesign(growers, [['skin.glazing', 'film-2']])
    expect(blown.skin.condition.blowerW).toBeGreaterThan(0)
    expect(find(blown, /^Blower/)[0]!.buy).toBe(1)
    expect(find(patchDesign(blown, [['skin.condition.blowerW', 0]]), /^Blower/)).toEqual([])
  })
})

describe('cuts as a table', () => {
  const table = (d: Design) => {
    const [head, ...rows] = writeCutsCsv(cutList(d))
      .split('\n')
      .map(l => l.split(','))
    return rows.map(r => Object.fromEntries(head!.map((h, i) => [h, r[i] ?? ''])))
  }

  test('members to the millimetre and in sixteenths, with their ends; bars with what comes out, what is left', () => {
    const all = table(ash)
    const stud = all.find(r => r.name === 'stud' && r.part === 'back wall')!
    // 2.3 m are 90.55 in: 7 ft 6 9/16 in.
    expect(stud).toMatchObject({ count: '18', length_mm: '2300', length_ft_in: '7 ft 6 9/16 in', lower_end: 'square' })
    const bars = all.filter(r => r.what === 'lumber as sold')
    for (const b of bars) {
      const used = b
        .pieces_mm!.split(' + ')
        .map(Number)
        .reduce((a, v) => a + v, 0)
      expect(Math.abs(used + Number(b.left_mm) - Number(b.length_mm))).toBeLessThanOrEqual(8)
    }
    const cutM = sum(
      cutList(ash)
        .members.filter(m => !m.bent)
        .map(m => m.count * m.lengthM),
    )
    const inBars = sum(
      bars.map(
        b =>
          Number(b.count) *
          b
            .pieces_mm!.split(' + ')
            .map(Number)
            .reduce((a, v) => a + v, 0),
      ),
    )
    expect(inBars / 1000).toBeCloseTo(cutM, 0)
    expect(table(saritas).some(r => r.what === 'facet')).toBe(true)
    expect(table(growers).some(r => r.what === 'film off a roll')).toBe(true)
  })

  test('an entered section is called as it is sold: 38 × 140 mm is 2×6 where lumber comes in feet', () => {
    const told = (stock: string) =>
      sectionWords(
        patchDesign(ash, [
          ['build.stock', stock],
          ['build.frame.thickM', 0.038],
          ['build.frame.deepM', 0.14],
        ]).build,
        inMetric,
      )
    expect(told('us')).toMatch(/^section 2×6, /)
    expect(told('metric')).toMatch(/^section 38/)
    expect(sectionWords(ash.build, inMetric)).toMatch(/told by the engineer/)
  })
})
