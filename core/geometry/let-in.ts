import { PART_NAMES, type Design, type PartId } from '../design/types'
import type { OpeningKind } from '../openings/kind'
import { openingKind, openingName } from '../openings/registry'
import { dormersOf } from './dormers'
import { laidLeaves, isOnFacet, leafPolygons, type LaidLeaf } from './leaves'
import { hostOf, partPlanes } from './part-planes'
import { isHouseWall, partsOf } from './parts'
import { clearHeightAt, groundAt, makeOutline, type OutlineFault } from './section'
import { clipped, dot, minus, planeOf, type Vec } from './vec'

type House = Pick<Design, 'shape' | 'skin'>

/** Parts of a house that an opening of a kind can be on. */
export function hostsFor(house: House, kind: Pick<OpeningKind, 'on' | 'onDome'>): PartId[] {
  if (house.shape.form === 'dome' && !kind.onDome) return []
  return partsOf(house, makeOutline(house.shape)).filter(p => kind.on.includes(p))
}

/** Whether a window is let into a part: into a solid one; in glazing it is glazing all the same. */
export const takesWindows = ({ shape, skin }: House, part: PartId): boolean =>
  skin.parts[part].kind === 'solid' && shape.form !== 'dome' && !isHouseWall(shape, part)

const m = (v: number) => `${Math.max(0, Math.floor(v * 100 + 1e-6) / 100).toFixed(2)} m`

/** What openings say that cannot be: of a kind that their part never has, open before they begin to. */
export function openingFaults({ skin }: Pick<House, 'skin'>): OutlineFault[] {
  const out: OutlineFault[] = []
  skin.openings.forEach((o, i) => {
    const kind = openingKind(o)
    const add = (field: string, message: string, allowed: string) =>
      out.push({ path: `skin.openings[${i}].${field}`, message, allowed })
    const opener = kind.opener(o)
    if (opener.fullC <= opener.startC) add('fullC', 'is not above the start of opening', `above ${opener.startC} °C`)
    if (!kind.on.includes(o.part))
      add('part', `cannot have a ${kind.name.toLowerCase()}`, `one of ${kind.on.map(p => PART_NAMES[p]).join(', ')}`)
  })
  return out
}

/**
 * Openings that do not fit where they are: larger than their part, over its edge, under the ground outside, in each
 * other.
 * @param only the one that is asked about, by its place in the document; null for all
 */
