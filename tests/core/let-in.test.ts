import fc from 'fast-check'
import { designCautions } from '../../core/advice/cautions'
import { madeToFitLines } from '../../core/advice/made-to-fit'
import { DEMOS, type Design, type Opening } from '../../core/design'
import {
  broughtForward,
  designFaults,
  fittedOpenings,
  freeOpening,
  largerVents,
  patchDesign,
  withOpeningsCarried,
} from '../../core/editing'
import { openingMisfits } from '../../core/geometry/let-in'
import { laidLeaves, rowRects } from '../../core/geometry/leaves'
import { makeOutline } from '../../core/geometry/section'
import { makeBuilding } from '../../core/geometry/surfaces'
import { elementLosses } from '../../core/network/chains'
import { edgeLeakM2, flapFreeM2, mostAlong, openersFor, POST_M, rowFor } from '../../core/openings/leaf'
import { OPENING_KINDS, openingKind } from '../../core/openings/registry'
import { doorOn, withMore, withoutOpenings } from '../openings'
import { designOfForm } from '../proof/light-error'
import { areasApart } from '../proof/let-in'

const [ash] = DEMOS as [Design]
const dome = withoutOpenings(DEMOS.find(d => d.shape.form === 'dome')!)
const kindOf = (name: string) => OPENING_KINDS.find(k => k.kind === name)!
const bare = withoutOpenings(designOfForm('saltbox'))
const words = (d: Design) => openingMisfits(d).map(f => f.message)
const uaOf = (d: Design) => elementLosses(d, makeBuilding(d)).reduce((sum, l) => sum + l.uaDay, 0)

test('leaves of a row lie about their place with a post between two, or spread evenly over their part', () => {
  const row = { count: 3, widthM: 0.9, heightM: 0.5, sillM: 0.2, offsetM: 0.4 }
  const near = rowRects({ ...row, spread: false }, 9)
  for (const [i, { u0 }] of near.slice(1).entries()) expect(u0 - near[i]!.u1).toBeCloseTo(POST_M, 9)
  expect((near[0]!.u0 + near[2]!.u1) / 2).toBeCloseTo(0.4, 9)
  const apart = rowRects({ ...row, spread: true }, 9)
  expect(apart.map(r => (r.u0 + r.u1) / 2)).toEqual([-3, 0, 3])
  for (const { u0, u1, v0, v1 } of [...near, ...apart])
    expect([u1 - u0, v0, v1]).toEqual([expect.closeTo(0.9, 9), 0.2, 0.7])
})

describe('free area, arms and edges', () => {
  const flap = fc.record({
    count: fc.integer({ min: 1, max: 20 }),
    widthM: fc.double({ min: 0.1, max: 3, noNaN: true }),
    heightM: fc.double({ min: 0.05, max: 2, noNaN: true }),
    strokeM: fc.double({ min: 0.02, max: 3, noNaN: true }),
  })

  test('never more than the clear opening, never less by a longer stroke, and by hand for one of 1.2 × 0.4 m', () => {
    fc.assert(
      fc.property(flap, o => {
        expect(flapFreeM2(o)).toBeLessThanOrEqual(o.count * o.widthM * o.heightM + 1e-12)
        expect(flapFreeM2({ ...o, strokeM: 2 * o.strokeM })).toBeGreaterThanOrEqual(flapFreeM2(o))
      }),
    )
    // A strip of 0.2 m along the free edge, and two triangles of 0.4 m by 0.2 m: 0.24 + 0.08 m².
    expect(flapFreeM2({ count: 1, widthM: 1.2, heightM: 0.4, strokeM: 0.2 })).toBeCloseTo(0.32, 9)
  })

  test('a wax opener moves 2 m² and lifts 15 kg; each leaf has its own', () => {
    expect(openersFor('fabric', 6, 0.5)).toBe(6)
    expect(openersFor('fabric', 1, 2)).toBe(1)
    expect(openersFor('fabric', 1, 2.1)).toBe(2)
    // Boards at 11 kg/m².
    expect(openersFor('timber', 2, 1.5)).toBe(4)
  })

  test('a row fits its run with a post for each leaf, and is no larger than asked', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 12, noNaN: true }),
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        (areaM2, runM, heightM) => {
          const { count, widthM } = rowFor(areaM2, runM, heightM)
          expect(count).toBeLessThanOrEqual(Math.max(1, mostAlong(runM, Math.min(widthM, 0.4))))
          expect(count * widthM).toBeLessThanOrEqual(runM + 1e-9)
          if (widthM > 0.1) expect(count * widthM * heightM).toBeLessThanOrEqual(areaM2 + 1e-9)
        },
      ),
    )
  })

  test('an edge leaks by how it shuts, beyond what the house’s tightness has counted; a test has counted all', () => {
    expect(edgeLeakM2(null, 10, 'usual')).toBe(0)
    expect(edgeLeakM2('loose', 10, 'usual')).toBeGreaterThan(0)
    expect(edgeLeakM2('sealed', 10, 'usual')).toBeLessThan(0)
    expect(edgeLeakM2('sealed', 10, 'tight')).toBe(0)
    expect(edgeLeakM2('loose', 10, 'measured')).toBe(0)
  })
})

