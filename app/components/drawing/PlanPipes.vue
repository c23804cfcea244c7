<script setup lang="ts">
import type { Design } from '../../../core/design'
import { layChannels, layPipes, layRockBed } from '../../../core/geometry/pipes'

/** Pipes of earth stores under the floor, to scale: their runs, bends and manifolds. */
const props = defineProps<{
  design: Design
  /** Along and across on the plan, px. */
  px: (y: number) => number
  py: (x: number) => number
  ppm: number
}>()
const stores = computed(() =>
  props.design.store.airStores.flatMap((s, i) =>
    s.kind === 'earth store' && s.on
      ? [{ i, lay: layPipes(props.design, s), wide: Math.max(1.5, s.pipeDiameterM * props.ppm) }]
      : [],
  ),
)
const rocks = computed(() =>
  props.design.store.airStores.flatMap((s, i) =>
    s.kind === 'rock bed' && s.on ? [{ i, lay: layRockBed(props.design, s) }] : [],
  ),
)
const channels = computed(() =>
  props.design.store.airStores.flatMap(s => (s.kind === 'bed channels' && s.on ? layChannels(props.design, s) : [])),
)
</script>

<template>
  <g opacity="0.55" data-test="plan-pipes">
    <rect
      v-for="r in rocks"
      :key="`rock ${r.i}`"
      :x="Math.min(px(r.lay.y0), px(r.lay.y1))"
      :y="py(r.lay.x1)"
      :width="(r.lay.y1 - r.lay.y0) * ppm"
      :height="(r.lay.x1 - r.lay.x0) * ppm"
      fill="var(--masonry)"
      stroke="var(--ink)"
      stroke-dasharray="5 3"
    />
    <rect
      v-for="(c, k) in channels"
      :key="`channel ${k}`"
      :x="Math.min(px(c.y0), px(c.y1))"
      :y="py(c.x0 + c.widthM)"
      :width="(c.y1 - c.y0) * ppm"
      :height="c.widthM * ppm"
      fill="none"
      stroke="var(--ink)"
      stroke-dasharray="4 3"
    />
    <g v-for="s in stores" :key="s.i" stroke="var(--earth-deep)" fill="none">
      <line
        v-for="r in s.lay.runs"
        :key="`${r.pipe} ${r.run}`"
        :x1="px(r.y0)"
        :x2="px(r.y1)"
        :y1="py(r.x)"
        :y2="py(r.x)"
        :stroke-width="s.wide"
      />
      <line
        v-for="(r, k) in s.lay.returns"
        :key="`r${k}`"
        :x1="px(r.y)"
        :x2="px(r.y)"
        :y1="py(r.x0)"
        :y2="py(r.x1)"
        :stroke-width="s.wide"
      />
      <line
        v-for="(r, k) in s.lay.manifolds"
        :key="`m${k}`"
        :x1="px(r.y)"
        :x2="px(r.y)"
        :y1="py(r.x0)"
        :y2="py(r.x1)"
        :stroke-width="s.wide * 2"
        stroke="var(--ink)"
      />
    </g>
  </g>
</template>
