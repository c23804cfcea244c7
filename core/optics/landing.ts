import { RAD } from '../physics/constants'
import { pointsOn } from './landing-points'
import { pointsOff, skyFree } from './sky-view'
import { addLobe, hazeOf, LEAVING, leavingDirections } from './lobe'
import { litAreaM2 } from '../geometry/objects'
import { faceOfObject, type FaceId } from '../geometry/faces'
import { roomDirection } from '../geometry/room-direction'
import { makeScene, type Scene, type SceneExtras } from '../geometry/ray-cast'
import { freeOf } from '../geometry/ray-shapes'
import type { Leaves } from '../geometry/ray-foliage'
import type { Building, Surface, Vec } from '../geometry/surfaces'

const { asin, atan2, cos, floor, hypot, max, min, sin } = Math

/** Where the sun can stand is tabled by declination and hour angle: the path of every day runs along the table. */
export const DECLINATIONS = 9
export const HOUR_ANGLES = 48
const DECLINATION_STEP = (2 * 23.5) / (DECLINATIONS - 1)
const HOUR_ANGLE_STEP = 360 / HOUR_ANGLES
/**
 * Directions this far under the horizon or behind a pane are tabled too, for the hours between: sine of a little more
 * than a step of the table aslant.
 */
const BEYOND = 0.22
/**
 * Rays to a pane where there are few; where there are many they share so many by their areas, each having the least: a
 * multiple of four, since a quarter looks at the sky.
 */
const RAYS = 128
const FEW = 8
const RAYS_OF_MANY = 440
const LEAST_RAYS = 32
/** Neighbouring entries of the table cast from different points, so that what lies between them is cast from all. */
const SETS = 4

/** A face that light can land on. Glazing counts as a face whose share leaves the house. */
export interface LightFace {
  id: FaceId
  areaM2: number
  /** Share of landing light that it takes in, 0–1; for glazing, the share that does not come back. */
  absorptance: number
  glazing: boolean
  /** What leaves scatter down to the bed beneath them, as a share of what they meet. */
  down?: { to: FaceId; share: number }
  /** It only looks, and takes nothing from the light. */
  meter?: boolean
}

/**
 * Where light that falls on one glazed surface ends up, as shares of it, one per face, with what the glazing scatters
 * of it. They add up to the share that nothing outside shades.
 */
export interface Landing {
  surface: Surface
  /** Beam: `((declination index * HOUR_ANGLES) + hour angle index) * faces + face`. */
  beam: Float32Array
  sky: Float32Array
  ground: Float32Array
}

/** What the landing table of a building depends on besides its geometry. */
export interface LandingInput {
  building: Building
  extras: SceneExtras
  /** The same faces in the same order for each state of the leaves, which change what some of them take in. */
  faces: readonly (readonly LightFace[])[]
  leaves: Leaves
  latitudeDeg: number
}

/**
 * Shares of light that each face finally takes in, with first reflections by the face and the rest spread by area. Rays
 * are cast in three dimensions from points spread evenly over each pane; eaves and the wall of a house are asked on the
 * way to the sun. One list of landings for each state of the leaves, in their order.
 */
