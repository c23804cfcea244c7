import { defineStore } from 'pinia'
import { computed, reactive, ref, shallowRef } from 'vue'
import type { Design } from '../../core/design'
import { laidOn, MOVES, type Laid } from '../../core/moves/registry'
import { briefOf, type Brief } from '../../core/study/brief'
import { findCheapest, promising, withMoves, type Found, type Wanted } from '../../core/study/find'
import { LIFETIME_Y, ranked, ranksByHeat, rungOf, type Rank, type Rung } from '../../core/study/ladder'
import { ranAs, type RunAs } from '../../core/study/ran-as'
import { sameYear, type Choice } from '../../core/study/kept'
import type { StageName } from '../../core/study/stages'
import { restOften } from '../composables/restOften'
import { useDesign } from './design'
import { useRunAs } from './run-as'
import { useSettings } from './settings'
import { useYear } from './year'

const fresh = () => ({ running: false, done: 0, total: 0, failure: '' })

/** What the next money should buy: every sensible single change, and the cheapest set of them that meets an aim. */
export const useLadder = defineStore('ladder', () => {
  const bench = useDesign()
  const year = useYear()
  const settings = useSettings()
  const rungs = shallowRef<Rung[]>([])
  const of = shallowRef<Design | null>(null)
  const run = useRunAs()
  /** How its houses, and those of the search, were run. */
  const as = ref<RunAs>('stands')
  /** The house itself, run so; null where its rungs were kept and not worked out here. */
  const now = shallowRef<Brief | null>(null)
  const state = reactive(fresh())
  const rank = ref<Rank>('money')
  /** What is bought for a change is counted over so many years. */
  const years = ref<number>(LIFETIME_Y)
  /** All rungs are there: it was not stopped. */
  const complete = computed(() => state.total > 0 && state.done === state.total)
  const stale = computed(() => of.value !== null && (as.value !== run.as || !sameYear(of.value, bench.current)))
  /** Whether its rungs are of the house of the score: what is told beside that, or on paper. */
  const isOfScore = computed(() => of.value !== null && as.value === 'stands' && sameYear(of.value, bench.current))
  const order = computed(() =>
    of.value ? ranked(rungs.value, rank.value, ranksByHeat(ranAs(of.value, as.value)), years.value) : [],
  )
  /** What was laid on this design from its ladders, and why. */
  const choices = shallowRef<Choice[]>([])
  const found = shallowRef<Found | null>(null)
  const foundFor = shallowRef<{ design: Design; wanted: Wanted; as: RunAs } | null>(null)
  /** When each move is to be built, by its id. */
  const stages = shallowRef<Record<string, StageName>>({})
  const search = reactive(fresh())
  let stop = new AbortController()
  let stopSearch = new AbortController()

  function cancel(): void {
    stop.abort()
    state.running = false
  }
  function cancelSearch(): void {
    if (search.running && state.running) cancel()
    stopSearch.abort()
    search.running = false
  }

  /** Works the ladder of the design on the bench; rungs come as they are known. */
  async function start(): Promise<void> {
    cancel()
    stop = new AbortController()
    const { signal } = stop
    const design = bench.current
    const ran = run.as
    Object.assign(state, fresh(), { running: true, total: MOVES.length + 1 })
    try {
      const rest = restOften()
      const laid: Laid[] = []
      for (const move of MOVES) {
        await rest()
        laid.push(...laidOn(design, [move], settings.show))
      }
      if (signal.aborted) return
      state.total = laid.length + 1
      const answers = await year.answersOf(ranAs(design, ran))
      if (signal.aborted) return
      const its = briefOf(design, answers)
      of.value = design
      as.value = ran
      now.value = its
      rungs.value = []
      state.done = 1
      await year.briefs(
        laid.map(l => l.design),
        ran,
        (brief, i) => {
          state.done++
          rungs.value = [...rungs.value, rungOf(design, its, laid[i]!, brief)]
        },
        signal,
      )
    } catch (error) {
      if (!signal.aborted) state.failure = error instanceof Error ? error.message : String(error)
    }
    if (!signal.aborted) state.running = false
  }

  /** Lays a rung on the design; the ladder works itself anew. */
  function take(rung: Rung): void {
    if (bench.edit(rung.patch, `ladder ${rung.id}`) !== null) return
    const { words, why, gainK, cost } = rung
    choices.value = [...choices.value, { at: new Date().toISOString(), words, why, gainK, cost }]
    void start()
  }

  /**
   * Looks for the cheapest set that does what is wanted, among the most promising moves of the ladder, which is worked
   * out first where it is not there.
   */
  async function find(wanted: Wanted): Promise<void> {
    cancelSearch()
    stopSearch = new AbortController()
    const { signal } = stopSearch
    const design = bench.current
    Object.assign(search, fresh(), { running: true, total: 1 })
    found.value = null
    const runAll = async (designs: readonly Design[]): Promise<Brief[]> => {
      const out = new Array<Brief>(designs.length)
      search.total = designs.length
      await year.briefs(
        designs,
        as.value,
        (brief, i) => {
          out[i] = brief
          search.done++
        },
        signal,
      )
      return out
    }
    try {
      if (stale.value || !complete.value) await start()
      if (signal.aborted) return
      if (state.failure) throw new Error(state.failure)
      // The ladder was stopped by itself: there is nothing to search among.
      if (!complete.value) return cancelSearch()
      const result = await findCheapest(
        design,
        promising(rungs.value, wanted),
        wanted,
        runAll,
        rungs.value.length + 1,
        restOften(),
      )
      if (signal.aborted) return
      found.value = result
      foundFor.value = { design, wanted, as: as.value }
    } catch (error) {
      if (!signal.aborted) search.failure = error instanceof Error ? error.message : String(error)
    }
    if (!signal.aborted) search.running = false
  }

  /** The design with a set of moves laid on it, one after the other. */
  const withSet = (ids: readonly string[]): Design | null =>
    withMoves(
      bench.current,
      MOVES.filter(m => ids.includes(m.id)),
    )
  function takeSet(ids: readonly string[]): void {
    const design = withSet(ids)
    if (design) bench.replace(design, 'take a set of moves')
  }

  /** Takes what was kept of the design on the bench; null where that is of another state of it. */
  function recall(kept: {
    rungs: Rung[] | null
    found: { found: Found; wanted: Wanted } | null
    choices: Choice[]
    stages: Record<string, StageName>
  }): void {
    cancel()
    cancelSearch()
    rungs.value = kept.rungs ?? []
    Object.assign(state, fresh(), { done: rungs.value.length, total: rungs.value.length })
    of.value = kept.rungs ? bench.current : null
    as.value = 'stands'
    now.value = null
    found.value = kept.found?.found ?? null
    foundFor.value = kept.found ? { design: bench.current, wanted: kept.found.wanted, as: 'stands' } : null
    choices.value = kept.choices
    stages.value = kept.stages
  }

  return {
    complete,
    choices,
    stages,
    recall,
    rungs,
    order,
    of,
    as,
    isOfScore,
    now,
    stale,
    state,
    rank,
    years,
    start,
    cancel,
    take,
    found,
    foundFor,
    search,
    find,
    cancelSearch,
    withSet,
    takeSet,
  }
})
