import { layOut, PAPERS, SCALES, type PaperId, type Sheet } from '../core/drawings/sheet'
import { drawView, VIEW_CHOICES, type ViewId } from '../core/drawings/views'
import { isDate } from '../core/design/fields/build'
import { schedule } from '../core/plan/schedule'
import { cutList } from '../core/takeoff/cuts'
import type { Piece } from '../core/takeoff/sheets'
import { takeoff } from '../core/takeoff/takeoff'
import { createYearEngine } from '../core/year'
import { writeCutsCsv } from '../formats/cuts-csv'
import { writeDrawingDxf } from '../formats/drawing-dxf'
import { writeDrawingPdf } from '../formats/drawing-pdf'
import { writeDrawingSvg } from '../formats/drawing-svg'
import { writePlanIcs } from '../formats/plan-ics'
import { writeTakeoffCsv } from '../formats/takeoff-csv'
import { BadInput } from './bad-input'
import { loadDesign } from './design-commands'
import { shippedFonts } from './fonts'
import { numberOption, readOptions } from './options'
import { writeWhole } from './output'

/** `takeoff`: what is to be bought, line by line. */
export function takeoffCommand(args: string[]): unknown {
  const { options, words } = readOptions(args, ['csv'], ['design.json'])
  const design = loadDesign(words[0]!)
  const all = takeoff(design)
  if (options.csv !== undefined) writeWhole(options.csv, writeTakeoffCsv(all, design), words)
  return all
}

const size = ({ part, widthM, lengthM, shapes }: Piece) => ({ part, widthM, lengthM, ...(shapes ? { shapes } : {}) })

/** `cuts`: members, sheets and facets as they are cut. */
export function cutsCommand(args: string[]): unknown {
  const { options, words } = readOptions(args, ['csv'], ['design.json'])
  const design = loadDesign(words[0]!)
  const all = cutList(design)
  const { members, lumber, glazing, facets, corners, rakes, jig } = all
  if (options.csv !== undefined) writeWhole(options.csv, writeCutsCsv(all), words)
  const { thickM, deepM } = design.build.frame
  const section = thickM === null || deepM === null ? null : [thickM, deepM]
  return [
    ...members.map(({ member, part, count, lengthM, ends, bevelDeg, bent }) => ({
      member,
      part,
      count,
      lengthM,
      angles: ends.map(e => e.sawDeg),
      cuts: ends.map(e => e.cut),
      section,
      ...(bevelDeg === undefined ? {} : { bevelDeg }),
      ...(bent ? { jig } : {}),
    })),
    ...lumber.map(({ lengthM, pieces }) => ({ lumber: lengthM, pieces })),
    ...glazing.flatMap(({ glazing: { id: sheet }, areaM2, boughtM2, pieces, sheets, rolls }) => [
      { sheet, areaM2, boughtM2, pieces: sheets.length > 0 ? [] : pieces.map(size), rolls },
      ...sheets.map(s => ({ sheet, ...s, pieces: s.pieces.map(p => ({ ...size(p), xM: p.xM, yM: p.yM })) })),
    ]),
    ...corners.map(c => ({ corner: 'foot', count: c.count, angleDeg: c.angleDeg, angles: [c.sawDeg] })),
    ...rakes.map(r => ({ rake: r.part, lengthM: r.lengthM, angles: [r.sawDeg] })),
    ...facets.map(f => ({ facet: f.part, count: f.count, sidesM: f.sidesM, angles: f.anglesDeg })),
  ]
}

/** An option that is one of some words. */
function oneOf<T extends string>(name: string, given: string | undefined, allowed: readonly T[]): T {
  const found = allowed.find(a => a === given)
  if (found === undefined)
    throw new BadInput([
      given === undefined
        ? `--${name}: is missing; allowed: ${allowed.join(', ')}`
        : `--${name}: “${given}” is not known; allowed: ${allowed.join(', ')}`,
    ])
  return found
}

/** `draw`: a view to scale, with dimensions, as SVG, DXF or PDF. */
export async function drawCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, ['view', 'svg', 'dxf', 'pdf', 'paper', 'scale'], ['design.json'])
  const views = VIEW_CHOICES.map(v => v.id)
  // An elevation is of one side: of the sunny one, unless another is named.
  const view = options.view === 'elevation' ? 'sunny' : oneOf<ViewId>('view', options.view, views)
  const paper = options.paper === undefined ? 'A4' : oneOf('paper', options.paper, Object.keys(PAPERS) as PaperId[])
  const scale = options.scale === undefined ? null : numberOption('scale', options.scale, SCALES[0], 1000)
  if (options.svg === undefined && options.dxf === undefined && options.pdf === undefined)
    throw new BadInput(['arguments: nothing to write; allowed: one or more of --svg, --dxf and --pdf with a file'])
  const design = loadDesign(words[0]!)
  let sheet: Sheet
  try {
    sheet = layOut(design, { view, paper, scale, date: new Date().toISOString().slice(0, 10) })
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput([`draw: ${error.message}`])
    throw error
  }
  if (options.svg !== undefined) writeWhole(options.svg, writeDrawingSvg(sheet), words)
  if (options.dxf !== undefined)
    writeWhole(options.dxf, writeDrawingDxf(drawView(design, view, sheet.scale)!, sheet.scale), words)
  if (options.pdf !== undefined) writeWhole(options.pdf, await writeDrawingPdf([sheet], shippedFonts()), words)
  const { title, scale: drawnAt } = sheet
  return { view, title, paper, scale: drawnAt, svg: options.svg, dxf: options.dxf, pdf: options.pdf }
}

/** `plan`: the work in order on days of the calendar. */
export function planCommand(args: string[]): unknown {
  const { options, words } = readOptions(args, ['start', 'ics'], ['design.json'])
  const { start, ics } = options
  if (start === undefined || !isDate(start))
    throw new BadInput([
      `--start: ${start === undefined ? 'is missing' : `“${start}” is not a day`}; allowed: a day such as 2027-04-05`,
    ])
  const design = loadDesign(words[0]!)
  const plan = schedule(design, start, createYearEngine().site(design).dryBulbC)
  if (ics !== undefined) writeWhole(ics, writePlanIcs(plan, design), words)
  return plan
}
