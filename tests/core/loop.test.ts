import fc from 'fast-check'
import { everythingOn } from '../../cli/bench'
import { openerTarget, ventFactors, ventFlow } from '../../core/air/vents'
import { DEMOS, FORMS, type Design } from '../../core/design'
import { makeScene } from '../../core/geometry/scene'
import { shadingOf } from '../../core/geometry/shading'
import { makeBuilding } from '../../core/geometry/surfaces'
import { layModel, makeMemory, sizeOf } from '../../core/network/memory'
import { makeModel } from '../../core/network/model'
import { AIR, DENSITY, FULL, LEFT_A, LEFT_B, OPENING, OUT, START, TRIED, VENT, WIND } from '../../core/network/room'
import { runModel } from '../../core/network/run'
import { makeStepper, ownStepper } from '../../core/network/stepper'
import { makeVentSolver } from '../../core/network/vent-solve'
import { makeLightTable, makeSolarGains } from '../../core/optics/gains'
import { createYearEngine } from '../../core/year'
import { designOfForm } from '../proof/light-error'
import { waterRoom } from '../proof/tiny-model'

function laidOut(design: Design) {
  const site = createYearEngine().site(design)
  const building = makeBuilding(design)
  return {
    design,
    site,
    model: makeModel(design, site, building, makeSolarGains(site, building, makeLightTable(design, building))),
  }
}

test(
  'the loop that all runs share keeps nothing of the run before: neither its stores, nor its ice, nor ' + 'its films',
  () => {
    const large = laidOut(everythingOn(0))
    const small = laidOut(DEMOS[0]!)
    const year = ({ design, site, model }: typeof large) =>
      runModel(model, site, design.topUp.heater, { stepsPerHour: 1, heater: true })
    const first = year(small)
    const other = year(large)
    const again = year(small)
    expect(again.airC).toEqual(first.airC)
    expect(again.losses).toEqual(first.losses)
    expect(again.storedJ).toBe(first.storedJ)
    expect(year(large).storeC).toEqual(other.storeC)
  },
)

test(
  'a house larger than the usual one gets a loop of its size; a stepper of its own keeps its state ' +
    'while others run',
  () => {
    const demo = laidOut(DEMOS[0]!)
    const mine = makeStepper(demo.model, demo.site)
    mine.prepareHour(12, 900)
    mine.step(900, 0, 0)
    const before = Float64Array.from(mine.cells)
    const shared = ownStepper(demo.model, demo.site)
    shared.prepareHour(12, 900)
    shared.step(900, 0, 0)
    expect(shared.cells).toEqual(before)
    shared.step(900, 0, 0)
    expect(mine.cells).toEqual(before)
    // The same house, padded with more links than any usual one has.
    const links = 3000
    const { slow } = demo.model
    const wide = {
      ...demo.model,
      slow: {
        a: new Int32Array(links).fill(slow.a[0]!),
        b: new Int32Array(links).fill(slow.b[0]!),
        g: new Float64Array(links),
        edgeFrom: links,
      },
    }
    expect(sizeOf(wide).links).toBeGreaterThan(links)
    const roomy = ownStepper(wide, demo.site)
    roomy.prepareHour(12, 900)
    roomy.step(900, 0, 0)
    expect(Number.isFinite(roomy.state[AIR]!)).toBe(true)
  },
)

test('air with vents and fans: what is found balances, whatever the weather, the openings and the heat', () => {
  const cases = fc.record({
    lowM2: fc.double({ min: 0, max: 3, noNaN: true }),
    highM2: fc.double({ min: 0, max: 3, noNaN: true }),
    outside: fc.double({ min: -30, max: 45, noNaN: true }),
    wind: fc.double({ min: 0, max: 15, noNaN: true }),
    closed: fc.double({ min: -20, max: 90, noNaN: true }),
    a: fc.double({ min: 20, max: 5000, noNaN: true }),
    stages: fc.nat(3),
    hysteresisK: fc.constantFrom(0, 3),
    lagS: fc.constantFrom(0, 600),
    opening: fc.double({ min: 0, max: 1, noNaN: true }),
  })
  fc.assert(
    fc.property(cases, ({ lowM2, highM2, outside, wind, closed, a, stages, hysteresisK, lagS, opening }) => {
      const vents = { lowM2, highM2, riseM: 2 }
      const fans = { stages, flowM3h: 1500, powerW: 100, startC: 28, stepK: 2 }
      const model = {
        ...waterRoom({ wallWK: 1, waterKg: 1 }),
        vents,
        fans,
        opener: { startC: 20, fullC: 30, lagS, hysteresisK },
      }
      const memory = makeMemory(sizeOf(model))
      layModel(memory, model)
      const solver = makeVentSolver(memory)
      solver.lay(model)
      const { v } = memory
      v[OUT] = outside
      v[WIND] = wind
      v[DENSITY] = 1.2
      v[START] = 20
      v[FULL] = 30
      v[OPENING] = opening
      v[LEFT_A] = a
      v[LEFT_B] = a * closed
      solver.solve(900)
      const air = v[TRIED]!
      const [low, high] = [Math.min(outside, closed), Math.max(outside, closed)]
      expect(air).toBeGreaterThanOrEqual(low - 1e-3)
      expect(air).toBeLessThanOrEqual(high + 1e-3)
      expect(v[OPENING]!).toBeGreaterThanOrEqual(0)
      expect(v[OPENING]!).toBeLessThanOrEqual(1)
      expect(Math.abs(a * (air - closed) + v[VENT]! * (air - outside))).toBeLessThan(1e-6 * a)
      if (lagS > 0 || hysteresisK > 0) return
      // Without lag and hysteresis the balance has one root, found here by halving.
      const balance = (t: number) => {
        let flow = ventFlow(ventFactors(vents), openerTarget(t, 20, 30), t, outside, wind)
        for (let k = 0; k < stages; k++) flow += (Math.max(0, Math.min(1, t - 28 - 2 * k)) * 1500) / 3600
        return a * (t - closed) + flow * 1.2 * 1006 * (t - outside)
      }
      let [lo, hi] = [low, high]
      for (let k = 0; k < 60; k++) {
        const middle = (lo + hi) / 2
        if (balance(middle) > 0) hi = middle
        else lo = middle
      }
      expect(Math.abs(air - lo)).toBeLessThan(0.005)
    }),
    { numRuns: 400 },
  )
})

test('every ray lands somewhere: none is lost or counted twice, in any form, from outside or within', () => {
  for (const form of FORMS) {
    const design = designOfForm(form)
    const building = makeBuilding(design)
    const scene = makeScene(building, shadingOf(design.shape, building.outline))
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: -1.5, max: 1.5, noNaN: true }),
        (along, across, turn, rise) => {
          const points = Float64Array.from([
            building.outline.widthM * across,
            building.lengthM * along,
            0.4,
            building.outline.widthM * along,
            building.lengthM * across,
            0.3,
          ])
          const out = new Float64Array(scene.faces.length)
          scene.cast(
            points,
            Math.cos(rise) * Math.cos(turn),
            Math.cos(rise) * Math.sin(turn),
            Math.sin(rise),
            0,
            0.5,
            out,
          )
          expect(out.reduce((a, b) => a + b, 0)).toBe(1)
        },
      ),
      { numRuns: 60 },
    )
  }
})
