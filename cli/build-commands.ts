import { factsOf } from '../core/drawings/site-facts'
import { layOut, PAPERS, SCALES, type PaperId, type Sheet } from '../core/drawings/sheet'
import { VIEW_CHOICES, type ViewId } from '../core/drawings/views'
import { isDate } from '../core/design/fields/build'
import { schedule } from '../core/plan/schedule'
import { cutList } from '../core/takeoff/cuts'
import type { Piece } from '../core/takeoff/sheets'
import { takeoff } from '../core/takeoff/takeoff'
import { createYearEngine } from '../core/year'
import { BadInput } from './bad-input'
import { loadDesign } from './design-commands'
import { exportOptions, writeExports } from './exports'
import { numberOption, readOptions } from './options'

/** `takeoff`: what is to be bought, line by line. */
export async function takeoffCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, exportOptions('take-off'), ['design.json'])
  const design = loadDesign(words[0]!)
  const all = takeoff(design)
  await writeExports('take-off', { takeoff: all, design }, options, words)
  return all
}

const size = ({ part, widthM, lengthM, shapes }: Piece) => ({ part, widthM, lengthM, ...(shapes ? { shapes } : {}) })

/** `cuts`: members, sheets and facets as they are cut. */
export async function cutsCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, exportOptions('cuts'), ['design.json'])
  const design = loadDesign(words[0]!)
  const all = cutList(design)
  const { members, lumber, glazing, facets, corners, rakes, jig } = all
  await writeExports('cuts', all, options, words)
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
  const outs = exportOptions('drawing')
  const { options, words } = readOptions(args, ['view', 'paper', 'scale', ...outs], ['design.json'])
  const views = VIEW_CHOICES.map(v => v.id)
  // An elevation is of one side: of the sunny one, unless another is named.
  const view = options.view === 'elevation' ? 'sunny' : oneOf<ViewId>('view', options.view, views)
  const paper = options.paper === undefined ? 'A4' : oneOf('paper', options.paper, Object.keys(PAPERS) as PaperId[])
  const scale = options.scale === undefined ? null : numberOption('scale', options.scale, SCALES[0], 1000)
  if (outs.every(out => options[out] === undefined))
    throw new BadInput([
      `arguments: nothing to write; allowed: one or more of ${outs.map(out => `--${out}`).join(', ')} with a file`,
    ])
  const design = loadDesign(words[0]!)
  let sheet: Sheet
  try {
    const site = factsOf(design, createYearEngine().site(design))
    sheet = layOut(design, { view, paper, scale, site, date: new Date().toISOString().slice(0, 10) })
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput([`draw: ${error.message}`])
    throw error
  }
  await writeExports('drawing', sheet, options, words)
  const { title, scale: drawnAt } = sheet
  return { view, title, paper, scale: drawnAt, ...Object.fromEntries(outs.map(out => [out, options[out]])) }
}

/** `plan`: the work in order on days of the calendar. */
export async function planCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, ['start', ...exportOptions('plan')], ['design.json'])
  const { start } = options
  if (start === undefined || !isDate(start))
    throw new BadInput([
      `--start: ${start === undefined ? 'is missing' : `“${start}” is not a day`}; allowed: a day such as 2027-04-05`,
    ])
  const design = loadDesign(words[0]!)
  const plan = schedule(design, start, createYearEngine().site(design).dryBulbC)
  await writeExports('plan', { plan, design }, options, words)
  return plan
}
