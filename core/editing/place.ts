import { misfits, type Misfit } from '../geometry/fit'
import { freeStrips, lengthBetween, roomObjects, roomOf, type RoomObject } from '../geometry/objects'
import { makeOutline } from '../geometry/section'
import { patchDesign, type Patch } from './edit'
import type { BodyKind, Grip } from '../bodies/kind'
import { bodyName, kindOf } from '../bodies/registry'
import { rangeOf, valueAt, type Bench, type Body, type Design } from '../design'

/** A thing in the room that can be taken hold of on the section and on the plan. */
export interface Thing extends Pick<RoomObject, 'kind' | 'index' | 'x0' | 'x1' | 'y0' | 'y1' | 'z0' | 'z1'> {
  /** `bed-0`, `body-0` and so on. */
  id: string
  /** As the reader calls it: “Bed 1”. */
  name: string
  /** What can be drawn out: its height, its width across, its length along. */
  sizes: { height: boolean; width: boolean; length: boolean }
}

const GRID = 0.05
/** A thing this near to a wall or a neighbour stands against it, m. */
const CATCH = 0.08

const grid = (v: number) => Math.round(Math.round(v / GRID) * GRID * 1000) / 1000
const clamp = (v: number, low: number, high: number) => Math.min(Math.max(v, low), Math.max(low, high))

/** The things of a design that can be moved. */
export function things(design: House): Thing[] {
  return roomObjects(design).map(o => {
    const grips = gripsOf(design, o)
    return {
      id: `${o.kind}-${o.index}`,
      kind: o.kind,
      index: o.index,
      name:
        o.kind === 'body'
          ? bodyName(design.store.bodies, o.index)
          : `${o.kind === 'bed' ? 'Bed' : 'Bench'} ${o.index + 1}`,
      x0: o.x0,
      x1: o.x1,
      y0: o.y0,
      y1: o.y1,
      z0: o.z0,
      z1: o.z1,
      sizes: { height: grips.height !== null, width: grips.width !== null, length: grips.length !== null },
    }
  })
}

type House = Pick<Design, 'shape' | 'store'>

/** What of a thing can be drawn out. */
function gripsOf(
  design: House,
  { kind, index }: Pick<Thing, 'kind' | 'index'>,
): Record<'width' | 'height' | 'length', Grip | null> {
  if (kind === 'body') return kindOf(design.store.bodies[index]!)
  const least = (field: string) => ({ field, least: rangeOf(`shape.beds.0.${field}`)[0] })
  return { width: least('widthM'), height: least('heightM'), length: null }
}

/** Where a thing's fields stand in the document. */
const placeOf = ({ kind, index }: Pick<Thing, 'kind' | 'index'>) =>
  kind === 'bed' ? `shape.beds.${index}` : kind === 'bench' ? `shape.benches.${index}` : `store.bodies.${index}`

/**
 * Whether a thing can stand as it would after a change: in nothing else, through no roof, beds and benches clear of
 * their like.
 */
function stands(design: House, thing: Pick<Thing, 'kind' | 'index'>, alone = false): boolean {
  if (!alone && (thing.kind === 'bed' || thing.kind === 'bench')) {
    const list = thing.kind === 'bed' ? design.shape.beds : design.shape.benches
    const own = list[thing.index]!
    if (
      list.some((b, i) => i !== thing.index && own.atM < b.atM + b.widthM - 1e-9 && b.atM < own.atM + own.widthM - 1e-9)
    )
      return false
  }
  const it = (o: Pick<Thing, 'kind' | 'index'> | null) => o?.kind === thing.kind && o.index === thing.index
  return !misfits(design).some(f => (it(f) || it(f.other)) && !(alone && f.other))
}

const after = (design: House, patches: readonly Patch[]): House => patchDesign(design as Design, patches)

/**
 * Where a thing's near side would come to stand: against a wall or a neighbour where it is close to one, else on the
 * grid, as near to what is wanted as it can stand.
 */
function settle(design: House, thing: Thing, atM: number, alone = false): number {
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
  const found = tries.find(x => stands(after(design, [[`${placeOf(thing)}.atM`, mm(Math.max(0, x))]]), thing, alone))
  return found === undefined ? thing.x0 : mm(Math.max(0, found))
}

/**
 * Moves a thing so that its near side stands `atM` from the sunny wall, or as near to that as it can. The changes keep
 * a sound design sound.
 */
