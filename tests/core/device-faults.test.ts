import { designCautions } from '../../core/advice/cautions'
import { anAirStore } from '../../core/air-stores/registry'
import { DEMOS, type Design, type Source } from '../../core/design'
import { aFan } from '../../core/fans/registry'
import { inSeason } from '../../core/editing/season'
import { makeBuilding } from '../../core/geometry/surfaces'
import { elementLosses, makeFabric } from '../../core/network/chains'
import { sunOnPlane } from '../../core/optics/outdoors'
import { aSource } from '../../core/sources/registry'
import { type YearResult } from '../../core/year'
import { unheated, withAirStores, withFans, withSources } from '../added'
import { barrelsOf, pond, tank } from '../bodies'
import { withoutOpenings } from '../openings'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const run = (design: Design): YearResult => {
  const result = engine.run(design)
  expect(result.answers.ledger.closure).toBeLessThan(0.001)
  return result
}
/** A plain box with one glazing, no store and no cover. */
const bare: Design = {
  ...unheated(plain),
  store: { ...plain.store, bodies: [], linings: [], airStores: [] },
  skin: { ...plain.skin, cover: { ...plain.skin.cover, id: 'none' } },
}
const covered = (cover: Partial<Design['skin']['cover']>): Design => ({
  ...bare,
  skin: { ...bare.skin, cover: { ...bare.skin.cover, id: 'quilt', fit: 'tight', onlyBelowC: 40, ...cover } },
})
const always = { rule: 'clock', fromH: 0, untilH: 24 } as const
const coldest = (d: Design) => run(d).answers.coldestNight.insideC

test('a cover that is drawn all day keeps the light from the plants too', () => {
  const open = run(bare).answers.months[5]!.dli
  const drawn = run(covered(always)).answers.months[5]!.dli
  // What is left comes by its edges.
  expect(drawn).toBeLessThan(0.1 * open)
  expect(drawn).toBeGreaterThan(0)
})

test('an hour with the cover half drawn loses the mean of an hour open and an hour drawn', () => {
  const glazing = (fromH: number) => {
    const { series, site } = run(covered({ rule: 'clock', fromH, untilH: 24 }))
    // The last hour of the day, over a cold month.
    let sum = 0
    for (let d = 0; d < 31; d++) {
      const h = d * 24 + 23
      sum += series.losses[0]![h]! / (series.airC[h]! - site.dryBulbC[h]!)
    }
    return sum / 31
  }
  const [drawn, half, open] = [glazing(23), glazing(23.5), glazing(24)] as [number, number, number]
  expect(drawn).toBeLessThan(0.6 * open)
  expect(half / ((open + drawn) / 2)).toBeGreaterThan(0.85)
  expect(half / ((open + drawn) / 2)).toBeLessThan(1.15)
})

test('the U-value shown for the night is that which the year has', () => {
  const design = covered(always)
  const building = makeBuilding(design)
  const row = elementLosses(design, building).find(r => r.name === 'sunny slope')!
  // Single conductances in a row by hand: sheet, films, the quilt with its edges beside it.
  const pane = row.uDay
  const quilt = 0.98 / 0.9 + 0.02 * 8
  expect(row.uNight).toBeCloseTo(1 / (1 / pane + 1 / quilt), 2)
  expect(row.uNight).toBeLessThan(0.6 * pane)
})

test('a heap warms the beds by its loop: more compost never heats them without end', () => {
  const soil = (massKg: number) =>
    Math.max(...run(withSources(bare, aSource('compost', { massKg, loopWK: 60 }))).series.soilC)
  const warm = Math.max(...run(bare).series.soilC)
  expect(soil(200000)).toBeLessThan(warm + 3)
  expect(soil(200000)).toBeCloseTo(soil(100000), 1)
  const kWh = (s: Partial<Extract<Source, { kind: 'compost' }>>) =>
    run(withSources(bare, aSource('compost', { massKg: 20000, ...s }))).answers.sources[0]!.kWh
  expect(kWh({ loopWK: 60 })).toBeGreaterThan(kWh({ loopWK: 20 }))
  expect(kWh({ setPointC: 12 })).toBeLessThan(kWh({ setPointC: 18 }))
})

