import { boxFaces, inSection } from './objects'
import type { Point } from './section'
import { faceOfObject, type FaceId } from './faces'
import type { Building } from './surfaces'

const { abs, hypot } = Math

/** A lit line of the section. */
export interface Segment {
  face: FaceId
  a: Point
  b: Point
}

/** All lines of the section that stop light: skin, floor and the things in the room. */
export function sectionSegments(building: Building): Segment[] {
  const { outline, objects, lengthM } = building
  const out: Segment[] = []
  const add = (face: FaceId, a: Point, b: Point) => {
    if (hypot(b.x - a.x, b.z - a.z) > 1e-9) out.push({ face, a, b })
  }
  add('floor', { x: 0, z: 0 }, { x: outline.widthM, z: 0 })
  for (const s of building.stretches) add(s.id, s.a, s.b)
  for (const { object, x0, x1, isCut } of inSection(objects, lengthM))
    if (isCut) for (const [a, b] of boxFaces({ ...object, x0, x1 })) add(faceOfObject(object), a, b)
  return out
}

/** Distance from p along the unit direction d to a segment, or Infinity. */
export function distanceTo(px: number, pz: number, dx: number, dz: number, s: Pick<Segment, 'a' | 'b'>): number {
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
