import { entry, VESSELS } from '../catalog'
import type { Design } from '../design/types'
import type { Point } from './section'

/** A box standing in the section that catches light. */
export interface SectionObject {
  kind: 'bed' | 'barrels'
  /** Index among its kind. */
  index: number
  x0: number
  x1: number
  z0: number
  z1: number
  /** Share of the building's length that it fills, 0–1. */
  coverage: number
}

/** How the barrels stand: rows across the section, one behind the other, as many along the length as fit. */
export interface BarrelLayout {
  rows: number
  /** Columns along the length, counted over all rows. */
  columns: number
  x0: number
  x1: number
  z0: number
  z1: number
  coverage: number
}

/** Where the barrels stand in the section, or null when there are none. */
export function layBarrels(design: Pick<Design, 'shape' | 'store'>): BarrelLayout | null {
  const b = design.store.barrels
  if (b.count === 0) return null
  const v = entry(VESSELS, b.vessel)
  const perRow = Math.max(1, Math.floor(design.shape.lengthM / v.diameterM + 1e-9))
  const columns = Math.ceil(b.count / b.stack)
  const rows = Math.ceil(columns / perRow)
  const depth = Math.min(rows * v.diameterM, design.shape.widthM)
  const gap = Math.min(0.05, (design.shape.widthM - depth) / 2)
  const x0 = b.place === 'sunny' ? gap : b.place === 'middle' ? (design.shape.widthM - depth) / 2 : design.shape.widthM - depth - gap
  return {
    rows, columns, x0, x1: x0 + depth, z0: b.raisedM, z1: b.raisedM + b.stack * v.heightM,
    coverage: Math.min(1, b.count * v.diameterM / (b.stack * rows * design.shape.lengthM)),
  }
}

/** Beds and barrels as boxes of the section. */
export function sectionObjects(design: Pick<Design, 'shape' | 'store'>): SectionObject[] {
  const beds = design.shape.beds.map((bed, index): SectionObject => ({
    kind: 'bed', index, x0: bed.atM, x1: bed.atM + bed.widthM, z0: 0, z1: bed.heightM, coverage: 1,
  }))
  const barrels = layBarrels(design)
  return barrels ? [...beds, { kind: 'barrels', index: 0, x0: barrels.x0, x1: barrels.x1, z0: barrels.z0, z1: barrels.z1, coverage: barrels.coverage }] : beds
}

/** The faces of a box that can be lit: sunny side, top, pole side and, when raised, underside. */
export function boxFaces(o: SectionObject): [Point, Point][] {
  const faces: [Point, Point][] = [[{ x: o.x0, z: o.z1 }, { x: o.x1, z: o.z1 }]]
  if (o.z1 - o.z0 > 1e-6) faces.push([{ x: o.x0, z: o.z0 }, { x: o.x0, z: o.z1 }], [{ x: o.x1, z: o.z1 }, { x: o.x1, z: o.z0 }])
  if (o.z0 > 1e-6) faces.push([{ x: o.x1, z: o.z0 }, { x: o.x0, z: o.z0 }])
  return faces
}
