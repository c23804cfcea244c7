import fc from 'fast-check'
import { DEMOS, type Design, type Layer } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { domeEdges, facets } from '../../core/frame/dome'
import { members, sectionMembers } from '../../core/frame/members'
import { baysOf, linesAlong, linesOfEnd, membersAt, spacingWords, stripEdges } from '../../core/frame/spacing'
import { framedBy, partTimber, USUAL_THICK_M } from '../../core/frame/timber'
import { makeOutline } from '../../core/geometry/section'
import { makeBuilding } from '../../core/geometry/surfaces'
import { layersResistance, withFrame } from '../../core/materials/assembly'
import { elementLosses } from '../../core/network/chains'
import { glazingCuts } from '../../core/takeoff/sheets'
import { takeoff } from '../../core/takeoff/takeoff'
import { inMetric } from '../../core/units'
import { randomHouses } from '../proof/let-in'
import { engine } from '../shared/years'

const [ash, , fjellro, saritas, growers] = DEMOS as [Design, Design, Design, Design, Design]
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)
const timberOf = (d: Design) => partTimber(d, makeOutline(d.shape))
const uOf = (d: Design, name: string) => elementLosses(d, makeBuilding(d)).find(l => l.name === name)!.uDay

describe('where members stand', () => {
  test('9 m of sheets 1.05 m wide, at most 0.6 m apart: two bays to a sheet, one to what is left', () => {
    const at = membersAt(9, 0.6, 1.05)
    expect(at).toHaveLength(18)
    expect([at[1], at[2], at[16], at[17]].map(v => Math.round(v! * 1e4) / 1e4)).toEqual([0.525, 1.05, 8.4, 9])
  })

  test('what is left is no strip that nobody cuts: 9.5 m ends in two of 0.575 m, not in one of 0.05', () => {
    const edges = stripEdges(9.5, 1.05)
    expect(edges.at(-1)! - edges.at(-2)!).toBeCloseTo((1.05 + 0.05) / 2, 9)
    expect(edges).toHaveLength(11)
  })

  test('at any length: both ends, every joint, no bay wider than it may be, no sheet wider than it is', () => {
    const length = fc.double({ min: 0.4, max: 60, noNaN: true })
    const apart = fc.double({ min: 0.3, max: 3, noNaN: true })
    const sheet = fc.option(fc.double({ min: 0.4, max: 2.5, noNaN: true }))
    fc.assert(
      fc.property(length, apart, sheet, (long, apartM, sheetM) => {
        const at = membersAt(long, apartM, sheetM)
        expect([at[0], at.at(-1)]).toEqual([0, expect.closeTo(long, 9)])
        const widest = Math.max(...at.slice(1).map((v, i) => v - at[i]!))
        expect(widest).toBeLessThanOrEqual(apartM + 1e-6)
        if (sheetM === null) return expect(at).toHaveLength(baysOf(long, apartM) + 1)
        const edges = stripEdges(long, sheetM)
        for (const e of edges) expect(Math.min(...at.map(v => Math.abs(v - e)))).toBeLessThan(1e-9)
        for (const [i, e] of edges.slice(1).entries()) {
          expect(e - edges[i]!).toBeLessThanOrEqual(sheetM + 1e-9)
          expect(e).toBeGreaterThan(edges[i]!)
        }
      }),
    )
  })

  test('over 60 houses of any form every joint of sheets lies on a member', () => {
    let joints = 0
    for (const random of randomHouses(60, 7)) {
      if (random.shape.form === 'dome') continue
      const house = patchDesign(random, [['skin.glazing', 'twinwall-10']])
      const building = makeBuilding(house)
      const along = linesAlong(house, building.outline)
      for (const { pieces, sheets } of glazingCuts(house, building)) {
        if (sheets.length === 0) continue
        for (const { at, widthM } of pieces) {
          const { acrossM, fromM, way, surfaces } = at!.on
          const part = surfaces[0]!.part!
          const on = part === 'eastEnd' || part === 'westEnd' ? linesOfEnd(house, building.outline, part) : along
          // The field's own edges have members of their own.
          for (const u of [at!.u, at!.u + widthM].filter(v => v > 1e-6 && v < acrossM - 1e-6)) {
            joints++
            expect(Math.min(...on.map(p => Math.abs(p - way * (u + fromM))))).toBeLessThan(1e-6)
          }
        }
      }
    }
    expect(joints).toBeGreaterThan(150)
  })

  test('it says what it follows, or why it follows nothing', () => {
    const words = (d: Design) => Object.values(spacingWords(d, makeOutline(d.shape), inMetric)).join('. ')
    expect(words(ash)).toMatch(/0\.53\sm apart: 2 bays to a sheet of 1\.05\sm/)
    expect(words(patchDesign(ash, [['build.frame.sheetM', 0.98]]))).toMatch(/2 bays to a sheet of 0\.98\sm/)
    expect(words(patchDesign(ash, [['build.stock', 'us']]))).toMatch(/sheet of 1\.22\sm/)
    expect(words(fjellro)).toMatch(/12 bays alike\. No sheets/)
    expect(words(saritas)).toMatch(/edges of the facets/)
    expect(words(growers)).toMatch(/1\.50\sm apart: 20 bays alike/)
  })
})

