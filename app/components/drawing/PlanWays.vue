<script setup lang="ts">
import { accessIn } from '../../../core/advice/access'
import { things } from '../../../core/editing'
import type { PlanPoint } from '../../../core/geometry/footprint'
import type { PlanScale } from '~/composables/usePlanScale'

/** Floor and beds that nobody gets to, hatched, with the reason; and the ways from the doors. */
const props = defineProps<{ scale: PlanScale; ways: boolean }>()
const bench = useDesign()
const drawing = useDrawing()
const { px, py } = props.scale
const access = computed(() => accessIn(bench.current))
const onPlan = ([x, y]: PlanPoint) => `${px(y).toFixed(1)},${py(x).toFixed(1)}`
/** Floor under low eaves is nobody’s way, and no fault. */
const hatched = computed(() =>
  access.value.hatched
    .filter(h => h.why === 'cut off' || (h.why === 'out of reach' && access.value.beds.length > 0))
    .map(h => {
      const [a, , c] = h.pieces.reduce((most, p) => (size(p) > size(most) ? p : most))
      return {
        ...h,
        at: { x: (px(a![1]) + px(c![1])) / 2, y: (py(a![0]) + py(c![0])) / 2 },
        words: h.why === 'cut off' ? 'no way in' : 'out of reach',
      }
    }),
)
const size = (p: readonly PlanPoint[]) => Math.abs((p[2]![0] - p[0]![0]) * (p[2]![1] - p[0]![1]))
/** To each thing, or to the one that was pressed. */
const lines = computed(() =>
  things(bench.current)
    .filter(t => props.ways || (drawing.pressed?.kind === t.kind && drawing.pressed.index === t.index))
    .flatMap(t => {
      const way = access.value.wayTo(t.kind, t.index)
      return way && way.length > 1 ? [{ id: t.id, points: way.map(onPlan).join(' ') }] : []
    }),
)
</script>

<template>
  <defs>
    <pattern id="no-way" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <line x1="0" y1="0" x2="0" y2="7" stroke="var(--clay)" stroke-width="2.2" />
    </pattern>
  </defs>
  <g v-for="h in hatched" :key="h.why" :data-test="`no-way-${h.why.replaceAll(' ', '-')}`" pointer-events="none">
    <polygon v-for="(p, i) in h.pieces" :key="i" :points="p.map(onPlan).join(' ')" fill="url(#no-way)" />
    <text v-if="h.areaM2 > 0.5" :x="h.at.x" :y="h.at.y + 5" text-anchor="middle" class="note narrow">{{
      h.words
    }}</text>
  </g>
  <polyline
    v-for="l in lines"
    :key="l.id"
    :points="l.points"
    fill="none"
    stroke="var(--slate)"
    stroke-width="3"
    stroke-dasharray="2 7"
    stroke-linecap="round"
    stroke-linejoin="round"
    pointer-events="none"
    :data-test="`way-${l.id}`"
  />
</template>

<style scoped src="~/assets/plan.css"></style>
