import type { Design, PartId } from '../design/types'
import { clearHeightAt, edgeLength, type Edge, type Outline } from '../geometry/section'
import { laidLeaves, type LaidLeaf } from '../geometry/leaves'
import { isHouseWall, partName, partsOf, RISING } from '../geometry/parts'
import type { Building } from '../geometry/surfaces'
import { openingKind } from '../openings/registry'
import { struts } from './dome'
import { DEG, SQUARE, type EndCut, type Member } from './member'
import { carriesItself, linesAlong, linesOfEnd } from './spacing'

export type FramedHouse = Pick<Design, 'shape' | 'skin' | 'build'>

/** Steeper than this it stands, degrees from level. */
const UPRIGHT_DEG = 85
/** What would be shorter is packed out, m. */
const SHORTEST_M = 0.12

const tiltOf = ({ a, b }: Edge) => Math.atan2(Math.abs(b.z - a.z), b.x - a.x) * DEG
const stands = (e: Edge) => tiltOf(e) > UPRIGHT_DEG

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

/** A member, and the part of the skin that it is of; a dome's are at the edges of two. */
export interface PlacedMember extends Member {
  on: PartId | null
  /** Where it lies on that part; none of what lies on no part's face: a dome's struts. */
  lies?: OnPart
}

/** A straight line on a part: across it from its middle, and up it from its foot, m. */
export interface OnPart {
  u: readonly [from: number, to: number]
  v: readonly [from: number, to: number]
}

/**
 * The frame's members, part by part, like ones as one, the longest first within their part. Straight members of
 * sections drawn out along the ridge, with trimmers round their openings; bent ribs of arches and hoops; struts of
 * domes. How far they stand apart is entered, and follows the sheets that are joined over them (`spacing.ts`).
 */
export function members(design: Design, building: Building): Member[] {
  const all = design.shape.form === 'dome' ? struts(building) : sectionMembers(design, building.outline)
  return merged(all.filter(m => m.lengthM > SHORTEST_M && m.count > 0))
}

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
    const { member, part, count, lengthM, ends, bent, bevelDeg, over } = m
    if (like) like.count += count
    else out.push({ member, part, count, lengthM, ends, bent, bevelDeg, over })
  }
  return out
}

