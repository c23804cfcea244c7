import { DAYS, HOURS, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import { polygonAbove } from '../geometry/above'
import type { Building, Surface } from '../geometry/surfaces'
import { RAD } from '../physics/constants'

const { floor, max, min, sqrt, tan } = Math

/** Glazing steeper than this sheds snow within hours. */
const SLIDES_FROM_DEG = 50
const LIES_BELOW_DEG = 15

/**
 * Share of a pane's light that snow on it takes, 0–0.9, by hour. Snow that falls (the snow outside deepens by more than
 * 5 mm) covers the pane. It slides the sooner the steeper the pane, and melts by degree-hours above freezing and by sun
 * through its thin edge. A rule, not a balance: typical of unheated sheets.
 * @param tiltDeg from level, 0–90
 */
export function glazingSnow(site: Pick<SiteYear, 'snowM' | 'dryBulbC' | 'globalWm2'>, tiltDeg: number): Float32Array {
  const out = new Float32Array(HOURS)
  // Share that slides in an hour of frost: none on flat glazing, most of it on steep.
  const slide = 0.5 * max(0, min(1, (tiltDeg - LIES_BELOW_DEG) / (SLIDES_FROM_DEG - LIES_BELOW_DEG))) ** 2
  let covered = 0
  for (let h = 0; h < HOURS; h++) {
    if (h > 0 && site.snowM[h]! > site.snowM[h - 1]! + 0.005) covered = 1
    const melt = max(0, site.dryBulbC[h]!) * 0.08 + site.globalWm2[h]! * 0.0004
    covered *= max(0, 1 - slide) * max(0, 1 - melt)
    if (covered < 0.02) covered = 0
    out[h] = 0.9 * covered
  }
  return out
}

/** Snow that slides off packs to this share of its depth, and lies at this slope against a wall, degrees. */
export const SLID_PACKS = 0.6
const LIES_AT_DEG = 40

/** What snow of a slope piles up to at its foot: in section, m², and its height, m. */
export function slidPile(slopeM: number, snowM: number, packs = SLID_PACKS): { areaM2: number; heightM: number } {
  const areaM2 = slopeM * snowM * packs
  return { areaM2, heightM: sqrt(2 * areaM2 * tan(LIES_AT_DEG * RAD)) }
}

/** Where a bank lies: at the sunny foot, at the pole-side foot, or at the ends. */
export const BANKS = ['sunny', 'pole', 'ends'] as const
const bankAt = (part: Surface['part']): (typeof BANKS)[number] =>
  part === 'eastEnd' || part === 'westEnd'
    ? 'ends'
    : part === 'backWall' || part === 'poleSlope' || part === 'lowerPoleSlope'
      ? 'pole'
      : 'sunny'

/** How often who runs the house clears its foot, days. */
const CLEARED: Record<Design['skin']['snow']['cleared'], number> = { never: DAYS, weekly: 7, daily: 1 }

/**
 * Height of the snow that lies against the house, m over the ground by hour, for each of `BANKS`: as deep as outside,
 * and what has slid off the slope above; since the foot was cleared last, of what fell after that.
 */
export function snowBanks(
  site: Pick<SiteYear, 'snowM'>,
  { sunnySlopeM, poleSlopeM }: Pick<Building['outline'], 'sunnySlopeM' | 'poleSlopeM'>,
  cleared: Design['skin']['snow']['cleared'],
): Float32Array[] {
  const every = CLEARED[cleared]
  return [sunnySlopeM, poleSlopeM, 0].map(slopeM => {
    const out = new Float32Array(HOURS)
    let gone = 0
    let deepest = 0
    for (let h = 0; h < HOURS; h++) {
      const depth = site.snowM[h]!
      if (h % 24 === 9 && ((h / 24) | 0) % every === 0 && every < DAYS) {
        gone = depth
        deepest = 0
      }
      gone = min(gone, depth)
      deepest = depth === 0 ? 0 : max(deepest, depth - gone)
      out[h] = depth === 0 ? 0 : depth - gone + slidPile(slopeM, deepest).heightM
    }
    return out
  })
}

/** Shares are tabled for banks of every so many metres, up to so many. */
const STEP_M = 0.05
const STEPS = 80

/** What of a surface stands in a bank: which one, and the share by its height in steps. */
export interface Banked {
  bank: number
  shares: Float64Array
}

/** Which bank lies against some surfaces of one part, and how much of them it covers as it grows. */
export function bankedShares(building: Pick<Building, 'groundAt'>, surfaces: readonly Surface[]): Banked {
  const shares = new Float64Array(STEPS + 1)
  let all = 0
  for (const s of surfaces) {
    const x = s.polygon.reduce((sum, p) => sum + p[0], 0) / s.polygon.length
    const ground = building.groundAt(x)
    const free = polygonAbove(s.polygon, ground)
    if (free <= 0) continue
    all += s.areaM2
    for (let k = 0; k <= STEPS; k++) shares[k]! += s.areaM2 * (1 - polygonAbove(s.polygon, ground + k * STEP_M) / free)
  }
  if (all > 0) for (let k = 0; k <= STEPS; k++) shares[k]! /= all
  return { bank: BANKS.indexOf(bankAt(surfaces[0]!.part)), shares }
}

/** Share of what is {@link Banked} under a bank of a height, 0–1. */
export function shareUnder(shares: Float64Array, heightM: number): number {
  const at = min(STEPS - 1e-9, heightM / STEP_M)
  const k = floor(at)
  return shares[k]! + (shares[k + 1]! - shares[k]!) * (at - k)
}
