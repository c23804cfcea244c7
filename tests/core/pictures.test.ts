import fc from 'fast-check'
import { DAYS, HOURS, MONTH_DAYS } from '../../core/climate'
import { DEMOS, numberAt } from '../../core/design'
import { linear } from '../../core/scale'
import type { SweepPoint } from '../../core/study/sweep'
import { rangeAbout, sweepGrid, varyOf } from '../../core/study/sweep-picture'
import { dayAlong, hourAlong, mapCells, rangeOfYear, slotMeans, SLOTS } from '../../core/study/year-map'

const [ash] = DEMOS as [(typeof DEMOS)[number]]

describe('a span on another', () => {
  test('its ends meet, what lies between is in proportion, and it turns back', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 })).filter(([a, b]) => a !== b),
        fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 })).filter(([c, d]) => c !== d),
        fc.double({ min: -1000, max: 1000, noNaN: true }),
        (from, to, v) => {
          const there = linear(from, to)
          expect(there(from[0])).toBeCloseTo(to[0], 9)
          expect(there(from[1])).toBeCloseTo(to[1], 9)
          expect(linear(to, from)(there(v))).toBeCloseTo(v, 6)
        },
      ),
    )
    expect(linear([5, 5], [0, 100])(5)).toBe(0)
  })
})

describe('the year as a map', () => {
  test('every place on it is an hour of the year, and every hour has its place', () => {
    for (const h of [0, 23, 24, 4000, HOURS - 1])
      expect(hourAlong((Math.floor(h / 24) + 0.5) / DAYS, ((h % 24) + 0.5) / 24)).toBe(h)
    fc.assert(
      fc.property(fc.double({ min: -1, max: 2, noNaN: true }), fc.double({ min: -1, max: 2, noNaN: true }), (x, y) => {
        const h = hourAlong(x, y)
        expect(h >= 0 && h < HOURS && Number.isInteger(h)).toBe(true)
        expect(Math.floor(h / 24)).toBe(dayAlong(x))
      }),
    )
  })

  test('hours part where the aim of their month stands; with none they part at frost', () => {
    const hours = new Float32Array(HOURS).fill(10)
    hours[0] = 1
    hours[1] = 40
    hours[2] = -7
    const months = <T>(v: T) => Array.from({ length: 12 }, () => v)
    const asked = { lowC: months(5), highC: months(30) } as never
    expect(mapCells(hours, true, asked).slice(0, 4)).toEqual([
      { tone: 'cold', depth: 0.5 },
      { tone: 'hot', depth: 1 },
      { tone: 'cold', depth: 1 },
      { tone: 'between', depth: 17 / 47 },
    ])
    expect(
      mapCells(hours, true, null)
        .map(c => c.tone)
        .slice(0, 3),
    ).toEqual(['between', 'between', 'cold'])
    // What is no temperature parts nowhere.
    expect(new Set(mapCells(hours, false, null).map(c => c.tone))).toEqual(new Set(['between']))
  })

  test('a year that never moves has a range all the same', () => {
    expect(rangeOfYear(new Float32Array(HOURS).fill(3))).toEqual({ low: 3, high: 4 })
  })

  test('the table’s means weigh back to the year’s mean', () => {
    const hours = Float32Array.from({ length: HOURS }, (_, h) => Math.sin(h / 700) + (h % 24))
    const mean = hours.reduce((a, b) => a + b, 0) / HOURS
    const rows = slotMeans(hours)
    const weighed = rows.reduce(
      (sum, { means }, m) => sum + (means.reduce((a, b) => a + b, 0) / SLOTS.length) * MONTH_DAYS[m]!,
      0,
    )
    expect(weighed / DAYS).toBeCloseTo(mean, 4)
  })
})

describe('a sweep as it is drawn', () => {
  test('the range about a decision is one that the document allows, and holds where it stands', () => {
    for (const path of ['shape.turnDeg', 'shape.kneeWallM', 'breathe.ach50', 'skin.cover.onlyBelowC']) {
      const asked = rangeAbout(path, ash)
      const { low, high } = numberAt(path, ash)
      expect(asked.from).toBeGreaterThanOrEqual(low)
      expect(asked.to).toBeLessThanOrEqual(high)
      expect(asked.to).toBeGreaterThan(asked.from)
      const { values } = varyOf(asked, ash)
      expect([values[0], values.at(-1)]).toEqual([asked.from, asked.to])
      expect(values).toHaveLength(9)
    }
  })

  test('whole numbers come once each; a range without length is one year', () => {
    const drums = { path: 'store.bodies.0.count', from: 4, to: 7, steps: 8 }
    expect(varyOf(drums, ash).values).toEqual([4, 5, 6, 7])
    expect(varyOf({ ...drums, to: 4 }, ash).values).toEqual([4])
  })

  const point = (a: number, b: number): SweepPoint => ({
    values: { 'shape.turnDeg': a, 'breathe.ach50': b },
    coldestC: a + 10 * b,
    heatKWh: 0,
    winterDli: 5,
    hottestC: 30,
    aYear: 0,
    cost: 100,
  })
  const varied = [
    { path: 'shape.turnDeg', values: [0, 1, 2] },
    { path: 'breathe.ach50', values: [3, 4] },
  ]

  test('points stand in their places in whatever order they come, and holes stay open', () => {
    const grid = sweepGrid(varied, [point(2, 4), point(0, 3), point(1, 4)], 'coldestC')
    expect(grid.rows.map(r => r.map(p => p?.coldestC ?? null))).toEqual([
      [30, null, null],
      [null, 41, 42],
    ])
    expect([grid.low, grid.high]).toEqual([30, 42])
    expect(grid.points.map(grid.share)).toEqual([0, 11 / 12, 1])
  })

  test('one decision makes one row; a figure that never changes has no shade; nothing known is no range', () => {
    const grid = sweepGrid([varied[0]!], [point(1, 3), point(0, 3)], 'cost')
    expect(grid.rows.map(r => r.map(p => p?.values['shape.turnDeg'] ?? null))).toEqual([[0, 1, null]])
    expect(grid.points.map(grid.share)).toEqual([0, 0])
    expect(sweepGrid(varied, [], 'cost')).toMatchObject({ low: 0, high: 0, points: [] })
  })
})
