import type { Design } from '../design/types'
import { openingKind } from '../openings/registry'
import { blockedDoors } from './before-openings'
import { domeFloor } from './dome'
import { dormersOf } from './dormers'
import { clearOverPlace } from './fit'
import { edgesOf, footprintOf, isOn, reachOf, rectangleOf, type Footprint } from './footprint'
import { laidLeaves, leafPolygons } from './leaves'
import { inPieces, pathStrip, roomObjects, type ObjectKind } from './objects'
import { outwardOf } from './part-planes'
import { makeOutline, type Outline } from './section'
import { along, type Vec } from './vec'
import { SHOULDERS_M, WHEELCHAIR_M } from './widths'

type House = Pick<Design, 'shape' | 'store' | 'skin' | 'aim'>

/** Who reaches into a corner turns and leans a little further, m. */
const LEAN_M = 0.1
/** Side of a cell of floor that is looked at, m. */
const CELL_M = 0.05
/** Where nowhere is high enough to stand, people stoop, m; lower than that nobody works. */
const STOOP_M = 1.2
/** What stands no higher is stepped over, and what hangs higher is walked under, m. */
const STEP_M = 0.05
const OVERHEAD_M = 1.9
/** Floor that is shut off, or a bed out of reach, is told of from so much on, m²; and a bed from such a share. */
const LEAST_M2 = 0.1
const LEAST_SHARE = 0.02

/** Why nobody walks on a piece of floor, or reaches a piece of a bed. */
const HINDRANCES = ['cut off', 'too narrow', 'too low', 'out of reach'] as const
type Hindrance = (typeof HINDRANCES)[number]
const [CUT_OFF, TOO_NARROW, TOO_LOW, OUT_OF_REACH] = [0, 1, 2, 3]

/** Where people get to in a house, from its doors. */
export interface Access {
  /** Whether there is a door at all. Without one nothing is reached. */
  hasDoor: boolean
  /** Doors with something in their way. */
  blocked: number[]
  /** Beds of which something is out of reach: which, and the share of it, 0–1. */
  beds: { index: number; share: number }[]
  /** Bodies that nobody can fill or empty, and openings moved by hand that nobody gets to. */
  bodies: number[]
  openings: number[]
  /** How many bodies there are. */
  bodyCount: number
  /** Free floor from which no way leads to a door, m². */
  cutOffM2: number
  /** Pieces that nobody gets to, and why. */
  hatched: { why: Hindrance; pieces: Footprint[]; areaM2: number }[]
  /** The way from a door to where one stands beside a thing, as a line on the floor; null where there is none. */
  wayTo: (kind: ObjectKind, index: number) => [x: number, y: number][] | null
}

/** What a cell of the floor is: outside or under something, too low, too near to something, free, walked to. */
const TAKEN = 0
const LOW = 1
const NARROW = 2
const FREE = 3
const REACHED = 4

/**
 * Where one gets to from the doors: floor that shoulders (or a wheelchair) have room on, and heads as the aim asks, is
 * flooded from each door cell by cell. Beds, bodies and what is opened by hand are looked at from there.
 */
