import { kindOf } from '../bodies/registry'
import { entry, MATERIALS } from '../catalog'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import { NEAR_ROWS, type GroundSlice } from '../ground/slice'
import { AIR_SPECIFIC_HEAT } from '../physics/constants'
import type { Chain } from './chains'
import type { Exchanger } from './exchangers'
import type { GroundCell, Links, NetworkModel } from './model'

/** A pair of cells is slow when its smaller one would need longer than this to follow the other, s. */
const SLOW_S = 60 * 3600

/** What links are laid between: the ground's cells, and the chains' first ones. */
interface Laid {
  slice: GroundSlice
  chains: readonly Chain[]
  offset: Int32Array
  groundCell: GroundCell
  /** Adds a link between two cells, W/K; none where nothing passes. */
  link: (a: number, b: number, g: number) => void
}

/** Cells that pass heat sideways: in the ground, from bodies into it, from the sides of beds, and round the floor. */
export function makeLinks(
  design: Design,
  building: Building,
  chains: readonly Chain[],
  slice: GroundSlice,
  offset: Int32Array,
  groundCell: GroundCell,
  capacity: Float64Array,
): Pick<NetworkModel, 'quick' | 'slow'> {
  const found: Link[] = []
  const laid = (edge: boolean): Laid => ({
    slice,
    chains,
    offset,
    groundCell,
    link: (a, b, g) => {
      if (g > 0) found.push({ a, b, g, edge })
    },
  })
  const columns = topsByColumn(slice)
  const inside = laid(false)
  linkFloor(inside, columns)
  linkOutside(inside)
  linkBodies(inside, columns, design, building)
  linkBedSides(inside, design)
  linkEdge(laid(true))
  return { quick: packed(found, capacity, false), slow: packed(found, capacity, true) }
}

interface Link {
  a: number
  b: number
  g: number
  edge: boolean
}

/** Links whose smaller cell follows quickly, or slowly; those to the ground outside come last. */
function packed(found: readonly Link[], capacity: Float64Array, slow: boolean): Links {
  const some = found
    .filter(l => Math.min(capacity[l.a]!, capacity[l.b]!) / l.g > SLOW_S === slow)
    .sort((p, q) => Number(p.edge) - Number(q.edge))
  return {
    a: Int32Array.from(some, l => l.a),
    b: Int32Array.from(some, l => l.b),
    g: Float64Array.from(some, l => l.g),
    edgeFrom: some.filter(l => !l.edge).length,
  }
}

/** By column of the floor, what lies on it. */
const topsByColumn = (slice: GroundSlice): number[][] =>
  slice.floor.map((_, column) => [...slice.tops.keys()].filter(t => slice.tops[t]!.column === column))

/** Of its column, what a top takes. */
const shareOf = (slice: GroundSlice, t: number): number =>
  slice.tops[t]!.areaM2 / slice.floor[slice.tops[t]!.column]!.areaM2

/** The ground under the floor: from column to column, and down where the rows are not of the chains. */
function linkFloor({ slice, groundCell, link }: Laid, columns: readonly number[][]): void {
  const rows = slice.rowsM.length
  columns.forEach((tops, i) => {
    const [first] = tops
    const next = columns[i + 1]
    for (let r = 0; r < rows; r++) {
      const across = slice.floorAcross[i * rows + r]!
      if (next && r >= NEAR_ROWS) link(groundCell(first!, r), groundCell(next[0]!, r), across)
      // Where several lie on a column, each meets its neighbours by their shares.
      else if (next)
        for (const a of tops)
          for (const b of next) link(groundCell(a, r), groundCell(b, r), across * shareOf(slice, a) * shareOf(slice, b))
      const down = slice.floorDown[i * rows + r]!
      if (r >= NEAR_ROWS && r + 1 < rows) link(groundCell(first!, r), groundCell(first!, r + 1), down)
      else if (r === NEAR_ROWS - 1)
        for (const t of tops) link(groundCell(t, r), groundCell(t, r + 1), down * shareOf(slice, t))
    }
  })
}

