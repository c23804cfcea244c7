import { readFileSync } from 'node:fs'
import { inflateSync } from 'node:zlib'
import fontkit from '@pdf-lib/fontkit'
import { PDFArray, PDFDocument, PDFRawStream } from 'pdf-lib'
import { DEMOS } from '../../core/design'
import { formatQuantity } from '../../core/units'
import { yearView } from '../../core/view'
import { createYearEngine } from '../../core/year'
import type { FontFiles } from '../../formats/pdf-fonts'
import { makePaper } from '../../formats/pdf-page'
import { writeReportPdf } from '../../formats/report-pdf'
import { writeSetPdf } from '../../formats/set-pdf'
import { unpackWoff } from '../../formats/woff'

/** Words that are written on a page, as the page counts them: every piece is one. */
async function piecesOn(bytes: Uint8Array): Promise<number[]> {
  const pdf = await PDFDocument.load(bytes)
  return pdf.getPages().map(page => {
    const streams = page.node.Contents()
    const refs = streams instanceof PDFArray ? streams.asArray() : streams ? [streams] : []
    return refs
      .map(r => pdf.context.lookup(r))
      .map(s => (s instanceof PDFRawStream ? unpacked(s) : ''))
      .reduce((sum, text) => sum + (text.match(/ Tj/g) ?? []).length, 0)
  })
}
function unpacked(stream: PDFRawStream): string {
  try {
    return inflateSync(stream.getContents()).toString('latin1')
  } catch {
    return Buffer.from(stream.getContents()).toString('latin1')
  }
}

const file = (family: string, weight: number, set: string) =>
  new Uint8Array(readFileSync(`node_modules/@fontsource/${family}/files/${family}-${set}-${weight}-normal.woff`))
const both = (family: string, weight: number) => ['latin', 'latin-ext'].map(set => file(family, weight, set))
const fonts: FontFiles = {
  text: both('source-sans-3', 400),
  strong: both('source-sans-3', 600),
  heading: both('zilla-slab', 600),
}

test('a WOFF is unpacked to the font that it packs: the same characters, each as wide', async () => {
  const packed = file('zilla-slab', 600, 'latin')
  const font = fontkit.create(await unpackWoff(packed))
  expect(font.characterSet).toEqual(fontkit.create(packed).characterSet)
  expect(font.numGlyphs).toBeGreaterThan(200)
  for (const code of font.characterSet) expect(font.glyphForCodePoint(code).advanceWidth).toBeGreaterThanOrEqual(0)
  await expect(unpackWoff(new Uint8Array(100))).rejects.toThrow(/no WOFF/)
})

test('letters of both files of a face, and what neither has; a full page is followed by another', async () => {
  const paper = await makePaper('Sarıtaş', fonts)
  for (let i = 0; i < 60; i++)
    paper.paragraph('Sarıtaş → łódź 日本, a line that is long enough to be broken somewhere. '.repeat(3))
  const { bytes, pages } = await paper.bytes('foot')
  expect(pages).toBeGreaterThan(2)
  expect((await PDFDocument.load(bytes)).getPageCount()).toBe(pages)
})

/** As a page has them once they are known. */
const winters = Array.from({ length: 20 }, (_, seed) => ({
  seed,
  insideC: seed / 4 - 1,
  outsideC: -12,
  marginK: seed - 3,
}))

test.each(DEMOS.map(d => [d.name, d] as const))('%s: a report of whole pages of A4', async (_, design) => {
  const view = yearView(design, createYearEngine().run(design))
  const { bytes, pages } = await writeReportPdf(
    {
      design,
      view,
      winters,
      rungs: [],
      show: (v, q) => formatQuantity(v, q, design.site.latitudeDeg < 0 ? 'us' : 'metric'),
    },
    fonts,
  )
  expect(String.fromCharCode(...bytes.subarray(0, 5))).toBe('%PDF-')
  expect(pages).toBeGreaterThanOrEqual(4)
  const read = await PDFDocument.load(bytes)
  expect(read.getTitle()).toBe(design.name)
  for (const p of read.getPages()) expect([Math.round(p.getWidth()), Math.round(p.getHeight())]).toEqual([595, 842])
})

test('a table breaks between rows, its head on every page that it goes on over', async () => {
  const paper = await makePaper('table', fonts)
  const rows = Array.from({ length: 150 }, (_, k) => [`row ${k}`, String(k)])
  paper.table([['what', 'how many'], ...rows], [60], true)
  const { bytes, pages } = await paper.bytes('foot')
  expect(pages).toBe(4)
  const pieces = await piecesOn(bytes)
  // Two to a row and two to a head, and the foot’s two on each page.
  expect(pieces.reduce((a, b) => a + b)).toBe(2 * 150 + 2 * pages + 2 * pages)
})

test.each(DEMOS.map(d => [d.name, d] as const))(
  '%s: a builder’s set, whole and with its contents',
  async (_, design) => {
    const view = yearView(design, createYearEngine().run(design))
    const us = design.site.latitudeDeg < 0
    const { bytes, pages, chapters } = await writeSetPdf(
      {
        design,
        view,
        winters,
        show: (v, q) => formatQuantity(v, q, us ? 'us' : 'metric'),
        paper: us ? 'letter' : 'A4',
        date: '5 April 2027',
        today: '2027-04-05',
        feet: us,
      },
      fonts,
    )
    expect(pages).toBeGreaterThanOrEqual(20)
    expect(pages).toBeLessThanOrEqual(40)
    const titles = chapters.map(c => c.title)
    for (const title of [
      'Figures of the year',
      'What to buy, stage by stage',
      'Cuts',
      'Order of work',
      'Control sheet',
    ])
      expect(titles).toContain(title)
    for (const title of ['Cautions', 'Sums laid open', 'How sure', 'Notes']) expect(titles).toContain(title)
    const sizes = (await PDFDocument.load(bytes)).getPages().map(p => p.getWidth() > p.getHeight())
    // A chapter is on the page that the contents say: sheets lie across, text stands upright.
    for (const { title, page } of chapters) expect([title, sizes[page - 1]]).toEqual([title, / 1:|, 1:/.test(title)])
    expect(titles.filter(t => t.includes(', 1:')).length).toBeGreaterThanOrEqual(14)
    expect(sizes.filter(Boolean).length).toBe(titles.filter(t => t.includes(', 1:')).length)
    expect(chapters.map(c => c.page)).toEqual([...chapters.map(c => c.page)].sort((a, b) => a - b))
    for (const count of await piecesOn(bytes)) expect(count).toBeGreaterThan(3)
  },
)
