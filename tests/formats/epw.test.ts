import fc from 'fast-check'
import { readEpw } from '../../formats/epw'
import { DEMOS } from '../../core/design'
import { designFaults } from '../../core/editing'
import { epwText } from './epw-file'

const read = (text: string) => readEpw(text, 'test.epw')
const refused = (text: string) => {
  const r = read(text)
  if (r.ok) throw new Error('was taken')
  return r.message
}
const taken = (text: string) => {
  const r = read(text)
  if (!r.ok) throw new Error(r.message)
  return r.epw
}

test('a year of 8760 rows with its place', () => {
  const epw = taken(epwText())
  expect(epw).toMatchObject({
    place: 'Testfield',
    latitudeDeg: 47,
    longitudeDeg: 15,
    standardOffsetH: 1,
    elevationM: 500,
  })
  expect(epw.climate.dryBulbC).toHaveLength(8760)
  expect(epw.climate.dryBulbC[0]).toBeCloseTo(10 - 12 + 5 * Math.sin((2 * Math.PI * (1 - 9)) / 24), 1)
  expect(epw.climate.notes).toEqual([])
  const design = { ...DEMOS[0]!, site: { ...DEMOS[0]!.site, climate: epw.climate } }
  expect(designFaults(design)).toEqual([])
})

test('a leap year loses its leap day and says so', () => {
  const epw = taken(epwText({ leap: true }))
  expect(epw.climate.dryBulbC).toHaveLength(8760)
  expect(epw.climate.notes.join()).toMatch(/leap day/)
})

test('missing codes are filled and told', () => {
  const epw = taken(
    epwText({
      change: (c, h) => {
        if (h >= 100 && h < 104) c[6] = '99.9'
        c[7] = '99.9'
        c[9] = '999999'
        c[12] = '9999'
        c[14] = '9999'
        c[21] = '999'
        return c
      },
    }),
  )
  const { climate } = epw
  expect(climate.notes.join(' ')).toMatch(/4 missing hours of temperature/)
  expect(climate.notes.join(' ')).toMatch(/dew point/)
  expect(climate.dryBulbC[101]!).toBeGreaterThan(Math.min(climate.dryBulbC[99]!, climate.dryBulbC[104]!) - 0.01)
  expect(climate.pressurePa[0]).toBeCloseTo(95461, -2)
  expect(climate.skyInfraredWm2[0]!).toBeGreaterThan(150)
  expect(climate.windMs[5]).toBe(2.5)
  expect(climate.dewPointC.every((v, h) => v <= climate.dryBulbC[h]!)).toBe(true)
})

test.each([
  ['truncated', epwText().slice(0, 400000), /fields|hourly rows/],
  ['truncated at a line', epwText().split('\r\n').slice(0, 5000).join('\r\n'), /There are 4992 hourly rows/],
  ['not a weather file', 'hello\nworld', /Line 1/],
  ['no rows', epwText().split('\r\n').slice(0, 8).join('\n'), /no rows/],
  [
    'a bad number',
    epwText({ change: (c, h) => (h === 20 ? c.map((v, i) => (i === 6 ? 'warm' : v)) : c) }),
    /Line 29: the dry bulb “warm”/,
  ],
  [
    'an impossible value',
    epwText({ change: (c, h) => (h === 0 ? c.map((v, i) => (i === 6 ? '75' : v)) : c) }),
    /Line 9: the dry bulb is 75/,
  ],
  ['an hour left out', epwText({ change: (c, h) => (h === 50 ? null : c) }), /Line 59/],
  [
    'a gap of seven hours',
    epwText({ change: (c, h) => (h >= 10 && h < 17 ? c.map((v, i) => (i === 6 ? '99.9' : v)) : c) }),
    /missing for 7 hours from line 19/,
  ],
  ['a wrong latitude', epwText().replace(',47.0,', ',147.0,'), /latitude/],
  ['an empty time zone', epwText().replace(',1.0,500.0', ',,500.0'), /time zone/],
])('%s: a sentence with its place', (_, text, expected) => {
  expect(refused(text)).toMatch(expected)
})

test('cut anywhere, changed anywhere, it never throws and never lets a bad year through', () => {
  const good = epwText()
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: good.length }),
      fc.integer({ min: 0, max: good.length - 1 }),
      fc.string({ maxLength: 4 }),
      (cut, at, put) => {
        const r = read(good.slice(0, at) + put + good.slice(at + put.length, Math.max(at + put.length, cut)))
        if (r.ok) expect(r.epw.climate.dryBulbC.every(Number.isFinite)).toBe(true)
        else expect(r.message).not.toBe('')
      },
    ),
    { numRuns: 60 },
  )
})
