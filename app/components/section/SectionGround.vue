<script setup lang="ts">
import type { Design } from '../../../core/design'
import type { Outline } from '../../../core/geometry/section'
import type { SectionScale } from '~/composables/useSectionScale'

const props = defineProps<{ design: Design, outline: Outline, scale: SectionScale, frostDepthM: number }>()
const settings = useSettings()

const layersThickness = (layers: readonly { thicknessM: number }[]) => layers.reduce((s, l) => s + l.thicknessM, 0)
const wall = computed(() => Math.max(0.04, layersThickness(props.design.skin.wall)))
const floorThickness = computed(() => props.design.store.floor.thicknessM)
const lining = computed(() => props.design.store.massWall.thicknessM)
const edge = computed(() => props.design.skin.edge)
const frost = computed(() => (props.frostDepthM > 0.02 ? props.scale.y(-props.frostDepthM) : null))

/** Pebbles of the ground, laid once from a fixed pattern so that they do not dance. */
const pebbles = computed(() => {
  const out: { x: number, y: number }[] = []
  const { width, height } = props.scale
  const top = props.scale.y(0)
  for (let row = 0; top + 12 + row * 17 < height; row++) {
    for (let column = 0; column * 46 < width + 46; column++) out.push({ x: column * 46 + (row * 29 + column * 13) % 31, y: top + 12 + row * 17 + (column * 7) % 6 })
  }
  return out
})
</script>

<template>
  <g>
    <rect x="0" :y="scale.y(0)" :width="scale.width" :height="scale.height - scale.y(0)" fill="var(--earth)" />
    <line v-for="(p, i) in pebbles" :key="i" :x1="p.x" :x2="p.x + 6" :y1="p.y" :y2="p.y" stroke="var(--earth-line)" stroke-width="1" opacity="0.6" />
    <line x1="0" :x2="scale.x(-wall)" :y1="scale.y(0)" :y2="scale.y(0)" stroke="var(--ink)" stroke-width="1.5" />
    <line :x1="scale.x(outline.widthM + lining + wall)" :x2="scale.width" :y1="scale.y(0)" :y2="scale.y(0)" stroke="var(--ink)" stroke-width="1.5" />
    <rect
      v-if="floorThickness > 0" :x="scale.x(0)" :y="scale.y(0)" :width="outline.widthM * scale.ppm" :height="Math.max(2, floorThickness * scale.ppm)" fill="var(--earth-deep)"
      stroke="var(--ink)" stroke-width="0.75"
    />
    <template v-if="edge.thicknessM > 0 && edge.depthM > 0">
      <rect
        v-for="x in [-wall, outline.widthM + lining + wall - Math.max(0.03, edge.thicknessM)]" :key="x" :x="scale.x(x)" :y="scale.y(0)" :width="Math.max(0.03, edge.thicknessM) * scale.ppm"
        :height="edge.depthM * scale.ppm" fill="url(#hatch)" stroke="var(--ink)" stroke-width="1"
      >
        <title>Edge board against the frost, {{ settings.show(edge.depthM, 'length') }} deep</title>
      </rect>
    </template>
    <template v-if="frost !== null && frost < scale.height - 4">
      <line x1="0" :x2="scale.x(-wall)" :y1="frost" :y2="frost" stroke="var(--slate)" stroke-width="1.5" stroke-dasharray="2 5" />
      <text x="8" :y="frost - 5" class="label">frost to about {{ settings.show(frostDepthM, 'length') }}</text>
    </template>
  </g>
</template>

<style scoped>
.label { font-size: 13px; fill: var(--ink); paint-order: stroke; stroke: var(--earth); stroke-width: 3px; }
</style>
