import { distanceTo, sectionSegments } from './ray'
import type { SceneExtras } from './ray-cast'
import type { Screen } from './ray-shapes'
import type { FaceId } from './faces'
import type { Point } from './section'
import type { Building } from './surfaces'

/** One ray of the section from where it comes through the glazing to where it lands. */
export interface SectionRay {
  from: Point
  to: Point
  face: FaceId
  /** Which line of the section it lands on: a face may have several. */
  segment: number
}

/** A run of neighbouring rays that light the same face: the lit line of that face. */
export interface LitSpan {
  face: FaceId
  a: Point
  b: Point
}

export interface SectionLight {
  /** Neighbouring rays through each glazed slope, foot to ridge. */
  fans: SectionRay[][]
  spans: LitSpan[]
}

/**
 * Rays of one sun through the section, for drawing: `count` to each glazed slope, barrels taken as closed. What a strip
 * inside the glazing, an eave or the house behind it keeps off is left out.
 * @param profileDeg slope of the ray as the section shows it, 0–180; above 90 it comes from the pole side
 */
export function sectionLight(building: Building, shading: SceneExtras, profileDeg: number, count = 120): SectionLight {
  const none = { fans: [], spans: [] }
  if (!(profileDeg > 0 && profileDeg < 180)) return none
  const dx = Math.cos((profileDeg * Math.PI) / 180)
  const dz = -Math.sin((profileDeg * Math.PI) / 180)
  const segments = sectionSegments(building)
  const strips = shading.strip ? [inSection(shading.strip)] : []
  const outside = shading.outside.map(inSection)
  const meets = (lines: readonly Line[], { x, z }: Point, dx: number, dz: number) =>
    lines.some(l => distanceTo(x, z, dx, dz, l) < Infinity)
  const fans: SectionRay[][] = []
  for (const opening of segments) {
    const glazed = building.surfaces.some(s => s.id === opening.face && s.kind === 'glazed')
    // Inside lies to the right of a segment that runs with the outline: light must go that way.
    const inward = (opening.b.z - opening.a.z) * dx - (opening.b.x - opening.a.x) * dz > 1e-9
    if (!glazed || !inward) continue
    let fan: SectionRay[] = []
    for (let i = 0; i <= count; i++) {
      const t = Math.min(1 - 1e-6, Math.max(1e-6, i / count))
      const from = {
        x: opening.a.x + (opening.b.x - opening.a.x) * t,
        z: opening.a.z + (opening.b.z - opening.a.z) * t,
      }
      if (meets(strips, from, dx, dz) || meets(outside, from, -dx, -dz)) {
        if (fan.length > 1) fans.push(fan)
        fan = []
        continue
      }
      let near = Infinity
      let segment = -1
      for (let k = 0; k < segments.length; k++) {
        const s = segments[k]!
        if (s === opening) continue
        const d = distanceTo(from.x, from.z, dx, dz, s)
        if (d < near) {
          near = d
          segment = k
        }
      }
      if (segment >= 0)
        fan.push({ from, to: { x: from.x + dx * near, z: from.z + dz * near }, face: segments[segment]!.face, segment })
    }
    if (fan.length > 1) fans.push(fan)
  }
  return { fans, spans: fans.flatMap(spansOf) }
}

interface Line {
  a: Point
  b: Point
}
/** A screen that runs the length of the house, as the section cuts it. */
const inSection = ({ corner: [x, , z], u }: Screen): Line => ({ a: { x, z }, b: { x: x + u[0], z: z + u[2] } })

/** Lit lines: neighbouring landings on one line of the section. */
function spansOf(fan: readonly SectionRay[]): LitSpan[] {
  const spans: LitSpan[] = []
  let start = 0
  for (let i = 1; i <= fan.length; i++) {
    if (i < fan.length && fan[i]!.segment === fan[start]!.segment) continue
    if (i - start >= 2) spans.push({ face: fan[start]!.face, a: fan[start]!.to, b: fan[i - 1]!.to })
    start = i
  }
  return spans
}

/**
 * What one sun lights of a face in the section: its lowest and highest lit point above the floor, and its nearest and
 * furthest from the sunny wall, m.
 */
export interface LitPart {
  face: FaceId
  low: number
  high: number
  from: number
  to: number
}

/** The lit parts of every face that the sun reaches through the glazing. */
export function litParts(light: SectionLight): LitPart[] {
  const out = new Map<FaceId, LitPart>()
  for (const { face, a, b } of light.spans) {
    const was = out.get(face) ?? { face, low: Infinity, high: -Infinity, from: Infinity, to: -Infinity }
    out.set(face, {
      face,
      low: Math.min(was.low, a.z, b.z),
      high: Math.max(was.high, a.z, b.z),
      from: Math.min(was.from, a.x, b.x),
      to: Math.max(was.to, a.x, b.x),
    })
  }
  return [...out.values()]
}
