<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'
import type { NormalsClimate } from '../../../core/design'

/** A climate's months as a band from the mean low to the mean high, on one scale of degrees for all. */
const props = defineProps<{ climate: NormalsClimate }>()
const settings = useSettings()
const [WIDTH, HEIGHT, LEFT] = [184, 100, 38]
const [COLDEST, WARMEST] = [-40, 45]
const x = (m: number) => LEFT + ((m + 0.5) * (WIDTH - LEFT)) / 12
const y = (c: number) => 4 + ((WARMEST - Math.max(COLDEST, c)) / (WARMEST - COLDEST)) * (HEIGHT - 18)
const lines = [-20, 0, 20]
const bars = computed(() => props.climate.lowC.map((low, m) => ({ m, low, high: props.climate.highC[m]! })))
const extreme = computed(() => props.climate.designLowC ?? props.climate.meanYearlyLowC ?? null)
const told = computed(() => {
  const { lowC, highC } = props.climate
  const [cold, warm] = [lowC.indexOf(Math.min(...lowC)), highC.indexOf(Math.max(...highC))]
  const degrees = (v: number) => settings.show(v, 'temperature')
  return (
    `Nights from ${degrees(lowC[cold]!)} in ${MONTH_NAMES[cold]}, afternoons to ${degrees(highC[warm]!)} in ` +
    `${MONTH_NAMES[warm]}.`
  )
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="block w-full max-w-72" role="img" :aria-label="told">
    <g v-for="c in lines" :key="c">
      <line
        :x1="LEFT"
        :x2="WIDTH"
        :y1="y(c)"
        :y2="y(c)"
        stroke="var(--line)"
        :stroke-width="c === 0 ? 1.6 : 0.8"
        :stroke-dasharray="c === 0 ? undefined : '2 3'"
      />
      <text :x="LEFT - 4" :y="y(c) + 3.5" text-anchor="end" class="num">
        {{ settings.show(c, 'temperature', { decimals: 0 }) }}
      </text>
    </g>
    <rect
      v-for="b in bars"
      :key="b.m"
      :x="x(b.m) - 4.5"
      width="9"
      :y="y(b.high)"
      :height="Math.max(1, y(b.low) - y(b.high))"
      :fill="b.low < 0 ? 'var(--slate)' : 'var(--straw)'"
      rx="2"
    />
    <line
      v-if="extreme !== null"
      :x1="LEFT"
      :x2="WIDTH"
      :y1="y(extreme)"
      :y2="y(extreme)"
      stroke="var(--clay)"
      stroke-width="1.6"
      stroke-dasharray="5 3"
    />
    <text v-for="b in bars" :key="`n${b.m}`" :x="x(b.m)" :y="HEIGHT - 2" text-anchor="middle" class="num">
      {{ MONTH_NAMES[b.m]!.charAt(0) }}
    </text>
  </svg>
</template>

<style scoped>
.num {
  font-size: 11.5px;
  fill: var(--soft);
}
</style>
