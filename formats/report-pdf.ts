import { rgb, type PDFPage } from 'pdf-lib'
import { compassPoint } from '../core/geometry/compass'
import { footprintOf, type Footprint } from '../core/geometry/footprint'
import { inSection, roomObjects } from '../core/geometry/objects'
import { makeBuilding } from '../core/geometry/surfaces'
import { makeOutline, sunnyAzimuthDeg } from '../core/geometry/section'
import type { Rung } from '../core/study/ladder'
import { takeoff } from '../core/takeoff/takeoff'
import { formatNumber } from '../core/units'
import { assumptions, besidesTheList, cautions, figures, months, takeoffRow, trust, type Told } from './pdf-chapters'
import { INK, type FontFiles } from './pdf-fonts'
import { makePaper, type Paper } from './pdf-page'

/** What a report is made of. */
export interface ReportParts extends Told {
  /** Rungs of a ladder of this design, the best first; none where it was not worked out. */
  rungs: readonly Rung[]
}

const MM = 72 / 25.4
const SCALES = [20, 25, 50, 75, 100, 200, 500]
const PICTURE_PT = 290
const FILL = { room: rgb(0.99, 0.96, 0.85), body: rgb(0.66, 0.27, 0.18), bed: rgb(0.43, 0.37, 0.23) }

/** The largest usual scale at which so many metres fit, 1 : n, and points to a metre. */
function scaleFor(wideM: number, highM: number, width: number, height: number): { n: number; ppm: number } {
  const at = (n: number) => (1000 / n) * MM
  const n = SCALES.find(s => wideM * at(s) <= width && highM * at(s) <= height) ?? SCALES.at(-1)!
  return { n, ppm: at(n) }
}

function line(page: PDFPage, x0: number, y0: number, x1: number, y1: number, thickness = 0.6): void {
  page.drawLine({ start: { x: x0, y: y0 }, end: { x: x1, y: y1 }, thickness, color: INK })
}

/** A dimension: its line, its ends, and the figure amid it. */
function dimension(paper: Paper, page: PDFPage, a: [number, number], b: [number, number], text: string): void {
  line(page, ...a, ...b)
  const upright = Math.abs(a[0] - b[0]) < 1
  for (const [x, y] of [a, b])
    line(page, x - (upright ? 3 : 0), y - (upright ? 0 : 3), x + (upright ? 3 : 0), y + (upright ? 0 : 3))
  const [x, y] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
  paper.write(text, upright ? x + 5 : x, upright ? y - 3 : y + 4, { size: 9 }, upright ? 'left' : 'middle')
}

/** The section to scale, with what stands in it. */
function section(paper: Paper, { design, show }: ReportParts): void {
  const { shape, site } = design
  const outline = makeOutline(shape)
  const { page, left, foot, width } = paper.picture(PICTURE_PT)
  const { n, ppm } = scaleFor(outline.widthM, outline.ridgeHeightM, width - 120, PICTURE_PT - 60)
  const x0 = left + (width - outline.widthM * ppm) / 2
  const y0 = foot + 40
  const x = (m: number) => x0 + m * ppm
  const y = (m: number) => y0 + m * ppm
  page.drawSvgPath(`${outline.corners.map((c, i) => `${i === 0 ? 'M' : 'L'}${c.x * ppm} ${-c.z * ppm}`).join(' ')}Z`, {
    x: x0,
    y: y0,
    color: FILL.room,
    borderColor: INK,
    borderWidth: 1.4,
  })
  for (const { object: o, x0: from, x1: to, isCut } of inSection(roomObjects(design), shape.lengthM))
    page.drawRectangle({
      x: x(from),
      y: y(o.z0),
      width: (to - from) * ppm,
      opacity: isCut ? 1 : 0.5,
      height: Math.max(1.5, (o.z1 - o.z0) * ppm),
      color: o.kind === 'bed' ? FILL.bed : o.kind === 'body' ? FILL.body : undefined,
      borderColor: INK,
      borderWidth: 0.6,
    })
  line(page, left, y(0), left + width, y(0), 1)
  dimension(paper, page, [x(0), y(0) - 18], [x(outline.widthM), y(0) - 18], show(outline.widthM, 'length'))
  const right = x(outline.widthM) + 26
  dimension(paper, page, [right, y(0)], [right, y(outline.ridgeHeightM)], show(outline.ridgeHeightM, 'length'))
  const sunny = sunnyAzimuthDeg(site.latitudeDeg, shape.turnDeg)
  paper.write(`sunny side, ${compassPoint(sunny)}`, left, foot + 8, { size: 9, soft: true })
  paper.write(`Section, 1 : ${n} on A4`, left + width, foot + 8, { size: 9, soft: true }, 'right')
}

