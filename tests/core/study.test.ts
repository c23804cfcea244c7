import { barrelsOf } from '../bodies'
import { DEMOS, FORMS, type Design } from '../../core/design'
import { designFaults, documentFaults } from '../../core/editing'
import { entry, GLAZINGS, MATERIALS } from '../../core/catalog'
import { ach50OfAreaM2, leakageAreaM2 } from '../../core/air/leakage'
import { heatDay, heatFlows } from '../../core/heat-view'
import { bodyFace } from '../../core/geometry/faces'
import { litParts, sectionLight } from '../../core/geometry/lit'
import { groundAt, makeOutline } from '../../core/geometry/section'
import { shadingOf } from '../../core/geometry/shading'
import { makeBuilding } from '../../core/geometry/surfaces'
import { dampFaults, layersResistance, materialOf } from '../../core/materials/assembly'
import { elementLosses } from '../../core/network/chains'
import { sunHours } from '../../core/optics/sun-hours'
import { briefOf } from '../../core/study/brief'
import { ranAs, ranAsTold, runChoices, type RunAs } from '../../core/study/ran-as'
import { heldC } from '../../core/study/held'
import {
  angleVariants,
  coverVariants,
  formVariants,
  glazingVariants,
  mapVariants,
  matchMoney,
  paybackSteps,
  turnVariants,
  wallVariants,
} from '../../core/study/variants'
import { inForm } from '../../core/study/in-form'
import { rayInSection, shadeStrip } from '../../core/sums'
import { profileAngleDeg } from '../../core/sun'
import { housePrice, takeoff } from '../../core/takeoff/takeoff'
import { designDays } from '../../core/climate'
import { inMetric } from '../../core/units'
import { yearView } from '../../core/view'
import { createYearEngine } from '../../core/year'
import { madeSkin } from '../skin'
import { plain } from '../plain'
import { heated } from '../added'
import { engine } from '../shared/years'

const demo = plain
const plainly = (text: string) => text.replaceAll(/[\u00a0\u202f]/g, ' ')
const site = engine.site(demo)
const figures = (d: Design, as: RunAs = 'stands') => briefOf(d, engine.run(ranAs(d, as), { unheated: false }).answers)
const skin = (patch: Partial<Design['skin']>): Design => ({ ...demo, skin: { ...demo.skin, ...patch } })
const shape = (patch: Partial<Design['shape']>): Design => ({ ...demo, shape: { ...demo.shape, ...patch } })

