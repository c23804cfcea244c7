import { FILM_FLOOR, FILM_INSIDE, FILM_OUTSIDE } from '../physics/constants'
import { leafByMonth } from '../aim/leaf'
import { kindOf } from '../bodies/registry'
import { entry, FINISHES, MATERIALS, type Glazing } from '../catalog'
import type { Design, Layer, PartId } from '../design/types'
import { footprintOf } from '../geometry/footprint'
import { bedSidesM2, pathStrip, standsOnM2 } from '../geometry/objects'
import { bedFace, bedSide, bodyFace, leafFace, type FaceId } from '../geometry/faces'
import { framedBy } from '../frame/timber'
import { isLeaf, surfaceName } from '../geometry/parts'
import type { Building, SurfaceId } from '../geometry/surfaces'
import {
  LEAST_SUNK_M,
  makeGroundSlice,
  NEAR_ROWS,
  type FloorColumn,
  type FloorTop,
  type GroundSlice,
} from '../ground/slice'
import { cutWall, layersResistance } from '../materials/assembly'
import { coveredResistance, tiltedResistance } from '../optics/glazing-heat'
import type { LossName } from './series'
import { LEAF_EMISSIVITY } from './transpiration'
import { groundOf } from '../materials/ground'

/** A line of heat-storing cells from the outside (first) to a face in the room (last). */
export interface Chain {
  /** Its line of the ledger. */
  name: LossName
  kind: 'wall' | 'glazing' | 'ground' | 'buried' | 'house' | 'store' | 'leaf'
  /** The face of the light table whose sun its room side takes in, and its share of that face; null for glazing. */
  face: FaceId | null
  faceShare: number
  /** Room-side area, m². */
  areaM2: number
  /** Cosine between the room-facing normal and up. */
  facingUp: number
  capacity: number[]
  /** By cell, heat that its soil's water gives off as it freezes, J; none where it is left out. */
  fusion?: number[]
  /** W/K between cell i and i + 1. */
  between: number[]
  longwaveThrough: number
  /** Of its room face. */
  emissivity: number
  /** Which piece of skin it is; null for what stands inside. */
  skin: SurfaceId | null
  pane: SurfaceId | null
  /** Glazing only: of its sheets from face to face, m²K/W. */
  resistance: number
  /** Which of the building's covers is drawn over it; −1 for none. Over what is not glazed these are boards. */
  cover: number
  outer: SurfaceId | null
  /** Ground only: index of its floor column. */
  column: number
  /** Of the way through. */
  onPath: boolean
  /** Water in its first cell, kg. */
  waterKg: number
  /** Of its face, the share that is water open to the air. */
  open: number
  /** Soil that plants grow in: which bed it is of, its cell at root depth, and that half way up the bed's own soil. */
  bed: boolean
  bedIndex: number
  rootCell: number
  midCell: number
  /** The sides of a bed: which bed they are of. */
  sideOf: number
  /** Leaves: which bed they stand on. */
  leafOf: number
  /** Which body it is of; −1 for none. */
  body: number
}

/** Of most faces, in longwave. */
export const EMISSIVITY = 0.9

const PANE = 4000

const blank = {
  faceShare: 1,
  longwaveThrough: 0,
  emissivity: EMISSIVITY,
  skin: null,
  pane: null,
  resistance: 0,
  cover: -1,
  outer: null,
  column: -1,
  onPath: false,
  waterKg: 0,
  open: 0,
  bed: false,
  bedIndex: -1,
  rootCell: -1,
  midCell: -1,
  sideOf: -1,
  leafOf: -1,
  body: -1,
} as const

/** Everything in the network that stores heat: chains to the room, and the ground under and beside them. */
export interface Fabric {
  chains: Chain[]
  slice: GroundSlice
}

/** The line of the ledger that heat through a solid part goes to. */
const LOSS_OF: Record<PartId, LossName> = {
  kneeWall: 'knee wall',
  front: 'knee wall',
  sunnySlope: 'roof',
  poleSlope: 'roof',
  lowerPoleSlope: 'roof',
  backWall: 'back wall',
  eastEnd: 'end walls',
  westEnd: 'end walls',
}
function lossOf({ kind, boundary, part, id }: SkinPart): LossName {
  if (boundary === 'ground') return 'ground'
  if (boundary === 'house') return 'house'
  if (kind === 'glazed') return 'glazing'
  return id.startsWith('top of') ? 'roof' : LOSS_OF[part]
}

