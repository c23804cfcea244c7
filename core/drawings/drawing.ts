import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import type { Show } from '../units'

/** Layers of a drawing, by part: names as a CAD lists them, and the weight of their lines on paper, mm. */
export const LAYERS = {
  skin: { name: 'SKIN', weightMm: 0.5 },
  glazing: { name: 'GLAZING', weightMm: 0.35 },
  openings: { name: 'OPENINGS', weightMm: 0.35 },
  joints: { name: 'JOINTS', weightMm: 0.18 },
  frame: { name: 'FRAME', weightMm: 0.25 },
  ground: { name: 'GROUND', weightMm: 0.35 },
  foundation: { name: 'FOUNDATION', weightMm: 0.5 },
  inside: { name: 'INSIDE', weightMm: 0.25 },
  pipes: { name: 'PIPES', weightMm: 0.25 },
  sun: { name: 'SUN', weightMm: 0.18 },
  dimensions: { name: 'DIMENSIONS', weightMm: 0.18 },
  words: { name: 'WORDS', weightMm: 0.18 },
} as const
export type DrawingLayer = keyof typeof LAYERS

/** A point of a drawing: across and up, mm of the real house. */
export type At = readonly [x: number, y: number]

/** A line through points. */
export interface Path {
  kind: 'path'
  layer: DrawingLayer
  points: readonly At[]
  closed?: boolean
  dashed?: boolean
}

/** Words at a place. */
export interface Words {
  kind: 'words'
  layer: DrawingLayer
  at: At
  text: string
  /** Height of its capitals on paper, mm. */
  heightMm: number
  align: 'left' | 'middle' | 'right'
  /** Turned to the left, degrees. */
  turnDeg?: number
  /** They stand where they are, whatever crosses them: in a table, on a shelf. */
  fixed?: boolean
  /** What they speak of: words that had to move away are led back to it. */
  of?: At
}

/** A dimension: what it stands between, its line beside that, and all as it is drawn. */
export interface Dimension {
  kind: 'dimension'
  layer: DrawingLayer
  from: At
  to: At
  /** Ends of its own line. */
  line: readonly [At, At]
  strokes: readonly Path[]
  words: Words
}

export type Item = Path | Words | Dimension

/** A view of the house in its own size, mm. */
export interface Drawing {
  title: string
  /** What its sizes are measured from, where that is not the house's datum. */
  measured?: string
  items: Item[]
}

/** What of its site a house is drawn with. */
export interface SiteFacts {
  /** How deep the ground freezes, by local rule or as estimated, m; null where nobody has worked it out. */
  frostM: number | null
  /** Height of the noon sun in the section on the two design days, degrees; none where nobody has worked it out. */
  noons: readonly { day: 'cold' | 'hot'; profileDeg: number }[]
}
export const NO_SITE: SiteFacts = { frostM: null, noons: [] }

/** What a view is drawn from. */
export interface Drawn extends SiteFacts {
  design: Design
  building: Building
  /** Millimetres of the house that lie under one of the paper: dimensions and words keep their size on paper. */
  scale: number
  show: Show
  /** What the paper has room for, mm: words beside a drawing go where it stays largest. */
  room: Room
}

/** So much of a sheet is free, mm. */
export interface Room {
  wideMm: number
  highMm: number
}

/** Heights of words on paper, and how far dimensions stand off, mm. */
export const WORDS_MM = 2.5
const OFF_MM = 9
const TICK_MM = 1.2

export const mm = (metres: number): number => metres * 1000
export const rectangle = (
  layer: DrawingLayer,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  dashed = false,
): Path => ({
  kind: 'path',
  layer,
  closed: true,
  dashed,
  points: [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ],
})
export const line = (layer: DrawingLayer, from: At, to: At, dashed = false): Path => ({
  kind: 'path',
  layer,
  points: [from, to],
  dashed,
})
export const words = (
  at: At,
  text: string,
  align: 'left' | 'middle' | 'right' = 'middle',
  heightMm = WORDS_MM,
  turnDeg = 0,
): Words => ({ kind: 'words', layer: 'words', at, text, align, heightMm, turnDeg })

/** A size as it stands on a drawing: millimetres bare, as the sheet says; feet and inches with their signs. */
export const sizeText = (show: Show, metres: number): string =>
  show(metres, 'cutLength')
    .replace(/\sft\b/, "'")
    .replace(/\sin$/, '"')
    .replace(/\smm$/, '')

/**
 * A dimension between two points, drawn so many rows to the left of the way from one to the other: its line, the lines
 * that lead to it, a tick at each end and what it measures, which is the distance between the points.
 */
