import { airMass, HOURS, type SiteYear } from '../climate'
import { dot, skyVector, type Vector3 } from '../sun'

const { max, sqrt } = Math

/** Perez et al. 1990, table 6: circumsolar and horizon brightening by clearness bin. */
const BIN_TOP = [1.065, 1.23, 1.5, 1.95, 2.8, 4.5, 6.2, Infinity]
const F = [
  [-0.0083117, 0.5877285, -0.0620636, -0.0596012, 0.0721249, -0.0220216],
  [0.1299457, 0.6825954, -0.1513752, -0.0189325, 0.065965, -0.0288748],
  [0.3296958, 0.4868735, -0.2210958, 0.055414, -0.0639588, -0.0260542],
  [0.5682053, 0.1874525, -0.295129, 0.1088631, -0.1519229, -0.0139754],
  [0.873028, -0.3920403, -0.3616149, 0.2255647, -0.4620442, 0.0012448],
  [1.1326077, -1.2367284, -0.4118494, 0.2877813, -0.8230357, 0.0558651],
  [1.0601591, -1.5999137, -0.3589221, 0.2642124, -1.127234, 0.1310694],
  [0.677747, -0.3272588, -0.2504286, 0.1561313, -1.3765031, 0.2506212],
] as const

/** How the sky's diffuse light is spread in one hour. */
export interface SkyShape {
  /** Share that comes from around the sun. */
  circumsolar: number
  /** Share that comes from the band at the horizon (may be negative). */
  horizon: number
}

/**
 * Shape of the diffuse sky. Perez, Ineichen, Seals, Michalsky & Stewart 1990.
 * @param diffuse horizontal, W/m²
 * @param beam facing the sun, W/m²
 * @param sunAltitudeDeg true altitude
 * @param extraterrestrial facing the sun, W/m²
 */
export function skyShape(diffuse: number, beam: number, sunAltitudeDeg: number, extraterrestrial: number): SkyShape {
  if (diffuse <= 0.5 || sunAltitudeDeg <= 0) return { circumsolar: 0, horizon: 0 }
  const z = Math.PI / 2 - (sunAltitudeDeg * Math.PI) / 180
  const cube = 1.041 * z * z * z
  const clearness = ((diffuse + beam) / diffuse + cube) / (1 + cube)
  const brightness = (diffuse * airMass(sunAltitudeDeg)) / extraterrestrial
  let bin = 0
  while (clearness >= BIN_TOP[bin]!) bin++
  const f = F[bin]!
  return { circumsolar: max(0, f[0] + f[1] * brightness + f[2] * z), horizon: f[3] + f[4] * brightness + f[5] * z }
}

/**
 * Sky-diffuse light on a plane in two parts, each as a multiple of diffuse horizontal: what comes from round the sun
 * and goes with the beam, and the rest.
 */
export function skyOnPlane(
  shape: SkyShape,
  normal: Vector3,
  sun: Vector3,
  cosIncidence: number,
): { withBeam: number; spread: number } {
  const a = max(0, cosIncidence)
  const b = max(0.087, dot(sun, { e: 0, n: 0, u: 1 }))
  const sinTilt = sqrt(max(0, 1 - normal.u * normal.u))
  const spread = ((1 - shape.circumsolar) * (1 + normal.u)) / 2 + shape.horizon * sinTilt
  return { withBeam: (shape.circumsolar * a) / b, spread: max(0, spread) }
}

/** The sky of every lit hour of a year: where the sun stands, and the sky's shape. */
export interface SkyHours {
  /** Hours with any light. */
  lit: Int32Array
  /** Towards the sun, by hour. */
  e: Float64Array
  n: Float64Array
  u: Float64Array
  circumsolar: Float64Array
  horizon: Float64Array
}

const known = new WeakMap<object, SkyHours>()

/** The sky of a site's year, remembered with it. */
export function skyHours(site: SiteYear): SkyHours {
  const before = known.get(site)
  if (before) return before
  const blank = () => new Float64Array(HOURS)
  const lit: number[] = []
  const sky = { e: blank(), n: blank(), u: blank(), circumsolar: blank(), horizon: blank() }
  for (let h = 0; h < HOURS; h++) {
    if (site.globalWm2[h]! <= 0) continue
    const altitude = site.sunAltitudeDeg[h]!
    const sun = skyVector(altitude, site.sunAzimuthDeg[h]!)
    const shape = skyShape(
      site.diffuseWm2[h]!,
      altitude > 0 ? site.beamWm2[h]! : 0,
      altitude,
      site.extraterrestrialWm2[h]!,
    )
    lit.push(h)
    sky.e[h] = sun.e
    sky.n[h] = sun.n
    sky.u[h] = sun.u
    sky.circumsolar[h] = shape.circumsolar
    sky.horizon[h] = shape.horizon
  }
  const hours = { ...sky, lit: Int32Array.from(lit) }
  known.set(site, hours)
  return hours
}
