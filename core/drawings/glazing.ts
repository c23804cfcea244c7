import { together } from '../takeoff/cut-drawings'
import type { GlazedField } from '../takeoff/glazed-fields'
import { glazingCuts, type GlazingCuts, type Piece } from '../takeoff/sheets'
import { dimension, mm, rectangle, words, type At, type Drawing, type Drawn, type Item } from './drawing'
import { nameIn } from '../units'

/** On the paper, mm: beside and under a part for its dimensions, a line of words, a letter of them, and a capital. */
const BESIDE_MM = 20
const UNDER_MM = 16
const LINE_MM = 4.2
const LETTER_MM = 1.5
const HEIGHT_MM = 2

/** Parts alike, drawn once. */
interface Shown {
  field: GlazedField
  cuts: GlazingCuts
  count: number
  pieces: Piece[]
}

const topOf = ({ corners }: GlazedField) => Math.max(...corners.map(c => c.v))
const likeness = ({ part, corners }: GlazedField) =>
  `${part} ${corners.map(c => `${c.u.toFixed(3)} ${c.v.toFixed(3)}`).join(' ')}`

function shown(all: readonly GlazingCuts[]): Shown[] {
  const found = new Map<string, Shown>()
  for (const cuts of all)
    for (const field of cuts.fields) {
      const key = `${cuts.glazing.id} ${likeness(field)}`
      const known = found.get(key)
      if (known) known.count++
      else found.set(key, { field, cuts, count: 1, pieces: cuts.pieces.filter(p => p.at?.on === field) })
    }
  return [...found.values()]
}

/** Pieces from left to right as seen from outside, from the foot up: as they are numbered. */
const inOrder = ({ pieces }: Shown) => [...pieces].sort((a, b) => a.at!.u - b.at!.u || a.at!.v - b.at!.v)

/** What is said of a part: what it is and of what, and the sizes of its pieces by their numbers. */
function said(one: Shown, { show }: Drawn): { over: string[]; under: string[] } {
  const { field, cuts, count } = one
  const runs: { from: number; to: number; size: string }[] = []
  inOrder(one).forEach((p, i) => {
    const size = `${show(p.widthM, 'cutLength')} × ${show(p.lengthM, 'cutLength')}`
    const last = runs.at(-1)
    if (last?.size === size) last.to = i + 1
    else runs.push({ from: i + 1, to: i + 1, size })
  })
  return {
    over: [`${count > 1 ? `${count} × ` : ''}${field.part}`, nameIn(cuts.glazing.name, show)],
    under: runs.map(({ from, to, size }) => `${from === to ? from : `${from}–${to}`}: ${size}`),
  }
}

/** How wide and high a part is with all that is said of it, mm of the house. */
function sizeOf(one: Shown, drawn: Drawn): { wide: number; high: number } {
  const { over, under } = said(one, drawn)
  const letters = Math.max(...[...over, ...under].map(t => t.length))
  const { scale } = drawn
  return {
    wide: Math.max(mm(one.field.acrossM) + BESIDE_MM * scale, (letters * LETTER_MM + 4) * scale),
    high: mm(topOf(one.field)) + (UNDER_MM + (over.length + under.length + 1) * LINE_MM) * scale,
  }
}

function drawField(one: Shown, drawn: Drawn, [x, top]: At): Item[] {
  const { scale } = drawn
  const { field } = one
  const { over, under } = said(one, drawn)
  const foot = top - mm(topOf(field)) - (over.length + 0.5) * LINE_MM * scale
  const at = (u: number, v: number): At => [x + mm(u), foot + mm(v)]
  const say = (text: string, y: number) => words([x, y], text, 'left', HEIGHT_MM)
  return [
    ...over.map((text, i) => say(text, top - (i + 1) * LINE_MM * scale)),
    { kind: 'path', layer: 'glazing', closed: true, points: field.corners.map(c => at(c.u, c.v)) },
    ...inOrder(one).flatMap((p, i): Item[] => {
      const [[x0, y0], [x1, y1]] = [at(p.at!.u, p.at!.v), at(p.at!.u + p.widthM, p.at!.v + p.lengthM)]
      const number = words([(x0 + x1) / 2, (y0 + y1) / 2 - scale], String(i + 1), 'middle', HEIGHT_MM)
      return [rectangle('inside', x0, y0, x1, y1, true), ...(x1 - x0 > 3 * HEIGHT_MM * scale ? [number] : [])]
    }),
    ...dimension(drawn, at(field.acrossM, 0), at(0, 0)),
    ...dimension(drawn, at(field.acrossM, topOf(field)), at(field.acrossM, 0)),
    ...under.map((text, i) => say(text, foot - (UNDER_MM + i * LINE_MM) * scale)),
  ]
}

/** Paper that lies across is so much wider than high, its title block left out. */
const PAPER = 1.65

/** Upper left corners of tiles in rows, in the rows that go largest on paper; and how low they come. */
function inRows(sizes: readonly { wide: number; high: number }[]): { places: At[]; low: number } {
  const tries = sizes.map((_, k) => {
    const rowMm = sizes.slice(0, k + 1).reduce((sum, s) => sum + s.wide, 0)
    const places: At[] = []
    let [x, y, low, right] = [0, 0, 0, 0]
    for (const { wide, high } of sizes) {
      if (x > 0 && x + wide > rowMm) [x, y] = [0, low]
      places.push([x, y])
      low = Math.min(low, y - high)
      x += wide
      right = Math.max(right, x)
    }
    return { places, low, size: Math.max(right, -low * PAPER) }
  })
  return tries.reduce((best, t) => (t.size < best.size ? t : best))
}

/** Every glazed part flat, seen from outside, with the pieces that cover it; null where nothing is glazed. */
export function drawGlazing(drawn: Drawn): Drawing | null {
  const { scale, show } = drawn
  const all = glazingCuts(drawn.design, drawn.building)
  const parts = shown(all)
  if (parts.length === 0) return null
  const sizes = parts.map(p => sizeOf(p, drawn))
  const { places, low } = inRows(sizes)
  const items = parts.flatMap((part, i) => drawField(part, drawn, places[i]!))
  const notes = [
    'Up is up the slope, the way of the flutes. Marked faces to the sun; lower ends drain and breathe.',
    ...all.flatMap(c =>
      together(c.rolls, r => `${r.widthM} ${r.lengthM}`).map(
        ({ of: r, count }) =>
          `${nameIn(c.glazing.name, show)}: ${count} × ${show(r.lengthM, 'length')} ` +
          `off a roll ${show(r.widthM, 'length')} wide`,
      ),
    ),
  ]
  items.push(...notes.map((text, i) => words([0, low - (2 + i * LINE_MM) * scale], text, 'left', HEIGHT_MM)))
  return { title: 'Glazing layout, seen from outside', items }
}
