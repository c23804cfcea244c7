<script setup lang="ts">
import type { Offer } from '../../../core/editing/offers'

/** What fits in place of an edit of a field that was refused: taken by a press. */
const props = defineProps<{ path: string }>()
const bench = useDesign()
const settings = useSettings()
const offers = shallowRef<readonly Offer[]>([])
/** The edit that they are for, in words: a field that is left says again what it was refused. */
let offeredFor = ''
watch(
  () => bench.refusedEdit,
  async edit => {
    const asked = JSON.stringify(edit)
    if (asked === offeredFor) return
    offeredFor = asked
    offers.value = []
    if (edit?.[0]?.[0] !== props.path) return
    const design = bench.current
    const { offersFor } = await import('../../../core/editing/offers')
    if (bench.refusedEdit === edit) offers.value = offersFor(design, edit, settings.show)
  },
  { immediate: true },
)
</script>

<template>
  <p v-if="offers.length > 0" class="flex flex-wrap gap-1.5" data-test="offers">
    <button v-for="o in offers" :key="o.words" class="button" @click="bench.replace(o.design, `fitted ${path}`)">
      {{ o.words }}
    </button>
  </p>
</template>
