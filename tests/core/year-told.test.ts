import fc from 'fast-check'
import { whyWorst } from '../../core/advice/worst-night'
import { aimLine } from '../../core/aim/aim-line'
import { DEMOS } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { laidOn } from '../../core/moves/registry'
import { differences } from '../../core/study/differences'
import { growingDays } from '../../core/study/growing-days'
import { duration, extremeWeek, flowsOf, longestRun } from '../../core/study/runs'
import { formatQuantity, type Quantity } from '../../core/units'
import { yearView } from '../../core/view'
import { engine } from '../shared/years'

const show = (v: number, q: Quantity) => formatQuantity(v, q, 'metric').replaceAll(/[\u00a0\u202f]/g, ' ')
const [ash, , fjellro] = DEMOS as [(typeof DEMOS)[number], unknown, (typeof DEMOS)[number]]

describe('why the worst night was the worst', () => {
  const view = yearView(ash, engine.run(ash))
  const { answers } = view
  const text = (helped: Parameters<typeof whyWorst>[3] = null) => whyWorst(answers, view, show, helped).join(' ')

  test('its figures are the year’s own', () => {
    const said = text()
    expect(said).toContain(`fell to ${show(answers.coldestNight.insideC, 'temperature')}`)
    expect(said).toContain(answers.coldestNight.day)
    const [first] = answers.worstNightLosses
    expect(said).toContain(`${first!.name} ${Math.round(first!.share * 100)}\u00a0%`)
    const evening = (answers.coldestNight.hour + 8760 - 12) % 8760
    expect(said).toContain(`barrels began the night at ${show(view.bodiesC[0]![evening]!, 'temperature')}`)
    expect(said).toContain(`until the cover was opened at ${answers.coldestNight.untilOpened!.clock}`)
    expect(said).not.toMatch(/NaN|undefined|Infinity/)
  })

  test('what would have helped is told where it is known, and only where it helps', () => {
    expect(text({ words: 'Light a stove', gainK: 5 })).toMatch(/light a stove, 5.0 K warmer/)
    expect(text({ words: 'Light a stove', gainK: -1 })).not.toMatch(/stove/)
  })

  test.each(DEMOS.map(d => [d.name, d] as const))('%s: whole sentences, of every house', (_, design) => {
    const own = yearView(design, engine.run(design))
    for (const s of whyWorst(own.answers, own, show)) {
      expect(s).toMatch(/^[A-Z\d].*\.$/)
      expect(s).not.toMatch(/NaN|undefined|Infinity/)
    }
  })
})

describe('runs', () => {
  const line = aimLine({ ...ash.aim, crops: [], lowestAirC: 5, highestAirC: 30 })
  const flat = (c: number) => new Float32Array(8760).fill(c)

  test('the longest run in a row, its furthest, over the turn of the year too; none is none', () => {
    expect(longestRun(flat(10), line, 'cold')).toBeNull()
    const air = flat(10)
    air.fill(4, 100, 110)
    air.fill(3, 8755)
    air.fill(2, 0, 9)
    expect(longestRun(air, line, 'cold')).toEqual({ from: 8755, hours: 14, worstC: 2 })
    air.fill(35, 5000, 5003)
    expect(longestRun(air, line, 'hot')).toEqual({ from: 5000, hours: 3, worstC: 35 })
    expect(longestRun(flat(1), line, 'cold')!.hours).toBe(8760)
  })

  test('the extreme weeks and the hours in order', () => {
    const out = flat(10)
    out.fill(-5, 40 * 24, 47 * 24)
    out.fill(30, 200 * 24, 207 * 24)
    expect([extremeWeek(out, 'cold'), extremeWeek(out, 'hot')]).toEqual([40, 200])
    const sorted = duration(out)
    expect([sorted[0], sorted[7 * 24 - 1], sorted[7 * 24], sorted.at(-1)]).toEqual([-5, -5, 10, 30])
  })
})