/** The ground outside, from column to column. */
function linkOutside({ slice, chains, offset, link }: Laid): void {
  const columns = slice.outsideWidthsM.length
  const first = offset[chains.length]!
  for (let r = 0; r < slice.depthM.length; r++)
    for (let j = 0; j + 1 < columns; j++)
      link(first + r * columns + j, first + r * columns + j + 1, slice.outsideAcross[r * columns + j]!)
}

/** Standing water warms the soil that it stands on or in. */
function linkBodies(
  { slice, chains, offset, groundCell, link }: Laid,
  columns: readonly number[][],
  design: Design,
  building: Building,
): void {
  const rows = slice.rowsM.length
  const under = (x: number) => {
    const column = Math.max(
      0,
      slice.floor.findIndex(c => x >= c.x0 && x <= c.x1),
    )
    const free = columns[column]!.filter(t => slice.tops[t]!.bed < 0)
    return free.length > 0 ? free : columns[column]!
  }
  design.store.bodies.forEach((body, index) => {
    const o = building.objects.find(x => x.kind === 'body' && x.index === index)!
    const tie = kindOf(body).underfoot(body, o)
    const chain = chains.findIndex(c => c.body === index)
    if (!tie) return
    let row = 0
    let top = 0
    while (row + 1 < rows && top + slice.rowsM[row]! < tie.depthM) top += slice.rowsM[row++]!
    const tops = under((o.x0 + o.x1) / 2)
    const whole = tops.reduce((sum, t) => sum + shareOf(slice, t), 0)
    for (const t of tops) link(offset[chain]!, groundCell(t, row), (tie.conductance * shareOf(slice, t)) / whole)
  })
}

/** The soil at a bed's side goes on into the bed behind it. */
function linkBedSides({ chains, offset, link }: Laid, { shape }: Design): void {
  chains.forEach((side, i) => {
    if (side.sideOf < 0) return
    const bed = shape.beds[side.sideOf]!
    const middles = chains.flatMap((c, k) =>
      c.bedIndex === side.sideOf ? [{ middle: offset[k]! + c.midCell, areaM2: c.areaM2 }] : [],
    )
    const areaM2 = middles.reduce((sum, c) => sum + c.areaM2, 0)
    const g = (entry(MATERIALS, bed.fill).conductivity * side.areaM2) / (bed.widthM / 4)
    for (const c of middles) link(offset[i]!, c.middle, (g * c.areaM2) / areaM2)
  })
}

/** From the edges of the floor to the ground outside. */
function linkEdge({ slice, chains, offset, groundCell, link }: Laid): void {
  const columns = slice.outsideWidthsM.length
  const sunk = slice.sunkRowsM.length
  const first = offset[chains.length]!
  slice.tops.forEach((top, t) => {
    const share = slice.floor[top.column]!.edgeShare * shareOf(slice, t)
    for (let r = 0; r < slice.rowsM.length; r++)
      link(groundCell(t, r), first + (sunk + r) * columns, slice.edge[r]! * share)
  })
}

/**
 * Lagged fluxes tighten the stability limit: they count as so much more. By itself such a swing fades while
 * a block is shorter than the cell needs.
 */
const LATE = 1.5

/** Time that the quickest of the cells needs to follow what reaches it block by block, s. */
export function followTime(
  capacity: Float64Array,
  links: readonly Links[],
  buried: NetworkModel['buried'],
  exchangers: readonly Exchanger[],
): number {
  const sum = new Float64Array(capacity.length)
  for (const { a, b, g } of links) {
    g.forEach((w, l) => {
      sum[a[l]!]! += w
      sum[b[l]!]! += w
    })
  }
  buried.g.forEach((w, r) => {
    sum[buried.cell[r]!]! += LATE * w
  })
  for (const e of exchangers)
    e.cells.forEach((cell, k) => {
      sum[cell]! +=
        LATE * e.weights[k]! * (e.as === 'rock' ? e.toGround : e.massFlow * AIR_SPECIFIC_HEAT * e.effectiveness)
    })
  return sum.reduce((least, g, i) => (g > 0 ? Math.min(least, capacity[i]! / g) : least), Infinity)
}
