/** A place on the floor: x from the sunny wall, y along the ridge from the west end, m. */
export type PlanPoint = readonly [x: number, y: number]

/** A convex piece of floor that something stands on: its corners turn from x to y. */
export type Footprint = readonly PlanPoint[]

/** A rectangle along the axes of the room. */
export const rectangleOf = (x0: number, x1: number, y0: number, y1: number): Footprint => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
]

/** How far a piece, or several, reach along x and y, m. */
export function reachOf(pieces: readonly Footprint[]): { x0: number; x1: number; y0: number; y1: number } {
  const points = pieces.flat()
  const [xs, ys] = [points.map(p => p[0]), points.map(p => p[1])]
  return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) }
}

/** Area, m²; negative where the corners turn the other way. */
export const footprintM2 = (piece: Footprint): number =>
  piece.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = piece[(i + 1) % piece.length]!
    return sum + (x * nextY - nextX * y) / 2
  }, 0)

/** A flat polygon of the room from above, its corners turned as a piece's are. */
export function footprintOf(polygon: readonly (readonly [x: number, y: number, z: number])[]): Footprint {
  const piece = polygon.map(([x, y]): PlanPoint => [x, y])
  return footprintM2(piece) < 0 ? piece.reverse() : piece
}

/** Whether a piece is a rectangle along the axes of the room. */
export const isRectangle = (piece: Footprint): boolean =>
  piece.length === 4 &&
  piece.every(([x, y], i) => {
    const [nextX, nextY] = piece[(i + 1) % 4]!
    return Math.abs(x - nextX) < 1e-9 || Math.abs(y - nextY) < 1e-9
  })

/** A convex piece as half-planes, three numbers an edge: unit inward normal, and its offset. */
export function edgesOf(piece: Footprint): Float64Array {
  const out = new Float64Array(piece.length * 3)
  piece.forEach(([x, y], i) => {
    const [nextX, nextY] = piece[(i + 1) % piece.length]!
    const long = Math.hypot(nextX - x, nextY - y) || 1
    const [nx, ny] = [-(nextY - y) / long, (nextX - x) / long]
    out.set([nx, ny, nx * x + ny * y], i * 3)
  })
  return out
}

/** What of a piece lies where a distance, which grows evenly in any direction, is not negative. */
function partOf(piece: Footprint, side: (p: PlanPoint) => number): Footprint {
  const out: PlanPoint[] = []
  piece.forEach((a, i) => {
    const b = piece[(i + 1) % piece.length]!
    const [da, db] = [side(a), side(b)]
    if (da >= 0) out.push(a)
    if (da > 0 !== db > 0 && da !== db && da !== 0 && db !== 0) {
      const t = da / (da - db)
      out.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t])
    }
  })
  return out
}

/** What of a convex piece lies within another; empty where they lie apart. */
export function sharedPiece(a: Footprint, b: Footprint): Footprint {
  const edges = edgesOf(b)
  let left = a
  for (let i = 0; i < edges.length && left.length > 0; i += 3)
    left = partOf(left, ([x, y]) => edges[i]! * x + edges[i + 1]! * y - edges[i + 2]!)
  return left.length > 2 ? left : []
}

/** Whether a point lies within a convex piece, or nearer to it than so far, m. */
export function isOn(edges: Float64Array, x: number, y: number, nearM = 0): boolean {
  for (let i = 0; i < edges.length; i += 3) if (edges[i]! * x + edges[i + 1]! * y < edges[i + 2]! - nearM) return false
  return true
}

/** A stretch of a straight line on the floor, from one end to the other. */
export type PlanLine = readonly [a: PlanPoint, b: PlanPoint]

/** The sides of a piece as lines. */
export const sidesOf = (piece: Footprint): PlanLine[] => piece.map((a, i) => [a, piece[(i + 1) % piece.length]!])

/** How much of a line runs along another one, nearer to it than so far, m. */
export function sharedLength([a, b]: PlanLine, [c, d]: PlanLine, nearM: number): number {
  const long = Math.hypot(b[0] - a[0], b[1] - a[1])
  if (long < 1e-9) return 0
  const [ux, uy] = [(b[0] - a[0]) / long, (b[1] - a[1]) / long]
  const off = (p: PlanPoint) => Math.abs((p[0] - a[0]) * uy - (p[1] - a[1]) * ux)
  if (off(c) > nearM || off(d) > nearM) return 0
  const at = (p: PlanPoint) => (p[0] - a[0]) * ux + (p[1] - a[1]) * uy
  const [s, t] = [at(c), at(d)]
  return Math.max(0, Math.min(long, Math.max(s, t)) - Math.max(0, Math.min(s, t)))
}

/** Whether two sides look at each other: their corners turn the other way. */
export const isOpposite = ([a, b]: PlanLine, [c, d]: PlanLine): boolean =>
  (b[0] - a[0]) * (d[0] - c[0]) + (b[1] - a[1]) * (d[1] - c[1]) < 0

/** The outline of pieces that touch: their sides without what two of them have in common. */
export function outlineOf(pieces: readonly Footprint[]): PlanLine[] {
  const all = pieces.flatMap((piece, of) => sidesOf(piece).map(line => ({ of, line })))
  return all.flatMap(({ of, line }) => {
    const [a, b] = line
    const long = Math.hypot(b[0] - a[0], b[1] - a[1])
    const at = ([x, y]: PlanPoint) => ((x - a[0]) * (b[0] - a[0]) + (y - a[1]) * (b[1] - a[1])) / long
    const point = (s: number): PlanPoint => [a[0] + ((b[0] - a[0]) * s) / long, a[1] + ((b[1] - a[1]) * s) / long]
    const covered = all
      .filter(o => o.of !== of && isOpposite(line, o.line) && sharedLength(line, o.line, 1e-6) > 1e-6)
      .map(o => [Math.min(at(o.line[0]), at(o.line[1])), Math.max(at(o.line[0]), at(o.line[1]))] as const)
      .sort((p, q) => p[0] - q[0])
    const out: PlanLine[] = []
    let from = 0
    for (const [s, t] of [...covered, [long, long] as const]) {
      if (s - from > 1e-6) out.push([point(from), point(s)])
      from = Math.max(from, t)
    }
    return out
  })
}

/** A place within pieces to write their name at: the middle of the largest, of those alike the most central. */
export function middleOf(pieces: readonly Footprint[]): PlanPoint {
  const mean = (points: readonly PlanPoint[]): PlanPoint => [
    points.reduce((sum, p) => sum + p[0], 0) / points.length,
    points.reduce((sum, p) => sum + p[1], 0) / points.length,
  ]
  const middle = mean(pieces.map(mean))
  const largest = Math.max(...pieces.map(footprintM2))
  const off = ([x, y]: PlanPoint) => Math.hypot(x - middle[0], y - middle[1])
  return pieces
    .filter(p => footprintM2(p) > 0.9 * largest)
    .map(mean)
    .reduce((best, p) => (off(p) < off(best) ? p : best))
}
