import { readForecast } from '../../formats/forecast-json'
import fc from 'fast-check'
import { guessColumns, type LoggerColumn } from '../../formats/logger/columns'
import { guessDayFirst, guessReading, type LoggerReading } from '../../formats/logger/guess'
import { readLogger, readLoggerFile, type LoggerRead } from '../../formats/logger/read'
import { loggerTable, textOfBytes } from '../../formats/logger/table'
import { dayNumber } from '../../core/plan/calendar'
import { READINGS, type ReadingId } from '../../core/season/log'
import { packBook, emptyBook, unpackBook } from '../../core/season/book'

const VIENNA = 'Europe/Vienna'
function read(text: string, zone: string | number = VIENNA): LoggerRead {
  const found = readLoggerFile(text, zone, 1)
  if (!found.ok) throw new Error(found.message)
  return found.read
}
const hours = (text: string, zone?: string | number) => {
  const { log } = read(text, zone)
  return { at: (iso: string, h: number) => log!.values.insideC[dayNumber(iso) * 24 + h - log!.startH]!, log: log! }
}

describe('columns', () => {
  test('are known by their names, one of each', () => {
    expect(guessColumns(['time', 'inside_C', 'outside_C', 'soil_C', 'water_C', 'rh'])).toEqual([
      'time',
      'insideC',
      'outsideC',
      'soilC',
      'waterC',
      'rh',
    ])
    expect(guessColumns(['date', 'inside_min_C', 'inside_max_C', 'outside_min_C', 'outside_max_C'])).toEqual([
      'time',
      'insideMinC',
      'insideMaxC',
      'outsideMinC',
      'outsideMaxC',
    ])
    expect(guessColumns(['No.', 'Date Time', 'Temp (°F)', 'Humidity (%)', 'Battery'])).toEqual([
      'skip',
      'time',
      'insideC',
      'rh',
      'skip',
    ])
  })

  test('a logger’s lines before its heading are left out, and semicolons with decimal commas read', () => {
    const { at } = hours('Serial;4711\nOwner\nZeit time;Innen inside;x\n2027-01-09 14:00;7,5;1\n2027-01-09 14:30;8,5;1')
    expect(at('2027-01-09', 14)).toBeCloseTo(8, 5)
  })

  test('degrees as the heading says, or as a fever would be', () => {
    const cut = (text: string) => {
      const found = loggerTable(text)
      if (!found.ok) throw new Error(found.message)
      return guessReading(found.table).how.units[1]
    }
    expect(cut('time,inside_F\n2027-01-09 14:00,50')).toBe('F')
    expect(cut('time,inside\n2027-01-09 14:00,50\n2027-01-09 15:00,52')).toBe('F')
    expect(cut('time,inside\n2027-01-09 14:00,12')).toBe('C')
    expect(hours('time,inside (°F)\n2027-01-09 14:00,50').at('2027-01-09', 14)).toBeCloseTo(10, 5)
  })
})

