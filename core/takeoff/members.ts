import { MATERIALS } from '../catalog'
import type { Design, Layer, PartId } from '../design/types'
import { clearHeightAt, edgeLength, type Edge, type Outline } from '../geometry/section'
import { laidLeaves } from '../geometry/leaves'
import { isHouseWall, isLeaf, partName } from '../geometry/parts'
import type { Building } from '../geometry/surfaces'
import { openingKind } from '../openings/registry'
import { struts } from './dome'
import { DEG, SQUARE, type EndCut, type Member } from './member'

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
 * along the ridge, with trimmers round their openings; bent ribs of arches and hoops; struts of domes.
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
    const wall = building.surfaces.find(s => s.part === part && s.kind === 'opaque' && !isLeaf(s))
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
  out.push(...trimmers(design, building, part => masonry(part)))
  return out
}

/** A lintel bears so far on the wall at each side, m. */
const BEARING_M = 0.15

/** What frames an opening: trimmers beside it, headers over and under it; in masonry a lintel. Doors stand on sills. */
function trimmers(design: Design, { outline }: Building, isMasonry: (part: PartId) => boolean): Member[] {
  const { shape, skin } = design
  const member = (name: string, part: PartId, count: number, lengthM: number): Member => ({
    member: name,
    part: partName(part, shape.form),
    count,
    lengthM,
    ends: [SQUARE, SQUARE],
    bent: false,
    runs: false,
  })
  return laidLeaves(design, outline).flatMap(({ index, rect }) => {
    const o = skin.openings[index]!
    const [tall, wide] = [rect.v1 - rect.v0, rect.u1 - rect.u0]
    if (o.kind === 'roll-up side' || isHouseWall(shape, o.part)) return []
    if (isMasonry(o.part)) return [member('lintel', o.part, 1, wide + 2 * BEARING_M)]
    const headers = openingKind(o).traffic(o) ? 1 : 2
    return [member('trimmer', o.part, 2, tall), member('header', o.part, headers, wide)]
  })
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

/** A wall of blocks or earth whose upper end follows a slope: its last course is cut to it. */
export interface Rake {
  part: string
  /** Of the slope, from level, degrees. */
  sawDeg: number
  lengthM: number
}

/** Slopes that walls of masonry at the ends are cut to. */
export function rakes(design: Design, building: Building): Rake[] {
  const ends = (['eastEnd', 'westEnd'] as const).filter(part =>
    building.surfaces.some(s => s.part === part && s.kind === 'opaque' && !isLeaf(s) && isMasonry(s.layers)),
  )
  const slopes = building.outline.edges.filter(e => !stands(e) && tiltOf(e) > 0.05)
  return ends.flatMap(part =>
    slopes.map(e => ({ part: partName(part, design.shape.form), sawDeg: tiltOf(e), lengthM: edgeLength(e) })),
  )
}
