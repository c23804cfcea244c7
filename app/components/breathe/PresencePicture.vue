<script setup lang="ts">
import { DAYS, MONTH_NAMES, MONTH_START } from '../../../core/climate'
import { clock } from '../../../core/people/clock'
import { hoursThere, openDays, weekThere, type People } from '../../../core/people/presence'

/** A week hour by hour and a year day by day of who is there. */
const props = defineProps<{ people: People }>()
const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const week = computed(() => weekThere(props.people))
/** Hours on end of a day in which somebody is there. */
const stretches = (day: Uint8Array) => {
  const out: { from: number; until: number }[] = []
  day.forEach((there, h) => {
    if (!there) return
    if (h > 0 && day[h - 1]) out.at(-1)!.until = h + 1
    else out.push({ from: h, until: h + 1 })
  })
  return out
}
const spokenWeek = computed(() =>
  week.value
    .map((day, d) => {
      const its = stretches(day).map(s => `${clock(s.from)} to ${clock(s.until)}`)
      return `${NAMES[d]} ${its.length > 0 ? its.join(' and ') : 'nobody'}`
    })
    .join('; '),
)
const days = computed(() => {
  const there = hoursThere(props.people)
  const open = openDays(props.people)
  return Array.from({ length: DAYS }, (_, d) => ({
    d,
    is: there.subarray(d * 24, d * 24 + 24).includes(1),
    away: open[d] === 0,
  }))
})
const spokenYear = computed(() => {
  const away = days.value.filter(d => d.away).length
  return `The year: people may come on ${DAYS - away} days; on ${away} nobody does by terms and holidays.`
})
</script>

<template>
  <div class="grid items-start gap-x-8 gap-y-3 md:grid-cols-[17rem_minmax(0,1fr)]" data-test="presence-picture">
    <svg viewBox="0 0 272 112" class="w-full" role="img" :aria-label="`The week: ${spokenWeek}`">
      <g v-for="(day, d) in week" :key="d">
        <text x="0" :y="11 + d * 13" class="tick">{{ NAMES[d] }}</text>
        <rect x="32" :y="2 + d * 13" width="240" height="10" class="none" />
        <rect
          v-for="s in stretches(day)"
          :key="s.from"
          :x="32 + s.from * 10"
          :y="2 + d * 13"
          :width="(s.until - s.from) * 10"
          height="10"
          class="there"
        />
      </g>
      <text v-for="h in [0, 6, 12, 18]" :key="h" :x="32 + h * 10" y="107" class="tick">{{ h }}</text>
      <text x="272" y="107" text-anchor="end" class="tick">24 h</text>
    </svg>
    <svg viewBox="0 0 730 52" class="w-full" role="img" :aria-label="spokenYear">
      <rect
        v-for="d in days"
        :key="d.d"
        :x="d.d * 2"
        y="2"
        width="2.05"
        height="30"
        :class="d.is ? 'there' : d.away ? 'away' : 'none'"
      />
      <g v-for="(start, m) in MONTH_START.slice(0, 12)" :key="m">
        <line :x1="start * 2" :x2="start * 2" y1="2" y2="38" class="edge" />
        <text :x="start * 2 + 3" y="49" class="tick year">{{ MONTH_NAMES[m]!.slice(0, 3) }}</text>
      </g>
    </svg>
    <p class="hint md:col-span-2">
      A week when people come, and the year by day: <span class="key there" /> somebody is there,
      <span class="key none" /> nobody that day of the week, <span class="key away" /> nobody by terms and holidays.
    </p>
  </div>
</template>

<style scoped>
.there {
  fill: var(--leaf);
  background: var(--leaf);
}
.none {
  fill: color-mix(in srgb, var(--leaf) 14%, var(--paper));
  background: color-mix(in srgb, var(--leaf) 14%, var(--paper));
}
.away {
  fill: var(--clay);
  background: var(--clay);
}
.edge {
  stroke: var(--line);
}
.tick {
  font-size: 11px;
  fill: var(--soft);
}
.tick.year {
  font-size: 15px;
}
.key {
  display: inline-block;
  width: 0.9rem;
  height: 0.7rem;
  border: 1px solid var(--line);
  vertical-align: middle;
  margin-left: 0.5rem;
}
</style>
