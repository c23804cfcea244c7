import { metres as m } from '../bodies/kind'
import { bodyName, kindOf } from '../bodies/registry'
import type { Design, Fault } from '../design/types'
import { roomObjects, roomOf, type ObjectKind, type RoomObject } from './objects'
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
  return { own: kind === 'bed' ? `shape.beds[${index}]` : `shape.benches[${index}]`, height: 'heightM' }
}

/** Least height under roof and glazing over a thing's top, m: over its corners, since the room bulges outwards. */
function clearOver(shape: Design['shape'], outline: Outline, o: Pick<RoomObject, 'x0' | 'x1' | 'y0' | 'y1'>): number {
  let least = Infinity
  for (const x of [o.x0, o.x1]) {
    if (shape.form !== 'dome') least = Math.min(least, clearHeightAt(outline, Math.min(outline.widthM, Math.max(0, x))))
    else {
      for (const y of [o.y0, o.y1]) {
        const off = Math.hypot((2 * x) / shape.widthM - 1, (2 * y) / shape.lengthM - 1)
        least = Math.min(
          least,
          outline.kneeWallM + (outline.ridgeHeightM - outline.kneeWallM) * Math.sqrt(Math.max(0, 1 - off * off)),
        )
      }
    }
  }
  return least
}

const apart = (a0: number, a1: number, b0: number, b1: number, near = NEAR_M) => a1 - b0 < near || b1 - a0 < near

/** Two things take the same room. Beds among each other, and benches, are the section's own concern. */
function collide(a: RoomObject, b: RoomObject): boolean {
  if (a.kind === b.kind && a.kind !== 'body') return false
  const flat = Math.min(NEAR_M, (a.z1 - a.z0) / 2, (b.z1 - b.z0) / 2)
  return !apart(a.x0, a.x1, b.x0, b.x1) && !apart(a.y0, a.y1, b.y0, b.y1) && !apart(a.z0, a.z1, b.z0, b.z1, flat)
}

/**
 * Everything in a house that stands through its skin or in something else, or does not fit on its floor. The shape
 * itself must be sound.
 */
export function misfits(design: House): Misfit[] {
  const { shape, store } = design
  const out: Misfit[] = []
  const outline = makeOutline(shape)
  const room = roomOf(shape)
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
    if (o.kind !== 'body') continue
    const body = store.bodies[o.index]!
    const fault = kindOf(body).unfit(body, room)
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
        'atM',
        `${stand} in ${objectName(design, other)}`,
        `a place clear of ${objectName(design, other)}, which takes ${m(other.x0)} to ${m(other.x1)} ` +
          `from the sunny wall`,
        { kind: other.kind, index: other.index },
      )
  }
  return out
}
