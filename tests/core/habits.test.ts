import { pond as pondBody, tank as tankBody, wall as wallBody } from '../bodies'
import { aimLine } from '../../core/aim/aim-line'
import { MONTH_OF_DAY } from '../../core/climate'
import { DEMOS, type Design } from '../../core/design'
import { designFaults, patchDesign, type Patch } from '../../core/editing'
import type { YearResult } from '../../core/year'
import type { Answers } from '../../core/answers'
import { aFan } from '../../core/fans/registry'
import { aired, doored } from '../openings'
import { plain } from '../plain'
import { unheated } from '../added'
import { hourly as engine } from '../shared/years'

const demo: Design = unheated(plain)
const run = (d: Design) => engine.run(d)
const breathe = (patch: Partial<Design['breathe']>): Design => ({ ...demo, breathe: { ...demo.breathe, ...patch } })
const cover = (patch: Partial<Design['skin']['cover']>): Design => ({
  ...demo,
  skin: { ...demo.skin, cover: { ...demo.skin.cover, ...patch } },
})
/** With a sheet over the beds, laid by hand. */
const sheets = (patch: Partial<Design['breathe']['rowCover']>, people = demo.breathe.people): Design =>
  breathe({ people, rowCover: { ...demo.breathe.rowCover, on: true, ...patch } })
const base = run(demo)

test('fans come on by stages and hold the heat down where vents are small', () => {
  const small = (stages: number) =>
    run(aired(breathe({ fans: stages > 0 ? [aFan('extract fan', { stages })] : [] }), { lowM2: 0.3, highM2: 0.3 }))
      .answers
  const [none, one, three] = [0, 1, 3].map(small) as [Answers, Answers, Answers]
  expect(one.hottestAfternoon.insideC).toBeLessThan(none.hottestAfternoon.insideC)
  expect(three.hottestAfternoon.insideC).toBeLessThan(one.hottestAfternoon.insideC)
  expect(three.ledger.closure).toBeLessThan(0.001)
})

test('the winter habit holds sun heat in: vents wait, the house is aired at midday only', () => {
  const { series, site } = run(breathe({ airing: { ...demo.breathe.airing, on: true } }))
  let airedAtMidday = 0
  for (let d = 0; d < 59; d++) {
    let mean = 0
    for (let k = 0; k < 24; k++) mean += site.dryBulbC[d * 24 + k]! / 24
    if (mean >= demo.breathe.airing.belowC) continue
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      const midday = k >= 11 && k < 13
      if (midday && series.ventOpening[h]! > 0.01) {
        airedAtMidday++
        // Airing ends by itself before the room is cold.
        expect(series.airC[h]!).toBeGreaterThan(20 - 4)
      }
      // Well before mid-afternoon it is shut, unless it is really hot.
      if (k >= 15 && series.airC[h]! < 27) expect(series.ventOpening[h]!).toBeLessThan(0.1)
    }
  }
  expect(airedAtMidday).toBeGreaterThan(3)
})

test('an opener with hysteresis closes later than it opens', () => {
  const open = (hysteresisK: number) => run(aired(demo, { hysteresisK })).answers.hoursVented
  expect(open(6)).toBeGreaterThan(open(0))
})

test('doors let heat out, a lobby keeps much of it in', () => {
  const busy = { widthM: 1, openingsPerDay: 60, openS: 40 }
  const shut = run(doored(demo, { ...busy, openingsPerDay: 0 })).answers
  const doors = run(doored(demo, busy)).answers
  const lobby = run(doored(breathe({ lobby: { areaM2: 3 } }), busy))
  const winter = (a: typeof shut) => a.months[0]!.insideMeanC
  expect(winter(doors)).toBeLessThan(winter(shut) - 0.05)
  expect(winter(lobby.answers)).toBeGreaterThan(winter(doors))
  expect(lobby.answers.ledger.closure).toBeLessThan(0.001)
})

