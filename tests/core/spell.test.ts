import { DEMOS, type Design } from '../../core/design'
import { laidOn, MOVES } from '../../core/moves/registry'
import { designFaults } from '../../core/editing'
import { spellAnswer, usualStart, withSpellDays } from '../../core/study/spell'
import { unheated } from '../added'
import { barrelsOf } from '../bodies'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const house: Design = {
  ...unheated(plain),
  skin: { ...plain.skin, cover: { ...plain.skin.cover, id: 'none' } },
  store: { ...plain.store, bodies: [barrelsOf(plain, { atM: plain.shape.widthM - 0.7, count: 4 })] },
}
const spell = (startDay: number, lowC: number) => ({ startDay, dullDays: 5, clearDays: 3, lowC })
const stood = (design: Design, s: ReturnType<typeof spell>) =>
  spellAnswer(design, engine.run(withSpellDays(design, s), { unheated: false }), s)

test('a spell’s days end at the low that was asked, and something fails there before it does in a milder one', () => {
  const cold = stood(house, spell(10, -24))
  expect(cold.days.map(d => d.day)).toEqual([11, 12, 13, 14, 15, 16, 17, 18])
  expect(cold.days.at(-1)!.outsideMinC).toBeCloseTo(-24, 1)
  expect(cold.firstFailure).not.toBeNull()
  expect(cold.firstFailure!.words.length).toBeGreaterThan(10)
  const failed = cold.days.find(d => d.day === cold.firstFailure!.day)!
  expect(Math.min(failed.leafMinC, failed.soilMinC, failed.waterC ?? Infinity)).toBeLessThan(cold.firstFailure!.belowC)
  const mild = stood(house, spell(10, -2))
  expect(mild.days.at(-1)!.insideMinC).toBeGreaterThan(cold.days.at(-1)!.insideMinC + 4)
  // The water cools through dull days.
  expect(cold.days[4]!.waterC!).toBeLessThan(cold.days[0]!.waterC!)
  for (const d of cold.days) expect(d.leafMinC).toBeLessThan(d.insideMinC + 3)
})

test('leaf, soil and water are each found where they fail', () => {
  const s = spell(10, -45)
  const bare = { ...house, breathe: { ...house.breathe, leakage: 'old' } }
  const { days, firstFailure } = stood(bare, s)
  const last = days.at(-1)!
  expect(last.leafMinC).toBeLessThan(0)
  expect(last.iceShare).toBeGreaterThan(0)
  expect(firstFailure!.what).toBe('leaf')
  // Where nothing grows that needs it and no leaf is asked for, frost on leaves still counts.
  const until = days.findIndex(d => d.day === firstFailure!.day)
  for (const d of days.slice(0, until)) expect(d.leafMinC).toBeGreaterThanOrEqual(0)
})

test('it may run over the turn of the year, and ends in the middle of the coldest month, in the south too', () => {
  const turn = stood(house, spell(361, -20))
  expect(turn.days.map(d => d.day)).toEqual([362, 363, 364, 365, 1, 2, 3, 4])
  const north = usualStart(engine.site(house).dryBulbC, 8)
  expect(north < 40 || north > 340).toBe(true)
  const south = usualStart(engine.site(DEMOS[1]!).dryBulbC, 8)
  expect(south).toBeGreaterThan(150)
  expect(south).toBeLessThan(230)
})

test('each move is a sound design of its own, and says nothing where it is done already', () => {
  for (const demo of [...DEMOS, house]) {
    const laid = laidOn(demo)
    expect(laid.length).toBeGreaterThan(3)
    for (const { move, design } of laid) {
      expect(designFaults(design)).toEqual([])
      expect(design).not.toEqual(demo)
      // Done once, it is done, but for what can be done again.
      if (!move.again) expect([move.id, move.of(design)]).toEqual([move.id, null])
    }
  }
  expect(new Set(MOVES.map(m => m.id)).size).toBe(MOVES.length)
})

test('in a hard spell a cover, a stove and a heater each leave the last night warmer', () => {
  const s = spell(10, -20)
  const lastNight = (d: Design) => Math.min(...stood(d, s).days.map(x => x.leafMinC))
  const before = lastNight(house)
  const laid = laidOn(
    house,
    MOVES.filter(m => ['cover', 'stove', 'heater', 'row-cover'].includes(m.id)),
  )
  expect(laid.map(l => l.move.id)).toEqual(expect.arrayContaining(['stove', 'heater']))
  for (const l of laid) expect([l.move.id, lastNight(l.design) > before + 0.3]).toEqual([l.move.id, true])
})
