import type { ShallowRef } from 'vue'
import type { SeasonYear } from '~/workers/season-work'

/**
 * The season's year of the house on the bench: its tasks and its water; null until it is known.
 * @param alsoOn what else of the book it hangs on
 */
export function useSeasonYear(alsoOn: () => unknown = () => null): ShallowRef<SeasonYear | null> {
  const season = useSeason()
  const bench = useDesign()
  const crops = useCropYears()
  const found = shallowRef<SeasonYear | null>(null)
  let turn = 0
  watch(
    () => [season.whose, bench.current, crops.rows, alsoOn()] as const,
    async () => {
      if (season.whose !== bench.current.id) return
      const mine = ++turn
      const its = await season.yearOf(crops.rows)
      if (mine === turn) found.value = its
    },
    { immediate: true },
  )
  return found
}