export function accessOf(house: House): Access {
  const { shape, aim, store, skin } = house
  const outline = makeOutline(shape)
  const floor = floorOf(shape, outline)
  const { x1: wideM, y1: longM } = reachOf([floor])
  const [nx, ny] = [Math.max(1, Math.round(wideM / CELL_M)), Math.max(1, Math.round(longM / CELL_M))]
  const radiusM = (aim.practical.wheelchair ? WHEELCHAIR_M : SHOULDERS_M) / 2
  const x = (cell: number) => ((cell % nx) + 0.5) * CELL_M
  const y = (cell: number) => (Math.floor(cell / nx) + 0.5) * CELL_M
  const cellAt = (px: number, py: number) =>
    clamped(Math.floor(px / CELL_M), nx - 1) + nx * clamped(Math.floor(py / CELL_M), ny - 1)
  const eachIn: EachIn = (x0, x1, y0, y1, call) => {
    const [i0, i1] = [clamped(Math.floor(x0 / CELL_M), nx - 1), clamped(Math.floor(x1 / CELL_M), nx - 1)]
    const [j0, j1] = [clamped(Math.floor(y0 / CELL_M), ny - 1), clamped(Math.floor(y1 / CELL_M), ny - 1)]
    for (let j = j0; j <= j1; j++)
      for (let i = i0; i <= i1; i++) call(j * nx + i, (i + 0.5) * CELL_M, (j + 0.5) * CELL_M)
  }
  const state = new Uint8Array(nx * ny)
  /** Floor that nothing stands on. */
  const bare = new Uint8Array(nx * ny)
  const doors = doorSteps(house, outline)
  const clear = clearHeights(house, outline, { nx, ny, x, y }, doors, eachIn)
  const headM = Math.min(
    aim.practical.headroomM,
    clear.reduce((most, m) => Math.max(most, m), STOOP_M),
  )
  // Half a cell is given: a way that is just wide enough is a way.
  const need = radiusM - CELL_M / 2
  const fromWall = wallDistances(floor, { nx, ny })
  for (let c = 0; c < state.length; c++) {
    if (fromWall[c]! < 0) continue
    bare[c] = 1
    state[c] = clear[c]! < headM - 1e-6 ? LOW : fromWall[c]! < need ? NARROW : FREE
  }
  // In a doorway one passes close by the wall.
  for (const c of doors.flatMap(d => d.cells(eachIn))) if (state[c] === NARROW) state[c] = FREE
  const things = roomObjects(house)
  const inTheWay = inPieces(things).filter(t => t.kind === 'bed' || (t.z1 > STEP_M && t.z0 < OVERHEAD_M))
  for (const { pieces, x0, x1, y0, y1 } of inTheWay) {
    const own = edgesOf(pieces[0]!)
    eachIn(x0 - radiusM, x1 + radiusM, y0 - radiusM, y1 + radiusM, (c, px, py) => {
      // Nothing is nearer to a piece than to the furthest of its sides.
      if (!isOn(own, px, py, need)) return
      if (isOn(own, px, py)) {
        state[c] = TAKEN
        bare[c] = 0
      } else if (state[c]! > NARROW && distanceTo(pieces[0]!, px, py) < need) state[c] = NARROW
    })
  }
  const from = flood(
    state,
    nx,
    doors.flatMap(d => d.cells(eachIn)).filter(c => state[c] === FREE),
  )
  const reachM = radiusM + aim.practical.reachM
  const away = distances(state, nx, ny, REACHED, Math.ceil((reachM + LEAN_M) / CELL_M) + 1)
  const within = (c: number) => away[c]! * CELL_M <= reachM + LEAN_M

  const far = new Uint8Array(nx * ny)
  const beds = shape.beds.flatMap((_, index) => {
    let [all, out] = [0, 0]
    for (const { pieces, x0, x1, y0, y1 } of inPieces(things.filter(t => t.kind === 'bed' && t.index === index))) {
      const own = edgesOf(pieces[0]!)
      eachIn(x0, x1, y0, y1, (c, px, py) => {
        if (!isOn(own, px, py)) return
        all++
        if (within(c)) return
        out++
        far[c] = 1
      })
    }
    return out * CELL_M ** 2 > LEAST_M2 && out > LEAST_SHARE * all ? [{ index, share: out / all }] : []
  })
  const touched = (o: { x0: number; x1: number; y0: number; y1: number }) => {
    let found = false
    eachIn(o.x0, o.x1, o.y0, o.y1, c => (found ||= within(c)))
    return found
  }
  const bodies = things.filter(t => t.kind === 'body' && !touched(t)).map(t => t.index)
  const byHand = laidLeaves(house, outline).filter(({ index }) => {
    const o = skin.openings[index]!
    const kind = openingKind(o)
    return !kind.ridge && kind.traffic(o) === null && kind.opener(o).how === 'hand'
  })
  const openings = new Set(
    byHand
      .filter(laid => {
        const points = leafPolygons(laid).flat()
        const z = Math.min(...points.map(p => p[2]))
        return !points.some(p => p[2] < z + 0.01 && within(cellAt(p[0], p[1])))
      })
      .map(l => l.index),
  )
  // Floor under a walker is walked on; what is left is cut off, too narrow or too low.
  const shut = state.includes(FREE) ? distances(state, nx, ny, FREE, Math.ceil(radiusM / CELL_M) + 2) : null
  const covers = (d: Float32Array, c: number) => d[c]! * CELL_M <= radiusM + CELL_M / 2
  const why = (c: number): number => {
    if (far[c]) return OUT_OF_REACH
    if (!bare[c] || covers(away, c)) return -1
    if (shut && covers(shut, c)) return CUT_OFF
    return state[c] === LOW ? TOO_LOW : TOO_NARROW
  }
  const all = new Int8Array(state.length)
  const counts = HINDRANCES.map(() => 0)
  for (let c = 0; c < all.length; c++) {
    all[c] = why(c)
    if (all[c]! >= 0) counts[all[c]!]!++
  }
  const hatched = HINDRANCES.flatMap((reason, k) => {
    const areaM2 = counts[k]! * CELL_M ** 2
    return areaM2 > LEAST_M2 ? [{ why: reason, pieces: joinedCells(nx, ny, c => all[c] === k), areaM2 }] : []
  })
  return {
    hasDoor: doors.length > 0,
    blocked: blockedDoors(house).map(d => d.index),
    beds,
    bodies: store.bodies.length > 0 ? bodies : [],
    openings: [...openings],
    bodyCount: store.bodies.length,
    cutOffM2: hatched.find(h => h.why === 'cut off')?.areaM2 ?? 0,
    hatched,
    wayTo: (kind, index) => {
      const thing = things.find(t => t.kind === kind && t.index === index)
      if (!thing) return null
      const beside = nearestReached(state, thing, eachIn, reachM)
      return beside < 0 ? null : wayBack(from, beside).map(c => [x(c), y(c)])
    },
  }
}

