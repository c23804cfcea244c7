import { DEMOS, type AirStore, type Design } from '../../core/design'
import {
  airPath,
  bundlePressurePa,
  frictionFactor,
  operatingFlow,
  pipeFilm,
  rectangularChannel,
  roundPipe,
} from '../../core/air-stores/air-path'
import { packedBed, rockFilm, rockPressurePa } from '../../core/air-stores/packed-bed'
import { everythingOn } from '../../cli/bench'
import { anAirStore } from '../../core/air-stores/registry'
import { designFaults } from '../../core/editing'
import { unheated, withAirStores } from '../added'
import { hourly as engine } from '../shared/years'

const demo: Design = unheated(DEMOS[0]!)
const pipes = {
  ...roundPipe(0.1),
  pipes: 10,
  lengthM: 8,
  roughnessM: 0.003,
  soilConductivity: 1.5,
  fan: { freeFlowM3h: 700, shutOffPa: 120, powerW: 90 },
}

test('friction: laminar by 64/Re, smooth pipe near Blasius, rough pipe near the fully rough law', () => {
  expect(frictionFactor(1000, 0)).toBeCloseTo(0.064, 9)
  expect(frictionFactor(20000, 0) / (0.316 / 20000 ** 0.25)).toBeCloseTo(1, 1)
  expect(frictionFactor(1e7, 0.03) / (1 / (2 * Math.log10(3.7 / 0.03)) ** 2)).toBeCloseTo(1, 2)
})

test('film in a smooth pipe is near Dittus and Boelter’s', () => {
  const re = 30000
  const dittus = (0.023 * re ** 0.8 * 0.71 ** 0.4 * 0.0257) / 0.1
  expect(pipeFilm(re, frictionFactor(re, 0), 0.1) / dittus).toBeCloseTo(1, 0)
  expect(pipeFilm(500, 0.128, 0.1)).toBeCloseTo((3.66 * 0.0257) / 0.1, 9)
})

test('pipes: effectiveness is 1 − e^(−NTU); longer and more pipes give up more; the fan meets their curve', () => {
  const path = airPath(pipes)
  expect(path.effectiveness).toBeCloseTo(1 - Math.exp(-path.ntu), 12)
  expect(pipes.fan.shutOffPa * (1 - (path.flowM3s * 3600) / pipes.fan.freeFlowM3h)).toBeCloseTo(path.pressurePa, 3)
  expect(bundlePressurePa(pipes, path.flowM3s)).toBeCloseTo(path.pressurePa, 9)
  expect(airPath({ ...pipes, lengthM: 20 }).effectiveness).toBeGreaterThan(path.effectiveness)
  expect(airPath({ ...pipes, lengthM: 20 }).flowM3s).toBeLessThan(path.flowM3s)
  expect(airPath({ ...pipes, pipes: 2 }).flowM3s).toBeLessThan(path.flowM3s * 0.6)
  const flat = rectangularChannel(0.15, 0.1)
  expect(flat.diameterM).toBeCloseTo(0.12, 9)
})

test('a fan against nothing blows free; against a wall of pressure it hardly blows', () => {
  expect(operatingFlow(pipes.fan, () => 0) * 3600).toBeCloseTo(700, 6)
  expect(operatingFlow(pipes.fan, q => q * 1e7)).toBeLessThan(1e-4)
})

test('rock: Löf and Hawley’s film, Ergun’s drop by hand, smaller rock holds back more and takes more', () => {
  expect(rockFilm(0.1, 0.05)).toBeCloseTo(650 * 2 ** 0.7, 6)
  const e = 0.42
  const byHand =
    0.6 *
    (((150 * 1.81e-5 * (1 - e) ** 2) / (e ** 3 * 0.05 ** 2)) * 0.1 + ((1.75 * 1.2 * (1 - e)) / (e ** 3 * 0.05)) * 0.01)
  expect(rockPressurePa(0.1, 0.6, 0.05)).toBeCloseTo(byHand, 9)
  const coarse = packedBed({ areaM2: 6, depthM: 0.6, rockM: 0.1, fan: pipes.fan })
  const fine = packedBed({ areaM2: 6, depthM: 0.6, rockM: 0.02, fan: pipes.fan })
  expect(fine.flowM3s).toBeLessThan(coarse.flowM3s)
  expect(fine.nodeEffectiveness).toBeGreaterThan(coarse.nodeEffectiveness)
})

const base = engine.run(demo).answers

