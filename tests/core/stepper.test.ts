import { barrelsOf } from '../bodies'
import fc from 'fast-check'
import { DEMOS, type Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeModel } from '../../core/network/lay-model'
import { AIR, FUSION, MOISTURE, OPENING, STAR } from '../../core/network/room'
import { makeStepper } from '../../core/network/own-loop'
import type { Stepper } from '../../core/network/stepper'
import { coldDays } from '../../core/network/coldest'
import { runNetwork } from '../../core/network/run'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { createYearEngine } from '../../core/year'
import { steadySite, waterRoom } from '../proof/tiny-model'
import { madeSkin } from '../skin'
import { aired } from '../openings'
import { anAirStore } from '../../core/air-stores/registry'
import { heated, unheated, withAirStores } from '../added'
import { yearOf } from '../shared/years'

const demo: Design = unheated(DEMOS[0]!)
const { site } = createYearEngine().run(demo)

/** The demo's network, run through a few days from a day of the year. */
function days(
  design: Design,
  from: number,
  count: number,
  dt: number,
  each: (state: Float64Array, hour: number, stepper: Stepper) => void,
) {
  const building = makeBuilding(design)
  const model = makeModel(design, site, building, makeSolarGains(site, building, makeLightTable(design, building)))
  const stepper = makeStepper(model, site)
  stepper.cells.fill(12)
  stepper.state[AIR] = 12
  stepper.state[STAR] = 12
  for (let h = from * 24; h < (from + count) * 24; h++) {
    stepper.prepareHour(h, dt)
    for (let s = 0; s < 3600 / dt; s++) {
      stepper.step(dt)
      each(stepper.state, h, stepper)
    }
    stepper.endHour()
  }
  return stepper
}

test.each([200, 2500])(
  'a heater of %d W gives no more, nothing above its set point, and just enough at it',
  capacityW => {
    const bare: Design = {
      ...demo,
      skin: { ...demo.skin, cover: { ...demo.skin.cover, id: 'none' } },
      store: { ...demo.store, bodies: [] },
    }
    let before = 0
    let most = 0
    days(heated(bare, { capacityW, setPointC: 9 }), 8, 6, 900, (v, _hour, { broughtJ }) => {
      const watts = (broughtJ[0]! - before) / 900
      before = broughtJ[0]!
      most = Math.max(most, watts)
      expect(watts).toBeGreaterThanOrEqual(0)
      expect(watts).toBeLessThanOrEqual(capacityW + 1e-6)
      if (watts > 1e-6 && watts < capacityW - 1e-6) expect(v[AIR]!).toBeCloseTo(9, 6)
      if (v[AIR]! > 9 + 1e-9) expect(watts).toBeCloseTo(0, 6)
    })
    expect(most).toBeGreaterThan(199)
  },
)

test.each([[3600], [900], [60]])(
  'vents at a step of %d s: they open with warmth, never beyond their curve, and the air does not swing',
  dt => {
    let last = NaN
    let turns = 0
    let direction = 0
    let steps = 0
    days(demo, 195, 3, dt, v => {
      expect(v[OPENING]!).toBeGreaterThanOrEqual(0)
      expect(v[OPENING]!).toBeLessThanOrEqual(1)
      if (v[AIR]! < 20 - 3) expect(v[OPENING]!).toBeLessThan(0.35)
      const now = Math.sign(v[AIR]! - last)
      if (steps++ > 12 && now !== 0 && now === -direction) turns++
      direction = now || direction
      last = v[AIR]!
    })
    // A day has one rise and one fall; hourly weather, doors and leaves add one or two an hour. A swinging vent would
    // turn at every step that it is open, most of a summer's day.
    expect(turns).toBeLessThan(Math.min(steps / 4, 130))
  },
)

test('the air is never damper than it can hold nor drier than dry', () => {
  days(demo, 330, 10, 900, v => {
    expect(v[MOISTURE]!).toBeGreaterThan(0)
    expect(v[MOISTURE]!).toBeLessThan(0.06)
    // What surfaces radiate to stays near the air that they stand in.
    expect(Math.abs(v[STAR]! - v[AIR]!)).toBeLessThan(15)
  })
})

test('heat that a step owes the next is the same heat where steps grow shorter: the warm-up year’s, the year’s', () => {
  for (const demo of DEMOS) expect(yearOf(demo).answers.ledger.closure).toBeLessThan(1e-8)
})