describe('stamps', () => {
  test.each([
    ['2027-01-09 14:10', 14],
    ['2027-01-09T14:10:30Z', 15],
    ['2027-01-09T14:10+01:00', 14],
    ['2027-01-09T14:10:00-05:00', 20],
    ['2027/01/09 14:10', 14],
    ['09.01.2027 14:10', 14],
    ['09-Jan-2027 14:10', 14],
    ['9/1/27 2:10 pm', 14],
  ])('%s falls in hour %d of the standard clock', (stamp, hour) => {
    expect(hours(`time,inside\n${stamp},5`).at('2027-01-09', hour)).toBe(5)
  })

  test('summer time is put back on the standard clock; UTC and standard time are read as they are', () => {
    expect(hours('time,inside\n2027-07-01 14:00,5').at('2027-07-01', 13)).toBe(5)
    expect(hours('time,inside\n2027-07-01 14:00,5', 0).at('2027-07-01', 15)).toBe(5)
    expect(hours('time,inside\n2027-07-01 14:00,5', 1).at('2027-07-01', 14)).toBe(5)
  })

  test('where clocks go back the hour that comes twice is two; where they go on none is lost', () => {
    // 31 October 2027, 03:00 becomes 02:00.
    const stamps = ['01:00', '02:00', '02:30', '02:00', '02:30', '03:00', '04:00']
    const text = `time,inside\n${stamps.map((s, i) => `2027-10-31 ${s},${i}`).join('\n')}`
    const { at } = hours(text)
    // 01:00 is hour 0 of the standard clock, the first 02:00 hour 1, the second hour 2, 03:00 hour 3.
    expect([0, 1, 2, 3].map(h => at('2027-10-31', h))).toEqual([0, 1.5, 3.5, 5])
    expect(read(text).told.join(' ')).toMatch(/comes twice/)
    const spring = hours('time,inside\n2027-03-28 01:30,1\n2027-03-28 03:30,2')
    expect(spring.at('2027-03-28', 1)).toBe(1)
    expect(spring.at('2027-03-28', 2)).toBe(2)
  })

  test('the first date that can be only one shows whether the day or the month comes first', () => {
    const order = (dates: string[]) => {
      const found = loggerTable(`time,inside\n${dates.map(d => `${d} 10:00,5`).join('\n')}`)
      return found.ok && guessDayFirst(found.table, guessColumns(found.table.heading))
    }
    expect(order(['1/2/2027', '13/2/2027'])).toBe(true)
    expect(order(['1/2/2027', '1/13/2027'])).toBe(false)
  })

  test('rows that say no time are counted and named; a file of none is refused with what is allowed', () => {
    const { told, rows } = read('time,inside\n2027-01-09 14:00,5\nsoon,6\n2027-13-09 14:00,7')
    expect(rows).toBe(1)
    expect(told[0]).toMatch(/2 rows have no time.*line 3/)
    const none = readLoggerFile('time,inside\nsoon,6\nlater,7', VIENNA, 1)
    expect(none).toMatchObject({ ok: false, message: expect.stringMatching(/“soon”.*Allowed: 2027-01-31 14:00/) })
    expect(readLoggerFile('nothing at all', VIENNA, 1)).toMatchObject({ ok: false })
    expect(readLoggerFile('a,b\n1,2', VIENNA, 1)).toMatchObject({ ok: false, message: expect.stringMatching(/time/) })
  })
})

test('readings of one hour are their mean; what is missing or no number is no reading; percent becomes a share', () => {
  const { log } = read('time,inside,rh\n2027-01-09 14:00,5,80\n2027-01-09 14:20,7,\n2027-01-09 14:40,n/a,90')
  const i = dayNumber('2027-01-09') * 24 + 14 - log!.startH
  expect(log!.values.insideC[i]).toBe(6)
  expect(log!.values.rh[i]).toBeCloseTo(0.85, 5)
  expect(log!.values.insideC[i + 1]).toBeNaN()
  expect(log!.hours % 24).toBe(0)
})

test('lows and highs by the day', () => {
  const { daily, log } = read(
    'date,inside_min_C,inside_max_C,outside_min_C,outside_max_C\n2027-01-09,1.5,14,-8,2\n2027-01-10,2,,-6,3',
  )
  expect(log).toBeNull()
  expect(daily).toEqual([
    {
      date: '2027-01-09',
      insideMinC: 1.5,
      insideMaxC: 14,
      outsideMinC: -8,
      outsideMaxC: 2,
      soilC: null,
      waterC: null,
      rh: null,
    },
    {
      date: '2027-01-10',
      insideMinC: 2,
      insideMaxC: null,
      outsideMinC: -6,
      outsideMaxC: 3,
      soilC: null,
      waterC: null,
      rh: null,
    },
  ])
})

test('a hundred thousand rows come through whole', () => {
  const first = Date.UTC(2026, 0, 1)
  const rows = Array.from({ length: 100_000 }, (_, i) => {
    const stamp = new Date(first + i * 300_000).toISOString().slice(0, 16).replace('T', ' ')
    return `${stamp},${(i % 200) / 10},${(i % 100) / 10}`
  })
  const { log, rows: count, told } = read(`time,inside_C,outside_C\n${rows.join('\n')}`, 1)
  expect(count).toBe(100_000)
  expect(told).toEqual([])
  expect(log!.values.insideC.filter(v => !Number.isNaN(v))).toHaveLength(Math.ceil(100_000 / 12))
})

const how = (columns: LoggerColumn[]): LoggerReading => ({
  columns,
  units: columns.map(() => 'C'),
  zone: 1,
  dayFirst: true,
  decimalComma: true,
})

