<script setup lang="ts">
import type { Design } from '../../../core/design'
import { openingPolygons } from '../../../core/geometry/leaves'
import type { Outline } from '../../../core/geometry/section'
import type { SectionScale } from '~/composables/useSectionScale'

/** What goes through each opening in the hour that is shown, written and pointed at it. */
const props = defineProps<{ design: Design; outline: Outline; scale: SectionScale }>()
const settings = useSettings()
const { inHour } = useOpeningFlows()
/** A label stands so far from its opening, px. */
const ASIDE_PX = 74
/** Less is not worth a word, m³/h. */
const LEAST = 20
const flows = computed(() => {
  const now = inHour.value
  if (!now) return []
  const seen = new Set<number>()
  return openingPolygons(props.design, props.outline).flatMap(({ index, polygon }) => {
    const f = now.flows[index]
    if (!f || seen.has(index) || Math.max(f.inM3h, f.outM3h) < LEAST) return []
    seen.add(index)
    const mean = (axis: 0 | 2) => polygon.reduce((s, p) => s + p[axis]!, 0) / polygon.length
    // Written inside, where no dimension stands: on the way to the middle of the house.
    const [x, y] = [props.scale.x(mean(0)), props.scale.y(mean(2))]
    const dx = props.scale.x(props.outline.widthM / 2) - x
    const dy = props.scale.y(props.outline.ridgeHeightM * 0.45) - y
    const far = Math.max(1, Math.hypot(dx, dy))
    const comes = f.inM3h >= f.outM3h
    const upright = Math.abs(dy) > Math.abs(dx)
    const [to, from] = upright ? (dy > 0 ? ['↓', '↑'] : ['↑', '↓']) : dx > 0 ? ['→', '←'] : ['←', '→']
    const off = upright ? ASIDE_PX / 2 : ASIDE_PX
    return [
      {
        index,
        x: x + (dx / far) * off,
        y: y + (dy / far) * off,
        text: `${comes ? to : from} ${settings.show(Math.max(f.inM3h, f.outM3h), 'airflow')}`,
        comes,
      },
    ]
  })
})
</script>

<template>
  <g data-test="section-flows">
    <text
      v-for="f in flows"
      :key="f.index"
      :x="f.x"
      :y="f.y"
      text-anchor="middle"
      class="flow"
      :fill="f.comes ? 'var(--slate)' : 'var(--clay)'"
    >
      {{ f.text }}
    </text>
  </g>
</template>

<style scoped>
.flow {
  font-size: 13px;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