/** The floor from above to scale, the sunny side below. */
function plan(paper: Paper, { design, show }: ReportParts): void {
  const { shape } = design
  const { page, left, foot, width } = paper.picture(PICTURE_PT)
  const { n, ppm } = scaleFor(shape.lengthM, shape.widthM, width - 120, PICTURE_PT - 60)
  const x0 = left + (width - shape.lengthM * ppm) / 2
  const y0 = foot + 40
  // With the sunny side below, the west end is on the left in the north and on the right in the south.
  const northern = design.site.latitudeDeg >= 0
  /** A piece of floor as a path from the page's own foot: what is drawn so counts downwards. */
  const pathOf = (piece: Footprint) => {
    const corners = piece.map(([px, py]) => `${(northern ? py : shape.lengthM - py) * ppm} ${-px * ppm}`)
    return `M${corners.join(' L')}Z`
  }
  const at = { x: x0, y: y0, borderColor: INK }
  const floor = footprintOf(makeBuilding(design).surfaces.find(s => s.kind === 'floor')!.polygon)
  page.drawSvgPath(pathOf(floor), { ...at, color: FILL.room, borderWidth: 1.4 })
  for (const o of roomObjects(design))
    for (const piece of o.pieces)
      page.drawSvgPath(pathOf(piece), {
        ...at,
        color: o.kind === 'bed' ? FILL.bed : o.kind === 'body' ? FILL.body : undefined,
        borderWidth: 0.6,
      })
  dimension(paper, page, [x0, y0 - 18], [x0 + shape.lengthM * ppm, y0 - 18], show(shape.lengthM, 'length'))
  const right = x0 + shape.lengthM * ppm + 26
  dimension(paper, page, [right, y0], [right, y0 + shape.widthM * ppm], show(shape.widthM, 'length'))
  paper.write(`Plan, sunny side below, 1 : ${n} on A4`, left + width, foot + 8, { size: 9, soft: true }, 'right')
}

/** The whole design as a printed report, pages of A4. */
export async function writeReportPdf(
  parts: ReportParts,
  fonts: FontFiles,
): Promise<{ bytes: Uint8Array; pages: number }> {
  const { design, view, rungs, show } = parts
  const { currency } = design.topUp
  const paper = await makePaper(design.name, fonts)
  const { latitudeDeg, longitudeDeg, elevationM } = design.site
  paper.heading(design.name, 22)
  paper.paragraph(
    `${Math.abs(latitudeDeg).toFixed(2)}° ${latitudeDeg < 0 ? 'S' : 'N'}, ${Math.abs(longitudeDeg).toFixed(2)}° ` +
      `${longitudeDeg < 0 ? 'W' : 'E'}, ${show(elevationM, 'length').replace(/[.,]\d+/, '')} above the sea`,
    { soft: true },
  )
  section(paper, parts)
  const cost = takeoff(design, show)
  figures(paper, parts, cost)
  paper.turn()
  paper.heading('From above')
  plan(paper, parts)
  months(paper, parts)
  if (rungs.length > 0) {
    const more = (k: number) => `${k >= 0 ? '+' : ''}${show(k, 'temperatureDifference')}`
    paper.heading('What the next money buys')
    paper.table(
      [
        ['change', 'what lives there', 'air', 'cost', 'a year', 'light'],
        ...rungs
          .slice(0, 14)
          .map(r => [
            `${r.words}. ${r.why}`,
            more(r.lifeK),
            more(r.gainK),
            `${currency} ${formatNumber(r.cost, 0)}`,
            formatNumber(r.aYear, 0, true),
            `${Math.round((r.lightShare - 1) * 100)} %`,
          ]),
      ],
      [75, 55, 80, 55, 40],
      true,
    )
  }
  paper.heading('What it is made of, and costs')
  paper.table(
    [
      ...cost.lines.filter(l => l.priced !== null).map(l => takeoffRow(l, currency, show)),
      ['all that is bought', '', `${currency} ${formatNumber(cost.total, 0)}`],
    ],
    [80, 90],
  )
  besidesTheList(paper, cost, show)
  paper.heading('Sums by hand')
  paper.table(
    view.sums.map(s => {
      const last = s.lines.at(-1)!
      const value = last.quantity
        ? show(last.value, last.quantity)
        : `${formatNumber(last.value, Math.abs(last.value) < 10 ? 2 : 0)} ${last.unit}`
      return [s.title, value, s.evidence === 'thin' ? 'thin evidence' : s.evidence === 'proof' ? 'proof' : 'measured']
    }),
    [120, 80],
  )
  paper.heading('Assumptions')
  assumptions(paper, parts)
  paper.heading('Cautions')
  cautions(paper, parts)
  paper.heading('How far to trust it')
  trust(paper)
  return paper.bytes(`${design.name}: made by Tierra from the design alone`)
}