describe('a door higher than its part stands out in a dormer', () => {
  const domed = withMore(dome, doorOn('kneeWall', { heightM: 1.9 }))
  const under = withMore(bare, doorOn('kneeWall', { heightM: 1.6, offsetM: 1 }))

  test.each([
    ['a dome', dome, domed],
    ['a slope', bare, under],
  ])('%s: skin is cut out for it, cheeks and a roof close the hole, and all of it loses heat', (_, without, house) => {
    expect(designFaults(house)).toEqual([])
    const building = makeBuilding(house)
    const sides = building.surfaces.filter(s => s.standsOut)
    expect(sides.length).toBeGreaterThanOrEqual(3)
    expect(sides.filter(s => s.tiltDeg < 1)).toHaveLength(1)
    expect(areasApart(house)).toBeLessThan(1e-6)
    const glassOf = (d: Design) =>
      makeBuilding(d)
        .surfaces.filter(s => s.kind === 'glazed')
        .reduce((sum, s) => sum + s.areaM2, 0)
    expect(glassOf(house)).toBeLessThan(glassOf(without) - 0.3)
    const lost = elementLosses(house, building).find(l => l.id.startsWith('leaf of opening'))!
    const doorM2 = sides.reduce((sum, s) => sum + s.areaM2, 0) + 0.9 * (house === domed ? 1.9 : 1.6)
    expect(lost.areaM2).toBeCloseTo(doorM2, 6)
    expect(Math.abs(uaOf(house) - uaOf(without))).toBeGreaterThan(0.5)
  })

  test('no vent lies in it, no second door on its facet; a roof that is too flat or too low is told', () => {
    const all = withMore(domed, { ...freeOpening(domed, kindOf('vent'), 'sunnySlope')!, count: 12 } as Opening)
    const side = (d: Design) => laidLeaves(d, makeOutline(d.shape)).map(l => l.planes[0]!.facet!.side)
    const [door, ...vents] = side(all)
    expect(vents).not.toContain(door)
    expect(words(withMore(domed, doorOn('kneeWall')))).toEqual([expect.stringMatching(/lies in the door/)])
    const vent = { ...freeOpening(bare, kindOf('vent'), 'sunnySlope')!, count: 1, evenly: 'together', sillM: 0.1 }
    expect(words(withMore(under, { ...vent, offsetM: 1 } as Opening))).toEqual([
      expect.stringMatching(/lies in the dormer of the door/),
    ])
    expect(words(withMore(under, { ...vent, offsetM: -1 } as Opening))).toEqual([])
    const flat = patchDesign(bare, [
      ['shape.kneeWallM', 0.4],
      ['shape.ridgeHeightM', 2.3],
    ])
    expect(words(withMore(flat, doorOn('kneeWall', { heightM: 2.1 })))).toEqual([
      expect.stringMatching(/dormer .* deep under so flat a roof/),
    ])
    expect(words(withMore(bare, doorOn('kneeWall', { heightM: 3.5 })))).toEqual([
      expect.stringMatching(/higher than the roof behind it/),
    ])
  })
})

describe('openings go along with their house', () => {
  test('shorter by half: everything fits, doors first, and back at its length all is as it was', () => {
    const short = withOpeningsCarried(patchDesign(ash, [['shape.lengthM', 4]]))
    expect(openingMisfits(short)).toEqual([])
    expect(short.skin.openings.filter(o => o.kind === 'door')).toEqual(ash.skin.openings.filter(o => o.kind === 'door'))
    const free = (d: Design) => d.skin.openings.reduce((sum, o) => sum + openingKind(o).freeM2(o), 0)
    expect(free(short)).toBeLessThan(free(ash))
    const back = patchDesign(short, [['shape.lengthM', ash.shape.lengthM]])
    expect(withOpeningsCarried(back, ash.skin.openings)).toEqual(ash)
  })

  test('what fits nowhere is null, and nothing that fits is touched', () => {
    expect(fittedOpenings(ash)).toEqual(ash.skin.openings)
    const fitted = fittedOpenings(withMore(ash, doorOn('westEnd', { heightM: 4, widthM: 6 })))
    expect(fitted.at(-1)).toMatchObject({ kind: 'door', part: 'westEnd' })
    expect(fitted.slice(0, -1)).toEqual(ash.skin.openings)
  })

  test('more air: each row grows as far as it fits, and no further', () => {
    const more = largerVents(ash, 1.5)
    if (!more) throw new Error('nothing grows')
    expect(designFaults({ ...ash, skin: { ...ash.skin, openings: more } })).toEqual([])
    for (const [i, o] of more.entries()) {
      const was = ash.skin.openings[i]!
      expect(openingKind(o).freeM2(o)).toBeGreaterThanOrEqual(openingKind(was).freeM2(was) - 1e-9)
    }
  })

  test('an earlier document with more vent than fits says what it lost; one of today is not touched', () => {
    const wide = { kind: 'vent', part: 'kneeWall', areaM2: 9, atM: 0.4, tallM: 0.3, how: 'wax' }
    const old = { ...ash, schemaVersion: 4, skin: { ...ash.skin, openings: [wide] } }
    const now = broughtForward(JSON.parse(JSON.stringify(old))) as Design
    expect(designFaults(now)).toEqual([])
    const [made] = now.madeToFit
    expect(made).toMatchObject({ what: 'Vent', wasM2: expect.closeTo(9, 1) })
    expect(made!.isM2).toBeLessThan(4)
    expect(made!.isM2).toBeCloseTo(openingKind(now.skin.openings[0]!).freeM2(now.skin.openings[0]!), 9)
    expect(designCautions(now, null).map(c => c.text)).toContainEqual(
      expect.stringMatching(/^Vent: 9\.0.m² free was entered, .*m² fits its part\. Look at its summer anew/),
    )
    expect(designCautions({ ...now, madeToFit: [] }, null).some(c => /was entered/.test(c.text))).toBe(false)
    const none = { ...made!, isM2: 0 }
    expect(madeToFitLines({ madeToFit: [none] }, v => `${v} m²`)).toEqual([expect.stringMatching(/it is left out/)])
    expect(broughtForward(ash)).toBe(ash)
  })
})
