<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { aimLine } from '../../../core/aim/aim-line'
import { DAYS, dayName, MONTH_NAMES, MONTH_OF_DAY, MONTH_START } from '../../../core/climate'
import { dayAlong } from '../../../core/study/year-map'

const emit = defineEmits<{ day: [number] }>()
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
const hovered = ref<number | null>(null)

const days = computed(() => {
  const view = year.view
  if (!view) return []
  return Array.from({ length: DAYS }, (_, d) => {
    const of = (a: Float32Array, pick: (...v: number[]) => number) => pick(...a.subarray(d * 24, d * 24 + 24))
    return {
      low: of(view.hours.airC, Math.min),
      high: of(view.hours.airC, Math.max),
      out: of(view.hours.outsideC, Math.min),
    }
  })
})
const aim = computed(() => aimLine(bench.current.aim))
const range = computed(() => {
  const all = days.value.flatMap(d => [d.low, d.high, d.out])
  return { low: Math.min(...aim.value.lowC.filter(v => v !== null), ...all) - 1, high: Math.max(...all) + 1 }
})
const plotHeight = computed(() => Math.max(20, height.value - 20))
const x = (day: number) => (day / DAYS) * width.value
const y = (c: number) => (plotHeight.value * (range.value.high - c)) / (range.value.high - range.value.low)

/** Bars of each kind as one path: cold below the aim, hot above the limit, and in range. */
const bars = computed(() => {
  const paths = { cold: '', fit: '', hot: '' }
  days.value.forEach((d, i) => {
    const month = MONTH_OF_DAY[i]!
    const kind =
      d.low < (aim.value.lowC[month] ?? -Infinity)
        ? 'cold'
        : d.high > (aim.value.highC[month] ?? Infinity)
          ? 'hot'
          : 'fit'
    const left = x(i).toFixed(2)
    const right = (x(i) + Math.max(0.6, width.value / DAYS - 0.35)).toFixed(2)
    paths[kind] += `M${left} ${y(d.low).toFixed(1)}V${y(d.high).toFixed(1)}H${right}V${y(d.low).toFixed(1)}Z`
  })
  return paths
})
/** The aim as a rule of steps, one a month; no rule where nothing lives that asks. */
const aimPath = computed(() =>
  aim.value.lowC
    .map((c, m) =>
      c === null ? '' : `M${x(MONTH_START[m]!).toFixed(1)} ${y(c).toFixed(1)}H${x(MONTH_START[m + 1]!).toFixed(1)}`,
    )
    .join(''),
)
const outside = computed(() =>
  days.value.map((d, i) => `${i === 0 ? 'M' : 'L'}${x(i + 0.5).toFixed(1)} ${y(d.out).toFixed(1)}`).join(''),
)
const months = computed(() =>
  MONTH_NAMES.map((name, m) => ({
    name: name.slice(0, width.value < 500 ? 1 : 3),
    x: x((MONTH_START[m]! + MONTH_START[m + 1]!) / 2),
  })),
)

const pointed = computed(
  () => hovered.value ?? year.day ?? (year.view ? Math.floor(year.view.answers.coldestNight.hour / 24) : null),
)
const caption = computed(() => {
  const d = pointed.value
  const row = d === null ? undefined : days.value[d]
  if (d === null || !row) return ''
  const t = (c: number) => settings.show(c, 'temperature')
  return `${dayName(d)}: inside ${t(row.low)} to ${t(row.high)}, outside low ${t(row.out)}`
})

const dayAt = (event: MouseEvent) => dayAlong(pointedAt(event).across)

function key(event: KeyboardEvent): void {
  const by: Record<string, number> = {
    ArrowLeft: -1,
    ArrowRight: 1,
    ArrowDown: -7,
    ArrowUp: 7,
    PageUp: 30,
    PageDown: -30,
  }
  if (event.key in by) {
    event.preventDefault()
    emit('day', ((pointed.value ?? 0) + by[event.key]! + DAYS) % DAYS)
  } else if (event.key === 'Enter' && pointed.value !== null) emit('day', pointed.value)
}
</script>

