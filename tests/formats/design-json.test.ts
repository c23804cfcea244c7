import { barrelsOf } from '../bodies'
import fc from 'fast-check'
import { SCHEMA_VERSION, DEMOS } from '../../core/design'
import { designFaults } from '../../core/editing'
import { openingKind } from '../../core/openings/registry'
import { createYearEngine } from '../../core/year'
import { emptyBook, packBook } from '../../core/season/book'
import { emptyLog } from '../../core/season/log'
import { designFileName, LARGEST_FILE, readDesign, writeDesign } from '../../formats/design-json'
import { writeHourlyCsv } from '../../formats/hourly-csv'

/** A design as it is read where nothing belongs to it. */
const plain = (design: unknown) => ({ ok: true, design, studies: null, rawStudies: null, leftOut: [] })

test('what is written is read back the same', () => {
  for (const demo of DEMOS) expect(readDesign(writeDesign(demo))).toEqual(plain(demo))
  expect(writeDesign(DEMOS[0]!)).toContain('"lowC": [-8.2, -6.9,')
})

test('a season book goes with its design: hours on one line, what was not read as null; a damaged one is told', () => {
  const log = emptyLog(480_000, 48)
  log.values.insideC.fill(7.25, 0, 30)
  const written = { ...emptyBook().written, changes: [{ on: '2027-01-09', what: 'baffle' }] }
  const text = writeDesign(DEMOS[0]!, { book: packBook({ written, log }), pinned: DEMOS[1] })
  expect(text).toMatch(/"insideC": \[7\.25, 7\.25,.* null\]/)
  const read = readDesign(text)
  expect(read.ok && read.book).toEqual({ written, log })
  expect(read.ok && read.pinned).toEqual(DEMOS[1])
  // A book that can't be read keeps its design from nothing, and is not lost.
  const damaged = readDesign(text.replace('"2027-01-09"', '"soon"'))
  if (!damaged.ok) throw new Error('the design of a damaged book was refused')
  expect([damaged.design, damaged.book, damaged.pinned]).toEqual([DEMOS[0], undefined, DEMOS[1]])
  expect(damaged.leftOut[0]).toMatchObject({ what: 'a season book', faults: [{ path: 'book.changes[0].on' }] })
  expect((damaged.leftOut[0]!.raw as { version: number }).version).toBe(1)
})

test.each([
  ['not JSON', '{', /not JSON/],
  ['another file', '{"a":1}', /not a Tierra design/],
  ['a list', '[]', /not a Tierra design/],
  ['too large', ' '.repeat(LARGEST_FILE + 1), /MB/],
  ['from a newer version', '{"schemaVersion":9}', /newer/],
])('%s is refused with a sentence', (_, text, expected) => {
  const read = readDesign(text)
  expect(read.ok).toBe(false)
  if (!read.ok) expect(read.faults[0]!.message).toMatch(expected)
})

test('a damaged design never gets in: any cut of the text, any change of one letter', () => {
  const text = writeDesign(DEMOS[0]!)
  fc.assert(fc.property(fc.integer({ min: 0, max: text.length - 3 }), at => !readDesign(text.slice(0, at)).ok))
  fc.assert(
    fc.property(fc.integer({ min: 0, max: text.length - 1 }), fc.string({ minLength: 1, maxLength: 1 }), (at, put) => {
      const read = readDesign(text.slice(0, at) + put + text.slice(at + 1))
      if (!read.ok) expect(read.faults[0]!.message).not.toBe('')
    }),
    { numRuns: 500 },
  )
})

test('file names are plain', () => {
  expect(designFileName('Sarıtaş Plateau School')).toBe('saritas-plateau-school.json')
  expect(designFileName('///')).toBe('design.json')
})

test('the hourly CSV has a row an hour, stamped in standard time', () => {
  const year = createYearEngine().run(DEMOS[1]!)
  const lines = writeHourlyCsv(year).trim().split('\n')
  expect(lines).toHaveLength(8761)
  expect(lines[0]).toMatch(/^hour_begins,outside_C,air_C,/)
  expect(lines[1]).toMatch(/^2027-01-01T00:00:00-03:00,-?\d/)
  expect(lines[8760]).toMatch(/^2027-12-31T23:00:00-03:00,/)
  const heads = lines[0]!.split(',')
  for (const line of lines) expect(line.split(',')).toHaveLength(heads.length)
  // Each thing has columns of its own, under its own name.
  expect(new Set(heads).size).toBe(heads.length)
  expect(heads).toEqual(
    expect.arrayContaining([
      'barrels_C',
      'vent_1_open',
      'vent_2_open',
      'source_stove_W',
      'earth_store_C',
      'back_wall_lost_W',
    ]),
  )
  const at = (name: string, h: number) => Number(lines[h + 1]!.split(',')[heads.indexOf(name)])
  const { hour } = year.answers.coldestNight
  expect(at('source_stove_W', hour)).toBeCloseTo(year.series.sources[0]![hour]!, 0)
  expect(at('earth_store_C', hour)).toBeCloseTo(year.series.airStores[0]!.storeC[hour]!, 2)
})

test('a document of the first version is brought forward: what it says stays, what came later starts plain', () => {
  const now = DEMOS[0]!
  const { spell, horizon, ...site } = now.site
  const { linings, floor } = now.store
  const { part, ...massWall } = linings[0]!
  expect(part).toBe('backWall')
  const { kind, atM, lengthM, offsetM, ...barrels } = barrelsOf(now)
  expect([kind, lengthM, offsetM]).toEqual(['drums', 0, 0])
  const old = {
    ...now,
    schemaVersion: 1,
    site,
    skin: { ...now.skin, openings: [] },
    store: { barrels: { ...barrels, place: 'back' }, massWall, floor },
    topUp: {
      heater: { on: false, capacityW: 3000, setPointC: 2, fuel: 'electricity', pricePerKWh: 0.28, currency: 'EUR' },
    },
    breathe: { leakage: now.breathe.leakage, vents: { lowM2: 6.5, highM2: 6.5, startC: 20, fullC: 29 } },
  }
  const read = readDesign(JSON.stringify(old))
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  expect(read.design.schemaVersion).toBe(SCHEMA_VERSION)
  expect(barrelsOf(read.design).atM).toBeCloseTo(atM, 9)
  expect(read.design.site.horizon).toEqual(horizon)
  expect(read.design.site.spell).toBe(spell)
  // It did not say where its door stood.
  const { openings, ...skin } = read.design.skin
  expect(openings.map(o => [o.kind, o.part])).toEqual([
    ['vent', 'kneeWall'],
    ['ridge vent', 'sunnySlope'],
    ['door', 'eastEnd'],
  ])
  expect(openings[2]).toMatchObject({ offsetM: 0 })
  // Six and a half square metres let through what flaps with their arms let through, and it says so.
  const free = openings.map(o => openingKind(o).freeM2(o))
  for (const [i, what] of ['Vent', 'Ridge vent'].entries())
    expect(read.design.madeToFit[i]).toEqual({ what, wasM2: expect.closeTo(6.5, 1), isM2: free[i] })
  expect(designFaults(read.design)).toEqual([])
  const store = { ...read.design.store, bodies: now.store.bodies }
  const opened = { ...read.design, skin: { ...skin, openings: now.skin.openings }, madeToFit: [], store }
  expect(opened).toEqual(now)
})
