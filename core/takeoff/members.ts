import { MATERIALS } from '../catalog'
import { RAD } from '../physics/constants'
import type { Design, Layer, PartId } from '../design/types'
import { partName } from '../geometry/parts'
import { clearHeightAt, edgeLength, type Edge, type Outline } from '../geometry/section'
import type { Building, Vec } from '../geometry/surfaces'

/** A cut at an end of a member. */
export interface EndCut {
  /** Plumb stands upright in the house, level lies flat in it; a mitre halves the angle of two that meet. */
  cut: 'square' | 'plumb' | 'level' | 'mitre'
  /** What the saw is set to, degrees from square across the member. */
  sawDeg: number
}

/** Members of one kind and length. */
export interface Member {
  member: string
  /** As the reader calls the part that it is of. */
  part: string
  count: number
  /** Along its inner edge, between the lines on which its ends are cut, m. */
  lengthM: number
  /** Its lower end, and the upper one. */
  ends: readonly [EndCut, EndCut]
  /** Bent to a curve, which a jig is made for. */
  bent: boolean
  /** Long sides of a dome's strut are ripped to this, degrees from square: half of what its faces turn by. */
  bevelDeg?: number
  /** May be joined over a support: sills, plates, purlins. */
  runs: boolean
}

const DEG = 1 / RAD
const SQUARE: EndCut = { cut: 'square', sawDeg: 0 }
/** Steeper than this it stands, degrees from level. */
const UPRIGHT_DEG = 85
/** A layer from so thick on carries itself, m. */
const CARRIES_M = 0.08

/** Whether layers carry a roof themselves: masonry or earth, which has no studs. */
export const isMasonry = (layers: readonly Layer[]): boolean =>
  layers.some(l => {
    const group = MATERIALS.find(m => m.id === l.material)?.group
    return (group === 'masonry' || group === 'ground') && l.thicknessM >= CARRIES_M
  })

const tiltOf = ({ a, b }: Edge) => Math.atan2(Math.abs(b.z - a.z), b.x - a.x) * DEG
const stands = (e: Edge) => tiltOf(e) > UPRIGHT_DEG

/** How many stand along a length so far apart at most, one at each end. */
export const alongLength = (lengthM: number, apartM: number): number =>
  Math.max(1, Math.ceil(lengthM / apartM - 1e-9)) + 1

/** Length of a quarter ellipse of half-axes a and b, m: Simpson's rule over its angle. */
export function quarterEllipse(a: number, b: number): number {
  const n = 200
  let sum = 0
  for (let i = 0; i <= n; i++) {
    const t = (i / n) * (Math.PI / 2)
    sum += Math.hypot(a * Math.sin(t), b * Math.cos(t)) * (i === 0 || i === n ? 1 : i % 2 === 1 ? 4 : 2)
  }
  return (sum * Math.PI) / 2 / n / 3
}

/**
 * The frame's members, part by part, as its builder says that they stand apart. Straight members of sections drawn out
 * along the ridge, bent ribs of arches and hoops, struts of domes. Doors, vents and their trimmers are left out.
 */
export function members(design: Design, building: Building): Member[] {
  const all = design.shape.form === 'dome' ? struts(building) : sectionMembers(design, building)
  return merged(all.filter(m => m.lengthM > 0.02 && m.count > 0))
}

/** Like members as one, the longest first within their part. */
function merged(all: readonly Member[]): Member[] {
  const out: Member[] = []
  for (const m of all) {
    const like = out.find(
      o =>
        o.member === m.member &&
        o.part === m.part &&
        Math.abs(o.lengthM - m.lengthM) < 0.0015 &&
        Math.abs((o.bevelDeg ?? 0) - (m.bevelDeg ?? 0)) < 0.05 &&
        o.ends.every((e, i) => e.cut === m.ends[i]!.cut && Math.abs(e.sawDeg - m.ends[i]!.sawDeg) < 0.05),
    )
    if (like) like.count += m.count
    else out.push({ ...m })
  }
  return out
}