export function makeLandings({ building, extras, faces: byState, leaves, latitudeDeg }: LandingInput): Landing[][] {
  const scene = makeScene(building, extras, leaves)
  const { states } = leaves
  const size = scene.faces.length
  const n = byState[0]!.length
  const places = byState[0]!.map(f => scene.faces.indexOf(f.id))
  const below = byState[0]!.map(f => (f.down ? byState[0]!.findIndex(b => b.id === f.down!.to) : -1))
  const leafy = [...below.keys()].filter(i => below[i]! >= 0)
  /** What lands by the scene's faces, as shares that the faces take in. */
  const sorted = new Float64Array(n)
  const taken = (landed: Float64Array, state: number) => {
    const faces = byState[state]!
    for (let i = 0; i < n; i++) sorted[i] = places[i]! < 0 ? 0 : landed[state * size + places[i]!]!
    for (let k = 0; k < leafy.length; k++) {
      const i = leafy[k]!
      const down = sorted[i]! * faces[i]!.down!.share
      sorted[i]! -= down
      sorted[below[i]!]! += down
    }
    return settle(sorted, faces)
  }
  const glazed = building.surfaces.filter(s => s.kind === 'glazed')
  const glass = glazed.reduce((sum, s) => sum + s.areaM2, 0)
  const raysOf = (s: Surface) =>
    glazed.length <= FEW ? RAYS : min(RAYS, max(LEAST_RAYS, 4 * floor((RAYS_OF_MANY * s.areaM2) / glass / 4)))
  const directions = sunDirections(building, latitudeDeg)
  const landings: Landing[][] = Array.from({ length: states }, () => [])
  const first = new Float64Array(states * size)
  for (const surface of glazed) {
    const rays = raysOf(surface)
    const sets = Array.from({ length: SETS }, (_, k) => pointsOn(surface, rays, (k + 0.5) / SETS))
    const scatter = scattering(scene, surface, sets, byState, taken)
    const beams = landings.map(() => new Float32Array(DECLINATIONS * HOUR_ANGLES * n))
    for (let i = 0; i < DECLINATIONS * HOUR_ANGLES; i++) {
      const dx = directions[i * 3]!
      const dy = directions[i * 3 + 1]!
      const dz = directions[i * 3 + 2]!
      if (dz < -BEYOND || dx * surface.normal[0] + dy * surface.normal[1] + dz * surface.normal[2] < -BEYOND) continue
      first.fill(0)
      const set = (2 * floor(i / HOUR_ANGLES) + (i % HOUR_ANGLES)) % SETS
      cast(scene, sets[set]!, surface, dx, dy, dz, 1, first)
      scatter?.toward(dx, dy, dz, 1)
      for (let s = 0; s < states; s++) {
        const row = taken(first, s)
        beams[s]!.set(scatter ? scatter.spread(row, s) : row, i * n)
      }
      scatter?.clear()
    }
    const half = pointsOn(surface, max(12, rays / 4))
    const from = (side: 1 | -1) => {
      const whole = fromAll(surface, side)
      // A level pane sees no ground: what little there is goes where the sky's goes.
      const seen = whole.length > 0 ? whole : fromAll(surface, 1)
      first.fill(0)
      for (const { x, y, z, weight } of seen) {
        cast(scene, half, surface, x, y, z, weight, first)
        scatter?.toward(x, y, z, weight)
      }
      const rows = landings.map((_, s) => {
        const row = taken(first, s)
        return scatter ? scatter.spread(row, s) : row
      })
      scatter?.clear()
      return rows
    }
    const [sky, ground] = [from(1), from(-1)]
    landings.forEach((list, s) => list.push({ surface, beam: beams[s]!, sky: sky[s]!, ground: ground[s]! }))
  }
  return landings
}

/** What a hazy pane does to light on its way to the faces. */
interface Scattering {
  /** Light comes from there, with a weight. */
  toward: (sx: number, sy: number, sz: number, weight: number) => void
  /** Where all of it lands, from where it would land straight, in one state of the leaves. */
  spread: (straight: Float32Array, state: number) => Float32Array
  clear: () => void
}

/**
 * The scattering of a pane; null where it is clear.
 * @param taken what the faces take in, in a state of the leaves, of what has landed
 */
function scattering(
  scene: Scene,
  surface: Surface,
  sets: readonly Float64Array[],
  byState: LandingInput['faces'],
  taken: (landed: Float64Array, state: number) => Float32Array,
): Scattering | null {
  const haze = hazeOf(surface.glazing!)
  if (!haze) return null
  const faces = byState[0]!
  const directions = leavingDirections(surface.normal)
  const landed = landingsByDirection(scene, surface, directions, sets, byState.length)
  const rows = byState.map((_, state) => landed.map(l => taken(l, state)))
  const weights = new Float64Array(LEAVING)
  let core = 0
  return {
    toward: (sx, sy, sz, weight) => {
      const [dx, dy, dz] = bentToPass(surface, sx, sy, sz)
      core += addLobe(directions, -dx, -dy, -dz, haze.meanCosine, weight, weights)
    },
    spread: (straight, state) => {
      let lit = 0
      for (let i = 0; i < straight.length; i++) if (!faces[i]!.meter) lit += straight[i]!
      const kept = 1 - haze.share * (1 - core)
      for (let i = 0; i < straight.length; i++) straight[i]! *= kept
      for (let k = 0; k < LEAVING; k++) {
        const share = haze.share * lit * weights[k]!
        if (share < LEAST_SHARE) continue
        const row = rows[state]![k]!
        for (let i = 0; i < straight.length; i++) straight[i]! += share * row[i]!
      }
      return straight
    },
    clear: () => {
      weights.fill(0)
      core = 0
    },
  }
}

