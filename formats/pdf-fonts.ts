import { oneLine } from '../core/text/control'
import fontkit from '@pdf-lib/fontkit'
import { degrees, rgb, type PDFDocument, type PDFFont, type PDFPage } from 'pdf-lib'
import { unpackWoff } from './woff'

/** WOFF files of the fonts that a report is set in, each as subsets that stand in for one another. */
export interface FontFiles {
  text: readonly Uint8Array[]
  strong: readonly Uint8Array[]
  heading: readonly Uint8Array[]
}
type Face = keyof FontFiles

export const INK = rgb(0.16, 0.15, 0.13)
export const SOFT = rgb(0.39, 0.35, 0.3)
export const LINE = rgb(0.85, 0.8, 0.71)
/** Written in place of what a font does not have. */
const OTHERWISE: Readonly<Record<string, string>> = {
  '→': '>',
  '◂': '<',
  '\u202f': '\u00a0',
  ...Object.fromEntries([...'₀₁₂₃₄₅₆₇₈₉'].map((c, k) => [c, String(k)])),
  '′': "'",
}

export interface Style {
  face?: Face
  size?: number
  soft?: boolean
}

/** Fonts set into a document, and how text is written with them. */
export async function setFonts(pdf: PDFDocument, files: FontFiles) {
  pdf.registerFontkit(fontkit)
  const faces = {} as Record<Face, { font: PDFFont; has: Set<number> }[]>
  for (const face of Object.keys(files) as Face[])
    faces[face] = await Promise.all(
      files[face].map(async bytes => {
        const font = await pdf.embedFont(await unpackWoff(bytes), { subset: true })
        return { font, has: new Set(font.getCharacterSet()) }
      }),
    )

  /** Pieces of a text that one file of its face has. */
  function runs(text: string, face: Face): { font: PDFFont; text: string }[] {
    const out: { font: PDFFont; text: string }[] = []
    for (const given of oneLine(text)) {
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

  /** Text at a place of a page, its left end there, or its right, or its middle; turned to the left by degrees. */
  function writeOn(
    page: PDFPage,
    text: string,
    x: number,
    y: number,
    style: Style = {},
    end: 'left' | 'right' | 'middle' = 'left',
    turnDeg = 0,
  ): void {
    const { face = 'text', size = 10, soft = false } = style
    const [along, up] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)]
    let at = end === 'left' ? 0 : -widthOf(text, style) / (end === 'right' ? 1 : 2)
    for (const r of runs(text, face)) {
      const [px, py] = [x + at * along, y + at * up]
      page.drawText(r.text, { x: px, y: py, size, font: r.font, color: soft ? SOFT : INK, rotate: degrees(turnDeg) })
      at += r.font.widthOfTextAtSize(r.text, size)
    }
  }
  return { widthOf, writeOn }
}
