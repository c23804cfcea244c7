import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Design } from '../../core/design'
import { sameYear } from '../../core/study/kept'
import { isOneWinter, winterSpread, type Winter } from '../../core/study/winter'
import { useDesign } from './design'
import { useYear } from './year'

/** They begin once the design has been at rest for so long, ms. */
const REST_MS = 3000

/**
 * How far the coldest night differs from winter to winter of the same climate: made winters, or those that were
 * measured. Worked out in the background, one year at a time, while the design is at rest; one measured winter has no
 * others, unless they are made from it. What was known of the design before an edit stays until the new ones are there.
 */
export const useWinters = defineStore('winters', () => {
  const bench = useDesign()
  const year = useYear()
  const all = shallowRef<Winter[]>([])
  const of = shallowRef<Design | null>(null)
  const known = ref(0)
  const total = ref(0)
  const failure = ref('')
  const stale = computed(() => of.value === null || !sameYear(of.value, bench.current))
  /** What they come to; null until they are known. */
  const spread = computed(() => winterSpread(all.value, bench.current.aim))
  /** The climate is one measured winter, and no others are made from it. */
  const single = computed(() => isOneWinter(bench.current.site))
  let timer: ReturnType<typeof setTimeout> | undefined
  let turn = 0

  async function work(design: Design): Promise<void> {
    const mine = ++turn
    const found: Winter[] = []
    const { WINTERS_FOR, wintersOf, winterOf } = await import('../../core/study/winters-ahead')
    if (mine !== turn) return
    const ahead = wintersOf(design, WINTERS_FOR[design.aim.winter])
    known.value = 0
    total.value = ahead.length
    for (const { name, seed, design: its } of ahead) {
      const coldest = await year.coldestHour(its)
      if (mine !== turn) return
      found.push(winterOf(design.aim, { name, seed }, coldest))
      known.value = found.length
    }
    all.value = found
    of.value = design
  }

  /** Begins to look after the design on the bench, as long as what asks is there. */
  function look(restMs = REST_MS): void {
    watch(
      () => year.view,
      () => {
        clearTimeout(timer)
        const design = bench.current
        if (of.value && sameYear(design, of.value)) return
        turn++
        failure.value = ''
        if (isOneWinter(design.site) || design.id !== of.value?.id) all.value = []
        if (isOneWinter(design.site)) return
        timer = setTimeout(() => {
          if (design !== bench.current) return
          // A year that can't be worked out is told by the score itself.
          work(design).catch(
            (error: unknown) => (failure.value = error instanceof Error ? error.message : String(error)),
          )
        }, restMs)
      },
      { immediate: true },
    )
  }

  /** Takes winters that were kept of the design on the bench. */
  function take(winters: readonly Winter[]): void {
    turn++
    clearTimeout(timer)
    all.value = [...winters]
    of.value = bench.current
  }

  return { all, of, spread, known, total, single, stale, failure, look, take }
})
