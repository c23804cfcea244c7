import { misfits, type Misfit } from '../geometry/fit'
import { layBarrels, lengthBetween, roomObjects, type ObjectKind, type RoomObject } from '../geometry/objects'
import { makeOutline } from '../geometry/section'
import { patchDesign, type Patch } from './edit'

import { rangeOf, type Bed, type Design } from '../design'

/** A thing in the room that can be taken hold of on the section and on the plan. */
export interface Thing extends Pick<RoomObject, 'kind' | 'index' | 'x0' | 'x1' | 'y0' | 'y1' | 'z0' | 'z1'> {
  /** `bed-0`, `tank-0` and so on. */
  id: string
  /** As the reader calls it: “Bed 1”. */
  name: string
  /** What can be drawn out: its height, its width across, its length along. */
  sizes: { height: boolean; width: boolean; length: boolean }
}

const NAMES: Record<ObjectKind, string> = {
  'bed': 'Bed',
  'bench': 'Bench',
  'barrels': 'Barrels',
  'tank': 'Tank',
  'inner wall': 'Inner wall',
  'pond': 'Pond',
}
const GRID = 0.05
/** A thing this near to a wall or a neighbour stands against it, m. */
const CATCH = 0.08

const grid = (v: number) => Math.round(Math.round(v / GRID) * GRID * 1000) / 1000
const clamp = (v: number, low: number, high: number) => Math.min(Math.max(v, low), Math.max(low, high))

/** The things of a design that can be moved. */
export function things(design: Pick<Design, 'shape' | 'store'>): Thing[] {
  return roomObjects(design).map(o => {
    const listed = o.kind === 'bed' || o.kind === 'bench'
    return {
      id: `${o.kind.replace(' ', '-')}-${o.index}`,
      kind: o.kind,
      index: o.index,
      name: listed ? `${NAMES[o.kind]} ${o.index + 1}` : NAMES[o.kind],
      x0: o.x0,
      x1: o.x1,
      y0: o.y0,
      y1: o.y1,
      z0: o.z0,
      z1: o.z1,
      sizes: {
        height: o.kind !== 'barrels' && o.kind !== 'pond',
        width: o.kind !== 'barrels',
        length: o.kind === 'tank' || o.kind === 'pond',
      },
    }
  })
}

type House = Pick<Design, 'shape' | 'store'>

const path = (kind: ObjectKind) => (kind === 'inner wall' ? 'innerWall' : kind) as 'innerWall' | 'tank' | 'pond'

/** Where a thing's fields stand in the document. */
const placeOf = (thing: Thing) =>
  thing.kind === 'bed'
    ? `shape.beds.${thing.index}`
    : thing.kind === 'bench'
      ? `shape.benches.${thing.index}`
      : `store.${path(thing.kind)}`

/**
 * Whether a thing can stand as it would after a change: in nothing else, through no roof, beds and benches clear of
 * their like.
 */
function stands(design: House, thing: Pick<Thing, 'kind' | 'index'>): boolean {
  if (thing.kind === 'bed' || thing.kind === 'bench') {
    const list = thing.kind === 'bed' ? design.shape.beds : design.shape.benches
    const own = list[thing.index]!
    if (
      list.some((b, i) => i !== thing.index && own.atM < b.atM + b.widthM - 1e-9 && b.atM < own.atM + own.widthM - 1e-9)
    )
      return false
  }
  const it = (o: Pick<Thing, 'kind' | 'index'> | null) => o?.kind === thing.kind && o.index === thing.index
  return !misfits(design).some(f => it(f) || it(f.other))
}

const after = (design: House, patches: readonly Patch[]): House => patchDesign(design as Design, patches)

/**
 * Where a thing's near side would come to stand: against a wall or a neighbour where it is close to one, else on the
 * grid, as near to what is wanted as it can stand.
 */
