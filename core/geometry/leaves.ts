import { entry, GLAZINGS, type Glazing } from '../catalog'
import type { Cover, Design, Layer, Opening, PartId } from '../design/types'
import type { Row } from '../openings/kind'
import { POST_M } from '../openings/leaf'
import { openingKind } from '../openings/registry'
import { leafLayers } from './leaf-layers'
import { isHouseWall, madeOf, type PaneCover } from './parts'
import { halfAt, hostOf, partPlanes, rectPolygon, type PartPlane, type PartRect } from './part-planes'
import { DOME_SIDES } from './round'
import type { Outline } from './section'
import type { Vec } from './vec'

type House = Pick<Design, 'shape' | 'skin'>

/** A leaf of an opening as it lies on its part. */
export interface LaidLeaf {
  /** Its opening, by its place in the document. */
  index: number
  part: PartId
  /** The planes that it lies on: several where it goes over a bend. */
  planes: readonly PartPlane[]
  rect: PartRect
}

/** The leaves of a row on a part so wide. */
export function rowRects({ count, widthM, heightM, sillM, offsetM, spread }: Row, wideM: number): PartRect[] {
  const pitch = spread ? wideM / count : widthM + POST_M
  return Array.from({ length: count }, (_, i) => {
    const middle = (spread ? 0 : offsetM) + (i - (count - 1) / 2) * pitch
    return { u0: middle - widthM / 2, u1: middle + widthM / 2, v0: sillM, v1: sillM + heightM }
  })
}

/**
 * All leaves of a house's openings, in the order of the document; none of those whose part the form does not have.
 * What drawings, areas, light and air tell of an opening is told from these.
 */
export function laidLeaves(house: House, outline: Outline): LaidLeaf[] {
  const { openings } = house.skin
  if (outline.form === 'dome') return domeLeaves(house, outline)
  return openings.flatMap((o, index): LaidLeaf[] => {
    const kind = openingKind(o)
    const planes = partPlanes(house, outline, o.part)
    if (planes.length === 0) return []
    const host = hostOf(house, outline, o.part)
    return rowRects(kind.row(o, host), host.wideM).map(rect => ({ index, part: o.part, planes, rect }))
  })
}

/** Facets of the east, where the first door of a dome stands: they are counted from the pole round by the east. */
const EAST = DOME_SIDES / 4 - 1

/**
 * Leaves in a dome: one to a facet, as high on it as it says or as it narrows. A door takes the facet that its place
 * off the east comes to, and what it rises over; the others are spread over those that are left. What finds no facet is
 * laid on none.
 */
function domeLeaves(house: House, outline: Outline): LaidLeaf[] {
  const taken = new Set<string>()
  const doors: { side: number; topM: number }[] = []
  const out: LaidLeaf[] = []
  const inOrder = house.skin.openings
    .map((o, index) => ({ o, index, kind: openingKind(o) }))
    .sort((a, b) => Number(a.kind.traffic(a.o) === null) - Number(b.kind.traffic(b.o) === null))
  const nameOf = ({ facet }: PartPlane) => `${facet!.ring} ${facet!.side}`
  for (const { o, index, kind } of inOrder) {
    const planes = partPlanes(house, outline, o.part, kind.ridge)
    if (!kind.onDome || planes.length === 0) continue
    const row = kind.row(o, hostOf(house, outline, o.part, kind.ridge))
    const lay = (plane: PartPlane) => {
      taken.add(nameOf(plane))
      const v0 = Math.max(0, Math.min(row.sillM, highestOn(plane, row)))
      const rect = { u0: -row.widthM / 2, u1: row.widthM / 2, v0, v1: v0 + row.heightM }
      out.push({ index, part: o.part, planes: [plane], rect })
    }
    if (kind.traffic(o)) {
      const n = planes.length
      const turn = Math.round(row.offsetM / (2 * planes[0]!.halfM[0]))
      const plane = planes[(((Math.min(EAST, n - 1) + turn) % n) + n) % n]!
      doors.push({ side: plane.facet!.side, topM: row.heightM })
      lay(plane)
      continue
    }
    const free = planes.filter(
      p => !taken.has(nameOf(p)) && !doors.some(d => d.side === p.facet!.side && d.topM > p.origin[2] + 1e-6),
    )
    const count = Math.min(row.count, free.length)
    for (let k = 0; k < count; k++) lay(free[Math.floor(((k + 0.5) * free.length) / count)]!)
  }
  return out.sort((a, b) => a.index - b.index)
}

