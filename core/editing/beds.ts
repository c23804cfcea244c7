import { cm } from '../beds/common'
import type { Bed, BedAlong, Design, Source } from '../design'
import { misfits } from '../geometry/fit'
import { roomObjects } from '../geometry/objects'
import type { Patch } from './edit'

/** A way across between two beds, m. */
const CROSS_M = 0.5
/** What is left of a bed on either side is no shorter, m. */
const LEAST_M = 0.4

/** A bed along the house from one place to another, m from the west end. */
const between = (bed: BedAlong, from: number, to: number, lengthM: number): BedAlong => ({
  ...bed,
  lengthM: cm(to - from),
  offsetM: Math.round((from + to - lengthM) * 500) / 1000,
})

/** A bed along the house from one place of it to another, m from the west end. */
export const lengthened = ({ shape }: Design, index: number, from: number, to: number): BedAlong =>
  between(shape.beds[index] as BedAlong, from, to, shape.lengthM)

/**
 * A bed along the house in two with a gap in its middle: wide enough to walk through, or none where they are to touch.
 * Null where it is too short for that, or no bed along the house, or there are as many beds as there can be.
 */
export function bedInTwo(design: Design, index: number, mostBeds: number, gapM = CROSS_M): Patch[] | null {
  const bed = design.shape.beds[index]
  const box = roomObjects(design).find(o => o.kind === 'bed' && o.index === index)
  if (bed?.kind !== 'bed' || !box || box.y1 - box.y0 < 2 * LEAST_M + gapM || design.shape.beds.length >= mostBeds)
    return null
  const middle = (box.y0 + box.y1) / 2
  const { lengthM } = design.shape
  const first = between(bed, box.y0, middle - gapM / 2, lengthM)
  const second = between(bed, middle + gapM / 2, box.y1, lengthM)
  // The new one comes last: what is written of the others by their numbers stays theirs.
  return [['shape.beds', [...design.shape.beds.map((b, i): Bed => (i === index ? first : b)), second]]]
}

/**
 * Two beds in one row as one, with what lies between them: a bed along the house and the one that lies on in its row.
 * Null where there is none, or something stands between them.
 */
export function bedsJoined(design: Design, index: number): Patch[] | null {
  const { beds, lengthM } = design.shape
  const bed = beds[index]
  if (bed?.kind !== 'bed') return null
  const boxes = roomObjects(design).filter(o => o.kind === 'bed')
  const inRow = beds.flatMap((b, i) =>
    i !== index && b.kind === 'bed' && Math.abs(b.atM - bed.atM) < 0.01 && Math.abs(b.widthM - bed.widthM) < 0.01
      ? [i]
      : [],
  )
  const gap = (i: number) => Math.max(boxes[i]!.y0 - boxes[index]!.y1, boxes[index]!.y0 - boxes[i]!.y1)
  const next = inRow.sort((a, b) => gap(a) - gap(b))[0]
  if (next === undefined) return null
  const [a, b] = [boxes[index]!, boxes[next]!]
  const whole = between(bed, Math.min(a.y0, b.y0), Math.max(a.y1, b.y1), lengthM)
  const joined = beds.map((o, i) => (i === index ? whole : o)).filter((_, i) => i !== next)
  const house = { ...design, shape: { ...design.shape, beds: joined } }
  return misfits(house).length > misfits(design).length
    ? null
    : [['shape.beds', joined], ...loopsAfter(design, next, index)]
}

/** Edits that take a bed out; loops and the row cover keep to their beds, and what lay in it alone rests. */
export const withoutBed = (design: Design, index: number): Patch[] => [
  ['shape.beds', design.shape.beds.filter((_, i) => i !== index)],
  ...loopsAfter(design, index, null),
]

/** Loops and the row cover by the numbers that beds have once one is gone, or has become a part of another. */
function loopsAfter({ topUp, breathe }: Design, gone: number, into: number | null): Patch[] {
  const now = (i: number) => (i > gone ? i - 1 : i)
  const sources = topUp.sources.map((s): Source => {
    if (!('inBeds' in s) || s.inBeds.every(i => i < gone)) return s
    const kept = s.inBeds.flatMap(i => (i === gone ? (into ?? []) : i)).map(now)
    return { ...s, inBeds: [...new Set(kept)], on: s.on && kept.length > 0 }
  })
  const { rowCover } = breathe
  const covered = rowCover.inBeds.flatMap(i => (i === gone ? (into ?? []) : i)).map(now)
  // A sheet that lay over the one alone lies over none; an empty list would be all.
  const on = rowCover.on && (rowCover.inBeds.length === 0 || covered.length > 0)
  return [
    ...(sources.some((s, i) => s !== topUp.sources[i]) ? ([['topUp.sources', sources]] as Patch[]) : []),
    ...(rowCover.inBeds.some(i => i >= gone)
      ? ([['breathe.rowCover', { ...rowCover, on, inBeds: [...new Set(covered)] }]] as Patch[])
      : []),
  ]
}