/** Surfaces of one name and kind, taken together: they share a chain. */
export interface SkinPart {
  id: SurfaceId
  kind: 'glazed' | 'opaque'
  boundary: 'outside' | 'ground' | 'house'
  part: PartId
  areaM2: number
  up: number
  tiltDeg: number
  layers: Design['skin']['wall']
  finish: string
  /** Glazed only. */
  glazing: Glazing | null
  cover: number
}

/** The skin by parts; what lies against the ground is parted from what stands above it. */
export function skinParts(design: Design, building: Building): SkinPart[] {
  const parts: SkinPart[] = []
  const framed = framedBy(design, building.outline)
  for (const s of building.surfaces) {
    if (s.kind === 'floor') continue
    const up = s.normal[2]
    // Of an upright wall, the part below the ground outside goes with it.
    const height = Math.max(...s.polygon.map(p => p[2])) - Math.min(...s.polygon.map(p => p[2]))
    const foot = s.polygon.filter(p => p[2] < 1e-6)
    const sunkM = foot.reduce((sum, p) => sum + building.groundAt(p[0]), 0) / Math.max(1, foot.length)
    // Where the slice has no rows beside a wall, none lies against the ground.
    const buried =
      building.sunkM > LEAST_SUNK_M &&
      s.kind === 'opaque' &&
      s.boundary === 'outside' &&
      sunkM > LEAST_SUNK_M &&
      Math.abs(up) < 0.05
        ? buriedShare(s.polygon, s.areaM2, sunkM, height)
        : 0
    const join = (boundary: SkinPart['boundary'], areaM2: number) => {
      if (areaM2 < 1e-6) return
      const same = parts.find(p => p.id === s.id && p.kind === s.kind && p.boundary === boundary)
      if (same) {
        same.up = (same.up * same.areaM2 + up * areaM2) / (same.areaM2 + areaM2)
        same.tiltDeg = (same.tiltDeg * same.areaM2 + s.tiltDeg * areaM2) / (same.areaM2 + areaM2)
        same.areaM2 += areaM2
      } else
        parts.push({
          id: s.id,
          kind: s.kind as 'glazed' | 'opaque',
          boundary,
          areaM2,
          up,
          tiltDeg: s.tiltDeg,
          layers: s.kind === 'opaque' && !isLeaf(s) ? framed(s.part!, s.layers) : s.layers,
          finish: s.finish,
          part: s.part!,
          glazing: s.glazing,
          cover: s.cover,
        })
    }
    join(s.boundary, s.areaM2 * (1 - buried))
    join('ground', s.areaM2 * buried)
  }
  return parts
}

/** Share of an upright wall that lies below `sunkM` above the floor. */
function buriedShare(
  polygon: readonly (readonly [number, number, number])[],
  areaM2: number,
  sunkM: number,
  heightM: number,
): number {
  if (sunkM >= heightM) return 1
  // Walls are as wide at their foot as anywhere: a strip of the foot's length.
  const foot = polygon.filter(p => p[2] < 1e-6)
  const width = foot.length < 2 ? 0 : Math.hypot(foot[0]![0] - foot[1]![0], foot[0]![1] - foot[1]![1])
  return Math.min(1, (width * sunkM) / Math.max(areaM2, 1e-9))
}

