import FormulaParser from 'fast-formula-parser'
import { readFileSync } from 'node:fs'
import { anAirStore } from '../../core/air-stores/registry'
import { DEMOS, type Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { bookedSums, SUM_BOOK, type BookedSum } from '../../core/sums/book'
import { formatQuantity, nameIn, type Show } from '../../core/units'
import { sumsPage } from '../../cli/sums-page'
import { heated, withAirStores } from '../added'
import { barrelsOf } from '../bodies'
import { engine } from '../shared/years'

const booked = (design: Design) => bookedSums({ ...engine.run(design), design, building: makeBuilding(design) })
const [ash] = DEMOS as [Design]
const of = (sums: BookedSum[], id: string) => sums.find(s => s.id === id)!
const result = (s: BookedSum) => s.lines.at(-1)!.value

/** A spreadsheet's answer: the lines' values stand in column B. */
function bySpreadsheet({ formula, lines }: BookedSum): number {
  const values = lines.map(l => l.value)
  const parser = new FormulaParser({
    onCell: ({ row }) => values[row - 1]!,
    onRange: ({ from, to }) => values.slice(from.row - 1, to.row).map(v => [v]),
  })
  return Number(parser.parse(formula.slice(1), { row: 1, col: 3, sheet: 'sum' }))
}

const HOUSES = [
  ...DEMOS,
  withAirStores(heated(ash, { setPointC: 12 }), anAirStore('earth store'), anAirStore('earth tube')),
].map(d => ({ name: d.name, sums: booked(d) }))
const [now, last] = [HOUSES[0]!.sums, HOUSES.at(-1)!.sums]

test.each(HOUSES)('$name: every sum is what its formula gives', ({ sums }) => {
  expect(sums.length).toBeGreaterThan(18)
  for (const s of sums) {
    for (const l of s.lines) expect(Number.isFinite(l.value)).toBe(true)
    for (const y of s.year) expect(Number.isFinite(y.value)).toBe(true)
    const byHand = bySpreadsheet(s)
    // No line gives itself.
    expect(s.formula).not.toMatch(new RegExp(`B${s.lines.length}(?!\\d)`))
    expect([s.id, Math.abs(byHand - result(s)) <= 1e-6 * Math.max(1e-9, Math.abs(result(s)))]).toEqual([s.id, true])
  }
})

test('every sum of the book has a meaning for some house here, and an id of its own', () => {
  const found = new Set(HOUSES.flatMap(h => h.sums.map(s => s.id)))
  expect([...found].sort()).toEqual(SUM_BOOK.map(e => e.id).sort())
  expect(new Set(SUM_BOOK.map(e => e.id)).size).toBe(SUM_BOOK.length)
})

test('rules follow the design, and the year stands beside them', () => {
  const longer = booked({ ...ash, shape: { ...ash.shape, lengthM: ash.shape.lengthM + 3 } })
  for (const id of ['water-least', 'fan-most', 'vents-least', 'vents-needed', 'design-heat-loss'])
    expect([id, result(of(longer, id)) > result(of(now, id))]).toEqual([id, true])
  const more = booked({
    ...ash,
    store: { ...ash.store, bodies: [...ash.store.bodies, barrelsOf(ash, { atM: 2, count: 4 })] },
  })
  // The rule for water is by the glazing, the year's by what stands there.
  expect(result(of(more, 'water-least'))).toBe(result(of(now, 'water-least')))
  expect(of(more, 'water-least').year[0]!.value).toBeCloseTo(of(now, 'water-least').year[0]!.value + 0.8, 6)
  expect(of(more, 'water-least').year[1]!.value).not.toBe(of(now, 'water-least').year[1]!.value)
})

test('the dull day’s sum is the sceptic’s and the clear day’s the believer’s', () => {
  expect(result(of(now, 'sun-dull'))).toBeLessThan(1)
  expect(result(of(now, 'sun-clear'))).toBeGreaterThan(2)
  expect(result(of(now, 'hours-clear'))).toBeGreaterThan(5 * result(of(now, 'hours-dull')))
  // By paper all of the sun is kept until night; the year loses a part of it while it comes in.
  const clear = of(now, 'sun-clear')
  expect(clear.year[0]!.value).toBeLessThan(result(clear))
  expect(clear.year[0]!.value).toBeGreaterThan(0.3 * result(clear))
})

test('the fan’s sum is what the year’s fan drives', () => {
  const fan = of(last, 'fan-on-pipes')
  expect(fan.year[0]!.value).toBeCloseTo(result(fan), 0)
})

test('the page of sums is made from the book', () => {
  // Made by `npm run format-page`.
  expect(readFileSync('docs/sums.md', 'utf8')).toBe(sumsPage())
})

test('no rule and no line names a unit in words, for it would be one reader’s alone', () => {
  const inUs: Show = (value, quantity) => formatQuantity(value, quantity, 'us')
  const foreign = /\b(litre|gallon|kilogram|pound|met(re|er)|feet|foot|hectare|acre)s?\b|\d (K|mm|m|kg|L)\b/
  for (const { sums } of HOUSES)
    for (const s of sums)
      for (const text of [s.rule, ...s.lines.map(l => nameIn(l.text, inUs))]) expect(text).not.toMatch(foreign)
})