test('columns may be said otherwise than they were guessed', () => {
  const cut = loggerTable('time,a,b\n2027-01-09 14:00,5,9')
  if (!cut.ok) throw new Error(cut.message)
  const found = readLogger(cut.table, how(['time', 'skip', 'soilC']), 1)
  expect(found.ok && found.read.log!.values.soilC.filter(v => !Number.isNaN(v))).toEqual(Float32Array.of(9))
  const none = readLogger(cut.table, how(['time', 'skip', 'skip']), 1)
  expect(none).toMatchObject({ ok: false, message: expect.stringMatching(/No column holds a reading/) })
})

/** Files as loggers write them; each is read right, or its doubt is told. */
const ROWS = (make: (h: number) => string, hours = 48) => Array.from({ length: hours }, (_, h) => make(h)).join('\n')
const two = (n: number) => String(n).padStart(2, '0')
const hourOf = (h: number) => ({ day: 9 + Math.floor(h / 24), hour: h % 24 })
/** Inside 5 °C at midnight and a tenth more each hour; outside ten less. */
const inC = (h: number) => 5 + h / 10
const f1 = (v: number) => v.toFixed(1)
const comma = (v: number) => f1(v).replace('.', ',')
const F = (c: number) => f1(c * 1.8 + 32)
const clockOf = (h: number) => `${two(hourOf(h).hour)}:00`
const germanDay = (h: number) => `${two(hourOf(h).day)}.01.2027`
const usDay = (h: number) => `1/${hourOf(h).day + 10}/27`
const half = (h: number) => `${hourOf(h).hour % 12 || 12}:00:00 ${hourOf(h).hour < 12 ? 'AM' : 'PM'}`
const PREAMBLE = [
  'Logger,LX-4',
  'Serial,00123',
  'Started,2027-01-01 00:00',
  'Interval,60',
  'Unit,C',
  'Owner,Mill Lane',
  'Note,"door, north"',
  'Firmware,2.1',
  'Battery,3.0',
  '',
].join('\n')
/** What a sensor that fails writes, by its hour. */
const FAILED: Record<number, string> = { 5: '-127.00', 9: '85', 11: '65535', 20: '' }
const stamp = (h: number) => `2027-01-${two(hourOf(h).day)} ${two(hourOf(h).hour)}:00`
const FIXTURES: { name: string; file: string | Uint8Array; told?: RegExp; off?: number }[] = [
  {
    name: 'day and hour in two columns',
    file:
      'Date;Time;Temp °C;Out °C\n' + ROWS(h => `${germanDay(h).replaceAll('.', '/')};${clockOf(h)};${f1(inC(h))};0.0`),
  },
  { name: 'Fahrenheit in the heading', file: `Time,Air temp (°F)\n${ROWS(h => `${stamp(h)},${F(inC(h))}`)}` },
  {
    name: 'a German logger: Zeitstempel, decimal commas, semicolons',
    file:
      'Zeitstempel;Lufttemperatur innen [°C];Luftfeuchte [%]\n' +
      ROWS(h => `${germanDay(h)} ${clockOf(h)}:00;${comma(inC(h))};81,5`),
  },
  { name: 'one stray comma', file: `time,inside_C\n${ROWS(h => `${stamp(h)},${f1(inC(h))}${h === 7 ? ',' : ''}`)}` },
  {
    name: 'AM and PM, month first',
    file: `"Date Time, GMT","Temp, °F"\n${ROWS(h => `${usDay(h)} ${half(h)},${F(inC(h))}`)}`,
    off: 10,
  },
  {
    name: 'day first, told by a 13th',
    file: `date,inside\n${ROWS(h => `${hourOf(h).day + 5}/1/2027 ${two(hourOf(h).hour)}:00,${f1(inC(h))}`)}`,
    off: 5,
  },
  {
    name: 'seconds since 1970',
    file: `epoch,greenhouse\n${ROWS(h => `${Date.UTC(2027, 0, 9, h - 1) / 1000},${f1(inC(h))}`)}`,
  },
  {
    name: 'milliseconds since 1970',
    file: `timestamp,temp_C\n${ROWS(h => `${Date.UTC(2027, 0, 9, h - 1)},${f1(inC(h))}`)}`,
  },
  { name: 'tabs', file: `time\tinside\toutside\n${ROWS(h => `${stamp(h)}\t${f1(inC(h))}\t0.0`)}` },
  {
    name: 'UTF-16 with its mark',
    file: Buffer.from(`\ufefftime\tinside °C\n${ROWS(h => `${stamp(h)}\t${comma(inC(h))}`)}`, 'utf16le'),
  },
  {
    name: 'ten lines of preamble, with times and figures in it',
    file: `${PREAMBLE}\nTime,Inside (°C),Battery\n${ROWS(h => `${stamp(h)},${f1(inC(h))},3.0`)}`,
  },
  {
    name: 'gaps and codes of a sensor that fails',
    file: `time,inside_C\n${ROWS(h => `${stamp(h)},${FAILED[h] ?? f1(inC(h))}`)}`,
    told: /3 readings are what a sensor writes when it fails \(-127\.00; 85; 65535\), the first in line 7/,
  },
  {
    name: 'two sensors of one kind',
    file: `time,Sensor 1 (°C),Sensor 2 (°C)\n${ROWS(h => `${stamp(h)},${f1(inC(h))},20.0`)}`,
    told: /“Sensor 2 \(°C\)” is named like a column that is taken already/,
  },
  {
    name: 'newest first',
    file: `time,inside\n${ROWS(h => `${stamp(h)},${f1(inC(h))}`)
      .split('\n')
      .reverse()
      .join('\n')}`,
  },
  {
    name: 'no heading at all, Windows line ends',
    file: ROWS(h => `${stamp(h)},${f1(inC(h))}`).replaceAll('\n', '\r\n'),
    told: /Nothing says what “column 2” is: air inside is taken/,
  },
  {
    name: 'a dark pyranometer and a hygrometer over a hundred',
    file: `time;inside;rh;solar\n${ROWS(h => `${stamp(h)};${f1(inC(h))};101;-0.4`)}`,
  },
]

