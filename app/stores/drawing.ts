import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'

export const VIEWS = ['section', 'plan', 'model', 'heat'] as const
export type DrawingView = (typeof VIEWS)[number]

/** How the house is looked at: cut across, from above, in the round, or by its temperatures. */
export const useDrawing = defineStore('drawing', () => {
  const view = ref<DrawingView>('section')
  /** Whether the controls have more of the room, and the drawing less. */
  const roomy = ref(false)
  /** The thing that was pressed last on a drawing: its card is opened. */
  const pressed = shallowRef<{ kind: string; index: number } | null>(null)
  const press = (thing: { kind: string; index: number }): void => {
    pressed.value = { kind: thing.kind, index: thing.index }
  }
  return { view, roomy, pressed, press }
})
