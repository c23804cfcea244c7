import { bedKind } from '../beds/registry'
import type { BedRoom } from '../beds/kind'
import { FLAT_M, boxAlong, type Bank, type Room } from '../bodies/kind'
import { kindOf } from '../bodies/registry'
import type { Design } from '../design/types'
import { domeFloor } from './dome'
import {
  footprintM2,
  isOpposite,
  reachOf,
  rectangleOf,
  sharedLength,
  sidesOf,
  type Footprint,
  type PlanLine,
} from './footprint'
import { makeOutline, type Outline, type Point } from './section'

export type { Bank } from '../bodies/kind'

export type ObjectKind = 'bed' | 'bench' | 'body'

/**
 * A thing standing in the room that catches light: a prism over the pieces of floor that it takes, or a bank of upright
 * vessels in a box. x and z as in the section, y along the ridge from the west end.
 */
export interface RoomObject {
  kind: ObjectKind
  /** Index among its kind. */
  index: number
  /** How far it reaches. */
  x0: number
  x1: number
  y0: number
  y1: number
  z0: number
  z1: number
  /** The floor that it takes: pieces that touch and do not overlap. */
  pieces: readonly Footprint[]
  /** How vessels stand in the box; null where it is whole. */
  bank: Bank | null
}

type Size = Pick<Design['shape'], 'form' | 'lengthM' | 'widthM'>

/** The room that bodies stand in. */
export const roomOf = ({ lengthM, widthM, form }: Size): Room => ({ lengthM, widthM, dome: form === 'dome' })

/** The room that beds lie in. */
export const bedRoomOf = (shape: Size & Pick<Design['shape'], 'kneeWallM' | 'ridgeHeightM'>): BedRoom => {
  const { kneeWallM, ridgeHeightM } = shape
  return { ...roomOf(shape), kneeWallM, ridgeHeightM }
}

/** Beds, benches and bodies as they stand. */
export function roomObjects(design: Pick<Design, 'shape' | 'store'>): RoomObject[] {
  const { shape, store } = design
  const room = roomOf(shape)
  const bedRoom = bedRoomOf(shape)
  return [
    ...shape.beds.map((b, index): RoomObject => {
      const pieces = bedKind(b).pieces(b, bedRoom)
      return { kind: 'bed', index, ...reachOf(pieces), z0: 0, z1: Math.max(FLAT_M, b.heightM), pieces, bank: null }
    }),
    // A bench is its top: what stands beneath it sees light from the sides.
    ...shape.benches.map((b, index): RoomObject => {
      const z: [number, number] = [Math.max(0, b.heightM - 0.05), Math.max(FLAT_M, b.heightM)]
      return boxed('bench', index, boxAlong(room, [b.atM, b.atM + b.widthM], z, b.lengthM ?? 0, b.offsetM))
    }),
    ...store.bodies.map((b, index) => boxed('body', index, kindOf(b).box(b, room))),
  ]
}

const boxed = (kind: ObjectKind, index: number, box: Omit<RoomObject, 'kind' | 'index' | 'pieces'>): RoomObject => ({
  kind,
  index,
  ...box,
  pieces: [rectangleOf(box.x0, box.x1, box.y0, box.y1)],
})

/** Floor that a thing takes, m². */
export const standsOnM2 = ({ pieces }: Pick<RoomObject, 'pieces'>): number =>
  pieces.reduce((sum, p) => sum + footprintM2(p), 0)

/** Each piece of some things as a thing of its own. */
export const inPieces = (objects: readonly RoomObject[]): RoomObject[] =>
  objects.flatMap(o => o.pieces.map(piece => ({ ...o, ...reachOf([piece]), pieces: [piece] })))

/** A thing as the section shows it: where it is cut in the middle of the house, or what is seen of it beyond. */
export interface SectionBox {
  object: RoomObject
  x0: number
  x1: number
  isCut: boolean
}

/** Some things as the section through the middle of the house shows them; what is seen beyond the cut comes first. */
export function inSection(objects: readonly RoomObject[], lengthM: number): SectionBox[] {
  const middle = lengthM / 2
  const boxes = objects.flatMap((object): SectionBox[] => {
    const cut = inPieces([object]).filter(p => p.y0 < middle && p.y1 > middle)
    if (cut.length === 0) return [{ object, x0: object.x0, x1: object.x1, isCut: false }]
    return cut.map(p => ({ object, ...widthAtCut(p.pieces[0]!, middle), isCut: true }))
  })
  return boxes.sort((a, b) => Number(a.isCut) - Number(b.isCut))
}

/** What of a piece lies on a line across the house. */
function widthAtCut(piece: Footprint, y: number): { x0: number; x1: number } {
  const at = sidesOf(piece).flatMap(([a, b]) => {
    if (a[1] === b[1]) return a[1] === y ? [a[0], b[0]] : []
    const t = (y - a[1]) / (b[1] - a[1])
    return t >= 0 && t <= 1 ? [a[0] + t * (b[0] - a[0])] : []
  })
  return { x0: Math.min(...at), x1: Math.max(...at) }
}