describe('files as loggers write them', () => {
  test.each(FIXTURES.map(f => [f.name, f] as const))('%s', (_, { file, told, off = 0 }) => {
    const text = textOfBytes(typeof file === 'string' ? Buffer.from(file) : file)
    const found = readLoggerFile(text, VIENNA, 1)
    if (!found.ok) throw new Error(found.message)
    const { log } = found.read
    const from = dayNumber('2027-01-09') * 24 + off * 24 - log!.startH
    for (const h of [0, 3, 13, 23, 24, 47]) expect(log!.values.insideC[from + h]).toBeCloseTo(inC(h), 1)
    if (told) expect(found.read.told.join('\n')).toMatch(told)
    // Whatever was read, a book takes it and reads it back.
    expect(unpackBook(packBook({ ...emptyBook(), log })).ok).toBe(true)
  })

  test('a sensor that fails spoils no mean: its code is left out before it', () => {
    const { at } = hours(
      'time,inside\n2027-01-09 14:00,5\n2027-01-09 14:20,-127\n2027-01-09 14:40,85\n2027-01-09 14:50,7',
    )
    expect(at('2027-01-09', 14)).toBe(6)
  })

  test('newest first on the day when clocks go back: both 2 o’clocks are hours of their own', () => {
    const stamps = ['01:00', '02:00', '02:30', '02:00', '02:30', '03:00', '04:00']
    const rows = stamps.map((s, i) => `2027-10-31 ${s},${i}`)
    const { at } = hours(`time,inside\n${rows.reverse().join('\n')}`)
    expect([0, 1, 2, 3].map(h => at('2027-10-31', h))).toEqual([0, 1.5, 3.5, 5])
  })

  test('so many rows in one hour as there are: none is lost', () => {
    const rows = Array.from(
      { length: 70_000 },
      (_, i) => `2027-01-09 14:${two(Math.floor(i / 1200))}:${two(i % 60)},${i < 35_000 ? 4 : 8}`,
    )
    expect(hours(`time,inside\n${rows.join('\n')}`).at('2027-01-09', 14)).toBe(6)
  })

  test.each([
    ['a day alone, many a day', ROWS(h => `2027-01-${two(hourOf(h).day)},5`), /name a day and no hour/],
    ['one row a day', ROWS(d => `2027-01-${two(d + 1)},5`, 20), /one row a day/],
    ['a clock that was reset', '2000-01-01 00:00,5\n2027-01-01 00:00,5', /four years apart/],
  ])('%s is asked about, not taken', (_, rows, why) => {
    const found = readLoggerFile(`time,inside\n${rows}`, VIENNA, 1)
    expect(found).toMatchObject({ ok: false, message: expect.stringMatching(why) })
  })

  test('degrees that are none are left out and told, with where to look', () => {
    const { told, log } = read(`time,inside_C\n${ROWS(h => `${stamp(h)},${h % 2 ? 95 : 70}`)}`)
    expect(told.join()).toMatch(/24 readings cannot be \(95\), the first in line 3.*Look at the units/)
    expect(log!.values.insideC[1]).toBeNaN()
  })

  test('dates that may be two days, and degrees that may be two, are doubts', () => {
    const cut = loggerTable(`date,inside\n3/4/2027 10:00,35\n3/4/2027 11:00,36`)
    if (!cut.ok) throw new Error(cut.message)
    const { doubts } = guessReading(cut.table)
    expect(doubts.join('\n')).toMatch(/“3\/4\/2027 10:00” may begin with the day or with the month[\s\S]*°C or °F/)
  })

  test('whatever stands in the cells, nothing is thrown, and what is read is what a book takes', () => {
    const cell = fc.oneof(
      fc.double({ noNaN: true }).map(String),
      fc.constantFrom('', '-127', '85', '65535', '1,5', '1.234,5', 'n/a', '12 °C', '2027-01-09 14:00', '9/1/27 2 pm'),
      fc.string({ maxLength: 6 }),
    )
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 1, maxLength: 5 }), { maxLength: 12 }), rows => {
        const head = 'time,inside_C,outside_C,rh,sun'
        const body = rows.map((r, i) => [stamp(i), ...r].join(',')).join('\n')
        const found = readLoggerFile(`${head}\n${body}`, VIENNA, 1)
        if (!found.ok) return
        for (const [id, values] of Object.entries(found.read.log?.values ?? {}))
          for (const v of values)
            if (!Number.isNaN(v)) {
              const { low, high } = READINGS[id as ReadingId]
              expect(v).toBeGreaterThanOrEqual(low)
              expect(v).toBeLessThanOrEqual(high + 1e-6)
            }
        expect(unpackBook(packBook({ ...emptyBook(), log: found.read.log })).ok).toBe(true)
      }),
    )
  })

  test('the first rows as they are understood', () => {
    const { first } = read('time,inside (°F),rh\n2027-01-09 14:00,50,80\n2027-01-09 15:00,-127,81')
    expect(first[0]!.at).toBe('2027-01-09 14:00')
    expect(first[0]!.values[0]!.value).toBeCloseTo(10, 5)
    expect(first[1]!.values).toEqual([
      { column: 'insideC', value: null },
      { column: 'rh', value: 0.81 },
    ])
  })
})

