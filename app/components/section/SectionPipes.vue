<script setup lang="ts">
import type { Design } from '../../../core/design'
import { airStoreName } from '../../../core/air-stores/registry'
import { layPipes } from '../../../core/geometry/pipes'
import type { SectionScale } from '~/composables/useSectionScale'

/** Pipes of earth stores, to scale; the first of each has its riser from the ridge, seen behind. */
const props = defineProps<{ design: Design; scale: SectionScale }>()
const settings = useSettings()
const stores = computed(() =>
  props.design.store.airStores.flatMap((s, i) =>
    s.kind === 'earth store' && s.on
      ? [{ i, store: s, name: airStoreName(props.design.store.airStores, i), lay: layPipes(props.design, s) }]
      : [],
  ),
)
</script>

<template>
  <g>
    <g v-for="s in stores" :key="s.i" data-test="section-pipes">
      <circle
        v-for="r in s.lay.runs"
        :key="`${r.pipe} ${r.run}`"
        :cx="scale.x(r.x)"
        :cy="scale.y(r.z)"
        :r="Math.max(2, r.radiusM * scale.ppm)"
        fill="var(--paper)"
        stroke="var(--ink)"
        stroke-width="1.4"
        :stroke-dasharray="s.store.perforated ? '3 2' : undefined"
      >
        <title>
          {{ s.name }}: {{ settings.show(r.radiusM * 2, 'thickness') }} wide, {{ settings.show(-r.z, 'length') }} deep
        </title>
      </circle>
    </g>
  </g>
</template>
