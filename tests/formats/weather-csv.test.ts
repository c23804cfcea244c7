import fc from 'fast-check'
import { guessMapping, readCsvTable, readWeatherCsv, type CsvMapping } from '../../formats/weather-csv'

const site = { latitudeDeg: 47.4, longitudeDeg: 14.9, standardOffsetH: 1, elevationM: 640 }
const two = (n: number) => String(n).padStart(2, '0')
const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

/** A year of rows: time, temperature, humidity, global. */
function rows(edit: (h: number, row: string[]) => string[] | null = (_, r) => r, separator = ','): string {
  const out = [['time', 'temp C', 'RH %', 'GHI W/m2'].join(separator)]
  let h = 0
  DAYS.forEach((days, m) => {
    for (let d = 1; d <= days; d++) {
      for (let k = 0; k < 24; k++) {
        const row = edit(h, [
          `2027-${two(m + 1)}-${two(d)} ${two(k)}:00`,
          String(5 + 10 * Math.sin(h / 1400)),
          '70',
          k > 8 && k < 16 ? '200' : '0',
        ])
        if (row) out.push(row.join(separator))
        h++
      }
    }
  })
  return out.join('\n')
}

function read(text: string, mapping?: CsvMapping) {
  const table = readCsvTable(text)
  if (!table.ok) return table
  return readWeatherCsv(table.table, mapping ?? guessMapping(table.table.heading), site, 'logger.csv')
}

test('a logger’s year is read: columns guessed by their words, the rest completed and said', () => {
  const got = read(rows())
  if (!got.ok) throw new Error(got.message)
  expect(got.climate.dryBulbC).toHaveLength(8760)
  expect(got.climate.globalWm2[12]).toBe(200)
  expect(got.climate.beamWm2.every(v => v >= 0)).toBe(true)
  expect(got.climate.dewPointC[0]!).toBeLessThan(got.climate.dryBulbC[0]!)
  expect(got.climate.notes.join(' ')).toMatch(/breeze/)
})

test('semicolons with decimal commas, a byte-order mark, rows without a heading, dates the other way round', () => {
  const turned = (time: string) => `${time.slice(8, 10)}.${time.slice(5, 7)}.2027 ${time.slice(11)}`
  const swapped = `\uFEFF${rows((_, [time, t, rh, g]) => [turned(time!), t!.replace('.', ','), rh!, g!], ';')}`
  expect(read(swapped).ok).toBe(true)
  const bare = rows()
    .split('\n')
    .slice(1)
    .map(r => r.split(',').slice(1).join(','))
    .join('\n')
  expect(read(bare, { dryBulbC: 0, humidity: 1, globalWm2: 2 }).ok).toBe(true)
})

test('gaps up to six hours are crossed and counted; a longer one is refused with its place', () => {
  const gap = (from: number, hours: number) => rows((h, r) => (h >= from && h < from + hours ? null : r))
  const six = read(gap(1000, 6))
  expect(six.ok && six.climate.notes.join(' ')).toMatch(/6 missing hours of air temperature/)
  const seven = read(gap(1000, 7))
  expect(seven).toMatchObject({
    ok: false,
    message: expect.stringMatching(/missing for 7 hours from day 42 .* after line 1001/),
  })
  expect(read(rows((h, r) => (h === 50 ? [r[0]!, 'NaN', r[2]!, r[3]!] : r))).ok).toBe(true)
})

test.each<[string, string, RegExp]>([
  [
    'a word for a number',
    rows((h, r) => (h === 9 ? [r[0]!, 'warm', r[2]!, r[3]!] : r)),
    /Line 11: the air temperature, °C “warm” is not a number/,
  ],
  [
    'a number out of range',
    rows((h, r) => (h === 9 ? [r[0]!, '99', r[2]!, r[3]!] : r)),
    /Line 11: the air temperature, °C is 99; allowed is -70 to 70/,
  ],
  [
    'an hour twice',
    rows((h, r) => (h === 9 ? ['2027-01-01 08:00', ...r.slice(1)] : r)),
    /Line 11 stands for the same hour as line 10/,
  ],
  ['no date', rows((h, r) => (h === 9 ? ['yesterday', ...r.slice(1)] : r)), /Line 11: “yesterday” is not a date/],
  ['half a year', rows((h, r) => (h < 4000 ? r : null)), /full year/],
  ['no table', 'hello', /no table/],
])('%s: a sentence with its place', (_, text, message) => {
  const got = read(text)
  expect(got.ok ? '' : got.message).toMatch(message)
})

test('a leap year’s 29 February is left out; too many rows without dates are refused', () => {
  const leap = rows().split('\n')
  leap.splice(1 + 59 * 24, 0, ...Array.from({ length: 24 }, (_, k) => `2028-02-29 ${two(k)}:00,3,70,0`))
  expect(read(leap.join('\n')).ok).toBe(true)
  expect(
    read(
      leap
        .slice(1)
        .map(r => r.split(',').slice(1).join(','))
        .join('\n'),
      { dryBulbC: 0, globalWm2: 2 },
    ),
  ).toMatchObject({ ok: false, message: expect.stringMatching(/more than 8760/) })
  expect(read(rows(), { dryBulbC: 1 })).toMatchObject({
    ok: false,
    message: expect.stringMatching(/No column is chosen for global/),
  })
})

test('whatever text it is given, it answers: 10 000 cases', () => {
  const cell = fc.oneof(
    fc.string({ maxLength: 12 }),
    fc.double().map(String),
    fc.constantFrom('NaN', '', '2027-01-01 00:00', '-999', '1,5', '";'),
  )
  const table = fc
    .array(fc.array(cell, { maxLength: 6 }), { maxLength: 8 })
    .map(r => r.map(c => c.join(',')).join('\n'))
  fc.assert(
    fc.property(
      fc.oneof(table, fc.string({ maxLength: 200 })),
      fc.record({ dryBulbC: fc.nat(4), globalWm2: fc.nat(4), time: fc.option(fc.nat(4), { nil: undefined }) }),
      (text, mapping) => {
        const got = read(text, mapping)
        if (!got.ok) expect(got.message.length).toBeGreaterThan(10)
      },
    ),
    { numRuns: 10000 },
  )
})
