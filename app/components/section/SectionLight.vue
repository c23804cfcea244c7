<script setup lang="ts">
import { sectionLight } from '../../../core/geometry/lit'
import type { SceneExtras } from '../../../core/geometry/ray-cast'
import type { Building } from '../../../core/geometry/surfaces'
import type { SectionScale } from '~/composables/useSectionScale'
import type { DrawnRay } from '~/composables/useSectionRays'

const props = defineProps<{
  building: Building
  /** What shades it besides itself. */
  shading: SceneExtras
  scale: SectionScale
  rays: DrawnRay[]
  part: 'fill' | 'lines'
}>()

/** The sun whose patch is filled in: the cold day's, or the chosen hour's. */
const main = computed(() => props.rays.find(r => r.kind !== 'hot' && r.profileDeg !== null) ?? null)
const light = computed(() =>
  main.value ? sectionLight(props.building, props.shading, main.value.profileDeg!) : { fans: [], spans: [] },
)
const fills = computed(() =>
  light.value.fans.map(fan => {
    const ends = [...fan.map(r => r.from), ...[...fan].reverse().map(r => r.to)]
    return ends.map(p => `${props.scale.x(p.x).toFixed(1)},${props.scale.y(p.z).toFixed(1)}`).join(' ')
  }),
)

interface Line {
  ray: DrawnRay
  x1: number
  y1: number
  x2: number
  y2: number
  inX: number
  inY: number
}

/** Each season's two limiting rays: through the glazing's foot and under the ridge, from the sky to where they land. */
const lines = computed(() =>
  props.rays.flatMap((ray): Line[] => {
    if (ray.profileDeg === null) return []
    const ridge = props.building.outline.ridgeAtM + 1e-6
    const fans = sectionLight(props.building, props.shading, ray.profileDeg).fans.filter(f => f[0]!.from.x < ridge)
    const a = (ray.profileDeg * Math.PI) / 180
    if (fans.length === 0) return []
    return [fans[0]![0]!, fans.at(-1)!.at(-1)!].map(r => {
      const inX = props.scale.x(r.from.x)
      const inY = props.scale.y(r.from.z)
      // Drawn outwards to the edge of the picture, but not across half of it.
      const reach = Math.min(150, props.scale.height * 0.36, Math.max(30, (inY - 14) / Math.max(0.05, Math.sin(a))))
      return {
        ray,
        inX,
        inY,
        x1: inX - Math.cos(a) * reach,
        y1: inY - Math.sin(a) * reach,
        x2: props.scale.x(r.to.x),
        y2: props.scale.y(r.to.z),
      }
    })
  }),
)

/**
 * The legend of the rays stands at the top left, clear of the drawing; each line carries its altitude where it enters
 * the picture.
 */
const labels = computed(() =>
  props.rays.map((ray, i) => ({ ray, x: 14, y: (props.scale.width < 560 ? 54 : 26) + 21 * i })),
)
const tags = computed(() =>
  props.rays.flatMap(ray => {
    const line = lines.value.find(l => l.ray === ray)
    return line ? [{ ray, x: Math.max(30, line.x1 - 4), y: Math.max(14, line.y1 - 5) }] : []
  }),
)
const colour = (ray: DrawnRay) => (ray.kind === 'hot' ? 'var(--clay)' : 'var(--straw)')
</script>

<template>
  <g>
    <template v-if="part === 'fill'">
      <polygon
        :points="building.outline.corners.map(p => `${scale.x(p.x)},${scale.y(p.z)}`).join(' ')"
        fill="var(--paper)"
      />
      <polygon
        v-for="(d, i) in fills"
        :key="i"
        :points="d"
        fill="var(--sun-fill)"
        opacity="0.75"
        data-test="sun-patch"
      />
    </template>
    <template v-else>
      <line
        v-for="(s, i) in light.spans"
        :key="`s${i}`"
        :x1="scale.x(s.a.x)"
        :y1="scale.y(s.a.z)"
        :x2="scale.x(s.b.x)"
        :y2="scale.y(s.b.z)"
        stroke="var(--straw)"
        stroke-width="5"
        stroke-linecap="round"
        opacity="0.9"
      />
      <line
        v-for="(l, i) in lines"
        :key="i"
        :x1="l.x1"
        :y1="l.y1"
        :x2="l.x2"
        :y2="l.y2"
        :stroke="colour(l.ray)"
        :stroke-width="l.ray.kind === 'hot' ? 1.8 : 2.2"
        :stroke-dasharray="l.ray.kind === 'hot' ? '7 6' : undefined"
      />
      <g v-for="l in labels" :key="l.ray.kind">
        <line
          v-if="l.ray.profileDeg !== null"
          :x1="l.x"
          :x2="l.x + 26"
          :y1="l.y - 5"
          :y2="l.y - 5"
          :stroke="colour(l.ray)"
          stroke-width="2.4"
          :stroke-dasharray="l.ray.kind === 'hot' ? '7 5' : undefined"
        />
        <text :x="l.x + 33" :y="l.y" class="ray-label">{{ l.ray.label }}</text>
      </g>
      <text v-for="t in tags" :key="`t${t.ray.kind}`" :x="t.x" :y="t.y" text-anchor="end" class="ray-tag"
        >{{ t.ray.altitudeDeg.toFixed(0) }}°</text
      >
    </template>
  </g>
</template>

<style scoped>
.ray-tag {
  font-size: 13px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sky-foot);
  stroke-width: 4px;
}
.ray-label {
  font-size: 13.5px;
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sky-foot);
  stroke-width: 4px;
}
</style>
