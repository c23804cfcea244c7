import { cutList } from '../core/takeoff/cuts'
import { takeoff } from '../core/takeoff/takeoff'
import { writeTakeoffCsv } from '../formats/takeoff-csv'
import { loadDesign } from './design-commands'
import { readOptions } from './options'
import { writeWhole } from './output'

/** `takeoff`: what is to be bought, line by line. */
export function takeoffCommand(args: string[]): unknown {
  const { options, words } = readOptions(args, ['csv'], ['design.json'])
  const design = loadDesign(words[0]!)
  const all = takeoff(design)
  if (options.csv !== undefined) writeWhole(options.csv, writeTakeoffCsv(all, design), words)
  return all
}

/** `cuts`: members, sheets and facets as they are cut. */
export function cutsCommand(args: string[]): unknown {
  const { words } = readOptions(args, [], ['design.json'])
  const design = loadDesign(words[0]!)
  const { members, lumber, glazing, facets, jig } = cutList(design)
  const { thickM, deepM } = design.build.frame
  const section = thickM === null || deepM === null ? null : [thickM, deepM]
  return [
    ...members.map(({ member, part, count, lengthM, ends, bent }) => ({
      member,
      part,
      count,
      lengthM,
      angles: ends.map(e => e.sawDeg),
      cuts: ends.map(e => e.cut),
      section,
      ...(bent ? { jig } : {}),
    })),
    ...lumber.map(({ lengthM, pieces }) => ({ lumber: lengthM, pieces })),
    ...glazing.flatMap(({ glazing: { id: sheet }, areaM2, boughtM2, pieces, sheets, rolls }) => [
      { sheet, areaM2, boughtM2, pieces: sheets.length > 0 ? [] : pieces, rolls },
      ...sheets.map(s => ({ sheet, ...s })),
    ]),
    ...facets.map(f => ({ facet: f.part, count: f.count, sidesM: f.sidesM, angles: f.anglesDeg })),
  ]
}
