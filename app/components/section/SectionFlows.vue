<script setup lang="ts">
import type { Design } from '../../../core/design'
import { openingPolygons } from '../../../core/geometry/surfaces'
import type { Outline } from '../../../core/geometry/section'
import type { SectionScale } from '~/composables/useSectionScale'

/** What goes through each opening in the hour that is shown, written and pointed at it. */
const props = defineProps<{ design: Design; outline: Outline; scale: SectionScale }>()
const settings = useSettings()
const { inHour } = useOpeningFlows()
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
    const x = props.scale.x(mean(0))
    const left = mean(0) < props.outline.widthM / 2
    const comes = f.inM3h >= f.outM3h
    return [
      {
        index,
        x: x + (left ? -10 : 10),
        y: props.scale.y(mean(2)),
        left,
        // Towards the house while it comes in.
        arrow: comes === left ? '→' : '←',
        text: settings.show(Math.max(f.inM3h, f.outM3h), 'airflow'),
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
      :y="f.y - 14"
      :text-anchor="f.left ? 'end' : 'start'"
      class="flow"
      :fill="f.comes ? 'var(--slate)' : 'var(--clay)'"
    >
      {{ f.left ? `${f.text} ${f.arrow}` : `${f.arrow} ${f.text}` }}
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