export function openingMisfits(house: House, only: number | null = null): OutlineFault[] {
  const { shape, skin } = house
  const out: OutlineFault[] = []
  const outline = makeOutline(shape)
  const laid = laidLeaves(house, outline)
  const dormers = dormersOf(house, outline)
  skin.openings.forEach((o, i) => {
    if (only !== null && i !== only) return
    const kind = openingKind(o)
    const add = (field: string, message: string, allowed: string) =>
      out.push({ path: `skin.openings[${i}].${field}`, message, allowed })
    if (!kind.on.includes(o.part)) return
    const planes = partPlanes(house, outline, o.part, kind.ridge)
    const host = hostOf(house, outline, o.part, kind.ridge)
    // What the form does not have keeps what was let into it.
    if (planes.length === 0) return
    const mine = laid.filter(l => l.index === i)
    const row = kind.row(o, host)
    const wide = 'lengthM' in o ? 'lengthM' : 'widthM'
    const door = kind.traffic(o) !== null
    const dormer = dormers.find(d => d.index === i)
    if (dormer && dormer.depthM > DEEPEST_DORMER_M)
      return add(
        'heightM',
        dormer.depthM < Infinity
          ? `makes a dormer ${m(dormer.depthM)} deep under so flat a roof`
          : 'is higher than the roof behind it',
        `a lower door, or one in an end`,
      )
    if (shape.form === 'dome') {
      const most = Math.min(planes.length, 2 * planes[0]!.halfM[0] >= row.widthM ? planes.length : 0)
      if (most === 0) return add(wide, 'is wider than a facet', `at most ${m(2 * planes[0]!.halfM[0])}`)
      if (mine.length < row.count)
        return add('count', 'are more than there are facets for them', `at most ${mine.length}`)
      // A door stands in a frame of its own, out over its part.
      if (!door && mine.some(l => !isOnFacet(l.planes[0]!, l.rect)))
        return add('heightM', 'is higher than its facet', `at most ${m(planes[0]!.to)}, or narrower leaves`)
      const before = door && laid.find(l => l.index < i && mine.some(own => isSameFacet(own, l)))
      if (before)
        add('offsetM', `lies in the ${openingName(skin.openings, before.index).toLowerCase()}`, 'a place clear of it')
      return
    }
    const end = o.part === 'eastEnd' || o.part === 'westEnd'
    if (mine.length === 0) return
    const left = Math.min(...mine.map(l => l.rect.u0))
    const right = Math.max(...mine.map(l => l.rect.u1))
    const pitch = row.spread ? host.wideM / row.count : Infinity
    if (right - left > host.wideM + 1e-9 || row.widthM > pitch + 1e-9)
      return add(
        wide,
        row.count > 1 ? `make a row of ${m(row.count * row.widthM)}, wider than their part` : 'is wider than its part',
        `${m(host.wideM)} in all`,
      )
    if (left < -host.wideM / 2 - 1e-9 || right > host.wideM / 2 + 1e-9)
      return add(
        'offsetM',
        'runs past the end of its part',
        `up to ${m((host.wideM - (right - left)) / 2)} off the middle`,
      )
    const high = row.sillM + row.heightM
    const clear = end
      ? Math.min(
          ...mine.flatMap(l =>
            [l.rect.u0, l.rect.u1].map(u =>
              clearHeightAt(outline, Math.min(host.wideM - 1e-6, Math.max(1e-6, u + host.wideM / 2))),
            ),
          ),
        )
      : host.longM
    if (!dormer && high > clear + 1e-9)
      return add(
        'heightM',
        door ? 'is higher than its part' : 'reaches past the top of its part',
        'sillM' in o ? `at most ${m(clear - o.sillM)}, or a lower sill` : `at most ${m(clear)}, or another part`,
      )
    if (kind.kind === 'window' && planes.filter(p => p.to > row.sillM + 1e-9 && p.from < high - 1e-9).length > 1)
      return add('part', 'is bent there, and takes no panes', 'a straight part')
    // Steps lead down to a door; an opening for air has to be above the ground.
    if (!door && !isHouseWall(shape, o.part)) {
      const under = Math.max(
        ...mine.flatMap(l =>
          leafPolygons(l)
            .flat()
            .map(p => groundAt(shape, p[0]) - p[2]),
        ),
      )
      if (under > 0.005)
        return add('sillM', `lies ${m(under)} under the ground outside`, `at least ${m(row.sillM + under + 0.005)}`)
    }
    const over = dormers.find(d => d.index !== i && d.taken.some(hole => mine.some(l => lieIn(l, hole))))
    if (over)
      return add(
        'offsetM',
        `lies in the dormer of the ${openingName(skin.openings, over.index).toLowerCase()}`,
        'a place clear of it',
      )
    const other = laid.find(l => l.part === o.part && l.index < i && mine.some(own => overlap(own, l)))
    if (other)
      add('offsetM', `lies in the ${openingName(skin.openings, other.index).toLowerCase()}`, 'a place clear of it')
  })
  return out
}

/** A dormer that reaches further back than this is a passage, m. */
const DEEPEST_DORMER_M = 2

const isSameFacet = (a: LaidLeaf, b: LaidLeaf): boolean =>
  a.part === b.part && a.planes[0]!.facet!.side === b.planes[0]!.facet!.side

/** Whether a leaf lies in a hole of its own plane. */
const lieIn = (leaf: LaidLeaf, hole: readonly Vec[]): boolean => {
  const { normal } = planeOf(hole)
  return leafPolygons(leaf).some(
    polygon =>
      dot(planeOf(polygon).normal, normal) > 1 - 1e-9 &&
      Math.abs(dot(minus(polygon[0]!, hole[0]!), normal)) < 1e-6 &&
      planeOf(clipped(polygon, hole, normal)).areaM2 > 1e-6,
  )
}

function overlap({ rect: p }: LaidLeaf, { rect: q }: LaidLeaf): boolean {
  return p.u0 < q.u1 - 1e-9 && q.u0 < p.u1 - 1e-9 && p.v0 < q.v1 - 1e-9 && q.v0 < p.v1 - 1e-9
}
