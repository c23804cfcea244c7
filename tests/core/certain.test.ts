import Papa from 'papaparse'
import { anAirStore } from '../../core/air-stores/registry'
import { entry, FUELS, woodHeatJkg } from '../../core/catalog'
import { clearestShare, derivedHours, HOURS, vapourAtDewPointPa, type WeatherYear } from '../../core/climate'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { makeBuilding } from '../../core/geometry/surfaces'
import { HEAT_MOVES } from '../../core/moves/heat'
import { groundSlice } from '../../core/network/chains'
import { VAPOUR_PER_HEAT } from '../../core/air/films'
import { designHeatLoss, woodPerWinter } from '../../core/sums'
import { readEpw } from '../../formats/epw'
import { writeEpw } from '../../formats/epw-write'
import { writeHourlyCsv } from '../../formats/hourly-csv'
import { engine } from '../shared/years'

const [ash, ribera, fjellro] = DEMOS as [Design, Design, Design]

test('vapour passes a film a tenth more easily than heat: Le^(−2/3) with Le 0.86', () => {
  expect(VAPOUR_PER_HEAT).toBeGreaterThan(1.09)
  expect(VAPOUR_PER_HEAT).toBeLessThan(1.12)
})

test('a lean-to loses nothing to the ground along its house: 7 + 2 × 3.2 m of edge, none at the last column', () => {
  const slice = groundSlice(fjellro, makeBuilding(fjellro))
  expect(slice.surfaceArea[0]! / slice.outsideWidthsM[0]!).toBeCloseTo(13.4, 6)
  expect(slice.floor[0]!.edgeShare).toBe(1)
  expect(slice.floor.at(-1)!.edgeShare).toBe(0)
  const free = groundSlice(ash, makeBuilding(ash))
  expect([free.floor[0]!.edgeShare, free.floor.at(-1)!.edgeShare]).toEqual([0.5, 0.5])
})

test('what a move brings has its dates by the season of the place', () => {
  const startOf = (d: Design) => {
    const patches = HEAT_MOVES.find(m => m.id === 'compost')!.of(d)!
    return (patches[0]![1] as { kind: string; startDay: number }[]).find(s => s.kind === 'compost')!.startDay
  }
  expect(startOf(ash)).toBe(305)
  expect(startOf(ribera)).toBe((305 + 182) % 365)
})

test('ground is weighed by the mean of the year in the design heat loss: nothing where the inside is under it', () => {
  const parts = [
    { name: 'walls', areaM2: 50, uValue: 0.4 },
    { name: 'ground', areaM2: 30, uValue: 0.5, ground: true },
  ]
  const watts = (insideC: number) => designHeatLoss(parts, 100, 0, insideC, -15, 8).result.watts
  expect(watts(2)).toBeCloseTo(50 * 0.4 * 17, 6)
  // EN 12831-1: 1.45 × (12 − 8) K for the ground.
  expect(watts(12)).toBeCloseTo(50 * 0.4 * 27 + 30 * 0.5 * 1.45 * 4, 6)
})

test('a dew point is over water, both ways: the vapour of a frosty hour, and the humidity that an EPW states', () => {
  // Over water at −10 °C 286.5 Pa (WMO), where ice has 259.9.
  expect(vapourAtDewPointPa(-10)).toBeGreaterThan(285)
  expect(vapourAtDewPointPa(-10)).toBeLessThan(288)
  const flat = (v: number) => new Float32Array(HOURS).fill(v)
  const { humidity } = derivedHours({ skyInfraredWm2: flat(250), dewPointC: flat(-10), pressurePa: flat(101325) })
  expect(humidity[0]!).toBeCloseTo((0.622 * 286.5) / (101325 - 286.5), 4)
  const { site } = engine.run(ash)
  const read = readEpw(writeEpw(ash.site, site), 'ash.epw')
  const text = writeEpw(ash.site, site).split('\n')
  const cold = [...site.dryBulbC.keys()].filter(h => site.dryBulbC[h]! < -5).slice(0, 50)
  for (const h of cold) {
    const cells = text[8 + h]!.split(',')
    const stated = Number(cells[8]) / 100
    expect(Math.abs(stated - vapourAtDewPointPa(Number(cells[7])) / vapourAtDewPointPa(Number(cells[6])))).toBeLessThan(
      0.006,
    )
  }
  expect(read.ok && Math.abs(read.epw.climate.dewPointC[cold[0]!]! - site.dewPointC[cold[0]!]!) < 0.02).toBe(true)
})

