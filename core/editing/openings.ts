import { clearances } from './place'
import type { Design, Opening, PartId } from '../design'
import { hostOf } from '../geometry/parts'
import { hostsFor, isLetIn, openingFaults } from '../geometry/panes'
import { makeOutline } from '../geometry/section'
import type { OpeningKind } from '../openings/kind'
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
    const host = hostOf(design.shape, outline, part)
    const fresh = { ...(like ?? inSeason(kind.fresh(part, host), design.site.latitudeDeg)), part } as Opening
    // A window in glazing is glazing: it is looked for on something solid first.
    if (kind.kind === 'window' && !isLetIn(design, part)) continue
    const placed = placedOn(design, fresh, host.wideM)
    if (placed) return placed
  }
  return null
}

/** An opening as near to where it would be as there is room on its part; null where there is none. */
function placedOn(design: Design, fresh: Opening, wideM: number): Opening | null {
  const { openings } = design.skin
  const stands = (o: Opening) => {
    const house = { ...design, skin: { ...design.skin, openings: [...openings, o] } }
    return !openingFaults(house).some(f => f.path.startsWith(`skin.openings[${openings.length}]`))
  }
  if (!('offsetM' in fresh)) return stands(fresh) ? fresh : null
  const end = fresh.part === 'eastEnd' || fresh.part === 'westEnd'
  const wanted = end && fresh.kind === 'door' ? wayThrough(design) : fresh.offsetM
  const steps = Math.floor(wideM / 2 / STEP_M)
  const offsets = Array.from({ length: 2 * steps + 1 }, (_, i) => (i - steps) * STEP_M)
  for (const off of [wanted, ...offsets.sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))]) {
    const tried = { ...fresh, offsetM: Math.round(off * 1000) / 1000 }
    if (stands(tried)) return tried
  }
  return null
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
