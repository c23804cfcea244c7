import { isLeaf } from '../geometry/parts'
import type { Building, Vec } from '../geometry/surfaces'
import { DEG, SQUARE, type EndCut, type Member } from './member'

/** A corner of the foot that is not square. */
export interface FootCorner {
  /** Inside, from above, degrees. */
  angleDeg: number
  /** What sills, blocks and boards that meet there are cut to, degrees from square. */
  sawDeg: number
  count: number
}

/** Corners of the foot that are not square: those of a dome's ring. Corners alike are one. */
export function footCorners({ surfaces }: Pick<Building, 'surfaces'>): FootCorner[] {
  const { polygon } = surfaces.find(s => s.kind === 'floor')!
  const n = polygon.length
  const out: FootCorner[] = []
  polygon.forEach((p, i) => {
    const [before, after] = [polygon[(i + n - 1) % n]!, polygon[(i + 1) % n]!]
    const turn = Math.atan2(after[1] - p[1], after[0] - p[0]) - Math.atan2(p[1] - before[1], p[0] - before[0])
    const turnDeg = Math.abs(((turn * DEG + 540) % 360) - 180)
    if (Math.abs(turnDeg - 90) < 0.05) return
    const like = out.find(c => Math.abs(c.angleDeg - (180 - turnDeg)) < 0.05)
    if (like) like.count++
    else out.push({ angleDeg: 180 - turnDeg, sawDeg: turnDeg / 2, count: 1 })
  })
  return out
}

/** An edge between facets of a dome. */
export interface DomeEdge {
  lengthM: number
  /** Between the faces, inside, degrees; 180 lies flat. */
  dihedralDeg: number
  /** It lies on the floor: a sill. */
  foot: boolean
}

/** Every edge of a dome's skin once. */
export function domeEdges({ surfaces }: Pick<Building, 'surfaces'>): DomeEdge[] {
  const found = new Map<string, { ends: [Vec, Vec]; normals: Vec[] }>()
  const word = (p: Vec) => p.map(v => Math.round(v * 1e4)).join(' ')
  for (const s of surfaces.filter(s => s.kind !== 'floor' && !isLeaf(s)))
    s.polygon.forEach((p, i) => {
      const q = s.polygon[(i + 1) % s.polygon.length]!
      const key = [word(p), word(q)].sort().join('|')
      const edge = found.get(key) ?? { ends: [p, q], normals: [] }
      edge.normals.push(s.normal)
      found.set(key, edge)
    })
  return [...found.values()].map(({ ends: [p, q], normals: [n, m] }) => {
    const cos = n && m ? n[0] * m[0] + n[1] * m[1] + n[2] * m[2] : 1
    return {
      lengthM: Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]),
      dihedralDeg: 180 - Math.acos(Math.min(1, Math.max(-1, cos))) * DEG,
      foot: p[2] < 1e-6 && q[2] < 1e-6,
    }
  })
}

/**
 * Struts of a dome: each edge a strut, corner to corner, its long sides bevelled; how its ends are shortened and cut is
 * the hub's or plate's to say.
 */
export function struts(building: Building): Member[] {
  const corners = footCorners(building)
  // A ring of one corner all round is mitred to it; on one that is not round each corner has its own.
  const mitre: EndCut = corners.length === 1 ? { cut: 'mitre', sawDeg: corners[0]!.sawDeg } : SQUARE
  return domeEdges(building).map(
    (e): Member => ({
      member: e.foot ? 'sill' : 'strut',
      part: 'dome',
      count: 1,
      lengthM: e.lengthM,
      ends: e.foot ? [mitre, mitre] : [SQUARE, SQUARE],
      bevelDeg: e.foot ? 0 : (180 - e.dihedralDeg) / 2,
      bent: false,
      over: null,
    }),
  )
}

/** Facets of a dome of one shape. */
export interface Facet {
  part: string
  count: number
  /** Sides in order, m, and the inner angle at the beginning of each, degrees. */
  sidesM: number[]
  anglesDeg: number[]
}

/** A dome's facets by their kind. */
export function facets({ surfaces }: Pick<Building, 'surfaces'>): Facet[] {
  const out: Facet[] = []
  for (const s of surfaces.filter(s => s.kind !== 'floor' && !isLeaf(s))) {
    const n = s.polygon.length
    const side = (i: number): Vec => {
      const [p, q] = [s.polygon[(i + n) % n]!, s.polygon[(i + 1) % n]!]
      return [q[0] - p[0], q[1] - p[1], q[2] - p[2]]
    }
    const long = (v: Vec) => Math.hypot(...v)
    const sidesM = s.polygon.map((_, i) => long(side(i)))
    const anglesDeg = s.polygon.map((_, i) => {
      const [u, v] = [side(i - 1), side(i)]
      return 180 - Math.acos((u[0] * v[0] + u[1] * v[1] + u[2] * v[2]) / (long(u) * long(v))) * DEG
    })
    const like = out.find(
      f => f.part === s.id && f.sidesM.length === n && f.sidesM.every((l, i) => Math.abs(l - sidesM[i]!) < 0.0005),
    )
    if (like) like.count++
    else out.push({ part: s.id, count: 1, sidesM, anglesDeg })
  }
  return out
}