test('an earth tube drains what the air that it cools cannot hold, and the ledger stays closed', () => {
  const tube = anAirStore('earth tube', { aboveC: 16, belowC: -60, lengthM: 40 })
  const design = patchDesign(ribera, [
    ['store.airStores', [tube]],
    ['site.climate', { ...(ribera.site.climate as object), humidity: new Array(12).fill(0.9) } as never],
  ])
  const { answers, series } = engine.run(design)
  expect(answers.airStores[0]!.months.reduce((sum, m) => sum + m.condensedKg, 0)).toBeGreaterThan(5)
  expect(Math.abs(answers.ledger.closure)).toBeLessThan(1e-6)
  expect(Math.max(...series.relativeHumidity)).toBeLessThanOrEqual(1)
})

test('no hour is brighter than a very clean, clear sky by the height of the sun', () => {
  // Ineichen & Perez with Linke 2 at sea level: 0.80 from straight above, 0.59 through five times the air.
  expect(clearestShare(90, 101325)).toBeCloseTo(0.803, 2)
  expect(clearestShare(11, 101325)).toBeCloseTo(0.868 * Math.exp(-0.0387 * 2 * 5.12), 1)
  expect(clearestShare(30, 85000)).toBeGreaterThan(clearestShare(30, 101325))
  for (const demo of DEMOS) {
    const { site } = engine.run(demo)
    const over = (year: WeatherYear & { sunAltitudeDeg: Float32Array; extraterrestrialWm2: Float32Array }) =>
      [...year.globalWm2.keys()].reduce((most, h) => {
        const up = Math.sin((year.sunAltitudeDeg[h]! * Math.PI) / 180)
        if (year.sunAltitudeDeg[h]! < 5) return most
        const clear = year.extraterrestrialWm2[h]! * up * clearestShare(year.sunAltitudeDeg[h]!, year.pressurePa[h]!)
        return Math.max(most, year.globalWm2[h]! / clear)
      }, 0)
    expect(over(site)).toBeLessThan(1.02)
  }
})

test('wood of a year has one figure: a kilogram gives the same heat on the bill and in the sum', () => {
  const wood = entry(FUELS, 'wood')
  const usefulJ = 3.6e9
  const { kg } = woodPerWinter(usefulJ, 'beech', 0.2, wood.efficiency).result
  expect(usefulJ / 3.6e6 / wood.efficiency / wood.perUnitKWh).toBeCloseTo(kg, 6)
  expect(wood.perUnitKWh).toBeCloseTo(woodHeatJkg(0.2) / 3.6e6, 9)
})

test('the hours’ table names each column once, and has the lowest and highest within the hour', () => {
  const result = engine.run(patchDesign(ash, [['topUp.sources', ash.topUp.sources.map(s => ({ ...s, on: true }))]]))
  const { data, meta } = Papa.parse<Record<string, string>>(writeHourlyCsv(result), { header: true })
  const names = meta.fields!
  expect(new Set(names).size).toBe(names.length)
  expect(names).toEqual(expect.arrayContaining(['air_lowest_C', 'air_highest_C', 'source_heater_W', 'heater_W']))
  let apart = 0
  for (const row of data.slice(0, HOURS)) {
    const [low, mean, high] = ['air_lowest_C', 'air_C', 'air_highest_C'].map(n => Number(row[n])) as [
      number,
      number,
      number,
    ]
    expect(low).toBeLessThanOrEqual(mean + 0.011)
    expect(high).toBeGreaterThanOrEqual(mean - 0.011)
    if (high - low > 0.1) apart++
  }
  expect(apart).toBeGreaterThan(1000)
})
