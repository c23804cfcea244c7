import { fusionOf, type Material } from '../catalog'
import { footprintM2, isRectangle, rectangleOf, sharedPiece, sidesOf, type Footprint } from '../geometry/footprint'

const { max, min } = Math

/** Cells from the floor down, m. */
const ROWS = [0.05, 0.08, 0.12, 0.2, 0.3, 0.45, 0.7, 1.1, 1.8, 3, 5]
/** Rows near enough to the floor to feel the hour; those below go by steps of an hour, explicitly. */
export const NEAR_ROWS = 4
/** Columns of ground beside the building, from its wall outwards, m. */
const OUTSIDE_COLUMNS = [0.2, 0.35, 0.6, 1.1, 2, 3.6, 6.5]
/** Columns under the floor are no wider than this beside a wall, and than this further in, m. */
const EDGE_COLUMN = 0.4
const INNER_COLUMN = 1.3
const NARROWEST = 0.12
/** Rows beside a sunk wall, m, at most. */
const SUNK_ROW = 0.3
/** A floor that lies less than this below the ground outside, by the mean, has no sunk walls, m. */
export const LEAST_SUNK_M = 0.02

/** What the ground slice is cut from: the section and what is buried at its edge. */
export interface GroundInput {
  /** The floor, and what of it each bed takes, m. */
  floor: Footprint
  beds: readonly (readonly Footprint[])[]
  /** The strip of it that is path where that is made otherwise than the rest, m from the sunny wall. */
  path: { x0: number; x1: number } | null
  /** Length round the floor towards open ground, m: the slice's edges stand for it. */
  perimeterM: number
  /** Whether a heated house stands along its pole side: no heat goes out there. */
  againstHouse: boolean
  sunkM: number
  soil: Pick<Material, 'conductivity' | 'density' | 'specificHeat' | 'id'>
  /** Board down the foundation: resistance m²K/W and foot below the ground outside, m. */
  edge: { resistance: number; depthM: number }
  /** Board sloping outwards in the ground: resistance and width, m. It lies about a hand below the surface. */
  skirt: { resistance: number; widthM: number }
  /** Thickness of the walls that part the floor from the ground outside, m. */
  wallM: number
}

/** A column of ground under the floor. */
export interface FloorColumn {
  x0: number
  x1: number
  areaM2: number
  /** Of the perimeter, what is at its edge, 0–1. */
  edgeShare: number
}

/** What lies on a column: a bed, the path, or the rest of the floor. */
export interface FloorTop {
  /** The column, by its place among them. */
  column: number
  /** Which bed stands on it; −1 for none. */
  bed: number
  path: boolean
  areaM2: number
}

/**
 * Ground as finite volumes in the plane of the section: columns under the floor and, folded into one, beside both
 * walls. Rows run down from the floor;
 * columns outside begin higher where the floor is sunk. Nothing passes the far side or the foot, which lie beyond the
 * year's reach.
 */
export interface GroundSlice {
  floor: FloorColumn[]
  /** What lies on the columns; column by column. */
  tops: FloorTop[]
  /** Heights of the rows below the floor, and of the rows beside a sunk wall from the surface down, m. */
  rowsM: number[]
  sunkRowsM: number[]
  outsideWidthsM: number[]
  /** Depth of each outside row's middle below the ground outside, m. */
  depthM: number[]
  /** Heat capacity of floor cells `[column * rows + row]` and of outside cells `[row * columns + column]`, J/K. */
  floorCapacity: Float64Array
  outsideCapacity: Float64Array
  /** Downwards to the next row, W/K; last of each column 0. */
  floorDown: Float64Array
  outsideDown: Float64Array
  /** To the next column, W/K: `[column * rows + row]`, last column 0; outside alike. */
  floorAcross: Float64Array
  outsideAcross: Float64Array
  /** From the edge of the floor to the first outside column, by row, W/K: each column has its share. */
  edge: Float64Array
  /** From the surface to the top outside cells without film or snow, W/K by outside column. */
  surfaceArea: Float64Array
  surfaceHalf: Float64Array
  /** From the outer face of a sunk wall to the outside cells of the sunk rows, W/K. */
  wall: Float64Array
  diffusivity: number
  /** Heat of its freezing water over its heat capacity, K. */
  fusionK: number
  /**
   * Steady flow from a room at one temperature to the air outside, W/K.
   * @param cover conductance from the room to the top cell of each floor column, W/K
   * @param wall conductance from the room to the outer face of the sunk walls, W/K
   */
  steady: (cover: readonly number[], wall: number) => number
}

