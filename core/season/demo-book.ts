import { CROPS } from '../catalog'
import { HOURS } from '../climate'
import type { Design } from '../design/types'
import { patchDesign } from '../editing'
import { ach50Of } from '../air/ach50'
import { dayNumber, isoDay } from '../plan/calendar'
import { createYearEngine } from '../year'
import { emptyBook, type Book } from './book'
import { emptyLog, nominalDay } from './log'

/** The house that is read is leakier than the one that is drawn, its cover fits worse, and its days are others. */
const LEAKIER = 2.6
const OTHER_DAYS = 4711
const DAYS = 365
/** What loggers do: they stop for days, and one is stuck; hours from the beginning, and how many. */
const STOPS = [
  { from: 61 * 24 + 9, hours: 76 },
  { from: 200 * 24 + 15, hours: 31 },
]
const STUCK = { from: 40 * 24 + 5, hours: 41 }

/**
 * A season book of one invented year, for a design that nobody has read: as a logger would have written it in a house
 * that is leakier than it is drawn, with gaps and a stuck sensor in it. It is of the house as it ships: what was read
 * stays as it is, whatever becomes of the drawing.
 * @param today ISO 8601; the book ends on the day before
 */
export function demoBook(design: Design, today: string): Book {
  const { series, site } = createYearEngine().run(
    patchDesign(design, [
      ['site.seed', (design.site.seed + OTHER_DAYS) % 4294967296],
      ['site.months', 'varied'],
      ['breathe.leakage', 'measured'],
      ['breathe.ach50', Math.min(200, ach50Of(design.breathe) * LEAKIER)],
      ['skin.cover.fit', 'loose'],
    ]),
    { unheated: false },
  )
  const start = dayNumber(today) - DAYS
  const log = emptyLog(start * 24, DAYS * 24)
  const first = nominalDay(start) * 24
  const tenth = (v: number) => Math.round(v * 10) / 10
  for (let n = 0; n < log.hours; n++) {
    const h = (first + n) % HOURS
    log.values.insideC[n] = tenth(series.airC[h]!)
    log.values.outsideC[n] = tenth(site.dryBulbC[h]!)
    log.values.soilC[n] = tenth(series.soilC[h]!)
    log.values.waterC[n] = tenth(series.waterC[h]!)
    log.values.rh[n] = Math.round(series.relativeHumidity[h]! * 100) / 100
  }
  for (const { from, hours } of STOPS)
    for (const column of Object.values(log.values)) column.fill(NaN, from, from + hours)
  log.values.insideC.fill(log.values.insideC[STUCK.from]!, STUCK.from, STUCK.from + STUCK.hours)
  const book = emptyBook()
  const day = (i: number) => isoDay(start + i)
  const leaf = CROPS.find(c => c.group === 'hardy leaves')!
  const fruit = CROPS.find(c => c.group === 'warm fruiting')!
  const row = { bed: null, plantedOn: null, perKg: 0 }
  return {
    log,
    written: {
      ...book.written,
      changes: [{ on: day(240), what: 'Brushes under the door' }],
      notes: [
        { on: day(30), text: 'First hard frost. The cover was drawn late twice.', picture: '' },
        { on: day(150), text: 'Washed the glazing; much brighter at the back.', picture: '' },
      ],
      done: [{ on: day(20), task: 'covers-on', night: false }],
      crops: [
        { ...row, id: 'demo-1', crop: leaf.id, sownOn: day(5), firstOn: day(70), lastOn: day(150), kg: 14.5, note: '' },
        {
          ...row,
          id: 'demo-2',
          crop: fruit.id,
          sownOn: day(110),
          plantedOn: day(150),
          firstOn: day(205),
          lastOn: day(330),
          kg: 61,
          note: 'Whitefly in August, gone after lacewings',
        },
      ],
      water: { ...book.written.water, rainMm: [38, 34, 46, 55, 82, 96, 101, 92, 70, 58, 55, 44] },
    },
  }
}
