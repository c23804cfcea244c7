import fc from 'fast-check'
import { humidityRatio, saturationPressurePa } from '../../core/climate'
import { AIR, MOISTURE, PATH, RIDGE, ROW, STAR } from '../../core/network/room'
import { makeStepper } from '../../core/network/own-loop'
import { denseRoom, roomModel, type Room, type RoomChain } from './dense-room'
import { denseHouse } from './dense-stepper'
import { proof, type ProofRow } from './row'
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

const line = (is: RoomChain['is'], least: number) =>
  fc
    .record({
      areaM2: range(1, 30),
      facingUp: fc.constantFrom(-1, -0.6, 0, 0.3),
      skyView: range(0, 1),
      cells: fc.array(fc.record({ joules: range(1e4, 2e5), g: range(0.5, 40) }), { minLength: 2, maxLength: 4 }),
      above: range(0, 1),
      sunW: fc.constantFrom(0, 0, 300),
    })
    .map(({ cells, areaM2, ...c }): RoomChain => {
      const level = is === 'path' || is === 'soil'
      return {
        ...c,
        is,
        areaM2: Math.max(least, areaM2),
        facingUp: level ? 1 : c.facingUp,
        above: level ? 0 : c.above,
        capacity: cells.map((x, i) => (i === cells.length - 1 ? 0 : x.joules * areaM2)),
        between: cells.slice(1).map(x => x.g * areaM2),
      }
    })

/** Rooms of all sorts: with openings, two or three airs, a bed under a cover or not, and leaves. */
export const room: fc.Arbitrary<Room> = fc
  .record({
    skin: fc.array(line('wall', 5), { minLength: 1, maxLength: 3 }),
    body: fc.option(line('body', 1)),
    floor: line('path', 1),
    soil: fc.option(line('soil', 2), { freq: 4 }),
    airMassKg: range(20, 200),
    leakAreaM2: fc.constantFrom(0, 0.01, 0.05),
    openings: fc.array(
      fc.record({ areaM2: range(0.02, 1.5), atM: range(0.3, 3), wind: fc.constantFrom(0.1, 0.3, -0.3) }),
      { maxLength: 3 },
    ),
    upper: fc.option(fc.record({ planeM2: range(2, 40), splitM: range(1, 2.5), share: range(0.2, 0.6) })),
    path: fc.option(fc.record({ areaM2: range(1, 8), holds: range(0.3, 1), share: range(0.02, 0.2) })),
    rowCover: fc.constantFrom('none', 'open', 'drawn'),
    leafArea: fc.constantFrom(0, 0.5, 2, 5),
  })
  .map(({ skin, body, floor, soil, ...r }): Room => {
    const leaf: RoomChain[] =
      soil && r.leafArea > 0
        ? [{ ...soil, is: 'leaf', facingUp: 0, capacity: [1200 * r.leafArea * soil.areaM2], between: [], sunW: 0 }]
        : []
    return {
      ...r,
      leafArea: leaf.length > 0 ? r.leafArea : 0,
      chains: [...skin, ...(body ? [body] : []), floor, ...(soil ? [soil] : []), ...leaf],
    }
  })

/** Weather over a room, and how damp it and the room are at first. */
export const dampWeather = fc.record({
  outsideC: range(-8, 22),
  skyDropK: range(0, 20),
  windMs: range(0, 6),
  dampOut: range(0.3, 0.9),
  damp: range(0.3, 0.95),
  from: range(6, 22),
  // To the microkelvin: within rounding of the air's own, which way a plume goes is nobody's to say.
  apart: fc.array(
    range(-4, 4).map(kelvin => Math.round(kelvin * 1e6) / 1e6),
    { minLength: 20, maxLength: 20 },
  ),
})
type DampWeather = typeof dampWeather extends fc.Arbitrary<infer W> ? W : never

/**
 * Two hours of a room by the loop and by one full matrix, both by steps of some seconds.
 * @returns furthest that any cell or air ends up apart, K, and the water in the air, share of saturation
 */
export function roomApart(r: Room, w: DampWeather, dt = 12): { kelvin: number; water: number } {
  const ratioOut = Math.fround(humidityRatio(saturationPressurePa(w.outsideC), 101325) * w.dampOut)
  const flat = (v: number) => new Float32Array(8760).fill(v)
  const site = { ...drySite(w.outsideC, w.outsideC - w.skyDropK, w.windMs), humidityRatio: flat(ratioOut) }
  const stepper = makeStepper(roomModel(r), site)
  const dense = denseRoom(r, site.dryBulbC[0]!, site.skyC[0]!, site.windMs[0]!, ratioOut)
  stepper.cells.forEach((_, i) => (stepper.cells[i] = w.from + w.apart[i % w.apart.length]!))
  for (const place of [AIR, STAR, RIDGE, PATH, ROW]) stepper.state[place] = w.from
  const ratio = humidityRatio(saturationPressurePa(w.from), 101325) * w.damp
  stepper.state[MOISTURE] = ratio
  dense.set([...stepper.cells], w.from, ratio)
  let [kelvin, water] = [0, 0]
  const apart = (a: number, b: number) => (kelvin = Math.max(kelvin, Math.abs(a - b)))
  for (let hour = 0; hour < 2; hour++) {
    stepper.prepareHour(hour, dt)
    dense.beginHour()
    for (let s = 0; s < 3600 / dt; s++) {
      stepper.step(dt)
      dense.step(dt)
    }
    apart(stepper.state[AIR]!, dense.airC())
    apart(stepper.state[STAR]!, dense.starC())
    apart(stepper.state[RIDGE]!, dense.upperC())
    apart(stepper.state[PATH]!, dense.pathC())
    apart(stepper.state[ROW]!, dense.rowC())
    dense.cells().forEach((t, i) => apart(stepper.cells[i]!, t))
    const full = humidityRatio(saturationPressurePa(dense.airC()), 101325)
    water = Math.max(water, Math.abs(stepper.state[MOISTURE]! - dense.ratio()) / full)
    stepper.endHour()
  }
  return { kelvin, water }
}

/** Rooms with openings, airs, leaves and damp: whichever ends up furthest apart. */
export function roomRows(rooms: number, seed = 2027): ProofRow[] {
  const apart = fc.sample(fc.tuple(room, dampWeather), { numRuns: rooms, seed }).map(([r, w]) => roomApart(r, w))
  const of = (value: (a: (typeof apart)[number]) => number) => Math.max(...apart.map(value))
  const source = 'one full matrix of short steps: openings, airs, leaves, water'
  return [
    proof(
      `oracle: dense room, furthest of ${rooms}, K`,
      0,
      of(a => a.kelvin),
      0.04,
      source,
    ),
    proof(
      `oracle: dense room, furthest of ${rooms}, share of saturation`,
      0,
      of(a => a.water),
      0.002,
      source,
    ),
  ]
}
