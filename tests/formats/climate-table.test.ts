import fc from 'fast-check'
import { MONTH_DAYS, MONTH_NAMES } from '../../core/climate/types'
import { climateFaults } from '../../core/design/fields/climate'
import { parseClimateTable } from '../../formats/climate-table'

const LOW = [-8.2, -6.9, -2.6, 1.8, 6.4, 10.1, 11.8, 11.4, 7.6, 3.1, -1.9, -6.3]
const HIGH = [0.4, 3.6, 9.1, 14.3, 19.2, 22.8, 25.1, 24.4, 19.6, 13.3, 5.8, 0.9]
const f = (c: number) => Math.round((c * 1.8 + 32) * 10) / 10
const minus = (v: number) => String(v).replace('-', '−')
const HEADS = ['Month', ...MONTH_NAMES.map(n => n.slice(0, 3)), 'Year']

function read(text: string, unit: 'C' | 'F' = 'C') {
  const table = parseClimateTable(text, unit)
  if (!table.ok) throw new Error(table.message)
  return table
}

/** As a browser copies a table whose cells hold two units, one under the other. */
const webPage = [
  HEADS.join('\t'),
  `Record high °C (°F)\t${HIGH.map(h => `${h + 14}\n(${f(h + 14)})`).join('\t')}\t39.1\n(102.4)`,
  `Mean daily maximum °C (°F)\t${HIGH.map(h => `${minus(h)}\n(${f(h)})`).join('\t')}\t13.2\n(55.8)`,
  `Daily mean °C (°F)\t${LOW.map((l, m) => `${minus((l + HIGH[m]!) / 2)}\n(9)`).join('\t')}\t8\n(46)`,
  `Mean daily minimum °C (°F)\t${LOW.map(l => `${minus(l)}\n(${f(l)})`).join('\t')}\t2.2\n(36)`,
  `Record low °C (°F)\t${LOW.map(l => `${minus(l - 16)}\n(${f(l - 16)})`).join('\t')}\t−24.2\n(−11.6)`,
  `Average precipitation mm (inches)\t${LOW.map(() => '45\n(1.8)').join('\t')}\t540\n(21)`,
  `Average relative humidity (%)\t${LOW.map(() => '72').join('\t')}\t72`,
  `Mean monthly sunshine hours\t${MONTH_DAYS.map(d => String(d * 5)).join('\t')}\t1825`,
].join('\n')

test('as a browser copies it: two units to a cell, a year’s column, records, humidity, sunshine', () => {
  const { climate, took } = read(webPage)
  expect(climate.lowC).toEqual(LOW)
  expect(climate.highC).toEqual(HIGH)
  expect(climate.designLowC).toBeCloseTo(-24.2, 6)
  expect(climate.designHighC).toBeCloseTo(39.1, 6)
  expect(climate.humidity).toEqual(new Array(12).fill(0.72))
  expect(climate.sunshineH).toEqual(new Array(12).fill(5))
  expect(climate.snowDays).toBeUndefined()
  expect(took).toContain('sunshine')
  expect(climateFaults(climate)).toEqual([])
})

test('Fahrenheit first, or as the reader’s unit', () => {
  const swapped = [
    `Average high °F (°C)\t${HIGH.map(h => `${f(h)} (${h})`).join('\t')}`,
    `Average low °F (°C)\t${LOW.map(l => `${f(l)} (${l})`).join('\t')}`,
  ].join('\n')
  for (const [text, unit] of [
    [swapped, 'C'],
    [`High\t${HIGH.map(f).join('\t')}\nLow\t${LOW.map(f).join('\t')}`, 'F'],
  ] as const) {
    const { climate } = read(text, unit)
    climate.lowC.forEach((v, m) => expect(v).toBeCloseTo(LOW[m]!, 1))
    climate.highC.forEach((v, m) => expect(v).toBeCloseTo(HIGH[m]!, 1))
  }
})

