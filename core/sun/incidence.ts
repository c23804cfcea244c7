import { RAD } from '../physics/constants'

const { atan2, cos, sin } = Math

/** A direction in local axes: east, north, up. Unit length. */
export interface Vector3 {
  e: number
  n: number
  u: number
}

/** Unit vector towards a point of the sky. */
export function skyVector(altitudeDeg: number, azimuthDeg: number): Vector3 {
  const c = cos(altitudeDeg * RAD)
  return { e: c * sin(azimuthDeg * RAD), n: c * cos(azimuthDeg * RAD), u: sin(altitudeDeg * RAD) }
}

/**
 * Outward normal of a plane tilted from horizontal (0 lies flat and faces up, 90 stands, 180 faces down) and facing an
 * azimuth.
 */
export function planeNormal(tiltDeg: number, azimuthDeg: number): Vector3 {
  return skyVector(90 - tiltDeg, azimuthDeg)
}

/** Cosine of the angle between two directions. */
export function dot(a: Vector3, b: Vector3): number {
  return a.e * b.e + a.n * b.n + a.u * b.u
}

/**
 * Angle whose tangent is the sun's height over its reach in the section plane: the slope of the ray as the section
 * shows it, degrees 0–180 (above 90 the ray comes from the pole side). `sunnyAzimuthDeg` is the azimuth that the sunny
 * side faces.
 */
export function profileAngleDeg(altitudeDeg: number, azimuthDeg: number, sunnyAzimuthDeg: number): number {
  const s = skyVector(altitudeDeg, azimuthDeg)
  const f = skyVector(0, sunnyAzimuthDeg)
  return atan2(s.u, s.e * f.e + s.n * f.n) / RAD
}
