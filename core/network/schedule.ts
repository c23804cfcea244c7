import { DAYS, HOURS, yearStartUtc, type SiteYear } from '../climate'
import { sunDay } from '../sun'
import type { Design } from '../design/types'
import { clockShare } from '../sources/common'

/**
 * Share of each hour that the night cover is drawn, 0–1, in hours colder than its limit. By the sun: from
 * `afterSunsetH` after sunset to `afterSunriseH` after sunrise (where the sun does not rise it stays drawn; where it
 * does not set it stays open). By the clock: from `fromH` until `untilH`. By cold: whenever it is dark, or lit less
 * than 30 W/m².
 */
export function coverDrawn(site: SiteYear, cover: Design['skin']['cover']): Float32Array {
  const drawn = new Float32Array(HOURS)
  if (cover.id === 'none') return drawn
  const start = yearStartUtc(site.standardOffsetH)
  for (let d = 0; d < DAYS; d++) {
    const open = cover.rule === 'sun' ? sunHours(site, start + d * 86400000, cover) : null
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      if (site.dryBulbC[h]! >= cover.onlyBelowC) continue
      if (open) drawn[h] = 1 - Math.min(1, Math.max(0, Math.min(k + 1, open[1]) - Math.max(k, open[0])))
      else
        drawn[h] = cover.rule === 'clock' ? clockShare(k, cover.fromH, cover.untilH) : site.globalWm2[h]! < 30 ? 1 : 0
    }
  }
  return drawn
}

function sunHours(site: SiteYear, midnight: number, cover: Design['skin']['cover']): [number, number] {
  const sun = sunDay(midnight + 43200000, site.latitudeDeg, site.longitudeDeg)
  if (sun.sunriseUtc === null || sun.sunsetUtc === null) return sun.dayLengthH > 0 ? [0, 24] : [0, 0]
  return [
    (sun.sunriseUtc - midnight) / 3600000 + cover.afterSunriseH,
    (sun.sunsetUtc - midnight) / 3600000 + cover.afterSunsetH,
  ]
}
