import { defineStore } from 'pinia'
import { ref } from 'vue'

/**
 * What was typed into the months of a design and can't be used yet, as it was typed: `lowC-3`. It stays while one is
 * elsewhere on the bench.
 */
export const useClimateDraft = defineStore('climate-draft', () => {
  const typed = ref<Record<string, Record<string, string>>>({})
  const of = (id: string): Record<string, string> => typed.value[id] ?? {}
  const put = (id: string, cells: Record<string, string>) => {
    typed.value = { ...typed.value, [id]: cells }
  }
  return { of, put }
})
