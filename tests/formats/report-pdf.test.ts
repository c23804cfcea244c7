import { readFileSync } from 'node:fs'
import fontkit from '@pdf-lib/fontkit'
import { PDFDocument } from 'pdf-lib'
import { DEMOS } from '../../core/design'
import { formatQuantity } from '../../core/units'
import { yearView } from '../../core/view'
import { createYearEngine } from '../../core/year'
import type { FontFiles } from '../../formats/pdf-fonts'
import { makePaper } from '../../formats/pdf-page'
import { writeReportPdf } from '../../formats/report-pdf'
import { unpackWoff } from '../../formats/woff'

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

test.each(DEMOS.map(d => [d.name, d] as const))('%s: a report of whole pages of A4', async (_, design) => {
  const view = yearView(design, createYearEngine().run(design))
  const { bytes, pages } = await writeReportPdf(
    { design, view, rungs: [], show: (v, q) => formatQuantity(v, q, design.site.latitudeDeg < 0 ? 'us' : 'metric') },
    fonts,
  )
  expect(String.fromCharCode(...bytes.subarray(0, 5))).toBe('%PDF-')
  expect(pages).toBeGreaterThanOrEqual(4)
  const read = await PDFDocument.load(bytes)
  expect(read.getTitle()).toBe(design.name)
  for (const p of read.getPages()) expect([Math.round(p.getWidth()), Math.round(p.getHeight())]).toEqual([595, 842])
})
