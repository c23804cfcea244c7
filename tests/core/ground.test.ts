import fc from 'fast-check'
import { DEMOS, type Design } from '../../core/design'
import { rectangleOf } from '../../core/geometry/footprint'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeGroundSlice, type GroundInput } from '../../core/ground/slice'
import { steadyGroundConductance } from '../../core/network/chains'
import { groundWave, iso13370, slabU } from '../proof/ground-cases'
import { unheated } from '../added'
import { engine } from '../shared/years'

const demo = DEMOS[0]!

test.each([
  [6, 2, 0.3, 0.5],
  [6, 2, 0.3, 0],
  [4.6, 1.5, 0.3, 0],
  [10, 1.5, 0.3, 1],
  [3, 1.5, 0.3, 0],
])(
  'a long slab %d m wide on ground of %d W/mK loses what ISO 13370 says, within 5 %%',
  (widthM, conductivity, wallM, resistance) => {
    const got = slabU(widthM, conductivity, wallM, resistance)
    expect(Math.abs(got / iso13370(widthM, conductivity, wallM, resistance) - 1)).toBeLessThan(0.05)
  },
)

test('the year’s wave goes down as theory has it: swing and lag within 2 % to the damping depth', () => {
  for (const { depthM, swing, lag, expectedSwing, expectedLag } of groundWave()) {
    if (depthM > 2.3) continue
    expect(Math.abs(swing / expectedSwing - 1)).toBeLessThan(0.02)
    expect(Math.abs(lag - expectedLag)).toBeLessThan(0.02)
  }
})

const input: GroundInput = {
  floor: rectangleOf(0, 5, 0, 10),
  beds: [],
  path: null,
  perimeterM: 30,
  againstHouse: false,
  sunkM: 0,
  soil: { id: 'clay-soil', conductivity: 1.5, density: 1800, specificHeat: 1670 },
  edge: { resistance: 0, depthM: 0 },
  skirt: { resistance: 0, widthM: 0 },
  wallM: 0.2,
}
const loss = (patch: Partial<GroundInput>) => {
  const s = makeGroundSlice({ ...input, ...patch })
  return s.steady(
    s.floor.map(c => c.areaM2 / 0.17),
    patch.sunkM ? 400 : 0,
  )
}

test('an edge board holds heat, the more the deeper; a skirt does too; dry ground loses less', () => {
  const bare = loss({})
  const half = loss({ edge: { resistance: 2, depthM: 0.4 } })
  const deep = loss({ edge: { resistance: 2, depthM: 1 } })
  expect(half).toBeLessThan(bare * 0.95)
  expect(deep).toBeLessThan(half)
  expect(loss({ skirt: { resistance: 2, widthM: 0.6 } })).toBeLessThan(bare)
  expect(loss({ soil: { ...input.soil, conductivity: 0.8 } })).toBeLessThan(bare * 0.75)
})

test('the slice keeps its floor: columns fill the width, none is a sliver, areas add up', () => {
  const bed = fc.tuple(fc.double({ min: 0, max: 4, noNaN: true }), fc.double({ min: 0.2, max: 2, noNaN: true }))
  fc.assert(
    fc.property(fc.double({ min: 1.2, max: 15, noNaN: true }), fc.array(bed, { maxLength: 3 }), (widthM, beds) => {
      const s = makeGroundSlice({
        ...input,
        floor: rectangleOf(0, widthM, 0, 50 / widthM),
        beds: beds
          .filter(([at]) => at < widthM)
          .map(([at, w]) => [rectangleOf(at, Math.min(widthM, at + w), 0, 50 / widthM)]),
      })
      expect(s.floor[0]!.x0).toBeCloseTo(0, 6)
      expect(s.floor[s.floor.length - 1]!.x1).toBeCloseTo(widthM, 9)
      s.floor.forEach((c, i) => {
        expect(c.x1 - c.x0).toBeGreaterThan(0.1)
        if (i > 0) expect(c.x0).toBeCloseTo(s.floor[i - 1]!.x1, 9)
      })
      expect(s.floor.reduce((sum, c) => sum + c.areaM2, 0)).toBeCloseTo(50, 6)
    }),
  )
})

test('dug in, walls lose to mild ground and not to winter air', () => {
  const sunk = (sunkM: number): Design =>
    unheated({ ...demo, shape: { ...demo.shape, kneeWallM: 1.2, ridgeHeightM: 3.75, backWallM: 2.5, sunkM } })
  const level = engine.run(sunk(0)).answers
  const deep = engine.run(sunk(1.2)).answers
  expect(deep.coldestNight.insideC).toBeGreaterThan(level.coldestNight.insideC)
  expect(deep.ledger.losses['knee wall']!).toBeLessThan(level.ledger.losses['knee wall']! * 0.2)
  expect(deep.ledger.closure).toBeLessThan(0.001)
  expect(steadyGroundConductance(sunk(1.2), makeBuilding(sunk(1.2)))).toBeGreaterThan(0)
})

test('snow lying outside keeps the ground warmer', () => {
  if (demo.site.climate.kind !== 'normals') throw new Error('the demo has normals')
  const winter: Design = {
    ...demo,
    site: { ...demo.site, climate: { ...demo.site.climate, snowDays: [31, 28, 20, 0, 0, 0, 0, 0, 0, 0, 15, 31] } },
  }
  const loss = (d: Design) => engine.run(d).answers.ledger.losses.ground!
  expect(loss(winter)).toBeLessThan(loss(demo))
})
