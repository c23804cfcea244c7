import * as Astronomy from 'astronomy-engine'
import fc from 'fast-check'
import psychrolib from 'psychrolib'
import { humidityRatio, saturationPressurePa, standardPressurePa } from '../../core/climate'
import { dewPointOfRatio } from '../../core/network/moisture'
import { sunPosition } from '../../core/sun'
import { twoNodes } from '../proof/two-nodes'

/** Evenly over a range, in hundredths. */
const even = (min: number, max: number) => fc.integer({ min: min * 100, max: max * 100 }).map(n => n / 100)

test('the sun stands where an independent ephemeris has it, anywhere and in any year from 1960 to 2045', () => {
  const from = Date.UTC(1960, 0, 1)
  const until = Date.UTC(2045, 0, 1)
  let up = 0
  fc.assert(
    fc.property(fc.integer({ min: from, max: until }), even(-66, 66), even(-180, 180), (ms, latitude, longitude) => {
      const own = sunPosition(ms, latitude, longitude)
      const at = new Astronomy.Observer(latitude, longitude, 0)
      const equator = Astronomy.Equator(Astronomy.Body.Sun, new Date(ms), at, true, true)
      const other = Astronomy.Horizon(new Date(ms), at, equator.ra, equator.dec)
      expect(Math.abs(own.altitudeDeg - other.altitude)).toBeLessThan(0.02)
      // Near the zenith all azimuths lie close together.
      const turn = ((own.azimuthDeg - other.azimuth + 540) % 360) - 180
      expect(Math.abs(turn) * Math.cos((own.altitudeDeg * Math.PI) / 180)).toBeLessThan(0.02)
      if (own.altitudeDeg > 0) up++
    }),
    { numRuns: 400 },
  )
  expect(up).toBeGreaterThan(100)
})

test('damp air is as an independent library of psychrometrics has it', () => {
  psychrolib.SetUnitSystem(psychrolib.SI)
  fc.assert(
    fc.property(even(-25, 45), even(0.05, 1), even(0, 3000), (airC, relative, elevationM) => {
      const pressure = standardPressurePa(elevationM)
      expect(pressure / psychrolib.GetStandardAtmPressure(elevationM)).toBeCloseTo(1, 3)
      // The Magnus form is within 0.4 % of the full one.
      expect(saturationPressurePa(airC) / psychrolib.GetSatVapPres(airC)).toBeGreaterThan(0.995)
      expect(saturationPressurePa(airC) / psychrolib.GetSatVapPres(airC)).toBeLessThan(1.005)
      const vapour = relative * psychrolib.GetSatVapPres(airC)
      const ratio = humidityRatio(vapour, pressure)
      expect(ratio / psychrolib.GetHumRatioFromVapPres(vapour, pressure)).toBeCloseTo(1, 3)
      const dew = psychrolib.GetTDewPointFromHumRatio(airC, ratio, pressure)
      expect(Math.abs(dewPointOfRatio(ratio, pressure) - dew)).toBeLessThan(0.1)
    }),
    { numRuns: 300 },
  )
})

test('a house of two nodes cools as its two exponentials say', () => {
  for (const { hour, gotC, exactC } of twoNodes()) {
    expect([hour, Math.abs(gotC - exactC) < 0.02]).toEqual([hour, true])
  }
})
