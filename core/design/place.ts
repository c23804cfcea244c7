import { layBarrels, roomObjects, type ObjectKind, type RoomObject } from '../geometry/objects'
import { makeOutline } from '../geometry/section'
import type { Patch } from './edit'
import { RANGES } from './ranges'
import type { Bed, Design } from './types'

/** A thing in the room that can be taken hold of on the section and on the plan. */
export interface Thing extends Pick<RoomObject, 'kind' | 'index' | 'x0' | 'x1' | 'y0' | 'y1' | 'z0' | 'z1'> {
  /** `bed-0`, `tank-0` and so on. */
  id: string
  /** As the reader calls it: “Bed 1”. */
  name: string
  /** What can be drawn out: its height, its width across, its length along. */
  sizes: { height: boolean, width: boolean, length: boolean }
}

const NAMES: Record<ObjectKind, string> = { 'bed': 'Bed', 'bench': 'Bench', 'barrels': 'Barrels', 'tank': 'Tank', 'inner wall': 'Inner wall', 'pond': 'Pond' }
const GRID = 0.05
/** A thing this near to a wall or a neighbour stands against it, m. */
const CATCH = 0.08

const grid = (v: number) => Math.round(Math.round(v / GRID) * GRID * 1000) / 1000
const clamp = (v: number, low: number, high: number) => Math.min(Math.max(v, low), Math.max(low, high))

/** The things of a design that can be moved. */
export function things(design: Pick<Design, 'shape' | 'store'>): Thing[] {
  return roomObjects(design).map((o) => {
    const listed = o.kind === 'bed' || o.kind === 'bench'
    return {
      id: `${o.kind.replace(' ', '-')}-${o.index}`, kind: o.kind, index: o.index, name: listed ? `${NAMES[o.kind]} ${o.index + 1}` : NAMES[o.kind],
      x0: o.x0, x1: o.x1, y0: o.y0, y1: o.y1, z0: o.z0, z1: o.z1,
      sizes: { height: o.kind !== 'barrels' && o.kind !== 'pond', width: o.kind !== 'barrels', length: o.kind === 'tank' || o.kind === 'pond' },
    }
  })
}

/** Where a thing's near side would come to stand: on the grid, against a wall or a neighbour where it is close to one, inside the room, beds and benches clear of each other. */
function settle(design: Pick<Design, 'shape' | 'store'>, thing: Thing, atM: number): number {
  const width = thing.x1 - thing.x0
  const room = makeOutline(design.shape).widthM
  const others = things(design).filter(t => t.id !== thing.id)
  const edges = [0, room, ...others.flatMap(t => [t.x0, t.x1])]
  let at = grid(atM)
  // The nearest edge that either side comes close to.
  const caught = edges.flatMap(e => [e, e - width]).filter(e => Math.abs(e - atM) < CATCH).sort((a, b) => Math.abs(a - atM) - Math.abs(b - atM))
  if (caught.length > 0) at = Math.round(caught[0]! * 1000) / 1000
  at = clamp(at, 0, room - width)
  if (thing.kind !== 'bed' && thing.kind !== 'bench') return at
  const same = others.filter(t => t.kind === thing.kind)
  const fits = (x: number) => x >= -1e-9 && x + width <= room + 1e-9 && same.every(t => x >= t.x1 - 1e-9 || x + width <= t.x0 + 1e-9)
  if (fits(at)) return at
  // The nearest place that is free, beside one of the others.
  const free = [...same.flatMap(t => [t.x1, t.x0 - width]), 0, room - width].filter(fits).sort((a, b) => Math.abs(a - at) - Math.abs(b - at))
  return free.length > 0 ? Math.round(free[0]! * 1000) / 1000 : thing.x0
}

const path = (kind: ObjectKind) => (kind === 'inner wall' ? 'innerWall' : kind) as 'innerWall' | 'tank' | 'pond'

/**
 * Moves a thing so that its near side stands `atM` from the sunny wall, or as near to that as it can. Barrels go to the back, the middle or the sunny side,
 * whichever is nearest. The changes keep a sound design sound.
 */
