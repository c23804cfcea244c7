import type { Design } from '../design/types'
import type { Winter } from './winter'
import type { Found, Wanted } from './find'
import type { Rung } from './ladder'
import type { StageName } from './stages'
import type { SweepPoint, Vary } from './sweep'

/** Branches of a design that its years and costs hang on: how it is built does not. */
const YEAR_BRANCHES = ['aim', 'site', 'shape', 'skin', 'store', 'breathe', 'topUp'] as const

/** Whether two states of a design have the same year: a study of one is true of the other. */
export const sameYear = (a: Design, b: Design): boolean => YEAR_BRANCHES.every(branch => a[branch] === b[branch])

/** A change that was laid on the design from a study, and why. */
export interface Choice {
  /** ISO 8601. */
  at: string
  words: string
  why: string
  gainK: number
  cost: number
}

/** What was worked out about a design beside its year, as it is kept and exported with it. */
export interface KeptStudies {
  /** Of which state of the design each is, by its digest. */
  ladder?: { of: string; rungs: Rung[] }
  found?: { of: string; found: Found; wanted: Wanted }
  sweep?: { of: string; varied: Vary[]; points: SweepPoint[]; refused?: number }
  winters?: { of: string; winters: Winter[] }
  stages?: Record<string, StageName>
  choices?: Choice[]
}

/**
 * A word for all that a design's figures hang on: two designs with one word have one year. FNV-1a over its JSON without
 * its names and how it is built, 32 bits twice.
 */
export function digest(design: object): string {
  const text = JSON.stringify({ ...design, id: '', name: '', decided: [], build: null })
  let [a, b] = [0x811c9dc5, 0x01000193]
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    a = Math.imul(a ^ c, 0x01000193)
    b = Math.imul(b ^ c, 0x85ebca6b)
  }
  return `${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}`
}

const isObject = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)
const isList = (v: unknown, of: (m: Record<string, unknown>) => boolean): boolean =>
  Array.isArray(v) && v.every(m => isObject(m) && of(m))

/**
 * Studies out of a file: what is not as it is written here is left out, since it can be worked out again. null where
 * nothing is.
 */
export function readStudies(given: unknown): KeptStudies | null {
  if (!isObject(given)) return null
  const out: KeptStudies = {}
  const { ladder, found, sweep, winters, stages, choices } = given
  const isWord = (v: unknown) => typeof v === 'string'
  const isNumber = (v: unknown) => typeof v === 'number' && Number.isFinite(v)
  if (
    isObject(ladder) &&
    isWord(ladder.of) &&
    isList(
      ladder.rungs,
      r =>
        isWord(r.id) &&
        isWord(r.words) &&
        isNumber(r.gainK) &&
        isNumber(r.lifeK) &&
        isNumber(r.lifeMarginK) &&
        typeof r.felt === 'boolean' &&
        isNumber(r.cost) &&
        isNumber(r.aYear) &&
        Array.isArray(r.patch),
    )
  )
    out.ladder = ladder as never
  if (isObject(found) && isWord(found.of) && isObject(found.wanted) && isObject(found.found))
    if (
      isList(
        found.found.front,
        f => isNumber(f.cost) && isNumber(f.aYear) && isNumber(f.coldestC) && isNumber(f.lifeMarginK),
      )
    )
      out.found = found as never
  if (
    isObject(sweep) &&
    isWord(sweep.of) &&
    isList(sweep.varied, v => isWord(v.path) && Array.isArray(v.values)) &&
    isList(sweep.points, p => isObject(p.values) && isNumber(p.coldestC)) &&
    (sweep.refused === undefined || isNumber(sweep.refused))
  )
    out.sweep = sweep as never
  if (isObject(winters) && isWord(winters.of) && isList(winters.winters, w => isNumber(w.seed) && isNumber(w.insideC)))
    out.winters = winters as never
  if (isObject(stages) && Object.values(stages).every(isWord)) out.stages = stages as never
  if (isList(choices, c => isWord(c.at) && isWord(c.words) && isWord(c.why))) out.choices = choices as never
  return Object.keys(out).length > 0 ? out : null
}

/** Written by a person: they go when they are taken out. The others stay until there are newer ones. */
const BY_HAND: readonly (keyof KeptStudies)[] = ['stages', 'choices']
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/** A list as it lies there, with what was added and without what was taken out since it was read. */
function listWith<T>(there: readonly T[], known: readonly T[], now: readonly T[]): T[] {
  const has = (list: readonly T[], v: T) => list.some(e => same(e, v))
  return [...there.filter(v => !has(known, v) || has(now, v)), ...now.filter(v => !has(known, v) && !has(there, v))]
}

/**
 * What is kept of studies, changed by what has changed here since they were read: all else stays as it lies there,
 * known or not, whoever wrote it. Where one that cannot be read would be written over, all of it is put aside first.
 * @param raw what is kept, as it lies there
 * @param known the studies as they were read or kept here last
 * @param now the studies by now
 * @returns null where nothing has changed
 */
export function withStudies(
  raw: unknown,
  known: KeptStudies,
  now: KeptStudies,
): { value: Record<string, unknown>; putAside?: { what: string; why: string[] } } | null {
  const keys = [...new Set([...Object.keys(now), ...Object.keys(known)])] as (keyof KeptStudies)[]
  const changed = keys.filter(k => !same(now[k], known[k]) && (now[k] !== undefined || BY_HAND.includes(k)))
  if (changed.length === 0) return null
  const before = isObject(raw) ? raw : {}
  const read = readStudies(before) ?? {}
  const unread = changed.filter(key => before[key] !== undefined && read[key] === undefined)
  const value: Record<string, unknown> = { ...before }
  for (const key of changed) {
    if (key === 'choices') value.choices = listWith(read.choices ?? [], known.choices ?? [], now.choices ?? [])
    else if (key === 'stages')
      value.stages = Object.fromEntries(
        listWith(
          Object.entries(read.stages ?? {}),
          Object.entries(known.stages ?? {}),
          Object.entries(now.stages ?? {}),
        ),
      )
    else value[key] = JSON.parse(JSON.stringify(now[key]))
  }
  const isStrange = raw !== undefined && raw !== null && !isObject(raw)
  if (unread.length === 0 && !isStrange) return { value }
  return {
    value,
    putAside: { what: 'studies', why: [`Of a form that this Tierra does not know: ${unread.join(', ') || 'all'}.`] },
  }
}
