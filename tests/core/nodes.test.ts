import { DEMOS, type Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeModel } from '../../core/network/lay-model'
import { makeStepper } from '../../core/network/own-loop'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { glazingSnow } from '../../core/optics/snow'
import { unheated } from '../added'
import { hourly as engine } from '../shared/years'

const demo: Design = unheated(DEMOS[0]!)
const site = engine.site(demo)

test(
  'every inner node of walls, mass and water closes at every step: what it stores is what its ' +
    'neighbours passed it',
  () => {
    const building = makeBuilding(demo)
    const m = makeModel(demo, site, building, makeSolarGains(site, building, makeLightTable(demo, building)))
    const stepper = makeStepper(m, site)
    const before = new Float64Array(stepper.cells.length)
    let worst = 0
    let seen = 0
    for (let h = 24 * 10; h < 24 * 14; h++) {
      stepper.prepareHour(h, 900)
      for (let s = 0; s < 4; s++) {
        before.set(stepper.cells)
        stepper.step(900)
        for (let c = 0; c < m.count; c++) {
          // Ground cells also pass heat sideways, panes take in sun: those stand in the ledger of the whole.
          if (m.glazed[c] || m.tie[c] === 1) continue
          const first = m.offset[c]! + (m.waterKg[c]! > 0 ? 0 : 1)
          for (let i = first; i < m.offset[c + 1]! - 1; i++) {
            const T = stepper.cells
            const left = i > m.offset[c]! ? m.between[i - 1]! * (T[i - 1]! - T[i]!) : 0
            const stored = (m.capacity[i]! * (T[i]! - before[i]!)) / 900
            worst = Math.max(worst, Math.abs(left + m.between[i]! * (T[i + 1]! - T[i]!) - stored))
            seen++
          }
        }
      }
      stepper.endHour()
    }
    expect(seen).toBeGreaterThan(2000)
    // Watts, of thousands that pass.
    expect(worst).toBeLessThan(1e-6)
  },
)

test('the whole closes hour by hour, not only over the year', () => {
  const building = makeBuilding(demo)
  const m = makeModel(demo, site, building, makeSolarGains(site, building, makeLightTable(demo, building)))
  const stepper = makeStepper(m, site)
  const open: number[] = []
  for (let h = 0; h < 24 * 20; h++) {
    const before = stepper.heatContentJ()
    stepper.prepareHour(h, 900)
    for (let s = 0; s < 4; s++) stepper.step(900)
    stepper.endHour()
    const gained = stepper.gainedJ.reduce((a, b) => a + b, 0)
    const lost = stepper.lostJ.reduce((a, b) => a + b, 0)
    stepper.clearTally()
    if (h > 0) open.push(Math.abs(stepper.heatContentJ() - before - gained + lost) / 3600)
  }
  // Mean power that no line of the ledger has, W.
  expect(open.reduce((a, b) => a + b, 0) / open.length).toBeLessThan(0.5)
})

test(
  'snow on glass: a fall covers it, steep glass sheds it within hours, flat glass keeps it through ' +
    'frost, warmth takes it',
  () => {
    const year = (warmFrom: number) => ({
      snowM: Float32Array.from({ length: 8760 }, (_, h) => (h >= 100 ? 0.1 : 0)),
      dryBulbC: Float32Array.from({ length: 8760 }, (_, h) => (h >= warmFrom ? 4 : -5)),
      globalWm2: new Float32Array(8760),
    })
    const flat = glazingSnow(year(9999), 10)
    const steep = glazingSnow(year(9999), 55)
    expect(flat[99]).toBe(0)
    expect(flat[100]).toBeGreaterThan(0.8)
    expect(flat[160]).toBeGreaterThan(0.8)
    expect(steep[106]).toBeLessThan(0.05)
    expect(glazingSnow(year(120), 10)[140]).toBeLessThan(0.05)
    for (const v of flat) expect(v >= 0 && v <= 0.9).toBe(true)
  },
)

test('a snowy winter: brighter ground lights upright glass, snow lies on flat glass', () => {
  if (demo.site.climate.kind !== 'normals') throw new Error('the demo has normals')
  const snowy: Design = {
    ...demo,
    site: { ...demo.site, climate: { ...demo.site.climate, snowDays: [31, 28, 31, 0, 0, 0, 0, 0, 0, 0, 0, 31] } },
  }
  const winter = (design: Design) => {
    const { gains, answers } = engine.run(design)
    const ends = gains.panes
      .find(p => p.id === 'east end glazing')!
      .watts.subarray(24 * 10, 24 * 59)
      .reduce((a, b) => a + b, 0)
    return { ends, summer: answers.months[6]!.dli }
  }
  const white = winter(snowy)
  const bare = winter(demo)
  expect(white.ends).toBeGreaterThan(1.1 * bare.ends)
  expect(white.summer).toBeCloseTo(bare.summer, 2)
  // The same sky on glazing that lies nearly flat: snow takes most of a January's light.
  const covered = glazingSnow(engine.site(snowy), 12).subarray(0, 744)
  expect(covered.reduce((a, b) => a + b, 0) / 744).toBeGreaterThan(0.2)
})