test('under a row cover the beds’ air stays warmer than the room on cold nights', () => {
  const design: Design = { ...sheets({ belowC: 8 }), skin: { ...demo.skin, cover: { ...demo.skin.cover, id: 'none' } } }
  const { series, answers } = run(design)
  const h = answers.coldestNight.hour
  expect(series.rowC[h]!).toBeGreaterThan(series.airC[h]! + 0.5)
  expect(answers.ledger.closure).toBeLessThan(0.001)
})

test('covers: any place holds heat; outside, between and inside agree within a few degrees; rules draw them', () => {
  const none = run(cover({ id: 'none' })).answers.coldestNight.insideC
  const at = (['inside', 'outside', 'between'] as const).map(
    place => run(cover({ place, onlyBelowC: 40 })).answers.coldestNight.insideC,
  )
  for (const c of at) expect(c).toBeGreaterThan(none + 2)
  expect(Math.max(...at) - Math.min(...at)).toBeLessThan(4)
  const clock = run(cover({ rule: 'clock', fromH: 17, untilH: 8, onlyBelowC: 40 }))
  expect(clock.series.coverDrawn[12]).toBe(0)
  expect(clock.series.coverDrawn[2]).toBe(1)
  expect(clock.series.coverDrawn[17]).toBe(1)
  expect(clock.series.coverDrawn[8]).toBe(0)
  const cold = run(cover({ rule: 'cold', onlyBelowC: 40 }))
  cold.series.coverDrawn.forEach((drawn, h) => expect(drawn).toBe(cold.site.globalWm2[h]! < 30 ? 1 : 0))
  expect(
    designFaults({
      ...cover({ place: 'between' }),
      skin: { ...demo.skin, glazing: 'glass-1', cover: { ...demo.skin.cover, place: 'between' } },
    })[0]!.path,
  ).toBe('skin.cover.place')
})

test('with an inside cover the glass is colder and more water condenses on it than with an outside one', () => {
  const glass = (place: 'inside' | 'outside') => run(cover({ place, onlyBelowC: 40 }))
  const inside = glass('inside')
  const outside = glass('outside')
  const h = inside.answers.coldestNight.hour - 3
  expect(inside.series.glazingC[h]!).toBeLessThan(outside.series.glazingC[h]!)
})

const leaved = (leafArea: number): Design => ({
  ...demo,
  shape: { ...demo.shape, beds: demo.shape.beds.map(b => ({ ...b, leafArea })) },
})

test('transpiration: leaves damp the air and cool the summer', () => {
  const bare = run(leaved(0)).answers
  const lush = run(leaved(3)).answers
  expect(lush.hoursDamp).toBeGreaterThan(bare.hoursDamp)
  expect(lush.months[6]!.insideMeanC).toBeLessThan(bare.months[6]!.insideMeanC)
  expect(lush.ledger.losses['damp air']!).toBeGreaterThan(bare.ledger.losses['damp air']!)
})

test('a measured tightness stands for its class', () => {
  const measured = run(breathe({ leakage: 'measured', ach50: 8 })).answers
  expect(measured.coldestNight.insideC).toBeCloseTo(run(breathe({ leakage: 'tight' })).answers.coldestNight.insideC, 9)
  expect(base.answers.condensedKg).toBeGreaterThan(10)
})

test('water: a tank and a pond store, a pond dampens the air', () => {
  const dry: Design = { ...demo, store: { ...demo.store, bodies: [] } }
  const none = run(dry).answers
  const tank = run({ ...dry, store: { ...dry.store, bodies: [tankBody({ lengthM: 4, atM: 3.4 })] } }).answers
  const pond = run({ ...dry, store: { ...dry.store, bodies: [pondBody({ lengthM: 4, atM: 3.4 })] } }).answers
  expect(tank.coldestNight.insideC).toBeGreaterThan(none.coldestNight.insideC)
  expect(pond.coldestNight.insideC).toBeGreaterThan(none.coldestNight.insideC)
  expect(pond.months[0]!.waterC).not.toBeNull()
  for (const a of [tank, pond]) expect(a.ledger.closure).toBeLessThan(0.001)
  const wall = run({
    ...dry,
    store: { ...dry.store, bodies: [wallBody({ thicknessM: 0.5, heightM: 1.5, atM: 3.6 })] },
  }).answers
  expect(wall.coldestNight.insideC).toBeGreaterThan(none.coldestNight.insideC)
})

