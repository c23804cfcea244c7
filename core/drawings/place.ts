import { flat, LETTER, line, type At, type Item, type Path, type Words } from './drawing'

/** A letter reaches so far under its line and over it, for capitals of 1. */
const BELOW = 0.3
const ABOVE = 1.1
/** Kept clear round words, mm on paper. */
const CLEAR_MM = 0.35
/** Words look for room this far from where they are wanted, in steps, mm on paper; and in so many directions. */
const FARTHEST_MM = 110
const STEP_MM = 1.2
const DIRECTIONS = 24
/** Moved further than this they are led back to what they speak of, mm on paper. */
const LED_MM = 4
/** Beyond this words that no line can lead to take the nearest room that they saw, mm on paper. */
const UNLED_MM = 30

/** A rectangle that lies aslant: its middle, its way along, half its length and half its height. */
export interface Box {
  at: At
  along: At
  half: At
}

/** The room that words take, mm of the house. */
export function boxOf({ at, text, heightMm, align, turnDeg = 0 }: Omit<Words, 'kind' | 'layer'>, scale: number): Box {
  const size = heightMm * scale
  const long = text.length * LETTER * size
  const shift = align === 'middle' ? 0 : align === 'left' ? long / 2 : -long / 2
  const up = ((ABOVE - BELOW) / 2) * size
  const turn = (turnDeg * Math.PI) / 180
  const along: At = [Math.cos(turn), Math.sin(turn)]
  return {
    at: [at[0] + along[0] * shift - along[1] * up, at[1] + along[1] * shift + along[0] * up],
    along,
    half: [long / 2, ((ABOVE + BELOW) / 2) * size],
  }
}

/** Whether a line from one point to another comes into a box, widened by so much. */
export function crosses({ at, along, half }: Box, p: At, q: At, by = 0): boolean {
  const own = ([x, y]: At): At => {
    const [dx, dy] = [x - at[0], y - at[1]]
    return [dx * along[0] + dy * along[1], dy * along[0] - dx * along[1]]
  }
  const [a, b] = [own(p), own(q)]
  let [from, to] = [0, 1]
  for (const k of [0, 1] as const) {
    const reach = half[k] + by
    const way = b[k] - a[k]
    if (Math.abs(way) < 1e-9) {
      if (Math.abs(a[k]) >= reach) return false
      continue
    }
    const [s, t] = [(-reach - a[k]) / way, (reach - a[k]) / way]
    from = Math.max(from, Math.min(s, t))
    to = Math.min(to, Math.max(s, t))
    if (from >= to) return false
  }
  return true
}

const cornersOf = ({ at, along, half }: Box): At[] =>
  [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([i, j]): At => {
    const [u, v] = [i! * half[0], j! * half[1]]
    return [at[0] + along[0] * u - along[1] * v, at[1] + along[1] * u + along[0] * v]
  })

/** Whether two boxes share room: a side or a middle line of one comes into the other. */
const overlap = (a: Box, b: Box): boolean =>
  [
    [a, b],
    [b, a],
  ].some(([one, other]) => {
    const c = cornersOf(other!)
    return [...c.map((p, i): [At, At] => [p, c[(i + 1) % 4]!]), [c[0]!, c[2]!] as [At, At]].some(([p, q]) =>
      crosses(one!, p, q),
    )
  })

/** Lines by the squares that they pass, so that few are asked. */
function makeGrid(cell: number) {
  const squares = new Map<string, [At, At][]>()
  const place = (v: number) => Math.floor(v / cell)
  const add = (p: At, q: At) => {
    const steps = Math.max(1, Math.ceil((2 * Math.hypot(q[0] - p[0], q[1] - p[1])) / cell))
    const seen = new Set<string>()
    for (let i = 0; i <= steps; i++) {
      const key = `${place(p[0] + ((q[0] - p[0]) * i) / steps)} ${place(p[1] + ((q[1] - p[1]) * i) / steps)}`
      if (seen.has(key)) continue
      seen.add(key)
      const known = squares.get(key)
      if (known) known.push([p, q])
      else squares.set(key, [[p, q]])
    }
  }
  const isFree = (box: Box, by: number): boolean => {
    const corners = cornersOf(box)
    const [xs, ys] = [corners.map(c => c[0]), corners.map(c => c[1])]
    // A line may pass the corner of a square between two of its steps: the squares around are asked too.
    for (let i = place(Math.min(...xs) - by) - 1; i <= place(Math.max(...xs) + by) + 1; i++)
      for (let j = place(Math.min(...ys) - by) - 1; j <= place(Math.max(...ys) + by) + 1; j++)
        if (squares.get(`${i} ${j}`)?.some(([p, q]) => crosses(box, p, q, by))) return false
    return true
  }
  return { add, isFree }
}

/** Ways from where words are wanted, the nearest first, mm on paper. */
const TRIED: At[] = [
  [0, 0],
  ...Array.from({ length: Math.floor(FARTHEST_MM / STEP_MM) }, (_, r) =>
    Array.from({ length: DIRECTIONS }, (_, k): At => {
      const turn = (2 * Math.PI * k) / DIRECTIONS
      return [Math.cos(turn) * (r + 1) * STEP_MM, Math.sin(turn) * (r + 1) * STEP_MM]
    }),
  ).flat(),
]

