import { boxFaces } from './objects'
import type { Point } from './section'
import type { Building, SurfaceId } from './surfaces'

const { abs, hypot } = Math

/** Where light can land. Several segments may share one face: all beds are one, all barrels one. */
export type FaceId = SurfaceId | 'beds' | 'barrels'

/** A lit line of the section. */
export interface Segment {
  face: FaceId
  a: Point
  b: Point
  /** Share of rays that it stops, 0–1. */
  coverage: number
}

/** All lines of the section that stop light: skin, floor, beds and barrels. */
export function sectionSegments(building: Building): Segment[] {
  const { outline, objects } = building
  const { widthM: w, kneeWallM: k, ridgeAtM: rx, ridgeHeightM: rz, backWallM: bz } = outline
  const out: Segment[] = []
  const add = (face: FaceId, a: Point, b: Point, coverage = 1) => {
    if (hypot(b.x - a.x, b.z - a.z) > 1e-9) out.push({ face, a, b, coverage })
  }
  add('floor', { x: 0, z: 0 }, { x: w, z: 0 })
  add('knee wall', { x: 0, z: 0 }, { x: 0, z: k })
  add('sunny slope', { x: 0, z: k }, { x: rx, z: rz })
  add('pole slope', { x: rx, z: rz }, { x: w, z: bz })
  add('back wall', { x: w, z: bz }, { x: w, z: 0 })
  for (const o of objects) for (const [a, b] of boxFaces(o)) add(o.kind === 'bed' ? 'beds' : 'barrels', a, b, o.coverage)
  return out
}

/** Distance from p along the unit direction d to a segment, or Infinity. */
export function distanceTo(px: number, pz: number, dx: number, dz: number, s: Segment): number {
  const ex = s.b.x - s.a.x
  const ez = s.b.z - s.a.z
  const det = ex * dz - ez * dx
  if (abs(det) < 1e-12) return Infinity
  const ax = px - s.a.x
  const az = pz - s.a.z
  const u = (ax * dz - az * dx) / det
  if (u < -1e-9 || u > 1 + 1e-9) return Infinity
  const t = (ax * ez - az * ex) / det
  return t > 1e-6 ? t : Infinity
}