describe('a forecast', () => {
  test('is read, with what is usual where nothing is said', () => {
    const read = readForecast('{"days":[{"date":"2027-01-09","lowC":-16,"highC":-2,"sky":"clear"}]}')
    expect(read).toEqual({
      ok: true,
      days: [{ date: '2027-01-09', lowC: -16, highC: -2, sky: 'clear', windMs: 2.5, snow: false }],
    })
  })

  test.each([
    ['{', /not JSON/],
    ['{"days":[]}', /1 to 10 days/],
    ['{"days":[{"date":"9 Jan","lowC":-16,"highC":-2}]}', /days\[0\]\.date/],
    ['{"days":[{"date":"2027-01-09","lowC":-160,"highC":-2}]}', /days\[0\]\.lowC.*-70 to 40/],
    ['{"days":[{"date":"2027-01-09","lowC":-16,"highC":-2,"sky":"blue"}]}', /clear, fair, dull/],
    ['{"days":[{"date":"2027-01-09","lowC":1,"highC":2},{"date":"2027-01-11","lowC":1,"highC":2}]}', /days in a row/],
  ])('%s is refused with what is allowed', (text, why) => {
    const read = readForecast(text)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.faults.map(f => `${f.path} ${f.message} ${f.allowed}`).join()).toMatch(why)
  })
})
