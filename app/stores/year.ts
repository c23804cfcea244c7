import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Answers } from '../../core/answers'
import type { Design } from '../../core/design'
import type { YearView } from '../../core/view'
import { createYearClient, type YearClient } from '../workers/year-client'

/** The year of the design on the bench, worked out in the background, and the pinned design's answers. */
export const useYear = defineStore('year', () => {
  const view = shallowRef<YearView | null>(null)
  const running = ref(false)
  const failure = ref('')
  const pinned = shallowRef<Design | null>(null)
  const pinnedAnswers = shallowRef<Answers | null>(null)
  /** Day of year shown hour by hour, or null for the design days. */
  const day = ref<number | null>(null)
  const hour = ref(12)
  let client: YearClient | null = null

  function pool(): YearClient {
    client ??= createYearClient(2, (next, _design, newest) => {
      view.value = next
      failure.value = ''
      if (newest) running.value = false
    }, (error) => {
      running.value = false
      failure.value = `The year could not be worked out: ${error.message}`
    })
    return client
  }

  function request(design: Design): void {
    running.value = true
    pool().request(design)
  }

  /** Pins a design; its answers are what later figures are set against. null takes the pin out. */
  async function pin(design: Design | null): Promise<void> {
    pinned.value = design
    pinnedAnswers.value = null
    if (!design) return
    const answers = (await pool().once(design)).answers
    if (pinned.value === design) pinnedAnswers.value = answers
  }

  return { view, running, failure, pinned, pinnedAnswers, day, hour, request, pin }
})
