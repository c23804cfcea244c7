import type { Design, Layer } from '../design/types'
import { layBarrels, sectionObjects, type SectionObject } from './objects'
import { makeOutline, sunnyAzimuthDeg, type Outline } from './section'

export type SurfaceId =
  | 'sunny slope' | 'pole slope' | 'knee wall' | 'back wall' | 'east end' | 'west end' | 'east end glazing' | 'west end glazing' | 'floor'

/** A plane piece of the building's skin, or its floor. */
export interface Surface {
  id: SurfaceId
  kind: 'glazed' | 'opaque' | 'floor'
  areaM2: number
  /** From level: 0 faces up, 90 stands. */
  tiltDeg: number
  /** Outward, from true north. */
  azimuthDeg: number
  boundary: 'outside' | 'ground'
  /** Opaque only, outside to inside. */
  layers: Layer[]
}

/** The building as planes and boxes: what light and heat are worked out on. */
export interface Building {
  outline: Outline
  surfaces: Surface[]
  objects: SectionObject[]
  lengthM: number
  sunnyAzimuthDeg: number
  floorAreaM2: number
  bedAreaM2: number
  perimeterM: number
  volumeM3: number
  /** Height between low and high vents, m. */
  ventRiseM: number
}

/** The building that a design describes. The design must be sound (`designFaults` empty). */
export function makeBuilding(design: Pick<Design, 'shape' | 'skin' | 'store' | 'site'>): Building {
  const { shape, skin, store } = design
  const outline = makeOutline(shape)
  const sunny = sunnyAzimuthDeg(design.site.latitudeDeg, shape.turnDeg)
  const pole = (sunny + 180) % 360
  const L = shape.lengthM
  const surfaces: Surface[] = []
  const add = (id: SurfaceId, kind: Surface['kind'], areaM2: number, tiltDeg: number, azimuthDeg: number, layers: Layer[] = []) => {
    if (areaM2 > 1e-6) surfaces.push({ id, kind, areaM2, tiltDeg, azimuthDeg, boundary: kind === 'floor' ? 'ground' : 'outside', layers })
  }
  const lining = store.massWall.thicknessM > 0 ? [store.massWall] : []
  add('sunny slope', 'glazed', outline.sunnySlopeM * L, outline.glazingAngleDeg, sunny)
  const poleTilt = Math.atan2(outline.ridgeHeightM - outline.backWallM, outline.widthM - outline.ridgeAtM) * 180 / Math.PI
  add('pole slope', skin.poleSlope === 'glazed' ? 'glazed' : 'opaque', outline.poleSlopeM * L, poleTilt, pole, skin.poleSlope === 'glazed' ? [] : skin.roof)
  add('knee wall', 'opaque', outline.kneeWallM * L, 90, sunny, skin.wall)
  add('back wall', 'opaque', outline.backWallM * L, 90, pole, [...skin.wall, ...lining])
  // Ends stand across the ridge: east and west of a building that faces the equator, whichever hemisphere.
  const along = (sunny + (design.site.latitudeDeg >= 0 ? 270 : 90)) % 360
  for (const side of ['east', 'west'] as const) {
    const azimuth = side === 'east' ? along : (along + 180) % 360
    add(`${side} end`, 'opaque', outline.areaM2 * (1 - skin.endsGlazedShare), 90, azimuth, skin.wall)
    add(`${side} end glazing`, 'glazed', outline.areaM2 * skin.endsGlazedShare, 90, azimuth)
  }
  const floorAreaM2 = outline.widthM * L
  add('floor', 'floor', floorAreaM2, 0, sunny)
  const bedAreaM2 = shape.beds.reduce((s, b) => s + b.widthM, 0) * L
  return {
    outline, surfaces, objects: sectionObjects(design), lengthM: L, sunnyAzimuthDeg: sunny, floorAreaM2, bedAreaM2,
    perimeterM: 2 * (L + outline.widthM), volumeM3: outline.areaM2 * L,
    ventRiseM: Math.max(0.3, outline.ridgeHeightM - Math.min(0.3, outline.kneeWallM / 2) - 0.2),
  }
}

/** Outside face of the water that the barrels show to the room, m²: sides and one top to a stack. */
export function barrelAreaM2(design: Pick<Design, 'shape' | 'store'>, vessel: { diameterM: number, heightM: number }): number {
  const layout = layBarrels(design)
  if (!layout) return 0
  return design.store.barrels.count * Math.PI * vessel.diameterM * vessel.heightM + layout.columns * Math.PI * vessel.diameterM ** 2 / 4
}
