import { useThrottleFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, markRaw, reactive, ref, shallowRef } from 'vue'
import type { Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import type { RunAs } from '../../core/study/ran-as'
import { sameYear } from '../../core/study/kept'
import { byLight, combinations, swept, sweepPoint, type SweepPoint, type Vary } from '../../core/study/sweep'
import { restOften } from '../composables/restOften'
import { useDesign } from './design'
import { useRunAs } from './run-as'
import { useYear } from './year'

/** Points that have come are shown so often, ms. */
const SHOWN_EVERY_MS = 250

/** One or two decisions over a range: years that can be stopped, and go on after a reload. */
export const useSweeps = defineStore('sweeps', () => {
  const bench = useDesign()
  const year = useYear()
  const varied = shallowRef<Vary[]>([])
  const points = shallowRef<SweepPoint[]>([])
  const of = shallowRef<Design | null>(null)
  const run = useRunAs()
  /** How its houses are run. */
  const as = ref<RunAs>('stands')
  const refused = ref(0)
  const state = reactive({ running: false, done: 0, total: 0, failure: '' })
  const stale = computed(() => of.value !== null && (as.value !== run.as || !sameYear(of.value, bench.current)))
  /** A sweep that was begun and not ended. */
  const open = computed(() => of.value !== null && !state.running && state.done < state.total)
  let stop = new AbortController()

  /** Takes a sweep that was kept of the design on the bench, to be gone on with. */
  function recall(kept: { varied: Vary[]; points: SweepPoint[]; refused?: number } | null): void {
    cancel()
    of.value = kept ? markRaw(bench.current) : null
    as.value = 'stands'
    varied.value = kept?.varied ?? []
    points.value = kept?.points ?? []
    refused.value = kept?.refused ?? 0
    const total = kept ? combinations(kept.varied).length - refused.value : 0
    Object.assign(state, { done: points.value.length, total, failure: '' })
  }

  /** Years that have come and are not shown yet: a map of hundreds is drawn a few times a second, not for each. */
  const come: SweepPoint[] = []
  const show = () => {
    points.value = [...points.value, ...come.splice(0)]
  }
  const showSoon = useThrottleFn(show, SHOWN_EVERY_MS)

  /** Ends what is running; what is known stays. */
  function cancel(): void {
    stop.abort()
    show()
    state.running = false
  }

  async function start(vary: readonly Vary[]): Promise<void> {
    cancel()
    of.value = markRaw(bench.current)
    as.value = run.as
    varied.value = [...vary]
    points.value = []
    await goOn()
  }

  /** Runs what is not known yet. */
  async function goOn(): Promise<void> {
    stop = new AbortController()
    const { signal } = stop
    const known = new Set(points.value.map(p => JSON.stringify(p.values)))
    const all = combinations(varied.value)
    Object.assign(state, { running: true, done: known.size, total: all.length, failure: '' })
    const left: { values: SweepPoint['values']; design: Design }[] = []
    let cannot = 0
    const rest = restOften()
    for (const values of all) {
      await rest()
      if (signal.aborted) return
      if (known.has(JSON.stringify(values))) continue
      const { design } = swept(of.value!, values)
      if (design) left.push({ values, design: markRaw(design) })
      else cannot++
    }
    const order = byLight(left)
    refused.value = cannot
    state.total = all.length - cannot
    try {
      await year.briefs(
        order.map(s => s.design),
        as.value,
        (brief, i) => {
          state.done++
          come.push(sweepPoint(order[i]!.values, brief))
          void showSoon()
        },
        signal,
      )
    } catch (error) {
      if (!signal.aborted) state.failure = error instanceof Error ? error.message : String(error)
    }
    if (!signal.aborted) cancel()
  }

  /** Lays a point of the sweep on the design. */
  const take = (p: SweepPoint): string | null =>
    bench.replace(patchDesign(bench.current, Object.entries(p.values)), 'take a point of a sweep')

  return { varied, points, of, as, refused, state, stale, open, recall, start, goOn, cancel, take }
})
