import { distanceTo, sectionSegments, type FaceId, type Segment } from '../geometry/ray'
import { boxFaces } from '../geometry/objects'
import { clearHeightAt } from '../geometry/section'
import type { Building, Surface } from '../geometry/surfaces'

const { abs, cos, hypot, max, sin } = Math

/** Directions are tabled against the sunny side: azimuth every 10°, altitude every 6°. */
export const AZIMUTHS = 36
export const ALTITUDES = 16
const RAYS = 24

/** A face that light can land on. Glazing counts as a face whose share leaves the house. */
export interface LightFace {
  id: FaceId
  areaM2: number
  /** Share of landing light that it takes in, 0–1; for glazing, the share that does not come back. */
  absorptance: number
  glazing: boolean
}

/** Where light that has come through one glazed surface ends up, as shares of it, one per face: they add up to 1. */
export interface Landing {
  surface: Surface
  /** Beam: `((azimuth index * ALTITUDES) + altitude index) * faces + face`. */
  beam: Float32Array
  sky: Float32Array
  ground: Float32Array
}

/**
 * Shares of transmitted light that each face finally takes in, with first reflections by the face and the rest area-weighted.
 * Beams are traced in the section plane from points along the glazing; the run along the ridge says how much meets an end wall first, which is exact for
 * objects as long as the building. Barrels stop the share of rays that they fill of the length.
 */
export function makeLandings(building: Building, faces: readonly LightFace[]): Landing[] {
  const tracer = makeTracer(building, faces)
  return building.surfaces.filter(s => s.kind === 'glazed').map((surface) => {
    const n = faces.length
    const beam = new Float32Array(AZIMUTHS * ALTITUDES * n)
    for (let ia = 0; ia < AZIMUTHS; ia++) {
      for (let il = 0; il < ALTITUDES; il++) {
        const first = tracer(surface, ia * 10, il * 6)
        beam.set(settle(first, faces), (ia * ALTITUDES + il) * n)
      }
    }
    return { surface, beam, sky: settle(average(tracer, surface, building, 1, faces), faces), ground: settle(average(tracer, surface, building, -1, faces), faces) }
  })
}

type Tracer = (surface: Surface, relativeAzimuthDeg: number, altitudeDeg: number) => Float64Array

/** First landings become final ones: each face keeps its absorptance, the rest goes round a well-mixed room until all is taken in. */
function settle(first: Float64Array, faces: readonly LightFace[]): Float32Array {
  let bounced = 0
  let sink = 0
  faces.forEach((f, i) => {
    bounced += first[i]! * (1 - f.absorptance)
    sink += f.areaM2 * f.absorptance
  })
  return Float32Array.from(faces, (f, i) => first[i]! * f.absorptance + (sink > 0 ? bounced * f.areaM2 * f.absorptance / sink : 0))
}

/** First landings of light from the whole sky (side 1) or ground (side −1), each direction weighted by what it sends through the surface. */
function average(tracer: Tracer, surface: Surface, building: Building, side: 1 | -1, faces: readonly LightFace[]): Float64Array {
  const n = faces.length
  const sum = new Float64Array(n)
  let weight = 0
  const tilt = surface.tiltDeg * Math.PI / 180
  for (let az = 15; az < 360; az += 30) {
    for (let alt = 7.5; alt < 90; alt += 15) {
      const a = alt * Math.PI / 180
      const facing = (az + building.sunnyAzimuthDeg - surface.azimuthDeg) * Math.PI / 180
      const facingIt = side * sin(a) * cos(tilt) + cos(a) * sin(tilt) * cos(facing)
      if (facingIt <= 0) continue
      const w = facingIt * cos(a)
      const first = tracer(surface, az, side * alt)
      for (let i = 0; i < n; i++) sum[i]! += w * first[i]!
      weight += w
    }
  }
  if (weight > 0) for (let i = 0; i < n; i++) sum[i]! /= weight
  else {
    // A nearly level pane sees next to no ground: what little comes is spread by area.
    const all = faces.reduce((s, f) => s + f.areaM2, 0)
    faces.forEach((f, i) => { sum[i] = f.areaM2 / all })
  }
  return sum
}

