import { defineStore } from 'pinia'
import { computed, reactive, ref, shallowRef } from 'vue'
import type { Design } from '../../core/design'
import { laidOn, QUICK_MOVES, type Laid } from '../../core/moves/registry'
import type { RunAs } from '../../core/study/ran-as'
import type { AskedSpell, SpellAnswer, UsualSpell } from '../../core/study/spell'
import { useDesign } from './design'
import { useRunAs } from './run-as'
import { useSettings } from './settings'
import { useYear } from './year'

/** A move that was tried in the spell, and how the house stood it. */
export interface Tried extends Laid {
  answer: SpellAnswer
}

/** The spell test: dull days, then clear nights to a low; what fails, and what would have saved it. */
export const useSpell = defineStore('spell', () => {
  const bench = useDesign()
  const year = useYear()
  const settings = useSettings()
  const asked = reactive<AskedSpell>({ dullDays: 0, clearDays: 0, lowC: 0, startDay: null })
  /** As hard as this climate knows it, and of which site; null until that is worked out. */
  const usual = shallowRef<(UsualSpell & { site: Design['site'] }) | null>(null)
  const answer = shallowRef<SpellAnswer | null>(null)
  const tried = shallowRef<Tried[]>([])
  const of = shallowRef<Design | null>(null)
  const run = useRunAs()
  /** How the house was run. */
  const as = ref<RunAs>('stands')
  const state = reactive({ running: false, done: 0, total: 0, failure: '' })
  /** The design has changed since. */
  const stale = computed(() => of.value !== null && (of.value !== bench.current || as.value !== run.as))
  let stop = new AbortController()

  function cancel(): void {
    stop.abort()
    state.running = false
  }

  /** Begins with a spell as hard as the climate of the design on the bench knows it. */
  async function begin(): Promise<void> {
    const design = bench.current
    if (usual.value?.site === design.site) return
    const its = await year.ask(worker => worker.usualSpell(design))
    if (bench.current.site !== design.site) return
    usual.value = { ...its, site: design.site }
    Object.assign(asked, its.spell)
  }

  async function start(): Promise<void> {
    cancel()
    stop = new AbortController()
    const { signal } = stop
    const design = bench.current
    of.value = design
    as.value = run.as
    answer.value = null
    tried.value = []
    Object.assign(state, { running: true, done: 0, total: 1, failure: '' })
    try {
      await year.spells([design], as.value, { ...asked }, a => (answer.value = a), signal)
      const stood = answer.value as SpellAnswer | null
      if (stood?.firstFailure) {
        const laid = laidOn(design, QUICK_MOVES, settings.show)
        state.total += laid.length
        state.done = 1
        await year.spells(
          laid.map(l => l.design),
          as.value,
          { ...asked, startDay: stood.spell.startDay },
          (a, i) => {
            state.done++
            tried.value = [...tried.value, { ...laid[i]!, answer: a }].sort(
              (x, y) => leafLow(y.answer) - leafLow(x.answer),
            )
          },
          signal,
        )
      }
    } catch (error) {
      if (!signal.aborted) state.failure = error instanceof Error ? error.message : String(error)
    }
    if (!signal.aborted) state.running = false
  }

  return { asked, usual, answer, tried, state, stale, begin, start, cancel }
})

/** The coldest that the leaves were in a spell, °C. */
export const leafLow = ({ days }: SpellAnswer): number => Math.min(...days.map(d => d.leafMinC))
