import { DAYS, makeSiteYear, yearStartUtc } from '../../core/climate'
import { makeSunYear } from '../../core/climate/sun-year'
import { DEMOS, type Design } from '../../core/design'
import { coverDrawn } from '../../core/network/schedule'
import { sunDay } from '../../core/sun'

const demo = DEMOS[0]!
const at = (latitudeDeg: number, longitudeDeg = 14.9, timeZone = 'Europe/Vienna') => {
  const climate = demo.site.climate
  if (climate.kind !== 'normals') throw new Error('demo climates are normals')
  return makeSiteYear({ ...demo.site, latitudeDeg, longitudeDeg, timeZone, climate })
}
const cover = (patch: Partial<Design['skin']['cover']>): Design['skin']['cover'] => ({
  ...demo.skin.cover,
  id: 'quilt',
  afterSunsetH: 0,
  afterSunriseH: 0,
  onlyBelowC: 40,
  ...patch,
})

test.each([
  [47.4, 14.9, 'Europe/Vienna'],
  [-46.2, -70.4, 'America/Argentina/Buenos_Aires'],
  [12, 100, 'Asia/Bangkok'],
])('at %d° the cover is open from sunrise to sunset on every day of the year', (lat, lon, zone) => {
  const site = at(lat, lon, zone)
  const drawn = coverDrawn(site, cover({}))
  for (let d = 0; d < DAYS; d++) {
    const open = 24 - drawn.subarray(d * 24, d * 24 + 24).reduce((s, v) => s + v, 0)
    const day = sunDay(yearStartUtc(site.standardOffsetH) + d * 86400000 + 43200000, lat, lon)
    expect(Math.abs(open - day.dayLengthH)).toBeLessThan(0.1)
    // It is never drawn in an hour of full sun.
    for (let k = 0; k < 24; k++) if (site.sunAltitudeDeg[d * 24 + k]! > 12) expect(drawn[d * 24 + k]).toBe(0)
  }
})

test('later opening and closing shift its hours; a warm night leaves it open; no cover is never drawn', () => {
  const site = at(47.4)
  const sum = (c: Design['skin']['cover']) => coverDrawn(site, c).reduce((s, v) => s + v, 0)
  const plain = sum(cover({}))
  expect(sum(cover({ afterSunriseH: 1 }))).toBeCloseTo(plain + 365, 0)
  expect(sum(cover({ afterSunsetH: 1 }))).toBeCloseTo(plain - 365, 0)
  expect(sum(cover({ onlyBelowC: 5 }))).toBeLessThan(plain * 0.8)
  expect(sum(cover({ id: 'none' }))).toBe(0)
  const drawn = coverDrawn(site, cover({ onlyBelowC: 0 }))
  drawn.forEach((v, h) => {
    if (site.dryBulbC[h]! >= 0) expect(v).toBe(0)
  })
})

test('polar night keeps it drawn, polar day open', () => {
  const site = at(72, 25, 'Europe/Oslo')
  const drawn = coverDrawn(site, cover({ onlyBelowC: 60 }))
  expect(drawn.subarray(0, 24).every(v => v === 1)).toBe(true)
  expect(drawn.subarray(172 * 24, 173 * 24).every(v => v === 0)).toBe(true)
})

test('the sun’s hours add up to the day’s length, and noon is where the sun stands highest', () => {
  for (const [lat, lon, offset] of [
    [47.4, 14.9, 1],
    [-46.2, -70.4, -3],
    [58, 25, 2],
  ] as const) {
    const sun = makeSunYear(lat, lon, offset)
    for (let d = 0; d < DAYS; d += 3) {
      const up = sun.upShare.subarray(d * 24, d * 24 + 24).reduce((s, v) => s + v, 0)
      const day = sunDay(yearStartUtc(offset) + d * 86400000 + 43200000, lat, lon)
      // Minutes in which only refraction shows the sun are left out: more of them the further from the equator.
      expect(Math.abs(up - day.dayLengthH)).toBeLessThan(0.45)
      const altitudes = [...sun.altitudeDeg.subarray(d * 24, d * 24 + 24)]
      expect(Math.abs(altitudes.indexOf(Math.max(...altitudes)) + 0.5 - sun.noonH[d]!)).toBeLessThanOrEqual(0.6)
    }
  }
})
