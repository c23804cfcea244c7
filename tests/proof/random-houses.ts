import fc from 'fast-check'
import { AIR, MOISTURE, RIDGE, STAR } from '../../core/network/room'
import { makeStepper } from '../../core/network/stepper'
import { denseHouse } from './dense-stepper'
import { drySite, smallModel, type SmallChain, type SmallHouse } from './small-house'

export const range = (min: number, max: number) => fc.double({ min, max, noNaN: true })
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
/** Small houses of all sorts. */
export const house: fc.Arbitrary<SmallHouse> = fc.record({
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

/** Weather that does not change, where it all begins, °C, and the step, s. */
export const weather = fc.record({ outsideC: range(3, 25), skyDropK: range(0, 20), windMs: range(0, 8) })
export const warmths = fc.array(range(3, 25), { minLength: 40, maxLength: 40 })
export const step = fc.constantFrom(3600, 1800, 900, 60)

/**
 * Three hours of a small house by the loop and by one full matrix.
 * @returns furthest that any cell or air ends up apart, K, and that any heater's heat does, W; and how often one ran
 */
export function denseApart(
  h: SmallHouse,
  { outsideC, skyDropK, windMs }: { outsideC: number; skyDropK: number; windMs: number },
  warmth: readonly number[],
  dt: number,
): { kelvin: number; watts: number; heated: number } {
  const small = { ...h, heaters: [...h.heaters].sort((a, b) => b.setPointC - a.setPointC) }
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
  let [kelvin, watts, heated] = [0, 0, 0]
  const apart = (a: number, b: number) => (kelvin = Math.max(kelvin, Math.abs(a - b)))
  for (let hour = 0; hour < 3; hour++) {
    stepper.prepareHour(hour, dt)
    dense.beginHour()
    for (let s = 0; s < 3600 / dt; s++) {
      const before = [...stepper.broughtJ]
      stepper.step(dt)
      const heat = dense.step(dt)
      apart(stepper.state[AIR]!, dense.airC())
      apart(stepper.state[STAR]!, dense.starC())
      apart(stepper.state[RIDGE]!, dense.upperC())
      heat.forEach((w, k) => {
        watts = Math.max(watts, Math.abs((stepper.broughtJ[k]! - before[k]!) / dt - w))
        if (w > 0) heated++
      })
    }
    dense.cells().forEach((t, i) => apart(stepper.cells[i]!, t))
    stepper.endHour()
  }
  return { kelvin, watts, heated }
}

/** The same of many houses, whichever is furthest, K. */
export function furthestApart(houses: number): number {
  const sampled = fc.sample(fc.tuple(house, weather, warmths, step), { numRuns: houses, seed: 2027 })
  return Math.max(...sampled.map(([h, w, t, dt]) => denseApart(h, w, t, dt).kelvin))
}
