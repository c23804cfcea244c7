import { PDFDocument, type PDFPage } from 'pdf-lib'
import { CAPITALS, type Sheet } from '../core/drawings/sheet'
import { INK, setFonts, type FontFiles } from './pdf-fonts'

/** Points of a PDF in a millimetre. */
export const PT = 72 / 25.4

/** Sheets as a PDF whose pages are as large as their paper: printed at full size they measure true. */
export async function writeDrawingPdf(sheets: readonly Sheet[], files: FontFiles): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  pdf.setTitle(sheets[0]?.title ?? 'Drawings')
  pdf.setCreator('Tierra')
  const { writeOn } = await setFonts(pdf, files)
  for (const sheet of sheets) drawSheet(pdf.addPage([sheet.wideMm * PT, sheet.highMm * PT]), sheet, writeOn)
  return pdf.save()
}

/** A sheet on a page of its size. */
export function drawSheet(page: PDFPage, sheet: Sheet, writeOn: Awaited<ReturnType<typeof setFonts>>['writeOn']): void {
  for (const { points, closed, dashed, weightMm } of sheet.lines)
    points.forEach(([x, y], i) => {
      const next = points[i + 1] ?? (closed ? points[0] : undefined)
      if (!next) return
      page.drawLine({
        start: { x: x * PT, y: y * PT },
        end: { x: next[0] * PT, y: next[1] * PT },
        thickness: weightMm * PT,
        color: INK,
        dashArray: dashed ? [3 * PT, 1.5 * PT] : undefined,
      })
    })
  for (const w of sheet.words)
    writeOn(
      page,
      w.text,
      w.at[0] * PT,
      w.at[1] * PT,
      { size: (w.heightMm / CAPITALS) * PT, face: w.strong ? 'strong' : 'text' },
      w.align,
      w.turnDeg,
    )
}
