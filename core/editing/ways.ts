import { cm } from '../beds/common'
import type { Bed, Design } from '../design'
import { accessOf, type Access } from '../geometry/access'
import { inPieces, roomObjects } from '../geometry/objects'
import { laidLeaves } from '../geometry/leaves'
import { makeOutline } from '../geometry/section'
import { openingKind } from '../openings/registry'
import { misfits } from '../geometry/fit'
import { SHOULDERS_M, WHEELCHAIR_M } from '../geometry/widths'

/** A way that is laid is so much wider than one needs, m. */
const EASY_M = 0.1

/** How much of a house nobody gets to, counted: doors, beds, bodies, openings and floor; Infinity without a door. */
export const hindrances = ({ hasDoor, blocked, beds, bodies, openings, cutOffM2 }: Access): number =>
  hasDoor ? blocked.length + beds.length + bodies.length + openings.length + (cutOffM2 > 0 ? 1 : 0) : Infinity

/** Whether one gets to all that is in a house, from a door. */
export const isReached = (design: Design): boolean => hindrances(accessOf(design)) === 0

/**
 * Whether a house is no worse to get about in than another: what was reached is reached, what was not may stay. Where
 * not all was reached, a body that was added need not be.
 */
export const keepsWays = (before: Access, after: Access): boolean => {
  const was = (list: readonly number[]) => new Set(list)
  const [beds, bodies, openings] = [was(before.beds.map(b => b.index)), was(before.bodies), was(before.openings)]
  const blocked = was(before.blocked)
  const shut = hindrances(before) > 0
  return (
    (after.hasDoor || !before.hasDoor) &&
    after.blocked.every(d => blocked.has(d)) &&
    after.beds.every(b => beds.has(b.index)) &&
    after.bodies.every(b => bodies.has(b) || (shut && b >= before.bodyCount)) &&
    after.openings.every(o => openings.has(o)) &&
    (after.cutOffM2 <= before.cutOffM2 + 0.1 || shut)
  )
}

/** A change to the beds that may open ways; null where it changes nothing. */
type Opener = (design: Design, access: Access) => readonly Bed[] | null

/** Beds no wider than arms reach: from one side where they stand against something, from both elsewhere. */
const withinReach: Opener = (design, { beds }) => {
  const { reachM } = design.aim.practical
  const out = new Set(beds.map(b => b.index))
  const things = inPieces(roomObjects(design))
  const next = design.shape.beds.map((bed, i): Bed => {
    if (!out.has(i) || bed.kind !== 'bed') return bed
    const near = (a: number, b: number) => Math.abs(a - b) < SHOULDERS_M
    const others = things.filter(t => t.kind !== 'bench' && !(t.kind === 'bed' && t.index === i))
    const low = near(bed.atM, 0) || others.some(t => t.x1 <= bed.atM + 0.01 && near(t.x1, bed.atM))
    const far = bed.atM + bed.widthM
    const high = near(far, design.shape.widthM) || others.some(t => t.x0 >= far - 0.01 && near(t.x0, far))
    const most = low || high ? reachM : 2 * reachM
    if (bed.widthM <= most) return bed
    const widthM = Math.floor(most * 100) / 100
    return { ...bed, widthM, atM: high && !low ? Math.round((far - widthM) * 100) / 100 : bed.atM }
  })
  return next.some((b, i) => b !== design.shape.beds[i]) ? next : null
}

/** Beds along the house end a way before the end that a door is in, so that paths between them meet. */
const headPath: Opener = design => {
  const { shape, aim, skin } = design
  const wayM = (aim.practical.wheelchair ? WHEELCHAIR_M : SHOULDERS_M) + EASY_M
  const outline = makeOutline(shape)
  const atEast = laidLeaves(design, outline)
    .filter(({ index }) => openingKind(skin.openings[index]!).traffic(skin.openings[index]!) !== null)
    .map(({ part, rect, planes }) =>
      part === 'eastEnd' ? true : part === 'westEnd' ? false : yOf(planes[0]!, rect.u0) > shape.lengthM / 2,
    )
  const boxes = roomObjects(design).filter(o => o.kind === 'bed')
  const next = shape.beds.map((bed, i): Bed => {
    if (!('offsetM' in bed)) return bed
    const { y0, y1 } = boxes[i]!
    const [from, to] = [
      atEast.includes(false) ? Math.max(y0, wayM) : y0,
      atEast.includes(true) ? Math.min(y1, shape.lengthM - wayM) : y1,
    ]
    if (to - from < 0.6 || (from === y0 && to === y1)) return bed
    return { ...bed, lengthM: Math.floor((to - from) * 100) / 100, offsetM: cm((from + to - shape.lengthM) / 2) } as Bed
  })
  return next.some((b, i) => b !== shape.beds[i]) ? next : null
}
const yOf = (
  { origin, across }: { origin: readonly [number, number, number]; across: readonly [number, number, number] },
  u: number,
) => origin[1] + u * across[1]

/** Beds are drawn in on their side towards the back, so far that what stands there leaves a way. */
const wider: Opener = design => {
  const { shape, aim } = design
  const wayM = aim.practical.wheelchair ? WHEELCHAIR_M : SHOULDERS_M
  const things = inPieces(roomObjects(design)).filter(t => t.kind !== 'bench')
  const next = shape.beds.map((bed, i): Bed => {
    if (bed.kind !== 'bed') return bed
    const far = bed.atM + bed.widthM
    const gaps = things.filter(t => !(t.kind === 'bed' && t.index === i) && t.x0 >= far - 0.01).map(t => t.x0 - far)
    const gap = Math.min(Infinity, ...gaps)
    if (gap >= wayM || gap < 0.1 || bed.widthM - (wayM - gap) < 0.3) return bed
    return { ...bed, widthM: Math.floor((bed.widthM - (wayM - gap)) * 100) / 100 }
  })
  return next.some((b, i) => b !== shape.beds[i]) ? next : null
}

const OPENERS: readonly Opener[] = [withinReach, headPath, wider]

/**
 * A house with ways laid to what nobody got to, its beds drawn in as little as that takes; the house itself where all
 * is reached, or where nothing helps. What stands in it stands.
 */
export function withWays(design: Design): Design {
  let best = design
  let access = accessOf(design)
  for (let turn = 0; turn < OPENERS.length && hindrances(access) > 0; turn++) {
    const tries = OPENERS.flatMap(opener => {
      const beds = opener(best, access)
      if (!beds) return []
      const house: Design = { ...best, shape: { ...best.shape, beds: [...beds] } }
      return misfits(house).length > misfits(best).length ? [] : [{ house, access: accessOf(house) }]
    })
    const found = tries.sort((a, b) => hindrances(a.access) - hindrances(b.access))[0]
    if (!found || hindrances(found.access) > hindrances(access)) break
    best = found.house
    access = found.access
  }
  return hindrances(access) < hindrances(accessOf(design)) ? best : design
}
