import { fieldAt, pathInWords, type Design } from '../design'
import type { AnyField } from '../design/field'
import { isMonths } from '../design/field'
import { nameIn, type Show } from '../units'

/** One place in which two designs differ. */
export interface Difference {
  path: string
  /** The place as the reader calls it. */
  words: string
  /** What stands there in the first and in the second, in words. */
  from: string
  to: string
}

/** Of no account when designs are set side by side. */
const ASIDE = new Set(['schemaVersion', 'id', 'name', 'decided'])

/** A value as the reader writes it. */
function inWords(value: unknown, field: AnyField | null, show: Show): string {
  if (value === null || value === undefined) return 'none'
  if (Array.isArray(value)) {
    if (value.length === 0 || value.length > 12 || (typeof value[0] === 'object' && value[0] !== null))
      return `${value.length}`
    return field && isMonths(field) ? value.join(', ') : value.map(v => inWords(v, null, show) || 'nothing').join(', ')
  }
  if (field?.kind === 'choice') return nameIn(field.choices.find(c => c.id === value)?.name ?? String(value), show)
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number')
    return field?.kind === 'number' && field.quantity
      ? show(value, field.quantity)
      : String(Math.round(value * 1000) / 1000)
  if (typeof value === 'object') return (value as { kind?: string }).kind ?? 'another'
  return String(value)
}

/**
 * Where two designs differ, place by place in the order of the document. Lists that differ in length, and things of
 * another kind, are told as a whole.
 */
export function differences(a: Design, b: Design, show: Show): Difference[] {
  const out: Difference[] = []
  const tell = (path: string, from: unknown, to: unknown) => {
    const field = fieldAt(path, b) ?? fieldAt(path, a)
    const bracketed = path.replace(/\.(\d+)(?=\.|$)/g, '[$1]')
    const [was, is] = [inWords(from, field, show), inWords(to, field, show)]
    out.push({ path, words: pathInWords(bracketed, b), from: was, to: is === was ? `another ${is}` : is })
  }
  const isTree = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null
  const walk = (path: string, from: unknown, to: unknown): void => {
    if (Object.is(from, to)) return
    const kinds = isTree(from) && isTree(to) ? [from.kind, to.kind] : []
    if (!isTree(from) || !isTree(to) || kinds[0] !== kinds[1]) {
      if (JSON.stringify(from) !== JSON.stringify(to)) tell(path, from, to)
      return
    }
    if (Array.isArray(from) && Array.isArray(to)) {
      const leaves = !isTree(from[0] ?? to[0])
      if (from.length !== to.length || leaves) {
        if (JSON.stringify(from) !== JSON.stringify(to)) tell(path, from, to)
        return
      }
    }
    for (const key of new Set([...Object.keys(from), ...Object.keys(to)]))
      if (path !== '' || !ASIDE.has(key)) walk(path === '' ? key : `${path}.${key}`, from[key], to[key])
  }
  walk('', a, b)
  return out
}
