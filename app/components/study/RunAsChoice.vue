<script setup lang="ts">
import { ranAsTold, runChoices, type RunAs } from '../../../core/study/ran-as'

/** What a study runs: said at its head, and chosen there for all of them. */
const bench = useDesign()
const settings = useSettings()
const run = useRunAs()
const choices = computed(() => {
  const offered = runChoices(bench.current)
  return offered.includes(run.as) ? offered : [...offered, run.as]
})
const read = (id: string): RunAs => (id === 'stands' || id === 'unheated' ? id : Number(id))
</script>

<template>
  <label class="hint flex items-center gap-1 whitespace-nowrap">
    Run
    <select
      class="input w-auto py-0.5"
      data-test="run-as"
      :value="String(run.as)"
      @change="run.as = read(($event.target as HTMLSelectElement).value)"
    >
      <option v-for="c in choices" :key="c" :value="String(c)">{{ ranAsTold(c, settings.show) }}</option>
    </select>
  </label>
</template>
