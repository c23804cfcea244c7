import { defineStore } from 'pinia'
import { computed, markRaw, reactive, ref, shallowRef } from 'vue'
import type { Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { sweepDesigns, sweepPoint, type SweepPoint, type Vary } from '../../core/study/sweep'
import { useDesign } from './design'
import { useYear } from './year'

/** One or two decisions over a range: years that can be stopped, and go on after a reload. */
export const useSweeps = defineStore('sweeps', () => {
  const bench = useDesign()
  const year = useYear()
  const varied = shallowRef<Vary[]>([])
  const points = shallowRef<SweepPoint[]>([])
  const of = shallowRef<Design | null>(null)
  const refused = ref(0)
  const state = reactive({ running: false, done: 0, total: 0, failure: '' })
  const stale = computed(() => of.value !== null && of.value !== bench.current)
  /** A sweep that was begun and not ended. */
  const open = computed(() => of.value !== null && !state.running && state.done < state.total)
  let stop = new AbortController()

  /** Takes a sweep that was kept of the design on the bench, to be gone on with. */
  function recall(kept: { varied: Vary[]; points: SweepPoint[] } | null): void {
    cancel()
    of.value = kept ? markRaw(bench.current) : null
    varied.value = kept?.varied ?? []
    points.value = kept?.points ?? []
    const swept = kept ? sweepDesigns(bench.current, kept.varied) : []
    refused.value = swept.filter(s => s.fault).length
    Object.assign(state, { done: points.value.length, total: swept.length - refused.value, failure: '' })
  }

  function cancel(): void {
    stop.abort()
    state.running = false
  }

  async function start(vary: readonly Vary[]): Promise<void> {
    cancel()
    of.value = markRaw(bench.current)
    varied.value = [...vary]
    points.value = []
    await goOn()
  }

  /** Runs what is not known yet. */
  async function goOn(): Promise<void> {
    stop = new AbortController()
    const { signal } = stop
    const known = new Set(points.value.map(p => JSON.stringify(p.values)))
    const swept = sweepDesigns(of.value!, varied.value)
    const sound = swept.flatMap(s => (s.design ? [{ values: s.values, design: s.design }] : []))
    refused.value = swept.length - sound.length
    const left = sound.filter(s => !known.has(JSON.stringify(s.values)))
    Object.assign(state, { running: true, done: sound.length - left.length, total: sound.length, failure: '' })
    try {
      await year.briefs(
        left.map(s => s.design),
        (brief, i) => {
          state.done++
          points.value = [...points.value, sweepPoint(left[i]!.values, brief)]
        },
        signal,
      )
    } catch (error) {
      if (!signal.aborted) state.failure = error instanceof Error ? error.message : String(error)
    }
    if (!signal.aborted) state.running = false
  }

  /** Lays a point of the sweep on the design. */
  const take = (p: SweepPoint): string | null =>
    bench.replace(patchDesign(bench.current, Object.entries(p.values)), 'take a point of a sweep')

  return { varied, points, of, refused, state, stale, open, recall, start, goOn, cancel, take }
})
