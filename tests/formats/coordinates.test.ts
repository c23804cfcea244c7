import fc from 'fast-check'
import { formatCoordinates, readCoordinates } from '../../formats/coordinates'

test.each<[string, number, number]>([
  ['47.4, 14.9', 47.4, 14.9],
  ['47.4 14.9', 47.4, 14.9],
  ['-46.2,-70.4', -46.2, -70.4],
  ['−46.2; −70.4', -46.2, -70.4],
  ['47,4; 14,9', 47.4, 14.9],
  ['47°24′N 14°54′E', 47.4, 14.9],
  ['47° 24\' 0" N, 14° 54\' 0" E', 47.4, 14.9],
  ['N47 24.0 E14 54.0', 47.4, 14.9],
  ['14.9E 47.4N', 47.4, 14.9],
  ["46°12'S 70°24'W", -46.2, -70.4],
  ['S46.2 W70.4', -46.2, -70.4],
  ['47 24 0 14 54 0', 47.4, 14.9],
  ['47 24 14 54', 47.4, 14.9],
])('%s', (text, lat, lon) => {
  const got = readCoordinates(text)
  if (!got.ok) throw new Error(got.message)
  expect(got.coordinates.latitudeDeg).toBeCloseTo(lat, 6)
  expect(got.coordinates.longitudeDeg).toBeCloseTo(lon, 6)
})

test.each<[string, RegExp]>([
  ['', /nothing/],
  ['47.4', /two angles/],
  ['97, 14', /latitude is 97/],
  ['47, 190', /longitude is 190/],
  ['47N 14N', /same axis/],
  ['here there', /not an angle/],
  ['47°70′N 14°E', /60 or more/],
  ['-47S, 14', /both a minus and a letter/],
])('%s is refused with the reason', (text, reason) => {
  const got = readCoordinates(text)
  expect(got.ok ? 'taken' : got.message).toMatch(reason)
})

test('what is written is read back, to a few metres', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -90, max: 90, noNaN: true }),
      fc.double({ min: -180, max: 180, noNaN: true }),
      (latitudeDeg, longitudeDeg) => {
        for (const text of [
          formatCoordinates({ latitudeDeg, longitudeDeg }),
          `${latitudeDeg.toFixed(5)}, ${longitudeDeg.toFixed(5)}`,
        ]) {
          const got = readCoordinates(text)
          if (!got.ok) throw new Error(`${text}: ${got.message}`)
          expect(Math.abs(got.coordinates.latitudeDeg - latitudeDeg)).toBeLessThan(2e-5)
          expect(Math.abs(got.coordinates.longitudeDeg - longitudeDeg)).toBeLessThan(2e-5)
        }
      },
    ),
  )
})

test('whatever is typed, it answers', () => {
  fc.assert(
    fc.property(fc.oneof(fc.string({ maxLength: 100 }), fc.stringMatching(/^[0-9NSEW°'", .;-]{0,30}$/)), text => {
      const got = readCoordinates(text)
      if (got.ok)
        expect(Math.abs(got.coordinates.latitudeDeg) <= 90 && Math.abs(got.coordinates.longitudeDeg) <= 180).toBe(true)
      else expect(got.message.length).toBeGreaterThan(20)
    }),
    { numRuns: 3000 },
  )
})
