import type { HorizonPoint } from '../design/types'
import { makeHorizon, pastHorizon } from './horizon'
import { DAYS, HOURS, MONTH_OF_DAY, type SiteYear } from './types'

/**
 * Something seen from the greenhouse, as a builder paces it out: how far, how high above the glazing's foot, between
 * which azimuths.
 */
export interface Obstacle {
  kind: HorizonPoint['kind']
  distanceM: number
  heightM: number
  fromDeg: number
  toDeg: number
}

const turned = (v: number) => ((v % 360) + 360) % 360

/**
 * Width of an obstacle seen from the greenhouse, degrees: 0 where its azimuths are one, 360 where they are a whole turn
 * apart.
 */
function widthDeg({ fromDeg, toDeg }: Obstacle): number {
  return Math.abs(toDeg - fromDeg) >= 360 ? 360 : turned(toDeg - fromDeg)
}

/** How steeply a line climbs an obstacle's side: over so many degrees, or a quarter of its width. */
const SIDE_DEG = 0.2

/**
 * A horizon with an obstacle set into it: corners that it hides go, the line about it stays as it was. What has no
 * width or no height hides nothing. Azimuths clockwise from true north; it may span north. Throws RangeError for a
 * distance that is not above 0.
 */
export function withObstacle(horizon: readonly HorizonPoint[], obstacle: Obstacle): HorizonPoint[] {
  const { kind, distanceM, heightM, fromDeg } = obstacle
  if (!(distanceM > 0)) throw new RangeError(`An obstacle stands ${distanceM} m off; allowed is above 0.`)
  const width = widthDeg(obstacle)
  if (width === 0 || heightM <= 0) return [...horizon]
  const altitudeDeg = Math.round(((Math.atan2(heightM, distanceM) * 180) / Math.PI) * 10) / 10
  const at = (beyondDeg: number, altitude: number): HorizonPoint => ({
    azimuthDeg: Math.round(turned(fromDeg + beyondDeg) * 100) / 100,
    altitudeDeg: altitude,
    kind,
  })
  if (width === 360) return [0, 90, 180, 270].map(a => at(a, altitudeDeg)).sort((a, b) => a.azimuthDeg - b.azimuthDeg)
  // Where the line about it stood, so that it does not sink beside the obstacle.
  const before = makeHorizon(horizon, new Float32Array(HOURS))
  const stood = (beyondDeg: number) =>
    before ? Math.round(before.altitudeDeg[Math.round(turned(fromDeg + beyondDeg)) % 360]! * 10) / 10 : 0
  const side = Math.min(SIDE_DEG, width / 4)
  const corners = [at(0, stood(0)), at(side, altitudeDeg), at(width - side, altitudeDeg), at(width, stood(width))]
  return [...horizon.filter(p => turned(p.azimuthDeg - fromDeg) > width), ...corners].sort(
    (a, b) => a.azimuthDeg - b.azimuthDeg,
  )
}

/**
 * Hours of sun and beam energy on a horizontal plane that a horizon takes, by month, and of the winter half (the six
 * months with the lowest sun).
 */
export interface SunLost {
  months: { possibleH: number; lostH: number; lostShare: number }[]
  winterLostH: number
  winterLostShare: number
}

/** What a horizon takes from a site's year. Shares are of beam energy facing the sun. */
export function sunLost(
  site: Pick<SiteYear, 'sunAltitudeDeg' | 'sunAzimuthDeg' | 'beamWm2' | 'dryBulbC' | 'latitudeDeg'>,
  points: readonly HorizonPoint[],
): SunLost {
  const horizon = makeHorizon(points, site.dryBulbC)
  const rows = Array.from({ length: 12 }, () => ({ possibleH: 0, lostH: 0, energy: 0, lost: 0 }))
  for (let h = 0; h < HOURS; h++) {
    if (site.sunAltitudeDeg[h]! <= 0) continue
    const day = Math.floor(h / 24) % DAYS
    const row = rows[MONTH_OF_DAY[day]!]!
    const kept = horizon ? pastHorizon(horizon, site.sunAzimuthDeg[h]!, site.sunAltitudeDeg[h]!, day) : 1
    row.possibleH++
    row.lostH += 1 - kept
    row.energy += site.beamWm2[h]!
    row.lost += site.beamWm2[h]! * (1 - kept)
  }
  const winter = site.latitudeDeg >= 0 ? [9, 10, 11, 0, 1, 2] : [3, 4, 5, 6, 7, 8]
  const sum = (key: 'lostH' | 'energy' | 'lost') => winter.reduce((s, m) => s + rows[m]![key], 0)
  return {
    months: rows.map(r => ({
      possibleH: r.possibleH,
      lostH: r.lostH,
      lostShare: r.energy > 0 ? r.lost / r.energy : 0,
    })),
    winterLostH: sum('lostH'),
    winterLostShare: sum('energy') > 0 ? sum('lost') / sum('energy') : 0,
  }
}
