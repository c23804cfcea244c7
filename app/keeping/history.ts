/** How long edits of one kind run together into one step of undo, ms. */
const TOGETHER_MS = 900
const DEEPEST = 300

/** Past and future states of one value. Immutable: each change gives a new history. */
export interface History<T> {
  readonly past: readonly T[]
  readonly present: T
  readonly future: readonly T[]
  /** Kind and time of the last edit: edits of one kind close together are one step. */
  readonly kind: string | null
  readonly at: number
}

export function startHistory<T>(present: T): History<T> {
  return { past: [], present, future: [], kind: null, at: 0 }
}

/** A new present. Edits of the same `kind` within a moment (a drag, a typed slider) become one step. */
export function pushHistory<T>(history: History<T>, present: T, kind: string, at: number): History<T> {
  if (present === history.present) return history
  const together = history.kind === kind && at - history.at < TOGETHER_MS && history.future.length === 0
  const past = together ? history.past : [...history.past, history.present].slice(-DEEPEST)
  return { past, present, future: [], kind, at }
}

export function undoHistory<T>(history: History<T>): History<T> {
  if (history.past.length === 0) return history
  return {
    past: history.past.slice(0, -1),
    present: history.past[history.past.length - 1]!,
    future: [history.present, ...history.future],
    kind: null,
    at: 0,
  }
}

export function redoHistory<T>(history: History<T>): History<T> {
  if (history.future.length === 0) return history
  return {
    past: [...history.past, history.present],
    present: history.future[0]!,
    future: history.future.slice(1),
    kind: null,
    at: 0,
  }
}