/** Cuts the ground of a building. Lengths above 0; resistances 0 or more. */
export function makeGroundSlice(input: GroundInput): GroundSlice {
  const { perimeterM, sunkM, soil } = input
  const k = soil.conductivity
  const c = soil.density * soil.specificHeat
  const floor = cutFloor(input)
  const tops = topsOn(floor, input)
  const rows = ROWS.length
  const sunkCount = sunkM > LEAST_SUNK_M ? max(1, Math.ceil(sunkM / SUNK_ROW)) : 0
  const sunkRowsM = Array.from({ length: sunkCount }, () => sunkM / sunkCount)
  const outRowsM = [...sunkRowsM, ...ROWS]
  const depthM: number[] = []
  let top = 0
  for (const dz of outRowsM) {
    depthM.push(top + dz / 2)
    top += dz
  }
  const nOut = outRowsM.length
  const columns = OUTSIDE_COLUMNS.length
  const slice: GroundSlice = {
    floor,
    tops,
    rowsM: ROWS,
    sunkRowsM,
    outsideWidthsM: OUTSIDE_COLUMNS,
    depthM,
    floorCapacity: new Float64Array(floor.length * rows),
    outsideCapacity: new Float64Array(OUTSIDE_COLUMNS.length * nOut),
    floorDown: new Float64Array(floor.length * rows),
    outsideDown: new Float64Array(OUTSIDE_COLUMNS.length * nOut),
    floorAcross: new Float64Array(floor.length * rows),
    outsideAcross: new Float64Array(OUTSIDE_COLUMNS.length * nOut),
    edge: new Float64Array(rows),
    surfaceArea: Float64Array.from(OUTSIDE_COLUMNS, w => w * perimeterM),
    surfaceHalf: new Float64Array(OUTSIDE_COLUMNS.length),
    wall: new Float64Array(sunkCount),
    diffusivity: k / c,
    fusionK: fusionOf(soil.id) / c,
    steady: (cover, wall) => steadyFlow(slice, cover, wall),
  }
  floor.forEach((col, i) => {
    const next = floor[i + 1]
    for (let r = 0; r < rows; r++) {
      const dz = ROWS[r]!
      slice.floorCapacity[i * rows + r] = col.areaM2 * dz * c
      if (r + 1 < rows) slice.floorDown[i * rows + r] = (col.areaM2 * k) / ((dz + ROWS[r + 1]!) / 2)
      if (next) slice.floorAcross[i * rows + r] = (alongBetween(col, next) * dz * k) / ((next.x1 - col.x0) / 2)
    }
  })
  // The board stands in the plane of the wall; a row that it ends in is parted by depth.
  const boarded = (from: number, dz: number) => min(1, max(0, (input.edge.depthM - from) / dz))
  const first = floor[0]!
  const last = floor[floor.length - 1]!
  const inner = input.againstHouse ? (first.x1 - first.x0) / 2 : (first.x1 - first.x0 + (last.x1 - last.x0)) / 4
  for (let r = 0; r < rows; r++) {
    const dz = ROWS[r]!
    const path = (inner + input.wallM + OUTSIDE_COLUMNS[0]! / 2) / k
    const from = depthM[sunkCount + r]! - dz / 2
    const share = boarded(from, dz)
    slice.edge[r] = perimeterM * dz * ((1 - share) / path + share / (path + input.edge.resistance))
  }
  let skirted = 0
  OUTSIDE_COLUMNS.forEach((w, j) => {
    const area = w * perimeterM
    slice.surfaceHalf[j] = (area * k) / (outRowsM[0]! / 2)
    const under = min(1, max(0, (input.skirt.widthM - skirted) / w))
    skirted += w
    for (let r = 0; r < nOut; r++) {
      const dz = outRowsM[r]!
      slice.outsideCapacity[r * columns + j] = area * dz * c
      if (r + 1 < nOut) {
        const path = (dz + outRowsM[r + 1]!) / 2 / k
        // The skirt lies between the rows that meet nearest to 0.25 m down.
        const here = r === skirtRow(depthM, outRowsM) ? under : 0
        slice.outsideDown[r * columns + j] = area * ((1 - here) / path + here / (path + input.skirt.resistance))
      }
      if (j + 1 < OUTSIDE_COLUMNS.length)
        slice.outsideAcross[r * columns + j] = (perimeterM * dz * k) / ((w + OUTSIDE_COLUMNS[j + 1]!) / 2)
    }
  })
  for (let r = 0; r < sunkCount; r++) {
    const dz = sunkRowsM[r]!
    const share = boarded(depthM[r]! - dz / 2, dz)
    const path = OUTSIDE_COLUMNS[0]! / 2 / k
    slice.wall[r] = perimeterM * dz * ((1 - share) / path + share / (path + input.edge.resistance))
  }
  return slice
}

