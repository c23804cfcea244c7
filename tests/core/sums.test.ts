import { DEMOS } from '../../core/design'
import { distanceTo } from '../../core/geometry/ray'
import { woodHeatJkg } from '../../core/catalog'
import { patchDesign } from '../../core/editing'
import * as sums from '../../core/sums'
import { massMaterials } from '../../core/sums/mass-materials'
import { withPrice } from '../../core/takeoff/price-book'
import type { Sum } from '../../core/sums'
import { formatCompound } from '../../core/units'
import { engine } from '../shared/years'

const last = (s: Sum<unknown>) => s.lines[s.lines.length - 1]!.value

test('design heat loss adds up line by line', () => {
  const s = sums.designHeatLoss(
    [
      { name: 'glazing', areaM2: 40, uValue: 3 },
      { name: 'walls', areaM2: 50, uValue: 0.3 },
    ],
    120,
    0.5,
    5,
    -15,
    9,
  )
  expect(s.result.uaWK).toBeCloseTo(120 + 15 + (0.5 * 120 * 1200) / 3600, 9)
  expect(s.result.watts).toBeCloseTo(s.result.uaWK * 20, 9)
  expect(last(s)).toBe(s.result.watts)
  expect(s.lines.filter(l => l.symbol === 'U·A').reduce((a, l) => a + l.value, 0)).toBeCloseTo(135, 9)
})

test('a tonne of water on a dull day: the sceptic’s sum', () => {
  // 1 kWh/m² through 30 m², 40 % to a tonne: about ten degrees; a dull tenth of it one.
  const sun = sums.daySolarGain(3.6e6, 30, 0.7, 0.9)
  expect(sun.result).toBeCloseTo(3.6e6 * 30 * 0.63, 3)
  const dull = sums.warmingBySun(sun.result * 0.1, 0.4, 1000)
  expect(dull.result).toBeGreaterThan(0.5)
  expect(dull.result).toBeLessThan(2)
  const stored = sums.heatStored(1000, 4184, dull.result)
  expect(sums.hoursCovered(stored.result, 2000).result).toBeCloseTo(stored.result / 2000 / 3600, 9)
  expect(sums.heatOfFreezing(1000).result / 3.6e6).toBeCloseTo(92.8, 1)
})

test('light through layers multiplies; the water rule counts vessels up', () => {
  expect(
    sums.lightThroughLayers([
      { name: 'film', takes: 0.1 },
      { name: 'film', takes: 0.1 },
    ]).result,
  ).toBeCloseTo(0.81, 9)
  expect(sums.waterRule(20, 100, 0.2).result).toEqual({ m3: 2, vessels: 10 })
  expect(sums.waterRule(20.1, 100, 0.2).result.vessels).toBe(11)
  expect(sums.insulationSaves(50, 0.5, 0.2, 60000).result).toBeCloseTo(50 * 0.3 * 60000 * 3600, 3)
})

const section = { foot: { x: 0, z: 0.75 }, top: { x: 3.45, z: 3.3 } }

test('rays in section: heights and reach by the tangent', () => {
  const r = sums.rayInSection(section, 30, 4.6).result
  expect(r.wallZ).toBeCloseTo(3.3 - 1.15 * Math.tan(Math.PI / 6), 9)
  expect(r.floorX).toBeCloseTo(3.45 + 3.3 / Math.tan(Math.PI / 6), 9)
})

/**
 * Share of a mass's faces that a sun lights through glazing whose top is hidden by a strip, by casting rays from its
 * faces.
 */
