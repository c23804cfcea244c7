import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'

/** What is asked to be explained: a field by its path, a term by its id, or the words of what is on the screen. */
export type Asked = { path: string; label: string } | { term: string } | { screen: string }

/** Sheets that lie over the bench, and which of them is open. */
export const useSheets = defineStore('sheets', () => {
  const start = ref(false)
  const words = shallowRef<Asked | null>(null)
  const explain = (asked: Asked) => {
    words.value = asked
  }
  /** Explains what is selected, the field that has the focus, or else the words that are seen. */
  function explainHere(target: EventTarget | null): void {
    const field = target instanceof Element ? target.closest<HTMLElement>('[data-why]') : null
    if (field) return explain({ path: field.dataset.why!, label: field.dataset.label ?? '' })
    const chosen = window.getSelection()?.toString().trim() ?? ''
    const seen = [...document.querySelectorAll<HTMLElement>('.controls, .score')].map(e => e.innerText).join('\n')
    explain({ screen: chosen.length > 0 && chosen.length < 200 ? chosen : seen })
  }
  return { start, words, explain, explainHere }
})