/** Film between the ground outside and the air, m²K/W. */
export const SURFACE_FILM = 0.06

/** Relaxes the slice with the room at 1 and the air outside at 0 until nothing moves. */
function steadyFlow(s: GroundSlice, cover: readonly number[], wall: number): number {
  const rows = s.rowsM.length
  const sunk = s.sunkRowsM.length
  const nOut = sunk + rows
  const floor = new Float64Array(s.floor.length * rows).fill(0.5)
  const columns = s.outsideWidthsM.length
  const out = new Float64Array(columns * nOut)
  const last = s.floor.length - 1
  const wallSum = s.wall.reduce((a, b) => a + b, 0)
  const surface = s.surfaceArea.map((a, j) => 1 / (SURFACE_FILM / a + 1 / s.surfaceHalf[j]!))
  let face = 0.5
  for (let turn = 0; turn < 20000; turn++) {
    let moved = 0
    const settle = (cells: Float64Array, i: number, top: number, g: number) => {
      const next = cells[i]! + 1.7 * (top / g - cells[i]!)
      moved = max(moved, Math.abs(next - cells[i]!))
      cells[i] = next
    }
    for (let i = 0; i < s.floor.length; i++) {
      for (let r = 0; r < rows; r++) {
        const at = i * rows + r
        const up = r === 0 ? cover[i]! : s.floorDown[at - 1]!
        let g = up + s.floorDown[at]!
        let sum = up * (r === 0 ? 1 : floor[at - 1]!) + (r + 1 < rows ? s.floorDown[at]! * floor[at + 1]! : 0)
        if (i < last) {
          g += s.floorAcross[at]!
          sum += s.floorAcross[at]! * floor[at + rows]!
        }
        if (i > 0) {
          g += s.floorAcross[at - rows]!
          sum += s.floorAcross[at - rows]! * floor[at - rows]!
        }
        const sides = s.floor[i]!.edgeShare * s.edge[r]!
        g += sides
        sum += sides * out[(sunk + r) * columns]!
        settle(floor, at, sum, g)
      }
    }
    for (let j = 0; j < columns; j++) {
      for (let r = 0; r < nOut; r++) {
        const at = r * columns + j
        let g = s.outsideDown[at]! + (r === 0 ? surface[j]! : s.outsideDown[at - columns]!)
        let sum =
          (r + 1 < nOut ? s.outsideDown[at]! * out[at + columns]! : 0) +
          (r > 0 ? s.outsideDown[at - columns]! * out[at - columns]! : 0)
        g += s.outsideAcross[at]!
        if (j + 1 < columns) sum += s.outsideAcross[at]! * out[at + 1]!
        if (j > 0) {
          g += s.outsideAcross[at - 1]!
          sum += s.outsideAcross[at - 1]! * out[at - 1]!
        } else if (r >= sunk) {
          g += s.edge[r - sunk]!
          for (let i = 0; i <= last; i++) sum += s.edge[r - sunk]! * s.floor[i]!.edgeShare * floor[i * rows + r - sunk]!
        } else {
          g += s.wall[r]!
          sum += s.wall[r]! * face
        }
        settle(out, at, sum, g)
      }
    }
    if (wallSum > 0) {
      let sum = wall
      for (let r = 0; r < sunk; r++) sum += s.wall[r]! * out[r * columns]!
      face = sum / (wall + wallSum)
    }
    if (moved < 1e-6) break
  }
  let flow = wall * (wallSum > 0 ? 1 - face : 0)
  for (let i = 0; i < s.floor.length; i++) flow += cover[i]! * (1 - floor[i * rows]!)
  return flow
}

function skirtRow(depthM: readonly number[], rows: readonly number[]): number {
  let best = 0
  for (let r = 0; r + 1 < rows.length; r++)
    if (Math.abs(depthM[r]! + rows[r]! / 2 - 0.25) < Math.abs(depthM[best]! + rows[best]! / 2 - 0.25)) best = r
  return best
}

/** How long two neighbouring columns are where they meet, m: the mean of both. */
const alongBetween = (a: FloorColumn, b: FloorColumn) => (a.areaM2 / (a.x1 - a.x0) + b.areaM2 / (b.x1 - b.x0)) / 2

