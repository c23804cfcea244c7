import { SCHEMA_VERSION, withSharedBranches, type Design } from '../../core/design'

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

const DRAG = 'drag '
/** The kind of the edits of one drag, from its beginning on: however long the hand rests, they are one step. */
export const dragKind = (id: string, beganAt: number): string => `${DRAG}${id} ${beganAt}`

/** Whether an edit of a kind is one with the last. */
export const ongoing = <T>(history: History<T>, kind: string, at: number): boolean =>
  history.kind === kind && (kind.startsWith(DRAG) || at - history.at < TOGETHER_MS) && history.future.length === 0

/** A new present. Edits of one drag, or of the same `kind` within a moment (a typed slider), become one step. */
export function pushHistory<T>(history: History<T>, present: T, kind: string, at: number): History<T> {
  if (present === history.present) return history
  const past = ongoing(history, kind, at) ? history.past : [...history.past, history.present].slice(-DEEPEST)
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

/** So many steps of undo, and of redo, outlive a reload. */
export const KEPT_STEPS = 60

/** Undo and redo of a design as they are kept beside it. */
export interface Past {
  schema: number
  past: readonly Design[]
  present: Design
  future: readonly Design[]
}

export const pastOf = ({ past, present, future }: History<Design>): Past => ({
  schema: SCHEMA_VERSION,
  past: past.slice(-KEPT_STEPS),
  present,
  future: future.slice(0, KEPT_STEPS),
})

/**
 * Undo and redo as they were kept beside a design; null where there are none of this version. Where the design is
 * another than they ended at, what they ended at is one step back.
 */
export function readPast(raw: unknown, design: Design): Past | null {
  const given = raw as Past | null | undefined
  if (given?.schema !== SCHEMA_VERSION || !Array.isArray(given.past) || !Array.isArray(given.future)) return null
  // Branches that are the same are one, so that studies and stages of the year know them again.
  const like = (d: Design): Design => withSharedBranches(d, design)
  const [past, present, future] = [given.past.map(like), like(given.present), given.future.map(like)]
  return present === design
    ? { schema: SCHEMA_VERSION, past, present, future }
    : { schema: SCHEMA_VERSION, past: [...past, present], present: design, future: [] }
}