test('glazing gets older and dirtier: less light, the same warmth at night within a little', () => {
  const at = (condition: Partial<Design['skin']['condition']>) =>
    run({ ...demo, skin: { ...demo.skin, condition: { ...demo.skin.condition, ...condition } } }).answers
  const old = at({ ageYears: 15 })
  expect(old.months[5]!.dli / base.answers.months[5]!.dli).toBeCloseTo(0.992 ** 15, 1)
  expect(at({ dirt: 0.2 }).months[5]!.dli).toBeLessThan(base.answers.months[5]!.dli * 0.85)
  expect(at({ frameShare: 0.3 }).months[5]!.dli).toBeLessThan(base.answers.months[5]!.dli * 0.8)
})

describe('misting', () => {
  /** A shut house in summer, so that what mist does is not blown away. */
  const misted = (patch: Partial<Design['breathe']['misting']> = {}) =>
    run(breathe({ misting: { ...demo.breathe.misting, on: true, startC: 26, perHourM3: 0.02, ...patch } }))
  const dry = run(demo)

  test('it cools hot afternoons, dampens the air, and its heat is only moved: the ledger closes', () => {
    const { answers, series } = misted()
    expect(answers.hottestAfternoon.insideC).toBeLessThan(dry.answers.hottestAfternoon.insideC - 1)
    expect(answers.coldestNight.insideC).toBeCloseTo(dry.answers.coldestNight.insideC, 1)
    expect(answers.ledger.closure).toBeLessThan(1e-4)
    expect(answers.ledger.losses['damp air']!).toBeGreaterThan(dry.answers.ledger.losses['damp air']!)
    const hot = answers.hottestAfternoon.hour
    expect(series.relativeHumidity[hot]!).toBeGreaterThan(dry.series.relativeHumidity[hot]!)
    expect(answers.misting!.hours).toBeGreaterThan(20)
  })

  test('it takes no more than its nozzles give, and none in air that is as damp as it may be', () => {
    const { series, answers } = misted({ upTo: 0.5 })
    let most = 0
    series.mistKg.forEach((kg, h) => {
      most = Math.max(most, kg)
      expect(kg).toBeGreaterThanOrEqual(0)
      if (series.relativeHumidity[h]! > 0.55) expect(kg).toBeLessThan(1)
    })
    expect(most).toBeLessThanOrEqual(20 + 1e-6)
    expect(answers.misting!.waterKg).toBeCloseTo(
      series.mistKg.reduce((a, b) => a + b, 0),
      6,
    )
  })

  test('more water cools no less; without any it is as if there were none', () => {
    const hottest = (perHourM3: number) => misted({ perHourM3 }).answers.hottestAfternoon.insideC
    const [none, some, much] = [hottest(0), hottest(0.01), hottest(0.04)]
    expect(none).toBe(dry.answers.hottestAfternoon.insideC)
    expect(some).toBeLessThan(none!)
    expect(much).toBeLessThan(some! + 0.05)
  })
})

test('a row cover’s space is a small part of the room’s air, and warmer in its coldest hour', () => {
  const { answers, series } = run(sheets({ belowC: 8 }))
  const h = answers.coldestNight.hour
  for (const b of answers.beds) {
    expect(b.underCover!.spaceShare).toBeGreaterThan(0.005)
    expect(b.underCover!.spaceShare).toBeLessThan(0.3)
    expect(b.underCover!.airC).toBe(series.rowC[h])
    expect(b.underCover!.airC).toBeGreaterThan(answers.coldestNight.insideC)
  }
  expect(run(demo).answers.beds.every(b => b.underCover === null)).toBe(true)
})