test('panels and spare power stop at 55 °C, however little water there is', () => {
  const bottle = tank({ lengthM: 0.2, widthM: 0.2, heightM: 0.2 })
  const one: Design = { ...bare, store: { ...bare.store, bodies: [bottle] } }
  const bySun = run(one).answers.bodies[0]!.warmestC
  for (const source of [aSource('spare power', { peakW: 5000 }), aSource('solar water panel', { areaM2: 20 })]) {
    const { answers } = run(withSources(one, source))
    // Beyond that only the sun that falls on it takes it.
    expect(answers.bodies[0]!.warmestC).toBeLessThan(Math.max(55, bySun) + 8)
    expect(answers.bodies[0]!.warmestC).toBeGreaterThan(bySun)
  }
})

test('a panel sees the horizon as the house does: a wall of rock all round leaves it nothing but a little sky', () => {
  const rock = Array.from({ length: 5 }, (_, i) => ({ azimuthDeg: i * 90, altitudeDeg: 89, kind: 'solid' as const }))
  const shut = run({ ...bare, site: { ...bare.site, horizon: rock } }).site
  const open = run(bare).site
  const sum = (a: Float32Array) => a.reduce((x, y) => x + y, 0)
  expect(sum(sunOnPlane(shut, 60, 180))).toBeLessThan(0.35 * sum(sunOnPlane(open, 60, 180)))
})

test('what stands on the floor covers it: floor breathes only where it is free', () => {
  const on = (design: Design) =>
    makeFabric(design, makeBuilding(design))
      .chains.filter(c => c.column >= 0 && !c.bed)
      .reduce((sum, c) => sum + c.areaM2, 0)
  const free = on(bare)
  const covered = on({ ...bare, store: { ...bare.store, bodies: [pond({ lengthM: 3, widthM: 1, atM: 1.4 })] } })
  expect(free - covered).toBeGreaterThan(2.3)
  expect(free - covered).toBeLessThanOrEqual(3 + 1e-9)
})

test('a cover outside keeps the sun off the panes: a dark one by day leaves them at the air’s warmth', () => {
  const inside = run(covered({ ...always, place: 'inside' }))
  const outside = run(covered({ ...always, place: 'outside' }))
  expect(outside.answers.ledger.gains.sun!).toBeLessThan(0.5 * inside.answers.ledger.gains.sun!)
})

test('air that is moved is the site’s: at half the pressure an air panel brings less by the same flow', () => {
  const at = (elevationM: number) =>
    run(
      withSources(
        { ...bare, site: { ...bare.site, elevationM } },
        aSource('solar air panel', { areaM2: 4, flowM3h: 60 }),
      ),
    ).answers.sources[0]!.kWh
  expect(at(4500)).toBeLessThan(0.9 * at(0))
})

test('stores are driven by what is asked in the month, not by a figure that crops have replaced', () => {
  const crops = [{ id: 'tomato', months: Array.from({ length: 12 }, () => 'grows' as const) }]
  const stored = withAirStores(bare, anAirStore('earth store'))
  const asked = (lowestAirC: number): Design => ({
    ...stored,
    aim: { ...stored.aim, lowestAirC, crops: crops as unknown as Design['aim']['crops'] },
  })
  const hours = (lowestAirC: number) => run(asked(lowestAirC)).answers.airStores[0]!.hours
  expect(hours(-5)).toBe(hours(10))
})

test('an air panel takes more of the sun the more air it is given, and its fan is counted', () => {
  const panel = (flowM3h: number) =>
    run(withSources(bare, aSource('solar air panel', { areaM2: 4, flowM3h, powerW: 30 }))).answers
  const [little, much] = [panel(60), panel(400)]
  expect(much.sources[0]!.kWh).toBeGreaterThan(1.1 * little.sources[0]!.kWh)
  expect(much.electricity.pumpsKWh).toBeCloseTo(0.03 * much.sources[0]!.hours, 3)
})

test('times of the year are those of the hemisphere: lamps in its winter, the heap before it', () => {
  const north = aSource('lamps')
  expect(inSeason(north, 47)).toBe(north)
  expect(inSeason(north, -46).months).toEqual([5, 6, 7, 8])
  expect(inSeason(aSource('compost'), -46).startDay).toBe((305 + 182) % 365)
  expect(inSeason({ fromMonth: 5, untilMonth: 9, winterFromMonth: 11, winterUntilMonth: 3 }, -1)).toEqual({
    fromMonth: 11,
    untilMonth: 3,
    winterFromMonth: 5,
    winterUntilMonth: 9,
  })
})

