import { LETTER, line, words, type At, type Drawn, type Item, type Words } from './drawing'
import { extentWithWords } from './place'

/** Capitals of words beside a drawing, a line of them and of a table, and what is kept free round a block, mm. */
const HEIGHT_MM = 2.1
const LINE_MM = 3.8
const ROW_MM = 4
const AIR_MM = 7

/** Words in lines under each other, which stand where they are put; the first line's capitals begin at the top. */
export const column = (
  [x, top]: At,
  lines: readonly string[],
  scale: number,
  { heightMm = HEIGHT_MM, lineMm = LINE_MM }: { heightMm?: number; lineMm?: number } = {},
): Words[] =>
  lines.map((text, i) => ({
    ...words([x, top - (heightMm + i * lineMm) * scale], text, 'left', heightMm),
    fixed: true,
  }))

/** Words that go beside a drawing: how large they are on paper, mm, and they themselves from an upper left corner. */
export interface Block {
  wideMm: number
  highMm: number
  at: (corner: At, scale: number) => Item[]
}

const longest = (lines: readonly string[]) => Math.max(0, ...lines.map(l => l.length))

export const linesBlock = (lines: readonly string[], heightMm = HEIGHT_MM, lineMm = LINE_MM): Block => ({
  wideMm: longest(lines) * LETTER * heightMm,
  highMm: lines.length * lineMm,
  at: (corner, scale) => column(corner, lines, scale, { heightMm, lineMm }),
})

/** Rows of a table, its columns as wide as their longest words; the first row is its head. */
export function tableBlock(rows: readonly (readonly string[])[]): Block {
  const widths = (rows[0] ?? []).map((_, k) => (longest(rows.map(r => r[k]!)) + 2) * LETTER * HEIGHT_MM)
  return {
    wideMm: widths.reduce((sum, w) => sum + w, 0),
    highMm: rows.length * ROW_MM,
    at: ([x, top], scale) => {
      let left = x
      const cells = widths.flatMap((wide, k) => {
        const its = column(
          [left, top],
          rows.map(r => r[k]!),
          scale,
          { lineMm: ROW_MM },
        )
        left += wide * scale
        return its.filter(w => w.text !== '')
      })
      const under = top - (HEIGHT_MM + 0.9) * scale
      return [...cells, line('dimensions', [x, under], [left, under])]
    },
  }
}

/** A drawing with blocks of words on its right or under it, in a row or in a column: where it stays largest. */
export function withBlocks(
  { scale, room }: Pick<Drawn, 'scale' | 'room'>,
  items: readonly Item[],
  blocks: readonly Block[],
): Item[] {
  const there = blocks.filter(b => b.highMm > 0)
  if (there.length === 0) return [...items]
  const { x0, x1, y0, y1 } = extentWithWords(items, scale)
  const [wide, high] = [(x1 - x0) / scale, (y1 - y0) / scale]
  const most = (of: 'wideMm' | 'highMm') => Math.max(...there.map(b => b[of]))
  const sum = (of: 'wideMm' | 'highMm') => there.reduce((total, b) => total + b[of] + AIR_MM, 0)
  const ways = [
    {
      from: [x1 + AIR_MM * scale, y1] as At,
      isDown: true,
      w: wide + AIR_MM + most('wideMm'),
      h: Math.max(high, sum('highMm')),
    },
    {
      from: [x1 + AIR_MM * scale, y1] as At,
      isDown: false,
      w: wide + sum('wideMm'),
      h: Math.max(high, most('highMm')),
    },
    {
      from: [x0, y0 - AIR_MM * scale] as At,
      isDown: false,
      w: Math.max(wide, sum('wideMm')),
      h: high + AIR_MM + most('highMm'),
    },
    { from: [x0, y0 - AIR_MM * scale] as At, isDown: true, w: Math.max(wide, most('wideMm')), h: high + sum('highMm') },
  ]
  const need = (w: (typeof ways)[number]) => Math.max(w.w / room.wideMm, w.h / room.highMm)
  const way = ways.reduce((best, w) => (need(w) < need(best) - 1e-9 ? w : best))
  let [x, y] = way.from
  return [
    ...items,
    ...there.flatMap(b => {
      const its = b.at([x, y], scale)
      if (way.isDown) y -= (b.highMm + AIR_MM) * scale
      else x += (b.wideMm + AIR_MM) * scale
      return its
    }),
  ]
}
