import { bedAt, benchAt, DEMOS, type Bed, type Design } from '../../core/design'
import { accessFaults } from '../../core/advice/access'
import { designFaults, isReached, keepsWays, patchDesign, withWays } from '../../core/editing'
import { accessOf } from '../../core/geometry/access'
import { turnTowards } from '../../core/geometry/compass'
import { readBearing } from '../../core/units/bearing'
import { sunnyAzimuthDeg } from '../../core/geometry/section'
import { laidOn, MOVES } from '../../core/moves/registry'
import { inMetric } from '../../core/units'
import { tank } from '../bodies'
import { doorOn, ventOn, withMore, withoutOpenings } from '../openings'
import { plain } from '../plain'

/** A high gable, so that heads are clear everywhere, with a door in the middle of its east end. */
const room: Design = withMore(
  withoutOpenings({
    ...plain,
    shape: {
      ...plain.shape,
      form: 'gable',
      lengthM: 8,
      widthM: 5,
      kneeWallM: 2.1,
      ridgeHeightM: 4,
      ridgeAtM: 2.5,
      backWallM: 2.1,
      beds: [],
      benches: [],
    },
    store: { ...plain.store, bodies: [] },
  }),
  doorOn('eastEnd', { offsetM: 0 }),
)
const withBeds = (...beds: Bed[]): Design => ({ ...room, shape: { ...room.shape, beds } })
const outOfReach = (d: Design) => accessOf(d).beds

test('an empty room is walked everywhere; without a door nowhere', () => {
  expect(designFaults(room)).toEqual([])
  expect(accessOf(room)).toMatchObject({ hasDoor: true, beds: [], bodies: [], cutOffM2: 0 })
  expect(accessFaults(withoutOpenings(room), inMetric)).toEqual([
    { what: 'The house', why: 'no door is let in, so nobody gets in' },
  ])
})

test('a bed against a wall is reached as far as arms go, one with paths on both sides twice as far', () => {
  const reach = room.aim.practical.reachM
  expect(outOfReach(withBeds(bedAt(0, reach, 0.4)))).toEqual([])
  const [far] = outOfReach(withBeds(bedAt(0, reach + 0.6, 0.4)))
  // Who leans has a hand’s width more.
  expect(far!.share).toBeGreaterThan(0.3)
  expect(far!.share).toBeLessThan(0.6 / (reach + 0.6))
  expect(outOfReach(withBeds(bedAt(1.5, 2 * reach, 0.4, { lengthM: 6, offsetM: -1 })))).toEqual([])
})

test('beds as long as the house wall off what is behind them; a way before the door’s end opens it', () => {
  const walled = withBeds(bedAt(1, 1, 0.4), bedAt(3, 1, 0.4))
  const access = accessOf(walled)
  expect(access.cutOffM2).toBeGreaterThan(3)
  expect(isReached(walled)).toBe(false)
  expect(access.hatched.find(h => h.why === 'cut off')!.areaM2).toBeCloseTo(access.cutOffM2, 9)
  const opened = withWays(walled)
  expect(isReached(opened)).toBe(true)
  expect(designFaults(opened)).toEqual([])
  // No more of them is given than the way takes.
  const lost =
    walled.shape.beds.length * 8 - opened.shape.beds.reduce((sum, b) => sum + ('lengthM' in b ? b.lengthM! : 0), 0)
  expect(lost).toBeLessThan(2 * 0.7)
})

test('a way is as wide as shoulders, or as a wheelchair where one must pass', () => {
  const gap = (m: number) => withBeds(bedAt(0, 0.7, 0.4), bedAt(0.7 + m, 0.75, 0.4, { lengthM: 7, offsetM: -0.5 }))
  expect(outOfReach(gap(0.5))).toEqual([])
  expect(outOfReach(gap(0.4)).map(b => b.index)).toEqual([0])
  const chair = (d: Design) => patchDesign(d, [['aim.practical.wheelchair', true]])
  expect(outOfReach(chair(gap(0.5))).map(b => b.index)).toContain(0)
  expect(outOfReach(chair(gap(0.95)))).toEqual([])
})

