import { computed, onScopeDispose, reactive, ref, shallowRef } from 'vue'
import type { Design } from '../../core/design'
import { sameYear } from '../../core/study/kept'
import type { Brief } from '../../core/study/brief'
import type { RunAs } from '../../core/study/ran-as'
import { useDesign } from '../stores/design'
import { useRunAs } from '../stores/run-as'
import { useYear } from '../stores/year'

/**
 * Some designs beside the one on the bench, each in brief: worked out when it is asked for, stopped when it is said or
 * when what asked is gone.
 * @param others what is set beside a design
 */
export function useBriefs<T extends { design: Design }>(others: (design: Design) => readonly T[]) {
  const bench = useDesign()
  const year = useYear()
  const now = shallowRef<Brief | null>(null)
  const found = shallowRef<(T & { brief: Brief })[]>([])
  const of = shallowRef<Design | null>(null)
  const run = useRunAs()
  const as = ref<RunAs>('stands')
  const state = reactive({ running: false, done: 0, total: 0, failure: '' })
  const stale = computed(() => of.value !== null && (as.value !== run.as || !sameYear(of.value, bench.current)))
  let stop = new AbortController()

  function cancel(): void {
    stop.abort()
    state.running = false
  }
  onScopeDispose(cancel)

  async function start(): Promise<void> {
    cancel()
    stop = new AbortController()
    const { signal } = stop
    const design = bench.current
    const list = others(design)
    const place = ({ design: its }: { design: Design }) => list.findIndex(o => o.design === its)
    of.value = design
    as.value = run.as
    now.value = null
    found.value = []
    Object.assign(state, { running: true, done: 0, total: list.length + 1, failure: '' })
    try {
      await year.briefs(
        [design, ...list.map(o => o.design)],
        as.value,
        (brief, i) => {
          state.done++
          if (i === 0) now.value = brief
          else found.value = [...found.value, { ...list[i - 1]!, brief }].sort((a, b) => place(a) - place(b))
        },
        signal,
      )
    } catch (error) {
      if (!signal.aborted) state.failure = error instanceof Error ? error.message : String(error)
    }
    if (!signal.aborted) state.running = false
  }
  /** Forgets what was found. */
  function clear(): void {
    cancel()
    now.value = null
    found.value = []
    of.value = null
  }
  return { now, found, stale, state, start, cancel, clear }
}
