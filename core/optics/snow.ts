import { HOURS, type SiteYear } from '../climate'

const { max, min } = Math

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