describe('variants', () => {
  test('every one of every study is a sound design, and varies what it says', () => {
    for (const design of DEMOS) {
      const angles = angleVariants(design)
      for (const v of angles) expect(makeOutline(v.design.shape).glazingAngleDeg).toBeCloseTo(v.at, 1)
      const turns = turnVariants(design)
      expect(turns.map(v => v.design.shape.turnDeg)).toEqual([-60, -45, -30, -15, 0, 15, 30, 45, 60])
      const all = [
        ...angles,
        ...turns,
        ...mapVariants(design).filter((_, i) => i % 5 === 0),
        ...formVariants(design),
        ...glazingVariants(design),
        ...coverVariants(design),
        ...wallVariants(design),
      ]
      for (const v of all) expect(designFaults(v.design)).toEqual([])
      expect(angles.length).toBeGreaterThan(4)
    }
  })

  test('every study’s row of the house itself is its score, to the last digit', () => {
    for (const d of [DEMOS[0]!, DEMOS[1]!]) {
      const { answers } = engine.run(d)
      const { form } = d.shape
      const own = [
        ...formVariants(d).filter(v => v.label === form),
        ...glazingVariants(d).filter(v => v.label === d.skin.glazing),
        ...coverVariants(d).filter(v => v.label === d.skin.cover.id),
        ...turnVariants({ ...d, shape: { ...d.shape, turnDeg: 0 } }).flatMap(v =>
          v.at === 0 ? [{ ...v, design: { ...v.design, shape: { ...v.design.shape, turnDeg: d.shape.turnDeg } } }] : [],
        ),
      ]
      expect(own).toHaveLength(4)
      for (const v of own) {
        const its = figures(v.design)
        expect([v.label, its.coldestC, its.hoursDamp, its.heatKWh, its.hottestC, its.aYear]).toEqual([
          v.label,
          answers.coldestNight.insideC,
          answers.hoursDamp,
          answers.topUp.kWh,
          answers.hottestAfternoon.insideC,
          answers.running.cost,
        ])
      }
    }
  })

  test('run unheated it is what the score says it would be with no added heat; held, it never falls below that', () => {
    const warm = heated(demo, { setPointC: 6, capacityW: 5000 })
    const free = engine.run(warm).answers.freeRunning!.coldestNight.insideC
    expect(Math.abs(figures(warm, 'unheated').coldestC - free)).toBeLessThan(0.05)
    expect(figures(warm, 'unheated').heatKWh).toBe(0)
    const held = figures(warm, 12)
    expect(held.coldestC).toBeGreaterThan(11.5)
    expect(held.heatKWh).toBeGreaterThan(figures(warm).heatKWh)
    // What it costs to build is the house's own.
    expect(held.cost).toBe(figures(warm).cost)
    expect(runChoices(warm).slice(0, 3)).toEqual(['stands', 'unheated', 6])
    expect(runChoices(demo)).not.toContain('unheated')
    expect([...(['stands', 'unheated'] as const), 8].map(as => plainly(ranAsTold(as, inMetric)))).toEqual([
      'as it stands',
      'unheated',
      'held at 8.0 °C',
    ])
  })

  test('every form can be chosen from the demo, and all stand on one floor area, there and back', () => {
    expect(formVariants(demo).map(v => v.label)).toEqual(FORMS.filter(f => f !== 'own'))
    expect(documentFaults(inForm(demo, 'own')!)).toEqual([])
    const floorM2 = (d: Design) => makeBuilding(d).floorAreaM2
    for (const d of DEMOS)
      for (const { label, design } of formVariants(d))
        expect([d.name, label, Math.abs(floorM2(design) / floorM2(d) - 1) < 0.01]).toEqual([d.name, label, true])
    const round = inForm(demo, 'dome')!
    expect(round.shape.lengthM).toBe(round.shape.widthM)
    expect(inForm(round, 'saltbox', [demo])!.shape).toMatchObject({
      widthM: demo.shape.widthM,
      lengthM: demo.shape.lengthM,
    })
  })

  test(
    'figures: an unheated design’s coldest night is that of its year; heat falls as the cover thickens; ' +
      'a far turn loses light',
    () => {
      const own = figures(demo)
      expect(Math.abs(own.coldestC - engine.run(demo).answers.coldestNight.insideC)).toBeLessThan(0.02)
      const covers = ['none', 'quilt', 'shutter'].map(id => figures(skin({ cover: { ...demo.skin.cover, id } }), 8))
      expect(covers[0]!.heatKWh).toBeGreaterThan(covers[1]!.heatKWh)
      expect(covers[1]!.heatKWh).toBeGreaterThan(covers[2]!.heatKWh)
      expect(figures(shape({ turnDeg: 60 })).winterDli).toBeLessThan(own.winterDli)
      // The south has its winter half in the middle of the year.
      const south = DEMOS[1]!
      const months = engine.run(south).answers.months.map(m => m.dli)
      expect(figures(south).winterDli).toBeCloseTo(months.slice(3, 9).reduce((a, b) => a + b, 0) / 6, 1)
      expect(heldC(demo)).toBe(8)
      expect(heldC(heated(demo, { setPointC: 3 }))).toBe(3)
    },
  )
})

