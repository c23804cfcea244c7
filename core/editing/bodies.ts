import type { Design, Source } from '../design'

/** Edits that take a body out; what was to warm it warms the first that holds water, and the others keep theirs. */
export function withoutBody({ store, topUp }: Design, index: number): [string, unknown][] {
  const moved = (s: Source): Source => {
    if (!('body' in s) || s.body === null || s.body < index) return s
    return { ...s, body: s.body === index ? null : s.body - 1 }
  }
  const sources = topUp.sources.map(moved)
  return [
    ['store.bodies', store.bodies.filter((_, i) => i !== index)],
    ...(sources.some((s, i) => s !== topUp.sources[i]) ? [['topUp.sources', sources] as [string, unknown]] : []),
  ]
}