function makeTracer(building: Building, faces: readonly LightFace[]): Tracer {
  const segments = sectionSegments(building)
  const indexOf = new Map(faces.map((f, i) => [f.id, i]))
  const faceOf = segments.map(s => indexOf.get(s.face) ?? -1)
  const L = building.lengthM
  const distances = new Float64Array(segments.length)
  const inside = endPoints(building)
  const eastAzimuth = building.surfaces.find(s => s.id === 'east end')!.azimuthDeg

  /** Follows one section ray; `axial` is metres run along the ridge for each metre in the section. Adds its shares to `out`. */
  function follow(px: number, pz: number, dx: number, dz: number, axial: number, weight: number, out: Float64Array, end: (share: number) => void, through: Segment | null) {
    for (let i = 0; i < segments.length; i++) distances[i] = segments[i] === through ? Infinity : distanceTo(px, pz, dx, dz, segments[i]!)
    let left = weight
    let landed = 0
    for (let guard = 0; guard < 12 && left > 1e-4 * weight; guard++) {
      let nearest = -1
      let near = Infinity
      for (let i = 0; i < segments.length; i++) if (distances[i]! < near) { near = distances[i]!; nearest = i }
      if (nearest < 0) break
      distances[nearest] = Infinity
      const alive = max(0, 1 - near * axial / L)
      const share = left * segments[nearest]!.coverage
      const face = faceOf[nearest]!
      if (face >= 0) {
        out[face]! += share * alive
        landed += share * alive
      }
      left -= share
    }
    end(weight - landed)
  }

  return (surface, relativeAzimuthDeg, altitudeDeg) => {
    const out = new Float64Array(faces.length)
    const az = relativeAzimuthDeg * Math.PI / 180
    const alt = altitudeDeg * Math.PI / 180
    // Light travels away from the sun: poleward in the section for a sun before the sunny side.
    const vx = cos(alt) * cos(az)
    const vz = -sin(alt)
    const vy = cos(alt) * sin(az)
    const inSection = max(1e-6, hypot(vx, vz))
    const dx = vx / inSection
    const dz = vz / inSection
    const axial = abs(vy) / inSection
    const eastward = cos(az + Math.PI + (building.sunnyAzimuthDeg - eastAzimuth) * Math.PI / 180) > 0
    const toEnd = eastward ? 'east end' : 'west end'
    const wall = indexOf.get(toEnd)
    const glass = indexOf.get(`${toEnd} glazing` as FaceId)
    const glassShare = glass === undefined ? 0 : wall === undefined ? 1 : faces[glass]!.areaM2 / (faces[glass]!.areaM2 + faces[wall]!.areaM2)
    const end = (share: number) => {
      if (wall !== undefined) out[wall]! += share * (1 - glassShare)
      if (glass !== undefined) out[glass]! += share * glassShare
    }
    if (surface.id === 'east end glazing' || surface.id === 'west end glazing') {
      for (const p of inside) {
        // Comes in over the whole end: it reaches as deep as the light runs in one length of the building.
        const reach = axial > 1e-9 ? L / axial : Infinity
        let near = Infinity
        let face = -1
        for (let i = 0; i < segments.length; i++) {
          if (segments[i]!.coverage < 0.5) continue
          const t = distanceTo(p.x, p.z, dx, dz, segments[i]!)
          if (t < near) { near = t; face = faceOf[i]! }
        }
        if (near < reach && face >= 0) out[face]! += 1 / inside.length
        else end(1 / inside.length)
      }
      return out
    }
    const opening = segments.find(s => s.face === surface.id)
    if (!opening) return out
    for (let r = 0; r < RAYS; r++) {
      const t = (r + 0.5) / RAYS
      follow(opening.a.x + (opening.b.x - opening.a.x) * t, opening.a.z + (opening.b.z - opening.a.z) * t, dx, dz, axial, 1 / RAYS, out, end, opening)
    }
    return out
  }
}

/** Points spread over the end wall, outside the objects. */
function endPoints(building: Building): { x: number, z: number }[] {
  const { outline } = building
  const points: { x: number, z: number }[] = []
  for (let i = 0; i < 8; i++) {
    const x = (i + 0.5) / 8 * outline.widthM
    const top = clearHeightAt(outline, x)
    const count = max(1, Math.round(top / outline.ridgeHeightM * 6))
    for (let j = 0; j < count; j++) {
      const z = (j + 0.5) / count * top
      if (!building.objects.some(o => o.coverage > 0.5 && x > o.x0 && x < o.x1 && z > o.z0 && z < o.z1)) points.push({ x, z })
    }
  }
  return points
}

/** Room-side area of beds and barrels in the section, m of line, for objects that light can reach. */
export function objectFaceLengthM(building: Building, kind: 'bed' | 'barrels'): number {
  return building.objects.filter(o => o.kind === kind)
    .reduce((sum, o) => sum + o.coverage * boxFaces(o).reduce((s, [a, b]) => s + hypot(b.x - a.x, b.z - a.z), 0), 0)
}
