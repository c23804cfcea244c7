<script setup lang="ts">
import type { StudyPoint } from '~/stores/studies'

/**
 * Three curves over one axis: winter light, the coldest night, and heat. Each has its own height; its least and most
 * are written at it.
 */
const props = defineProps<{
  points: StudyPoint[]
  /** Place of a value on the axis, px. */
  x: (at: number) => number
  width: number
  now: number
  heldC: number
  faded: boolean
}>()
defineEmits<{ take: [StudyPoint] }>()
const settings = useSettings()
const ROW = 46
const rows = computed(() =>
  [
    {
      id: 'light',
      name: 'Light, winter half',
      colour: 'var(--straw)',
      pick: (p: StudyPoint) => p.figures.winterDli,
      say: (v: number) => `${v.toFixed(1)} mol/m²·d`,
    },
    {
      id: 'cold',
      name: 'Coldest night, no heat',
      colour: 'var(--slate)',
      pick: (p: StudyPoint) => p.figures.coldestC,
      say: (v: number) => settings.show(v, 'temperature'),
    },
    {
      id: 'heat',
      name: `Heat to hold ${settings.show(props.heldC, 'temperature')}`,
      colour: 'var(--clay)',
      pick: (p: StudyPoint) => p.figures.heatKWh * 3.6e6,
      say: (v: number) => settings.show(v, 'energy'),
    },
  ].map((row, i) => {
    const values = props.points.map(row.pick)
    const low = Math.min(...values)
    const high = Math.max(...values)
    const y = (v: number) => ROW * i + ROW - 8 - (high - low < 1e-9 ? 10 : ((v - low) / (high - low)) * (ROW - 26))
    const best = props.points[row.id === 'heat' ? values.indexOf(low) : values.indexOf(high)]!
    return {
      ...row,
      low,
      high,
      best,
      marks: props.points.map((p, k) => ({
        p,
        x: props.x(p.at),
        y: y(values[k]!),
        text: `${p.label}: ${row.say(values[k]!)}`,
      })),
    }
  }),
)
</script>

<template>
  <div v-if="points.length > 1" :class="faded ? 'opacity-50' : ''" class="transition-opacity">
    <svg
      :width="width"
      :height="ROW * 3"
      role="img"
      :aria-label="rows.map(r => `${r.name}: ${r.say(r.low)} to ${r.say(r.high)}, best at ${r.best.label}`).join('. ')"
      data-test="study-curve"
    >
      <line
        :x1="x(now)"
        :x2="x(now)"
        y1="0"
        :y2="ROW * 3"
        stroke="var(--clay)"
        stroke-width="1.5"
        stroke-dasharray="3 4"
      />
      <g v-for="(r, i) in rows" :key="r.id">
        <line x1="0" :x2="width" :y1="ROW * (i + 1) - 2" :y2="ROW * (i + 1) - 2" stroke="var(--line)" />
        <polyline
          :points="r.marks.map(m => `${m.x.toFixed(1)},${m.y.toFixed(1)}`).join(' ')"
          fill="none"
          :stroke="r.colour"
          stroke-width="2.2"
        />
        <circle
          v-for="m in r.marks"
          :key="m.p.at"
          :cx="m.x"
          :cy="m.y"
          :r="m.p === r.best ? 5 : 3"
          :fill="m.p === r.best ? r.colour : 'var(--paper)'"
          :stroke="r.colour"
          stroke-width="1.6"
          class="cursor-pointer"
          @click="$emit('take', m.p)"
        >
          <title>{{ m.text }}</title>
        </circle>
        <text x="2" :y="ROW * i + 12" class="name">{{ r.name }}: {{ r.say(r.low) }} to {{ r.say(r.high) }}</text>
      </g>
    </svg>
    <p class="hint">
      Best for light at {{ rows[0]!.best.label }}, for the coldest night at {{ rows[1]!.best.label
      }}<template v-if="rows[2]!.high > 0.5 * 3.6e6">, for heat at {{ rows[2]!.best.label }}</template
      >.
    </p>
  </div>
</template>

<style scoped>
.name {
  font-size: 12.5px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--lime);
  stroke-width: 4px;
}
</style>