export function placed(design: Pick<Design, 'shape' | 'store'>, id: string, atM: number): Patch[] {
  const thing = things(design).find(t => t.id === id)
  if (!thing) return []
  if (thing.kind === 'barrels') {
    const wanted = atM + (thing.x1 - thing.x0) / 2
    const places = (['sunny', 'middle', 'back'] as const).map((place) => {
      const l = layBarrels({ ...design, store: { ...design.store, barrels: { ...design.store.barrels, place } } })!
      return { place, off: Math.abs((l.x0 + l.x1) / 2 - wanted) }
    })
    return [['store.barrels.place', places.reduce((b, p) => (p.off < b.off ? p : b)).place]]
  }
  const at = settle(design, thing, atM)
  if (thing.kind === 'bed' || thing.kind === 'bench') return [[`shape.${thing.kind === 'bed' ? 'beds' : 'benches'}.${thing.index}.atM`, at]]
  return [[`store.${path(thing.kind)}.atM`, at]]
}

/** Another width, height or length of a thing, as near to what is wanted as its range and its neighbours allow. */
export function resized(design: Pick<Design, 'shape' | 'store'>, id: string, size: { widthM?: number, heightM?: number, lengthM?: number }): Patch[] {
  const thing = things(design).find(t => t.id === id)
  if (!thing) return []
  const out: Patch[] = []
  const within = (v: number, [low, high]: readonly [number, number], most = Infinity) => clamp(grid(v), low, Math.min(high, most))
  const room = makeOutline(design.shape).widthM
  const listed = thing.kind === 'bed' || thing.kind === 'bench'
  const place = listed ? `shape.${thing.kind === 'bed' ? 'beds' : 'benches'}.${thing.index}` : `store.${path(thing.kind)}`
  if (size.widthM !== undefined && thing.sizes.width) {
    const next = listed ? Math.min(room, ...things(design).filter(t => t.kind === thing.kind && t.id !== id && t.x0 >= thing.x1 - 1e-9).map(t => t.x0)) : room
    const range = listed ? RANGES['bed.widthM'] : thing.kind === 'inner wall' ? [0.05, RANGES['store.innerWall.thicknessM'][1]] as const : RANGES['store.tank.widthM']
    out.push([`${place}.${thing.kind === 'inner wall' ? 'thicknessM' : 'widthM'}`, within(size.widthM, range, next - thing.x0)])
  }
  if (size.heightM !== undefined && thing.sizes.height) {
    const range = listed ? RANGES['bed.heightM'] : thing.kind === 'inner wall' ? RANGES['store.innerWall.heightM'] : RANGES['store.tank.heightM']
    out.push([`${place}.heightM`, within(size.heightM, range)])
  }
  if (size.lengthM !== undefined && thing.sizes.length) out.push([`${place}.lengthM`, within(size.lengthM, [0.2, RANGES['store.tank.lengthM'][1]], design.shape.lengthM)])
  return out
}

/** A stretch of floor across the section that nothing stands on. */
export interface Gap { x0: number, x1: number, widthM: number, /** It is a way through, and narrower than one needs. */ narrow: boolean }

/** A way that a person with a barrow needs, and one with a wheelchair, m. */
export const PATH_M = 0.45
export const WHEELCHAIR_M = 0.9
const SLIT_M = 0.25

/** Free floor across the section, from the sunny wall to the back wall; slits that nobody would walk through are left out. */
export function clearances(design: Pick<Design, 'shape' | 'store' | 'aim'>): Gap[] {
  const need = design.aim.practical.wheelchair ? WHEELCHAIR_M : PATH_M
  const standing = things(design).filter(t => t.kind !== 'bench').map(t => [t.x0, t.x1] as const).sort((a, b) => a[0] - b[0])
  const out: Gap[] = []
  let from = 0
  const room = makeOutline(design.shape).widthM
  for (const [x0, x1] of [...standing, [room, room] as const]) {
    if (x0 - from > SLIT_M) out.push({ x0: from, x1: x0, widthM: x0 - from, narrow: x0 - from < need - 1e-9 })
    from = Math.max(from, x1)
  }
  return out
}

/** A free place for another bed or bench of that width, m from the sunny wall; null where there is none. */
export function freePlace(beds: readonly Bed[], widthM: number, roomM: number): number | null {
  for (let at = 0.15; at + widthM <= roomM + 1e-9; at += GRID) {
    if (beds.every(b => at >= b.atM + b.widthM || at + widthM <= b.atM)) return Math.round(at * 100) / 100
  }
  return null
}
