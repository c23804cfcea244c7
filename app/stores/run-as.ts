import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { RunAs } from '../../core/study/ran-as'

/** How studies run the houses that they set side by side: one choice for all of them. */
export const useRunAs = defineStore('run-as', () => {
  const as = ref<RunAs>('stands')
  return { as }
})
