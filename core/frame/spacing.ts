import { STOCKS, type Stock } from '../catalog/stock'
import type { Design, Layer, PartId } from '../design/types'
import { MATERIALS } from '../catalog'
import { isHouseWall, madeOf, stretches } from '../geometry/parts'
import type { Outline } from '../geometry/section'
import type { Show } from '../units'

type House = Pick<Design, 'shape' | 'skin' | 'build'>

/** A layer from so thick on carries itself, m. */
const CARRIES_M = 0.08
/** Nobody cuts a strip narrower than this: the last two share what is left, m. */
const LEAST_STRIP_M = 0.3

/** What is sold where the house is built, with the width of sheets that is entered. */
export const stockOf = ({ stock, frame }: Design['build']): Stock => ({
  ...STOCKS[stock],
  sheetWidthM: frame.sheetM ?? STOCKS[stock].sheetWidthM,
})

/** Whether layers carry a roof themselves: masonry or earth, which has no studs. */
export const isMasonry = (layers: readonly Layer[]): boolean =>
  layers.some(l => {
    const group = MATERIALS.find(m => m.id === l.material)?.group
    return (group === 'masonry' || group === 'ground') && l.thicknessM >= CARRIES_M
  })

/** Whether a part stands without a frame of its own: a wall of masonry, or the house's that a lean-to leans on. */
export function carriesItself({ shape, skin }: Pick<Design, 'shape' | 'skin'>, part: PartId): boolean {
  const { kind, layers } = madeOf(skin, part)
  return isHouseWall(shape, part) || (kind === 'solid' && isMasonry(layers))
}

/** Bays alike of a length, none wider than it may be. */
export const baysOf = (lengthM: number, apartM: number): number => Math.max(1, Math.ceil(lengthM / apartM - 1e-9))

/** Edges of strips so wide side by side over a length, from 0 to its end, m. */
export function stripEdges(lengthM: number, wideM: number): number[] {
  const count = baysOf(lengthM, wideM)
  const last = lengthM - (count - 1) * wideM
  const edges = Array.from({ length: count }, (_, k) => k * wideM)
  if (count > 1 && last < LEAST_STRIP_M) edges[count - 1] = lengthM - (wideM + last) / 2
  return [...edges, lengthM]
}

/**
 * Where members stand along a length, one at each end: on every edge of a sheet, and between them in bays alike.
 * @param apartM at most so far from middle to middle, m
 * @param sheetM width of the sheets that are joined over them, m; null where nothing is joined
 */
export function membersAt(lengthM: number, apartM: number, sheetM: number | null): number[] {
  const edges = sheetM === null ? [0, lengthM] : stripEdges(lengthM, sheetM)
  return [
    0,
    ...edges.slice(1).flatMap((to, k) => {
      const from = edges[k]!
      const bays = baysOf(to - from, apartM)
      return Array.from({ length: bays }, (_, i) => from + ((to - from) * (i + 1)) / bays)
    }),
  ]
}

/** Whether glazing in sheets is joined on members of these pieces; film has no joints, and panes are made to fit. */
const sheetsOn = ({ skin }: House, pieces: readonly { part: PartId; glazed: boolean }[]): boolean =>
  pieces.some(({ part, glazed }) => glazed && madeOf(skin, part).glazing.sold === 'sheets')

/**
 * Width of the sheets that members along the ridge follow, m, one for both sides as rafters that meet stand in one
 * line; null where no sheet is joined on them, and in a dome.
 */
export const sheetAlong = (house: House, outline: Outline): number | null =>
  outline.form !== 'dome' && sheetsOn(house, stretches(house, outline)) ? stockOf(house.build).sheetWidthM : null

/** The same of the studs of an end. */
export function sheetOfEnd(house: House, part: 'eastEnd' | 'westEnd'): number | null {
  const { kind, glazedShare } = house.skin.parts[part]
  return sheetsOn(house, [{ part, glazed: kind === 'glazed' || glazedShare > 0 }])
    ? stockOf(house.build).sheetWidthM
    : null
}

/** Members no further apart, m: where film is stretched over them, as its class says. */
const apartOn = (house: House, pieces: readonly { part: PartId; glazed: boolean }[]): number => {
  const { apartM, filmM } = house.build.frame
  const isFilmed = pieces.some(({ part, glazed }) => glazed && madeOf(house.skin, part).glazing.sold === 'roll')
  return isFilmed && filmM !== null ? Math.min(apartM, filmM) : apartM
}
const apartAlong = (house: House, outline: Outline): number =>
  outline.form === 'dome' ? house.build.frame.apartM : apartOn(house, stretches(house, outline))

/** Where rafters, studs, ribs and hoops stand along the house from its west end, m. */
export const linesAlong = (house: House, outline: Outline): number[] =>
  membersAt(house.shape.lengthM, apartAlong(house, outline), sheetAlong(house, outline))

/** Where studs of an end stand from the sunny foot, its corners among them, m. */
export function linesOfEnd(house: House, outline: Outline, part: 'eastEnd' | 'westEnd'): number[] {
  const { kind, glazedShare } = house.skin.parts[part]
  const apartM = apartOn(house, [{ part, glazed: kind === 'glazed' || glazedShare > 0 }])
  return membersAt(outline.widthM, apartM, sheetOfEnd(house, part))
}

/** How far members stand apart and what they follow; and why that, or why they follow nothing. */
export function spacingWords(house: House, outline: Outline, show: Show): { said: string; why: string } {
  const apartM = apartAlong(house, outline)
  if (outline.form === 'dome')
    return { said: 'Struts stand on the edges of the facets', why: 'Sheets are cut to them.' }
  const wideM = sheetAlong(house, outline)
  const bays = baysOf(wideM ?? house.shape.lengthM, apartM)
  const apart = show((wideM ?? house.shape.lengthM) / bays, 'length')
  if (wideM === null)
    return { said: `Members ${apart} apart: ${bays} bays alike`, why: 'No sheets are joined on them here.' }
  return {
    said: `Members ${apart} apart: ${bays === 1 ? 'one bay' : `${bays} bays`} to a sheet of ${show(wideM, 'length')}`,
    why: 'So every joint lies on one; what is left at the end of the house has bays of its own.',
  }
}