test('nobody stands where heads hit the roof', () => {
  const low = patchDesign(withBeds(bedAt(0.2, 0.7, 0.3)), [
    ['shape.kneeWallM', 0.6],
    ['shape.backWallM', 0.6],
    ['shape.ridgeHeightM', 3],
  ])
  // Clear for heads from 1.35 m on: half a metre of shoulders before that, and what arms reach.
  const [bed] = outOfReach(low)
  expect(bed!.share).toBeGreaterThan(0.05)
  expect(outOfReach(patchDesign(low, [['aim.practical.headroomM', 1.4]]))).toEqual([])
})

test('what is filled or moved by hand is got at, or told', () => {
  const shut: Design = {
    ...withBeds(bedAt(3, 1.2, 0.4, { lengthM: 6, offsetM: -1 })),
    store: { ...room.store, bodies: [tank({ atM: 4.25, widthM: 0.7, lengthM: 3, offsetM: 0 })] },
  }
  expect(accessOf(shut).bodies).toEqual([])
  const walled = patchDesign(shut, [['shape.beds', [bedAt(2.4, 1.8, 0.4)]]])
  expect(accessOf(walled).bodies).toEqual([0])
  expect(accessFaults(walled, inMetric).map(f => f.what)).toContain('Tank')
  const vent = withMore(withBeds(bedAt(0, 1.8, 0.4)), ventOn('kneeWall', { how: 'hand', sillM: 0.8, heightM: 0.4 }))
  expect(accessOf(vent).openings).toEqual([1])
  expect(accessOf(patchDesign(vent, [['skin.openings.1.how', 'wax']])).openings).toEqual([])
})

test('a bench is walked round, and a shelf under the roof is not in the way', () => {
  const across = (heightM: number): Design => ({
    ...room,
    shape: { ...room.shape, benches: [benchAt(0, 5, heightM, { lengthM: 0.6, offsetM: 0 })] },
  })
  expect(accessOf(across(0.8)).cutOffM2).toBeGreaterThan(15)
  expect(accessOf({ ...across(0.8), shape: { ...across(0.8).shape, benches: [] } }).cutOffM2).toBe(0)
})

test('the way to a thing begins at a door and ends beside it', () => {
  const design = DEMOS[0]!
  const way = accessOf(design).wayTo('body', 0)!
  expect(way[0]![1]).toBeGreaterThan(design.shape.lengthM - 0.7)
  for (const [i, [x, y]] of way.entries())
    if (i > 0) expect(Math.hypot(x - way[i - 1]![0], y - way[i - 1]![1])).toBeLessThan(0.08)
})

test('one gets to everything in every demo, and no move on the ladder shuts anybody out', () => {
  for (const demo of DEMOS) {
    expect(accessFaults(demo, inMetric)).toEqual([])
    const ways = accessOf(demo)
    for (const { design } of laidOn(demo, MOVES)) expect(keepsWays(ways, accessOf(design))).toBe(true)
  }
})

test('bearings as people write them, and the turn that looks there in both hemispheres', () => {
  expect(['235', '235°', ' SW ', 'south-west', 'south west', 'n', '0'].map(t => readBearing(t))).toEqual([
    235, 235, 225, 225, 225, 0, 0,
  ])
  expect(readBearing('230', 5)).toBe(235)
  expect(['', 'left', '361', '-5', 'sww'].map(t => readBearing(t))).toEqual([null, null, null, null, null])
  for (const latitudeDeg of [47, -33])
    for (const azimuth of [0, 90, 135, 180, 235, 300])
      expect(sunnyAzimuthDeg(latitudeDeg, turnTowards(latitudeDeg, azimuth))).toBeCloseTo(azimuth, 6)
})