const clamped = (v: number, most: number) => Math.min(most, Math.max(0, v))

/** The floor inside, as a convex piece. */
const floorOf = (shape: Design['shape'], outline: Outline): Footprint =>
  shape.form === 'dome' ? footprintOf(domeFloor({ shape }, outline)) : rectangleOf(0, outline.widthM, 0, shape.lengthM)

interface Cells {
  nx: number
  ny: number
  x: (cell: number) => number
  y: (cell: number) => number
}
/** Calls for each cell of the grid within a box, with its middle. */
type EachIn = (
  x0: number,
  x1: number,
  y0: number,
  y1: number,
  call: (cell: number, px: number, py: number) => void,
) => void

/** The step inside a door: floor as wide as it and half a metre deep. */
interface DoorStep {
  edges: Float64Array
  /** How high it is clear over it where the door stands out in a dormer, and the floor under that; null for others. */
  dormer: { edges: Float64Array; heightM: number; x0: number; x1: number; y0: number; y1: number } | null
  cells: (eachIn: EachIn) => number[]
}

/** One is inside within so much of a door, m. */
const INSIDE_M = 0.6

function doorSteps(house: House, outline: Outline): DoorStep[] {
  const dormers = dormersOf(house, outline)
  return laidLeaves(house, outline).flatMap(({ index, planes, rect }): DoorStep[] => {
    const o = house.skin.openings[index]!
    if (openingKind(o).traffic(o) === null) return []
    const plane = planes.at(-1)!
    const { origin, across } = planes[0]!
    const out = outwardOf(planes[0]!)
    const at = (u: number, inward: number): Vec => along([origin[0], origin[1], 0], u, across, -inward, out)
    const stepOf = (deepM: number) =>
      footprintOf([at(rect.u0, 0), at(rect.u1, 0), at(rect.u1, deepM), at(rect.u0, deepM)])
    const step = stepOf(INSIDE_M)
    const edges = edgesOf(step)
    const dormer = dormers.find(d => d.index === index)
    const { x0, x1, y0, y1 } = reachOf([step])
    const under = stepOf(Math.min(10, dormer?.depthM ?? 0))
    return [
      {
        edges,
        dormer: dormer
          ? { edges: edgesOf(under), heightM: plane.origin[2] + rect.v1 - plane.from, ...reachOf([under]) }
          : null,
        cells: eachIn => {
          const found: number[] = []
          eachIn(x0, x1, y0, y1, (c, px, py) => {
            if (isOn(edges, px, py)) found.push(c)
          })
          return found
        },
      },
    ]
  })
}

/** How far each cell is inside the walls, m; less than 0 outside. */
function wallDistances(floor: Footprint, { nx, ny }: Pick<Cells, 'nx' | 'ny'>): Float32Array {
  const edges = edgesOf(floor)
  const out = new Float32Array(nx * ny).fill(Infinity)
  for (let e = 0; e < edges.length; e += 3) {
    // From cell to cell it grows by as much each time.
    const [across, along] = [edges[e]! * CELL_M, edges[e + 1]! * CELL_M]
    const first = (across + along) / 2 - edges[e + 2]!
    for (let j = 0, c = 0; j < ny; j++)
      for (let i = 0; i < nx; i++, c++) {
        const off = first + i * across + j * along
        if (off < out[c]!) out[c] = off
      }
  }
  return out
}

/** Clear height over each cell, m: under the roof, in dormers as high as their doors, from where paths are dug. */
function clearHeights(
  house: House,
  outline: Outline,
  { nx, ny, x, y }: Cells,
  doors: readonly DoorStep[],
  eachIn: EachIn,
): Float32Array {
  const { shape } = house
  const out = new Float32Array(nx * ny)
  const dug = shape.pathM < 0 ? pathStrip(house) : null
  const rows = shape.form === 'dome' ? ny : 1
  for (let c = 0; c < nx * rows; c++) out[c] = clearOverPlace(shape, outline, x(c), y(c))
  for (let c = nx * rows; c < out.length; c++) out[c] = out[c % nx]!
  for (const { dormer } of doors)
    if (dormer)
      eachIn(dormer.x0, dormer.x1, dormer.y0, dormer.y1, (c, px, py) => {
        if (isOn(dormer.edges, px, py)) out[c] = Math.max(out[c]!, dormer.heightM)
      })
  if (dug) eachIn(dug.x0, dug.x1, 0, shape.lengthM, c => (out[c]! -= shape.pathM))
  return out
}

