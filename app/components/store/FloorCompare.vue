<script setup lang="ts">
import { floorChoices } from '../../../core/study/floors'
import type { BriefRow } from '~/components/study/BriefTable.vue'

/** Floors side by side for the year: what foam under a slab saves, and what it takes away. */
const bench = useDesign()
const briefs = useBriefs(floorChoices)
const rows = computed((): BriefRow[] => {
  const { now, found } = briefs
  if (!now.value) return found.value
  const own = { id: 'own', words: 'This house', brief: now.value, own: true, isScore: briefs.isScore.value }
  return [...found.value, own]
})
const lay = (id: string) => bench.replace(briefs.found.value.find(f => f.id === id)!.design, 'take floor')
</script>

<template>
  <div class="mt-3">
    <h2 class="group-title">
      Floors compared
      <span class="hint font-sans font-normal">foam keeps heat from the earth, and the earth’s from the house</span>
    </h2>
    <BriefBar
      ask="Work out each floor’s year"
      test="floors"
      :state="briefs.state"
      :stale="briefs.stale.value"
      :ready="briefs.found.value.length > 0"
      @start="briefs.start"
      @cancel="briefs.cancel"
    />
    <BriefTable
      v-if="briefs.found.value.length > 0"
      v-slot="{ row }"
      :figures="['coldest', 'soil', 'soilMonth', 'hottest', 'heat', 'aYear', 'cost']"
      :rows="rows"
      :stale="briefs.stale.value"
      data-test="floors"
    >
      <button class="button quiet" @click="lay(row.id)">Lay it</button>
    </BriefTable>
  </div>
</template>