/** The fabric of a building. */
export function makeFabric(design: Design, building: Building): Fabric {
  const chains: Chain[] = []
  const faceArea = new Map<SurfaceId, number>()
  const parts = skinParts(design, building)
  for (const p of parts) if (p.kind === 'opaque') faceArea.set(p.id, (faceArea.get(p.id) ?? 0) + p.areaM2)
  for (const p of parts) {
    if (p.kind === 'glazed') {
      const resistance = tiltedResistance(p.glazing!, p.tiltDeg)
      chains.push({
        ...blank,
        name: 'glazing',
        face: null,
        kind: 'glazing',
        areaM2: p.areaM2,
        facingUp: -p.up,
        // Outer pane, inner pane, and the room face of an inside cover: one with the pane while that is open.
        capacity: [PANE * p.areaM2, PANE * p.areaM2, 0],
        between: [p.areaM2 / resistance, OPEN_COVER * p.areaM2],
        longwaveThrough: p.glazing!.longwaveTransmittance,
        skin: p.id,
        pane: p.id,
        resistance,
        cover: p.cover,
      })
      continue
    }
    const cells = cutWall(p.layers)
    chains.push({
      ...blank,
      name: lossOf(p),
      face: p.id,
      faceShare: p.areaM2 / faceArea.get(p.id)!,
      kind: p.boundary === 'ground' ? 'buried' : p.boundary === 'house' ? 'house' : 'wall',
      areaM2: p.areaM2,
      facingUp: -p.up,
      emissivity: entry(FINISHES, p.finish).emissivity,
      capacity: cells.capacity.map(c => c * p.areaM2),
      fusion: cells.fusion.map(j => j * p.areaM2),
      between: cells.between.map(c => c * p.areaM2),
      skin: p.id,
      outer: p.boundary === 'outside' ? p.id : null,
      cover: p.cover,
    })
  }
  const slice = groundSlice(design, building)
  chains.push(
    ...floorChains(design, building, slice),
    ...sideChains(design, building),
    ...leafChains(design, building),
    ...bodyChains(design, building),
  )
  return { chains, slice }
}

/** Conductance of a cover that is open, W/m²K: as good as none. */
export const OPEN_COVER = 2000

/** The ground under and beside a design's building. */
export function groundSlice(design: Design, building: Building): GroundSlice {
  const { edge } = design.skin
  const resistance = edge.thicknessM / entry(MATERIALS, edge.material).conductivity
  // Along the wall of a house there is no open ground.
  const isLeanTo = design.shape.form === 'lean-to'
  return makeGroundSlice({
    floor: footprintOf(building.surfaces.find(s => s.kind === 'floor')!.polygon),
    beds: building.objects.filter(o => o.kind === 'bed').map(o => o.pieces),
    path: design.store.floor.path || design.shape.pathM < 0 ? pathStrip(design) : null,
    perimeterM: building.perimeterM - (isLeanTo ? design.shape.lengthM : 0),
    againstHouse: isLeanTo,
    sunkM: building.sunkM,
    soil: groundOf(design.site),
    edge: { resistance, depthM: edge.depthM },
    skirt: { resistance, widthM: edge.thicknessM > 0 ? edge.skirtM : 0 },
    wallM: design.skin.wall.reduce((s, l) => s + l.thicknessM, 0),
  })
}

/** Cells of a floor or a bed are no thicker than this, m. */
const FLOOR_CELL = 0.12

/** What stands on the floor leaves at least this share of a column of it free. */
const LEAST_FREE = 0.02

/**
 * Share of the floor on a column, beds aside, that nothing stands on: bodies pass heat themselves. Air gets under
 * crates.
 */
function freeShare({ store }: Design, { objects }: Building, { x0, x1 }: FloorColumn, freeM2: number): number {
  let stood = 0
  for (const o of objects) {
    if (o.kind !== 'body' || o.z0 > 0.01 || o.bank) continue
    if (kindOf(store.bodies[o.index]!).look === 'crates') continue
    stood += Math.max(0, Math.min(x1, o.x1) - Math.max(x0, o.x0)) * (o.y1 - o.y0)
  }
  return Math.max(LEAST_FREE, 1 - stood / freeM2)
}

