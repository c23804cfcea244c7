<script setup lang="ts">
import { placed, resized, things, type Thing } from '../../../core/editing'
import type { SectionScale } from '~/composables/useSectionScale'

/**
 * Grips on the beds, benches and mass of the section: drawn across the floor they move, drawn up and down they grow.
 */
const props = defineProps<{ scale: SectionScale }>()
const bench = useDesign()
const settings = useSettings()
const list = computed(() => things(bench.current))
const { down, moved, up, key } = useThingDrag<Thing>(
  (design, thing, right, rise) => {
    // A drag goes the way it mostly goes: along the floor, or up.
    if (Math.abs(right) >= Math.abs(rise) || !thing.sizes.height)
      return placed(design, thing.id, thing.x0 + right / props.scale.ppm)
    return resized(design, thing.id, { heightM: thing.z1 + rise / props.scale.ppm })
  },
  (design, thing, right, rise, far) =>
    right !== 0
      ? placed(design, thing.id, thing.x0 + right * (far ? 0.5 : 0.1))
      : resized(design, thing.id, { heightM: thing.z1 + rise * (far ? 0.25 : 0.05) }),
)
const show = (v: number) => settings.show(v, 'length')
const words = (t: (typeof list.value)[number]) =>
  `${show(t.x0)} from the sunny wall, ${show(t.x1 - t.x0)} wide, ${show(t.z1)} high`
/** What can be done with it by hand. */
const use = (t: (typeof list.value)[number]) =>
  `Drag it across${t.sizes.height ? ', or up and down' : ''}${t.kind === 'body' ? '; press it for its card' : ''}.`
</script>

<template>
  <svg :width="scale.width" :height="scale.height" class="pointer-events-none absolute inset-0">
    <g
      v-for="t in list"
      :key="t.id"
      class="grip"
      role="slider"
      tabindex="0"
      :aria-label="`${t.name}, drag or use the arrow keys`"
      :aria-valuenow="Math.round(t.x0 * 100)"
      :aria-valuetext="words(t)"
      :data-test="`thing-${t.id}`"
      :transform="`translate(${scale.x((t.x0 + t.x1) / 2)}, ${scale.y(t.z1 / 2 + t.z0 / 2)})`"
      @pointerdown="down(t, $event)"
      @pointermove="moved(t, $event)"
      @pointerup="up"
      @pointercancel="up"
      @keydown="key(t, $event)"
    >
      <title>{{ t.name }}: {{ words(t) }}. {{ use(t) }}</title>
      <rect
        :x="(-(t.x1 - t.x0) / 2) * scale.ppm"
        :y="-Math.max(14, (t.z1 - t.z0) * scale.ppm) / 2"
        :width="(t.x1 - t.x0) * scale.ppm"
        :height="Math.max(14, (t.z1 - t.z0) * scale.ppm)"
        class="body"
        rx="3"
      />
    </g>
  </svg>
</template>

<style scoped>
.grip {
  pointer-events: auto;
  cursor: grab;
  touch-action: none;
  outline: none;
}
.grip:active {
  cursor: grabbing;
}
.body {
  fill: transparent;
  stroke: transparent;
  stroke-width: 2.5;
}
.grip:hover .body {
  stroke: var(--clay);
  stroke-dasharray: 4 4;
}
.grip:focus-visible .body {
  stroke: var(--slate);
}
</style>
