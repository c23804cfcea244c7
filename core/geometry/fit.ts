import { entry, VESSELS } from '../catalog'
import type { Design, Fault } from '../design/types'
import { layBarrels, lengthBetween, roomObjects, type ObjectKind, type RoomObject } from './objects'
import { clearHeightAt, makeOutline, type Outline } from './section'

/** A thing that cannot stand where it is said to stand. */
export interface Misfit extends Fault {
  kind: ObjectKind
  index: number
  /** What it stands in; null for the skin or the floor. */
  other: Pick<RoomObject, 'kind' | 'index'> | null
}

/** What people do not see, m. */
const NEAR_M = 0.01

const m = (v: number) => `${Math.max(0, Math.floor(v * 100) / 100).toFixed(2)} m`

/** As a sentence names it. */
function objectName(o: Pick<RoomObject, 'kind' | 'index'>): string {
  return o.kind === 'bed' || o.kind === 'bench'
    ? `${o.kind} ${o.index + 1}`
    : o.kind === 'barrels'
      ? 'the barrels'
      : `the ${o.kind}`
}

/** Fields that say where a thing stands and how high it is. */
const PATHS: Record<ObjectKind, (i: number) => { place: string; height: string }> = {
  'bed': i => ({ place: `shape.beds[${i}].atM`, height: `shape.beds[${i}].heightM` }),
  'bench': i => ({ place: `shape.benches[${i}].atM`, height: `shape.benches[${i}].heightM` }),
  'barrels': () => ({ place: 'store.barrels.place', height: 'store.barrels.stack' }),
  'tank': () => ({ place: 'store.tank.atM', height: 'store.tank.heightM' }),
  'pond': () => ({ place: 'store.pond.atM', height: 'store.pond.atM' }),
  'inner wall': () => ({ place: 'store.innerWall.atM', height: 'store.innerWall.heightM' }),
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
  if (a.kind === b.kind) return false
  const flat = Math.min(NEAR_M, (a.z1 - a.z0) / 2, (b.z1 - b.z0) / 2)
  return !apart(a.x0, a.x1, b.x0, b.x1) && !apart(a.y0, a.y1, b.y0, b.y1) && !apart(a.z0, a.z1, b.z0, b.z1, flat)
}

/**
 * Everything in a house that stands through its skin or in something else, or does not fit on its floor. The shape
 * itself must be sound.
 */
export function misfits(design: Pick<Design, 'shape' | 'store'>): Misfit[] {
  const { shape, store } = design
  const out: Misfit[] = []
  const outline = makeOutline(shape)
  const add = (
    o: Pick<RoomObject, 'kind' | 'index'>,
    path: string,
    message: string,
    allowed: string,
    other: Misfit['other'] = null,
  ) => out.push({ kind: o.kind, index: o.index, path, message, allowed, other })
  const barrels = layBarrels(design)
  if (barrels) {
    const { diameterM } = entry(VESSELS, store.barrels.vessel)
    if (barrels.rows * diameterM > barrels.roomM + 1e-9) {
      const most = Math.floor(barrels.roomM / diameterM + 1e-9) * barrels.perRowMost * store.barrels.stack
      add(
        { kind: 'barrels', index: 0 },
        'store.barrels.count',
        'do not fit on the floor',
        `at most ${most} of these, ${store.barrels.stack} high`,
      )
      return out
    }
  }
  for (const name of ['tank', 'pond'] as const) {
    const t = store[name]
    const most = lengthBetween(shape, t.atM, t.atM + t.widthM)
    if (t.lengthM > most + 1e-9)
      add(
        { kind: name, index: 0 },
        `store.${name}.lengthM`,
        shape.form === 'dome' ? 'is longer than the dome is wide there' : 'is longer than the greenhouse',
        `at most ${m(most)} at that place`,
      )
  }
  const objects = roomObjects(design)
  for (const o of objects) {
    const paths = PATHS[o.kind](o.index)
    const clear = clearOver(shape, outline, o)
    if (o.z1 > clear + NEAR_M)
      add(
        o,
        paths.height,
        `${o.kind === 'barrels' ? 'stand' : 'stands'} ${m(o.z1)} high, through the roof or the glass: ` +
          `${m(clear)} is clear there`,
        `at most ${m(clear)}, or another place`,
      )
    const other = objects.find(b => b !== o && objects.indexOf(b) < objects.indexOf(o) && collide(b, o))
    if (other)
      add(
        o,
        paths.place,
        `${o.kind === 'barrels' ? 'stand' : 'stands'} in ${objectName(other)}`,
        `a place clear of ${objectName(other)}, which takes ${m(other.x0)} to ${m(other.x1)} from the sunny wall`,
        { kind: other.kind, index: other.index },
      )
  }
  return out
}