export function placed(design: House, id: string, atM: number): Patch[] {
  const thing = things(design).find(t => t.id === id)
  return thing ? [[`${placeOf(thing)}.atM`, settle(design, thing, atM)]] : []
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
  const place = placeOf(thing)
  const grips = gripsOf(design, thing)
  const room = makeOutline(design.shape).widthM
  const draw = (grip: Grip | null, wanted: number | undefined, now: number, most: number) => {
    if (!grip || wanted === undefined) return
    const path = `${place}.${grip.field}`
    const high = Math.max(grip.least, Math.min(rangeOf(path, design as Design)[1], most))
    const to = clamp(grid(wanted), grip.least, high)
    // From what is wanted back to what it is, step by step, until it can stand.
    const steps = Math.ceil(Math.abs(to - now) / GRID)
    for (let k = 0; k <= steps; k++) {
      const value = k === steps ? now : Math.round((to + Math.sign(now - to) * k * GRID) * 1000) / 1000
      if (k < steps && !stands(after(design, [...out, [path, value]]), thing)) continue
      out.push([path, value])
      return
    }
  }
  draw(grips.width, size.widthM, thing.x1 - thing.x0, room - thing.x0)
  draw(grips.height, size.heightM, thing.z1, Infinity)
  draw(grips.length, size.lengthM, thing.y1 - thing.y0, lengthBetween(design.shape, thing.x0, thing.x1))
  return out
}

const LOWER = [1, 0.8, 0.6, 0.4, 0.2, 0]
const NARROWER = [1, 0.8, 0.6]

/**
 * Ways in which a thing might stand after all: elsewhere, lower, shorter, a bed or bench narrower.
 * @param alone as if nothing else stood in the house
 */
function* waysToStand(design: House, thing: Thing, alone = false): Generator<Patch[]> {
  const place = placeOf(thing)
  const grips = gripsOf(design, thing)
  const narrowed = thing.kind === 'body' ? null : grips.width
  const lowered = thing.kind === 'body' ? lowerings(design.store.bodies[thing.index]!) : null
  const cm = (v: number) => Math.floor(v * 100 + 1e-6) / 100
  for (const narrow of narrowed ? NARROWER : [1]) {
    for (const low of lowered ? lowered.keys() : grips.height ? LOWER.keys() : [0]) {
      const size: Patch[] = []
      if (narrowed)
        size.push([`${place}.${narrowed.field}`, Math.max(narrowed.least, cm(narrow * (thing.x1 - thing.x0)))])
      if (lowered) size.push(...lowered[low]!.map(([field, value]) => [`${place}.${field}`, value] as const))
      else if (grips.height) {
        const { field, least } = grips.height
        size.push([`${place}.${field}`, Math.max(least, cm(LOWER[low]! * thing.z1))])
      }
      const smaller = after(design, size)
      const now = things(smaller).find(t => t.id === thing.id)!
      const atM = settle(smaller, now, thing.x0, alone)
      const most = cm(lengthBetween(design.shape, atM, atM + now.x1 - now.x0))
      const { length } = grips
      const lengthM = length && (valueAt(design as Design, `${place}.${length.field}`) as number)
      if (length && lengthM! > 0)
        size.push([`${place}.${length.field}`, Math.max(length.least, Math.min(lengthM!, most))])
      yield [...size, [`${place}.atM`, atM]]
    }
  }
}

/** How a body without a height of its own is made lower: in lower stacks, then on the floor; null for other bodies. */
function lowerings(body: Design['store']['bodies'][number]): (readonly [field: string, value: number])[][] | null {
  if (body.kind !== 'drums') return null
  const out: (readonly [string, number])[][] = []
  for (let stack = body.stack; stack >= 1; stack--)
    for (const raisedM of new Set([body.raisedM, 0]))
      out.push([
        ['stack', stack],
        ['raisedM', raisedM],
      ])
  return out
}

/**
 * A house whose things all stand, changed as little as that takes; null where some cannot. The shape itself must be
 * sound.
 */
export function madeToStand<T extends House>(design: T): T | null {
  const mended = mendedByMoving(design)
  if (mended) return mended
  // A body that finds no room where the others stand takes it, and they give way.
  for (const f of misfits(design)) {
    if (f.kind !== 'body') continue
    const thing = things(design).find(t => t.kind === 'body' && t.index === f.index)!
    for (const patches of waysToStand(design, thing, true)) {
      const tried = after(design, patches)
      const house = stands(tried, thing, true) ? mendedByMoving(tried as T) : null
      if (house) return house
    }
  }
  return null
}