test('soil under leaves evaporates less: planted beds give off less than bare ones would add to their leaves', () => {
  const wet = (leafArea: number) => {
    const shape = { ...bare.shape, beds: bare.shape.beds.map(b => ({ ...b, leafArea })) }
    const film = { ...shape, beds: shape.beds.map(b => ({ ...b, soilCover: 'film' as const })) }
    return (
      run({ ...bare, shape }).answers.ledger.losses['damp air']! -
      run({ ...bare, shape: film }).answers.ledger.losses['damp air']!
    )
  }
  // What soil adds falls with the leaf above it.
  expect(wet(4)).toBeLessThan(0.5 * wet(0))
})

test('wind in the open drives more through the same cracks than between houses', () => {
  const leaks = (shelter: string) =>
    run({ ...bare, site: { ...bare.site, shelter } }).answers.ledger.losses['air leaks']!
  expect(leaks('open')).toBeGreaterThan(1.15 * leaks('close'))
  expect(coldest({ ...bare, site: { ...bare.site, shelter: 'open' } })).toBeLessThan(
    coldest({ ...bare, site: { ...bare.site, shelter: 'yard' } }),
  )
})

test('an earth tube runs only where what it brings helps', () => {
  // A house that never gets warm enough for it: kept cool by its vents, asked for warmth in the cold alone.
  const tube = (belowC: number, aboveC: number) => anAirStore('earth tube', { belowC, aboveC })
  const without = run(bare)
  const warming = run(withAirStores(bare, tube(12, 60)))
  expect(Math.min(...warming.series.airC)).toBeGreaterThanOrEqual(Math.min(...without.series.airC) - 0.05)
  // It does cool a shut house in summer.
  const shut = withoutOpenings(bare)
  const cooling = run(withAirStores(shut, tube(-60, 28)))
  expect(cooling.answers.airStores[0]!.hours).toBeGreaterThan(100)
  expect(cooling.answers.hottestAfternoon.insideC).toBeLessThan(run(shut).answers.hottestAfternoon.insideC - 1)
})

test('foil shines little: a foiled wall takes less of the room’s warmth', () => {
  const wall = (finish: string) => {
    const { answers } = run({ ...bare, skin: { ...bare.skin, finish: { wall: finish, roof: finish } } })
    return answers.ledger.losses['back wall']! + answers.ledger.losses.roof!
  }
  const chains = (finish: string) => {
    const design = { ...bare, skin: { ...bare.skin, finish: { wall: finish, roof: 'bare' } } }
    return makeFabric(design, makeBuilding(design)).chains.find(c => c.face === 'back wall')!.emissivity
  }
  expect(chains('foil')).toBeLessThan(0.2)
  expect(chains('bare')).toBe(0.9)
  expect(wall('foil')).toBeLessThan(wall('white'))
})

// That it is never colder than by the sun is among the proofs.
describe('a cover that goes by what light brings and the pane loses', () => {
  const ruled = (d: Design, rule: Design['skin']['cover']['rule']): Design => ({
    ...unheated(d),
    skin: { ...d.skin, cover: { ...d.skin.cover, id: d.skin.cover.id === 'none' ? 'quilt' : d.skin.cover.id, rule } },
  })
  test.each(DEMOS.map(d => [d.name, d] as const))(
    '%s: drawn in the dark when it is colder outside, open at noon in summer',
    (_, d) => {
      const { series, site } = run(ruled(d, 'gain'))
      const wrong = Array.from({ length: 8760 }, (_, h) => h).filter(h => {
        const drawn = series.coverDrawn[h]!
        const worth = Math.min(series.airC[h]! - site.dryBulbC[h]!, d.skin.cover.onlyBelowC - site.dryBulbC[h]!)
        return (
          (site.globalWm2[h] === 0 && drawn < 0.5 && worth >= 3) ||
          (site.globalWm2[h]! > 500 && site.dryBulbC[h]! > 10 && drawn >= 0.5)
        )
      })
      expect(wrong).toEqual([])
    },
  )

  test('by hand it stays as it was left while nobody is there', () => {
    const d = ruled(bare, 'gain')
    const cover = {
      ...d.skin.cover,
      moved: 'hand' as const,
      days: 'every day' as const,
      thereFromH: 8,
      thereUntilH: 16,
    }
    const { series } = run({ ...d, skin: { ...d.skin, cover: { ...cover, onlyBelowC: 40 } } })
    for (let h = 24; h < 8760; h++)
      if (h % 24 >= 16 || h % 24 < 8) expect(series.coverDrawn[h]).toBe(series.coverDrawn[h - 1])
  })
})

