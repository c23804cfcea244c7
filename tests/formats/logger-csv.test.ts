import { readForecast } from '../../formats/forecast-json'
import {
  guessColumns,
  guessDayFirst,
  guessUnit,
  loggerTable,
  readLogger,
  readLoggerFile,
  type LoggerRead,
} from '../../formats/logger-csv'
import { dayNumber } from '../../core/plan/calendar'

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
      return guessUnit(found.table, guessColumns(found.table.heading))
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

  test('day and month are told apart by the first date that can be only one', () => {
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

test('columns may be said otherwise than they were guessed', () => {
  const cut = loggerTable('time,a,b\n2027-01-09 14:00,5,9')
  if (!cut.ok) throw new Error(cut.message)
  const found = readLogger(cut.table, { columns: ['time', 'skip', 'soilC'], unit: 'C', zone: 1, dayFirst: true }, 1)
  expect(found.ok && found.read.log!.values.soilC.filter(v => !Number.isNaN(v))).toEqual(Float32Array.of(9))
  const none = readLogger(cut.table, { columns: ['time', 'skip', 'skip'], unit: 'C', zone: 1, dayFirst: true }, 1)
  expect(none).toMatchObject({ ok: false, message: expect.stringMatching(/No column holds a reading/) })
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
