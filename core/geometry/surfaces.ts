import { RAD } from '../physics/constants'
import { entry, GLAZINGS, type Glazing } from '../catalog'
import { PART_NAMES, type Cover, type Design, type Layer, type PartId } from '../design/types'
import { openingKind, type Opening } from '../openings/registry'
import { roomObjects, type RoomObject } from './objects'
import { paneRects, panesOn, rectsOf, type PaneRect } from './panes'
import {
  domeFacetSolid,
  hostOf,
  liningsOn,
  madeOf,
  openingFace,
  stretches,
  type Made,
  type PaneCover,
  type Stretch,
  type SurfaceId,
} from './parts'
import { DOME_RINGS, DOME_SIDES, groundAt, makeOutline, sunnyAzimuthDeg, type Outline } from './section'

/**
 * A point or direction in the room: x from the sunny wall towards the pole, y along the ridge from the west end to the
 * east, z up from the floor, m.
 */
export type Vec = readonly [x: number, y: number, z: number]

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
   * Its corners, in the order that makes `normal` its vector area. What panes are let into has its whole outline, and
   * an area less theirs.
   */
  polygon: Vec[]
  boundary: 'outside' | 'ground' | 'house'
  /** Which part of the skin it is of; null for the floor. */
  part: PartId | null
  /** Glazed only: what it is glazed with, in what condition, and which of the building's covers is drawn over it. */
  glazing: Glazing | null
  condition: Design['skin']['condition']
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
  /** Night covers: the house's, then those of parts that have their own. */
  covers: PaneCover[]
  objects: RoomObject[]
  lengthM: number
  sunnyAzimuthDeg: number
  /** Azimuth of the y direction: towards the east end. */
  eastAzimuthDeg: number
  floorAreaM2: number
  bedAreaM2: number
  perimeterM: number
  volumeM3: number
  /** Height of the ground outside over the floor, m: its mean, and at x of the section. */
  sunkM: number
  groundAt: (x: number) => number
}

const DEG = 1 / RAD

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
  const add: AddSurface = (id, polygon, { part, glazed, made, top, less = 0, boundary = 'outside' }) => {
    const { normal, areaM2: whole } = plane(polygon)
    const areaM2 = whole - less
    if (areaM2 < 1e-6) return
    const floor = part === null
    surfaces.push({
      id,
      kind: floor ? 'floor' : glazed ? 'glazed' : 'opaque',
      polygon,
      normal,
      part,
      glazing: glazed ? made!.glazing : null,
      condition: made?.condition ?? design.skin.condition,
      cover: glazed ? coverOf(made!.cover) : -1,
      layers: floor || glazed ? [] : top ? made!.topLayers : [...made!.layers, ...liningsOn(design.store, part)],
      finish: (top ? made?.topFinish : made?.finish) ?? 'bare',
      outside: made?.outside ?? 'bare',
      areaM2,
      boundary: floor ? 'ground' : boundary,
      tiltDeg: floor ? 0 : Math.acos(Math.min(1, Math.max(-1, normal[2]))) * DEG,
      azimuthDeg: floor ? sunny : azimuthOf(normal),
    })
  }
  const dome = shape.form === 'dome'
  const perimeterM = dome
    ? domeSkin(design, outline, add)
    : extrudedSkin(design, outline, { ...design.skin.cover, id: 'none' }, add)
  const floor = surfaces.find(s => s.kind === 'floor')!
  const objects = roomObjects(design)
  return {
    outline,
    stretches: stretches(design, outline),
    surfaces,
    covers,
    objects,
    lengthM: L,
    sunnyAzimuthDeg: sunny,
    eastAzimuthDeg: east,
    floorAreaM2: floor.areaM2,
    bedAreaM2: objects.filter(o => o.kind === 'bed').reduce((sum, o) => sum + (o.x1 - o.x0) * (o.y1 - o.y0), 0),
    perimeterM,
    volumeM3: volumeM3(surfaces),
    sunkM: Math.max(0, shape.sunkM + shape.riseM / 2),
    groundAt: x => groundAt(shape, x),
  }
}

/** What a piece of skin is, besides its corners. */
interface Piece {
  part: PartId | null
  made?: Made
  glazed?: boolean
  /** The solid upper stretch of its part. */
  top?: boolean
  /** Of its area, what panes let into it take, m². */
  less?: number
  boundary?: Surface['boundary']
}
type AddSurface = (id: SurfaceId, polygon: Vec[], piece: Piece) => void