function settle(design: House, thing: Thing, atM: number): number {
  const width = thing.x1 - thing.x0
  const room = makeOutline(design.shape).widthM
  const edges = [
    0,
    room,
    ...things(design)
      .filter(t => t.id !== thing.id)
      .flatMap(t => [t.x0, t.x1]),
  ].flatMap(e => [e, e - width])
  const mm = (v: number) => Math.round(v * 1000) / 1000
  const caught = edges.filter(e => Math.abs(e - atM) < CATCH)
  const wanted = clamp(
    caught.length > 0 ? caught.reduce((b, e) => (Math.abs(e - atM) < Math.abs(b - atM) ? e : b)) : grid(atM),
    0,
    room - width,
  )
  const steps = Array.from({ length: Math.floor(room / GRID) + 1 }, (_, i) => i * GRID)
  const tries = [
    wanted,
    ...[...edges, ...steps]
      .filter(x => x >= -1e-9 && x + width <= room + 1e-9)
      .sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted)),
  ]
  const found = tries.find(x => stands(after(design, [[`${placeOf(thing)}.atM`, mm(Math.max(0, x))]]), thing))
  return found === undefined ? thing.x0 : mm(Math.max(0, found))
}

/**
 * Moves a thing so that its near side stands `atM` from the sunny wall, or as near to that as it can. Barrels go to the
 * back, the middle or the sunny side,
 * whichever is nearest and free. The changes keep a sound design sound.
 */
export function placed(design: House, id: string, atM: number): Patch[] {
  const thing = things(design).find(t => t.id === id)
  if (!thing) return []
  if (thing.kind === 'barrels') {
    const wanted = atM + (thing.x1 - thing.x0) / 2
    const places = (['sunny', 'middle', 'back'] as const)
      .map(place => {
        const moved = after(design, [['store.barrels.place', place]])
        const l = layBarrels(moved)!
        return { place, off: Math.abs((l.x0 + l.x1) / 2 - wanted), free: stands(moved, thing) }
      })
      .filter(p => p.free || p.place === design.store.barrels.place)
    return [['store.barrels.place', places.reduce((b, p) => (p.off < b.off ? p : b)).place]]
  }
  return [[`${placeOf(thing)}.atM`, settle(design, thing, atM)]]
}

/**
 * Another width, height or length of a thing, as near to what is wanted as its range, its neighbours and the roof
 * allow.
 */
export function resized(
  design: House,
  id: string,
  size: { widthM?: number; heightM?: number; lengthM?: number },
): Patch[] {
  const thing = things(design).find(t => t.id === id)
  if (!thing) return []
  const out: Patch[] = []
  const listed = thing.kind === 'bed' || thing.kind === 'bench'
  const place = placeOf(thing)
  const field = (name: string, wanted: number, now: number, [low, high]: readonly [number, number]) => {
    const to = clamp(grid(wanted), low, high)
    // From what is wanted back to what it is, step by step, until it can stand.
    const steps = Math.ceil(Math.abs(to - now) / GRID)
    for (let k = 0; k <= steps; k++) {
      const value = k === steps ? now : Math.round((to + Math.sign(now - to) * k * GRID) * 1000) / 1000
      if (k < steps && !stands(after(design, [...out, [`${place}.${name}`, value]]), thing)) continue
      out.push([`${place}.${name}`, value])
      return
    }
  }
  const room = makeOutline(design.shape).widthM
  if (size.widthM !== undefined && thing.sizes.width) {
    const [low, high] = listed
      ? rangeOf('shape.beds.0.widthM')
      : thing.kind === 'inner wall'
        ? ([0.05, rangeOf('store.innerWall.thicknessM')[1]] as const)
        : rangeOf('store.tank.widthM')
    field(thing.kind === 'inner wall' ? 'thicknessM' : 'widthM', size.widthM, thing.x1 - thing.x0, [
      low,
      Math.max(low, Math.min(high, room - thing.x0)),
    ])
  }
  if (size.heightM !== undefined && thing.sizes.height) {
    field(
      'heightM',
      size.heightM,
      thing.z1,
      listed
        ? rangeOf('shape.beds.0.heightM')
        : thing.kind === 'inner wall'
          ? rangeOf('store.innerWall.heightM')
          : rangeOf('store.tank.heightM'),
    )
  }
  if (size.lengthM !== undefined && thing.sizes.length)
    field('lengthM', size.lengthM, thing.y1 - thing.y0, [0.2, lengthBetween(design.shape, thing.x0, thing.x1)])
  return out
}