export function dimension(
  { scale, show }: Pick<Drawn, 'scale' | 'show'>,
  from: At,
  to: At,
  row = 1,
  text?: string,
): Item[] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const long = Math.hypot(dx, dy)
  if (long < 1) return []
  const [ux, uy] = [dx / long, dy / long]
  const [nx, ny] = [-uy, ux]
  const off = OFF_MM * scale * row
  const at = (p: At, by: number): At => [p[0] + nx * by, p[1] + ny * by]
  const [a, b] = [at(from, off), at(to, off)]
  const t = TICK_MM * scale
  const tick = (p: At) =>
    line('dimensions', [p[0] - (ux + nx) * t, p[1] - (uy + ny) * t], [p[0] + (ux + nx) * t, p[1] + (uy + ny) * t])
  const sign = Math.sign(row)
  const leads = (p: At) => line('dimensions', at(p, 1.5 * scale * sign), at(p, off + 1.5 * scale * sign))
  const turn = (Math.atan2(dy, dx) * 180) / Math.PI
  // Words stand on the line, and are never upside down.
  const upright = turn > 90.01 || turn <= -89.99 ? turn + 180 : turn
  const over = upright === turn ? 1 : -1
  const middle: At = [(a[0] + b[0]) / 2 + nx * over * scale, (a[1] + b[1]) / 2 + ny * over * scale]
  const words: Words = {
    kind: 'words',
    layer: 'dimensions',
    at: middle,
    text: text ?? sizeText(show, long / 1000),
    align: 'middle',
    heightMm: WORDS_MM,
    turnDeg: upright,
    of: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2],
  }
  const strokes = [...(row === 0 ? [] : [leads(from), leads(to)]), line('dimensions', a, b), tick(a), tick(b)]
  return [{ kind: 'dimension', layer: 'dimensions', from, to, line: [a, b], strokes, words }]
}

/** From so many gaps alike on they are one dimension, of places no nearer together than so much, mm. */
const ALIKE = 3
const NEAR_MM = 5

/** Dimensions end to end along a line of places in their order; a run of gaps alike is told as so many of so much. */
export function chain(drawn: Pick<Drawn, 'scale' | 'show'>, places: readonly At[], row = 1): Item[] {
  const gap = (p: At, q: At) => Math.hypot(q[0] - p[0], q[1] - p[1])
  const apart = places.filter((p, k) => k === 0 || gap(places[k - 1]!, p) > NEAR_MM)
  const out: Item[] = []
  for (let k = 0; k + 1 < apart.length; ) {
    const one = gap(apart[k]!, apart[k + 1]!)
    let n = 1
    while (k + n + 1 < apart.length && Math.abs(gap(apart[k + n]!, apart[k + n + 1]!) - one) < 1) n++
    if (n < ALIKE) n = 1
    const size = (by: number) => sizeText(drawn.show, by / 1000)
    const text = n > 1 ? `${n} × ${size(one)} = ${size(gap(apart[k]!, apart[k + n]!))}` : undefined
    out.push(...dimension(drawn, apart[k]!, apart[k + n]!, row, text))
    k += n
  }
  return out
}

/** A drawing as lines and words alone. */
export const flat = (items: readonly Item[]): (Path | Words)[] =>
  items.flatMap(i => (i.kind === 'dimension' ? [...i.strokes, i.words] : [i]))

/** A letter takes about so much of a line, for capitals of 1: figures and small letters of usual faces. */
export const LETTER = 0.85

/** Words in lines of so many letters at most, the second and on set in. */
export function broken(text: string, letters: number): string[] {
  const lines: string[] = []
  for (const word of text.split(' ')) {
    const last = lines.at(-1)
    if (last !== undefined && last.length + 1 + word.length <= letters) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(lines.length === 0 ? word : `\u00a0\u00a0\u00a0${word}`)
  }
  return lines
}

/** Whether the sunny side faces south. */
export const isNorthern = ({ design }: Pick<Drawn, 'design'>): boolean => design.site.latitudeDeg >= 0

/**
 * Where a place of the room lies when it is looked at from above with the sunny side below: the west end is then on the
 * left where the sun stands in the south, and on the right where it stands in the north.
 */
export function fromAbove(drawn: Pick<Drawn, 'design'>): (xM: number, yM: number) => At {
  const { lengthM } = drawn.design.shape
  return isNorthern(drawn) ? (xM, yM) => [mm(yM), mm(xM)] : (xM, yM) => [mm(lengthM - yM), mm(xM)]
}

/** How far a drawing reaches, mm of the house: its lines, and where its words are placed. */
export function extentOf(items: readonly Item[]): { x0: number; y0: number; x1: number; y1: number } {
  const points = flat(items).flatMap(i => (i.kind === 'path' ? i.points : [i.at]))
  return {
    x0: Math.min(...points.map(p => p[0])),
    x1: Math.max(...points.map(p => p[0])),
    y0: Math.min(...points.map(p => p[1])),
    y1: Math.max(...points.map(p => p[1])),
  }
}
