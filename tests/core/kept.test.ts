import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { laidOn, MOVES } from '../../core/moves/registry'
import { withMoves } from '../../core/study/find'
import { digest, readStudies, sameYear, type KeptStudies } from '../../core/study/kept'
import { planStages, StageFailed } from '../../core/study/stages'
import { housePrice } from '../../core/takeoff/takeoff'
import { readDesign, writeDesign } from '../../formats/design-json'
import { unheated } from '../added'
import { plain } from '../plain'

const ash = DEMOS[0]!
const bare: Design = { ...unheated(plain), skin: { ...plain.skin, cover: { ...plain.skin.cover, id: 'none' } } }

describe('studies that are kept', () => {
  const kept: KeptStudies = {
    ladder: {
      of: digest(ash),
      rungs: [
        {
          id: 'cover',
          words: 'Draw it',
          gainK: 1,
          lifeK: 1,
          lifeMarginK: 0,
          felt: true,
          cost: 2,
          aYear: 0,
          patch: [],
        } as never,
      ],
    },
    sweep: {
      of: digest(ash),
      varied: [{ path: 'shape.turnDeg', values: [0, 10] }],
      points: [
        { values: { 'shape.turnDeg': 0 }, coldestC: 1, hottestC: 30, heatKWh: 0, winterDli: 5, aYear: 0, cost: 100 },
      ],
    },
    winters: { of: digest(ash), winters: [{ seed: 1, insideC: 2, outsideC: -9, marginK: null }] },
    stages: { cover: 'now' },
    choices: [{ at: '2027-01-01T00:00:00Z', words: 'Draw it', why: 'Cold.', gainK: 1, cost: 2 }],
  }

  test('go with the design through a file and back, and leave the design as it was', () => {
    const read = readDesign(writeDesign(ash, { studies: kept }))
    if (!read.ok) throw new Error('The file was refused.')
    expect(read.design).toEqual(ash)
    expect(read.studies).toEqual(JSON.parse(JSON.stringify(kept)))
    expect(readDesign(writeDesign(ash))).toMatchObject({ ok: true, design: ash, studies: null })
  })

  test.each([
    ['nothing', null],
    ['a number', 3],
    ['a list', []],
    ['foreign words', { ladder: 'high', sweep: { of: 1 }, stages: { cover: 3 }, choices: [{}] }],
    ['rungs without figures', { ladder: { of: 'x', rungs: [{ id: 'cover' }] } }],
  ])('%s in their place: the design is taken, and they are left out', (_, studies) => {
    expect(readStudies(studies)).toBeNull()
    const read = readDesign(JSON.stringify({ ...ash, studies }))
    expect(read).toMatchObject({ ok: true, design: ash, studies: null, rawStudies: studies })
  })

  test('a digest tells designs apart by all that figures hang on, and by nothing else', () => {
    expect(digest({ ...ash, id: 'x', name: 'Another', decided: [] })).toBe(digest(ash))
    expect(digest(JSON.parse(JSON.stringify(ash)) as Design)).toBe(digest(ash))
    const words = new Set([
      digest(ash),
      ...laidOn(ash).map(l => digest(l.design)),
      ...DEMOS.slice(1).map(d => digest(d)),
    ])
    expect(words.size).toBe(1 + laidOn(ash).length + DEMOS.length - 1)
    expect(
      digest(
        patchDesign(ash, [
          ['aim.crops', []],
          ['aim.lowestAirC', ash.aim.lowestAirC + 0.5],
        ]),
      ),
    ).not.toBe(digest(ash))
  })
})

describe('stages', () => {
  test('each is built on the one before, and pays for itself alone', () => {
    const stages = planStages(bare, { 'cover': 'next year', 'more-barrels': 'now', 'tighter-cover': 'some day' })
    expect(stages.map(s => s.moves)).toEqual([['more-barrels'], ['cover'], ['tighter-cover']])
    const last = withMoves(
      bare,
      MOVES.filter(m => m.id === 'more-barrels'),
    )!
    expect(stages[0]!.design).toEqual(last)
    expect(stages[2]!.design.skin.cover).toMatchObject({ id: 'quilt', fit: 'tight' })
    const all = stages.reduce((sum, s) => sum + s.cost, 0)
    expect(all).toBeCloseTo(housePrice(stages[2]!.design) - housePrice(bare), 6)
  })

  test('what belongs in the ground or the frame is told where it comes too late, and only there', () => {
    const late = planStages(bare, { 'deeper-edge': 'next year', 'glazing-glass-2': 'some day', 'cover': 'some day' })
    expect(late.flatMap(s => s.tooLate)).toEqual([
      { id: 'deeper-edge', before: 'backfill' },
      { id: 'glazing-glass-2', before: 'glazing' },
    ])
    expect(planStages(bare, { 'deeper-edge': 'now' }).flatMap(s => s.tooLate)).toEqual([])
  })

  test('what can’t be built by then is refused with its stage', () => {
    expect(() => planStages(bare, { 'tighter-cover': 'now', 'cover': 'next year' })).toThrow(StageFailed)
    expect(() => planStages(bare, { 'tighter-cover': 'now', 'cover': 'next year' })).toThrow(/“now”/)
  })
})

test('how it is built, its name and what is decided leave a study true; anything of its year does not', () => {
  const house = ash
  const changed = (path: string, value: unknown) => patchDesign(house, [[path, value]])
  for (const [path, value] of [
    ['build.wasteShare', 0.2],
    ['build.plan.done', ['dig']],
    ['name', 'Another'],
  ] as const) {
    expect(sameYear(house, changed(path, value))).toBe(true)
    expect(digest(changed(path, value))).toBe(digest(house))
  }
  for (const [path, value] of [
    ['shape.kneeWallM', 0.8],
    ['topUp.prices', [{ id: 'part.dig', each: 1 }]],
    ['aim.cropWeek', 30],
  ] as const)
    expect(sameYear(house, changed(path, value))).toBe(false)
})
