import type { Material } from '../catalog'

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
  /** Inside width of the section and where its floor changes from bed to path and back, m. */
  widthM: number
  /** Stretches of floor that beds take, and the path where it is made otherwise than the rest, m. */
  beds: readonly { x0: number; x1: number }[]
  path: { x0: number; x1: number } | null
  /** Area of floor and length round it: the slice stands for the floor's area, its edges for the perimeter. */
  floorAreaM2: number
  perimeterM: number
  sunkM: number
  soil: Pick<Material, 'conductivity' | 'density' | 'specificHeat'>
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
  /** From the two outermost floor columns to the first outside column, by row, W/K: each gets half. */
  edge: Float64Array
  /** From the surface to the top outside cells without film or snow, W/K by outside column. */
  surfaceArea: Float64Array
  surfaceHalf: Float64Array
  /** From the outer face of a sunk wall to the outside cells of the sunk rows, W/K. */
  wall: Float64Array
  diffusivity: number
  /**
   * Steady flow from a room at one temperature to the air outside, W/K.
   * @param cover conductance from the room to the top cell of each floor column, W/K
   * @param wall conductance from the room to the outer face of the sunk walls, W/K
   */
  steady: (cover: readonly number[], wall: number) => number
}

/** Cuts the ground of a building. Lengths above 0; resistances 0 or more. */
export function makeGroundSlice(input: GroundInput): GroundSlice {
  const { widthM, floorAreaM2, perimeterM, sunkM, soil } = input
  const k = soil.conductivity
  const c = soil.density * soil.specificHeat
  const along = floorAreaM2 / widthM
  const floor = cutFloor(input).map(col => ({ ...col, areaM2: (col.x1 - col.x0) * along }))
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
    steady: (cover, wall) => steadyFlow(slice, cover, wall),
  }
  floor.forEach((col, i) => {
    const next = floor[i + 1]
    for (let r = 0; r < rows; r++) {
      const dz = ROWS[r]!
      slice.floorCapacity[i * rows + r] = col.areaM2 * dz * c
      if (r + 1 < rows) slice.floorDown[i * rows + r] = (col.areaM2 * k) / ((dz + ROWS[r + 1]!) / 2)
      if (next) slice.floorAcross[i * rows + r] = (along * dz * k) / ((col.x1 - col.x0 + next.x1 - next.x0) / 2)
    }
  })
  // The board stands in the plane of the wall; a row that it ends in is parted by depth.
  const boarded = (from: number, dz: number) => min(1, max(0, (input.edge.depthM - from) / dz))
  const first = floor[0]!
  const last = floor[floor.length - 1]!
  const inner = (first.x1 - first.x0 + (last.x1 - last.x0)) / 4
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
        const sides = ((i === 0 ? 0.5 : 0) + (i === last ? 0.5 : 0)) * s.edge[r]!
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
          sum += (s.edge[r - sunk]! * (floor[r - sunk]! + floor[last * rows + r - sunk]!)) / 2
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

/** Columns of floor: broken where beds begin and end, fine beside the walls. */
function cutFloor({ widthM, beds, path }: GroundInput): Omit<FloorColumn, 'areaM2'>[] {
  const breaks = path ? [...beds, path] : beds
  const marks = [0, widthM, ...breaks.flatMap(b => [max(0, b.x0), min(widthM, b.x1)])].sort((a, b) => a - b)
  type Strip = Omit<FloorColumn, 'areaM2'>
  const strips: Strip[] = []
  for (let i = 0; i + 1 < marks.length; i++) {
    const x0 = marks[i]!
    const x1 = marks[i + 1]!
    if (x1 - x0 < 1e-6) continue
    const middle = (x0 + x1) / 2
    const bed = beds.findIndex(b => middle > b.x0 && middle < b.x1)
    const onPath = bed < 0 && path !== null && middle > path.x0 && middle < path.x1
    const before = strips[strips.length - 1]
    if (before && before.bed === bed && before.path === onPath) before.x1 = x1
    else strips.push({ x0, x1, bed, path: onPath })
  }
  // What is too narrow to be a column of its own goes with its neighbour.
  for (let i = strips.length - 1; i >= 0 && strips.length > 1; i--) {
    const s = strips[i]!
    if (s.x1 - s.x0 >= NARROWEST) continue
    if (i > 0) strips[i - 1]!.x1 = s.x1
    else strips[1]!.x0 = s.x0
    strips.splice(i, 1)
  }
  const out: Strip[] = []
  for (const s of strips) {
    const { bed, path: onPath } = s
    let x0 = s.x0
    let x1 = s.x1
    if (x0 < 1e-6 && x1 - x0 > 2 * EDGE_COLUMN) out.push({ x0, x1: (x0 += EDGE_COLUMN), bed, path: onPath })
    const tail = x1 > widthM - 1e-6 && x1 - x0 > 2 * EDGE_COLUMN
    if (tail) x1 -= EDGE_COLUMN
    const pieces = max(1, Math.ceil((x1 - x0) / INNER_COLUMN))
    for (let i = 0; i < pieces; i++)
      out.push({ x0: x0 + ((x1 - x0) * i) / pieces, x1: x0 + ((x1 - x0) * (i + 1)) / pieces, bed, path: onPath })
    if (tail) out.push({ x0: x1, x1: s.x1, bed, path: onPath })
  }
  return out
}
