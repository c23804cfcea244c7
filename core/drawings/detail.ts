import type { Layer } from '../design/types'
import { extentOf, line, mm, rectangle, words, type At, type Drawing, type Drawn, type Item } from './drawing'
import { layerText } from './layers-text'

/** Words beside it on the paper: so wide, so high their capitals, their lines so far apart, and so far off, mm. */
const WORDS_WIDE_MM = 112
const HEIGHT_MM = 2.2
const LINE_MM = 6
const AIR_MM = 10
/** A sheet is drawn so thick, mm. */
export const SHEET_MM = 20

/** A detail in the making: its lines, and what is pointed at in it. */
export interface Detail {
  title: string
  items: Item[]
  notes: { at: At; text: string }[]
}

/** Layers side by side from the outer face at x, towards the inside. */
export function layersAcross(
  layers: readonly Layer[],
  drawn: Drawn,
  x: number,
  y0: number,
  y1: number,
): Omit<Detail, 'title'> {
  const items: Item[] = []
  const notes: Detail['notes'] = []
  let at = x
  layers.forEach((l, i) => {
    const next = at + mm(l.thicknessM)
    items.push(rectangle('skin', at, y0, next, y1))
    notes.push({
      at: [(at + next) / 2, y1 - ((i + 0.5) * (y1 - y0)) / (layers.length + 1)],
      text: layerText(l, drawn.show),
    })
    at = next
  })
  return { items, notes }
}

/** A detail with its words beside it; the frame round them makes room for words on the paper. */
export function annotated(detail: Detail | null, { scale }: Drawn): Drawing | null {
  if (!detail) return null
  const { x1, y0, y1 } = extentOf(detail.items)
  const left = x1 + AIR_MM * scale
  const rows = [...detail.notes].sort((a, b) => b.at[1] - a.at[1])
  const step = Math.max(LINE_MM * scale, (y1 - y0) / (rows.length + 1))
  const top = (y0 + y1) / 2 + ((rows.length - 1) * step) / 2
  return {
    title: detail.title,
    items: [
      ...detail.items,
      ...rows.flatMap(({ at, text }, i): Item[] => {
        const y = top - i * step
        // Words stand on a shelf, which makes room for them on the paper.
        const shelf = line('dimensions', [left, y], [left + WORDS_WIDE_MM * scale, y])
        return [
          line('dimensions', at, [left, y]),
          shelf,
          { ...words([left + scale, y + scale], text, 'left', HEIGHT_MM), fixed: true },
        ]
      }),
    ],
  }
}
