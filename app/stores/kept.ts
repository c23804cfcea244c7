import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { watch } from 'vue'
import { digest, type KeptStudies } from '../../core/study/kept'
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
  let whose = ''

  /** All that is worked out of the design on the bench. */
  function now(): KeptStudies | null {
    const out: KeptStudies = {}
    if (ladder.of && ladder.complete && ladder.rungs.length > 0)
      out.ladder = { of: digest(ladder.of), rungs: ladder.rungs }
    if (ladder.found && ladder.foundFor)
      out.found = { of: digest(ladder.foundFor.design), found: ladder.found, wanted: ladder.foundFor.wanted }
    if (sweeps.of && sweeps.points.length > 0)
      out.sweep = { of: digest(sweeps.of), varied: sweeps.varied, points: sweeps.points, refused: sweeps.refused }
    if (winters.of && winters.all.length > 0) out.winters = { of: digest(winters.of), winters: winters.all }
    if (Object.keys(ladder.stages).length > 0) out.stages = ladder.stages
    if (ladder.choices.length > 0) out.choices = ladder.choices
    return Object.keys(out).length > 0 ? out : null
  }

  /** Puts studies into the stores, as far as they are of the design as it stands. */
  async function take(studies: KeptStudies | null): Promise<void> {
    const word = digest(bench.current)
    const its = <T extends { of: string }>(kept: T | undefined): T | null => (kept?.of === word ? kept : null)
    ladder.recall({
      rungs: its(studies?.ladder)?.rungs ?? null,
      found: its(studies?.found),
      choices: studies?.choices ?? [],
      stages: studies?.stages ?? {},
    })
    sweeps.recall(its(studies?.sweep))
    const known = its(studies?.winters)
    if (known) winters.take(known.winters)
    whose = bench.current.id
    if (studies) await keeping.keepStudies(whose, studies)
  }

  /** Begins to look after the design on the bench. */
  function look(): void {
    watch(
      () => bench.current.id,
      async id => {
        whose = ''
        const studies = await keeping.studiesOf(id)
        if (bench.current.id === id && whose === '') await take(studies)
      },
      { immediate: true },
    )
    watchDebounced(
      [
        () => ladder.state.running,
        () => ladder.found,
        () => ladder.choices,
        () => ladder.stages,
        () => sweeps.points,
        () => winters.all,
      ],
      () => {
        const studies = now()
        if (whose === bench.current.id && studies) void keeping.keepStudies(whose, studies)
      },
      { debounce: REST_MS, maxWait: 1500 },
    )
  }

  return { now, take, look }
})