/** Where a line that leads words back ends, a little off their box: at its nearest place. */
function edgeTowards({ at, along, half }: Box, of: At, off: number): At {
  const [dx, dy] = [of[0] - at[0], of[1] - at[1]]
  const own = [dx * along[0] + dy * along[1], dy * along[0] - dx * along[1]]
  const [u, v] = own.map((k, i) => Math.max(-half[i]! - off, Math.min(half[i]! + off, k)))
  return [at[0] + along[0] * u! - along[1] * v!, at[1] + along[1] * u! + along[0] * v!]
}

/** A rectangle of a drawing, mm of the house. */
export interface Reach {
  x0: number
  y0: number
  x1: number
  y1: number
}
const ANYWHERE: Reach = { x0: -Infinity, y0: -Infinity, x1: Infinity, y1: Infinity }

/**
 * A drawing whose words cross no line and no other words: each stands as near as there is room to where it is wanted,
 * and where that is further away a line leads back to what it speaks of. Where no line can lead there past other words
 * it does without; words that find no room at all stay where they are.
 * @param scale millimetres of the house under one of the paper, which words are sized for
 * @param within what words may not leave
 */
export function withRoomForWords(items: readonly Item[], scale: number, within = ANYWHERE): Item[] {
  const grid = makeGrid(6 * scale)
  const boxes: Box[] = []
  const leaders: Path[] = []
  const isIn = (box: Box) =>
    within === ANYWHERE ||
    cornersOf(box).every(([x, y]) => x >= within.x0 && x <= within.x1 && y >= within.y0 && y <= within.y1)
  const isClear = (box: Box) => isIn(box) && grid.isFree(box, CLEAR_MM * scale) && !boxes.some(b => overlap(b, box))
  for (const i of flat(items))
    if (i.kind === 'path') {
      i.points.forEach((p, k) => k > 0 && grid.add(i.points[k - 1]!, p))
      if (i.closed) grid.add(i.points.at(-1)!, i.points[0]!)
    } else if (i.fixed) boxes.push(boxOf(i, scale))

  const settle = (w: Words): Words => {
    if (w.fixed) return w
    const turn = ((w.turnDeg ?? 0) * Math.PI) / 180
    const [cos, sin] = [Math.cos(turn) * scale, Math.sin(turn) * scale]
    const wanted = boxOf(w, scale)
    const of = w.of ?? wanted.at
    const take = (box: Box, by: At): Words => {
      boxes.push(box)
      return { ...w, at: [w.at[0] + by[0], w.at[1] + by[1]] }
    }
    let unled: [Box, At] | null = null
    for (const [u, v] of TRIED) {
      const by: At = [u * cos - v * sin, u * sin + v * cos]
      const box: Box = { ...wanted, at: [wanted.at[0] + by[0], wanted.at[1] + by[1]] }
      if (!isClear(box)) continue
      // Near enough, or words lie over what they speak of, these or others: nothing leads there.
      if (Math.hypot(u, v) <= LED_MM || [box, ...boxes].some(b => crosses(b, of, of))) return take(box, by)
      const end = edgeTowards(box, of, (CLEAR_MM * scale) / 2)
      if (boxes.some(b => crosses(b, of, end))) {
        unled ??= [box, by]
        if (Math.hypot(u, v) > UNLED_MM) break
        continue
      }
      leaders.push(line('words', of, end))
      grid.add(of, end)
      return take(box, by)
    }
    return unled ? take(...unled) : take(wanted, [0, 0])
  }
  const settled = items.map((i): Item => {
    if (i.kind === 'words') return settle(i)
    return i.kind === 'dimension' ? { ...i, words: settle(i.words) } : i
  })
  return [...settled, ...leaders]
}

/** How far a drawing reaches with its words, mm of the house. */
export function extentWithWords(items: readonly Item[], scale: number): Reach {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const i of flat(items))
    for (const [x, y] of i.kind === 'path' ? i.points : cornersOf(boxOf(i, scale))) {
      x0 = Math.min(x0, x)
      x1 = Math.max(x1, x)
      y0 = Math.min(y0, y)
      y1 = Math.max(y1, y)
    }
  return { x0, y0, x1, y1 }
}

/** Words of a drawing that a line or other words cross: none, where it is as it should be. */
export function crossedWords(items: readonly Item[], scale: number): string[] {
  const all = flat(items)
  const lines = all.flatMap(i =>
    i.kind === 'path'
      ? i.points.flatMap((p, k): [At, At][] =>
          k > 0 ? [[i.points[k - 1]!, p]] : i.closed ? [[i.points.at(-1)!, p]] : [],
        )
      : [],
  )
  const words = all.filter(i => i.kind === 'words').map(w => ({ text: w.text, box: boxOf(w, scale) }))
  return words
    .filter(
      ({ box }, k) =>
        lines.some(([p, q]) => crosses(box, p, q)) || words.some((o, j) => j !== k && overlap(o.box, box)),
    )
    .map(w => w.text)
}
