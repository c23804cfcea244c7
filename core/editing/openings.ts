import { clearances } from './place'
import type { Design, Opening, PartId } from '../design'
import { blockedDoors } from '../geometry/before-openings'
import { hostsFor, openingMisfits, takesWindows } from '../geometry/let-in'
import { hostOf } from '../geometry/part-planes'
import { makeOutline } from '../geometry/section'
import type { OpeningKind } from '../openings/kind'
import { LEAST_WIDE_M } from '../openings/leaf'
import { openingKind } from '../openings/registry'
import { inSeason } from './season'

/** Where people like a new one, by its kind, first to last. */
const LIKED: Record<string, readonly PartId[]> = {
  window: ['backWall', 'eastEnd', 'westEnd', 'poleSlope'],
  door: ['eastEnd', 'westEnd', 'backWall'],
  louvre: ['westEnd', 'eastEnd', 'backWall'],
}
const STEP_M = 0.1

/**
 * A new opening of a kind, or one like another, where there is room for it: on the part that is wished for if it can be
 * there, else on another. Null where there is no room.
 */
export function freeOpening(
  design: Design,
  kind: OpeningKind,
  wished: PartId | null = null,
  like: Opening | null = null,
): Opening | null {
  const outline = makeOutline(design.shape)
  const can = hostsFor(design, kind)
  const order = [wished, ...(LIKED[kind.kind] ?? []), ...can].filter((p): p is PartId => p !== null && can.includes(p))
  for (const part of new Set(order)) {
    const host = hostOf(design, outline, part, kind.ridge)
    const fresh = { ...(like ?? inSeason(kind.fresh(part, host), design.site.latitudeDeg)), part } as Opening
    // A window in glazing is glazing: it is looked for on something solid first.
    if (kind.kind === 'window' && !takesWindows(design, part)) continue
    const placed = placedOn(design, fresh, host.wideM)
    if (placed) return placed
  }
  return null
}

/** An opening as near to where it would be as there is room on its part, a row in fewer leaves; null for no room. */
function placedOn(design: Design, fresh: Opening, wideM: number): Opening | null {
  const { openings } = design.skin
  const stands = (o: Opening) => {
    const house = { ...design, skin: { ...design.skin, openings: [...openings, o] } }
    return openingMisfits(house, openings.length).length === 0
  }
  const end = fresh.part === 'eastEnd' || fresh.part === 'westEnd'
  const wanted = end && fresh.kind === 'door' ? wayThrough(design) : fresh.offsetM
  const steps = Math.floor(wideM / 2 / STEP_M)
  const offsets = Array.from({ length: 2 * steps + 1 }, (_, i) => (i - steps) * STEP_M)
  const places = [wanted, ...offsets.sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))]
  /** What would do, but for something in the way of who comes in. */
  let blocked: Opening | null = null
  for (const way of fewer(fresh)) {
    if ('evenly' in way && way.evenly === 'spread') {
      if (stands(way)) return way
      continue
    }
    for (const off of places) {
      const tried = { ...way, offsetM: Math.round(off * 1000) / 1000 }
      if (!stands(tried)) continue
      if (way.kind !== 'door' || isFree(design, tried)) return tried
      blocked ??= tried
    }
  }
  return blocked
}

/** Whether one comes in by a door, as far as what stands in the house goes. */
const isFree = (design: Design, door: Opening): boolean =>
  blockedDoors({ ...design, skin: { ...design.skin, openings: [door] } }).length === 0

/** A house whose doors let one in: what has something in its way is moved along its part to where it has not. */
export const withDoorsFree = (design: Design): Design =>
  blockedDoors(design).reduce((house, { index }) => {
    const { skin, shape } = house
    const o = skin.openings[index]!
    if (o.kind !== 'door') return house
    const { wideM } = hostOf(house, makeOutline(shape), o.part)
    const offsets = Array.from({ length: Math.floor(wideM / STEP_M) + 1 }, (_, i) => i * STEP_M - wideM / 2)
    const moved = offsets
      .sort((a, b) => Math.abs(a - o.offsetM) - Math.abs(b - o.offsetM))
      .map(off => {
        const door = { ...o, offsetM: Math.round(off * 100) / 100 }
        return { ...house, skin: { ...skin, openings: skin.openings.map((p, k) => (k === index ? door : p)) } }
      })
      .find(h => openingMisfits(h).length === 0 && !blockedDoors(h).some(b => b.index === index))
    return moved ?? house
  }, design)

/** A row as it is, then side by side, then in fewer leaves and fewer, then one that is narrower; others as they are. */
function* fewer(fresh: Opening): Generator<Opening> {
  yield fresh
  if (!('evenly' in fresh)) return
  for (let { count } = fresh; count > 0; count = count > 1 ? Math.ceil(count / 2) : 0)
    yield { ...fresh, count, evenly: 'together' }
  for (let widthM = 0.75 * fresh.widthM; widthM > LEAST_WIDE_M; widthM *= 0.75)
    yield { ...fresh, count: 1, evenly: 'together', widthM: Math.floor(widthM * 100) / 100 }
}

/** Middle of the widest way through between what stands on the floor, from the middle of the width, m. */
export function wayThrough(design: Design): number {
  const middle = design.shape.widthM / 2
  const widest = clearances(design).reduce((b, g) => (g.widthM > b.widthM ? g : b), {
    x0: middle,
    x1: middle,
    widthM: 0,
  })
  return (widest.x0 + widest.x1) / 2 - middle
}

/**
 * Openings with everything that is there for air larger by a share, as far as each still fits its part; null where
 * nothing can grow.
 */
export function largerVents(design: Design, share: number): Opening[] | null {
  let openings = design.skin.openings
  let grown = false
  openings.forEach((o, i) => {
    const kind = openingKind(o)
    for (let by = share; by > 1.05; by = 1 + (by - 1) * 0.7) {
      const larger = kind.scaled(o, by) as Opening | null
      if (!larger) return
      const tried = openings.map((p, k) => (k === i ? larger : p))
      if (kind.freeM2(larger) <= 1.02 * kind.freeM2(o)) continue
      if (openingMisfits({ ...design, skin: { ...design.skin, openings: tried } }).length > 0) continue
      openings = tried
      grown = true
      return
    }
  })
  return grown ? openings : null
}