/** Columns of floor: broken where beds begin and end, fine beside the walls. */
function cutFloor({ floor, beds, path, againstHouse }: GroundInput): FloorColumn[] {
  const widthM = Math.max(...floor.map(([x]) => x))
  // Where a bed's side runs along the house, the floor changes for all of its length.
  const breaks = beds.flatMap(pieces => pieces.filter(isRectangle).map(p => [p[0]![0], p[1]![0]] as const))
  const marks = [...breaks, ...(path ? [[path.x0, path.x1] as const] : [])].flat().sort((a, b) => a - b)
  const ends = [0]
  for (const x of marks) if (x - ends.at(-1)! >= NARROWEST && widthM - x >= NARROWEST) ends.push(x)
  ends.push(widthM)
  const at = ends.slice(1).flatMap((x1, i) => {
    const x0 = ends[i]!
    const wide = x1 - x0 > 2 * EDGE_COLUMN
    const inner: number[] = i === 0 && wide ? [x0, x0 + EDGE_COLUMN] : [x0]
    const tail = i + 2 === ends.length && wide ? x1 - EDGE_COLUMN : x1
    const from = inner.at(-1)!
    const pieces = max(1, Math.ceil((tail - from) / INNER_COLUMN))
    for (let k = 1; k < pieces; k++) inner.push(from + ((tail - from) * k) / pieces)
    return tail < x1 ? [...inner, tail] : inner
  })
  const bounds = [...at, widthM]
  const perimeterM = sidesOf(floor).reduce((sum, [a, b]) => sum + Math.hypot(b[0] - a[0], b[1] - a[1]), 0)
  return at.map((x0, i): FloorColumn => {
    const x1 = bounds[i + 1]!
    const areaM2 = footprintM2(sharedPiece(floor, stripOf(floor, x0, x1)))
    // Half of the edge is on each side; all of it on the sunny one where a house stands along the other.
    const atPole = againstHouse ? 0 : 0.5
    const ended = (i === 0 ? 1 - atPole : 0) + (i + 1 === at.length ? atPole : 0)
    return { x0, x1, areaM2, edgeShare: isRectangle(floor) ? ended : edgeWithin(floor, x0, x1) / perimeterM }
  })
}

/** A strip across a floor, as long as it. */
function stripOf(floor: Footprint, x0: number, x1: number): Footprint {
  const ys = floor.map(([, y]) => y)
  return rectangleOf(x0, x1, min(...ys), max(...ys))
}

/** How much of the length round a floor lies between two places across it, m. */
const edgeWithin = (floor: Footprint, x0: number, x1: number): number =>
  sidesOf(floor).reduce((sum, [a, b]) => {
    const [low, high] = [min(a[0], b[0]), max(a[0], b[0])]
    const long = Math.hypot(b[0] - a[0], b[1] - a[1])
    // A side that runs along the house lies at the outer edge of the first or the last column.
    if (high - low < 1e-9) return low >= x0 - 1e-9 && low <= x1 + 1e-9 ? sum + long : sum
    return sum + (long * max(0, min(x1, high) - max(x0, low))) / (high - low)
  }, 0)

/** Less of a column than this share goes with the rest of it. */
const LEAST_TOP = 1e-3

/** What lies on each column: beds by what they take of it, and of what they leave path and floor. */
function topsOn(columns: readonly FloorColumn[], { floor, beds, path }: GroundInput): FloorTop[] {
  return columns.flatMap(({ x0, x1, areaM2 }, column) => {
    const within = (from: number, to: number) => (to > from ? stripOf(floor, from, to) : [])
    const strip = within(x0, x1)
    const taken = (strip: Footprint) =>
      beds.map(pieces => pieces.reduce((sum, p) => sum + footprintM2(sharedPiece(p, strip)), 0))
    const onBeds = taken(strip).flatMap((m2, bed): FloorTop[] =>
      m2 > LEAST_TOP * areaM2 ? [{ column, bed, path: false, areaM2: m2 }] : [],
    )
    const way = path ? within(max(x0, path.x0), min(x1, path.x1)) : []
    const pathM2 = way.length > 0 ? footprintM2(sharedPiece(floor, way)) - taken(way).reduce((a, b) => a + b, 0) : 0
    const restM2 = areaM2 - onBeds.reduce((sum, t) => sum + t.areaM2, 0) - pathM2
    const free = [
      { path: true, areaM2: pathM2 },
      { path: false, areaM2: restM2 },
    ].filter(t => t.areaM2 > LEAST_TOP * areaM2)
    const tops = [...onBeds, ...free.map((t): FloorTop => ({ column, bed: -1, ...t }))]
    // What was left out of slivers goes with the rest, so that the column is whole.
    const whole = areaM2 / tops.reduce((sum, t) => sum + t.areaM2, 0)
    return tops.map(t => ({ ...t, areaM2: t.areaM2 * whole }))
  })
}
