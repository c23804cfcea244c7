import { computed, ref, shallowRef } from 'vue'
import type { Design } from '../../core/design'
import { sameYear } from '../../core/study/kept'
import type { Brief } from '../../core/study/brief'
import type { RunAs } from '../../core/study/ran-as'
import { useDesign } from '../stores/design'
import { useRunAs } from '../stores/run-as'
import { useYear } from '../stores/year'
import { useStoppable } from './useStoppable'

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
  const { state, run: runAll, cancel } = useStoppable()
  const stale = computed(() => of.value !== null && (as.value !== run.as || !sameYear(of.value, bench.current)))

  /** What was run of the design is its score: as it stands, and as it is now. */
  const isScore = computed(() => as.value === 'stands' && !stale.value)

  async function start(): Promise<void> {
    const design = bench.current
    const list = others(design)
    const place = ({ design: its }: { design: Design }) => list.findIndex(o => o.design === its)
    of.value = design
    as.value = run.as
    now.value = null
    found.value = []
    await runAll(list.length + 1, signal =>
      year.briefs(
        [design, ...list.map(o => o.design)],
        as.value,
        (brief, i) => {
          state.done++
          if (i === 0) now.value = brief
          else found.value = [...found.value, { ...list[i - 1]!, brief }].sort((a, b) => place(a) - place(b))
        },
        signal,
      ),
    )
  }
  /** Forgets what was found. */
  function clear(): void {
    cancel()
    now.value = null
    found.value = []
    of.value = null
  }
  return { now, found, stale, isScore, state, start, cancel, clear }
}
