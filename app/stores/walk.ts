import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { PATH } from '../walk/path'

const KEY = 'tierra-walk'

/** How far somebody has come on the walk through the demo; it waits where it was left. */
export const useWalk = defineStore('walk', () => {
  const kept = Number(localStorage.getItem(KEY) ?? '0')
  const at = ref(Number.isInteger(kept) && kept >= 0 && kept <= PATH.length ? kept : 0)
  const open = ref(false)
  const stop = computed(() => PATH[at.value] ?? null)
  const ended = computed(() => at.value >= PATH.length)

  function goTo(to: number): void {
    at.value = Math.max(0, Math.min(PATH.length, to))
    localStorage.setItem(KEY, String(at.value))
    if (ended.value) open.value = false
  }
  /** Begins, or goes on where it was left; after its end it begins anew. */
  function begin(): void {
    if (ended.value) goTo(0)
    open.value = true
  }
  return { at, open, stop, ended, goTo, begin }
})