test('the score tells when the coldest hour is the cover’s doing, and else says nothing', () => {
  const clock = covered({ rule: 'clock', fromH: 16, untilH: 8.5 })
  const { untilOpened, insideC } = run(clock).answers.coldestNight
  expect(untilOpened!.clock).toBe('08:30')
  expect(untilOpened!.insideC).toBeGreaterThan(insideC)
  expect(run(bare).answers.coldestNight.untilOpened).toBeNull()
})

test('open water evaporates: the more open, the nearer to the air’s mean in summer', () => {
  const july = (openShare: number) => {
    const body = tank({ lengthM: 3, widthM: 1, heightM: 0.6, atM: 1.4, openShare })
    const { answers } = run({ ...unheated(plain), store: { ...plain.store, bodies: [body] } })
    const month = answers.months[6]!
    return { above: month.waterC! - month.insideMeanC, vapour: answers.ledger.losses['damp air']! }
  }
  const [open, planted, lid] = [july(1), july(0.5), july(0)]
  expect(open.above).toBeLessThan(planted.above)
  expect(planted.above).toBeLessThan(lid.above)
  expect(open.vapour).toBeGreaterThan(lid.vapour)
  // What leaves would shade stands in the sun here.
  expect(open.above).toBeLessThan(9)
})

test('what can do nothing, or weighs much, is told: a panel without water, fans without power, sand up high', () => {
  const words = (d: Design) => designCautions(d, null).map(c => c.text)
  const panel = withSources(bare, aSource('solar water panel'))
  expect(words(panel).some(t => /Solar water panel: there is no water for it/.test(t))).toBe(true)
  const wet = { ...panel, store: { ...panel.store, bodies: [tank({})] } }
  expect(words(wet).some(t => /no water for it/.test(t))).toBe(false)
  const off: Design = { ...bare, aim: { ...bare.aim, practical: { ...bare.aim.practical, power: false } } }
  expect(words(withFans(off, aFan('extract fan'))).some(t => /there are fans/.test(t))).toBe(true)
  expect(words(withFans(bare, aFan('extract fan'))).some(t => /there are fans/.test(t))).toBe(false)
  const stacked = (contents: string): Design => ({
    ...DEMOS[0]!,
    store: { ...DEMOS[0]!.store, bodies: [barrelsOf(DEMOS[0]!, { contents })] },
  })
  expect(words(stacked('sand')).find(t => /weighs/.test(t))).toMatch(/4\.5\st/)
})

test('a heater that shines on one body warms that, and lights no glass', () => {
  const watered: Design = { ...bare, store: { ...bare.store, bodies: [tank({ lengthM: 2, atM: 1.4 })] } }
  const cold = run(watered).series
  const of = (into: 'radiant' | 'at body') => {
    const { series, answers } = run(withSources(watered, aSource('heater', { into, setPointC: 8, capacityW: 2500 })))
    const night = answers.freeRunning!.coldestNight.hour
    let [glass, heat] = [0, 0]
    for (let h = night - 200; h <= night; h++) {
      glass += series.losses[0]![h]! - cold.losses[0]![h]!
      heat += series.heaterW[h]!
    }
    return { waterC: series.waterC[night]!, glass: glass / heat, answers }
  }
  const [all, aimed] = [of('radiant'), of('at body')]
  expect(aimed.answers.topUp.kWh).toBeGreaterThan(50)
  expect(aimed.waterC).toBeGreaterThan(all.waterC + 1)
  expect(aimed.glass).toBeLessThan(all.glass)
  // Without a body it has nothing to shine on.
  const none = run(withSources(bare, aSource('heater', { into: 'at body', setPointC: 8, capacityW: 2500 })))
  expect(none.answers.topUp.kWh).toBe(0)
})
