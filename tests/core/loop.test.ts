import fc from 'fast-check'
import { aFan } from '../../core/fans/registry'
import { makeFans } from '../../core/network/fans'
import { everythingOn } from '../../cli/bench'
import { openerTarget } from '../../core/air/vents'
import { DEMOS, FORMS, type Design } from '../../core/design'
import { makeScene } from '../../core/geometry/ray-cast'
import { shadingOf } from '../../core/geometry/shading'
import { makeBuilding } from '../../core/geometry/surfaces'
import { layModel, makeMemory, sizeOf } from '../../core/network/memory'
import { makeModel } from '../../core/network/lay-model'
import { AIR, DENSITY, LEFT_A, LEFT_B, OPENING, OUT, TRIED, VENT_G, WIND } from '../../core/network/room'
import { runModel } from '../../core/network/run'
import { makeStepper, ownStepper } from '../../core/network/own-loop'
import { makeVentSolver } from '../../core/network/vent-solve'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { createYearEngine } from '../../core/year'
import { designOfForm } from '../proof/light-error'
import { airwaysOf, waterRoom } from '../proof/tiny-model'

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
    const year = ({ site, model }: typeof large) => runModel(model, site, { stepsPerHour: 1, heated: true })
    const first = year(small)
    const other = year(large)
    const again = year(small)
    expect(again.airC).toEqual(first.airC)
    expect(again.losses).toEqual(first.losses)
    expect(again.storedJ).toBe(first.storedJ)
    expect(year(large).airStores).toEqual(other.airStores)
    const swing = (c: Float32Array) => Math.max(...c) - Math.min(...c)
    expect(other.airStores).toHaveLength(4)
    for (const { storeC } of other.airStores) {
      expect(swing(storeC)).toBeGreaterThan(1)
      expect(swing(storeC)).toBeLessThan(swing(other.airC))
    }
  },
)

test(
  'a house larger than the usual one gets a loop of its size; a stepper of its own keeps its state ' +
    'while others run',
  () => {
    const demo = laidOut(DEMOS[0]!)
    const mine = makeStepper(demo.model, demo.site)
    mine.prepareHour(12, 900)
    mine.step(900)
    const before = Float64Array.from(mine.cells)
    const shared = ownStepper(demo.model, demo.site)
    shared.prepareHour(12, 900)
    shared.step(900)
    expect(shared.cells).toEqual(before)
    shared.step(900)
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
    roomy.step(900)
    // Links that carry nothing change nothing.
    expect(roomy.state[AIR]!).toBeCloseTo(mine.state[AIR]!, 9)
  },
)

/** Air through orifices, m³/s, with the pressure inside found by halving. */
function flowByHalving(orifices: readonly { conduct: number; push: number }[]): number {
  let [lo, hi] = [-1e4, 1e4]
  const net = (p: number) =>
    orifices.reduce((sum, o) => sum + o.conduct * Math.sign(o.push - p) * Math.sqrt(Math.abs(o.push - p)), 0)
  for (let k = 0; k < 200; k++) {
    const middle = (lo + hi) / 2
    if (net(middle) > 0) lo = middle
    else hi = middle
  }
  return orifices.reduce((sum, o) => sum + o.conduct * Math.sqrt(Math.max(0, o.push - lo)), 0)
}

test('air with vents and fans: what is found balances, whatever the weather, the openings and the heat', () => {
  const opening = fc.record({
    areaM2: fc.double({ min: 0.01, max: 3, noNaN: true }),
    atM: fc.double({ min: 0, max: 4, noNaN: true }),
    tallM: fc.double({ min: 0.05, max: 2, noNaN: true }),
    wind: fc.double({ min: -0.2, max: 0.3, noNaN: true }),
  })
  const cases = fc.record({
    openings: fc.array(opening, { maxLength: 6 }),
    outside: fc.double({ min: -30, max: 45, noNaN: true }),
    wind: fc.double({ min: 0, max: 15, noNaN: true }),
    closed: fc.double({ min: -20, max: 90, noNaN: true }),
    a: fc.double({ min: 20, max: 5000, noNaN: true }),
    stages: fc.nat(3),
    hysteresisK: fc.constantFrom(0, 3),
    lagS: fc.constantFrom(0, 600),
  })
  fc.assert(
    fc.property(cases, ({ openings, outside, wind, closed, a, stages, hysteresisK, lagS }) => {
      const opener = { how: 'wax' as const, startC: 20, fullC: 30, lagS, hysteresisK }
      const fan = aFan('extract fan', { stages: Math.max(1, stages), flowM3h: 1500, startC: 28, stepK: 2 })
      const fans = makeFans(stages > 0 ? [fan] : [], 101325)
      const airways = airwaysOf(openings.map(o => ({ ...o, opener })))
      const model = { ...waterRoom({ wallWK: 1, waterKg: 1 }), airways, fans }
      const memory = makeMemory(sizeOf(model))
      layModel(memory, model)
      const solver = makeVentSolver(memory)
      solver.lay(model)
      const { v } = memory
      v[OUT] = outside
      v[WIND] = wind
      v[DENSITY] = 1.2
      v[LEFT_A] = a
      v[LEFT_B] = a * closed
      solver.hour(12)
      solver.solve(900)
      const air = v[TRIED]!
      const [low, high] = [Math.min(outside, closed), Math.max(outside, closed)]
      expect(air).toBeGreaterThanOrEqual(low - 1e-3)
      expect(air).toBeLessThanOrEqual(high + 1e-3)
      expect(v[OPENING]!).toBeGreaterThanOrEqual(0)
      expect(v[OPENING]!).toBeLessThanOrEqual(1)
      expect(Math.abs(a * (air - closed) + v[VENT_G]! * (air - outside))).toBeLessThan(1e-6 * a)
      if (lagS > 0 || hysteresisK > 0) return
      // Without lag and hysteresis the balance has one root, found here by halving.
      const balance = (t: number) => {
        const open = openerTarget(t, 20, 30)
        const perMetre = (2 * 9.81 * (t - outside)) / (Math.max(t, outside) + 273.15)
        let on = 0
        for (let k = 0; k < stages; k++) on += Math.max(0, Math.min(1, t - 28 - 2 * k))
        // A stage passes 1500 m³/h where nothing holds it back, and none against 60 Pa.
        const sucks = (2 * 60) / (101325 / (287.042 * 293.15))
        const still = -model.leakHeightM * perMetre
        const flow = flowByHalving([
          ...Array.from(airways.conduct, (c, i) => ({
            conduct: c * open,
            push: airways.wind[i]! * wind * wind - airways.heightM[i]! * perMetre,
          })),
          { conduct: (on * 1500) / 3600 / Math.sqrt(sucks), push: still - sucks },
          { conduct: Math.min(1, on) * 0.6 * 0.4, push: still },
        ])
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
    { numRuns: 150 },
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