/** Distance of a place outside a convex piece from it, m. */
function distanceTo(piece: Footprint, px: number, py: number): number {
  let near = Infinity
  piece.forEach(([ax, ay], i) => {
    const [bx, by] = piece[(i + 1) % piece.length]!
    const [ux, uy] = [bx - ax, by - ay]
    const t = Math.min(1, Math.max(0, ((px - ax) * ux + (py - ay) * uy) / (ux * ux + uy * uy || 1)))
    near = Math.min(near, Math.hypot(px - ax - t * ux, py - ay - t * uy))
  })
  return near
}

/** Marks all free cells that can be walked to from some; returns the cell before each on the way, −1 for none. */
function flood(state: Uint8Array, nx: number, starts: readonly number[]): Int32Array {
  const from = new Int32Array(state.length).fill(-1)
  const queue = [...new Set(starts)]
  for (const c of queue) state[c] = REACHED
  const step = (next: number, c: number) => {
    if (state[next] !== FREE) return
    state[next] = REACHED
    from[next] = c
    queue.push(next)
  }
  for (let k = 0; k < queue.length; k++) {
    const c = queue[k]!
    const column = c % nx
    step(c - nx, c)
    step(c + nx, c)
    if (column > 0) step(c - 1, c)
    if (column + 1 < nx) step(c + 1, c)
  }
  return from
}

/**
 * How far each cell is from the nearest of a state, in cells and no more than so many: along the house first, then
 * across.
 */
function distances(state: Uint8Array, nx: number, ny: number, of: number, most: number): Float32Array {
  const along = new Uint16Array(state.length).fill(most)
  for (let i = 0; i < nx; i++) {
    let since = most
    for (let c = i; c < state.length; c += nx) {
      since = state[c] === of ? 0 : Math.min(most, since + 1)
      along[c] = since
    }
    since = most
    for (let c = (ny - 1) * nx + i; c >= 0; c -= nx) {
      since = state[c] === of ? 0 : Math.min(most, since + 1)
      if (since < along[c]!) along[c] = since
    }
  }
  const out = new Float32Array(state.length)
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const row = j * nx
      let best = along[row + i]! ** 2
      for (let k = 1; k * k < best; k++) {
        const [left, right] = [i - k, i + k]
        if (left >= 0) {
          const d = along[row + left]! ** 2 + k * k
          if (d < best) best = d
        }
        if (right < nx) {
          const d = along[row + right]! ** 2 + k * k
          if (d < best) best = d
        }
      }
      out[row + i] = Math.sqrt(best)
    }
  return out
}

/** Cells joined into rectangles: runs across, then runs that are alike along. */
function joinedCells(nx: number, ny: number, is: (cell: number) => boolean): Footprint[] {
  const out: Footprint[] = []
  let open = new Map<string, { i0: number; i1: number; j0: number }>()
  for (let j = 0; j <= ny; j++) {
    const runs = new Map<string, { i0: number; i1: number; j0: number }>()
    for (let i = 0; j < ny && i < nx; i++) {
      if (!is(j * nx + i)) continue
      const i0 = i
      while (i + 1 < nx && is(j * nx + i + 1)) i++
      const key = `${i0} ${i}`
      runs.set(key, open.get(key) ?? { i0, i1: i + 1, j0: j })
    }
    for (const [key, { i0, i1, j0 }] of open)
      if (!runs.has(key)) out.push(rectangleOf(i0 * CELL_M, i1 * CELL_M, j0 * CELL_M, j * CELL_M))
    open = runs
  }
  return out
}

/** The walked cell nearest to a thing, from which a hand reaches it; −1 where there is none. */
function nearestReached(
  state: Uint8Array,
  thing: { x0: number; x1: number; y0: number; y1: number },
  eachIn: EachIn,
  reachM: number,
): number {
  let [best, near] = [-1, Infinity]
  eachIn(thing.x0 - reachM, thing.x1 + reachM, thing.y0 - reachM, thing.y1 + reachM, (c, px, py) => {
    if (state[c] !== REACHED) return
    const off = Math.hypot(px - (thing.x0 + thing.x1) / 2, py - (thing.y0 + thing.y1) / 2)
    if (off < near) [best, near] = [c, off]
  })
  return best
}

/** The way to a cell from where its flood began. */
function wayBack(from: Int32Array, to: number): number[] {
  const out = [to]
  while (from[out.at(-1)!]! >= 0) out.push(from[out.at(-1)!]!)
  return out.reverse()
}
