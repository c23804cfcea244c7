import { DEMOS, type CropMonth, type Design } from '../../core/design'
import { laidOn, MOVES } from '../../core/moves/registry'
import { designFaults } from '../../core/editing'
import { spellAnswer, usualSpell, usualStart, withSpellDays, type SpellAnswer } from '../../core/study/spell'
import { formVariants } from '../../core/study/variants'
import { unheated } from '../added'
import { inSeed } from '../../core/study/ensemble'
import { barrelsOf, tank } from '../bodies'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

const house: Design = {
  ...unheated(plain),
  skin: { ...plain.skin, cover: { ...plain.skin.cover, id: 'none' } },
  store: { ...plain.store, bodies: [barrelsOf(plain, { atM: plain.shape.widthM - 0.7, count: 4 })] },
}
const spell = (startDay: number, lowC: number) => ({ startDay, dullDays: 5, clearDays: 3, lowC })
const leafLow = ({ days }: SpellAnswer) => Math.min(...days.map(d => d.leafMinC))
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

test('leaves are judged by what their crop bears, water by its fish', () => {
  const s = spell(10, -20)
  const growing = (id: string) => {
    const months = new Array<CropMonth>(12).fill('hold')
    return stood({ ...house, aim: { ...house.aim, crops: [{ id, needs: null, months }] } }, s)
  }
  const [kale, lemon] = [growing('kale'), growing('lemon')]
  expect(lemon.firstFailure).toMatchObject({ what: 'leaf', belowC: -2 })
  // Kale bears −10 °C: it comes through what kills a lemon.
  expect(leafLow(kale)).toBeLessThan(-2)
  expect(kale.firstFailure?.what).not.toBe('leaf')
  const fish = { ...house, store: { ...house.store, bodies: [tank({ lifeLowestC: 14, lifeHighestC: 28 })] } }
  expect(stood({ ...fish, aim: { ...fish.aim, lowestAirC: -30 } }, s).firstFailure).toMatchObject({
    what: 'fish',
    belowC: 14,
  })
})

test('unless it is said a spell is as hard as the place knows it', () => {
  const winters = [1, 2, 3].map(seed => engine.site(inSeed(house, seed)))
  const { spell: usual, winters: count } = usualSpell(winters)
  const { lowC, dullDays, clearDays } = usual
  expect(count).toBe(3)
  const lows = winters.map(w => Math.min(...w.dryBulbC))
  expect(lowC).toBe(Math.floor(Math.min(...lows)))
  expect([dullDays >= 1, dullDays <= 14, clearDays >= 1]).toEqual([true, true, true])
  // A place that is 10 K colder knows a spell as much harder.
  const colder = winters.map(w => ({ ...w, dryBulbC: w.dryBulbC.map(c => c - 10) }))
  expect(usualSpell(colder).spell).toEqual({ lowC: lowC - 10, dullDays, clearDays })
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

test('no move turns a house from what it leans on, or lines a wall that its form has not', () => {
  const can = (d: Design) => laidOn(d).map(l => l.move.id)
  const leaning = DEMOS.find(d => d.shape.form === 'lean-to')!
  const turned = { ...leaning, shape: { ...leaning.shape, turnDeg: 40 } }
  expect(can(turned).filter(id => id.startsWith('to-the'))).toEqual([])
  expect(can({ ...plain, shape: { ...plain.shape, turnDeg: 40 } })).toContain('to-the-sun')
  const round = formVariants(plain).find(v => v.label === 'dome')!.design
  expect(can(round)).not.toContain('lined-back-wall')
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