describe('money', () => {
  test('rough cost adds up, and each part moves with what it is made of', () => {
    const { lines, total } = takeoff(demo)
    expect(lines.reduce((s, l) => s + l.cost, 0)).toBeCloseTo(total, 6)
    const sheets = lines.filter(l => l.priced === `glazing.${demo.skin.glazing}`)
    const boughtM2 = sheets.reduce((s, l) => s + l.buy, 0)
    expect(sheets.reduce((s, l) => s + l.cost, 0)).toBeCloseTo(
      boughtM2 * entry(GLAZINGS, demo.skin.glazing).pricePerM2,
      6,
    )
    const bare = takeoff(skin({ cover: { ...demo.skin.cover, id: 'none' } }))
    expect([lines, bare.lines].map(all => all.some(l => l.part === 'night cover'))).toEqual([true, false])
    const sunk = takeoff(shape({ sunkM: 0.5 })).lines.find(l => l.item === 'Dig for the sunk floor')!
    expect(sunk.amount).toBeCloseTo(4.6 * 9 * 0.5, 1)
    for (const d of DEMOS) expect(housePrice(d)).toBeGreaterThan(500)
  })

  test('pay-back: steps in order, years are money over money, what saves nothing never pays', () => {
    const f = (heatKWh: number, cost: number) => ({ heatKWh, cost })
    const steps = paybackSteps(
      [
        { at: 0.1, figures: f(600, 1200) },
        { at: 0.05, figures: f(1000, 1000) },
        { at: 0.2, figures: f(600, 1500) },
      ],
      0.1,
    )
    expect(steps.map(s => [s.fromM, s.toM, s.extraCost, s.savedKWh, s.years])).toEqual([
      [0.05, 0.1, 200, 400, 5],
      [0.1, 0.2, 300, 0, Infinity],
    ])
  })

  test('cover against glazing for the same money', () => {
    const f = (coldestC: number, cost: number, heatKWh = 100) => ({ coldestC, heatKWh, cost })
    const m = matchMoney(f(-4, 1000), f(1, 1400, 40), [
      { id: 'a', figures: f(-3, 1300) },
      { id: 'b', figures: f(-1, 2000) },
      { id: 'c', figures: f(-6, 800) },
    ])
    expect(m).toMatchObject({
      coverCost: 400,
      coverK: 5,
      coverKWh: 60,
      glazing: { id: 'a', liftK: 1, cost: 300 },
      best: { id: 'b', liftK: 3 },
    })
    expect(matchMoney(f(-4, 1000), f(1, 1100), [{ id: 'b', figures: f(-1, 2000) }]).glazing).toBeNull()
  })
})