function litShare(
  profileDeg: number,
  mass: { x0: number; x1: number; z0: number; z1: number },
  stripM: number,
): number {
  const { foot, top } = section
  const length = Math.hypot(top.x - foot.x, top.z - foot.z)
  const end = 1 - stripM / length
  const glass = {
    face: 'sunny slope' as const,
    coverage: 1,
    a: foot,
    b: { x: foot.x + (top.x - foot.x) * end, z: foot.z + (top.z - foot.z) * end },
  }
  const dx = -Math.cos((profileDeg * Math.PI) / 180)
  const dz = Math.sin((profileDeg * Math.PI) / 180)
  let lit = 0
  const N = 400
  for (let i = 0; i < N; i++) {
    const t = (i + 0.5) / N
    const front = distanceTo(mass.x0, mass.z0 + (mass.z1 - mass.z0) * t, dx, dz, glass) < Infinity
    const up = distanceTo(mass.x0 + (mass.x1 - mass.x0) * t, mass.z1, dx, dz, glass) < Infinity
    lit += (Number(front) + Number(up)) / (2 * N)
  }
  return lit
}

test('the shade strip it solves does what it says, by rays cast from the mass', () => {
  const mass = { x0: 3.6, x1: 4.2, z0: 1.1, z1: 1.9 }
  const s = sums.shadeStrip(section, mass, 66, 22).result
  if (s.kind !== 'strip') throw new Error(s.kind)
  const whole = litShare(22, mass, 0)
  for (const length of [s.leastM, (s.leastM + s.mostM) / 2, s.mostM]) {
    expect(litShare(66, mass, length + 0.005)).toBeLessThan(0.02)
    expect(litShare(22, mass, length - 0.005)).toBeGreaterThan(whole - 0.02)
  }
  expect(litShare(66, mass, s.leastM * 0.6)).toBeGreaterThan(0.05)
})

test('where no strip does both it says so, and how far to raise the mass', () => {
  const low = { x0: 2.2, x1: 4.4, z0: 0, z1: 1.2 }
  const s = sums.shadeStrip(section, low, 62, 40).result
  expect(s.kind).toBe('no strip does both')
  if (s.kind === 'no strip does both') expect(s.overlapM).toBeGreaterThan(0)
  expect(sums.shadeStrip(section, { x0: 4, x1: 4.4, z0: 2.4, z1: 2.6 }, 66, 10).result.kind).toMatch(
    /none needed|strip|no winter sun/,
  )
  expect(() => sums.shadeStrip(section, low, 0, 40)).toThrow(RangeError)
})

test('snow against the knee wall: the pile holds what slid', () => {
  const h = sums.kneeWallSnow(4, 0.5, 0.6).result
  expect((h * h) / Math.tan((40 * Math.PI) / 180) / 2).toBeCloseTo(4 * 0.5 * 0.6, 9)
})

test('earth store rules: feet and cubic feet, changes, manifold, fan on its pipes', () => {
  // 1000 ft³ want 100 ft of pipe.
  expect(sums.pipeRule(28.3168, 5).result.lengthM).toBeCloseTo(30.48, 2)
  expect(sums.pipeRule(28.3168, 5).result.pipes).toBe(7)
  expect(sums.fanRule(100, 6).result).toBeCloseTo(1 / 6, 9)
  expect(sums.manifoldSize(9, 0.1).result).toBeCloseTo(0.3, 9)
  const flow = sums.fanOnPipes({ freeFlowM3h: 700, shutOffPa: 120, powerW: 90 }, 10, 8, 0.1).result
  expect(flow * 3600).toBeLessThan(700)
  expect(120 * (1 - (flow * 3600) / 700)).toBeCloseTo(sums.pipePressure(flow, 10, 8, 0.1).result, 3)
})

test('air that is blown in lifts the pressure until as much leaves by the leaks', () => {
  // At the flow of the test with a blower it is the test’s pressure.
  expect(sums.tubePressure(24 * 100, 100, 24).result).toBeCloseTo(50, 9)
  expect(sums.tubePressure(250, 100, 24).result).toBeLessThan(3)
  expect(sums.tubePressure(250, 100, 8).result).toBeGreaterThan(sums.tubePressure(250, 100, 24).result)
})

