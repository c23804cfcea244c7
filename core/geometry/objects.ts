import { FLAT_M, lengthBetween as between, type Bank, type Room } from '../bodies/kind'
import { kindOf } from '../bodies/registry'
import type { Design } from '../design/types'
import { makeOutline, type Outline, type Point } from './section'

export type { Bank } from '../bodies/kind'

export type ObjectKind = 'bed' | 'bench' | 'body'

/**
 * A thing standing in the room that catches light: a box, or a bank of upright vessels in one. x and z as in the
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
  /** How vessels stand in the box; null where it is whole. */
  bank: Bank | null
}

/** The room that bodies stand in. */
export const roomOf = ({ lengthM, widthM, form }: Pick<Design['shape'], 'form' | 'lengthM' | 'widthM'>): Room => ({
  lengthM,
  widthM,
  dome: form === 'dome',
})

/** Length along the ridge that a thing between x0 and x1 can have, m: all of it, or a dome's chord there. */
export const lengthBetween = (shape: Pick<Design['shape'], 'form' | 'lengthM' | 'widthM'>, x0: number, x1: number) =>
  between(roomOf(shape), x0, x1)

/** Beds and benches, as long as there is room, and bodies. */
export function roomObjects(design: Pick<Design, 'shape' | 'store'>): RoomObject[] {
  const { shape, store } = design
  const L = shape.lengthM
  const along = (kind: ObjectKind, index: number, x0: number, x1: number, z0: number, z1: number): RoomObject => {
    const lengthM = lengthBetween(shape, x0, x1)
    return { kind, index, x0, x1, z0, z1, y0: (L - lengthM) / 2, y1: (L + lengthM) / 2, bank: null }
  }
  const room = roomOf(shape)
  return [
    ...shape.beds.map((b, i) => along('bed', i, b.atM, b.atM + b.widthM, 0, Math.max(FLAT_M, b.heightM))),
    // A bench is its top: what stands beneath it sees light from the sides.
    ...shape.benches.map((b, i) =>
      along('bench', i, b.atM, b.atM + b.widthM, Math.max(0, b.heightM - 0.05), Math.max(FLAT_M, b.heightM)),
    ),
    ...store.bodies.map((b, i): RoomObject => ({ kind: 'body', index: i, ...kindOf(b).box(b, room) })),
  ]
}

/** A gap narrower than this is none: things stand against each other, m. */
const SLIT_M = 0.25

/** Strips of floor across the width that nothing stands on, benches aside, from the sunny wall, m. */
export function freeStrips(design: Pick<Design, 'shape' | 'store'>): { x0: number; x1: number }[] {
  const standing = roomObjects(design)
    .filter(o => o.kind !== 'bench')
    .map(o => [o.x0, o.x1] as const)
    .sort((a, b) => a[0] - b[0])
  const out: { x0: number; x1: number }[] = []
  const { widthM } = makeOutline(design.shape)
  let from = 0
  for (const [x0, x1] of [...standing, [widthM, widthM] as const]) {
    if (x0 - from > SLIT_M) out.push({ x0: from, x1: x0 })
    from = Math.max(from, x1)
  }
  return out
}

/** The widest of them, where people walk; null where there is none. */
export function pathStrip(design: Pick<Design, 'shape' | 'store'>): { x0: number; x1: number } | null {
  return freeStrips(design).reduce<{ x0: number; x1: number } | null>(
    (best, s) => (best && best.x1 - best.x0 >= s.x1 - s.x0 ? best : s),
    null,
  )
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

/** Things nearer than this stand against each other, m. */
const TOUCHING_M = 0.01

type Sides = Pick<RoomObject, 'x0' | 'x1' | 'y0' | 'y1' | 'z0' | 'z1'>
const shared = (a0: number, a1: number, b0: number, b1: number) => Math.max(0, Math.min(a1, b1) - Math.max(a0, b0))
const near = (a: number, b: number) => Math.abs(a - b) < TOUCHING_M

/**
 * Area of the sides of a box that stands free, m²: not against an upright wall, nor against another of its kind.
 * @param others of its kind; it may be among them
 */
export function freeSidesM2(
  box: Sides,
  others: readonly Sides[],
  { outline, lengthM }: { outline: Outline; lengthM: number },
): number {
  const { x0, x1, y0, y1, z0, z1 } = box
  const [long, wide, high] = [y1 - y0, x1 - x0, z1 - z0]
  let free = 2 * high * (long + wide)
  if (outline.form !== 'dome') {
    for (const { a, b } of outline.edges)
      if (near(a.x, b.x) && (near(a.x, x0) || near(a.x, x1)))
        free -= long * shared(z0, z1, Math.min(a.z, b.z), Math.max(a.z, b.z))
    if (near(y0, 0)) free -= wide * high
    if (near(y1, lengthM)) free -= wide * high
  }
  for (const o of others) {
    if (o === box) continue
    const upright = shared(z0, z1, o.z0, o.z1)
    if (near(o.x1, x0) || near(o.x0, x1)) free -= upright * shared(y0, y1, o.y0, o.y1)
    if (near(o.y1, y0) || near(o.y0, y1)) free -= upright * shared(x0, x1, o.x0, o.x1)
  }
  return Math.max(0, free)
}

/** Area of a bed's sides that air and light come to, m². */
export function bedSidesM2(
  building: { objects: readonly RoomObject[]; outline: Outline; lengthM: number },
  bed: RoomObject,
): number {
  return freeSidesM2(
    bed,
    building.objects.filter(o => o.kind === 'bed'),
    building,
  )
}

/**
 * Area of an object that light can reach, m²: sides, top and, when raised, underside; upright vessels by their round
 * sides and lids.
 */
export function litAreaM2(o: RoomObject): number {
  const height = o.z1 - o.z0
  if (o.bank) return o.bank.count * (2 * Math.PI * o.bank.radiusM * height + Math.PI * o.bank.radiusM ** 2)
  const top = (o.x1 - o.x0) * (o.y1 - o.y0)
  const sides = height > 0.01 ? 2 * height * (o.x1 - o.x0 + o.y1 - o.y0) : 0
  return top * (o.z0 > 1e-6 ? 2 : 1) + sides
}
