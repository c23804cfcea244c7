<script setup lang="ts">
import { clock } from '../../../core/text/dates'
/** What the simulated logger reads now. */
const logger = useLogger()
const settings = useSettings()
const now = computed(() => logger.now)
const t = (c: number) => settings.show(c, 'temperature')
const way = (kPerH: number) =>
  Math.abs(kPerH) < 0.05
    ? 'steady'
    : `${kPerH < 0 ? 'falling' : 'rising'} ${settings.show(Math.abs(kPerH), 'temperatureDifference')} an hour`
</script>

<template>
  <div v-if="now" class="border border-line bg-paper p-2" data-test="live">
    <p class="hint">Inside now, by the simulated logger</p>
    <p class="slab text-2xl">{{ t(now.insideC) }}</p>
    <p class="text-sm">
      at {{ clock(now.at) }}, {{ way(now.perHourK) }}. Soil {{ t(now.soilC) }}, outside {{ t(now.outsideC) }}.
    </p>
  </div>
</template>
