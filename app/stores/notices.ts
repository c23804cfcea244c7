import { defineStore } from 'pinia'
import { ref } from 'vue'

export interface Notice {
  id: number
  kind: 'info' | 'warning' | 'error'
  text: string
  lines: string[]
  action: { label: string; run: () => void } | null
}

/** So many messages stand at once; those that something can be undone by are not counted. */
const MOST = 3

/** Short messages at the foot of the page. Errors stay until they are closed. */
export const useNotices = defineStore('notices', () => {
  const all = ref<Notice[]>([])
  let count = 0

  function tell(
    kind: Notice['kind'],
    text: string,
    options: { lines?: string[]; action?: Notice['action']; seconds?: number } = {},
  ): number {
    const id = ++count
    // Two of one text may undo two things: each keeps its own way back.
    const others = all.value.filter(n => n.text !== text || n.action !== null)
    const next = [...others, { id, kind, text, lines: options.lines ?? [], action: options.action ?? null }]
    const passing = next.filter(n => n.action === null).slice(-MOST)
    all.value = next.filter(n => n.action !== null || passing.includes(n))
    if (kind !== 'error') setTimeout(() => close(id), (options.seconds ?? 8) * 1000)
    return id
  }

  function close(id: number): void {
    all.value = all.value.filter(n => n.id !== id)
  }

  /** Takes back messages that no longer hold. */
  function forget(text: RegExp): void {
    all.value = all.value.filter(n => !text.test(n.text))
  }

  return { all, tell, close, forget }
})