describe('timber in the walls', () => {
  test('the back wall of Hollow Ash by hand: 18 studs between a plate and a sill of 9 m, 45 mm thick', () => {
    const share = ((18 * (2.3 - 2 * USUAL_THICK_M) + 2 * 9) * USUAL_THICK_M) / (9 * 2.3)
    expect(timberOf(ash).backWall!.share).toBeCloseTo(share, 9)
    const [boards, foam] = ash.skin.wall
    expect([boards, foam]).toMatchObject([{ material: 'softwood' }, { material: 'eps', thicknessM: 0.1 }])
    const others = ash.skin.wall.filter(l => l !== foam)
    const byHand = layersResistance(others) + 0.1 / ((1 - share) * 0.036 + share * 0.13)
    const framed = framedBy(ash, makeOutline(ash.shape))('backWall', ash.skin.wall)
    expect(layersResistance(framed)).toBeCloseTo(byHand, 9)
  })

  test('what is given holds, none is none; a wall of blocks and a house’s own wall have no frame', () => {
    const given = (framing: number) => patchDesign(ash, [['skin.wall', ash.skin.wall.map(l => ({ ...l, framing }))]])
    expect(uOf(given(0), 'back wall')).toBeLessThan(uOf(ash, 'back wall'))
    expect(uOf(given(0.3), 'back wall')).toBeGreaterThan(uOf(ash, 'back wall'))
    const denser = patchDesign(given(0.05), [['build.frame.apartM', 0.3]])
    expect(uOf(denser, 'back wall')).toBe(uOf(given(0.05), 'back wall'))
    const blocks = patchDesign(ash, [
      [
        'skin.wall',
        [
          { material: 'eps', thicknessM: 0.1 },
          { material: 'concrete-block', thicknessM: 0.2 },
        ],
      ],
    ])
    expect(timberOf(blocks).backWall!.share).toBe(0)
    expect(timberOf(fjellro).backWall!.share).toBe(0)
  })

  test('closer and thicker members let more through; shallower ones less than those as deep as the layer', () => {
    const of = (field: string, value: number) => uOf(patchDesign(ash, [[`build.frame.${field}`, value]]), 'back wall')
    expect(of('apartM', 0.3)).toBeGreaterThan(of('apartM', 0.6))
    expect(of('thickM', 0.09)).toBeGreaterThan(of('thickM', 0.045))
    expect(of('thickM', USUAL_THICK_M)).toBe(uOf(ash, 'back wall'))
    expect(of('deepM', 0.05)).toBeLessThan(of('deepM', 0.3))
    expect(of('deepM', 0.3)).toBe(uOf(ash, 'back wall'))
  })

  test('openings interrupt studs and have trimmers and headers; all lengths of a part are its timber', () => {
    const outline = makeOutline(ash.shape)
    const told = patchDesign(ash, [['build.frame.thickM', USUAL_THICK_M]])
    const east = (d: Design) => sectionMembers(d, outline).filter(m => m.on === 'eastEnd')
    const lengthOf = (d: Design, member: string) =>
      sum(
        east(d)
          .filter(m => m.member === member)
          .map(m => m.count * m.lengthM),
      )
    // A door of 2 m: each stud in its way loses so much.
    const lost = lengthOf({ ...ash, skin: { ...ash.skin, openings: [] } }, 'end stud') - lengthOf(ash, 'end stud')
    expect([lost / 2, lengthOf(ash, 'header')]).toEqual([expect.closeTo(2, 6), expect.closeTo(0.9, 9)])
    const { share, areaM2 } = timberOf(ash).eastEnd!
    expect(share * areaM2).toBeCloseTo(sum(east(told).map(m => m.count * m.lengthM)) * USUAL_THICK_M, 9)
    // Studs are shorter by what they stand on and what they carry.
    const back = (d: Design) => members(d, makeBuilding(d)).find(m => m.member === 'stud' && m.part === 'back wall')!
    expect(back(ash).lengthM - back(told).lengthM).toBeCloseTo(2 * USUAL_THICK_M, 9)
    // The list that is bought from is the same.
    const listed = members(ash, makeBuilding(ash)).map(m => m.count * m.lengthM)
    expect(sum(sectionMembers(ash, outline).map(m => m.count * m.lengthM))).toBeCloseTo(sum(listed), 1)
  })

  test('half of each strut of a dome is each facet’s: over the whole dome their timber is that of its edges', () => {
    const building = makeBuilding(saritas)
    const timber = timberOf({ ...saritas, skin: { ...saritas.skin, openings: [] } })
    const all = Object.values(timber)
    const inEdges = sum(domeEdges(building).map(e => (e.foot ? 0.5 : 1) * e.lengthM)) * USUAL_THICK_M
    expect(sum(all.map(t => t.share * t.areaM2))).toBeCloseTo(inEdges, 6)
    expect(facets(building).length).toBeGreaterThan(3)
  })

  test('a year with the frame in its walls is colder than one without, by less than half a kelvin here', () => {
    const without = patchDesign(ash, [
      ['skin.wall', ash.skin.wall.map(l => ({ ...l, framing: 0 }))],
      ['skin.roof', ash.skin.roof.map(l => ({ ...l, framing: 0 }))],
    ])
    const apart = engine.run(without).answers.coldestNight.insideC - engine.run(ash).answers.coldestNight.insideC
    expect(apart).toBeGreaterThan(0.05)
    expect(apart).toBeLessThan(0.5)
  })
})

