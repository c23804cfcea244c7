import fc from 'fast-check'
import { needsOf } from '../../core/aim/aim-line'
import { CLIMATE_TYPES } from '../../core/catalog'
import { makeSiteYear } from '../../core/climate'
import { normalsFaults, type Design } from '../../core/design'
import { climateFaults } from '../../core/design/fields/climate'
import { designFaults, isReached, patchDesign } from '../../core/editing'
import { blockedOpenings } from '../../core/geometry/before-openings'
import { makeOutline } from '../../core/geometry/section'
import { makeBuilding } from '../../core/geometry/surfaces'
import { AGAINST, LENGTHS_M, LIVES, WIDTHS_M, type StartAnswers } from '../../core/start/choices'
import { cropsOf, firstHouse } from '../../core/start/house'
import { startDesign } from '../../core/start/improve'
import { readKnownLow, zoneLowC } from '../../core/start/known-low'
import { climateLike, likelyClimates, usualYearlyLowC } from '../../core/start/place-climates'
import { CLIMATE_FIGURES } from '../../core/study/climate-figures'
import { doubted } from '../../core/study/unknowns'
import { inMetric } from '../../core/units'
import { withHours } from '../hours'
import { hourly as engine } from '../shared/years'

const run = (design: Design) => engine.run(design, { unheated: false }).answers

function asked(given: Partial<StartAnswers> = {}): StartAnswers {
  const at = { latitudeDeg: given.latitudeDeg ?? 47.5, longitudeDeg: given.longitudeDeg ?? 14.5 }
  const [likely] = likelyClimates(at)
  return {
    place: 'Nowhere in particular',
    ...at,
    elevationM: likely!.heightM,
    timeZone: 'UTC',
    climate: likely!.climate,
    against: 'free',
    facingDeg: null,
    lengthM: 6,
    widthM: 4,
    lives: ['leaves'],
    atHand: { power: true, water: true, stone: false, drums: 0, windowsM2: 0 },
    ...given,
  }
}
const begin = (given: Partial<StartAnswers>) => startDesign(asked(given), 'mine', 'Mine', run, inMetric)

describe('a figure that people know of their winters', () => {
  test('zones are bands of ten degrees Fahrenheit, and their halves of five', () => {
    // Zone 6: −10 to 0 °F, its middle −5 °F; 6b: 0 to −5 °F, its middle −2.5 °F.
    expect(zoneLowC(6, null)).toBeCloseTo((-5 - 32) / 1.8, 1)
    expect(zoneLowC(6, 'b')).toBeCloseTo((-2.5 - 32) / 1.8, 1)
    for (let z = 2; z <= 13; z++) expect(zoneLowC(z, 'a')!).toBeGreaterThan(zoneLowC(z - 1, 'b')!)
    expect(zoneLowC(14, null)).toBeNull()
  })
  test('it is read as a zone or as a temperature in any unit, and refused with what is allowed', () => {
    expect(readKnownLow('Zone 7b', 'zone', 'metric')).toMatchObject({ known: { meanYearlyLowC: zoneLowC(7, 'b') } })
    expect(readKnownLow('-10F', 'usual', 'metric')).toMatchObject({ known: { meanYearlyLowC: -23.3 } })
    expect(readKnownLow('-20', 'record', 'us')).toMatchObject({ known: { designLowC: -28.9 } })
    expect(readKnownLow('-20', 'record', 'metric')).toMatchObject({ known: { designLowC: -20 } })
    expect(readKnownLow('warm', 'zone', 'metric')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/1 to 13/),
    })
    expect(readKnownLow('-200', 'usual', 'metric')).toMatchObject({ ok: false })
  })
})

