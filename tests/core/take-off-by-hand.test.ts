import { readFileSync } from 'node:fs'
import FormulaParser from 'fast-formula-parser'
import { DEMOS, type Design } from '../../core/design'
import { cutList } from '../../core/takeoff/cuts'
import { takeoff } from '../../core/takeoff/takeoff'
import { randomHouses } from '../proof/let-in'

/** Sums by hand from a house's own sizes, as a builder writes them beside a list. */
interface ByHand {
  house: string
  dims: string
  lines: { id: string; by: string }[]
  /** All members, m, where they were added up too. */
  membersM?: string
}
const REFERENCE = JSON.parse(readFileSync('tests/reference/take-off-by-hand.json', 'utf8')) as ByHand[]
const HOUSES: Record<string, Design> = {
  ...Object.fromEntries(DEMOS.map(d => [d.name, d])),
  'random 1 of 31': [...randomHouses(1, 31)][0]!,
}
const parser = new FormulaParser({ onCell: () => 0, onRange: () => [] })
const byHand = (formula: string) => parser.parse(formula, { sheet: 'a', row: 1, col: 1 }) as number

/** Lines that are no measure of a drawing: what stock they are cut from, joints, cans, and what is told by others. */
const NOT_MEASURED =
  /^frame-|straps|foam|tape-|sheets-|joint-profiles|closing-profiles|cable|motor|-power-|bead-and-tape/

describe.each(REFERENCE.map(r => [`${r.house}: ${r.dims}`, r] as const))('%s', (_, { house, lines, membersM }) => {
  const list = takeoff(HOUSES[house]!).lines
  test.each(lines.map(l => [l.id, l.by] as const))('%s is %s', (id, by) => {
    const line = list.find(l => l.id === id)
    expect(line?.id).toBe(id)
    expect(Math.abs(line!.amount / byHand(by) - 1)).toBeLessThan(0.01)
  })

  test('nearly every line that a drawing measures has its sum', () => {
    const known = new Set(lines.map(l => l.id))
    const left = list.filter(l => !known.has(l.id) && !NOT_MEASURED.test(l.id)).map(l => l.id)
    expect(left.length).toBeLessThan(list.length * 0.1)
  })

  if (membersM)
    test('its members add up to what was added up by hand, and no more is bought than a sixth over', () => {
      const { members, lumber } = cutList(HOUSES[house]!)
      const all = members.reduce((sum, m) => sum + m.count * m.lengthM, 0)
      expect(Math.abs(all / byHand(membersM) - 1)).toBeLessThan(0.01)
      const bought = lumber.reduce((sum, b) => sum + b.lengthM, 0)
      expect(bought).toBeGreaterThanOrEqual(all - 1e-9)
      expect(bought / all).toBeLessThan(7 / 6)
    })
})
