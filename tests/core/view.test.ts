import { DEMOS, type Design, type HourlyClimate } from '../../core/design'
import { unpackHourly } from '../../core/climate/hourly'
import { nightLosses } from '../../core/answers'
import { emptySeries, LOSS_NAMES } from '../../core/network/series'
import { noonOf, yearView } from '../../core/view'
import { readEpw } from '../../formats/epw'
import { sectionRays } from '../../app/composables/useSectionRays'
import { makeSectionScale } from '../../app/composables/useSectionScale'
import { makeOutline } from '../../core/geometry/section'
import { epwText } from '../formats/epw-file'
import { engine } from '../shared/years'

const demo = DEMOS[0]!
const view = yearView(demo, engine.run(demo))

test('the view has the design days, the frost depth and whole years of hours', () => {
  expect(view.cold.noonAltitudeDeg).toBeLessThan(view.hot.noonAltitudeDeg - 30)
  expect(view.frostDepthM).toBeGreaterThan(0.2)
  expect(view.frostDepthM).toBeLessThan(1.2)
  for (const series of Object.values(view.hours)) expect(series).toHaveLength(8760)
  const midsummer = noonOf(view, 171)
  expect(midsummer.noonAltitudeDeg).toBeCloseTo(90 - 47.4 + 23.44, 1)
  expect(midsummer.noonAzimuthDeg).toBeCloseTo(180, 0)
  // Vienna's clock is close to its sun: noon near 12:02 less the equation of time.
  expect(midsummer.noonClockH).toBeCloseTo(12.03, 1)
})

test('rays: the design days by default, the chosen hour of a chosen day, none when the sun is down', () => {
  const both = sectionRays(demo, view, null, 12)
  expect(both.map(r => r.kind)).toEqual(['hot', 'cold'])
  // Turned 8° from the noon sun, the section shows a slightly steeper ray than the altitude.
  expect(both[1]!.profileDeg!).toBeGreaterThan(both[1]!.altitudeDeg)
  expect(both[1]!.profileDeg!).toBeLessThan(both[1]!.altitudeDeg + 1)
  const morning = sectionRays(demo, view, 22, 9)[0]!
  expect(morning.label).toMatch(/^\d+\.\d° at 09:30, 23 January$/)
  const night = sectionRays(demo, view, 22, 2)[0]!
  expect(night.profileDeg).toBeNull()
  expect(night.label).toMatch(/sun down/)
  expect(sectionRays(demo, null, null, 12)).toEqual([])
})

test('the scale fits any section into any picture, goes there and back, and stands still while it is held', () => {
  for (const [w, h] of [
    [816, 420],
    [390, 320],
    [1500, 900],
  ] as const) {
    for (const shape of [
      demo.shape,
      { ...demo.shape, widthM: 20, ridgeAtM: 15 },
      { ...demo.shape, ridgeHeightM: 12 },
    ]) {
      const outline = makeOutline(shape)
      const scale = makeSectionScale(outline, w, h, null)
      expect(scale.x(0)).toBeGreaterThanOrEqual(0)
      expect(scale.x(outline.widthM)).toBeLessThanOrEqual(w)
      expect(scale.y(outline.ridgeHeightM)).toBeGreaterThanOrEqual(0)
      expect(scale.y(0)).toBeLessThan(h)
      expect(scale.toX(scale.x(1.234))).toBeCloseTo(1.234, 9)
      expect(scale.toZ(scale.y(1.234))).toBeCloseTo(1.234, 9)
      expect(makeSectionScale(makeOutline({ ...shape, widthM: 5 }), w, h, scale)).toBe(scale)
      expect(makeSectionScale(outline, w + 10, h, scale)).not.toBe(scale)
    }
  }
})

test('the night’s losses: shares of what left, largest first, gains left out', () => {
  const series = emptySeries({
    bodies: 0,
    beds: 0,
    covers: 1,
    skin: [],
    openings: 0,
    sources: 0,
    airStores: 0,
    fans: 0,
  })
  series.losses[LOSS_NAMES.indexOf('glazing')]!.fill(300)
  series.losses[LOSS_NAMES.indexOf('ground')]!.fill(100)
  series.losses[LOSS_NAMES.indexOf('roof')]!.fill(-50)
  expect(nightLosses(series, 30)).toEqual([
    { name: 'glazing', watts: 300, share: 0.75 },
    { name: 'ground', watts: 100, share: 0.25 },
  ])
  expect(nightLosses(series, 3)[0]!.watts).toBe(300)
})

test('weather in the document and weather handed in give the same year', () => {
  const read = readEpw(epwText(), 'a.epw')
  if (!read.ok) throw new Error(read.message)
  const climate: HourlyClimate = read.epw.climate
  const inside: Design = { ...demo, site: { ...demo.site, climate } }
  const a = engine.run(inside).answers
  const b = engine.run(demo, { weather: unpackHourly(climate) }).answers
  expect(a.coldestNight).toEqual(b.coldestNight)
  expect(a.ledger).toEqual(b.ledger)
  // Another file in the same engine is not mistaken for the first.
  engine.run(inside)
  const colder: Design = {
    ...demo,
    site: {
      ...demo.site,
      climate: {
        ...climate,
        dryBulbC: climate.dryBulbC.map(t => t - 10),
        dewPointC: climate.dewPointC.map(t => t - 10),
      },
    },
  }
  expect(engine.run(colder).answers.coldestNight.outsideC).toBeLessThan(a.coldestNight.outsideC - 5)
})
