import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { PART_IDS, type PartId } from '../../core/design'

export const VIEWS = ['section', 'plan', 'model', 'heat'] as const
export type DrawingView = (typeof VIEWS)[number]

/** How the house is looked at: cut across, from above, in the round, or by its temperatures. */
export const useDrawing = defineStore('drawing', () => {
  const view = ref<DrawingView>('section')
  /** Whether the controls have more of the room, and the drawing less. */
  const roomy = ref(false)
  /** The thing that was pressed last on a drawing: its card is opened. */
  const pressed = shallowRef<{ kind: string; index: number } | null>(null)
  /** The part of the skin whose card is open; it stands out on the section. */
  const part = ref<PartId | null>(null)
  /** Whether the section shows what goes through the openings: while the panel that tells it is open. */
  const flows = ref(false)
  const press = (thing: { kind: string; index: number }): void => {
    pressed.value = { kind: thing.kind, index: thing.index }
  }
  const pressPart = (id: PartId): void => {
    part.value = id
    press({ kind: 'part', index: PART_IDS.indexOf(id) })
  }
  return { view, roomy, pressed, press, part, pressPart, flows }
})
