import type { Design } from '../../core/design'
import { bedSide, faceOfObject, type FaceId } from '../../core/geometry/faces'
import { edgesOf, isOn } from '../../core/geometry/footprint'
import { openingOf } from '../../core/geometry/parts'
import { makeBuilding, type Building, type Surface } from '../../core/geometry/surfaces'
import { seededRandom } from '../../core/climate/random'

type V = [number, number, number]
interface Triangle {
  a: V
  e1: V
  e2: V
  face: FaceId
  /** Other faces in the same plane, by their corners; null for a hole. */
  panes: { corners: V[]; face: FaceId | null }[]
}

const sub = (a: readonly number[], b: readonly number[]): V => [a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!]
const cross = (a: V, b: V): V => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
const dot = (a: V, b: V) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

/** A room as a soup of triangles, made apart from the core's planes and boxes: barrels as prisms of many sides. */
function soup(building: Building): Triangle[] {
  const out: Triangle[] = []
  const add = (face: FaceId, points: V[], panes: Triangle['panes'] = []) => {
    for (let i = 1; i + 1 < points.length; i++)
      out.push({ a: points[0]!, e1: sub(points[i]!, points[0]!), e2: sub(points[i + 1]!, points[0]!), face, panes })
  }
  const corners = (s: Surface) => s.polygon.map(p => [...p] as V)
  for (const s of building.surfaces) {
    // A door that stands out over its part is there where its part is not.
    if (s.letIn && !s.standsOut && !building.taken.some(t => openingOf(t.id) === openingOf(s.id))) continue
    const panes = building.surfaces.filter(o => o.letIn && !o.standsOut && o.part === s.part)
    add(s.id, corners(s), [
      ...panes.map(o => ({ corners: corners(o), face: o.id })),
      // Where a dormer stands the skin is not there.
      ...building.taken.map(t => ({ corners: t.polygon.map(p => [...p] as V), face: null })),
    ])
  }
  for (const o of building.objects) {
    const face = faceOfObject(o)
    if (!o.bank) {
      const side = o.kind === 'bed' ? bedSide(o.index) : face
      for (const piece of o.pieces) {
        const at = (z: number) => piece.map(([x, y]): V => [x, y, z])
        add(face, at(o.z1))
        add(side, at(o.z0))
        at(o.z0).forEach((p, i) => {
          const q = at(o.z0)[(i + 1) % piece.length]!
          add(side, [p, q, [q[0], q[1], o.z1], [p[0], p[1], o.z1]])
        })
      }
      continue
    }
    const { bank } = o
    for (let k = 0; k < bank.count; k++) {
      const cx = o.x0 + ((Math.floor(k / bank.perRow) + 0.5) * (o.x1 - o.x0)) / bank.rows
      const cy = o.y0 + ((k % bank.perRow) + 0.5) * bank.pitchM
      const ring = Array.from({ length: 16 }, (_, i): [number, number] => [
        cx + bank.radiusM * Math.cos((i * Math.PI) / 8),
        cy + bank.radiusM * Math.sin((i * Math.PI) / 8),
      ])
      ring.forEach((p, i) => {
        const q = ring[(i + 1) % 16]!
        add(face, [
          [p[0], p[1], o.z0],
          [q[0], q[1], o.z0],
          [q[0], q[1], o.z1],
          [p[0], p[1], o.z1],
        ])
      })
      add(
        face,
        ring.map((p): V => [p[0], p[1], o.z1]),
      )
      add(
        face,
        ring.map((p): V => [p[0], p[1], o.z0]),
      )
    }
  }
  return out
}

/**
 * Triangles before a beam of one direction, by Möller & Trumbore 1997: of each its corner, and what a ray's start less
 * that corner is multiplied by for both coordinates within the triangle and for the distance. Twelve numbers each: the
 * loop over them allocates nothing.
 */
function packed(triangles: readonly Triangle[], d: V): Float64Array {
  return Float64Array.from(
    triangles.flatMap(({ a, e1, e2 }) => {
      const p = cross(d, e2)
      const det = dot(e1, p)
      // A triangle that the beam only grazes is never met.
      if (Math.abs(det) < 1e-14) return [...a, NaN, 0, 0, 0, 0, 0, 0, 0, 0]
      const over = (v: V) => v.map(x => x / det)
      return [...a, ...over(p), ...over(cross(e1, d)), ...over(cross(e1, e2))]
    }),
  )
}

const found = { index: -1, distance: Infinity }

