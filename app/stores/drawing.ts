import { defineStore } from 'pinia'
import { ref } from 'vue'

export const VIEWS = ['section', 'plan', 'model', 'heat'] as const
export type DrawingView = (typeof VIEWS)[number]

/** How the house is looked at: cut across, from above, in the round, or by its temperatures. */
export const useDrawing = defineStore('drawing', () => {
  const view = ref<DrawingView>('section')
  /** Whether the controls have more of the room, and the drawing less. */
  const roomy = ref(false)
  return { view, roomy }
})
