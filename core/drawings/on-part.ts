import { sectionMembers } from '../frame/members'
import { partPlanes, type PartPlane } from '../geometry/part-planes'
import { along, type Vec } from '../geometry/vec'
import { extentOver, placeOnField, type GlazedField } from '../takeoff/glazed-fields'
import type { GlazingCuts, Piece } from '../takeoff/sheets'
import type { Drawn } from './drawing'

/** A place on a part, which may bend: across it from its middle, and up it from its foot, m. */
function placeOn(planes: readonly PartPlane[], u: number, v: number): Vec {
  const plane = planes.find(p => v <= p.to + 1e-9) ?? planes.at(-1)!
  return along(plane.origin, u, plane.across, v - plane.from, plane.up)
}

/** A member as it lies on the skin. */
export interface LaidMember {
  member: string
  part: string
  line: Vec[]
}

/** Members on the parts of a house whose section is drawn out; of a dome they are the edges of its facets. */
export function laidMembers({ design, building }: Pick<Drawn, 'design' | 'building'>): LaidMember[] {
  const { outline } = building
  if (outline.form === 'dome') return []
  return sectionMembers(design, outline).flatMap(({ member, on, lies }): LaidMember[] => {
    if (!on || !lies) return []
    const rings = on === 'sunnySlope' && member === 'hoop' ? (['sunnySlope', 'poleSlope'] as const) : [on]
    return rings.flatMap((part): LaidMember[] => {
      const planes = partPlanes(design, outline, part)
      if (planes.length === 0) return []
      const [v0, v1] = lies.v
      const bends = v1 > v0 ? planes.map(p => p.to).filter(v => v > v0 + 1e-6 && v < v1 - 1e-6) : []
      const ups = [v0, ...bends, Math.min(v1, planes.at(-1)!.to)]
      const line = ups.map((v, k) => placeOn(planes, k === 0 ? lies.u[0] : lies.u[1], v))
      return [{ member, part, line }]
    })
  })
}

/** Joints between sheets or panes as they lie: up a field between two side by side, and across it between two rows. */
export function sheetJoints(
  all: readonly GlazingCuts[],
  northern: boolean,
): { surfaces: GlazedField['surfaces']; line: Vec[] }[] {
  const isOn = (field: GlazedField) => (p: Piece) => p.at?.on === field
  return all.flatMap(({ fields, pieces }) =>
    fields.flatMap(field => {
      const its = pieces.filter(isOn(field))
      const isInside = (u: number) => u > 0.01 && u < field.acrossM - 0.01
      const sides = [...new Set(its.map(p => Number(p.at!.u.toFixed(4))))].filter(isInside)
      const up = sides.map(u => {
        const [low, high] = extentOver(field, u, u)
        const steps = field.surfaces.length > 1 ? 24 : 1
        return Array.from({ length: steps + 1 }, (_, k) =>
          placeOnField(field, northern, { u, v: low + ((high - low) * k) / steps }),
        )
      })
      const rows = its.flatMap(p => {
        const { u, v } = p.at!
        const [low] = extentOver(field, u, u + p.widthM)
        return v > low + 0.1 ? [[u, u + p.widthM].map(across => placeOnField(field, northern, { u: across, v }))] : []
      })
      return [...up, ...rows].map(line => ({ surfaces: field.surfaces, line }))
    }),
  )
}