function mendedByMoving<T extends House>(design: T): T | null {
  let house = design
  for (let wrong = misfits(house); wrong.length > 0; wrong = misfits(house)) {
    const next = movedToStand(house, wrong)
    if (!next) return null
    house = next as T
  }
  return house
}

/** The house with one of its things moved so that fewer are amiss; null where no move helps. */
function movedToStand(house: House, wrong: readonly Misfit[]): House | null {
  for (const o of wrong.flatMap(f => [f, f.other])) {
    if (!o) continue
    const thing = things(house).find(t => t.kind === o.kind && t.index === o.index)!
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
const PATH_M = 0.45
export const WHEELCHAIR_M = 0.9

/**
 * Free floor across the section, from the sunny wall to the back wall; slits that nobody would walk through are left
 * out.
 */
export function clearances(design: Pick<Design, 'shape' | 'store' | 'aim'>): Gap[] {
  const need = design.aim.practical.wheelchair ? WHEELCHAIR_M : PATH_M
  return freeStrips(design).map(({ x0, x1 }) => ({ x0, x1, widthM: x1 - x0, narrow: x1 - x0 < need - 1e-9 }))
}

/** A free place for another bed or bench of that width, m from the sunny wall; null where there is none. */
export function freePlace(
  beds: readonly Pick<Bench, 'atM' | 'widthM'>[],
  widthM: number,
  roomM: number,
): number | null {
  for (let at = 0.15; at + widthM <= roomM + 1e-9; at += GRID) {
    if (beds.every(b => at >= b.atM + b.widthM || at + widthM <= b.atM)) return Math.round(at * 100) / 100
  }
  return null
}

/**
 * Another body of a kind where there is room for it, alike to one or fresh; shorter and shorter until it fits. null
 * where there is no free floor.
 */
export function freeBody(design: House, kind: BodyKind, alike?: Body): Body | null {
  const index = design.store.bodies.length
  const made = (alike ?? kind.fresh(roomOf(design.shape))) as Body
  const withIt = (body: Body): House => ({
    ...design,
    store: { ...design.store, bodies: [...design.store.bodies, body] },
  })
  const before = misfits(design).length
  const thing = things(withIt(made))[roomObjects(design).length]!
  const house = withIt(made)
  for (const patches of [[], ...waysToStand(house, thing)]) {
    const tried = after(house, patches)
    if (misfits(tried).length <= before && stands(tried, thing)) return tried.store.bodies[index]!
  }
  return null
}

/**
 * The bodies of a house as they stand when its shape becomes another: what stands nearer to the back wall keeps its
 * distance from that, the rest from the sunny wall.
 */
export function carriedBodies({ shape, store }: House, next: Design['shape']): readonly Body[] {
  const wider = next.widthM - shape.widthM
  if (Math.abs(wider) < 1e-9) return store.bodies
  const boxes = roomObjects({ shape, store }).filter(o => o.kind === 'body')
  return store.bodies.map((b, i) => {
    const { x0, x1 } = boxes[i]!
    const back = (x0 + x1) / 2 > shape.widthM / 2
    return back ? { ...b, atM: Math.max(0, Math.round((b.atM + wider) * 1000) / 1000) } : b
  })
}

/**
 * A body with another value in one of its fields. One that stands nearer to the back wall and grows across grows into
 * the room.
 */
export function changedBody(design: House, index: number, field: string, value: unknown): Patch[] {
  const path = `store.bodies.${index}`
  const patch: Patch = [`${path}.${field}`, value]
  const was = roomObjects(design).find(o => o.kind === 'body' && o.index === index)!
  if (field === 'atM' || (was.x0 + was.x1) / 2 <= design.shape.widthM / 2) return [patch]
  const changed = after(design, [patch, [`${path}.atM`, 0]])
  const now = roomObjects(changed).find(o => o.kind === 'body' && o.index === index)!
  const wider = now.x1 - now.x0 - (was.x1 - was.x0)
  if (Math.abs(wider) < 1e-6) return [patch]
  return [patch, [`${path}.atM`, Math.max(0, Math.round((was.x0 - wider) * 1000) / 1000)]]
}