<template>
  <section class="ribbon" aria-label="The year">
    <div class="shrink-0 text-sm">
      <h2 class="text-[1.05rem]">The year</h2>
      <ul class="hint legend leading-snug">
        <li><span class="swatch bg-moss" /> inside, in range</li>
        <li><span class="swatch bg-slate" /> under the aim</li>
        <li><span class="swatch bg-clay" /> too hot</li>
        <li>line: outside low</li>
      </ul>
    </div>
    <div
      ref="frame"
      class="relative min-w-0 flex-1 cursor-pointer"
      role="slider"
      tabindex="0"
      aria-label="Day of the year; arrow keys move by day and week, Page Up and Down by month"
      :aria-valuemin="1"
      :aria-valuemax="365"
      :aria-valuenow="(pointed ?? 0) + 1"
      :aria-valuetext="caption || 'not worked out yet'"
      data-test="ribbon"
      @pointermove="hovered = dayAt($event)"
      @pointerleave="hovered = null"
      @click="emit('day', dayAt($event))"
      @keydown="key"
    >
      <svg
        v-if="width > 0 && days.length > 0"
        :width="width"
        :height="height"
        class="absolute inset-0"
        :class="year.running ? 'opacity-55' : ''"
        aria-hidden="true"
      >
        <line
          v-for="m in 11"
          :key="m"
          :x1="x(MONTH_START[m]!)"
          :x2="x(MONTH_START[m]!)"
          y1="0"
          :y2="plotHeight"
          stroke="var(--line)"
          stroke-width="1"
        />
        <path :d="bars.fit" fill="var(--moss)" opacity="0.75" />
        <path :d="bars.cold" fill="var(--slate)" />
        <path :d="bars.hot" fill="var(--clay)" />
        <path :d="outside" fill="none" stroke="var(--ink)" stroke-width="0.9" opacity="0.75" />
        <path :d="aimPath" fill="none" stroke="var(--clay)" stroke-width="1.4" stroke-dasharray="6 4" />
        <template v-if="pointed !== null">
          <line
            :x1="x(pointed + 0.5)"
            :x2="x(pointed + 0.5)"
            y1="0"
            :y2="plotHeight"
            stroke="var(--ink)"
            stroke-width="1.6"
          />
          <circle :cx="x(pointed + 0.5)" cy="4" r="4.5" fill="var(--ink)" />
        </template>
        <text v-for="m in months" :key="m.x" :x="m.x" :y="height - 5" text-anchor="middle" class="month">
          {{ m.name }}
        </text>
      </svg>
      <p
        v-if="caption"
        class="caption"
        :style="pointed! < 200 ? { left: `${x(pointed!) + 12}px` } : { right: `${width - x(pointed!) + 8}px` }"
      >
        {{ caption }}
      </p>
    </div>
  </section>
</template>

<style scoped>
.ribbon {
  display: flex;
  gap: 1rem;
  padding: 0.5rem 1.1rem 0.3rem;
  height: 100%;
}
.swatch {
  display: inline-block;
  width: 9px;
  height: 9px;
  border-radius: 2px;
}
.legend {
  display: grid;
  grid-template-columns: auto;
  white-space: nowrap;
}
.month {
  font-size: 12.5px;
  fill: var(--soft);
}
.caption {
  position: absolute;
  top: -3px;
  background: var(--choice);
  color: var(--choice-ink);
  font-size: 12.5px;
  padding: 0 7px;
  border-radius: 3px;
  pointer-events: none;
  white-space: nowrap;
}
@media (max-width: 900px) {
  .ribbon {
    flex-direction: column;
    gap: 0.3rem;
    padding: 0.5rem 0.8rem;
  }
  .legend {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.8rem;
  }
}
</style>