describe('sun on things', () => {
  test('lit heights on the back wall match the construction by hand', () => {
    const plain = { ...shape({ beds: [], turnDeg: 0 }), store: { ...demo.store, bodies: [] } }
    const outline = makeOutline(plain.shape)
    for (const profile of [18, 22, 30, 45]) {
      const parts = litParts(sectionLight(makeBuilding(plain), shadingOf(plain.shape, outline), profile, 800))
      // The ray under the ridge drawn to the back wall, and the one over the knee wall to the floor, by hand.
      const hand = rayInSection(
        { foot: { x: 0, z: outline.kneeWallM }, top: { x: outline.ridgeAtM, z: outline.ridgeHeightM } },
        profile,
        outline.widthM,
      ).result
      expect(parts.find(p => p.face === 'floor')!.from).toBeCloseTo(
        outline.kneeWallM / Math.tan((profile * Math.PI) / 180),
        1,
      )
      const wall = parts.find(p => p.face === 'back wall')
      if (hand.wallZ > 0) expect(wall!.high).toBeCloseTo(Math.min(outline.backWallM, hand.wallZ), 1)
      else expect(wall).toBeUndefined()
    }
  })

  test(
    'a solved strip keeps the mass in shade all through the hot day and in sun through the cold one: ' +
      'rays cast every quarter of an hour',
    () => {
      const low = {
        ...shape({ turnDeg: 0 }),
        store: { ...demo.store, bodies: [barrelsOf(demo, { stack: 1, count: 10 })] },
        skin: madeSkin(demo.skin, { endsGlazedShare: 0 }),
      }
      const building = makeBuilding(low)
      const box = building.objects.find(o => o.kind === 'body')!
      const { hot, cold } = designDays(site)
      const profile = (d: typeof hot) => profileAngleDeg(d.noonAltitudeDeg, d.noonAzimuthDeg, building.sunnyAzimuthDeg)
      const o = building.outline
      const { result } = shadeStrip(
        { foot: { x: 0, z: o.kneeWallM }, top: { x: o.ridgeAtM, z: o.ridgeHeightM } },
        box,
        profile(hot),
        profile(cold),
      )
      if (result.kind !== 'strip') throw new Error(result.kind)
      const hours = (shadeStripM: number) => {
        const d = { ...low, shape: { ...low.shape, shadeStripM } }
        return sunHours(d, makeBuilding(d), site).find(h => h.name === 'barrels')!.clear
      }
      const bare = hours(0)
      const shaded = hours(result.leastM + 0.03)
      const [hotMonth, coldMonth] = [6, 0]
      expect(bare[hotMonth]).toBeGreaterThan(1)
      expect(shaded[hotMonth]).toBeLessThan(0.15 * bare[hotMonth]!)
      expect(shaded[coldMonth]).toBeGreaterThan(0.93 * bare[coldMonth]!)
      // The rays of the section say the same of the two noons once the strip is in.
      const noon = (d: typeof hot, shadeStripM: number) => {
        const { shape: its } = { shape: { ...low.shape, shadeStripM } }
        const light = sectionLight(building, shadingOf(its, o), profile(d), 800)
        return litParts(light).find(p => p.face === bodyFace(box.index))
      }
      expect(noon(hot, 0)).toBeDefined()
      expect(noon(hot, result.leastM + 0.03)).toBeUndefined()
      expect(noon(cold, result.leastM + 0.03)).toEqual(noon(cold, 0))
    },
  )

  test('no thing has more sun than the day has; clouds only take; what stands behind a solid wall has none', () => {
    for (const design of DEMOS) {
      const own = engine.site(design)
      for (const h of sunHours(design, makeBuilding(design), own)) {
        h.clear.forEach((v, m) => {
          expect(v).toBeGreaterThanOrEqual(0)
          expect(v).toBeLessThan(21)
          expect(h.usual[m]).toBeLessThanOrEqual(v + 1e-9)
        })
      }
    }
    const tunnel = {
      ...skin(madeSkin(demo.skin, { endsGlazedShare: 0 })),
      shape: { ...demo.shape, shadeStripM: makeOutline(demo.shape).sunnySlopeM * 0.95 },
    }
    const nearlyDark = sunHours(tunnel, makeBuilding(tunnel), site).find(h => h.name === 'barrels')!
    expect(Math.max(...nearlyDark.clear)).toBeLessThan(0.5)
  })
})