test('energy closes whatever the design: films, no beds, glazed poles, ice, strong heaters', () => {
  const variants = fc.record({
    glazing: fc.constantFrom('glass-1', 'film-1', 'multiwall-25'),
    pole: fc.constantFrom('solid', 'glazed' as const),
    cover: fc.constantFrom('none', 'quilt'),
    count: fc.constantFrom(0, 3, 30),
    beds: fc.boolean(),
    leakage: fc.constantFrom('tight', 'old'),
    vents: fc.constantFrom(0, 5),
    capacityW: fc.constantFrom(0, 800, 20000),
    steps: fc.constantFrom(1, 2, 4),
  })
  const cold = { ...site, dryBulbC: site.dryBulbC.map(t => t - 8), dewPointC: site.dewPointC.map(t => t - 8) }
  fc.assert(
    fc.property(variants, x => {
      const house: Design = {
        ...demo,
        shape: { ...demo.shape, beds: x.beds ? demo.shape.beds : [] },
        skin: {
          ...madeSkin(demo.skin, { pole: x.pole }),
          glazing: x.glazing,
          cover: { ...demo.skin.cover, id: x.cover },
        },
        store: {
          ...demo.store,
          bodies: x.count > 0 ? [barrelsOf(demo, { count: x.count, stack: 1, raisedM: 0 })] : [],
        },
        breathe: { ...demo.breathe, leakage: x.leakage },
      }
      const design = aired(heated(house, { on: x.capacityW > 0, capacityW: x.capacityW, setPointC: 4 }), {
        lowM2: x.vents,
        highM2: x.vents,
      })
      const building = makeBuilding(design)
      const run = runNetwork(design, cold, building, makeSolarGains(cold, building, makeLightTable(design, building)), {
        stepsPerHour: x.steps,
        heated: true,
      })
      const sum = (a: Float32Array) => a.reduce((s, w) => s + w, 0) * 3600
      const gained = run.gains.reduce((s, a) => s + sum(a), 0)
      const lost = run.losses.reduce((s, a) => s + sum(a), 0)
      expect(Math.abs(gained - lost - run.storedJ) / gained).toBeLessThan(0.001)
      const coldest = Math.min(...cold.dryBulbC)
      // Glazing radiates to the sky, and falls below the air outside at night.
      for (const series of [run.airC, run.soilC, run.radiantC, run.glazingC])
        expect(series.every(c => c > coldest - 15 && c < 110)).toBe(true)
      expect(run.relativeHumidity.every(rh => rh >= 0 && rh <= 1.001)).toBe(true)
      if (x.count > 0)
        run.waterC.forEach((t, h) => {
          if (run.iceShare[h]! > 0 && run.iceShare[h]! < 1) expect(Math.abs(t)).toBeLessThan(1e-6)
        })
    }),
    { numRuns: 12 },
  )
})

test('ice melts as it froze: what a cold week takes, a warm one gives back', () => {
  const room = waterRoom({ wallWK: 5, waterKg: 50 })
  const cold = makeStepper(room, steadySite(-10))
  cold.cells.fill(1)
  cold.state[AIR] = 1
  const before = cold.heatContentJ()
  let out = 0
  for (let h = 0; h < 60; h++) {
    cold.prepareHour(0, 900)
    for (let s = 0; s < 4; s++) {
      cold.step(900)
      out += 900 * 5 * (cold.cells[1]! - cold.cells[0]!)
    }
  }
  expect(cold.iceKg[1]!).toBeGreaterThan(5)
  expect(cold.iceKg[1]!).toBeLessThan(50)
  expect((before - cold.heatContentJ()) / out).toBeCloseTo(1, 2)
  const warm = makeStepper(room, steadySite(15))
  warm.cells.fill(0)
  warm.state[AIR] = 0
  warm.iceKg[1] = cold.iceKg[1]!
  let hours = 0
  while (warm.iceKg[1]! > 0 && hours < 2000) {
    warm.prepareHour(0, 900)
    for (let s = 0; s < 4; s++) warm.step(900)
    hours++
  }
  expect(hours).toBeCloseTo((cold.iceKg[1]! * FUSION) / (5 * 15) / 3600, -1)
  expect(warm.cells[2]!).toBeGreaterThanOrEqual(0)
})

test('the unheated year of a heated house finds the night that the whole year finds', () => {
  const fanned = withAirStores(DEMOS[0]!, anAirStore('earth store'))
  for (const [design, within] of [
    [DEMOS[0]!, 0.02],
    [DEMOS[2]!, 0.02],
    [DEMOS[3]!, 0.02],
    [fanned, 0.05],
  ] as const) {
    const warm = createYearEngine().run(heated(design, { capacityW: 4000, setPointC: 8 }))
    const off = createYearEngine().run(unheated(design))
    const short = warm.answers.freeRunning!.coldestNight
    const whole = off.answers.coldestNight
    expect(short.hour).toBe(whole.hour)
    expect(Math.abs(short.insideC - whole.insideC)).toBeLessThanOrEqual(within)
    // Days are left out, or the short way would save nothing.
    expect(coldDays(warm.site.dryBulbC).reduce((a, b) => a + b, 0)).toBeLessThan(200)
  }
})

test(
  'the warm-up year goes in blocks only where the ground is slow enough: a sunk house without a board ' +
    'at its edge does not swing',
  () => {
    const sunk = DEMOS[2]!
    const bare: Design = { ...sunk, skin: { ...sunk.skin, edge: { ...sunk.skin.edge, depthM: 0 } } }
    const soil = (design: Design) => {
      const { series, site: year } = createYearEngine().run(design)
      for (let h = 0; h < 8760; h += 24)
        expect(series.soilC[h]!).toBeGreaterThan(year.ground.meanC - year.ground.amplitudeK - 5)
      return series.soilC.subarray(0, 744).reduce((a, b) => a + b, 0) / 744
    }
    const boarded = soil(sunk)
    const open = soil(bare)
    // The board keeps the winter's beds warmer, by less than it keeps the ground outside away.
    expect(boarded - open).toBeGreaterThan(0)
    expect(boarded - open).toBeLessThan(4)
  },
)
