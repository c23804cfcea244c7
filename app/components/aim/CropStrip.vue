<script setup lang="ts">
import { isWithin, type CropRow, type CropState } from '../../../core/crops/calendar'
import { STATE_WORDS, spanTold, stateSpans } from '../../../core/crops/told'
import { WEEKS } from '../../../core/crops/weeks'
import { listed } from '../../../core/text/listed'

/** A crop's year, week by week: how fast it grows, when cold kills it, and when it is planted and harvested. */
const props = defineProps<{ row: CropRow }>()

const hatch = useId()
/** Depth of colour of a week in which it lives: as it grows. */
const depth = (w: number): number => 12 + Math.round(88 * props.row.weeks[w]!.pace)
const fill = (w: number): string =>
  props.row.weeks[w]!.state === 'dies' ? `url(#${hatch})` : `color-mix(in srgb, var(--leaf) ${depth(w)}%, var(--paper))`
const runs = computed(() =>
  Array.from({ length: WEEKS }, (_, w) => ({
    w,
    plant: props.row.inside.some(s => isWithin(w, s.plant ?? s.sow)),
    harvest: props.row.inside.some(s => isWithin(w, s.harvest)),
    open: props.row.open.some(s => isWithin(w, s.harvest)),
  })),
)
const states: CropState[] = ['grows', 'slow', 'still', 'dies']
const spoken = computed(
  () =>
    `${props.row.name}: ` +
    states
      .map(s => [s, stateSpans(props.row, s)] as const)
      .filter(([, spans]) => spans.length > 0)
      .map(([s, spans]) => `${STATE_WORDS[s]} ${listed(spans.map(spanTold))}`)
      .join('; '),
)
</script>

<template>
  <svg :viewBox="`0 0 ${WEEKS} 12`" preserveAspectRatio="none" class="strip" role="img" :aria-label="spoken">
    <defs>
      <pattern :id="hatch" width="1" height="2" patternUnits="userSpaceOnUse">
        <rect width="1" height="2" class="bare" />
        <rect width="1" height="1" class="kills" />
      </pattern>
    </defs>
    <rect v-for="r in runs" :key="r.w" :x="r.w" y="0" width="1.02" height="6.4" :style="{ fill: fill(r.w) }" />
    <template v-for="r in runs" :key="r.w">
      <rect v-if="r.plant" :x="r.w" y="7.2" width="1.02" height="1.1" class="plant" />
      <rect v-if="r.harvest" :x="r.w" y="8.9" width="1.02" height="1.3" class="harvest" />
      <rect v-if="r.open" :x="r.w" y="10.8" width="1.02" height="1.1" class="open" />
    </template>
  </svg>
</template>

<style scoped>
.strip {
  width: 100%;
  height: 2.4rem;
  display: block;
  shape-rendering: crispEdges;
}
.bare {
  fill: var(--paper);
}
.kills {
  fill: var(--clay);
}
.plant {
  fill: var(--leaf);
}
.harvest {
  fill: var(--ink);
}
.open {
  fill: var(--soft);
}
</style>
