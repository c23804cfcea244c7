import type { Design, Opening } from '../design'
import { laidLeaves, type LaidLeaf } from '../geometry/leaves'
import { openingMisfits } from '../geometry/let-in'
import { makeOutline } from '../geometry/section'
import { along } from '../geometry/vec'
import { openingName } from '../openings/registry'
import type { Patch } from './edit'
import { roundAt } from './place'

/** A place or a width is found to so much, m. */
const GRID_M = 0.05
const LEAST_WIDE_M = 0.1
const mm = (v: number) => Math.round(v * 1000) / 1000
const grid = (v: number) => Math.round(v / GRID_M) * GRID_M

/** An opening that can be taken hold of on the plan: all its leaves, the first and the last at its ends. */
export interface OpeningOnPart {
  /** `opening-0` and so on. */
  id: string
  kind: 'opening'
  index: number
  name: string
  leaves: LaidLeaf[]
  offsetM: number
  /** From one end of it to the other, m. */
  wideM: number
  /** Whether it can be drawn out along its part: each leaf of a row by as much. */
  stretches: boolean
}

/** The openings of a design that lie somewhere, in the order of the document. */
export function openingsOnParts(design: Pick<Design, 'shape' | 'skin'>): OpeningOnPart[] {
  const { openings } = design.skin
  const laid = laidLeaves(design, makeOutline(design.shape))
  return openings.flatMap((o, index): OpeningOnPart[] => {
    const leaves = laid.filter(l => l.index === index)
    if (leaves.length === 0) return []
    const edges = leaves.flatMap(({ rect }) => [rect.u0, rect.u1])
    return [
      {
        id: `opening-${index}`,
        kind: 'opening',
        index,
        name: openingName(openings, index),
        leaves,
        offsetM: o.offsetM,
        wideM: Math.max(...edges) - Math.min(...edges),
        stretches: design.shape.form !== 'dome' || leaves.length === 1,
      },
    ]
  })
}

/**
 * How far along its part, m, an opening comes by a way on the floor: m towards the back and to the east. In a dome that
 * is along the rim.
 */
export function alongPartOf(design: Design, { leaves }: OpeningOnPart, back: number, east: number): number {
  const { planes, rect } = leaves[0]!
  const plane = planes[0]!
  if (!plane.facet) return back * plane.across[0] + east * plane.across[1]
  const [x, y] = along(plane.origin, (rect.u0 + rect.u1) / 2, plane.across, 0, plane.up)
  const turned = roundAt(design, x + back, y + east) - roundAt(design, x, y)
  const within = ((turned + 540) % 360) - 180
  // Facets are counted from the pole round by the east, places round from the sunny side by the east.
  return (-within / 360) * Math.PI * ((design.shape.lengthM + design.shape.widthM) / 2)
}

/** A row that is moved lies side by side. */
const together = (o: Opening): Opening =>
  'evenly' in o && o.evenly === 'spread' ? ({ ...o, evenly: 'together' } as Opening) : o

const put = (design: Design, index: number, o: Opening): Design => ({
  ...design,
  skin: { ...design.skin, openings: design.skin.openings.map((p, i) => (i === index ? o : p)) },
})

/** The first of some tries, from the furthest back to what is, with which nothing fits worse; as edits. */
function firstThatFits(design: Design, index: number, tries: Iterable<Opening>): Patch[] {
  const before = openingMisfits(design).length
  for (const o of tries)
    if (openingMisfits(put(design, index, o)).length <= before) return [[`skin.openings.${index}`, o]]
  return []
}

/** An opening moved along its part, to as near to a place off the part's middle as it fits. */
export function openingPlaced(design: Design, index: number, offsetM: number): Patch[] {
  const o = design.skin.openings[index]!
  const wanted = grid(offsetM)
  const steps = Math.round(Math.abs(wanted - o.offsetM) / GRID_M)
  function* tries() {
    for (let k = 0; k < steps; k++)
      yield { ...together(o), offsetM: mm(wanted + Math.sign(o.offsetM - wanted) * k * GRID_M) }
  }
  return firstThatFits(design, index, tries())
}

/**
 * An opening drawn out by so much at the end that lies to the east, or on an end towards the back (1), or at its other
 * (−1): as far as it fits. A row shares it among its leaves; one that is spread along its part stays so.
 */
export function openingDrawn(design: Design, index: number, outM: number, end: 1 | -1): Patch[] {
  const o = design.skin.openings[index]!
  const field = 'lengthM' in o ? 'lengthM' : 'widthM'
  const wideM = (o as unknown as Record<string, number>)[field]!
  const count = 'count' in o ? o.count : 1
  const spread = 'evenly' in o && o.evenly === 'spread'
  const wanted = Math.max(LEAST_WIDE_M, grid(wideM + outM / count))
  const steps = Math.round(Math.abs(wanted - wideM) / GRID_M)
  function* tries() {
    for (let k = 0; k < steps; k++) {
      const wide = wanted + Math.sign(wideM - wanted) * k * GRID_M
      const moved = spread ? {} : { offsetM: mm(o.offsetM + (end * count * (wide - wideM)) / 2) }
      yield { ...o, ...moved, [field]: mm(wide) }
    }
  }
  return firstThatFits(design, index, tries())
}