test('vents and stack', () => {
  expect(sums.ventRule(40, 0.2).result).toBe(8)
  expect(sums.stackFlow(1, 1, 2, 30, 20).result).toBeCloseTo(
    (0.6 / Math.SQRT2) * Math.sqrt((2 * 9.81 * 2 * 10) / 303.15),
    9,
  )
})

test('wood: dry is better by weight, the stack follows, woodland grows it', () => {
  expect(woodHeatJkg(0.2) / 3.6e6).toBeCloseTo(3.98, 1)
  expect(woodHeatJkg(0.5)).toBeLessThan(0.5 * woodHeatJkg(0))
  const dry = sums.woodPerWinter(3.6e9, 'beech', 0.2, 0.7).result
  const wet = sums.woodPerWinter(3.6e9, 'beech', 0.45, 0.7).result
  expect(wet.kg).toBeGreaterThan(dry.kg)
  expect(dry.kg).toBeCloseTo(3.6e9 / woodHeatJkg(0.2) / 0.7, 6)
  expect(sums.woodPerWinter(3.6e9, 'spruce', 0.2, 0.7).result.stackedM3).toBeGreaterThan(dry.stackedM3)
  expect(sums.woodlandFor(1000, 0.2, 0.4).result).toBeCloseTo(2000, 6)
  expect(sums.costPerUsefulKWh('gas', 1.03).result).toBeCloseTo(0.1 / 0.85, 6)
  expect(sums.payBack(1000, 250).result).toBe(4)
  expect(sums.payBack(1000, 0).result).toBeNull()
})

test('light: units agree with each other, lamps are rounded up, short days follow latitude', () => {
  const u = sums.daylightUnits(100)
  expect(u.parMicromol).toBeCloseTo(205.65, 2)
  expect(u.footCandles * 10.764).toBeCloseTo(u.lux, 6)
  expect(sums.dailyLight(200, 16).result).toBeCloseTo(11.52, 6)
  const lamps = sums.lampCount(5, 10, 4, 100, 2.5).result
  expect(lamps.lamps).toBe(Math.ceil(50 / (((100 * 4 * 3600) / 1e6) * 2.5 * 0.85)))
  expect(sums.tenHourDays(0)).toBeNull()
  const north = sums.tenHourDays(47)!
  const south = sums.tenHourDays(-47)!
  expect(north.count).toBeGreaterThan(80)
  expect(north.from).toBeGreaterThan(300)
  expect(north.to).toBeLessThan(60)
  expect(south.from).toBeGreaterThan(100)
  expect(south.from).toBeLessThan(180)
})

test('the demo’s rules and its year speak of the same house', () => {
  const { answers } = engine.run(DEMOS[0]!)
  const parts = answers.ua.byElement.map(e => ({ name: e.name, areaM2: e.areaM2, uValue: e.uNight }))
  const hand = sums.designHeatLoss(parts, 120, 0.4, answers.coldestNight.insideC, answers.coldestNight.outsideC, 9)
    .result.watts
  const night = answers.worstNightLosses.reduce((s, l) => s + l.watts, 0)
  expect(night / hand).toBeGreaterThan(0.5)
  expect(night / hand).toBeLessThan(2)
})