function floorChains(design: Design, building: Building, slice: GroundSlice): Chain[] {
  const rows = slice.rowsM.length
  /** Of one bed, or of the floor that is no bed, m². */
  const areaOf = (bed: number) => slice.tops.filter(t => t.bed === bed).reduce((s, t) => s + t.areaM2, 0)
  const { floor } = design.store
  const layersOn = ({ bed, path }: FloorTop): readonly Layer[] =>
    bed >= 0
      ? [...floor.beds, { material: design.shape.beds[bed]!.fill, thicknessM: design.shape.beds[bed]!.heightM }]
      : ((path ? floor.path : null) ?? floor.rest)
  const soil = groundOf(design.site)
  return slice.tops.map((top): Chain => {
    const capacity: number[] = []
    const fusion: number[] = []
    const between: number[] = []
    const column = slice.floor[top.column]!
    const share = top.areaM2 / column.areaM2
    const freeM2 = slice.tops.filter(t => t.column === top.column && t.bed < 0).reduce((sum, t) => sum + t.areaM2, 0)
    for (let r = NEAR_ROWS - 1; r >= 0; r--) {
      capacity.push(share * slice.floorCapacity[top.column * rows + r]!)
      fusion.push(capacity.at(-1)! * slice.fusionK)
      if (r > 0) between.push(share * slice.floorDown[top.column * rows + r - 1]!)
    }
    const onBed = top.bed >= 0
    const cells = cutWall(layersOn(top), FLOOR_CELL)
    const under = onBed ? cutWall(floor.beds, FLOOR_CELL).capacity.length - 2 : 0
    const halfTop = slice.rowsM[0]! / 2 / soil.conductivity
    if (cells.capacity.length > 2) {
      between.push(top.areaM2 / (halfTop + 1 / cells.between[0]!))
      cells.capacity.slice(1).forEach((c, k) => {
        capacity.push(c * top.areaM2)
        fusion.push(cells.fusion[k + 1]! * top.areaM2)
        if (k > 0) between.push(cells.between[k]! * top.areaM2)
      })
    } else {
      between.push(top.areaM2 / halfTop)
      capacity.push(0)
      fusion.push(0)
    }
    const midCell = NEAR_ROWS - 1 + under + Math.ceil((cells.capacity.length - 2 - under) / 2)
    const roots = (depthM: number | null): number => {
      if (depthM === null) return midCell
      // Half way down to where roots go: first through the bed's own cells, then through the ground beneath.
      const layers = layersOn(top)
      const highM = layers.reduce((sum, l) => sum + l.thicknessM, 0)
      const own = cells.capacity.length - 2
      const half = depthM / 2
      if (half < highM) return NEAR_ROWS - 1 + Math.max(1, Math.ceil(own * (1 - half / highM)))
      let deep = highM
      let r = 0
      while (r < NEAR_ROWS - 1 && deep + slice.rowsM[r]! < half) deep += slice.rowsM[r++]!
      return NEAR_ROWS - 1 - r
    }
    return {
      ...blank,
      name: 'ground',
      face: onBed ? bedFace(top.bed) : 'floor',
      faceShare: top.areaM2 / areaOf(top.bed),
      kind: 'ground',
      areaM2: top.areaM2 * (onBed ? 1 : freeShare(design, building, column, freeM2)),
      facingUp: 1,
      capacity,
      fusion,
      between,
      column: top.column,
      onPath: top.path,
      bed: onBed,
      bedIndex: top.bed,
      rootCell: Math.min(capacity.length - 2, roots(design.shape.beds[top.bed]?.soilDepthM ?? null)),
      midCell: Math.min(capacity.length - 2, midCell),
    }
  })
}

/** Soil at the side of a bed, m: what lies deeper is of the bed itself. */
const SIDE_SOIL_M = 0.04

/** The sides of beds: a little of the soil, and the board before it where there is one. */
function sideChains({ shape }: Design, building: Building): Chain[] {
  return shape.beds.flatMap((bed, i): Chain[] => {
    const areaM2 = bedSidesM2(building, building.objects.find(o => o.kind === 'bed' && o.index === i)!)
    if (bed.heightM <= 0 || areaM2 <= 0) return []
    const cells = cutWall([
      { material: bed.fill, thicknessM: SIDE_SOIL_M },
      ...(bed.boardM > 0 ? [{ material: bed.boardMaterial, thicknessM: bed.boardM }] : []),
    ])
    return [
      {
        ...blank,
        name: 'ground',
        face: bedSide(i),
        kind: 'store',
        sideOf: i,
        areaM2,
        facingUp: 0,
        capacity: cells.capacity.slice(1).map(c => c * areaM2),
        fusion: cells.fusion.slice(1).map(j => j * areaM2),
        between: cells.between.slice(1).map(g => g * areaM2),
      },
    ]
  })
}