/** Every member of a section drawn out along the ridge. */
export function sectionMembers(design: FramedHouse, outline: Outline): PlacedMember[] {
  const { shape, build } = design
  const { purlinM } = build.frame
  // Studs stand between sill and plate, and end at headers; nothing is taken off before a section is entered.
  const thickM = build.frame.thickM ?? 0
  const L = shape.lengthM
  const lines = linesAlong(design, outline)
  // A side that is rolled up has no frame of its own.
  const leaves = laidLeaves(design, outline).filter(l => design.skin.openings[l.index]!.kind !== 'roll-up side')
  const out: PlacedMember[] = []
  const name = (e: Edge) => partName(e.part, shape.form)
  /** What runs along a part, so far up it. */
  const run = (member: string, on: PartId, part: string, up: number, over = lines) => {
    const lengthM = over.at(-1)!
    const u = [-lengthM / 2, lengthM / 2] as const
    out.push({
      ...{ member, on, part, count: 1, lengthM, ends: [SQUARE, SQUARE], bent: false, over },
      lies: { u, v: [up, up] },
    })
  }
  const isHouse = (e: Edge) => isHouseWall(shape, e.part)
  const isCurve = (e: Edge) =>
    (shape.form === 'arch' && e.part === 'sunnySlope') ||
    (shape.form === 'hoop' && (e.part === 'sunnySlope' || e.part === 'poleSlope'))
  const { edges } = outline
  const ribM = curveM(outline)
  if (ribM > 0)
    for (const y of lines)
      out.push({
        member: shape.form === 'hoop' ? 'hoop' : 'rib',
        on: 'sunnySlope',
        part: partName('sunnySlope', shape.form),
        count: 1,
        lengthM: ribM,
        ends: [SQUARE, SQUARE],
        bent: true,
        over: null,
        lies: { u: [y - L / 2, y - L / 2], v: [0, ribM] },
      })
  edges.forEach((e, i) => {
    const [foot, top] = alongPart(edges, i)
    if (isHouse(e)) return void run('ledger', e.part, name(e), top)
    if (isCurve(e)) return
    const [before, after] = [edges[i - 1], edges[i + 1]]
    const each = (member: string, [low, high]: Member['ends'], lessM = [0, 0]) => {
      const [from, to] = [foot + lessM[0]!, top - lessM[1]!]
      const its = leaves.filter(l => l.part === e.part && l.rect.v0 < to && l.rect.v1 > from)
      const middle = lines.map(y => y - L / 2)
      for (const { at, trims } of uprights(its, middle))
        for (const [v0, v1] of besideLeaves(its, at, from, to, thickM))
          out.push({
            member: trims ? 'trimmer' : member,
            on: e.part,
            part: name(e),
            count: 1,
            lengthM: v1 - v0,
            ends: [v0 > from ? SQUARE : low, v1 < to ? SQUARE : high],
            bent: false,
            over: null,
            lies: { u: [at, at], v: [v0, v1] },
          })
    }
    if (stands(e)) {
      if (carriesItself(design, e.part)) return void run('plate on the wall', e.part, name(e), top)
      const onSill = i === 0 || i === edges.length - 1
      each('stud', [SQUARE, SQUARE], [onSill ? thickM : 0, thickM])
      run('plate', e.part, name(e), top)
      return
    }
    const first = endCut(e, before)
    const second: EndCut = after && isHouse(after) ? { cut: 'plumb', sawDeg: tiltOf(e) } : endCut(e, after)
    each('rafter', rises(e) ? [first, second] : [second, first])
    const purlins = purlinM === null ? 0 : Math.max(0, Math.ceil(edgeLength(e) / purlinM - 1e-9) - 1)
    for (let k = 1; k <= purlins; k++) run('purlin', e.part, name(e), foot + ((top - foot) * k) / (purlins + 1))
    // Where two slopes meet a board lies along: the ridge, or the break.
    if (after && !stands(after) && !isHouse(after) && !isCurve(after))
      run(
        rises(e) && !rises(after) ? 'ridge board' : 'beam at the break',
        e.part,
        name(e),
        RISING.includes(e.part) ? top : foot,
      )
  })
  const foot = 'foot of the house'
  run('sill', edges[0]!.part, foot, 0)
  if (shape.form !== 'lean-to') run('sill', edges.at(-1)!.part, foot, 0)
  for (const part of ['eastEnd', 'westEnd'] as const) {
    run('sill', part, foot, 0, linesOfEnd(design, outline, part))
    const its = leaves.filter(l => l.part === part)
    if (!carriesItself(design, part)) out.push(...endStuds(design, outline, part, its))
  }
  out.push(...headers(design, leaves))
  return out
}

/** From how far up its part to how far up an edge goes, m; the parts' own foot is 0. */
function alongPart(edges: readonly Edge[], i: number): [number, number] {
  const { part } = edges[i]!
  const isBelow = (k: number) => (RISING.includes(part) ? k < i : k > i)
  const from = edges.reduce((sum, e, k) => sum + (e.part === part && isBelow(k) ? edgeLength(e) : 0), 0)
  return [from, from + edgeLength(edges[i]!)]
}

/** Two leaves no further apart have one trimmer between them, m. */
const POST_BETWEEN_M = 0.12
/** A stud or rafter so near to the edge of a leaf is its trimmer, m. */
const NEAR_M = 0.045

/**
 * What stands side by side on a part, by how far across from its middle: commons on their lines, and trimmers beside
 * the leaves, as long as the part, which the headers bear on.
 */
function uprights(leaves: readonly LaidLeaf[], commons: readonly number[]): { at: number; trims: boolean }[] {
  const isIn = (u: number) => leaves.some(({ rect }) => u > rect.u0 + 1e-6 && u < rect.u1 - 1e-6)
  const edges = leaves.flatMap(({ rect }) => [rect.u0, rect.u1]).sort((a, b) => a - b)
  const trimmers: number[] = []
  edges.forEach((u, k) => {
    const last = edges[k - 1]
    const isShared = last !== undefined && u - last <= POST_BETWEEN_M && !isIn((u + last) / 2)
    if (isShared) trimmers[trimmers.length - 1] = (u + last) / 2
    else trimmers.push(u)
  })
  const free = trimmers.filter(u => !commons.some(c => Math.abs(c - u) < NEAR_M && !isIn(c)))
  return [...commons.map(at => ({ at, trims: false })), ...free.map(at => ({ at, trims: true }))]
}

