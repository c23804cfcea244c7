import fc from 'fast-check'
import { DEMOS, type Design, type Source } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeModel } from '../../core/network/lay-model'
import { AIR } from '../../core/network/room'
import { makeStepper } from '../../core/network/own-loop'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { aSource } from '../../core/sources/registry'
import { burning } from '../../core/sources/stove'
import { createYearEngine } from '../../core/year'
import { unheated, withSources } from '../added'

const demo: Design = unheated({
  ...DEMOS[0]!,
  skin: { ...DEMOS[0]!.skin, cover: { ...DEMOS[0]!.skin.cover, id: 'none' } },
})
const site = createYearEngine().site(demo)
const building = makeBuilding(demo)
const gains = makeSolarGains(site, building, makeLightTable(demo, building))
const FIRST_DAY = 10
const DAYS = 3

/** A few winter days of the demo with these sources: the air by the hour, °C, and what each brought, J. */
function days(...sources: Source[]) {
  const model = makeModel(withSources(demo, ...sources), site, building, gains)
  const stepper = makeStepper(model, site)
  stepper.cells.fill(6)
  stepper.state[AIR] = 6
  const airC: number[] = []
  for (let h = FIRST_DAY * 24; h < (FIRST_DAY + DAYS) * 24; h++) {
    stepper.prepareHour(h, 900)
    for (let s = 0; s < 4; s++) stepper.step(900)
    stepper.endHour()
    airC.push(stepper.state[AIR]!)
  }
  return { airC, broughtJ: [...stepper.broughtJ] }
}

const heater = fc.record({
  capacityW: fc.double({ min: 0, max: 4000, noNaN: true }),
  setPointC: fc.double({ min: 0, max: 14, noNaN: true }),
  into: fc.constantFrom('air' as const, 'radiant' as const),
})

/** Below this no vent of the demo is moved, whatever its ridge. */
const VENTS_SHUT_C = 14

test('one heater more is never colder, and takes work from the others, not gives them any', () => {
  fc.assert(
    fc.property(fc.array(heater, { minLength: 0, maxLength: 3 }), heater, (some, more) => {
      const own = some.map(h => aSource('heater', h))
      const less = days(...own)
      const all = days(...own, aSource('heater', more))
      // Once vents begin to open, a warmer ridge may open them sooner.
      expect(less.airC.filter((t, h) => t <= VENTS_SHUT_C && all.airC[h]! <= t - 0.02)).toHaveLength(0)
      less.broughtJ.forEach((j, i) => expect(all.broughtJ[i]!).toBeLessThan(j + 0.01 * Math.abs(j) + 2e4))
    }),
    { numRuns: 25 },
  )
})

test('the order of the list matters only between heaters of one set point', () => {
  fc.assert(
    fc.property(fc.array(heater, { minLength: 2, maxLength: 3 }), some => {
      fc.pre(new Set(some.map(h => h.setPointC)).size === some.length)
      const own = some.map(h => aSource('heater', h))
      const there = days(...own)
      const back = days(...[...own].reverse())
      there.airC.forEach((t, h) => expect(back.airC[h]!).toBeCloseTo(t, 9))
      there.broughtJ.forEach((j, i) => expect(back.broughtJ[own.length - 1 - i]!).toBeCloseTo(j, 0))
    }),
    { numRuns: 15 },
  )
})

test('heat that is brought by the hour warms by as much whatever brings it: a stove, people, a heap', () => {
  const none = days().airC
  for (const source of [
    aSource('stove', { belowC: 20, powerW: 1500 }),
    aSource('people', { count: 8, fromH: 0, untilH: 24 }),
    aSource('compost', { massKg: 8000, startDay: 1, loopWK: 200, setPointC: 30 }),
    aSource('bed loop', { capacityW: 1500, setPointC: 25 }),
    aSource('lamps', { powerW: 1000, fromH: 0, untilH: 24, months: [1] }),
    aSource('heater', { into: 'body', setPointC: 40, capacityW: 1500 }),
  ]) {
    const { airC, broughtJ } = days(source)
    const rise = airC.reduce((sum, t, h) => sum + t - none[h]!, 0) / airC.length
    const watts = broughtJ[0]! / (DAYS * 86400)
    expect([source.kind, watts > 200]).toEqual([source.kind, true])
    expect([source.kind, rise > 0.2]).toEqual([source.kind, true])
    // No more than if the house had no mass and lost 40 W/K.
    expect([source.kind, rise < watts / 40]).toEqual([source.kind, true])
  }
})

test('a source that is off is as one that is not there', () => {
  const none = days().airC
  for (const kind of ['heater', 'stove', 'lamps', 'people', 'compost', 'spare power'] as const)
    expect(days(aSource(kind, { on: false }) as Source).airC).toEqual(none)
})

test('a stove burns its hours on every night that it is lit, and nights are lit by their own cold alone', () => {
  const nights = fc.array(fc.integer({ min: -20, max: 10 }), { minLength: 365, maxLength: 365 })
  fc.assert(
    fc.property(
      nights,
      fc.record({
        belowC: fc.integer({ min: -15, max: 5 }),
        litAtH: fc.constantFrom(16, 18.5, 20, 22),
        burnsH: fc.constantFrom(0.5, 4, 9, 12),
      }),
      (lows, chosen) => {
        // The low of a night stands at four in the morning after it.
        const outsideC = Float32Array.from({ length: 8760 }, (_, h) =>
          h % 24 === 4 ? lows[(Math.floor(h / 24) + 364) % 365]! : 15,
        )
        const place = { outsideC, there: new Uint8Array(8760).fill(1) }
        const lit = burning(aSource('stove', chosen), place)
        const cold = lows.filter(low => low < chosen.belowC).length
        expect(lit.reduce((sum, w) => sum + w, 0)).toBeCloseTo(cold * chosen.burnsH, 3)
        expect(Math.max(...lit)).toBeLessThanOrEqual(1)
        const asItShould = lows.every((low, day) => {
          const from = Math.floor(day * 24 + chosen.litAtH)
          return lit[from % 8760]! > 0 === low < chosen.belowC && lit[(from - 1) % 8760] === 0
        })
        expect(asItShould).toBe(true)
        const lazier = burning(aSource('stove', { ...chosen, belowC: chosen.belowC - 3 }), place)
        expect(lit.every((w, h) => lazier[h]! <= w)).toBe(true)
      },
    ),
    { numRuns: 20 },
  )
})
