import fontkit from '@pdf-lib/fontkit'
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib'
import { unpackWoff } from './woff'

/** WOFF files of the fonts that a report is set in, each as subsets that stand in for one another. */
export interface FontFiles {
  text: readonly Uint8Array[]
  strong: readonly Uint8Array[]
  heading: readonly Uint8Array[]
}
type Face = keyof FontFiles

/** A4, pt; and the margin round it. */
export const PAGE = { width: 595.28, height: 841.89, margin: 48 }
const INK = rgb(0.16, 0.15, 0.13)
const SOFT = rgb(0.39, 0.35, 0.3)
const LINE = rgb(0.85, 0.8, 0.71)
/** Written in place of what a font does not have. */
const OTHERWISE: Readonly<Record<string, string>> = { '→': '>', '◂': '<', '\u202f': '\u00a0', '₂': '2', '′': "'" }

export interface Style {
  face?: Face
  size?: number
  soft?: boolean
}

/** Sets text, tables and pictures on pages, from the top down; a page that is full is followed by another. */
export async function makePaper(title: string, files: FontFiles) {
  const pdf = await PDFDocument.create()
  pdf.registerFontkit(fontkit)
  pdf.setTitle(title)
  pdf.setCreator('Tierra')
  const faces = {} as Record<Face, { font: PDFFont; has: Set<number> }[]>
  for (const face of Object.keys(files) as Face[])
    faces[face] = await Promise.all(
      files[face].map(async bytes => {
        const font = await pdf.embedFont(await unpackWoff(bytes), { subset: true })
        return { font, has: new Set(font.getCharacterSet()) }
      }),
    )
  let page!: PDFPage
  let y = 0
  const wide = PAGE.width - 2 * PAGE.margin

  /** Pieces of a text that one file of its face has. */
  function runs(text: string, face: Face): { font: PDFFont; text: string }[] {
    const out: { font: PDFFont; text: string }[] = []
    for (const given of text) {
      const known = (c: string) => faces[face].find(f => f.has.has(c.codePointAt(0)!))
      const sign = known(given) ? given : (OTHERWISE[given] ?? '?')
      const { font } = known(sign) ?? faces[face][0]!
      const last = out.at(-1)
      if (last?.font === font) last.text += sign
      else out.push({ font, text: sign })
    }
    return out
  }
  const widthOf = (text: string, { face = 'text', size = 10 }: Style = {}) =>
    runs(text, face).reduce((sum, r) => sum + r.font.widthOfTextAtSize(r.text, size), 0)

  /** The same words come again and again, and to lay one out takes long. */
  const known = new Map<string, number>()
  function wordWidth(word: string, style: Style): number {
    const { face = 'text', size = 10 } = style
    const key = `${face} ${word}`
    const of = known.get(key) ?? widthOf(word, { face, size: 1 })
    known.set(key, of)
    return of * size
  }

  /** Text at a place of the page, its left end there, or its right, or its middle. */
  function write(text: string, x: number, at: number, style: Style = {}, end: 'left' | 'right' | 'middle' = 'left') {
    const { face = 'text', size = 10, soft = false } = style
    let left = x - (end === 'left' ? 0 : end === 'right' ? widthOf(text, style) : widthOf(text, style) / 2)
    for (const r of runs(text, face)) {
      page.drawText(r.text, { x: left, y: at, size, font: r.font, color: soft ? SOFT : INK })
      left += r.font.widthOfTextAtSize(r.text, size)
    }
  }

  function turn(): void {
    page = pdf.addPage([PAGE.width, PAGE.height])
    y = PAGE.height - PAGE.margin
  }
  /** Makes room for what must not be torn apart. */
  function keep(height: number): void {
    if (y - height < PAGE.margin) turn()
  }
  function wrap(text: string, width: number, style: Style): string[] {
    const lines: string[] = []
    let line = ''
    let long = 0
    const space = wordWidth(' ', style)
    for (const word of text.split(' ')) {
      const own = wordWidth(word, style)
      if (line !== '' && long + space + own > width) {
        lines.push(line)
        line = word
        long = own
      } else {
        long += line === '' ? own : space + own
        line = line === '' ? word : `${line} ${word}`
      }
    }
    return [...lines, line]
  }
  function paragraph(text: string, style: Style = {}): void {
    const { size = 10 } = style
    for (const line of wrap(text, wide, style)) {
      keep(size * 1.35)
      y -= size * 1.35
      write(line, PAGE.margin, y, style)
    }
    y -= size * 0.4
  }
  function heading(text: string, size = 14): void {
    keep(size * 4)
    y -= size * 1.7
    write(text, PAGE.margin, y, { face: 'heading', size })
    y -= size * 0.35
  }
  function rule(): void {
    page.drawLine({
      start: { x: PAGE.margin, y: y - 2 },
      end: { x: PAGE.width - PAGE.margin, y: y - 2 },
      thickness: 0.5,
      color: LINE,
    })
  }
  /**
   * Rows under each other, the first column to the left and wrapped, the others to the right.
   * @param widths of the columns after the first, pt
   */
  function table(rows: readonly (readonly string[])[], widths: readonly number[], head = false, size = 9): void {
    const first = wide - widths.reduce((a, b) => a + b, 0)
    rows.forEach((row, k) => {
      const style: Style = { size, face: head && k === 0 ? 'strong' : 'text' }
      const lines = wrap(row[0]!, first - 8, style)
      keep(lines.length * size * 1.3 + 4)
      let x = PAGE.margin + first
      row.slice(1).forEach((cell, c) => {
        x += widths[c]!
        write(cell, x, y - size * 1.3, style, 'right')
      })
      for (const line of lines) {
        y -= size * 1.3
        write(line, PAGE.margin, y, style)
      }
      y -= 2
      rule()
      y -= 2
    })
  }
  /** Room of a height for a picture; gives back where its foot is. */
  function picture(height: number): { page: PDFPage; left: number; foot: number; width: number } {
    keep(height)
    y -= height
    return { page, left: PAGE.margin, foot: y, width: wide }
  }
  /** The pages' numbers, and the file. */
  async function bytes(foot: string): Promise<{ bytes: Uint8Array; pages: number }> {
    const pages = pdf.getPages()
    pages.forEach((p, i) => {
      page = p
      write(foot, PAGE.margin, 26, { size: 8, soft: true })
      write(`${i + 1} of ${pages.length}`, PAGE.width - PAGE.margin, 26, { size: 8, soft: true }, 'right')
    })
    return { bytes: await pdf.save(), pages: pages.length }
  }
  turn()
  return { write, paragraph, heading, table, picture, turn, bytes }
}
export type Paper = Awaited<ReturnType<typeof makePaper>>
export { INK, LINE, SOFT }
