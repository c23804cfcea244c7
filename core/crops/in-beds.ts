import type { Design } from '../design/types'
import { bedName } from '../design/words'
import { standsOnM2 } from '../geometry/objects'
import { makeBuilding } from '../geometry/surfaces'
import { weeksTo, type CropRow, type Sowing } from './calendar'
import { WEEKS } from './weeks'

/** A crop that fits into the weeks in which a bed is free. */
export interface Follower {
  row: CropRow
  sowing: Sowing
  /** Its last week in the bed: the bed is wanted then, or it is over. */
  until: number
  /** Weeks of harvest that it brings there. */
  harvestWeeks: number
}

/** A bed, what is planned to grow on it, and what can come after. */
export interface BedYear {
  name: string
  areaM2: number
  row: CropRow | null
  /** What is to come after it. */
  second: CropRow | null
  /** Each planned sowing of its crop, and what follows: its second crop where that fits, else what may. */
  sowings: { sowing: Sowing; then: Follower[] }[]
}

/** Of what may follow in a bed so many are told. */
const TOLD = 2

/** The beds of a house by their year. */
export function bedYears(design: Design, rows: readonly CropRow[]): BedYear[] {
  const { objects } = makeBuilding(design)
  return design.shape.beds.map((bed, i) => {
    const rowOf = (id: string | null) => rows.find(r => r.id === id) ?? null
    const [row, second] = [rowOf(bed.crop), rowOf(bed.thenCrop)]
    const own = row?.planned ?? []
    return {
      name: bedName(design.shape.beds, i),
      areaM2: objects.filter(o => o.kind === 'bed' && o.index === i).reduce((sum, o) => sum + standsOnM2(o), 0),
      row,
      second,
      sowings: own.map((sowing, k) => {
        const next = own[(k + 1) % own.length]!
        return { sowing, then: followers(sowing, next.planted, second ? [second] : rows, row!) }
      }),
    }
  })
}

/** What fits between the end of one sowing and the day on which the next is planted. */
function followers(before: Sowing, nextPlanted: number, rows: readonly CropRow[], own: CropRow): Follower[] {
  const free = (before.sown + before.endAfter) % WEEKS
  const stands = weeksTo(before.planted, free)
  const room = weeksTo(before.planted, nextPlanted) || WEEKS
  if (stands >= room) return []
  const gap = room - stands
  return rows
    .filter(r => !r.perennial && r !== own)
    .flatMap(row => {
      const fits = row.sowings.flatMap((s): Follower[] => {
        if (!s) return []
        const starts = weeksTo(free, s.planted)
        // Weeks from when the bed is free to its first harvest, and to its end.
        const out = s.endAfter - weeksTo(s.sown, s.planted)
        const first = starts + s.firstAfter - weeksTo(s.sown, s.planted)
        const end = Math.min(gap, starts + out)
        return starts < gap && first < end
          ? [{ row, sowing: s, until: (free + end - 1) % WEEKS, harvestWeeks: end - first }]
          : []
      })
      return fits.length > 0 ? [fits.reduce((a, b) => (b.harvestWeeks > a.harvestWeeks ? b : a))] : []
    })
    .sort((a, b) => b.harvestWeeks - a.harvestWeeks)
    .slice(0, TOLD)
}

/**
 * Area of the beds by crop, m², the largest first: a bed counts for each of its two; beds with none of the chosen crops
 * stand under an empty name.
 */
export function areaByCrop(beds: readonly BedYear[]): { name: string; areaM2: number }[] {
  const areas = new Map<string, number>()
  for (const { row, second, areaM2 } of beds)
    for (const name of new Set([row?.name ?? '', second?.name ?? row?.name ?? '']))
      areas.set(name, (areas.get(name) ?? 0) + areaM2)
  return [...areas].map(([name, areaM2]) => ({ name, areaM2 })).sort((a, b) => b.areaM2 - a.areaM2)
}