test('months down the rows, with headings and a line for the year', () => {
  const rows = MONTH_NAMES.map((n, m) => `${n}\t${HIGH[m]}\t${LOW[m]}\t${MONTH_DAYS[m]! * 4}\t11.9 km/h`)
  const text = ['Month\tAvg. high (°C)\tAvg. low (°C)\tSunshine hours\tRain', ...rows, 'Year\t13\t2\t1460\t12'].join(
    '\n',
  )
  const { climate } = read(text)
  expect(climate).toMatchObject({ lowC: LOW, highC: HIGH, sunshineH: new Array(12).fill(4) })
})

test('a table written with bars, and one with single blanks', () => {
  const bars = [
    `| | ${MONTH_NAMES.join(' | ')} |`,
    `|---|${'---|'.repeat(12)}`,
    `| Mean low | ${LOW.join(' | ')} |`,
    `| Mean high | ${HIGH.join(' | ')} |`,
    `| Wind, km/h | ${LOW.map(() => '18').join(' | ')} |`,
  ].join('\n')
  expect(read(bars).climate).toMatchObject({ lowC: LOW, highC: HIGH, windMs: new Array(12).fill(5) })
  const blanks = `Average high ${HIGH.join(' ')} 13.2\nAverage low ${LOW.join(' ')} 2.2`
  expect(read(blanks).climate).toMatchObject({ lowC: LOW, highC: HIGH })
})

test('a label on a line of its own, above its numbers', () => {
  const { climate } = read(`Mean daily maximum\n${HIGH.join('\t')}\nMean daily minimum\n${LOW.join('\t')}`)
  expect(climate).toMatchObject({ lowC: LOW, highC: HIGH })
})

test('what most winters bring goes before a record', () => {
  const { climate } = read(
    `High\t${HIGH.join('\t')}\nLow\t${LOW.join('\t')}\nRecord low\t${LOW.map(l => l - 22).join('\t')}\n` +
      `Mean minimum\t${LOW.map(l => l - 7).join('\t')}\t-17.5`,
  )
  expect(climate.meanYearlyLowC).toBe(-17.5)
  expect(climate.designLowC).toBeUndefined()
})

test('radiation in kWh a day, MJ or W comes to the same', () => {
  const kwh = LOW.map((_, m) => 1 + m / 4)
  const of = (label: string, each: number) =>
    read(`High\t${HIGH.join('\t')}\nLow\t${LOW.join('\t')}\n${label}\t${kwh.map(v => v * each).join('\t')}`).climate
      .globalJm2!
  const want = kwh.map(v => v * 3.6e6)
  for (const [label, each] of [
    ['Solar radiation, kWh/m² a day', 1],
    ['Radiation, MJ/m²', 3.6],
    ['Radiation, W/m²', 1000 / 24],
  ] as const)
    of(label, each).forEach((v, m) => expect(v / want[m]!).toBeCloseTo(1, 6))
})

test.each([
  ['highs alone', `High\t${HIGH.join('\t')}`, /Found daily highs; the mean daily lows are needed/],
  [
    'a low over its high',
    `High\t${HIGH.join('\t')}\nLow\t${LOW.map((l, m) => (m === 3 ? 30 : l)).join('\t')}`,
    /April/,
  ],
  ['nothing', '', /Nothing/],
])('%s: a sentence', (_, text, message) => {
  expect(parseClimateTable(text, 'C')).toMatchObject({ ok: false, message: expect.stringMatching(message) })
})

test('no text makes it throw, and what it takes is a sound climate', () => {
  const cell = fc.oneof(
    fc.double({ min: -60, max: 60, noNaN: true }).map(v => v.toFixed(1)),
    fc.constant('—'),
    fc.string(),
  )
  const line = fc
    .tuple(
      fc.constantFrom('High', 'Low °F', 'Record low', 'Sunshine', 'Jan', 'Wind mph', ''),
      fc.array(cell, { maxLength: 14 }),
    )
    .map(([label, cells]) => [label, ...cells].join('\t'))
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.array(line, { maxLength: 14 }).map(l => l.join('\n')),
      ),
      text => {
        const table = parseClimateTable(text, 'C')
        if (table.ok) expect(climateFaults(table.climate)).toEqual([])
        else expect(table.message).not.toBe('')
      },
    ),
    { numRuns: 1500 },
  )
})