describe('assemblies', () => {
  test('framing takes resistance off as the parallel sum says; own materials count', () => {
    const bare = { material: 'eps', thicknessM: 0.1 }
    const framed = { ...bare, framing: 0.15 }
    const k = 0.85 * entry(MATERIALS, 'eps').conductivity + 0.15 * entry(MATERIALS, 'softwood').conductivity
    expect(layersResistance([framed])).toBeCloseTo(0.1 / k, 12)
    expect(materialOf(framed).density * materialOf(framed).specificHeat).toBeCloseTo(
      0.85 * 20 * 1450 + 0.15 * 500 * 1600,
      6,
    )
    const own = {
      material: 'own',
      thicknessM: 0.2,
      own: { name: 'Reed', conductivity: 0.055, density: 150, specificHeat: 1500, solarAbsorptance: 0.6 },
    }
    expect(layersResistance([own])).toBeCloseTo(0.2 / 0.055, 12)
    const wall = [own, { material: 'plywood', thicknessM: 0.015 }]
    expect(designFaults(skin({ wall }))).toEqual([])
    expect(engine.run(skin({ wall })).answers.ledger.closure).toBeLessThan(0.001)
    expect(designFaults(skin({ wall: [{ material: 'own', thicknessM: 0.1 }] })).map(f => f.path)).toContain(
      'skin.wall[0].own',
    )
    expect(designFaults(skin({ wall: [{ ...framed, framing: 0.9 }] })).map(f => f.path)).toContain(
      'skin.wall[0].framing',
    )
    expect(
      engine.run(skin({ wall: demo.skin.wall.map(l => (l.material === 'eps' ? { ...l, framing: 0.3 } : l)) })).answers
        .coldestNight.insideC,
    ).toBeLessThan(engine.run(demo).answers.coldestNight.insideC)
  })

  test('damp: what bears no wet air is named, and so is a tight outside over an open inside', () => {
    const wool = [
      { material: 'plywood', thicknessM: 0.02 },
      { material: 'mineral-wool', thicknessM: 0.1 },
    ]
    const texts = dampFaults(wool).map(f => f.text)
    expect(texts.some(t => /soaks up the damp/.test(t))).toBe(true)
    expect(texts.some(t => /more easily than out/.test(t))).toBe(true)
    expect(
      dampFaults([
        { material: 'softwood', thicknessM: 0.02 },
        { material: 'xps', thicknessM: 0.1 },
        { material: 'plywood', thicknessM: 0.02 },
      ]),
    ).toEqual([])
    expect(
      dampFaults([
        { material: 'steel-sheet', thicknessM: 0.001 },
        { material: 'eps', thicknessM: 0.1 },
      ]),
    ).toHaveLength(1)
  })

  test('gaps of a walk round: the way back from air changes to a hole', () => {
    for (const [ach, volume] of [
      [8, 60],
      [24, 120],
      [70, 40],
    ] as const)
      expect(ach50OfAreaM2(leakageAreaM2(ach, volume), volume)).toBeCloseTo(ach, 9)
  })
})

test('a cover that fits tight keeps more heat in than a loose one', () => {
  const fit = (f: Design['skin']['cover']['fit']) => engine.run(skin({ cover: { ...demo.skin.cover, fit: f } })).answers
  const [tight, usual, loose] = [fit('tight'), fit('usual'), fit('loose')]
  expect(tight.coldestNight.insideC).toBeGreaterThan(usual.coldestNight.insideC)
  expect(usual.coldestNight.insideC).toBeGreaterThan(loose.coldestNight.insideC)
  const night = (a: typeof usual) => a.ua.byElement.find(e => e.name === 'sunny slope')!.uNight
  expect(night(loose)).toBeGreaterThan(night(usual))
})

describe('built into a slope', () => {
  const into = shape({ sunkM: 0.3, riseM: 1.2 })
  test('the ground stands where it is said to, more of the back wall lies in it, and that costs no heat', () => {
    expect(designFaults(into)).toEqual([])
    expect(groundAt(into.shape, 0)).toBe(0.3)
    expect(groundAt(into.shape, into.shape.widthM)).toBeCloseTo(1.5, 9)
    const open = (d: Design) =>
      elementLosses(d, makeBuilding(d))
        .filter(e => e.name === 'back wall')
        .reduce((s, e) => s + e.areaM2, 0)
    expect(open(into)).toBeCloseTo((2.3 - 1.5) * 9, 1)
    expect(open(shape({ sunkM: 0.3 }))).toBeCloseTo((2.3 - 0.3) * 9, 1)
    const [a, b] = [engine.run(into).answers, engine.run(shape({ sunkM: 0.3 })).answers]
    expect(a.ledger.closure).toBeLessThan(0.001)
    expect(a.coldestNight.insideC).toBeGreaterThan(b.coldestNight.insideC - 0.05)
  })
  test('a slope that buries the roof or leaves the floor hanging is refused with its place', () => {
    expect(designFaults(shape({ sunkM: 0.3, riseM: 2.5 })).map(f => f.path)).toEqual(['shape.riseM'])
    expect(designFaults(shape({ sunkM: 0, riseM: -0.5 })).map(f => f.path)).toEqual(['shape.riseM'])
  })
})

