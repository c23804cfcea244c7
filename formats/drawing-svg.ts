import { oneLine } from '../core/text/control'
import { CAPITALS, type Sheet } from '../core/drawings/sheet'

const escaped = (text: string) =>
  oneLine(text).replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
const n = (v: number) => String(Number(v.toFixed(3)))
const ANCHOR = { left: 'start', middle: 'middle', right: 'end' } as const

/** A sheet as SVG whose width and height are those of the paper: printed as it is, it measures true. */
export function writeDrawingSvg(sheet: Sheet): string {
  const { wideMm, highMm, lines, words, title } = sheet
  const flip = (y: number) => highMm - y
  const paths = lines.map(l => {
    const d = l.points.map((p, i) => `${i === 0 ? 'M' : 'L'}${n(p[0])} ${n(flip(p[1]))}`).join('')
    const dash = l.dashed ? ' stroke-dasharray="3 1.5"' : ''
    return `<path d="${d}${l.closed ? 'Z' : ''}" stroke-width="${n(l.weightMm)}"${dash}/>`
  })
  const texts = words.map(w => {
    const [x, y] = [n(w.at[0]), n(flip(w.at[1]))]
    const turn = w.turnDeg ? ` transform="rotate(${n(-w.turnDeg)} ${x} ${y})"` : ''
    const weight = w.strong ? ' font-weight="600"' : ''
    return (
      `<text x="${x}" y="${y}" font-size="${n(w.heightMm / CAPITALS)}" text-anchor="${ANCHOR[w.align]}"` +
      `${weight}${turn}>${escaped(w.text)}</text>`
    )
  })
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(wideMm)}mm" height="${n(highMm)}mm" ` +
      `viewBox="0 0 ${n(wideMm)} ${n(highMm)}">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="${n(wideMm)}" height="${n(highMm)}" fill="#fff"/>`,
    `<g fill="none" stroke="#1c1a17" stroke-linejoin="round" stroke-linecap="round">${paths.join('')}</g>`,
    `<g fill="#1c1a17" font-family="'Source Sans 3','Source Sans Pro',sans-serif">${texts.join('')}</g>`,
    '</svg>\n',
  ].join('\n')
}
