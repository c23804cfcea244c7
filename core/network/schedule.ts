import { DAYS, HOURS, yearStartUtc, type SiteYear } from '../climate'
import { sunDay } from '../sun'
import type { Design } from '../design/types'

/**
 * Share of each hour that the night cover is drawn, 0–1: from `afterSunsetH` after sunset to `afterSunriseH` after sunrise, in hours colder than the
 * limit. Where the sun does not rise it stays drawn; where it does not set it stays open.
 */
export function coverDrawn(site: SiteYear, cover: Design['skin']['cover']): Float32Array {
  const drawn = new Float32Array(HOURS)
  if (cover.id === 'none') return drawn
  const start = yearStartUtc(site.standardOffsetH)
  for (let d = 0; d < DAYS; d++) {
    const midnight = start + d * 86400000
    const sun = sunDay(midnight + 43200000, site.latitudeDeg, site.longitudeDeg)
    const up = sun.sunriseUtc === null || sun.sunsetUtc === null
      ? (sun.dayLengthH > 0 ? [0, 24] : [0, 0])
      : [(sun.sunriseUtc - midnight) / 3600000 + cover.afterSunriseH, (sun.sunsetUtc - midnight) / 3600000 + cover.afterSunsetH]
    for (let k = 0; k < 24; k++) {
      const open = Math.max(0, Math.min(k + 1, up[1]!) - Math.max(k, up[0]!))
      const h = d * 24 + k
      drawn[h] = site.dryBulbC[h]! < cover.onlyBelowC ? 1 - Math.min(1, open) : 0
    }
  }
  return drawn
}
