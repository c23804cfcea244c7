import { HOURS, pastHorizon, skyPastHorizon, type SiteYear } from '../climate'
import type { Surface } from '../geometry/surfaces'
import { dot, planeNormal, type Vector3 } from '../sun'
import { skyHours, skyOnPlane, type SkyHours, type SkyShape } from './sky'

const { max } = Math

const ALBEDO = 0.2
/** Snow lying in the open, neither fresh nor old. */
const SNOW_ALBEDO = 0.65

/** A direction that planes outdoors face. */
export interface Facing {
  normal: Vector3
  /** Share of the even sky past the horizon, trees bare and in leaf. */
  bare: number
  leafy: number
  /**
   * Of the hour: cosine of the sun's incidence, and light on the plane, W/m²: with the sun's direction, spread over the
   * sky, and off the ground.
   */
  cosine: number
  fromSun: number
  fromSky: number
  fromGround: number
}

export function facing(site: SiteYear, surface: Pick<Surface, 'tiltDeg' | 'azimuthDeg'>): Facing {
  const normal = planeNormal(surface.tiltDeg, surface.azimuthDeg)
  return { normal, ...skyShares(site, normal), cosine: 0, fromSun: 0, fromSky: 0, fromGround: 0 }
}

function skyShares(site: SiteYear, normal: Vector3): { bare: number; leafy: number } {
  if (!site.horizon) return { bare: 1, leafy: 1 }
  const leaf = site.horizon.inLeaf.indexOf(1)
  const noLeaf = site.horizon.inLeaf.indexOf(0)
  const bare = skyPastHorizon(site.horizon, normal, max(0, noLeaf))
  return { bare, leafy: leaf < 0 ? bare : skyPastHorizon(site.horizon, normal, leaf) }
}

/** Light outdoors in one hour. */
interface HourLight {
  sun: Vector3
  sky: SkyShape
  /** Beam past the horizon, the whole of the even sky, and what the ground sends up, W/m². */
  beam: number
  diffuse: number
  reflected: number
  /** Share of the beam that passes the horizon, 0–1; and whether trees on it are in leaf. */
  past: number
  inLeaf: boolean
}

export const makeHourLight = (): HourLight => ({
  sun: { e: 0, n: 0, u: 0 },
  sky: { circumsolar: 0, horizon: 0 },
  beam: 0,
  diffuse: 0,
  reflected: 0,
  past: 1,
  inLeaf: false,
})

export function lightOfHour(site: SiteYear, hours: SkyHours, h: number, to: HourLight): void {
  const day = (h / 24) | 0
  const altitude = site.sunAltitudeDeg[h]!
  const past = site.horizon ? pastHorizon(site.horizon, site.sunAzimuthDeg[h]!, altitude, day) : 1
  const { sun, sky } = to
  sun.e = hours.e[h]!
  sun.n = hours.n[h]!
  sun.u = hours.u[h]!
  sky.circumsolar = hours.circumsolar[h]!
  sky.horizon = hours.horizon[h]!
  to.past = past
  to.beam = altitude > 0 ? site.beamWm2[h]! * past : 0
  to.diffuse = site.diffuseWm2[h]!
  to.inLeaf = site.horizon !== null && site.horizon.inLeaf[day] === 1
  const level = site.globalWm2[h]! - site.beamWm2[h]! * (1 - past) * max(0, sun.u)
  to.reflected = max(0, level) * (site.snowM[h]! > 0.02 ? SNOW_ALBEDO : ALBEDO)
}

export function fallOn(plane: Facing, { sun, sky, beam, diffuse, reflected, past, inLeaf }: HourLight): void {
  const cosine = dot(plane.normal, sun)
  const onPlane = skyOnPlane(sky, plane.normal, sun, cosine)
  plane.cosine = cosine
  plane.fromSun = cosine > 0 ? beam * cosine + diffuse * onPlane.withBeam * past : 0
  plane.fromSky = diffuse * onPlane.spread * (inLeaf ? plane.leafy : plane.bare)
  plane.fromGround = (reflected * (1 - plane.normal.u)) / 2
}

/**
 * Sunlight on a plane outdoors by hour, W/m², horizon and snow regarded as for the house: for collectors and solar
 * arrays. Tilt from level, azimuth from true north.
 */
export function sunOnPlane(site: SiteYear, tiltDeg: number, azimuthDeg: number): Float32Array {
  const plane = facing(site, { tiltDeg, azimuthDeg })
  const out = new Float32Array(HOURS)
  const hours = skyHours(site)
  const light = makeHourLight()
  for (let l = 0; l < hours.lit.length; l++) {
    const h = hours.lit[l]!
    lightOfHour(site, hours, h, light)
    fallOn(plane, light)
    out[h] = plane.fromSun + plane.fromSky + plane.fromGround
  }
  return out
}
