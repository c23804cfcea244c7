import { DEMOS, type Design } from '../../core/design'
import { designFaults, patchDesign } from '../../core/editing'
import { laidOn, MOVE_GROUPS, MOVES, moveWords, QUICK_MOVES } from '../../core/moves/registry'
import { differences } from '../../core/study/differences'
import { housePrice } from '../../core/takeoff/takeoff'
import { formatQuantity, type Quantity, type Show } from '../../core/units'
import { plain } from '../plain'
import { unheated } from '../added'

const us: Show = (v: number, q: Quantity) => formatQuantity(v, q, 'us')
const metric: Show = (v: number, q: Quantity) => formatQuantity(v, q, 'metric')
const bare: Design = { ...unheated(plain), skin: { ...plain.skin, cover: { ...plain.skin.cover, id: 'none' } } }

/** Branches of the document that a group of moves may change. */
const BRANCHES: Record<keyof typeof MOVE_GROUPS, RegExp> = {
  cover: /^(skin\.cover|breathe\.rowCover)/,
  glazing: /^skin\.(glazing|parts|condition)/,
  walls: /^skin\.(wall|roof|finish)/,
  edge: /^skin\.edge/,
  tightness: /^breathe\.(leakage|ach50|lobby)/,
  store: /^store\./,
  shape: /^(shape|store\.bodies|skin\.openings)/,
  air: /^(breathe|skin\.openings|skin\.cover|shape\.beds)/,
  heat: /^topUp\.sources/,
}

describe('every move', () => {
  test.each(DEMOS.map(d => [d.name, d] as const))(
    '%s: it changes what its group is about, and nothing else',
    (_, d) => {
      for (const { move, patches, design } of laidOn(d)) {
        for (const [path] of patches) expect([move.id, BRANCHES[move.group].test(path)]).toEqual([move.id, true])
        for (const { path } of differences(d, design, metric))
          expect([move.id, path, BRANCHES[move.group].test(path)]).toEqual([move.id, path, true])
      }
    },
  )

  test.each(DEMOS.map(d => [d.name, d] as const))('%s: its patch alone makes the design that is run', (_, d) => {
    for (const { move, patches, design } of laidOn(d)) {
      const again = patchDesign(JSON.parse(JSON.stringify(d)) as Design, JSON.parse(JSON.stringify(patches)) as never)
      expect([move.id, again]).toEqual([move.id, JSON.parse(JSON.stringify(design))])
    }
  })

  test('its words are a sentence in the reader’s units: none metric where feet are read', () => {
    for (const move of MOVES) {
      const words = moveWords(move, bare, us)
      expect(words).toMatch(/^[A-Z]/)
      // A sheet is called what it is sold as.
      if (move.group !== 'glazing') expect([move.id, /\d\s*(mm|cm|m|t|K)\b/.test(words)]).toEqual([move.id, false])
      expect(moveWords(move, bare)).toBe(moveWords(move, bare, metric))
    }
  })

  test('what can be done again goes on until it can’t, and never to a design that is unsound', () => {
    for (const move of MOVES.filter(m => m.again)) {
      let at = bare
      let times = 0
      for (; times < 12; times++) {
        const [laid] = laidOn(at, [move])
        if (!laid) break
        expect(laid.design).not.toEqual(at)
        at = laid.design
      }
      expect([move.id, designFaults(at)]).toEqual([move.id, designFaults(bare)])
    }
  })

  test('what must be in before the ground is filled or glass goes on is no quick move', () => {
    expect(QUICK_MOVES.length).toBeGreaterThan(15)
    for (const move of QUICK_MOVES) expect(move.before).toBeUndefined()
    const buried = MOVES.filter(m => m.before === 'backfill').map(m => m.id)
    expect(buried).toEqual(expect.arrayContaining(['deeper-edge', 'skirt', 'earth-store', 'rock-bed', 'sunk-floor']))
  })

  test('a move that adds something costs something; one that only sets or turns is free', () => {
    const extra = (id: string) => {
      const [laid] = laidOn(
        bare,
        MOVES.filter(m => m.id === id),
      )
      return housePrice(laid!.design) - housePrice(bare)
    }
    for (const id of [
      'cover',
      'more-barrels',
      'earth-store',
      'thicker-walls',
      'deeper-edge',
      'more-vents',
      'stove',
      'low-path',
      'dark-walls',
    ])
      expect([id, extra(id) > 1]).toEqual([id, true])
    for (const id of ['airing', 'to-the-morning', 'dark-vessels'])
      expect([id, Math.abs(extra(id)) < 1e-6]).toEqual([id, true])
  })
})