describe('a row cover laid by hand', () => {
  const bare = { ...demo, skin: { ...demo.skin, cover: { ...demo.skin.cover, id: 'none' } } }
  const under = (design: Design) => {
    const { series, answers } = run({ ...design, skin: bare.skin })
    return Math.min(...series.rowC) - answers.coldestNight.insideC
  }
  const always = { days: 'every day', fromH: 0, untilH: 24 } as const

  const nobody = { visits: [], spans: [] }
  // Air over warm soil is warmer than the room's as it is.
  const never = under(sheets({ belowC: 8 }, nobody))

  test('who leaves at six lays it before a cold night: it keeps as much as where somebody is always there', () => {
    const kept = under(sheets({ ...always, belowC: 8 })) - never
    expect(kept).toBeGreaterThan(0.5)
    expect(under(sheets({ belowC: 8 })) - never).toBeGreaterThan(0.8 * kept)
  })

  test('where nobody comes it never lies; by hours of its own it does', () => {
    const { series } = run({ ...sheets({ belowC: 25 }, nobody), skin: bare.skin })
    expect(Math.min(...series.rowC) - Math.min(...series.airC)).toBeCloseTo(never, 6)
    expect(under(sheets({ days: 'every day', fromH: 16, untilH: 18, belowC: 8 }, nobody))).toBeGreaterThan(never + 0.5)
  })

  test('from Friday to Monday it is left off: plants want their light', () => {
    const school = { visits: [{ who: '', days: 'weekdays' as const, fromH: 8, untilH: 16 }], spans: [] }
    const { series } = run({ ...sheets({ belowC: 25 }, school), skin: bare.skin })
    // 1 January counts as a Monday: five days in January and in February each, in the small hours.
    const over = (weekday: number) =>
      [0, 1, 2, 3, 4, 5, 6, 7]
        .map(week => (week * 7 + weekday) * 24 + 4)
        .reduce((sum, h) => sum + series.rowC[h]! - series.airC[h]!, 0) / 8
    expect(over(3)).toBeGreaterThan(over(6) + 0.5)
  })
})

test('who leaves shuts what the night would make too cold for what lives there, unless it is left ajar', () => {
  const growers = DEMOS[4]!
  const byHand = (leftAjar: boolean) =>
    patchDesign(growers, [
      ['breathe.people.visits', [{ who: '', days: 'every day', fromH: 8, untilH: 18 }]],
      ...growers.skin.openings.flatMap((o, i): Patch[] =>
        'how' in o && o.how !== 'shut'
          ? [
              [`skin.openings.${i}.how`, 'hand'],
              [`skin.openings.${i}.startC`, 15],
              [`skin.openings.${i}.fullC`, 22],
              [`skin.openings.${i}.days`, 'house'],
              [`skin.openings.${i}.leftAjar`, leftAjar],
            ]
          : [],
      ),
    ])
  const [looks, ajar] = [false, true].map(a => engine.run(byHand(a), { unheated: false })) as [YearResult, YearResult]
  const bears = aimLine(growers.aim).lowC
  let [shut, open, more] = [0, 0, 0]
  for (let d = 60; d < 330; d++) {
    const night = d * 24 + 26
    const low = Math.min(...looks.site.dryBulbC.subarray(d * 24 + 18, d * 24 + 32))
    const stands = (r: YearResult) => r.series.ventOpening[night]! > 0.01
    if (low + 2 < (bears[MONTH_OF_DAY[d]!] ?? -Infinity)) {
      expect(stands(looks)).toBe(false)
      shut++
      if (stands(ajar)) more++
    } else if (stands(looks)) open++
  }
  expect([shut > 40, open > 20, more > 8]).toEqual([true, true, true])
  const lows = (r: YearResult) =>
    Array.from({ length: 61 }, (_, d) => Math.min(...r.series.airC.subarray((120 + d) * 24, (121 + d) * 24)))
  const mean = (v: number[]) => v.reduce((a, b) => a + b, 0) / v.length
  // May and June: lows that they keep the warmer for it.
  expect(mean(lows(looks))).toBeGreaterThan(mean(lows(ajar)) + 0.2)
})
