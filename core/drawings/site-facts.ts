import { designDays, type DesignDay, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import { sunnyAzimuthDeg } from '../geometry/section'
import { frostDepthM } from '../ground/frost'
import { profileAngleDeg } from '../sun'
import type { SiteFacts } from './drawing'

/** What drawings show of a site, from its year: frost by the local rule where there is one, and the noon sun. */
export function siteFacts(
  { site, shape }: Pick<Design, 'site' | 'shape'>,
  year: { cold: DesignDay; hot: DesignDay; frostDepthM: number },
): SiteFacts {
  const sunny = sunnyAzimuthDeg(site.latitudeDeg, shape.turnDeg)
  return {
    frostM: site.survey.frostDepthM || year.frostDepthM,
    noons: (['cold', 'hot'] as const).flatMap(day => {
      const { noonAltitudeDeg, noonAzimuthDeg } = year[day]
      if (noonAltitudeDeg < 1) return []
      const profileDeg = profileAngleDeg(noonAltitudeDeg, noonAzimuthDeg, sunny)
      return profileDeg > 0 && profileDeg < 90 ? [{ day, profileDeg }] : []
    }),
  }
}

/** The same from the site's year itself. */
export const factsOf = (design: Pick<Design, 'site' | 'shape'>, site: SiteYear): SiteFacts =>
  siteFacts(design, { ...designDays(site), frostDepthM: frostDepthM(site.dryBulbC) })
