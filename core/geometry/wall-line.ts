import type { Design, PartId } from '../design/types'
import { footprintOf, sidesOf, type Footprint, type PlanPoint } from './footprint'
import { isHouseWall, madeOf } from './parts'
import type { Building } from './surfaces'

/** A member is drawn and laid out so deep where nobody has entered it, m. */
export const MEMBER_M = 0.12

/** A side of the floor, with the wall that stands on it. */
export interface WallFoot {
  from: PlanPoint
  to: PlanPoint
  part: PartId
  /** From its inner face outwards; of what is glazed, its frame; none of a house's, which stands already. */
  thickM: number
  /** The wall of a house, which stands already. */
  isHouse: boolean
}

type House = Pick<Design, 'shape' | 'skin' | 'build'>

/** How thick a part is, m: its layers without what lines it inside; of what is glazed, its frame. */
export function partThickM({ skin, build }: Pick<Design, 'skin' | 'build'>, part: PartId): number {
  const { kind, layers } = madeOf(skin, part)
  return kind === 'glazed' ? (build.frame.deepM ?? MEMBER_M) : layers.reduce((sum, l) => sum + l.thicknessM, 0)
}

/** The sides of a floor in their order, each with its wall. */
export function wallFeet(design: House, { outline, surfaces }: Pick<Building, 'outline' | 'surfaces'>): WallFoot[] {
  const floor = footprintOf(surfaces.find(s => s.kind === 'floor')!.polygon)
  return sidesOf(floor).map(([from, to]): WallFoot => {
    const part = partUnder(design, outline.edges, from, to)
    const isHouse = isHouseWall(design.shape, part)
    return { from, to, part, thickM: isHouse ? 0 : partThickM(design, part), isHouse }
  })
}

function partUnder(
  { shape }: Pick<Design, 'shape'>,
  edges: Building['outline']['edges'],
  [x0, y0]: PlanPoint,
  [x1, y1]: PlanPoint,
): PartId {
  if (shape.form === 'dome') return 'kneeWall'
  if (Math.abs(y1 - y0) < 1e-6) return y0 < shape.lengthM / 2 ? 'westEnd' : 'eastEnd'
  return (x0 + x1) / 2 < shape.widthM / 2 ? edges[0]!.part : edges.at(-1)!.part
}

/**
 * A ring of corners with each side moved outwards by its own way, its sides still parallel to what they were.
 * @param corners turned from x to y, as {@link footprintOf} has them
 */
export function movedOut(corners: Footprint, by: (side: number) => number): Footprint {
  const n = corners.length
  const sides = sidesOf(corners).map(([[x0, y0], [x1, y1]], i) => {
    const long = Math.hypot(x1 - x0, y1 - y0)
    const [nx, ny] = [(y1 - y0) / long, -(x1 - x0) / long]
    return { nx, ny, off: nx * x0 + ny * y0 + by(i) }
  })
  return corners.map((_, i): PlanPoint => {
    const [u, v] = [sides[(i + n - 1) % n]!, sides[i]!]
    const det = u.nx * v.ny - v.nx * u.ny
    return [(u.off * v.ny - v.off * u.ny) / det, (u.nx * v.off - v.nx * u.off) / det]
  })
}

/** A ring in the walls: of their inner faces at 0, their middles at 0.5, their outer faces at 1; and so much beyond. */
export const ringIn = (feet: readonly WallFoot[], share: number, beyondM = 0): Footprint =>
  movedOut(
    feet.map(f => f.from),
    i => feet[i]!.thickM * share + beyondM,
  )

/** The line on which the foundation lies, under the middle of each wall that is built. */
export const builtLines = (feet: readonly WallFoot[]): { from: PlanPoint; to: PlanPoint; longM: number }[] =>
  sidesOf(ringIn(feet, 0.5)).flatMap(([from, to], i) =>
    feet[i]!.isHouse ? [] : [{ from, to, longM: Math.hypot(to[0] - from[0], to[1] - from[1]) }],
  )

/** Places in bays alike along lines, none wider than so much: at each line's beginning, and at the end of the last. */
export function placesAlong(lines: ReturnType<typeof builtLines>, apartM: number): PlanPoint[] {
  const isOne = (p: PlanPoint, q: PlanPoint) => Math.hypot(p[0] - q[0], p[1] - q[1]) < 1e-6
  return lines.flatMap(({ from, to, longM }, i) => {
    const bays = Math.max(1, Math.ceil(longM / apartM - 1e-9))
    // Where the next line begins, the round closes or a wall of a house stands.
    const isShared = isOne(to, lines[(i + 1) % lines.length]!.from)
    return Array.from({ length: isShared ? bays : bays + 1 }, (_, k): PlanPoint => {
      const t = k / bays
      return [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t]
    })
  })
}
