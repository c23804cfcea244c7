<script setup lang="ts">
import type { Design } from '../../../core/design'
import { airStoreName } from '../../../core/air-stores/registry'
import { layChannels, layPipes, layRockBed } from '../../../core/geometry/pipes'
import type { SectionScale } from '~/composables/useSectionScale'

/** Pipes of earth stores and rock beds under the floor, to scale. */
const props = defineProps<{ design: Design; scale: SectionScale }>()
const settings = useSettings()
const stores = computed(() =>
  props.design.store.airStores.flatMap((s, i) =>
    s.kind === 'earth store' && s.on
      ? [{ i, store: s, name: airStoreName(props.design.store.airStores, i), lay: layPipes(props.design, s) }]
      : [],
  ),
)
const rocks = computed(() =>
  props.design.store.airStores.flatMap((s, i) =>
    s.kind === 'rock bed' && s.on
      ? [{ i, store: s, name: airStoreName(props.design.store.airStores, i), lay: layRockBed(props.design, s) }]
      : [],
  ),
)
const channels = computed(() =>
  props.design.store.airStores.flatMap((s, i) =>
    s.kind === 'bed channels' && s.on
      ? [{ i, name: airStoreName(props.design.store.airStores, i), lay: layChannels(props.design, s) }]
      : [],
  ),
)
</script>

<template>
  <g>
    <g v-for="r in rocks" :key="`rock ${r.i}`" data-test="section-rock">
      <title>
        {{ r.name }}: {{ settings.show(r.store.depthM, 'length') }} of
        {{ settings.show(r.store.rockM, 'thickness') }} rock; air comes in below and leaves above, a cloth keeps the
        soil out
      </title>
      <rect
        :x="scale.x(r.lay.x0 - r.store.insulationM)"
        :y="scale.y(r.lay.z1)"
        :width="(r.lay.x1 - r.lay.x0 + 2 * r.store.insulationM) * scale.ppm"
        :height="(r.store.depthM + r.store.insulationM) * scale.ppm"
        fill="var(--sun-fill)"
        stroke="var(--ink)"
        stroke-width="0.75"
      />
      <rect
        :x="scale.x(r.lay.x0)"
        :y="scale.y(r.lay.z1)"
        :width="(r.lay.x1 - r.lay.x0) * scale.ppm"
        :height="r.store.depthM * scale.ppm"
        fill="var(--masonry)"
        stroke="var(--ink)"
        stroke-width="1"
      />
      <line
        :x1="scale.x(r.lay.x0)"
        :x2="scale.x(r.lay.x1)"
        :y1="scale.y(r.lay.z1)"
        :y2="scale.y(r.lay.z1)"
        stroke="var(--paper)"
        stroke-width="3"
        stroke-dasharray="6 3"
      />
      <circle
        v-for="(p, k) in [
          { x: r.lay.x0 + 0.12, z: r.lay.z0 + 0.1 },
          { x: r.lay.x1 - 0.12, z: r.lay.z1 - 0.1 },
        ]"
        :key="k"
        :cx="scale.x(p.x)"
        :cy="scale.y(p.z)"
        :r="0.06 * scale.ppm"
        fill="var(--paper)"
        stroke="var(--ink)"
        stroke-width="1.2"
      />
    </g>
    <g v-for="c in channels" :key="`channels ${c.i}`" data-test="section-channels">
      <rect
        v-for="(d, k) in c.lay"
        :key="k"
        :x="scale.x(d.x0)"
        :y="scale.y(0)"
        :width="d.widthM * scale.ppm"
        :height="Math.max(2, d.heightM * scale.ppm)"
        fill="var(--paper)"
        stroke="var(--ink)"
        stroke-width="1"
      >
        <title>
          {{ c.name }}: {{ settings.show(d.widthM, 'thickness') }} × {{ settings.show(d.heightM, 'thickness') }}
        </title>
      </rect>
    </g>
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
