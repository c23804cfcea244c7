import { computed, shallowRef, watch } from 'vue'
import type { Design } from '../../core/design'
import { useDesign } from '../stores/design'
import { useYear } from '../stores/year'

const priceOf = shallowRef<((design: Design) => number) | null>(null)

/** The price of the house on the bench; null until the take-off is there, which is fetched after the first score. */
export function useHousePrice() {
  const bench = useDesign()
  const year = useYear()
  const isWanted = () => year.coldest !== null && priceOf.value === null
  const load = async () => (priceOf.value = (await import('../../core/takeoff/takeoff')).housePrice)
  // Once the score is drawn: nothing of it is fetched ahead of that.
  watch(isWanted, wanted => wanted && load(), { immediate: true, flush: 'post' })
  return computed(() => priceOf.value?.(bench.current) ?? null)
}
