import { RAD } from '../physics/constants'
import type { HorizonPoint } from '../design/types'
import { DAYS, HOURS, type Horizon } from './types'

const { cos, sin } = Math

/** Light through bare and leafy crowns of deciduous trees, 0–1. Typical of measured canopies. */
const BARE = 0.65
const LEAFY = 0.2

/**
 * A horizon from its corners; null when nothing stands in the way. Trees are in leaf while the mean of the fortnight
 * before is above 9 °C.
 */
export function makeHorizon(points: readonly HorizonPoint[], dryBulbC: Float32Array): Horizon | null {
  if (points.length === 0 || points.every(p => p.altitudeDeg <= 0)) return null
  const sorted = [...points]
    .map(p => ({ ...p, azimuthDeg: p.azimuthDeg % 360 }))
    .sort((a, b) => a.azimuthDeg - b.azimuthDeg)
  const altitudeDeg = new Float32Array(360)
  const deciduous = new Uint8Array(360)
  for (let az = 0; az < 360; az++) {
    let i = sorted.findIndex(p => p.azimuthDeg > az)
    if (i < 0) i = 0
    const b = sorted[i]!
    const a = sorted[(i + sorted.length - 1) % sorted.length]!
    const gap = (((b.azimuthDeg - a.azimuthDeg) % 360) + 360) % 360 || 360
    const t = ((((az - a.azimuthDeg) % 360) + 360) % 360) / gap
    altitudeDeg[az] = a.altitudeDeg + (b.altitudeDeg - a.altitudeDeg) * t
    deciduous[az] = (t < 0.5 ? a : b).kind === 'deciduous' ? 1 : 0
  }
  const inLeaf = new Uint8Array(DAYS)
  for (let d = 0; d < DAYS; d++) {
    let sum = 0
    for (let h = 0; h < 336; h++) sum += dryBulbC[(d * 24 - h + HOURS) % HOURS]!
    inLeaf[d] = sum / 336 > 9 ? 1 : 0
  }
  return { altitudeDeg, deciduous, inLeaf }
}

/** Share of light that comes from a direction past the horizon, 0–1. */
export function pastHorizon(horizon: Horizon, azimuthDeg: number, altitudeDeg: number, day: number): number {
  const az = ((Math.round(azimuthDeg) % 360) + 360) % 360
  if (altitudeDeg >= horizon.altitudeDeg[az]!) return 1
  return horizon.deciduous[az] ? (horizon.inLeaf[day] ? LEAFY : BARE) : 0
}

/**
 * Share of the evenly bright sky that a plane still sees past the horizon, 0–1, trees as on `day`. Normal as east,
 * north, up.
 */
export function skyPastHorizon(horizon: Horizon, normal: { e: number; n: number; u: number }, day: number): number {
  let seen = 0
  let all = 0
  for (let az = 2.5; az < 360; az += 5) {
    for (let alt = 1; alt < 90; alt += alt < 30 ? 2 : 6) {
      const c = cos(alt * RAD)
      const facing = c * sin(az * RAD) * normal.e + c * cos(az * RAD) * normal.n + sin(alt * RAD) * normal.u
      if (facing <= 0) continue
      const w = facing * c * (alt < 30 ? 2 : 6)
      all += w
      seen += w * pastHorizon(horizon, az, alt, day)
    }
  }
  return all > 0 ? seen / all : 1
}