/** Heat capacity of leaves, J/m²K. Stanghellini 1987; Vanthoor 2011. */
const LEAF_CAPACITY = 1200

/** The leaves of a bed, as one: what they are in a month the loop knows. */
function leafChains({ aim, shape }: Design, building: Building): Chain[] {
  return shape.beds.flatMap((bed, i): Chain[] => {
    const most = Math.max(...leafByMonth(aim, bed))
    if (most <= 0) return []
    const areaM2 = standsOnM2(building.objects.find(o => o.kind === 'bed' && o.index === i)!)
    return [
      {
        ...blank,
        name: 'ground',
        face: leafFace(i),
        kind: 'leaf',
        leafOf: i,
        areaM2,
        facingUp: 0,
        emissivity: LEAF_EMISSIVITY,
        capacity: [LEAF_CAPACITY * most * areaM2],
        between: [],
      },
    ]
  })
}

/** What stands in the room and keeps heat: a chain, or several, a body. */
function bodyChains(design: Design, building: Building): Chain[] {
  const { reach } = design.store
  return design.store.bodies.flatMap((body, i) => {
    const box = building.objects.find(o => o.kind === 'body' && o.index === i)!
    const chains = kindOf(body).chains(body, box)
    return chains.map(
      (c): Chain => ({
        ...blank,
        ...c,
        // What the air does not reach takes no part; the sun on it does.
        areaM2: c.areaM2 * reach,
        capacity: c.capacity.map(j => j * reach),
        between: c.between.map(g => g * reach),
        waterKg: c.waterKg * reach,
        name: 'ground',
        face: bodyFace(i),
        faceShare: 1 / chains.length,
        kind: 'store',
        body: i,
      }),
    )
  })
}

/** One row of the table of losses by element: nominal U-values with standard films. */
export interface ElementLoss {
  /** The piece of skin, and as the reader calls it. */
  id: SurfaceId | 'ground'
  name: string
  areaM2: number
  uDay: number
  uNight: number
  uaDay: number
  uaNight: number
}

/**
 * Transmission by element, W/K, by day and with the night cover drawn; the ground by its steady flow to the air
 * outside.
 */
export function elementLosses(design: Design, building: Building): ElementLoss[] {
  const films = FILM_INSIDE + FILM_OUTSIDE
  const rows = skinParts(design, building)
    .filter(p => p.boundary !== 'ground')
    .map((p): ElementLoss => {
      const cover = p.glazing ? building.covers[p.cover]! : null
      const r = p.glazing ? tiltedResistance(p.glazing, p.tiltDeg) : layersResistance(p.layers)
      const day = 1 / (r + films)
      const night = cover ? 1 / (films + coveredResistance(r, cover)) : day
      return {
        id: p.id,
        name: p.boundary === 'house' ? 'house wall' : surfaceName(design.skin.openings, p.id),
        areaM2: p.areaM2,
        uDay: day,
        uNight: night,
        uaDay: day * p.areaM2,
        uaNight: night * p.areaM2,
      }
    })
  const ua = steadyGroundConductance(design, building)
  rows.push({
    id: 'ground',
    name: 'ground',
    areaM2: building.floorAreaM2,
    uDay: ua / building.floorAreaM2,
    uNight: ua / building.floorAreaM2,
    uaDay: ua,
    uaNight: ua,
  })
  return rows
}

/** Steady flow from a floor and sunk walls of one temperature to the air outside, W/K, films included. */
export function steadyGroundConductance(design: Design, building: Building): number {
  const { chains, slice } = makeFabric(design, building)
  const cover = chains
    .filter(c => c.kind === 'ground')
    .map(c => {
      const own = c.between.slice(NEAR_ROWS - 1)
      return 1 / (own.reduce((sum, g) => sum + 1 / g, 0) + FILM_FLOOR / c.areaM2)
    })
  const wall = chains
    .filter(c => c.kind === 'buried')
    .reduce((sum, c) => sum + 1 / (c.between.reduce((s, g) => s + 1 / g, 0) + FILM_INSIDE / c.areaM2), 0)
  return slice.steady(cover, wall)
}
