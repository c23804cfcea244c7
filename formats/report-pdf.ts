import { rgb, type PDFPage } from 'pdf-lib'
import { allCautions } from '../core/advice/access'
import { whyWorst } from '../core/advice/worst-night'
import { MONTH_NAMES } from '../core/climate'
import type { Design } from '../core/design'
import { compassPoint } from '../core/geometry/compass'
import { footprintOf, type Footprint } from '../core/geometry/footprint'
import { inSection, roomObjects } from '../core/geometry/objects'
import { makeBuilding } from '../core/geometry/surfaces'
import { makeOutline, sunnyAzimuthDeg } from '../core/geometry/section'
import type { Rung } from '../core/study/ladder'
import { winterDli } from '../core/study/figures'
import { takeoff } from '../core/takeoff/takeoff'
import { CLAIMS, GROUNDS } from '../core/trust'
import { amountWords } from '../core/takeoff/lines'
import { formatNumber, nameIn, type Quantity } from '../core/units'
import type { YearView } from '../core/view'
import { INK, LINE, type FontFiles } from './pdf-fonts'
import { makePaper, type Paper } from './pdf-page'

/** What a report is made of. */
export interface ReportParts {
  design: Design
  view: YearView
  /** Rungs of a ladder of this design, the best first; none where it was not worked out. */
  rungs: readonly Rung[]
  show: (value: number, quantity: Quantity) => string
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

/** Months as bands of inside low to high, outside low as a line. */
function monthBands(paper: Paper, { view, show }: ReportParts): void {
  const { months } = view.answers
  const { page, left, foot, width } = paper.picture(120)
  const all = months.flatMap(m => [m.insideMinC, m.insideMaxC, m.outsideMinC])
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const x = (m: number) => left + 44 + ((width - 50) * (m + 0.5)) / 12
  const y = (c: number) => foot + 18 + ((c - low) / (high - low)) * 94
  if (low < 0) page.drawLine({ start: { x: left + 44, y: y(0) }, end: { x: left + width, y: y(0) }, color: LINE })
  months.forEach((m, i) => {
    page.drawRectangle({
      x: x(i) - 9,
      y: y(m.insideMinC),
      width: 18,
      height: y(m.insideMaxC) - y(m.insideMinC),
      color: rgb(0.75, 0.8, 0.65),
      borderColor: INK,
      borderWidth: 0.5,
    })
    line(page, x(i) - 9, y(m.outsideMinC), x(i) + 9, y(m.outsideMinC), 1.4)
    paper.write(MONTH_NAMES[i]!.slice(0, 3), x(i), foot + 4, { size: 8, soft: true }, 'middle')
  })
  paper.write(show(high, 'temperature'), left, y(high) - 6, { size: 8, soft: true })
  paper.write(show(low, 'temperature'), left, y(low), { size: 8, soft: true })
}

/** The whole design as a printed report, pages of A4. */
export async function writeReportPdf(
  parts: ReportParts,
  fonts: FontFiles,
): Promise<{ bytes: Uint8Array; pages: number }> {
  const { design, view, rungs, show } = parts
  const { answers } = view
  const { currency } = design.topUp
  const paper = await makePaper(design.name, fonts)
  const t = (c: number) => show(c, 'temperature')
  const kWh = (v: number) => show(v * 3.6e6, 'energy')
  const { latitudeDeg, longitudeDeg, elevationM } = design.site
  paper.heading(design.name, 22)
  paper.paragraph(
    `${Math.abs(latitudeDeg).toFixed(2)}° ${latitudeDeg < 0 ? 'S' : 'N'}, ${Math.abs(longitudeDeg).toFixed(2)}° ` +
      `${longitudeDeg < 0 ? 'W' : 'E'}, ${show(elevationM, 'length').replace(/[.,]\d+/, '')} above the sea`,
    { soft: true },
  )
  section(paper, parts)
  const { coldestNight, hottestAfternoon, aim } = answers
  const cost = takeoff(design, show)
  paper.heading(`Coldest night: ${t(coldestNight.insideC)}`, 18)
  const aimed = aim.tightest
    ? `Aim ${t(aim.tightest.aimC)}: ${aim.tightest.marginK >= 0 ? 'kept' : 'missed'} by ` +
      `${show(Math.abs(aim.tightest.marginK), 'temperatureDifference')}. `
    : ''
  paper.paragraph(`${aimed}${whyWorst(answers, view, show, null).join(' ')}`)
  paper.table(
    [
      ['Hottest afternoon', t(hottestAfternoon.insideC)],
      ['The leaf’s own coldest hour', t(answers.leaf.coldestC)],
      ['Frost inside', show(answers.hoursBelow0, 'hours')],
      ['Below the aim', show(answers.hoursBelowAim, 'hours')],
      ['Too hot', show(answers.hoursAboveLimit, 'hours')],
      ['Damp, above 90 % humidity', show(answers.hoursDamp, 'hours')],
      ['Heat bought in a year', kWh(answers.topUp.kWh)],
      ['Light of the winter half at the beds', `${winterDli(design, answers).toFixed(1)} mol/m²·d`],
      ['Materials and devices, roughly', `${currency} ${formatNumber(cost.total, 0)}`],
    ],
    [140],
  )
  paper.turn()
  paper.heading('From above')
  plan(paper, parts)
  paper.heading('The months')
  monthBands(paper, parts)
  paper.paragraph('Bars: inside, lowest to highest of the month. Lines: lowest outside.', { size: 8, soft: true })
  const cell = (of: (m: (typeof answers.months)[number]) => string) => answers.months.map(of)
  const bare = (c: number) => t(c).replace(/[^\d.,−-]/g, '')
  paper.table(
    [
      [
        t(0)
          .replace(/[\d.,]/g, '')
          .trim(),
        ...MONTH_NAMES.map(m => m.slice(0, 3)),
      ],
      ['inside low', ...cell(m => bare(m.insideMinC))],
      ['inside mean', ...cell(m => bare(m.insideMeanC))],
      ['inside high', ...cell(m => bare(m.insideMaxC))],
      ['outside low', ...cell(m => bare(m.outsideMinC))],
      ['soil', ...cell(m => bare(m.soilC))],
      ['light, mol', ...cell(m => m.dli.toFixed(0))],
      ['heat, kWh', ...cell(m => Math.round(m.topUpKWh).toString())],
    ],
    Array.from({ length: 12 }, () => 34),
    true,
    8,
  )
  paper.heading('Heat in and out, a year')
  const flows = [
    ...Object.entries(answers.ledger.gains).map(([name, v]) => [name, kWh(v)]),
    ...Object.entries(answers.ledger.losses)
      .sort((a, b) => b[1] - a[1])
      .map(([name, v]) => [name, kWh(-v)]),
  ]
  paper.table(flows, [120])
  if (rungs.length > 0) {
    paper.heading('What the next money buys')
    paper.table(
      [
        ['change', 'coldest night', 'cost', 'light'],
        ...rungs
          .slice(0, 14)
          .map(r => [
            `${r.words}. ${r.why}`,
            `${r.gainK >= 0 ? '+' : ''}${show(r.gainK, 'temperatureDifference')}`,
            `${currency} ${formatNumber(r.cost, 0)}`,
            `${Math.round((r.lightShare - 1) * 100)} %`,
          ]),
      ],
      [80, 80, 40],
      true,
    )
  }
  paper.heading('What it is made of, and costs')
  paper.table(
    [
      ...cost.lines
        .filter(l => l.priced !== null)
        .map(l => [
          `${l.part}: ${nameIn(l.item, show)}`,
          amountWords(l.buy, l.unit, show),
          `${currency} ${formatNumber(l.cost, 0)}`,
        ]),
      ['all that is bought', '', `${currency} ${formatNumber(cost.total, 0)}`],
    ],
    [80, 90],
  )
  paper.paragraph(
    `Prices are rough until somebody who builds it has put in their own; transport is left out. Work is apart: about ` +
      `${show(cost.hands.hours, 'hours')} by people who have done it before` +
      `${cost.hands.cost > 0 ? `, ${currency} ${formatNumber(cost.hands.cost, 0)}` : ''}.`,
    { size: 8, soft: true },
  )
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
  paper.paragraph(
    [
      ...answers.notes,
      design.site.climate.kind === 'normals'
        ? `The year is one of many made from the same figures (seed ${answers.seed}); winters differ by a few degrees.`
        : 'The weather is one year, hour by hour, from a file; other winters differ by a few degrees.',
      `Worked out by version ${answers.version}.`,
    ].join(' '),
  )
  paper.heading('Cautions')
  for (const c of allCautions(design, answers, show)) paper.paragraph(`– ${c.text}`)
  paper.paragraph(
    'Snow, wind, anchorage and glass overhead are an engineer’s or the building office’s. Local codes and licensed ' +
      'people go before anything that stands here.',
  )
  paper.heading('How far to trust it')
  for (const c of CLAIMS) paper.paragraph(`${c.claim}. ${GROUNDS[c.rests]} ${c.bias}`, { size: 9 })
  return paper.bytes(`${design.name}: made by Tierra from the design alone`)
}
