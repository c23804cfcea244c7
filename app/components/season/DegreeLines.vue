<script setup lang="ts">
import type { Rise } from '../../../core/season/pictures'

/** Lines of a picture at round degrees, with what they stand for on the left. */
defineProps<{ scale: Rise; fromPx: number; toPx: number }>()
const settings = useSettings()
</script>

<template>
  <g v-for="c in scale.ticks" :key="c">
    <line :x1="fromPx" :x2="toPx" :y1="scale.y(c)" :y2="scale.y(c)" stroke="var(--line)" />
    <text :x="fromPx - 6" :y="scale.y(c) + 4" class="degree" text-anchor="end">
      {{ settings.show(c, 'temperature', { unit: false, decimals: 0 }) }}
    </text>
  </g>
</template>

<style scoped>
.degree {
  font-size: 12.5px;
  fill: var(--soft);
}
</style>