/** What no leaf and header interrupts of a line up a part, so far across from its middle: from where to where, m. */
function besideLeaves(
  leaves: readonly LaidLeaf[],
  across: number,
  from: number,
  to: number,
  headerM: number,
): [number, number][] {
  let left: [number, number][] = [[from, to]]
  for (const { rect } of leaves.filter(l => across > l.rect.u0 + 1e-6 && across < l.rect.u1 - 1e-6))
    left = left.flatMap(([a, b]): [number, number][] => [
      [a, Math.min(b, rect.v0 - headerM)],
      [Math.max(a, rect.v1 + headerM), b],
    ])
  return left.filter(([a, b]) => b - a > SHORTEST_M)
}

/** A lintel bears so far on the wall at each side, m. */
const BEARING_M = 0.15

/** What lies over an opening, and under it unless it is a door; in masonry a lintel. */
function headers(design: FramedHouse, leaves: readonly LaidLeaf[]): PlacedMember[] {
  const { shape, skin } = design
  return leaves.flatMap(({ index, part, rect }): PlacedMember[] => {
    if (isHouseWall(shape, part)) return []
    const isWall = carriesItself(design, part)
    const bearingM = isWall ? BEARING_M : 0
    const u = [rect.u0 - bearingM, rect.u1 + bearingM] as const
    const isOver = isWall || openingKind(skin.openings[index]!).traffic(skin.openings[index]!)
    return (isOver ? [rect.v1] : [rect.v1, rect.v0]).map(up => ({
      member: isWall ? 'lintel' : 'header',
      on: part,
      part: partName(part, shape.form),
      count: 1,
      lengthM: u[1] - u[0],
      ends: [SQUARE, SQUARE],
      bent: false,
      over: null,
      lies: { u, v: [up, up] },
    }))
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
function endStuds(
  design: FramedHouse,
  outline: Outline,
  on: 'eastEnd' | 'westEnd',
  leaves: readonly LaidLeaf[],
): PlacedMember[] {
  const middle = outline.widthM / 2
  const commons = linesOfEnd(design, outline, on).map(x => x - middle)
  // At the corners stand the studs of the sides.
  const between = uprights(leaves, commons).filter(({ at }) => Math.abs(at) < middle - 1e-6)
  return between.flatMap(({ at, trims }) => {
    const x = middle + at
    const over = outline.edges.find(e => e.b.x - e.a.x > 1e-9 && x >= e.a.x - 1e-9 && x <= e.b.x + 1e-9)
    const top: EndCut = over && tiltOf(over) > 0.05 ? { cut: 'mitre', sawDeg: tiltOf(over) } : SQUARE
    const high = clearHeightAt(outline, x)
    const thickM = design.build.frame.thickM ?? 0
    return besideLeaves(leaves, at, thickM, high, thickM).map(
      ([from, to]): PlacedMember => ({
        member: trims ? 'trimmer' : 'end stud',
        on,
        part: trims ? partName(on, design.shape.form) : 'ends',
        count: 1,
        lengthM: to - from,
        ends: [SQUARE, to < high ? SQUARE : top],
        bent: false,
        over: null,
        lies: { u: [at, at], v: [from, to] },
      }),
    )
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
  const ends = (['eastEnd', 'westEnd'] as const).filter(
    part => partsOf(design, building.outline).includes(part) && carriesItself(design, part),
  )
  const slopes = building.outline.edges.filter(e => !stands(e) && tiltOf(e) > 0.05)
  return ends.flatMap(part =>
    slopes.map(e => ({ part: partName(part, design.shape.form), sawDeg: tiltOf(e), lengthM: edgeLength(e) })),
  )
}
