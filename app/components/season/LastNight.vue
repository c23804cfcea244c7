<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { linear } from '../../../core/scale'
import { dayNumber, isoDay } from '../../../core/plan/calendar'
import { NIGHT_ACTS } from '../../../core/season/night-acts'
import { curvePath, rise } from '../../../core/season/pictures'
import { longDay } from '../../../core/text/dates'
import { degrees } from '~/composables/degrees'
import type { SeasonComparison } from '~/workers/season-work'

/** The last night that was read, against what the design says of it. */
const season = useSeason()
const bench = useDesign()
const settings = useSettings()
const found = shallowRef<SeasonComparison | null>(null)
const LEAD = 12
const lastDay = computed(() => {
  const { log } = season.book
  return log ? Math.floor((log.startH + log.hours) / 24) - 1 : null
})
let turn = 0
watch(
  () => [season.book, bench.current, season.whose] as const,
  async () => {
    const mine = ++turn
    if (lastDay.value === null || season.whose !== bench.current.id) return void (found.value = null)
    const its = await season.comparisonOf({ from: isoDay(lastDay.value - LEAD), until: isoDay(lastDay.value) })
    if (mine === turn) found.value = its
  },
  { immediate: true },
)
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const HIGH = 150
const night = computed(() => {
  const its = found.value
  if (!its) return null
  const until = its.said.length - 12
  const from = until - 24
  if (from < 0) return null
  const [said, read] = [its.said.subarray(from, until), its.read.subarray(from, until)]
  const known = [...read].filter(v => !Number.isNaN(v))
  if (known.length < 12) return null
  const x = linear([0, 23], [34, Math.max(120, Math.min(width.value, 620) - 8)])
  const scale = rise([...said, ...known], 10, HIGH - 22, degrees(settings.units))
  const date = isoDay(dayNumber(its.from) + Math.floor(from / 24))
  const ticked = season.book.written.done.filter(d => d.night && d.task.startsWith(`${date} `))
  return {
    done: ticked
      .map(d => NIGHT_ACTS.find(a => a.id === d.task.slice(11))?.words(bench.current, settings.show) ?? '')
      .filter(Boolean),
    date: longDay(date),
    x,
    scale,
    said: curvePath(said, x, scale.y),
    read: curvePath(read, x, scale.y),
    saidMin: Math.min(...said),
    readMin: Math.min(...known),
  }
})
const t = (c: number) => settings.show(c, 'temperature')
const k = (c: number) => settings.show(Math.abs(c), 'temperatureDifference')
</script>

<template>
  <section v-if="night" ref="frame" data-test="last-night">
    <h2 class="group-title">
      The last night that was read <span class="hint font-sans font-normal">from noon of {{ night.date }}</span>
    </h2>
    <svg v-if="width > 0" :width="Math.min(width, 620)" :height="HIGH" aria-hidden="true">
      <DegreeLines :scale="night.scale" :from-px="34" :to-px="Math.min(width, 620)" />
      <text v-for="h in [0, 6, 12, 18]" :key="h" :x="night.x(h)" :y="HIGH - 6" class="tick" text-anchor="middle">
        {{ (12 + h) % 24 }}
      </text>
      <path :d="night.said" fill="none" stroke="var(--ink)" stroke-width="2" stroke-dasharray="6 4" />
      <path :d="night.read" fill="none" stroke="var(--clay)" stroke-width="3" />
    </svg>
    <p>
      Read <strong>{{ t(night.readMin) }}</strong> (whole line), the design says {{ t(night.saidMin) }} (dashed):
      {{ k(night.readMin - night.saidMin) }} {{ night.readMin < night.saidMin ? 'colder' : 'warmer' }} than it says.
      <template v-if="night.done.length > 0">Done that night: {{ night.done.join('; ') }}.</template>
    </p>
  </section>
</template>

<style scoped>
.tick {
  font-size: 12.5px;
  fill: var(--soft);
}
</style>
