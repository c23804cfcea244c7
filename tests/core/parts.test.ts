import fc from 'fast-check'
import { DEMOS, type Design, type PartId } from '../../core/design'
import {
  broughtForward,
  cornerAdded,
  designFaults,
  patchDesign,
  withCorner,
  withForm,
  withFront,
  withoutCorner,
} from '../../core/editing'
import { partsOf, stretches } from '../../core/geometry/parts'
import { edgeLength, makeOutline } from '../../core/geometry/section'
import { makeBuilding } from '../../core/geometry/surfaces'
import { elementLosses } from '../../core/network/chains'
import { partCost } from '../../core/takeoff/cost'
import { takeoff } from '../../core/takeoff/takeoff'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const [, ribera, fjellro, saritas] = DEMOS as [Design, Design, Design, Design]
const demo = plain
const run = (d: Design) => engine.run(d).answers
const withPart = (d: Design, id: PartId, made: Partial<Design['skin']['parts'][PartId]>): Design =>
  patchDesign(d, [[`skin.parts.${id}`, { ...d.skin.parts[id], ...made }]])
const fronted: Design = { ...demo, shape: withFront(demo.shape, true) }

describe('the chain', () => {
  test('each form has its parts in their order, and the skin goes all the way round', () => {
    const forms = {
      'saltbox': ['kneeWall', 'sunnySlope', 'poleSlope', 'backWall'],
      'shed': ['kneeWall', 'sunnySlope', 'backWall'],
      'gambrel': ['kneeWall', 'front', 'sunnySlope', 'poleSlope', 'lowerPoleSlope', 'backWall'],
      'a-frame': ['sunnySlope', 'poleSlope'],
      'hoop': ['kneeWall', 'sunnySlope', 'poleSlope', 'backWall'],
    } as const
    for (const [form, parts] of Object.entries(forms)) {
      const d: Design = { ...demo, shape: withForm(demo.shape, form as keyof typeof forms) }
      const outline = makeOutline(d.shape)
      expect(partsOf(d, outline)).toEqual([...parts, 'eastEnd', 'westEnd'])
      const edges = stretches(d, outline)
      edges.forEach((e, i) => expect(e.a).toEqual(i === 0 ? { x: 0, z: 0 } : edges[i - 1]!.b))
      expect(edges.at(-1)!.b.x).toBeCloseTo(demo.shape.widthM, 9)
      expect(edges.at(-1)!.b.z).toBe(0)
    }
  })

  test('a front stands upright from the knee wall; the angle is that of the slope above it', () => {
    const o = makeOutline(fronted.shape)
    const front = o.edges.find(e => e.part === 'front')!
    expect([front.a.x, front.b.x]).toEqual([0, 0])
    const slope = o.edges.find(e => e.part === 'sunnySlope')!
    expect(o.glazingAngleDeg).toBeCloseTo((Math.atan2(slope.b.z - slope.a.z, slope.b.x - slope.a.x) * 180) / Math.PI, 9)
    expect(o.glazingAngleDeg).toBeLessThan(makeOutline(demo.shape).glazingAngleDeg - 5)
    // Without it the document is as it was.
    expect(makeOutline(withFront(fronted.shape, false)).edges).toEqual(makeOutline(demo.shape).edges)
  })

  test('a solid upper stretch takes its length off the top of either slope, also where that is bent', () => {
    for (const [d, part, up] of [
      [demo, 'sunnySlope', 1],
      [withPart(demo, 'poleSlope', { kind: 'glazed' }), 'poleSlope', -1],
      [{ ...demo, shape: withForm(demo.shape, 'hoop') }, 'sunnySlope', 1],
    ] as const) {
      const before = stretches(d, makeOutline(d.shape)).filter(s => s.part === part)
      const after = stretches(withPart(d, part, { solidTopM: 0.7 }), makeOutline(d.shape)).filter(s => s.part === part)
      const long = (list: typeof after) => list.reduce((sum, s) => sum + edgeLength(s), 0)
      const top = after.filter(s => s.top)
      expect(long(top)).toBeCloseTo(0.7, 9)
      expect(long(after)).toBeCloseTo(long(before), 9)
      expect(top.every(s => !s.glazed)).toBe(true)
      const high = up > 0 ? after.at(-1)! : after[0]!
      expect(high.top).toBe(true)
    }
  })

  test('the form “own” begins as what it is taken from: the same year; corners may be added, moved, taken out', () => {
    const own: Design = { ...fronted, shape: withForm(fronted.shape, 'own') }
    expect(designFaults(own)).toEqual([])
    expect(own.shape.corners.map(c => c.part)).toEqual(['kneeWall', 'front', 'sunnySlope', 'poleSlope', 'backWall'])
    expect(run(own).coldestNight.insideC).toBeCloseTo(run(fronted).coldestNight.insideC, 6)
    const added = patchDesign(own, cornerAdded(own, 'poleSlope')!)
    expect(designFaults(added)).toEqual([])
    expect(added.shape.corners).toHaveLength(6)
    expect(added.skin.parts.lowerPoleSlope).toEqual(own.skin.parts.poleSlope)
    expect(makeBuilding(added).volumeM3).toBeCloseTo(makeBuilding(own).volumeM3, 3)
    // No name is left between the knee wall and its front.
    expect(cornerAdded(added, 'kneeWall')).toBeNull()
    const i = added.shape.corners.findIndex(c => c.part === 'poleSlope')
    const c = added.shape.corners[i]!
    const out = { ...added, shape: withCorner(added.shape, i, c.atM, c.heightM + 0.15) }
    expect(designFaults(out)).toEqual([])
    const dent = { ...added, shape: withCorner(added.shape, i, c.atM, c.heightM - 0.4) }
    expect(designFaults(dent)[0]).toMatchObject({ path: `shape.corners[${i}]`, message: 'dents the section' })
    expect(withoutCorner(added.shape, i).corners).toHaveLength(5)
    // The ridge and the foot stay.
    expect(withoutCorner(own.shape, 2)).toBe(own.shape)
    expect(withoutCorner(own.shape, 4)).toBe(own.shape)
    // And back: what a named form knows comes from the corners.
    expect(withForm(own.shape, 'saltbox')).toMatchObject({ ridgeHeightM: 3.3, kneeWallM: 0.75, ridgeAtM: 3.45 })
  })

  test('corners of the form “own” that are no house are refused with their place, whatever they are', () => {
    const own: Design = { ...demo, shape: withForm(demo.shape, 'own') }
    const bad = (corners: Design['shape']['corners']) =>
      designFaults({ ...own, shape: { ...own.shape, corners } }).map(f => f.path)
    expect(bad([])).toContain('shape.corners')
    expect(bad([...own.shape.corners].reverse())[0]).toMatch(/^shape\.corners\[\d\]/)
    expect(bad(own.shape.corners.slice(0, -1))[0]).toMatch(/^shape\.corners/)
    const corner = fc.record({
      part: fc.constantFrom(...own.shape.corners.map(c => c.part)),
      atM: fc.double({ min: 0, max: 20, noNaN: true }),
      heightM: fc.double({ min: 0, max: 12, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.array(corner, { maxLength: 6 }), corners => {
        const d = { ...own, shape: { ...own.shape, corners } }
        // Never throws; what is taken is convex: no corner lies inside.
        if (designFaults(d).length > 0) return
        const o = makeOutline(d.shape)
        expect(o.areaM2).toBeGreaterThan(0)
        for (const s of makeBuilding(d).surfaces)
          for (const p of o.corners)
            if (s.kind !== 'floor' && Math.abs(s.normal[1]) < 1e-9)
              expect(s.normal[0] * (p.x - s.polygon[0]![0]) + s.normal[2] * (p.z - s.polygon[0]![2])).toBeLessThan(0.02)
      }),
      { numRuns: 200 },
    )
  })
})

describe('what parts are made of', () => {
  test('better glass in front loses less there and nowhere else', () => {
    const better = withPart(fronted, 'front', { glazing: 'glass-4' })
    const ua = (d: Design) =>
      Object.fromEntries(elementLosses(d, makeBuilding(d)).map(e => [e.name, e.uaDay])) as Record<string, number>
    const [a, b] = [ua(fronted), ua(better)]
    expect(b.front!).toBeLessThan(0.6 * a.front!)
    for (const name of Object.keys(a)) if (name !== 'front') expect(b[name]).toBe(a[name])
    expect(run(better).coldestNight.insideC).toBeGreaterThan(run(fronted).coldestNight.insideC)
  })

  test('a solid upper stretch keeps heat and light: less let in, less lost through that slope', () => {
    // Each slope has timber of its own, by its rafters and openings: none here.
    const roof = demo.skin.roof.map(l => ({ ...l, framing: 0 }))
    const bare = { ...demo, skin: { ...demo.skin, roof } }
    const topped = run(withPart(bare, 'sunnySlope', { solidTopM: 1 }))
    const plain = run(bare)
    const of = (a: typeof plain, id: string) => a.parts.find(p => p.id === id)!
    expect(of(topped, 'sunny slope').letInKWh).toBeLessThan(0.85 * of(plain, 'sunny slope').letInKWh)
    const lost = of(topped, 'sunny slope').lostKWh + of(topped, 'top of the sunny slope').lostKWh
    expect(lost).toBeLessThan(0.9 * of(plain, 'sunny slope').lostKWh)
    expect(of(topped, 'top of the sunny slope').uDay).toBeCloseTo(of(plain, 'pole slope').uDay!, 9)
    expect(topped.months[0]!.dli).toBeLessThan(plain.months[0]!.dli)
  })

  test('each pane has its own cover: the more are covered the warmer; light past one is not kept by another', () => {
    const none = { ...demo.skin.cover, id: 'none' }
    const bare: Design = { ...fronted, skin: { ...fronted.skin, cover: none } }
    const one = withPart(bare, 'front', { cover: demo.skin.cover })
    const [a, b, c] = [bare, one, fronted].map(d => run(d).coldestNight.insideC) as [number, number, number]
    expect(b).toBeGreaterThan(a + 0.05)
    expect(c).toBeGreaterThan(b + 0.5)
    // A front that is covered all day loses its light, the slope keeps its own.
    const shut = { ...demo.skin.cover, rule: 'clock' as const, fromH: 0, untilH: 24, onlyBelowC: 40 }
    const dark = engine.run(withPart(fronted, 'front', { cover: shut }))
    const light = engine.run(fronted)
    const gain = (r: typeof dark) => r.answers.ledger.gains.sun!
    const ofFront = light.answers.parts.find(p => p.id === 'front')!.letInKWh
    const missing = gain(light) - gain(dark)
    expect(missing).toBeGreaterThan(0.6 * ofFront)
    expect(missing).toBeLessThan(1.1 * ofFront)
  })

  test('a glazed back wall loses more than a solid one; a foiled one sends light to the beds', () => {
    const glazed = run(withPart(demo, 'backWall', { kind: 'glazed' }))
    expect(glazed.coldestNight.insideC).toBeLessThan(run(demo).coldestNight.insideC - 1)
    const foiled = run(withPart(demo, 'backWall', { finish: 'foil' }))
    expect(foiled.months[11]!.dli).toBeGreaterThan(1.01 * run(demo).months[11]!.dli)
  })

  test('a dark outside takes in more of the sun than a white one', () => {
    const lost = (outside: string) =>
      run(withPart(demo, 'backWall', { outside })).parts.find(p => p.id === 'back wall')!.lostKWh
    expect(lost('dark')).toBeLessThan(lost('bare'))
    expect(lost('bare')).toBeLessThan(lost('white'))
  })

  test('a dome’s pole side reaches as far round and as high as is said', () => {
    const solid = (poleSideDeg: number, poleSideRings: number) =>
      makeBuilding(patchDesign(saritas, [['shape.dome', { poleSideDeg, poleSideRings }]])).surfaces.filter(
        s => s.id === 'dome roof',
      ).length
    expect(solid(75, 2)).toBe(10)
    expect(solid(75, 1)).toBe(5)
    expect(solid(20, 3)).toBe(3)
    expect(solid(180, 1)).toBe(12)
    expect(solid(0, 3)).toBe(0)
    expect(
      designFaults(patchDesign(saritas, [['shape.dome', { poleSideDeg: 180, poleSideRings: 3 }]]))[0],
    ).toMatchObject({ path: 'skin.parts', message: 'let no light in' })
  })

  test('pieces add up: heat by piece to the ledger, areas to the skin, money to the whole', () => {
    for (const d of [fronted, ribera, fjellro, saritas]) {
      const a = run(d)
      const ways = ['glazing', 'roof', 'back wall', 'knee wall', 'end walls', 'house']
      const ledger = ways.reduce((sum, w) => sum + (a.ledger.losses[w] ?? 0), 0)
      const building = makeBuilding(d)
      const pieces = a.parts.reduce((sum, p) => sum + p.lostKWh, 0)
      // Sunk walls lose to the ground, which the ledger counts by itself.
      if (building.sunkM === 0) expect(pieces).toBeCloseTo(ledger, 0)
      const skin = building.surfaces.filter(s => s.kind !== 'floor').reduce((sum, s) => sum + s.areaM2, 0)
      expect(a.parts.reduce((sum, p) => sum + p.areaM2, 0)).toBeCloseTo(skin, 6)
      // What the card of a solid part costs is what the list needs for it, before anything is bought over.
      const { lines } = takeoff(d)
      for (const part of partsOf(d, building.outline).filter(p => d.skin.parts[p].kind === 'solid')) {
        const its = building.surfaces.filter(s => s.part === part)
        if (its.some(s => s.kind === 'glazed' || s.boundary === 'house')) continue
        const listed = lines.filter(l => l.stage === 'shell' && l.part === its[0]!.id)
        expect(partCost(d, building, part)).toBeCloseTo(
          listed.reduce((sum, l) => sum + l.amount * l.price, 0),
          6,
        )
      }
    }
  })

  test('what cannot be is refused with its place', () => {
    const path = (d: Design) => designFaults(d)[0]?.path
    expect(path(withPart(demo, 'sunnySlope', { solidTopM: 9 }))).toBe('skin.parts.sunnySlope.solidTopM')
    expect(path(withPart(demo, 'sunnySlope', { glazing: 'sugar' }))).toBe('skin.parts.sunnySlope.glazing')
    expect(path(withPart(demo, 'backWall', { layers: [] }))).toBe('skin.parts.backWall.layers')
    expect(path(withPart(fjellro, 'backWall', { kind: 'glazed' }))).toBe('skin.parts.backWall.kind')
    expect(path(withPart(fjellro, 'kneeWall', { kind: 'glazed' }))).toBe('skin.parts.kneeWall.kind')
    const between = { ...demo.skin.cover, place: 'between' as const }
    expect(path(withPart(demo, 'sunnySlope', { glazing: 'glass-1', cover: between }))).toBe(
      'skin.parts.sunnySlope.cover.place',
    )
  })

  test('a document kept while the parts were not yet there opens: slopes and ends as they were', () => {
    const kept = { ...demo, skin: { ...demo.skin, parts: undefined, poleSlope: 'glazed', endsGlazedShare: 0.35 } }
    const opened = broughtForward(JSON.parse(JSON.stringify(kept))) as Design
    expect(designFaults(opened)).toEqual([])
    expect(opened.skin.parts.poleSlope.kind).toBe('glazed')
    expect(opened.skin.parts.westEnd.glazedShare).toBe(0.35)
  })
})
