import type { Glazing } from '../catalog'
import type { Design } from '../design/types'
import { partName } from '../geometry/parts'
import type { Building, Surface, Vec } from '../geometry/surfaces'

/** A place on a field, in its own plane: across from its left edge as seen from outside, and up from its foot, m. */
export interface OnField {
  u: number
  v: number
}

/** A part of the skin as its glazing sees it: flat, and seen from outside. */
export interface GlazedField {
  /** As the reader calls it. */
  part: string
  glazing: Glazing
  /** Its pieces of skin: several where a curve is unrolled. */
  surfaces: Surface[]
  corners: OnField[]
  acrossM: number
  /**
   * Where its left edge lies along its part, counted from the house's west end (on an end from the sunny foot) where
   * `way` is 1, towards it where it is −1: a place at `p` along the part is at `way · p − fromM` across.
   */
  fromM: number
  way: 1 | -1
  /** That is to be covered, m². */
  areaM2: number
}

const dot = (p: Vec, q: Vec) => p[0] * q[0] + p[1] * q[1] + p[2] * q[2]

/** Ways across a surface and up it as it is seen from outside: the room's axes are left-handed in the north. */
function axesOf({ normal }: Surface, northern: boolean): { along: Vec; up: Vec } {
  const level = Math.hypot(normal[0], normal[1])
  const hand = northern ? 1 : -1
  const along: Vec = level > 1e-9 ? [(hand * normal[1]) / level, (-hand * normal[0]) / level, 0] : [0, hand, 0]
  const up: Vec = [
    hand * (along[1] * normal[2] - along[2] * normal[1]),
    hand * (along[2] * normal[0] - along[0] * normal[2]),
    hand * (along[0] * normal[1] - along[1] * normal[0]),
  ]
  return { along, up }
}

/** A surface in its own plane. */
function flattened(surface: Surface, northern: boolean): Pick<GlazedField, 'corners' | 'fromM' | 'way'> {
  const { along, up } = axesOf(surface, northern)
  const flat = surface.polygon.map(p => ({ u: dot(p, along), v: dot(p, up) }))
  const [u0, v0] = [Math.min(...flat.map(p => p.u)), Math.min(...flat.map(p => p.v))]
  return { corners: flat.map(p => ({ u: p.u - u0, v: p.v - v0 })), fromM: u0, way: along[0] + along[1] > 0 ? 1 : -1 }
}

/** Where a place on a field is in the room, on the last of its pieces where it lies beyond them. */
export function placeOnField({ surfaces, fromM }: GlazedField, northern: boolean, { u, v }: OnField): Vec {
  let left = v
  for (const [k, surface] of surfaces.entries()) {
    const { along, up } = axesOf(surface, northern)
    const ups = surface.polygon.map(p => dot(p, up))
    const [low, high] = [Math.min(...ups), Math.max(...ups)]
    if (left > high - low + 1e-9 && k < surfaces.length - 1) {
      left -= high - low
      continue
    }
    const off = dot(surface.polygon[0]!, surface.normal)
    const at = (i: 0 | 1 | 2) => along[i] * (u + fromM) + up[i] * (left + low) + surface.normal[i] * off
    return [at(0), at(1), at(2)]
  }
  throw new RangeError('a field has no pieces')
}

const reach = (flat: readonly OnField[], of: 'u' | 'v') => Math.max(...flat.map(p => p[of]))

/** Parts that are curves: a sheet is bent over all of their stretches. */
const isCurved = ({ shape }: Pick<Design, 'shape'>, { part }: Surface) =>
  (shape.form === 'arch' && part === 'sunnySlope') ||
  (shape.form === 'hoop' && (part === 'sunnySlope' || part === 'poleSlope'))

/** Glazed pieces of the skin, curves unrolled; what is let into a part is bought as an opening. */
export function glazedFields(design: Design, { surfaces }: Pick<Building, 'surfaces'>): GlazedField[] {
  const northern = design.site.latitudeDeg >= 0
  const out: GlazedField[] = []
  for (const s of surfaces) {
    if (s.kind !== 'glazed' || s.id.startsWith('opening')) continue
    const { corners, fromM, way } = flattened(s, northern)
    const before = out.at(-1)
    const glazing = s.glazing!
    if (before && isCurved(design, s) && before.surfaces[0]!.part === s.part && before.glazing === glazing) {
      const runM = reach(before.corners, 'v') + reach(corners, 'v')
      before.surfaces.push(s)
      before.areaM2 += s.areaM2
      const { acrossM: u } = before
      before.corners = [
        { u: 0, v: 0 },
        { u, v: 0 },
        { u, v: runM },
        { u: 0, v: runM },
      ]
    } else
      out.push({
        part: s.id.startsWith('dome') ? s.id : partName(s.part!, design.shape.form),
        glazing,
        surfaces: [s],
        corners,
        acrossM: reach(corners, 'u'),
        fromM,
        way,
        areaM2: s.areaM2,
      })
  }
  return out
}

/** Places along a part as they lie across one of its fields, rising, the field's own edges among them, m. */
export function acrossField({ acrossM, fromM, way }: GlazedField, places: readonly number[]): number[] {
  const within = places.map(p => way * p - fromM).filter(u => u > 1e-6 && u < acrossM - 1e-6)
  return [0, ...within.sort((a, b) => a - b), acrossM]
}

/** How far a field reaches within a strip of its width: from so far up to so far up, m. */
export function extentOver({ corners }: Pick<GlazedField, 'corners'>, from: number, to: number): [number, number] {
  const at: number[] = []
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!
    if (p.u >= from - 1e-9 && p.u <= to + 1e-9) at.push(p.v)
    for (const u of [from, to]) if ((p.u - u) * (q.u - u) < 0) at.push(p.v + ((q.v - p.v) * (u - p.u)) / (q.u - p.u))
  })
  return at.length > 1 ? [Math.min(...at), Math.max(...at)] : [0, 0]
}
