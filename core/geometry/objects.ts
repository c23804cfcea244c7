import { entry, VESSELS } from '../catalog'
import type { Design } from '../design/types'
import type { Point } from './section'

export type ObjectKind = 'bed' | 'bench' | 'barrels' | 'tank' | 'inner wall' | 'pond'

/**
 * A thing standing in the room that catches light: a box, or a bank of upright barrels in one. x and z as in the
 * section, y along the ridge from the west end.
 */
export interface RoomObject {
  kind: ObjectKind
  /** Index among its kind. */
  index: number
  x0: number
  x1: number
  y0: number
  y1: number
  z0: number
  z1: number
  /** Share of the building's length that it fills, 0–1. */
  coverage: number
  /** Barrels only: how they stand in the box. */
  bank: Bank | null
}

/** Upright barrels in rows across and columns along: `count` columns stand, counted row by row. */
export interface Bank {
  radiusM: number
  rows: number
  perRow: number
  pitchM: number
  count: number
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
  bank: Bank
  /** As many as fit in a row along the length, and the room across that rows have, m. */
  perRowMost: number
  roomM: number
}

/** Length along the ridge that a thing between x0 and x1 can have, m: all of it, or a dome's chord there. */
export function lengthBetween(
  shape: Pick<Design['shape'], 'form' | 'lengthM' | 'widthM'>,
  x0: number,
  x1: number,
): number {
  if (shape.form !== 'dome') return shape.lengthM
  const r = shape.widthM / 2
  const off = Math.max(Math.abs(x0 - r), Math.abs(x1 - r)) / r
  return Math.max(0.2, shape.lengthM * 0.97 * Math.sqrt(Math.max(0, 1 - off * off)))
}

/** Where the barrels stand in the section, or null when there are none. */
export function layBarrels(design: Pick<Design, 'shape' | 'store'>): BarrelLayout | null {
  const b = design.store.barrels
  if (b.count === 0) return null
  const v = entry(VESSELS, b.vessel)
  const { widthM } = design.shape
  // Under a dome they keep off the rim.
  const rim = design.shape.form === 'dome' ? 0.12 * widthM : 0
  const at = b.place === 'middle' ? widthM / 2 : rim + v.diameterM / 2
  const lengthM = lengthBetween(design.shape, at - v.diameterM / 2, at + v.diameterM / 2)
  const perRow = Math.max(1, Math.floor(lengthM / v.diameterM + 1e-9))
  const columns = Math.ceil(b.count / b.stack)
  const rows = Math.ceil(columns / perRow)
  const depth = Math.min(rows * v.diameterM, widthM)
  const gap = Math.min(rim + 0.05, (widthM - depth) / 2)
  const x0 = b.place === 'sunny' ? gap : b.place === 'middle' ? (widthM - depth) / 2 : widthM - depth - gap
  const inRow = Math.ceil(columns / rows)
  return {
    perRowMost: perRow,
    roomM: widthM - 2 * rim,
    rows,
    columns,
    x0,
    x1: x0 + depth,
    z0: b.raisedM,
    z1: b.raisedM + b.stack * v.heightM,
    coverage: Math.min(1, (b.count * v.diameterM) / (b.stack * rows * design.shape.lengthM)),
    bank: { radiusM: v.diameterM / 2, rows, perRow: inRow, pitchM: lengthM / inRow, count: columns },
  }
}

/** What lies level with the floor stands this far above it, so that light finds it and not the floor, m. */
const FLAT = 0.002

/**
 * Beds, benches, barrels, tank, pond and inner wall. What is shorter than the house stands in the middle of its length.
 */
export function roomObjects(design: Pick<Design, 'shape' | 'store'>): RoomObject[] {
  const { shape, store } = design
  const L = shape.lengthM
  const box = (
    kind: ObjectKind,
    index: number,
    x0: number,
    x1: number,
    z0: number,
    z1: number,
    most = L,
  ): RoomObject => {
    const lengthM = Math.min(most, lengthBetween(shape, x0, x1))
    return {
      kind,
      index,
      x0,
      x1,
      z0,
      z1,
      y0: (L - lengthM) / 2,
      y1: (L + lengthM) / 2,
      coverage: lengthM / L,
      bank: null,
    }
  }
  const out = shape.beds.map((b, i) => box('bed', i, b.atM, b.atM + b.widthM, 0, Math.max(FLAT, b.heightM)))
  // A bench is its top: what stands beneath it sees light from the sides.
  shape.benches.forEach((b, i) =>
    out.push(box('bench', i, b.atM, b.atM + b.widthM, Math.max(0, b.heightM - 0.05), Math.max(FLAT, b.heightM))),
  )
  const barrels = layBarrels(design)
  if (barrels) {
    const along = barrels.bank.perRow * barrels.bank.pitchM
    out.push({
      ...box('barrels', 0, barrels.x0, barrels.x1, barrels.z0, barrels.z1),
      y0: (L - along) / 2,
      y1: (L + along) / 2,
      coverage: barrels.coverage,
      bank: barrels.bank,
    })
  }
  const { tank, pond, innerWall } = store
  if (tank.lengthM > 0) out.push(box('tank', 0, tank.atM, tank.atM + tank.widthM, 0, tank.heightM, tank.lengthM))
  if (innerWall.thicknessM > 0)
    out.push(box('inner wall', 0, innerWall.atM, innerWall.atM + innerWall.thicknessM, 0, innerWall.heightM))
  if (pond.lengthM > 0) out.push(box('pond', 0, pond.atM, pond.atM + pond.widthM, 0, FLAT, pond.lengthM))
  return out
}

/** The faces of a box that can be lit in the section: sunny side, top, pole side and, when raised, underside. */
export function boxFaces(o: Pick<RoomObject, 'x0' | 'x1' | 'z0' | 'z1'>): [Point, Point][] {
  const faces: [Point, Point][] = [
    [
      { x: o.x0, z: o.z1 },
      { x: o.x1, z: o.z1 },
    ],
  ]
  if (o.z1 - o.z0 > 0.01)
    faces.push(
      [
        { x: o.x0, z: o.z0 },
        { x: o.x0, z: o.z1 },
      ],
      [
        { x: o.x1, z: o.z1 },
        { x: o.x1, z: o.z0 },
      ],
    )
  if (o.z0 > 1e-6)
    faces.push([
      { x: o.x1, z: o.z0 },
      { x: o.x0, z: o.z0 },
    ])
  return faces
}

/**
 * Area of an object that light can reach, m²: sides, top and, when raised, underside; barrels by their round sides and
 * lids.
 */
export function litAreaM2(o: RoomObject): number {
  const height = o.z1 - o.z0
  if (o.bank) return o.bank.count * (2 * Math.PI * o.bank.radiusM * height + Math.PI * o.bank.radiusM ** 2)
  const top = (o.x1 - o.x0) * (o.y1 - o.y0)
  const sides = height > 0.01 ? 2 * height * (o.x1 - o.x0 + o.y1 - o.y0) : 0
  return top * (o.z0 > 1e-6 ? 2 : 1) + sides
}
