import fc from 'fast-check'
import { parseNormalsTable } from '../../formats/normals-table'

const LOW = [-8.2, -6.9, -2.6, 1.8, 6.4, 10.1, 11.8, 11.4, 7.6, 3.1, -1.9, -6.3]
const HIGH = [0.4, 3.6, 9.1, 14.3, 19.2, 22.8, 25.1, 24.4, 19.6, 13.3, 5.8, 0.9]
const MONTHS = ['Jan', 'Feb', 'Mär', 'Apr', 'Mai', 'Jun', 'Jul', 'Aug', 'Sep', 'Okt', 'Nov', 'Dez']
const comma = (v: number) => String(v).replace('.', ',')

test.each([
  ['twelve rows, tabs', LOW.map((l, m) => `${l}\t${HIGH[m]}`).join('\n')],
  [
    'twelve rows, tabs, decimal commas, months',
    LOW.map((l, m) => `${MONTHS[m]}\t${comma(l)}\t${comma(HIGH[m]!)}`).join('\r\n'),
  ],
  ['high before low', LOW.map((l, m) => `${HIGH[m]}\t${l}`).join('\n')],
  ['two rows of twelve, tabs', `${LOW.join('\t')}\n${HIGH.join('\t')}`],
  [
    'two rows with headings',
    `\t${MONTHS.join('\t')}\nlow\t${LOW.map(comma).join('\t')}\nhigh\t${HIGH.map(comma).join('\t')}`,
  ],
  ['semicolons and decimal commas', LOW.map((l, m) => `${comma(l)};${comma(HIGH[m]!)}`).join('\n')],
  ['commas and points', LOW.map((l, m) => `${l},${HIGH[m]}`).join('\n')],
  ['commas, points and months', LOW.map((l, m) => `${MONTHS[m]},${l},${HIGH[m]}`).join('\n')],
  ['two rows with commas', `${LOW.join(', ')}\n${HIGH.join(', ')}`],
  ['blanks and decimal commas', LOW.map((l, m) => `${comma(l)} ${comma(HIGH[m]!)}`).join('\n')],
  [
    'blanks, months and true minus signs',
    LOW.map((l, m) => `${MONTHS[m]}  ${String(l).replace('-', '−')}  ${HIGH[m]}`).join('\n'),
  ],
  ['numbered months', LOW.map((l, m) => `${m + 1}\t${l}\t${HIGH[m]}`).join('\n')],
  ['with units', LOW.map((l, m) => `${l} °C\t${HIGH[m]} °C`).join('\n')],
])('%s', (_, text) => {
  expect(parseNormalsTable(text, 'C')).toEqual({ ok: true, lowC: LOW, highC: HIGH })
})

test('Fahrenheit is turned into Celsius', () => {
  const table = parseNormalsTable(LOW.map((l, m) => `${l * 1.8 + 32}\t${HIGH[m]! * 1.8 + 32}`).join('\n'), 'F')
  expect(table).toEqual({ ok: true, lowC: LOW, highC: HIGH })
})

test.each([
  ['nothing', '', /Nothing/],
  ['thirteen months', [...LOW, 3].map((l, m) => `${l}\t${HIGH[m] ?? 9}`).join('\n'), /13 rows/],
  ['eleven in a row', `${LOW.slice(1).join('\t')}\n${HIGH.join('\t')}`, /11 numbers/],
  ['one series', LOW.join('\n'), /two are needed/],
  ['a word for a number', LOW.map((l, m) => `${l}\t${m === 4 ? '1x9' : HIGH[m]}`).join('\n'), /Row 5, column 2/],
  ['low above high', LOW.map((l, m) => `${m === 3 ? 30 : l}\t${HIGH[m]}`).join('\n'), /April/],
  ['too hot to be true', LOW.map((l, m) => `${l}\t${m === 6 ? 251 : HIGH[m]}`).join('\n'), /July/],
  ['a missing cell', LOW.map((l, m) => (m === 2 ? `${l}` : `${l}\t${HIGH[m]}`)).join('\n'), /Row 3/],
])('%s: a sentence with its place', (_, text, expected) => {
  const table = parseNormalsTable(text, 'C')
  expect(table.ok).toBe(false)
  if (!table.ok) expect(table.message).toMatch(expected)
})

test('any sound table comes back, whatever stands between its cells', () => {
  const month = fc.tuple(fc.integer({ min: -400, max: 200 }), fc.integer({ min: 10, max: 300 }))
  fc.assert(
    fc.property(
      fc.array(month, { minLength: 12, maxLength: 12 }),
      fc.constantFrom('\t', ';', '  '),
      fc.boolean(),
      fc.boolean(),
      (months, between, commas, wide) => {
        const low = months.map(([l]) => l / 10)
        const high = months.map(([l, r]) => Math.round(l + r) / 10)
        const text = (v: number) => (commas ? comma(v) : String(v))
        const table = wide
          ? [low, high].map(s => s.map(text).join(between)).join('\n')
          : low.map((l, m) => text(l) + between + text(high[m]!)).join('\n')
        expect(parseNormalsTable(table, 'C')).toEqual({ ok: true, lowC: low, highC: high })
      },
    ),
    { numRuns: 300 },
  )
})

test('no text makes it throw', () => {
  fc.assert(
    fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[-0-9.,;\t\n a-z]*$/)), text => {
      const table = parseNormalsTable(text, 'C')
      if (table.ok) expect(table.lowC).toHaveLength(12)
      else expect(table.message).not.toBe('')
    }),
    { numRuns: 2000 },
  )
})
