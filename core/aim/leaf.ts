import { CROPS } from '../catalog'
import type { Bed, CropMonth, Design } from '../design/types'

/** Share of its full leaf that a crop stands with in a month in which that is asked of it. */
const STANDS: Record<CropMonth, number> = { 'grow': 1, 'hold': 0.7, '': 0 }
/** Less leaf over a bed is none: a body next to nothing is none to the network. */
const LEAST_LEAF = 0.001
/** How high leaves stand on a bed of which no crop is known, m. */
const USUAL_LEAVES_M = 0.4

/** What grows in a bed, of the crops there are: its crop, and what comes after it; nothing where it has no crop. */
function growing<T extends { id: string }>(crops: readonly T[], { crop, thenCrop }: Bed): T[] {
  const [first, second] = [crop, thenCrop].map(id => crops.find(c => c.id === id))
  return first ? [first, ...(second ? [second] : [])] : []
}

/**
 * Leaf over bed area through the year, 0–6, January first: a bed's own, in the months in which something is asked of
 * its crop, or else of the one after it; all year where it has none of the crops that are chosen.
 */
export function leafByMonth({ crops }: Pick<Design['aim'], 'crops'>, bed: Bed): number[] {
  const its = growing(crops, bed)
  const own = bed.leafArea < LEAST_LEAF ? 0 : bed.leafArea
  return Array.from({ length: 12 }, (_, month) => {
    const stands = its.map(c => STANDS[c.months[month]!])
    return own * (its.length > 0 ? (stands.find(s => s > 0) ?? 0) : 1)
  })
}

/** How high leaves stand over the top of a bed, m: as it says, else as the taller of its crops grows. */
export function leavesM(bed: Bed): number {
  const its = growing(CROPS, bed)
  return bed.leavesM ?? (its.length > 0 ? Math.max(...its.map(c => c.tallM)) : USUAL_LEAVES_M)
}
