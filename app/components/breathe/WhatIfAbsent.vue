<script setup lang="ts">
import { nightOf } from '../../../core/climate'
import { absences } from '../../../core/study/absences'
import type { BriefRow } from '~/components/study/BriefTable.vue'

/** What it costs in degrees, heat and crops if nobody comes when they are counted on. */
const year = useYear()
const coldestDay = computed(() => nightOf(year.view?.answers.coldestNight.hour ?? 0))
const briefs = useBriefs(design => absences(design, coldestDay.value))
const rows = computed((): BriefRow[] => {
  const { now, found } = briefs
  if (!now.value) return []
  const own = { id: 'now', words: 'as the calendar says', brief: now.value, own: true, isScore: briefs.isScore.value }
  return [own, ...found.value]
})
</script>

<template>
  <section data-test="absences">
    <h2 class="group-title">What if nobody came?</h2>
    <BriefBar
      ask="Work it out"
      test="absences"
      :state="briefs.state"
      :stale="briefs.stale.value"
      :ready="rows.length > 0"
      @start="briefs.start"
      @cancel="briefs.cancel"
    />
    <BriefTable
      v-if="rows.length > 0"
      :figures="['coldest', 'life', 'hottest', 'heat', 'aYear', 'growing']"
      :rows="rows"
      :stale="briefs.stale.value"
    />
    <p v-if="rows.length > 0" class="hint">
      What keeps days and hours of its own is not touched by it: see above what waits for the house’s people.
    </p>
  </section>
</template>