/** How far up a facet's lower edge a leaf's own may lie so that all of it is on the facet, m; negative for nowhere. */
export function highestOn(plane: PartPlane, { widthM, heightM }: Pick<Row, 'widthM' | 'heightM'>): number {
  const long = plane.to - plane.from
  const [low, high] = plane.halfM
  if (widthM / 2 > low + 1e-9) return -1
  const narrows = low - high
  const top = narrows > 1e-9 ? Math.min(long, (long * (low - widthM / 2)) / narrows) : long
  return top - heightM
}

/** Whether a leaf lies on its facet. */
export const isOnFacet = (plane: PartPlane, { u0, u1, v0, v1 }: PartRect): boolean =>
  v0 >= plane.from - 1e-9 && v1 <= plane.to + 1e-9 && [v0, v1].every(v => Math.max(-u0, u1) <= halfAt(plane, v) + 1e-9)

/** Polygons of a leaf, one for each plane that it lies on, corners up the part first. */
export const leafPolygons = ({ planes, rect }: LaidLeaf): Vec[][] =>
  planes.flatMap((p, i) => {
    // A door may stand out over the top of its part; what does belongs to the last plane.
    const v0 = Math.max(rect.v0, i === 0 ? -Infinity : p.from)
    const v1 = Math.min(rect.v1, i === planes.length - 1 ? Infinity : p.to)
    return v1 - v0 > 1e-9 ? [rectPolygon(p, { ...rect, v0, v1 })] : []
  })

/**
 * What is let into a part with a leaf of another make than the part's own: glazed, or of layers from outside to
 * inside.
 */
export interface LeafMake {
  index: number
  part: PartId
  glazing: Glazing | null
  layers: Layer[]
  cover: PaneCover
  polygon: Vec[]
}

/** Boards of an opening that is insulated for the winter; they stand in for its night cover. */
function boardsFor(o: Opening, bare: Cover): PaneCover | null {
  const { winter, winterBy, winterFromMonth, winterUntilMonth, winterBelowC } = openingKind(o).opener(o)
  if (winter !== 'insulated') return null
  const boards = { winter, winterBy, winterFromMonth, winterUntilMonth, winterBelowC }
  return { ...bare, id: 'shutter', place: 'inside', fit: 'tight', boards }
}

/** Leaves of another make than the part that they are let into, as flat pieces. */
export function leafMakes(house: House, outline: Outline): LeafMake[] {
  const { skin } = house
  const bare: Cover = { ...skin.cover, id: 'none' }
  return laidLeaves(house, outline).flatMap((laid): LeafMake[] => {
    const o = skin.openings[laid.index]!
    const leaf = openingKind(o).leaf(o)
    const board = boardsFor(o, bare)
    // A house's own wall is not ours to let light or cold through; a piece of its part is no other make, but boarded.
    if (!leaf || (leaf.made === 'sheet' && !board) || isHouseWall(house.shape, o.part)) return []
    const part = madeOf(skin, o.part)
    const { v0, v1 } = laid.rect
    const { kind, solidTopM = 0 } = skin.parts[o.part] as { kind: string; solidTopM?: number }
    const inTop = solidTopM > 0 && (v0 + v1) / 2 > laid.planes.at(-1)!.to - solidTopM
    const asPart = leaf.made === 'sheet'
    const glazing = asPart ? part.glazing : entry(GLAZINGS, leaf.glazing ?? skin.glazing)
    const isPane = asPart ? kind === 'glazed' && !inTop : leaf.made === 'glazed'
    const layers = leafLayers(leaf.made) ?? (inTop ? part.topLayers : part.layers)
    const share = isPane ? 1 : leaf.glazedShare
    const middle = v1 - share * (v1 - v0)
    const piece = (from: number, to: number, pane: boolean): LeafMake[] =>
      to - from < 1e-6
        ? []
        : leafPolygons({ ...laid, rect: { ...laid.rect, v0: from, v1: to } }).map(polygon => ({
            index: laid.index,
            part: o.part,
            glazing: pane ? glazing : null,
            layers: pane ? [] : layers,
            cover: board ?? (leaf.covered ? part.cover : bare),
            polygon,
          }))
    // In glazing of its own kind it is that glazing, under the same cover.
    const isSame = kind === 'glazed' && solidTopM === 0 && glazing === part.glazing && leaf.made === 'glazed' && !board
    return isSame ? [] : [...piece(v0, middle, false), ...piece(middle, v1, true)]
  })
}

/** Every leaf as it lies on the skin, for drawings. */
export const openingPolygons = (house: House, outline: Outline): { index: number; polygon: Vec[] }[] =>
  laidLeaves(house, outline).flatMap(laid => leafPolygons(laid).map(polygon => ({ index: laid.index, polygon })))
