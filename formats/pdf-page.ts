import { PDFDocument, type PDFPage } from 'pdf-lib'
import type { Sheet } from '../core/drawings/sheet'
import { drawSheet, PT } from './drawing-pdf'
import { LINE, setFonts, type FontFiles, type Style } from './pdf-fonts'

/** A4, pt; and the margin round it. */
export const PAGE = { width: 595.28, height: 841.89, margin: 48 }
/** Sets text, tables and pictures on pages, from the top down; a page that is full is followed by another. */
export async function makePaper(title: string, files: FontFiles) {
  const pdf = await PDFDocument.create()
  pdf.setTitle(title)
  pdf.setCreator('Tierra')
  const { widthOf, writeOn } = await setFonts(pdf, files)
  let page!: PDFPage
  let y = 0
  const wide = PAGE.width - 2 * PAGE.margin

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
  const write = (text: string, x: number, at: number, style: Style = {}, end: 'left' | 'right' | 'middle' = 'left') =>
    writeOn(page, text, x, at, style, end)

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
   * Rows under each other, the first column to the left and wrapped, the others to the right. A table that goes on over
   * the page breaks between rows, and its head stands on the next page again.
   * @param widths of the columns after the first, pt
   */
  function table(rows: readonly (readonly string[])[], widths: readonly number[], head = false, size = 9): void {
    const first = wide - widths.reduce((a, b) => a + b, 0)
    const highOf = (row: readonly string[], style: Style) => wrap(row[0]!, first - 8, style).length * size * 1.3 + 4
    const set = (row: readonly string[], isHead: boolean): void => {
      const style: Style = { size, face: isHead ? 'strong' : 'text' }
      const lines = wrap(row[0]!, first - 8, style)
      // A head is not left alone at the foot of a page.
      const high = highOf(row, style) + (isHead && rows[1] ? highOf(rows[1], { size }) : 0)
      if (y - high < PAGE.margin) {
        turn()
        if (head && !isHead) set(rows[0]!, true)
      }
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
    }
    rows.forEach((row, k) => set(row, head && k === 0))
  }
  /** Rows of two columns, both wrapped: what it is, and what is said of it. */
  function pairs(rows: readonly (readonly [string, string])[], firstPt = 130, size = 9): void {
    for (const [name, text] of rows) {
      const names = wrap(name, firstPt - 8, { size })
      const lines = wrap(text, wide - firstPt, { size })
      const tall = Math.max(names.length, lines.length)
      keep(tall * size * 1.3 + 4)
      for (let k = 0; k < tall; k++) {
        y -= size * 1.3
        if (names[k] !== undefined) write(names[k]!, PAGE.margin, y, { size })
        if (lines[k] !== undefined) write(lines[k]!, PAGE.margin + firstPt, y, { size })
      }
      y -= 2
      rule()
      y -= 2
    }
  }
  /** Chapters by the page that each begins on, counted from 1. */
  const chapters: { title: string; page: number }[] = []
  /** A page of its own for a chapter, or the page that a sheet is on. */
  function chapter(title: string): void {
    turn()
    chapters.push({ title, page: pdf.getPageCount() })
    heading(title, 18)
  }
  /** A sheet as a page that is as large as its paper; text goes on after it on a page of its own. */
  function sheet(of: Sheet, title: string): void {
    const on = pdf.addPage([of.wideMm * PT, of.highMm * PT])
    sheets.add(on)
    drawSheet(on, of, writeOn)
    chapters.push({ title, page: pdf.getPageCount() })
    y = 0
  }
  const sheets = new Set<PDFPage>()
  /** The chapters with their pages, on a page that was left for them. */
  function contents(at: number): void {
    page = pdf.getPages()[at]!
    y = PAGE.height - PAGE.margin
    heading('Contents', 18)
    table(
      chapters.map(c => [c.title, String(c.page)]),
      [40],
    )
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
      if (sheets.has(p)) {
        // Sheets have their own foot: the number alone, in the margin.
        write(`${i + 1}`, p.getWidth() - 14, 8, { size: 7, soft: true }, 'right')
        return
      }
      write(foot, PAGE.margin, 26, { size: 8, soft: true })
      write(`${i + 1} of ${pages.length}`, PAGE.width - PAGE.margin, 26, { size: 8, soft: true }, 'right')
    })
    return { bytes: await pdf.save(), pages: pages.length }
  }
  turn()
  return { write, paragraph, heading, table, pairs, picture, turn, chapter, chapters, sheet, contents, bytes }
}
export type Paper = Awaited<ReturnType<typeof makePaper>>