test('metal members halve the insulation that they stand in, as far as they are deep', () => {
  const layers: Layer[] = [
    { material: 'softwood', thicknessM: 0.022 },
    { material: 'eps', thicknessM: 0.1 },
    { material: 'plywood', thicknessM: 0.015 },
  ]
  const r = (l: readonly Layer[]) => layersResistance(l)
  const eps = r([layers[1]!])
  const metal = (deepM: number | null) => r(withFrame(layers, 0.12, { deepM, made: 'metal' }))
  expect(metal(null)).toBeCloseTo(r(layers) - eps / 2, 3)
  expect(metal(0.05)).toBeCloseTo(r(layers) - eps / 4, 3)
  // Timber takes less of it away, and no members nothing.
  expect(r(withFrame(layers, 0.12, { deepM: null, made: 'timber' }))).toBeGreaterThan(metal(null) + 0.3)
  expect(withFrame(layers, 0, { deepM: null, made: 'metal' })).toEqual(layers)
  const steel = patchDesign(ash, [['build.frame.made', 'metal']])
  expect(takeoff(steel).lines.some(l => /^Metal sections/.test(l.item) && l.priced === 'stock.metal')).toBe(true)
  expect(takeoff(steel).lines.some(l => /^Lumber/.test(l.item))).toBe(false)
})

test('under film hoops stand as close as its class says, and sheets know nothing of it', () => {
  const at = (d: Design) => linesAlong(d, makeOutline(d.shape))
  const close = patchDesign(growers, [['build.frame.filmM', 1]])
  expect(at(growers)).toHaveLength(21)
  expect(at(close)).toHaveLength(31)
  expect(at(patchDesign(growers, [['build.frame.filmM', 3]]))).toHaveLength(21)
  expect(at(patchDesign(ash, [['build.frame.filmM', 0.4]]))).toEqual(at(ash))
})
