import { computed, shallowRef, watch } from 'vue'
import { designCautions } from '../../core/advice/cautions'
import { useDesign } from '../stores/design'
import { useSettings } from '../stores/settings'
import { useYear } from '../stores/year'

/** All cautions, once they are loaded: where people get to is not needed for the first score. */
const all = shallowRef<typeof designCautions | null>(null)

/** Cautions of the design on the bench and its year, in the reader's units. */
export function useCautions() {
  const bench = useDesign()
  const year = useYear()
  const settings = useSettings()
  watch(
    () => year.view !== null,
    there => {
      if (there && !all.value)
        void import('../../core/advice/access').then(({ allCautions }) => {
          all.value = allCautions
        })
    },
    { immediate: true },
  )
  return computed(() => (all.value ?? designCautions)(bench.current, year.view?.answers ?? null, settings.show))
}
