import fc from 'fast-check'
import { humidityRatio, saturationPressurePa } from '../../core/climate'
import { AIR, CONDENSED, MOISTURE, RIDGE, STAR } from '../../core/network/room'
import { makeStepper } from '../../core/network/stepper'
import { denseHouse, solveDense } from '../proof/dense-stepper'
import { drySite, smallModel, type SmallChain, type SmallHouse } from '../proof/small-house'

const range = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const chain: fc.Arbitrary<SmallChain> = fc
  .record({
    kind: fc.constantFrom('wall' as const, 'glazing' as const, 'house' as const, 'body' as const),
    areaM2: range(0.5, 40),
    facingUp: fc.constantFrom(-1, -0.6, 0, 0.3, 1),
    skyView: range(0, 1),
    cells: fc.array(fc.record({ joules: range(2e3, 2e5), g: range(0.3, 60) }), { minLength: 2, maxLength: 6 }),
    longwaveThrough: fc.constantFrom(0, 0.1, 0.6),
    emissivity: fc.constantFrom(0.9, 0.15),
    sunW: fc.constantFrom(0, 0, 80),
    bare: fc.boolean(),
  })
  .map(({ kind, cells, bare, longwaveThrough, ...c }) => {
    // A pane is two sheets and the room face of its open cover; other chains may end in a face that holds nothing.
    const own = kind === 'glazing' ? [...cells.slice(0, 2), { joules: 0, g: 1 }] : cells
    return {
      ...c,
      kind,
      longwaveThrough: kind === 'glazing' ? longwaveThrough : 0,
      capacity: own.map((x, i) => (bare && i === own.length - 1 ? 0 : x.joules)),
      between: own.slice(1).map(x => x.g),
    }
  })
const house: fc.Arbitrary<SmallHouse> = fc.record({
  chains: fc.array(chain, { minLength: 2, maxLength: 6 }),
  airCapacity: range(2e4, 1e6),
  leakAreaM2: fc.constantFrom(0, 0.01, 0.1),
  upper: fc.option(
    fc.record({
      planeM2: range(0.5, 60),
      share: range(0.1, 0.7),
      above: fc.array(range(0, 1), { minLength: 6, maxLength: 6 }),
    }),
  ),
  cover: fc.record({
    share: fc.constantFrom(0, 0.25, 0.6, 1).map(Math.fround),
    leak: range(0, 0.2),
    pane: range(0.5, 5),
    inside: range(0.5, 2000),
    outside: fc.constantFrom(0, 0.8, 6),
  }),
  heaters: fc.array(
    fc.record({ capacityW: range(50, 4000), setPointC: range(5, 20), radiantShare: fc.constantFrom(0, 0.3, 0.7) }),
    { maxLength: 3 },
  ),
})

test('small houses under a cover: the loop steps as one full matrix does, to 1e-6 K; heaters give the same', () => {
  let heated = 0
  fc.assert(
    fc.property(
      house,
      fc.record({ outsideC: range(3, 25), skyDropK: range(0, 20), windMs: range(0, 8) }),
      fc.array(range(3, 25), { minLength: 40, maxLength: 40 }),
      fc.constantFrom(3600, 1800, 900, 60),
      (h, { outsideC, skyDropK, windMs }, warmth, dt) => {
        const heaters = [...h.heaters].sort((a, b) => b.setPointC - a.setPointC)
        const small = { ...h, heaters }
        const model = smallModel(small)
        const site = drySite(Math.fround(outsideC), Math.fround(outsideC - skyDropK), Math.fround(windMs))
        const stepper = makeStepper(model, site)
        const dense = denseHouse(small, site.dryBulbC[0]!, site.skyC[0]!, site.windMs[0]!, model.houseC)
        stepper.cells.forEach((_, i) => (stepper.cells[i] = warmth[i % warmth.length]!))
        stepper.state[AIR] = warmth[37]!
        stepper.state[STAR] = warmth[38]!
        stepper.state[RIDGE] = warmth[36]!
        stepper.state[MOISTURE] = 1e-4
        dense.set([...stepper.cells], warmth[37]!, warmth[38]!, warmth[36]!)
        for (let hour = 0; hour < 3; hour++) {
          stepper.prepareHour(hour, dt)
          dense.beginHour()
          for (let s = 0; s < 3600 / dt; s++) {
            const before = [...stepper.broughtJ]
            stepper.step(dt)
            const heat = dense.step(dt)
            expect(Math.abs(stepper.state[AIR]! - dense.airC())).toBeLessThan(1e-6)
            expect(Math.abs(stepper.state[STAR]! - dense.starC())).toBeLessThan(1e-6)
            expect(Math.abs(stepper.state[RIDGE]! - dense.upperC())).toBeLessThan(1e-6)
            heat.forEach((w, k) => {
              expect(Math.abs((stepper.broughtJ[k]! - before[k]!) / dt - w)).toBeLessThan(1e-3)
              if (w > 0) heated++
            })
          }
          dense.cells().forEach((t, i) => expect(Math.abs(stepper.cells[i]! - t)).toBeLessThan(1e-6))
          stepper.endHour()
        }
      },
    ),
    { numRuns: 60 },
  )
  expect(heated).toBeGreaterThan(100)
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