describe('differences', () => {
  test('none of a design and itself under another name; each change once, in words', () => {
    expect(differences(ash, { ...ash, id: 'x', name: 'Another' }, show)).toEqual([])
    const other = patchDesign(ash, [
      ['shape.turnDeg', -20],
      ['skin.cover.id', 'none'],
      ['store.bodies', []],
      ['shape.beds.0.heightM', 0.9],
    ])
    expect(differences(ash, other, show).map(d => [d.path, d.from, d.to])).toEqual([
      ['shape.turnDeg', show(ash.shape.turnDeg, 'angle'), '−20.0 °'.replace(' ', '')],
      ['shape.beds.0.heightM', show(ash.shape.beds[0]!.heightM, 'length'), '0.90 m'],
      ['skin.cover.id', 'Quilted blanket, 30 mm', 'No cover'],
      ['store.bodies', `${ash.store.bodies.length}`, '0'],
    ])
    expect(differences(ash, other, show)[1]!.words).toMatch(/^Bed 1/)
  })

  test('of every move something is told, and of two houses all is in words', () => {
    for (const { design } of laidOn(ash)) expect(differences(ash, design, show).length).toBeGreaterThan(0)
    for (const d of differences(ash, fjellro, show)) {
      expect(d.words).not.toMatch(/undefined|\./)
      expect(d.from).not.toBe(d.to)
    }
  })

  test('patched places are those that differ', () => {
    fc.assert(
      fc.property(fc.integer({ min: -170, max: 170 }), fc.integer({ min: 10, max: 60 }), (turnDeg, tenths) => {
        const patched = patchDesign(ash, [
          ['shape.turnDeg', turnDeg],
          ['skin.edge.depthM', tenths / 100],
        ])
        const paths = differences(ash, patched, show).map(d => d.path)
        expect(paths.includes('shape.turnDeg')).toBe(turnDeg !== ash.shape.turnDeg)
        expect(paths.includes('skin.edge.depthM')).toBe(tenths / 100 !== ash.skin.edge.depthM)
      }),
    )
  })
})

describe('a week’s flows', () => {
  const { series } = engine.run(ash)
  const sum = (of: ArrayLike<number>) => Array.from(of).reduce((a, b) => a + b, 0)

  test('over the whole year they are the ledger’s own sums, the largest first', () => {
    const flows = flowsOf(series, 0, 8760)
    const of = (name: string) => sum(flows.find(f => f.name === name)!.watts)
    expect(of('sun')).toBeCloseTo(sum(series.gains[0]!), -1)
    expect(of('glazing')).toBeCloseTo(-sum(series.losses[0]!), -1)
    expect(flows.some(f => f.name === 'heater')).toBe(false)
    const moved = flows.map(f => f.watts.reduce((a, w) => a + Math.abs(w), 0))
    expect(moved).toEqual([...moved].sort((a, b) => b - a))
  })

  test('a week may go over the turn of the year', () => {
    const sun = flowsOf(series, 8760 - 24, 48).find(f => f.name === 'sun')!.watts
    expect([...sun.subarray(0, 24)]).toEqual([...series.gains[0]!.subarray(8736)])
    expect([...sun.subarray(24)]).toEqual([...series.gains[0]!.subarray(0, 24)])
  })
})

describe('days on which crops grow', () => {
  const year = (c: number) => new Float32Array(8760).fill(c)

  const light = (mol: number) => new Float32Array(365).fill(mol)

  test('warm enough on the mean, light enough, and no hour of frost on what stands there', () => {
    expect(growingDays(year(5), year(1), light(5))).toBe(365)
    expect(growingDays(year(4.9), year(1), light(5))).toBe(0)
    expect(growingDays(year(20), year(1), light(4.9))).toBe(0)
    const leaf = year(6)
    leaf[24 * 10 + 5] = -0.1
    leaf[24 * 11] = -3
    leaf[24 * 11 + 1] = -3
    expect(growingDays(year(8), leaf, light(9))).toBe(363)
  })

  test('a house has more of them than the field beside it; far north the dark ends them, not the cold', () => {
    const days = (demo: typeof ash) => engine.run(demo).answers.growingDays
    const [south, north] = [days(ash), days(fjellro)]
    expect(south.inside).toBeGreaterThan(south.outside + 60)
    expect(north.inside).toBeGreaterThan(north.outside)
    expect(north.inside).toBeLessThan(south.inside - 60)
  })
})
