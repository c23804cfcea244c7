import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import type { CropRow } from '../../core/crops/calendar'
import type { CropYear } from '../../core/crops/weeks'
import type { Design } from '../../core/design'
import { sameYear } from '../../core/study/kept'
import { useDesign } from './design'
import { useYear } from './year'

/** They begin once the design has been at rest for so long, ms. */
const REST_MS = 1500
/** So many of the first years of a design are shown before all are there. */
const GLANCES = [1, 5]

/**
 * The years that the calendar of crops rests on: worked out in the background while the design is at rest and something
 * asks for them. Those of the design before an edit stay until the new ones are there.
 */
export const useCropYears = defineStore('crop-years', () => {
  const bench = useDesign()
  const year = useYear()
  const years = shallowRef<CropYear[]>([])
  const of = shallowRef<Design | null>(null)
  const known = ref(0)
  const total = ref(0)
  const failure = ref('')
  const stale = computed(() => of.value === null || !sameYear(of.value, bench.current))
  /** The calendar's rules, loaded with the first years. */
  const rules = shallowRef<typeof import('../../core/crops/calendar') | null>(null)
  const rows = computed((): CropRow[] =>
    rules.value && years.value.length > 0 ? bench.current.aim.crops.map(c => rules.value!.cropRow(c, years.value)) : [],
  )
  /** A crop by its id alone, chosen for this house or not; null until years are known. */
  const rowOf = (id: string): CropRow | null =>
    rules.value && years.value.length > 0
      ? rules.value.cropRow({ id, needs: null, months: new Array(12).fill('') }, years.value)
      : null
  let timer: ReturnType<typeof setTimeout> | undefined
  let stop = new AbortController()
  /** Of which design the years that are shown are, all of them or the first. */
  let whose = ''

  async function work(design: Design): Promise<void> {
    stop.abort()
    stop = new AbortController()
    const { signal } = stop
    whose = design.id
    const anew = years.value.length === 0
    const found: CropYear[] = []
    known.value = 0
    rules.value ??= await import('../../core/crops/calendar')
    const { inCropYears } = await import('../../core/crops/years')
    const designs = inCropYears(design)
    total.value = designs.length
    const put = (its: CropYear) => {
      found.push(its)
      known.value = found.length
      // A first glance is better than none, and an old whole better than a new glance.
      if (anew && GLANCES.includes(found.length)) years.value = [...found]
    }
    await year.cropYears(designs, put, signal)
    if (signal.aborted) return
    years.value = found
    of.value = design
  }

  let askers = 0
  /** Looks after the design on the bench, as long as what asks is there. */
  function look(isWanted: () => boolean): void {
    askers++
    onScopeDispose(() => {
      if (--askers > 0) return
      clearTimeout(timer)
      stop.abort()
    })
    watch(
      () => [year.view, isWanted()] as const,
      () => {
        clearTimeout(timer)
        const design = bench.current
        if (!isWanted() || year.view === null || !stale.value) return
        stop.abort()
        failure.value = ''
        if (design.id !== whose) years.value = []
        timer = setTimeout(() => {
          if (design !== bench.current) return
          work(design).catch(
            (error: unknown) => (failure.value = error instanceof Error ? error.message : String(error)),
          )
        }, REST_MS)
      },
      { immediate: true },
    )
  }

  return { years, rows, rowOf, known, total, stale, failure, look }
})
