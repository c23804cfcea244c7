import { defineStore } from 'pinia'
import { ref } from 'vue'

/** Sheets that lie over the bench, and which of them is open. */
export const useSheets = defineStore('sheets', () => {
  const start = ref(false)
  return { start }
})
