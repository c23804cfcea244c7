import { pastHorizon, type SiteYear } from '../climate'
import type { SceneExtras } from '../geometry/ray-cast'
import { freeOf } from '../geometry/ray-shapes'
import type { Building, Surface, SurfaceId } from '../geometry/surfaces'
import { RAD } from '../physics/constants'
import { pointsOn } from './landing-points'
import { roomDirection } from '../geometry/room-direction'

const { cos, log, max, sin } = Math

/** Points to an outer face that screens are looked for on, and how far off it they lie, m. */
const SCREEN_POINTS = 12
const OFF_M = 0.02

/** Points a hair off an outer face, from which screens are looked for: x, y, z by turns. */
export const pointsOff = (surface: Surface): Float64Array =>
  pointsOn(surface, SCREEN_POINTS).map((v, i) => v + surface.normal[i % 3]! * OFF_M)

/** Share of the even sky before an outer face that eaves and a house leave free, 0–1. */
export function skyFree(outside: SceneExtras['outside'], surface: Surface): number {
  if (outside.length === 0) return 1
  const points = pointsOff(surface)
  const [nx, ny, nz] = surface.normal
  let free = 0
  let all = 0
  for (let az = 15; az < 360; az += 30)
    for (let alt = 7.5; alt < 90; alt += 15) {
      const c = cos(alt * RAD)
      const [x, y, z] = [c * cos(az * RAD), c * sin(az * RAD), sin(alt * RAD)]
      const weight = max(0, x * nx + y * ny + z * nz) * c
      all += weight
      if (weight > 0) free += weight * freeOf(outside, points, x, y, z)
    }
  return all > 0 ? free / all : 1
}

/**
 * How much colder than the whole sky its air is seen in a direction, as a share of the whole: a clear sky is coldest
 * overhead, and as warm as the air along the ground. Emissivity rises by 0.09 for each e-fold of the path through the
 * air, and falls short of 1 by about a quarter over the whole sky. Unsworth & Monteith 1975.
 */
const coldAt = (altitudeDeg: number) => max(0, 1 + (0.09 / 0.25) * (0.5 + log(sin(altitudeDeg * RAD))))

/** Share of the cold of the sky before an outer face that skyline, eaves and a house leave free, 0–1. */
function coldFree(
  { horizon }: SiteYear,
  building: Building,
  outside: SceneExtras['outside'],
  surface: Surface,
): number {
  if (!horizon && outside.length === 0) return 1
  // The nights that count are nights of bare trees.
  const day = max(0, horizon ? horizon.inLeaf.indexOf(0) : 0)
  const points = pointsOff(surface)
  const [nx, ny, nz] = surface.normal
  let free = 0
  let all = 0
  for (let az = 5; az < 360; az += 10)
    for (let alt = 1.5; alt < 90; alt += alt < 30 ? 3 : 6) {
      const c = cos(alt * RAD)
      const [x, y, z] = roomDirection(building, c * sin(az * RAD), c * cos(az * RAD), sin(alt * RAD))
      const weight = max(0, x * nx + y * ny + z * nz) * c * (alt < 30 ? 3 : 6) * coldAt(alt)
      if (weight === 0) continue
      all += weight
      const past = horizon ? pastHorizon(horizon, az, alt, day) : 1
      if (past > 0) free += weight * past * (outside.length > 0 ? freeOf(outside, points, x, y, z) : 1)
    }
  return all > 0 ? free / all : 1
}

/**
 * Share of the longwave that each piece of skin gets from the sky, 0–1, by its area: half of what it sees upright and
 * all of it level, less what the skyline, eaves and a house hide. What hides it is as warm as the air.
 */
export function skyViews(
  site: SiteYear,
  building: Building,
  outside: SceneExtras['outside'],
): ReadonlyMap<SurfaceId, number> {
  const sums = new Map<SurfaceId, { seen: number; areaM2: number }>()
  const known = new Map<string, number>()
  const freeOfAll = (s: Surface) => {
    // What eaves and a house hide differs from place to place.
    if (outside.length > 0) return coldFree(site, building, outside, s)
    const key = s.normal.join()
    if (!known.has(key)) known.set(key, coldFree(site, building, outside, s))
    return known.get(key)!
  }
  for (const s of building.surfaces) {
    if (s.kind === 'floor') continue
    const sum = sums.get(s.id) ?? { seen: 0, areaM2: 0 }
    sum.seen += ((1 + s.normal[2]) / 2) * s.areaM2 * freeOfAll(s)
    sum.areaM2 += s.areaM2
    sums.set(s.id, sum)
  }
  return new Map([...sums].map(([id, { seen, areaM2 }]) => [id, areaM2 > 0 ? seen / areaM2 : 0]))
}
