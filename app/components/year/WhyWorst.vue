<script setup lang="ts">
import { whyWorst } from '../../../core/advice/worst-night'
import { DAYS } from '../../../core/climate'

/** The one question of the year: why was the worst night the worst? */
const year = useYear()
const settings = useSettings()
const ladder = useLadder()
/** The best rung of a ladder that is of this design. */
const helped = computed(() => {
  if (!ladder.isOfScore || !ladder.complete) return null
  const [best] = [...ladder.rungs].sort((a, b) => b.gainK - a.gainK)
  return best ?? null
})
const sentences = computed(() => (year.view ? whyWorst(year.view.answers, year.view, settings.show, helped.value) : []))
const night = computed(() => year.view?.answers.coldestNight ?? null)
function show(): void {
  if (!night.value) return
  year.hour = night.value.hour % 24
  year.day = Math.floor(night.value.hour / 24) % DAYS
}
/** The three days up to it, hour by hour: outside, air and each body. */
const [W, H] = [740, 220]
const chart = computed(() => {
  const view = year.view
  if (!view || !night.value) return null
  const from = Math.max(0, Math.min(8760 - 84, night.value.hour - 72))
  const hours = Array.from({ length: 84 }, (_, k) => from + k)
  const lines = [
    { name: 'outside', c: view.hours.outsideC, dash: '2 3', colour: 'var(--ink)' },
    { name: 'air inside', c: view.hours.airC, dash: '', colour: 'var(--clay)' },
    ...view.answers.bodies
      .slice(0, 3)
      .map((b, i) => ({
        name: b.name.toLowerCase(),
        c: view.bodiesC[b.index]!,
        dash: ['7 3', '9 3 2 3', '1 3'][i]!,
        colour: 'var(--slate)',
      })),
  ]
  const all = lines.flatMap(l => hours.map(h => l.c[h]!))
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const x = (h: number) => 8 + ((h - from) / 83) * (W - 16)
  const y = (c: number) => 8 + ((high - c) / (high - low)) * (H - 32)
  return {
    worst: x(night.value.hour),
    rows: [72, 66, 60, 54, 48, 42, 36, 30, 24, 18, 12, 6, 0]
      .map(before => ({ before, hour: night.value!.hour - before }))
      .filter(r => r.hour >= from)
      .map(r => ({ before: r.before, values: lines.map(l => settings.show(l.c[r.hour]!, 'temperature')) })),
    zero: low < 0 && high > 0 ? y(0) : null,
    days: [0, 1, 2, 3].map(d => (Math.ceil(from / 24) + d) * 24).filter(h => h < from + 84),
    x,
    lines: lines.map(l => ({
      ...l,
      path: hours.map((h, i) => `${i === 0 ? 'M' : 'L'}${x(h).toFixed(1)} ${y(l.c[h]!).toFixed(1)}`).join(''),
    })),
  }
})
</script>

<template>
  <div class="grid gap-y-4 px-4 py-3">
    <section>
      <h2 class="group-title">Why was the worst night the worst?</h2>
      <p class="max-w-prose text-[1.05rem] leading-relaxed" data-test="why">{{ sentences.join(' ') }}</p>
      <p class="mt-2 flex flex-wrap gap-2">
        <button class="button" data-test="see-worst" @click="show">See that hour on the drawing</button>
        <button
          v-if="!helped"
          class="button"
          :disabled="ladder.state.running"
          data-test="why-ladder"
          @click="ladder.start"
        >
          {{
            ladder.state.running
              ? `Trying changes: ${ladder.state.done} of ${ladder.state.total}`
              : 'Try what would have helped most'
          }}
        </button>
      </p>
    </section>
    <section v-if="chart">
      <h3 class="font-semibold">The days up to it</h3>
      <svg
        :viewBox="`0 0 ${W} ${H}`"
        class="w-full max-w-3xl"
        role="img"
        aria-label="Outside, air and bodies over the three days up to the worst hour"
      >
        <line v-if="chart.zero !== null" x1="8" :x2="W - 8" :y1="chart.zero" :y2="chart.zero" stroke="var(--line)" />
        <line :x1="chart.worst" :x2="chart.worst" y1="4" :y2="H - 22" stroke="var(--clay)" stroke-width="1.5" />
        <path
          v-for="l in chart.lines"
          :key="l.name"
          :d="l.path"
          fill="none"
          :stroke="l.colour"
          stroke-width="2"
          :stroke-dasharray="l.dash"
        />
        <text v-for="h in chart.days" :key="h" :x="chart.x(h)" :y="H - 6" class="tick">midnight</text>
      </svg>
      <ul class="flex flex-wrap gap-x-4 text-sm">
        <li v-for="l in chart.lines" :key="l.name" class="flex items-center gap-1.5">
          <svg width="30" height="8" aria-hidden="true">
            <line x1="0" x2="30" y1="4" y2="4" :stroke="l.colour" stroke-width="2" :stroke-dasharray="l.dash" />
          </svg>
          {{ l.name }}
        </li>
      </ul>
      <details class="mt-1">
        <summary class="cursor-pointer">As a table, every sixth hour</summary>
        <table class="text-sm">
          <thead>
            <tr class="text-right">
              <th scope="col" class="text-left font-normal">hours before it</th>
              <th v-for="l in chart.lines" :key="l.name" scope="col" class="pl-5 font-normal">{{ l.name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in chart.rows" :key="r.before" class="border-t border-line text-right tabular-nums">
              <th scope="row" class="text-left font-normal">{{ r.before }}</th>
              <td v-for="(v, i) in r.values" :key="i" class="pl-5">{{ v }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </section>
  </div>
</template>

<style scoped>
.tick {
  font-size: 12px;
  fill: var(--soft);
}
</style>