test('every line of every sum is a finite number with words', () => {
  const all: Sum<unknown>[] = [
    sums.heatStored(1, 4184, 2),
    sums.rayInSection(section, 30, 4),
    sums.shadeStrip(section, { x0: 3.6, x1: 4.2, z0: 1.1, z1: 1.9 }, 66, 22),
    sums.kneeWallSnow(3, 0.4),
    sums.pipeRule(100, 8),
    sums.fanRule(100, 5),
    sums.pipePressure(0.1, 8, 9, 0.1),
    sums.manifoldSize(8, 0.1),
    sums.ventRule(30),
    sums.stackFlow(1, 2, 2, 30, 10),
    sums.woodPerWinter(1e9, 'oak', 0.2, 0.7),
    sums.lampCount(4, 8, 5, 100, 2),
    sums.payBack(10, 1),
  ]
  for (const s of all) {
    expect(s.rule.length).toBeGreaterThan(10)
    expect([s.rule, s.lines.at(-1)!.value > 0]).toEqual([s.rule, true])
    for (const l of s.lines) {
      expect(Math.abs(l.value)).toBeLessThan(1e12)
      expect(l.text.length).toBeGreaterThan(2)
    }
  }
  expect(() => sums.ventRule(-1)).toThrow(RangeError)
  expect(() => sums.heatStored(NaN, 4184, 1)).toThrow(RangeError)
})

test('what only sums have is shown to each reader, and is the same amount', () => {
  expect(formatCompound(4186.8, 'J/kgK', 'metric')).toBe('4.187\u00a0kJ/kg·K')
  expect(formatCompound(4186.8, 'J/kgK', 'us')).toBe('1\u00a0BTU/lb·°F')
  expect(formatCompound(40.7458, 'L/m²', 'us')).toBe('1\u00a0gal/ft²')
  // Air: 0.075 lb/ft³ at 0.24 BTU/lb·°F.
  expect(formatCompound(1206, 'J/m³K', 'us')).toBe('0.01798\u00a0BTU/ft³·°F')
  expect(formatCompound(1, 'm³', 'us')).toBe('35.31\u00a0ft³')
  expect(formatCompound(4.1, 'kWh/kg', 'us')).toBe('1.86\u00a0kWh/lb')
  expect(formatCompound(1234.5, 'L', 'us', 2)).toBe('330\u00a0gal')
  expect(formatCompound(1, 'kg', 'us')).toBe('2.205\u00a0lb')
  // The freezing point of water from absolute zero.
  expect(formatCompound(273.15, 'K', 'us')).toBe('491.7\u00a0°R')
  expect(formatCompound(2.45e6, 'J/kg', 'mixed')).toBe('2\u202f450\u00a0kJ/kg')
  expect(formatCompound(40.7458, 'L/m²', 'mixed')).toBe('1\u00a0gal/ft²')
  expect(formatCompound(12.5, 'days', 'us')).toBe('12.5\u00a0days')
  expect(formatCompound(3, '', 'us')).toBe('3')
  expect(formatCompound(0.3, '/kg', 'us')).toBe('0.1361/lb')
  expect(formatCompound(0, 'kg', 'metric')).toBe('0\u00a0kg')
})

test('materials of mass beside water: volume, weight, depth of a day’s wave, a kWh kept at the list’s prices', () => {
  const rows = massMaterials(DEMOS[0]!)
  const of = (name: RegExp) => rows.find(r => name.test(r.name))!
  const [barrels, concrete, soil] = [of(/barrels/), of(/^Concrete$/), of(/soil/)]
  expect(barrels).toMatchObject({ byVolume: 1, byWeight: 1, depthM: null, m3: 0.2 })
  // By hand: 2200 · 1000 over 1000 · 4186; √(1.65/2.2e6 · 86400/π).
  expect(concrete.byVolume).toBeCloseTo(0.525, 2)
  expect(concrete.depthM).toBeCloseTo(0.1436, 3)
  expect(concrete.kg).toBeCloseTo(concrete.m3 * 2200, 6)
  // A barrel of 25 gives 1.16 kWh as it falls by five.
  expect(barrels.perKWh / barrels.cost).toBeCloseTo(1 / 1.163, 2)
  expect(soil.perKWh).toBeLessThan(concrete.perKWh)
  const dear = massMaterials(patchDesign(DEMOS[0]!, withPrice(DEMOS[0]!, 'material.concrete', 440)))
  expect(dear.find(r => r.name === 'Concrete')!.cost).toBeCloseTo(2 * concrete.cost, 6)
})
