import { onScopeDispose, reactive } from 'vue'

/**
 * Years that somebody asks for and may stop: how far they are, and why they failed. They are stopped when what asked is
 * gone, or asks anew.
 */
export function useStoppable() {
  const state = reactive({ running: false, done: 0, total: 0, failure: '' })
  let stop = new AbortController()

  function cancel(): void {
    stop.abort()
    state.running = false
  }
  onScopeDispose(cancel)

  async function run(total: number, work: (signal: AbortSignal) => Promise<void>): Promise<void> {
    cancel()
    stop = new AbortController()
    const { signal } = stop
    Object.assign(state, { running: true, done: 0, total, failure: '' })
    try {
      await work(signal)
    } catch (error) {
      if (!signal.aborted) state.failure = error instanceof Error ? error.message : String(error)
    }
    if (!signal.aborted) state.running = false
  }
  return { state, run, cancel }
}
