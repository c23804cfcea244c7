import { RAD } from '../physics/constants'
import type { Glazing } from '../catalog'
import { PART_NAMES, type Design, type Layer, type PartId } from '../design/types'
import { domeFacets, domeFloor } from './dome'
import { dormersOf, drawnOut } from './dormers'
import { dormerLayers } from './leaf-layers'
import { leafMakes } from './leaves'
import { footprintM2, footprintOf, rectangleOf, sharedPiece, type Footprint } from './footprint'
import { feetOfWalls, pathStrip, roomObjects, standsOnM2, type FootOfWall, type RoomObject } from './objects'
import {
  leafFaceOf,
  liningsOn,
  madeOf,
  openingFace,
  openingOf,
  stretches,
  type Made,
  type PaneCover,
  type Stretch,
  type SurfaceId,
} from './parts'
import { groundAt, makeOutline, sunnyAzimuthDeg, type Outline } from './section'
import { clipped, dot, minus, partOn, planeOf, type Vec } from './vec'

export type { Vec } from './vec'
export type { PaneCover, SurfaceId } from './parts'

/** A plane piece of the building's skin, or its floor. */
export interface Surface {
  id: SurfaceId
  kind: 'glazed' | 'opaque' | 'floor'
  areaM2: number
  /** From level: 0 faces up, 90 stands. */
  tiltDeg: number
  /** Outward, from true north. */
  azimuthDeg: number
  /** Outward, in the room's own directions. */
  normal: Vec
  /**
   * Its corners, in the order that makes `normal` its vector area: the whole outline, whatever is let into it.
   */
  polygon: Vec[]
  /** What is let into it, each by its corners; its area is less theirs. */
  cuts: Vec[][]
  /** Whether it is let into another itself: a leaf of an opening, the glazing of an end. */
  letIn: boolean
  /** Whether it stands out over the skin: a cheek or the roof of a door's dormer. */
  standsOut: boolean
  boundary: 'outside' | 'ground' | 'house'
  /** Which part of the skin it is of; null for the floor. */
  part: PartId | null
  /** Glazed only: what it is glazed with, and in what condition. */
  glazing: Glazing | null
  condition: Design['skin']['condition']
  /** Which of the building's covers is drawn over it: of panes, and of leaves that are boarded up; −1 for none. */
  cover: number
  /** Opaque only: layers from outside to inside, and the finishes of its faces. */
  layers: Layer[]
  finish: string
  outside: string
}

/** The building as planes and boxes: what light and heat are worked out on. */
export interface Building {
  outline: Outline
  /** The skin as the section shows it. */
  stretches: Stretch[]
  surfaces: Surface[]
  /** What dormers take out of the skin, with the face that one sees there instead. */
  taken: { id: SurfaceId; polygon: Vec[] }[]
  /** Night covers: the house's, then those of parts that have their own. */
  covers: PaneCover[]
  objects: RoomObject[]
  /** Upright walls where they stand on the floor. */
  walls: FootOfWall[]
  lengthM: number
  sunnyAzimuthDeg: number
  /** Azimuth of the y direction: towards the east end. */
  eastAzimuthDeg: number
  floorAreaM2: number
  bedAreaM2: number
  /** Of the widest way through, what no bed stands on, m². */
  pathM2: number
  perimeterM: number
  volumeM3: number
  /** Height of the ground outside over the floor, m: its mean, and at x of the section. */
  sunkM: number
  groundAt: (x: number) => number
}

const DEG = 1 / RAD
const near = (a: number, b: number) => Math.abs(a - b) < 1e-6
const isLeafFace = (id: SurfaceId) => openingOf(id) >= 0