/** A gap narrower than this is none: things stand against each other, m. */
const SLIT_M = 0.25

/**
 * Strips of floor across the width that nothing stands on, benches aside, from the sunny wall, m: over the whole length
 * where there are any, else as the middle of the house has them.
 */
export function freeStrips(design: Pick<Design, 'shape' | 'store'>): { x0: number; x1: number }[] {
  const standing = inPieces(roomObjects(design).filter(o => o.kind !== 'bench'))
  const all = stripsBetween(design, standing)
  if (all.length > 0) return all
  const middle = design.shape.lengthM / 2
  return stripsBetween(
    design,
    standing.filter(o => o.y0 < middle && o.y1 > middle),
  )
}

function stripsBetween({ shape }: Pick<Design, 'shape'>, standing: readonly RoomObject[]) {
  const out: { x0: number; x1: number }[] = []
  const { widthM } = makeOutline(shape)
  let from = 0
  const inOrder = [...standing].sort((a, b) => a.x0 - b.x0)
  for (const { x0, x1 } of [...inOrder, { x0: widthM, x1: widthM }]) {
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

/** An upright wall at the edge of the floor, and how high it goes, m. */
export interface FootOfWall {
  line: PlanLine
  z0: number
  z1: number
}

/** The upright walls of a house, where they stand on its floor. */
export function feetOfWalls(shape: Design['shape'], outline: Outline): FootOfWall[] {
  const { lengthM } = shape
  if (shape.form === 'dome') {
    const floor = domeFloor({ shape }, outline).map(([x, y]) => [x, y] as const)
    return sidesOf(floor).map(line => ({ line, z0: 0, z1: outline.kneeWallM }))
  }
  const walls = outline.edges
    .filter(({ a, b }) => Math.abs(a.x - b.x) < TOUCHING_M)
    .map(({ a, b }): FootOfWall => {
      const line: PlanLine = [
        [a.x, 0],
        [a.x, lengthM],
      ]
      return { line, z0: Math.min(a.z, b.z), z1: Math.max(a.z, b.z) }
    })
  const ends = [0, lengthM].map((y): FootOfWall => {
    const line: PlanLine = [
      [0, y],
      [outline.widthM, y],
    ]
    return { line, z0: 0, z1: Infinity }
  })
  return [...walls, ...ends]
}

type Prism = Pick<RoomObject, 'pieces' | 'z0' | 'z1'>
const shared = (a0: number, a1: number, b0: number, b1: number) => Math.max(0, Math.min(a1, b1) - Math.max(a0, b0))

/**
 * Area of the sides of a thing that stand free, m²: not against an upright wall, nor against another of its kind.
 * @param others of its kind; it may be among them
 */
export function freeSidesM2(thing: Prism, others: readonly Prism[], walls: readonly FootOfWall[]): number {
  const { z0, z1 } = thing
  const beside = others.flatMap(o =>
    o.pieces.flatMap(piece => sidesOf(piece).map(line => ({ piece, line, z0: o.z0, z1: o.z1 }))),
  )
  let free = 0
  for (const piece of thing.pieces)
    for (const line of sidesOf(piece)) {
      const [a, b] = line
      free += Math.hypot(b[0] - a[0], b[1] - a[1]) * (z1 - z0)
      for (const wall of walls) free -= sharedLength(line, wall.line, TOUCHING_M) * shared(z0, z1, wall.z0, wall.z1)
      for (const o of beside)
        if (o.piece !== piece && isOpposite(line, o.line))
          free -= sharedLength(line, o.line, TOUCHING_M) * shared(z0, z1, o.z0, o.z1)
    }
  return Math.max(0, free)
}

/** Area of all sides of a thing, m². */
export const sidesM2 = (thing: Prism): number => freeSidesM2(thing, [thing], [])

/** Area of a bed's sides that air and light come to, m². */
export const bedSidesM2 = (
  building: { objects: readonly RoomObject[]; walls: readonly FootOfWall[] },
  bed: RoomObject,
) =>
  freeSidesM2(
    bed,
    building.objects.filter(o => o.kind === 'bed'),
    building.walls,
  )

/**
 * Area of an object that light can reach, m²: sides, top and, when raised, underside; upright vessels by their round
 * sides and lids.
 */
export function litAreaM2(o: RoomObject): number {
  const height = o.z1 - o.z0
  if (o.bank) return o.bank.count * (2 * Math.PI * o.bank.radiusM * height + Math.PI * o.bank.radiusM ** 2)
  const top = standsOnM2(o)
  const sides = height > 0.01 ? sidesM2(o) : 0
  return top * (o.z0 > 1e-6 ? 2 : 1) + sides
}
