import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { digest, withStudies, type KeptStudies } from '../../core/study/kept'
import { useDesign } from './design'
import { useKeeping } from './keeping'
import { useLadder } from './ladder'
import { useSweeps } from './sweeps'
import { useWinters } from './winters'

/** It is kept once it has been at rest for so long, ms. */
const REST_MS = 150

/** Studies of the design on the bench, kept beside it: found again after a reload, exported and imported with it. */
export const useKept = defineStore('kept', () => {
  const bench = useDesign()
  const keeping = useKeeping()
  const ladder = useLadder()
  const sweeps = useSweeps()
  const winters = useWinters()
  /** Whose studies stand in the stores: nothing is kept before they have been taken from where they were. */
  const whose = ref('')
  /** The studies of the design on the bench are there, and changes of them are kept. */
  const ready = computed(() => whose.value !== '' && whose.value === bench.current.id)

  /** All that is worked out of the design on the bench. */
  function now(): KeptStudies | null {
    const out: KeptStudies = {}
    // What is run otherwise than the house stands is of no other day.
    if (ladder.of && ladder.as === 'stands' && ladder.complete && ladder.rungs.length > 0)
      out.ladder = { of: digest(ladder.of), rungs: ladder.rungs }
    if (ladder.found && ladder.foundFor?.as === 'stands')
      out.found = { of: digest(ladder.foundFor.design), found: ladder.found, wanted: ladder.foundFor.wanted }
    if (sweeps.of && sweeps.as === 'stands' && sweeps.points.length > 0)
      out.sweep = { of: digest(sweeps.of), varied: sweeps.varied, points: sweeps.points, refused: sweeps.refused }
    if (winters.of && winters.all.length > 0) out.winters = { of: digest(winters.of), winters: winters.all }
    if (Object.keys(ladder.stages).length > 0) out.stages = ladder.stages
    if (ladder.choices.length > 0) out.choices = ladder.choices
    return Object.keys(out).length > 0 ? out : null
  }

  /** The studies as they were read or kept here last. */
  let known: KeptStudies = {}

  /** Keeps what has changed since; what is kept and is not known here stays as it is. */
  async function keep(): Promise<void> {
    const its = now() ?? {}
    const before = known
    if (!withStudies({}, before, its)) return
    known = { ...known, ...its }
    for (const key of ['stages', 'choices'] as const) if (!its[key]) delete known[key]
    await keeping
      .alter(whose.value, 'studies', raw => ({ ...withStudies(raw, before, its), result: null }))
      // A design that was deleted elsewhere takes no more of them, which the page says, until it is kept again.
      .catch(() => (known = before))
  }

  /** Puts studies into the stores, as far as they are of the design as it stands. */
  function take(studies: KeptStudies | null): void {
    // What the stores are given now is of another design until they have all of it.
    whose.value = ''
    const word = digest(bench.current)
    const its = <T extends { of: string }>(kept: T | undefined): T | null => (kept?.of === word ? kept : null)
    ladder.recall({
      rungs: its(studies?.ladder)?.rungs ?? null,
      found: its(studies?.found),
      choices: studies?.choices ?? [],
      stages: studies?.stages ?? {},
    })
    sweeps.recall(its(studies?.sweep))
    const winter = its(studies?.winters)
    if (winter) winters.take(winter.winters)
    whose.value = bench.current.id
    known = studies ?? {}
  }

  /** Takes what is kept beside the design on the bench. */
  async function load(id: string): Promise<void> {
    whose.value = ''
    const studies = await keeping.studiesOf(id)
    if (bench.current.id === id && whose.value === '') take(studies)
  }

  /** Begins to look after the design on the bench. */
  function look(): void {
    watch(() => bench.current.id, load, { immediate: true })
    watch(
      () => keeping.filled,
      its => {
        if (its?.id === bench.current.id) void load(its.id)
      },
    )
    const keepIts = () => {
      if (ready.value) void keep()
    }
    watch(
      () => keeping.state,
      state => {
        if (state === 'kept') keepIts()
      },
    )
    // What somebody chose is kept at once; what was worked out, once it is at rest.
    watch([() => ladder.choices, () => ladder.stages], keepIts, { flush: 'sync' })
    watchDebounced([() => ladder.state.running, () => ladder.found, () => sweeps.points, () => winters.all], keepIts, {
      debounce: REST_MS,
      maxWait: 1500,
    })
  }

  return { ready, now, look }
})
