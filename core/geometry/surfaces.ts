import { RAD } from '../physics/constants'
import type { Design, Layer } from '../design/types'
import { roomObjects, type RoomObject } from './objects'
import { DOME_RINGS, DOME_SIDES, groundAt, makeOutline, sunnyAzimuthDeg, type Outline } from './section'

/**
 * A point or direction in the room: x from the sunny wall towards the pole, y along the ridge from the west end to the
 * east, z up from the floor, m.
 */
export type Vec = readonly [x: number, y: number, z: number]

/**
 * What the reader calls a piece of skin; pieces of one name share a line of the ledger and a face of the light table.
 */
export type SurfaceId =
  | 'sunny slope'
  | 'pole slope'
  | 'knee wall'
  | 'back wall'
  | 'ends'
  | 'end glazing'
  | 'dome glazing'
  | 'dome roof'
  | 'riser wall'
  | 'floor'

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
   * Corners of the plane that it lies in, in the order that makes `normal` its vector area. An end's wall and glazing
   * share a plane.
   */
  polygon: Vec[]
  /**
   * Glazing let into a larger plane: it is the plane's shape shrunk by this about its middle, 1 where it fills the
   * plane.
   */
  inset: number
  boundary: 'outside' | 'ground' | 'house'
  /** Opaque only, outside to inside. */
  layers: Layer[]
}

/** The building as planes and boxes: what light and heat are worked out on. */
export interface Building {
  outline: Outline
  surfaces: Surface[]
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
  /** Height between low and high vents, m. */
  ventRiseM: number
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
  const add: AddSurface = (id, kind, polygon, layers = [], share = 1, boundary = 'outside') => {
    const { normal, areaM2 } = plane(polygon)
    if (areaM2 * share < 1e-6) return
    surfaces.push({
      id,
      kind,
      polygon,
      normal,
      layers,
      areaM2: areaM2 * share,
      boundary: kind === 'floor' ? 'ground' : boundary,
      inset: kind === 'glazed' ? Math.sqrt(share) : 1,
      tiltDeg: kind === 'floor' ? 0 : Math.acos(Math.min(1, Math.max(-1, normal[2]))) * DEG,
      azimuthDeg: kind === 'floor' ? sunny : azimuthOf(normal),
    })
  }
  const dome = shape.form === 'dome'
  const perimeterM = dome ? domeSkin(design, outline, add) : extrudedSkin(design, outline, add)
  const floor = surfaces.find(s => s.kind === 'floor')!
  const objects = roomObjects(design)
  return {
    outline,
    surfaces,
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
    ventRiseM: Math.max(0.3, outline.ridgeHeightM - Math.min(0.3, outline.kneeWallM / 2) - 0.2),
  }
}

type AddSurface = (
  id: SurfaceId,
  kind: Surface['kind'],
  polygon: Vec[],
  layers?: Layer[],
  share?: number,
  boundary?: Surface['boundary'],
) => void

/** A section drawn out along the ridge, closed by its two ends. Returns the length round its foot, m. */
function extrudedSkin(
  { shape, skin, store }: Pick<Design, 'shape' | 'skin' | 'store'>,
  outline: Outline,
  add: AddSurface,
): number {
  const L = shape.lengthM
  const lining = store.massWall.thicknessM > 0 ? [store.massWall] : []
  const leans = shape.form === 'lean-to'
  for (const { part, a, b } of outline.edges) {
    const polygon: Vec[] = [
      [a.x, 0, a.z],
      [b.x, 0, b.z],
      [b.x, L, b.z],
      [a.x, L, a.z],
    ]
    if (part === 'sunny slope') add(part, 'glazed', polygon)
    else if (part === 'pole slope')
      add(
        part,
        skin.poleSlope === 'glazed' ? 'glazed' : 'opaque',
        polygon,
        skin.poleSlope === 'glazed' ? [] : skin.roof,
      )
    else
      add(
        part,
        'opaque',
        polygon,
        part === 'back wall' ? [...skin.wall, ...lining] : skin.wall,
        1,
        part === 'back wall' && leans ? 'house' : 'outside',
      )
  }
  for (const y of [L, 0]) {
    const polygon = outline.corners.map((p): Vec => [p.x, y, p.z])
    if (y === 0) polygon.reverse()
    add('ends', 'opaque', polygon, skin.wall, 1 - skin.endsGlazedShare)
    add('end glazing', 'glazed', polygon, [], skin.endsGlazedShare)
  }
  add('floor', 'floor', [
    [0, 0, 0],
    [0, L, 0],
    [outline.widthM, L, 0],
    [outline.widthM, 0, 0],
  ])
  return 2 * (L + outline.widthM)
}

/**
 * A faceted dome on a round riser wall: twelve sides, three rings. Facets within 75° of the pole are solid where the
 * pole side is. Returns the length round its foot, m.
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
    if (outline.kneeWallM > 0.01) add('riser wall', 'opaque', [foot, nextFoot, next, low], skin.wall)
    for (let ring = 0; ring < DOME_RINGS; ring++) {
      const top = ring === DOME_RINGS - 1
      const polygon: Vec[] = top
        ? [at(side, ring), at(side + 1, ring), at(side, DOME_RINGS)]
        : [at(side, ring), at(side + 1, ring), at(side + 1, ring + 1), at(side, ring + 1)]
      const middle = (2 * Math.PI * (side + 1)) / DOME_SIDES
      const solid = skin.poleSlope === 'solid' && Math.cos(middle) > Math.cos(75 / DEG) && ring < DOME_RINGS - 1
      add(solid ? 'dome roof' : 'dome glazing', solid ? 'opaque' : 'glazed', polygon, solid ? skin.roof : [])
    }
  }
  add('floor', 'floor', floor.reverse())
  return perimeterM
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
