import { numberAt, valueAt, type Design } from '../design'
import { stepped, type SweepPoint, type Vary } from './sweep'

/** A decision to vary as a form asks for it. */
export interface AskedRange {
  path: string
  from: number
  to: number
  /** Whole, 1 or more. */
  steps: number
}

/** A range about where a decision stands, within what the document allows, in eight steps. */
export function rangeAbout(path: string, design: Design): AskedRange {
  const { low, high, whole, usual, quantity } = numberAt(path, design)
  const now = valueAt(design, path) as number
  const half = Math.max(Math.abs(now) / 2, (usual[1] - usual[0]) / 20)
  const round = (v: number) =>
    whole || quantity === 'angle' || quantity === 'bearing' ? Math.round(v) : Number(v.toPrecision(2))
  return { path, from: round(Math.max(low, now - half)), to: round(Math.min(high, now + half)), steps: 8 }
}

/** The values that a range asks for; whole numbers each once. */
export function varyOf({ path, from, to, steps }: AskedRange, design: Design): Vary {
  const values = to > from ? stepped(from, to, (to - from) / Math.max(1, steps)) : [from]
  return { path, values: numberAt(path, design).whole ? [...new Set(values.map(Math.round))] : values }
}

/** What of a point is shown. */
export type SweepFigure = Exclude<keyof SweepPoint, 'values'>

/** A sweep as it is drawn: a row for each value of the second decision, or one row where there is none. */
export interface SweepGrid {
  /** By the second decision and then the first; null where a year is not known yet or can't be built. */
  rows: (SweepPoint | null)[][]
  /** Points that are known, in that order. */
  points: SweepPoint[]
  /** Least and most of the figure among them; 0 where none is known. */
  low: number
  high: number
  /** How far a point's figure stands between them, 0 to 1. */
  share: (p: SweepPoint) => number
}

/** Puts points, which come in any order, where they belong. */
export function sweepGrid(varied: readonly Vary[], points: readonly SweepPoint[], figure: SweepFigure): SweepGrid {
  const [first, second] = varied
  const key = (values: readonly unknown[]) => values.join('|')
  const known = new Map(points.map(p => [key(varied.map(v => p.values[v.path])), p]))
  const rows = (second?.values ?? [null]).map(b =>
    (first?.values ?? []).map(a => known.get(key(second ? [a, b] : [a])) ?? null),
  )
  const inOrder = rows.flat().filter(p => p !== null)
  const all = inOrder.map(p => p[figure])
  const low = all.length > 0 ? Math.min(...all) : 0
  const high = all.length > 0 ? Math.max(...all) : 0
  return { rows, points: inOrder, low, high, share: p => (high > low ? (p[figure] - low) / (high - low) : 0) }
}
