<script setup lang="ts">
import type { StudyPoint } from '~/stores/studies'

/**
 * Curves over one axis, of what a study asks for: winter light, the coldest night and heat unless it is said. Each has
 * its own height; its least and most are written at it.
 */
const props = defineProps<{
  points: StudyPoint[]
  /** Place of a value on the axis, px. */
  x: (at: number) => number
  width: number
  now: number
  faded: boolean
  shows?: readonly RowId[]
  /** Where rules stand on the axis. */
  marks?: readonly { at: number; text: string }[]
}>()
defineEmits<{ take: [StudyPoint] }>()
const settings = useSettings()
const ROW = 46
type RowId = 'light' | 'cold' | 'heat' | 'hot' | 'damp' | 'peak'
const shown = computed(() => props.shows ?? (['light', 'cold', 'heat'] as const))
const rows = computed(() =>
  (
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
        name: 'Coldest night',
        colour: 'var(--slate)',
        pick: (p: StudyPoint) => p.figures.coldestC,
        say: (v: number) => settings.show(v, 'temperature'),
      },
      {
        id: 'heat',
        name: 'Heat a year',
        colour: 'var(--clay)',
        pick: (p: StudyPoint) => p.figures.heatKWh * 3.6e6,
        say: (v: number) => settings.show(v, 'energy'),
        least: true,
      },
      {
        id: 'peak',
        name: 'Most heat at once',
        colour: 'var(--ink)',
        pick: (p: StudyPoint) => p.figures.peakW,
        say: (v: number) => settings.show(v, 'power'),
        least: true,
      },
      {
        id: 'hot',
        name: 'Hottest afternoon',
        colour: 'var(--clay)',
        pick: (p: StudyPoint) => p.figures.hottestC,
        say: (v: number) => settings.show(v, 'temperature'),
        least: true,
      },
      {
        id: 'damp',
        name: 'Damp hours',
        colour: 'var(--moss)',
        pick: (p: StudyPoint) => p.figures.hoursDamp,
        say: (v: number) => settings.show(v, 'hours'),
        least: true,
      },
    ] as const
  )
    .filter(row => shown.value.includes(row.id))
    .map((row, i) => {
      const values = props.points.map(row.pick)
      const low = Math.min(...values)
      const high = Math.max(...values)
      const y = (v: number) => ROW * i + ROW - 8 - (high - low < 1e-9 ? 10 : ((v - low) / (high - low)) * (ROW - 26))
      const best = props.points['least' in row ? values.indexOf(low) : values.indexOf(high)]!
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
      :height="ROW * rows.length"
      role="img"
      :aria-label="rows.map(r => `${r.name}: ${r.say(r.low)} to ${r.say(r.high)}, best at ${r.best.label}`).join('. ')"
      data-test="study-curve"
    >
      <line
        :x1="x(now)"
        :x2="x(now)"
        y1="0"
        :y2="ROW * rows.length"
        stroke="var(--clay)"
        stroke-width="1.5"
        stroke-dasharray="3 4"
      />
      <g v-for="k in marks" :key="k.text">
        <line
          :x1="x(k.at)"
          :x2="x(k.at)"
          y1="0"
          :y2="ROW * rows.length"
          stroke="var(--ink)"
          stroke-dasharray="1 4"
          stroke-width="1.5"
        />
        <text :x="x(k.at) - 4" :y="ROW * rows.length - 6" text-anchor="end" class="name">{{ k.text }}</text>
      </g>
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
    <p v-if="!shows" class="hint">
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
