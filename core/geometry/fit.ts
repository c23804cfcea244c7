import { bedKind } from '../beds/registry'
import { metres as m, tooLong } from '../bodies/kind'
import { bodyName, kindOf } from '../bodies/registry'
import type { Design, Fault } from '../design/types'
import { footprintM2, isRectangle, reachOf, sharedPiece, sidesOf, type Footprint } from './footprint'
import { bedRoomOf, roomObjects, roomOf, type ObjectKind, type RoomObject } from './objects'
import { clearHeightAt, makeOutline, type Outline } from './section'

type House = Pick<Design, 'shape' | 'store'>

/** A thing that cannot stand where it is said to stand. */
export interface Misfit extends Fault {
  kind: ObjectKind
  index: number
  /** What it stands in; null for the skin or the floor. */
  other: Pick<RoomObject, 'kind' | 'index'> | null
}

/** What people do not see, m. */
const NEAR_M = 0.01

/** As a sentence names it. */
function objectName({ store }: House, o: Pick<RoomObject, 'kind' | 'index'>): string {
  return o.kind === 'body' ? `the ${bodyName(store.bodies, o.index).toLowerCase()}` : `${o.kind} ${o.index + 1}`
}

const isPlural = ({ store }: House, o: Pick<RoomObject, 'kind' | 'index'>) =>
  o.kind === 'body' && kindOf(store.bodies[o.index]!).plural

/** Where in the document a thing stands, and the field that says how high it is. */
function pathsOf({ store }: House, { kind, index }: Pick<RoomObject, 'kind' | 'index'>) {
  if (kind === 'body') return { own: `store.bodies[${index}]`, height: kindOf(store.bodies[index]!).heightField }
  return { own: `shape.${kind === 'bed' ? 'beds' : 'benches'}[${index}]`, height: 'heightM' }
}

/** Height under roof and glazing over a place of the floor, m. */
export function clearOverPlace(shape: Design['shape'], outline: Outline, x: number, y: number): number {
  if (shape.form !== 'dome') return clearHeightAt(outline, Math.min(outline.widthM, Math.max(0, x)))
  const off = Math.hypot((2 * x) / shape.widthM - 1, (2 * y) / shape.lengthM - 1)
  return outline.kneeWallM + (outline.ridgeHeightM - outline.kneeWallM) * Math.sqrt(Math.max(0, 1 - off * off))
}

/** Least height under roof and glazing over a thing's top, m: over its corners, since the room bulges outwards. */
const clearOver = (shape: Design['shape'], outline: Outline, { pieces }: Pick<RoomObject, 'pieces'>): number =>
  Math.min(...pieces.flat().map(([x, y]) => clearOverPlace(shape, outline, x, y)))

const apart = (a0: number, a1: number, b0: number, b1: number, near = NEAR_M) => a1 - b0 < near || b1 - a0 < near

/** Beds among each other, and benches, stand against each other to a hair. */
const FLUSH_M = 1e-6

/** Two things take the same room. */
function collide(a: RoomObject, b: RoomObject): boolean {
  const flat = Math.min(NEAR_M, (a.z1 - a.z0) / 2, (b.z1 - b.z0) / 2)
  // Benches among each other take the floor, whatever their heights.
  const like = a.kind === b.kind && a.kind !== 'body'
  const near = like ? FLUSH_M : NEAR_M
  if (apart(a.x0, a.x1, b.x0, b.x1, near) || apart(a.y0, a.y1, b.y0, b.y1, near)) return false
  if (!like && apart(a.z0, a.z1, b.z0, b.z1, flat)) return false
  return a.pieces.some(p => b.pieces.some(q => meet(p, q, near)))
}

/** Whether two pieces of floor overlap by more than so much, m. */
function meet(p: Footprint, q: Footprint, near: number): boolean {
  const [a, b] = [reachOf([p]), reachOf([q])]
  if (apart(a.x0, a.x1, b.x0, b.x1, near) || apart(a.y0, a.y1, b.y0, b.y1, near)) return false
  if (isRectangle(p) && isRectangle(q)) return true
  const both = sharedPiece(p, q)
  const around = sidesOf(both).reduce((sum, [c, d]) => sum + Math.hypot(d[0] - c[0], d[1] - c[1]), 0)
  return footprintM2(both) > (near * around) / 2
}

/** What of a thing's own sizes does not fit the room. */
function unfitSize({ shape, store }: House, { kind, index }: RoomObject) {
  const room = roomOf(shape)
  if (kind === 'body') return kindOf(store.bodies[index]!).unfit(store.bodies[index]!, room)
  if (kind === 'bed') return bedKind(shape.beds[index]!).unfit(shape.beds[index]!, bedRoomOf(shape))
  const { atM, widthM, lengthM } = shape.benches[index]!
  return lengthM === null ? null : tooLong(room, atM, atM + widthM, lengthM)
}

/** Where along the house a thing stands that is not as long as it. */
const along = ({ y0, y1 }: RoomObject, lengthM: number): string =>
  y1 - y0 > 0.9 * lengthM ? '' : `, and ${m(y0)} to ${m(y1)} from the west end`

/**
 * Everything in a house that stands through its skin or in something else, or does not fit on its floor. The shape
 * itself must be sound.
 */
export function misfits(design: House): Misfit[] {
  const { shape } = design
  const out: Misfit[] = []
  const outline = makeOutline(shape)
  const add = (
    o: Pick<RoomObject, 'kind' | 'index'>,
    field: string,
    message: string,
    allowed: string,
    other: Misfit['other'] = null,
  ) => out.push({ kind: o.kind, index: o.index, path: `${pathsOf(design, o).own}.${field}`, message, allowed, other })
  const objects = roomObjects(design)
  const unfit = new Set<RoomObject>()
  for (const o of objects) {
    const fault = unfitSize(design, o)
    if (fault) {
      unfit.add(o)
      add(o, fault.field, fault.message, fault.allowed)
    } else if (o.x1 > shape.widthM + 1e-6) {
      unfit.add(o)
      add(o, 'atM', 'runs through the back wall', `near edge plus width at most ${shape.widthM} m`)
    }
  }
  for (const o of objects) {
    if (unfit.has(o)) continue
    const stand = isPlural(design, o) ? 'stand' : 'stands'
    const clear = clearOver(shape, outline, o)
    if (o.z1 > clear + NEAR_M)
      add(
        o,
        pathsOf(design, o).height,
        `${stand} ${m(o.z1)} high, through the roof or the glass: ${m(clear)} is clear there`,
        `at most ${m(clear)}, or another place`,
      )
    const other = objects.find(b => objects.indexOf(b) < objects.indexOf(o) && !unfit.has(b) && collide(b, o))
    if (other)
      add(
        o,
        o.kind === 'bed' ? bedKind(shape.beds[o.index]!).place : 'atM',
        `${stand} in ${objectName(design, other)}`,
        `a place clear of ${objectName(design, other)}, which takes ${m(other.x0)} to ${m(other.x1)} ` +
          `from the sunny wall${along(other, shape.lengthM)}`,
        { kind: other.kind, index: other.index },
      )
  }
  return out
}