describe('illustrative climates', () => {
  test('anywhere on earth, at any height, with any winter that is known, they are sound and told once each', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -75, max: 78, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.option(fc.integer({ min: -100, max: 4500 })),
        fc.option(fc.double({ min: -45, max: 15, noNaN: true })),
        fc.boolean(),
        (latitudeDeg, longitudeDeg, heightM, low, record) => {
          const known = low === null ? null : record ? { designLowC: low } : { meanYearlyLowC: low }
          const found = likelyClimates({ latitudeDeg, longitudeDeg }, heightM, known)
          expect(found).toHaveLength(3)
          expect(new Set(found.map(f => f.type.id)).size).toBe(3)
          for (const { climate } of found) {
            expect(normalsFaults(climate.lowC, climate.highC)).toEqual([])
            expect(climateFaults(climate)).toEqual([])
          }
        },
      ),
    )
  })
  test('south of the equator its coldest month is in their winter', () => {
    const [south] = likelyClimates({ latitudeDeg: -46, longitudeDeg: -70 })
    expect([5, 6, 7]).toContain(south!.climate.lowC.indexOf(Math.min(...south!.climate.lowC)))
  })
  test('higher up it is colder, and a winter that somebody knows is met', () => {
    const at = { latitudeDeg: 47, longitudeDeg: 14 }
    const [low] = likelyClimates(at, 300)
    const same = likelyClimates(at, 1300).find(c => c.type === low!.type)!
    expect(same.climate.lowC[0]! - low!.climate.lowC[0]!).toBeCloseTo(-5.5, 1)
    for (const meanYearlyLowC of [-30, -20, -10, -4]) {
      const [first] = likelyClimates(at, 300, { meanYearlyLowC })
      expect(Math.abs(usualYearlyLowC(first!.climate) - meanYearlyLowC)).toBeLessThan(6)
      expect(first!.climate.meanYearlyLowC).toBe(meanYearlyLowC)
    }
  })
  test('a record low is what the made year reaches', () => {
    const [first] = likelyClimates({ latitudeDeg: 47, longitudeDeg: 14 }, null, { designLowC: -27 })
    const { design } = { design: firstHouse(asked({ climate: first!.climate }), 'a', 'a') }
    expect(Math.min(...engine.site(design).dryBulbC)).toBeCloseTo(-27, 0)
  })
  test('each type is usual somewhere, and an unknown one is refused', () => {
    for (const { id } of CLIMATE_TYPES) expect(climateLike(id, null).type.id).toBe(id)
    expect(() => climateLike('lunar', null)).toThrow(/no climate/)
  })
  test('one better figure: each end is a sound climate, and figures that are given are not doubted', () => {
    const design = firstHouse(asked(), 'a', 'a')
    const rows = doubted(design, CLIMATE_FIGURES)
    expect(new Set(rows.map(r => r.unknown.id))).toEqual(new Set(['months', 'yearly-low', 'sun', 'wind', 'humidity']))
    for (const r of rows) expect(climateFaults(r.design.site.climate)).toEqual([])
    const [colder, milder] = rows.filter(r => r.unknown.id === 'months')
    expect(run(colder!.design).coldestNight.insideC).toBeLessThan(run(milder!.design).coldestNight.insideC - 1)
    const year = makeSiteYear({ ...design.site, climate: climateLike('inland', null).climate })
    expect(year.dryBulbC).toHaveLength(8760)
    const given = patchDesign(design, [
      ['site.climate', { ...climateLike('inland', null).climate, illustrative: undefined, meanYearlyLowC: -15 }],
    ])
    expect(doubted(given, CLIMATE_FIGURES).map(r => r.unknown.id)).not.toContain('months')
    expect(doubted(given, CLIMATE_FIGURES).map(r => r.unknown.id)).not.toContain('yearly-low')
  })
})

