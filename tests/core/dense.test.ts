import fc from 'fast-check'
import { humidityRatio, saturationPressurePa } from '../../core/climate'
import { AIR, CONDENSED, MOISTURE, STAR } from '../../core/network/room'
import { makeStepper } from '../../core/network/own-loop'
import { solveDense } from '../proof/dense-stepper'
import { denseApart, house, range, step, warmths, weather } from '../proof/random-houses'
import { drySite, smallModel } from '../proof/small-house'

test('small houses under a cover: the loop steps as one full matrix does, to 1e-6 K; heaters give the same', () => {
  let ran = 0
  fc.assert(
    fc.property(house, weather, warmths, step, (h, w, warmth, dt) => {
      const { kelvin, watts, heated } = denseApart(h, w, warmth, dt)
      expect(kelvin).toBeLessThan(1e-6)
      expect(watts).toBeLessThan(1e-3)
      ran += heated
    }),
    { numRuns: 60 },
  )
  expect(ran).toBeGreaterThan(100)
})

test('the oracle solves what can be solved by hand', () => {
  expect(
    solveDense(
      [
        [0, 2],
        [3, 1],
      ],
      [4, 5],
    ),
  ).toEqual([1, 2])
})

test('small random damp houses: heat and water close over every hour, and the air holds no more than it can', () => {
  let condensed = 0
  fc.assert(
    fc.property(
      house,
      fc.record({ outsideC: range(-15, 20), damp: range(0.3, 1), windMs: range(0, 8) }),
      fc.array(range(-2, 30), { minLength: 40, maxLength: 40 }),
      fc.constantFrom(3600, 900),
      (h, { outsideC, damp, windMs }, warmth, dt) => {
        const airMassKg = h.airCapacity / 4000
        const model = { ...smallModel({ ...h, heaters: [] }), airMassKg }
        const outside = humidityRatio(saturationPressurePa(outsideC), 101325) * damp
        const site = { ...drySite(outsideC, outsideC - 5, windMs), humidityRatio: new Float32Array(8760).fill(outside) }
        const stepper = makeStepper(model, site)
        stepper.cells.forEach((_, i) => (stepper.cells[i] = warmth[i % warmth.length]!))
        const airC = warmth[37]!
        stepper.state[AIR] = airC
        stepper.state[STAR] = airC
        stepper.state[MOISTURE] = humidityRatio(saturationPressurePa(airC), 101325) * 0.98
        stepper.prepareHour(0, dt)
        stepper.endHour()
        stepper.clearTally()
        for (let hour = 0; hour < 4; hour++) {
          const before = stepper.heatContentJ()
          stepper.prepareHour(hour, dt)
          for (let s = 0; s < 3600 / dt; s++) {
            stepper.step(dt)
            condensed += stepper.state[CONDENSED]! * dt
            const full = humidityRatio(saturationPressurePa(stepper.state[AIR]!), 101325)
            // Saturation is tabled in the loop.
            expect(stepper.state[MOISTURE]!).toBeLessThan(full * 1.001)
            expect(stepper.state[MOISTURE]!).toBeGreaterThan(0)
          }
          stepper.endHour()
          const sum = (a: Float64Array) => a.reduce((x, y) => x + y, 0)
          const rest = stepper.heatContentJ() - before - sum(stepper.gainedJ) + sum(stepper.lostJ)
          const moved = stepper.gainedJ.reduce((x, y) => x + Math.abs(y), 0)
          const lost = stepper.lostJ.reduce((x, y) => x + Math.abs(y), 0)
          expect(Math.abs(rest)).toBeLessThan(1e-6 * (moved + lost) + 1)
          stepper.clearTally()
        }
      },
    ),
    { numRuns: 60 },
  )
  // Most of them have faces colder than the dew point, or the test would say little.
  expect(condensed).toBeGreaterThan(1)
})
