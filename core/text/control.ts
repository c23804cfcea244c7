/**
 * Characters that nobody sees and that steer machines: C0 and C1 controls, delete, line and paragraph separators, marks
 * that turn the direction of text, byte order marks, halves of surrogate pairs (Unicode 15, §§ 3.8, 23.1, 23.8).
 */
const STEERING =
  '\\u0000-\\u0008\\u000b-\\u001f\\u007f-\\u009f\\u2028\\u2029\\u202a-\\u202e\\u2066-\\u2069\\ufeff\\ufffe\\uffff'
const HALVES = '[\\ud800-\\udbff](?![\\udc00-\\udfff])|(?<![\\ud800-\\udbff])[\\udc00-\\udfff]'
const IN_LINES = new RegExp(`[${STEERING}]|${HALVES}`, 'g')
const IN_ONE_LINE = new RegExp(`[\\t\\n${STEERING}]|${HALVES}`, 'g')
const RUNS = new RegExp(`(?:${IN_ONE_LINE.source})+`, 'g')

/** The first character of a text that steers machines, by its number; null where there is none. */
export function controlIn(text: string, allows: { lines: boolean }): string | null {
  const found = text.match(allows.lines ? IN_LINES : IN_ONE_LINE)
  return found ? `U+${found[0].codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}` : null
}

/** A text in one line without characters that steer machines: each run of them is a space. */
export const oneLine = (text: string): string => text.replace(RUNS, ' ')

/**
 * A plain value whose texts hold no character that steers machines; itself where none does. Lists of numbers are not
 * looked into.
 */
export function withoutControls<T>(value: T, lines = true): T {
  if (typeof value === 'string')
    return (controlIn(value, { lines }) === null ? value : value.replace(lines ? IN_LINES : IN_ONE_LINE, ' ')) as T
  if (typeof value !== 'object' || value === null) return value
  if (Array.isArray(value)) {
    if (typeof value[0] === 'number') return value
    const members = value.map((v: unknown) => withoutControls(v, lines))
    return (members.every((v, i) => v === value[i]) ? value : members) as T
  }
  const entries = Object.entries(value).map(([key, v]) => [key, withoutControls<unknown>(v, lines)] as const)
  return entries.every(([key, v]) => v === (value as Record<string, unknown>)[key])
    ? value
    : (Object.fromEntries(entries) as T)
}