/** Boards of an opening that is insulated for the winter; they stand in for its night cover. */
function boardsFor(o: Opening, bare: Cover): PaneCover | null {
  const { winter, winterBy, winterFromMonth, winterUntilMonth, winterBelowC } = openingKind(o).opener(o)
  if (winter !== 'insulated') return null
  const boards = { winter, winterBy, winterFromMonth, winterUntilMonth, winterBelowC }
  return { ...bare, id: 'shutter', place: 'inside', fit: 'tight', boards }
}

/** A section drawn out along the ridge, closed by its two ends. Returns the length round its foot, m. */
function extrudedSkin(
  design: Pick<Design, 'shape' | 'skin' | 'store'>,
  outline: Outline,
  bareCover: Cover,
  add: AddSurface,
): number {
  const { shape, skin } = design
  const L = shape.lengthM
  /** Panes let into a part; returns their area. */
  const letIn = (part: PartId, made: Made): number => {
    const corners = rectOn(shape, outline, part)
    let area = 0
    for (const { index, panes } of corners ? panesOn(design, part) : []) {
      const glazing = panes.glazing ? entry(GLAZINGS, panes.glazing) : made.glazing
      const board = boardsFor(skin.openings[index]!, bareCover)
      const own = { ...made, glazing, cover: board ?? (panes.covered ? made.cover : bareCover) }
      for (const rect of paneRects(panes)) {
        area += (rect.u1 - rect.u0) * (rect.v1 - rect.v0)
        add(openingFace(index), corners!(rect), { part, made: own, glazed: true })
      }
    }
    return area
  }
  for (const { id, part, glazed, top, a, b } of stretches({ shape, skin }, outline)) {
    const back = part === 'backWall'
    const made = madeOf(skin, part)
    const polygon: Vec[] = [
      [a.x, 0, a.z],
      [b.x, 0, b.z],
      [b.x, L, b.z],
      [a.x, L, a.z],
    ]
    add(id, polygon, {
      part,
      glazed,
      top,
      made,
      less: glazed ? 0 : letIn(part, made),
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
    let less = letIn(part, made)
    const { glazedShare } = skin.parts[part]
    if (glazedShare > 0) {
      // The glazed middle has the end's own outline, smaller.
      less += plane(polygon).areaM2 * glazedShare
      add(`${id} glazing`, shrunk(polygon, Math.sqrt(glazedShare)), { part, made, glazed: true })
    }
    add(id, polygon, { part, made, less })
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

/**
 * Corners of a rectangle on a part, in the order of the part's own; null where the part is bent or not there. Ends
 * count from the sunny side, other parts from the west.
 */
function rectOn(
  { lengthM: L }: Pick<Design['shape'], 'lengthM'>,
  outline: Outline,
  part: PartId,
): ((rect: PaneRect) => Vec[]) | null {
  if (part === 'eastEnd' || part === 'westEnd') {
    const middle = outline.widthM / 2
    const y = part === 'eastEnd' ? L : 0
    return ({ u0, u1, v0, v1 }) => {
      const corners: Vec[] = [
        [middle + u0, y, v0],
        [middle + u0, y, v1],
        [middle + u1, y, v1],
        [middle + u1, y, v0],
      ]
      return part === 'eastEnd' ? corners : corners.reverse()
    }
  }
  const edges = outline.edges.filter(e => e.part === part)
  if (edges.length !== 1) return null
  const { a, b } = edges[0]!
  const rises = b.z >= a.z
  const long = Math.hypot(b.x - a.x, b.z - a.z)
  return ({ u0, u1, v0, v1 }) => {
    const at = (v: number, y: number): Vec => {
      const t = rises ? v / long : 1 - v / long
      return [a.x + (b.x - a.x) * t, y, a.z + (b.z - a.z) * t]
    }
    const [first, last] = rises ? [v0, v1] : [v1, v0]
    return [at(first, L / 2 + u0), at(last, L / 2 + u0), at(last, L / 2 + u1), at(first, L / 2 + u1)]
  }
}

/**
 * Every opening as it lies on the skin, for drawings: panes and doors by their sizes, vents by their areas. On a bent
 * part they lie on the piece of their height; a dome's are as if its section ran along it.
 */
export function openingPolygons(
  { shape, skin }: Pick<Design, 'shape' | 'skin'>,
  outline: Outline,
): { index: number; polygon: Vec[] }[] {
  return skin.openings.flatMap((o, index) => {
    const kind = openingKind(o)
    const { atM } = kind.height(o, hostOf(shape, outline, o.part))
    const bent = outline.edges.filter(e => e.part === o.part)
    const piece = bent.find(e => Math.min(e.a.z, e.b.z) <= atM && atM <= Math.max(e.a.z, e.b.z)) ?? bent.at(-1)
    const own = bent.length > 1 && piece ? { ...outline, edges: [piece] } : outline
    const corners = rectOn(shape, own, o.part)
    return corners ? rectsOf(o, hostOf(shape, own, o.part)).map(r => ({ index, polygon: corners(r) })) : []
  })
}

/**
 * A faceted dome on a round riser wall: twelve sides, three rings, solid on the pole side as the design says. Returns
 * the length round its foot, m.
 */
function domeSkin({ shape, skin }: Pick<Design, 'shape' | 'skin'>, outline: Outline, add: AddSurface): number {
  const cx = outline.widthM / 2
  const cy = shape.lengthM / 2
  const at = (side: number, ring: number): Vec => {
    const around = (2 * Math.PI * (side + 0.5)) / DOME_SIDES
    const up = ((Math.PI / 2) * ring) / DOME_RINGS
    return [
      cx + cx * Math.cos(up) * Math.cos(around),
      cy + cy * Math.cos(up) * Math.sin(around),
      outline.kneeWallM + (outline.ridgeHeightM - outline.kneeWallM) * Math.sin(up),
    ]
  }
  const floor: Vec[] = []
  let perimeterM = 0
  for (let side = 0; side < DOME_SIDES; side++) {
    const low = at(side, 0)
    const next = at(side + 1, 0)
    const foot: Vec = [low[0], low[1], 0]
    const nextFoot: Vec = [next[0], next[1], 0]
    floor.push(foot)
    perimeterM += Math.hypot(next[0] - low[0], next[1] - low[1])
    const wall = madeOf(skin, 'kneeWall')
    if (outline.kneeWallM > 0.01)
      add('riser wall', [foot, nextFoot, next, low], { part: 'kneeWall', made: wall, glazed: wall.kind === 'glazed' })
    for (let ring = 0; ring < DOME_RINGS; ring++) {
      const top = ring === DOME_RINGS - 1
      const polygon: Vec[] = top
        ? [at(side, ring), at(side + 1, ring), at(side, DOME_RINGS)]
        : [at(side, ring), at(side + 1, ring), at(side + 1, ring + 1), at(side, ring + 1)]
      const fromPoleDeg = (((360 * (side + 1)) / DOME_SIDES + 180) % 360) - 180
      const solid = domeFacetSolid({ shape, skin }, fromPoleDeg, ring)
      const part = solid ? 'poleSlope' : 'sunnySlope'
      add(solid ? 'dome roof' : 'dome glazing', polygon, { part, made: madeOf(skin, part), glazed: !solid })
    }
  }
  add('floor', floor.reverse(), { part: null })
  return perimeterM
}

/** A polygon made smaller about its middle. */
function shrunk(polygon: readonly Vec[], by: number): Vec[] {
  const n = polygon.length
  const middle = [0, 1, 2].map(k => polygon.reduce((sum, p) => sum + p[k]!, 0) / n)
  return polygon.map(p => [0, 1, 2].map(k => middle[k]! + (p[k]! - middle[k]!) * by) as unknown as Vec)
}

/** Unit normal and area of a plane polygon: its vector area. */
function plane(polygon: readonly Vec[]): { normal: Vec; areaM2: number } {
  let x = 0
  let y = 0
  let z = 0
  polygon.forEach((p, i) => {
    const q = polygon[(i + 1) % polygon.length]!
    x += (p[1] * q[2] - p[2] * q[1]) / 2
    y += (p[2] * q[0] - p[0] * q[2]) / 2
    z += (p[0] * q[1] - p[1] * q[0]) / 2
  })
  const areaM2 = Math.hypot(x, y, z)
  return { normal: [x / areaM2, y / areaM2, z / areaM2], areaM2 }
}

/** Volume that the surfaces close in, m³, by the divergence theorem. */
function volumeM3(surfaces: readonly Surface[]): number {
  return surfaces.reduce((sum, s) => {
    const p = s.polygon[0]!
    return sum + (s.areaM2 * (p[0] * s.normal[0] + p[1] * s.normal[1] + p[2] * s.normal[2])) / 3
  }, 0)
}
