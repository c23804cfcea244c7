<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Quantity } from '../../../core/units'
import type { StudyKind, StudyPoint } from '~/stores/studies'

/** How a house does with less and more of one thing: a curve over its amount, a rule's marks, a table behind it. */
const props = defineProps<{
  kind: StudyKind
  ask: string
  which?: number
  /** What the axis counts. */
  quantity: Quantity
  shows: readonly ('cold' | 'heat' | 'hot' | 'damp' | 'peak')[]
  now: number
  marks?: readonly { at: number; text: string }[]
}>()
const emit = defineEmits<{ take: [StudyPoint] }>()
const studies = useStudies()
const settings = useSettings()
const study = computed(() => studies.all[props.kind])
const mine = computed(() => props.which === undefined || study.value.which === props.which)
const points = computed(() => (mine.value ? study.value.points : []))
const frame = useTemplateRef<HTMLElement>('frame')
const { width: room } = useElementSize(frame)
const width = computed(() => Math.min(520, room.value))
const reach = computed(() => {
  const at = points.value.map(p => p.at)
  return [Math.min(...at), Math.max(...at)] as const
})
const x = (at: number) => {
  const [low, high] = reach.value
  return 12 + ((at - low) / Math.max(1e-9, high - low)) * (width.value - 24)
}
/** Rules beyond what was tried are told under the curve. */
const shownMarks = computed(() => (props.marks ?? []).filter(m => m.at >= reach.value[0] && m.at <= reach.value[1]))
const beyond = computed(() => (props.marks ?? []).filter(m => !shownMarks.value.includes(m)))
const say = (v: number) => settings.show(v, props.quantity)
const COLUMNS = {
  cold: { name: 'coldest night', say: (p: StudyPoint) => settings.show(p.figures.coldestC, 'temperature') },
  heat: { name: 'heat a year', say: (p: StudyPoint) => settings.show(p.figures.heatKWh * 3.6e6, 'energy') },
  peak: { name: 'most at once', say: (p: StudyPoint) => settings.show(p.figures.peakW, 'power') },
  hot: { name: 'hottest afternoon', say: (p: StudyPoint) => settings.show(p.figures.hottestC, 'temperature') },
  damp: { name: 'damp', say: (p: StudyPoint) => settings.show(p.figures.hoursDamp, 'hours') },
} as const
</script>

<template>
  <div ref="frame" :data-test="`curve-${kind}`">
    <StudyBar :kind="kind" :which="which" :ask="ask" />
    <template v-if="points.length > 1 && width > 0">
      <StudyCurve
        :points="points"
        :x="x"
        :width="width"
        :now="Math.min(reach[1], Math.max(reach[0], now))"
        :faded="studies.stale[kind] || study.running"
        :shows="shows"
        :marks="shownMarks"
        @take="emit('take', $event)"
      />
      <p class="hint">
        From {{ say(reach[0]) }} to {{ say(reach[1]) }}; the dashed line is this house.
        <template v-for="m in beyond" :key="m.text">
          The {{ m.text }}: {{ say(m.at) }}, beyond what was tried.</template
        >
      </p>
      <details>
        <summary class="cursor-pointer">As a table</summary>
        <table class="text-sm">
          <thead>
            <tr class="text-right">
              <th scope="col" class="pr-4">amount</th>
              <th v-for="s in shows" :key="s" scope="col" class="pr-4 font-normal">{{ COLUMNS[s].name }}</th>
              <td></td>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in points" :key="p.at" class="text-right tabular-nums">
              <th scope="row" class="pr-4 font-normal">{{ say(p.at) }}</th>
              <td v-for="s in shows" :key="s" class="pr-4">{{ COLUMNS[s].say(p) }}</td>
              <td><button class="button quiet" @click="emit('take', p)">Take it</button></td>
            </tr>
          </tbody>
        </table>
      </details>
    </template>
  </div>
</template>
