<script setup lang="ts">
import { sectionLight } from '../../../core/geometry/lit'
import type { Building } from '../../../core/geometry/surfaces'
import type { SectionScale } from '~/composables/useSectionScale'
import type { DrawnRay } from '~/composables/useSectionRays'

const props = defineProps<{ building: Building, scale: SectionScale, rays: DrawnRay[], part: 'fill' | 'lines' }>()

/** The sun whose patch is filled in: the cold day's, or the chosen hour's. */
const main = computed(() => props.rays.find(r => r.kind !== 'hot' && r.profileDeg !== null) ?? null)
const light = computed(() => (main.value ? sectionLight(props.building, main.value.profileDeg!) : { fans: [], spans: [] }))
const fills = computed(() => light.value.fans.map((fan) => {
  const ends = [...fan.map(r => r.from), ...[...fan].reverse().map(r => r.to)]
  return ends.map(p => `${props.scale.x(p.x).toFixed(1)},${props.scale.y(p.z).toFixed(1)}`).join(' ')
}))

interface Line { ray: DrawnRay, x1: number, y1: number, x2: number, y2: number, inX: number, inY: number }

/** Each season's two limiting rays: through the glazing's foot and under the ridge, from the sky to where they land. */
const lines = computed(() => props.rays.flatMap((ray): Line[] => {
  if (ray.profileDeg === null) return []
  const fans = sectionLight(props.building, ray.profileDeg).fans
  const a = ray.profileDeg * Math.PI / 180
  return fans.slice(0, 1).flatMap((fan) => [fan[0]!, fan[fan.length - 1]!].map((r) => {
    const inX = props.scale.x(r.from.x)
    const inY = props.scale.y(r.from.z)
    // Drawn outwards to the edge of the picture, but not across half of it.
    const reach = Math.min(150, Math.max(30, (inY - 14) / Math.max(0.05, Math.sin(a))))
    return { ray, inX, inY, x1: inX - Math.cos(a) * reach, y1: inY - Math.sin(a) * reach, x2: props.scale.x(r.to.x), y2: props.scale.y(r.to.z) }
  }))
}))

/** Labels: the cold ray's by its lower line, the hot ray's by its upper one, kept inside the picture. */
const labels = computed(() => props.rays.map((ray, i) => {
  const own = lines.value.filter(l => l.ray === ray)
  const line = ray.kind === 'hot' ? own[1] : own[0]
  if (!line) return { ray, x: 10, y: 24 + 18 * i }
  const x = Math.min(Math.max(10, line.x1 - (ray.kind === 'hot' ? 240 : 60)), props.scale.width - 250)
  return { ray, x, y: Math.max(22, line.y1 - 6) }
}))
const colour = (ray: DrawnRay) => (ray.kind === 'hot' ? 'var(--clay)' : 'var(--straw)')
</script>

<template>
  <g>
    <template v-if="part === 'fill'">
      <polygon :points="building.outline.corners.map(p => `${scale.x(p.x)},${scale.y(p.z)}`).join(' ')" fill="var(--paper)" />
      <polygon v-for="(d, i) in fills" :key="i" :points="d" fill="var(--sun-fill)" opacity="0.75" data-test="sun-patch" />
    </template>
    <template v-else>
      <line
        v-for="(s, i) in light.spans" :key="`s${i}`" :x1="scale.x(s.a.x)" :y1="scale.y(s.a.z)" :x2="scale.x(s.b.x)" :y2="scale.y(s.b.z)" stroke="var(--straw)" stroke-width="5"
        stroke-linecap="round" opacity="0.9"
      />
      <line
        v-for="(l, i) in lines" :key="i" :x1="l.x1" :y1="l.y1" :x2="l.x2" :y2="l.y2" :stroke="colour(l.ray)" :stroke-width="l.ray.kind === 'hot' ? 1.8 : 2.2"
        :stroke-dasharray="l.ray.kind === 'hot' ? '7 6' : undefined"
      />
      <text v-for="l in labels" :key="l.ray.kind" :x="l.x" :y="l.y" class="ray-label">{{ l.ray.label }}</text>
    </template>
  </g>
</template>

<style scoped>
.ray-label { font-size: 13.5px; font-weight: 600; fill: var(--ink); paint-order: stroke; stroke: var(--sky-foot); stroke-width: 4px; }
</style>
