import { DEMOS, type Design } from '../../core/design'
import {
  alongPartOf,
  designFaults,
  openingDrawn,
  openingPlaced,
  openingsOnParts,
  patchDesign,
  type OpeningOnPart,
} from '../../core/editing'
import { along, type Vec } from '../../core/geometry/vec'

const [garden, , , dome, growers] = DEMOS as [Design, Design, Design, Design, Design]
const of = (d: Design, is: (o: Design['skin']['openings'][number]) => boolean): OpeningOnPart =>
  openingsOnParts(d).find(t => is(d.skin.openings[t.index]!))!
const middle = (t: OpeningOnPart): Vec => {
  const { planes, rect } = t.leaves[0]!
  return along(planes[0]!.origin, (rect.u0 + rect.u1) / 2, planes[0]!.across, 0, planes[0]!.up)
}
const sound = (d: Design) => expect(designFaults(d).filter(f => f.path.startsWith('skin'))).toEqual([])

describe('openings along their parts', () => {
  const door = of(garden, o => o.kind === 'door')

  test('a door goes where it is drawn, and no further than its wall', () => {
    const near = patchDesign(garden, openingPlaced(garden, door.index, door.offsetM + 0.2))
    expect(near.skin.openings[door.index]!.offsetM).toBeCloseTo(door.offsetM + 0.2, 1)
    sound(near)
    const far = patchDesign(garden, openingPlaced(garden, door.index, 40))
    sound(far)
    expect(far.skin.openings[door.index]!.offsetM).toBeLessThan(garden.shape.widthM / 2)
    expect(openingPlaced(garden, door.index, door.offsetM)).toEqual([])
  })

  test('a way on the floor is a way along the wall: towards the back on an end, to the east on the others', () => {
    expect(alongPartOf(garden, door, 0.3, 5)).toBeCloseTo(0.3, 9)
    const vent = of(garden, o => o.part !== 'eastEnd' && o.part !== 'westEnd')
    expect(alongPartOf(garden, vent, 5, -0.4)).toBeCloseTo(-0.4, 9)
  })

  test('a row that is moved lies side by side; drawn out, its leaves share it', () => {
    const vent = of(garden, o => o.kind === 'vent' && o.count > 1)
    const moved = patchDesign(garden, openingPlaced(garden, vent.index, 0.3))
    expect(moved.skin.openings[vent.index]).toMatchObject({ evenly: 'together' })
    expect(moved.skin.openings[vent.index]!.offsetM).toBeGreaterThan(0)
    sound(moved)
    const before = garden.skin.openings[vent.index] as { widthM: number; count: number }
    const wide = patchDesign(garden, openingDrawn(garden, vent.index, -0.2 * before.count, 1))
    expect((wide.skin.openings[vent.index] as { widthM: number }).widthM).toBeCloseTo(before.widthM - 0.2, 1)
    sound(wide)
  })

  test('drawn out at one end, the other stays', () => {
    const ends = (t: OpeningOnPart) => [t.leaves[0]!.rect.u0, t.leaves.at(-1)!.rect.u1]
    for (const end of [1, -1] as const) {
      const out = patchDesign(garden, openingDrawn(garden, door.index, -0.2, end))
      const [low, high] = ends(of(out, o => o.kind === 'door'))
      const [was0, was1] = ends(door)
      expect(end === 1 ? low : high).toBeCloseTo(end === 1 ? was0! : was1!, 2)
      expect(high! - low!).toBeCloseTo(was1! - was0! - 0.2, 1)
    }
    const side = of(growers, o => o.kind === 'roll-up side')
    const short = patchDesign(growers, openingDrawn(growers, side.index, -5, 1))
    expect((short.skin.openings[side.index] as { lengthM: number }).lengthM).toBeCloseTo(23, 1)
    sound(short)
  })

  test('round a dome a door goes along the rim, the way that it is drawn', () => {
    const at = of(dome, o => o.kind === 'door')
    const [x, y] = middle(at)
    const facetM = 2 * at.leaves[0]!.planes[0]!.halfM[0]
    for (const way of [1, -1]) {
      const moved = patchDesign(dome, openingPlaced(dome, at.index, at.offsetM + way * facetM))
      const [nx, ny] = middle(of(moved, o => o.kind === 'door'))
      expect(Math.hypot(nx - x, ny - y)).toBeGreaterThan(0.8 * facetM)
      expect(Math.sign(alongPartOf(dome, at, nx - x, ny - y))).toBe(way)
    }
  })
})
