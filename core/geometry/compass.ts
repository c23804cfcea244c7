import { COMPASS_POINTS } from '../units/bearing'

/** The nearest of sixteen compass points to an azimuth in degrees from true north. */
export function compassPoint(azimuthDeg: number): string {
  return COMPASS_POINTS[Math.round((((azimuthDeg % 360) + 360) % 360) / 22.5) % 16]!
}

/** A turn from the equator in words: `8° east of south`, `due north`. */
export function turnWords(latitudeDeg: number, turnDeg: number): string {
  const equator = latitudeDeg >= 0 ? 'south' : 'north'
  const size = Math.round(Math.abs(turnDeg))
  return size === 0 ? `due ${equator}` : `${size}° ${turnDeg > 0 ? 'east' : 'west'} of ${equator}`
}

/** How far a side that faces an azimuth is turned from the equator, degrees: to the east positive everywhere. */
export function turnTowards(latitudeDeg: number, azimuthDeg: number): number {
  const off = latitudeDeg >= 0 ? 180 - azimuthDeg : azimuthDeg
  const turn = ((((off + 180) % 360) + 360) % 360) - 180
  return Math.round(turn * 10) / 10
}
