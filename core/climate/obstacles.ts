import type { HorizonPoint } from '../design/types'
import { makeHorizon, pastHorizon } from './horizon'
import { DAYS, HOURS, MONTH_OF_DAY, type SiteYear } from './types'

/** Something seen from the greenhouse, as a builder paces it out: how far, how high above the glazing's foot, between which azimuths. */
export interface Obstacle { kind: HorizonPoint['kind'], distanceM: number, heightM: number, fromDeg: number, toDeg: number }

/**
 * The corners that an obstacle sets into a horizon: two, with the line falling to the ground beside them. Azimuths clockwise from true north; it may span north.
 * Throws RangeError for a distance that is not above 0.
 */
export function obstacleCorners({ kind, distanceM, heightM, fromDeg, toDeg }: Obstacle): HorizonPoint[] {
  if (!(distanceM > 0)) throw new RangeError(`An obstacle stands ${distanceM} m off; allowed is above 0.`)
  const altitudeDeg = Math.round(Math.max(0, Math.atan2(heightM, distanceM)) * 180 / Math.PI * 10) / 10
  const wrap = (v: number) => ((v % 360) + 360) % 360
  const at = (azimuth: number, altitude: number): HorizonPoint => ({ azimuthDeg: Math.round(wrap(azimuth) * 10) / 10, altitudeDeg: altitude, kind })
  return [at(fromDeg - 0.5, 0), at(fromDeg, altitudeDeg), at(toDeg, altitudeDeg), at(toDeg + 0.5, 0)]
}

/** A horizon with an obstacle set into it: corners that it hides go, the line about it stays as it was. */
export function withObstacle(horizon: readonly HorizonPoint[], obstacle: Obstacle): HorizonPoint[] {
  const corners = obstacleCorners(obstacle)
  const from = corners[0]!.azimuthDeg
  const width = ((corners[3]!.azimuthDeg - from) % 360 + 360) % 360
  const inside = (azimuth: number) => ((azimuth - from) % 360 + 360) % 360 <= width
  // Where the line about it stood, so that it does not sink beside the obstacle.
  const before = makeHorizon(horizon, new Float32Array(HOURS))
  const edge = (p: HorizonPoint): HorizonPoint => ({ ...p, altitudeDeg: before ? Math.round(before.altitudeDeg[Math.round(p.azimuthDeg) % 360]! * 10) / 10 : 0 })
  return [...horizon.filter(p => !inside(p.azimuthDeg)), edge(corners[0]!), corners[1]!, corners[2]!, edge(corners[3]!)].sort((a, b) => a.azimuthDeg - b.azimuthDeg)
}

/** Hours of sun and beam energy on the level that a horizon takes, by month, and of the winter half (the six months with the lowest sun). */
export interface SunLost {
  months: { possibleH: number, lostH: number, lostShare: number }[]
  winterLostH: number
  winterLostShare: number
}

/** What a horizon takes from a site's year. Shares are of beam energy facing the sun. */
export function sunLost(site: Pick<SiteYear, 'sunAltitudeDeg' | 'sunAzimuthDeg' | 'beamWm2' | 'dryBulbC' | 'latitudeDeg'>, points: readonly HorizonPoint[]): SunLost {
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
    months: rows.map(r => ({ possibleH: r.possibleH, lostH: r.lostH, lostShare: r.energy > 0 ? r.lost / r.energy : 0 })),
    winterLostH: sum('lostH'), winterLostShare: sum('energy') > 0 ? sum('lost') / sum('energy') : 0,
  }
}