/** What eaves and a house leave free of an outer wall or roof: of the sun, by the table's entries, and of the sky. */
export interface OuterShadow {
  surface: Surface
  beam: Float32Array
  sky: number
}

/** What screens outside shade of the outer walls and roofs: none where there are no screens. */
export function makeOuterShadows(
  building: Building,
  { outside }: Pick<SceneExtras, 'outside'>,
  latitudeDeg: number,
): OuterShadow[] {
  if (outside.length === 0) return []
  const directions = sunDirections(building, latitudeDeg)
  return building.surfaces
    .filter(s => s.kind === 'opaque' && s.boundary === 'outside')
    .map((surface): OuterShadow => {
      const points = pointsOff(surface)
      const [nx, ny, nz] = surface.normal
      const beam = new Float32Array(DECLINATIONS * HOUR_ANGLES).fill(1)
      for (let i = 0; i < beam.length; i++) {
        const [dx, dy, dz] = [directions[i * 3]!, directions[i * 3 + 1]!, directions[i * 3 + 2]!]
        if (dz > -BEYOND && dx * nx + dy * ny + dz * nz > 0) beam[i] = freeOf(outside, points, dx, dy, dz)
      }
      return { surface, beam, sky: skyFree(outside, surface) }
    })
}

/** Towards the sun, in the room's directions, for every entry of the table. */
function sunDirections(building: Building, latitudeDeg: number): Float64Array {
  const out = new Float64Array(DECLINATIONS * HOUR_ANGLES * 3)
  const phi = latitudeDeg * RAD
  for (let d = 0; d < DECLINATIONS; d++) {
    const dec = (-23.5 + d * DECLINATION_STEP) * RAD
    for (let k = 0; k < HOUR_ANGLES; k++) {
      const h = (-180 + k * HOUR_ANGLE_STEP) * RAD
      const u = sin(phi) * sin(dec) + cos(phi) * cos(dec) * cos(h)
      const n = cos(phi) * sin(dec) - sin(phi) * cos(dec) * cos(h)
      out.set(roomDirection(building, -cos(dec) * sin(h), n, u), (d * HOUR_ANGLES + k) * 3)
    }
  }
  return out
}

/** A direction towards the light as it passes a pane: a light behind the pane grazes it. */
function bentToPass({ normal: [nx, ny, nz] }: Surface, sx: number, sy: number, sz: number): Vec {
  const behind = 0.02 - (nx * sx + ny * sy + nz * sz)
  if (behind <= 0) return [sx, sy, sz]
  const [dx, dy, dz] = [sx + nx * behind, sy + ny * behind, sz + nz * behind]
  const length = hypot(dx, dy, dz)
  return [dx / length, dy / length, dz / length]
}

/** Rays of one direction (towards the light) through all points: adds their weight to the faces where they land. */
function cast(
  scene: Scene,
  points: Float64Array,
  surface: Surface,
  sx: number,
  sy: number,
  sz: number,
  weight: number,
  out: Float64Array,
): void {
  const [nx, ny, nz] = surface.normal
  const [dx, dy, dz] = bentToPass(surface, sx, sy, sz)
  const level = levelShare(nz, sz, nx * sx + ny * sy + nz * sz)
  scene.cast(points, -dx, -dy, -dz, -1, (weight * 3) / points.length, out, level)
}

/** Light that grazes a pane counts as this much of a meeting. */
const GRAZES = 0.1
/**
 * Light on a level area beneath a pane, as a share of what comes through the pane above it, by how far the pane and the
 * light point up, and how straight they meet.
 */
const levelShare = (nz: number, up: number, facing: number) => (max(0, nz) * max(0, up)) / max(GRAZES, facing)

/** Directions of the whole sky (side 1) or ground (side −1) before a pane, each with its share of what they send. */
function fromAll(
  { normal: [nx, ny, nz] }: Surface,
  side: 1 | -1,
): { x: number; y: number; z: number; weight: number }[] {
  const out: { x: number; y: number; z: number; weight: number }[] = []
  for (let az = 15; az < 360; az += 30) {
    for (let alt = 7.5; alt < 90; alt += 15) {
      const c = cos(alt * RAD)
      const x = c * cos(az * RAD)
      const y = c * sin(az * RAD)
      const z = side * sin(alt * RAD)
      const facing = x * nx + y * ny + z * nz
      if (facing > 1e-9) out.push({ x, y, z, weight: facing * c })
    }
  }
  const all = out.reduce((sum, d) => sum + d.weight, 0)
  return out.map(d => ({ ...d, weight: d.weight / all }))
}