describe('the first house', () => {
  test('whatever is answered, it is sound, glazed, as large as was asked, reached everywhere and opens', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...AGAINST.map(a => a.id)),
        fc.double({ min: LENGTHS_M[0], max: LENGTHS_M[1], noNaN: true }),
        fc.double({ min: WIDTHS_M[0], max: WIDTHS_M[1], noNaN: true }),
        fc.double({ min: -68, max: 68, noNaN: true }),
        fc.option(fc.integer({ min: 0, max: 359 })),
        fc.subarray(LIVES.map(l => l.id)),
        fc.record({
          power: fc.boolean(),
          water: fc.boolean(),
          stone: fc.boolean(),
          drums: fc.integer({ min: 0, max: 60 }),
          windowsM2: fc.integer({ min: 0, max: 120 }),
        }),
        (against, lengthM, widthM, latitudeDeg, facingDeg, lives, atHand) => {
          const round = (v: number) => Math.round(v * 100) / 100
          const [l, w] = [round(lengthM), round(against === 'dome' ? Math.max(3.5, widthM) : widthM)]
          const design = firstHouse(
            asked({ against, lengthM: l, widthM: w, latitudeDeg, facingDeg, lives, atHand }),
            'house',
            'House',
          )
          expect([designFaults(design), isReached(design), blockedOpenings(design)]).toEqual([[], true, []])
          expect(design.shape.widthM).toBeCloseTo(w, 6)
          expect(makeBuilding(design).surfaces.some(s => s.kind === 'glazed')).toBe(true)
          expect(design.aim.practical.power).toBe(atHand.power)
          expect(design.shape.beds.length).toBeGreaterThan(0)
        },
      ),
      { numRuns: 40 },
    )
  })
  test('glazing stands steeper further from the equator, and walls are thicker where it is colder', () => {
    const angle = (latitudeDeg: number) =>
      makeOutline(firstHouse(asked({ latitudeDeg }), 'a', 'a').shape).glazingAngleDeg
    expect(angle(60)).toBeGreaterThan(angle(45))
    expect(angle(45)).toBeGreaterThan(angle(28))
    const foam = (id: string) =>
      firstHouse(asked({ climate: climateLike(id, null).climate }), 'a', 'a').skin.wall[1]!.thicknessM
    expect(foam('boreal')).toBeGreaterThan(foam('mediterranean'))
  })
  test('what is there is used: drums stand inside, windows upright in front, stone in the back wall', () => {
    const design = firstHouse(
      asked({ atHand: { power: false, water: true, stone: true, drums: 8, windowsM2: 6 } }),
      'a',
      'a',
    )
    expect(design.store.bodies).toEqual([expect.objectContaining({ kind: 'drums', count: 8 })])
    expect(design.skin.parts.front.glazing).toBe('glass-1')
    expect(design.shape.breakHeightM - design.shape.kneeWallM).toBeCloseTo(1, 1)
    expect(design.store.linings).toEqual([expect.objectContaining({ part: 'backWall', material: 'stone' })])
    expect(design.topUp.sources[0]).toMatchObject({ fuel: 'wood' })
  })
  test('months of crops fall in the hemisphere’s own summer', () => {
    const [north] = cropsOf(['summer'], 50)
    const [south] = cropsOf(['summer'], -50)
    expect(north!.months[6]).toBe('grow')
    expect(south!.months[0]).toBe('grow')
    expect(south!.months[6]).toBe('')
  })
})

