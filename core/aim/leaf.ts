import { CROPS } from '../catalog'
import type { Bed, CropMonth, Design } from '../design/types'

/** Share of its full leaf that a crop stands with in a month in which that is asked of it. */
const STANDS: Record<CropMonth, number> = { 'grow': 1, 'hold': 0.7, '': 0 }
/** Less leaf over a bed is none: a body next to nothing is none to the network. */
const LEAST_LEAF = 0.001
/** How high leaves stand on a bed of which no crop is known, m. */
const USUAL_LEAVES_M = 0.4

/**
 * Leaf over bed area through the year, 0–6, January first: a bed's own, in the months in which something is asked of
 * its crop; all year where it has none of the crops that are chosen.
 */
export function leafByMonth({ crops }: Pick<Design['aim'], 'crops'>, bed: Bed): number[] {
  const crop = crops.find(c => c.id === bed.crop)
  const own = bed.leafArea < LEAST_LEAF ? 0 : bed.leafArea
  return Array.from({ length: 12 }, (_, month) => own * (crop ? STANDS[crop.months[month]!] : 1))
}

/** How high leaves stand over the top of a bed, m: as it says, else as its crop grows. */
export const leavesM = (bed: Bed): number => bed.leavesM ?? CROPS.find(c => c.id === bed.crop)?.tallM ?? USUAL_LEAVES_M
