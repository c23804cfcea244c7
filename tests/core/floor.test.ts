import fc from 'fast-check'
import { bedAt, DEMOS, type Design } from '../../core/design'
import { clearances, designFaults, patchDesign } from '../../core/editing'
import { floorStrips } from '../../core/geometry/floor'
import { freeStrips, pathStrip, roomObjects, standsOnM2 } from '../../core/geometry/objects'
import { makeBuilding } from '../../core/geometry/surfaces'
import { groundSlice } from '../../core/network/chains'
import { unheated } from '../added'
import { plain } from '../plain'
import { straight } from '../straight'

const demo = unheated(plain)
const range = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const OWN = { name: 'Tamped earth', conductivity: 1, density: 1900, specificHeat: 900, solarAbsorptance: 0.7 }
/** Houses with up to four beds side by side, and a floor of one to three zones. */
const houses = fc
  .record({
    gaps: fc.array(range(0.05, 1), { minLength: 4, maxLength: 4 }),
    widths: fc.array(range(0.3, 1), { minLength: 0, maxLength: 4 }),
    heights: fc.array(range(0, 0.6), { minLength: 4, maxLength: 4 }),
    path: fc.boolean(),
    under: fc.boolean(),
  })
  .map(({ gaps, widths, heights, path, under }): Design => {
    let at = 0
    const beds = widths.flatMap((w, i) => {
      at += gaps[i]!
      const bed = bedAt(at, w, heights[i]!)
      at += w
      return at <= demo.shape.widthM ? [bed] : []
    })
    const slab = [{ material: 'concrete', thicknessM: 0.1 }]
    return {
      ...demo,
      shape: { ...demo.shape, beds },
      store: {
        ...demo.store,
        bodies: [],
        floor: { path: path ? slab : null, beds: under ? slab : [], rest: [{ material: 'gravel', thicknessM: 0.05 }] },
      },
    }
  })

test('free strips touch nothing that stands, and what is not free is taken by something or is a slit', () => {
  fc.assert(
    fc.property(houses, d => {
      const strips = freeStrips(d)
      const standing = roomObjects(d).filter(o => o.kind !== 'bench')
      const { widthM } = d.shape
      for (const s of strips) {
        expect(s.x1 - s.x0).toBeGreaterThan(0.25)
        for (const o of standing) expect(Math.min(s.x1, o.x1) - Math.max(s.x0, o.x0)).toBeLessThan(1e-9)
      }
      for (let x = 0.01; x < widthM; x += 0.01) {
        const free = strips.some(s => x > s.x0 && x < s.x1)
        const taken = standing.some(o => x > o.x0 - 0.25 && x < o.x1 + 0.25)
        const slit = x < 0.26 || x > widthM - 0.26
        expect(free || taken || slit).toBe(true)
      }
      const path = pathStrip(d)
      if (strips.length === 0) expect(path).toBeNull()
      else expect(path!.x1 - path!.x0).toBeCloseTo(Math.max(...strips.map(s => s.x1 - s.x0)), 9)
      expect(clearances(d).map(g => g.widthM)).toEqual(strips.map(s => s.x1 - s.x0))
    }),
    { numRuns: 60 },
  )
})

test('strips of floor and columns of ground lie from wall to wall, beds and path in columns of their own', () => {
  fc.assert(
    fc.property(houses, d => {
      const strips = floorStrips(d)
      expect(strips[0]!.x0).toBe(0)
      expect(strips.at(-1)!.x1).toBeCloseTo(d.shape.widthM, 9)
      strips.slice(1).forEach((s, i) => expect(s.x0).toBeCloseTo(strips[i]!.x1, 9))
      const building = makeBuilding(d)
      const { floor, tops } = groundSlice(d, building)
      expect(floor[0]!.x0).toBe(0)
      expect(floor.at(-1)!.x1).toBeCloseTo(d.shape.widthM, 9)
      floor.slice(1).forEach((c, i) => expect(c.x0).toBeCloseTo(floor[i]!.x1, 9))
      expect(floor.reduce((sum, c) => sum + c.areaM2, 0)).toBeCloseTo(building.floorAreaM2, 6)
      expect(tops.reduce((sum, t) => sum + t.areaM2, 0)).toBeCloseTo(building.floorAreaM2, 6)
      for (const t of tops) {
        const { x0, x1 } = floor[t.column]!
        expect(t.path && t.bed >= 0).toBe(false)
        if (t.bed < 0) continue
        const bed = straight(d)[t.bed]!
        expect(x1).toBeGreaterThan(bed.atM)
        expect(x0).toBeLessThan(bed.atM + bed.widthM)
      }
      const on = (bed: number) => tops.filter(t => t.bed === bed).reduce((sum, t) => sum + t.areaM2, 0)
      building.objects.forEach(o => o.kind === 'bed' && expect(on(o.index)).toBeCloseTo(standsOnM2(o), 1))
      const laid = tops.filter(t => t.path).reduce((sum, t) => sum + t.areaM2, 0)
      expect(laid).toBeCloseTo(d.store.floor.path ? building.pathM2 : 0, 1)
    }),
    { numRuns: 120 },
  )
})

test('a layer of no known material, or too thick, is refused where it is; an own one needs its figures', () => {
  const faults = (rest: unknown) =>
    designFaults({ ...demo, store: { ...demo.store, floor: { ...demo.store.floor, rest } } }).map(f => f.path)
  expect(faults([{ material: 'cheese', thicknessM: 0.1 }])).toEqual(['store.floor.rest[0].material'])
  expect(faults([{ material: 'concrete', thicknessM: 4 }])).toEqual(['store.floor.rest[0].thicknessM'])
  expect(faults(Array(9).fill({ material: 'concrete', thicknessM: 0.01 }))).toEqual(['store.floor.rest'])
  expect(faults('concrete')).toEqual(['store.floor.rest'])
  expect(faults([{ material: 'own', thicknessM: 0.05 }])).toEqual(['store.floor.rest[0].own'])
  expect(faults([{ material: 'own', thicknessM: 0.05, own: OWN }])).toEqual([])
})

test('every demo’s beds can be moved to where they are: nothing in them is out of its range', () => {
  for (const d of DEMOS)
    d.shape.beds.forEach((bed, i) =>
      expect(designFaults(patchDesign(d, [[`shape.beds.${i}`, { ...bed }]]))).toEqual([]),
    )
})