describe('the heat view', () => {
  test('its day is the year’s own, its ground lies where the ground is, and its stores take what warms them', () => {
    const { series } = engine.run(demo)
    const day = 24
    const view = heatDay(demo, site, day)
    expect([...view.airC]).toEqual([...series.airC.subarray(day * 24, day * 24 + 24)])
    expect(view.losses.find(l => l.name === 'glazing')!.watts[3]).toBe(series.losses[0]![day * 24 + 3])
    const barrels = view.bodies.find(b => b.id === 'body 0')!
    expect(barrels.middleC[12]).toBeCloseTo(series.waterC[day * 24 + 12]!, 5)
    // What the water takes in an hour is what warms it: 14 barrels of 200 litres.
    expect(barrels.takesW[12]! / ((14 * 200 * 4184) / 3600)).toBeCloseTo(barrels.middleC[12]! - barrels.middleC[11]!, 2)
    for (const c of view.ground) {
      expect(c.x1).toBeGreaterThan(c.x0)
      expect(c.z1).toBeGreaterThan(c.z0)
      expect(c.tC.every(t => t > -30 && t < 45)).toBe(true)
    }
    const under = view.ground.filter(c => c.x0 >= 0 && c.x1 <= demo.shape.widthM + 1e-9)
    expect(under.filter(c => c.z1 > -0.01).reduce((s, c) => s + c.x1 - c.x0, 0)).toBeCloseTo(demo.shape.widthM, 6)
  })
  test('the first day of the year, and any form, has one too', () => {
    expect(heatDay(demo, site, 0).airC).toHaveLength(24)
    for (const v of formVariants(demo)) {
      const { airC, bodies } = heatDay(v.design, site, 3)
      for (const { faceC } of bodies)
        for (const [h, c] of faceC.entries()) expect(Math.abs(c - airC[h]!)).toBeLessThan(25)
    }
  })

  test('an hour has one value: score, chart, months and heat view agree to the last digit', () => {
    const result = createYearEngine().run(demo)
    const { hour, insideC, outsideC } = result.answers.coldestNight
    const view = yearView(demo, result)
    const heat = heatDay(demo, result.site, Math.floor(hour / 24))
    expect(heat.airC[hour % 24]).toBe(insideC)
    expect(view.hours.airC[hour]).toBe(insideC)
    expect([heat.outsideC[hour % 24], view.hours.outsideC[hour]]).toEqual([outsideC, outsideC])
    expect(Math.min(...result.answers.months.map(m => m.insideMinC))).toBe(insideC)
    expect(result.answers.hoursBelow0 > 0).toBe(insideC < 0)
  })

  test(
    'the flows of an hour balance: what comes in less what leaves is what bodies, ground, walls and air ' + 'keep',
    () => {
      for (const [d, on] of [
        [demo, 15],
        [demo, 190],
        [DEMOS[2]!, 20],
      ] as const) {
        const heat = heatDay(d, createYearEngine().site(d), on)
        let off = 0
        let moved = 0
        for (let h = 0; h < 24; h++) {
          const flows = heatFlows(heat, h)
          const rest = flows.find(f => f.name === 'walls, panes and air')!.watts
          // What is left for walls, panes and air is what their own temperatures tell, but for the air's own share.
          const byTemperature = heat.bodies
            .filter(b => b.kind !== 'store' && b.kind !== 'ground')
            .reduce((s, b) => s + b.takesW[h]!, 0)
          off += Math.abs(rest - byTemperature)
          moved += flows.reduce((s, f) => s + Math.abs(f.watts), 0)
          expect(flows.every(f => f.kind !== 'in' || f.watts >= 0)).toBe(true)
        }
        expect(off / moved).toBeLessThan(0.05)
      }
    },
  )
})

test('losses by day and by night add up to the ledger', () => {
  const { answers } = engine.run(demo)
  for (const l of answers.lossesByDay) expect(l.dayKWh + l.nightKWh).toBeCloseTo(answers.ledger.losses[l.name]!, 3)
})