test.each<[string, AirStore]>([
  ['earth store', anAirStore('earth store')],
  ['rock bed', anAirStore('rock bed')],
  ['bed channels', anAirStore('bed channels')],
  ['earth tube', anAirStore('earth tube', { belowC: 6 })],
])('%s: it runs, its fan is paid for, energy closes', (_, store) => {
  const { answers, series } = engine.run(withAirStores(demo, store))
  expect(answers.electricity.fansKWh).toBeGreaterThan(1)
  expect(answers.ledger.gains.fans).toBeCloseTo(answers.electricity.fansKWh, 3)
  expect(answers.ledger.closure).toBeLessThan(0.001)
  const [own] = answers.airStores
  const { storeC } = series.airStores[0]!
  expect(Math.min(...storeC)).toBeGreaterThan(answers.outside.coldestC)
  expect(Math.max(...storeC)).toBeLessThan(answers.hottestAfternoon.insideC)
  expect((own!.hours * store.fan.powerW) / 1000 / answers.electricity.fansKWh).toBeCloseTo(1, 5)
  expect(own!.tookKWh + own!.gaveKWh).toBeGreaterThan(1)
})

test('an earth store takes the edge off the worst night and warms its soil in autumn; a bigger one more', () => {
  const plain: Design = { ...demo, store: { ...demo.store, bodies: [], linings: [] } }
  const none = engine.run(plain).answers.coldestNight.insideC
  const with10 = engine.run(withAirStores(plain, anAirStore('earth store'))).answers.coldestNight.insideC
  expect(with10).toBeGreaterThan(none)
  const { series } = engine.run(withAirStores(demo, anAirStore('earth store')))
  const day = (d: number) => series.airStores[0]!.storeC[d * 24]!
  expect(day(250)).toBeGreaterThan(day(60))
  expect(base.coldestNight.insideC).toBeGreaterThan(-10)
})

test('several of a kind: two halves of an earth store are nearly the whole, each with its own line', () => {
  const whole = engine.run(withAirStores(demo, anAirStore('earth store', { pipes: 20 })))
  const fan = { freeFlowM3h: 350, shutOffPa: 120, powerW: 45 }
  const half = anAirStore('earth store', { pipes: 10, fan })
  const halves = engine.run(withAirStores(demo, half, half))
  expect(halves.answers.airStores.map(s => s.name)).toEqual(['Earth store 1', 'Earth store 2'])
  expect(halves.answers.coldestNight.insideC).toBeCloseTo(whole.answers.coldestNight.insideC, 1)
  const both = halves.answers.airStores.reduce((sum, s) => sum + s.tookKWh, 0)
  expect(both / whole.answers.airStores[0]!.tookKWh).toBeCloseTo(1, 1)
  expect(halves.answers.ledger.closure).toBeLessThan(1e-5)
})

test('two earth tubes bring their air as one of both flows does, and what they fetch is in the ledger', () => {
  const tube = anAirStore('earth tube', { aboveC: 22 })
  const other = anAirStore('earth tube', { aboveC: 22, lengthM: 5 })
  const { answers, series } = engine.run(withAirStores(demo, tube, other))
  expect(answers.ledger.closure).toBeLessThan(1e-5)
  // They cool in summer; the longer one meets the soil for longer.
  expect(answers.airStores[0]!.tookKWh).toBeGreaterThan(answers.airStores[1]!.tookKWh * 1.2)
  expect(Math.max(...series.fanW)).toBeCloseTo(tube.fan.powerW + other.fan.powerW, 1)
})

test('one that is not in use does nothing and keeps its place; rock beds share the floor', () => {
  const off = engine.run(withAirStores(demo, anAirStore('earth store', { on: false }), anAirStore('rock bed')))
  expect(off.answers.airStores[0]).toMatchObject({ hours: 0, tookKWh: 0, coldestC: null })
  expect(off.answers.airStores[1]!.hours).toBeGreaterThan(10)
  const large = anAirStore('rock bed', { areaM2: 25 })
  expect(designFaults(withAirStores(demo, large, large))[0]).toMatchObject({ path: 'store.airStores[1].areaM2' })
})

test('a fan runs a share of the hour near its set point: half the step moves the coldest night by little', () => {
  const design = { ...everythingOn(4), topUp: { ...everythingOn(4).topUp, sources: [] } }
  const coldest = (stepsPerHour: number) => engine.run(design, { stepsPerHour }).answers.coldestNight.insideC
  expect(Math.abs(coldest(8) - coldest(4))).toBeLessThan(0.1)
  const { series } = engine.run(withAirStores(demo, anAirStore('earth store')))
  const { runs } = series.airStores[0]!
  expect(runs.every(r => r >= 0 && r <= 1)).toBe(true)
  expect(runs.some(r => r > 0.05 && r < 0.95)).toBe(true)
})