describe('the house mended by its own year', () => {
  test('nothing that stands in it dies, in each kind of house and climate', async () => {
    for (const [against, latitudeDeg, longitudeDeg, lives] of [
      ['free', 47, 15, ['leaves', 'summer']],
      ['house', 62, 10, ['citrus']],
      ['bank', -46, -70, ['leaves']],
      ['dome', 39, -105, ['tropical']],
      ['hoops', 53, 10, ['leaves', 'summer']],
    ] as const) {
      const { design, why } = await begin({ against, latitudeDeg, longitudeDeg, lives })
      expect(designFaults(design)).toEqual([])
      const { months } = run(design)
      for (const crop of design.aim.crops) {
        const { survivesC } = needsOf(crop)
        crop.months.forEach((does, m) => {
          if (does !== '') expect(months[m]!.leafMinC).toBeGreaterThanOrEqual(survivesC - 0.3)
        })
      }
      for (const sentence of why) expect(sentence).toMatch(/^[A-Z].*\.$/)
    }
  })

  test('leaves that would die by a little come under a sheet; what that does not do, heat does', async () => {
    const hoops = (meanYearlyLowC: number) => {
      const at = { latitudeDeg: 55, longitudeDeg: 30 }
      const { climate } = likelyClimates(at, 200, { meanYearlyLowC })[0]!
      return begin({ ...at, climate, against: 'hoops', lives: ['leaves'] })
    }
    // Somewhere between a winter that they bear as it is and one that they do not bear at all.
    let sheet = await hoops(-25)
    for (const low of [-24, -23, -22, -21, -26, -27, -28, -20, -18]) {
      if (sheet.design.breathe.rowCover.on) break
      sheet = await hoops(low)
    }
    const { design, why } = sheet
    const died = Math.max(...design.aim.crops.map(c => needsOf(c).survivesC))
    expect(design.breathe.rowCover.on).toBe(true)
    expect(run(design).leaf.coldestC).toBeGreaterThanOrEqual(died)
    expect(run(patchDesign(design, [['breathe.rowCover.on', false]])).leaf.coldestC).toBeLessThan(died)
    expect(run(design).topUp.kWh).toBe(0)
    expect(why[1]).toContain(
      `under a sheet over the beds leaves stay at ${inMetric(run(design).leaf.coldestC, 'temperature')}`,
    )
    const harder = await hoops(-30)
    expect(run(harder.design).topUp.kWh).toBeGreaterThan(0)
    expect(harder.design.breathe.rowCover.on).toBe(false)
    const leaf = run(harder.design).leaf.coldestC
    expect(leaf).toBeGreaterThanOrEqual(died)
    // In heated air a sheet would keep the warmth from them.
    expect(run(patchDesign(harder.design, [['breathe.rowCover.on', true]])).leaf.coldestC).toBeLessThan(leaf + 0.5)
  })

  test('its sentences tell the years that were run', async () => {
    const { design, why } = await begin({ lives: ['citrus'] })
    const year = run(design)
    expect(why[0]).toContain(inMetric(year.outside.coldestC, 'temperature'))
    const bare = run(firstHouse(asked({ lives: ['citrus'] }), 'mine', 'Mine')).coldestNight.insideC
    expect(why[1]).toContain(inMetric(bare, 'temperature'))
    expect(year.coldestNight.insideC).toBeGreaterThan(bare + 1)
  })

  test('a year of hours does for a climate: the house is as its own months ask for', async () => {
    const months = await begin({ lives: ['citrus'] })
    const { climate } = withHours(firstHouse(asked(), 'a', 'a')).site
    const hours = await begin({ lives: ['citrus'], climate })
    expect(designFaults(hours.design)).toEqual([])
    expect(hours.design.site.climate.kind).toBe('hourly')
    expect(hours.design.skin.cover.id).toBe(months.design.skin.cover.id)
    const [a, b] = [run(hours.design), run(months.design)]
    expect(Math.abs(a.coldestNight.insideC - b.coldestNight.insideC)).toBeLessThan(1.5)
    expect(Math.abs(a.coldestNight.outsideC - b.coldestNight.outsideC)).toBeLessThan(1)
  })

  test('a harder climate asks for more than a milder one, by what was added or by heat', async () => {
    const cost = async (id: string) => {
      const { design } = await begin({ climate: climateLike(id, null).climate, lives: ['citrus'] })
      const { topUp } = run(design)
      return { cover: design.skin.cover.id, kWh: topUp.kWh, wall: design.skin.wall[1]!.thicknessM }
    }
    const [mild, hard] = [await cost('mediterranean'), await cost('boreal')]
    expect(mild.kWh).toBe(0)
    expect(hard.cover).not.toBe('none')
    expect(hard.wall).toBeGreaterThan(mild.wall)
  })

  test('it can be stopped between two years', async () => {
    let runs = 0
    const stopped = startDesign(
      asked({ climate: climateLike('boreal', null).climate }),
      'a',
      'a',
      d => {
        if (++runs === 2) throw new Error('stopped')
        return run(d)
      },
      inMetric,
    )
    await expect(stopped).rejects.toThrow('stopped')
  })
})