function sectionMembers(design: Design, building: Building): Member[] {
  const { shape, store, build } = design
  const { outline } = building
  const { apartM, purlinM } = build.frame
  const L = shape.lengthM
  const along = alongLength(L, apartM)
  const out: Member[] = []
  const name = (e: Edge) => partName(e.part, shape.form)
  const run = (member: string, part: string, lengthM = L, count = 1) =>
    out.push({ member, part, count, lengthM, ends: [SQUARE, SQUARE], bent: false, runs: true })
  const masonry = (part: PartId) => {
    const wall = building.surfaces.find(s => s.part === part && s.kind === 'opaque')
    return isMasonry((wall?.layers ?? []).filter(l => !(store.linings as readonly Layer[]).includes(l)))
  }
  const isHouse = (e: Edge) => shape.form === 'lean-to' && e.part === 'backWall'
  const isCurve = (e: Edge) =>
    (shape.form === 'arch' && e.part === 'sunnySlope') ||
    (shape.form === 'hoop' && (e.part === 'sunnySlope' || e.part === 'poleSlope'))
  const { edges } = outline
  const ribM = curveM(outline)
  if (ribM > 0)
    out.push({
      member: shape.form === 'hoop' ? 'hoop' : 'rib',
      part: partName('sunnySlope', shape.form),
      count: along,
      lengthM: ribM,
      ends: [SQUARE, SQUARE],
      bent: true,
      runs: false,
    })
  edges.forEach((e, i) => {
    if (isHouse(e)) return void run('ledger', name(e))
    if (isCurve(e)) return
    const [before, after] = [edges[i - 1], edges[i + 1]]
    if (stands(e)) {
      if (masonry(e.part)) return void run('plate on the wall', name(e))
      out.push({
        member: 'stud',
        part: name(e),
        count: along,
        lengthM: edgeLength(e),
        ends: [SQUARE, SQUARE],
        bent: false,
        runs: false,
      })
      run('plate', name(e))
      return
    }
    const first = endCut(e, before)
    const second: EndCut = after && isHouse(after) ? { cut: 'plumb', sawDeg: tiltOf(e) } : endCut(e, after)
    out.push({
      member: 'rafter',
      part: name(e),
      count: along,
      lengthM: edgeLength(e),
      ends: rises(e) ? [first, second] : [second, first],
      bent: false,
      runs: false,
    })
    if (purlinM !== null) run('purlin', name(e), L, Math.max(0, Math.ceil(edgeLength(e) / purlinM - 1e-9) - 1))
    // Where two slopes meet a board lies along: the ridge, or the break.
    if (after && !stands(after) && !isHouse(after) && !isCurve(after))
      run(rises(e) && !rises(after) ? 'ridge board' : 'beam at the break', name(e))
  })
  run('sill', 'foot of the house', L, shape.form === 'lean-to' ? 1 : 2)
  run('sill', 'foot of the house', shape.widthM, 2)
  for (const part of ['eastEnd', 'westEnd'] as const) {
    if (masonry(part)) continue
    out.push(...endStuds(outline, apartM))
  }
  return out
}

const rises = (e: Edge) => e.b.z > e.a.z

/** How an end of a sloping member is cut by what it meets there. */
function endCut(e: Edge, other: Edge | undefined): EndCut {
  const tilt = tiltOf(e)
  // On a wall or on the sill it sits level; the heel is plumb.
  if (!other || stands(other)) return { cut: 'level', sawDeg: 90 - tilt }
  // At the ridge both are cut plumb.
  if (rises(e) !== rises(other)) return { cut: 'plumb', sawDeg: tilt }
  return { cut: 'mitre', sawDeg: Math.abs(tilt - tiltOf(other)) / 2 }
}

/** Length of a curve of the section along its own line, m; 0 where it has none. */
export function curveM({ form, ridgeAtM, ridgeHeightM, kneeWallM }: Outline): number {
  if (form !== 'arch' && form !== 'hoop') return 0
  const quarter = quarterEllipse(ridgeAtM, ridgeHeightM - kneeWallM)
  return form === 'hoop' ? 2 * quarter : quarter
}

/** Points of a jig for bent members, from the foot at 0: across and up, m. Pins stand on them. */
export function jig({ form, ridgeAtM: a, ridgeHeightM, kneeWallM }: Outline, pins = 9): { xM: number; zM: number }[] {
  if (form !== 'arch' && form !== 'hoop') return []
  const rise = ridgeHeightM - kneeWallM
  const end = form === 'hoop' ? Math.PI : Math.PI / 2
  return Array.from({ length: pins }, (_, i) => {
    const t = (end * i) / (pins - 1)
    return { xM: a - a * Math.cos(t), zM: rise * Math.sin(t) }
  })
}

/** Studs of an end, between its corners: each up to the skin, its top cut to the slope there. */
function endStuds(outline: Outline, apartM: number): Member[] {
  const places = alongLength(outline.widthM, apartM)
  return Array.from({ length: places }, (_, k) => (outline.widthM * k) / (places - 1))
    .slice(1, -1)
    .map((x): Member => {
      const over = outline.edges.find(e => e.b.x - e.a.x > 1e-9 && x >= e.a.x - 1e-9 && x <= e.b.x + 1e-9)
      const top: EndCut = over && tiltOf(over) > 0.05 ? { cut: 'plumb', sawDeg: tiltOf(over) } : SQUARE
      return {
        member: 'end stud',
        part: 'ends',
        count: 1,
        lengthM: clearHeightAt(outline, x),
        ends: [SQUARE, top.cut === 'plumb' ? { cut: 'mitre', sawDeg: top.sawDeg } : SQUARE],
        bent: false,
        runs: false,
      }
    })
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
  for (const s of surfaces.filter(s => s.kind !== 'floor'))
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
function struts(building: Building): Member[] {
  return domeEdges(building).map(
    (e): Member => ({
      member: e.foot ? 'sill' : 'strut',
      part: 'dome',
      count: 1,
      lengthM: e.lengthM,
      ends: [SQUARE, SQUARE],
      bevelDeg: e.foot ? 0 : (180 - e.dihedralDeg) / 2,
      bent: false,
      runs: false,
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
  for (const s of surfaces.filter(s => s.kind !== 'floor')) {
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