/** Of a scattered light's shares, less than this goes uncounted. */
const LEAST_SHARE = 1e-6
/** One ray in so many of a pane's is cast in each of its leaving directions. */
const LEAVING_RAYS = 4

/**
 * Where light lands that leaves a pane in each of its leaving directions, a number for each of the scene's faces, state
 * of the leaves after state: from points that differ from one direction to the next.
 */
export function landingsByDirection(
  scene: Scene,
  { normal }: Surface,
  directions: Float64Array,
  sets: readonly Float64Array[],
  states: number,
): Float64Array[] {
  const [nx, ny, nz] = normal
  const some = sets.flatMap(points => inTurns(points, LEAVING_RAYS))
  return Array.from({ length: LEAVING }, (_, k) => {
    const [dx, dy, dz] = [directions[k * 3]!, directions[k * 3 + 1]!, directions[k * 3 + 2]!]
    const points = some[(k * 7) % some.length]!
    const out = new Float64Array(states * scene.faces.length)
    const level = levelShare(nz, -dz, -(dx * nx + dy * ny + dz * nz))
    scene.cast(points, dx, dy, dz, 0, 3 / points.length, out, level)
    return out
  })
}

/** Points dealt out into so many lots. */
function inTurns(points: Float64Array, lots: number): Float64Array[] {
  const out: number[][] = Array.from({ length: lots }, () => [])
  for (let k = 0; k < points.length; k += 3) out[(k / 3) % lots]!.push(points[k]!, points[k + 1]!, points[k + 2]!)
  return out.filter(lot => lot.length > 0).map(lot => Float64Array.from(lot))
}

/**
 * First landings become final ones: each face keeps its absorptance, the rest goes round a well-mixed room until all is
 * taken in. A meter counts what lands and what comes round, and keeps none of it.
 */
export function settle(first: Float64Array, faces: readonly LightFace[]): Float32Array {
  let bounced = 0
  let sink = 0
  for (let i = 0; i < faces.length; i++) {
    const f = faces[i]!
    if (f.meter) continue
    bounced += first[i]! * (1 - f.absorptance)
    sink += f.areaM2 * f.absorptance
  }
  const round = sink > 0 ? bounced / sink : 0
  const out = new Float32Array(faces.length)
  for (let i = 0; i < faces.length; i++) {
    const f = faces[i]!
    out[i] = f.absorptance * (first[i]! + round * f.areaM2)
  }
  return out
}

/** Place in the table of a sun at `east, north, up`, as four entries and their weights. */
export function tablePlace(
  latitudeDeg: number,
  e: number,
  n: number,
  u: number,
  index: Int32Array,
  weight: Float64Array,
): void {
  const phi = latitudeDeg * RAD
  const dec = asin(max(-1, min(1, u * sin(phi) + n * cos(phi)))) / RAD
  const hour = atan2(-e, u * cos(phi) - n * sin(phi)) / RAD
  const d = max(0, min(DECLINATIONS - 1.0001, (dec + 23.5) / DECLINATION_STEP))
  const d0 = floor(d)
  const k = ((((hour + 180) / HOUR_ANGLE_STEP) % HOUR_ANGLES) + HOUR_ANGLES) % HOUR_ANGLES
  const k0 = floor(k) % HOUR_ANGLES
  const k1 = (k0 + 1) % HOUR_ANGLES
  const fd = d - d0
  const fk = k - floor(k)
  index[0] = d0 * HOUR_ANGLES + k0
  index[1] = d0 * HOUR_ANGLES + k1
  index[2] = (d0 + 1) * HOUR_ANGLES + k0
  index[3] = (d0 + 1) * HOUR_ANGLES + k1
  weight[0] = (1 - fd) * (1 - fk)
  weight[1] = (1 - fd) * fk
  weight[2] = fd * (1 - fk)
  weight[3] = fd * fk
}

/** Area of the things of one face that light can reach, m². */
export function objectAreaM2(building: Building, face: FaceId): number {
  return building.objects.filter(o => faceOfObject(o) === face).reduce((sum, o) => sum + litAreaM2(o), 0)
}