/** Nearest triangle before a ray of the beam. */
function nearest(t: Float64Array, ox: number, oy: number, oz: number): void {
  found.index = -1
  let near = Infinity
  for (let i = 0; i < t.length; i += 12) {
    const x = ox - t[i]!
    const y = oy - t[i + 1]!
    const z = oz - t[i + 2]!
    const u = x * t[i + 3]! + y * t[i + 4]! + z * t[i + 5]!
    if (!(u >= -1e-9 && u <= 1 + 1e-9)) continue
    const w = x * t[i + 6]! + y * t[i + 7]! + z * t[i + 8]!
    if (w < -1e-9 || u + w > 1 + 1e-9) continue
    const distance = x * t[i + 9]! + y * t[i + 10]! + z * t[i + 11]!
    if (distance > 1e-5 && distance < near) {
      near = distance
      found.index = i / 12
    }
  }
  found.distance = near
}

/** Whether a point lies in a flat polygon: in its plane, and all its sides turn the same way about it. */
function isIn(corners: readonly (readonly number[])[], at: V): boolean {
  const normal = cross(sub(corners[1]!, corners[0]!), sub(corners[2]!, corners[0]!))
  if (Math.abs(dot(normal, sub(at, corners[0]!))) > 1e-6 * Math.hypot(...normal)) return false
  const turns = corners.map((p, k) => cross(sub(corners[(k + 1) % corners.length]!, p), sub(at, p)))
  return turns.every(t => dot(t, turns[0]!) >= 0)
}

/** A pane has so many rays at least. */
const LEAST_RAYS = 100

/**
 * First landings of a beam towards `sun` (the room's directions) through each glazed surface, by random rays: shares by
 * face.
 * @param rays of all panes together, each by its area
 */
export function bruteLandings(
  design: Design,
  sun: V,
  rays: number,
): { surface: Surface; shares: Map<FaceId, number> }[] {
  const building = makeBuilding(design)
  const triangles = soup(building)
  const down: V = [-sun[0], -sun[1], -sun[2]]
  const flat = packed(triangles, down)
  const random = seededRandom(5)
  const glazed = building.surfaces.filter(s => s.kind === 'glazed')
  const glazedM2 = glazed.reduce((sum, s) => sum + s.areaM2, 0)
  return glazed.map(surface => {
    const shares = new Map<FaceId, number>()
    let cast = 0
    const shrunk = surface.polygon.map(p => [...p] as V)
    const areas = shrunk
      .slice(1, -1)
      .map((p, i) => Math.hypot(...cross(sub(p, shrunk[0]!), sub(shrunk[i + 2]!, shrunk[0]!))))
    const total = areas.reduce((a, b) => a + b, 0)
    const grid = Math.round(Math.sqrt(Math.max(LEAST_RAYS, (rays * surface.areaM2) / glazedM2)))
    for (let n = 0; n < grid * grid; n++) {
      // One random point in each cell of a grid laid over the pane.
      let pick = ((Math.floor(n / grid) + random()) / grid) * total
      let i = 0
      while (i < areas.length - 1 && pick > areas[i]!) pick -= areas[i++]!
      const root = Math.sqrt(pick / areas[i]!)
      const w = (root * ((n % grid) + random())) / grid
      const u = root - w
      const [a, b, e] = [shrunk[0]!, shrunk[i + 1]!, shrunk[i + 2]!]
      const o = [0, 1, 2].map(k => a[k]! + (b[k]! - a[k]!) * u + (e[k]! - a[k]!) * w) as V
      // What is cut out of a pane is none of it.
      if (surface.cuts.some(cut => isIn(cut, o))) continue
      cast++
      let near = 0
      let face: FaceId | null = null
      for (let holes = 0; face === null && holes < 8; holes++) {
        nearest(flat, o[0] + down[0] * near, o[1] + down[1] * near, o[2] + down[2] * near)
        if (found.index < 0) break
        near += found.distance
        const hit = triangles[found.index]!
        face = hit.face
        const at = [0, 1, 2].map(k => o[k]! + down[k]! * near) as V
        for (const pane of hit.panes) if (isIn(pane.corners, at)) face = pane.face
      }
      // A ray that starts in a thing standing against the glass lands on it.
      const inside = building.objects.find(
        x =>
          !x.bank &&
          o[2] >= x.z0 - 1e-9 &&
          o[2] <= x.z1 + 1e-9 &&
          x.pieces.some(piece => isOn(edgesOf(piece), o[0], o[1], 1e-9)),
      )
      if (inside) {
        const face = inside.kind === 'bed' ? bedSide(inside.index) : faceOfObject(inside)
        shares.set(face, (shares.get(face) ?? 0) + 1)
        continue
      }
      if (face === null) continue
      shares.set(face, (shares.get(face) ?? 0) + 1)
    }
    for (const [face, count] of shares) shares.set(face, count / cast)
    return { surface, shares }
  })
}
