import type { Design, Layer, PartId } from '../design/types'
import { domeFacets } from '../geometry/dome'
import { laidLeaves } from '../geometry/leaves'
import { isHouseWall, madeOf, partsOf, stretches } from '../geometry/parts'
import { edgeLength, makeOutline, type Outline } from '../geometry/section'
import { planeOf } from '../geometry/vec'
import { withFrame } from '../materials/assembly'
import { sectionMembers, type FramedHouse } from './members'
import { carriesItself } from './spacing'

/** Members so thick, m, where nobody has told yet: the usual trade size of studs and rafters. */
export const USUAL_THICK_M = 0.045
/** More is no frame that is filled, but a wall of timber. */
const MOST = 0.4

/** Timber in a part of the skin. */
export interface PartTimber {
  /** Of its face, openings left out, 0–0.4. */
  share: number
  /** That face, m². */
  areaM2: number
}

/**
 * Timber in each part, from the frame's own members: studs, plates, sills, rafters, boards at the ridge, trimmers and
 * headers, by their length and thickness over the part's face. Purlins lie over the rafters and are not counted; walls
 * of masonry have none. Half of a dome's strut is each facet's.
 */
export function partTimber(design: FramedHouse, outline: Outline): Partial<Record<PartId, PartTimber>> {
  const thickM = design.build.frame.thickM ?? USUAL_THICK_M
  const framed = { ...design, build: { ...design.build, frame: { ...design.build.frame, thickM } } }
  const timberM = new Map<PartId, number>()
  const areaM2 = new Map<PartId, number>()
  const add = (to: Map<PartId, number>, part: PartId, value: number) => to.set(part, (to.get(part) ?? 0) + value)
  if (outline.form === 'dome')
    for (const { part, polygon } of domeFacets(design, outline)) {
      const sides = polygon.map((p, i) => {
        const q = polygon[(i + 1) % polygon.length]!
        return Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2])
      })
      add(timberM, part, sides.reduce((a, b) => a + b, 0) / 2)
      add(areaM2, part, planeOf(polygon).areaM2)
    }
  else {
    for (const m of sectionMembers(framed, outline))
      if (m.on && m.member !== 'purlin') add(timberM, m.on, m.count * m.lengthM)
    for (const e of outline.edges) add(areaM2, e.part, edgeLength(e) * design.shape.lengthM)
    for (const end of ['eastEnd', 'westEnd'] as const) add(areaM2, end, outline.areaM2)
  }
  for (const { part, rect } of laidLeaves(design, outline))
    add(areaM2, part, -(rect.u1 - rect.u0) * (rect.v1 - rect.v0))
  const out: Partial<Record<PartId, PartTimber>> = {}
  for (const [part, area] of areaM2) {
    const m2 = carriesItself(design, part) ? 0 : (timberM.get(part) ?? 0) * thickM
    out[part] = { share: area > 1e-6 ? Math.min(MOST, m2 / area) : 0, areaM2: Math.max(0, area) }
  }
  return out
}

/**
 * Layers of a solid part as they are built: with the frame's timber through the insulation that it stands in, unless
 * that layer says its own share. A lining is no part of the wall that it stands before.
 */
export function framedBy(
  design: FramedHouse & Pick<Design, 'store'>,
  outline: Outline,
): (part: PartId, layers: readonly Layer[]) => Layer[] {
  const timber = partTimber(design, outline)
  const linings = design.store.linings as readonly Layer[]
  return (part, layers) => {
    const own = layers.filter(l => !linings.includes(l))
    const framed = withFrame(own, timber[part]?.share ?? 0, design.build.frame)
    return [...framed, ...layers.filter(l => linings.includes(l))]
  }
}

/** Parts whose layers are the house's walls, or those of its solid roof. */
function partsMadeOf(
  { shape, skin }: Pick<Design, 'shape' | 'skin'>,
  outline: Outline,
  list: 'wall' | 'roof',
): PartId[] {
  const pieces = stretches({ shape, skin }, outline)
  return partsOf({ shape, skin }, outline).filter(part => {
    const made = madeOf(skin, part)
    const isSolid = made.kind === 'solid' && !isHouseWall(shape, part)
    if (isSolid && made.layers === skin[list]) return true
    return made.kind === 'glazed' && made.topLayers === skin[list] && pieces.some(s => s.part === part && s.top)
  })
}

/**
 * Layers of the document as they are built, on average over the parts that are made of them: those of `skin.wall`,
 * `skin.roof` or `skin.parts.….layers`; others as they are.
 */
export function layersAsBuilt(design: FramedHouse, path: string, layers: readonly Layer[]): Layer[] {
  const outline = makeOutline(design.shape)
  const [, own] = /^skin\.parts\.(\w+)\.layers$/.exec(path) ?? []
  const parts =
    path === 'skin.wall' || path === 'skin.roof'
      ? partsMadeOf(design, outline, path === 'skin.wall' ? 'wall' : 'roof')
      : own
        ? [own as PartId]
        : []
  const timber = partTimber(design, outline)
  const all = parts.flatMap(p => timber[p] ?? [])
  const areaM2 = all.reduce((sum, t) => sum + t.areaM2, 0)
  const share = areaM2 > 0 ? all.reduce((sum, t) => sum + t.share * t.areaM2, 0) / areaM2 : 0
  return withFrame(layers, share, design.build.frame)
}