/** The building that a design describes. The design must be sound (`designFaults` empty). */
export function makeBuilding(design: Pick<Design, 'shape' | 'skin' | 'store' | 'site'>): Building {
  const { shape, site } = design
  const outline = makeOutline(shape)
  const sunny = sunnyAzimuthDeg(site.latitudeDeg, shape.turnDeg)
  const east = (sunny + (site.latitudeDeg >= 0 ? 270 : 90)) % 360
  const L = shape.lengthM
  const surfaces: Surface[] = []
  const azimuthOf = (n: Vec) => {
    // Poleward is the direction opposite to the sunny side; y runs towards the east end.
    const pole = (sunny + 180) / DEG
    const along = east / DEG
    const e = n[0] * Math.sin(pole) + n[1] * Math.sin(along)
    const north = n[0] * Math.cos(pole) + n[1] * Math.cos(along)
    return (Math.atan2(e, north) * DEG + 360) % 360
  }
  const covers: PaneCover[] = [design.skin.cover]
  const coverOf = (cover: PaneCover) => {
    const same = (c: PaneCover) => c === cover || (c.boards && JSON.stringify(c) === JSON.stringify(cover))
    const at = covers.findIndex(same)
    return at >= 0 ? at : covers.push(cover) - 1
  }
  const leaves = leafMakes(design, outline).map(leaf => ({ ...leaf, ...planeOf(leaf.polygon) }))
  const dormers = dormersOf(design, outline)
  // Behind a hole of the skin stands the piece of the door that is as high.
  const taken = dormers.flatMap(({ index, taken: holes }) =>
    holes.flatMap(hole => {
      const panes = leaves.filter(l => l.index === index && l.glazing)
      const beside = (over: boolean) =>
        panes.reduce((left, { polygon }) => {
          const z = Math.min(...polygon.map(p => p[2]))
          return partOn(left, p => (over ? p[2] - z : z - p[2]))
        }, hole)
      return [
        { id: leafFaceOf(index), polygon: panes.length > 0 ? beside(false) : hole },
        { id: openingFace(index), polygon: panes.length > 0 ? beside(true) : [] },
      ].filter(t => areaOf(t.polygon) > 1e-6)
    }),
  )
  const outOfSkin = taken.map(({ polygon }) => ({ polygon, normal: planeOf(polygon).normal }))
  const add: AddSurface = (id, polygon, piece) => {
    const { part, glazed, made, top, pane = [], letIn = isLeafFace(id), standsOut = false, boundary } = piece
    const { normal, areaM2: whole } = planeOf(polygon)
    const offset = dot(normal, polygon[0]!)
    const lies = (piece: { polygon: Vec[]; normal: Vec }) =>
      dot(piece.normal, normal) > 1 - 1e-9 && near(dot(normal, piece.polygon[0]!), offset)
    const cuts = (part === null || isLeafFace(id) ? [] : [...leaves, ...outOfSkin])
      .filter(lies)
      .map(l => clipped(l.polygon, polygon, normal))
      .filter(cut => cut.length > 0)
    const areaM2 =
      whole - areaOf(pane) - cuts.reduce((sum, cut) => sum + areaOf(cut) - areaOf(clipped(cut, pane, normal)), 0)
    if (pane.length > 0) cuts.unshift(pane)
    if (areaM2 < 1e-6) return
    const floor = part === null
    surfaces.push({
      id,
      kind: floor ? 'floor' : glazed ? 'glazed' : 'opaque',
      polygon,
      cuts,
      letIn,
      standsOut,
      normal,
      part,
      glazing: glazed ? made!.glazing : null,
      condition: made?.condition ?? design.skin.condition,
      cover: glazed || made?.cover.boards ? coverOf(made!.cover) : -1,
      layers:
        floor || glazed
          ? []
          : isLeafFace(id)
            ? made!.layers
            : top
              ? made!.topLayers
              : [...made!.layers, ...liningsOn(design.store, part)],
      finish: (top ? made?.topFinish : made?.finish) ?? 'bare',
      outside: made?.outside ?? 'bare',
      areaM2,
      boundary: floor ? 'ground' : (boundary ?? 'outside'),
      tiltDeg: floor ? 0 : Math.acos(Math.min(1, Math.max(-1, normal[2]))) * DEG,
      azimuthDeg: floor ? sunny : azimuthOf(normal),
    })
  }
  const dome = shape.form === 'dome'
  const perimeterM = dome ? domeSkin(design, outline, add) : extrudedSkin(design, outline, leaves, add)
  for (const l of leaves) {
    const own = madeOf(design.skin, l.part)
    const made: Made = { ...own, glazing: l.glazing ?? own.glazing, layers: l.layers, finish: 'bare', cover: l.cover }
    const id = l.glazing ? openingFace(l.index) : leafFaceOf(l.index)
    add(id, l.polygon, { part: l.part, made, glazed: l.glazing !== null })
  }
  for (const { index, part, sides } of dormers) {
    const made: Made = {
      ...madeOf(design.skin, part),
      layers: dormerLayers(design.skin.openings[index]!),
      finish: 'bare',
    }
    for (const side of sides) add(leafFaceOf(index), side, { part, made, glazed: false, standsOut: true })
  }
  const floor = surfaces.find(s => s.kind === 'floor')!
  const objects = roomObjects(design)
  return {
    outline,
    stretches: stretches(design, outline),
    surfaces,
    taken,
    covers,
    objects,
    lengthM: L,
    sunnyAzimuthDeg: sunny,
    eastAzimuthDeg: east,
    floorAreaM2: floor.areaM2,
    walls: feetOfWalls(shape, outline),
    pathM2: pathM2({ shape, store: design.store }, floor.polygon, objects),
    bedAreaM2: objects.filter(o => o.kind === 'bed').reduce((sum, o) => sum + standsOnM2(o), 0),
    perimeterM,
    volumeM3: volumeM3(surfaces),
    sunkM: Math.max(0, shape.sunkM + shape.riseM / 2),
    groundAt: x => groundAt(shape, x),
  }
}