const LOWER = [1, 0.8, 0.6, 0.4, 0.2, 0]
const NARROWER = [1, 0.8, 0.6]

/**
 * Ways in which a thing other than the barrels might stand after all: elsewhere, lower, shorter, a bed or bench
 * narrower.
 */
function* waysToStand(design: House, thing: Thing): Generator<Patch[]> {
  const place = placeOf(thing)
  const listed = thing.kind === 'bed' || thing.kind === 'bench'
  const cm = (v: number) => Math.floor(v * 100 + 1e-6) / 100
  for (const narrow of listed ? NARROWER : [1]) {
    for (const low of thing.sizes.height ? LOWER : [1]) {
      const size: Patch[] = []
      if (listed)
        size.push([`${place}.widthM`, Math.max(rangeOf('shape.beds.0.widthM')[0], cm(narrow * (thing.x1 - thing.x0)))])
      if (thing.sizes.height) size.push([`${place}.heightM`, Math.max(listed ? 0 : 0.2, cm(low * thing.z1))])
      const smaller = after(design, size)
      const atM = settle(smaller, things(smaller).find(t => t.id === thing.id)!, thing.x0)
      if (thing.sizes.length)
        size.push([
          `${place}.lengthM`,
          Math.min(thing.y1 - thing.y0, cm(lengthBetween(design.shape, atM, atM + thing.x1 - thing.x0))),
        ])
      yield [...size, [`${place}.atM`, atM]]
    }
  }
}

/** Ways in which the barrels might: as they are, in lower stacks, on the floor, elsewhere. */
function barrelWays({ barrels }: Design['store']): Patch[][] {
  if (barrels.count === 0) return [[]]
  const out: Patch[][] = []
  for (const place of new Set([barrels.place, 'back', 'middle', 'sunny'] as const)) {
    for (let stack = barrels.stack; stack >= 1; stack--) {
      for (const raisedM of new Set([barrels.raisedM, 0]))
        out.push([
          ['store.barrels.stack', stack],
          ['store.barrels.raisedM', raisedM],
          ['store.barrels.place', place],
        ])
    }
  }
  return out
}

/**
 * A house whose things all stand, changed as little as that takes; null where some cannot. The shape itself must be
 * sound.
 */
export function madeToStand<T extends House>(design: T): T | null {
  if (misfits(design).length === 0) return design
  for (const way of barrelWays(design.store)) {
    let house = after(design, way) as T
    for (let wrong = misfits(house); wrong.length > 0; wrong = misfits(house)) {
      const next = movedToStand(house, wrong)
      if (!next) break
      house = next as T
    }
    if (misfits(house).length === 0) return house
  }
  return null
}

/** The house with one of its things moved so that fewer are amiss; null where no move helps. */
function movedToStand(house: House, wrong: readonly Misfit[]): House | null {
  const movable = wrong.flatMap(f => [f, f.other]).filter(o => o !== null && o.kind !== 'barrels')
  for (const o of movable) {
    const thing = things(house).find(t => t.kind === o!.kind && t.index === o!.index)!
    for (const patches of waysToStand(house, thing)) {
      const tried = after(house, patches)
      if (misfits(tried).length < wrong.length && stands(tried, thing)) return tried
    }
  }
  return null
}

/** A stretch of floor across the section that nothing stands on. */
export interface Gap {
  x0: number
  x1: number
  widthM: number
  /** It is a way through, and narrower than one needs. */
  narrow: boolean
}

/** A way that a person with a barrow needs, and one with a wheelchair, m. */
export const PATH_M = 0.45
export const WHEELCHAIR_M = 0.9
const SLIT_M = 0.25

/**
 * Free floor across the section, from the sunny wall to the back wall; slits that nobody would walk through are left
 * out.
 */
export function clearances(design: Pick<Design, 'shape' | 'store' | 'aim'>): Gap[] {
  const need = design.aim.practical.wheelchair ? WHEELCHAIR_M : PATH_M
  const standing = things(design)
    .filter(t => t.kind !== 'bench')
    .map(t => [t.x0, t.x1] as const)
    .sort((a, b) => a[0] - b[0])
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
