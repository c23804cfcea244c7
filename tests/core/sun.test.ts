import fc from 'fast-check'
import { wrap180, wrap360 } from '../../core/sun/position'
import { equationOfTimeMin, profileAngleDeg, sunDay, sunPosition } from '../../core/sun'

const at = (iso: string) => Date.parse(iso)

test(
  'solar noon falls within seventeen minutes of mean noon on every day of the year, and the sun ' +
    'stands on the meridian',
  () => {
    for (const lon of [-170, -70.4, 0, 14.9, 120]) {
      for (let d = 0; d < 365; d += 7) {
        const midday = at('2027-01-01T12:00:00Z') + d * 86400000 - (lon / 15) * 3600000
        const day = sunDay(midday, 47.4, lon)
        expect(Math.abs(day.solarNoonUtc - midday) / 60000).toBeLessThan(17)
        const p = sunPosition(day.solarNoonUtc, 47.4, lon)
        expect(Math.abs(p.azimuthDeg - 180)).toBeLessThan(0.02)
      }
    }
  },
)

test('equation of time: its known extremes', () => {
  expect(equationOfTimeMin(at('2027-02-11T12:00:00Z'))).toBeCloseTo(-14.2, 1)
  expect(equationOfTimeMin(at('2027-11-03T12:00:00Z'))).toBeCloseTo(16.4, 1)
})

test('polar day and night have no sunrise', () => {
  const summer = sunDay(at('2027-06-21T12:00:00Z'), 78, 15)
  const winter = sunDay(at('2027-12-21T12:00:00Z'), 78, 15)
  expect(summer).toMatchObject({ sunriseUtc: null, sunsetUtc: null, dayLengthH: 24 })
  expect(winter).toMatchObject({ sunriseUtc: null, sunsetUtc: null, dayLengthH: 0 })
  expect(sunDay(at('2027-12-21T12:00:00Z'), -78, 15).dayLengthH).toBe(24)
})

test('sunrise and sunset bracket noon and stand 50′ below the horizon', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -60, max: 60, noNaN: true }),
      fc.double({ min: -180, max: 180, noNaN: true }),
      fc.integer({ min: 0, max: 36500 }),
      (lat, lon, d) => {
        const t = at('1950-06-01T00:00:00Z') + d * 86400000
        const day = sunDay(t, lat, lon)
        expect(day.sunriseUtc!).toBeLessThan(day.solarNoonUtc)
        expect(day.sunsetUtc!).toBeGreaterThan(day.solarNoonUtc)
        // The local mean solar day holds the instant that was asked for.
        expect(Math.abs(day.solarNoonUtc - t)).toBeLessThan(12.4 * 3600000)
        expect(sunPosition(day.sunriseUtc!, lat, lon).altitudeDeg).toBeCloseTo(-0.8333, 1)
      },
    ),
    { numRuns: 200 },
  )
})

test('at noon before the sunny side the profile angle is the altitude; from the side it is steeper', () => {
  expect(profileAngleDeg(22, 180, 180)).toBeCloseTo(22, 6)
  expect(profileAngleDeg(22, 240, 180)).toBeGreaterThan(22)
  expect(profileAngleDeg(22, 0, 180)).toBeGreaterThan(90)
})

test('sunrise and sunset: the sun stands at −0.833° then, was lower before and after, anywhere and on any day', () => {
  const place = fc.record({
    day: fc.nat(364),
    latitude: fc.double({ min: -89, max: 89, noNaN: true }),
    longitude: fc.double({ min: -180, max: 180, noNaN: true }),
  })
  let risen = 0
  fc.assert(
    fc.property(place, ({ day, latitude, longitude }) => {
      const sun = sunDay(at('2027-01-01T12:00:00Z') + day * 86400000, latitude, longitude)
      if (sun.sunriseUtc === null || sun.sunsetUtc === null) return
      risen++
      const altitude = (t: number) => sunPosition(t, latitude, longitude).altitudeDeg
      for (const t of [sun.sunriseUtc, sun.sunsetUtc]) expect(Math.abs(altitude(t) + 0.8333)).toBeLessThan(0.01)
      expect(altitude(sun.sunriseUtc - 600000)).toBeLessThan(altitude(sun.sunriseUtc))
      expect(altitude(sun.sunsetUtc + 600000)).toBeLessThan(altitude(sun.sunsetUtc))
      expect(sun.sunriseUtc).toBeLessThan(sun.solarNoonUtc)
      expect(sun.sunsetUtc).toBeGreaterThan(sun.solarNoonUtc)
    }),
    { numRuns: 400 },
  )
  expect(risen).toBeGreaterThan(250)
})

test('angles wrap into their turn, ends included', () => {
  fc.assert(
    fc.property(fc.double({ min: -1e5, max: 1e5, noNaN: true }), deg => {
      const turned = wrap360(deg)
      expect(turned).toBeGreaterThanOrEqual(0)
      expect(turned).toBeLessThan(360)
      expect(Math.cos((turned * Math.PI) / 180)).toBeCloseTo(Math.cos((deg * Math.PI) / 180), 8)
      expect(wrap180(deg)).toBeGreaterThanOrEqual(-180)
      expect(wrap180(deg)).toBeLessThan(180)
    }),
  )
  expect(wrap360(-1e-17)).toBe(0)
  expect(wrap360(720)).toBe(0)
})