/** Area of the path, m². */
function pathM2(
  design: Pick<Design, 'shape' | 'store'>,
  floor: readonly Vec[],
  objects: readonly RoomObject[],
): number {
  const strip = pathStrip(design)
  if (!strip) return 0
  const way = rectangleOf(strip.x0, strip.x1, 0, design.shape.lengthM)
  const within = (piece: Footprint) => footprintM2(sharedPiece(piece, way))
  const onBeds = objects.filter(o => o.kind === 'bed').flatMap(o => o.pieces)
  return within(footprintOf(floor)) - onBeds.reduce((sum, p) => sum + within(p), 0)
}

/** What a piece of skin is, besides its corners. */
interface Piece {
  part: PartId | null
  made?: Made
  glazed?: boolean
  /** The solid upper stretch of its part. */
  top?: boolean
  /** The glazing of a solid end, which is cut out of it. */
  pane?: Vec[]
  letIn?: boolean
  standsOut?: boolean
  boundary?: Surface['boundary']
}
type AddSurface = (id: SurfaceId, polygon: Vec[], piece: Piece) => void

/** A section drawn out along the ridge, closed by its two ends. Returns the length round its foot, m. */
function extrudedSkin(
  design: Pick<Design, 'shape' | 'skin' | 'store'>,
  outline: Outline,
  leaves: readonly { part: PartId; polygon: Vec[] }[],
  add: AddSurface,
): number {
  const { shape, skin } = design
  const L = shape.lengthM
  for (const stretch of stretches({ shape, skin }, outline)) {
    const { id, part, glazed, top } = stretch
    const back = part === 'backWall'
    const made = madeOf(skin, part)
    add(id, drawnOut(stretch, L), {
      part,
      glazed,
      top,
      made,
      boundary: back && shape.form === 'lean-to' ? 'house' : 'outside',
    })
  }
  for (const part of ['eastEnd', 'westEnd'] as const) {
    const east = part === 'eastEnd'
    const polygon = outline.corners.map((p): Vec => [p.x, east ? L : 0, p.z])
    if (!east) polygon.reverse()
    const made = madeOf(skin, part)
    const id = PART_NAMES[part]
    if (made.kind === 'glazed') {
      add(`${id} glazing`, polygon, { part, made, glazed: true })
      continue
    }
    const pane = glazedTop(
      polygon,
      skin.parts[part].glazedShare,
      leaves.filter(l => l.part === part).map(l => l.polygon),
    )
    add(id, polygon, { part, made, pane })
    if (pane.length > 0) add(`${id} glazing`, pane, { part, made, glazed: true, letIn: true })
  }
  add(
    'floor',
    [
      [0, 0, 0],
      [0, L, 0],
      [outline.widthM, L, 0],
      [outline.widthM, 0, 0],
    ],
    { part: null },
  )
  return 2 * (L + outline.widthM)
}

/** A faceted dome on a round riser wall. Returns the length round its foot, m. */
function domeSkin({ shape, skin }: Pick<Design, 'shape' | 'skin'>, outline: Outline, add: AddSurface): number {
  for (const { part, polygon } of domeFacets({ shape, skin }, outline)) {
    const made = madeOf(skin, part)
    if (part === 'kneeWall') add('riser wall', polygon, { part, made, glazed: made.kind === 'glazed' })
    else if (part === 'poleSlope') add('dome roof', polygon, { part, made, glazed: false })
    else add('dome glazing', polygon, { part, made, glazed: true })
  }
  const floor = domeFloor({ shape }, outline)
  add('floor', [...floor].reverse(), { part: null })
  return floor.reduce((sum, p, i) => sum + Math.hypot(...minus(floor[(i + 1) % floor.length]!, p)), 0)
}

const areaOf = (polygon: readonly Vec[]) => (polygon.length > 2 ? planeOf(polygon).areaM2 : 0)

/**
 * The glazing of an end that is not all glazed, as it is framed: from a level sill up to the slopes, its sheets joined
 * on the end's own studs; so low that what the leaves let into it leave of it is a share of the end. Empty for none.
 */
function glazedTop(end: readonly Vec[], share: number, leaves: readonly (readonly Vec[])[]): Vec[] {
  if (share <= 0) return []
  const { normal, areaM2 } = planeOf(end)
  const over = (sillM: number): Vec[] => partOn(end, p => p[2] - sillM)
  const glass = (sillM: number) => {
    const pane = over(sillM)
    return areaOf(pane) - leaves.reduce((sum, leaf) => sum + areaOf(clipped(leaf, pane, normal)), 0)
  }
  const heights = end.map(p => p[2])
  // Something is left of the wall under it.
  let [low, high] = [Math.min(...heights) + LEAST_WALL_M, Math.max(...heights)]
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (glass(middle) < share * areaM2) high = middle
    else low = middle
  }
  return over(low)
}
/** Under the glazing of an end at least so much is wall, m. */
const LEAST_WALL_M = 0.02

/** Volume that the surfaces close in, m³, by the divergence theorem. */
function volumeM3(surfaces: readonly Surface[]): number {
  return surfaces
    .filter(s => !s.letIn)
    .reduce((sum, s) => sum + (planeOf(s.polygon).areaM2 * dot(s.polygon[0]!, s.normal)) / 3, 0)
}
