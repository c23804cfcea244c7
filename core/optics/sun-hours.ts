import { bodyName } from '../bodies/registry'
import { HOURS, middleOfMonth, MONTH_OF_DAY, pastHorizon, yearStartUtc, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import { makeScene } from '../geometry/ray-cast'
import { shadingOf } from '../geometry/shading'
import type { Building, Vec } from '../geometry/surfaces'
import { skyVector, sunPosition } from '../sun'
import { roomDirection } from '../geometry/room-direction'

/** How long the sun stands on a thing in each month, January first. */
export interface SunHours {
  /** As the reader calls it: “bed 1”, “barrels”, “back wall”. */
  name: string
  /**
   * Hours a day under a clear sky, in the middle of the month: an hour in which a third of the thing is lit counts for
   * a third.
   */
  clear: number[]
  /** The same with this site's clouds. */
  usual: number[]
}

const STEP_MIN = 15
/** A beam weaker than this casts no shadow that one would call sun, W/m². WMO's threshold of bright sunshine. */
const BRIGHT_WM2 = 120

/**
 * Monthly hours of direct sun on beds, benches, mass, floor and back wall: points on the faces that can see the sunny
 * glass are looked from towards the sun, past what stands on the skyline.
 */
export function sunHours(design: Pick<Design, 'shape' | 'store'>, building: Building, site: SiteYear): SunHours[] {
  const scene = makeScene(building, shadingOf(design.shape, building.outline))
  const panes = new Set<string>(building.surfaces.filter(s => s.kind === 'glazed').map(s => s.id))
  const landed = new Float64Array(scene.faces.length)
  const things = pointsOnThings(design, building)
  const bright = brightShare(site)
  const out = things.map(
    (t): SunHours => ({ name: t.name, clear: new Array<number>(12).fill(0), usual: new Array<number>(12).fill(0) }),
  )
  const start = yearStartUtc(site.standardOffsetH)
  for (let month = 0; month < 12; month++) {
    const midnight = start + middleOfMonth(month) * 86400000
    for (let minute = STEP_MIN / 2; minute < 1440; minute += STEP_MIN) {
      const sun = sunPosition(midnight + minute * 60000, site.latitudeDeg, site.longitudeDeg)
      if (sun.altitudeDeg <= 0.5) continue
      const past = site.horizon ? pastHorizon(site.horizon, sun.azimuthDeg, sun.altitudeDeg, middleOfMonth(month)) : 1
      if (past === 0) continue
      const v = skyVector(sun.altitudeDeg, sun.azimuthDeg)
      const [dx, dy, dz] = roomDirection(building, v.e, v.n, v.u)
      things.forEach((thing, i) => {
        scene.cast(thing.points, dx, dy, dz, 1, (past * STEP_MIN) / 60 / (thing.points.length / 3), landed.fill(0))
        scene.faces.forEach((f, k) => {
          if (panes.has(f)) out[i]!.clear[month]! += landed[k]!
        })
      })
    }
    for (const o of out) o.usual[month] = o.clear[month]! * bright[month]!
  }
  return out
}

/** Share of the hours with the sun up in which it shines, by month. */
function brightShare(site: SiteYear): number[] {
  const up = new Array<number>(12).fill(0)
  const shining = new Array<number>(12).fill(0)
  for (let h = 0; h < HOURS; h++) {
    if (site.sunAltitudeDeg[h]! <= 3) continue
    const month = MONTH_OF_DAY[Math.floor(h / 24)]!
    up[month]!++
    if (site.beamWm2[h]! >= BRIGHT_WM2) shining[month]!++
  }
  return up.map((n, m) => (n > 0 ? shining[m]! / n : 0))
}

const ALONG = [0.1, 0.3, 0.5, 0.7, 0.9]
const UP = [0.15, 0.5, 0.85]
/** Off the face, so that a ray does not begin inside of it, m. */
const OFF = 0.01

function pointsOnThings(design: Pick<Design, 'store'>, building: Building): { name: string; points: Float64Array }[] {
  const out: { name: string; points: Vec[] }[] = []
  const many = (kind: string) => building.objects.filter(o => o.kind === kind).length > 1
  for (const o of building.objects) {
    const points: Vec[] = []
    const between = (a: number, b: number, t: number) => a + (b - a) * t
    const flat = o.kind !== 'body' || o.z1 - o.z0 < 0.01
    for (const t of ALONG) {
      const y = between(o.y0, o.y1, t)
      if (flat) for (const u of UP) points.push([between(o.x0, o.x1, u), y, o.z1 + OFF])
      else for (const u of UP) points.push([o.x0 - OFF, y, between(o.z0, o.z1, u)])
    }
    const name =
      o.kind === 'body'
        ? bodyName(design.store.bodies, o.index).toLowerCase()
        : many(o.kind)
          ? `${o.kind} ${o.index + 1}`
          : o.kind
    out.push({ name, points })
  }
  const { outline, lengthM: L } = building
  if (outline.form !== 'dome') {
    out.push({ name: 'floor', points: ALONG.flatMap(t => ALONG.map((u): Vec => [outline.widthM * u, L * t, OFF])) })
    if (outline.backWallM > 0.3)
      out.push({
        name: 'back wall',
        points: ALONG.flatMap(t => UP.map((u): Vec => [outline.widthM - OFF, L * t, outline.backWallM * u])),
      })
  }
  return out.map(({ name, points }) => ({ name, points: Float64Array.from(points.flat()) }))
}
